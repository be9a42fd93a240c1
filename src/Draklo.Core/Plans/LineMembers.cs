using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

/// <summary>One pull line, from its seat in the tree to whoever hauls it.</summary>
public sealed record LineMembers : IDocumentPart
{
    [Display(Name = "Line", Description = "Short name, different for each line.")]
    [RegularExpression(Ids.Pattern)]
    public required string Id { get; init; }

    [Display(Name = "Share of the main tension", Description = "This line's tension over the main tension.")]
    [Range(0.05, 3)]
    [Measure("ratio")]
    public double Share { get; init; } = 1;

    public required SeatMembers Seat { get; init; }

    [Station("tackle")]
    public required AnchorMembers Anchor { get; init; }

    public required RopeMembers Rope { get; init; }

    [Display(Name = "Tied with", Description = "An id of the knot table.")]
    public required string KnotId { get; init; }

    [Station("tackle")]
    public required TackleMembers Tackle { get; init; }

    [Station("tackle")]
    public required PullerMembers Puller { get; init; }

    [Display(
        Name = "Tie",
        Description = "tip: a noose run up to the seat. base: over the seat and down to the foot of the stem, tied above the cut."
    )]
    public TieKind Tie { get; init; }

    [Display(
        Name = "Redirects",
        Description = "Where the line turns between the tree and its anchor, from the tree outward."
    )]
    [MaxLength(4)]
    [Station("tackle")]
    public IReadOnlyList<RedirectMembers> Redirects { get; init; } = [];

    [Display(Name = "Second rope", Description = "Tied to the first where that is too short.")]
    public JoinedRopeMembers? Joined { get; init; }

    [Display(Name = "Limiter", Description = "Turns on a drum at the hauling end.")]
    [Station("tackle")]
    public LimiterMembers? Limiter { get; init; }

    [Display(Name = "Setting the line", Description = "How it gets up there. Left out, nobody has said.")]
    public SettingMembers? Setting { get; init; }
}

public enum TieKind
{
    Tip,
    Base,
}

/// <summary>Where a line turns on its way.</summary>
public sealed record RedirectMembers : IDocumentPart
{
    [Display(Name = "Redirect", Description = "What the turn hangs on and where.")]
    public required AnchorMembers At { get; init; }

    [Display(Name = "Turns round", Description = "An id of the contact table.")]
    public string ContactId { get; init; } = "bushed-block";

    [Display(Name = "Redirect passes", Description = "As the crew's own trials say; left out, the table's shares.")]
    public OwnPassMembers? Passes { get; init; }

    [Display(
        Name = "Block breaks at",
        Description = "Breaking strength, newtons. Left out, the plan says it is not known."
    )]
    [Range(500, 1_000_000)]
    [Measure("force", Step = 1, Empty = "not known")]
    public double? HardwareStrengthN { get; init; }

    [Display(
        Name = "Sheave diameter",
        Description = "Metres; left out, 12 mm for a carabiner and a full-size sheave for a block."
    )]
    [Range(0.005, 0.5)]
    [Measure("thickness")]
    public double? SheaveDiameterM { get; init; }

    [Display(Name = "Redirect block of the locker")]
    [MaxLength(40)]
    public string? HardwareItemId { get; init; }
}
