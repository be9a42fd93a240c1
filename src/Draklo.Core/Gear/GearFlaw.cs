using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Gear;

/// <summary>A spot of a rope that is not as it should be. Metres are counted from end a.</summary>
public sealed record GearFlaw : IDocumentPart
{
    [Display(Name = "At", Description = "Metres from end a.")]
    [Range(0, 500)]
    public required double AtM { get; init; }

    [Display(Name = "What is wrong there")]
    [MaxLength(120)]
    public required string What { get; init; }
}
