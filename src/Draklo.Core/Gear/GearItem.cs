using System.ComponentModel.DataAnnotations;

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
public sealed record GearItem
{
    [Display(Name = "Id", Description = "Short and lasting, as painted on the piece; given when left out.")]
    [RegularExpression("^[a-z0-9][a-z0-9-]{0,31}$")]
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
        Description = "Breaking strength over working load, as the maker reckons it."
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

    [Display(Name = "State")]
    public GearState State { get; init; }

    [Display(Name = "Reason", Description = "Why it is out of service.")]
    [MaxLength(200)]
    public string? Reason { get; init; }

    [Display(Name = "Note")]
    [MaxLength(400)]
    public string? Note { get; init; }
}

public enum Finding
{
    Glazed,
    Cut,
    Flat,
    Stiff,
    Melted,
    Chemical,
    Abraded,
    Cracked,
    Bent,
    WornGroove,

    /// <summary>A gate or sheave that does not move as it should.</summary>
    Sticks,
    LabelGone,
}

public enum InspectionOutcome
{
    Pass,

    /// <summary>In service, but looked at again before the next load.</summary>
    Watch,
    Quarantine,
    Retire,
}

/// <summary>Somebody looked at a piece.</summary>
public sealed record Inspection
{
    [Display(Name = "Day", Description = "yyyy-MM-dd.")]
    public required string On { get; init; }

    [Display(Name = "Looked at by")]
    [MaxLength(60)]
    public required string By { get; init; }

    [Display(Name = "Seen", Description = "What was found; nothing for a piece that is as it should be.")]
    [MaxLength(12)]
    public IReadOnlyList<Finding> Findings { get; init; } = [];

    [Display(Name = "Where", Description = "On the piece.")]
    [MaxLength(120)]
    public string? Where { get; init; }

    [Display(Name = "What follows")]
    public InspectionOutcome Outcome { get; init; }

    [Display(Name = "Worn to", Description = "The fraction of its strength that is left.")]
    [Range(0.3, 1)]
    public double? Keeps { get; init; }

    [Display(Name = "Note")]
    [MaxLength(400)]
    public string? Note { get; init; }
}

/// <summary>One day's work of a piece.</summary>
public sealed record GearUse
{
    [Display(Name = "Day", Description = "yyyy-MM-dd.")]
    public required string On { get; init; }

    [Display(Name = "Job")]
    [MaxLength(120)]
    public required string Job { get; init; }

    [Display(Name = "Peak load", Description = "Newtons; left out when nobody measured.")]
    [Range(0, 2_000_000)]
    public double? PeakN { get; init; }

    [Display(Name = "Minutes loaded")]
    [Range(0, 1440)]
    public double? Minutes { get; init; }

    [Display(Name = "Knots", Description = "Ids of the knot table that were tied in it.")]
    [MaxLength(8)]
    public IReadOnlyList<string> Knots { get; init; } = [];

    [Display(Name = "Jams", Description = "Knots that needed tools, or blocks that stuck.")]
    [Range(0, 50)]
    public int Jams { get; init; }

    [Display(Name = "Note")]
    [MaxLength(400)]
    public string? Note { get; init; }
}

/// <summary>When a piece flags itself, and who said so.</summary>
public sealed record LockerRules
{
    [Display(Name = "Overload share", Description = "A peak above this share of a piece's strength flags it.")]
    [Range(0.05, 1)]
    public double OverloadShare { get; init; } = 0.4;

    [Display(Name = "Age of rope, cord, sling and strap", Description = "Years after which one flags itself.")]
    [Range(1, 40)]
    public double TextileYears { get; init; } = 10;

    [Display(Name = "Months between inspections")]
    [Range(1, 60)]
    public double InspectionMonths { get; init; } = 12;

    [Display(Name = "Set by", Description = "Who chose these.")]
    [MaxLength(60)]
    public string? SetBy { get; init; }
}
