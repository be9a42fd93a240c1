using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

public sealed record RopeMembers : IDocumentPart
{
    [Display(Name = "Breaking strength", Description = "Breaking strength new and without knots, newtons.")]
    [Range(500, 1_000_000)]
    [Measure("force", Step = 1, CanBeMeasured = true)]
    public required double BreakingStrengthN { get; init; }

    [Display(Name = "Rope length", Description = "Metres.")]
    [Range(1, 500)]
    [Measure("length", Step = 1)]
    public required double LengthM { get; init; }

    [Display(Name = "Rope diameter", Description = "Metres.")]
    [Range(0.003, 0.06)]
    [Measure("rope")]
    public required double DiameterM { get; init; }

    [Display(
        Name = "Stretch at a tenth of its strength",
        Description = "Lengthening at a tenth of the breaking strength, as a fraction."
    )]
    [Range(0, 0.3)]
    [Measure("percent", Step = 0.5)]
    public required double StretchAtTenPercent { get; init; }

    [Display(Name = "Made as", Description = "An id of the rope table, as in double-braid; tells what wet does to it.")]
    public string? ConstructionId { get; init; }

    public WearMembers? Wear { get; init; }

    [Display(Name = "End in the tree", Description = "a or b, as the piece is marked; left out, nobody has said.")]
    public RopeEnd? EndInTree { get; init; }

    [Display(Name = "Rope of the locker")]
    [MaxLength(40)]
    public string? ItemId { get; init; }
}

/// <summary>Which end of a rope: metres along it are counted from end a.</summary>
public enum RopeEnd
{
    A,
    B,
}

/// <summary>What use and weather have left of a strength.</summary>
public sealed record WearMembers : IDocumentPart
{
    [Display(Name = "Years old", Description = "Years since it was made; each takes a fiftieth of its strength.")]
    [Range(0, 40)]
    [Measure("ratio", Step = 1, Empty = "not known")]
    public double? AgeYears { get; init; }

    [Display(Name = "Worn to", Description = "The fraction of its strength that the last inspection left it.")]
    [Range(0.3, 1)]
    [Measure("percent", Step = 5, Empty = "unworn")]
    public double? Keeps { get; init; }

    [Display(Name = "Wet", Description = "Soaked while it pulls.")]
    public bool Wet { get; init; }
}

/// <summary>A second rope tied to the hauling end of the first.</summary>
public sealed record JoinedRopeMembers : IDocumentPart
{
    [Display(Name = "Joining knot", Description = "An id of the knot table that joins two ends.")]
    public string KnotId { get; init; } = "double-fisherman";

    public required RopeMembers Rope { get; init; }
}
