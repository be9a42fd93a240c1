using Draklo.Core.Analyses;
using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Falls;

/// <summary>A point on the ground where a tip lands, from the middle of the stump along and right of the lay, metres.</summary>
public sealed record Landing(double ForwardM, double RightM)
{
    /// <summary>The same seen from a lay that lies so many degrees to the left of the one it is told in.</summary>
    internal Landing Turned(double deg)
    {
        var (sin, cos) = Math.SinCos(Angle.Radians(deg));
        return new((ForwardM * cos) - (RightM * sin), (RightM * cos) + (ForwardM * sin));
    }
}

/// <summary>What was asked of a fall.</summary>
/// <param name="HaulSpeedMps">How fast the hands take rope in; 0.01 to 3.</param>
/// <param name="Drag">Whether the crown's drag in the air slows it.</param>
/// <param name="Samples">How many samples of what is not known; 0 for none.</param>
/// <param name="Aim">Whether the hinge stands square to the aim (M18), as it will be cut; otherwise square to the lay.</param>
public sealed record FallAsk(
    double HaulSpeedMps = FallAsk.UsualHaulSpeedMps,
    bool Drag = true,
    int Samples = 0,
    bool Aim = false
)
{
    public const int MostSamples = 5000;

    /// <summary>What people take in, m/s.</summary>
    public const double UsualHaulSpeedMps = 0.4;

    public const double SlowestHaulMps = 0.01;
    public const double FastestHaulMps = 3;
}

/// <summary>How far the landing and the time may be off: nine cases of ten lie between low and high.</summary>
public sealed record FallSpread(Spread ForwardM, Spread RightM, Spread SecondsFromCommit);

/// <summary>In how many cases a target is touched, 0 to 1.</summary>
public sealed record TargetTouch(string TargetId, double Chance);

/// <summary>A moment of the pull and the fall.</summary>
/// <param name="S">Seconds from commit; negative while it is hauled there.</param>
/// <param name="TensionN">Of the main line; 0 once it is slack.</param>
public sealed record FallPoint(double S, double Deg, double TensionN);

/// <summary>A stage of the fall, for drawing: centre and tip from the hinge, in the lay frame.</summary>
public sealed record FallStage(double S, double Deg, LayPoint Centre, LayPoint Top, bool Held);

/// <summary>What follows from commit: where the tip lands, when, how fast, and where line and hinge let go.</summary>
/// <remarks>Method M16.</remarks>
public sealed record Fall
{
    /// <summary>Turn at which the tree goes by itself, degrees from where it stands.</summary>
    public required double CommitDeg { get; init; }

    /// <summary>How fast it turns at commit, from the hauling.</summary>
    public required double StartRadPerS { get; init; }

    /// <summary>How far it has turned then.</summary>
    public required double HingeLetsGoDeg { get; init; }

    /// <summary>Where it outruns the hauled line.</summary>
    public required double LineSlackDeg { get; init; }

    /// <summary>From commit until the tip lands, seconds.</summary>
    public required double SecondsFromCommit { get; init; }

    /// <summary>When it meets the ground.</summary>
    public required double TipSpeedMps { get; init; }

    public required Landing Tip { get; init; }

    /// <summary>Where the tip lands if the hinge tears at commit.</summary>
    public required Landing? Torn { get; init; }

    /// <summary>Of the sums, as a share.</summary>
    public required double EnergyDrift { get; init; }

    public required FallSpread? Spread { get; init; }

    public required IReadOnlyList<TargetTouch> Touches { get; init; }

    public required IReadOnlyList<FallPoint> Curve { get; init; }

    public required IReadOnlyList<FallStage> Stages { get; init; }

    /// <summary>Where the butt pushes harder than it rubs on the stump; null where it never does.</summary>
    public required ButtSlide? Butt { get; init; }

    /// <summary>Tips of the samples, for drawing; none without samples.</summary>
    public required IReadOnlyList<Landing> Landings { get; init; }

