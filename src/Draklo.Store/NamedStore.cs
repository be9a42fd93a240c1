using System.Text.Json;
using Dapper;
using Draklo.Core.Catalogue;
using Draklo.Core.Plans;
using Draklo.Core.Reading;

namespace Draklo.Store;

/// <summary>Documents that the crew keeps, each under an id of its own.</summary>
/// <param name="table">Their table, with the columns id, saved_at and <paramref name="column"/>.</param>
/// <param name="column">Where the document lies.</param>
public abstract class NamedStore<T>(
    Database database,
    TimeProvider clock,
    string table,
    string column,
    Func<T, string> idOf
)
    where T : class
{
    public IReadOnlyList<T> List()
    {
        using var connection = database.Connect();
        return connection
            .Query<string>($"select {column} from {table} order by id")
            .Select(d => JsonSerializer.Deserialize<T>(d, DocumentReader.Options)!)
            .ToList();
    }

    /// <summary>
    /// Keeps a document under its id, in place of what was kept there before. Plans carry their own copy and do not
    /// change.
    /// </summary>
    public void Keep(T document)
    {
        using var connection = database.Connect();
        connection.Execute(
            $"insert into {table} (id, saved_at, {column}) values (@id, @at, @json) on conflict (id) do update set saved_at = excluded.saved_at, {column} = excluded.{column}",
            new
            {
                id = idOf(document),
                at = clock.GetUtcNow().ToString("O"),
                json = JsonSerializer.Serialize(document, DocumentReader.Options),
            }
        );
    }

    /// <returns>False when none was kept under this id.</returns>
    public bool Drop(string id)
    {
        using var connection = database.Connect();
        return connection.Execute($"delete from {table} where id = @id", new { id }) == 1;
    }
}

/// <summary>
/// A crew's own species and its corrections of the catalogue's; a dropped correction lets the catalogue's figures come
/// back.
/// </summary>
public sealed class SpeciesStore(Database database, TimeProvider clock)
    : NamedStore<Species>(database, clock, "own_species", "species", s => s.Id);

/// <summary>Policies that the crew keeps under a name.</summary>
public sealed class PolicyStore(Database database, TimeProvider clock)
    : NamedStore<Policy>(database, clock, "policy", "policy", p => p.Id);

/// <summary>Tackles that the crew has put together.</summary>
public sealed class TackleStore(Database database, TimeProvider clock)
    : NamedStore<OwnTackle>(database, clock, "own_tackle", "tackle", t => t.Id);
