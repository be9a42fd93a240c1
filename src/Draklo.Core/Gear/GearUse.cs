using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Gear;

/// <summary>One day's work of a piece.</summary>
public sealed record GearUse : IDocumentPart
{
    [Display(Name = "Day", Description = "yyyy-MM-dd.")]
    public required string On { get; init; }

    [Display(Name = "Job")]
    [MaxLength(120)]
    public required string Job { get; init; }

    [Display(Name = "Peak load", Description = "Newtons; left out when nobody measured.")]
    [Range(0, 2_000_000)]
    public double? PeakN { get; init; }

    [Display(Name = "Minutes loaded")]
    [Range(0, 1440)]
    public double? Minutes { get; init; }

    [Display(Name = "Knots", Description = "Ids of the knot table that were tied in it.")]
    [MaxLength(8)]
    public IReadOnlyList<string> Knots { get; init; } = [];

    [Display(Name = "Jams", Description = "Knots that needed tools, or blocks that stuck.")]
    [Range(0, 50)]
    public int Jams { get; init; }

    [Display(Name = "Shock", Description = "It was loaded with a jerk.")]
    public bool Shock { get; init; }

    [Display(Name = "Job's id", Description = "Where a job's log booked it.")]
    [MaxLength(40)]
    public string? JobId { get; init; }

    [Display(Name = "Note")]
    [MaxLength(400)]
    public string? Note { get; init; }
}
