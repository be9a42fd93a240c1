using Draklo.Core.Units;

namespace Draklo.Core.Analyses;

/// <param name="SideUse">Sideways moment at the needed tension over the side capacity.</param>
/// <param name="WorstSideUse">The same, largest of slack, needed and planned tension.</param>
/// <param name="TwistUse">Moment about the tree's own axis over what the hinge carries; it tears where the root of both uses' squares is over 1.</param>
/// <param name="HoldAngleDeg">How far it bends before it lets go; an estimate.</param>
/// <param name="HoldSpreadDeg">The same with its low and high value.</param>
public sealed record HingeResult(
    double LengthM,
    double OffsetM,
    double BendingNm,
    double SideCapacityNm,
    double SideUse,
    double WorstSideUse,
    double TwistUse,
    double HoldAngleDeg,
    Spread HoldSpreadDeg
);
