using System.ComponentModel.DataAnnotations;

namespace Draklo.Core.Plans;

public sealed record TreeMembers
{
    [Display(Name = "Species", Description = "An id of the species catalogue; it fills the wood unless wood is given.")]
    public string? SpeciesId { get; init; }

    public WoodMembers? Wood { get; init; }

    [Display(Name = "Soundness", Description = "1 for sound wood; scales its strength and stiffness.")]
    [Range(0.2, 1)]
    public double Soundness { get; init; } = 1;

    [Display(Name = "Height", Description = "Ground to top, metres.")]
    [Range(2, 120)]
    public required double HeightM { get; init; }

    [Display(Name = "Diameter at breast height", Description = "At 1.3 m, metres.")]
    [Range(0.05, 5)]
    public required double DbhM { get; init; }

    [Display(Name = "Taper exponent", Description = "0.5 a full stem, 0.7 ordinary, 1 a cone.")]
    [Range(0.3, 1.5)]
    public double TaperExponent { get; init; } = 0.7;

    public required LeanMembers Lean { get; init; }

    public required CrownMembers Crown { get; init; }

    public MassMembers Mass { get; init; } = new();
}

/// <summary>The wood's own figures, where they are better known than the catalogue's.</summary>
public sealed record WoodMembers
{
    [Display(Name = "Green density", Description = "Kilograms per cubic metre as felled.")]
    [Range(300, 1500)]
    public required double GreenDensityKgM3 { get; init; }

    [Display(Name = "Bending strength", Description = "Green modulus of rupture, megapascals.")]
    [Range(10, 150)]
    public required double BendingStrengthMPa { get; init; }

    [Display(Name = "Stiffness", Description = "Green modulus of elasticity, gigapascals.")]
    [Range(1, 25)]
    public required double StiffnessGPa { get; init; }

    [Display(Name = "Hinge class", Description = "How far the wood bends before a hinge lets go.")]
    public HingeClass HingeClass { get; init; } = HingeClass.Fair;
}

public enum HingeClass
{
    Brittle,
    Fair,
    Strong,
}

public sealed record LeanMembers
{
    [Display(Name = "Lean", Description = "Degrees off plumb; for a swept stem, of the sight line from stump to top.")]
    [Range(0, 45)]
    public required double AngleDeg { get; init; }

    [Display(Name = "Lean toward", Description = "The bearing the tree leans to.")]
    [Range(0, 360)]
    public required double BearingDeg { get; init; }

    [Display(Name = "Shape of the lean", Description = "straight, or swept: upright below, bent above.")]
    public LeanShape Shape { get; init; }
}

public enum LeanShape
{
    Straight,
    Swept,
}

public sealed record CrownMembers
{
    [Display(Name = "Crown base", Description = "Height of the lowest live branches, metres.")]
    [Range(0, 100)]
    public required double BaseHeightM { get; init; }

    [Display(Name = "Crown ratio", Description = "Mass of the crown over mass of the stem.")]
    [Range(0, 1.5)]
    public required double MassRatio { get; init; }

    [Display(Name = "Crown centre", Description = "Where the crown's mass acts between its base (0) and the top (1); left out, 0.45 for broadleaves and 0.35 for conifers.")]
    [Range(0.1, 0.9)]
    public double? CentreFraction { get; init; }

    public required ReachMembers ReachM { get; init; }
}

/// <summary>How far the crown reaches from the stem line, metres.</summary>
public sealed record ReachMembers
{
    [Display(Name = "Reach north")]
    [Range(0, 30)]
    public required double North { get; init; }

    [Display(Name = "Reach east")]
    [Range(0, 30)]
    public required double East { get; init; }

    [Display(Name = "Reach south")]
    [Range(0, 30)]
    public required double South { get; init; }

    [Display(Name = "Reach west")]
    [Range(0, 30)]
    public required double West { get; init; }
}

public sealed record MassMembers
{
    [Display(Name = "Mass by", Description = "form: from height, diameter and taper.")]
    public MassMethod Method { get; init; }
}

public enum MassMethod
{
    Form,
}
