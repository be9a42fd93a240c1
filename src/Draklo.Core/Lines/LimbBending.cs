using Draklo.Core.Geometry;
using Draklo.Core.Plans;

namespace Draklo.Core.Lines;

/// <summary>What a line does to the limb that it lies on.</summary>
/// <remarks>
/// Methods M11 and M15. The force at the seat is split along the limb, where wood is strong, and across it, which bends
/// the limb at its union: σ = F_across · length / (π·d³/32) + F_along / (π·d²/4). Square to the limb that is
/// T·lever/(π·d³/32).
/// </remarks>
/// <param name="Seat">The force at the seat, N: the line's own, and for a base tie the leg down the stem as
/// well.</param>
/// <param name="AcrossN">The part that bends the limb.</param>
/// <param name="AlongN">The part along it, positive when it presses it onto its union.</param>
/// <param name="ArmM">From the union to the line, along the limb.</param>
/// <param name="Stress">At the union, Pa, shared among the unions that the line lies over.</param>
public readonly record struct LimbBending(TurnForce Seat, double AcrossN, double AlongN, double ArmM, double Stress)
{
    /// <summary>How far out the line lies, level, metres: as given, or one diameter of the limb in a union.</summary>
    public static double Lever(SeatKind on, LimbMembers limb) =>
        limb.LeverM ?? (on == SeatKind.Union ? limb.DiameterM : 0);

    /// <summary>The force at the seat of a line, whatever it lies on.</summary>
    /// <param name="tension">In the line, N.</param>
    public static TurnForce SeatForce(in PullLine line, double tension) =>
        line.DownLeg > 0
            ? TurnForce.Of(line.Along, tension, new(0, 0, -1), line.DownLeg * tension)
            : new(tension, 180, tension * line.Along.Forward, tension * line.Along.Right, tension * line.Along.Up);

    /// <param name="tension">In the line, N.</param>
    public static LimbBending Of(in PullLine line, SeatKind on, LimbMembers limb, double tension, LayFrame lay)
    {
        var force = SeatForce(line, tension);
        var rise = Angle.Radians(limb.RiseDeg);
        var (forward, right) = lay.ResolveBearing(Math.Cos(rise), limb.BearingDeg);
        var outward = (force.Forward * forward) + (force.Right * right) + (force.Up * Math.Sin(rise));
        var across = Math.Sqrt(Math.Max(0, (force.ForceN * force.ForceN) - (outward * outward)));
        var arm = Lever(on, limb) / Math.Cos(rise);
        var d = limb.DiameterM;
        var stress =
            ((across * arm / (Math.PI * d * d * d / 32)) + (Math.Abs(outward) / (Math.PI * d * d / 4))) / limb.SharedBy;
        return new(force, across, -outward, arm, stress);
    }
}
