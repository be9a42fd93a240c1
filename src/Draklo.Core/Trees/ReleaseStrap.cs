using Draklo.Core.Geometry;
using Draklo.Core.Plans;

namespace Draklo.Core.Trees;

/// <summary>The wood that a bored back cut leaves at the stump's edge until the last cut.</summary>
/// <remarks>
/// Method M18. The strap is taken as a plank as long as its middle chord, its area over its thickness, bent about its own
/// middle: its distance from the hinge, which helps, is left out.
/// </remarks>
/// <param name="LengthM">Area over thickness, metres.</param>
/// <param name="HoldsNm">Forward moment that it carries, N·m, with the wood's soundness taken off.</param>
/// <param name="RoomM">Between the hinge and the strap, metres: where the bar goes in. Negative where they meet.</param>
/// <param name="InRot">Rot that was drawn reaches into it.</param>
public sealed record ReleaseStrap(double LengthM, double HoldsNm, double RoomM, bool InRot)
{
    /// <summary>How wide the nose of a bar is, metres: estimate.</summary>
    public const double BarNoseM = 0.1;

    public static ReleaseStrap? Of(CutMembers cut, double strengthPa)
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
        return new(
            Chord(radius, strap.ThicknessM),
            Holds(radius, strap.ThicknessM, strengthPa) * -forward,
            back + (inner * -forward),
            inRot
        );
    }

    /// <summary>How thick a strap straight behind must be to bear a forward moment, metres; null where none is enough.</summary>
    public static double? Needed(CutMembers cut, double strengthPa, double momentNm)
    {
        var radius = cut.StumpDiameterM / 2;
        var (low, high) = (0.0, radius);
        if (momentNm <= 0)
        {
            return 0;
        }

        if (Holds(radius, high, strengthPa) < momentNm)
        {
            return null;
        }

        for (var i = 0; i < 50; i++)
        {
            var middle = (low + high) / 2;
            (low, high) = Holds(radius, middle, strengthPa) < momentNm ? (middle, high) : (low, middle);
        }

        return high;
    }

    private static double Holds(double radius, double thickness, double strengthPa) =>
        strengthPa * Chord(radius, thickness) * thickness * thickness / 6;

    /// <summary>Area of the strap over its thickness, metres.</summary>
    private static double Chord(double radius, double thickness)
    {
        var t = Math.Min(thickness, 2 * radius);
        var area =
            (radius * radius * Math.Acos((radius - t) / radius))
            - ((radius - t) * Math.Sqrt(Math.Max(0, (2 * radius * t) - (t * t))));
        return area / t;
    }
}
