using System.Runtime.CompilerServices;
using System.Text.Json;
using System.Text.Json.Nodes;
using Draklo.Core.Plans;
using Draklo.Core.Pulling;
using Draklo.Web.Outside;
using Microsoft.AspNetCore.SignalR;
using Microsoft.AspNetCore.SignalR.Client;

namespace Draklo.Web.Tests;

/// <summary>The load cell and the gauge, live: on their own, and over the connection that tablets follow.</summary>
public sealed class LiveDayTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public void The_simulated_cell_comes_up_to_each_steps_mark_and_goes_slack_as_the_tree_goes()
    {
        double tension = 0;
        Run(PullStep.Floor, 1000, 20);
        Assert.InRange(tension, 1050, 1110);
        Run(PullStep.Planned, 1900, 20);
        Assert.InRange(tension, 1900, 2000);
        Run(PullStep.Pull, 1900, 3);
        Run(PullStep.Pull, 1900, 26, from: 3);
        Assert.InRange(tension, 0, 5);

        void Run(PullStep step, double target, double seconds, double from = 0)
        {
            for (double s = 0; s < seconds; s += 0.05)
            {
                tension = SimulatedLoadCell.Next(
                    tension,
                    new(step, from + s, target, 8, lean => lean < 8 ? 1800 * (1 - (lean / 8)) : 0),
                    0.05
                );
            }
        }
    }

    [Fact]
    public async Task Two_tablets_see_the_same_readings_and_each_is_kept_once()
    {
        var id = (await server.DemoAsync("Birch"))["id"]!.GetValue<string>();
        await using var one = await ConnectAsync();
        await using var other = await ConnectAsync();
        // Five seconds each: the second may come up to four behind the first on a busy machine and still see what it sees.
        const int Read = 100;
        var seen = await Task.WhenAll(ReadAsync(one, id, Read), ReadAsync(other, id, Read));
        Assert.All(seen.SelectMany(s => s), r => Assert.Equal("main", r.GetProperty("lineId").GetString()));
        var times = seen[0].Select(r => r.GetProperty("atMs").GetInt64()).ToList();
        Assert.Equal(times.Order(), times);
        var both = seen[0]
            .Select(r => r.GetProperty("atMs").GetInt64())
            .Intersect(seen[1].Select(r => r.GetProperty("atMs").GetInt64()));
        Assert.True(both.Count() > 15);
        // Twenty a second, however many listen.
        Assert.InRange((times[^1] - times[0]) / (Read - 1.0), 35, 90);
        await one.DisposeAsync();
        await other.DisposeAsync();
        JsonNode? trace = null;
        for (var i = 0; i < 50 && trace is null; i++)
        {
            await Task.Delay(100);
            trace = (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}/pulling/trace"))
                .Body!.AsArray()
                .FirstOrDefault();
        }

        Assert.True(trace!["count"]!.GetValue<int>() >= 30);
        Assert.Equal(0, trace["doubtful"]!.GetValue<int>());
    }

    [Fact]
    public async Task Word_of_an_entry_reaches_another_tablet()
    {
        var job = await server.NewJobAsync();
        var id = job["id"]!.GetValue<string>();
        await using var connection = await ConnectAsync();
        using var stop = new CancellationTokenSource(TimeSpan.FromSeconds(20));
        var said = false;
        long last = -1;
        await foreach (var message in connection.StreamAsync<JsonElement>("Watch", id, false, stop.Token))
        {
            last = message.GetProperty("entries").GetInt64();
            if (last >= 1)
            {
                break;
            }

            if (!said)
            {
                said = true;
                await server.SendAsync(
                    HttpMethod.Post,
                    $"/api/jobs/{id}/pulling/entries",
                    JsonNode.Parse(
                        """{ "key": "stop-from-here", "kind": "stop", "step": "brief", "by": "Tove", "because": "a walker" }"""
                    )
                );
            }
        }

        Assert.Equal(1, last);
    }

    [Fact]
    public async Task A_load_too_heavy_for_its_line_is_called_out_to_all_who_watch()
    {
        var id = await server.CopyAsync("Ash logs below");
        await server.SendAsync(
            HttpMethod.Post,
            $"/api/jobs/{id}/pulling/entries",
            RunningServer.Entry("brief", "move", ("to", "clear"), ("because", "tried"))
        );
        await using var watching = await ConnectAsync();
        await using var inPounds = await ConnectAsync();
        var heard = ReadAsync(watching, id, 2, cells: false);
        var heardInPounds = ReadAsync(inPounds, id, 2, cells: false, units: "us");
        foreach (var kilo in new[] { 4.2, 9.9 })
        {
            // Until the other tablet listens, and ever new readings.
            await Task.Delay(300);
            var sent = new JsonObject
            {
                ["cell"] = "c 1",
                ["session"] = $"s{(int)kilo}",
                ["lineId"] = LoadBasis.LineId,
                ["unit"] = "kN",
                ["readings"] = new JsonArray(new JsonObject { ["sequence"] = 1, ["value"] = kilo }),
            };
            await server.SendAsync(HttpMethod.Post, $"/api/jobs/{id}/pulling/readings", sent);
        }

        var told = (await heard).Select(m => m.GetProperty("trouble").GetString()!).ToList();
        Assert.Equal("", told[0]);
        Assert.StartsWith("Stop. 9.9 kN is over", told[1], StringComparison.Ordinal);
        // The same Stop, in the units of whoever reads it.
        var toldInPounds = (await heardInPounds)[1].GetProperty("trouble").GetString()!;
        Assert.StartsWith("Stop. ", toldInPounds, StringComparison.Ordinal);
        Assert.Contains("lbf", toldInPounds, StringComparison.Ordinal);
        Assert.DoesNotContain("kN", toldInPounds, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_job_that_is_not_there_is_refused()
    {
        await using var connection = await ConnectAsync();
        var refused = await Assert.ThrowsAsync<HubException>(async () =>
        {
            await foreach (var _ in connection.StreamAsync<JsonElement>("Watch", "nowhere", true))
            {
                Assert.Fail("It streams.");
            }
        });
        Assert.Contains("no such job", refused.Message, StringComparison.Ordinal);
    }

    private static async Task<List<JsonElement>> ReadAsync(
        HubConnection connection,
        string id,
        int count,
        bool cells = true,
        string units = "metric"
    )
    {
        using var stop = new CancellationTokenSource(TimeSpan.FromSeconds(30));
        var readings = new List<JsonElement>();
        await foreach (var message in connection.StreamAsync<JsonElement>("WatchIn", id, cells, units, stop.Token))
        {
            if (message.TryGetProperty("tensionN", out _))
            {
                readings.Add(message);
            }

            if (readings.Count == count)
            {
                break;
            }
        }

        return readings;
    }

    private async Task<HubConnection> ConnectAsync()
    {
        var connection = new HubConnectionBuilder()
            .WithUrl(new Uri(server.Client.BaseAddress!, "/hubs/pulling"))
            .Build();
        await connection.StartAsync();
        return connection;
    }
}
