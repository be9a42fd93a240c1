using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

/// <summary>The day's work: when it begins, what it costs, and where the crew's own minutes differ from the table's.</summary>
public sealed record WorkMembers : IDocumentPart
{
    [Display(Name = "Begins at", Description = "Local time, as in 08:00.")]
    [MaxLength(5)]
    public string StartsAt { get; init; } = "08:00";

    [Display(Name = "Wage, a person an hour", Description = "A person an hour, in the crew's own money.")]
    [Range(0, 10_000)]
    [Measure("ratio", Empty = "not said")]
    public double? WageAnHour { get; init; }

    [Display(Name = "Hire for the day", Description = "For the day, all of it together.")]
    [Range(0, 1_000_000)]
    [Measure("ratio", Empty = "none")]
    public double? Hire { get; init; }

    [Display(Name = "Money", Description = "As it is written after a sum.")]
    [MaxLength(8)]
    public string Money { get; init; } = "";

    [Display(
        Name = "Logs to move",
        Description = "How many loads go to the truck or the landing; left out, counted at 180 kg each."
    )]
    [Range(0, 500)]
    [Measure("count", Empty = "by weight")]
    public int? Loads { get; init; }

    [Display(
        Name = "Tasks",
        Description = "What the crew says of tasks: one whose id is drawn up from the plan takes its place, others are added."
    )]
    [MaxLength(40)]
    public IReadOnlyList<TaskMembers> Tasks { get; init; } = [];
}

public sealed record TaskMembers : IDocumentPart
{
    [Display(Name = "Task", Description = "Short name, different for each.")]
    [RegularExpression(Ids.Pattern)]
    public required string Id { get; init; }

    [Display(Name = "What is done", Description = "Left out, as drawn up.")]
    [MaxLength(80)]
    public string? Name { get; init; }

    [Display(Name = "At least", Description = "Minutes.")]
    [Range(0, 1440)]
    [Measure("ratio")]
    public double? LowMin { get; init; }

    [Display(Name = "Likely", Description = "Minutes.")]
    [Range(0, 1440)]
    [Measure("ratio")]
    public double? LikelyMin { get; init; }

    [Display(Name = "At most", Description = "Minutes.")]
    [Range(0, 1440)]
    [Measure("ratio")]
    public double? HighMin { get; init; }

    [Display(Name = "People", Description = "How many it takes.")]
    [Range(1, 20)]
    [Measure("count")]
    public int? People { get; init; }

    [Display(Name = "After", Description = "Ids of what must be done first.")]
    [MaxLength(20)]
    public IReadOnlyList<string>? After { get; init; }

    [Display(Name = "Left out", Description = "Not done on this job.")]
    public bool LeftOut { get; init; }
}
