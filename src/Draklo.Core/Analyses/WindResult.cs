namespace Draklo.Core.Analyses;

/// <param name="ForceN">On the crown.</param>
/// <param name="Moment">About the hinge.</param>
public sealed record WindResult(double ForceN, Moment Moment);
