using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

/// <summary>Something that a line is made fast to or turns at: what it is, what it holds, what is slung round it.</summary>
public abstract record FixedPointMembers : IDocumentPart
{
    [Display(Name = "Name of the anchor", Description = "What the crew calls it.")]
    [MaxLength(60)]
    public string? Name { get; init; }

    [Display(Name = "Strap above the ground", Description = "Strap above the ground there, metres.")]
    [Range(0, 20)]
    [Measure("length", CanBeMeasured = true)]
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

    [Display(
        Name = "Gives way at",
        Description = "The force at which it gives way, newtons; the design factor is taken off it. Left out, the plan says it is not known."
    )]
    [Range(100, 1_000_000)]
    [Measure("force", Step = 1, CanBeMeasured = true, Empty = "not known")]
    public double? CapacityN { get; init; }

    [Display(Name = "Anchor sling", Description = "Left out, the plan says it is not known.")]
    public SlingMembers? Sling { get; init; }
}

public enum AnchorKind
{
    /// <summary>A point whose holding force is known.</summary>
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

public sealed record AnchorTreeMembers : IDocumentPart
{
    [Display(Name = "Species", Description = "An id of the species catalogue; left out, an ordinary broadleaf.")]
    public string? SpeciesId { get; init; }

    [Display(Name = "Breast diameter", Description = "At breast height, metres.")]
    [Range(0.05, 3)]
    [Measure("thickness", CanBeMeasured = true)]
    public required double DbhM { get; init; }

    [Display(Name = "Height of the tree", Description = "Metres.")]
    [Range(2, 80)]
    [Measure("length", Step = 0.5, CanBeMeasured = true)]
    public required double HeightM { get; init; }

    [Display(
        Name = "Roots in",
        Description = "An id of the anchor table: roots-shallow, roots-ordinary or roots-deep."
    )]
    public string GroundId { get; init; } = "roots-ordinary";

    [Display(Name = "Soundness, 1 is sound", Description = "1 for a sound one.")]
    [Range(0.2, 1)]
    [Measure("ratio", CanBeMeasured = true)]
    public double Soundness { get; init; } = 1;
}

public sealed record AnchorPostMembers : IDocumentPart
{
    [Display(Name = "Post diameter", Description = "Or width across the pull, metres.")]
    [Range(0.03, 1)]
    [Measure("thickness")]
    public required double DiameterM { get; init; }

    [Display(Name = "Depth in the ground", Description = "Metres.")]
    [Range(0.2, 4)]
    [Measure("length", CanBeMeasured = true)]
    public required double DepthM { get; init; }

    [Display(
        Name = "Soil at the post",
        Description = "An id of the anchor table: soil-soft, soil-sandy, soil-stiff or soil-gravel."
    )]
    public string GroundId { get; init; } = "soil-sandy";
}

public sealed record AnchorPicketMembers : IDocumentPart
{
    [Display(Name = "Pickets set", Description = "An id of the anchor table, as in picket-1-1.")]
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

public sealed record AnchorWeightMembers : IDocumentPart
{
    [Display(Name = "Mass", Description = "Kilograms.")]
    [Range(10, 100_000)]
    [Measure("mass", Step = 50, CanBeMeasured = true)]
    public required double MassKg { get; init; }

    [Display(
        Name = "Share on driven or braked wheels",
        Description = "Of a vehicle's weight, 0 to 1. Left out, nobody has asked: half is assumed."
    )]
    [Range(0.1, 1)]
    [Measure("percent", Step = 5, Empty = "which?")]
    public double? BrakedShare { get; init; }

    [Display(Name = "Stands on", Description = "An id of the anchor table, as in wet-grass.")]
    public string GroundId { get; init; } = "firm-earth";

    /// <summary>The share of a vehicle's weight that grips: half, as on two driven wheels, until somebody says.</summary>
    public double GrippingShare(bool vehicle) => vehicle ? BrakedShare ?? 0.5 : 1;

    [Display(
        Name = "Slope, uphill of the pull is +",
        Description = "Degrees, positive when the pull would drag it uphill."
    )]
    [Range(-30, 30)]
    [Measure("angle")]
    public double SlopeDeg { get; init; }
}
