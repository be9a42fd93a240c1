using Dapper;
using Microsoft.Data.Sqlite;

namespace Draklo.Store;

/// <summary>What the list shows of a job.</summary>
public sealed record ListedJob
{
    public required string Id { get; init; }

    public long Revision { get; init; }

    public string Name { get; init; } = "";

    public string Place { get; init; } = "";

    public string? PlannedOn { get; init; }

    /// <summary>How the pieces stood that its plan uses; null when nothing is remembered.</summary>
    public string? Gear { get; init; }

    /// <summary>JSON; null when nothing is remembered of this revision.</summary>
    public string? Entry { get; init; }

    /// <summary>How far it has come.</summary>
    public string Stage { get; init; } = "";

    /// <summary>The day of its log; null before.</summary>
    public string? OnDay { get; init; }

    public string Species { get; init; } = "";

    public string Crew { get; init; } = "";
}

/// <summary>A job as a year's view and a map have it.</summary>
public sealed record JobOfYear
{
    public string Id { get; init; } = "";

    public string Name { get; init; } = "";

    public string Place { get; init; } = "";

    public string Species { get; init; } = "";

    public string Crew { get; init; } = "";

    public string Stage { get; init; } = "";

    /// <summary>Of its log, or when it is planned.</summary>
    public string? OnDay { get; init; }

    /// <summary>Degrees north, −90 to 90; null without a place.</summary>
    public double? Latitude { get; init; }

    /// <summary>Degrees east, −180 to 180; null without a place.</summary>
    public double? Longitude { get; init; }
}

/// <summary>Jobs as they are listed, searched and counted; what the list shows of each is remembered.</summary>
public sealed class JobIndex(Database database)
{
    /// <summary>What the list shows of jobs that are not deleted.</summary>
    /// <param name="units">As in "metric"; entries are sentences.</param>
    /// <param name="madeBy">The build that asks: what another one wrote is not taken.</param>
    public IReadOnlyList<ListedJob> Listed(string units, string madeBy, JobSearch search, int offset, int limit)
    {
        using var connection = database.Connect();
        // Both see the same jobs.
        using var transaction = connection.BeginTransaction(deferred: true);
        var ids = connection
            .Query<string>(
                $"select id from ({JobSearch.Rows}) where {search.Where} order by {search.Order} limit @limit offset @offset",
                search.Arguments(new { offset, limit }),
                transaction
            )
            .ToList();
        var found = connection
            .Query<ListedJob>(
                """
                select j.id, j.revision, r.name, r.place, r.planned_on as plannedOn, e.gear, e.entry, j.stage, j.on_day as onDay, j.species, j.crew
                from job j
                join job_revision r on r.job_id = j.id and r.number = j.revision
                left join job_entry e
                    on e.job_id = j.id and e.number = j.revision and e.units = @units and e.made_by = @madeBy
                        and json_valid(cast(r.plan as text))
                where j.id in @ids
                """,
                new
                {
                    units,
                    madeBy,
                    ids,
                },
                transaction
            )
            .ToDictionary(j => j.Id, StringComparer.Ordinal);
        return [.. ids.Where(found.ContainsKey).Select(id => found[id])];
    }

    /// <summary>Everything that a year's view counts, of jobs that are not deleted.</summary>
    public IReadOnlyList<JobOfYear> Found(JobSearch search)
    {
        using var connection = database.Connect();
        return connection
            .Query<JobOfYear>(
                $"""
                select id, name, place, species, crew, stage, coalesce(on_day, planned_on) as onDay, latitude, longitude
                from ({JobSearch.Rows}) x where {search.Where} order by {search.Order}
                """,
                search.Arguments(new { })
            )
            .ToList();
    }

    /// <summary>Years that some job is of, the latest first.</summary>
    public IReadOnlyList<int> Years()
    {
        using var connection = database.Connect();
        return
        [
            .. connection.Query<int>(
                $"select distinct cast(substr(coalesce(on_day, planned_on), 1, 4) as integer) from ({JobSearch.Rows}) where coalesce(on_day, planned_on) is not null order by 1 desc"
            ),
        ];
    }

    /// <summary>Species, places and people that some job names, for choosing among.</summary>
    public (IReadOnlyList<string> Species, IReadOnlyList<string> Places, IReadOnlyList<string> Crew) Named()
    {
        using var connection = database.Connect();
        return (
            Distinct("species"),
            Distinct("place"),
            [
                .. Distinct("crew")
                    .SelectMany(c => c.Split(", "))
                    .Where(n => n.Length > 0)
                    .Distinct(StringComparer.Ordinal)
                    .Order(StringComparer.Ordinal),
            ]
        );

        IReadOnlyList<string> Distinct(string column) =>
            [
                .. connection.Query<string>(
                    $"select distinct {column} from job where deleted_at is null and {column} <> '' order by 1"
                ),
            ];
    }

    /// <summary>How many jobs a search finds, 0 or more.</summary>
    public int Count(JobSearch search)
    {
        using var connection = database.Connect();
        return connection.QuerySingle<int>(
            $"select count(*) from ({JobSearch.Rows}) x where {search.Where}",
            search.Arguments(new { })
        );
    }

    /// <summary>Remembers what the list shows.</summary>
    public void Remember(IEnumerable<ListedJob> jobs, string units, string madeBy)
    {
        try
        {
            Write(jobs, units, madeBy);
        }
        catch (SqliteException)
        {
            // A full disk, or a file that another program holds, keeps nobody from reading the list.
        }
    }

    private void Write(IEnumerable<ListedJob> jobs, string units, string madeBy) =>
        database.Write(
            (connection, transaction) =>
            {
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
                return true;
            },
            ofJobs: true
        );

    /// <summary>Forgets what the list shows of some jobs, as when their rows were found damaged.</summary>
    public void Forget(IEnumerable<string> ids) =>
        database.Write(
            (connection, transaction) =>
                connection.Execute(
                    "delete from job_entry where job_id = @id",
                    ids.Select(id => new { id }),
                    transaction
                ),
            ofJobs: true
        );
}
