using Dapper;
using Draklo.Core.Gear;
using Draklo.Core.Reading;

namespace Draklo.Store;

/// <summary>The one row that says when pieces of the locker flag themselves.</summary>
internal sealed class RulesTable(Database database, TimeProvider clock)
{
    private const string Select = "select cast(rules as text) from locker_rules where id = 1";

    public LockerRules Read()
    {
        using var connection = database.Connect();
        return connection
                .Query<string>(Select)
                .Whole(text => Documents.Read<LockerRules>(text, Kept.Rules, "1"))
                .FirstOrDefault()
            ?? new();
    }

    public void Keep(LockerRules rules) =>
        database.Write(
            (connection, transaction) =>
            {
                var before = connection.QuerySingleOrDefault<string>(Select, transaction: transaction);
                var text = UnknownMembers.Carry<LockerRules>(before, Documents.Text(rules));
                connection.Execute(
                    "insert into locker_rules (id, saved_at, rules) values (1, @at, @text) on conflict (id) do update set saved_at = excluded.saved_at, rules = excluded.rules",
                    new { at = clock.GetUtcNow().ToString("O"), text },
                    transaction
                );
                History.Note(
                    connection,
                    transaction,
                    clock,
                    new(Kept.Rules, "1", before is null ? "added" : "changed", before, text)
                );
                return true;
            }
        );
}
