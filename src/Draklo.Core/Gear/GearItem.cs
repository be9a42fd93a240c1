using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Gear;

public enum GearKind
{
    Rope,

    /// <summary>Accessory cord, for grips.</summary>
    Cord,

    /// <summary>A made-up friction hitch or a mechanical grip.</summary>
    Grip,
    Block,

    /// <summary>Carabiner or shackle.</summary>
    Connector,
    Sling,

    /// <summary>Ratchet or lashing strap.</summary>
    Strap,

    /// <summary>Bollard or lowering drum.</summary>
    Drum,

    /// <summary>Blocks already rove.</summary>
    TackleSet,

    /// <summary>Throw weight, thin line, catapult.</summary>
    ThrowKit,
    Wedge,
}

/// <summary>One piece of the crew's gear. SI units; days as yyyy-MM-dd.</summary>
public sealed record GearItem : IDocumentPart
{
    [Display(Name = "Id", Description = "Short and lasting, as painted on the piece; given when left out.")]
    [RegularExpression(Ids.Pattern)]
    public required string Id { get; init; }

    [Display(Name = "Kind of gear")]
    public required GearKind Kind { get; init; }

    [Display(Name = "Name", Description = "What the crew calls it.")]
    [MaxLength(60)]
    public required string Name { get; init; }

    [Display(Name = "Marks", Description = "Serial number, colour, tag.")]
    [MaxLength(60)]
    public string? Marks { get; init; }

    [Display(Name = "Pieces", Description = "How many alike hang under this id.")]
    [Range(1, 500)]
    public int Count { get; init; } = 1;

    [Display(Name = "Length", Description = "Metres.")]
    [Range(0.05, 500)]
    public double? LengthM { get; init; }

    [Display(Name = "Diameter", Description = "Of rope, cord or sheave, metres.")]
    [Range(0.002, 0.5)]
    public double? DiameterM { get; init; }

    [Display(Name = "Breaking strength", Description = "As labelled, newtons.")]
    [Range(100, 2_000_000)]
    public double? BreakingStrengthN { get; init; }

    [Display(Name = "Working load", Description = "As labelled, newtons.")]
    [Range(50, 1_000_000)]
    public double? WorkingLoadN { get; init; }

    [Display(
        Name = "Factor of the working load",
        Description = "Breaking strength over working load, as the maker counts it."
    )]
    [Range(1, 15)]
    public double? WorkingLoadFactor { get; init; }

    [Display(Name = "Construction", Description = "An id of the rope table.")]
    public string? ConstructionId { get; init; }

    [Display(Name = "Stretch", Description = "Lengthening at a tenth of the breaking strength, as a fraction.")]
    [Range(0, 0.3)]
    public double? StretchAtTenPercent { get; init; }

    [Display(Name = "Turns", Description = "Of a block or connector: an id of the contact table.")]
    public string? ContactId { get; init; }

    [Display(Name = "System", Description = "Of a tackle set: how it is rove.")]
    public string? SystemId { get; init; }

    [Display(Name = "Grip", Description = "Of a grip: an id of the grip table.")]
    public string? GripId { get; init; }

    [Display(Name = "Made on", Description = "yyyy-MM-dd.")]
    public string? MadeOn { get; init; }

    [Display(Name = "In service since", Description = "yyyy-MM-dd.")]
    public string? InServiceOn { get; init; }

    [Display(Name = "Worn to", Description = "The fraction of its strength that the last inspection left it.")]
    [Range(0.3, 1)]
    public double? Keeps { get; init; }

    [Display(
        Name = "Flawed spots",
        Description = "Of a rope: places that a load should not run over, by metres from end a."
    )]
    [MaxLength(20)]
    public IReadOnlyList<GearFlaw> Flaws { get; init; } = [];

    [Display(Name = "State")]
    public GearState State { get; init; }

    [Display(Name = "Reason", Description = "Why it is out of service.")]
    [MaxLength(200)]
    public string? Reason { get; init; }

    [Display(Name = "Note")]
    [MaxLength(400)]
    public string? Note { get; init; }
}
