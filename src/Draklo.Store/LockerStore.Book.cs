using System.Data;
using Dapper;
using Draklo.Core.Gear;
using Draklo.Core.Logs;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Store;

/// <content>The book of each piece: who looked at it and what it was used for.</content>
public sealed partial class LockerStore
{
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

    /// <summary>
    /// Records an inspection and updates the piece's state: it closes what was open before, and a piece that is set aside
    /// or retired is so from then on.
    /// </summary>
    /// <returns>The piece as it now stands; null without one.</returns>
    public KeptItem? Inspect(string id, Inspection inspection) =>
        Write((connection, transaction) => Inspect(connection, transaction, id, inspection));

    /// <summary>Records a day's work.</summary>
    /// <returns>The piece as it now stands; null without one.</returns>
    public KeptItem? Use(string id, GearUse use) =>
        Write((connection, transaction) => Use(connection, transaction, id, use));

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
}
