using System.Text.Json.Nodes;

namespace Draklo.Web.Tests;

/// <summary>The day of a clearing over the API: loads, their line, what the log starts from.</summary>
public sealed class LoadDayApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task Loads_counted_on_the_day_stand_in_the_log()
    {
        var id = await server.CopyAsync("Ash logs below");
        var read = """{ "way": "cell", "readN": 4100 }""";
        var early = await SayAsync(id, "brief", "load");
        Assert.Equal(["step"], early.Errors.Select(e => e.Key));
        await SayAsync(id, "brief", "move", ("to", "clear"), ("because", "tried"));
        var first = await SayAsync(id, "clear", "load");
        Assert.Equal(1, (int)first.Body!["day"]!["loads"]!["moved"]!);
        var ofPull = await SayAsync(id, "clear", "reading", ("tension", JsonNode.Parse(read)!));
        Assert.Equal(["lineId"], ofPull.Errors.Select(e => e.Key));
        await SayAsync(id, "clear", "reading", ("lineId", "clearing.line"), ("tension", JsonNode.Parse(read)!));
        await SayAsync(id, "clear", "load");
        await SayAsync(id, "clear", "stop");
        var stopped = await SayAsync(id, "clear", "load");
        Assert.Contains("stop", stopped.Errors["kind"]![0]!.GetValue<string>(), StringComparison.Ordinal);
        var start = (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}/log")).Body!["start"]!["clearing"]!;
        Assert.Equal(2, (int)start["moved"]!);
        Assert.Equal(4100, (double)start["readPeakN"]!);
        Assert.True((double)start["mayN"]! > 4100);
    }

    [Fact]
    public async Task A_tablet_s_cell_in_the_loads_line_is_kept_with_the_day()
    {
        var id = await server.CopyAsync("Ash logs below");
        await SayAsync(id, "brief", "move", ("to", "clear"), ("because", "tried"));
        var sent = JsonNode.Parse(
            """{ "cell": "c 1", "session": "a", "lineId": "clearing.line", "unit": "kN", "readings": [{ "sequence": 1, "value": 4.2 }] }"""
        )!;
        var kept = await server.SendAsync(HttpMethod.Post, $"/api/jobs/{id}/pulling/readings", sent);
        Assert.Equal(1, (int)kept.Body!["taken"]!);
        var traces = (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}/pulling/trace")).Body!.AsArray();
        Assert.Equal("clearing.line", (string)Assert.Single(traces)!["lineId"]!);
        Assert.Equal(4200, (double)traces[0]!["peakN"]!, 0.5);
    }

    private Task<Answer> SayAsync(string id, string step, string kind, params (string Name, JsonNode Value)[] more) =>
        server.SendAsync(HttpMethod.Post, $"/api/jobs/{id}/pulling/entries", RunningServer.Entry(step, kind, more));
}
