using Draklo.Core.Geometry;
using Draklo.Core.Plans;

namespace Draklo.Core.Trees;

/// <summary>
/// The crown's outline from above: four quarter ellipses through the reaches measured north, east, south and west.
/// </summary>
public static class CrownReach
{
    /// <summary>How far the crown reaches toward a bearing, metres.</summary>
    public static double Toward(ReachMembers reach, double bearingDeg)
    {
        var (sin, cos) = Math.SinCos(Angle.Radians(bearingDeg));
        var northSouth = Math.Max(0.01, cos >= 0 ? reach.North : reach.South);
        var eastWest = Math.Max(0.01, sin >= 0 ? reach.East : reach.West);
        return 1 / Math.Sqrt((cos * cos / (northSouth * northSouth)) + (sin * sin / (eastWest * eastWest)));
    }
}
