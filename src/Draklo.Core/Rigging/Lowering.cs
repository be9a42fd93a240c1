using System.ComponentModel.DataAnnotations;
using Draklo.Core.Analyses;
using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Studies;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Rigging;

/// <summary>A cut tree that is let down on a line behind it.</summary>
public sealed record LoweringAsk : IDocumentPart
{
    [Display(Name = "Seat height", Description = "Of the line behind, above the ground at the stump, metres.")]
    [Range(0.5, 120)]
    public required double SeatHeightM { get; init; }

    public required AnchorMembers Anchor { get; init; }

    [Display(
        Name = "Line allows",
        Description = "The most that its weakest link may carry, newtons; left out, what the plan's own links allow, as if this line were rigged like its main one."
    )]
    [Range(100, 1_000_000)]
    public double? AllowedN { get; init; }
}

/// <param name="Deg">Turned forward from where the tree stood.</param>
/// <param name="TensionN">That holds it there; 0 while the hinge alone does.</param>
/// <param name="PaidOutM">Rope let out since it stood.</param>
public sealed record LoweringStep(double Deg, double TensionN, double PaidOutM);

/// <summary>Tension by lean of a tree let down on a line behind it.</summary>
/// <remarks>
/// Methods M5 and M19: <c>T(θ) = (W·f(θ) + M_w − M_h) / a(θ)</c> about the hinge, a the arm of the line behind; past its
/// hold angle the hinge helps no more. The arm vanishes as the tree lies down, and the tension grows past all bounds.
/// </remarks>
/// <param name="StopAtDeg">Lean at which the weakest link's allowance is reached; null where it is not.</param>
/// <param name="HingeLetsGoDeg">Lean from which the line alone holds the tree, and nothing guides its foot.</param>
/// <param name="HeatJ">What the drum takes up as heat until 75°.</param>
public sealed record Lowering(IReadOnlyList<LoweringStep> Steps, double? StopAtDeg, double HingeLetsGoDeg, double HeatJ)
{
    private const int EveryDeg = 5;
    private const int LastDeg = LoweredTree.LastDeg;

    public static (Lowering? Lowering, List<Problem> Problems) Of(Plan plan, LoweringAsk ask, UnitSystem units)
    {
        var (held, links, problems) = LoweredTree.Of(plan, ask, units);
        if (held is null)
        {
            return (null, problems);
        }

        var allowed = ask.AllowedN ?? links?.Path.AllowableTension;
        held = held.PulledAsideAt(held.StopAt(allowed) ?? LastDeg);
        var steps = new List<LoweringStep>();
        for (var deg = 0; deg <= LastDeg; deg += EveryDeg)
        {
            steps.Add(new(deg, held.TensionAt(deg), held.PaidOut(deg)));
        }

        return (new(steps, held.StopAt(allowed), held.HingeGoesDeg, held.Heat()), problems);
    }
}

/// <summary>A tree that hangs in its line behind it, at any lean.</summary>
/// <param name="HingeGoesDeg">Lean from which the hinge helps no more.</param>
internal sealed record LoweredTree(PlanContext Context, PullLine Line, double HingeGoesDeg)
{
    public const int LastDeg = 85;
    public const double HeatTo = 75;
    private const int Fine = 20;

    public static (LoweredTree? Tree, CheckedPull? Pull, List<Problem> Problems) Of(
        Plan plan,
        LoweringAsk ask,
        UnitSystem units
    )
    {
        var problems = PlanRules.Check(plan, units);
        var wrong = new List<Problem>();
        MemberRanges.Check(ask, units, wrong);
        problems.AddRange(wrong.Select(w => w with { Path = $"lower.{w.Path}" }));
        if (problems.Count == 0 && ask.SeatHeightM >= plan.Tree.HeightM)
        {
            problems.Add(
                new(
                    "lower.seatHeightM",
                    units.Say($"The tree is {plan.Tree.HeightM:m} high: the line sits below its top.")
                )
            );
        }

        if (problems.Count > 0)
        {
            return (null, null, problems);
        }

        var context = PlanContext.Of(plan, units);
        var line = PullLine.From(
            plan.Lines[0] with
            {
                Seat = new() { HeightM = ask.SeatHeightM },
                Anchor = ask.Anchor,
                Redirects = [],
            },
            context.Tree,
            context.Lay
        );
        if (Arm(line, 0) >= 0)
        {
            problems.Add(
                new(
                    "lower.anchor.bearingDeg",
                    "This line pulls the tree forward: the anchor of a line that lets it down stands behind it."
                )
            );
            return (null, null, problems);
        }

        var found = SampledPlan.Checked(context);
        return (new(context, line, found?.HoldDeg ?? 0), found, problems);
    }

