using System.Text.Json.Serialization;

namespace Draklo.Core.Links;

/// <summary>One link of a pull's load path.</summary>
/// <remarks>Its worst load is what the puller could put on, through the high efficiencies.</remarks>
public sealed record Link : CheckedLink
{
    /// <param name="rule">What it is, with all that belongs to its kind.</param>
    public Link(LinkRule rule) => Rule = rule;

    [JsonIgnore]
    public LinkRule Rule { get; }

    /// <summary>Null for what all lines load together.</summary>
    public required string? LineId { get; init; }

    public LinkKind Kind => Rule.Kind;

    /// <summary>What lights up in the drawings when it is selected.</summary>
    public LinkMark Mark => Rule.Mark;

    /// <summary>True when it gives by slipping: a worst load above its strength makes it creep, not break.</summary>
    public bool Slips => Rule.Slips;

    protected override bool IsAnchor => Rule.IsAnchor;

    protected override bool Yields => Slips || Rule.IsEffort;
}
