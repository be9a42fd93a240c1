using System.ComponentModel.DataAnnotations;
using Draklo.Core.Gear;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using MathNet.Numerics.Statistics;

namespace Draklo.Core.Logs;

/// <summary>How far a job has come. Planned and briefed follow from the plan and its brief; the others are said.</summary>
public enum JobStage
{
    Planned,
    Briefed,

    /// <summary>The tree is down.</summary>
    Pulled,

    /// <summary>The ground is clear.</summary>
    Cleared,
    Done,
    CalledOff,
}

/// <summary>What a crew says of a job afterwards. Left out: nobody said.</summary>
public sealed record JobLog : IDocumentPart
{
    [Display(Name = "How far it has come")]
    public required JobStage Stage { get; init; }

    [Display(Name = "Day", Description = "yyyy-MM-dd.")]
    [MaxLength(10)]
    public required string On { get; init; }

    [Display(Name = "Written by")]
    [MaxLength(60)]
    public required string By { get; init; }

    [Display(Name = "Why it was called off")]
    [MaxLength(400)]
    public string? Because { get; init; }

    public LandingLog? Landing { get; init; }

    [Display(Name = "Lines")]
    [MaxLength(6)]
    public IReadOnlyList<LineLog> Lines { get; init; } = [];

    public HingeLog? Hinge { get; init; }

    [Display(Name = "Clearing", Description = "How the pieces were moved. Left out, nobody has said.")]
    public ClearingLog? Clearing { get; init; }

    [Display(Name = "What broke")]
    [MaxLength(400)]
    public string? Broke { get; init; }

    [Display(Name = "Knots")]
    [MaxLength(20)]
    public IReadOnlyList<KnotLog> Knots { get; init; } = [];

    [Display(Name = "Minutes by task")]
    [MaxLength(40)]
    public IReadOnlyList<TaskLog> Minutes { get; init; } = [];

    [Display(Name = "Near misses")]
    [MaxLength(20)]
    public IReadOnlyList<NearMiss> NearMisses { get; init; } = [];

    [Display(Name = "Gear to look at")]
    [MaxLength(60)]
    public IReadOnlyList<GearLog> Gear { get; init; } = [];

    [Display(Name = "Pictures")]
    [MaxLength(24)]
    public IReadOnlyList<PictureLog> Pictures { get; init; } = [];

    [Display(Name = "What to do differently")]
    [MaxLength(1000)]
    public string? Differently { get; init; }
}

/// <summary>Where the top came down, from the middle of the stump.</summary>
public sealed record LandingLog : IDocumentPart
{
    [Display(Name = "Out along the lay", Description = "Metres from the stump's middle.")]
    [Range(0.5, 150)]
    public required double OutM { get; init; }

    [Display(Name = "Right of the lay", Description = "Metres; left of it is less than 0.")]
    [Range(-150, 150)]
    public required double RightM { get; init; }
}

/// <summary>What a line did.</summary>
public sealed record LineLog : IDocumentPart
{
    [Display(Name = "Line")]
    [MaxLength(32)]
    public required string LineId { get; init; }

    [Display(Name = "Peak tension", Description = "At the tree, newtons.")]
    [Range(1, 2_000_000)]
    public double? PeakN { get; init; }

    [Display(Name = "Tension when it went", Description = "At the tree, newtons.")]
    [Range(1, 2_000_000)]
    public double? WentN { get; init; }

    [Display(Name = "From the trace", Description = "Whether the two were read by a load cell on the day.")]
    public bool FromTrace { get; init; }

    [Display(
        Name = "It was so",
        Description = "Somebody says that the tension when it went is right, though it is far from what was worked out."
    )]
    public bool Confirmed { get; init; }

    [Display(Name = "Seat", Description = "Where the line sat, metres above the ground.")]
    [Range(0.5, 120)]
    public double? SeatM { get; init; }

    [Display(Name = "People hauling", Description = "At the peak.")]
    [Range(1, 30)]
    public int? People { get; init; }

    [Display(Name = "Jerk", Description = "The line was loaded with a jerk.")]
    public bool Shock { get; init; }
}

public enum HingeEnd
{
    /// <summary>To the ground.</summary>
    Held,

    /// <summary>Let go on the way, as it should.</summary>
    LetGo,

    /// <summary>On one side, or before the tree was committed.</summary>
    Tore,

