using System.Globalization;
using System.Runtime.CompilerServices;
using System.Text.Json;
using Draklo.Core.Plans;
using Draklo.Core.Questions;
using Draklo.Core.Reading;
using Draklo.Core.Studies;
using Draklo.Core.Units;
using Draklo.Web.Hosting;
using Microsoft.AspNetCore.SignalR;

namespace Draklo.Web.Analysis;

/// <param name="Done">Combinations tried so far.</param>
/// <param name="Total">Of so many.</param>
/// <param name="Found">With the last report only.</param>
/// <param name="Waits">Why it has not begun, in words; null once it has.</param>
public sealed record FinderReport(int Done, int Total, FoundRigs? Found, string? Waits = null);

/// <summary>The rig finder, with its progress as it goes; leaving off stops it.</summary>
internal sealed class FinderHub(ServerAtHand atHand, HeavyWork heavy) : Hub
{
    public const string Path = "/hubs/finder";
    private static readonly Question Rigs = AllQuestions.At("/api/rigs")!;
    private static readonly Answers Received = new();
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
        (int done, int total) = (0, 0);
        var (asked, wrong) = Asked.Of(
            Rigs,
            name => Value(name, units, people, onTruckOnly),
            atHand,
            cancellation,
            (now, of) =>
            {
                Volatile.Write(ref total, of);
                InterlockedMax(ref done, now);
            }
        );
        if (asked is null)
        {
            throw new HubException(wrong[0].Message);
        }

        string? waits = null;
        var body = JsonSerializer.SerializeToUtf8Bytes(plan);
        if (DocumentReader.Read<Plan>(body) is { Document: null, Problems: [var unread, ..] })
        {
            throw new HubException(unread.Message);
        }

        var search = heavy.RunPatientlyAsync(
            Context.ConnectionId,
            () =>
            {
                Volatile.Write(ref waits, null);
                return Rigs.Ask(body, asked, Received);
            },
            words => Volatile.Write(ref waits, words),
            cancellation,
            isLong: true
        );
        yield return new(0, 0, null);
        while (await Task.WhenAny(search, Task.Delay(Every, cancellation)) != search)
        {
            cancellation.ThrowIfCancellationRequested();
            yield return new(Volatile.Read(ref done), Volatile.Read(ref total), null, Volatile.Read(ref waits));
        }

        var found = await search;
        yield return new(Volatile.Read(ref total), Volatile.Read(ref total), found);
    }

    /// <summary>What the question is asked with, written as in an address.</summary>
    private static string? Value(string name, string units, int? people, bool onTruckOnly) =>
        name switch
        {
            "units" => units,
            "people" => people?.ToString(CultureInfo.InvariantCulture),
            "truckOnly" => onTruckOnly ? "true" : "false",
            _ => null,
        };

    private sealed class Answers : IAnswered<FoundRigs>
    {
        /// <inheritdoc/>
        public FoundRigs Take<T>(T? answer, IReadOnlyList<Problem> problems)
            where T : class => answer as FoundRigs ?? throw new HubException(problems[0].Message);
    }

    private static void InterlockedMax(ref int most, int now)
    {
        int seen;
        while ((seen = Volatile.Read(ref most)) < now && Interlocked.CompareExchange(ref most, now, seen) != seen) { }
    }
}
