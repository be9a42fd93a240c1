using System.Data;
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

    /// <summary>Puts a name under a page.</summary>
    /// <param name="sign">Makes the signature, with its time, from its number and the one before it.</param>
    public Signature Sign(string jobId, Func<long, string, Signature?, Signature> sign) =>
        database.Write(
            (connection, transaction) =>
            {
                var last = SignaturesOf(connection, jobId, transaction).LastOrDefault();
                var number = connection.QuerySingle<long>(
                    "select coalesce(max(number), 0) + 1 from signature",
                    transaction: transaction
                );
                var made = sign(number, Now(), last);
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
                return made;
            },
            ofJobs: true
        );

    public IReadOnlyList<IssuedBrief> Issued(string jobId)
    {
        using var connection = database.Connect();
        return connection
            .Query<IssuedBrief>(
                "select number, revision, issued_at as issuedAt, issued_by as issuedBy, fingerprint from brief where job_id = @jobId order by number",
                new { jobId }
            )
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

    /// <summary>Keeps a page as issued, under the next number.</summary>
    /// <param name="page">Makes the text from what is kept about it.</param>
    public IssuedBrief Issue(
        string jobId,
        int revision,
        string by,
        string fingerprint,
        Func<IssuedBrief, string> page
    ) =>
        database.Write(
            (connection, transaction) =>
            {
                var number = connection.QuerySingle<long>(
                    "select coalesce(max(number), 0) + 1 from brief where job_id = @jobId",
                    new { jobId },
                    transaction
                );
                var issued = new IssuedBrief(number, revision, Now(), by, fingerprint);
                Insert(connection, transaction, jobId, issued, page(issued));
                return issued;
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
    ) =>
        connection.Execute(
            "insert into brief (job_id, number, revision, issued_at, issued_by, fingerprint, page) values (@jobId, @Number, @Revision, @IssuedAt, @IssuedBy, @Fingerprint, @page)",
            new
            {
                jobId,
                brief.Number,
                brief.Revision,
                brief.IssuedAt,
                brief.IssuedBy,
                brief.Fingerprint,
                page,
            },
            transaction
        );

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
