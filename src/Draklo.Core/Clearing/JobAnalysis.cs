using Draklo.Core.Analyses;
using Draklo.Core.Gear;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;

namespace Draklo.Core.Clearing;

/// <summary>
/// The analysis of a job as list, sheet, plate, brief, cards, day and calendar speak of it: one verdict, of the pull, or of
/// the clearing where nothing is pulled.
/// </summary>
public static class JobAnalysis
{
    /// <inheritdoc cref="PlanAnalysis.Of"/>
    public static AnalysisOutcome Of(
        Plan plan,
        UnitSystem units = UnitSystem.Metric,
        bool withWorkings = true,
        Yard? yard = null
    )
    {
        var outcome = PlanAnalysis.Of(plan, units, withWorkings, yard);
        if (plan.Clearing is not { Alone: true } clearing || outcome.Analysis is not { } analysis)
        {
            return outcome;
        }

        var (cleared, problems) = ClearingAnalysis.Of(plan, units, yard);
        return cleared is null
            ? new(null, problems)
            : new(analysis with { Verdict = VerdictOf(cleared.Ways.First(w => w.Way == clearing.Way), cleared) }, []);
    }

    private static Verdict VerdictOf(WayResult way, ClearingAnalysis cleared) =>
        new(
            way.State,
            way.Headline,
            way.WeakestLinkId ?? "",
            way.Reasons,
            way.Accepted,
            cleared.Policy,
            cleared.Caution
        );
}
