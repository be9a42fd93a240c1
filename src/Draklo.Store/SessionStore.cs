using System.Data;
using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using Dapper;

namespace Draklo.Store;

/// <summary>A device that was paired with this yard.</summary>
/// <param name="GuestOf">The only job whose brief it reads; null for a device of the crew.</param>
public sealed record PairedDevice(string Id, string Name, string PairedAt, string? GuestOf);

/// <summary>Somebody signed in on a device.</summary>
public sealed record KeptSession
{
    public required string Id { get; init; }

    public required string DeviceId { get; init; }

    public required string Device { get; init; }

    /// <summary>Null for a guest.</summary>
    public required string? PersonId { get; init; }

    public required string Name { get; init; }

    public required string Role { get; init; }

    /// <summary>The only job that a guest sees; null for the crew.</summary>
    public required string? JobId { get; init; }

    public required string BegunAt { get; init; }

    public required string SeenAt { get; init; }

    public required string EndsAt { get; init; }
}

/// <summary>A sign-in that was tried, or something that became of one.</summary>
public sealed record SignInTried(long Number, string At, string What, string Who, string Device, string Address);

/// <summary>Devices, sessions and the record of sign-ins; tokens are kept as hashes alone.</summary>
public sealed class SessionStore(Database database, TimeProvider clock)
{
    private const int MostTried = 5000;

    /// <summary>Of one kind from one address; what strangers try pushes out nobody else's.</summary>
    private const int MostOfSource = 100;

    /// <summary>Of one kind from all addresses.</summary>
    private const int MostOfKind = 1500;

    /// <summary>
    /// Forgets every device and session in a data file that comes from a backup: whoever was turned out since must not come in
    /// by it.
    /// </summary>
    internal static void LetNobodyIn(IDbConnection file)
    {
        var tables = file.Query<string>(
            "select name from sqlite_master where type = 'table' and name in ('session', 'device')"
        );
        foreach (var table in tables.OrderDescending(StringComparer.Ordinal))
        {
            file.Execute($"delete from {table}");
        }
    }

    /// <summary>Remembers a device.</summary>
    /// <returns>The token that it shows from now on; nobody can read it here again.</returns>
    public (PairedDevice Device, string Token) Pair(string name, string? guestOf = null)
    {
        var (id, token) = (NewToken()[..16], NewToken());
        database.Write(
            (connection, transaction) =>
                connection.Execute(
                    "insert into device (id, token_hash, name, paired_at, guest_of) values (@id, @hash, @name, @now, @guestOf)",
                    new
                    {
                        id,
                        hash = HashOf(token),
                        name,
                        now = Now(),
                        guestOf,
                    },
                    transaction
                ),
            ofJobs: true
        );
        return (new(id, name, Now(), guestOf), token);
    }

    public PairedDevice? Device(string token)
    {
        using var connection = database.Connect();
        return connection.QuerySingleOrDefault<PairedDevice>(
            "select id, name, paired_at as pairedAt, guest_of as guestOf from device where token_hash = @hash and gone_at is null",
            new { hash = HashOf(token) }
        );
    }

    public IReadOnlyList<PairedDevice> Devices()
    {
        using var connection = database.Connect();
        return connection
            .Query<PairedDevice>(
                "select id, name, paired_at as pairedAt, guest_of as guestOf from device where gone_at is null order by paired_at desc"
            )
            .ToList();
    }

    /// <summary>Forgets a device; whoever is signed in on it is so no longer.</summary>
    /// <returns>False if it does not exist.</returns>
    public bool Forget(string deviceId) =>
        database.Write(
            (connection, transaction) =>
            {
                connection.Execute(
                    "update session set ended_at = @now where device_id = @deviceId and ended_at is null",
                    new { deviceId, now = Now() },
                    transaction
                );
                return connection.Execute(
                        "update device set gone_at = @now where id = @deviceId and gone_at is null",
                        new { deviceId, now = Now() },
                        transaction
                    ) == 1;
            },
            ofJobs: true
        );

