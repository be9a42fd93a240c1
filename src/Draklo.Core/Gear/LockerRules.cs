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

    [Display(
        Name = "Retire share",
        Description = "A peak above this share of a piece's strength proposes to retire it."
    )]
    [Range(0.1, 1)]
    public double RetireShare { get; init; } = 0.6;

    [Display(Name = "Uses between inspections", Description = "Days of work after which a piece is looked at.")]
    [Range(1, 500)]
    public int InspectionUses { get; init; } = 40;

    [Display(Name = "Set by", Description = "Who chose these.")]
    [MaxLength(60)]
    public string? SetBy { get; init; }
}
