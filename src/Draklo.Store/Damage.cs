using System.Text;
using Dapper;
using Draklo.Core.Units;

namespace Draklo.Store;

/// <summary>A row that cannot be read.</summary>
/// <param name="Kind">job, gear, inspection, use, rules, species, policy or tackle.</param>
/// <param name="Name">What is still known of it.</param>
/// <param name="Why">The first thing that is wrong with it, in words.</param>
public sealed record DamagedRow(string Kind, string Id, string Name, string Why);

/// <summary>Rows that cannot be read: they are left where they are and passed over, can be taken out as they are, and mended.</summary>
public sealed class Damage(Database database, TimeProvider clock)
{
    public IReadOnlyList<DamagedRow> Find()
    {
        using var connection = database.Connect();
        return
        [
            .. Kept.All.SelectMany(kept =>
                kept.Read(connection)
                    .Where(row => !kept.Reads(row.Text, row.Id))
                    .Select(row => new DamagedRow(kept.Kind, row.Id, row.Name, Why(kept, row.Text)))
            ),
        ];
    }

    /// <summary>A row's text as it is; null when there is no such row.</summary>
    public string? Text(string kind, string id)
    {
        if (Kept.Of(kind) is not { } kept)
        {
            return null;
        }

        using var connection = database.Connect();
        return kept.Read(connection).Where(r => r.Id == id).Select(r => r.Text ?? "").FirstOrDefault();
    }

    /// <summary>Puts a mended text in a damaged row's place.</summary>
    /// <returns>What is wrong with the text, or nothing when it was taken; null when no such row is damaged.</returns>
    public IReadOnlyList<Problem>? Mend(string kind, string id, string text)
    {
        if (Kept.Of(kind) is not { } kept || Text(kind, id) is not { } before || kept.Reads(before, id))
        {
            return null;
        }

        var problems = kept.Check(text);
        if (problems.Count == 0)
        {
            database.Write(
                (connection, transaction) =>
                {
                    connection.Execute(kept.Update, new { id, text }, transaction);
                    History.Note(connection, transaction, clock, new(kind, id, "mended", before, text));
                    return true;
                }
            );
        }

        return problems;
    }

    private static string Why(Kept kept, string? text) =>
        string.IsNullOrEmpty(text) ? "The row is empty."
        : kept.Check(text) is [var first, ..] ? first.Message
        : "The text is not what this version writes.";
}
