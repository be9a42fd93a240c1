using System.ComponentModel.DataAnnotations;

namespace Draklo.Core.Plans;

/// <summary>One pull line, from its seat in the tree to whoever hauls it.</summary>
public sealed record LineMembers
{
    [Display(Name = "Line", Description = "Short name, different for each line.")]
    [RegularExpression("^[a-z0-9][a-z0-9-]{0,31}$")]
    public required string Id { get; init; }

    [Display(Name = "Share", Description = "This line's tension over the main tension.")]
    [Range(0.05, 3)]
    public double Share { get; init; } = 1;

    public required SeatMembers Seat { get; init; }

    public required AnchorMembers Anchor { get; init; }

    public required RopeMembers Rope { get; init; }

    [Display(Name = "Knot at the seat", Description = "An id of the knot table.")]
    public required string KnotId { get; init; }

    public required TackleMembers Tackle { get; init; }

    public required PullerMembers Puller { get; init; }
}

public sealed record SeatMembers
{
    [Display(Name = "Seat height", Description = "Above the ground at the stump, on the stem, metres.")]
    [Range(0.5, 120)]
    public required double HeightM { get; init; }
}

public sealed record AnchorMembers
{
    [Display(Name = "Anchor", Description = "What the crew calls it.")]
    [MaxLength(60)]
    public string? Name { get; init; }

    [Display(Name = "Anchor distance", Description = "Level, from the middle of the stump, metres.")]
    [Range(1, 300)]
    public required double DistanceM { get; init; }

    [Display(Name = "Anchor bearing", Description = "From the stump, degrees clockwise from north.")]
    [Range(0, 360)]
    public required double BearingDeg { get; init; }

    [Display(Name = "Ground rise", Description = "Ground at the anchor above ground at the stump, metres; negative when lower.")]
    [Range(-100, 100)]
    public double GroundRiseM { get; init; }

    [Display(Name = "Height on the anchor", Description = "Strap above the ground there, metres.")]
    [Range(0, 20)]
    public required double HeightM { get; init; }

    [Display(Name = "Kind of anchor", Description = "rated, tree, post, pickets, weight or vehicle.")]
    public AnchorKind Kind { get; init; }

    [Display(Name = "Anchor tree", Description = "Left out, the plan says it is not known.")]
    public AnchorTreeMembers? Tree { get; init; }

    [Display(Name = "Anchor post", Description = "Left out, the plan says it is not known.")]
    public AnchorPostMembers? Post { get; init; }

    [Display(Name = "Pickets", Description = "Left out, the plan says it is not known.")]
    public AnchorPicketMembers? Pickets { get; init; }

    [Display(Name = "Weight or vehicle", Description = "Left out, the plan says it is not known.")]
    public AnchorWeightMembers? Weight { get; init; }

    [Display(Name = "Anchor holds", Description = "The force at which it is reckoned to give, newtons; the design factor is taken off it. Left out, the plan says it is not known.")]
    [Range(100, 1_000_000)]
    public double? CapacityN { get; init; }

    [Display(Name = "Anchor sling", Description = "Left out, the plan says it is not known.")]
    public SlingMembers? Sling { get; init; }
}

public enum AnchorKind
{
    /// <summary>A point whose holding force is told.</summary>
    Rated,

    /// <summary>A standing tree.</summary>
    Tree,

    /// <summary>A post set in the ground.</summary>
    Post,

    /// <summary>Driven pickets.</summary>
    Pickets,

    /// <summary>Dead weight.</summary>
    Weight,

    /// <summary>A parked vehicle.</summary>
    Vehicle,
}

public sealed record AnchorTreeMembers
{
    [Display(Name = "Anchor tree's species", Description = "An id of the species catalogue; left out, an ordinary broadleaf.")]
    public string? SpeciesId { get; init; }

    [Display(Name = "Anchor tree's diameter", Description = "At breast height, metres.")]
    [Range(0.05, 3)]
    public required double DbhM { get; init; }

    [Display(Name = "Anchor tree's height", Description = "Metres.")]
    [Range(2, 80)]
    public required double HeightM { get; init; }

    [Display(Name = "Ground of the anchor tree", Description = "An id of the anchor table: roots-shallow, roots-ordinary or roots-deep.")]
    public string GroundId { get; init; } = "roots-ordinary";

    [Display(Name = "Anchor tree's soundness", Description = "1 for a sound one.")]
    [Range(0.2, 1)]
    public double Soundness { get; init; } = 1;
}

public sealed record AnchorPostMembers
{
    [Display(Name = "Post diameter", Description = "Or width across the pull, metres.")]
    [Range(0.03, 1)]
    public required double DiameterM { get; init; }

    [Display(Name = "Depth in the ground", Description = "Metres.")]
    [Range(0.2, 4)]
    public required double DepthM { get; init; }

