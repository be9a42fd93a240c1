using System.Text.Json.Nodes;

namespace Draklo.Web.Tests;

public sealed class JobApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task Three_demo_jobs_of_which_one_is_to_check()
    {
        var list = (await server.SendAsync(HttpMethod.Get, "/api/jobs")).Body!.AsArray();
        string[] demo = ["Lime by the boathouse", "Side-leaner over the chapel wall", "Spruce above the allotments"];
        // Other tests of this class keep jobs of their own on the same server.
        var jobs = list.Where(j => demo.Contains(j!["name"]!.GetValue<string>())).ToList();
        var states = jobs.ToDictionary(j => j!["name"]!.GetValue<string>(), j => j!["state"]!.GetValue<string>());
        Assert.Equal(demo, states.Keys.Order(StringComparer.Ordinal));
        Assert.Equal("check", states[demo[0]]);
        Assert.DoesNotContain("stop", states.Values);
        Assert.All(jobs, j => Assert.NotNull(j!["figure"]));
    }

    [Fact]
    public async Task A_save_counts_up_and_is_read_back_whole()
    {
        var job = await server.NewJobAsync();
        var change = ContentOf(job);
        change["name"] = "Alder at the mill";
        change["place"] = "Mill leat";
        change["plannedOn"] = "2027-03-09";
        change["plan"]!["tree"]!["heightM"] = 17.5;
        var saved = await server.SendAsync(HttpMethod.Put, Path(job), change, ifMatch: 1);
        Assert.Equal(200, saved.Status);
        Assert.Equal("\"2\"", saved.Tag);
        var read = await server.SendAsync(HttpMethod.Get, Path(job));
        Assert.Equal("\"2\"", read.Tag);
        Assert.Equal(17.5, read.Body!["plan"]!["tree"]!["heightM"]!.GetValue<double>());
        Assert.Equal("Alder at the mill", read.Body["plan"]!["name"]!.GetValue<string>());
        Assert.Equal("2027-03-09", read.Body["plannedOn"]!.GetValue<string>());
    }

    [Fact]
    public async Task A_stale_save_answers_412_with_the_other_version_and_overwrites_nothing()
    {
        var job = await server.NewJobAsync();
        var first = ContentOf(job);
        first["name"] = "First";
        var second = ContentOf(job);
        second["name"] = "Second";
        Assert.Equal(200, (await server.SendAsync(HttpMethod.Put, Path(job), first, ifMatch: 1)).Status);
        var stale = await server.SendAsync(HttpMethod.Put, Path(job), second, ifMatch: 1);
        Assert.Equal(412, stale.Status);
        Assert.Equal("First", stale.Body!["current"]!["name"]!.GetValue<string>());
        Assert.Equal(2, stale.Body["current"]!["revision"]!.GetValue<int>());
        Assert.Equal("First", (await server.SendAsync(HttpMethod.Get, Path(job))).Body!["name"]!.GetValue<string>());
        Assert.Equal(428, (await server.SendAsync(HttpMethod.Put, Path(job), second)).Status);
    }

    [Fact]
    public async Task A_job_begins_like_an_earlier_one_or_says_that_there_is_none()
    {
        var lime = await server.DemoAsync("Lime");
        var made = await server.SendAsync(
            HttpMethod.Post,
            "/api/jobs",
            new JsonObject { ["like"] = lime["id"]!.GetValue<string>() }
        );
        Assert.Equal(201, made.Status);
        var plan = made.Body!["plan"]!;
        Assert.Equal("guess", plan["provenance"]!["tree.heightM"]!.GetValue<string>());
        Assert.Equal(lime["plan"]!["lines"]![0]!["rope"]!.ToJsonString(), plan["lines"]![0]!["rope"]!.ToJsonString());
        Assert.Empty(plan["site"]!["targets"]!.AsArray());
        var none = await server.SendAsync(HttpMethod.Post, "/api/jobs", new JsonObject { ["like"] = "nothing" });
        Assert.Equal(422, none.Status);
        Assert.NotNull(none.Errors["like"]);
    }

    [Fact]
    public async Task Of_twenty_saves_at_once_from_one_revision_one_wins()
    {
        var job = await server.NewJobAsync();
        var saves = await Task.WhenAll(
            Enumerable.Range(0, 20).Select(_ => server.SendAsync(HttpMethod.Put, Path(job), ContentOf(job), ifMatch: 1))
        );
        Assert.Single(saves, s => s.Status == 200);
        Assert.Equal(19, saves.Count(s => s.Status == 412));
    }

    [Fact]
    public async Task A_plan_that_cannot_be_computed_yet_is_kept_and_listed_as_to_mend()
    {
        var job = await server.NewJobAsync();
        var change = ContentOf(job);
        change["plan"]!["lines"]![0]!["seat"]!["heightM"] = 90;
        Assert.Equal(200, (await server.SendAsync(HttpMethod.Put, Path(job), change, ifMatch: 1)).Status);
        var entry = (await server.SendAsync(HttpMethod.Get, "/api/jobs?units=us"))
            .Body!.AsArray()
            .Single(j => j!["id"]!.GetValue<string>() == job["id"]!.GetValue<string>())!;
        Assert.Equal("mend", entry["state"]!.GetValue<string>());
        Assert.Contains("295 ft", entry["summary"]!.GetValue<string>(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("name", "\"\"", "name")]
    [InlineData("plannedOn", "\"tomorrow\"", "plannedOn")]
    [InlineData("place", "7", "place")]
    [InlineData("plan", "null", "plan")]
    [InlineData("mood", "\"grim\"", "mood")]
    public async Task A_job_is_refused_at_its_member(string member, string value, string path)
    {
        var job = await server.NewJobAsync();
        var change = ContentOf(job);
        change[member] = JsonNode.Parse(value);
        var answer = await server.SendAsync(HttpMethod.Put, Path(job), change, ifMatch: 1);
        Assert.Equal(422, answer.Status);
        Assert.Contains(path, answer.Errors.Select(e => e.Key));
        Assert.Equal(1, (await server.SendAsync(HttpMethod.Get, Path(job))).Body!["revision"]!.GetValue<int>());
    }

    [Fact]
    public async Task A_new_job_starts_from_guesses()
    {
        var job = await server.NewJobAsync();
        Assert.Contains("tree.heightM", job["plan"]!["guesses"]!.AsArray().Select(g => g!.GetValue<string>()));
        Assert.Equal(200, (await server.SendAsync(HttpMethod.Post, "/api/analysis", job["plan"])).Status);
    }

    [Fact]
    public async Task Delete_can_be_undone_and_a_copy_stands_by_itself()
    {
        var job = await server.NewJobAsync();
        var copy = await server.SendAsync(HttpMethod.Post, Path(job) + "/duplicate");
        Assert.Equal(201, copy.Status);
        Assert.EndsWith(", copy", copy.Body!["name"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Equal(204, (await server.SendAsync(HttpMethod.Delete, Path(job))).Status);
        Assert.Equal(404, (await server.SendAsync(HttpMethod.Get, Path(job))).Status);
        Assert.Equal(404, (await server.SendAsync(HttpMethod.Put, Path(job), ContentOf(job), ifMatch: 1)).Status);
        Assert.Equal(404, (await server.SendAsync(HttpMethod.Delete, Path(job))).Status);
        Assert.Equal(200, (await server.SendAsync(HttpMethod.Get, Path(copy.Body.AsObject()))).Status);
        Assert.Equal(200, (await server.SendAsync(HttpMethod.Post, Path(job) + "/restore")).Status);
        Assert.True(
            JsonNode.DeepEquals(job["plan"], (await server.SendAsync(HttpMethod.Get, Path(job))).Body!["plan"])
        );
    }

    [Fact]
    public async Task What_is_exported_is_imported_the_same()
    {
        var lime = await server.DemoAsync("Lime");
        var file = await server.SendAsync(HttpMethod.Get, Path(lime) + "/plan.json");
        Assert.Equal("draklo.plan", file.Body!["format"]!.GetValue<string>());
        var back = await server.SendTextAsync(HttpMethod.Post, "/api/jobs/import", "\uFEFF" + file.Text);
        Assert.Equal(201, back.Status);
        Assert.True(JsonNode.DeepEquals(lime["plan"], back.Body!["plan"]));
        await server.SendAsync(HttpMethod.Delete, Path(back.Body.AsObject()));
    }

    [Theory]
    [InlineData("""{ "format": "draklo.locker", "version": 1 }""", 422, "format", "not a Draklo plan")]
    [InlineData("""{ "type": "FeatureCollection" }""", 422, "format", "not a Draklo plan")]
    [InlineData("""{ "format": "draklo.plan", "version": 2, "news": true }""", 422, "version", "newer Draklo")]
    [InlineData("""{ "format": "draklo.plan", "version": 1 }""", 422, "tree", "missing")]
    [InlineData("height,girth", 400, "", "not readable JSON")]
    public async Task A_file_that_is_no_plan_is_refused(string file, int status, string path, string says)
    {
        var before = (await server.SendAsync(HttpMethod.Get, "/api/jobs")).Body!.AsArray().Count;
        var answer = await server.SendTextAsync(HttpMethod.Post, "/api/jobs/import", file);
        Assert.Equal(status, answer.Status);
        Assert.Contains(says, answer.Errors[path]![0]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Equal(before, (await server.SendAsync(HttpMethod.Get, "/api/jobs")).Body!.AsArray().Count);
    }

    private static string Path(JsonObject job) => $"/api/jobs/{job["id"]!.GetValue<string>()}";

    private static JsonObject ContentOf(JsonObject job) =>
        new()
        {
            ["name"] = job["name"]!.DeepClone(),
            ["place"] = job["place"]!.DeepClone(),
            ["plan"] = job["plan"]!.DeepClone(),
        };

    [Fact]
    public async Task The_list_follows_the_plan_and_the_units()
    {
        var id = (string)(await server.NewJobAsync())["id"]!;
        var first = await HeadlineAsync(id, "");
        Assert.Equal(first, await HeadlineAsync(id, ""));
        Assert.DoesNotContain("lbf", first, StringComparison.Ordinal);
        Assert.DoesNotContain("kN", await HeadlineAsync(id, "?units=us"), StringComparison.Ordinal);

        // A save is listed as it is, not as the revision before it.
        var job = (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}")).Body!.AsObject();
        job["plan"]!["lines"]![0]!["rope"]!["lengthM"] = 12;
        job["plan"]!["guesses"] = new JsonArray();
        job["plan"]!["follows"] = new JsonArray();
        job["plan"]!["lines"]![0]!["puller"]!["count"] = 3;
        Assert.Equal(200, (await server.SendAsync(HttpMethod.Put, Path(job), ContentOf(job), 1)).Status);
        var saved = await HeadlineAsync(id, "");
        Assert.StartsWith("The rope does not reach", saved, StringComparison.Ordinal);
    }

    private async Task<string> HeadlineAsync(string id, string query)
    {
        var list = (await server.SendAsync(HttpMethod.Get, $"/api/jobs{query}")).Body!.AsArray();
        return (string)list.Single(j => (string)j!["id"]! == id)!["headline"]!;
    }
}
