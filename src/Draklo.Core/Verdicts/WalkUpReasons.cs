using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>Points of the walk-up list that nobody has ticked.</summary>
internal static class WalkUpReasons
{
    public static void Add(Findings findings, ReasonList reasons)
    {
        var list = findings.Plan.WalkUp;
        var open = 0;
        var first = -1;
        for (var i = 0; i < list.Count; i++)
        {
            if (list[i].Must && (list[i].TickedAt is null || string.IsNullOrWhiteSpace(list[i].TickedBy)))
            {
                first = open++ == 0 ? i : first;
            }
        }

        if (list.Count == 0)
        {
            reasons.Check(
                "walk-up-missing",
                "No walk-up list is kept: whose tree it is, what is above and under, wind, rot and people have to be looked at and ticked by a name.",
                "walkUp"
            );
        }

        if (open == 0)
        {
            return;
        }

        var text = list[first].Text.Uncapitalised();
        reasons.Check(
            "walk-up-open",
            open == 1
                ? $"One point of the walk-up list is open: {text}."
                : $"{Sentences.Count(open).Capitalised()} points of the walk-up list are open, first: {text}.",
            $"walkUp[{first}]",
            null,
            ("open", open)
        );
    }
}
