namespace Draklo.Core.Geometry;

/// <param name="ForwardM">Along the lay from the middle of the hinge.</param>
/// <param name="RightM">To the right of the lay.</param>
/// <param name="UpM">Above the plane of the cut.</param>
public sealed record LayPoint(double ForwardM, double RightM, double UpM)
{
    public static LayPoint Of(Point point) => new(point.Forward, point.Right, point.Up);

    /// <summary>Metres between two places on the ground, 0 or more.</summary>
    public double DistanceTo(LayPoint other) =>
        new Point(ForwardM, RightM, UpM).DistanceTo(new(other.ForwardM, other.RightM, other.UpM));
}
