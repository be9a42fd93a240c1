using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

/// <summary>
/// What the crew puts into a plan with one choice, because it belongs together: what they pull with, who does what, or an
/// anchor as it was last time. A plan carries its own copy.
/// </summary>
public sealed record PlanSet : IDocumentPart
{
    [Display(Name = "Id of the set")]
    [RegularExpression(Ids.Pattern)]
    public required string Id { get; init; }

    [Display(Name = "Name")]
    [MaxLength(60)]
    public required string Name { get; init; }

    [Display(
        Name = "Pull with",
        Description = "Rope, tackle and puller of one line; left out, the set is of something else."
    )]
    public PullSet? Pull { get; init; }

    [Display(
        Name = "People",
        Description = "Who does what, with signs and help; left out, the set is of something else."
    )]
    public CrewSet? Crew { get; init; }

    [Display(
        Name = "Anchor",
        Description = "With where it stands from the stump; left out, the set is of something else."
    )]
    public AnchorMembers? Anchor { get; init; }
}

/// <summary>What a line is pulled with, but for its place: seat and anchor are the tree's.</summary>
public sealed record PullSet : IDocumentPart
{
    public required RopeMembers Rope { get; init; }

    [Display(Name = "Tied with", Description = "An id of the knot table.")]
    public required string KnotId { get; init; }

    [Display(Name = "Tie", Description = "tip or base.")]
    public TieKind Tie { get; init; }

    public JoinedRopeMembers? Joined { get; init; }

    public required TackleMembers Tackle { get; init; }

    public required PullerMembers Puller { get; init; }

    public LimiterMembers? Limiter { get; init; }

    [Display(Name = "Anchor sling", Description = "Of the line's anchor; left out, none comes with it.")]
    public SlingMembers? Sling { get; init; }
}

/// <summary>People with their roles, the signs they use, and the help that goes with them.</summary>
public sealed record CrewSet : IDocumentPart
{
    [Display(Name = "Crew")]
    [MaxLength(20)]
    public required IReadOnlyList<CrewMembers> People { get; init; }

    [Display(Name = "Signs", Description = "Left out, the usual four.")]
    [MaxLength(8)]
    public IReadOnlyList<SignalMembers> Signals { get; init; } = [];

    [Display(
        Name = "Help",
        Description = "Who calls, what number, where the kit is; what hangs on the place stays out."
    )]
    public HelpMembers Help { get; init; } = new();
}
