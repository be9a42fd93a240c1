using System.Collections.Concurrent;
using System.Threading.Channels;
using Draklo.Core.Pulling;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Outside;

namespace Draklo.Web.Pulling;

/// <summary>The days that somebody watches just now: one reader for each load cell however many watch, everything kept.</summary>
internal sealed class LiveDays(PullDesk desk, PullStore store, ILoadCell cell, ILeanGauge gauge, TimeProvider clock)
    : IDisposable
{
    private readonly ConcurrentDictionary<string, LiveDay> days = new(StringComparer.Ordinal);

    /// <summary>Messages of a job's day until nobody listens any more.</summary>
    /// <param name="cells">Whether the load cells are read; without, only word of entries comes.</param>
    public async IAsyncEnumerable<LiveMessage> WatchAsync(
        string jobId,
        bool cells,
        [System.Runtime.CompilerServices.EnumeratorCancellation] CancellationToken cancellation
    )
    {
        var day = DayOf(jobId);
        // Whoever is slow misses readings, and never holds up others; what is kept is whole.
        var channel = Channel.CreateBounded<LiveMessage>(
            new BoundedChannelOptions(200) { FullMode = BoundedChannelFullMode.DropOldest, SingleReader = true }
        );
        day.Join(channel, cells);
        try
        {
            await foreach (var message in channel.Reader.ReadAllAsync(cancellation))
            {
                yield return message;
            }
        }
        finally
        {
            await day.LeaveAsync(channel);
        }
    }

    /// <summary>Tells those who watch that the day has a new entry, and the simulated instruments what happens now.</summary>
    public void Changed(string jobId)
    {
        if (days.TryGetValue(jobId, out var day))
        {
            day.Changed();
        }
    }

    /// <summary>Takes what a tablet read, keeps it, and passes it on.</summary>
    public CellKept Take(string jobId, CellReadings sent) => DayOf(jobId).Take(sent);

    private LiveDay DayOf(string jobId) => days.GetOrAdd(jobId, id => new LiveDay(id, desk, store, cell, gauge, clock));

    public void Dispose()
    {
        foreach (var day in days.Values)
        {
            day.Dispose();
        }
    }
}

/// <summary>One watched day.</summary>
internal sealed class LiveDay : IDisposable
{
    private const int MostCells = 64;
    private static readonly TimeSpan FlushEvery = TimeSpan.FromMilliseconds(400);

    private readonly string jobId;
    private readonly PullDesk desk;
    private readonly PullStore store;
    private readonly ILoadCell cell;
    private readonly ILeanGauge gauge;
    private readonly TimeProvider clock;
    private readonly Lock turn = new();
    private readonly List<(Channel<LiveMessage> Channel, bool Cells)> watching = [];
    private readonly Dictionary<string, CellFeed> feeds = new(StringComparer.Ordinal);
    private readonly Dictionary<string, List<TracePoint>> pending = new(StringComparer.Ordinal);
    private CancellationTokenSource? reading;
    private Task readers = Task.CompletedTask;
    private Scene scene = Scene.Nothing;
    private float lean = float.NaN;
    private long entries;

    public LiveDay(string jobId, PullDesk desk, PullStore store, ILoadCell cell, ILeanGauge gauge, TimeProvider clock)
    {
        (this.jobId, this.desk, this.store, this.cell, this.gauge, this.clock) = (
            jobId,
            desk,
            store,
            cell,
            gauge,
            clock
        );
        Changed();
    }

    public void Join(Channel<LiveMessage> channel, bool cells)
    {
        lock (turn)
        {
            watching.Add((channel, cells));
            channel.Writer.TryWrite(new(entries, null, NowMs(), null, null, false, 0, ""));
            if (cells && reading is null)
            {
                reading = new();
                readers = Task.WhenAll([
                    ReadLeanAsync(reading.Token),
                    FlushAsync(reading.Token),
                    .. scene.Lines.Select(l => ReadCellAsync(l.Id, reading.Token)),
                ]);
            }
        }
    }

    public async Task LeaveAsync(Channel<LiveMessage> channel)
    {
        Task running;
        lock (turn)
        {
            watching.RemoveAll(w => w.Channel == channel);
            if (reading is null || watching.Exists(w => w.Cells))
            {
                return;
            }

            reading.Cancel();
            reading.Dispose();
            reading = null;
            running = readers;
        }

        await running.ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        Flush();
    }

