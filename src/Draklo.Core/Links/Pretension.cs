using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Links;

/// <summary>How tight the line may be while the back cut is made, of the main line.</summary>
/// <remarks>Method M12.</remarks>
/// <param name="FloorN">Below this the tree may sit back when the hinge is cut; 0 for a tree that sits forward.</param>
/// <param name="CeilingN">Above this it starts to go while the uncut wood can still split, or a link is past what it
/// may carry.</param>
/// <param name="LimitedBy">"early-go", "strap" where a bored cut's strap would tear, or the id of the link that sets the
/// ceiling.</param>
/// <param name="EarlyGoN">The ceiling that splitting alone sets, or the strap of a bored cut.</param>
/// <param name="GoesAtM">How thick the uncut wood is when the tree starts to go with the line at the ceiling,
/// metres.</param>
/// <param name="RestIndex">That thickness over the planned hinge with no line at all: under 1.2 low, to 2 raised, over
/// 2 high.</param>
public sealed record Pretension(
    double FloorN,
    double CeilingN,
    string LimitedBy,
    double EarlyGoN,
    double GoesAtM,
    double RestIndex
)
{
    /// <summary>What <see cref="LimitedBy"/> says where no link sets the ceiling.</summary>
    public const string EarlyGo = "early-go";

    /// <summary>What it says where the strap of a bored cut would tear first.</summary>
    public const string ByStrap = "strap";

    private const double FloorReserve = 1.2;
    private const double SplittingZone = 1.5;

    /// <summary>The splitting zone of a stem that is lashed over the cut: one step of the splitting index up.</summary>
    private const double LashedZone = 2;

    /// <summary>No tension fits: the floor is over the ceiling, or the tree goes early with no line at all.</summary>
    public bool Empty => FloorN > CeilingN || EarlyGoN <= 0;

    public static Pretension From(PlanContext context, PullLine[] lines, LoadPath path)
    {
        var hinge = context.Hinge;
        var standing = context.Tree.ForwardMoment + context.Wind.Against;
        var gravity = context.Tree.ForwardMoment + context.Wind.Along;
        var arms = Pull.ArmSum(lines, 0);
        var floor = FloorReserve * Math.Max(0, -standing) / arms;
        var strap = ReleaseStrap.Of(context.Plan.Cut, hinge.Strength, context.Plan.Policy.DesignFactor.Stem);
        var zone = Lashed(context) ? LashedZone : SplittingZone;
        var uncut = zone * hinge.Thickness;
        var inZone = hinge.Strength * hinge.LengthLeft * uncut * uncut / 6;
        var behindStrap = strap is null ? 0 : HingeAsItIs(context) + strap.HoldsNm;
        // A strap never lowers what goes without one.
        var byStrap = behindStrap > inZone;
        var uncutBending = Math.Max(inZone, behindStrap);
        var early = (uncutBending - gravity) / arms;
        var byLink = path.AllowableTension < early;
        var ceiling = Math.Max(0, byLink ? path.AllowableTension : early);
        var limitedBy =
            byLink ? path.LimitingLink!.Id
            : byStrap ? ByStrap
            : EarlyGo;
        var restIndex = UncutWhereItGoes(hinge, gravity) / hinge.Thickness;

        if (context.Workings is { } workings)
        {
            workings.Add(
                "pretension-floor",
                "Pre-tension, at least",
                "T_min",
                floor,
                "N",
                "T_min = 1.2 · (−W · f − M_w) / Σ share · a, or 0",
                $"1.2 · ({-context.Tree.ForwardMoment:Nm} − ({context.Wind.Against:Nm})) / {arms:m}",
                "M12",
                estimate: true
            );
            workings.Add(
                "pretension-early-go",
                "Pre-tension at which the tree goes early",
                "T_bc",
                early,
                "N",
                byStrap
                    ? "T_bc = (M_h + A_s · 0.5 · MOR · lever / factor − W · f − M_w) / Σ share · a"
                    : $"T_bc = (MOR · L · ({Figures.Plain(zone, 2)} t)² / 6 − W · f − M_w) / Σ share · a",
                $"({uncutBending:Nm} − {context.Tree.ForwardMoment:Nm} − {context.Wind.Along:Nm}) / {arms:m}",
                "M12",
                estimate: true
            );
            workings.Add(
                "pretension-ceiling",
                "Pre-tension, at most",
                "T_max",
                ceiling,
                "N",
                "the least of early go and what the weakest link may carry",
                $"min({early:N}, {path.AllowableTension:N})",
                "M12",
                estimate: true
            );
            workings.Add(
                "splitting-index",
                "Splitting index at rest",
                "t*/t",
                restIndex,
                "x",
                "t* = √(6 · M_forward / (MOR · L)), over the planned hinge",
                $"√(6 · {Math.Max(0, gravity):Nm} / ({hinge.Strength:MPa} · {hinge.LengthLeft:cm})) / {hinge.Thickness:cm}",
                "M12",
                estimate: true
            );
        }

        return new(
            floor,
            ceiling,
            limitedBy,
            Math.Max(0, early),
            UncutWhereItGoes(hinge, gravity + (ceiling * arms)),
            restIndex
        );
    }

    /// <summary>What the hinge takes of a forward moment before it bends, N·m, with the wood's soundness taken off.</summary>
    public static double HingeAsItIs(PlanContext context) => context.Hinge.Bending * context.Tree.Soundness.Value;

    /// <summary>
    /// Whether the lashings round the stem bear what the tree brings on them as it goes with twice the hinge uncut: their
    /// moment about the cut, at their lashing capacity.
    /// </summary>
    public static bool Lashed(PlanContext context)
    {
        var hinge = context.Hinge;
        double holds = 0;
        foreach (var lashing in context.Plan.Cut.Lashings)
        {
            holds += lashing.Round == LashingPlace.Stem ? CapacityOf(lashing) * lashing.HeightM : 0;
        }

        return holds > 0 && holds >= MomentInZone(hinge);
    }

    /// <summary>What lashings round the stem must bear about the cut, N·m.</summary>
    public static double MomentInZone(Hinge hinge)
    {
        var uncut = LashedZone * hinge.Thickness;
        return hinge.Strength * hinge.LengthLeft * uncut * uncut / 6;
    }

    /// <summary>A strap marked only with what it breaks at is taken for a third of that.</summary>
    private const double LashingShare = 1.0 / 3;

    /// <summary>What a lashing may hold, N: as its label says, or a third of what its strap breaks at.</summary>
    public static double CapacityOf(LashingMembers lashing) =>
        lashing.CapacityN ?? (LashingShare * lashing.BreakingStrengthN);

    /// <summary>How thick the uncut wood is when a forward moment starts the tree, metres.</summary>
    public static double UncutWhereItGoes(Hinge hinge, double forwardMoment) =>
        Math.Sqrt(6 * Math.Max(0, forwardMoment) / (hinge.Strength * hinge.LengthLeft));
}
