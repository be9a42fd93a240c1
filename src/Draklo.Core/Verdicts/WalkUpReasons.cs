using Draklo.Core.Catalogue;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>Points of the walk-up list that nobody has ticked.</summary>
/// <remarks>The musts are the catalogue's, whatever the plan's own list leaves out or calls no must; its own come on top.</remarks>
internal static class WalkUpReasons
{
    private static readonly IReadOnlyList<WalkUpMembers> Musts = FirstWalkUp.Make();

    public static void Add(Findings findings, ReasonList reasons)
    {
        var list = findings.Plan.WalkUp;
        if (list.Count == 0)
        {
            reasons.Check(
                "walk-up-missing",
                "No walk-up list is kept: whose tree it is, what is above and under, wind, rot and people have to be looked at and ticked by a name.",
                "walkUp"
            );
            return;
        }

        var (open, first) = (0, ("", ""));
        for (var i = 0; i < list.Count; i++)
        {
            if (!IsTicked(list[i]) && (list[i].Must || Musts.Any(m => m.Id == list[i].Id)))
            {
                first = open++ == 0 ? (list[i].Text, $"walkUp[{i}]") : first;
            }
        }

        foreach (var must in Musts)
        {
            if (!list.Any(w => w.Id == must.Id))
            {
                first = open++ == 0 ? (must.Text, "walkUp") : first;
            }
        }

        if (open == 0)
        {
            return;
        }

        var text = first.Item1.Uncapitalised();
        reasons.Check(
            "walk-up-open",
            open == 1
                ? $"One point of the walk-up list is open: {text}."
                : $"{Sentences.Count(open).Capitalised()} points of the walk-up list are open, first: {text}.",
            first.Item2,
            null,
            ("open", open)
        );
    }

    private static bool IsTicked(WalkUpMembers point) =>
        point.TickedAt is not null && !string.IsNullOrWhiteSpace(point.TickedBy);
}
