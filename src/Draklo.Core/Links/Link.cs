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

/// <summary>One link of the load path: what it carries against what it may.</summary>
/// <remarks>
/// Method M9. Below 0.8 it holds, up to 1 it is tight, above it fails; a worst credible load above the strength fails
/// too. A load may be a force, a moment or a stress: <see cref="Dimension"/> says which. The JSON names ending in N are
/// kept from a time when all of them were forces.
/// </remarks>
/// <param name="Id">Stable name, as in "main.knot"; the stem, the roots and the hinge belong to no line.</param>
/// <param name="Name">What it is called on the load path.</param>
/// <param name="LineId">Null for what all lines load together.</param>
/// <param name="Place">Number of the redirect it belongs to, from the tree, from 1; null for the others.</param>
/// <param name="Dimension">What the figures are measured in: force in N, moment in N·m, stress in Pa.</param>
/// <param name="LoadValue">At the planned tension.</param>
/// <param name="WorstLoadValue">What the puller could put on, through the high efficiencies.</param>
/// <param name="StrengthValue">Rated strength after every reduction.</param>
/// <param name="RatedValue">Before reductions.</param>
/// <param name="Factor">Strength wanted over load.</param>
/// <param name="Use">Load × factor / strength.</param>
/// <param name="CarefulUse">The same at the careful end of what is not known: what the use stays under in 95 of 100.</param>
/// <param name="Estimate">True when the strength is a tabled or guessed figure.</param>
public sealed record Link(
    [property: JsonIgnore] LinkRule Rule,
    string Id,
    string Name,
    string? LineId,
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
    public LinkKind Kind => Rule.Kind;

    /// <summary>What lights up in the drawings when it is selected.</summary>
    public LinkMark Mark => Rule.Mark;

    /// <summary>True when it gives by slipping: a worst load above its strength makes it creep, not break.</summary>
    public bool Slips => Rule.Slips;

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
    public bool FarMore => Rule.IsAnchor && StrengthValue > 10 * LoadValue;

    /// <summary>Its use, or its worst load over its strength where that breaks it and is more.</summary>
    [JsonIgnore]
    public double WorstUse => Slips ? Use : Math.Max(Use, WorstLoadValue / StrengthValue);

    public static LinkState StateOf(double use, double worst, double strength) =>
        use > 1 || worst > strength ? LinkState.Fails
        : use >= 0.8 ? LinkState.Tight
        : LinkState.Holds;
}
