namespace Draklo.Core.Units;

/// <summary>Constants of the units; <c>units.json</c> holds the same for what people type, and a test compares them.</summary>
public static class Standard
{
    /// <summary>Standard gravity, m/s²: also newtons in a kilogram-force.</summary>
    public const double Gravity = 9.80665;

    /// <summary>Newtons in a pound-force.</summary>
    public const double PoundForce = 4.4482216;
}
