using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

/// <summary>A cord wound on the line so that it holds by friction.</summary>
public sealed record GripMembers : IDocumentPart
{
    [Display(Name = "Grip", Description = "An id of the grip table.")]
    public required string GripId { get; init; }

    [Display(
        Name = "Creeps at, by own trials",
        Description = "Where it began to slip in the crew's own trials, newtons; left out, the table's low figure."
    )]
    [Range(500, 60_000)]
    [Measure("force", Empty = "by the table")]
    public double? SlipN { get; init; }

    [Display(
        Name = "Cord breaks at",
        Description = "Breaking strength of one leg of its cord, newtons. Left out, the plan says it is not known."
    )]
    [Range(500, 200_000)]
    [Measure("force", Step = 1, Empty = "not known")]
    public double? CordStrengthN { get; init; }

    [Display(Name = "Cord diameter", Description = "Metres.")]
    [Range(0.003, 0.02)]
    [Measure("rope", Empty = "not known")]
    public double? CordDiameterM { get; init; }

    [Display(Name = "Cord ends in", Description = "An id of the knot table: what closes the loop or makes the eyes.")]
    public string EndKnotId { get; init; } = "double-fisherman";

    public WearMembers? Wear { get; init; }

    [Display(Name = "Grip of the locker")]
    [MaxLength(40)]
    public string? ItemId { get; init; }
}

/// <summary>Carabiners or shackles side by side.</summary>
public sealed record ConnectorMembers : IDocumentPart
{
    [Display(
        Name = "One connector breaks at",
        Description = "Breaking strength of one, newtons. Left out, the plan says it is not known."
    )]
    [Range(500, 1_000_000)]
    [Measure("force", Step = 1, Empty = "not known")]
    public double? StrengthN { get; init; }

    [Display(Name = "Side by side", Description = "One, or two that share the load and bend what runs over them less.")]
    [Range(1, 2)]
    [Measure("count")]
    public int Count { get; init; } = 1;

    [Display(Name = "Connector of the locker")]
    [MaxLength(40)]
    public string? ItemId { get; init; }
}
