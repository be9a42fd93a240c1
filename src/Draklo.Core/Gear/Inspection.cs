using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Gear;

public enum Finding
{
    Glazed,
    Cut,
    Flat,
    Stiff,
    Melted,
    Chemical,
    Abraded,
    Cracked,
    Bent,
    WornGroove,

    /// <summary>A gate or sheave that does not move as it should.</summary>
    Sticks,
    LabelGone,
}

public enum InspectionOutcome
{
    Pass,

    /// <summary>In service, but looked at again before the next load.</summary>
    Watch,
    Quarantine,
    Retire,
}

/// <summary>Somebody looked at a piece.</summary>
public sealed record Inspection : IDocumentPart
{
    [Display(Name = "Day", Description = "yyyy-MM-dd.")]
    public required string On { get; init; }

    [Display(Name = "Looked at by")]
    [MaxLength(60)]
    public required string By { get; init; }

    [Display(Name = "Seen", Description = "What was found; nothing for a piece that is as it should be.")]
    [MaxLength(12)]
    public IReadOnlyList<Finding> Findings { get; init; } = [];

    [Display(Name = "Where", Description = "On the piece.")]
    [MaxLength(120)]
    public string? Where { get; init; }

    [Display(Name = "Flawed at", Description = "Of a rope: metres from end a where the load should not run.")]
    [Range(0, 500)]
    public double? AtM { get; init; }

    [Display(
        Name = "Cut off end a",
        Description = "Of a rope: metres taken off; what is left is counted from the new end."
    )]
    [Range(0.05, 500)]
    public double? CutFromAM { get; init; }

    [Display(Name = "Cut off end b", Description = "Of a rope: metres taken off.")]
    [Range(0.05, 500)]
    public double? CutFromBM { get; init; }

    [Display(Name = "Job's id", Description = "Where a job's log asked for it.")]
    [MaxLength(40)]
    public string? JobId { get; init; }

    [Display(Name = "What follows")]
    public InspectionOutcome Outcome { get; init; }

    [Display(Name = "Worn to", Description = "The fraction of its strength that is left.")]
    [Range(0.3, 1)]
    public double? Keeps { get; init; }

    [Display(Name = "Note")]
    [MaxLength(400)]
    public string? Note { get; init; }
}
