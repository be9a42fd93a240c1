using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

public sealed record CutMembers : IDocumentPart
{
    [Display(Name = "Stump height", Description = "Ground to the plane of the cut, metres.")]
    [Range(0.02, 3)]
    public required double StumpHeightM { get; init; }

    [Display(Name = "Stump diameter", Description = "At the cut, metres.")]
    [Range(0.05, 5)]
    public required double StumpDiameterM { get; init; }

    public required NotchMembers Notch { get; init; }

    [Display(Name = "Hinge thickness", Description = "Metres of wood left between notch and back cut.")]
    [Range(0.005, 0.6)]
    public required double HingeThicknessM { get; init; }

    [Display(
        Name = "Aim correction",
        Description = "How much of the side lean the aim takes off, 0 to 1; half by default."
    )]
    [Range(0, 1)]
    public double AimCorrection { get; init; } = 0.5;
}

public sealed record NotchMembers : IDocumentPart
{
    [Display(Name = "Notch", Description = "open or narrow.")]
    public NotchStyle Style { get; init; }

    [Display(Name = "Face notch depth", Description = "Front face to apex, metres.")]
    [Range(0.01, 2)]
    public required double DepthM { get; init; }

    [Display(Name = "Face notch opening", Description = "Degrees between its two faces.")]
    [Range(10, 120)]
    public required double OpeningDeg { get; init; }
}

public enum NotchStyle
{
    Open,
    Narrow,
}
