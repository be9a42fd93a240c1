using System.Data;
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

/// <param name="SavedBy">Empty while nobody has said who works at the device.</param>
public sealed record KeptRevision(long Number, string SavedAt, string SavedBy, string Name);

/// <summary>How a save went.</summary>
public enum SaveResult
{
    Saved,

    /// <summary>Somebody else saved since the revision that this save began from; nothing was written.</summary>
    Stale,

    /// <summary>There is no such job, or it was deleted.</summary>
    Missing,
}

/// <summary>A job was saved.</summary>
/// <param name="job">As it now stands.</param>
/// <param name="by">Empty where nobody has said.</param>
/// <param name="page">That it was saved on; empty where none was.</param>
public sealed class JobSavedEventArgs(Job job, string by, string page) : EventArgs
{
    public Job Job => job;

    public string By => by;

    public string Page => page;
}

/// <summary>Jobs with their plans, every save kept as a revision.</summary>
public sealed class JobStore(Database database, TimeProvider clock)
{
    private const string Current = """
        select j.id, j.revision, r.saved_at, r.name, r.place, r.planned_on, cast(r.plan as text) as plan
        from job j join job_revision r on r.job_id = j.id and r.number = j.revision
        where j.deleted_at is null
        """;

    public event EventHandler<JobSavedEventArgs>? Saved;

    /// <summary>All jobs that are not deleted, the soonest first and those without a day last.</summary>
    public IReadOnlyList<Job> List()
    {
        using var connection = database.Connect();
        return connection
            .Query<Row>($"{Current} order by r.planned_on is null, r.planned_on, j.created_at, j.id")
            .Whole(r => r.ToJob())
            .ToList();
    }

    public Job? Find(string id)
    {
        using var connection = database.Connect();
        return connection.QuerySingleOrDefault<Row>($"{Current} and j.id = @id", new { id })?.ToJob();
    }

    public Job Create(JobContent content) =>
        database.Write(
            (connection, transaction) =>
            {
                var now = clock.GetUtcNow();
                var job = new Job(Guid.CreateVersion7(now).ToString("N"), 1, now, content);
                connection.Execute(
                    "insert into job (id, revision, created_at, planned_on, name, place, species, crew, latitude, longitude) values (@id, 1, @now, @plannedOn, @name, @place, @species, @crew, @latitude, @longitude)",
                    Shown(job.Id, content, Stamp(now), 0),
                    transaction
                );
                InsertRevision(connection, transaction, job, Documents.Text(content.Plan));
                Note(connection, transaction, new(Kept.Job, job.Id, "added", null, ""));
                return job;
            },
            ofJobs: true
        );

    /// <summary>Saves over a revision.</summary>
    /// <param name="revision">The revision that the change began from.</param>
    /// <returns>The job as it now stands in the store, null when it is missing.</returns>
    public (SaveResult Result, Job? Job) Save(string id, int revision, JobContent content)
    {
        var (result, job) = Written(id, revision, content);
        if (result == SaveResult.Saved && job is not null)
        {
            Saved?.Invoke(this, new(job, Author.Name, Author.Page));
        }

        return (result, job);
    }

    private (SaveResult Result, Job? Job) Written(string id, int revision, JobContent content) =>
        database.Write(
            (connection, transaction) =>
            {
                var saved = connection.Execute(
                    """
                    update job set revision = revision + 1, planned_on = @plannedOn, name = @name, place = @place,
                        species = @species, crew = @crew, latitude = @latitude, longitude = @longitude
                    where id = @id and revision = @revision and deleted_at is null
                    """,
                    Shown(id, content, "", revision),
                    transaction
                );
                if (saved == 0)
                {
                    var current = connection
                        .QuerySingleOrDefault<Row>($"{Current} and j.id = @id", new { id }, transaction)
                        ?.ToJob();
                    return (current is null ? SaveResult.Missing : SaveResult.Stale, current);
                }

                var before = connection.QuerySingle<string>(
                    "select cast(plan as text) from job_revision where job_id = @id and number = @revision",
                    new { id, revision },
                    transaction
                );
                var job = new Job(id, revision + 1, clock.GetUtcNow(), content);
                InsertRevision(
                    connection,
                    transaction,
                    job,
                    UnknownMembers.Carry<Plan>(before, Documents.Text(content.Plan))
                );
                return (SaveResult.Saved, (Job?)job);
            },
            ofJobs: true
        );

