using Draklo.Browser.Tests;
using Draklo.Browser.Tests.Support;
using Xunit.Sdk;
using Xunit.v3;

[assembly: TestCollectionOrderer(typeof(LongFirst))]
[assembly: AssemblyFixture(typeof(Scenes))]

namespace Draklo.Browser.Tests;

/// <summary>Classes that take long begin first, so that no lane waits at the end for one of them.</summary>
public sealed class LongFirst : ITestCollectionOrderer
{
    private static readonly string[] Long =
    [
        nameof(OutOfReachTests),
        nameof(AccessibilityTests),
        nameof(SheetAccessibilityTests),
        nameof(DayPageTests),
        nameof(LetInOnPhoneTests),
        nameof(SheetTests),
    ];

    /// <inheritdoc/>
    public IReadOnlyCollection<TTestCollection> OrderTestCollections<TTestCollection>(
        IReadOnlyCollection<TTestCollection> testCollections
    )
        where TTestCollection : ITestCollection =>
        [.. testCollections.OrderBy(c => Rank(c)).ThenBy(c => c.TestCollectionDisplayName, StringComparer.Ordinal)];

    private static int Rank(ITestCollection collection)
    {
        var at = Array.FindIndex(
            Long,
            name =>
                collection.TestCollectionDisplayName.EndsWith($".{name}", StringComparison.Ordinal)
                || collection.TestCollectionDisplayName.Contains($".{name} ", StringComparison.Ordinal)
        );
        return at < 0 ? Long.Length : at;
    }
}
