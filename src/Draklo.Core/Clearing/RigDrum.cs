using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Clearing;

/// <summary>A lowering drum that holds a line.</summary>
internal static class RigDrum
{
    /// <summary>A drum that holds a line: its strength, its slip, and what it is fast to.</summary>
    public static void Add(RigWalk walk, DrumMembers drum, double line, string path)
    {
        if (drum.StrengthN is { } strength)
        {
            walk.Add(RigMark.Drum, "drum", "Drum", line, RigWalk.Jerk * line, new(strength, walk.Factor.Hardware, []));
        }
        else
        {
            walk.Reasons.Check(
                "rig-drum-unknown",
                $"What the drum breaks at is not given: it carries {line:N}.",
                $"{path}.strengthN",
                null,
                ("loadN", line)
            );
        }

        walk.AddAnchor(
            RigMark.Drum,
            "drum-anchor",
            "Drum's anchor",
            drum.Anchor,
            $"{path}.anchor",
            line,
            RigWalk.Jerk * line,
            rise: 0
        );
        var slips = Limiter.SlipsAt(drum.Turns.HoldLowN, drum.Turns.FrictionLow, drum.Turns.Turns);
        if (slips < line)
        {
            walk.Reasons.Check(
                "rig-drum-slips",
                $"{Sentences.Count(drum.Turns.Turns).Capitalised()} turns with a light hold may slip at {slips:N}; the line pulls {line:N}: take more turns and tie the tail off.",
                $"{path}.turns.turns",
                null,
                ("slipsAt", slips),
                ("tension", line)
            );
        }
    }
}
