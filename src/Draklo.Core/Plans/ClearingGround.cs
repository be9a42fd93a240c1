using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

/// <summary>A section of the ground between two points of the plan, from left to right.</summary>
public sealed record GroundSectionMembers : IDocumentPart
{
    [Display(Name = "On the left", Description = "What is there.")]
    [MaxLength(60)]
    public string LeftName { get; init; } = "landing";

    [Display(Name = "On the right", Description = "What is there.")]
    [MaxLength(60)]
    public string RightName { get; init; } = "";

    [Display(Name = "Left end on the plan", Description = "From the stump; left out, not placed.")]
    public PlaceMembers? From { get; init; }

    [Display(Name = "Right end on the plan", Description = "From the stump; left out, not placed.")]
    public PlaceMembers? To { get; init; }

    [Display(Name = "Ground", Description = "Two spots at least, from left to right.")]
    [MinLength(2)]
    [MaxLength(60)]
    public IReadOnlyList<GroundSpotMembers> Spots { get; init; } = [new() { AtM = 0 }, new() { AtM = 40 }];

    [Display(Name = "Pieces go to", Description = "Metres along the section.")]
    [Range(0, 500)]
    [Measure("length", Step = 0.5)]
    public double LandingAtM { get; init; }

    [Display(
        Name = "Surface",
        Description = "An id of the anchor table: drag-earth, drag-grass, drag-litter or drag-snow."
    )]
    public string SurfaceId { get; init; } = "drag-litter";

    [Display(
        Name = "Friction of a log, as tried",
        Description = "As tried here with a scale, 0.02 to 1; left out, the table's."
    )]
    [Range(0.02, 1)]
    [Measure("ratio", CanBeMeasured = true, Empty = "the table's")]
    public double? Friction { get; init; }

    [Display(Name = "Soft: a dragged log tears it up", Description = "Ground that a dragged log tears up.")]
    public bool Soft { get; init; }

    [Display(Name = "What stands between")]
    [MaxLength(30)]
    public IReadOnlyList<ObstacleMembers> Obstacles { get; init; } = [];
}

public sealed record GroundSpotMembers : IDocumentPart
{
    [Display(Name = "Along the section", Description = "Metres from the left end.")]
    [Range(0, 500)]
    [Measure("length", Step = 0.5)]
    public required double AtM { get; init; }

    [Display(Name = "Height of the ground", Description = "Metres; any zero, the same for all.")]
    [Range(-200, 200)]
    [Measure("length", CanBeMeasured = true)]
    public double UpM { get; init; }
}

public sealed record ObstacleMembers : IDocumentPart
{
    [Display(Name = "Obstacle", Description = "What the crew calls it.")]
    [MaxLength(60)]
    public required string Name { get; init; }

    [Display(Name = "Kind of obstacle", Description = "thing, fragile, way or powerLine.")]
    public ObstacleKind Kind { get; init; }

    [Display(Name = "Begins at", Description = "Metres along the section.")]
    [Range(0, 500)]
    [Measure("length", Step = 0.5)]
    public required double FromM { get; init; }

    [Display(Name = "Ends at", Description = "Metres along the section.")]
    [Range(0, 500)]
    [Measure("length", Step = 0.5)]
    public required double ToM { get; init; }

    [Display(Name = "Height of the obstacle", Description = "Above the ground, metres.")]
    [Range(0, 60)]
    [Measure("length", CanBeMeasured = true)]
    public double HeightM { get; init; }

    [Display(
        Name = "Arranged by",
        Description = "Of a road or path: who closes it. Of a power line: the utility's word."
    )]
    [MaxLength(60)]
    public string? ArrangedBy { get; init; }
}

public enum ObstacleKind
{
    /// <summary>A rock, a wall, a stump: to be cleared or gone round.</summary>
    Thing,

    /// <summary>Glass, a roof, a plant that may not be touched.</summary>
    Fragile,

    /// <summary>A road or path.</summary>
    Way,

    /// <summary>A power line.</summary>
    PowerLine,
}

/// <summary>An anchor by its place along the section.</summary>
public sealed record SectionPointMembers : FixedPointMembers
{
    [Display(Name = "Along the section", Description = "Metres from its left end.")]
    [Range(0, 600)]
    [Measure("length")]
    public required double AtM { get; init; }
}
