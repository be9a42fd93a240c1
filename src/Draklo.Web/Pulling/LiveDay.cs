using System.Threading.Channels;
using Draklo.Core.Plans;
using Draklo.Core.Pulling;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Outside;

namespace Draklo.Web.Pulling;

/// <summary>Somebody who watches a day.</summary>
/// <param name="Cells">Whether readings are sent; without, only word of entries is.</param>
/// <param name="Units">What the sentences are written in.</param>
internal sealed record Watcher(ChannelWriter<LiveMessage> Channel, bool Cells, UnitSystem Units);

/// <summary>One watched day. What it holds is changed under a lock; the file is written outside it.</summary>
internal sealed class LiveDay : IDisposable
{
    private const int MostCells = 64;

    /// <summary>Readings are news while they are this fresh, seconds.</summary>
    private const double FreshS = 2.5;
    private const string CannotKeep =
        "The readings can't be saved just now: is the disk full? They are shown, and saving is tried again.";
    private static readonly TimeSpan FlushEvery = TimeSpan.FromMilliseconds(400);

    /// <summary>Readings that wait for a file that cannot be written; beyond, the oldest are let go and that is said.</summary>
    private const int MostPending = 100_000;

    private readonly string jobId;
    private readonly PullDesk desk;
    private readonly PullStore store;
    private readonly ILoadCell cell;
    private readonly ILeanGauge gauge;
    private readonly TimeProvider clock;
    private readonly Lock turn = new();
    private readonly List<Watcher> watching = [];
    private readonly Dictionary<string, CellFeed> feeds = new(StringComparer.Ordinal);
    private Dictionary<string, List<TracePoint>> pending = new(StringComparer.Ordinal);
    private CancellationTokenSource? reading;
    private Task readers = Task.CompletedTask;
    private Scene scene = Scene.Nothing;
    private float lean = float.NaN;
    private long entries;
    private long touched;

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

    /// <summary>Whether nobody has watched it or sent readings for so long.</summary>
    public bool IsIdle(TimeSpan forSo)
    {
        lock (turn)
        {
            return watching.Count == 0 && pending.Count == 0 && clock.GetElapsedTime(touched) > forSo;
        }
    }

    public void Join(Watcher watcher)
    {
        lock (turn)
        {
            touched = clock.GetTimestamp();
            watching.Add(watcher);
            watcher.Channel.TryWrite(WordOfEntries());
            if (watcher.Cells && reading is null)
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

    public async Task LeaveAsync(Watcher watcher)
    {
        Task running;
        lock (turn)
        {
            touched = clock.GetTimestamp();
            watching.Remove(watcher);
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
            touched = clock.GetTimestamp();
            // A step that the crew stays at keeps its clock.
            scene = now.Step == scene.Step && scene.Lines.Count > 0 ? now with { Since = scene.Since } : now;
            entries = now.Entries;
            Send(_ => WordOfEntries(), cellsOnly: false);
        }
    }

    /// <summary>What a device sends is kept before it is acknowledged; what was kept before is not judged again.</summary>
    public CellKept Take(CellReadings sent)
    {
        var fed = new List<(FedReading Reading, TracePoint? Point, bool IsFresh)>();
        var (repeated, missed) = store.Take(
            jobId,
            new(sent.LineId, sent.Cell, sent.Session),
            [.. sent.Readings.Select(r => r.Sequence)],
            fresh =>
            {
                fed = Judge(sent, fresh);
                return [.. fed.Select(f => f.Point)];
            }
        );
        lock (turn)
        {
            touched = clock.GetTimestamp();
            // What waited at a device belongs to the trace, and is no news to those who watch.
            foreach (var (one, point, _) in fed.Where(f => f.IsFresh))
            {
                if (point is { } at)
                {
                    Send(units => MessageOf(sent.LineId, at, one, units), cellsOnly: false);
                }
            }
        }

        int Count(FeedState state) => fed.Count(f => f.Reading.State == state);
        return new(
            Count(FeedState.Taken),
            repeated + Count(FeedState.Repeated),
            Count(FeedState.Doubtful),
            Count(FeedState.Refused),
            missed,
            fed.Select(f => f.Reading.Trouble).LastOrDefault(t => t.Length > 0) ?? ""
        );
    }

    /// <summary>Judges readings that came for the first time, in the order of their numbers.</summary>
    private List<(FedReading Reading, TracePoint? Point, bool IsFresh)> Judge(
        CellReadings sent,
        IReadOnlyList<int> fresh
    )
    {
        lock (turn)
        {
            var feed = FeedOf($"{sent.Cell}/{sent.Session}", sent.LineId);
            if (sent.Readings[fresh[0]].Sequence <= feed.Last)
            {
                // They waited while later ones came: they are judged among themselves.
                feed = NewFeed(sent.LineId);
            }

            var (nowS, nowMs) = (Seconds(), NowMs());
            return
            [
                .. fresh.Select(i =>
                {
                    var one = sent.Readings[i];
                    var ago = one.AgoS ?? 0;
                    var isFresh = ago <= FreshS;
                    var fed = feed.Take(
                        new(sent.Cell, one.Sequence, one.Value, sent.Unit),
                        nowS - ago,
                        IsSlack && isFresh
                    );
                    return (fed, PointOf(fed, nowMs - (long)(ago * 1000), isFresh ? lean : float.NaN), isFresh);
                }),
            ];
        }
    }

    private async Task ReadCellAsync(string lineId, CancellationToken cancellation)
    {
        await Task.Yield();
        (LivePull Metric, LivePull Us)? pull = null;
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
                if (PointOf(fed, NowMs(), lean, cell.IsSimulated) is not { } point)
                {
                    if (fed.Trouble.Length > 0)
                    {
                        SayTrouble(lineId, fed.Missed, fed.Trouble);
                    }

                    continue;
                }

                Pending(lineId).Add(point);
                if (scene.Step == PullStep.Pull && !point.Doubtful && !float.IsNaN(point.LeanDeg))
                {
                    var (metric, us) = pull ??= PullOf(lineId);
                    var (inMetric, inUs) = (
                        metric.Take(point.LeanDeg, point.TensionN, Seconds()),
                        us.Take(point.LeanDeg, point.TensionN, Seconds())
                    );
                    Send(
                        units =>
                            MessageOf(lineId, point, fed, units) with
                            {
                                Trouble = units == UnitSystem.Us ? inUs : inMetric,
                            },
                        cellsOnly: true
                    );
                }
                else
                {
                    pull = null;
                    Send(units => MessageOf(lineId, point, fed, units), cellsOnly: true);
                }
            }
        }
    }

