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
        Name = "Wood holds",
        Description = "How far this wood bends before its hinge lets go, as the crew's own trials say; left out, the table's angles."
    )]
    public OwnHoldMembers? Holds { get; init; }

    [Display(
        Name = "Aim correction",
        Description = "How much of the side lean the aim takes off, 0 to 1; half by default."
    )]
    [Range(0, 1)]
    public double AimCorrection { get; init; } = 0.5;

    [Display(
        Name = "Hinge taper",
        Description = "Thickness of the hinge's right end less that of its left end, metres; the thickness is that of its middle."
    )]
    [Range(-0.3, 0.3)]
    public double HingeTaperM { get; init; }

    [Display(
        Name = "Step of the back cut",
        Description = "How far it lies above the notch's apex, metres. Left out: 3 cm over a narrow notch, level with an open one."
    )]
    [Range(0, 0.5)]
    public double? StepM { get; init; }

    [Display(
        Name = "When the line is tightened",
        Description = "tightFirst: up to the plan before the saw. followThePull: a little first, more as the cut goes. presetHinge: to the hinge, everybody out, then all together."
    )]
    public PullOrder Order { get; init; }

    [Display(Name = "Back cut", Description = "plain, or bore: bored through behind the hinge, with a strap left.")]
    public BackCutStyle Back { get; init; }

    [Display(Name = "Release strap", Description = "The wood that a bored back cut leaves until the last cut.")]
    public ReleaseStrapMembers? Strap { get; init; }

    public WedgeMembers? Wedges { get; init; }

    [Display(Name = "Lashings", Description = "Straps put round the stem, or round both stems of a fork.")]
    [MaxLength(8)]
    public IReadOnlyList<LashingMembers> Lashings { get; init; } = [];

    [Display(
        Name = "Bites",
        Description = "Stretches of the hinge cut away, as where a short bar goes in at the notch."
    )]
    [MaxLength(6)]
    public IReadOnlyList<BiteMembers> Bites { get; init; } = [];

    [Display(Name = "Rot at the cut", Description = "Where rot stands on the stump.")]
    [MaxLength(8)]
    public IReadOnlyList<RotMembers> Rot { get; init; } = [];

    [Display(
        Name = "Root flares",
        Description = "Where the stump runs out beyond its round. They are no part of the hinge."
    )]
    [MaxLength(8)]
    public IReadOnlyList<FlareMembers> Flares { get; init; } = [];

    [Display(Name = "Bar length", Description = "Of the saw that makes the back cut, metres that cut.")]
    [Range(0.15, 2)]
    public double? BarLengthM { get; init; }

    /// <summary>The step as it is cut, metres.</summary>
    public double StepCutM => StepM ?? (Notch.Style == NotchStyle.Narrow ? UsualStepM : 0);

    private const double UsualStepM = 0.03;
}

/// <summary>When the line is tightened: crews differ, and each way has its trade.</summary>
public enum PullOrder
{
    TightFirst,
    FollowThePull,
    PresetHinge,
}

public enum BackCutStyle
{
    Plain,

    /// <summary>Bored through behind the hinge; the strap is cut last.</summary>
    Bore,
}

public sealed record ReleaseStrapMembers : IDocumentPart
{
    [Display(Name = "Strap thickness", Description = "From the stump's edge inward, metres.")]
    [Range(0.005, 1)]
    public required double ThicknessM { get; init; }

    [Display(
        Name = "Strap toward",
        Description = "Degrees clockwise from the lay, seen from the stump's middle: 180 is straight behind."
    )]
    [Range(120, 240)]
    public double TowardDeg { get; init; } = 180;
}

public sealed record WedgeMembers : IDocumentPart
{
    [Display(Name = "Wedges side by side")]
    [Range(1, 12)]
    public int Count { get; init; } = 1;

    [Display(Name = "Stacked", Description = "Wedges on one another.")]
    [Range(1, 3)]
    public int Stacked { get; init; } = 1;

    [Display(Name = "Lift of a wedge", Description = "Its thickness at the head, metres.")]
    [Range(0.005, 0.15)]
    public double LiftM { get; init; } = 0.025;

    [Display(
        Name = "Driven from",
        Description = "Degrees clockwise from the lay, seen from the stump's middle: 180 is straight behind."
    )]
    [Range(100, 260)]
    public double FromDeg { get; init; } = 180;

    [Display(Name = "A wedge bears", Description = "Newtons, as its maker says. Left out, it is not judged.")]
    [Range(500, 1_000_000)]
    public double? BearsN { get; init; }
}

public sealed record LashingMembers : IDocumentPart
{
    [Display(Name = "Lashing round", Description = "stem, or fork: round both stems above a union.")]
    public LashingPlace Round { get; init; }

    [Display(Name = "Lashing height", Description = "Above the cut on a stem, above the union on a fork; metres.")]
    [Range(0.1, 30)]
    public required double HeightM { get; init; }

    [Display(Name = "Union height", Description = "Of the fork, above the ground, metres; for a lashing round a fork.")]
    [Range(0.2, 60)]
    public double? UnionHeightM { get; init; }

    [Display(
        Name = "Lashing strength",
        Description = "Breaking strength of the strap, newtons; the lashing is taken for half of it."
    )]
    [Range(1000, 1_000_000)]
    public required double BreakingStrengthN { get; init; }
}

public enum LashingPlace
{
    Stem,
    Fork,
}

public sealed record BiteMembers : IDocumentPart
{
    [Display(Name = "Bite at", Description = "Its middle, right of the stump's middle, metres.")]
    [Range(-3, 3)]
    public required double RightM { get; init; }

    [Display(Name = "Bite width", Description = "Along the hinge, metres.")]
    [Range(0.005, 3)]
    public required double WidthM { get; init; }
}

public sealed record RotMembers : IDocumentPart
{
    [Display(Name = "Rot forward", Description = "Of the stump's middle, along the lay, metres.")]
    [Range(-3, 3)]
    public required double ForwardM { get; init; }

    [Display(Name = "Rot right", Description = "Of the stump's middle, metres.")]
    [Range(-3, 3)]
    public required double RightM { get; init; }

    [Display(Name = "Rot across", Description = "Its diameter, metres.")]
    [Range(0.01, 3)]
    public required double AcrossM { get; init; }
}

public sealed record FlareMembers : IDocumentPart
{
    [Display(Name = "Flare toward", Description = "Degrees clockwise from the lay, seen from the stump's middle.")]
    [Range(0, 360)]
    public required double TowardDeg { get; init; }

    [Display(Name = "Flare runs out", Description = "Beyond the round of the stump, metres.")]
    [Range(0.01, 1)]
    public required double OutM { get; init; }

    [Display(Name = "Flare width", Description = "Where it leaves the round, metres.")]
    [Range(0.02, 2)]
    public double WidthM { get; init; } = 0.2;

    [Display(Name = "Trimmed off", Description = "Sawn off before the notch.")]
    public bool Trimmed { get; init; }
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
