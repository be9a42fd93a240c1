namespace Draklo.Core.Geometry;

/// <summary>A unit vector in the lay frame.</summary>
public readonly record struct Direction(double Forward, double Right, double Up)
{
    /// <summary>The direction from one point to another.</summary>
    /// <exception cref="ArgumentException">The two points coincide.</exception>
    public static Direction From(Point start, Point to)
    {
        var length = start.DistanceTo(to);
        if (length < 1e-9)
        {
            throw new ArgumentException("The two points coincide, so no direction joins them.", nameof(to));
        }

        return new(
            (to.Forward - start.Forward) / length,
            (to.Right - start.Right) / length,
            (to.Up - start.Up) / length
        );
    }

    /// <summary>The level part of the direction, 0 (plumb) to 1 (level).</summary>
    public double Level => Math.Sqrt((Forward * Forward) + (Right * Right));
}
