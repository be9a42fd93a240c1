using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Core.Carrying;

/// <summary>Two documents that came of one, to be put together; a plan with its job's name, place and day.</summary>
public sealed record MergeAsk<T> : IDocumentPart
    where T : class, IDocumentPart
{
    /// <summary>What both began from; left out where nobody knows.</summary>
    public T? Was { get; init; }

    public required T Mine { get; init; }

    public required T Theirs { get; init; }

    /// <summary>By the path of a clash.</summary>
    public IReadOnlyDictionary<string, Side> Settled { get; init; } = new Dictionary<string, Side>();

    public MergedDocument<T> Merged(UnitSystem units) => DocumentMerge.Of(Was, Mine, Theirs, Settled, units);
}
