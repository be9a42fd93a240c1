namespace Draklo.Core.Analyses;

/// <param name="WorstStressMPa">At the needed tension, all lines together.</param>
/// <param name="AtHeightM">Above the cut.</param>
/// <param name="SeatMovementM">Of the first line's seat at the needed tension: what the spotter should see. Twice that
/// means the tree is not what the plan says.</param>
public sealed record StemResult(double WorstStressMPa, double AtHeightM, double SeatMovementM);
