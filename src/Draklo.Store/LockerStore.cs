using System.Data;
using Dapper;
using Draklo.Core.Gear;
using Draklo.Core.Logs;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Store;

/// <summary>A piece as it is kept, with what is known of its past.</summary>
/// <param name="Revision">Counts saves, from 1.</param>
public sealed record KeptItem(GearItem Item, int Revision, GearPast Past);

/// <param name="Number">Of the entry, for the whole locker.</param>
public sealed record KeptInspection(long Number, bool Open, Inspection Inspection);

/// <param name="Number">Of the entry, for the whole locker.</param>
public sealed record KeptUse(long Number, GearUse Use);

/// <summary>The crew's gear with its inspections and uses.</summary>
public sealed partial class LockerStore(Database database, TimeProvider clock)
{
    private const string Pasts = """
        select i.id, i.revision, cast(i.item as text) as item,
               (select max(u.peak_n) from gear_use u where u.item_id = i.id and u.undone_at is null) as peak_n,
               (select u.on_day from gear_use u where u.item_id = i.id and u.undone_at is null and u.peak_n is not null order by u.peak_n desc limit 1) as peak_on,
               (select max(s.on_day) from gear_inspection s where s.item_id = i.id and s.undone_at is null and s.job_id is null) as inspected_on,
               (select min(s.on_day) from gear_inspection s where s.item_id = i.id and s.undone_at is null and s.open = 1) as open_since,
               (select max(u.on_day) from gear_use u where u.item_id = i.id and u.undone_at is null and u.shock = 1
                   and u.on_day >= coalesce((select max(s.on_day) from gear_inspection s where s.item_id = i.id and s.undone_at is null and s.job_id is null), '')) as shock_on,
               (select count(*) from gear_use u where u.item_id = i.id and u.undone_at is null
                   and u.on_day > coalesce((select max(s.on_day) from gear_inspection s where s.item_id = i.id and s.undone_at is null and s.job_id is null), '')) as uses_since
        from gear_item i where i.deleted_at is null
        """;

    private readonly RulesTable rules = new(database, clock);
    private readonly Lock gate = new();
    private readonly Dictionary<
        UnitSystem,
        (long Version, DateOnly Day, IReadOnlyDictionary<string, GearStanding> By)
    > standings = [];

    public DateOnly Today => DateOnly.FromDateTime(clock.GetLocalNow().Date);

    public IReadOnlyList<KeptItem> List()
    {
        using var connection = database.Connect();
        return connection.Query<Row>($"{Pasts} order by i.id").Whole(r => r.ToItem()).ToList();
    }

    public KeptItem? Find(string id)
    {
        using var connection = database.Connect();
        return Find(connection, id, null);
    }

    /// <summary>Ids that no new piece may have, because a deleted one keeps its past under them.</summary>
    public IReadOnlySet<string> DeletedIds()
    {
        using var connection = database.Connect();
        return connection
            .Query<string>("select id from gear_item where deleted_at is not null")
            .ToHashSet(StringComparer.Ordinal);
    }

    /// <summary>Keeps a new piece.</summary>
    /// <returns>False when its id is taken, by a deleted one too.</returns>
    public bool Create(GearItem item) => Write((connection, transaction) => Insert(connection, transaction, item));

    /// <summary>Saves over a revision.</summary>
    public (SaveResult Result, KeptItem? Item) Save(GearItem item, int revision) =>
        Write(
            (connection, transaction) =>
            {
                var before = TextOf(connection, transaction, item.Id);
                var text = UnknownMembers.Carry<GearItem>(before, Documents.Text(item));
                var saved = connection.Execute(
                    "update gear_item set revision = revision + 1, saved_at = @at, item = @text where id = @Id and revision = @revision and deleted_at is null",
                    new
                    {
                        item.Id,
                        revision,
                        at = Now(),
                        text,
                    },
                    transaction
                );
                if (saved == 1)
                {
                    Note(connection, transaction, new(Kept.Gear, item.Id, "changed", before, text));
                }

                var now = Find(connection, item.Id, transaction);
                return (
                    saved == 1 ? SaveResult.Saved
                    : now is null ? SaveResult.Missing
                    : SaveResult.Stale,
                    now
                );
            }
        );

    /// <summary>Takes a piece off the list; restore brings it back with all that was written of it.</summary>
    public bool Delete(string id) =>
        Write(
            (connection, transaction) =>
            {
                var before = TextOf(connection, transaction, id);
                var gone = connection.Execute(
                    "update gear_item set deleted_at = @at where id = @id and deleted_at is null",
                    new { id, at = Now() },
                    transaction
                );
                if (gone == 1)
                {
                    Note(connection, transaction, new(Kept.Gear, id, "deleted", before, null));
                }

                return gone == 1;
            }
        );

