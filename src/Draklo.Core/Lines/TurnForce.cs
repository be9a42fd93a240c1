using Draklo.Core.Geometry;

namespace Draklo.Core.Lines;

/// <summary>What a line puts on a point where it turns.</summary>
/// <remarks>Method M15: √(T1² + T2² + 2·T1·T2·cos γ), along the sum of both pulls.</remarks>
/// <param name="ForceN">0 for a line that runs straight on with nothing lost.</param>
/// <param name="BetweenDeg">The angle between the legs: 0 doubled back, 180 straight on.</param>
/// <param name="Forward">The force along the lay, N.</param>
/// <param name="Right">To its right, N.</param>
/// <param name="Up">Upward, N.</param>
public readonly record struct TurnForce(double ForceN, double BetweenDeg, double Forward, double Right, double Up)
{
    /// <param name="one">From the point along one leg.</param>
    /// <param name="other">From the point along the other.</param>
    public static TurnForce Of(Direction one, double tensionOne, Direction other, double tensionOther)
    {
        var cosine = Math.Clamp((one.Forward * other.Forward) + (one.Right * other.Right) + (one.Up * other.Up), -1, 1);
        var force = Math.Sqrt(
            Math.Max(
                0,
                (tensionOne * tensionOne) + (tensionOther * tensionOther) + (2 * tensionOne * tensionOther * cosine)
            )
        );
        return new(
            force,
            Angle.Degrees(Math.Acos(cosine)),
            (tensionOne * one.Forward) + (tensionOther * other.Forward),
            (tensionOne * one.Right) + (tensionOther * other.Right),
            (tensionOne * one.Up) + (tensionOther * other.Up)
        );
    }
}
