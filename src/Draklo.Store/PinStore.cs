using Dapper;

namespace Draklo.Store;

/// <param name="Failed">How often in a row it was wrong.</param>
/// <param name="LockedUntil">Nobody may try before; null while anybody may.</param>
public sealed record KeptPin(string Hash, int Failed, DateTimeOffset? LockedUntil);

/// <summary>What people sign with, hashed.</summary>
public sealed class PinStore(Database database)
{
    /// <summary>Ids of the people who have one.</summary>
    public IReadOnlyList<string> Ids()
    {
        using var connection = database.Connect();
        return connection.Query<string>("select id from person_pin order by id").ToList();
    }

    public KeptPin? Find(string id)
    {
        using var connection = database.Connect();
        return
            connection.QuerySingleOrDefault<(string Hash, long Failed, string? Until)?>(
                "select hash, failed, locked_until from person_pin where id = @id",
                new { id }
            )
                is var (hash, failed, until)
            ? new(hash, (int)failed, until is null ? null : DateTimeOffset.Parse(until, null))
            : null;
    }

    public void Keep(string id, KeptPin pin) =>
        database.Write(
            (connection, transaction) =>
                connection.Execute(
                    """
                    insert into person_pin (id, hash, failed, locked_until) values (@id, @Hash, @Failed, @until)
                    on conflict (id) do update set hash = excluded.hash, failed = excluded.failed, locked_until = excluded.locked_until
                    """,
                    new
                    {
                        id,
                        pin.Hash,
                        pin.Failed,
                        until = pin.LockedUntil?.ToUniversalTime().ToString("O"),
                    },
                    transaction
                ),
            ofJobs: true
        );

    public void Drop(string id) =>
        database.Write(
            (connection, transaction) =>
                connection.Execute("delete from person_pin where id = @id", new { id }, transaction),
            ofJobs: true
        );
}
