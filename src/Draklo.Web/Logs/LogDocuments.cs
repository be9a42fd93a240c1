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
/// <param name="On">The day it was done, as far as anybody knows.</param>
/// <param name="Tip">Where the top is expected; null where the plan cannot be computed.</param>
/// <param name="Mark">Where the lay's mark stands, in the lay's frame.</param>
/// <param name="HoldDeg">What is expected of the hinge.</param>
public sealed record LogStart(
    string On,
    double HeightM,
    double LayDeg,
    double AimErrorDeg,
    Landing? Tip,
    Landing? Mark,
    Spread? HoldDeg,
    IReadOnlyList<LogLineStart> Lines,
    IReadOnlyList<LogTask> Tasks,
    IReadOnlyList<LogKnot> Knots,
    IReadOnlyList<LogPiece> Gear
)
{
    /// <summary>The clearing as it was planned; left out without one.</summary>
    public LogClearing? Clearing { get; init; }
}

/// <param name="Name">Of the way that was planned.</param>
/// <param name="Alone">Whether nothing was pulled.</param>
/// <param name="EachMin">Minutes of a load, as planned.</param>
/// <param name="LineN">In the line that carries or hauls, as planned; null without one.</param>
/// <param name="MayN">What that line may carry.</param>
/// <param name="Moved">Loads that were counted on the day; 0 where nobody counted.</param>
/// <param name="LapsMin">Minutes of those that were timed on the day.</param>
/// <param name="ReadPeakN">The most that the line read on the day; null where nobody read it.</param>
public sealed record LogClearing(
    ClearingWay Way,
    string Name,
    bool Alone,
    int Loads,
    double RigMin,
    double EachMin,
    double? LineN,
    double? MayN,
    int Moved,
    IReadOnlyList<double> LapsMin,
    double? ReadPeakN
);

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
);

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
