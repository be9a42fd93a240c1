using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

/// <summary>Where a line sits in the tree.</summary>
public sealed record SeatMembers : IDocumentPart
{
    [Display(Name = "Seat above ground", Description = "Above the ground at the stump, metres.")]
    [Range(0.5, 120)]
    [Measure("length", CanBeMeasured = true)]
    public required double HeightM { get; init; }

    [Display(Name = "Seat on", Description = "stem, union or limb.")]
    public SeatKind On { get; init; }

    [Display(
        Name = "Limb",
        Description = "The limb that the line lies on, for a seat on a union or a limb. Left out, the plan says it is not known."
    )]
    public LimbMembers? Limb { get; init; }
}

public enum SeatKind
{
    /// <summary>Round the stem.</summary>
    Stem,

    /// <summary>In the fork between stem and limb.</summary>
    Union,

    /// <summary>Out on a limb.</summary>
    Limb,
}

public sealed record LimbMembers : IDocumentPart
{
    [Display(Name = "Limb at its union", Description = "At its union, metres.")]
    [Range(0.02, 2)]
    [Measure("thickness", CanBeMeasured = true)]
    public required double DiameterM { get; init; }

    [Display(
        Name = "Line lies out from the stem",
        Description = "Level, from the stem's line to where the rope lies, metres; for a union left out, one diameter of the limb."
    )]
    [Range(0, 20)]
    [Measure("length", CanBeMeasured = true)]
    public double? LeverM { get; init; }

    [Display(
        Name = "Limb grows toward",
        Description = "The way the limb grows from the stem, degrees clockwise from north."
    )]
    [Range(0, 360)]
    [Measure("angle", Step = 5)]
    public double BearingDeg { get; init; }

    [Display(Name = "Limb rises", Description = "Above level, degrees.")]
    [Range(-30, 85)]
    [Measure("angle", Step = 5)]
    public double RiseDeg { get; init; } = 45;

    [Display(Name = "Unions that share it", Description = "How many unions the line lies over; each takes its part.")]
    [Range(1, 4)]
    [Measure("count")]
    public int SharedBy { get; init; } = 1;
}

/// <summary>How a line gets to its seat.</summary>
public sealed record SettingMembers : IDocumentPart
{
    [Display(Name = "Set by", Description = "hand, twoHands, catapult, pole or climber.")]
    public SettingWay Way { get; init; }

    [Display(Name = "Thrown from, level", Description = "Level distance from under the seat, metres.")]
    [Range(0, 40)]
    [Measure("length", Step = 0.5)]
    public double StandOffM { get; init; } = 4;

    [Display(
        Name = "Our own best this way",
        Description = "The highest seat that this crew has reached this way, metres; it replaces the table's figures."
    )]
    [Range(2, 60)]
    [Measure("length", Step = 0.5, Empty = "by the table")]
    public double? BestM { get; init; }

    [Display(
        Name = "Twigs under the line",
        Description = "Small wood between line and stem that would hold it off and snap later."
    )]
    [Range(0, 50)]
    [Measure("count")]
    public int TwigsLeft { get; init; }

    [Display(
        Name = "Line lies on the stem",
        Description = "As somebody saw who watched the seat under the bed test's load; left out, nobody has tried it yet: the day asks for it."
    )]
    public bool? Bedded { get; init; }
}

public enum SettingWay
{
    /// <summary>With one hand.</summary>
    Hand,

    /// <summary>With both hands, swung between the legs.</summary>
    TwoHands,
    Catapult,
    Pole,
    Climber,
}
