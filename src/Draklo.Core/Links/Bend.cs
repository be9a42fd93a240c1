namespace Draklo.Core.Links;

/// <summary>What a tight turn and a sling's hitch leave of a strength.</summary>
/// <remarks>Method M9.</remarks>
public static class Bend
{
    /// <summary>What a link calls this reduction.</summary>
    public const string Name = "bend";

    /// <summary>
    /// Fraction kept when a rope runs round a pin: half at a ratio of 1, all from 8 up, linear between 1, 2, 4 and 8.
    /// </summary>
    /// <param name="ratio">Pin or sheave diameter over rope diameter, over 0; below 1 the loss is counted in
    /// proportion.</param>
    public static double Keeps(double ratio) =>
        ratio switch
        {
            >= 8 => 1,
            >= 4 => 0.85 + ((ratio - 4) / 4 * 0.15),
            >= 2 => 0.65 + ((ratio - 2) / 2 * 0.20),
            >= 1 => 0.50 + ((ratio - 1) * 0.15),
            _ => 0.50 * ratio,
        };
}
