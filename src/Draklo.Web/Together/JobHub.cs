using Draklo.Store;
using Draklo.Web.Sharing;
using Microsoft.AspNetCore.SignalR;

namespace Draklo.Web.Together;

/// <summary>Those who have a job open, live over SignalR: who they are, what they hold, what they save.</summary>
internal sealed class JobHub(Rooms rooms, JobStore jobs) : Hub
{
    public const string Path = "/hubs/job";
    private const string Watched = "watched";
    private const int LongestHandle = 80;
    private const int LongestPage = 64;
    private const int MostDifferences = 200;

    /// <param name="jobId">A job.</param>
    /// <param name="page">Made by the page, as in the header of its requests: its own saves are not sent back to it.</param>
    /// <param name="name">Who works there; whoever is signed in has their own name.</param>
    /// <exception cref="HubException">There is no such job.</exception>
    public IAsyncEnumerable<TogetherMessage> Watch(
        string jobId,
        string page,
        string name,
        CancellationToken cancellation
    ) =>
        jobs.Find(jobId) is null ? throw new HubException("There is no such job, or it was deleted.")
        : page.Length is 0 or > LongestPage ? throw new HubException("A page has a name of up to 64 letters.")
        : WatchAs(jobId, page, SignedIn ?? name.Trim(), cancellation);

    private IAsyncEnumerable<TogetherMessage> WatchAs(
        string jobId,
        string page,
        string name,
        CancellationToken cancellation
    )
    {
        Context.Items[Watched] = (jobId, page);
        return rooms.WatchAsync(jobId, page, name, cancellation);
    }

    /// <summary>A connection speaks for the page that it watches for, and for no other.</summary>
    private bool IsOwn(string jobId, string page) =>
        Context.Items[Watched] is (string job, string own) && job == jobId && own == page;

    /// <summary>Takes hold of a handle, or lets go with null.</summary>
    /// <returns>False where somebody else has it.</returns>
    public bool Hold(string jobId, string page, string? handle) =>
        IsOwn(jobId, page) && handle?.Length is null or <= LongestHandle && rooms.Hold(jobId, page, handle);

    /// <summary>Says what is being settled, so that whoever saved the other version sees both; null when it is done.</summary>
    /// <returns>False where it is too much to be told.</returns>
    public bool Settle(string jobId, string page, IReadOnlyList<Difference>? differences) =>
        IsOwn(jobId, page)
        && (
            differences is null
            || (differences.Count <= MostDifferences && differences.All(d => d is { IsShort: true }))
        )
        && rooms.Settle(jobId, page, differences);

    private string? SignedIn => Context.GetHttpContext() is { } http ? Visitor.Of(http).Session?.Name : null;
}
