using Draklo.Store;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.Diagnostics.HealthChecks;

namespace Draklo.Web.Hosting;

/// <summary>Ready while the data file answers and is whole.</summary>
internal sealed class DataHealth(JobIndex jobs, Upkeep upkeep) : IHealthCheck
{
    public Task<HealthCheckResult> CheckHealthAsync(
        HealthCheckContext context,
        CancellationToken cancellationToken = default
    )
    {
        try
        {
            jobs.Count(new());
        }
        catch (SqliteException e)
        {
            return Task.FromResult(HealthCheckResult.Unhealthy("The data file does not answer.", e));
        }

        return Task.FromResult(
            upkeep.Faults is { Count: > 0 }
                ? HealthCheckResult.Unhealthy("The data file is damaged.")
                : HealthCheckResult.Healthy()
        );
    }
}
