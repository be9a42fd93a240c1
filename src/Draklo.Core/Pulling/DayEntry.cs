using System.ComponentModel.DataAnnotations;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Core.Pulling;

/// <summary>Something that a crew said or read on the day, as it is sent.</summary>
public sealed record EntryDocument : IDocumentPart
{
    [Display(Name = "Key", Description = "Made by whoever sends it: the same key twice is the same entry.")]
    [RegularExpression(Ids.KeyPattern, ErrorMessage = Ids.KeyFault)]
    public required string Key { get; init; }

    public required EntryKind Kind { get; init; }

    [Display(Name = "Step", Description = "The step that the sender saw.")]
    public required PullStep Step { get; init; }

    [Display(Name = "To", Description = "For a move: the step to go to.")]
    public PullStep? To { get; init; }

    [Display(Name = "Line", Description = "Id of the line that it is about.")]
    [MaxLength(32)]
    public string? LineId { get; init; }

    [Display(Name = "By", Description = "Who said so.")]
    [MaxLength(60)]
    public required string By { get; init; }

    [Display(Name = "Because", Description = "Why the crew continues although something holds it, or why it stops.")]
    [MaxLength(200)]
    public string? Because { get; init; }

    [Display(Name = "Entry", Description = "For an undo: the number of the entry that no longer counts.")]
    [Range(1, 1_000_000_000)]
    public long? Undoes { get; init; }

    [Display(
        Name = "Said so long ago",
        Description = "Seconds since it was said, where it waited at a tablet out of range; left out, it is said now."
    )]
    [Range(0, 30 * 86_400)]
    public double? AgoS { get; init; }

    public TensionDocument? Tension { get; init; }

    public WatchedDocument? Seen { get; init; }
}

public enum EntryKind
{
    /// <summary>A tension, by whatever way.</summary>
    Reading,

    /// <summary>What somebody watches.</summary>
    Seen,

    /// <summary>On to another step.</summary>
    Move,

    /// <summary>Everybody stops.</summary>
    Stop,

    /// <summary>On again after a stop.</summary>
    Resume,

    /// <summary>An earlier entry no longer counts.</summary>
    Undo,

    /// <summary>The plan was changed on the spot.</summary>
    Changed,

    /// <summary>From the first step again; what was is kept.</summary>
    Again,

    /// <summary>A load of the clearing is where it goes.</summary>
    Load,
}

public enum TensionWay
{
    Cell,
    People,
    Sideways,
    Pluck,
}

/// <summary>How a tension was found out.</summary>
public sealed record TensionDocument : IDocumentPart
{
    public required TensionWay Way { get; init; }

    [Display(Name = "Load cell", Description = "What it reads at the tree, newtons.")]
    [Range(0, 2_000_000)]
    public double? ReadN { get; init; }

    [Display(
        Name = "Simulated",
        Description = "Read by an instrument that only stands in for one: it counts on the day and is never booked or learned."
    )]
    public bool Simulated { get; init; }

    [Display(Name = "People hauling")]
    [Range(1, 30)]
    public int? People { get; init; }

    [Display(Name = "Each of them", Description = "Newtons that one keeps up; left out, as planned.")]
    [Range(10, 2000)]
    public double? EachN { get; init; }

    [Display(Name = "Sideways force", Description = "Square to the line at mid-span, newtons.")]
    [Range(1, 5000)]
    public double? ForceN { get; init; }

    [Display(Name = "It gives", Description = "How far the line gives there, metres.")]
    [Range(0.02, 10)]
    public double? GivesM { get; init; }

    [Display(Name = "Returns", Description = "How often the pluck came back.")]
    [Range(2, 200)]
    public int? Returns { get; init; }

    [Display(Name = "Time of the returns", Description = "Seconds for all of them together.")]
    [Range(0.3, 300)]
    public double? Seconds { get; init; }

    [Display(
        Name = "Length between the held ends",
        Description = "Metres; left out, from the seat to the first fixed point."
    )]
    [Range(1, 300)]
    public double? LengthM { get; init; }

    [Display(Name = "Line weighs", Description = "Kilograms a metre; left out, from its diameter.")]
    [Range(0.005, 5)]
    public double? KgPerM { get; init; }
}

/// <summary>What is watched. Left out: nobody looked.</summary>
public sealed record WatchedDocument : IDocumentPart
{
    [Display(Name = "Legs not crossed, stopper tied")]
    public bool? Rigged { get; init; }

    [Display(Name = "Line bedded on the stem")]
    public bool? Bedded { get; init; }

    [Display(Name = "Small wood broke")]
    public bool? WoodBroke { get; init; }

    [Display(Name = "Foot lifted")]
    public bool? FootLifted { get; init; }

    [Display(Name = "Moved aside")]
    public bool? MovedAside { get; init; }

    [Display(Name = "Hinge cracked")]
    public bool? HingeCracked { get; init; }

    [Display(Name = "A line rubs")]
    public bool? Rubs { get; init; }

    [Display(Name = "The faller is out", Description = "On the way out, clear of the tree; from the back cut on.")]
    public bool? FallerOut { get; init; }

    [Display(
        Name = "The seat came",
        Description = "Toward the lay since the line was slack, metres; less than 0 is back."
    )]
    [Range(-5, 30)]
    public double? CameM { get; init; }

    [Display(Name = "Anchor mark moved", Description = "Metres, all together.")]
    [Range(0, 5)]
    public double? AnchorMovedM { get; init; }

    [Display(Name = "Grip crept", Description = "Metres along the line, all together.")]
    [Range(0, 20)]
    public double? GripCreptM { get; init; }

    [Display(Name = "Lean", Description = "How far the tree has turned since the line was slack, degrees.")]
    [Range(-10, 100)]
    public double? LeanDeg { get; init; }

    [Display(Name = "Hauled", Description = "Rope that the hands took in during the pull, metres.")]
    [Range(0, 500)]
    public double? HauledM { get; init; }
}

/// <summary>An entry as it is kept: the moment it was made it has its number and its time.</summary>
/// <param name="At">Of the server's clock.</param>
/// <param name="TensionN">What a reading comes to, in the line at the tree; null for other entries.</param>
/// <param name="Revision">Of the job, when it was made.</param>
public sealed record DayEntry(long Number, string At, EntryDocument Entry, Spread? TensionN, int Revision);
