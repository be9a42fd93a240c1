using System.Text.Json.Nodes;
using Ical.Net;

namespace Draklo.Web.Tests;

/// <summary>The day, revisions in words, templates and today's kit over HTTP.</summary>
public sealed class DayApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task The_day_is_drawn_up_with_light_and_wind_once_a_day_is_given()
    {
        var birch = await server.DemoAsync("Birch");
        var day = (await server.SendAsync(HttpMethod.Post, "/api/day?on=2026-12-01", birch["plan"])).Body!;
        Assert.NotNull(day["light"]!["sunsetMin"]);
        Assert.Equal(15, day["wind"]!.AsArray().Count);
        Assert.Equal(510, day["beginsMin"]!.GetValue<double>());
        Assert.Equal("crowns", day["money"]!.GetValue<string>());
        Assert.NotNull(day["cost"]!["nominal"]);
        var undated = (await server.SendAsync(HttpMethod.Post, "/api/day", birch["plan"])).Body!;
        Assert.Null(undated["light"]);
        Assert.Equal(422, (await server.SendAsync(HttpMethod.Post, "/api/day?on=1.12.", birch["plan"])).Status);
        // No calendar holds what ends after the last day of the last year.
        foreach (var outside in new[] { "9999-12-31", "0001-01-01" })
        {
            var job = new JsonObject { ["plannedOn"] = outside };
            Assert.NotNull((await server.SendAsync(HttpMethod.Post, "/api/jobs", job)).Errors["plannedOn"]);
        }
    }

    [Fact]
    public async Task The_calendar_file_reads_as_one()
    {
        var birch = await server.DemoAsync("Birch");
        var file = await server.SendAsync(HttpMethod.Get, $"/api/jobs/{birch["id"]!.GetValue<string>()}/day.ics");
        var work = Assert.Single(Calendar.Load(file.Text)!.Events);
        Assert.Equal("Birch at the mill race", work.Summary);
        Assert.Equal("Sedge Mill", work.Location);
        Assert.Equal(birch["plannedOn"]!.GetValue<string>(), work.Start!.Value.ToString("yyyy-MM-dd"));
        Assert.Equal("08:30", work.Start.Value.ToString("HH:mm"));
        Assert.Contains("The pull", work.Description, StringComparison.Ordinal);
        var undated = (await server.NewJobAsync())["id"]!.GetValue<string>();
        var refused = await server.SendAsync(HttpMethod.Get, $"/api/jobs/{undated}/day.ics");
        Assert.NotNull(refused.Errors["plannedOn"]);
    }

    [Fact]
    public async Task Two_revisions_are_compared_in_words_with_units()
    {
        var job = await server.NewJobAsync();
        var id = job["id"]!.GetValue<string>();
        var content = new JsonObject
        {
            ["name"] = job["name"]!.DeepClone(),
            ["place"] = "Mill leat",
            ["plannedOn"] = "2027-03-09",
            ["plan"] = job["plan"]!.DeepClone(),
        };
        content["plan"]!["cut"]!["hingeThicknessM"] = 0.061;
        await server.SendAsync(HttpMethod.Put, $"/api/jobs/{id}", content, ifMatch: 1);
        var told = (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}/revisions/1/changes/2")).Body!;
        var changes = told["changes"]!.AsArray();
        Assert.Equal(
            ["cut.hingeThicknessM", "place", "plannedOn"],
            changes.Select(c => c!["path"]!.GetValue<string>()).Order()
        );
        Assert.Contains(changes, c => c!["is"]!.GetValue<string>() == "6.1 cm");
        var old = (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}/revisions/1")).Body!;
        Assert.Equal("", old["place"]!.GetValue<string>());
        Assert.Equal(404, (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}/revisions/1/changes/9")).Status);
    }

    [Fact]
    public async Task A_job_begins_from_a_template_of_the_crew()
    {
        var lime = await server.DemoAsync("Lime");
        var template = new JsonObject
        {
            ["id"] = "back-leaner",
            ["name"] = "Back-leaner by hand",
            ["plan"] = lime["plan"]!.DeepClone(),
        };
        Assert.Equal(200, (await server.SendAsync(HttpMethod.Put, "/api/templates/back-leaner", template)).Status);
        var made = (
            await server.SendAsync(HttpMethod.Post, "/api/jobs", new JsonObject { ["template"] = "back-leaner" })
        ).Body!;
        Assert.Equal("guess", made["plan"]!["provenance"]!["tree.heightM"]!.GetValue<string>());
        Assert.Equal(5, made["plan"]!["crew"]!.AsArray().Count);
        await server.SendAsync(HttpMethod.Delete, "/api/templates/back-leaner");
        var gone = await server.SendAsync(
            HttpMethod.Post,
            "/api/jobs",
            new JsonObject { ["template"] = "back-leaner" }
        );
        Assert.NotNull(gone.Errors["template"]);
    }

    [Fact]
    public async Task Todays_kit_is_kept_for_its_day()
    {
        var kit = new JsonObject
        {
            ["id"] = "today",
            ["on"] = "2026-12-01",
            ["items"] = new JsonArray("long-60"),
        };
        Assert.Equal(200, (await server.SendAsync(HttpMethod.Put, "/api/kits/today", kit)).Status);
        Assert.Contains(
            "long-60",
            (await server.SendAsync(HttpMethod.Get, "/api/kits")).Text,
            StringComparison.Ordinal
        );
        kit["on"] = "tomorrow";
        Assert.NotNull((await server.SendAsync(HttpMethod.Put, "/api/kits/today", kit)).Errors["on"]);
    }

    [Fact]
    public async Task What_the_crew_book_lost_comes_back_from_history()
    {
        await server.SendAsync(HttpMethod.Delete, "/api/crew/bo");
        Assert.DoesNotContain(
            "\"Bo\"",
            (await server.SendAsync(HttpMethod.Get, "/api/crew")).Text,
            StringComparison.Ordinal
        );
        var entry = (await server.SendAsync(HttpMethod.Get, "/api/history"))
            .Body!.AsArray()
            .First(h => h!["kind"]!.GetValue<string>() == "person")!;
        Assert.Equal("Bo", entry["name"]!.GetValue<string>());
        await server.SendAsync(HttpMethod.Post, $"/api/history/{entry["number"]}/undo");
        Assert.Contains("\"Bo\"", (await server.SendAsync(HttpMethod.Get, "/api/crew")).Text, StringComparison.Ordinal);
    }
}
