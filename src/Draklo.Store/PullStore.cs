using System.Data;
using Dapper;
using Draklo.Core.Pulling;

namespace Draklo.Store;

/// <summary>The first and last moment of a line's trace, and how many readings lie between.</summary>
public sealed record TraceExtent(string LineId, long FromMs, long ToMs, long Count);

/// <summary>One load cell in one line, from when it was switched on until it is switched off.</summary>
/// <param name="Cell">Its own name.</param>
/// <param name="Session">Made new whenever it is switched on and counts from the beginning.</param>
public sealed record CellSession(string LineId, string Cell, string Session);

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
    public void Append(string jobId, string lineId, IReadOnlyList<TracePoint> points)
    {
        if (points.Count > 0)
        {
            database.Write(
                (connection, transaction) => Append(connection, transaction, jobId, lineId, points),
                ofJobs: true
            );
        }
    }

    /// <summary>Keeps a parcel of a cell's readings: each number of a session once, however often and whenever it is sent.</summary>
    /// <param name="numbers">Of the parcel's readings, in its order.</param>
    /// <param name="judge">Makes points of the readings that were not kept before, given by their places in the parcel in the
    /// order of their numbers; null for one that is no reading, whose number then did not come.</param>
    /// <returns>How many were kept before, and how many numbers are newly missing between those that came.</returns>
    public (int Repeated, long Missed) Take(
        string jobId,
        CellSession cell,
        IReadOnlyList<long> numbers,
        Func<IReadOnlyList<int>, IReadOnlyList<TracePoint?>> judge
    ) =>
        database.Write(
            (connection, transaction) =>
            {
                var before = SpansOf(connection, transaction, jobId, cell);
                var fresh = Enumerable
                    .Range(0, numbers.Count)
                    .Where(i => !before.Has(numbers[i]))
                    .DistinctBy(i => numbers[i])
                    .OrderBy(i => numbers[i])
                    .ToList();
                if (fresh.Count == 0)
                {
                    return (numbers.Count, 0L);
                }

                var points = judge(fresh);
                var kept = points.OfType<TracePoint>().ToList();
                if (kept.Count > 0)
                {
                    Append(connection, transaction, jobId, cell.LineId, kept);
                }

                var now = before.With(fresh.Where((_, n) => points[n] is not null).Select(i => numbers[i]));
                Keep(connection, transaction, jobId, cell, now);
                return (numbers.Count - fresh.Count, Math.Max(0, now.Missing - before.Missing));
            },
            ofJobs: true
        );

    private static NumberSpans SpansOf(
        IDbConnection connection,
        IDbTransaction transaction,
        string jobId,
        CellSession cell
    ) =>
        new(
            connection
                .Query<(long First, long Last)>(
                    "select first, last from cell_numbers where job_id = @jobId and line_id = @LineId and cell = @Cell and session = @Session order by first",
                    new
                    {
                        jobId,
                        cell.LineId,
                        cell.Cell,
                        cell.Session,
                    },
                    transaction
                )
                .ToList()
        );

    private static void Keep(
        IDbConnection connection,
        IDbTransaction transaction,
        string jobId,
        CellSession cell,
        NumberSpans spans
    )
    {
        connection.Execute(
            "delete from cell_numbers where job_id = @jobId and line_id = @LineId and cell = @Cell and session = @Session",
            new
            {
                jobId,
                cell.LineId,
                cell.Cell,
                cell.Session,
            },
            transaction
        );
        connection.Execute(
            "insert into cell_numbers (job_id, line_id, cell, session, first, last) values (@jobId, @LineId, @Cell, @Session, @First, @Last)",
            spans.Stretches.Select(s => new
            {
                jobId,
                cell.LineId,
                cell.Cell,
                cell.Session,
                s.First,
                s.Last,
            }),
            transaction
        );
    }

    private static int Append(
        IDbConnection connection,
        IDbTransaction transaction,
        string jobId,
        string lineId,
        IReadOnlyList<TracePoint> points
    )
    {
        var bytes = new byte[points.Count * TracePoint.Bytes];
        for (var i = 0; i < points.Count; i++)
        {
            points[i].Write(bytes.AsSpan(i * TracePoint.Bytes));
        }

        return connection.Execute(
            """
            insert into pull_trace (job_id, line_id, number, from_ms, to_ms, count, points)
            select @jobId, @lineId, coalesce(max(number), 0) + 1, @from, @to, @count, @bytes
            from pull_trace where job_id = @jobId and line_id = @lineId
            """,
            new
            {
                jobId,
                lineId,
                from = points.Min(p => p.AtMs),
                to = points.Max(p => p.AtMs),
                count = points.Count,
                bytes,
            },
            transaction
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
