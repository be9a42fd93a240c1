using Draklo.Core.Catalogue;
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

    /// <summary>Analyses a plan.</summary>
    /// <param name="units">For the sentences and the workings; the figures are SI in any case.</param>
    /// <param name="withWorkings">Whether to write out every sum; it costs several times the analysis itself.</param>
    public static AnalysisOutcome Of(Plan plan, UnitSystem units = UnitSystem.Metric, bool withWorkings = true)
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
        for (var i = 0; i < lines.Length; i++)
        {
            var tackle = PulledLine.From(plan.Lines[i].Tackle);
            results[i] = LineOf(context, plan.Lines[i], lines[i], pull, tackle);
            path.AddLine(i, planned, tackle);

            // Every crew heaving at once: each line's own worst tension stands as its share of a main tension of 1 N.
            var heave = Effort.WorstCredible(plan.Lines[i].Puller) * tackle.AtBest.ActualAdvantage;
            atWorst[i] = lines[i] with { Share = Math.Max(heave, planned * lines[i].Share) };
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
        var spring = SpringBack.From(context, lines, pull);
        var gust = GustReserve.Of(context, pull.LeastSurplus(context, lines), hinge.SideCapacity - sideAtNeeded);
        var spread = TreeSpread.Of(context, Pull.RestoringMoment(tree, hinge, wind, 0), Pull.ArmSum(lines, 0));
        var site = Zones.From(context, lines, slope);
        var aim = Aim.Of(context);
        var verdict = Verdict.Of(context, pull, lines, results, path, pretension, spring, site, gust, measured, worstSideUse, hold);
        return new(
            new(
                new(tree.Mass, tree.Weight, LayPoint.Of(tree.Centre), new(tree.ForwardMoment, tree.RightMoment), tree.Soundness.Value, tree.Soundness.ShellRatio, spread),
                new(hinge.Length, hinge.Offset, hinge.Bending, hinge.SideCapacity, sideUse, worstSideUse, hold),
                new(pull.AtRest, pull.Needed, Angle.Degrees(pull.NeededAt), planned, Angle.Degrees(pull.Commit), pull.Curve, spring, results),
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
                FigureOf(context, lines))
            {
                Workings = workings?.List,
            },
            []);
    }

    private static LineResult LineOf(PlanContext context, LineMembers line, in PullLine pulled, Pull pull, PulledLine tackle)
    {
        var length = pulled.Length;
        var committed = pulled.Seat.TurnedForward(pull.Commit).DistanceTo(pulled.Anchor);
        var tension = pulled.Share * context.PlannedTension;
        var stretch = RopeStretch.Lengthening(line.Rope, tension, length);
        var takeUp = length - committed + stretch;
        var forwardArm = PullLine.ForwardArm(pulled.Seat, pulled.Anchor);
        var rightArm = PullLine.RightArm(pulled.Seat, pulled.Anchor);
        var along = pulled.Along;
        var below = Angle.Degrees(Math.Asin(Math.Clamp(-along.Up, -1, 1)));
        var solution = tackle.Hauling;
        var hand = tension / solution.ActualAdvantage;
        var anchor = tackle.System.UsesAnchor ? PulledLine.ForceOn(solution, "anchor") * hand : 0;
        var ropeNeeded = RopeNeeded.For(line, tackle.System, length, context.Workings);
        var result = new LineResult(line.Id, length, below, along.Level, forwardArm, rightArm, tension, takeUp, stretch, ropeNeeded,
            new(solution.IdealAdvantage, solution.ActualAdvantage, takeUp * solution.TravelRatio, hand, tension * solution.Holding.HandForceForUnitLoad, anchor));

        if (context.Workings is { } workings)
        {
            var id = line.Id;
            workings.Add($"{id}.length", "Length from seat to anchor", "l", length, "m", "l = |A − P|",
                $"P ({pulled.Seat.Forward:m}, {pulled.Seat.Right:m}, {pulled.Seat.Up:m}), A ({pulled.Anchor.Forward:m}, {pulled.Anchor.Right:m}, {pulled.Anchor.Up:m})", "M4");
            workings.Add($"{id}.angle", "Angle below level", "φ", below, "deg", "sin φ = (u_P − u_A) / l; cos φ is the share that tips",
                $"asin({pulled.Seat.Up - pulled.Anchor.Up:m} / {length:m}); {along.Level:%} tips", "M4");
            workings.Add($"{id}.forward-arm", "Forward arm", "a", forwardArm, "m", "a = u_P · u_f − f_P · u_u",
                $"{pulled.Seat.Up:m} · {along.Forward:x} − ({pulled.Seat.Forward:m}) · ({along.Up:x})", "M4");
            workings.Add($"{id}.right-arm", "Sideways arm", "b", rightArm, "m", "b = u_P · u_r − r_P · u_u",
                $"{pulled.Seat.Up:m} · {along.Right:x} − ({pulled.Seat.Right:m}) · ({along.Up:x})", "M4");
            workings.Add($"{id}.tension", "Planned tension in this line", "s·T_p", tension, "N", "share · T_p", $"{line.Share:x} · {context.PlannedTension:N}", "M5", estimate: true);
            workings.Add($"{id}.stretch", "Stretch", "Δl", stretch, "m", "Δl = ε10 · T / (0.1 · MBS) · l",
                $"{line.Rope.StretchAtTenPercent:x} · {tension:N} / (0.1 · {line.Rope.BreakingStrengthN:N}) · {length:m}", "M13", estimate: true);
            workings.Add($"{id}.take-up", "Take-up", "l(0) − l(θc) + Δl", takeUp, "m", "length at rest less length at commit, plus stretch",
                $"{length:m} − {committed:m} + {stretch:m}", "M5", estimate: true);
            workings.Add($"{id}.advantage", "Actual advantage", "A", solution.ActualAdvantage, "x", "each turn passes η of its tension; moving points in balance",
                $"ideal {solution.IdealAdvantage:x}, efficiency {solution.Efficiency:%}", "M7", estimate: true);
            workings.Add($"{id}.hand-force", "Hand force", "F", hand, "N", "F = s · T_p / A", $"{tension:N} / {solution.ActualAdvantage:x}", "M7", estimate: true);
            workings.Add($"{id}.haul-length", "Rope hauled", "h", result.Tackle.HaulLengthM, "m", "h = take-up · travel ratio", $"{takeUp:m} · {solution.TravelRatio:x}", "M8", estimate: true);
            workings.Add($"{id}.hold-force", "Force that holds it", "F_hold", result.Tackle.HoldForceN, "N", "the same walk with 1/η at each turn", $"{solution.Holding.HandForceForUnitLoad:x} · {tension:N}", "M7", estimate: true);
            if (tackle.System.UsesAnchor)
            {
                workings.Add($"{id}.anchor-force", "Force on the anchor", "F_A", anchor, "N", "sum of the legs at the anchor", $"{PulledLine.ForceOn(solution, "anchor"):x} · {hand:N}", "M7", estimate: true);
            }
        }

        return result;
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

    private static Figure FigureOf(PlanContext context, PullLine[] lines)
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
            figures[i] = new(lines[i].Id, LayPoint.Of(lines[i].Seat), LayPoint.Of(lines[i].Anchor), context.Plan.Lines[i].Anchor.GroundRiseM + ground);
        }

        var crown = context.Plan.Tree.Crown;
        var toward = context.Plan.Lines[0].Anchor.BearingDeg;
        return new(
            Angle.Between(context.Plan.Lay.BearingDeg, toward),
            ground,
            tree.Wood.Habit == Habit.Conifer,
            slices,
            new(crown.BaseHeightM + ground, tree.Stem.LengthAboveCut, CrownReach.Toward(crown.ReachM, toward), CrownReach.Toward(crown.ReachM, toward + 180)),
            figures);
    }
}
