using Draklo.Core.Geometry;
using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>What is worth knowing and holds nothing up.</summary>
internal static class Remarks
{
    public static void Add(Findings findings, ReasonList reasons)
    {
        var commit = Angle.Degrees(findings.Pull.Pull.Commit);
        if (commit == 0)
        {
            reasons.Remark(
                "sits-forward",
                "The tree sits forward from the start: the line only steers and keeps it from sitting back."
            );
        }
        else if (findings.Spring.PastCommit)
        {
            reasons.Remark(
                "stretch-carries-over",
                "At the planned tension the rope's stretch alone brings the tree past commit: once the hinge is cut it will not stop.",
                null,
                ("commitDeg", commit)
            );
        }

        var guesses = findings.Plan.AllGuesses().Count();
        if (guesses > 0)
        {
            reasons.Remark(
                "guesses-left",
                guesses == 1
                    ? "One figure is still a guess."
                    : $"{Sentences.Count(guesses).Capitalised()} figures are still guesses.",
                null,
                ("guesses", guesses)
            );
        }
    }
}
