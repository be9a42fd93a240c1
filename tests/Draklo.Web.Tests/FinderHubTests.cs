using System.Text.Json;
using Draklo.Core.Catalogue;
using Draklo.Core.Reading;
using Microsoft.AspNetCore.SignalR;
using Microsoft.AspNetCore.SignalR.Client;

namespace Draklo.Web.Tests;

/// <summary>The rig finder over the live connection.</summary>
public sealed class FinderHubTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task The_rig_finder_tells_its_progress_and_ends_with_what_it_found()
    {
        await using var connection = new HubConnectionBuilder()
            .WithUrl(new Uri(server.Client.BaseAddress!, "/hubs/finder"))
            .Build();
        await connection.StartAsync();
        var reports = new List<JsonElement>();
        await foreach (
            var report in connection.StreamAsync<JsonElement>(
                "Find",
                JsonSerializer.SerializeToElement(FirstPlan.Make(), DocumentReader.Options),
                "metric",
                (int?)2,
                false
            )
        )
        {
            reports.Add(report);
        }

        var done = reports.Select(r => r.GetProperty("done").GetInt32()).ToList();
        Assert.Equal(0, done[0]);
        Assert.Equal(done.Order(), done);
        Assert.Equal(reports[^1].GetProperty("total").GetInt32(), done[^1]);
        Assert.True(reports[^1].GetProperty("found").GetProperty("tried").GetInt32() > 100);
        Assert.All(
            reports.SkipLast(1),
            r => Assert.False(r.TryGetProperty("found", out var found) && found.ValueKind == JsonValueKind.Object)
        );
        var refused = await Assert.ThrowsAsync<HubException>(async () =>
        {
            await foreach (
                var _ in connection.StreamAsync<JsonElement>(
                    "Find",
                    JsonSerializer.SerializeToElement(new { colour = "red" }),
                    "metric",
                    (int?)null,
                    false
                )
            )
            {
                Assert.Fail("It looks.");
            }
        });
        Assert.Contains("not a member", refused.Message, StringComparison.Ordinal);
    }
}
