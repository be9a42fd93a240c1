using Draklo.Core.Geometry;

namespace Draklo.Core.Falls;

/// <summary>A moment of a fall.</summary>
/// <param name="Seconds">From commit.</param>
/// <param name="Deg">How far the centre has turned from where it stood at rest, degrees.</param>
/// <param name="Held">Whether the hinge still guides it.</param>
public readonly record struct FallMoment(double Seconds, double Deg, Vector Centre, Vector Top, bool Held);

/// <summary>How a tree comes down from an angle and a speed: about the hinge, then free about the stump.</summary>
/// <remarks>
/// Method M16, Runge–Kutta of fourth order. Once the hinge lets go, only the part of the turning that moves the centre
/// goes on: about its own axis a tree has next to no inertia, so what turned it that way counts for nothing.
/// </remarks>
/// <param name="Seconds">From the start to the ground.</param>
/// <param name="TipSpeed">When the tip meets the ground, m/s.</param>
/// <param name="Tip">Where, from the hinge.</param>
/// <param name="EnergyDrift">What energy was lost or won on the way that no drag and no hinge took, as a share of what the fall
/// gave.</param>
public sealed record FallMotion(
    double Seconds,
    double TipSpeed,
    Vector Tip,
    double EnergyDrift,
    IReadOnlyList<FallMoment> Moments,
    ButtSlide? Butt
)
{
    private const double Step = 0.01;

    /// <summary>A fall that takes longer does not happen.</summary>
    private const double Longest = 120;

    /// <param name="fromDeg">Where it starts.</param>
    /// <param name="startSpeed">Of turning, rad/s.</param>
    /// <param name="holdDeg">Where the hinge lets go; at or under the start it guides nothing.</param>
    /// <param name="keep">Whether moments are kept, for drawing.</param>
    /// <returns>Null where it never falls: nothing drives it on.</returns>
    public static FallMotion? Of(FallingBody body, double fromDeg, double startSpeed, double holdDeg, bool keep = false)
    {
        var (angle, speed, time) = (Angle.Radians(fromDeg), startSpeed, 0.0);
        var hold = Angle.Radians(Math.Min(holdDeg, LevelDeg(body)));
        var moments = new List<FallMoment>();
        var work = 0.0;
        var energyAtStart = EnergyAt(body, angle, speed);
        ButtSlide? butt = null;
        while (angle < hold)
        {
            if (keep)
            {
                moments.Add(Moment(body, time, angle));
            }

            butt ??= ButtSlide.At(body, angle, speed);
            var (nextAngle, nextSpeed) = Turned(body, angle, speed);
            if (nextSpeed <= 0 || time > Longest)
            {
                return null;
            }

            var share = nextAngle >= hold ? (hold - angle) / (nextAngle - angle) : 1;
            var (endAngle, endSpeed) = (angle + ((nextAngle - angle) * share), speed + ((nextSpeed - speed) * share));
            work += Losses(body, angle, speed, endAngle, endSpeed);
            (angle, speed, time) = (endAngle, endSpeed, time + (Step * share));
        }

        return Free(body, angle, speed, new(time, work, energyAtStart, moments, keep, butt));
    }

    /// <summary>The centre's turn from upright at which it lies level, where no hinge holds longer.</summary>
    private static double LevelDeg(FallingBody body) =>
        90 - Angle.Degrees(Math.Atan2(body.Centre.Forward, body.Centre.Up)) - 1;

    private sealed record SoFar(
        double Time,
        double Work,
        double EnergyAtStart,
        List<FallMoment> Moments,
        bool Keep,
        ButtSlide? Butt
    );

    private static FallMotion? Free(FallingBody body, double angle, double speed, SoFar so)
    {
        var (centre, top) = (Turned(body.Centre, angle), Turned(body.Top, angle));
        var axis = (1 / centre.Length) * centre;
        var about = new Vector(0, speed, 0);
        var spin = new Spin(centre, top, about - (about.Dot(axis) * axis));
        var (time, work) = (so.Time, so.Work);
        // What the release leaves out turned the tree about its own axis only.
        var lost = 0.5 * body.Inertia * (about.Dot(about) - spin.Turning.Dot(spin.Turning));
        while (spin.Top.Up > body.GroundUp)
        {
            if (so.Keep)
            {
                so.Moments.Add(new(time, DegOf(body, spin.Centre), spin.Centre, spin.Top, Held: false));
            }

            var next = spin.Step(body, Step);
            if (time > Longest || (next.Centre.Up > spin.Centre.Up && next.Turning.Dot(spin.Turning) < 0))
            {
                return null;
            }

            var share = next.Top.Up <= body.GroundUp ? (spin.Top.Up - body.GroundUp) / (spin.Top.Up - next.Top.Up) : 1;
            next = Spin.Between(spin, next, share);
            var mean = (spin.Turning.Length + next.Turning.Length) / 2;
            work += body.Drag * mean * mean * mean * Step * share;
            (spin, time) = (next, time + (Step * share));
        }

        if (so.Keep)
        {
            so.Moments.Add(new(time, DegOf(body, spin.Centre), spin.Centre, spin.Top, Held: false));
        }

        var now = spin.Energy(body);
        var given = body.Weight * (Turned(body.Centre, angle).Up - spin.Centre.Up);
        var drift = (now + work + lost - so.EnergyAtStart) / Math.Max(1, given);
        return new(time, spin.Turning.Cross(spin.Top).Length, spin.Top, drift, so.Moments, so.Butt);
    }

    private static double EnergyAt(FallingBody body, double angle, double speed) =>
        (0.5 * body.Inertia * speed * speed) + (body.Weight * Turned(body.Centre, angle).Up);

    /// <summary>Work of hinge, wind and drag between two moments, N·m: what the fall loses.</summary>
    private static double Losses(FallingBody body, double angle, double speed, double toAngle, double toSpeed)
    {
        var mean = (speed + toSpeed) / 2;
        return (toAngle - angle) * (body.HingeBending - body.WindForward + (body.Drag * mean * mean));
    }

    private static (double Angle, double Speed) Turned(FallingBody body, double angle, double speed)
    {
        var (k1, v1) = (body.AboutHinge(angle, speed), speed);
        var (k2, v2) = (body.AboutHinge(angle + (Step / 2 * v1), speed + (Step / 2 * k1)), speed + (Step / 2 * k1));
        var (k3, v3) = (body.AboutHinge(angle + (Step / 2 * v2), speed + (Step / 2 * k2)), speed + (Step / 2 * k2));
        var (k4, v4) = (body.AboutHinge(angle + (Step * v3), speed + (Step * k3)), speed + (Step * k3));
        return (
            angle + (Step / 6 * (v1 + (2 * v2) + (2 * v3) + v4)),
            speed + (Step / 6 * (k1 + (2 * k2) + (2 * k3) + k4))
        );
    }

    private static Vector Turned(Vector at, double angle)
    {
        var (sin, cos) = Math.SinCos(angle);
        return new((at.Forward * cos) + (at.Up * sin), at.Left, (at.Up * cos) - (at.Forward * sin));
    }

    private static FallMoment Moment(FallingBody body, double time, double angle) =>
        new(time, Angle.Degrees(angle), Turned(body.Centre, angle), Turned(body.Top, angle), Held: true);

    private static double DegOf(FallingBody body, Vector centre) =>
        Angle.Degrees(Math.Acos(Math.Clamp(body.Centre.Dot(centre) / (body.Centre.Length * centre.Length), -1, 1)));
}

/// <summary>Where the butt begins to slide on the stump.</summary>
/// <param name="Backward">Away from the lay; otherwise forward.</param>
public sealed record ButtSlide(double Deg, bool Backward)
{
    /// <summary>Wood on wood, estimate.</summary>
    private const double Friction = 0.6;

    /// <remarks>Method M16: the hinge's fibres hold more than friction does; this says when they must.</remarks>
    internal static ButtSlide? At(FallingBody body, double angle, double speed)
    {
        var mass = body.Weight / Trees.StandingTree.Gravity;
        var turning = body.AboutHinge(angle, speed);
        var (sin, cos) = Math.SinCos(angle);
        var forward = (body.Centre.Forward * cos) + (body.Centre.Up * sin);
        var up = (body.Centre.Up * cos) - (body.Centre.Forward * sin);
        var level = mass * ((up * turning) - (forward * speed * speed));
        var press = body.Weight - (mass * ((forward * turning) + (up * speed * speed)));
        return Math.Abs(level) > Friction * press ? new(Angle.Degrees(angle), Backward: level > 0) : null;
    }
}
