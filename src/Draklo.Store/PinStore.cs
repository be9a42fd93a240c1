using Dapper;

namespace Draklo.Store;

/// <param name="Failed">How often in a row it was wrong there.</param>
/// <param name="LockedUntil">Nobody may try there before; null while anybody may.</param>
public sealed record PinTries(int Failed, DateTimeOffset? LockedUntil)
{
    public static PinTries None { get; } = new(0, null);
}

/// <summary>What people sign with, hashed, and how often it was wrong at each device.</summary>
public sealed class PinStore(Database database)
{
    /// <summary>Ids of the people who have one.</summary>
    public IReadOnlyList<string> Ids()
    {
        using var connection = database.Connect();
        return connection.Query<string>("select id from person_pin order by id").ToList();
    }

    /// <returns>The hash; null for somebody without a PIN.</returns>
    public string? Find(string id)
    {
        using var connection = database.Connect();
        return connection.QuerySingleOrDefault<string>("select hash from person_pin where id = @id", new { id });
    }

    public void Keep(string id, string hash) =>
        database.Write(
            (connection, transaction) =>
                connection.Execute(
                    """
                    insert into person_pin (id, hash) values (@id, @hash)
                    on conflict (id) do update set hash = excluded.hash;
                    delete from pin_try where person = @id;
                    """,
                    new { id, hash },
                    transaction
                ),
            ofJobs: true
        );

    /// <param name="device">Its id; empty for this machine itself.</param>
    public PinTries Tries(string id, string device)
    {
        using var connection = database.Connect();
        return
            connection.QuerySingleOrDefault<(long Failed, string? Until)?>(
                "select failed, locked_until from pin_try where person = @id and device = @device",
                new { id, device }
            )
                is var (failed, until)
            ? new((int)failed, until is null ? null : DateTimeOffset.Parse(until, null))
            : PinTries.None;
    }

    /// <param name="device">Its id; empty for this machine itself.</param>
    public void Keep(string id, string device, PinTries tries) =>
        database.Write(
            (connection, transaction) =>
                connection.Execute(
                    tries == PinTries.None
                        ? "delete from pin_try where person = @id and device = @device"
                        : """
                        insert into pin_try (person, device, failed, locked_until) values (@id, @device, @Failed, @until)
                        on conflict (person, device)
                            do update set failed = excluded.failed, locked_until = excluded.locked_until
                        """,
                    new
                    {
                        id,
                        device,
                        tries.Failed,
                        until = tries.LockedUntil?.ToUniversalTime().ToString("O"),
                    },
                    transaction
                ),
            ofJobs: true
        );
}
