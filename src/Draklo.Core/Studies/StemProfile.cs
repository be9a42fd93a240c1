using Draklo.Core.Analyses;
using Draklo.Core.Catalogue;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Studies;

/// <summary>
/// How stem and line get on along the height: bending by line and by weight against the wood, and what other seats
/// would do.
/// </summary>
/// <remarks>Method M11. Figures are for the planned tension.</remarks>
/// <param name="StrengthMPa">What the wood carries, rot taken off.</param>
/// <param name="AllowedMPa">The same with the stem's design factor taken off.</param>
/// <param name="Slices">From the cut to the top.</param>
/// <param name="Worst">Where the lines bend it most: the stress that the stem's link is checked for.</param>
/// <param name="Seats">Heights of the line's seat, the planned one among them, everything else as planned.</param>
/// <param name="BestHeightM">The seat that leaves the most of stem, knot and haulers at once, above the ground, where
/// the stem is still a third of its breast diameter and not half used up: thinner wood is not for a line, whatever the
/// sum says.</param>
/// <param name="MovesAtFloorM">How far the seat moves when the pre-tension's floor is reached.</param>
/// <param name="MovesAtPlannedM">And at the planned tension.</param>
public sealed record StemProfile(
    double StrengthMPa,
    double AllowedMPa,
    IReadOnlyList<StemSliceStress> Slices,
    StemWorst Worst,
    IReadOnlyList<SeatChoice> Seats,
    double BestHeightM,
    double MovesAtFloorM,
    double MovesAtPlannedM
)
{
    private const int SliceCount = 40;
    private const int SeatCount = 40;

    /// <summary>The profile of a plan, or why it has none.</summary>
    /// <param name="line">Index of the line whose seat is moved.</param>
    public static (StemProfile? Profile, List<Problem> Problems) Of(Plan plan, int line, UnitSystem units)
    {
        var outcome = PlanAnalysis.Of(plan, units, withWorkings: false);
        if (outcome.Analysis is not { } analysis)
        {
            return (null, [.. outcome.Problems]);
        }

        if (line < 0 || line >= plan.Lines.Count)
        {
            return (null, [new("line", $"There is no line number {line + 1}: this plan has {plan.Lines.Count}.")]);
        }

        var context = PlanContext.Of(plan, units);
        var tree = context.Tree;
        var lines = CheckedPull.LinesOf(context);
        var strength = tree.Wood.Strength * tree.Soundness.Value;
        var seats = SeatsOf(context, line, lines, strength);
        var perNewton =
            analysis.Pull.NeededTensionN > 0 ? analysis.Stem.SeatMovementM / analysis.Pull.NeededTensionN : 0;
        return (
            new(
                strength / 1e6,
                strength / plan.Policy.DesignFactor.Stem / 1e6,
                SlicesOf(plan, tree, lines, analysis.Pull.PlannedTensionN),
                WorstOf(plan, tree, lines, analysis.Pull.PlannedTensionN),
                seats,
                BestOf(plan, tree, seats) ?? plan.Lines[line].Seat.HeightM,
                perNewton * analysis.Pretension.FloorN,
                perNewton * analysis.Pull.PlannedTensionN
            ),
            []
        );
    }

    private static StemWorst WorstOf(Plan plan, StandingTree tree, PullLine[] lines, double tension)
    {
        var bending = StemBending.Under(tree, tree.Soundness.Value, lines, tension);
        return new(
            bending.AtHeight + plan.Cut.StumpHeightM,
            tree.Stem.DiameterAt(bending.AtHeight),
            bending.WorstStress / 1e6
        );
    }

    private static double? BestOf(Plan plan, StandingTree tree, List<SeatChoice> seats)
    {
        var stout = seats.Where(s => s.StemUse <= 0.5 && StoutStem.At(plan, tree, s.HeightM)).ToList();
        return (stout.Count > 0 ? stout : seats).MinBy(s => s.WorstUse)?.HeightM;
    }

    /// <summary>
    /// Stress at each height by the lines, by the leaning weight above it, and by both together as vectors.
    /// </summary>
    private static StemSliceStress[] SlicesOf(Plan plan, StandingTree tree, PullLine[] lines, double tension)
    {
        var slices = new StemSliceStress[SliceCount + 1];
        var step = tree.Stem.LengthAboveCut / SliceCount;
        var crownMass = tree.Mass - tree.StemMass;
        var crownFrom = Math.Max(0, plan.Tree.Crown.BaseHeightM - plan.Cut.StumpHeightM);
        var leafiness = CrownShares(tree, step, crownFrom);
        var onLine = tree.Line.At(tree.CrownCentre.Up);
        var density = tree.StemMass / tree.Stem.Volume;
        double weight = 0;
        double forwardSum = 0;
        double rightSum = 0;
        for (var i = SliceCount; i >= 0; i--)
        {
            var z = step * i;
            if (i < SliceCount)
            {
                // What lies between this height and the one above it.
                var at = tree.Line.At(z + (step / 2));
                var d = tree.Stem.DiameterAt(z + (step / 2));
                var wood = density * Math.PI / 4 * d * d * step;
                var leafy = crownMass * leafiness[i];
                weight += (wood + leafy) * StandingTree.Gravity;
                forwardSum +=
                    StandingTree.Gravity
                    * ((wood * at.Forward) + (leafy * (at.Forward + tree.CrownCentre.Forward - onLine.Forward)));
                rightSum +=
                    StandingTree.Gravity
                    * ((wood * at.Right) + (leafy * (at.Right + tree.CrownCentre.Right - onLine.Right)));
            }

            var here = tree.Line.At(z);
            var (byWeightForward, byWeightRight) = (
                forwardSum - (weight * here.Forward),
                rightSum - (weight * here.Right)
            );
            var (byLineForward, byLineRight, down) = StemBending.LinesAbove(lines, z, tension);
            var diameter = Math.Max(tree.Stem.DiameterAt(z), 1e-3);
            var section = Math.PI * diameter * diameter * diameter / 32;
            var area = Math.PI * diameter * diameter / 4;
            slices[i] = new(
                z + plan.Cut.StumpHeightM,
                diameter,
                Stress(byLineForward, byLineRight, down),
                Stress(byWeightForward, byWeightRight, weight),
                Stress(byLineForward + byWeightForward, byLineRight + byWeightRight, down + weight)
            );

            double Stress(double forward, double right, double pressing) =>
                z >= tree.Stem.LengthAboveCut - 1e-9
                    ? 0
                    : ((Math.Sqrt((forward * forward) + (right * right)) / section) + (Math.Max(0, pressing) / area))
                        / 1e6;
        }

        return slices;
    }

    /// <summary>
    /// The crown's mass slice by slice: none at the very top, and about the height at which it acts as a whole.
    /// </summary>
    /// <remarks>
    /// The density s^a·(1 − s) over the crown's depth has its mean where the plan puts the crown's centre when a = (3·k
    /// − 1)/(1 − k).
    /// </remarks>
    private static double[] CrownShares(StandingTree tree, double step, double crownFrom)
    {
        var depth = tree.Stem.LengthAboveCut - crownFrom;
        var centre = Math.Clamp((tree.CrownCentre.Up - crownFrom) / Math.Max(depth, 1e-6), 0.1, 0.9);
        var power = ((3 * centre) - 1) / (1 - centre);
        var shares = new double[SliceCount];
        double sum = 0;
        for (var i = 0; i < SliceCount; i++)
        {
            var s = ((step * (i + 0.5)) - crownFrom) / Math.Max(depth, 1e-6);
            shares[i] = s > 0 ? Math.Pow(s, power) * (1 - s) : 0;
            sum += shares[i];
        }

        for (var i = 0; i < SliceCount && sum > 0; i++)
        {
            shares[i] /= sum;
        }

        return shares;
    }

    private static List<SeatChoice> SeatsOf(PlanContext context, int index, PullLine[] lines, double strength)
    {
        var (plan, tree, lay) = (context.Plan, context.Tree, context.Lay);
        var members = plan.Lines[index];
        var tackle = SolvedTackle.From(members.Tackle);
        var steady =
            Effort.Steady(members.Puller)
            * tackle.Hauling.ActualAdvantage
            * LineRun.From(members, lines[index], tree, lay).Passes(0);
        var knot =
            members.Rope.BreakingStrengthN * Reference.Knots[members.KnotId].KeepsLow / plan.Policy.DesignFactor.Rope;
        var seats = new List<SeatChoice>(SeatCount + 2);
        var lowest = plan.Cut.StumpHeightM + 1;
        var highest = plan.Tree.HeightM - 1;
        foreach (var height in Heights(lowest, highest, members.Seat.HeightM))
        {
            var moved = lines.ToArray();
            moved[index] = PullLine.From(members with { Seat = members.Seat with { HeightM = height } }, tree, lay);
            if (Pull.Solve(context, moved, []) is not { } pull)
            {
                continue;
            }

            var planned = pull.Needed * plan.Policy.LoadReserve;
            var stemUse =
                StemBending.Under(tree, tree.Soundness.Value, moved, planned).WorstStress
                * plan.Policy.DesignFactor.Stem
                / strength;
            var own = planned * members.Share;
            seats.Add(new(height, pull.Needed, stemUse, Math.Max(stemUse, Math.Max(own / steady, own / knot))));
        }

        return seats;
    }

    /// <summary>Even steps from lowest to highest, and the seat as it is planned among them, so that its figures are its own.</summary>
    private static IEnumerable<double> Heights(double lowest, double highest, double planned)
    {
        if (highest <= lowest)
        {
            return [];
        }

        var even = Enumerable.Range(0, SeatCount + 1).Select(i => lowest + ((highest - lowest) * i / SeatCount));
        return planned <= lowest || planned >= highest ? even : even.Append(planned).Distinct().Order();
    }
}

/// <param name="HeightM">Above the ground.</param>
/// <param name="DiameterM">Of the stem there.</param>
/// <param name="LineMPa">By the lines alone, at the planned tension.</param>
public sealed record StemWorst(double HeightM, double DiameterM, double LineMPa);

/// <param name="HeightM">Above the ground.</param>
/// <param name="LineMPa">By the lines alone.</param>
/// <param name="WeightMPa">By the weight above it alone, as the tree stands.</param>
/// <param name="TogetherMPa">By both: less than either where they bend it opposite ways.</param>
public sealed record StemSliceStress(
    double HeightM,
    double DiameterM,
    double LineMPa,
    double WeightMPa,
    double TogetherMPa
);

/// <param name="HeightM">Of the seat above the ground.</param>
/// <param name="NeededTensionN">Of the main line.</param>
/// <param name="StemUse">Of the stem, with its factor.</param>
/// <param name="WorstUse">The largest of stem, knot and haulers.</param>
public sealed record SeatChoice(double HeightM, double NeededTensionN, double StemUse, double WorstUse);
