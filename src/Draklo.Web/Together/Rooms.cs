using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using System.Threading.Channels;
using Draklo.Store;
using Draklo.Web.Jobs;

namespace Draklo.Web.Together;

/// <summary>Somebody who has the same job open.</summary>
/// <param name="Page">Made by the page when it opened.</param>
/// <param name="Name">Empty where nobody has said.</param>
/// <param name="Holds">The handle that they drag just now; null for none.</param>
/// <param name="Settles">What they and somebody else changed both, while they choose between the two; null for nothing.</param>
public sealed record Present(string Page, string Name, string? Holds, IReadOnlyList<Difference>? Settles);

/// <summary>A figure that two people changed each in their way, in words.</summary>
/// <param name="Mine">As whoever settles it has it; null where they took it out.</param>
/// <param name="Saved">As it is saved.</param>
public sealed record Difference(string Name, string? Mine, string? Saved)
{
    private const int Longest = 200;

    public bool IsShort => Name.Length <= Longest && (Mine?.Length ?? 0) <= Longest && (Saved?.Length ?? 0) <= Longest;
}

/// <summary>What those who have a job open are sent.</summary>
/// <param name="Others">Everybody else who has it open.</param>
/// <param name="Job">As somebody just saved it; null where this is word of people alone.</param>
/// <param name="SavedBy">Empty where nobody has said.</param>
public sealed record TogetherMessage(IReadOnlyList<Present> Others, JobAnswer? Job, string SavedBy);

/// <summary>Who has which job open just now, what they hold, and what they save.</summary>
internal sealed class Rooms
{
    /// <summary>A page that is slower than this misses word of people; of saves it always gets the latest.</summary>
    private const int MostWaiting = 64;
    private const int LongestName = 60;

    private readonly ConcurrentDictionary<string, Room> rooms = new(StringComparer.Ordinal);

    /// <summary>Nobody comes into a room while it is taken away empty.</summary>
    private readonly Lock doors = new();

    public Rooms(JobStore jobs) =>
        jobs.Saved += (_, saved) => Find(saved.Job.Id)?.Tell(saved.Page, JobAnswer.Of(saved.Job), saved.By);

    /// <summary>Messages about a job until the page leaves it.</summary>
    public async IAsyncEnumerable<TogetherMessage> WatchAsync(
        string jobId,
        string page,
        string name,
        [EnumeratorCancellation] CancellationToken cancellation
    )
    {
        var channel = Channel.CreateBounded<TogetherMessage>(
            new BoundedChannelOptions(MostWaiting) { FullMode = BoundedChannelFullMode.DropOldest, SingleReader = true }
        );
        Room room;
        Room.Member member;
        lock (doors)
        {
            room = rooms.GetOrAdd(jobId, static _ => new Room());
            member = room.Join(page, name.Length > LongestName ? name[..LongestName] : name, channel.Writer);
        }

        try
        {
            await foreach (var message in channel.Reader.ReadAllAsync(cancellation))
            {
                yield return message;
            }
        }
        finally
        {
            lock (doors)
            {
                if (room.Leave(member))
                {
                    rooms.TryRemove(jobId, out _);
                }
            }
        }
    }

    /// <summary>Takes hold of a handle, unless somebody else has it.</summary>
    /// <param name="handle">Null lets go.</param>
    /// <returns>False where somebody else has it.</returns>
    public bool Hold(string jobId, string page, string? handle) => Find(jobId)?.Hold(page, handle) ?? false;

    /// <summary>Says what a page settles just now; null when it is done.</summary>
    /// <returns>False where the page is not there.</returns>
    public bool Settle(string jobId, string page, IReadOnlyList<Difference>? differences) =>
        Find(jobId)?.Change(page, p => p with { Settles = differences }) ?? false;

    private Room? Find(string jobId) => rooms.GetValueOrDefault(jobId);
}

/// <summary>A job that somebody has open.</summary>
internal sealed class Room
{
    private readonly Lock turn = new();
    private readonly List<Member> members = [];

    internal sealed class Member(Present present, ChannelWriter<TogetherMessage> writer)
    {
        public Present Present { get; set; } = present;

        public ChannelWriter<TogetherMessage> Writer => writer;
    }

    public Member Join(string page, string name, ChannelWriter<TogetherMessage> writer)
    {
        var member = new Member(new(page, name, null, null), writer);
        lock (turn)
        {
            // A page that lost its connection comes in again: it is there once.
            members.RemoveAll(m => m.Present.Page == page);
            members.Add(member);
            TellAll();
        }

        return member;
    }

    /// <returns>Whether nobody is left.</returns>
    public bool Leave(Member member)
    {
        lock (turn)
        {
            if (members.Remove(member))
            {
                TellAll();
            }

            return members.Count == 0;
        }
    }

    public bool Hold(string page, string? handle)
    {
        lock (turn)
        {
            if (handle is not null && members.Exists(m => m.Present.Page != page && m.Present.Holds == handle))
            {
                return false;
            }

            return Change(page, p => p with { Holds = handle });
        }
    }

    /// <summary>Changes what everybody sees of a page.</summary>
    /// <returns>False where it is not there.</returns>
    public bool Change(string page, Func<Present, Present> change)
    {
        lock (turn)
        {
            if (members.Find(m => m.Present.Page == page) is not { } member)
            {
                return false;
            }

            member.Present = change(member.Present);
            TellAll();
            return true;
        }
    }

    /// <summary>Says what was saved to everybody but the page that saved it.</summary>
    public void Tell(string savedOn, JobAnswer job, string by)
    {
        lock (turn)
        {
            foreach (var member in members.Where(m => m.Present.Page != savedOn))
            {
                member.Writer.TryWrite(new(Others(member), job, by));
            }
        }
    }

    private void TellAll()
    {
        foreach (var member in members)
        {
            member.Writer.TryWrite(new(Others(member), null, ""));
        }
    }

    private List<Present> Others(Member of) => [.. members.Where(m => m != of).Select(m => m.Present)];
}
