using Draklo.Core.Geometry;
using Draklo.Core.Units;

namespace Draklo.Core.Pulling;

/// <summary>How much of a line's readings is kept.</summary>
public sealed record TraceLine(string LineId, long Count);

/// <summary>A job's day as it stands.</summary>
public sealed record PullingAnswer
{
    public required string JobId { get; init; }

    /// <summary>Of the job that the plan was read from, 1 or more.</summary>
    public required int Revision { get; init; }

    public required string Name { get; init; }

    /// <summary>As in "brief 3, signed by six".</summary>
    public required string BriefWords { get; init; }

    /// <summary>Steady, of the plan; null while nobody has looked.</summary>
    public required double? WindMps { get; init; }

    /// <summary>Gust that it stands; null where the sums set none.</summary>
    public required double? StandsMps { get; init; }

    /// <summary>Names on the job, who readings are by.</summary>
    public required IReadOnlyList<string> People { get; init; }

    /// <summary>What the load cell is called.</summary>
    public required string Cell { get; init; }

    /// <summary>Whether that only stands in for a load cell.</summary>
    public bool CellIsSimulated { get; init; }

    public required PullDay Day { get; init; }

    public required IReadOnlyList<TraceLine> Traces { get; init; }

    /// <summary>The tree with its lines, for drawing.</summary>
    public required Analyses.Figure Figure { get; init; }

    /// <summary>Of its weight.</summary>
    public required LayPoint Centre { get; init; }

    public required string Caution { get; init; }

    private const int MostShown = 400;

    public static PullingAnswer Of(
        BriefedDay day,
        IReadOnlyList<DayEntry> entries,
        IReadOnlyList<TraceLine> traces,
        string cell,
        UnitSystem units
    )
    {
        var (brief, plan, stands) = (day.Brief, day.Brief.Page.Plan, day.Of(entries, units));
        return new()
        {
            JobId = brief.JobId,
            Revision = brief.Revision,
            Name = brief.Page.Name,
            BriefWords = day.BriefInWords,
            WindMps = plan.Wind.GustMps ?? plan.Wind.SpeedMps,
            StandsMps = brief.Page.Analysis.Plate.GustMps,
            People = [.. plan.Crew.Select(c => c.Name.Trim())],
            Cell = cell,
            Day = stands with { Entries = [.. stands.Entries.TakeLast(MostShown)] },
            Traces = traces,
            Figure = brief.Page.Analysis.Figure,
            Centre = brief.Page.Analysis.Tree.Centre,
            Caution = brief.Page.Brief.Caution,
        };
    }
}
