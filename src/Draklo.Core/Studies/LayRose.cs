using Draklo.Core.Analyses;
using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Sites;
using Draklo.Core.Tackle;
using Draklo.Core.Trees;
using Draklo.Core.Units;
using NetTopologySuite.Geometries;

namespace Draklo.Core.Studies;

/// <summary>Every direction the tree could be laid and what each would take.</summary>
/// <remarks>
/// For each bearing the tree is worked out again with the planned cut and one line straight ahead of the lay: the main
/// line's seat, its anchor's distance and its height above level ground. Other lines and the ground's rise belong to
/// the plan's own lay, not to the others.
/// </remarks>
/// <param name="StepDeg">Between bearings.</param>
public sealed record LayRose(double StepDeg, IReadOnlyList<RoseBearing> Bearings)
{
    /// <summary>The rose of a plan, or why it has none.</summary>
    /// <param name="step">Degrees between bearings, a divisor of 360.</param>
    public static (LayRose? Rose, List<Problem> Problems) Of(
        Plan plan,
        UnitSystem units,
        int step = 1,
        CancellationToken cancellation = default
    )
    {
        var problems = PlanRules.Check(plan, units, out var targets);
        if (problems.Count > 0)
        {
            return (null, problems);
        }

        var shapes = targets.Select(t => new Sized(t)).ToArray();
        var main = plan.Lines[0];
        var tackle = SolvedTackle.From(main.Tackle);
        var gives = Effort.Steady(main.Puller) * tackle.Hauling.ActualAdvantage;
        var bearings = new RoseBearing[360 / step];
        for (var i = 0; i < bearings.Length; i++)
        {
            cancellation.ThrowIfCancellationRequested();
            bearings[i] = At(plan, shapes, i * step, gives);
        }

        return (new(step, bearings), problems);
    }

    private static RoseBearing At(Plan plan, Sized[] shapes, double bearing, double gives)
    {
        var context = PlanContext.Of(plan, UnitSystem.Metric, bearingDeg: bearing);
        var (main, tree, wind, hinge) = (plan.Lines[0], context.Tree, context.Wind, context.Hinge);
        PullLine[] line =
        [
            PullLine.From(
                main with
                {
                    Share = 1,
                    Redirects = [],
                    Anchor = main.Anchor with { BearingDeg = bearing, GroundRiseM = 0 },
                },
                tree,
                context.Lay
            ),
        ];
        var (clearance, nearest) = Nearest(context, shapes, bearing);
        var pull = Pull.Solve(context, line, []);
        if (pull is null)
        {
            return new(
                bearing,
                null,
                null,
                null,
                clearance,
                nearest?.Target.Id,
                RoseState.Closed,
                "no line ahead of it can bring the tree over"
            );
        }

        var planned = pull.Needed * plan.Policy.LoadReserve;
        var byLine = planned * PullLine.RightArm(line[0].Seat, line[0].Anchor);
        var sideUse =
            Math.Max(Math.Abs(wind.Aside(tree.RightMoment)), Math.Abs(wind.Aside(tree.RightMoment + byLine)))
            / hinge.SideCapacity;
        var hold = Hinge.HoldDeg(Hinge.WoodDeg(context), plan.Cut.Notch.OpeningDeg, sideUse).Nominal;
        var commit = Angle.Degrees(pull.Commit);
        var (state, why) = Judge(
            pull.Needed * plan.Policy.LoadReserve,
            gives,
            sideUse,
            hold,
            commit,
            clearance,
            nearest
        );
        return new(bearing, pull.Needed, sideUse, commit, clearance, nearest?.Target.Id, state, why);
    }

