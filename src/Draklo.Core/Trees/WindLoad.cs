using Draklo.Core.Geometry;
using Draklo.Core.Plans;

namespace Draklo.Core.Trees;

/// <summary>What the wind does to the crown.</summary>
/// <remarks>Method M3: ½·1.226·C·A·v² at the crown's centre, C 0.5 in leaf and 0.2 bare, A the ellipse that the crown shows the wind.</remarks>
/// <param name="Force">N.</param>
/// <param name="ForwardMoment">N·m about the hinge: positive tips the tree forward.</param>
/// <param name="RightMoment">N·m about the hinge: positive tips it to the right.</param>
public readonly record struct WindLoad(double Force, double ForwardMoment, double RightMoment)
{
    public static WindLoad On(StandingTree tree, CrownMembers crown, WindMembers wind, LayFrame lay, Workings? workings)
    {
        if (wind.SpeedMps == 0)
        {
            return default;
        }

        var drag = wind.InLeaf ? 0.5 : 0.2;
        var (sin, cos) = Math.SinCos(Angle.Radians(wind.FromDeg));
        var halfNorthSouth = (crown.ReachM.North + crown.ReachM.South) / 2;
        var halfEastWest = (crown.ReachM.East + crown.ReachM.West) / 2;
        var width = 2 * Math.Sqrt((halfNorthSouth * halfNorthSouth * sin * sin) + (halfEastWest * halfEastWest * cos * cos));
        var area = Math.PI / 4 * width * (tree.Stem.Height - crown.BaseHeightM);
        var force = 0.5 * 1.226 * drag * area * wind.SpeedMps * wind.SpeedMps;
        var (forward, right) = lay.ResolveBearing(-force, wind.FromDeg);
        var load = new WindLoad(force, tree.CrownCentre.Up * forward, tree.CrownCentre.Up * right);
        workings?.Add("wind-force", "Wind on the crown", "F_w", force, "N", "F_w = ½ · ρ · C · A · v²",
            $"½ · 1.226 kg/m³ · {drag:x} · {area:m2} · ({wind.SpeedMps:m/s})²", "M3", estimate: true);
        workings?.Add("wind-moment", "Moment of the wind, forward", "M_w", load.ForwardMoment, "Nm", "M_w = F_w · u_crown along the lay",
            $"{forward:N} · {tree.CrownCentre.Up:m}", "M3", estimate: true);
        return load;
    }
}
