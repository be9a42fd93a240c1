using System.ComponentModel.DataAnnotations;
using Draklo.Core.Catalogue;

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

    [Display(Name = "Decay reading", Description = "Left out when nobody has looked inside the stem.")]
    public DecayMembers? Decay { get; init; }

    public ConditionMembers Condition { get; init; } = new();
}

/// <summary>What a probe or a bore found.</summary>
public sealed record DecayMembers
{
    [Display(Name = "Sound shell", Description = "Thickness of the sound wood outside the rot, metres.")]
    [Range(0, 2.5)]
    public required double ShellM { get; init; }

    [Display(Name = "Diameter there", Description = "Of the stem where it was probed, without bark, metres.")]
    [Range(0.05, 5)]
    public required double DiameterM { get; init; }
}

/// <summary>What was seen on the tree.</summary>
public sealed record ConditionMembers
{
    [Display(Name = "Dead", Description = "Dead or dying: dry wood breaks short and a hinge of it holds little.")]
    public bool Dead { get; init; }

    [Display(Name = "Cracked", Description = "A crack in the stem or in a fork that carries the line.")]
    public bool Cracked { get; init; }

    [Display(Name = "Roots lifted", Description = "Roots lifted, cut or rotten.")]
    public bool RootsLifted { get; init; }
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

    [Display(
        Name = "Crown centre",
        Description = "Where the crown's mass acts between its base (0) and the top (1); left out, 0.45 for broadleaves and 0.35 for conifers."
    )]
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
    [Display(
        Name = "Mass by",
        Description = "form: from height, diameter and taper; sections: from diameters measured up the stem; known: weighed or told."
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

public sealed record SectionMembers
{
    [Display(Name = "Height of the diameter", Description = "Above the ground, metres.")]
    [Range(0, 120)]
    public required double HeightM { get; init; }

    [Display(Name = "Diameter of the section", Description = "Metres.")]
    [Range(0.01, 5)]
    public required double DiameterM { get; init; }
}

public sealed record KnownMassMembers
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
