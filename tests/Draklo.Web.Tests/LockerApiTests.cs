using System.Text;
using System.Text.Json.Nodes;

namespace Draklo.Web.Tests;

/// <summary>The locker over the real server and its SQLite file.</summary>
public sealed class LockerApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task The_demo_locker_has_gear_in_every_state_with_what_follows()
    {
        var locker = (await server.SendAsync(HttpMethod.Get, "/api/locker")).Body!;
        var items = locker["items"]!.AsArray();
        Assert.True(items.Count > 20);
        Assert.Equal(11, items.Select(i => Text(i!, "kind")).Distinct().Count());
        Assert.Equal(["inService", "quarantined", "retired"], items.Select(i => Text(i!, "state")).Distinct().Order());
        Assert.Contains(items, i => i!["strength"]!["source"]!.GetValue<string>() == "estimate");
        var flagged = items.Single(i => Text(i!, "id") == "loop-prusik")!;
        Assert.Equal(
            ["age", "inspectionOpen"],
            flagged["flags"]!.AsArray().Select(f => f!["kind"]!.GetValue<string>()).Order()
        );
        var old = (await server.SendAsync(HttpMethod.Get, "/api/locker/items/old-mill-60")).Body!;
        Assert.Equal("retired", old["entry"]!["item"]!["state"]!.GetValue<string>());
        Assert.Contains("glazed", old["entry"]!["item"]!["reason"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Equal(19400, old["uses"]![0]!["use"]!["peakN"]!.GetValue<double>());
        Assert.NotEmpty(locker["rules"]!["setBy"]!.GetValue<string>());
    }

    [Fact]
    public async Task A_piece_is_kept_changed_and_never_overwritten_silently()
    {
        var made = await server.SendAsync(
            HttpMethod.Post,
            "/api/locker/items",
            new JsonObject { ["item"] = Rope("", "Test line") }
        );
        Assert.Equal(201, made.Status);
        Assert.Equal("test-line", made.Body!["item"]!["id"]!.GetValue<string>());
        var again = await server.SendAsync(
            HttpMethod.Post,
            "/api/locker/items",
            new JsonObject { ["item"] = Rope("", "Test line") }
        );
        Assert.Equal("test-line-2", again.Body!["item"]!["id"]!.GetValue<string>());
        Assert.Equal(
            422,
            (
                await server.SendAsync(
                    HttpMethod.Post,
                    "/api/locker/items",
                    new JsonObject { ["item"] = Rope("test-line", "Other") }
                )
            ).Status
        );

        var changed = Rope("test-line", "Test line, cut");
        changed["lengthM"] = 40;
        Assert.Equal(428, (await server.SendAsync(HttpMethod.Put, "/api/locker/items/test-line", changed)).Status);
        Assert.Equal(200, (await server.SendAsync(HttpMethod.Put, "/api/locker/items/test-line", changed, 1)).Status);
        var stale = await server.SendAsync(HttpMethod.Put, "/api/locker/items/test-line", Rope("test-line", "Mine"), 1);
        Assert.Equal(412, stale.Status);
        Assert.Equal(
            "Test line, cut",
            Text((await server.SendAsync(HttpMethod.Get, "/api/locker/items/test-line")).Body!["entry"]!, "name")
        );

        Assert.Equal(204, (await server.SendAsync(HttpMethod.Delete, "/api/locker/items/test-line")).Status);
        Assert.Equal(404, (await server.SendAsync(HttpMethod.Get, "/api/locker/items/test-line")).Status);
        Assert.Equal(200, (await server.SendAsync(HttpMethod.Post, "/api/locker/items/test-line/restore")).Status);
        Assert.Equal(
            40,
            (await server.SendAsync(HttpMethod.Get, "/api/locker/items/test-line")).Body!["entry"]!["item"]![
                "lengthM"
            ]!.GetValue<double>()
        );
        Assert.Equal(404, (await server.SendAsync(HttpMethod.Delete, "/api/locker/items/none-such")).Status);
    }

    [Theory]
    [InlineData("breakingStrengthN", "-5", "between")]
    [InlineData("workingLoadN", "90000", "one of the two is misread")]
    [InlineData("name", "\"=HYPERLINK(1)\"", "formula")]
    [InlineData("kind", "\"crane\"", "must be one of")]
    [InlineData("colour", "\"red\"", "not a member known here")]
    [InlineData("madeOn", "\"yesterday\"", "year-month-day")]
    public async Task Nonsense_is_refused_at_its_field(string member, string value, string says)
    {
        var item = Rope("nonsense", "Nonsense");
        item[member] = JsonNode.Parse(value);
        var refused = await server.SendAsync(HttpMethod.Post, "/api/locker/items", new JsonObject { ["item"] = item });
        Assert.Equal(422, refused.Status);
        var (path, sentences) = Assert.Single(refused.Errors);
        Assert.EndsWith(member, path, StringComparison.Ordinal);
        Assert.Contains(says, sentences![0]!.GetValue<string>(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task An_inspection_sets_aside_and_another_brings_back()
    {
        await server.SendAsync(
            HttpMethod.Post,
            "/api/locker/items",
            new JsonObject { ["item"] = Rope("inspected", "Inspected line") }
        );
        Assert.Equal(
            "quarantine",
            (
                await server.SendAsync(
                    HttpMethod.Post,
                    "/api/locker/usual",
                    JsonNode.Parse("{\"findings\":[\"stiff\",\"glazed\"]}")
                )
            ).Body!["outcome"]!.GetValue<string>()
        );
        var aside = await InspectAsync(
            "inspected",
            "{\"on\":\"2026-11-01\",\"by\":\"Jory\",\"findings\":[\"glazed\"],\"where\":\"near the eye\",\"outcome\":\"quarantine\",\"keeps\":0.8}"
        );
        Assert.Equal("quarantined", Text(aside["entry"]!, "state"));
        Assert.Contains("glazed, near the eye; Jory", Text(aside["entry"]!, "reason"), StringComparison.Ordinal);
        Assert.Equal(0.8, aside["entry"]!["item"]!["keeps"]!.GetValue<double>());
        var watch = await InspectAsync("inspected", "{\"on\":\"2026-11-02\",\"by\":\"Mette\",\"outcome\":\"watch\"}");
        Assert.Equal("inService", Text(watch["entry"]!, "state"));
        Assert.Contains(watch["entry"]!["flags"]!.AsArray(), f => f!["kind"]!.GetValue<string>() == "inspectionOpen");
        var passed = await InspectAsync("inspected", "{\"on\":\"2026-11-03\",\"by\":\"Mette\",\"outcome\":\"pass\"}");
        Assert.Empty(passed["entry"]!["flags"]!.AsArray());
        Assert.Equal(3, passed["inspections"]!.AsArray().Count);
        Assert.Equal(
            422,
            (
                await server.SendAsync(
                    HttpMethod.Post,
                    "/api/locker/items/inspected/inspections",
                    JsonNode.Parse("{\"on\":\"2026-11-03\",\"by\":\"\"}")
                )
            ).Status
        );
        Assert.Equal(
            404,
            (
                await server.SendAsync(
                    HttpMethod.Post,
                    "/api/locker/items/nothing/inspections",
                    JsonNode.Parse("{\"on\":\"2026-11-03\",\"by\":\"Mette\"}")
                )
            ).Status
        );
    }

    [Fact]
    public async Task A_peak_above_the_chosen_share_flags_the_piece_and_the_plan_it_hangs_on()
    {
        await server.SendAsync(
            HttpMethod.Post,
            "/api/locker/items",
            new JsonObject { ["item"] = Rope("heaved", "Heaved line") }
        );
        await InspectAsync("heaved", "{\"on\":\"2026-11-01\",\"by\":\"Jory\"}");
        var plan = (await server.DemoAsync("Lime"))["plan"]!.AsObject();
        plan["lines"]![0]!["rope"]!["itemId"] = "heaved";
        Assert.DoesNotContain(await ReasonsAsync(plan), r => r.Contains("Heaved line", StringComparison.Ordinal));
        var logged = await server.SendAsync(
            HttpMethod.Post,
            "/api/locker/items/heaved/uses",
            JsonNode.Parse(
                "{\"on\":\"2026-11-20\",\"job\":\"Poplar\",\"peakN\":20000,\"minutes\":12,\"knots\":[\"bowline\"],\"jams\":1}"
            )
        );
        Assert.Equal("overload", logged.Body!["entry"]!["flags"]![0]!["kind"]!.GetValue<string>());
        Assert.Contains(
            await ReasonsAsync(plan),
            r => r.StartsWith("Heaved line: overloaded", StringComparison.Ordinal)
        );
        await InspectAsync(
            "heaved",
            "{\"on\":\"2026-11-21\",\"by\":\"Jory\",\"findings\":[\"melted\"],\"outcome\":\"retire\"}"
        );
        var stop = (await server.SendAsync(HttpMethod.Post, "/api/analysis?workings=false", plan)).Body!["verdict"]!;
        Assert.Equal("stop", stop["state"]!.GetValue<string>());
        Assert.Contains("is retired (melted", stop["summary"]!.GetValue<string>(), StringComparison.Ordinal);

        // The list of jobs says the same.
        var job = await server.NewJobAsync();
        job["plan"]!["lines"]![0]!["rope"]!["itemId"] = "heaved";
        var document = new JsonObject
        {
            ["name"] = "With a retired rope",
            ["place"] = "",
            ["plan"] = job["plan"]!.DeepClone(),
        };
        await server.SendAsync(HttpMethod.Put, $"/api/jobs/{job["id"]}", document, 1);
        var listed = (await server.SendAsync(HttpMethod.Get, "/api/jobs"))
            .Body!.AsArray()
            .Single(j => j!["name"]!.GetValue<string>() == "With a retired rope")!;
        Assert.Equal("stop", listed["state"]!.GetValue<string>());
    }

    [Fact]
    public async Task The_list_goes_out_as_CSV_and_comes_in_whole_or_not_at_all()
    {
        var file = await server.Client.GetByteArrayAsync("/api/locker/locker.csv");
        Assert.Equal(0xEF, file[0]);
        var same = await CsvAsync("/api/locker/csv/preview", file);
        Assert.Equal(
            0,
            same.Body!["adds"]!.GetValue<int>()
                + same.Body["changes"]!.GetValue<int>()
                + same.Body["refused"]!.GetValue<int>()
        );

        var good = Encoding.UTF8.GetBytes("kind,name,breaking_strength_kn\nblock,Listed block,36\n");
        Assert.Equal(1, (await CsvAsync("/api/locker/csv/preview", good)).Body!["adds"]!.GetValue<int>());
        Assert.Equal(404, (await server.SendAsync(HttpMethod.Get, "/api/locker/items/listed-block")).Status);
        Assert.Equal(200, (await CsvAsync("/api/locker/csv", good)).Status);
        Assert.Equal(
            36000,
            (await server.SendAsync(HttpMethod.Get, "/api/locker/items/listed-block")).Body!["entry"]!["item"]![
                "breakingStrengthN"
            ]!.GetValue<double>()
        );

        var half = await CsvAsync(
            "/api/locker/csv",
            Encoding.UTF8.GetBytes("kind,name,breaking_strength_kn\nblock,Half a list,36\nblock,=1+1,36\n")
        );
        Assert.Equal(422, half.Status);
        Assert.Contains("Line 3", half.Text, StringComparison.Ordinal);
        Assert.Equal(404, (await server.SendAsync(HttpMethod.Get, "/api/locker/items/half-a-list")).Status);
    }

    [Theory]
    [InlineData("name,colour\nx,y\n", "“colour” is not known")]
    [InlineData("", "empty")]
    public async Task A_file_that_is_no_list_is_said_to_be_none(string text, string says)
    {
        var refused = await CsvAsync("/api/locker/csv/preview", Encoding.UTF8.GetBytes(text));
        Assert.Equal(422, refused.Status);
        Assert.Contains(says, refused.Body!["errors"]!["file"]![0]!.GetValue<string>(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Two_hundred_thousand_rows_are_too_many_and_other_encodings_are_named()
    {
        var rows = Encoding.UTF8.GetBytes(
            "kind,name,note\n"
                + string.Concat(Enumerable.Repeat("rope,a line of the crew,hangs by the door of the store\n", 200_000))
        );
        var many = await CsvAsync("/api/locker/csv/preview", rows);
        Assert.Equal(422, many.Status);
        Assert.Contains("split it", many.Text, StringComparison.Ordinal);
        var latin = await CsvAsync(
            "/api/locker/csv/preview",
            [.. "kind,name\nrope,Gr"u8.ToArray(), 0xFC, .. "nes Seil\n"u8.ToArray()]
        );
        Assert.Contains("not UTF-8", latin.Text, StringComparison.Ordinal);
        Assert.Equal(
            1,
            (
                await CsvAsync(
                    "/api/locker/csv/preview",
                    [.. Encoding.Unicode.GetPreamble(), .. Encoding.Unicode.GetBytes("kind;name\nrope;Grünes Seil\n")]
                )
            ).Body!["adds"]!.GetValue<int>()
        );
    }

    [Fact]
    public async Task Rules_and_policies_are_kept_with_who_set_them()
    {
        Assert.NotNull(
            (
                await server.SendAsync(HttpMethod.Put, "/api/locker/rules", JsonNode.Parse("{\"overloadShare\":0.5}"))
            ).Errors["setBy"]
        );
        Assert.NotNull(
            (
                await server.SendAsync(
                    HttpMethod.Put,
                    "/api/locker/rules",
                    JsonNode.Parse("{\"overloadShare\":2,\"setBy\":\"Mette\"}")
                )
            ).Errors["overloadShare"]
        );
        Assert.Equal(
            200,
            (
                await server.SendAsync(
                    HttpMethod.Put,
                    "/api/locker/rules",
                    JsonNode.Parse("{\"overloadShare\":0.4,\"setBy\":\"Jory\"}")
                )
            ).Status
        );

        var policy = JsonNode.Parse(
            "{\"id\":\"winter\",\"members\":{\"name\":\"Winter\",\"setBy\":\"Jory\",\"setOn\":\"2026-11-01\",\"loadReserve\":1.4,\"designFactor\":{\"rope\":7}}}"
        )!;
        Assert.Equal(200, (await server.SendAsync(HttpMethod.Put, "/api/policies/winter", policy)).Status);
        var kept = (await server.SendAsync(HttpMethod.Get, "/api/policies"))
            .Body!.AsArray()
            .Single(p => p!["id"]!.GetValue<string>() == "winter")!;
        Assert.Equal(7, kept["members"]!["designFactor"]!["rope"]!.GetValue<double>());
        policy["members"]!["setBy"] = "";
        Assert.NotNull(
            (await server.SendAsync(HttpMethod.Put, "/api/policies/winter", policy)).Errors["members.setBy"]
        );
        policy["members"]!["setBy"] = "Jory";
        policy["members"]!["designFactor"]!["rope"] = 0;
        Assert.NotNull(
            (await server.SendAsync(HttpMethod.Put, "/api/policies/winter", policy)).Errors["members.designFactor.rope"]
        );
        Assert.Equal(204, (await server.SendAsync(HttpMethod.Delete, "/api/policies/winter")).Status);
        Assert.Equal(404, (await server.SendAsync(HttpMethod.Delete, "/api/policies/winter")).Status);
    }

    private static string Text(JsonNode entry, string member) => entry["item"]![member]!.GetValue<string>();

    private static JsonObject Rope(string id, string name) =>
        new()
        {
            ["id"] = id,
            ["kind"] = "rope",
            ["name"] = name,
            ["lengthM"] = 60,
            ["diameterM"] = 0.0127,
            ["breakingStrengthN"] = 46000,
            ["inServiceOn"] = "2026-01-01",
        };

    private async Task<JsonNode> InspectAsync(string id, string json) =>
        (await server.SendAsync(HttpMethod.Post, $"/api/locker/items/{id}/inspections", JsonNode.Parse(json))).Body!;

    private async Task<IReadOnlyList<string>> ReasonsAsync(JsonObject plan) =>
        [
            .. (await server.SendAsync(HttpMethod.Post, "/api/analysis?workings=false", plan)).Body!["verdict"]![
                "reasons"
            ]!
                .AsArray()
                .Select(r => r!["text"]!.GetValue<string>()),
        ];

    private Task<Answer> CsvAsync(string path, byte[] file) => server.SendCsvAsync(path, file);
}
