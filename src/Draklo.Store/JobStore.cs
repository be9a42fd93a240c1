using System.Data;
using System.Text.Json;
using Dapper;
using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Reading;

namespace Draklo.Store;

/// <summary>What a crew keeps about a job beside its plan.</summary>
/// <param name="PlannedOn">yyyy-MM-dd, or null while no day is set.</param>
public sealed record JobContent(string Name, string Place, string? PlannedOn, Plan Plan);

/// <param name="Revision">Counts saves, from 1.</param>
public sealed record Job(string Id, int Revision, DateTimeOffset SavedAt, JobContent Content);

/// <summary>What the list shows of a job.</summary>
/// <param name="Gear">How the pieces stood that its plan uses; null when nothing is remembered.</param>
/// <param name="Entry">JSON; null when nothing is remembered of this revision.</param>
public sealed record ListedJob(string Id, long Revision, string? Gear, string? Entry);

/// <summary>How a save went.</summary>
public enum SaveResult
{
    Saved,

    /// <summary>Somebody else saved since the revision that this save began from; nothing was written.</summary>
    Stale,

    /// <summary>There is no such job, or it was deleted.</summary>
    Missing,
}

/// <summary>Jobs with their plans, every save kept as a revision.</summary>
public sealed class JobStore(Database database, TimeProvider clock)
{
    private const string Current = """
        select j.id, j.revision, r.saved_at, r.name, r.place, r.planned_on, r.plan
        from job j join job_revision r on r.job_id = j.id and r.number = j.revision
        where j.deleted_at is null
        """;

    /// <summary>All jobs that are not deleted, the soonest first and those without a day last.</summary>
    public IReadOnlyList<Job> List()
    {
        using var connection = database.Connect();
        return connection
            .Query<Row>($"{Current} order by r.planned_on is null, r.planned_on, j.created_at, j.id")
            .Select(r => r.ToJob())
            .ToList();
    }

    /// <summary>What the list shows of every job that is not deleted, in the list's order.</summary>
    /// <param name="units">As in "metric"; entries are sentences.</param>
    /// <param name="madeBy">The build that asks: what another one wrote is not taken.</param>
    public IReadOnlyList<ListedJob> Listed(string units, string madeBy)
    {
        using var connection = database.Connect();
        return connection
            .Query<ListedJob>(
                """
                select j.id, j.revision, e.gear, e.entry
                from job j join job_revision r on r.job_id = j.id and r.number = j.revision
                left join job_entry e
                    on e.job_id = j.id and e.number = j.revision and e.units = @units and e.made_by = @madeBy
                where j.deleted_at is null
                order by r.planned_on is null, r.planned_on, j.created_at, j.id
                """,
                new { units, madeBy }
            )
            .ToList();
    }

    /// <summary>Remembers what the list shows.</summary>
    public void Remember(IEnumerable<ListedJob> jobs, string units, string madeBy)
    {
        using var connection = database.Connect();
        using var transaction = connection.BeginTransaction();
        foreach (var job in jobs)
        {
            connection.Execute(
                """
                insert into job_entry (job_id, number, units, made_by, gear, entry)
                values (@Id, @Revision, @units, @madeBy, @Gear, @Entry)
                on conflict (job_id, units) do update
                set number = excluded.number, made_by = excluded.made_by, gear = excluded.gear, entry = excluded.entry
                """,
                new
                {
                    job.Id,
                    job.Revision,
                    units,
                    madeBy,
                    job.Gear,
                    job.Entry,
                },
                transaction
            );
        }

        transaction.Commit();
    }

    public Job? Find(string id)
    {
        using var connection = database.Connect();
        return connection.QuerySingleOrDefault<Row>($"{Current} and j.id = @id", new { id })?.ToJob();
    }

    public Job Create(JobContent content)
    {
        using var connection = database.Connect();
        using var transaction = connection.BeginTransaction();
        var now = clock.GetUtcNow();
        var job = new Job(Guid.CreateVersion7(now).ToString("N"), 1, now, content);
        connection.Execute(
            "insert into job (id, revision, created_at) values (@Id, 1, @now)",
            new { job.Id, now = Stamp(now) },
            transaction
        );
        InsertRevision(connection, transaction, job);
        transaction.Commit();
        return job;
    }

    /// <summary>Saves over a revision.</summary>
    /// <param name="revision">The revision that the change began from.</param>
    /// <returns>The job as it now stands in the store, null when it is missing.</returns>
    public (SaveResult Result, Job? Job) Save(string id, int revision, JobContent content)
    {
        using var connection = database.Connect();
        using var transaction = connection.BeginTransaction();
        var saved = connection.Execute(
            "update job set revision = revision + 1 where id = @id and revision = @revision and deleted_at is null",
            new { id, revision },
            transaction
        );
        if (saved == 0)
        {
            var current = connection
                .QuerySingleOrDefault<Row>($"{Current} and j.id = @id", new { id }, transaction)
                ?.ToJob();
            return (current is null ? SaveResult.Missing : SaveResult.Stale, current);
        }

        var job = new Job(id, revision + 1, clock.GetUtcNow(), content);
        InsertRevision(connection, transaction, job);
        transaction.Commit();
        return (SaveResult.Saved, job);
    }

    /// <summary>Takes a job off the list; its revisions stay.</summary>
    /// <returns>False when there is no such job.</returns>
    public bool Delete(string id)
    {
        using var connection = database.Connect();
        return connection.Execute(
                "update job set deleted_at = @now where id = @id and deleted_at is null",
                new { id, now = Stamp(clock.GetUtcNow()) }
            ) == 1;
    }

    /// <summary>Puts a deleted job back as it was.</summary>
    public Job? Restore(string id)
    {
        using (var connection = database.Connect())
        {
            connection.Execute("update job set deleted_at = null where id = @id", new { id });
        }

        return Find(id);
    }

    private static void InsertRevision(IDbConnection connection, IDbTransaction transaction, Job job) =>
        connection.Execute(
            """
            insert into job_revision (job_id, number, saved_at, name, place, planned_on, plan)
            values (@Id, @Revision, @savedAt, @Name, @Place, @PlannedOn, @plan)
            """,
            new
            {
                job.Id,
                job.Revision,
                savedAt = Stamp(job.SavedAt),
                job.Content.Name,
                job.Content.Place,
                job.Content.PlannedOn,
                plan = JsonSerializer.Serialize(job.Content.Plan, DocumentReader.Options),
            },
            transaction
        );

    private static string Stamp(DateTimeOffset time) => time.ToUniversalTime().ToString("O");

    private sealed class Row
    {
        public string Id { get; init; } = "";

        public long Revision { get; init; }

        public string Saved_at { get; init; } = "";

        public string Name { get; init; } = "";

        public string Place { get; init; } = "";

        public string? Planned_on { get; init; }

        public string Plan { get; init; } = "";

        public Job ToJob() =>
            new(
                Id,
                (int)Revision,
                DateTimeOffset.Parse(Saved_at),
                new(Name, Place, Planned_on, JsonSerializer.Deserialize<Plan>(Plan, DocumentReader.Options)!)
            );
    }
}
