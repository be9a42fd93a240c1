namespace Draklo.Core.Geometry;

/// <summary>Turns site directions (north, east) into the lay frame (forward, right).</summary>
/// <remarks>
/// The tree, the anchors and the wind are kept in site terms, so turning the lay resolves all of them again.
/// </remarks>
public readonly struct LayFrame
{
    private readonly double sin;
    private readonly double cos;

    /// <param name="bearingDeg">The lay, degrees clockwise from north; any finite number.</param>
    public LayFrame(double bearingDeg) => (sin, cos) = Math.SinCos(Angle.Radians(bearingDeg));

    /// <summary>The part of a level site vector that lies along the lay, and the part to its right.</summary>
    public (double Forward, double Right) Resolve(double north, double east) =>
        ((north * cos) + (east * sin), (east * cos) - (north * sin));

    /// <summary>A level vector given by its length and site bearing, in the lay frame.</summary>
    public (double Forward, double Right) ResolveBearing(double length, double bearingDeg)
    {
        var (s, c) = Math.SinCos(Angle.Radians(bearingDeg));
        return Resolve(length * c, length * s);
    }

    /// <summary>A level vector of the lay frame in site terms: metres east and north.</summary>
    public (double East, double North) ToSite(double forward, double right) =>
        ((forward * sin) + (right * cos), (forward * cos) - (right * sin));
}
