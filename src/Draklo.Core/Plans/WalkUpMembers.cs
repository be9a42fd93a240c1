using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

/// <summary>One thing to look at before anything is cut.</summary>
public sealed record WalkUpMembers : IDocumentPart
{
    [Display(Name = "Id of the point", Description = "Short name, different for each.")]
    [RegularExpression(Ids.Pattern)]
    public required string Id { get; init; }

    [Display(Name = "What to look at")]
    [MaxLength(200)]
    public required string Text { get; init; }

    [Display(Name = "Must", Description = "Whether the plan is held at check until it is ticked.")]
    public bool Must { get; init; }

    [Display(Name = "Ticked by")]
    [MaxLength(60)]
    public string? TickedBy { get; init; }

    [Display(Name = "Ticked at", Description = "Date and time with its offset.")]
    [MaxLength(40)]
    public string? TickedAt { get; init; }
}
