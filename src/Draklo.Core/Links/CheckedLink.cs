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
/// <param name="Id">Stable name on its load path.</param>
/// <param name="Name">What it is called on the load path.</param>
/// <param name="Place">Number of the redirect or point it belongs to, from 1; null for the others.</param>
/// <param name="Dimension">What the figures are measured in: force in N, moment in N·m, stress in Pa.</param>
/// <param name="LoadValue">As planned.</param>
/// <param name="WorstLoadValue">The worst credible load.</param>
/// <param name="StrengthValue">Rated strength after every reduction.</param>
/// <param name="RatedValue">Before reductions.</param>
/// <param name="Factor">Strength wanted over load.</param>
/// <param name="Use">Load × factor / strength.</param>
/// <param name="CarefulUse">The same at the careful end of what is not known: what the use stays under in 95 of 100.</param>
/// <param name="Estimate">True when the strength is a tabled or guessed figure.</param>
public abstract record CheckedLink(
    string Id,
    string Name,
    int? Place,
    [property: JsonPropertyName("quantity")] Dimension Dimension,
    [property: JsonPropertyName("loadN")] double LoadValue,
    [property: JsonPropertyName("worstLoadN")] double WorstLoadValue,
    [property: JsonPropertyName("strengthN")] double StrengthValue,
    [property: JsonPropertyName("ratedN")] double RatedValue,
    double Factor,
    double Use,
    double CarefulUse,
    LinkState State,
    bool Estimate,
    IReadOnlyList<Reduction> Reductions
)
{
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

    /// <summary>Whether it is the ground or a tree that holds something.</summary>
    protected abstract bool IsAnchor { get; }

    public static LinkState StateOf(double use, double worst, double strength) =>
        use > 1 || worst > strength ? LinkState.Fails
        : use >= 0.8 ? LinkState.Tight
        : LinkState.Holds;
}