    /// <param name="ask">What is asked; samples take their time.</param>
    public static (Fall? Fall, List<Problem> Problems) Of(
        Plan plan,
        FallAsk ask,
        UnitSystem units,
        CancellationToken cancellation = default
    )
    {
        var problems = PlanRules.Check(plan, units).ToList();
        if (problems.Count > 0)
        {
            return (null, problems);
        }

        var standing = PlanContext.Of(plan, units);
        var aimDeg = ask.Aim ? Aim.Of(standing).OffsetDeg : 0;
        if (aimDeg != 0)
        {
            // The hinge turns the tree about its own length: everything is told from the aim and turned back.
            standing = PlanContext.Of(AimedAt(plan, aimDeg), units);
        }

        var lines = CheckedPull.LinesOf(standing);
        if (Pull.Solve(standing, lines, problems) is not { } pull)
        {
            return (null, problems);
        }

        var found = CheckedPull.Of(standing, lines, pull);
        var setting = FallSetting.Of(found, ask);
        if (setting.Moved() is not { } motion)
        {
            problems.Add(
                new(
                    "cut.notch.openingDeg",
                    units.Say(
                        $"The hinge lets go at {setting.HoldDeg:deg} while the tree still leans back, before it commits at {setting.CommitDeg:deg}: it sits back or goes aside, and no landing can be told. Open the notch or thin the hinge."
                    )
                )
            );
            return (null, problems);
        }

        var spread = ask.Samples > 0 ? SampledFalls.Of(plan, aimDeg, ask, units, cancellation) : null;
        return (
            new()
            {
                CommitDeg = setting.CommitDeg,
                StartRadPerS = setting.StartSpeed,
                HingeLetsGoDeg = Math.Max(setting.CommitDeg, setting.HoldDeg),
                LineSlackDeg = setting.SlackDeg(),
                SecondsFromCommit = motion.Seconds,
                TipSpeedMps = motion.TipSpeed,
                Tip = setting.OnGround(motion.Tip).Turned(aimDeg),
                Torn = setting.Torn() is { } torn ? setting.OnGround(torn.Tip).Turned(aimDeg) : null,
                EnergyDrift = motion.EnergyDrift,
                Spread = spread?.Spread,
                Touches = spread?.Touches ?? [],
                Curve = CurveOf(setting, pull, motion),
                Stages = StagesOf(motion, aimDeg),
                Butt = motion.Butt,
                Landings = spread?.Landings ?? [],
            },
            []
        );
    }

    /// <summary>Tension against lean while it is hauled to commit, then nothing on a line that is slack.</summary>
    private static List<FallPoint> CurveOf(FallSetting setting, Pull pull, FallMotion motion)
    {
        var curve = new List<FallPoint>();
        foreach (var point in pull.Curve)
        {
            curve.Add(new(setting.SecondsAt(point.Deg), point.Deg, point.TensionN));
        }

        foreach (var moment in motion.Moments.Where((_, i) => i % 10 == 0).Append(motion.Moments[^1]))
        {
            curve.Add(new(moment.Seconds, moment.Deg, 0));
        }

        return curve;
    }

    /// <summary>A dozen still pictures, evenly over the turn, and the last.</summary>
    private static List<FallStage> StagesOf(FallMotion motion, double aimDeg)
    {
        const int Count = 12;
        var stages = new List<FallStage>();
        var (first, last) = (motion.Moments[0].Deg, motion.Moments[^1].Deg);
        var next = first;
        foreach (var moment in motion.Moments)
        {
            if (moment.Deg >= next - 1e-9 || moment == motion.Moments[^1])
            {
                stages.Add(new(moment.Seconds, moment.Deg, At(moment.Centre), At(moment.Top), moment.Held));
                next += (last - first) / Count;
            }
        }

        return stages;

        LayPoint At(Vector point)
        {
            var over = new Landing(point.Forward, -point.Left).Turned(aimDeg);
            return new(over.ForwardM, over.RightM, point.Up);
        }
    }