    public bool Restore(string id) =>
        Write(
            (connection, transaction) =>
            {
                var back = connection.Execute(
                    "update gear_item set deleted_at = null where id = @id and deleted_at is not null",
                    new { id },
                    transaction
                );
                if (back == 1)
                {
                    Note(
                        connection,
                        transaction,
                        new(Kept.Gear, id, "restored", null, TextOf(connection, transaction, id))
                    );
                }

                return TextOf(connection, transaction, id) is not null;
            }
        );

    /// <summary>Keeps new pieces with their past, all at once; uses come before inspections.</summary>
    public void Fill(
        IEnumerable<(GearItem Item, IEnumerable<GearUse> Uses, IEnumerable<Inspection> Inspections)> pieces
    ) =>
        Write(
            (connection, transaction) =>
            {
                foreach (var (item, uses, inspections) in pieces)
                {
                    Insert(connection, transaction, item);
                    foreach (var use in uses)
                    {
                        Use(connection, transaction, item.Id, use);
                    }

                    foreach (var inspection in inspections)
                    {
                        Inspect(connection, transaction, item.Id, inspection);
                    }
                }

                return true;
            }
        );

    /// <summary>Keeps all of a file's pieces, or none of them.</summary>
    public void Import(IEnumerable<GearItem> items) =>
        Write(
            (connection, transaction) =>
            {
                foreach (var item in items)
                {
                    var before = TextOf(connection, transaction, item.Id);
                    var text = UnknownMembers.Carry<GearItem>(before, Documents.Text(item));
                    if (text == before)
                    {
                        continue;
                    }

                    connection.Execute(
                        """
                        insert into gear_item (id, revision, saved_at, item) values (@Id, 1, @at, @text)
                        on conflict (id) do update set revision = revision + 1, saved_at = excluded.saved_at, item = excluded.item
                        where deleted_at is null
                        """,
                        new
                        {
                            item.Id,
                            at = Now(),
                            text,
                        },
                        transaction
                    );
                    var action = before is null ? "added from a file" : "changed from a file";
                    Note(connection, transaction, new(Kept.Gear, item.Id, action, before, text));
                }

                return true;
            }
        );

    /// <summary>When pieces flag themselves; the usual while none are kept, or those kept cannot be read.</summary>
    public LockerRules Rules() => rules.Read();

    public void Keep(LockerRules kept) => rules.Keep(kept);

    /// <summary>
    /// How every piece stands today, for the plans that use them. Read again only after something was written or a day
    /// has passed.
    /// </summary>
    public IReadOnlyDictionary<string, GearStanding> Standings(UnitSystem units)
    {
        var today = Today;
        var now = database.KeptWrites;
        lock (gate)
        {
            if (standings.TryGetValue(units, out var known) && known.Version == now && known.Day == today)
            {
                return known.By;
            }
        }

        var flags = Rules();
        var by = List()
            .ToDictionary(
                k => k.Item.Id,
                k => GearFlags.Standing(k.Item, GearFlags.Of(k.Item, k.Past, flags, today, units)),
                StringComparer.Ordinal
            );
        lock (gate)
        {
            standings[units] = (now, today, by);
        }

        return by;
    }

    private static KeptItem? Find(IDbConnection connection, string id, IDbTransaction? transaction) =>
        connection.QuerySingleOrDefault<Row>($"{Pasts} and i.id = @id", new { id }, transaction)?.ToItem();

    private bool Insert(IDbConnection connection, IDbTransaction transaction, GearItem item)
    {
        var text = Documents.Text(item);
        var added = connection.Execute(
            "insert into gear_item (id, revision, saved_at, item) values (@Id, 1, @at, @text) on conflict (id) do nothing",
            new
            {
                item.Id,
                at = Now(),
                text,
            },
            transaction
        );
        if (added == 1)
        {
            Note(connection, transaction, new(Kept.Gear, item.Id, "added", null, text));
        }

        return added == 1;
    }

    private static string? TextOf(IDbConnection connection, IDbTransaction transaction, string id) =>
        connection.QuerySingleOrDefault<string>(
            "select cast(item as text) from gear_item where id = @id and deleted_at is null",
            new { id },
            transaction
        );

    private void Note(IDbConnection connection, IDbTransaction transaction, Change change) =>
        History.Note(connection, transaction, clock, change);

    private T Write<T>(Func<IDbConnection, IDbTransaction, T> write) => database.Write(write);

    private string Now() => clock.GetUtcNow().ToString("O");

    private sealed class Row
    {
        public string Id { get; init; } = "";

        public long Revision { get; init; }

        public string Item { get; init; } = "";

        /// <summary>Greatest force on that use, N, 0 or more; null where nobody read it.</summary>
        public double? Peak_n { get; init; }

        public string? Peak_on { get; init; }

        public string? Inspected_on { get; init; }

        public string? Open_since { get; init; }

        public string? Shock_on { get; init; }

        public long Uses_since { get; init; }

        public KeptItem ToItem() =>
            new(
                Documents.Read<GearItem>(Item, Kept.Gear, Id),
                (int)Revision,
                new(Peak_n, Peak_on, Inspected_on, Open_since, Shock_on, (int)Uses_since)
            );
    }
}
