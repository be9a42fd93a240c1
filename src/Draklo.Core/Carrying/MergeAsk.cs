using Draklo.Core.Logs;
using Draklo.Core.Plans;
using Draklo.Core.Reading;

namespace Draklo.Core.Carrying;

/// <summary>Two plans that came of one, to be put together; each with its job's name, place and day.</summary>
public sealed record PlanMergeAsk : IDocumentPart
{
    /// <summary>What both began from; left out where nobody knows.</summary>
    public Plan? Was { get; init; }

    public required Plan Mine { get; init; }

    public required Plan Theirs { get; init; }

    /// <summary>By the path of a clash.</summary>
    public IReadOnlyDictionary<string, Side> Settled { get; init; } = new Dictionary<string, Side>();
}

/// <summary>Two logs of one job, to be put together.</summary>
public sealed record LogMergeAsk : IDocumentPart
{
    /// <inheritdoc cref="PlanMergeAsk.Was"/>
    public JobLog? Was { get; init; }

    public required JobLog Mine { get; init; }

    public required JobLog Theirs { get; init; }

    /// <inheritdoc cref="PlanMergeAsk.Settled"/>
    public IReadOnlyDictionary<string, Side> Settled { get; init; } = new Dictionary<string, Side>();
}
