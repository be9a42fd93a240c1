using Draklo.Core.Geometry;
using Draklo.Core.Trees;

namespace Draklo.Core.Sites;

/// <summary>Where the tree goes if its hinge tears toward the side lean.</summary>
/// <remarks>
/// Method M17, an estimate: along the moment that the hinge held until then, forward what bent it and sideways what the
/// side lean, the wind and the lines put on it.
/// </remarks>
/// <param name="OffLayDeg">From the lay, positive to the right.</param>
/// <param name="Footprint">The ground that it covers.</param>
/// <param name="HitIds">Targets that lie there.</param>
public sealed record TornFall(double OffLayDeg, IReadOnlyList<Place> Footprint, IReadOnlyList<string> HitIds)
{
    /// <summary>A hinge with less work sideways than this share is not torn by it.</summary>
    private const double LeastSideUse = 0.05;

    /// <param name="sideMoment">On the hinge at the needed tension, N·m, positive to the right.</param>
    public static TornFall? Of(PlanContext context, double sideMoment, TargetShape[] shapes)
    {
        if (Math.Abs(sideMoment) < LeastSideUse * context.Hinge.SideCapacity)
        {
            return null;
        }

        var off = Angle.Degrees(Math.Atan2(sideMoment, context.Hinge.Bending));
        var bearing = (context.Plan.Lay.BearingDeg + off + 360) % 360;
        var turned = PlanContext.Of(context.Plan, context.Units, bearingDeg: bearing);
        var ground = Sites.Footprint.Of(turned, bearing);
        var ring = shapes.Length == 0 ? [] : TargetShape.Ring(ground);
        return new(off, ground, [.. shapes.Where(s => s.DistanceTo(ring) <= 0).Select(s => s.Target.Id)]);
    }
}
