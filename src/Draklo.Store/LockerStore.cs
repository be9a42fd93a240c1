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
public sealed class LockerStore(Database database, TimeProvider clock)
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

    public IReadOnlyList<KeptInspection> InspectionsOf(string id)
    {
        using var connection = database.Connect();
        return connection
            .Query<(long Number, long Open, string Text)>(
                "select number, open, cast(inspection as text) from gear_inspection where item_id = @id and undone_at is null order by on_day desc, number desc",
                new { id }
            )
            .Whole(r => new KeptInspection(
                r.Number,
                r.Open == 1,
                Documents.Read<Inspection>(r.Text, Kept.Inspection, $"{r.Number}")
            ))
            .ToList();
    }

    public IReadOnlyList<KeptUse> UsesOf(string id)
    {
        using var connection = database.Connect();
        return connection
            .Query<(long Number, string Text)>(
                "select number, cast(use as text) from gear_use where item_id = @id and undone_at is null order by on_day desc, number desc",
                new { id }
            )
            .Whole(r => new KeptUse(r.Number, Documents.Read<GearUse>(r.Text, Kept.Use, $"{r.Number}")))
            .ToList();
    }

    /// <summary>The last look at each piece that somebody took in the yard.</summary>
    public IReadOnlyDictionary<string, Inspection> LastLooks()
    {
        using var connection = database.Connect();
        return connection
            .Query<(string Id, string Text)>(
                """
                select s.item_id, cast(s.inspection as text) from gear_inspection s
                where s.number = (
                    select l.number from gear_inspection l
                    where l.item_id = s.item_id and l.undone_at is null and l.job_id is null
                    order by l.on_day desc, l.number desc limit 1
                )
                """
            )
            .Whole(r => (r.Id, Look: Documents.Read<Inspection>(r.Text, Kept.Inspection, r.Id)))
            .ToDictionary(r => r.Id, r => r.Look, StringComparer.Ordinal);
    }

    /// <summary>On how many days each piece was used.</summary>
    public IReadOnlyDictionary<string, int> UseCounts()
    {
        using var connection = database.Connect();
        return connection
            .Query<(string Id, int Count)>(
                "select item_id, cast(count(*) as integer) from gear_use where undone_at is null group by item_id"
            )
            .ToDictionary(r => r.Id, r => r.Count, StringComparer.Ordinal);
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

    /// <summary>
    /// Records an inspection and updates the piece's state: it closes what was open before, and a piece that is set aside
    /// or retired is so from then on.
    /// </summary>
    /// <returns>The piece as it now stands; null when there is none.</returns>
    public KeptItem? Inspect(string id, Inspection inspection) =>
        Write((connection, transaction) => Inspect(connection, transaction, id, inspection));

    /// <summary>Records a day's work.</summary>
    /// <returns>The piece as it now stands; null when there is none.</returns>
    public KeptItem? Use(string id, GearUse use) =>
        Write((connection, transaction) => Use(connection, transaction, id, use));

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

    private KeptItem? Inspect(IDbConnection connection, IDbTransaction transaction, string id, Inspection inspection)
    {
        if (Find(connection, id, transaction) is not { } kept)
        {
            return null;
        }

        var seen = Documents.Text(inspection);
        var number = connection.QuerySingle<long>(
            "insert into gear_inspection (item_id, on_day, open, inspection, job_id) values (@id, @On, @open, @seen, @JobId) returning number",
            new
            {
                id,
                inspection.On,
                inspection.JobId,
                open = inspection.Outcome == InspectionOutcome.Watch,
                seen,
            },
            transaction
        );
        connection.Execute(
            "update gear_inspection set open = 0, closed_by = @number where item_id = @id and open = 1 and number <> @number",
            new { id, number },
            transaction
        );
        Note(connection, transaction, new(Kept.Inspection, $"{number}", "added", null, seen));
        var before = TextOf(connection, transaction, id);
        var text = UnknownMembers.Carry<GearItem>(before, Documents.Text(GearFlags.After(kept.Item, inspection)));
        connection.Execute(
            "update gear_item set revision = revision + 1, saved_at = @at, item = @text where id = @id",
            new
            {
                id,
                at = Now(),
                text,
            },
            transaction
        );
        if (text != before)
        {
            Note(connection, transaction, new(Kept.Gear, id, "changed by an inspection", before, text));
        }

        return Find(connection, id, transaction);
    }

    private KeptItem? Use(IDbConnection connection, IDbTransaction transaction, string id, GearUse use)
    {
        if (Find(connection, id, transaction) is null)
        {
            return null;
        }

        var text = Documents.Text(use);
        var number = connection.QuerySingle<long>(
            "insert into gear_use (item_id, on_day, peak_n, use, job_id, shock) values (@id, @On, @PeakN, @text, @JobId, @Shock) returning number",
            new
            {
                id,
                use.On,
                use.PeakN,
                use.JobId,
                use.Shock,
                text,
            },
            transaction
        );
        Note(connection, transaction, new(Kept.Use, $"{number}", "added", null, text));
        return Find(connection, id, transaction);
    }

    /// <summary>Books what a job's log says of its pieces, in place of what it said before; pieces that are gone are passed over.</summary>
    internal void Rebook(
        IDbConnection connection,
        IDbTransaction transaction,
        string jobId,
        IReadOnlyList<GearBooked> booked
    )
    {
        foreach (var table in new[] { "gear_use", "gear_inspection" })
        {
            connection.Execute(
                $"update {table} set undone_at = @at where job_id = @jobId and undone_at is null",
                new { jobId, at = Now() },
                transaction
            );
        }

        connection.Execute(
            "update gear_inspection set open = 1, closed_by = null where closed_by in (select number from gear_inspection where job_id = @jobId)",
            new { jobId },
            transaction
        );
        foreach (var piece in booked)
        {
            Use(connection, transaction, piece.ItemId, piece.Use);
            if (piece.Look is not null)
            {
                Inspect(connection, transaction, piece.ItemId, piece.Look);
            }
        }
    }

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
