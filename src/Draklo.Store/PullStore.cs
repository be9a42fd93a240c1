using System.Data;
using Dapper;
using Draklo.Core.Pulling;

namespace Draklo.Store;

/// <summary>The first and last moment of a line's trace, and how many readings lie between.</summary>
public sealed record TraceExtent(string LineId, long FromMs, long ToMs, long Count);

/// <summary>The day of a job: what was said and read, and the load cells' readings.</summary>
public sealed class PullStore(Database database, TimeProvider clock)
{
    /// <summary>Every entry of a job, the earliest first; undone ones too.</summary>
    public IReadOnlyList<DayEntry> Entries(string jobId)
    {
        using var connection = database.Connect();
        return EntriesOf(connection, jobId, null);
    }

    /// <summary>Keeps an entry, unless one with its key is kept already. Two tablets take turns here.</summary>
    /// <param name="make">Makes the entry from the time and all before it; null refuses it.</param>
    /// <returns>The entry that is kept now; null where it was refused.</returns>
    public DayEntry? Add(string jobId, string key, Func<DateTimeOffset, IReadOnlyList<DayEntry>, DayEntry?> make) =>
        database.Write(
            (connection, transaction) =>
            {
                var before = EntriesOf(connection, jobId, transaction);
                if (before.Find(e => e.Entry.Key == key) is { } kept)
                {
                    return kept;
                }

                if (make(clock.GetUtcNow(), before) is not { } made)
                {
                    return null;
                }

                Insert(connection, transaction, jobId, made);
                return made;
            },
            ofJobs: true
        );

    /// <summary>Puts what an archive holds beside a new job.</summary>
    public void Fill(
        string jobId,
        IEnumerable<DayEntry> entries,
        IEnumerable<(string LineId, IReadOnlyList<TracePoint> Points)> traces
    )
    {
        database.Write(
            (connection, transaction) =>
            {
                foreach (var entry in entries)
                {
                    Insert(connection, transaction, jobId, entry);
                }

                return true;
            },
            ofJobs: true
        );
        foreach (var (line, points) in traces)
        {
            foreach (var part in points.Chunk(PointsAtOnce))
            {
                Append(jobId, line, part);
            }
        }
    }

    private const int PointsAtOnce = 1200;

    /// <summary>Keeps readings of a line, in the order of their time.</summary>
    public void Append(string jobId, string lineId, ReadOnlySpan<TracePoint> points)
    {
        if (points.Length == 0)
        {
            return;
        }

        var bytes = new byte[points.Length * TracePoint.Bytes];
        for (var i = 0; i < points.Length; i++)
        {
            points[i].Write(bytes.AsSpan(i * TracePoint.Bytes));
        }

        var (from, to, count) = (points[0].AtMs, points[^1].AtMs, points.Length);
        database.Write(
            (connection, transaction) =>
                connection.Execute(
                    """
                    insert into pull_trace (job_id, line_id, number, from_ms, to_ms, count, points)
                    select @jobId, @lineId, coalesce(max(number), 0) + 1, @from, @to, @count, @bytes
                    from pull_trace where job_id = @jobId and line_id = @lineId
                    """,
                    new
                    {
                        jobId,
                        lineId,
                        from,
                        to,
                        count,
                        bytes,
                    },
                    transaction
                ),
            ofJobs: true
        );
    }

    public IReadOnlyList<TraceExtent> Extents(string jobId)
    {
        using var connection = database.Connect();
        return connection
            // By position: SQLite tells no types of sums where there are no rows.
            .Query<(string LineId, long FromMs, long ToMs, long Count)>(
                "select line_id as lineId, min(from_ms) as fromMs, max(to_ms) as toMs, sum(count) as count from pull_trace where job_id = @jobId group by line_id order by line_id",
                new { jobId }
            )
            .Select(e => new TraceExtent(e.LineId, e.FromMs, e.ToMs, e.Count))
            .ToList();
    }

    /// <summary>A line's readings in the order in which they were kept, read piece by piece.</summary>
    public IEnumerable<TracePoint> Trace(string jobId, string lineId)
    {
        using var connection = database.Connect();
        foreach (
            var bytes in connection.Query<byte[]>(
                "select points from pull_trace where job_id = @jobId and line_id = @lineId order by number",
                new { jobId, lineId },
                buffered: false
            )
        )
        {
            for (var at = 0; at + TracePoint.Bytes <= bytes.Length; at += TracePoint.Bytes)
            {
                yield return TracePoint.Read(bytes.AsSpan(at));
            }
        }
    }

    private static void Insert(IDbConnection connection, IDbTransaction transaction, string jobId, DayEntry entry) =>
        connection.Execute(
            "insert into pull_entry (job_id, number, key, made_at, entry) values (@jobId, @Number, @key, @At, @text)",
            new
            {
                jobId,
                entry.Number,
                key = entry.Entry.Key,
                entry.At,
                text = Documents.Text(entry),
            },
            transaction
        );

    private static List<DayEntry> EntriesOf(IDbConnection connection, string jobId, IDbTransaction? transaction) =>
        connection
            .Query<(long Number, string? Text)>(
                "select number, cast(entry as text) from pull_entry where job_id = @jobId order by number",
                new { jobId },
                transaction
            )
            .Whole(r => Documents.Read<DayEntry>(r.Text, Kept.Entry, $"{jobId}/{r.Number}"))
            .ToList();
}