    /// <summary>The day has a new entry, or the plan was changed.</summary>
    public void Changed()
    {
        var now = desk.SceneOf(jobId);
        lock (turn)
        {
            // A step that the crew stays at keeps its clock.
            scene = now.Step == scene.Step && scene.Lines.Count > 0 ? now with { Since = scene.Since } : now;
            entries = now.Entries;
            Send(new(entries, null, NowMs(), null, null, false, 0, ""), cellsOnly: false);
        }
    }

    /// <summary>What a tablet sends is kept before it is acknowledged.</summary>
    public CellKept Take(CellReadings sent)
    {
        var (taken, repeated, doubtful, refused) = (0, 0, 0, 0);
        long missed = 0;
        var trouble = "";
        lock (turn)
        {
            var points = new List<TracePoint>(sent.Readings.Count);
            foreach (var one in sent.Readings)
            {
                var fed = FeedOf($"{sent.Cell}/{sent.Session}", sent.LineId)
                    .Take(
                        new(sent.Cell, one.Sequence, one.Value, sent.Unit),
                        Seconds() - (one.AgoS ?? 0),
                        IsSlack && one.AgoS is null
                    );
                missed += fed.Missed;
                trouble = fed.Trouble.Length > 0 ? fed.Trouble : trouble;
                _ = fed.State switch
                {
                    FeedState.Taken => taken++,
                    FeedState.Repeated => repeated++,
                    FeedState.Doubtful => doubtful++,
                    _ => refused++,
                };
                if (PointOf(fed) is { } read)
                {
                    // What waited at a tablet belongs to the trace, and is no news to those who watch.
                    var point = one.AgoS is { } ago
                        ? new TracePoint(
                            read.AtMs - (long)(ago * 1000),
                            read.TensionN,
                            float.NaN,
                            float.NaN,
                            read.Doubtful
                        )
                        : read;
                    points.Add(point);
                    if (one.AgoS is null)
                    {
                        Send(MessageOf(sent.LineId, point, fed), cellsOnly: false);
                    }
                }
            }

            store.Append(jobId, sent.LineId, System.Runtime.InteropServices.CollectionsMarshal.AsSpan(points));
        }

        return new(taken, repeated, doubtful, refused, missed, trouble);
    }

    private async Task ReadCellAsync(string lineId, CancellationToken cancellation)
    {
        await Task.Yield();
        LivePull? pull = null;
        lock (turn)
        {
            // Opened again: what it counted before is not missing.
            foreach (var key in feeds.Keys.Where(k => k.StartsWith($"{lineId}/", StringComparison.Ordinal)).ToList())
            {
                feeds.Remove(key);
            }
        }

        await foreach (var sample in cell.ReadAsync(lineId, () => SceneOf(lineId), cancellation))
        {
            lock (turn)
            {
                if (scene.Lines.FirstOrDefault(l => l.Id == lineId) is { InHand: false })
                {
                    continue;
                }

                var fed = FeedOf(sample.Cell, lineId).Take(sample, Seconds(), IsSlack);
                if (PointOf(fed) is not { } point)
                {
                    if (fed.Trouble.Length > 0)
                    {
                        Send(new(entries, lineId, NowMs(), null, null, true, fed.Missed, fed.Trouble), cellsOnly: true);
                    }

                    continue;
                }

                if (!pending.TryGetValue(lineId, out var points))
                {
                    pending[lineId] = points = [];
                }

                points.Add(point);
                var told = MessageOf(lineId, point, fed);
                if (scene.Step == PullStep.Pull && told is { Doubtful: false, LeanDeg: { } deg })
                {
                    pull ??= PullOf(lineId);
                    told = told with { Trouble = pull.Take(deg, point.TensionN, Seconds()) };
                }
                else
                {
                    pull = null;
                }

                Send(told, cellsOnly: true);
            }
        }
    }

    /// <summary>What is called out while loads move and their line reads more than it may.</summary>
    private string? OverMost(string lineId, double tension) =>
        scene.Step == PullStep.Clear
        && scene.Lines.FirstOrDefault(l => l.Id == lineId) is { MostN: { } most }
        && tension > most
            ? UnitSystem.Metric.Say(
                $"Stop: {tension:N} is over the {most:N} that the line may read. Hold, and take the load off it."
            )
            : null;

