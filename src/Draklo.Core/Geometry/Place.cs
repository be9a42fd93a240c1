namespace Draklo.Core.Geometry;

/// <summary>A place on the ground, in metres east and north of the stump's middle.</summary>
public readonly record struct Place(double EastM, double NorthM)
{
    /// <summary>Metres from the stump, 0 or more.</summary>
    public double Distance => Math.Sqrt((EastM * EastM) + (NorthM * NorthM));

    /// <summary>From the stump's middle, degrees clockwise from north, 0 to 360.</summary>
    public double BearingDeg => (Angle.Degrees(Math.Atan2(EastM, NorthM)) + 360) % 360;

    /// <summary>Metres between two places on the ground, 0 or more.</summary>
    public double DistanceTo(Place other) => new Place(other.EastM - EastM, other.NorthM - NorthM).Distance;

    /// <summary>The bearing under which this place lies from another, degrees clockwise from north.</summary>
    public double BearingFrom(in Place other) => Angle.Degrees(Math.Atan2(EastM - other.EastM, NorthM - other.NorthM));

    public static Place At(double distance, double bearingDeg)
    {
        var (sin, cos) = Math.SinCos(Angle.Radians(bearingDeg));
        return new(distance * sin, distance * cos);
    }
}
