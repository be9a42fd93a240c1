using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Gear;

/// <summary>When a piece flags itself, and who said so.</summary>
public sealed record LockerRules : IDocumentPart
{
    [Display(Name = "Overload share", Description = "A peak above this share of a piece's strength flags it.")]
    [Range(0.05, 1)]
    public double OverloadShare { get; init; } = 0.4;

    [Display(Name = "Age of rope, cord, sling and strap", Description = "Years after which one flags itself.")]
    [Range(1, 40)]
    public double TextileYears { get; init; } = 10;

    [Display(Name = "Months between inspections")]
    [Range(1, 60)]
    public double InspectionMonths { get; init; } = 12;

    [Display(Name = "Set by", Description = "Who chose these.")]
    [MaxLength(60)]
    public string? SetBy { get; init; }
}