    /// <summary>Tension in the lowering line, N, 0 or more.</summary>
    /// <param name="deg">Degrees that the piece has gone over from upright, 0 to 180.</param>
    public double TensionAt(double deg)
    {
        var angle = Angle.Radians(deg);
        var forward =
            (Context.Tree.Weight * Context.Tree.Centre.TurnedForward(angle).Forward)
            + Context.Wind.Along
            - (deg < HingeGoesDeg ? Context.Hinge.Bending : 0);
        return Math.Max(0, forward / -Arm(Line, angle));
    }

    /// <summary>Line let out so far, m, 0 or more.</summary>
    /// <param name="deg">Degrees that the piece has gone over from upright, 0 to 180.</param>
    public double PaidOut(double deg) =>
        Line.Seat.TurnedForward(Angle.Radians(deg)).DistanceTo(Line.Anchor) - Line.Length;

    /// <summary>What a newton of tension does to the hinge sideways, metres: to the right positive.</summary>
    public double SideArm => PullLine.RightArm(Line.Seat, Line.Anchor);

    /// <summary>What line, weight and wind do to the hinge sideways while the line holds the tree at a lean, N·m, 0 or more.</summary>
    public double SideAt(double deg) =>
        Math.Abs(Context.Wind.Aside(Context.Tree.RightMoment + (TensionAt(deg) * SideArm)));

    /// <summary>The same tree with a hinge that works sideways as hard as it must at a lean, and lets go sooner for it.</summary>
    /// <remarks>Method M6.</remarks>
    public LoweredTree PulledAsideAt(double deg)
    {
        var use = SideAt(deg) / Context.Hinge.SideCapacity;
        var hold = Hinge.HoldDeg(Hinge.WoodDeg(Context), Context.Plan.Cut.Notch.OpeningDeg, use).Nominal;
        return hold < HingeGoesDeg ? new(Context, Line, hold) : this;
    }

    /// <summary>The last lean before the line carries more than it may; null where it never does.</summary>
    public double? StopAt(double? allowed)
    {
        // It grows with the lean: whole degrees first, then the last one in steps.
        var whole = 0;
        while (whole <= LastDeg && TensionAt(whole) <= allowed)
        {
            whole++;
        }

        for (var i = Math.Max(0, (whole - 1) * Fine); i <= Math.Min(whole, LastDeg) * Fine; i++)
        {
            var deg = (double)i / Fine;
            if (TensionAt(deg) > allowed)
            {
                return Math.Max(0, deg - (1.0 / Fine));
            }
        }

        return null;
    }

    /// <summary>∫ T dl over the rope that runs out, to 75°, J.</summary>
    public double Heat() => heat ??= HeatOf();

    private double? heat;

    private double HeatOf()
    {
        double sum = 0;
        var (before, paidBefore) = (TensionAt(0), 0.0);
        // Four to a degree: within a thousandth of what eighty give.
        const int steps = (int)HeatTo * 4;
        for (var i = 1; i <= steps; i++)
        {
            var deg = HeatTo * i / steps;
            var (tension, paid) = (TensionAt(deg), PaidOut(deg));
            sum += (before + tension) / 2 * (paid - paidBefore);
            (before, paidBefore) = (tension, paid);
        }

        return sum;
    }

    private static double Arm(PullLine line, double angle) =>
        PullLine.ForwardArm(line.Seat.TurnedForward(angle), line.Anchor);
}
