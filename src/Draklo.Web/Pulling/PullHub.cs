using Draklo.Core.Units;
using Draklo.Web.Sharing;
using Microsoft.AspNetCore.SignalR;

namespace Draklo.Web.Pulling;

/// <summary>A day's readings and word of its entries, live over SignalR.</summary>
internal sealed class PullHub(LiveDays days, Draklo.Store.JobStore jobs) : Hub
{
    public const string Path = "/hubs/pulling";

    /// <summary>As <see cref="WatchIn"/>, in metric words.</summary>
    public IAsyncEnumerable<LiveMessage> Watch(string jobId, bool cells, CancellationToken cancellation) =>
        WatchIn(jobId, cells, "metric", cancellation);

    /// <param name="jobId">A job.</param>
    /// <param name="cells">Whether the load cells are read; their readings are kept with the job.</param>
    /// <param name="units">metric or us: what the sentences are written in.</param>
    /// <exception cref="HubException">There is no such job.</exception>
    public IAsyncEnumerable<LiveMessage> WatchIn(
        string jobId,
        bool cells,
        string units,
        CancellationToken cancellation
    ) =>
        jobs.Find(jobId) is null
            ? throw new HubException("There is no such job, or it was deleted.")
            : days.WatchAsync(
                jobId,
                cells && MayTakePart,
                units == "us" ? UnitSystem.Us : UnitSystem.Metric,
                cancellation
            );

    /// <summary>Whoever only looks has no cell read and kept for them.</summary>
    private bool MayTakePart =>
        Context.GetHttpContext() is not { } http || Rights.May(Visitor.Of(http).Role, Right.TakePart);
}
