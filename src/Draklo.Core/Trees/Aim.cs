using Draklo.Core.Geometry;

namespace Draklo.Core.Trees;

/// <summary>Where the notch should face so that the side lean brings the top back onto the lay.</summary>
/// <remarks>
/// Method M18: away from the side lean by the angle whose tangent is the centre's sideways offset × correction over its
/// height, never past half the notch's opening.
/// </remarks>
/// <param name="OffsetDeg">Of the aim from the lay, positive to the right.</param>
/// <param name="BearingDeg">Of the aim.</param>
public sealed record Aim(double OffsetDeg, double BearingDeg)
{
    public static Aim Of(PlanContext context)
    {
        var centre = context.Tree.Centre;
        var correction = context.Plan.Cut.AimCorrection;
        var most = context.Plan.Cut.Notch.OpeningDeg / 2;
        var offset = Math.Clamp(
            -Angle.Degrees(Math.Atan2(centre.Right * correction, Math.Max(0.1, centre.Up))),
            -most,
            most
        );
        context.Workings?.Add(
            "aim",
            "Aim off the lay",
            "δ",
            offset,
            "deg",
            "tan δ = −r · correction / u, positive to the right",
            $"−({centre.Right:m}) · {correction:x} / {centre.Up:m}",
            "M18",
            estimate: true
        );
        return new(offset, (context.Plan.Lay.BearingDeg + offset + 360) % 360);
    }
}
