using Draklo.Core.Geometry;
using Draklo.Core.Plans;

namespace Draklo.Core.Trees;

/// <summary>The wood that a bored back cut leaves at the stump's edge until the last cut.</summary>
/// <remarks>
/// Methods M12 and M18: tension wood at its lever about the hinge, <c>area · 0.5 · MOR · lever / factor</c>, the lever from
/// the hinge's middle to the middle of the segment that is left.
/// </remarks>
/// <param name="AreaM2">Of the segment left, m², over 0.</param>
/// <param name="LeverM">Along the lay, m; 0 for a strap that does not lie behind the hinge.</param>
/// <param name="HoldsNm">Forward moment that it may carry, N·m, 0 or more, with the wood's soundness and the stem's design
/// factor taken off.</param>
/// <param name="RoomM">Between the hinge and the strap, metres: where the bar goes in. Negative where they meet.</param>
/// <param name="InRot">Rot that was drawn reaches into it.</param>
public sealed record ReleaseStrap(double AreaM2, double LeverM, double HoldsNm, double RoomM, bool InRot)
{
    /// <summary>Wood along the grain bears about half its bending strength in tension where a saw has ended it.</summary>
    private const double TensionShare = 0.5;

    /// <summary>How wide the nose of a bar is, metres: estimate.</summary>
    public const double BarNoseM = 0.1;

    public static ReleaseStrap? Of(CutMembers cut, double strengthPa, double factor)
    {
        if (cut is not { Back: BackCutStyle.Bore, Strap: { } strap })
        {
            return null;
        }

        var radius = cut.StumpDiameterM / 2;
        var toward = Angle.Radians(strap.TowardDeg);
        var (forward, right) = (Math.Cos(toward), Math.Sin(toward));
        var back = radius - cut.Notch.DepthM - cut.HingeThicknessM;
        var inner = radius - strap.ThicknessM;
        var inRot = cut.Rot.Any(rot =>
        {
            var along = (rot.ForwardM * forward) + (rot.RightM * right);
            var aside = Math.Abs((rot.ForwardM * right) - (rot.RightM * forward));
            var half = Math.Sqrt(Math.Max(0, (radius * radius) - (inner * inner)));
            return along + (rot.AcrossM / 2) > inner && aside - (rot.AcrossM / 2) < half;
        });
        var (area, middle) = Segment(radius, strap.ThicknessM);
        var lever = Math.Max(0, Hinge.OffsetOf(cut) - (middle * forward));
        return new(area, lever, TensionShare * strengthPa * area * lever / factor, back + (inner * -forward), inRot);
    }

    /// <summary>How thick a strap straight behind must be to bear a forward moment, metres; null where none is enough.</summary>
    public static double? Needed(CutMembers cut, double strengthPa, double factor, double momentNm)
    {
        if (momentNm <= 0)
        {
            return 0;
        }

        var radius = cut.StumpDiameterM / 2;
        var (low, high) = (0.0, radius);
        if (Holds(high) < momentNm)
        {
            return null;
        }

        for (var i = 0; i < 50; i++)
        {
            var half = (low + high) / 2;
            (low, high) = Holds(half) < momentNm ? (half, high) : (low, half);
        }

        return high;

        double Holds(double thickness)
        {
            var (area, middle) = Segment(radius, thickness);
            return TensionShare * strengthPa * area * (Hinge.OffsetOf(cut) + middle) / factor;
        }
    }

    /// <summary>Of the segment behind a chord: its area, and how far its middle lies from the stump's.</summary>
    private static (double Area, double Middle) Segment(double radius, double thickness)
    {
        var inner = radius - Math.Clamp(thickness, 0, 2 * radius);
        var half = Math.Sqrt(Math.Max(0, (radius * radius) - (inner * inner)));
        var area = (radius * radius * Math.Acos(inner / radius)) - (inner * half);
        return (area, area > 0 ? 2.0 / 3 * half * half * half / area : radius);
    }
}