    /// <summary>The plan as it is seen from its aim.</summary>
    internal static Plan AimedAt(Plan plan, double aimDeg) =>
        plan with
        {
            Lay = plan.Lay with { BearingDeg = (plan.Lay.BearingDeg + aimDeg + 360) % 360 },
        };
}

/// <summary>The body that falls, and how it comes to commit.</summary>
/// <param name="LineSpeed">Of the main line as it comes in, m/s.</param>
internal sealed record FallSetting(
    FallingBody Body,
    PullLine Main,
    double CommitDeg,
    double HoldDeg,
    double LineSpeed,
    double HingeOffset
)
{
    public static FallSetting Of(CheckedPull found, FallAsk ask)
    {
        var (context, tree) = (found.Context, found.Context.Tree);
        var top = tree.Line.At(tree.Stem.LengthAboveCut);
        var tackle = TackleSystems.Of(context.Plan.Lines[0].Tackle);
        var advantage = Math.Max(1e-3, tackle.Solve(new(1, 1)).IdealAdvantage);
        return new(
            new(
                tree.Weight,
                Inertia.AboutHinge(context),
                context.Hinge.Bending,
                context.Wind.Against,
                ask.Drag ? WindLoad.DragAbout(tree, context.Plan) : 0,
                Of(tree.Centre),
                Of(top),
                -tree.Stem.StumpHeight
            ),
            found.Lines[0],
            Angle.Degrees(found.Pull.Commit),
            found.HoldDeg,
            ask.HaulSpeedMps / advantage,
            context.Hinge.Offset
        );
    }

    /// <summary>How fast the hauled line turns the tree at commit, rad/s.</summary>
    public double StartSpeed => LineSpeed / ArmAt(CommitDeg);

    public FallMotion? Moved() =>
        HoldDeg < CommitDeg ? null : FallMotion.Of(Body, CommitDeg, StartSpeed, HoldDeg, keep: true);

    /// <summary>The same without what is drawn of it.</summary>
    public FallMotion? Fallen() => FallMotion.Of(Body, CommitDeg, StartSpeed, HoldDeg);

    /// <summary>The same without a hinge from commit on.</summary>
    public FallMotion? Torn() => FallMotion.Of(Body, CommitDeg, StartSpeed, CommitDeg);

    public Landing OnGround(Vector tip) => new(tip.Forward + HingeOffset, -tip.Left);

    /// <summary>
    /// Where the tree outruns the line: past commit it speeds up, so at once, unless the line's arm shrinks faster.
    /// </summary>
    public double SlackDeg()
    {
        for (var deg = CommitDeg; deg < HoldDeg; deg += 0.1)
        {
            var speed = LineSpeed / ArmAt(deg);
            var after = LineSpeed / ArmAt(deg + 0.1);
            // What the line would make of it against what gravity does.
            var asked = (after - speed) * speed / Angle.Radians(0.1);
            if (Body.AboutHinge(Angle.Radians(deg), speed) >= asked)
            {
                return deg;
            }
        }

        return HoldDeg;
    }

    /// <summary>Seconds before commit at which the hauled line brings the tree to an angle; negative.</summary>
    public double SecondsAt(double deg)
    {
        var at = Main.Seat.TurnedForward(Angle.Radians(deg)).DistanceTo(Main.Anchor);
        var commit = Main.Seat.TurnedForward(Angle.Radians(CommitDeg)).DistanceTo(Main.Anchor);
        return -(at - commit) / LineSpeed;
    }

    private double ArmAt(double deg) =>
        Math.Max(0.1, PullLine.ForwardArm(Main.Seat.TurnedForward(Angle.Radians(deg)), Main.Anchor));

    private static Vector Of(Point point) => new(point.Forward, -point.Right, point.Up);
}
