using Draklo.Core.Units;

namespace Draklo.Core.Lines;

/// <summary>What a line carries, told without a load cell, each with its spread.</summary>
/// <remarks>
/// Method M24. Spreads are of a careful crew, nine cases of ten: independent errors are added as squares.
/// </remarks>
public static class TensionByHand
{
    private const double ForceShare = 0.05;
    private const double LengthShare = 0.01;
    private const double DeflectionM = 0.01;
    private const double ClockS = 0.2;
    private const double MassShare = 0.1;

    /// <summary>Kilograms a cubic metre of a rope's round outline, strands and gaps together: estimate.</summary>
    private const double RopeDensity = 868;

    /// <summary>A pull square to the line at mid-span.</summary>
    /// <param name="forceN">Of the sideways pull, N, above 0.</param>
    /// <param name="deflectionM">How far the line gives there, metres, above 0; small against the length.</param>
    /// <param name="lengthM">Between the points where the line is held, metres, above 0.</param>
    /// <returns>T = F·L/(4·d), N.</returns>
    public static Spread Sideways(double forceN, double deflectionM, double lengthM) =>
        Within(forceN * lengthM / (4 * deflectionM), ForceShare, DeflectionM / deflectionM, LengthShare);

    /// <summary>A pluck that runs to the far end and back, counted.</summary>
    /// <param name="returns">How often it came back, 1 and up.</param>
    /// <param name="seconds">That they took together, above 0.</param>
    /// <param name="kgPerM">Of the line; see <see cref="KgPerM"/>.</param>
    /// <returns>T = m'·(2·n·L/t)², N.</returns>
    public static Spread Pluck(int returns, double seconds, double lengthM, double kgPerM)
    {
        var speed = 2 * returns * lengthM / seconds;
        return Within(kgPerM * speed * speed, MassShare, 2 * ClockS / seconds, 2 * LengthShare);
    }

    /// <summary>People counted on the hauling end, through the tackle.</summary>
    /// <param name="handsN">What they keep up together, N.</param>
    /// <param name="advantage">After friction: low, nominal and high.</param>
    public static Spread People(Spread handsN, Spread advantage) =>
        Within(handsN.Nominal * advantage.Nominal, HalfOf(handsN), HalfOf(advantage));

    private static double HalfOf(Spread spread) =>
        spread.Nominal > 0 ? (spread.High - spread.Low) / 2 / spread.Nominal : 0;

    /// <summary>What a metre of rope weighs, where nobody has weighed it, kg.</summary>
    public static double KgPerM(double diameterM) => RopeDensity * Math.PI / 4 * diameterM * diameterM;

    private static Spread Within(double nominal, params ReadOnlySpan<double> shares)
    {
        double sum = 0;
        foreach (var share in shares)
        {
            sum += share * share;
        }

        var off = Math.Min(0.95, Math.Sqrt(sum));
        return new(nominal * (1 - off), nominal, nominal * (1 + off));
    }
}
