using System.Data;
using System.Security.Cryptography;
using System.Text;
using Dapper;
using Draklo.Core.Briefs;

namespace Draklo.Store;

/// <summary>What is kept of a job beside its plan: signatures, briefs as issued, gear out and back.</summary>
public sealed class BriefStore(Database database, TimeProvider clock)
{
    /// <summary>Every signature of a job, the earliest first; void ones too.</summary>
    public IReadOnlyList<Signature> Signatures(string jobId)
    {
        using var connection = database.Connect();
        return SignaturesOf(connection, jobId, null);
    }

    /// <summary>Puts a name under a page, once.</summary>
    /// <param name="seal">Of a PIN that was given at a tablet out of range; null for one given here. Each opens once.</param>
    /// <param name="sign">Makes the signature, with its time, from its number and those before it; null where it stands already.</param>
    /// <returns>False where the seal has been used.</returns>
    public bool Sign(string jobId, string? seal, Func<long, string, IReadOnlyList<Signature>, Signature?> sign) =>
        database.Write(
            (connection, transaction) =>
            {
                if (seal is not null && !Use(connection, transaction, seal))
                {
                    return false;
                }

                var before = SignaturesOf(connection, jobId, transaction);
                var number = connection.QuerySingle<long>(
                    "select coalesce(max(number), 0) + 1 from signature",
                    transaction: transaction
                );
                if (sign(number, Now(), before) is not { } made)
                {
                    return true;
                }

                connection.Execute(
                    "insert into signature (number, job_id, name, signed_at, fingerprint, signature) values (@Number, @jobId, @Name, @At, @Fingerprint, @text)",
                    new
                    {
                        made.Number,
                        jobId,
                        made.Name,
                        made.At,
                        made.Fingerprint,
                        text = Documents.Text(made),
                    },
                    transaction
                );
                return true;
            },
            ofJobs: true
        );

