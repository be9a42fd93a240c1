namespace Draklo.Core.Geometry;

/// <summary>
/// A place in the lay frame, in metres: origin at the middle of the hinge on the plane of the stump top.
/// </summary>
/// <param name="Forward">Along the lay; negative lies behind the hinge.</param>
/// <param name="Right">To the right of the lay, seen along it; negative lies left.</param>
/// <param name="Up">Above the plane of the stump top; negative lies below.</param>
public readonly record struct Point(double Forward, double Right, double Up)
{
    /// <summary>Metres between two points in space, 0 or more.</summary>
    public double DistanceTo(Point other)
    {
        var f = other.Forward - Forward;
        var r = other.Right - Right;
        var u = other.Up - Up;
        return Math.Sqrt((f * f) + (r * r) + (u * u));
    }

    /// <summary>The same point of the tree once it has turned forward about the hinge.</summary>
    /// <remarks>Method M5. The hinge line is the r axis, so <see cref="Right"/> stays.</remarks>
    /// <param name="angle">Radians, positive forward.</param>
    public Point TurnedForward(double angle)
    {
        var (sin, cos) = Math.SinCos(angle);
        return new((Forward * cos) + (Up * sin), Right, (Up * cos) - (Forward * sin));
    }
}
