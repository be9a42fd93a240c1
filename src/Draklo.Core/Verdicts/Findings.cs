using Draklo.Core.Gear;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Sites;
using Draklo.Core.Trees;

namespace Draklo.Core.Verdicts;

/// <summary>What an analysis found: all that the verdict judges.</summary>
/// <param name="Pull">Tensions, links, hinge and pre-tension.</param>
/// <param name="Lines">What follows for each line.</param>
/// <param name="Locker">How the pieces of the locker stand, by id; null where there is no locker to ask.</param>
internal sealed record Findings(
    CheckedPull Pull,
    IReadOnlyList<LineResult> Lines,
    SpringBack Spring,
    GustReserve? Gust,
    CarefulEnd Careful,
    Measured Measured,
    Zones Site,
    CutResult Cut,
    IReadOnlyDictionary<string, GearStanding>? Locker
)
{
    public PlanContext Context => Pull.Context;

    public Plan Plan => Pull.Context.Plan;
}