    private static (RoseState State, string Why) Judge(
        double planned,
        double gives,
        double sideUse,
        double hold,
        double commit,
        double? clearance,
        TargetShape? nearest
    ) =>
        clearance <= 0 && !nearest!.Target.MayBeHit ? (RoseState.Closed, $"{nearest.Name} lies under the fall")
        : sideUse > 1 ? (RoseState.Closed, "the side lean tears the hinge")
        : hold < commit ? (RoseState.Closed, "the hinge lets go before gravity takes it")
        : clearance < TargetJudge.SmallClearance && clearance > 0 ? (RoseState.Tight, $"{nearest!.Name} is close")
        : sideUse > 0.8 ? (RoseState.Tight, "the side lean nearly uses up the hinge")
        : planned > gives ? (RoseState.Tight, "it asks more than this crew and tackle give")
        : commit > 30 ? (RoseState.Tight, "it must be brought far over")
        : (RoseState.Open, "open");

    /// <summary>The target with the least clearance, those that may be hit last.</summary>
    private static (double? Clearance, TargetShape? Nearest) Nearest(
        PlanContext context,
        Sized[] shapes,
        double bearing
    )
    {
        if (shapes.Length == 0)
        {
            return (null, null);
        }

        var corners = Footprint.Of(context, bearing);
        var along = Place.At(context.Plan.Tree.HeightM, bearing);
        var halfWidth = HalfWidth(corners, along);
        Coordinate[]? area = null;
        double? least = null;
        TargetShape? nearest = null;
        foreach (var sized in shapes)
        {
            // A target cannot be nearer than its circle is to the footprint's middle line, less the footprint's half
            // width.
            var atLeast = sized.FromLine(along) - halfWidth;
            if (least is { } sofar && atLeast >= sofar)
            {
                continue;
            }

            area ??= TargetShape.Ring(corners);
            var clearance = sized.Shape.DistanceTo(area);
            if (sized.Shape.Target.MayBeHit && clearance <= 0)
            {
                continue;
            }

            if (least is null || clearance < least)
            {
                (least, nearest) = (clearance, sized.Shape);
            }
        }

        return (least, nearest);
    }

    private static double HalfWidth(Place[] corners, Place along)
    {
        var length = along.Distance;
        double most = 0;
        foreach (var corner in corners)
        {
            most = Math.Max(most, Math.Abs((corner.EastM * along.NorthM) - (corner.NorthM * along.EastM)) / length);
        }

        return most;
    }

    /// <summary>A target with the circle round it.</summary>
    private sealed class Sized
    {
        private readonly double east;
        private readonly double north;
        private readonly double radius;

        public Sized(TargetShape shape)
        {
            Shape = shape;
            var box = new Envelope(shape.Points);
            (east, north) = (box.Centre.X, box.Centre.Y);
            radius = (Math.Sqrt((box.Width * box.Width) + (box.Height * box.Height)) / 2) + shape.Radius;
        }

        public TargetShape Shape { get; }

        /// <summary>
        /// At least this far from the line between the stump and a place, metres; negative when its circle reaches over
        /// it.
        /// </summary>
        public double FromLine(Place to)
        {
            var length2 = (to.EastM * to.EastM) + (to.NorthM * to.NorthM);
            var t = Math.Clamp(((east * to.EastM) + (north * to.NorthM)) / length2, 0, 1);
            var de = east - (t * to.EastM);
            var dn = north - (t * to.NorthM);
            return Math.Sqrt((de * de) + (dn * dn)) - radius;
        }
    }
}

public enum RoseState
{
    Open,
    Tight,
    Closed,
}

/// <summary>One direction.</summary>
/// <param name="BearingDeg">The lay.</param>
/// <param name="NeededTensionN">Of a line straight ahead; null when none can bring the tree over.</param>
/// <param name="SideUse">Of the hinge, the worst of slack and planned line.</param>
/// <param name="ClearanceM">To the nearest target that may not be hit; null without targets.</param>
/// <param name="NearestId">That target.</param>
/// <param name="Why">What makes it tight or closed, in words.</param>
public sealed record RoseBearing(
    double BearingDeg,
    double? NeededTensionN,
    double? SideUse,
    double? CommitDeg,
    double? ClearanceM,
    string? NearestId,
    RoseState State,
    string Why
);
