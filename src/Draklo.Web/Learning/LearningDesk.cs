using Draklo.Core.Learning;
using Draklo.Core.Logs;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Logs;

namespace Draklo.Web.Learning;

/// <summary>Puts together what jobs, trials and the crew's wishes say.</summary>
internal sealed class LearningDesk(LogDesk logs, TrialStore trials, WishStore wishes)
{
    public IReadOnlyList<LoggedJob> Jobs() => logs.Learned();

    public IReadOnlyList<LearnedFigure> Figures() =>
        Learned.Of(
            Jobs(),
            [
                .. trials
                    .List()
                    .Select(t => (Trial: t, Found: TrialResult.Of(t, UnitSystem.Metric)))
                    .Where(t => t.Found.Counts)
                    .Select(t => new FinishedTrial(t.Trial, t.Found.Value!.Value)),
            ],
            wishes.List().Where(w => w.Used).Select(w => w.Id).ToHashSet(StringComparer.Ordinal)
        );

    /// <summary>A new plan with the figures that the crew wants in new plans.</summary>
    public Plan ForNew(Plan plan) => OwnEdits.WithUsed(plan, Figures());
}
