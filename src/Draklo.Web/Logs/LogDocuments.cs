using Draklo.Core.Falls;
using Draklo.Core.Gear;
using Draklo.Core.Logs;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Web.Logs;

/// <summary>A job's log with all that its questions start from.</summary>
/// <param name="Stage">How far the job has come.</param>
/// <param name="Revision">Counts saves of the log, 0 before the first; to be named in If-Match.</param>
/// <param name="Log">Null before the first save.</param>
public sealed record LogAnswer(
    string JobId,
    string Name,
    string Place,
    JobStage Stage,
    int Revision,
    string? SavedAt,
    JobLog? Log,
    LogStart Start
);

/// <summary>What a log starts from: the plan's own figures and what was read on the day.</summary>
public sealed record LogStart
{
    /// <summary>The day it was done, as far as anybody knows.</summary>
    public required string On { get; init; }

    public required double HeightM { get; init; }

    public required double LayDeg { get; init; }

    public required double AimErrorDeg { get; init; }

    /// <summary>Where the top is expected; null where the plan cannot be computed.</summary>
    public required Landing? Tip { get; init; }

    /// <summary>Where the lay's mark stands, in the lay's frame.</summary>
    public required Landing? Mark { get; init; }

    /// <summary>What is expected of the hinge.</summary>
    public required Spread? HoldDeg { get; init; }

    public required IReadOnlyList<LogLineStart> Lines { get; init; }

    public required IReadOnlyList<LogTask> Tasks { get; init; }

    public required IReadOnlyList<LogKnot> Knots { get; init; }

    public required IReadOnlyList<LogPiece> Gear { get; init; }

    /// <summary>The clearing as it was planned; left out without one.</summary>
    public LogClearing? Clearing { get; init; }
}

public sealed record LogClearing
{
    public required ClearingWay Way { get; init; }

    /// <summary>Of the way that was planned.</summary>
    public required string Name { get; init; }

    /// <summary>Whether nothing was pulled.</summary>
    public required bool Alone { get; init; }

    public required int Loads { get; init; }

    public required double RigMin { get; init; }

    /// <summary>Minutes of a load, as planned.</summary>
    public required double EachMin { get; init; }

    /// <summary>In the line that carries or hauls, as planned; null without one.</summary>
    public required double? LineN { get; init; }

    /// <summary>What that line may carry.</summary>
    public required double? MayN { get; init; }

    /// <summary>Loads that were counted on the day; 0 where nobody counted.</summary>
    public required int Moved { get; init; }

    /// <summary>Minutes of those that were timed on the day.</summary>
    public required IReadOnlyList<double> LapsMin { get; init; }

    /// <summary>The most that the line read on the day; null where nobody read it.</summary>
    public required double? ReadPeakN { get; init; }
}

/// <param name="ReadPeakN">Of the day's trace, or of its readings; null where nobody read.</param>
/// <param name="ReadWentN">The same when the tree went.</param>
/// <param name="FromTrace">Whether a load cell read them.</param>
/// <param name="People">On the rope; null for a machine.</param>
public sealed record LogLineStart(
    string LineId,
    double? NeededN,
    double? PlannedN,
    double? ReadPeakN,
    double? ReadWentN,
    bool FromTrace,
    double SeatM,
    int? People
)
{
    /// <summary>The least tension when it went that counts unasked, N; null where nothing was predicted.</summary>
    public double? UsualFromN => NeededN is > 0 ? NeededN * OddReading.Least : null;

    /// <summary>The most that counts unasked, N; null where nothing was predicted.</summary>
    public double? UsualToN => NeededN is > 0 ? NeededN * OddReading.Most : null;
}

public sealed record LogTask(string Id, string Name, double LikelyMin, int People);

/// <param name="Where">As in "at the seat".</param>
public sealed record LogKnot(string KnotId, string Name, string? ItemId, string Where);

/// <param name="Retired">Whether it is out of service by now.</param>
public sealed record LogPiece(string ItemId, string Name, GearKind Kind, double? LengthM, bool Retired);

/// <summary>A near miss with where it happened.</summary>
public sealed record NearMissEntry(string JobId, string Job, string On, string What, string? While, string? Then);

/// <summary>A picture as it is kept.</summary>
/// <param name="Hash">SHA-256 of its bytes.</param>
public sealed record PictureAnswer(string Hash, int WidthPx, int HeightPx, int Bytes);
