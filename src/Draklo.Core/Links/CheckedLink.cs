using System.Text.Json.Serialization;
using Draklo.Core.Units;

namespace Draklo.Core.Links;

public enum LinkState
{
    Holds,
    Tight,
    Fails,
}

/// <param name="Name">What takes strength away, as in "running bowline".</param>
/// <param name="Keeps">The fraction left, over 0; a basket sling has more than 1.</param>
public sealed record Reduction(string Name, double Keeps);

/// <summary>What one link of a pull or of a way of clearing carries against what it may.</summary>
/// <remarks>
/// Method M9. Below 0.8 it holds, up to 1 it is tight, above it fails; a worst credible load above the strength fails
/// too. A load may be a force, a moment or a stress: <see cref="Dimension"/> says which. The JSON names ending in N are
/// kept from a time when all of them were forces.
/// </remarks>
public abstract record CheckedLink
{
    /// <summary>Stable name on its load path.</summary>
    public required string Id { get; init; }

    /// <summary>What it is called on the load path.</summary>
    public required string Name { get; init; }

    /// <summary>Number of the redirect or point it belongs to, from 1; null for the others.</summary>
    public required int? Place { get; init; }

    /// <summary>What the figures are measured in: force in N, moment in N·m, stress in Pa.</summary>
    [JsonPropertyName("quantity")]
    public required Dimension Dimension { get; init; }

    /// <summary>As planned.</summary>
    [JsonPropertyName("loadN")]
    public required double LoadValue { get; init; }

    /// <summary>The worst credible load.</summary>
    [JsonPropertyName("worstLoadN")]
    public required double WorstLoadValue { get; init; }

    /// <summary>Rated strength after every reduction.</summary>
    [JsonPropertyName("strengthN")]
    public required double StrengthValue { get; init; }

    /// <summary>Before reductions.</summary>
    [JsonPropertyName("ratedN")]
    public required double RatedValue { get; init; }

    /// <summary>Strength wanted over load.</summary>
    public required double Factor { get; init; }

    /// <summary>Load × factor / strength.</summary>
    public required double Use { get; init; }

    /// <summary>The same at the careful end of what is not known: what the use stays under in 95 of 100.</summary>
    public required double CarefulUse { get; init; }

    /// <summary>
    /// Its worst credible load over its strength, 0 or more: past 1 it breaks under the hardest heave. Its use where it does not
    /// break but slips or tires.
    /// </summary>
    public double HeaveUse => Yields ? Use : WorstLoadValue / StrengthValue;

    /// <summary>The larger of its use and what the hardest heave makes of it, 0 or more.</summary>
    [JsonIgnore]
    public double WorstUse => Math.Max(Use, HeaveUse);

    public required LinkState State { get; init; }

    /// <summary>True when the strength is a tabled or guessed figure.</summary>
    public required bool Estimate { get; init; }

    public required IReadOnlyList<Reduction> Reductions { get; init; }

    [JsonIgnore]
    public Quantity Load => new(LoadValue, Dimension);

    [JsonIgnore]
    public Quantity WorstLoad => new(WorstLoadValue, Dimension);

    [JsonIgnore]
    public Quantity Strength => new(StrengthValue, Dimension);

    [JsonIgnore]
    public Quantity Rated => new(RatedValue, Dimension);

    /// <summary>The load that it may carry with its factor.</summary>
    [JsonPropertyName("allowed")]
    public double AllowedValue => StrengthValue / Factor;

    /// <inheritdoc cref="AllowedValue"/>
    [JsonIgnore]
    public Quantity Allowed => new(AllowedValue, Dimension);

    /// <summary>
    /// Above ten times what is asked a strength is said in words: the figure behind it is an estimate and would be
    /// believed.
    /// </summary>
    public bool FarMore => IsAnchor && StrengthValue > 10 * LoadValue;

    /// <summary>Whether more than it bears makes it slip or tire, not break.</summary>
    protected abstract bool Yields { get; }

    /// <summary>Whether it is the ground or a tree that holds something.</summary>
    protected abstract bool IsAnchor { get; }

    public static LinkState StateOf(double use, double worst, double strength) =>
        use > 1 || worst > strength ? LinkState.Fails
        : use >= 0.8 ? LinkState.Tight
        : LinkState.Holds;
}
