using System.Globalization;
using System.Runtime.CompilerServices;
using System.Text.Json;
using Draklo.Core.Analyses;
using Draklo.Core.Gear;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Studies;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Hosting;
using Microsoft.AspNetCore.SignalR;

namespace Draklo.Web.Analysis;

/// <param name="Done">Combinations tried so far.</param>
/// <param name="Total">Of so many.</param>
/// <param name="Found">With the last report only.</param>
/// <param name="Waits">Why it has not begun, in words; null once it has.</param>
public sealed record FinderReport(int Done, int Total, FoundRigs? Found, string? Waits = null);

/// <summary>The rig finder, with its progress as it goes; leaving off stops it.</summary>
internal sealed class FinderHub(LockerStore locker, TackleStore tackles, KitStore kits, HeavyWork heavy) : Hub
{
    public const string Path = "/hubs/finder";
    private static readonly TimeSpan Every = TimeSpan.FromMilliseconds(40);

    /// <param name="plan">A plan document; its main line is the one that is looked for.</param>
    /// <param name="units">metric or us.</param>
    /// <param name="people">How many are there to haul; null for as many as the plan says.</param>
    /// <param name="onTruckOnly">Whether only today's kit is looked through; while nobody has chosen one today, the whole locker.</param>
    /// <exception cref="HubException">There is nothing to look among; the message says what to do.</exception>
    public async IAsyncEnumerable<FinderReport> Find(
        JsonElement plan,
        string units,
        int? people,
        bool onTruckOnly,
        [EnumeratorCancellation] CancellationToken cancellation
    )
    {
        var system = units == "us" ? UnitSystem.Us : UnitSystem.Metric;
        var (document, problems) = DocumentReader.Read<Plan>(plan);
        if (document is null)
        {
            throw new HubException(problems[0].Message);
        }

        string? waits = null;
        (int done, int total) = (0, 0);
        var search = heavy.RunPatientlyAsync(
            Context.ConnectionId,
            () => Search(document),
            words => Volatile.Write(ref waits, words),
            cancellation
        );
        yield return new(0, 0, null);
        while (await Task.WhenAny(search, Task.Delay(Every, cancellation)) != search)
        {
            cancellation.ThrowIfCancellationRequested();
            yield return new(Volatile.Read(ref done), Volatile.Read(ref total), null, Volatile.Read(ref waits));
        }

        var (found, refused) = await search;
        yield return found is null
            ? throw new HubException(refused[0].Message)
            : new(Volatile.Read(ref total), Volatile.Read(ref total), found);

        (FoundRigs? Found, List<Problem> Problems) Search(Plan on)
        {
            Volatile.Write(ref waits, null);
            var (finder, wrong) = RigFinder.For(
                on,
                [.. Pieces(onTruckOnly)],
                locker.Today,
                system,
                new(people, [.. tackles.List().Select(t => t.Tackle)])
            );
            Volatile.Write(ref total, finder?.Total ?? 0);
            return (finder?.Run(now => InterlockedMax(ref done, now), cancellation), wrong);
        }
    }

    private IEnumerable<GearItem> Pieces(bool onTruckOnly)
    {
        var all = locker.List().Select(k => k.Item);
        var day = locker.Today.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
        var kit = onTruckOnly ? kits.List().FirstOrDefault(k => k.On == day) : null;
        return kit is { Items.Count: > 0 } ? all.Where(i => kit.Items.Contains(i.Id)) : all;
    }

    private static void InterlockedMax(ref int most, int now)
    {
        int seen;
        while ((seen = Volatile.Read(ref most)) < now && Interlocked.CompareExchange(ref most, now, seen) != seen) { }
    }
}