    /// <summary>The stem split up from the cut.</summary>
    Split,
}

public sealed record HingeLog : IDocumentPart
{
    [Display(Name = "The hinge")]
    public required HingeEnd End { get; init; }

    [Display(Name = "Lean when it let go", Description = "Degrees turned from where the tree stood.")]
    [Range(0, 110)]
    public double? AtDeg { get; init; }
}

public enum Undone
{
    ByHand,
    WithTools,
    Cut,
}

/// <summary>A knot and how it came undone.</summary>
public sealed record KnotLog : IDocumentPart
{
    [Display(Name = "Knot", Description = "An id of the knot table.")]
    [MaxLength(40)]
    public required string KnotId { get; init; }

    [Display(Name = "Piece", Description = "Of the locker, that it was tied in.")]
    [MaxLength(32)]
    public string? ItemId { get; init; }

    [Display(Name = "Came undone")]
    public required Undone Undone { get; init; }
}

public sealed record TaskLog : IDocumentPart
{
    [Display(Name = "Task", Description = "As the day's plan names it.")]
    [MaxLength(32)]
    public required string TaskId { get; init; }

    [Display(Name = "Minutes")]
    [Range(0, 1440)]
    public required double Minutes { get; init; }

    [Display(Name = "People")]
    [Range(1, 30)]
    public int People { get; init; } = 1;
}

/// <summary>Something that could have hurt somebody.</summary>
public sealed record NearMiss : IDocumentPart
{
    [Display(Name = "What happened")]
    [MaxLength(400)]
    public required string What { get; init; }

    [Display(Name = "While", Description = "What was being done.")]
    [MaxLength(120)]
    public string? While { get; init; }

    [Display(Name = "What we do about it")]
    [MaxLength(400)]
    public string? Then { get; init; }
}

/// <summary>What is said of one piece beside its day's work.</summary>
public sealed record GearLog : IDocumentPart
{
    [Display(Name = "Piece")]
    [MaxLength(32)]
    public required string ItemId { get; init; }

    [Display(Name = "Seen", Description = "What was found on it.")]
    [MaxLength(12)]
    public IReadOnlyList<Finding> Findings { get; init; } = [];

    [Display(Name = "Where", Description = "Metres from end a of a rope.")]
    [Range(0, 500)]
    public double? AtM { get; init; }

    [Display(Name = "Jerk", Description = "It was loaded with a jerk.")]
    public bool Shock { get; init; }

    [Display(Name = "Note")]
    [MaxLength(200)]
    public string? Note { get; init; }
}

/// <summary>A picture, kept under its content's hash.</summary>
public sealed record PictureLog : IDocumentPart
{
    [Display(Name = "Picture", Description = "SHA-256 of its bytes, in lower-case hexadecimal.")]
    [RegularExpression("^[0-9a-f]{64}$", ErrorMessage = "must be 64 digits from 0 to 9 and a to f.")]
    public required string Hash { get; init; }

    [Display(Name = "What it shows")]
    [MaxLength(120)]
    public string Caption { get; init; } = "";
}

/// <summary>How the pieces were moved: loads, their minutes, what the line read.</summary>
public sealed record ClearingLog : IDocumentPart
{
    [Display(Name = "Way it was done", Description = "As in the plan: drag, fly and so on.")]
    public required ClearingWay Way { get; init; }

    [Display(Name = "Loads moved")]
    [Range(1, 2000)]
    public int? Loads { get; init; }

    [Display(Name = "Minutes to rig")]
    [Range(0, 1440)]
    public double? RigMin { get; init; }

    [Display(Name = "Minutes of loads", Description = "One for each load that was timed, there and back.")]
    [MaxLength(500)]
    public IReadOnlyList<double> LapsMin { get; init; } = [];

    [Display(Name = "Minutes a load", Description = "Where nobody timed single ones.")]
    [Range(0.1, 240)]
    public double? EachMin { get; init; }

    [Display(Name = "Line's peak", Description = "The most that was read on the line that carries or hauls, newtons.")]
    [Range(1, 2_000_000)]
    public double? PeakN { get; init; }

    [Display(Name = "How it went")]
    [MaxLength(400)]
    public string? Note { get; init; }

    /// <summary>What a load took: the middle one of those that were timed, or as it was said.</summary>
    public double? MiddleMin() => LapsMin.Count > 0 ? LapsMin.Median() : EachMin;
}
