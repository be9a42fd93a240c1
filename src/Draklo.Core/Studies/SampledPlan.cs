using Draklo.Core.Analyses;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Studies;

/// <summary>One of many plans that differ in what is not known.</summary>
internal static class SampledPlan
{
    /// <summary>What an analysis works out of the lines, without site and sentences; null where it cannot be.</summary>
    public static CheckedPull? Checked(Plan plan, UnitSystem units) =>
        PlanRules.Check(plan, units).Count > 0 ? null : Checked(PlanContext.Of(plan, units));

    /// <summary>The same of a plan whose rules were checked already.</summary>
    public static CheckedPull? Checked(PlanContext standing)
    {
        var lines = CheckedPull.LinesOf(standing);
        return Pull.Solve(standing, lines, []) is { } pull ? CheckedPull.Of(standing, lines, pull) : null;
    }
}
