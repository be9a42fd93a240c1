using System.Globalization;
using System.Net.Http.Headers;
using System.Text.Json.Nodes;

namespace Draklo.Web.Tests;

/// <summary>The day of a job over the API: entries, changes on the spot, readings of a tablet, the trace.</summary>
public sealed class PullingApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task An_entry_is_kept_with_time_and_name_and_once_however_often_it_is_sent()
    {
        var id = await BirchAsync();
        var move = Entry("brief", "move", ("to", "slackOut"));
        var first = await SayAsync(id, move);
        Assert.Equal("slackOut", first.Body!["day"]!["now"]!.GetValue<string>());
        var again = await SayAsync(id, move);
        Assert.Equal(200, again.Status);
        var entries = again.Body!["day"]!["entries"]!.AsArray();
        var kept = Assert.Single(entries)!;
        Assert.Equal("Runa", kept["entry"]!["by"]!.GetValue<string>());
        Assert.True(DateTimeOffset.TryParse(kept["at"]!.GetValue<string>(), out _));
        Assert.Equal(1, kept["number"]!.GetValue<int>());
    }

    [Fact]
    public async Task Of_thirty_tablets_that_go_on_at_once_one_does()
    {
        var id = await BirchAsync();
        var answers = await Task.WhenAll(
            Enumerable.Range(0, 30).Select(_ => SayAsync(id, Entry("brief", "move", ("to", "slackOut"))))
        );
        Assert.Single(answers, a => a.Status == 200);
        Assert.All(
            answers.Where(a => a.Status != 200),
            a =>
                Assert.Contains(
                    "Runa went to slack out",
                    a.Errors["step"]![0]!.GetValue<string>(),
                    StringComparison.Ordinal
                )
        );
        Assert.Single((await DayAsync(id))["day"]!["entries"]!.AsArray());
    }

    [Fact]
    public async Task Readings_of_every_way_become_tensions_with_their_spread()
    {
        var id = await AtBedTestAsync();
        foreach (
            var (tension, least, most) in new[]
            {
                ("""{ "way": "cell", "readN": 240 }""", 235, 245),
                ("""{ "way": "people", "people": 2 }""", 100, 5000),
                ("""{ "way": "sideways", "forceN": 58, "givesM": 0.3, "lengthM": 32.9 }""", 1589, 1591),
                ("""{ "way": "pluck", "returns": 10, "seconds": 5.5, "lengthM": 32.9, "kgPerM": 0.11 }""", 1573, 1575),
            }
        )
        {
            var answer = await SayAsync(id, Entry("bedTest", "reading", ("tension", JsonNode.Parse(tension)!)));
            Assert.Equal(200, answer.Status);
            var read = answer.Body!["day"]!["lines"]![0]!["readN"]!;
            Assert.InRange(read["nominal"]!.GetValue<double>(), least, most);
            Assert.True(read["low"]!.GetValue<double>() < read["high"]!.GetValue<double>());
        }
    }

    [Theory]
    [InlineData("""{ "way": "cell", "readN": -5 }""", "tension.readN")]
    [InlineData("""{ "way": "cell" }""", "tension.readN")]
    [InlineData("""{ "way": "cell", "readN": 1e99 }""", "tension.readN")]
    [InlineData("""{ "way": "pluck", "returns": 1, "seconds": 2 }""", "tension.returns")]
    [InlineData("""{ "way": "sideways", "forceN": 50, "givesM": 0 }""", "tension.givesM")]
    [InlineData("""{ "way": "guess", "readN": 5 }""", "tension.way")]
    [InlineData("""{ "way": "cell", "readN": 5, "colour": 1 }""", "tension.colour")]
    public async Task What_cannot_be_a_reading_is_refused_at_its_field(string tension, string path)
    {
        var id = await AtBedTestAsync();
        var answer = await SayAsync(id, Entry("bedTest", "reading", ("tension", JsonNode.Parse(tension)!)));
        Assert.Equal(422, answer.Status);
        Assert.NotNull(answer.Errors[path]);
    }

    [Fact]
    public async Task Strange_lines_nobodys_names_and_missing_jobs_are_said_plainly()
    {
        var id = await AtBedTestAsync();
        var cell = JsonNode.Parse("""{ "way": "cell", "readN": 240 }""")!;
        var line = await SayAsync(id, Entry("bedTest", "reading", ("tension", cell), ("lineId", "north")));
        Assert.NotNull(line.Errors["lineId"]);
        var nobody = Entry("bedTest", "stop");
        nobody["by"] = " ";
        Assert.NotNull((await SayAsync(id, nobody)).Errors["by"]);
        Assert.Equal(404, (await SayAsync("nowhere", Entry("brief", "stop"))).Status);
        Assert.Equal(404, (await server.SendAsync(HttpMethod.Get, "/api/jobs/nowhere/pulling/trace")).Status);
        Assert.Equal(422, (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}/pulling/trace?spans=0")).Status);
    }

    [Fact]
    public async Task A_dropped_seat_is_worked_out_first_and_voids_the_brief_once_it_is_in_the_plan()
    {
        var id = await AtBedTestAsync();
        var seat = (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}")).Body!["plan"]!["lines"]![0]!["seat"]![
            "heightM"
        ]!.GetValue<double>();
        var change = new JsonObject
        {
            ["key"] = Guid.NewGuid().ToString("N"),
            ["by"] = "Wenna",
            ["what"] = "seatDropped",
            ["seatHeightM"] = seat - 2,
        };
        var asked = await ChangeAsync(id, change);
        Assert.Contains("dropped from", asked.Body!["words"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.True(asked.Body["voids"]!.GetValue<bool>());
        Assert.Contains(
            asked.Body["moves"]!.AsArray(),
            m => m!["id"]!.GetValue<string>() == "lines[id=main].seat.heightM"
        );
        Assert.Equal(
            seat,
            (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}")).Body!["plan"]!["lines"]![0]!["seat"]![
                "heightM"
            ]!.GetValue<double>()
        );
        change["apply"] = true;
        foreach (var _ in new[] { 1, 2 })
        {
            var put = await ChangeAsync(id, change);
            Assert.Equal(200, put.Status);
            var day = put.Body!["day"]!;
            Assert.Contains("void", day["briefWords"]!.GetValue<string>(), StringComparison.Ordinal);
            Assert.Equal("stop", day["day"]!["answer"]!["state"]!.GetValue<string>());
            Assert.Single(
                day["day"]!["entries"]!.AsArray(),
                e => e!["entry"]!["kind"]!.GetValue<string>() == "changed"
            );
        }

        var plan = (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}")).Body!["plan"]!;
        Assert.Equal(seat - 2, plan["lines"]![0]!["seat"]!["heightM"]!.GetValue<double>(), 1e-9);
    }

    [Theory]
    [InlineData("""{ "what": "haulers", "people": 1 }""", "One person hauls")]
    [InlineData("""{ "what": "wind", "windMps": 4, "gustMps": 9 }""", "gusts of 9 m/s")]
    public async Task Other_haulers_and_wind_are_worked_out_on_the_spot(string change, string words)
    {
        var id = await BirchAsync();
        var asked = JsonNode.Parse(change)!.AsObject();
        asked["key"] = Guid.NewGuid().ToString("N");
        asked["by"] = "Wenna";
        var answer = await ChangeAsync(id, asked);
        Assert.Contains(words, answer.Body!["words"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.NotEmpty(answer.Body["do"]!.AsArray());
        asked.Remove("people");
        asked.Remove("windMps");
        asked.Remove("gustMps");
        Assert.Equal(422, (await ChangeAsync(id, asked)).Status);
    }

    [Fact]
    public async Task What_a_tablet_reads_is_kept_once_and_troubles_are_told()
    {
        var id = await BirchAsync();
        var sent = Readings("kN", Enumerable.Range(0, 200).Select(i => (i, 0.3 + (i * 0.001))));
        var first = await TakeAsync(id, sent);
        Assert.Equal((200, 0), (first.Body!["taken"]!.GetValue<int>(), first.Body["repeated"]!.GetValue<int>()));
        var twice = await TakeAsync(id, sent);
        Assert.Equal((0, 200), (twice.Body!["taken"]!.GetValue<int>(), twice.Body["repeated"]!.GetValue<int>()));
        var second = await TakeAsync(id, Readings("kN", [(0, 0.31)], session: "switched-on-again"));
        Assert.Equal(1, second.Body!["taken"]!.GetValue<int>());
        var strange = await TakeAsync(id, Readings("stone", [(300, 4.0)]));
        Assert.Equal(1, strange.Body!["refused"]!.GetValue<int>());
        Assert.Contains("stone", strange.Body["trouble"]!.GetValue<string>(), StringComparison.Ordinal);
        var late = await TakeAsync(id, Readings("kN", [(210, 0.5)]));
        Assert.Equal(10, late.Body!["missed"]!.GetValue<int>());
        var trace = (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}/pulling/trace")).Body!.AsArray();
        Assert.Equal(202, Assert.Single(trace)!["count"]!.GetValue<int>());
        var csv = await server.Client.GetStringAsync($"/api/jobs/{id}/pulling/trace.csv");
        Assert.Equal(203, csv.Split('\n', StringSplitOptions.RemoveEmptyEntries).Length);
        Assert.Equal(422, (await TakeAsync(id, Readings("kN", [(400, 1.0)], "north"))).Status);
    }

    [Fact]
    public async Task An_hour_at_twenty_a_second_is_kept_whole_and_goes_into_an_archive_and_back()
    {
        var id = await BirchAsync();
        await SayAsync(id, Entry("brief", "move", ("to", "slackOut")));
        for (var batch = 0; batch < 120; batch++)
        {
            var from = batch * 600;
            var answer = await TakeAsync(
                id,
                Readings("N", Enumerable.Range(from, 600).Select(i => (i, 1000 + (i % 11) + 0.5)))
            );
            Assert.Equal(600, answer.Body!["taken"]!.GetValue<int>());
        }

        var csv = await server.Client.GetStringAsync($"/api/jobs/{id}/pulling/trace.csv");
        Assert.Equal(72_002, csv.Split('\n', StringSplitOptions.RemoveEmptyEntries).Length);
        var file = await server.Client.GetByteArrayAsync($"/api/jobs/{id}/job.zip");
        using var content = new ByteArrayContent(file);
        content.Headers.ContentType = new MediaTypeHeaderValue("application/zip");
        using var response = await server.Client.PostAsync("/api/jobs/archives", content);
        Assert.Equal(201, (int)response.StatusCode);
        var copy = JsonNode.Parse(await response.Content.ReadAsStringAsync())!["id"]!.GetValue<string>();
        var day = await DayAsync(copy);
        Assert.Equal("slackOut", day["day"]!["now"]!.GetValue<string>());
        Assert.Equal(72_000, day["traces"]![0]!["count"]!.GetValue<int>());
        Assert.Equal(csv, await server.Client.GetStringAsync($"/api/jobs/{copy}/pulling/trace.csv"));
    }

    [Fact]
    public async Task A_trace_s_rows_are_in_order_of_time_and_none_is_a_formula()
    {
        var id = await BirchAsync();
        await TakeAsync(id, Readings("kN", [(1, 0.5), (2, 0.6)]));
        var stop = Entry("brief", "stop", ("because", "=cmd|x"));
        stop["by"] = "+Runa";
        await SayAsync(id, stop);
        await TakeAsync(id, Readings("kN", [(3, 0.7)]));
        var csv = await server.Client.GetStringAsync($"/api/jobs/{id}/pulling/trace.csv");
        var rows = csv.Split('\n', StringSplitOptions.RemoveEmptyEntries).Skip(1).ToList();
        Assert.Equal(4, rows.Count);
        Assert.Contains(",'+Runa,'=cmd|x", csv, StringComparison.Ordinal);
        var times = rows.Select(r => DateTimeOffset.Parse(r.Split(',')[0], null)).ToList();
        Assert.Equal(times.Order(), times);
    }

    private Task<string> BirchAsync() => server.CopyAsync("Birch");

    private async Task<string> AtBedTestAsync()
    {
        var id = await BirchAsync();
        await SayAsync(id, Entry("brief", "move", ("to", "slackOut")));
        await SayAsync(id, Entry("slackOut", "move", ("to", "bedTest"), ("because", "looked")));
        return id;
    }

    [Fact]
    public async Task A_parcel_keeps_the_times_of_its_readings_and_one_that_comes_late_is_kept_beside_later_ones()
    {
        var id = await AtBedTestAsync();
        var parcel = Readings("N", [(10, 500.0), (11, 505), (12, 510)]);
        foreach (var (reading, n) in parcel["readings"]!.AsArray().Select((r, n) => (r!, n)))
        {
            reading["agoS"] = 0.3 - (n * 0.1);
        }

        Assert.Equal(3, (await TakeAsync(id, parcel)).Body!["taken"]!.GetValue<int>());
        // Read before those, laid aside at a device meanwhile, and partly sent before.
        var late = Readings("N", [(5, 480.0), (6, 485), (7, 490), (10, 500)]);
        foreach (var reading in late["readings"]!.AsArray())
        {
            reading!["agoS"] = 60;
        }

        var kept = (await TakeAsync(id, late)).Body!;
        Assert.Equal((3, 1), (kept["taken"]!.GetValue<int>(), kept["repeated"]!.GetValue<int>()));
        var rows = (await TraceAsync(id)).Where(r => r[2].Length > 0).ToList();
        Assert.Equal(6, rows.Count);
        // Those of the first parcel lie a tenth of a second apart.
        var times = rows.Take(3).Select(r => DateTimeOffset.Parse(r[0], CultureInfo.InvariantCulture)).ToList();
        Assert.All(times.Zip(times.Skip(1)), t => Assert.InRange((t.Second - t.First).TotalMilliseconds, 99, 101));
    }

    [Fact]
    public async Task A_cell_that_hangs_backwards_leaves_no_good_zeros()
    {
        var id = await AtBedTestAsync();
        var kept = (await TakeAsync(id, Readings("N", [(1, -500.0), (2, -510)]))).Body!;
        Assert.Equal((0, 2), (kept["taken"]!.GetValue<int>(), kept["doubtful"]!.GetValue<int>()));
        Assert.Contains("below zero", kept["trouble"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.All((await TraceAsync(id)).Where(r => r[2].Length > 0), r => Assert.Equal("yes", r[4]));
    }

    /// <summary>The day's trace as a file: time, line, tension, lean, doubtful and on.</summary>
    private async Task<List<string[]>> TraceAsync(string id) =>
        (await server.Client.GetStringAsync($"/api/jobs/{id}/pulling/trace.csv"))
            .Split('\n', StringSplitOptions.RemoveEmptyEntries)
            .Skip(1)
            .Select(row => row.Trim().Split(','))
            .ToList();

    private static JsonObject Entry(string step, string kind, params (string Name, JsonNode Value)[] more) =>
        RunningServer.Entry(step, kind, more);

    private static JsonObject Readings(
        string unit,
        IEnumerable<(int Sequence, double Value)> readings,
        string line = "main",
        string session = "a"
    ) =>
        new()
        {
            ["cell"] = "cell 1",
            ["session"] = session,
            ["lineId"] = line,
            ["unit"] = unit,
            ["readings"] = new JsonArray([
                .. readings.Select(r => (JsonNode)new JsonObject { ["sequence"] = r.Sequence, ["value"] = r.Value }),
            ]),
        };

    private async Task<JsonNode> DayAsync(string id) =>
        (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}/pulling")).Body!;

    private Task<Answer> SayAsync(string id, JsonNode entry) =>
        server.SendAsync(HttpMethod.Post, $"/api/jobs/{id}/pulling/entries", entry);

    private Task<Answer> ChangeAsync(string id, JsonNode change) =>
        server.SendAsync(HttpMethod.Post, $"/api/jobs/{id}/pulling/change", change);

    private Task<Answer> TakeAsync(string id, JsonNode readings) =>
        server.SendAsync(HttpMethod.Post, $"/api/jobs/{id}/pulling/readings", readings);
}
