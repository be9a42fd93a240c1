using System.ComponentModel.DataAnnotations;
using Draklo.Core.Geometry;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

/// <summary>What was read off the real tree, kept so that a figure can be traced to it.</summary>
public sealed record ReadingMembers : IDocumentPart
{
    [Display(Name = "Height reading")]
    public HeightReadingMembers? Height { get; init; }

    [Display(Name = "Girth at breast height", Description = "Round the stem at breast height, metres.")]
    [Range(0.15, 16)]
    [Measure("thickness", Step = 1, Empty = "no tape")]
    public double? GirthM { get; init; }

    [Display(Name = "Views of the lean", Description = "One or two; one alone leaves the lean a guess.")]
    [MaxLength(2)]
    public IReadOnlyList<LeanViewMembers> LeanViews { get; init; } = [];
}

public sealed record HeightReadingMembers : IDocumentPart
{
    [Display(
        Name = "Measure the height by",
        Description = "angles: two angles and a level distance; slope: the same with a distance along sloping ground; stick: a stick held upright at arm's length."
    )]
    public HeightMethod Method { get; init; }

    [Display(Name = "Tape to the stem", Description = "Level for angles and stick, along the tape for slope, metres.")]
    [Range(1, 200)]
    [Measure("length", Step = 0.5)]
    public required double DistanceM { get; init; }

    [Display(Name = "Slope of the tape", Description = "Degrees, positive when the tree stands higher.")]
    [Range(-45, 45)]
    [Measure("angle")]
    public double SlopeDeg { get; init; }

    [Display(Name = "Angle to the top", Description = "Degrees above level.")]
    [Range(-30, 85)]
    [Measure("angle", Step = 0.5)]
    public double UpDeg { get; init; }

    [Display(Name = "Angle to the foot, below is −", Description = "Degrees, negative below level.")]
    [Range(-60, 60)]
    [Measure("angle", Step = 0.5)]
    public double DownDeg { get; init; }

    [Display(Name = "Stick that covers the tree", Description = "Length of stick that just covers the tree, metres.")]
    [Range(0.1, 3)]
    [Measure("thickness", Step = 1)]
    public double StickM { get; init; } = 0.7;

    [Display(
        Name = "Eye to stick",
        Description = "Eye to stick, metres; as long as the stick, the height is the distance."
    )]
    [Range(0.1, 3)]
    [Measure("thickness", Step = 1)]
    public double ArmM { get; init; } = 0.7;

    /// <summary>Level distance to the stem, metres.</summary>
    public double LevelM => Method == HeightMethod.Slope ? DistanceM * Math.Cos(Angle.Radians(SlopeDeg)) : DistanceM;

    /// <summary>The height that it comes to, metres, whether or not a tree can have it.</summary>
    public double ComesToM =>
        Method == HeightMethod.Stick
            ? DistanceM * StickM / ArmM
            : LevelM * (Math.Tan(Angle.Radians(UpDeg)) - Math.Tan(Angle.Radians(DownDeg)));

    /// <summary>Lowest and highest tree that there can be, metres.</summary>
    internal const double LeastM = 2;
    internal const double MostM = 120;

    /// <summary>The height that it comes to, metres; null where it makes no tree.</summary>
    internal double? ReadM() => ComesToM is >= LeastM and <= MostM ? ComesToM : null;
}

public enum HeightMethod
{
    Angles,
    Slope,
    Stick,
}

public sealed record LeanViewMembers : IDocumentPart
{
    [Display(Name = "Looking toward", Description = "Bearing of the line of sight to the tree.")]
    [Range(0, 360)]
    [Measure("angle", Step = 5)]
    public required double LookingDeg { get; init; }

    [Display(Name = "Leans right by, left is −", Description = "Degrees off plumb, positive to the viewer's right.")]
    [Range(-45, 45)]
    [Measure("angle", Step = 0.5)]
    public double LeanDeg { get; init; }

    [Display(
        Name = "Top stands out, left is −",
        Description = "How far the top stands out from above the foot, metres, positive to the viewer's right; read instead of the angle, and counted instead of it."
    )]
    [Range(-30, 30)]
    [Measure("length", Step = 0.1, Empty = "by the angle")]
    public double? TopM { get; init; }

    /// <summary>Tangent of the lean as it is seen.</summary>
    internal double SeenTangent(double heightM) => TopM is { } top ? top / heightM : Math.Tan(Angle.Radians(LeanDeg));
}
