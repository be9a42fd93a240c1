using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Trees;

namespace Draklo.Core.Sites;

/// <summary>
/// The ground that the tree covers when it falls along a lay: the stem's strip to the crown, then the crown's width,
/// both widened by how far the lay may be missed.
/// </summary>
/// <remarks>
/// Method M17. The crown is taken as wide as its reach from its base to the top, wherever it is narrower.
/// </remarks>
public static class Footprint
{
    /// <summary>Its corners, from the stump's left side round to its right.</summary>
    public static Place[] Of(TreeMembers tree, double stumpDiameter, double bearingDeg, double aimErrorDeg)
    {
        var height = tree.HeightM;
        var crownFrom = Math.Min(tree.Crown.BaseHeightM, height);
        var error = Math.Tan(Angle.Radians(aimErrorDeg));
        var half = stumpDiameter / 2;
        var left = Math.Max(half, CrownReach.Toward(tree.Crown.ReachM, bearingDeg - 90));
        var right = Math.Max(half, CrownReach.Toward(tree.Crown.ReachM, bearingDeg + 90));
        var (sin, cos) = Math.SinCos(Angle.Radians(bearingDeg));
        return
        [
            At(0, -half),
            At(crownFrom, -half - (crownFrom * error)),
            At(crownFrom, -left - (crownFrom * error)),
            At(height, -left - (height * error)),
            At(height, right + (height * error)),
            At(crownFrom, right + (crownFrom * error)),
            At(crownFrom, half + (crownFrom * error)),
            At(0, half),
        ];

        Place At(double along, double across) => new((along * sin) + (across * cos), (along * cos) - (across * sin));
    }
}
