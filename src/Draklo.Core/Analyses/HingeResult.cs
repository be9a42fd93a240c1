namespace Draklo.Core.Analyses;

/// <param name="SideUse">Sideways moment at the needed tension over the side capacity.</param>
/// <param name="WorstSideUse">The same, largest of slack, needed and planned tension.</param>
/// <param name="HoldAngleDeg">How far it bends before it lets go; an estimate.</param>
public sealed record HingeResult(
    double LengthM,
    double OffsetM,
    double BendingNm,
    double SideCapacityNm,
    double SideUse,
    double WorstSideUse,
    double HoldAngleDeg
);
