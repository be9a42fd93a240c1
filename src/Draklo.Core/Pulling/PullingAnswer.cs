using Draklo.Core.Geometry;
using Draklo.Core.Units;

namespace Draklo.Core.Pulling;

/// <summary>How much of a line's readings is kept.</summary>
public sealed record TraceLine(string LineId, long Count);

/// <summary>A job's day as it stands.</summary>
/// <param name="BriefWords">As in "brief 3, signed by six".</param>
/// <param name="WindMps">Steady, of the plan; null while nobody has looked.</param>
/// <param name="StandsMps">Gust that it stands; null where the sums set none.</param>
/// <param name="People">Names on the job, who readings are by.</param>
/// <param name="Cell">What the load cell is called.</param>
/// <param name="Figure">The tree with its lines, for drawing.</param>
/// <param name="Centre">Of its weight.</param>
public sealed record PullingAnswer(
    string JobId,
    int Revision,
    string Name,
    string BriefWords,
    double? WindMps,
    double? StandsMps,
    IReadOnlyList<string> People,
    string Cell,
    PullDay Day,
    IReadOnlyList<TraceLine> Traces,
    Analyses.Figure Figure,
    LayPoint Centre,
    string Caution
)
{
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
        return new(
            brief.JobId,
            brief.Revision,
            brief.Page.Name,
            day.BriefInWords,
            plan.Wind.GustMps ?? plan.Wind.SpeedMps,
            brief.Page.Analysis.Plate.GustMps,
            [.. plan.Crew.Select(c => c.Name.Trim())],
            cell,
            stands with
            {
                Entries = [.. stands.Entries.TakeLast(MostShown)],
            },
            traces,
            brief.Page.Analysis.Figure,
            brief.Page.Analysis.Tree.Centre,
            brief.Page.Brief.Caution
        );
    }
}
