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

    public IReadOnlyList<LearnedFigure> Figures(UnitSystem units) =>
        Learned.Of(
            Jobs(),
            [
                .. trials
                    .List()
                    .Where(t => t is { Finished: true, GivenUp: null })
                    .Select(t => (Trial: t, TrialResult.Of(t, units).Value))
                    .Where(t => t.Value is not null)
                    .Select(t => (t.Trial, t.Value!.Value)),
            ],
            wishes.List().Where(w => w.Used).Select(w => w.Id).ToHashSet(StringComparer.Ordinal),
            units
        );

    /// <summary>A new plan with the figures that the crew wants in new plans.</summary>
    public Plan ForNew(Plan plan) => OwnEdits.WithUsed(plan, Figures(UnitSystem.Metric));
}
