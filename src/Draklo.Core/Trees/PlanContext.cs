using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Trees;

/// <summary>What the later steps of one analysis share: the plan and what has been resolved from it so far.</summary>
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
    /// <summary>Needed tension with the load reserve, of the main line, N.</summary>
    public double PlannedTension { get; init; }
}