    /// <summary>Takes a job off the list; its revisions stay.</summary>
    /// <returns>False when there is no such job.</returns>
    public bool Delete(string id) =>
        database.Write(
            (connection, transaction) =>
            {
                var gone = connection.Execute(
                    "update job set deleted_at = @now where id = @id and deleted_at is null",
                    new { id, now = Stamp(clock.GetUtcNow()) },
                    transaction
                );
                if (gone == 1)
                {
                    Note(connection, transaction, new(Kept.Job, id, "deleted", "", null));
                }

                return gone == 1;
            }
        );

    /// <summary>Puts a deleted job back as it was.</summary>
    public Job? Restore(string id)
    {
        database.Write(
            (connection, transaction) =>
            {
                var back = connection.Execute(
                    "update job set deleted_at = null where id = @id and deleted_at is not null",
                    new { id },
                    transaction
                );
                if (back == 1)
                {
                    Note(connection, transaction, new(Kept.Job, id, "restored", null, ""));
                }

                return back;
            }
        );
        return Find(id);
    }

    /// <summary>Every revision of a job that is still kept, the latest first.</summary>
    public IReadOnlyList<KeptRevision> Revisions(string id)
    {
        using var connection = database.Connect();
        return connection
            .Query<KeptRevision>(
                "select number, saved_at as savedAt, saved_by as savedBy, name from job_revision where job_id = @id order by number desc",
                new { id }
            )
            .ToList();
    }

    /// <summary>A job as an earlier revision had it; null when that one is not kept.</summary>
    public Job? Find(string id, int number)
    {
        using var connection = database.Connect();
        return connection
            .QuerySingleOrDefault<Row>(
                """
                select j.id, r.number as revision, r.saved_at, r.name, r.place, r.planned_on, cast(r.plan as text) as plan
                from job j join job_revision r on r.job_id = j.id
                where j.deleted_at is null and j.id = @id and r.number = @number
                """,
                new { id, number }
            )
            ?.ToJob();
    }

    /// <summary>
    /// Thins old revisions: all of the last week stay, of the year before it the last of each day, of what is older the
    /// last of each month; the current one always.
    /// </summary>
    /// <returns>How many went.</returns>
    public int Thin()
    {
        var now = clock.GetUtcNow();
        return database.Write(
            (connection, transaction) =>
                connection.Execute(
                    """
                    delete from job_revision
                    where (job_id, number) in (
                        select job_id, number from (
                            select r.job_id, r.number, r.number = j.revision as current,
                                   r.number = max(r.number) over (
                                       partition by r.job_id,
                                       case when r.saved_at >= @week then r.number || ''
                                            when r.saved_at >= @year then substr(r.saved_at, 1, 10)
                                            else substr(r.saved_at, 1, 7) end
                                   ) as kept
                            from job_revision r join job j on j.id = r.job_id
                        ) where not current and not kept
                    )
                    """,
                    new { week = Stamp(now.AddDays(-7)), year = Stamp(now.AddYears(-1)) },
                    transaction
                )
        );
    }

    private void Note(IDbConnection connection, IDbTransaction transaction, Change change) =>
        History.Note(connection, transaction, clock, change);

    /// <summary>What the list searches and sorts by, as a job's own row has it.</summary>
    private static object Shown(string id, JobContent content, string now, int revision)
    {
        var plan = content.Plan;
        return new
        {
            id,
            now,
            revision,
            plannedOn = content.PlannedOn,
            name = content.Name,
            place = content.Place,
            species = plan.Tree.SpeciesId ?? "",
            crew = string.Join(", ", plan.Crew.Select(c => c.Name.Trim())),
            latitude = plan.Site.Origin?.LatitudeDeg,
            longitude = plan.Site.Origin?.LongitudeDeg,
        };
    }

    private static void InsertRevision(IDbConnection connection, IDbTransaction transaction, Job job, string plan) =>
        connection.Execute(
            """
            insert into job_revision (job_id, number, saved_at, saved_by, name, place, planned_on, plan)
            values (@Id, @Revision, @savedAt, @savedBy, @Name, @Place, @PlannedOn, @plan)
            """,
            new
            {
                job.Id,
                job.Revision,
                savedAt = Stamp(job.SavedAt),
                savedBy = Author.Name,
                job.Content.Name,
                job.Content.Place,
                job.Content.PlannedOn,
                plan,
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
                DateTimeOffset.TryParse(Saved_at, out var saved) ? saved : DateTimeOffset.UnixEpoch,
                new(Name, Place, Planned_on, Documents.Read<Plan>(Plan, Kept.Job, Id))
            );
    }
}
