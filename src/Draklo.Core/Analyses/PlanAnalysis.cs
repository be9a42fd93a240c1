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
    private const int Slices = 16;

    /// <summary>Where a base tie is tied, above the cut, metres.</summary>
    private const double FootUp = 0.5;

    /// <summary>Analyses a plan.</summary>
    /// <param name="units">For the sentences and the workings; the figures are SI in any case.</param>
    /// <param name="withWorkings">Whether to write out every sum; it costs several times the analysis itself.</param>
    /// <param name="locker">How the pieces of the locker stand, by id; null where there is no locker to ask.</param>
    public static AnalysisOutcome Of(
        Plan plan,
        UnitSystem units = UnitSystem.Metric,
        bool withWorkings = true,
        IReadOnlyDictionary<string, GearStanding>? locker = null
    )
    {
        var problems = PlanRules.Check(plan, units);
        if (problems.Count > 0)
        {
            return new(null, problems);
        }

        var workings = withWorkings ? new Workings(units) : null;
        var measured = Measuring.From(plan.Readings, units, problems, workings);
        var slope = GroundSlope.From(plan, problems, workings);
        if (problems.Count > 0)
        {
            return new(null, problems);
        }

        var lay = new LayFrame(plan.Lay.BearingDeg);
        var hinge = Hinge.From(plan.Cut, plan.Tree, workings);
        var tree = StandingTree.From(plan.Tree, hinge, lay, plan.Cut.StumpHeightM, workings);
        var wind = WindLoad.On(tree, plan.Tree.Crown, plan.Wind, lay, workings);
        var standing = new PlanContext(plan, units, workings, lay, hinge, tree, wind);
        var lines = CheckedPull.LinesOf(standing);
        if (Pull.Solve(tree, hinge, wind, lines, units, problems, workings) is not { } pull)
        {
            return new(null, problems);
        }

        var reckoned = CheckedPull.Of(standing, lines, pull);
        var (context, path, results, runs, bending, pretension, hold) = (
            reckoned.Context,
            reckoned.Path,
            reckoned.Results,
            reckoned.Runs,
            reckoned.Bending,
            reckoned.Pretension,
            reckoned.HoldDeg
        );
        var planned = context.PlannedTension;
        LineAnalysis.AddLimiters(context, path, results);
        var spring = SpringBack.From(context, lines, runs, pull);
        var gust = GustReserve.Of(
            context,
            pull.LeastSurplus(context, lines),
            hinge.SideCapacity - reckoned.SideAtNeeded
        );
        var spread = TreeSpread.Of(context, Pull.RestoringMoment(tree, hinge, wind, 0), Pull.ArmSum(lines, 0));
        var site = Zones.From(context, lines, runs, slope);
        var aim = Aim.Of(context);
        var verdict = Verdict.Of(
            context,
            pull,
            lines,
            results,
            path,
            pretension,
            spring,
            site,
            gust,
            measured,
            reckoned.WorstSideUse,
            hold,
            locker
        );
        return new(
            new(
                new(
                    tree.Mass,
                    tree.Weight,
                    LayPoint.Of(tree.Centre),
                    new(tree.ForwardMoment, tree.RightMoment),
                    tree.Soundness.Value,
                    tree.Soundness.ShellRatio,
                    spread
                ),
                new(
                    hinge.Length,
                    hinge.Offset,
                    hinge.Bending,
                    hinge.SideCapacity,
                    reckoned.SideUse,
                    reckoned.WorstSideUse,
                    hold
                ),
                new(
                    pull.AtRest,
                    pull.Needed,
                    Angle.Degrees(pull.NeededAt),
                    planned,
                    Angle.Degrees(pull.Commit),
                    pull.Curve,
                    spring,
                    SumOf(context, lines),
                    results
                ),
                pretension,
                new(bending.WorstStress / 1e6, bending.AtHeight, bending.SeatMovement),
                aim,
                new(wind.Force, new(wind.ForwardMoment, wind.RightMoment)),
                gust,
                measured,
                site,
                path.Links,
                path.Anchors,
                verdict,
                FigureOf(context, lines, runs)
            )
            {
                Workings = workings?.List,
            },
            []
        );
    }

    private static VectorSum SumOf(PlanContext context, PullLine[] lines)
    {
        double forward = 0;
        double right = 0;
        double down = 0;
        foreach (var line in lines)
        {
            var tension = line.Share * context.PlannedTension;
            var along = line.Along;
            forward += tension * along.Forward;
            right += tension * along.Right;
            down += tension * (line.DownLeg - along.Up);
        }

        var off = Angle.Degrees(Math.Atan2(right, forward));
        return new(
            (context.Plan.Lay.BearingDeg + off + 360) % 360,
            off,
            Math.Sqrt((forward * forward) + (right * right)),
            down
        );
    }

    private static Figure FigureOf(PlanContext context, PullLine[] lines, LineRun[] runs)
    {
        var tree = context.Tree;
        var slices = new StemSlice[Slices + 1];
        for (var i = 0; i <= Slices; i++)
        {
            var up = tree.Stem.LengthAboveCut * i / Slices;
            var at = tree.Line.At(up);
            slices[i] = new(at.Forward, at.Right, up, tree.Stem.DiameterAt(up));
        }

        var ground = -tree.Stem.StumpHeight;
        var figures = new LineFigure[lines.Length];
        for (var i = 0; i < lines.Length; i++)
        {
            var foot = lines[i].DownLeg > 0 ? LayPoint.Of(tree.Line.At(FootUp)) : null;
            figures[i] = new(
                lines[i].Id,
                LayPoint.Of(lines[i].Seat),
                LayPoint.Of(runs[i].Points[^1]),
                context.Plan.Lines[i].Anchor.GroundRiseM + ground,
                foot,
                runs[i].Turns.Length == 0 ? [] : [.. runs[i].Points[1..^1].Select(LayPoint.Of)]
            );
        }

        var crown = context.Plan.Tree.Crown;
        var main = context.Plan.Lines[0];
        var toward = (main.Redirects.Count > 0 ? main.Redirects[0].At : main.Anchor).BearingDeg;
        return new(
            Angle.Between(context.Plan.Lay.BearingDeg, toward),
            ground,
            tree.Wood.Habit == Habit.Conifer,
            slices,
            new(
                crown.BaseHeightM + ground,
                tree.Stem.LengthAboveCut,
                CrownReach.Toward(crown.ReachM, toward),
                CrownReach.Toward(crown.ReachM, toward + 180)
            ),
            figures
        );
    }
}
