using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

public enum SplitTendency
{
    Low,
    Medium,
    High,
}

public enum Habit
{
    Broadleaf,
    Conifer,
}

/// <summary>The wood's own figures, where they are better known than the catalogue's.</summary>
public sealed record WoodMembers : IDocumentPart
{
    [Display(Name = "Green density", Description = "Kilograms per cubic metre as felled.")]
    [Range(300, 1500)]
    [Measure("density")]
    public required double GreenDensityKgM3 { get; init; }

    [Display(Name = "Bending strength", Description = "Green modulus of rupture, megapascals.")]
    [Range(10, 150)]
    [Measure("strength")]
    public required double BendingStrengthMPa { get; init; }

    [Display(Name = "Stiffness", Description = "Green modulus of elasticity, gigapascals.")]
    [Range(1, 25)]
    [Measure("stiffness")]
    public required double StiffnessGPa { get; init; }

    [Display(Name = "Hinge class", Description = "How far the wood bends before a hinge lets go.")]
    public HingeClass HingeClass { get; init; } = HingeClass.Fair;

    [Display(Name = "Splits", Description = "Tendency to split up the stem; left out, the species' own, or medium.")]
    public SplitTendency? Splits { get; init; }

    [Display(Name = "Habit", Description = "broadleaf or conifer; left out, the species' own, or broadleaf.")]
    public Habit? Habit { get; init; }
}

public enum HingeClass
{
    Brittle,
    Fair,
    Strong,
}
