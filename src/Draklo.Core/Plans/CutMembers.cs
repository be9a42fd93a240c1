using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

public sealed record CutMembers : IDocumentPart
{
    [Display(Name = "Cut above the ground", Description = "Ground to the plane of the cut, metres.")]
    [Range(0.02, 3)]
    [Measure("thickness", Step = 5)]
    public required double StumpHeightM { get; init; }

    [Display(Name = "Diameter at the cut", Description = "At the cut, metres.")]
    [Range(0.05, 5)]
    [Measure("thickness", CanBeMeasured = true)]
    public required double StumpDiameterM { get; init; }

    public required NotchMembers Notch { get; init; }

    [Display(Name = "Hinge thickness", Description = "Metres of wood left between notch and back cut.")]
    [Range(0.005, 0.6)]
    [Measure("thickness")]
    public required double HingeThicknessM { get; init; }

    [Display(
        Name = "Wood holds",
        Description = "How far this wood bends before its hinge lets go, as the crew's own trials say; left out, the table's angles."
    )]
    public OwnHoldMembers? Holds { get; init; }

    [Display(
        Name = "Side lean taken off by the aim",
        Description = "How much of the side lean the aim takes off, 0 to 1; half by default."
    )]
    [Range(0, 1)]
    [Measure("percent", Step = 10)]
    public double AimCorrection { get; init; } = 0.5;

    [Display(
        Name = "Hinge taper, right end thicker by",
        Description = "Thickness of the hinge's right end less that of its left end, metres; the thickness is that of its middle."
    )]
    [Range(-0.3, 0.3)]
    [Measure("thickness")]
    public double HingeTaperM { get; init; }

    [Display(
        Name = "Step above the apex",
        Description = "How far it lies above the notch's apex, metres. Left out: 3 cm over a narrow notch, level with an open one."
    )]
    [Range(0, 0.5)]
    [Measure("thickness", Step = 1, Empty = "as usual for the notch")]
    public double? StepM { get; init; }

