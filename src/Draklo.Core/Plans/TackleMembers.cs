using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

public sealed record TackleMembers : IDocumentPart
{
    [Display(Name = "Tackle system", Description = "A named system, or composed for one of the crew's own.")]
    public required string SystemId { get; init; }

    [Display(Name = "Composed tackle", Description = "Given where the system is composed, and only there.")]
    public ComposedMembers? Composed { get; init; }

    [Display(Name = "Turns", Description = "What the rope turns round: an id of the contact table.")]
    public required string ContactId { get; init; }

    [Display(Name = "Turns pass", Description = "As the crew's own trials say; left out, the table's shares.")]
    public OwnPassMembers? Passes { get; init; }

    [Display(Name = "Tackle rope", Description = "Left out, the tackle is rove in the pull line's own tail.")]
    public TackleRopeMembers? Rope { get; init; }

    [Display(
        Name = "Weakest block breaks at",
        Description = "Breaking strength of the weakest block or connector, newtons. Left out, the plan says it is not known."
    )]
    [Range(500, 1_000_000)]
    [Measure("force", Step = 1, Empty = "not known")]
    public double? HardwareStrengthN { get; init; }

    [Display(
        Name = "Sheave diameter",
        Description = "Metres, for the bend; left out, 12 mm for a carabiner and a full-size sheave for a block."
    )]
    [Range(0.005, 0.5)]
    [Measure("thickness")]
    public double? SheaveDiameterM { get; init; }

    [Display(Name = "Blocks start apart", Description = "Between the blocks when the tackle starts, metres.")]
    [Range(1, 60)]
    [Measure("length", Step = 0.5)]
    public double OpenedM { get; init; } = 6;

    [Display(Name = "Blocks meet at", Description = "Between the blocks when they meet, metres.")]
    [Range(0.2, 10)]
    [Measure("length")]
    public double ClosedM { get; init; } = 1;

    [Display(
        Name = "Joined by",
        Description = "The knot in the line that the tackle is hooked to: an id of the knot table that can be tied midline. Left out, the plan says it is not known."
    )]
    public string? JoinKnotId { get; init; }

    [Display(
        Name = "Grip",
        Description = "A friction hitch on the line that the tackle is hooked to, instead of a midline loop."
    )]
    public GripMembers? Grip { get; init; }

    [Display(
        Name = "Connector",
        Description = "What joins grip or loop to the tackle. Left out, the plan says it is not known."
    )]
    public ConnectorMembers? Connector { get; init; }

    [Display(
        Name = "Progress capture",
        Description = "Keeps what has been won while the hands let go. Left out, the hands hold it."
    )]
    public CaptureMembers? Capture { get; init; }

    [Display(Name = "Holds while it is opened", Description = "Left out, the plan names nothing that does.")]
    public HoldMembers? Hold { get; init; }

    [Display(Name = "Blocks of the locker")]
    [MaxLength(40)]
    public string? HardwareItemId { get; init; }
}

public sealed record TackleRopeMembers : IDocumentPart
{
    [Display(
        Name = "Tackle rope breaks at",
        Description = "Breaking strength new and without knots, newtons. Left out, the plan says it is not known."
    )]
    [Range(500, 1_000_000)]
    [Measure("force", Step = 1, Empty = "not known")]
    public double? BreakingStrengthN { get; init; }

    [Display(Name = "Tackle rope diameter", Description = "Metres.")]
    [Range(0.003, 0.06)]
    [Measure("rope")]
    public required double DiameterM { get; init; }

    [Display(Name = "Tackle rope length", Description = "Metres. Left out, nobody checks whether it is long enough.")]
    [Range(1, 500)]
    [Measure("length", Step = 1, Empty = "not known")]
    public double? LengthM { get; init; }

    [Display(
        Name = "Tackle rope ends in",
        Description = "The knot or splice at its fixed end: an id of the knot table."
    )]
    public string EndKnotId { get; init; } = "bowline";

    [Display(Name = "Construction of the tackle rope", Description = "An id of the rope table.")]
    public string? ConstructionId { get; init; }

    public WearMembers? Wear { get; init; }

    [Display(Name = "Tackle rope of the locker")]
    [MaxLength(40)]
    public string? ItemId { get; init; }
}