    /// <summary>Follows one pull; a plan that changes begins another.</summary>
    private LivePull PullOf(string lineId)
    {
        var now = SceneOf(lineId);
        return new(now.CommitDeg, now.TensionAtLean, UnitSystem.Metric);
    }

    private async Task ReadLeanAsync(CancellationToken cancellation)
    {
        await Task.Yield();
        await foreach (
            var deg in gauge.ReadAsync(() => SceneOf(scene.Lines.Count > 0 ? scene.Lines[0].Id : ""), cancellation)
        )
        {
            lean = (float)deg;
        }
    }

    private async Task FlushAsync(CancellationToken cancellation)
    {
        await Task.Yield();
        using var timer = new PeriodicTimer(FlushEvery, clock);
        while (await timer.WaitForNextTickAsync(cancellation))
        {
            Flush();
        }
    }

    private void Flush()
    {
        lock (turn)
        {
            foreach (var (line, points) in pending)
            {
                store.Append(jobId, line, System.Runtime.InteropServices.CollectionsMarshal.AsSpan(points));
                points.Clear();
            }
        }
    }

    private CellFeed FeedOf(string name, string lineId)
    {
        var key = $"{lineId}/{name}";
        if (!feeds.TryGetValue(key, out var feed))
        {
            if (feeds.Count >= MostCells)
            {
                feeds.Clear();
            }

            feeds[key] = feed = new(scene.Lines.FirstOrDefault(l => l.Id == lineId)?.PlannedN ?? 0);
        }

        return feed;
    }

    private bool IsSlack => scene.Step is PullStep.Brief or PullStep.SlackOut && scene.Lines.Count > 0;

    private TracePoint? PointOf(in FedReading fed) =>
        fed is { TensionN: { } tension, State: FeedState.Taken or FeedState.Doubtful }
            ? new TracePoint(NowMs(), (float)tension, lean, float.NaN, fed.State == FeedState.Doubtful)
            : null;

    private LiveMessage MessageOf(string lineId, in TracePoint point, in FedReading fed) =>
        new(
            entries,
            lineId,
            point.AtMs,
            point.TensionN,
            float.IsNaN(point.LeanDeg) ? null : point.LeanDeg,
            point.Doubtful,
            fed.Missed,
            OverMost(lineId, point.TensionN) ?? fed.Trouble
        );

    private void Send(LiveMessage message, bool cellsOnly)
    {
        foreach (var (channel, cells) in watching)
        {
            if (cells || !cellsOnly)
            {
                channel.Writer.TryWrite(message);
            }
        }
    }

    private LineScene SceneOf(string lineId)
    {
        var now = scene;
        var line = now.Lines.FirstOrDefault(l => l.Id == lineId);
        return new(
            now.Step,
            clock.GetElapsedTime(now.Since).TotalSeconds,
            line?.TargetN ?? 0,
            now.CommitDeg,
            line?.TensionAtLean ?? (static _ => 0)
        );
    }

    private long NowMs() => clock.GetUtcNow().ToUnixTimeMilliseconds();

    private double Seconds() => clock.GetTimestamp() / (double)clock.TimestampFrequency;

    public void Dispose()
    {
        lock (turn)
        {
            reading?.Cancel();
            reading?.Dispose();
            reading = null;
        }

        Flush();
    }
}

/// <summary>What the simulated instruments and the feeds are told of a day.</summary>
/// <param name="Since">When the crew came to the step, by the clock's ticks.</param>
internal sealed record Scene(PullStep Step, long Since, double CommitDeg, IReadOnlyList<SceneLine> Lines, long Entries)
{
    public static Scene Nothing { get; } = new(PullStep.Brief, 0, 0, [], 0);
}

/// <param name="MostN">That a line with loads on it may read; null for the others.</param>
/// <param name="InHand">Whether the line is read at this step.</param>
internal sealed record SceneLine(
    string Id,
    bool InHand,
    double TargetN,
    double PlannedN,
    Func<double, double> TensionAtLean,
    double? MostN = null
);