    [Display(
        Name = "When the line is tightened",
        Description = "tightFirst: up to the plan before the saw. notchFirst: the notch while the line is slack, then up to the plan, then the back cut. followThePull: a little first, more as the cut goes. presetHinge: to the hinge, everybody out, then all together."
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
    [Measure("thickness", Step = 5, Empty = "not given")]
    public double? BarLengthM { get; init; }

    /// <summary>The step as it is cut, metres.</summary>
    public double StepCutM => StepM ?? (Notch.Style == NotchStyle.Narrow ? UsualStepM : 0);

    private const double UsualStepM = 0.03;
}

/// <summary>When the line is tightened: crews differ, and each way has its trade.</summary>
public enum PullOrder
{
    TightFirst,
    NotchFirst,
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
    [Measure("thickness")]
    public required double ThicknessM { get; init; }

    [Display(
        Name = "Strap toward, off the lay",
        Description = "Degrees clockwise from the lay, seen from the stump's middle: 180 is straight behind."
    )]
    [Range(120, 240)]
    [Measure("angle", Step = 15)]
    public double TowardDeg { get; init; } = 180;
}

public sealed record WedgeMembers : IDocumentPart
{
    [Display(Name = "Wedges side by side")]
    [Range(1, 12)]
    [Measure("count")]
    public int Count { get; init; } = 1;

    [Display(Name = "Wedges on one another", Description = "Wedges on one another.")]
    [Range(1, 3)]
    [Measure("count")]
    public int Stacked { get; init; } = 1;

    [Display(Name = "Lift of one wedge", Description = "Its thickness at the head, metres.")]
    [Range(0.005, 0.15)]
    [Measure("thickness")]
    public double LiftM { get; init; } = 0.025;

    [Display(
        Name = "Driven from, off the lay",
        Description = "Degrees clockwise from the lay, seen from the stump's middle: 180 is straight behind."
    )]
    [Range(100, 260)]
    [Measure("angle", Step = 15)]
    public double FromDeg { get; init; } = 180;

    [Display(Name = "One wedge carries", Description = "Newtons, as its maker says. Left out, it is not judged.")]
    [Range(500, 1_000_000)]
    [Measure("force", Empty = "not given")]
    public double? BearsN { get; init; }
}

public sealed record LashingMembers : IDocumentPart
{
    [Display(Name = "Lashing round", Description = "stem, or fork: round both stems above a union.")]
    public LashingPlace Round { get; init; }

    [Display(
        Name = "Above the cut or the union",
        Description = "Above the cut on a stem, above the union on a fork; metres."
    )]
    [Range(0.1, 30)]
    [Measure("length")]
    public required double HeightM { get; init; }

    [Display(
        Name = "Union, above the ground",
        Description = "Of the fork, above the ground, metres; for a lashing round a fork."
    )]
    [Range(0.2, 60)]
    [Measure("length", Step = 0.5)]
    public double? UnionHeightM { get; init; }

    [Display(
        Name = "Lashing strength",
        Description = "Breaking strength of the strap, newtons; with no more than that on its label the lashing is taken for a third of it."
    )]
    [Range(1000, 1_000_000)]
    [Measure("force")]
    public required double BreakingStrengthN { get; init; }

    [Display(
        Name = "Lashing capacity",
        Description = "As the label says, newtons; left out, a third of the breaking strength. Some crews take half of it where friction helps: enter that here."
    )]
    [Range(300, 1_000_000)]
    [Measure("force", Empty = "a third of its strength")]
    public double? CapacityN { get; init; }
}

public enum LashingPlace
{
    Stem,
    Fork,
}

public sealed record BiteMembers : IDocumentPart
{
    [Display(Name = "Bite, right of the middle", Description = "Its middle, right of the stump's middle, metres.")]
    [Range(-3, 3)]
    [Measure("thickness", Step = 1)]
    public required double RightM { get; init; }

    [Display(Name = "Bite width", Description = "Along the hinge, metres.")]
    [Range(0.005, 3)]
    [Measure("thickness", Step = 1)]
    public required double WidthM { get; init; }
}

public sealed record RotMembers : IDocumentPart
{
    [Display(Name = "Rot, forward of the middle", Description = "Of the stump's middle, along the lay, metres.")]
    [Range(-3, 3)]
    [Measure("thickness", Step = 1)]
    public required double ForwardM { get; init; }

    [Display(Name = "Rot, right of the middle", Description = "Of the stump's middle, metres.")]
    [Range(-3, 3)]
    [Measure("thickness", Step = 1)]
    public required double RightM { get; init; }

    [Display(Name = "Rot across", Description = "Its diameter, metres.")]
    [Range(0.01, 3)]
    [Measure("thickness", Step = 1)]
    public required double AcrossM { get; init; }
}

public sealed record FlareMembers : IDocumentPart
{
    [Display(
        Name = "Flare toward, off the lay",
        Description = "Degrees clockwise from the lay, seen from the stump's middle."
    )]
    [Range(0, 360)]
    [Measure("angle", Step = 15)]
    public required double TowardDeg { get; init; }

    [Display(Name = "Flare runs out", Description = "Beyond the round of the stump, metres.")]
    [Range(0.01, 1)]
    [Measure("thickness", Step = 1)]
    public required double OutM { get; init; }

    [Display(Name = "Flare width", Description = "Where it leaves the round, metres.")]
    [Range(0.02, 2)]
    [Measure("length")]
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
    [Measure("thickness")]
    public required double DepthM { get; init; }

    [Display(Name = "Face notch opening", Description = "Degrees between its two faces.")]
    [Range(10, 120)]
    [Measure("angle", Step = 5)]
    public required double OpeningDeg { get; init; }
}

public enum NotchStyle
{
    Open,
    Narrow,
}
