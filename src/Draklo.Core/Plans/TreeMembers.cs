using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

public sealed record TreeMembers : IDocumentPart
{
    [Display(Name = "Species", Description = "An id of the species catalogue; it fills the wood unless wood is given.")]
    public string? SpeciesId { get; init; }

    public WoodMembers? Wood { get; init; }

    [Display(Name = "Soundness, 1 is sound", Description = "1 for sound wood; scales its strength and stiffness.")]
    [Range(0.2, 1)]
    [Measure("ratio", CanBeMeasured = true)]
    public double Soundness { get; init; } = 1;

    [Display(Name = "Height", Description = "Ground to top, metres.")]
    [Range(2, 120)]
    [Measure("length", Step = 0.5, CanBeMeasured = true)]
    public required double HeightM { get; init; }

    [Display(Name = "Breast diameter", Description = "At 1.3 m, metres.")]
    [Range(0.05, 5)]
    [Measure("thickness", CanBeMeasured = true)]
    public required double DbhM { get; init; }

    [Display(Name = "Taper: 0.5 full, 1 cone", Description = "0.5 a full stem, 0.7 ordinary, 1 a cone.")]
    [Range(0.3, 1.5)]
    [Measure("ratio")]
    public double TaperExponent { get; init; } = 0.7;

    public required LeanMembers Lean { get; init; }

    public required CrownMembers Crown { get; init; }

    public MassMembers Mass { get; init; } = new();

    [Display(Name = "Decay reading", Description = "Left out when nobody has looked inside the stem.")]
    public DecayMembers? Decay { get; init; }

    public ConditionMembers Condition { get; init; } = new();

    [Display(
        Name = "Crew's own factor on the pull",
        Description = "Tension read over tension predicted on the crew's jobs; it multiplies the planned tension. Under 1 only from five jobs on, over 1 from two."
    )]
    [Range(0.7, 1.4)]
    [Measure("ratio")]
    public double? PullFactor { get; init; }
}

/// <summary>What a probe or a bore found.</summary>
public sealed record DecayMembers : IDocumentPart
{
    [Display(Name = "Sound shell", Description = "Thickness of the sound wood outside the rot, metres.")]
    [Range(0, 2.5)]
    [Measure("thickness", CanBeMeasured = true)]
    public required double ShellM { get; init; }

    [Display(Name = "Diameter there", Description = "Of the stem where it was probed, without bark, metres.")]
    [Range(0.05, 5)]
    [Measure("thickness", CanBeMeasured = true)]
    public required double DiameterM { get; init; }
}

/// <summary>What was seen on the tree.</summary>
public sealed record ConditionMembers : IDocumentPart
{
    [Display(
        Name = "Dead or dying",
        Description = "Dead or dying: dry wood breaks short and a hinge of it holds little."
    )]
    public bool Dead { get; init; }

    [Display(Name = "Cracked stem or fork", Description = "A crack in the stem or in a fork that carries the line.")]
    public bool Cracked { get; init; }

    [Display(
        Name = "Crack judged by",
        Description = "Who looked at the crack, lashed above and below, and answers for it by name."
    )]
    [MaxLength(60)]
    public string? CrackJudgedBy { get; init; }

    [Display(Name = "Roots lifted, cut or rotten", Description = "Roots lifted, cut or rotten.")]
    public bool RootsLifted { get; init; }
}

public sealed record LeanMembers : IDocumentPart
{
    [Display(
        Name = "Lean off plumb",
        Description = "Degrees off plumb; for a swept stem, of the sight line from stump to top."
    )]
    [Range(0, 45)]
    [Measure("angle", Step = 0.5, CanBeMeasured = true)]
    public required double AngleDeg { get; init; }

    [Display(Name = "Lean toward", Description = "The bearing the tree leans to.")]
    [Range(0, 360)]
    [Measure("angle", Step = 5, CanBeMeasured = true)]
    public required double BearingDeg { get; init; }

    [Display(Name = "Shape of the lean", Description = "straight, or swept: upright below, bent above.")]
    public LeanShape Shape { get; init; }
}

public enum LeanShape
{
    Straight,
    Swept,
}

public sealed record CrownMembers : IDocumentPart
{
    [Display(Name = "Lowest branches", Description = "Height of the lowest live branches, metres.")]
    [Range(0, 100)]
    [Measure("length", Step = 0.5, CanBeMeasured = true)]
    public required double BaseHeightM { get; init; }

    [Display(Name = "Crown over stem", Description = "Mass of the crown over mass of the stem.")]
    [Range(0, 1.5)]
    [Measure("ratio", CanBeMeasured = true)]
    public required double MassRatio { get; init; }

    [Display(
        Name = "Crown centre",
        Description = "Where the crown's mass acts between its base (0) and the top (1); left out, 0.45 for broadleaves and 0.35 for conifers."
    )]
    [Range(0.1, 0.9)]
    [Measure("ratio")]
    public double? CentreFraction { get; init; }

    public required ReachMembers ReachM { get; init; }
}

/// <summary>How far the crown reaches from the stem line, metres.</summary>
public sealed record ReachMembers : IDocumentPart
{
    [Display(Name = "Reach north")]
    [Range(0, 30)]
    [Measure("length", CanBeMeasured = true)]
    public required double North { get; init; }

    [Display(Name = "Reach east")]
    [Range(0, 30)]
    [Measure("length", CanBeMeasured = true)]
    public required double East { get; init; }

    [Display(Name = "Reach south")]
    [Range(0, 30)]
    [Measure("length", CanBeMeasured = true)]
    public required double South { get; init; }

    [Display(Name = "Reach west")]
    [Range(0, 30)]
    [Measure("length", CanBeMeasured = true)]
    public required double West { get; init; }
}
