using Draklo.Core.Gear;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Sites;
using Draklo.Core.Trees;

namespace Draklo.Core.Verdicts;

/// <summary>What an analysis found: all that the verdict judges.</summary>
internal sealed record Findings
{
    /// <summary>Tensions, links, hinge and pre-tension.</summary>
    public required CheckedPull Pull { get; init; }

    /// <summary>What follows for each line.</summary>
    public required IReadOnlyList<LineResult> Lines { get; init; }

    public required SpringBack Spring { get; init; }

    public required GustReserve? Gust { get; init; }

    public required CarefulEnd Careful { get; init; }

    public required Measured Measured { get; init; }

    public required Zones Site { get; init; }

    public required CutResult Cut { get; init; }

    /// <summary>What the crew keeps that the plan is held against; null where nobody asks it.</summary>
    public required Yard? Yard { get; init; }

    public PlanContext Context => Pull.Context;

    public Plan Plan => Pull.Context.Plan;
}
