using System.Data;
using Dapper;

namespace Draklo.Store;

/// <summary>How far a job has come follows from its log, and before that from its briefs. It stands with the job, so that the
/// list is found by an index.</summary>
internal static class StageKept
{
    /// <summary>Says it again with the job, after a log or a brief of it came, changed or went.</summary>
    public static void Settle(IDbConnection connection, IDbTransaction transaction, string jobId) =>
        connection.Execute(
            """
            update job set
                stage = coalesce(
                    (select l.stage from job_log l where l.job_id = job.id),
                    case when exists (select 1 from brief b where b.job_id = job.id) then 'briefed' else 'planned' end),
                on_day = (select l.on_day from job_log l where l.job_id = job.id)
            where id = @jobId
            """,
            new { jobId },
            transaction
        );
}
