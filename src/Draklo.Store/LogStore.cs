using System.Data;
using Dapper;
using Draklo.Core.Logs;
using Draklo.Core.Reading;

namespace Draklo.Store;

/// <param name="Revision">Counts saves, from 1.</param>
public sealed record KeptLog(string JobId, int Revision, string SavedAt, JobLog Log);

/// <summary>Logs of jobs. Keeping one books its gear in the same change.</summary>
public sealed class LogStore(Database database, LockerStore locker, TimeProvider clock)
{
    private LearnedOnce? read;

    public KeptLog? Find(string jobId)
    {
        using var connection = database.Connect();
        return Find(connection, jobId, null);
    }

    /// <summary>Keeps a log over the revision that it began from; 0 for the first.</summary>
    /// <param name="booked">What it writes into the book of each piece, in place of what it wrote before.</param>
    public (SaveResult Result, KeptLog? Kept) Keep(
        string jobId,
        int revision,
        JobLog log,
        LoggedJob learned,
        IReadOnlyList<GearBooked> booked
    ) =>
        database.Write(
            (connection, transaction) =>
            {
                var live = connection.QuerySingle<int>(
                    "select count(*) from job where id = @jobId and deleted_at is null",
                    new { jobId },
                    transaction
                );
                if (live == 0)
                {
                    return (SaveResult.Missing, (KeptLog?)null);
                }

                var now = Find(connection, jobId, transaction);
                if ((now?.Revision ?? 0) != revision)
                {
                    return (SaveResult.Stale, now);
                }

                Put(connection, transaction, jobId, log, learned);
                locker.Rebook(connection, transaction, jobId, booked);
                return (SaveResult.Saved, Find(connection, jobId, transaction));
            }
        );

    /// <summary>Works out again what follows from a log, without a save of it.</summary>
    public void Remake(string jobId, LoggedJob learned, IReadOnlyList<GearBooked> booked) =>
        database.Write(
            (connection, transaction) =>
            {
                connection.Execute(
                    "update job_log set learned = @text where job_id = @jobId",
                    new { jobId, text = Documents.Text(learned) },
                    transaction
                );
                locker.Rebook(connection, transaction, jobId, booked);
                return true;
            }
        );

    /// <summary>Takes back what a log that is gone had booked.</summary>
    public void Unbook(string jobId) =>
        database.Write(
            (connection, transaction) =>
            {
                locker.Rebook(connection, transaction, jobId, []);
                return true;
            }
        );

    /// <summary>Keeps logs of many jobs at once, as a demo or an archive has them.</summary>
    public void Fill(
        IEnumerable<(string JobId, JobLog Log, LoggedJob Learned, IReadOnlyList<GearBooked> Booked)> logs
    ) =>
        database.Write(
            (connection, transaction) =>
            {
                foreach (var (jobId, log, learned, booked) in logs)
                {
                    Put(connection, transaction, jobId, log, learned);
                    locker.Rebook(connection, transaction, jobId, booked);
                }

                return true;
            }
        );

    /// <summary>
    /// What is learned from every job that is not deleted, by day; ids alone where it has to be worked out again. Read again
    /// only after something was written.
    /// </summary>
    public (IReadOnlyList<LoggedJob> Learned, IReadOnlyList<string> ToRemake) Learned()
    {
        var now = database.Writes;
        if (Volatile.Read(ref read) is { } before && before.Writes == now)
        {
            return (before.Learned, before.ToRemake);
        }

        var (learned, remake) = ReadLearned();
        Volatile.Write(ref read, new(now, learned, remake));
        return (learned, remake);
    }

    private (IReadOnlyList<LoggedJob> Learned, IReadOnlyList<string> ToRemake) ReadLearned()
    {
        using var connection = database.Connect();
        var rows = connection
            .Query<(string Id, string Text)>(
                "select l.job_id, l.learned from job_log l join job j on j.id = l.job_id where j.deleted_at is null order by l.on_day, l.job_id"
            )
            .ToList();
        return (
            [.. rows.Where(r => r.Text.Length > 0).Whole(r => Documents.Read<LoggedJob>(r.Text, Kept.Learned, r.Id))],
            [.. rows.Where(r => r.Text.Length == 0).Select(r => r.Id)]
        );
    }

    /// <summary>Logs that tell of a near miss, the latest first, with the name of their job.</summary>
    public IReadOnlyList<(string JobId, string Job, JobLog Log)> WithNearMisses()
    {
        using var connection = database.Connect();
        return connection
            .Query<(string Id, string Name, string Text)>(
                """
                select l.job_id, j.name, cast(l.log as text)
                from job_log l join job j on j.id = l.job_id
                where j.deleted_at is null and json_valid(cast(l.log as text)) and json_array_length(cast(l.log as text), '$.nearMisses') > 0
                order by l.on_day desc, l.job_id
                """
            )
            .Whole(r => (r.Id, r.Name, Documents.Read<JobLog>(r.Text, Kept.Log, r.Id)))
            .ToList();
    }

    /// <summary>Hashes of the pictures that some log shows, of deleted jobs too.</summary>
    public IReadOnlySet<string> Pictures()
    {
        using var connection = database.Connect();
        return connection
            .Query<string>(
                """
                select p.value ->> '$.hash'
                from job_log l, json_each(cast(l.log as text), '$.pictures') p
                where json_valid(cast(l.log as text))
                """
            )
            .ToHashSet(StringComparer.Ordinal);
    }

    private void Put(IDbConnection connection, IDbTransaction transaction, string jobId, JobLog log, LoggedJob learned)
    {
        var before = connection.QuerySingleOrDefault<string>(
            "select cast(log as text) from job_log where job_id = @jobId",
            new { jobId },
            transaction
        );
        var text = UnknownMembers.Carry<JobLog>(before, Documents.Text(log));
        connection.Execute(
            """
            insert into job_log (job_id, revision, saved_at, stage, on_day, log, learned)
            values (@jobId, 1, @at, @stage, @On, @text, @learned)
            on conflict (job_id) do update set revision = revision + 1, saved_at = excluded.saved_at,
                stage = excluded.stage, on_day = excluded.on_day, log = excluded.log, learned = excluded.learned
            """,
            new
            {
                jobId,
                at = clock.GetUtcNow().ToString("O"),
                stage = NameOf(log.Stage),
                log.On,
                text,
                learned = Documents.Text(learned),
            },
            transaction
        );
        StageKept.Settle(connection, transaction, jobId);
        History.Note(
            connection,
            transaction,
            clock,
            new(Kept.Log, jobId, before is null ? "added" : "changed", before, text)
        );
    }

    private static KeptLog? Find(IDbConnection connection, string jobId, IDbTransaction? transaction)
    {
        var row = connection
            .Query<(long Revision, string SavedAt, string Text)>(
                "select revision, saved_at, cast(log as text) from job_log where job_id = @jobId",
                new { jobId },
                transaction
            )
            .ToList();
        return row.Count == 0
            ? null
            : new(jobId, (int)row[0].Revision, row[0].SavedAt, Documents.Read<JobLog>(row[0].Text, Kept.Log, jobId));
    }

    /// <summary>As it is written in the file and in answers.</summary>
    public static string NameOf(JobStage stage) => char.ToLowerInvariant($"{stage}"[0]) + $"{stage}"[1..];

    /// <summary>What was read, and the count of writes before it.</summary>
    private sealed record LearnedOnce(long Writes, IReadOnlyList<LoggedJob> Learned, IReadOnlyList<string> ToRemake);
}
