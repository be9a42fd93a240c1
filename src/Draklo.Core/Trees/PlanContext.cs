using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Trees;

/// <summary>What the later steps of one analysis share: the plan, and the tree, hinge and wind that follow from it.</summary>
public sealed record PlanContext(
    Plan Plan,
    UnitSystem Units,
    Workings? Workings,
    LayFrame Lay,
    Hinge Hinge,
    StandingTree Tree,
    WindLoad Wind
)
{
    /// <summary>Needed tension with the load reserve, of the main line, N; 0 until the lines are solved.</summary>
    public double PlannedTension { get; init; }

    /// <summary>Tangent of a side lean that a line may well turn to the other side: about half a degree.</summary>
    private const double LeastSide = 0.01;

    /// <param name="plan">One that the rules found nothing wrong with.</param>
    /// <param name="workings">Null where nobody will read them.</param>
    /// <param name="bearingDeg">Another lay than the plan's own.</param>
    public static PlanContext Of(Plan plan, UnitSystem units, Workings? workings = null, double? bearingDeg = null)
    {
        var lay = new LayFrame(bearingDeg ?? plan.Lay.BearingDeg);
        var tree = StandingTree.From(plan.Tree, Hinge.OffsetOf(plan.Cut), lay, plan.Cut.StumpHeightM, workings);
        var wind = WindLoad.On(tree, plan.Tree.Crown, plan.Wind, lay, workings);
        var side = wind.Aside(tree.RightMoment);
        bool? goesRight = Math.Abs(side) < LeastSide * tree.Weight * tree.Centre.Up ? null : side > 0;
        var hinge = Hinge.From(plan.Cut, plan.Tree, goesRight, workings);
        return new(plan, units, workings, lay, hinge, tree, wind);
    }
}