    /// <returns>False where it has been used before.</returns>
    private bool Use(IDbConnection connection, IDbTransaction transaction, string seal) =>
        connection.Execute(
            "insert into used_seal (hash, used_at) values (@hash, @at) on conflict do nothing",
            new { hash = Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(seal))), at = Now() },
            transaction
        ) == 1;

    public IReadOnlyList<IssuedBrief> Issued(string jobId)
    {
        using var connection = database.Connect();
        return connection
            .Query<(long Number, long Revision, string At, string By, string Fingerprint, bool FromArchive)>(
                "select number, revision, issued_at, issued_by, fingerprint, from_archive from brief where job_id = @jobId order by number",
                new { jobId }
            )
            .Select(b => new IssuedBrief(b.Number, b.Revision, b.At, b.By, b.Fingerprint)
            {
                FromArchive = b.FromArchive,
            })
            .ToList();
    }

    /// <summary>The page as it was issued; null when there is no such brief.</summary>
    public string? Page(string jobId, long number)
    {
        using var connection = database.Connect();
        return connection.QuerySingleOrDefault<string>(
            "select cast(page as text) from brief where job_id = @jobId and number = @number",
            new { jobId, number }
        );
    }

    /// <summary>Keeps a page as issued, under the next number; not where another was issued since it was looked at.</summary>
    /// <param name="before">How many were issued when it was looked at, 0 or more.</param>
    /// <param name="seal">As for a signature.</param>
    /// <param name="page">Makes the text from what is kept about it.</param>
    /// <returns>False where the seal has been used.</returns>
    public bool Issue(
        string jobId,
        int before,
        string? seal,
        int revision,
        string by,
        string fingerprint,
        Func<IssuedBrief, string> page
    ) =>
        database.Write(
            (connection, transaction) =>
            {
                if (seal is not null && !Use(connection, transaction, seal))
                {
                    return false;
                }

                var (count, number) = connection.QuerySingle<(long, long)>(
                    "select count(*), coalesce(max(number), 0) + 1 from brief where job_id = @jobId",
                    new { jobId },
                    transaction
                );
                if (count != before)
                {
                    return true;
                }

                var issued = new IssuedBrief(number, revision, Now(), by, fingerprint);
                Insert(connection, transaction, jobId, issued, page(issued));
                return true;
            },
            ofJobs: true
        );

    public IReadOnlyList<PackingTick> Ticks(string jobId)
    {
        using var connection = database.Connect();
        return connection
            .Query<PackingTick>(
                "select piece, out_at as outAt, out_by as outBy, back_at as backAt, back_by as backBy from packing_tick where job_id = @jobId order by piece",
                new { jobId }
            )
            .ToList();
    }

    /// <summary>Ticks a piece out of the yard or back in, or takes a tick away.</summary>
    /// <param name="ago">How long ago it was ticked, at a tablet out of range.</param>
    public void Tick(string jobId, string piece, bool? isOut, bool? isBack, string by, TimeSpan ago = default) =>
        database.Write(
            (connection, transaction) =>
            {
                connection.Execute(
                    "insert into packing_tick (job_id, piece) values (@jobId, @piece) on conflict do nothing",
                    new { jobId, piece },
                    transaction
                );
                Set("out", isOut);
                Set("back", isBack);
                return true;

                void Set(string which, bool? ticked)
                {
                    if (ticked is { } yes)
                    {
                        connection.Execute(
                            $"update packing_tick set {which}_at = @at, {which}_by = @by where job_id = @jobId and piece = @piece",
                            new
                            {
                                jobId,
                                piece,
                                at = yes ? (clock.GetUtcNow() - ago).ToString("O") : null,
                                by = yes ? by : null,
                            },
                            transaction
                        );
                    }
                }
            },
            ofJobs: true
        );

    /// <summary>Puts what an archive holds beside a new job.</summary>
    public void Fill(
        string jobId,
        IEnumerable<Signature> signatures,
        IEnumerable<(IssuedBrief Brief, string Page)> briefs,
        IEnumerable<PackingTick> ticks
    ) =>
        database.Write(
            (connection, transaction) =>
            {
                foreach (var signature in signatures)
                {
                    connection.Execute(
                        "insert into signature (job_id, name, signed_at, fingerprint, signature) values (@jobId, @Name, @At, @Fingerprint, @text)",
                        new
                        {
                            jobId,
                            signature.Name,
                            signature.At,
                            signature.Fingerprint,
                            text = Documents.Text(signature),
                        },
                        transaction
                    );
                }

                foreach (var (brief, page) in briefs)
                {
                    Insert(connection, transaction, jobId, brief, page);
                }

                foreach (var tick in ticks)
                {
                    connection.Execute(
                        "insert into packing_tick (job_id, piece, out_at, out_by, back_at, back_by) values (@jobId, @Piece, @OutAt, @OutBy, @BackAt, @BackBy)",
                        new
                        {
                            jobId,
                            tick.Piece,
                            tick.OutAt,
                            tick.OutBy,
                            tick.BackAt,
                            tick.BackBy,
                        },
                        transaction
                    );
                }

                return true;
            },
            ofJobs: true
        );

    private static void Insert(
        IDbConnection connection,
        IDbTransaction transaction,
        string jobId,
        IssuedBrief brief,
        string page
    )
    {
        connection.Execute(
            "insert into brief (job_id, number, revision, issued_at, issued_by, fingerprint, page, from_archive) values (@jobId, @Number, @Revision, @IssuedAt, @IssuedBy, @Fingerprint, @page, @FromArchive)",
            new
            {
                jobId,
                brief.Number,
                brief.Revision,
                brief.IssuedAt,
                brief.IssuedBy,
                brief.Fingerprint,
                page,
                brief.FromArchive,
            },
            transaction
        );
        StageKept.Settle(connection, transaction, jobId);
    }

    private static List<Signature> SignaturesOf(IDbConnection connection, string jobId, IDbTransaction? transaction) =>
        connection
            .Query<(long Number, string? Text)>(
                "select number, cast(signature as text) from signature where job_id = @jobId order by number",
                new { jobId },
                transaction
            )
            .Whole(r => Documents.Read<Signature>(r.Text, Kept.Signature, $"{r.Number}") with { Number = r.Number })
            .ToList();

    private string Now() => clock.GetUtcNow().ToString("O");
}
