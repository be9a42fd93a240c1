using Draklo.Core.Catalogue;
using Draklo.Core.Gear;
using Draklo.Core.Geometry;
using Draklo.Core.Hinges;
using Draklo.Core.Lines;
using Draklo.Core.Sites;
using Draklo.Core.Strength;
using Draklo.Core.Tackle;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Plans;

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
    public static AnalysisOutcome Of(Plan plan, UnitSystem units = UnitSystem.Metric, bool withWorkings = true, IReadOnlyDictionary<string, GearStanding>? locker = null)
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
        var lines = new PullLine[plan.Lines.Count];
        for (var i = 0; i < lines.Length; i++)
        {
            lines[i] = PullLine.From(plan.Lines[i], tree, lay);
        }

        var pull = Pull.Solve(tree, hinge, wind, lines, units, problems, workings);
        if (pull is null)
        {
            return new(null, problems);
        }

        var planned = pull.Needed * plan.Policy.LoadReserve;
        workings?.Add("planned-tension", "Planned tension", "T_p", planned, "N", "T_p = load reserve · T", $"{plan.Policy.LoadReserve:x} · {pull.Needed:N}", "M5", estimate: true);
        var context = new PlanContext(plan, units, workings, lay, hinge, tree, wind) { PlannedTension = planned };

        var path = new LoadPath(context);
        var results = new LineResult[lines.Length];
        var atWorst = new PullLine[lines.Length];
        var runs = new LineRun[lines.Length];
        for (var i = 0; i < lines.Length; i++)
        {
            var line = plan.Lines[i];
            var tackle = PulledLine.From(line.Tackle);
            runs[i] = LineRun.From(line, lines[i], tree, lay);
            var tensions = LineTensions.Of(line, runs[i], tackle, planned);
            var redirects = path.AddLine(i, lines[i], runs[i], tensions, tackle);
            results[i] = LineAnalysis.Of(context, line, lines[i], runs[i], tensions, pull, tackle, redirects);

            // Every crew heaving at once: each line's own worst tension stands as its share of a main tension of 1 N.
            atWorst[i] = lines[i] with { Share = tensions.WorstTree };
        }

        var bending = StemBending.Under(tree, tree.Soundness.Value, lines, pull.Needed);
        workings?.Add("stem-stress", "Worst bending of the stem under the lines", "σ", bending.WorstStress, "MPa", "σ(z) = T_h · (z_p − z) / (π · d³ / 32) + T_v / (π · d² / 4), lines added as vectors",
            $"largest at {bending.AtHeight:m} above the cut, where d = {tree.Stem.DiameterAt(bending.AtHeight):cm}, at {pull.Needed:N}", "M11", estimate: true);
        workings?.Add("seat-movement", "Seat moves at the needed tension", "δ", bending.SeatMovement, "cm", "δ = ∫ T_h · (z_p − z)² / (E · I(z)) dz",
            $"E = {tree.Wood.Stiffness * tree.Soundness.Value:GPa}, at {pull.Needed:N}", "M11", estimate: true);

        var (sideAtNeeded, sideWorst) = SideMoments(context, lines, pull, workings);
        var sideUse = sideAtNeeded / hinge.SideCapacity;
        var worstSideUse = sideWorst / hinge.SideCapacity;
        var hold = Hinge.HoldAngleDeg(tree.Wood.HingeClass, plan.Cut.Notch.OpeningDeg, sideUse);
        workings?.Add("hold-angle", "The hinge holds to", "θ_h", hold, "deg", "θ_h = min(notch opening, the wood's angle · (1 − side use))",
            $"min({plan.Cut.Notch.OpeningDeg:deg}, {Hinge.WoodAngleDeg(tree.Wood.HingeClass):deg} · (1 − {sideUse:x}))", "M6", estimate: true);
        path.AddTree(planned, bending, pull.Needed, lines, atWorst, sideWorst);

        var pretension = Pretension.From(context, lines, path);
        LineAnalysis.AddLimiters(context, path, results);
        var spring = SpringBack.From(context, lines, runs, pull);
        var gust = GustReserve.Of(context, pull.LeastSurplus(context, lines), hinge.SideCapacity - sideAtNeeded);
        var spread = TreeSpread.Of(context, Pull.RestoringMoment(tree, hinge, wind, 0), Pull.ArmSum(lines, 0));
        var site = Zones.From(context, lines, runs, slope);
        var aim = Aim.Of(context);
        var verdict = Verdict.Of(context, pull, lines, results, path, pretension, spring, site, gust, measured, worstSideUse, hold, locker);
        return new(
            new(
                new(tree.Mass, tree.Weight, LayPoint.Of(tree.Centre), new(tree.ForwardMoment, tree.RightMoment), tree.Soundness.Value, tree.Soundness.ShellRatio, spread),
                new(hinge.Length, hinge.Offset, hinge.Bending, hinge.SideCapacity, sideUse, worstSideUse, hold),
                new(pull.AtRest, pull.Needed, Angle.Degrees(pull.NeededAt), planned, Angle.Degrees(pull.Commit), pull.Curve, spring, SumOf(context, lines), results),
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
                FigureOf(context, lines, runs))
            {
                Workings = workings?.List,
            },
            []);
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
        return new((context.Plan.Lay.BearingDeg + off + 360) % 360, off, Math.Sqrt((forward * forward) + (right * right)), down);
    }

    /// <summary>The hinge's sideways moment at the needed tension, and the largest of slack, needed and planned, N·m without sign.</summary>
    private static (double AtNeeded, double Worst) SideMoments(PlanContext context, PullLine[] lines, Pull pull, Workings? workings)
    {
        double arms = 0;
        foreach (var line in lines)
        {
            arms += line.Share * PullLine.RightArm(line.Seat, line.Anchor);
        }

        var still = context.Tree.RightMoment + context.Wind.RightMoment;
        var needed = Math.Abs(still + (pull.Needed * arms));
        var planned = Math.Abs(still + (context.PlannedTension * arms));
        workings?.Add("side-moment", "Sideways moment at the needed tension", "M_r", needed, "Nm", "|W · r + M_w,r + T · Σ share · b|",
            $"|{context.Tree.RightMoment:Nm} + {context.Wind.RightMoment:Nm} + {pull.Needed:N} · ({arms:m})|", "M6", estimate: true);
        workings?.Add("side-use", "Side use of the hinge", "M_r / M_side", needed / context.Hinge.SideCapacity, "x", "sideways moment / what the hinge bears sideways",
            $"{needed:Nm} / {context.Hinge.SideCapacity:Nm}", "M6", estimate: true);
        return (needed, Math.Max(Math.Abs(still), Math.Max(needed, planned)));
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
            figures[i] = new(lines[i].Id, LayPoint.Of(lines[i].Seat), LayPoint.Of(runs[i].Points[^1]), context.Plan.Lines[i].Anchor.GroundRiseM + ground, foot, runs[i].Turns.Length == 0 ? [] : [.. runs[i].Points[1..^1].Select(LayPoint.Of)]);
        }

        var crown = context.Plan.Tree.Crown;
        var main = context.Plan.Lines[0];
        var toward = (main.Redirects.Count > 0 ? main.Redirects[0].At : main.Anchor).BearingDeg;
        return new(
            Angle.Between(context.Plan.Lay.BearingDeg, toward),
            ground,
            tree.Wood.Habit == Habit.Conifer,
            slices,
            new(crown.BaseHeightM + ground, tree.Stem.LengthAboveCut, CrownReach.Toward(crown.ReachM, toward), CrownReach.Toward(crown.ReachM, toward + 180)),
            figures);
    }
}
