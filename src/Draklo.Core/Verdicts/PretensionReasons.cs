using Draklo.Core.Geometry;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>Whether the line can be tightened enough and not too much, whether the stem may split, and how far it must come.</summary>
/// <remarks>Methods M5 and M12.</remarks>
internal static class PretensionReasons
{
    private const double RaisedIndex = 1.2;
    private const double HighIndex = 2;
    private const double FarCommitDeg = 30;

    public static void Add(Findings findings, ReasonList reasons)
    {
        var pull = findings.Pull;
        var planned = findings.Context.PlannedTension;
        var pretension = pull.Pretension;
        if (pretension.Empty)
        {
            var limit =
                pretension.LimitedBy == Pretension.EarlyGo || pull.Path.LimitingLink is not { } link
                    ? "the tree would go early and may split"
                    : $"{link.Name.Uncapitalised()} is at its limit";
            reasons.Stop(
                "pretension-window-empty",
                $"No pre-tension fits: under {pretension.FloorN:N} the tree may sit back, over {pretension.CeilingN:N} {limit}. Bore the back cut and leave a strap to release, lash the stem, set a second line or choose another anchor.",
                null,
                pull.Path.LimitingLink?.Id,
                ("floorN", pretension.FloorN),
                ("ceilingN", pretension.CeilingN)
            );
        }
        else if (planned > pretension.EarlyGoN)
        {
            reasons.Check(
                "planned-over-early-go",
                $"Hold the line under {pretension.EarlyGoN:N} until the back cut is down to the hinge: at the planned {planned:N} the tree would go while there is still wood to split.",
                null,
                null,
                ("earlyGoN", pretension.EarlyGoN),
                ("plannedTensionN", planned)
            );
        }

        AddSplitting(findings, reasons);
        var commit = Angle.Degrees(pull.Pull.Commit);
        if (commit > FarCommitDeg)
        {
            reasons.Check(
                "commit-far",
                $"The tree must be brought {commit:deg} forward before gravity takes it: far more than a line and a hinge are usually used for.",
                null,
                null,
                ("commitDeg", commit)
            );
        }
    }

    /// <summary>A tree that leans forward goes before the back cut is down to the hinge.</summary>
    private static void AddSplitting(Findings findings, ReasonList reasons)
    {
        var index = findings.Pull.Pretension.RestIndex;
        if (index <= RaisedIndex)
        {
            return;
        }

        var splitsEasily = findings.Context.Tree.Wood.Splits == SplitTendency.High;
        var high = index > HighIndex || splitsEasily;
        reasons.Check(
            high ? "splitting-risk-high" : "splitting-risk-raised",
            $"The tree leans forward enough to go while {Figures.Plain(index, 2)} times the hinge is still uncut: {(high ? "high" : "raised")} risk of splitting up the stem; bore the back cut and leave a strap.",
            null,
            null,
            ("index", index)
        );
    }
}
