using System.Text.Json.Serialization;
using Draklo.Core.Units;

namespace Draklo.Core.Links;

/// <summary>One link of a pull's load path.</summary>
/// <remarks>Its worst load is what the puller could put on, through the high efficiencies.</remarks>
/// <param name="Id">As in "main.knot"; the stem, the roots and the hinge belong to no line.</param>
/// <param name="LineId">Null for what all lines load together.</param>
/// <param name="Place">Number of the redirect it belongs to, from the tree, from 1; null for the others.</param>
public sealed record Link(
    [property: JsonIgnore] LinkRule Rule,
    string Id,
    string Name,
    string? LineId,
    int? Place,
    Dimension Dimension,
    double LoadValue,
    double WorstLoadValue,
    double StrengthValue,
    double RatedValue,
    double Factor,
    double Use,
    double CarefulUse,
    LinkState State,
    bool Estimate,
    IReadOnlyList<Reduction> Reductions
)
    : CheckedLink(
        Id,
        Name,
        Place,
        Dimension,
        LoadValue,
        WorstLoadValue,
        StrengthValue,
        RatedValue,
        Factor,
        Use,
        CarefulUse,
        State,
        Estimate,
        Reductions
    )
{
    public LinkKind Kind => Rule.Kind;

    /// <summary>What lights up in the drawings when it is selected.</summary>
    public LinkMark Mark => Rule.Mark;

    /// <summary>True when it gives by slipping: a worst load above its strength makes it creep, not break.</summary>
    public bool Slips => Rule.Slips;

    /// <summary>Its use, or its worst load over its strength where that breaks it and is more.</summary>
    [JsonIgnore]
    public double WorstUse => Slips ? Use : Math.Max(Use, WorstLoadValue / StrengthValue);

    protected override bool IsAnchor => Rule.IsAnchor;
}
