using System.Data;
using Dapper;

namespace Draklo.Store;

/// <summary>One change to something that is kept.</summary>
/// <param name="Action">As in "changed" or "deleted".</param>
/// <param name="Before">Its text before; null where it was not there.</param>
/// <param name="After">Its text after; null where it is not there any more.</param>
internal sealed record Change(string Kind, string Id, string Action, string? Before, string? After);

/// <param name="Number">Counts the changes of a data file.</param>
/// <param name="At">ISO 8601, UTC.</param>
/// <param name="Who">Empty while nobody has said who works at the device.</param>
/// <param name="Kind">job, gear, inspection, use, rules, species, policy or tackle.</param>
/// <param name="Name">What the crew calls it, as far as it can be read.</param>
/// <param name="Action">As in "changed" or "deleted".</param>
/// <param name="CanUndo">Whether nothing else has happened to it since.</param>
public sealed record HistoryEntry(
    long Number,
    string At,
    string Who,
    string Kind,
    string Id,
    string Name,
    string Action,
    bool CanUndo
);

/// <summary>How an undo went.</summary>
public enum UndoResult
{
    Undone,

    /// <summary>Something else happened to it since.</summary>
    ChangedSince,
    Missing,
}

/// <summary>Who changed what, and when, of all that is kept beside the plans; each last change can be undone.</summary>
public sealed class History(Database database, TimeProvider clock)
{
    private const string Entries = """
        select number, at, who, kind, id, action,
               coalesce(case kind
                   when 'job' then (select j.name from job j where j.id = h.id)
                   when 'inspection' then (select i.item_id || ', ' || i.on_day from gear_inspection i where i.number = h.id)
                   when 'use' then (select u.item_id || ', ' || u.on_day from gear_use u where u.number = h.id)
                   when 'log' then (select j.name from job j where j.id = h.id)
                   when 'rules' then ''
                   else case when json_valid(coalesce(after, before)) then coalesce(
                       coalesce(after, before) ->> '$.name',
                       coalesce(after, before) ->> '$.members.name',
                       coalesce(after, before) ->> '$.tackle.name') end
               end, id) as name,
               number = (select max(l.number) from history l where l.kind = h.kind and l.id = h.id) as can_undo
        from history h
        """;

    /// <summary>The latest changes first.</summary>
    /// <param name="before">Only those before this number; 0 for the latest.</param>
    public IReadOnlyList<HistoryEntry> List(long before = 0, int limit = 100, string? kind = null, string? id = null)
    {
        using var connection = database.Connect();
        return
        [
            .. connection
                .Query<Row>(
                    $"""
                    {Entries}
                    where (@before = 0 or number < @before) and (@kind is null or kind = @kind) and (@id is null or id = @id)
                    order by number desc limit @limit
                    """,
                    new
                    {
                        before,
                        limit,
                        kind,
                        id,
                    }
                )
                .Select(r => r.ToEntry()),
        ];
    }

    /// <summary>What a change was of; null without one of this number.</summary>
    public (string Kind, string Id)? Of(long number)
    {
        using var connection = database.Connect();
        return connection
            .Query<(string, string)>("select kind, id from history where number = @number", new { number })
            .Select(r => ((string, string)?)r)
            .SingleOrDefault();
    }

    /// <summary>Puts things back as they were before a change. The undo is a change of its own, and can be undone.</summary>
    public UndoResult Undo(long number) =>
        database.Write(
            (connection, transaction) =>
            {
                var entry = connection.QuerySingleOrDefault<Row>(
                    $"select * from (select x.*, h.before, h.after from ({Entries}) x join history h on h.number = x.number) where number = @number",
                    new { number },
                    transaction
                );
                if (entry is null)
                {
                    return UndoResult.Missing;
                }

                if (entry.Can_undo == 0)
                {
                    return UndoResult.ChangedSince;
                }

                var arguments = new
                {
                    entry.Id,
                    text = entry.Before,
                    at = clock.GetUtcNow().ToString("O"),
                };
                foreach (var statement in Statements(entry.Kind, entry.Before))
                {
                    connection.Execute(statement, arguments, transaction);
                }

                if (entry.Kind == Kept.Log)
                {
                    StageKept.Settle(connection, transaction, entry.Id);
                }

                Note(
                    connection,
                    transaction,
                    clock,
                    new(entry.Kind, entry.Id, $"undone: {entry.Action}", entry.After, entry.Before)
                );
                return UndoResult.Undone;
            }
        );

