using Draklo.Core.Gear;
using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Sites;
using Draklo.Core.Trees;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;

namespace Draklo.Core.Analyses;

/// <summary>An analysis, or the problems that stand in its way.</summary>
public sealed record AnalysisOutcome(Analysis? Analysis, IReadOnlyList<Problem> Problems);

/// <summary>Plan document in, analysis out: pure, without clock, store or chance.</summary>
public static class PlanAnalysis
{
    /// <summary>Analyses a plan.</summary>
    /// <param name="units">For the sentences and the workings; the figures are SI in any case.</param>
    /// <param name="withWorkings">Whether to write out every sum; it costs several times the analysis itself.</param>
    /// <param name="yard">What the crew keeps that the plan is held against; null where nobody asks it.</param>
    public static AnalysisOutcome Of(
        Plan plan,
        UnitSystem units = UnitSystem.Metric,
        bool withWorkings = true,
        Yard? yard = null
    )
    {
        var problems = PlanRules.Check(plan, units, out var shapes);
        if (problems.Count > 0)
        {
            return new(null, problems);
        }

        var workings = withWorkings ? new Workings(units) : null;
        var measured = Measuring.From(plan.Readings, plan.Tree.HeightM, units, problems, workings);
        var slope = GroundSlope.From(plan, problems, workings);
        if (problems.Count > 0)
        {
            return new(null, problems);
        }

        var standing = PlanContext.Of(plan, units, workings);
        var lines = CheckedPull.LinesOf(standing);
        if (Pull.Solve(standing, lines, problems) is not { } pull)
        {
            return new(null, problems);
        }

        var careful = CarefulEnd.Of(standing, lines, pull);
        var found = CheckedPull.Of(standing, lines, pull, careful: careful);
        var (context, tree, hinge, wind) = (found.Context, standing.Tree, standing.Hinge, standing.Wind);
        var results = LineAnalysis.WithLimiters(context, found.Path, found.Results);
        var spring = SpringBack.From(context, lines, found.Runs, pull);
        var gust = GustReserve.Of(context, pull.LeastSurplus(context, lines), found.SideLeft);
        var spread = TreeSpread.Of(context, Pull.RestoringMoment(context, 0), Pull.ArmSum(lines, 0));
        var site = Zones.From(context, lines, found.Runs, shapes, slope, found);
        var cut = CutResult.Of(context, lines, pull, found.Pretension);
        var verdict = Verdict.Of(
            new()
            {
                Pull = found,
                Lines = results,
                Spring = spring,
                Gust = gust,
                Careful = careful,
                Measured = measured,
                Site = site,
                Cut = cut,
                Yard = yard,
            }
        );
        return new(
            new()
            {
                Tree = new(
                    tree.Mass,
                    tree.Weight,
                    LayPoint.Of(tree.Centre),
                    new(tree.ForwardMoment, tree.RightMoment),
                    tree.Soundness.Value,
                    tree.Soundness.ShellRatio,
                    spread,
                    LeanByLay.Of(tree.Line.Forward, tree.Line.Right, plan.Tree.HeightM)
                ),
                Hinge = new()
                {
                    LengthM = hinge.Length,
                    OffsetM = hinge.Offset,
                    BendingNm = hinge.Bending,
                    SideCapacityNm = hinge.SideCapacity,
                    SideUse = found.SideUse,
                    WorstSideUse = found.WorstSideUse,
                    TwistUse = found.TwistUse,
                    HoldAngleDeg = found.HoldDeg,
                    HoldSpreadDeg = found.Hold,
                },
                Pull = new()
                {
                    TensionAtRestN = pull.AtRest,
                    NeededTensionN = pull.Needed,
                    NeededAtDeg = Angle.Degrees(pull.NeededAt),
                    PlannedTensionN = context.PlannedTension,
                    CommitDeg = Angle.Degrees(pull.Commit),
                    Curve = pull.Curve,
                    CarefulTensionN = careful.TensionN,
                    NotEnoughInHundred = careful.NotEnoughInHundred,
                    Stretch = spring,
                    Sum = VectorSum.Of(context, lines),
                    Lines = results,
                },
                Pretension = found.Pretension,
                Cut = cut,
                Stem = new(found.Bending.WorstStress / 1e6, found.Bending.AtHeight, found.Bending.SeatMovement),
                Aim = Aim.Of(context),
                Wind = new(wind.Force, new(wind.ForwardMoment, wind.RightMoment)),
                Gust = gust,
                Measured = measured,
                Site = site,
                Links = found.Path.Links,
                Anchors = found.Path.Anchors,
                Verdict = verdict,
                Figure = Figure.Of(context, lines, found.Runs),
                Plate = Plate.Of(found, careful, gust, pull.Needed, Angle.Degrees(pull.Commit), results),
                Followed = Following.Of(plan),
                Ours = OwnFigure.InWords(plan),
                Workings = workings?.List,
            },
            []
        );
    }
}
