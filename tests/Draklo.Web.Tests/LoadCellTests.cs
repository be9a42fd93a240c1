using System.Text.Json;
using Draklo.Core.Catalogue;
using Draklo.Core.Lines;
using Draklo.Core.Reading;
using Draklo.Web.Outside;
using Microsoft.AspNetCore.SignalR;
using Microsoft.AspNetCore.SignalR.Client;
using Microsoft.Extensions.DependencyInjection;

namespace Draklo.Web.Tests;

/// <summary>The simulated load cell, on its own and over the live connection.</summary>
public sealed class LoadCellTests(RunningServer server) : IClassFixture<RunningServer>
{
    private static readonly LoadScene Scene = new(1100, 2200, 1950);

    [Fact]
    public void A_pull_goes_from_slack_through_the_window_to_the_planned_tension_and_lets_go()
    {
        Assert.Equal(0, SimulatedLoadCell.At(Scene, 0).Tension, 1e-9);
        Assert.InRange(
            SimulatedLoadCell.At(Scene, SimulatedLoadCell.PreTensionUntil + 4).Tension,
            Scene.FloorN,
            Scene.CeilingN
        );
        var pulled = Enumerable
            .Range(0, 100)
            .Max(i => SimulatedLoadCell.At(Scene, SimulatedLoadCell.HoldUntil + (i * 0.1)).Tension);
        Assert.InRange(pulled, 0.95 * Scene.PlannedN, 1.1 * Scene.PlannedN);
        Assert.True(SimulatedLoadCell.At(Scene, SimulatedLoadCell.Ends).Tension < 0.02 * Scene.PlannedN);
        Assert.Equal(
            [LoadPhase.Slack, LoadPhase.PreTension, LoadPhase.Hold, LoadPhase.Pull, LoadPhase.Gone],
            Enumerable.Range(0, 320).Select(i => SimulatedLoadCell.At(Scene, i * 0.1).Phase).Distinct()
        );
    }

    [Fact]
    public void Rope_creeps_while_it_is_held()
    {
        var held = Enumerable
            .Range(0, 70)
            .Select(i => SimulatedLoadCell.At(Scene, SimulatedLoadCell.PreTensionUntil + (i * 0.1)).Tension)
            .ToList();
        Assert.Equal(held.OrderDescending(), held);
    }

    [Fact]
    public async Task Readings_stream_for_a_plan_until_nobody_listens()
    {
        await using var connection = await ConnectAsync();
        Assert.Equal("Simulated load cell", await connection.InvokeAsync<string>("CellName"));
        using var stop = new CancellationTokenSource(TimeSpan.FromSeconds(20));
        var readings = new List<JsonElement>();
        var plan = JsonSerializer.SerializeToElement(FirstPlan.Make(), DocumentReader.Options);
        await foreach (var reading in connection.StreamAsync<JsonElement>("Watch", plan, 0, stop.Token))
        {
            readings.Add(reading);
            if (readings.Count == 8)
            {
                break;
            }
        }

        Assert.Equal(8, readings.Count);
        Assert.All(readings, r => Assert.True(r.GetProperty("tensionN").GetDouble() >= 0));
        Assert.Equal("slack", readings[0].GetProperty("phase").GetString());
        Assert.True(
            readings[7].GetProperty("atSeconds").GetDouble() > readings[0].GetProperty("atSeconds").GetDouble()
        );
    }

    [Fact]
    public async Task A_plan_that_cannot_be_computed_is_refused_in_words()
    {
        await using var connection = await ConnectAsync();
        var plan = FirstPlan.Make();
        plan = plan with { Lines = [plan.Lines[0] with { Seat = new() { HeightM = 90 } }] };
        Assert.Contains(
            "lower the seat",
            await RefusalAsync(connection, JsonSerializer.SerializeToElement(plan, DocumentReader.Options), 0),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "no line number 4",
            await RefusalAsync(
                connection,
                JsonSerializer.SerializeToElement(FirstPlan.Make(), DocumentReader.Options),
                3
            ),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "not a member",
            await RefusalAsync(connection, JsonSerializer.SerializeToElement(new { colour = "red" }), 0),
            StringComparison.Ordinal
        );
    }

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

    private static async Task<string> RefusalAsync(HubConnection connection, JsonElement plan, int line)
    {
        var refused = await Assert.ThrowsAsync<HubException>(async () =>
        {
            await foreach (var _ in connection.StreamAsync<JsonElement>("Watch", plan, line))
            {
                Assert.Fail("It streams.");
            }
        });
        return refused.Message;
    }

    private async Task<HubConnection> ConnectAsync()
    {
        var connection = new HubConnectionBuilder().WithUrl(new Uri(server.Client.BaseAddress!, "/hubs/load")).Build();
        await connection.StartAsync();
        return connection;
    }
}
