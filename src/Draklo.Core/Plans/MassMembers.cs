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
    [Display(Name = "Height", Description = "Above the ground, metres.")]
    [Range(0, 120)]
    [Measure("length", Step = 0.5)]
    public required double HeightM { get; init; }

    [Display(Name = "Diameter", Description = "Metres.")]
    [Range(0.01, 5)]
    [Measure("thickness", Step = 1)]
    public required double DiameterM { get; init; }
}

public sealed record KnownMassMembers : IDocumentPart
{
    [Display(Name = "Mass, all above the cut", Description = "Of all above the cut, kilograms.")]
    [Range(5, 100_000)]
    [Measure("mass", Step = 50, CanBeMeasured = true)]
    public required double MassKg { get; init; }

    [Display(Name = "Centre above the ground", Description = "Above the ground, metres.")]
    [Range(0.1, 100)]
    [Measure("length")]
    public required double CentreHeightM { get; init; }

    [Display(
        Name = "Centre north of the stump",
        Description = "North of the stump's middle, metres; negative is south."
    )]
    [Range(-30, 30)]
    [Measure("length")]
    public double NorthM { get; init; }

    [Display(Name = "Centre east of the stump", Description = "East of the stump's middle, metres; negative is west.")]
    [Range(-30, 30)]
    [Measure("length")]
    public double EastM { get; init; }

    [Display(Name = "Mass may be off by", Description = "How far it may be off either way, as a fraction.")]
    [Range(0.01, 0.6)]
    [Measure("percent")]
    public double Spread { get; init; } = 0.15;
}
