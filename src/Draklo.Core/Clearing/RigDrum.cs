using Draklo.Core.Lines;
using Draklo.Core.Units;

namespace Draklo.Core.Clearing;

/// <summary>The lowering drum that holds a line: its strength, its slip, and what it is fast to.</summary>
internal static class RigDrum
{
    private const string Path = "clearing.drum";

    /// <param name="load">In the rope at the drum, N.</param>
    /// <param name="letsRun">Whether it is meant to slip.</param>
    public static void Add(RigWalk walk, double load, double worst, bool letsRun = false)
    {
        if (walk.Clearing.Drum is not { } drum)
        {
            walk.Reasons.Check(
                "rig-no-drum",
                $"Nothing in the plan holds the rope below. It pulls {load:N}, more than people can hold.",
                Path,
                null,
                ("loadN", load)
            );
            return;
        }

        if (drum.StrengthN is { } strength)
        {
            walk.Add(RigMark.Drum, "drum", "Drum", load, worst, new(strength, walk.Factor.Hardware, []));
        }
        else
        {
            walk.Reasons.Check(
                "rig-drum-unknown",
                $"What the drum breaks at is not given: it carries {load:N}.",
                $"{Path}.strengthN",
                null,
                ("loadN", load)
            );
        }

        walk.AddAnchor(
            RigMark.Drum,
            "drum-anchor",
            "Drum's anchor",
            drum.Anchor,
            $"{Path}.anchor",
            load,
            worst,
            rise: 0
        );
        var slips = Limiter.SlipsAt(drum.Turns.HoldLowN, drum.Turns.FrictionLow, drum.Turns.Turns);
        if (!letsRun && slips < load)
        {
            walk.Reasons.Add(
                Limiter.IsTried(walk.Scene.Plan, $"{Path}.turns") ? VerdictState.Stop : VerdictState.Check,
                "rig-drum-slips",
                walk.Scene.Units.Say(
                    $"{Sentences.Count(drum.Turns.Turns).Capitalised()} turns with a light hold may slip at {slips:N}; the line pulls {load:N}: take more turns and tie the tail off."
                ),
                $"{Path}.turns.turns",
                null,
                ("slipsAt", slips),
                ("tension", load)
            );
        }
    }
}
