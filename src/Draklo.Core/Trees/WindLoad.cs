using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Trees;

/// <summary>What the wind does to the crown.</summary>
/// <remarks>
/// Method M3: ½·1.226·C·A·v² at the crown's centre, C 0.5 in leaf and 0.2 bare, A the ellipse that the crown shows the
/// wind.
/// </remarks>
/// <param name="Force">N.</param>
/// <param name="ForwardMoment">N·m about the hinge: positive tips the tree forward.</param>
/// <param name="RightMoment">N·m about the hinge: positive tips it to the right.</param>
public readonly record struct WindLoad(double Force, double ForwardMoment, double RightMoment)
{
    private const double AirDensity = 1.226;

    /// <summary>
    /// What needed tension, commit and floor work with, N·m: wind that helps is never relied on.
    /// </summary>
    public double Against => Math.Min(ForwardMoment, 0);

    /// <summary>What early go works with, N·m: only the wind that drives the tree forward.</summary>
    public double Along => Math.Max(ForwardMoment, 0);

    /// <summary>A sideways moment with the wind where that adds to it, N·m: wind that relieves it is not relied on.</summary>
    /// <param name="still">Of weight and lines, positive to the right.</param>
    public double Aside(double still) => Math.Abs(still + RightMoment) > Math.Abs(still) ? still + RightMoment : still;

    public static WindLoad On(StandingTree tree, CrownMembers crown, WindMembers wind, LayFrame lay, Workings? workings)
    {
        if (wind.SpeedMps is not > 0)
        {
            return default;
        }

        var area = AreaShown(tree, crown, wind.FromDeg);
        var speed = wind.SpeedMps.Value;
        var force = PerSquare(area, wind.InLeaf) * speed * speed;
        var (forward, right) = lay.ResolveBearing(-force, wind.FromDeg);
        var load = new WindLoad(force, tree.CrownCentre.Up * forward, tree.CrownCentre.Up * right);
        workings?.Add(
            "wind-force",
            "Wind on the crown",
            "F_w",
            force,
            "N",
            "F_w = ½ · ρ · C · A · v²",
            $"½ · 1.226 kg/m³ · {DragOf(wind.InLeaf):x} · {area:m2} · ({speed:m/s})²",
            "M3",
            estimate: true
        );
        workings?.Add(
            "wind-moment",
            "Moment of the wind, forward",
            "M_w",
            load.ForwardMoment,
            "Nm",
            "M_w = F_w · u_crown along the lay",
            $"{forward:N} · {tree.CrownCentre.Up:m}",
            "M3",
            estimate: true
        );
        workings?.Add(
            "wind-moment-right",
            "Moment of the wind, to the right",
            "M_w,r",
            load.RightMoment,
            "Nm",
            "M_w,r = F_w · u_crown across the lay",
            $"{right:N} · {tree.CrownCentre.Up:m}",
            "M3",
            estimate: true
        );
        return load;
    }

    /// <summary>
    /// The wind speed from a bearing that makes a moment at the crown's centre, m/s; infinite for a tree without a
    /// crown.
    /// </summary>
    /// <param name="moment">N·m, 0 or more.</param>
    public static double SpeedFor(double moment, StandingTree tree, CrownMembers crown, bool inLeaf, double fromDeg) =>
        Math.Sqrt(Math.Max(0, moment) / (PerSquare(AreaShown(tree, crown, fromDeg), inLeaf) * tree.CrownCentre.Up));

    /// <summary>What the crown's drag takes of a falling tree, N·m for each (rad/s)²: ½·ρ·C·A·z³.</summary>
    /// <remarks>Method M16. The crown meets the air along the lay.</remarks>
    public static double DragAbout(StandingTree tree, Plan plan)
    {
        var far = tree.CrownCentre.Up;
        return PerSquare(AreaShown(tree, plan.Tree.Crown, plan.Lay.BearingDeg), plan.Wind.InLeaf) * far * far * far;
    }

    private static double DragOf(bool inLeaf) => inLeaf ? 0.5 : 0.2;

    /// <summary>Force for each square of the speed, N/(m/s)².</summary>
    private static double PerSquare(double area, bool inLeaf) => 0.5 * AirDensity * DragOf(inLeaf) * area;

    private static double AreaShown(StandingTree tree, CrownMembers crown, double fromDeg)
    {
        var (sin, cos) = Math.SinCos(Angle.Radians(fromDeg));
        var northSouth = (crown.ReachM.North + crown.ReachM.South) / 2;
        var eastWest = (crown.ReachM.East + crown.ReachM.West) / 2;
        var width = 2 * Math.Sqrt((northSouth * northSouth * sin * sin) + (eastWest * eastWest * cos * cos));
        return Math.PI / 4 * width * (tree.Stem.Height - crown.BaseHeightM);
    }
}