    /// <summary>Signs somebody in on a device; who was signed in there before no longer is.</summary>
    /// <returns>The token that the device shows beside its own.</returns>
    public string Begin(string deviceId, string? personId, string name, string role, string? jobId, TimeSpan lasts)
    {
        var (id, token) = (NewToken()[..16], NewToken());
        var now = clock.GetUtcNow();
        database.Write(
            (connection, transaction) =>
            {
                connection.Execute(
                    "update session set ended_at = @now where device_id = @deviceId and ended_at is null",
                    new { deviceId, now = Stamp(now) },
                    transaction
                );
                return connection.Execute(
                    """
                    insert into session (id, token_hash, device_id, person_id, name, role, job_id, begun_at, seen_at, ends_at)
                    values (@id, @hash, @deviceId, @personId, @name, @role, @jobId, @now, @now, @ends)
                    """,
                    new
                    {
                        id,
                        hash = HashOf(token),
                        deviceId,
                        personId,
                        name,
                        role,
                        jobId,
                        now = Stamp(now),
                        ends = Stamp(now + lasts),
                    },
                    transaction
                );
            },
            ofJobs: true
        );
        return token;
    }

    /// <summary>Who shows this token; null where nobody is signed in by it, or no longer.</summary>
    public KeptSession? Find(string token) =>
        Sessions("s.token_hash = @hash", new { hash = HashOf(token), now = Now() }).SingleOrDefault();

    public IReadOnlyList<KeptSession> List() => Sessions("true", new { now = Now() });

    /// <summary>Says that a session is in use.</summary>
    public void Seen(string id) =>
        database.Write(
            (connection, transaction) =>
                connection.Execute(
                    "update session set seen_at = @now where id = @id",
                    new { id, now = Now() },
                    transaction
                ),
            ofJobs: true
        );

    /// <returns>False if it does not exist.</returns>
    public bool End(string id) =>
        database.Write(
            (connection, transaction) =>
                connection.Execute(
                    "update session set ended_at = @now where id = @id and ended_at is null",
                    new { id, now = Now() },
                    transaction
                ) == 1,
            ofJobs: true
        );

    /// <summary>Ends every session of a person.</summary>
    public void EndOf(string personId) =>
        database.Write(
            (connection, transaction) =>
                connection.Execute(
                    "update session set ended_at = @now where person_id = @personId and ended_at is null",
                    new { personId, now = Now() },
                    transaction
                ),
            ofJobs: true
        );

    public void Note(string what, string who, string device, string address) =>
        database.Write(
            (connection, transaction) =>
            {
                connection.Execute(
                    "insert into sign_in (at, what, who, device, address) values (@now, @what, @who, @device, @address)",
                    new
                    {
                        now = Now(),
                        what,
                        who,
                        device,
                        address,
                    },
                    transaction
                );
                return connection.Execute(
                    """
                    delete from sign_in where number in (
                        select number from sign_in where what = @what and address = @address
                        order by number desc limit -1 offset @MostOfSource);
                    delete from sign_in where number in (
                        select number from sign_in where what = @what order by number desc limit -1 offset @MostOfKind);
                    delete from sign_in where number in (
                        select number from sign_in order by number desc limit -1 offset @MostTried);
                    """,
                    new
                    {
                        what,
                        address,
                        MostOfSource,
                        MostOfKind,
                        MostTried,
                    },
                    transaction
                );
            },
            ofJobs: true
        );

    /// <summary>The latest first.</summary>
    public IReadOnlyList<SignInTried> Tried(int limit)
    {
        using var connection = database.Connect();
        return connection
            .Query<SignInTried>(
                "select number, at, what, who, device, address from sign_in order by number desc limit @limit",
                new { limit }
            )
            .ToList();
    }

    private List<KeptSession> Sessions(string which, object with)
    {
        using var connection = database.Connect();
        return connection
            .Query<KeptSession>(
                $"""
                select s.id, s.device_id as deviceId, d.name as device, s.person_id as personId, s.name, s.role,
                    s.job_id as jobId, s.begun_at as begunAt, s.seen_at as seenAt, s.ends_at as endsAt
                from session s join device d on d.id = s.device_id
                where {which} and s.ended_at is null and d.gone_at is null and s.ends_at > @now
                order by s.seen_at desc
                """,
                with
            )
            .ToList();
    }

    private string Now() => Stamp(clock.GetUtcNow());

    /// <summary>Of one length, so that texts sort as times do.</summary>
    private static string Stamp(DateTimeOffset time) =>
        time.UtcDateTime.ToString("yyyy-MM-ddTHH:mm:ss.fffffffZ", CultureInfo.InvariantCulture);

    private static string NewToken() => Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(32));

    private static string HashOf(string token) =>
        Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(token)));
}
