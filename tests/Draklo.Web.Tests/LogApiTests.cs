using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;

namespace Draklo.Web.Tests;

/// <summary>Looking back over the real server and its SQLite file: logs, what they book, pictures, the year.</summary>
public sealed class LogApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    private const string Tackle = "tackle-35";

    [Fact]
    public async Task A_log_is_kept_books_every_piece_and_books_again_in_its_place()
    {
        var id = await CopyAsync("Lime by");
        var before = await UsesAsync(Tackle);
        var start = await LogAsync(id);
        Assert.Equal(0, (int)start["revision"]!);
        Assert.Equal("planned", (string)start["stage"]!);
        Assert.NotEmpty(start["start"]!["gear"]!.AsArray());
        var kept = await KeepAsync(id, 0, Log(start, 1500, 1300));
        Assert.True(kept.Status == 200, kept.Text);
        Assert.Equal("done", (string)kept.Body!["stage"]!);
        Assert.Equal(before + 1, await UsesAsync(Tackle));
        Assert.Equal(412, (await KeepAsync(id, 0, Log(start, 1500, 1300))).Status);
        var again = await KeepAsync(id, 1, Log(start, 1600, 1300));
        Assert.True(again.Status == 200, again.Text);
        Assert.Equal(before + 1, await UsesAsync(Tackle));
        var rope = (await server.SendAsync(HttpMethod.Get, "/api/locker/items/long-60")).Body!;
        Assert.Contains(
            rope["uses"]!.AsArray(),
            u => (string?)u!["use"]!["jobId"] == id && Math.Abs((double)u["use"]!["peakN"]! - 1600) < 1
        );
    }

    [Fact]
    public async Task An_undone_log_takes_back_what_it_booked()
    {
        var id = await CopyAsync("Lime by");
        var before = await UsesAsync(Tackle);
        Assert.Equal(200, (await KeepAsync(id, 0, Log(await LogAsync(id), 1500, 1300))).Status);
        Assert.Equal(before + 1, await UsesAsync(Tackle));
        var history = (await server.SendAsync(HttpMethod.Get, "/api/history?limit=50")).Body!.AsArray();
        var change = history.First(h => (string)h!["kind"]! == "log" && (string)h["id"]! == id)!;
        Assert.Equal(204, (await server.SendAsync(HttpMethod.Post, $"/api/history/{change["number"]}/undo")).Status);
        Assert.Equal(before, await UsesAsync(Tackle));
        Assert.Equal("planned", (string)(await LogAsync(id))["stage"]!);
    }

    [Fact]
    public async Task Gear_to_look_at_is_flagged_until_somebody_looks()
    {
        var id = await CopyAsync("Lime by");
        var log = Log(await LogAsync(id), 1500, 1300);
        log["gear"] = new JsonArray(
            new JsonObject
            {
                ["itemId"] = "sling-white",
                ["findings"] = new JsonArray("abraded"),
                ["shock"] = true,
            }
        );
        Assert.Equal(200, (await KeepAsync(id, 0, log)).Status);
        Assert.Equal(["inspectionOpen", "shock"], await FlagsAsync("sling-white"));
        await server.SendAsync(
            HttpMethod.Post,
            "/api/locker/items/sling-white/inspections",
            new JsonObject { ["on"] = Today, ["by"] = "Mette" }
        );
        Assert.DoesNotContain("inspectionOpen", await FlagsAsync("sling-white"));
    }

    [Theory]
    [InlineData("landing", """{ "outM": 140, "rightM": 20 }""", "landing.outM")]
    [InlineData("landing", """{ "outM": -3, "rightM": 0 }""", "landing.outM")]
    [InlineData("lines", """[{ "lineId": "third", "peakN": 100 }]""", "lines[0].lineId")]
    [InlineData("on", "\"2999-01-01\"", "on")]
    [InlineData("stage", "\"briefed\"", "stage")]
    [InlineData("stage", "\"somewhere\"", "stage")]
    [InlineData("by", "\"\"", "by")]
    [InlineData("pictures", """[{ "hash": "abc" }]""", "pictures[0].hash")]
    [InlineData("hinge", """{ "end": "letGo", "atDeg": 500 }""", "hinge.atDeg")]
    [InlineData("minutes", """[{ "taskId": "cuts", "minutes": -4 }]""", "minutes[0].minutes")]
    public async Task What_cannot_be_is_refused_at_its_member(string member, string json, string path)
    {
        var id = await CopyAsync("Lime by");
        var log = Log(await LogAsync(id), 1500, 1300);
        log[member] = JsonNode.Parse(json);
        var answer = await KeepAsync(id, 0, log);
        Assert.True(answer.Status is 400 or 422, answer.Text);
        Assert.Contains(path, answer.Body!["errors"]!.AsObject().Select(e => e.Key));
        Assert.Equal(0, (int)(await LogAsync(id))["revision"]!);
    }

    [Fact]
    public async Task A_job_that_is_not_there_has_no_log()
    {
        Assert.Equal(404, (await server.SendAsync(HttpMethod.Get, "/api/jobs/nowhere/log")).Status);
        Assert.Equal(404, (await KeepAsync("nowhere", 0, Log(null, 100, 90))).Status);
        var id = await CopyAsync("Birch at");
        Assert.Equal(428, (await server.SendAsync(HttpMethod.Put, $"/api/jobs/{id}/log", Log(null, 100, 90))).Status);
    }

    [Fact]
    public async Task Pictures_are_kept_by_what_they_are()
    {
        var png = Png(40, 30);
        var kept = await PictureAsync(png, "image/png");
        Assert.True(kept.Status == 200, kept.Text);
        var hash = (string)kept.Body!["hash"]!;
        Assert.Equal((40, 30), ((int)kept.Body["widthPx"]!, (int)kept.Body["heightPx"]!));
        Assert.Equal(hash, (string)(await PictureAsync(png, "image/png")).Body!["hash"]!);
        var back = await server.Client.GetAsync($"/api/pictures/{hash}");
        Assert.Equal("image/png", back.Content.Headers.ContentType!.MediaType);
        Assert.Equal(png, await back.Content.ReadAsByteArrayAsync());
        Assert.Contains(
            "no picture",
            (await PictureAsync("hello"u8.ToArray(), "image/png")).Text,
            StringComparison.Ordinal
        );
        Assert.Contains(
            "pixels",
            (await PictureAsync(Png(60_000, 60_000), "image/png")).Text,
            StringComparison.Ordinal
        );
        Assert.Contains("no picture", (await PictureAsync(png[..40], "image/png")).Text, StringComparison.Ordinal);
        Assert.Equal(200, (await PictureAsync(Jpeg("plain"), "image/jpeg")).Status);
        Assert.Equal(415, (await PictureAsync(png, "text/html")).Status);
        Assert.Equal(413, (await PictureAsync(new byte[4 * 1024 * 1024], "image/jpeg")).Status);
        Assert.Equal(404, (int)(await server.Client.GetAsync($"/api/pictures/{new string('0', 64)}")).StatusCode);
        Assert.Equal(404, (int)(await server.Client.GetAsync("/api/pictures/..%2Fdraklo.sqlite")).StatusCode);
    }

    [Fact]
    public async Task A_log_goes_out_with_its_job_and_comes_back_with_its_pictures()
    {
        var ferry = await server.DemoAsync("Willow at the ferry");
        var id = (string)ferry["id"]!;
        var archive = await server.Client.GetByteArrayAsync($"/api/jobs/{id}/job.zip");
        using var content = new ByteArrayContent(archive);
        content.Headers.ContentType = new("application/zip");
        var answer = await server.Client.PostAsync("/api/jobs/archives", content);
        Assert.Equal(201, (int)answer.StatusCode);
        var copy = JsonNode.Parse(await answer.Content.ReadAsStringAsync())!;
        var log = await LogAsync((string)copy["id"]!);
        Assert.Equal("done", (string)log["stage"]!);
        Assert.Equal(2, log["log"]!["pictures"]!.AsArray().Count);
        Assert.Equal(
            3600,
            (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{copy["id"]}/pulling/trace")).Body![0]![
                "count"
            ]!.GetValue<int>()
        );
        await server.SendAsync(HttpMethod.Delete, $"/api/jobs/{copy["id"]}");
    }

    [Fact]
    public async Task The_finished_job_of_the_demo_has_what_a_finished_job_has()
    {
        var id = (string)(await server.DemoAsync("Willow at the ferry"))["id"]!;
        var start = (await LogAsync(id))["start"]!["lines"]![0]!;
        Assert.True((bool)start["fromTrace"]!);
        Assert.InRange((double)start["readPeakN"]!, 500, 5000);
        Assert.NotNull(start["readWentN"]);
        var rope = (await server.SendAsync(HttpMethod.Get, "/api/locker/items/ferry-60")).Body!;
        Assert.Equal("retired", (string)rope["entry"]!["item"]!["state"]!);
        Assert.Equal(14.5, (double)rope["entry"]!["item"]!["flaws"]![0]!["atM"]!);
    }

    [Fact]
    public async Task The_list_is_searched_filtered_and_sorted()
    {
        Assert.Equal(["Birch on Hallow Rigg"], await NamesAsync("text=birch on"));
        Assert.All(
            await NamesAsync("stage=calledOff"),
            n => Assert.StartsWith("Sycamore", n, StringComparison.Ordinal)
        );
        Assert.Equal(3, (await NamesAsync("species=alder-black")).Count);
        Assert.Contains("Alder on the islet", await NamesAsync("place=Ternholt%20shore&stage=done"));
        Assert.DoesNotContain("Alder on the islet", await NamesAsync("stage=open"));
        Assert.All(await NamesAsync("crew=Wenna&stage=done"), Assert.NotEmpty);
        Assert.Empty(await NamesAsync("crew=Wen&stage=done"));
        Assert.Empty(await NamesAsync("text=100%25"));
        var byName = await NamesAsync("stage=done&sort=name");
        Assert.Equal(byName.Order(StringComparer.OrdinalIgnoreCase), byName);
        Assert.StartsWith("Willow", (await NamesAsync("stage=done&sort=latest"))[0], StringComparison.Ordinal);
        foreach (var wrong in new[] { "stage=lost", "sort=weight", "from=spring", $"text={new string('a', 300)}" })
        {
            Assert.Equal(422, (await server.SendAsync(HttpMethod.Get, $"/api/jobs?{wrong}")).Status);
        }
    }

    [Fact]
    public async Task A_year_counts_its_jobs_and_puts_them_on_a_map()
    {
        var year = DateTime.Now.Year;
        var years = (await server.SendAsync(HttpMethod.Get, $"/api/years/{year}")).Body!;
        var last = (await server.SendAsync(HttpMethod.Get, $"/api/years/{year - 1}")).Body!;
        // The demo's year ends today: its jobs lie in this year and the one before.
        Assert.True((int)years["jobs"]! + (int)last["jobs"]! >= 17);
        Assert.Equal(
            (int)years["jobs"]!,
            years["months"]!.AsArray().Sum(m => (int)m!["down"]! + (int)m["calledOff"]! + (int)m["ahead"]!)
        );
        Assert.True((double)years["hours"]! + (double)last["hours"]! > 50);
        var map = JsonNode.Parse(await server.Client.GetStringAsync($"/api/years/{year}/where.geojson"))!;
        Assert.Equal("FeatureCollection", (string)map["type"]!);
        Assert.All(
            map["features"]!.AsArray(),
            f => Assert.InRange((double)f!["geometry"]!["coordinates"]![1]!, 53.9, 54.1)
        );
        var csv = await server.Client.GetStringAsync($"/api/years/{year}/jobs.csv");
        Assert.StartsWith("on,name,place", csv, StringComparison.Ordinal);
        Assert.Equal(422, (await server.SendAsync(HttpMethod.Get, "/api/years/12")).Status);
    }

    [Fact]
    public async Task Near_misses_have_a_list_of_their_own_that_no_spreadsheet_runs()
    {
        var id = await CopyAsync("Lime by");
        var log = Log(await LogAsync(id), 1500, 1300);
        log["nearMisses"] = new JsonArray(new JsonObject { ["what"] = "=1+1 stood under the line" });
        Assert.Equal(200, (await KeepAsync(id, 0, log)).Status);
        var list = (await server.SendAsync(HttpMethod.Get, "/api/near-misses")).Body!.AsArray();
        Assert.Contains(list, m => (string)m!["jobId"]! == id);
        var csv = await server.Client.GetStringAsync("/api/near-misses.csv");
        Assert.DoesNotContain(",=1+1", csv, StringComparison.Ordinal);
        Assert.Contains("1+1 stood under the line", csv, StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_register_tells_an_inspector_of_every_piece_and_labels_carry_a_code()
    {
        var register = (await server.SendAsync(HttpMethod.Get, "/api/locker/register")).Body!.AsArray();
        var items = (await server.SendAsync(HttpMethod.Get, "/api/locker")).Body!["items"]!.AsArray();
        Assert.Equal(items.Count, register.Count);
        var line = register.First(r => (string)r!["gear"]!["item"]!["id"]! == "long-60")!;
        Assert.NotNull(line["inspectedOn"]);
        Assert.True((int)line["uses"]! > 10);
        var csv = await server.Client.GetStringAsync("/api/locker/register.csv");
        Assert.Equal(items.Count + 1, csv.Split("\r\n", StringSplitOptions.RemoveEmptyEntries).Length);
        var svg = await server.Client.GetStringAsync("/api/locker/items/long-60/label.svg");
        Assert.Contains("<svg", svg, StringComparison.Ordinal);
        Assert.Equal(404, (await server.SendAsync(HttpMethod.Get, "/api/locker/items/none/label.svg")).Status);
    }

    private static string Today =>
        DateTime.Now.ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture);

    private static JsonObject Log(JsonNode? start, double peak, double went) =>
        new()
        {
            ["stage"] = "done",
            ["on"] = Today,
            ["by"] = "Mette",
            ["landing"] = new JsonObject { ["outM"] = 18, ["rightM"] = 0.5 },
            ["lines"] = new JsonArray(
                new JsonObject
                {
                    ["lineId"] = (string?)start?["start"]!["lines"]![0]!["lineId"] ?? "main",
                    ["peakN"] = peak,
                    ["wentN"] = went,
                }
            ),
        };

    private async Task<string> CopyAsync(string name)
    {
        var job = await server.DemoAsync(name);
        var copy = (await server.SendAsync(HttpMethod.Post, $"/api/jobs/{job["id"]}/duplicate")).Body!;
        return (string)copy["id"]!;
    }

    private async Task<JsonNode> LogAsync(string id) =>
        (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}/log")).Body!;

    private Task<Answer> KeepAsync(string id, int revision, JsonNode log) =>
        server.SendAsync(HttpMethod.Put, $"/api/jobs/{id}/log", log, revision);

    private async Task<int> UsesAsync(string item) =>
        (await server.SendAsync(HttpMethod.Get, $"/api/locker/items/{item}")).Body!["uses"]!.AsArray().Count;

    private async Task<string[]> FlagsAsync(string item) =>
        [
            .. (await server.SendAsync(HttpMethod.Get, $"/api/locker/items/{item}")).Body!["entry"]!["flags"]!
                .AsArray()
                .Select(f => (string)f!["kind"]!)
                .Order(StringComparer.Ordinal),
        ];

    private async Task<List<string>> NamesAsync(string asked) =>
        [
            .. (await server.SendAsync(HttpMethod.Get, $"/api/jobs?{asked}"))
                .Body!.AsArray()
                .Select(j => (string)j!["name"]!)
                .Where(n => !n.EndsWith("copy", StringComparison.Ordinal)),
        ];

    private async Task<(int Status, JsonNode? Body, string Text)> PictureAsync(byte[] bytes, string type)
    {
        using var content = new ByteArrayContent(bytes);
        content.Headers.ContentType = new MediaTypeHeaderValue(type);
        // A body that is too large is refused before it is sent, or the refusal is lost with the connection.
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/pictures") { Content = content };
        request.Headers.ExpectContinue = true;
        using var answer = await server.Client.SendAsync(request);
        var text = await answer.Content.ReadAsStringAsync();
        return ((int)answer.StatusCode, JsonNode.Parse(text.Length > 0 ? text : "null"), text);
    }

    /// <summary>The shell of a PNG of any size: what a server must judge by its header, and a browser would unpack.</summary>
    private static byte[] Png(int width, int height)
    {
        var bytes = new byte[45];
        ((ReadOnlySpan<byte>)[0x89, 0x50, 0x4E, 0x47, 0x0D, 0x0A, 0x1A, 0x0A]).CopyTo(bytes);
        bytes[11] = 13;
        Encoding.ASCII.GetBytes("IHDR").CopyTo(bytes, 12);
        System.Buffers.Binary.BinaryPrimitives.WriteInt32BigEndian(bytes.AsSpan(16), width);
        System.Buffers.Binary.BinaryPrimitives.WriteInt32BigEndian(bytes.AsSpan(20), height);
        Encoding.ASCII.GetBytes("IEND").CopyTo(bytes, 37);
        return bytes;
    }

    private static byte[] Jpeg(string note)
    {
        var text = Encoding.ASCII.GetBytes(note);
        return
        [
            0xFF,
            0xD8,
            0xFF,
            0xE1,
            0,
            (byte)(text.Length + 2),
            .. text,
            0xFF,
            0xC0,
            0,
            11,
            8,
            0,
            30,
            0,
            40,
            1,
            1,
            0x11,
            0,
            0xFF,
            0xD9,
        ];
    }
}
