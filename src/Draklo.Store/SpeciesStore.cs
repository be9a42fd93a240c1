using System.Text.Json;
using Dapper;
using Draklo.Core.Catalogue;
using Draklo.Core.Plans;

namespace Draklo.Store;

/// <summary>A crew's own species and its corrections of the catalogue's.</summary>
public sealed class SpeciesStore(Database database, TimeProvider clock)
{
    public IReadOnlyList<Species> List()
    {
        using var connection = database.Connect();
        return connection.Query<string>("select species from own_species order by id").Select(s => JsonSerializer.Deserialize<Species>(s, DocumentReader.Options)!).ToList();
    }

    /// <summary>Keeps a species under its id, in place of what was kept there before.</summary>
    public void Keep(Species species)
    {
        using var connection = database.Connect();
        connection.Execute(
            "insert into own_species (id, saved_at, species) values (@Id, @at, @json) on conflict (id) do update set saved_at = excluded.saved_at, species = excluded.species",
            new { species.Id, at = clock.GetUtcNow().ToString("O"), json = JsonSerializer.Serialize(species, DocumentReader.Options) });
    }

    /// <summary>Takes a species away; the catalogue's own figures come back where it corrected them.</summary>
    /// <returns>False when none was kept under this id.</returns>
    public bool Drop(string id)
    {
        using var connection = database.Connect();
        return connection.Execute("delete from own_species where id = @id", new { id }) == 1;
    }
}
