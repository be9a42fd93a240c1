using System.Buffers;
using System.Text;
using System.Text.Json;
using Draklo.Core.Analyses;
using Draklo.Core.Answers;
using Draklo.Core.Gear;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Hosting;

namespace Draklo.Web.Jobs;

/// <summary>
/// The job list as JSON. A plan is analysed once per revision and unit system, and again only when a piece of the locker
/// that it uses, or the crew's policies, stand otherwise than before.
/// </summary>
internal sealed partial class JobList(JobStore store, JobIndex index, YardStore yards, ILogger<JobList> log)
{
    /// <summary>Another build may judge a plan otherwise.</summary>
    private static readonly string MadeBy = typeof(PlanAnalysis).Assembly.ManifestModule.ModuleVersionId.ToString("N");

    /// <param name="offset">How many to pass over.</param>
    /// <param name="limit">How many at most.</param>
    public ReadOnlyMemory<byte> Read(UnitSystem units, JobSearch search, int offset, int limit)
    {
        var yard = yards.Of(units);
        var name = units.ToString();
        var fresh = new List<ListedJob>();
        var json = new ArrayBufferWriter<byte>(64 * 1024);
        json.Write("["u8);
        foreach (var listed in index.Listed(name, MadeBy, search, offset, limit))
        {
            var current =
                listed.Entry is not null && listed.Gear == StampOf(IdsOf(listed.Gear), yard)
                    ? listed
                    : Made(listed, units, yard, fresh);
            if (current?.Entry is not { } entry)
            {
                continue;
            }

            if (json.WrittenCount > 1)
            {
                json.Write(","u8);
            }

            // What is remembered follows from plan and gear; how far the job has come follows from its log.
            var now = JsonSerializer.Serialize(StageOf(listed), AnswerJson.Options);
            Encoding.UTF8.GetBytes(entry.AsSpan(0, entry.Length - 1), json);
            json.Write(","u8);
            Encoding.UTF8.GetBytes(now.AsSpan(1), json);
        }

        json.Write("]"u8);
        if (fresh.Count > 0)
        {
            index.Remember(fresh, name, MadeBy);
        }

        return json.WrittenMemory;
    }

    /// <summary>An entry worked out now; null when the job was deleted meanwhile.</summary>
    /// <param name="fresh">Takes what shall be remembered; a damaged job is not, so that a mended one is seen at once.</param>
    private ListedJob? Made(ListedJob listed, UnitSystem units, Yard yard, List<ListedJob> fresh)
    {
        try
        {
            if (store.Find(listed.Id) is not { } job)
            {
                return null;
            }

            var ids = GearOnPlan.All(job.Content.Plan).Select(p => p.ItemId).Distinct(StringComparer.Ordinal);
            var made = listed with
            {
                Revision = job.Revision,
                Gear = StampOf(ids, yard),
                Entry = Text(JobEntry.Of(job, units, yard)),
            };
            fresh.Add(made);
            return made;
        }
        catch (DamagedException)
        {
            return listed with { Entry = Text(JobEntry.Unreadable(listed)) };
        }
        catch (Exception fault) when (fault is not OperationCanceledException)
        {
            // One plan that cannot be worked out hides no other.
            CannotWorkOut(log, fault, listed.Id);
            return listed with { Entry = Text(JobEntry.Unreadable(listed)) };
        }
    }

    [LoggerMessage(LogLevel.Error, "The list cannot work out job {Id}.")]
    private static partial void CannotWorkOut(ILogger log, Exception fault, string id);

    private static object StageOf(ListedJob listed) =>
        new
        {
            listed.Stage,
            LoggedOn = listed.OnDay,
            listed.Species,
            listed.Crew,
        };

    private static string Text(JobEntry entry) => JsonSerializer.Serialize(entry, AnswerJson.Options);

    /// <summary>What the plan is held against: the policies in a line, and how pieces stand, a line each: the id, a tab, and
    /// what the plan would say of it.</summary>
    private static string StampOf(IEnumerable<string> ids, Yard yard)
    {
        var stamp = new StringBuilder().Append(JsonSerializer.Serialize(yard.Policies)).Append('\n');
        foreach (var id in ids)
        {
            var standing = yard.Gear.TryGetValue(id, out var known) ? $"{known.Name}; {known.State}; {known.Why}" : "";
            stamp.Append(id).Append('\t').Append(standing.ReplaceLineEndings(" ")).Append('\n');
        }

        return stamp.ToString();
    }

    private static IEnumerable<string> IdsOf(string? stamp) =>
        (stamp ?? "").Split('\n', StringSplitOptions.RemoveEmptyEntries).Skip(1).Select(line => line.Split('\t')[0]);
}
