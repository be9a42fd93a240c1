using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

/// <summary>
/// Figures that follow from others until somebody sets them: a stump is no thinner than the stem above it, a seat is no
/// higher than the tree. Which ones do, the plan says itself, in <see cref="Plan.Follows"/>; a plan that was read has
/// them as they follow, so that nothing is worked out with the figure of an earlier measure.
/// </summary>
public static class Following
{
    /// <summary>Diameter at the cut over diameter at breast height, of a stem with ordinary root flare.</summary>
    private const double Flare = 1.15;

    private const double SeatShare = 0.6;

    /// <summary>What a throw line is set to from the ground without trouble, metres.</summary>
    private const double HighestSeatM = 14;

    private const double BranchesShare = 0.28;

    /// <summary>Reach of a crown over the breast diameter, of trees with some room.</summary>
    private const double ReachOverDiameter = 8.5;
    private const double HingeOverStump = 0.1;
    private const double NotchOverStump = 0.24;

    /// <summary>Breaking strength over the square of the diameter, of a double braid of polyester, N/m².</summary>
    private const double RopeStrengthPerArea = 40_000 / (0.0127 * 0.0127);

    /// <summary>Tie and tail, m.</summary>
    private const double RopeForKnots = 5;

    /// <summary>What an opened tackle rove in the line takes, m.</summary>
    private const double RopeForTackle = 12;

    private const double Centimetre = 0.01;
    private const double HalfMetre = 0.5;

    /// <summary>What a new plan lets follow: all that hangs on the tree's measures, the lay and the rope.</summary>
    public static IReadOnlyList<string> Usual { get; } =
    [
        "cut.stumpDiameterM",
        "cut.hingeThicknessM",
        "cut.notch.depthM",
        "tree.crown.baseHeightM",
        "tree.crown.reachM.north",
        "tree.crown.reachM.east",
        "tree.crown.reachM.south",
        "tree.crown.reachM.west",
        "lines[0].seat.heightM",
        "lines[0].anchor.bearingDeg",
        "lines[0].rope.diameterM",
        "lines[0].rope.lengthM",
    ];

    /// <summary>The plan with all that follows as it does.</summary>
    public static Plan Applied(Plan plan)
    {
        if (plan.Follows.Count == 0)
        {
            return plan;
        }

        // In the order in which one hangs on another, whatever order the plan names them in.
        foreach (var rule in Rules)
        {
            foreach (var path in plan.Follows)
            {
                var at = MemberPaths.LineOf(path) ?? 0;
                if (rule.Path == InAnyLine(path) && at < plan.Lines.Count && rule.Comes(plan, at) is { } value)
                {
                    plan = rule.With(plan, at, value);
                }
            }
        }

        return plan;
    }

    /// <summary>What each figure that follows comes to; one that nothing is known for stands as it is.</summary>
    public static IReadOnlyList<Followed> Of(Plan plan) =>
        [
            .. plan
                .Follows.Distinct(StringComparer.Ordinal)
                .Select(path => (path, at: MemberPaths.LineOf(path) ?? 0, rule: RuleOf(path)))
                .Where(f => f.rule is not null && f.at < plan.Lines.Count)
                .Select(f => (f.path, value: f.rule!.Comes(plan, f.at)))
                .Where(f => f.value is not null)
                .Select(f => new Followed(f.path, f.value!.Value)),
        ];

    /// <summary>Whether there is a rule for a member.</summary>
    public static bool HasRule(string path) => RuleOf(path) is not null;

    private static Rule? RuleOf(string path)
    {
        var own = InAnyLine(path);
        return Array.Find(Rules, r => r.Path == own);
    }

