using System.Text.Json.Serialization;

namespace Draklo.Core.Units;

/// <summary>A figure with how far it may be off.</summary>
public readonly record struct Spread(double Low, double Nominal, double High)
{
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

    public static Spread About(double nominal, double off) =>
        new(nominal - Math.Abs(off), nominal, nominal + Math.Abs(off));
}
