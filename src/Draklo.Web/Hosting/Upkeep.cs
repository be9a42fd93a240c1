using Draklo.Store;

namespace Draklo.Web.Hosting;

/// <summary>What is looked after while nobody asks: backups, the file's own health, old revisions, the log of writes.</summary>
internal sealed partial class Upkeep(
    Database database,
    Backups backups,
    Damage damage,
    JobStore jobs,
    JobIndex index,
    TimeProvider clock,
    ILogger<Upkeep> log
) : BackgroundService
{
    private static readonly TimeSpan Pause = TimeSpan.FromSeconds(30);

    /// <summary>Bytes allocated between two looks while next to nothing is asked.</summary>
    private const long Quiet = 20_000_000;
    private static readonly TimeSpan Daily = TimeSpan.FromDays(1);

    private long backedUp = -1;
    private long settled;
    private long allocated;
    private bool wasBusy = true;
    private DateTimeOffset checkedAt = DateTimeOffset.MinValue;

    /// <summary>When the file was last checked from end to end.</summary>
    public DateTimeOffset? CheckedAt => checkedAt == DateTimeOffset.MinValue ? null : checkedAt;

    /// <summary>What SQLite finds wrong with the file; null until it was looked at.</summary>
    public IReadOnlyList<string>? Faults { get; private set; }

    /// <summary>Rows that cannot be read, as found last.</summary>
    public int Damaged { get; private set; }

    /// <summary>Why the day's backup could not be made; null when it was.</summary>
    public string? BackupFault { get; private set; }

    /// <summary>Looks at the file and its rows.</summary>
    public void Check()
    {
        Faults = database.Integrity();
        var damaged = damage.Find();
        Damaged = damaged.Count;
        if (damaged.Any(d => d.Kind == "job"))
        {
            index.Forget(damaged.Where(d => d.Kind == "job").Select(d => d.Id));
        }

        checkedAt = clock.GetUtcNow();
        if (Faults.Count > 0)
        {
            LogFaults(Faults.Count, Faults[0]);
        }

        if (Damaged > 0)
        {
            LogDamaged(Damaged);
        }
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        await Task.Yield();
        ClearHalf();
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                Look();
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                LogFailed(e);
            }

            try
            {
                await Task.Delay(Pause, clock, stoppingToken);
            }
            catch (OperationCanceledException)
            {
                return;
            }
        }
    }

    /// <summary>What a run that was killed left half done.</summary>
    private void ClearHalf()
    {
        try
        {
            backups.ClearHalf();
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            LogFailed(e);
        }
    }

    private void Look()
    {
        var now = clock.GetUtcNow();
        if (now - checkedAt >= Daily)
        {
            Check();
            var gone = jobs.Thin();
            if (gone > 0)
            {
                LogThinned(gone);
            }
        }

        MakeDaily(now);
        GiveBackMemory();
        var writes = database.Writes;
        if (writes != settled)
        {
            // Only once nothing was written for a while: the next pause finds the same count.
            settled = writes;
        }
        else if (settled > 0)
        {
            database.Checkpoint();
        }
    }

    /// <summary>After heavy use, once hardly anything is asked any more, what it took goes back to the machine.</summary>
    private void GiveBackMemory()
    {
        var total = GC.GetTotalAllocatedBytes();
        var lately = total - allocated;
        allocated = total;
        if (lately > Quiet)
        {
            wasBusy = true;
        }
        else if (wasBusy)
        {
            wasBusy = false;
            GC.Collect(GC.MaxGeneration, GCCollectionMode.Aggressive, blocking: true, compacting: true);
        }
    }

    private void MakeDaily(DateTimeOffset now)
    {
        if (backedUp == database.Writes)
        {
            return;
        }

        var last = backups.List().FirstOrDefault(b => b.Reason == BackupReason.Daily);
        if (last is not null && now - last.MadeAt < Daily)
        {
            return;
        }

        var writes = database.Writes;
        try
        {
            backups.Make(BackupReason.Daily);
            BackupFault = null;
            backedUp = writes;
        }
        catch (BackupException e)
        {
            BackupFault = e.Message;
            throw;
        }
    }

    [LoggerMessage(LogLevel.Error, "The data file has {Count} faults, first: {First}")]
    private partial void LogFaults(int count, string first);

    [LoggerMessage(LogLevel.Warning, "{Count} rows cannot be read and are passed over")]
    private partial void LogDamaged(int count);

    [LoggerMessage(LogLevel.Information, "{Count} old revisions thinned out")]
    private partial void LogThinned(int count);

    [LoggerMessage(LogLevel.Error, "Looking after the data folder failed")]
    private partial void LogFailed(Exception exception);
}
