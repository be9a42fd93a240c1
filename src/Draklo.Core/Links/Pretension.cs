using Draklo.Core.Lines;
using Draklo.Core.Trees;

namespace Draklo.Core.Links;

/// <summary>How tight the line may be while the back cut is made, of the main line.</summary>
/// <remarks>Method M12.</remarks>
/// <param name="FloorN">Below this the tree may sit back when the hinge is cut; 0 for a tree that sits forward.</param>
/// <param name="CeilingN">Above this it starts to go while the uncut wood can still split, or a link is past what it
/// may carry.</param>
/// <param name="LimitedBy">"early-go", or the id of the link that sets the ceiling.</param>
/// <param name="EarlyGoN">The ceiling that splitting alone sets.</param>
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

    private const double FloorReserve = 1.2;
    private const double SplittingZone = 1.5;

    /// <summary>No tension fits: the floor is over the ceiling, or the tree goes early with no line at all.</summary>
    public bool Empty => FloorN > CeilingN || EarlyGoN <= 0;

    public static Pretension From(PlanContext context, PullLine[] lines, LoadPath path)
    {
        var hinge = context.Hinge;
        var standing = context.Tree.ForwardMoment + context.Wind.Against;
        var gravity = context.Tree.ForwardMoment + context.Wind.Along;
        var arms = Pull.ArmSum(lines, 0);
        var floor = FloorReserve * Math.Max(0, -standing) / arms;
        var uncut = SplittingZone * hinge.Thickness;
        var uncutBending = hinge.Strength * hinge.Length * uncut * uncut / 6;
        var early = (uncutBending - gravity) / arms;
        var byLink = path.AllowableTension < early;
        var ceiling = Math.Max(0, byLink ? path.AllowableTension : early);
        var limitedBy = byLink ? path.LimitingLink!.Id : EarlyGo;
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
                "T_bc = (MOR · L · (1.5 t)² / 6 − W · f − M_w) / Σ share · a",
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
                $"√(6 · {Math.Max(0, gravity):Nm} / ({hinge.Strength:MPa} · {hinge.Length:cm})) / {hinge.Thickness:cm}",
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

    /// <summary>How thick the uncut wood is when a forward moment starts the tree, metres.</summary>
    private static double UncutWhereItGoes(Hinge hinge, double forwardMoment) =>
        Math.Sqrt(6 * Math.Max(0, forwardMoment) / (hinge.Strength * hinge.Length));
}
