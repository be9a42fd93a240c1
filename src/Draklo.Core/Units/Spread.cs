using System.Text.Json.Serialization;

namespace Draklo.Core.Units;

/// <summary>A figure with how far it may be off, all three in its own unit.</summary>
/// <param name="Nominal">From <paramref name="Low"/> to <paramref name="High"/>.</param>
/// <exception cref="ArgumentException">The three are not in order, or one is no number.</exception>
public readonly record struct Spread(double Low, double Nominal, double High)
{
    public double Low { get; init; } = Low <= Nominal && Nominal <= High ? Low : throw OutOfOrder(Low, Nominal, High);

    public double Nominal { get; init; } = Nominal;

    public double High { get; init; } = High;

    /// <summary>How far the low figure lies under the nominal one, as a share of it.</summary>
    [JsonIgnore]
    public double MayFall => Nominal > 0 ? Math.Max(0, 1 - (Low / Nominal)) : 0;

    /// <summary>Of samples: low and high hold nine of ten, nominal is the middle one.</summary>
    /// <param name="samples">One or more, in any order.</param>
    public static Spread OfSamples(IEnumerable<double> samples)
    {
        double[] sorted = [.. samples.Order()];
        return new(At(0.05), At(0.5), At(0.95));

        double At(double share) => sorted[(int)(share * (sorted.Length - 1))];
    }

    /// <summary>As far below the figure as above it.</summary>
    public static Spread About(double nominal, double off) =>
        new(nominal - Math.Abs(off), nominal, nominal + Math.Abs(off));

    private static ArgumentException OutOfOrder(double low, double nominal, double high) =>
        new(FormattableString.Invariant($"A spread from {low} to {high} does not hold {nominal}."), nameof(nominal));
}