    [Display(Name = "Soil at the post", Description = "An id of the anchor table: soil-soft, soil-sandy or soil-gravel.")]
    public string GroundId { get; init; } = "soil-sandy";
}

public sealed record AnchorPicketMembers
{
    [Display(Name = "How they are set", Description = "An id of the anchor table, as in picket-1-1.")]
    public required string ArrangementId { get; init; }

    [Display(Name = "Ground at the pickets", Description = "firmLoam, clayOrGravel or wet.")]
    public PicketGround Ground { get; init; }
}

public enum PicketGround
{
    FirmLoam,
    ClayOrGravel,
    Wet,
}

public sealed record AnchorWeightMembers
{
    [Display(Name = "Mass of the anchor", Description = "Kilograms.")]
    [Range(10, 100_000)]
    public required double MassKg { get; init; }

    [Display(Name = "Share on braked wheels", Description = "Of a vehicle's weight, 0 to 1.")]
    [Range(0.1, 1)]
    public double BrakedShare { get; init; } = 1;

    [Display(Name = "Surface under it", Description = "An id of the anchor table, as in wet-grass.")]
    public string GroundId { get; init; } = "firm-earth";

    [Display(Name = "Slope under it", Description = "Degrees, positive when the pull would drag it uphill.")]
    [Range(-30, 30)]
    public double SlopeDeg { get; init; }
}

public sealed record SlingMembers
{
    [Display(Name = "Sling strength", Description = "Breaking strength straight, newtons.")]
    [Range(500, 1_000_000)]
    public required double BreakingStrengthN { get; init; }

    [Display(Name = "Sling hitch", Description = "straight, choked or basket.")]
    public SlingHitch Hitch { get; init; }

    [Display(Name = "Half angle", Description = "Of a basket: half the angle between its two legs, degrees.")]
    [Range(0, 75)]
    public double HalfAngleDeg { get; init; }
}

public enum SlingHitch
{
    Straight,
    Choked,
    Basket,
}

public sealed record RopeMembers
{
    [Display(Name = "Rope strength", Description = "Breaking strength new and without knots, newtons.")]
    [Range(500, 1_000_000)]
    public required double BreakingStrengthN { get; init; }

    [Display(Name = "Rope length", Description = "Metres.")]
    [Range(1, 500)]
    public required double LengthM { get; init; }

    [Display(Name = "Rope diameter", Description = "Metres.")]
    [Range(0.003, 0.06)]
    public required double DiameterM { get; init; }

    [Display(Name = "Stretch", Description = "Lengthening at a tenth of the breaking strength, as a fraction.")]
    [Range(0, 0.3)]
    public required double StretchAtTenPercent { get; init; }
}

public sealed record TackleMembers
{
    [Display(Name = "Tackle", Description = "A named system.")]
    public required string SystemId { get; init; }

    [Display(Name = "Turns", Description = "What the rope turns round: an id of the contact table.")]
    public required string ContactId { get; init; }

    [Display(Name = "Tackle rope", Description = "Left out, the tackle is rove in the pull line's own tail.")]
    public TackleRopeMembers? Rope { get; init; }

    [Display(Name = "Blocks hold", Description = "Breaking strength of the weakest block or connector, newtons. Left out, the plan says it is not known.")]
    [Range(500, 1_000_000)]
    public double? HardwareStrengthN { get; init; }

    [Display(Name = "Sheave diameter", Description = "Metres, for the bend; left out, 12 mm for a carabiner and a full-size sheave for a block.")]
    [Range(0.005, 0.5)]
    public double? SheaveDiameterM { get; init; }

    [Display(Name = "Joined by", Description = "The knot in the line that takes the tackle: an id of the knot table that can be tied midline. Left out, the plan says it is not known.")]
    public string? JoinKnotId { get; init; }
}

public sealed record TackleRopeMembers
{
    [Display(Name = "Tackle rope strength", Description = "Breaking strength new and without knots, newtons.")]
    [Range(500, 1_000_000)]
    public required double BreakingStrengthN { get; init; }

    [Display(Name = "Tackle rope diameter", Description = "Metres.")]
    [Range(0.003, 0.06)]
    public required double DiameterM { get; init; }

    [Display(Name = "End of the tackle rope", Description = "The knot or splice at its fixed end: an id of the knot table.")]
    public string EndKnotId { get; init; } = "bowline";
}

public sealed record PullerMembers
{
    [Display(Name = "Puller", Description = "people.")]
    public PullerKind Kind { get; init; }

    [Display(Name = "Number of people")]
    [Range(1, 20)]
    public required int Count { get; init; }

    [Display(Name = "Steady pull each", Description = "What one of them keeps up, newtons.")]
    [Range(50, 600)]
    public required double EffortEachN { get; init; }

    [Display(Name = "Where they stand", Description = "Left out, three metres past the anchor in line with the pull.")]
    public PlaceMembers? Place { get; init; }
}

public enum PullerKind
{
    People,
}
