namespace Draklo.Core.Geometry;

/// <summary>Degrees outside, radians inside.</summary>
public static class Angle
{
    /// <summary>Radians of degrees, sign kept.</summary>
    public static double Radians(double degrees) => degrees * (Math.PI / 180);

    /// <summary>Degrees of radians, sign kept.</summary>
    public static double Degrees(double radians) => radians * (180 / Math.PI);

    /// <summary>
    /// The turn from one bearing to another, in degrees, −180 (exclusive) to 180: positive clockwise.
    /// </summary>
    public static double Between(double fromBearingDeg, double toBearingDeg)
    {
        var turn = (toBearingDeg - fromBearingDeg) % 360;
        return turn > 180 ? turn - 360
            : turn <= -180 ? turn + 360
            : turn;
    }
}
