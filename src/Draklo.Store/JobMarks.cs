using Dapper;

namespace Draklo.Store;

/// <param name="Mark">Changes whenever anything that is kept of the job does, but for readings of a load cell.</param>
public sealed record JobMark(string Id, string Mark);

/// <summary>Whether anything of a job changed, without reading it.</summary>
public sealed class JobMarks(Database database)
{
    /// <summary>In the order of the ids; jobs that are gone are left out.</summary>
    public IReadOnlyList<JobMark> Of(IReadOnlyCollection<string> ids)
    {
        using var connection = database.Connect();
        var marks = connection
            .Query<JobMark>(
                """
                select j.id as id,
                    j.revision
                    || '.' || (select count(*) from pull_entry e where e.job_id = j.id)
                    || '.' || (select count(*) from signature s where s.job_id = j.id)
                    || '.' || (select count(*) from brief b where b.job_id = j.id)
                    || '.' || coalesce((select l.revision from job_log l where l.job_id = j.id), 0)
                    || '.' || (select count(out_at) || '-' || count(back_at) || '-' || coalesce(max(max(coalesce(out_at, ''), coalesce(back_at, ''))), '') from packing_tick t where t.job_id = j.id)
                    as mark
                from job j where j.deleted_at is null and j.id in @ids
                """,
                new { ids }
            )
            .ToDictionary(m => m.Id, StringComparer.Ordinal);
        return [.. ids.Select(id => marks.GetValueOrDefault(id)).OfType<JobMark>()];
    }
}
