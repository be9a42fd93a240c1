using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

/// <summary>What stands and lies about the tree. Places are metres east and north of the stump's middle.</summary>
public sealed record SiteMembers : IDocumentPart
{
    [Display(Name = "Origin", Description = "Where on earth the stump stands; only GeoJSON needs it.")]
    public OriginMembers? Origin { get; init; }

    [Display(Name = "Targets", Description = "Everything that a falling tree must spare or mind.")]
    [MaxLength(200)]
    public IReadOnlyList<TargetMembers> Targets { get; init; } = [];

    [Display(Name = "Spot heights", Description = "Two or three places whose ground was levelled against the stump's.")]
    [MaxLength(3)]
    public IReadOnlyList<SpotMembers> Spots { get; init; } = [];

    [Display(
        Name = "Escape routes",
        Description = "Two at most; left out, 135° either side of the lay. One that is given up says by whom and why."
    )]
    [MaxLength(2)]
    public IReadOnlyList<EscapeRouteMembers> EscapeRoutes { get; init; } = [];

    [Display(Name = "Lay mark", Description = "The mark on the ground that the top should come to.")]
    public PlaceMembers? Mark { get; init; }

    [Display(Name = "The mark is", Description = "As the crew calls it: the white post.")]
    [MaxLength(60)]
    [Station("people")]
    public string? MarkName { get; init; }

    [Display(Name = "May miss to either side", Description = "How far the lay may be missed to either side, degrees.")]
    [Range(0, 20)]
    [Measure("angle")]
    public double AimErrorDeg { get; init; } = 5;
}

public sealed record OriginMembers : IDocumentPart
{
    [Display(Name = "Stump's latitude", Description = "Degrees, WGS 84.")]
    [Range(-85, 85)]
    [Measure("degrees", Step = 0.0001)]
    public required double LatitudeDeg { get; init; }

    [Display(Name = "Stump's longitude", Description = "Degrees, WGS 84.")]
    [Range(-180, 180)]
    [Measure("degrees", Step = 0.0001)]
    public required double LongitudeDeg { get; init; }
}

public sealed record PlaceMembers : IDocumentPart
{
    [Display(Name = "East of the stump")]
    [Range(-500, 500)]
    [Measure("length", Step = 0.5, CanBeMeasured = true)]
    public required double EastM { get; init; }

    [Display(Name = "North of the stump")]
    [Range(-500, 500)]
    [Measure("length", Step = 0.5, CanBeMeasured = true)]
    public required double NorthM { get; init; }
}

public sealed record SpotMembers : IDocumentPart
{
    [Display(Name = "East of the stump")]
    [Range(-500, 500)]
    [Measure("length")]
    public required double EastM { get; init; }

    [Display(Name = "North of the stump")]
    [Range(-500, 500)]
    [Measure("length")]
    public required double NorthM { get; init; }

    [Display(
        Name = "Above the stump's ground",
        Description = "Ground there above the ground at the stump, metres; negative when lower."
    )]
    [Range(-100, 100)]
    [Measure("length")]
    public required double RiseM { get; init; }
}

/// <summary>The way that the faller walks out.</summary>
public sealed record EscapeRouteMembers : IDocumentPart
{
    [Display(Name = "Escape route toward", Description = "From the stump, degrees clockwise from north.")]
    [Range(0, 360)]
    [Measure("angle", Step = 5)]
    public required double BearingDeg { get; init; }

    [Display(Name = "Given up by", Description = "Left out, it is kept.")]
    [MaxLength(60)]
    public string? GivenUpBy { get; init; }

    [Display(Name = "Given up because")]
    [MaxLength(200)]
    public string? Because { get; init; }
}

/// <summary>What somebody said or arranged, and when.</summary>
public sealed record WordMembers : IDocumentPart
{
    [Display(Name = "By", Description = "A name.")]
    [MaxLength(60)]
    public required string By { get; init; }

    [Display(Name = "At", Description = "Date and time with its offset.")]
    [MaxLength(40)]
    public required string At { get; init; }

    [Display(Name = "What was said")]
    [MaxLength(200)]
    public string? Says { get; init; }
}

public sealed record TargetMembers : IDocumentPart
{
    [Display(Name = "Target", Description = "Short name, different for each.")]
    [RegularExpression(Ids.Pattern)]
    public required string Id { get; init; }

    [Display(Name = "Kind of target")]
    public required TargetKind Kind { get; init; }

    [Display(Name = "Name of the target", Description = "What the crew calls it.")]
    [MaxLength(60)]
    public string? Name { get; init; }

    [Display(Name = "Points", Description = "One for a place, two or more for a line, three or more round an area.")]
    [MaxLength(200)]
    [MinLength(1)]
    public required IReadOnlyList<PlaceMembers> Points { get; init; }

    [Display(Name = "An area, closed all round", Description = "Whether the points go round an area.")]
    public bool Closed { get; init; }

    [Display(Name = "Radius or half its width", Description = "Of a place, or half the width of a line, metres.")]
    [Range(0, 50)]
    [Measure("length")]
    public double RadiusM { get; init; }

    [Display(Name = "Height", Description = "Above its ground, metres.")]
    [Range(0, 150)]
    [Measure("length", Empty = "not known")]
    public double? HeightM { get; init; }

    [Display(
        Name = "May be hit",
        Description = "Its owner accepts that the tree falls on it, as on an empty road or a hedge to be grubbed."
    )]
    public bool MayBeHit { get; init; }

    [Display(Name = "The utility's word", Description = "Of a power line: who at the utility said what, and when.")]
    public WordMembers? UtilityWord { get; init; }

    [Display(
        Name = "Closing arranged",
        Description = "Of a road or path: who keeps it closed while the line is loaded."
    )]
    public WordMembers? Closing { get; init; }
}

public enum TargetKind
{
    Building,
    Wall,
    Fence,
    Hedge,
    Tree,
    Road,
    Path,
    Water,
    PowerLine,
    PhoneLine,
    Pipe,
    People,
    Other,
}
