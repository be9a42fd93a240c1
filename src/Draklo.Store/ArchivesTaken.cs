using System.Security.Cryptography;
using Dapper;

namespace Draklo.Store;

/// <summary>Which archives were taken in, and what job each became.</summary>
public sealed class ArchivesTaken(Database database, TimeProvider clock) : IDisposable
{
    private readonly SemaphoreSlim turn = new(1, 1);

    /// <summary>One archive is taken in at a time, so that the same one sent twice at once is seen; disposed of, the next comes.</summary>
    public async Task<IDisposable> TurnAsync(CancellationToken cancelled)
    {
        await turn.WaitAsync(cancelled);
        return new Turn(turn);
    }

    public void Dispose() => turn.Dispose();

    private sealed class Turn(SemaphoreSlim turn) : IDisposable
    {
        public void Dispose() => turn.Release();
    }

    /// <summary>The job that this very file became, and when; null where it was not taken in, or its job is gone.</summary>
    public (string JobId, string Name, DateTimeOffset At)? Find(byte[] file)
    {
        using var connection = database.Connect();
        return
            connection.QuerySingleOrDefault<(string JobId, string Name, string At)?>(
                """
                select t.job_id, j.name, t.taken_at from archive_taken t join job j on j.id = t.job_id
                where t.hash = @hash and j.deleted_at is null
                """,
                new { hash = HashOf(file) }
            )
                is var (id, name, at)
            ? (id, name, DateTimeOffset.Parse(at, null))
            : null;
    }

    public void Remember(byte[] file, string jobId) =>
        database.Write(
            (connection, transaction) =>
                connection.Execute(
                    "insert or replace into archive_taken (hash, job_id, taken_at) values (@hash, @jobId, @now)",
                    new
                    {
                        hash = HashOf(file),
                        jobId,
                        now = clock.GetUtcNow().ToString("O"),
                    },
                    transaction
                ),
            ofJobs: true
        );

    private static string HashOf(byte[] file) => Convert.ToHexStringLower(SHA256.HashData(file));
}
