using System.Text.Json.Serialization;
using Draklo.Core.Links;
using Draklo.Core.Units;

namespace Draklo.Core.Clearing;

/// <summary>The part of the drawing that a link of a clearing lights up.</summary>
public enum RigMark
{
    Hauler,
    Haul,
    Lead,
    Line,
    Carriage,
    Load,
    Tag,
    Block,
    Spar,
    Guy,
    Low,
    Drum,

    /// <summary>One of several points; the link's place says which.</summary>
    Point,
}

/// <summary>One link of a way of clearing: what it carries against what it may.</summary>
/// <remarks>Judged as a link of a pull is (method M9), and written in the same members.</remarks>
/// <param name="Id">Stable name within its way, as in "block-sling".</param>
/// <param name="Place">Number of the point it belongs to, from the load, from 1; null for the others.</param>
/// <param name="Effort">Whether it is somebody's own strength, which can be too small but does not break.</param>
/// <param name="Slips">Whether it gives by slipping.</param>
public sealed record RigLink(
    string Id,
    string Name,
    RigMark Mark,
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
    bool Effort,
    bool Slips,
    bool Anchors,
    IReadOnlyList<Reduction> Reductions
)
{
    [JsonIgnore]
    public Quantity Load => new(LoadValue, Dimension);

    [JsonIgnore]
    public Quantity WorstLoad => new(WorstLoadValue, Dimension);

    [JsonIgnore]
    public Quantity Strength => new(StrengthValue, Dimension);

    /// <summary>The load that it may carry with its factor.</summary>
    [JsonPropertyName("allowed")]
    public double AllowedValue => StrengthValue / Factor;

    [JsonIgnore]
    public Quantity Allowed => new(AllowedValue, Dimension);

    /// <inheritdoc cref="Link.FarMore"/>
    public bool FarMore => Anchors && StrengthValue > 10 * LoadValue;
}
