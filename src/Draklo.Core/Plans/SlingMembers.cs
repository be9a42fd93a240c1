using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

public sealed record SlingMembers : IDocumentPart
{
    [Display(
        Name = "Sling breaks at",
        Description = "Breaking strength straight, newtons. Left out, the plan says it is not known."
    )]
    [Range(500, 1_000_000)]
    [Measure("force", Step = 1, Empty = "not known")]
    public double? BreakingStrengthN { get; init; }

    [Display(Name = "Sling hitch", Description = "straight, choked, basket or twoSlings.")]
    public SlingHitch Hitch { get; init; }

    [Display(
        Name = "Half the angle between its legs",
        Description = "Of a basket or two slings: half the angle between the two legs, degrees."
    )]
    [Range(0, 75)]
    [Measure("angle")]
    public double HalfAngleDeg { get; init; }

    [Display(
        Name = "Sling diameter",
        Description = "Of a rope sling, metres; left out, the bend over its connector is left out, as for a flat one."
    )]
    [Range(0.003, 0.06)]
    [Measure("rope")]
    public double? DiameterM { get; init; }

    [Display(
        Name = "Connector under the sling",
        Description = "What the sling bends over, metres across; left out, 12 mm."
    )]
    [Range(0.005, 0.5)]
    [Measure("length")]
    public double? PinDiameterM { get; init; }

    [Display(
        Name = "Sling ends in",
        Description = "An id of the knot table for a sling that is tied; left out for a sewn or spliced one."
    )]
    public string? KnotId { get; init; }

    public WearMembers? Wear { get; init; }

    [Display(Name = "Sling of the locker")]
    [MaxLength(40)]
    public string? ItemId { get; init; }
}

public enum SlingHitch
{
    Straight,
    Choked,
    Basket,

    /// <summary>Two slings to one connector, each taking its part by the angle between them.</summary>
    TwoSlings,
}
