using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

/// <summary>A cam or a grip at a turn of the tackle that keeps what has been won.</summary>
public sealed record CaptureMembers : IDocumentPart
{
    [Display(Name = "Held between heaves by", Description = "cam or grip.")]
    public CaptureKind Kind { get; init; }

    [Display(Name = "Rope it holds", Description = "Its number in the arrangement, from 0; the hauled rope is 0.")]
    [Range(0, ComposedMembers.MostRopes - 1)]
    [Measure("count")]
    public int Rope { get; init; }

    [Display(Name = "At turn", Description = "The number of the contact along that rope, from 0 at its hauling end.")]
    [Range(0, ComposedMembers.MostContacts - 1)]
    [Measure("count")]
    public int Contact { get; init; }

    [Display(
        Name = "Cam or grip holds",
        Description = "What it carries before it slips or cuts the rope, newtons. Left out, the plan says it is not known."
    )]
    [Range(500, 200_000)]
    [Measure("force", Empty = "not known")]
    public double? HoldsN { get; init; }
}

public enum CaptureKind
{
    /// <summary>A toothed or smooth cam in the block; it bites only a rope that is hauled in line with it.</summary>
    Cam,

    /// <summary>A cord grip that the block pushes open while hauling.</summary>
    Grip,
}

/// <summary>What holds the line itself while you reset the tackle: a grip or turns, one or the other.</summary>
public sealed record HoldMembers : IDocumentPart
{
    [Display(Name = "Holding grip", Description = "A second friction hitch on the line, fast to the anchor.")]
    public GripMembers? Grip { get; init; }

    [Display(Name = "Holding turns", Description = "The line's tail round a drum at the anchor, held by hand.")]
    public LimiterMembers? Turns { get; init; }
}
