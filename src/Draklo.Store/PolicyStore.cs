using System.Text.Json;
using Dapper;
using Draklo.Core.Plans;

namespace Draklo.Store;

/// <summary>Policies that the crew keeps under a name.</summary>
public sealed class PolicyStore(Database database, TimeProvider clock)
{
    public IReadOnlyList<Policy> List()
    {
        using var connection = database.Connect();
        return connection.Query<string>("select policy from policy order by id").Select(p => JsonSerializer.Deserialize<Policy>(p, DocumentReader.Options)!).ToList();
    }

    /// <summary>Keeps a policy under its id, in place of what was kept there before. Plans carry their own copy and do not change.</summary>
    public void Keep(Policy policy)
    {
        using var connection = database.Connect();
        connection.Execute(
            "insert into policy (id, saved_at, policy) values (@Id, @at, @json) on conflict (id) do update set saved_at = excluded.saved_at, policy = excluded.policy",
            new { policy.Id, at = clock.GetUtcNow().ToString("O"), json = JsonSerializer.Serialize(policy, DocumentReader.Options) });
    }

    /// <returns>False when none was kept under this id.</returns>
    public bool Drop(string id)
    {
        using var connection = database.Connect();
        return connection.Execute("delete from policy where id = @id", new { id }) == 1;
    }
}