    /// <summary>Writes a change down, within the transaction that makes it.</summary>
    internal static void Note(
        IDbConnection connection,
        IDbTransaction transaction,
        TimeProvider clock,
        Change change
    ) =>
        connection.Execute(
            "insert into history (at, who, kind, id, action, before, after) values (@at, @who, @Kind, @Id, @Action, @Before, @After)",
            new
            {
                at = clock.GetUtcNow().ToString("O"),
                who = Author.Name,
                change.Kind,
                change.Id,
                change.Action,
                change.Before,
                change.After,
            },
            transaction
        );

    /// <summary>What puts the text from before back, or takes away what was not there.</summary>
    private static string[] Statements(string kind, string? before) =>
        (kind, before) switch
        {
            (Kept.Job, null) => ["update job set deleted_at = @at where id = @Id"],
            (Kept.Job, _) =>
            [
                "update job set deleted_at = null where id = @Id",
                // Empty for a deletion, whose plan is still the one that it was.
                "update job_revision set plan = @text where @text <> '' and job_id = @Id and number = (select revision from job where id = @Id)",
            ],
            (Kept.Gear, null) => ["update gear_item set deleted_at = @at, revision = revision + 1 where id = @Id"],
            (Kept.Gear, _) =>
            [
                "update gear_item set deleted_at = null, saved_at = @at, item = @text, revision = revision + 1 where id = @Id",
            ],
            (Kept.Inspection, null) =>
            [
                "update gear_inspection set undone_at = @at where number = @Id",
                "update gear_inspection set open = 1, closed_by = null where closed_by = @Id",
            ],
            (Kept.Inspection, _) =>
            [
                "update gear_inspection set undone_at = null where number = @Id",
                "update gear_inspection set open = 0, closed_by = @Id where open = 1 and number < @Id and item_id = (select item_id from gear_inspection where number = @Id)",
            ],
            (Kept.Use, null) => ["update gear_use set undone_at = @at where number = @Id"],
            (Kept.Use, _) => ["update gear_use set undone_at = null where number = @Id"],
            (Kept.Log, null) => ["delete from job_log where job_id = @Id"],
            (Kept.Log, _) =>
            [
                "update job_log set saved_at = @at, log = @text, stage = @text ->> '$.stage', on_day = @text ->> '$.on', learned = '', revision = revision + 1 where job_id = @Id",
            ],
            (Kept.Rules, null) => ["delete from locker_rules where id = @Id"],
            (Kept.Rules, _) => [Upsert("locker_rules", "rules")],
            _ when Kept.Tables.FirstOrDefault(t => t.Kind == kind) is { Table: { } table } named =>
            [
                before is null ? $"delete from {table} where id = @Id" : Upsert(table, named.Column),
            ],
            _ => [],
        };

    private static string Upsert(string table, string column) =>
        $"insert into {table} (id, saved_at, {column}) values (@Id, @at, @text) on conflict (id) do update set saved_at = excluded.saved_at, {column} = excluded.{column}";

    private sealed class Row
    {
        public long Number { get; init; }

        public string At { get; init; } = "";

        public string Who { get; init; } = "";

        public string Kind { get; init; } = "";

        public string Id { get; init; } = "";

        public string Name { get; init; } = "";

        public string Action { get; init; } = "";

        public long Can_undo { get; init; }

        public string? Before { get; init; }

        public string? After { get; init; }

        public HistoryEntry ToEntry() => new(Number, At, Who, Kind, Id, Name, Action, Can_undo == 1);
    }
}
