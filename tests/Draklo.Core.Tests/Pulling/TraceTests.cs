using Draklo.Core.Pulling;
using Draklo.Core.Units;

namespace Draklo.Core.Tests;

/// <summary>The day's readings kept, thinned and followed.</summary>
public sealed class TraceTests
{
    [Fact]
    public void A_point_is_read_back_as_it_was_written()
    {
        Span<byte> bytes = stackalloc byte[TracePoint.Bytes];
        foreach (
            var point in new TracePoint[]
            {
                new(1_790_000_000_123, 1540.5f, 3.2f, float.NaN, true),
                new(0, 0, float.NaN, 2, false),
                new(7, 12, float.NaN, 2, false) { Simulated = true },
            }
        )
        {
            point.Write(bytes);
            Assert.Equal(point, TracePoint.Read(bytes));
        }
    }

    [Fact]
    public void Thinning_keeps_the_peak_the_count_and_the_most_from_the_back_cut_to_commit()
    {
        var points = Enumerable
            .Range(0, 72_000)
            .Select(i => new TracePoint(
                i * 50L,
                i == 31_415 ? 2900 : 1000 + (i % 7),
                i < 60_000 ? 0 : (i - 60_000) / 1000f,
                float.NaN,
                i == 500
            ))
            .ToList();
        var view = TraceView.Of("main", points, 0, points[^1].AtMs, 600, commitDeg: 8, cutMs: 50_000 * 50L);
        Assert.Equal((72_000, 1), (view.Count, view.Doubtful));
        Assert.Equal((2900, 31_415 * 50L), (view.PeakN, view.PeakAtMs));
        Assert.InRange(view.Spans.Count, 500, 600);
        Assert.Equal(2900, view.Spans.Max(s => s.HighN));
        Assert.Equal(1000, view.Spans.Min(s => s.LowN));
        // The peak came before the back cut was finished, and past commit the line hangs slack.
        Assert.Equal(1006, view.WentN!.Value, 1e-6);
        Assert.Equal(1006, TraceView.Of("main", points, 0, points[^1].AtMs, 600, 8, null).WentN!.Value, 1e-6);
        Assert.Null(TraceView.Of("main", points[..60_000], 0, points[^1].AtMs, 600, 8, 0).WentN);
    }

    [Fact]
    public void What_a_simulated_instrument_shows_is_drawn_and_counts_as_nothing_read()
    {
        TracePoint At(int s, float tension, float lean) => new(s * 1000L, tension, lean, float.NaN, false);
        TracePoint[] real = [At(0, 800, 0), At(1, 900, 2), At(2, 700, 5), At(3, 20, 9)];
        TracePoint[] mixed = [.. real, .. real.Select(p => p with { TensionN = 5000, Simulated = true })];
        var view = TraceView.Of("main", mixed.OrderBy(p => p.AtMs), 0, 3000, 600, 8, 500);
        Assert.Equal((8, 4), (view.Count, view.Simulated));
        Assert.Equal((900, 900), (view.PeakN, view.WentN));
        Assert.Equal(5000, view.Spans.Max(s => s.HighN));
        var alone = TraceView.Of("main", mixed.Where(p => p.Simulated), 0, 3000, 600, 8, 500);
        Assert.Equal(0, alone.PeakN);
        Assert.Null(alone.WentN);
    }

    [Fact]
    public void A_single_reading_is_a_trace()
    {
        var view = TraceView.Of("main", [new(5, 10, float.NaN, float.NaN, false)], 5, 5, 600, 8, null);
        Assert.Equal((1, 10.0), (view.Count, view.PeakN));
        Assert.Null(view.WentN);
        Assert.Single(view.Spans);
    }

    [Fact]
    public void A_pull_along_its_curve_is_silent_and_one_that_sticks_is_stopped()
    {
        LivePull Begin() => new(10, lean => 2000 * (1 - (lean / 10)), UnitSystem.Metric);
        var good = Begin();
        for (var i = 0; i < 190; i++)
        {
            var lean = i * 0.05;
            Assert.Equal("", good.Take(lean, 2000 * (1 - (lean / 10)) * 1.1, i * 0.05));
        }

        Assert.Contains("goes by itself", good.Take(10.5, 100, 10), StringComparison.Ordinal);
        var stuck = Begin();
        var told = "";
        for (var i = 0; i < 100; i++)
        {
            told = stuck.Take(4, 1200 + (i * 30), i * 0.05);
        }

        Assert.StartsWith("Hold.", told, StringComparison.Ordinal);
    }
}
