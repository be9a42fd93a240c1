using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

/// <summary>A standing stem that carries a block.</summary>
public sealed record HighPointMembers : IDocumentPart
{
    [Display(Name = "High point", Description = "What the crew calls it.")]
    [MaxLength(60)]
    public string? Name { get; init; }

    [Display(Name = "High point at", Description = "Metres along the section.")]
    [Range(0, 500)]
    [Measure("length")]
    public required double AtM { get; init; }

    [Display(Name = "Block hangs at", Description = "Above the ground at the high point, metres.")]
    [Range(0.5, 60)]
    [Measure("length", Step = 0.5, CanBeMeasured = true)]
    public required double BlockHeightM { get; init; }

    [Display(Name = "The stem", Description = "Its size, wood and ground.")]
    public required AnchorTreeMembers Stem { get; init; }

    [Display(Name = "Rot in the stem", Description = "What a probe found; left out, nobody has probed it.")]
    public DecayMembers? Decay { get; init; }

    [Display(Name = "Topped at the block", Description = "Cut off at the block: no crown stands above it.")]
    public bool Topped { get; init; }

    [Display(Name = "Block", Description = "Left out, the line runs over nothing that is known.")]
    public RigBlockMembers? Block { get; init; }

    [Display(Name = "Guy", Description = "Left out, the stem stands alone.")]
    public GuyMembers? Guy { get; init; }
}

/// <summary>A block or ring with the sling that it hangs on.</summary>
public sealed record RigBlockMembers : IDocumentPart
{
    [Display(Name = "Line turns round", Description = "An id of the contact table.")]
    public string ContactId { get; init; } = "bushed-block";

    [Display(Name = "Block passes on", Description = "As the crew's own trials say; left out, the table's shares.")]
    public OwnPassMembers? Passes { get; init; }

    [Display(
        Name = "Block holds",
        Description = "Breaking strength, newtons. Left out, the plan says it is not known."
    )]
    [Range(500, 1_000_000)]
    [Measure("force", Step = 1, CanBeMeasured = true, Empty = "not known")]
    public double? StrengthN { get; init; }

    [Display(Name = "Sheave across", Description = "Metres; left out, a full-size sheave.")]
    [Range(0.005, 0.5)]
    [Measure("thickness")]
    public double? SheaveDiameterM { get; init; }

    [Display(Name = "Metal", Description = "steel or alloy; left out, nobody has looked.")]
    public Metal? Metal { get; init; }

    [Display(Name = "Block of the locker")]
    [MaxLength(40)]
    public string? ItemId { get; init; }

    [Display(Name = "Sling of the block", Description = "Left out, the plan says it is not known.")]
    public SlingMembers? Sling { get; init; }
}

public enum Metal
{
    Steel,
    Alloy,
}

public sealed record GuyMembers : IDocumentPart
{
    [Display(Name = "Guy's anchor", Description = "Along the section from its left end; may lie before it.")]
    public required SectionPointMembers Anchor { get; init; }

    [Display(Name = "Guy off straight back", Description = "Degrees, as seen from above.")]
    [Range(0, 80)]
    [Measure("angle")]
    public double OffDeg { get; init; }

    [Display(Name = "Guy's rope", Description = "Left out, the plan says it is not known.")]
    public RopeMembers? Rope { get; init; }
}

public sealed record CarriageMembers : IDocumentPart
{
    [Display(Name = "Carriage weighs, with its hook", Description = "With its hook, kilograms.")]
    [Range(0.1, 200)]
    [Measure("mass", CanBeMeasured = true)]
    public double MassKg { get; init; } = 9;

    [Display(
        Name = "Carriage holds",
        Description = "Breaking strength, newtons. Left out, the plan says it is not known."
    )]
    [Range(500, 1_000_000)]
    [Measure("force", Step = 1, CanBeMeasured = true, Empty = "not known")]
    public double? StrengthN { get; init; }

    [Display(Name = "Carriage's metal", Description = "steel or alloy; left out, nobody has looked.")]
    public Metal? Metal { get; init; }

    [Display(Name = "Carriage of the locker")]
    [MaxLength(40)]
    public string? ItemId { get; init; }
}

/// <summary>A lowering drum: its turns, what it and its strap hold, and where it is fast.</summary>
public sealed record DrumMembers : IDocumentPart
{
    [Display(Name = "Turns and hold")]
    public LimiterMembers Turns { get; init; } = new() { Turns = 3 };

    [Display(Name = "Drum holds", Description = "Breaking strength, newtons. Left out, the plan says it is not known.")]
    [Range(500, 1_000_000)]
    [Measure("force", Step = 1, CanBeMeasured = true, Empty = "not known")]
    public double? StrengthN { get; init; }

    [Display(Name = "Drum is fast to", Description = "Along the section. Left out, the plan says it is not known.")]
    public SectionPointMembers? Anchor { get; init; }
}

/// <summary>A block low down, where the hauling line turns to the hauler.</summary>
public sealed record LeadMembers : IDocumentPart
{
    [Display(Name = "Lead hangs on")]
    public required SectionPointMembers Anchor { get; init; }

    [Display(Name = "Lead's block")]
    public RigBlockMembers Block { get; init; } = new();

    [Display(
        Name = "Turned aside, right is +",
        Description = "How far the line turns aside at the lead as seen from above, degrees, to the right positive; 0 straight on."
    )]
    [Range(-180, 180)]
    [Measure("angle")]
    public double TurnDeg { get; init; }
}