    /// <summary>What is called out while loads move and their line reads more than it may.</summary>
    private string? OverMost(string lineId, double tension, UnitSystem units) =>
        scene.Step == PullStep.Clear
        && scene.Lines.FirstOrDefault(l => l.Id == lineId) is { MostN: { } most }
        && tension > most
            ? units.Say(
                $"Stop. {tension:N} is over the {most:N} that the line may read. Hold, and take the load off it."
            )
            : null;

    /// <summary>Follows one pull; a plan that changes begins another.</summary>
    private (LivePull Metric, LivePull Us) PullOf(string lineId)
    {
        var now = SceneOf(lineId);
        return (
            new(now.CommitDeg, now.TensionAtLean, UnitSystem.Metric),
            new(now.CommitDeg, now.TensionAtLean, UnitSystem.Us)
        );
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

    /// <summary>Writes what waits. What cannot be written waits on, and those who watch are told.</summary>
    private void Flush()
    {
        Dictionary<string, List<TracePoint>> going;
        lock (turn)
        {
            if (pending.Count == 0)
            {
                return;
            }

            (going, pending) = (pending, new(StringComparer.Ordinal));
        }

        foreach (var (line, points) in going)
        {
            try
            {
                store.Append(jobId, line, points);
            }
            catch (Exception e) when (e is Microsoft.Data.Sqlite.SqliteException or IOException)
            {
                lock (turn)
                {
                    var waiting = Pending(line);
                    waiting.InsertRange(0, points);
                    waiting.RemoveRange(0, Math.Max(0, waiting.Count - MostPending));
                    SayTrouble(line, 0, CannotKeep);
                }
            }
        }
    }

    private List<TracePoint> Pending(string lineId)
    {
        if (!pending.TryGetValue(lineId, out var points))
        {
            pending[lineId] = points = [];
        }

        return points;
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

            feeds[key] = feed = NewFeed(lineId);
        }

        return feed;
    }

    private CellFeed NewFeed(string lineId) => new(scene.Lines.FirstOrDefault(l => l.Id == lineId)?.PlannedN ?? 0);

    private bool IsSlack => scene.IsSlack && scene.Lines.Count > 0;

    private static TracePoint? PointOf(in FedReading fed, long atMs, float leanDeg, bool simulated = false) =>
        fed is { TensionN: { } tension, State: FeedState.Taken or FeedState.Doubtful }
            ? new TracePoint(atMs, (float)tension, leanDeg, float.NaN, fed.State == FeedState.Doubtful)
            {
                Simulated = simulated,
            }
            : null;

    private LiveMessage WordOfEntries() => new(entries, null, NowMs(), null, null, false, 0, "");

    private LiveMessage MessageOf(string lineId, in TracePoint point, in FedReading fed, UnitSystem units) =>
        new(
            entries,
            lineId,
            point.AtMs,
            point.TensionN,
            float.IsNaN(point.LeanDeg) ? null : point.LeanDeg,
            point.Doubtful,
            fed.Missed,
            OverMost(lineId, point.TensionN, units) ?? fed.Trouble
        );

    private void SayTrouble(string lineId, long missed, string words) =>
        Send(_ => new(entries, lineId, NowMs(), null, null, true, missed, words), cellsOnly: true);

    private void Send(Func<UnitSystem, LiveMessage> message, bool cellsOnly)
    {
        var (metric, us) = (default(LiveMessage), default(LiveMessage));
        foreach (var watcher in watching)
        {
            if (watcher.Cells || !cellsOnly)
            {
                watcher.Channel.TryWrite(
                    watcher.Units == UnitSystem.Us
                        ? us ??= message(UnitSystem.Us)
                        : metric ??= message(UnitSystem.Metric)
                );
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

    /// <inheritdoc/>
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