    private static readonly Rule[] Rules =
    [
        new(
            "tree.heightM",
            (p, _) => Rounded(p.Readings.Height?.ReadM(), 0.1),
            (p, _, v) => p.WithTree(t => t with { HeightM = v })
        ),
        new(
            "tree.dbhM",
            (p, _) => Rounded(p.Readings.GirthM / Math.PI, 0.001),
            (p, _, v) => p.WithTree(t => t with { DbhM = v })
        ),
        new(
            "tree.lean.angleDeg",
            (p, _) => Rounded(ReadLean.By(p.Readings.LeanViews, p.Tree.HeightM)?.AngleDeg, 0.1),
            (p, _, v) => p.WithTree(t => t with { Lean = t.Lean with { AngleDeg = v } })
        ),
        new(
            "tree.lean.bearingDeg",
            (p, _) => Rounded(ReadLean.By(p.Readings.LeanViews, p.Tree.HeightM)?.BearingDeg, 0.1) % 360,
            (p, _, v) => p.WithTree(t => t with { Lean = t.Lean with { BearingDeg = v } })
        ),
        new(
            "tree.crown.baseHeightM",
            (p, _) => Rounded(BranchesShare * p.Tree.HeightM, HalfMetre),
            (p, _, v) => p.WithTree(t => t with { Crown = t.Crown with { BaseHeightM = v } })
        ),
        Reach("north", (r, v) => r with { North = v }),
        Reach("east", (r, v) => r with { East = v }),
        Reach("south", (r, v) => r with { South = v }),
        Reach("west", (r, v) => r with { West = v }),
        new(
            "cut.stumpDiameterM",
            (p, _) => Rounded(Flare * p.Tree.DbhM, Centimetre),
            (p, _, v) => p with { Cut = p.Cut with { StumpDiameterM = v } }
        ),
        new(
            "cut.hingeThicknessM",
            (p, _) => Math.Max(Centimetre, Rounded(HingeOverStump * p.Cut.StumpDiameterM, Centimetre)),
            (p, _, v) => p.WithHinge(v)
        ),
        new(
            "cut.notch.depthM",
            (p, _) => Math.Max(Centimetre, Rounded(NotchOverStump * p.Cut.StumpDiameterM, Centimetre)),
            (p, _, v) => p with { Cut = p.Cut with { Notch = p.Cut.Notch with { DepthM = v } } }
        ),
        new(
            "lines[].seat.heightM",
            (p, _) => Math.Min(Rounded(SeatShare * p.Tree.HeightM, 1), HighestSeatM),
            (p, at, v) => p.WithSeatHeight(at, v)
        ),
        new(
            "lines[].anchor.bearingDeg",
            (p, _) => p.Lay.BearingDeg,
            (p, at, v) => p.WithLine(at, l => l with { Anchor = l.Anchor with { BearingDeg = v } })
        ),
        new(
            "lines[].rope.diameterM",
            (p, at) =>
                Within(
                    Rounded(Math.Sqrt(p.Lines[at].Rope.BreakingStrengthN / RopeStrengthPerArea), 0.0001),
                    0.003,
                    0.06
                ),
            (p, at, v) => p.WithLine(at, l => l with { Rope = l.Rope with { DiameterM = v } })
        ),
        new(
            "lines[].rope.lengthM",
            (p, at) => Math.Min(500, Math.Ceiling(Rope(p.Lines[at]) / 10) * 10),
            (p, at, v) => p.WithLine(at, l => l with { Rope = l.Rope with { LengthM = v } })
        ),
    ];

    private static Rule Reach(string side, Func<ReachMembers, double, ReachMembers> with) =>
        new(
            $"tree.crown.reachM.{side}",
            (p, _) => Within(Rounded(ReachOverDiameter * p.Tree.DbhM, HalfMetre), HalfMetre, 0.4 * p.Tree.HeightM),
            (p, _, v) => p.WithTree(t => t with { Crown = t.Crown with { ReachM = with(t.Crown.ReachM, v) } })
        );

    /// <summary>Roughly what a line takes, up over its seat and out to the haulers, m.</summary>
    private static double Rope(LineMembers line)
    {
        var seat = line.Seat.HeightM;
        var up = seat - line.Anchor.GroundRiseM - line.Anchor.HeightM;
        var run = Math.Sqrt((up * up) + (line.Anchor.DistanceM * line.Anchor.DistanceM));
        return ((line.Tie == TieKind.Base ? 2 : 1) * seat)
            + run
            + RopeForKnots
            + (line.Tackle.SystemId == "direct" ? 0 : RopeForTackle);
    }

    private static double? Rounded(double? value, double to) => value is { } v ? Rounded(v, to) : null;

    private static double Rounded(double value, double to) => Math.Round(Math.Round(value / to) * to, 6);

    /// <summary>A member's path without the number of its line.</summary>
    private static string InAnyLine(string path) =>
        MemberPaths.LineOf(path) is null ? path : "lines[]" + path[(path.IndexOf(']', StringComparison.Ordinal) + 1)..];

    private sealed record Rule(string Path, Func<Plan, int, double?> Value, Func<Plan, int, double, Plan> With)
    {
        /// <summary>What it comes to; null where the plan has no figures for it. A plan is read before its figures are looked at.</summary>
        public double? Comes(Plan plan, int at) =>
            Value(plan, at) is { } value && double.IsFinite(value) ? value : null;
    }

    /// <summary>Within two bounds, the least of which gives way.</summary>
    private static double Within(double value, double least, double most) => Math.Min(Math.Max(value, least), most);
}

/// <summary>A figure that follows from others.</summary>
/// <param name="Path">The member.</param>
/// <param name="Value">What it comes to, in its SI unit or degrees.</param>
public sealed record Followed(string Path, double Value);
