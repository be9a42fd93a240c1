using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

/// <summary>A tackle of the crew's own: stages that haul one another, or points and ropes, one or the other.</summary>
public sealed record ComposedMembers : IDocumentPart
{
    public const int MostPoints = 40;
    public const int MostRopes = 20;
    public const int MostContacts = 60;

    [Display(Name = "Name of the tackle", Description = "Left out, it is named after its stages.")]
    [MaxLength(60)]
    public string? Name { get; init; }

    [Display(Name = "Stages", Description = "From the hands to the line, each hauling the next.")]
    [MaxLength(6)]
    public IReadOnlyList<StageMembers> Stages { get; init; } = [];

    [Display(
        Name = "Points of the tackle",
        Description = "For a tackle put together rope by rope: one load, one hand, a fixed point called anchor, and what else it takes."
    )]
    [MaxLength(MostPoints)]
    public IReadOnlyList<ComposedPointMembers> Points { get; init; } = [];

    [Display(
        Name = "Ropes of the tackle",
        Description = "Each followed from its hauling end; exactly one starts at the hand."
    )]
    [MaxLength(MostRopes)]
    public IReadOnlyList<ComposedRopeMembers> Ropes { get; init; } = [];
}

public sealed record StageMembers : IDocumentPart
{
    [Display(Name = "Stage", Description = "direct, redirect, two, three, four, five, ropeLoop or betweenGrips.")]
    public required StageKind Kind { get; init; }

    [Display(
        Name = "Turns of the stage",
        Description = "Ids of the contact table, from the hauling end; where one is left out, the tackle's own is used."
    )]
    [MaxLength(4)]
    public IReadOnlyList<string> ContactIds { get; init; } = [];

    [Display(
        Name = "Legs apart",
        Description = "Angle between the outermost legs where they do not run side by side, degrees; each is taken at half of it."
    )]
    [Range(0, 120)]
    [Measure("angle", Step = 5)]
    public double LegsApartDeg { get; init; }
}

public enum StageKind
{
    /// <summary>The line itself, or the rope of the next stage.</summary>
    Direct,

    /// <summary>One turn at the anchor: first at the hands, or last on the line itself.</summary>
    Redirect,

    /// <summary>A moving block.</summary>
    Two,

    /// <summary>A moving block and one at the anchor.</summary>
    Three,

    /// <summary>Two turns on the moving block, one at the anchor.</summary>
    Four,

    /// <summary>Twin blocks.</summary>
    Five,

    /// <summary>A three rove through a loop in the rope itself.</summary>
    RopeLoop,

    /// <summary>
    /// The line turns at the anchor and the stage before draws its two legs together by a grip on each; last only.
    /// </summary>
    BetweenGrips,
}

public sealed record ComposedPointMembers : IDocumentPart
{
    [Display(Name = "Name of the point")]
    [RegularExpression(Ids.Pattern)]
    public required string Id { get; init; }

    [Display(Name = "Place on the axis", Description = "Along the haul axis, any unit; only the order counts.")]
    [Range(-1000, 1000)]
    [Measure("ratio", Step = 1)]
    public required double Position { get; init; }

    [Display(Name = "Kind of point", Description = "fixed, moving, load or hand.")]
    public required PointKind Kind { get; init; }
}

public sealed record ComposedRopeMembers : IDocumentPart
{
    [Display(Name = "Rope from", Description = "The point at its hauling end.")]
    [MaxLength(32)]
    public required string From { get; init; }

    [Display(Name = "Contacts", Description = "The points it runs to, in order; the last is where it is made fast.")]
    [MaxLength(ComposedMembers.MostContacts)]
    public required IReadOnlyList<ComposedContactMembers> Contacts { get; init; }
}

public sealed record ComposedContactMembers : IDocumentPart
{
    [Display(Name = "Runs to")]
    [MaxLength(32)]
    public required string Point { get; init; }

    [Display(
        Name = "Turns at",
        Description = "An id of the contact table; left out, the tackle's own. Not where the rope is made fast."
    )]
    [MaxLength(40)]
    public string? ContactId { get; init; }

    [Display(
        Name = "Leg off the axis",
        Description = "How far the leg that runs to it lies off the haul axis, degrees; its cosine is what is left of its pull."
    )]
    [Range(0, 80)]
    [Measure("angle", Step = 5)]
    public double OffAxisDeg { get; init; }
}

/// <summary>A composed tackle that the crew keeps, to hang on its plans.</summary>
public sealed record OwnTackle : IDocumentPart
{
    [Display(Name = "Id of the tackle")]
    [RegularExpression(Ids.Pattern)]
    public required string Id { get; init; }

    public required ComposedMembers Tackle { get; init; }
}

public enum PointKind
{
    /// <summary>Held by the ground: takes what comes.</summary>
    Fixed,

    /// <summary>Free: its legs are in balance.</summary>
    Moving,

    /// <summary>Where the tackle pulls the line.</summary>
    Load,

    /// <summary>Where it is hauled, with a force of 1.</summary>
    Hand,
}
