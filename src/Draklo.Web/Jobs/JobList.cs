using System.Buffers;
using System.Text;
using System.Text.Json;
using Draklo.Core.Analyses;
using Draklo.Core.Gear;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Hosting;

namespace Draklo.Web.Jobs;

/// <summary>
/// The job list as JSON. A plan is analysed once per revision and unit system, and again only when a piece of the locker
/// that it uses stands otherwise than before.
/// </summary>
internal sealed class JobList(JobStore store, LockerStore locker)
{
    /// <summary>Another build may judge a plan otherwise.</summary>
    private static readonly string MadeBy = typeof(PlanAnalysis).Assembly.ManifestModule.ModuleVersionId.ToString("N");

    /// <param name="offset">How many to pass over.</param>
    /// <param name="limit">How many at most.</param>
    public ReadOnlyMemory<byte> Read(UnitSystem units, int offset, int limit)
    {
        var standings = locker.Standings(units);
        var name = units.ToString();
        var fresh = new List<ListedJob>();
        var json = new ArrayBufferWriter<byte>(64 * 1024);
        json.Write("["u8);
        foreach (var listed in store.Listed(name, MadeBy, offset, limit))
        {
            if (json.WrittenCount > 1)
            {
                json.Write(","u8);
            }

            var entry = listed.Entry;
            if (entry is null || listed.Gear != StampOf(IdsOf(listed.Gear), standings))
            {
                Job? job;
                try
                {
                    job = store.Find(listed.Id);
                }
                catch (DamagedException)
                {
                    // Named and left out of everything else; not remembered, so that a mended one is seen at once.
                    json.Write(JsonSerializer.SerializeToUtf8Bytes(JobEntry.Unreadable(listed), Answers.Options));
                    continue;
                }

                if (job is null)
                {
                    json.Write("null"u8);
                    continue;
                }

                var ids = GearOnPlan.Of(job.Content.Plan).Select(p => p.ItemId).Distinct(StringComparer.Ordinal);
                entry = JsonSerializer.Serialize(JobEntry.Of(job, units, standings), Answers.Options);
                fresh.Add(new(job.Id, job.Revision, job.Content.Name, StampOf(ids, standings), entry));
            }

            Encoding.UTF8.GetBytes(entry, json);
        }

        json.Write("]"u8);
        if (fresh.Count > 0)
        {
            store.Remember(fresh, name, MadeBy);
        }

        return json.WrittenMemory;
    }

    /// <summary>How pieces stand, a line each: the id, a tab, and what the plan would say of it.</summary>
    private static string StampOf(IEnumerable<string> ids, IReadOnlyDictionary<string, GearStanding> standings)
    {
        var stamp = new StringBuilder();
        foreach (var id in ids)
        {
            var standing = standings.TryGetValue(id, out var known) ? $"{known.Name}; {known.State}; {known.Why}" : "";
            stamp.Append(id).Append('\t').Append(standing.ReplaceLineEndings(" ")).Append('\n');
        }

        return stamp.ToString();
    }

    private static IEnumerable<string> IdsOf(string? stamp) =>
        (stamp ?? "").Split('\n', StringSplitOptions.RemoveEmptyEntries).Select(line => line.Split('\t')[0]);
}
