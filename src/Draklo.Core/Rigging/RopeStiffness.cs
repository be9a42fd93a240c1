using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Rigging;

/// <summary>What a rope's stretch follows from.</summary>
public sealed record RiggingRope : IDocumentPart
{
    [Display(Name = "Rope strength", Description = "Breaking strength new and without knots, newtons.")]
    [Range(500, 1_000_000)]
    public required double BreakingStrengthN { get; init; }

    [Display(Name = "Stretch", Description = "Lengthening at a tenth of the breaking strength, as a fraction.")]
    [Range(0.001, 0.3)]
    public required double StretchAtTenPercent { get; init; }

    /// <summary>Force for a stretch of its whole length, N: EA = 0.1 · MBS / ε10.</summary>
    public double AxialStiffnessN() => 0.1 * BreakingStrengthN / StretchAtTenPercent;
}
