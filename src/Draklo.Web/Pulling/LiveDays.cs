using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using System.Threading.Channels;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Outside;

namespace Draklo.Web.Pulling;

/// <summary>The days that somebody watches just now: one reader for each load cell however many watch, everything kept.</summary>
internal sealed class LiveDays(PullDesk desk, PullStore store, ILoadCell cell, ILeanGauge gauge, TimeProvider clock)
    : IDisposable
{
    /// <summary>A day that nobody watches is forgotten after so long; its readings are in the file.</summary>
    private static readonly TimeSpan KeptIdle = TimeSpan.FromMinutes(10);

    private readonly ConcurrentDictionary<string, LiveDay> days = new(StringComparer.Ordinal);

    /// <summary>How many days are held just now.</summary>
    public int Count => days.Count;

    /// <summary>Messages of a job's day until nobody listens any more.</summary>
    /// <param name="cells">Whether the load cells are read; without, only word of entries comes.</param>
    /// <param name="units">What the sentences are written in.</param>
    public async IAsyncEnumerable<LiveMessage> WatchAsync(
        string jobId,
        bool cells,
        UnitSystem units,
        [EnumeratorCancellation] CancellationToken cancellation
    )
    {
        // Whoever is slow misses readings, and never holds up others; what is kept is whole.
        var channel = Channel.CreateBounded<LiveMessage>(
            new BoundedChannelOptions(200) { FullMode = BoundedChannelFullMode.DropOldest, SingleReader = true }
        );
        var watcher = new Watcher(channel.Writer, cells, units);
        var day = DayOf(jobId);
        day.Join(watcher);
        try
        {
            await foreach (var message in channel.Reader.ReadAllAsync(cancellation))
            {
                yield return message;
            }
        }
        finally
        {
            await day.LeaveAsync(watcher);
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

    /// <summary>Takes what a device read, keeps it, and passes it on.</summary>
    public CellKept Take(string jobId, CellReadings sent) => DayOf(jobId).Take(sent);

    /// <inheritdoc/>
    public void Dispose()
    {
        foreach (var day in days.Values)
        {
            day.Dispose();
        }
    }

    private LiveDay DayOf(string jobId)
    {
        foreach (var (id, day) in days)
        {
            if (id != jobId && day.IsIdle(KeptIdle) && days.TryRemove(id, out var over))
            {
                over.Dispose();
            }
        }

        return days.GetOrAdd(jobId, id => new LiveDay(id, desk, store, cell, gauge, clock));
    }
}
