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

    public ReadOnlyMemory<byte> Read(UnitSystem units)
    {
        var standings = locker.Standings(units);
        var name = units.ToString();
        var fresh = new List<ListedJob>();
        var json = new ArrayBufferWriter<byte>(64 * 1024);
        json.Write("["u8);
        foreach (var listed in store.Listed(name, MadeBy))
        {
            if (json.WrittenCount > 1)
            {
                json.Write(","u8);
            }

            var entry = listed.Entry;
            if (entry is null || listed.Gear != StampOf(IdsOf(listed.Gear), standings))
            {
                if (store.Find(listed.Id) is not { } job)
                {
                    continue;
                }

                var ids = GearOnPlan.Of(job.Content.Plan).Select(p => p.ItemId).Distinct(StringComparer.Ordinal);
                entry = JsonSerializer.Serialize(JobEntry.Of(job, units, standings), Answers.Options);
                fresh.Add(new(job.Id, job.Revision, StampOf(ids, standings), entry));
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
