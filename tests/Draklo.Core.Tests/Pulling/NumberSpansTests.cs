using CsCheck;
using Draklo.Core.Pulling;

namespace Draklo.Core.Tests;

/// <summary>Which of a cell's numbers came: in whatever order they come, each is known once.</summary>
public sealed class NumberSpansTests
{
    [Fact]
    public void Any_parcels_in_any_order_leave_the_same_stretches() =>
        Gen.Long[0, 40]
            .Array[0, 30]
            .List[0, 6]
            .Sample(parcels =>
            {
                var spans = parcels.Aggregate(NumberSpans.Empty, (so, parcel) => so.With(parcel));
                var all = parcels.SelectMany(p => p).ToHashSet();
                Assert.All(Enumerable.Range(-1, 44), n => Assert.Equal(all.Contains(n), spans.Has(n)));
                Assert.Equal(all.Count == 0 ? 0 : all.Max() - all.Min() + 1 - all.Count, spans.Missing);
                // A gap lies between any two stretches.
                Assert.All(
                    spans.Stretches.Zip(spans.Stretches.Skip(1)),
                    s => Assert.True(s.Second.First > s.First.Last + 1)
                );
            });
}
