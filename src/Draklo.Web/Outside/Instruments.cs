using Draklo.Core.Geometry;
using Draklo.Core.Plans;

namespace Draklo.Web.Outside;

/// <summary>An instrument that reads one thing when it is asked to.</summary>
/// <remarks>
/// A real angle gauge or range finder takes the place of a simulated one by being registered instead of it.
/// </remarks>
public interface IInstrument
{
    string Name { get; }

    /// <summary>Whether it can take this sight.</summary>
    bool Measures(Sight sight);

    /// <summary>Takes a reading: degrees for angles, metres for distances.</summary>
    /// <param name="expected">What the plan makes of it; only a simulated instrument looks at it.</param>
    double Read(Sight sight, double expected);
}

/// <summary>What is looked at.</summary>
public enum Sight
{
    /// <summary>The angle to the top.</summary>
    Top,

    /// <summary>The angle to the foot.</summary>
    Foot,

    /// <summary>The distance to the stem.</summary>
    Distance,

    /// <summary>The lean across the line of sight.</summary>
    Lean,
}

/// <summary>An angle gauge that is off by a third of a degree, one time in three.</summary>
public sealed class SimulatedAngleGauge : IInstrument
{
    public string Name => "Simulated angle gauge";

    public bool Measures(Sight sight) => sight is Sight.Top or Sight.Foot or Sight.Lean;

    public double Read(Sight sight, double expected) => Math.Round(expected + (Noise.Next() * 0.33), 1);
}

/// <summary>A range finder that is off by a tenth of a metre and half a per cent.</summary>
public sealed class SimulatedRangeFinder : IInstrument
{
    public string Name => "Simulated range finder";

    public bool Measures(Sight sight) => sight == Sight.Distance;

    public double Read(Sight sight, double expected) =>
        Math.Max(1, Math.Round(expected + (Noise.Next() * (0.1 + (0.005 * expected))), 1));
}

internal static class Noise
{
    /// <summary>Of the normal distribution with a spread of 1 (Box and Muller).</summary>
    public static double Next() =>
        Math.Sqrt(-2 * Math.Log(1 - Random.Shared.NextDouble())) * Math.Cos(2 * Math.PI * Random.Shared.NextDouble());
}

/// <summary>What the plan makes of a sight, for the simulated instruments.</summary>
internal static class Expected
{
    private const double Eye = 1.6;

    public static double Of(Plan plan, Sight sight, double lookingDeg)
    {
        var distance = plan.Readings.Height?.DistanceM ?? Math.Round(1.2 * plan.Tree.HeightM);
        switch (sight)
        {
            case Sight.Top:
                return Angle.Degrees(Math.Atan((plan.Tree.HeightM - Eye) / distance));
            case Sight.Foot:
                return -Angle.Degrees(Math.Atan(Eye / distance));
            case Sight.Lean:
                var across = Math.Sin(Angle.Radians(plan.Tree.Lean.BearingDeg - lookingDeg));
                return Angle.Degrees(Math.Atan(Math.Tan(Angle.Radians(plan.Tree.Lean.AngleDeg)) * across));
            default:
                return distance;
        }
    }
}
