using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Trees;

namespace Draklo.Core.Sites;

/// <summary>
/// The ground that the tree covers when it falls along a lay: the stem's strip to the crown, then the crown's width,
/// both widened by how far the lay may be missed.
/// </summary>
/// <remarks>
/// Method M17. A tree that leans to the side falls along its own line, not along the lay: each point of the stem comes
/// down as far aside as it leans, and as far out as it is from the hinge. The crown is taken as wide as its reach from
/// its base to the top, wherever it is narrower.
/// </remarks>
public static class Footprint
{
    /// <summary>A crew is not taken for surer than this until so many of its own landings say so, degrees.</summary>
    public const double LeastErrorDeg = 3;

    private const int LandingsThatTell = 5;

    /// <summary>For people the lay is missed by this at least, degrees, and the tree reaches so much farther.</summary>
    private const double PeopleErrorDeg = 15;
    private const double PeopleReach = 1.2;

    /// <summary>The ground that targets are judged by: its corners, from the stump's left side round to its right.</summary>
    /// <param name="context">Of this lay.</param>
    public static Place[] Of(PlanContext context, double bearingDeg) =>
        Of(context, bearingDeg, IsSure(context.Plan) ? context.Plan.Site.AimErrorDeg : LeastErrorDeg, reach: 1);

    /// <summary>The ground where nobody stands while the tree is cut and pulled.</summary>
    public static Place[] ForPeople(PlanContext context, double bearingDeg) =>
        Of(context, bearingDeg, Math.Max(PeopleErrorDeg, context.Plan.Site.AimErrorDeg), PeopleReach);

    /// <summary>Whether the plan's aiming error is one that a crew may be taken at.</summary>
    public static bool IsSure(Plan plan) =>
        plan.Site.AimErrorDeg >= LeastErrorDeg
        || plan.Ours.Any(o => o.Path == "site.aimErrorDeg" && o.Count >= LandingsThatTell);

    private static Place[] Of(PlanContext context, double bearingDeg, double errorDeg, double reach)
    {
        var (plan, stem) = (context.Plan, context.Tree.Line);
        var tree = plan.Tree;
        var error = Math.Tan(Angle.Radians(errorDeg));
        var half = plan.Cut.StumpDiameterM / 2;
        var left = Math.Max(half, CrownReach.Toward(tree.Crown.ReachM, bearingDeg - 90));
        var right = Math.Max(half, CrownReach.Toward(tree.Crown.ReachM, bearingDeg + 90));
        var (sin, cos) = Math.SinCos(Angle.Radians(bearingDeg));
        var crown = Fallen(Math.Max(0, Math.Min(tree.Crown.BaseHeightM, tree.HeightM) - plan.Cut.StumpHeightM));
        var top = Fallen(stem.Length);
        return
        [
            At(0, -half),
            At(crown.Along, crown.Across - half - (crown.Along * error)),
            At(crown.Along, crown.Across - left - (crown.Along * error)),
            At(top.Along, top.Across - left - (top.Along * error)),
            At(top.Along, top.Across + right + (top.Along * error)),
            At(crown.Along, crown.Across + right + (crown.Along * error)),
            At(crown.Along, crown.Across + half + (crown.Along * error)),
            At(0, half),
        ];

        // From the middle of the stump: x_h + √(f² + u²) out, and as far aside as the stem leans there.
        (double Along, double Across) Fallen(double height)
        {
            var point = stem.At(height);
            var far = stem.HingeOffset + Math.Sqrt((point.Forward * point.Forward) + (point.Up * point.Up));
            return (reach * far, reach * point.Right);
        }

        Place At(double along, double across) => new((along * sin) + (across * cos), (along * cos) - (across * sin));
    }
}
