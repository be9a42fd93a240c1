using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

public sealed record MassMembers : IDocumentPart
{
    [Display(
        Name = "Mass by",
        Description = "form: from height, diameter and taper; sections: from diameters measured up the stem; known: weighed, or known otherwise."
    )]
    public MassMethod Method { get; init; }

    [Display(
        Name = "Sections",
        Description = "Diameters at heights, from below upward; used when the mass is by sections."
    )]
    [MaxLength(20)]
    public IReadOnlyList<SectionMembers> Sections { get; init; } = [];

    [Display(Name = "Known mass", Description = "Used when the mass is known.")]
    public KnownMassMembers? Known { get; init; }
}

public enum MassMethod
{
    Form,
    Sections,
    Known,
}

public sealed record SectionMembers : IDocumentPart
{
    [Display(Name = "Height of the diameter", Description = "Above the ground, metres.")]
    [Range(0, 120)]
    public required double HeightM { get; init; }

    [Display(Name = "Diameter of the section", Description = "Metres.")]
    [Range(0.01, 5)]
    public required double DiameterM { get; init; }
}

public sealed record KnownMassMembers : IDocumentPart
{
    [Display(Name = "Mass", Description = "Of all above the cut, kilograms.")]
    [Range(5, 100_000)]
    public required double MassKg { get; init; }

    [Display(Name = "Centre height", Description = "Above the ground, metres.")]
    [Range(0.1, 100)]
    public required double CentreHeightM { get; init; }

    [Display(Name = "Centre north", Description = "North of the stump's middle, metres; negative is south.")]
    [Range(-30, 30)]
    public double NorthM { get; init; }

    [Display(Name = "Centre east", Description = "East of the stump's middle, metres; negative is west.")]
    [Range(-30, 30)]
    public double EastM { get; init; }

    [Display(Name = "Spread of the mass", Description = "How far it may be off either way, as a fraction.")]
    [Range(0.01, 0.6)]
    public double Spread { get; init; } = 0.15;
}
