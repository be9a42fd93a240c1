using Draklo.Core.Geometry;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>Whether the line can be tightened enough and not too much, whether the stem may split, and how far it must come.</summary>
/// <remarks>Methods M5 and M12.</remarks>
internal static class PretensionReasons
{
    private const double FarCommitDeg = 30;

    public static void Add(Findings findings, ReasonList reasons)
    {
        var pull = findings.Pull;
        var planned = findings.Context.PlannedTension;
        var pretension = pull.Pretension;
        if (pretension.Empty)
        {
            var limit =
                pretension.LimitedBy == Pretension.ByStrap ? "the release strap would tear while you bore"
                : pretension.LimitedBy == Pretension.EarlyGo || pull.Path.LimitingLink is not { } link
                    ? "the tree would go early and may split"
                : $"{link.Name.Uncapitalised()} is at its limit";
            reasons.Stop(
                "pretension-window-empty",
                $"No pre-tension fits: under {pretension.FloorN:N+} the tree may sit back, over {pretension.CeilingN:N-} {limit}. Bore the back cut and leave a strap to release, lash the stem, set a second line or choose another anchor.",
                null,
                pull.Path.LimitingLink?.Id,
                ("floorN", pretension.FloorN),
                ("ceilingN", pretension.CeilingN)
            );
        }
        else if (
            planned > pretension.EarlyGoN
            && findings.Cut.Strap is null
            && PullSteps.CutsUnderThePlan(findings.Plan.Cut.Order)
        )
        {
            reasons.Check(
                "planned-over-early-go",
                $"Hold the line under {pretension.EarlyGoN:N-} until the back cut is down to the hinge: at the planned {planned:N} the tree would go while there is still wood to split.",
                null,
                null,
                ("earlyGoN", pretension.EarlyGoN),
                ("plannedTensionN", planned)
            );
        }

        AddPlanned(findings, reasons);
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

    /// <summary>Whether the planned tension is over the floor, and enough at the careful end too.</summary>
    private static void AddPlanned(Findings findings, ReasonList reasons)
    {
        var (planned, careful, floor) = (
            findings.Context.PlannedTension,
            findings.Careful,
            findings.Pull.Pretension.FloorN
        );
        if (planned < floor)
        {
            reasons.Stop(
                "planned-under-floor",
                $"The planned {planned:N} is under the {floor:N+} that keeps the tree from sitting back when the hinge is cut: raise the reserve.",
                "policy.loadReserve",
                null,
                ("plannedTensionN", planned),
                ("floorN", floor)
            );
        }
        else if (careful.TensionN > planned)
        {
            reasons.Check(
                "planned-too-low-in-hundred",
                $"The planned tension is too low in {Figures.Plain(Math.Max(1, Math.Round(careful.NotEnoughInHundred)), 2)} of 100 cases: the tree may ask {careful.TensionN:N}, and {planned:N} is planned. Measure what is least known, or raise the reserve.",
                "policy.loadReserve",
                null,
                ("notEnoughInHundred", careful.NotEnoughInHundred),
                ("carefulTensionN", careful.TensionN)
            );
        }

        var needed = findings.Pull.Pull.Needed;
        var carefulFloor = needed > 0 ? floor * careful.TensionN / needed : floor;
        var pretension = findings.Pull.Pretension;
        if (!pretension.Empty && carefulFloor > pretension.CeilingN)
        {
            reasons.Check(
                "window-closes",
                $"The pre-tension window closes at the careful end: the tree may ask {carefulFloor:N+} so as not to sit back, and {pretension.CeilingN:N-} is the most the line may have.",
                null,
                pretension.LimitedBy is Pretension.EarlyGo or Pretension.ByStrap ? null : pretension.LimitedBy,
                ("floorN", carefulFloor),
                ("ceilingN", pretension.CeilingN)
            );
        }
    }

    /// <summary>A tree that leans forward goes before the back cut is down to the hinge.</summary>
    private static void AddSplitting(Findings findings, ReasonList reasons)
    {
        if (findings.Cut.Splitting == SplittingRisk.Low)
        {
            return;
        }

        var index = findings.Cut.SplittingIndex;
        var high = findings.Cut.Splitting == SplittingRisk.High;
        reasons.Check(
            high ? "splitting-risk-high" : "splitting-risk-raised",
            $"The tree leans forward enough to go while {Figures.Plain(index, 2)} times the hinge is still uncut: {(high ? "high" : "raised")} risk of splitting up the stem; bore the back cut and leave a strap, or lash the stem.",
            null,
            null,
            ("index", index)
        );
    }
}
