namespace Draklo.Core.Falls;

/// <summary>A vector in the right-handed frame of a falling tree: forward along the lay, left of it, up.</summary>
public readonly record struct Vector(double Forward, double Left, double Up)
{
    /// <summary>In the vector's own unit, 0 or more.</summary>
    public double Length => Math.Sqrt(Dot(this));

    /// <summary>Positive where both point the same way.</summary>
    public double Dot(Vector other) => (Forward * other.Forward) + (Left * other.Left) + (Up * other.Up);

    public Vector Cross(Vector other) =>
        new(
            (Left * other.Up) - (Up * other.Left),
            (Up * other.Forward) - (Forward * other.Up),
            (Forward * other.Left) - (Left * other.Forward)
        );

    public static Vector operator +(Vector a, Vector b) => new(a.Forward + b.Forward, a.Left + b.Left, a.Up + b.Up);

    public static Vector operator -(Vector a, Vector b) => new(a.Forward - b.Forward, a.Left - b.Left, a.Up - b.Up);

    public static Vector operator *(double by, Vector a) => new(by * a.Forward, by * a.Left, by * a.Up);
}

/// <summary>A tree as a body that turns about the stump.</summary>
/// <param name="Weight">N.</param>
/// <param name="Inertia">About the hinge, kg·m²; about its own axis it has next to none.</param>
/// <param name="HingeBending">N·m, a plateau until the hinge lets go.</param>
/// <param name="WindForward">N·m, the wind's moment along the lay.</param>
/// <param name="Drag">N·m for each (rad/s)²: ½·ρ·C·A·z³ of the crown.</param>
/// <param name="Centre">Where the weight acts at rest, from the hinge.</param>
/// <param name="Top">The tip at rest.</param>
/// <param name="GroundUp">Level of the ground from the hinge, metres; negative.</param>
public sealed record FallingBody(
    double Weight,
    double Inertia,
    double HingeBending,
    double WindForward,
    double Drag,
    Vector Centre,
    Vector Top,
    double GroundUp
)
{
    /// <summary>Angular acceleration about the hinge, rad/s².</summary>
    public double AboutHinge(double angle, double speed) =>
        (
            (Weight * ((Centre.Forward * Math.Cos(angle)) + (Centre.Up * Math.Sin(angle))))
            + WindForward
            - HingeBending
            - (Drag * speed * Math.Abs(speed))
        ) / Inertia;
}

/// <summary>The state of a free fall: where centre and tip are, and how the body turns.</summary>
internal readonly record struct Spin(Vector Centre, Vector Top, Vector Turning)
{
    /// <summary>One step of Runge–Kutta, fourth order.</summary>
    public Spin Step(FallingBody body, double h)
    {
        var a = Rate(body);
        var b = (this + ((h / 2) * a)).Rate(body);
        var c = (this + ((h / 2) * b)).Rate(body);
        var d = (this + (h * c)).Rate(body);
        return this + ((h / 6) * (a + (2 * b) + (2 * c) + d));
    }

    /// <summary>Of turning and of height above the hinge, J; it stays the same while nothing is lost.</summary>
    public double Energy(FallingBody body) => (0.5 * body.Inertia * Turning.Dot(Turning)) + (body.Weight * Centre.Up);

    private Spin Rate(FallingBody body)
    {
        var torque = Centre.Cross(new(0, 0, -body.Weight));
        return new(
            Turning.Cross(Centre),
            Turning.Cross(Top),
            (1 / body.Inertia) * (torque - ((body.Drag * Turning.Length) * Turning))
        );
    }

    public static Spin operator +(Spin a, Spin b) => new(a.Centre + b.Centre, a.Top + b.Top, a.Turning + b.Turning);

    public static Spin operator *(double by, Spin a) => new(by * a.Centre, by * a.Top, by * a.Turning);

    /// <summary>Between two states, as where the tip meets the ground within a step.</summary>
    public static Spin Between(Spin from, Spin to, double share) => ((1 - share) * from) + (share * to);
}
