using System.Data;
using Dapper;
using Draklo.Core.Catalogue;
using Draklo.Core.Gear;
using Draklo.Core.Learning;
using Draklo.Core.Plans;
using Draklo.Core.Reading;

namespace Draklo.Store;

/// <summary>Documents that the crew keeps, each under an id of its own.</summary>
/// <param name="kind">What history and damage call one of them.</param>
/// <param name="table">Their table, with the columns id, saved_at and <paramref name="column"/>.</param>
/// <param name="column">Where the document lies.</param>
public abstract class NamedStore<T>(
    Database database,
    TimeProvider clock,
    string kind,
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
            .Query<(string Id, string? Text)>($"select id, cast({column} as text) from {table} order by id")
            .Whole(r => Documents.Read<T>(r.Text, kind, r.Id))
            .ToList();
    }

    /// <summary>
    /// Keeps a document under its id, in place of what was kept there before. Plans carry their own copy and do not
    /// change.
    /// </summary>
    public void Keep(T document) =>
        database.Write(
            (connection, transaction) =>
            {
                var id = idOf(document);
                var before = TextOf(connection, transaction, id);
                var json = UnknownMembers.Carry<T>(before, Documents.Text(document));
                connection.Execute(
                    $"insert into {table} (id, saved_at, {column}) values (@id, @at, @json) on conflict (id) do update set saved_at = excluded.saved_at, {column} = excluded.{column}",
                    new
                    {
                        id,
                        at = clock.GetUtcNow().ToString("O"),
                        json,
                    },
                    transaction
                );
                var action = before is null ? "added" : "changed";
                History.Note(connection, transaction, clock, new(kind, id, action, before, json));
                return true;
            }
        );

    /// <summary>Takes a document away; its history keeps it.</summary>
    /// <returns>False when none was kept under this id.</returns>
    public bool Drop(string id) =>
        database.Write(
            (connection, transaction) =>
            {
                if (TextOf(connection, transaction, id) is not { } before)
                {
                    return false;
                }

                connection.Execute($"delete from {table} where id = @id", new { id }, transaction);
                History.Note(connection, transaction, clock, new(kind, id, "deleted", before, null));
                return true;
            }
        );

    private string? TextOf(IDbConnection connection, IDbTransaction transaction, string id) =>
        connection.QuerySingleOrDefault<string>(
            $"select cast({column} as text) from {table} where id = @id",
            new { id },
            transaction
        );
}

/// <summary>
/// A crew's own species and its corrections of the catalogue's; a dropped correction lets the catalogue's figures come
/// back.
/// </summary>
public sealed class SpeciesStore(Database database, TimeProvider clock)
    : NamedStore<Species>(database, clock, Kept.Species, "own_species", "species", s => s.Id);

/// <summary>Policies that the crew keeps under a name.</summary>
public sealed class PolicyStore(Database database, TimeProvider clock)
    : NamedStore<Policy>(database, clock, Kept.Policy, "policy", "policy", p => p.Id);

/// <summary>Tackles that the crew has put together.</summary>
public sealed class TackleStore(Database database, TimeProvider clock)
    : NamedStore<OwnTackle>(database, clock, Kept.Tackle, "own_tackle", "tackle", t => t.Id);

/// <summary>The crew's book.</summary>
public sealed class PersonStore(Database database, TimeProvider clock)
    : NamedStore<Person>(database, clock, Kept.Person, "person", "person", p => p.Id);

/// <summary>Plans that new jobs start from.</summary>
public sealed class TemplateStore(Database database, TimeProvider clock)
    : NamedStore<JobTemplate>(database, clock, Kept.Template, "job_template", "template", t => t.Id);

/// <summary>What goes into a plan with one choice.</summary>
public sealed class SetStore(Database database, TimeProvider clock)
    : NamedStore<PlanSet>(database, clock, Kept.Set, "plan_set", "plan_set", s => s.Id);

/// <summary>The pieces on the truck today.</summary>
public sealed class KitStore(Database database, TimeProvider clock)
    : NamedStore<TodayKit>(database, clock, Kept.Kit, "kit", "kit", k => k.Id);

/// <summary>What the crew tried at leisure.</summary>
public sealed class TrialStore(Database database, TimeProvider clock)
    : NamedStore<Trial>(database, clock, Kept.Trial, "trial", "trial", t => t.Id);

/// <summary>Which of its own figures the crew wants in new plans.</summary>
public sealed class WishStore(Database database, TimeProvider clock)
    : NamedStore<OwnWish>(database, clock, Kept.Wish, "own_choice", "choice", w => w.Id);
