using System.Text.Json.Nodes;

namespace Draklo.Web.Tests;

/// <summary>What the crew learned, its trials and the practice bench over the real server.</summary>
public sealed class LearningApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task The_demo_year_has_learned_figures_beside_those_of_the_table()
    {
        var learning = (await server.SendAsync(HttpMethod.Get, "/api/learning")).Body!;
        var lime = Figure(learning, "pull.lime");
        Assert.True((bool)lime["mayUse"]!);
        Assert.True((int)lime["count"]! >= 5);
        Assert.InRange((double)lime["value"]!["nominal"]!, 0.9, 1);
        Assert.Contains(lime["from"]!.AsArray(), f => f!["jobId"] is not null);
        Assert.True(learning["jobs"]!.AsArray().Count >= 17);
        var csv = await server.Client.GetStringAsync("/api/learning/figures.csv");
        Assert.Contains("pull.lime", csv, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_figure_wanted_in_new_plans_stands_in_them_with_what_it_rests_on()
    {
        Assert.Equal(200, (await WishAsync("aim", used: true)).Status);
        var made = (await server.SendAsync(HttpMethod.Post, "/api/jobs", new JsonObject())).Body!;
        Assert.Equal("site.aimErrorDeg", (string)made["plan"]!["ours"]![0]!["path"]!);
        Assert.Equal("crew", (string)made["plan"]!["provenance"]!["site.aimErrorDeg"]!);
        var analysis = (await server.SendAsync(HttpMethod.Post, "/api/analysis", made["plan"]!.DeepClone())).Body!;
        Assert.Contains("ours, from", (string)analysis["ours"]![0]!, StringComparison.Ordinal);
        Assert.Equal(200, (await WishAsync("aim", used: false)).Status);
        var plain = (await server.SendAsync(HttpMethod.Post, "/api/jobs", new JsonObject())).Body!;
        Assert.Empty(plain["plan"]!["ours"]!.AsArray());
    }

    [Fact]
    public async Task What_has_too_little_behind_it_is_refused_in_words()
    {
        var few = await WishAsync("pull.spruce-norway", used: true);
        Assert.Equal(422, few.Status);
        Assert.Contains("from 5", few.Text, StringComparison.Ordinal);
        Assert.Equal(404, (await WishAsync("pull.unicorn", used: true)).Status);
        Assert.Equal(
            422,
            (
                await server.SendAsync(
                    HttpMethod.Put,
                    "/api/learning/aim",
                    new JsonObject { ["used"] = true, ["by"] = " " }
                )
            ).Status
        );
    }

    [Fact]
    public async Task A_plan_takes_a_figure_and_gives_it_back()
    {
        var plan = (await server.DemoAsync("Lime by"))["plan"]!;
        var offered = (await OwnAsync(plan, null, use: false)).Body!;
        var choice = offered["choices"]!.AsArray().First(c => (string)c!["path"]! == "tree.pullFactor")!;
        Assert.False((bool)choice["inUse"]!);
        var taken = (await OwnAsync(plan, (string)choice["figureId"]!, use: true)).Body!;
        Assert.InRange((double)taken["plan"]!["tree"]!["pullFactor"]!, 0.9, 1);
        var back = (await OwnAsync(taken["plan"]!, (string)choice["figureId"]!, use: false)).Body!;
        Assert.Null(back["plan"]!["tree"]!["pullFactor"]);
        Assert.Equal(404, (await OwnAsync(plan, "pull.unicorn", use: true)).Status);
    }

    [Fact]
    public async Task A_trial_given_up_half_way_loses_nothing_and_counts_for_nothing()
    {
        var trial = new JsonObject
        {
            ["id"] = "oak-1",
            ["kind"] = "hinge",
            ["on"] = "2026-01-10",
            ["by"] = "Mette",
            ["speciesId"] = "oak-english",
            ["readings"] = new JsonArray(new JsonObject { ["leanDeg"] = 12 }),
        };
        Assert.Equal(200, (await TrialAsync(trial)).Status);
        trial["givenUp"] = "rain";
        var kept = await TrialAsync(trial);
        Assert.Contains("rain", (string)kept.Body!["result"]!["words"]!, StringComparison.Ordinal);
        var all = (await server.SendAsync(HttpMethod.Get, "/api/trials")).Body!.AsArray();
        Assert.Equal(
            12,
            (double)all.First(t => (string)t!["trial"]!["id"]! == "oak-1")!["trial"]!["readings"]![0]!["leanDeg"]!
        );
        var learning = (await server.SendAsync(HttpMethod.Get, "/api/learning")).Body!;
        Assert.DoesNotContain(learning["figures"]!.AsArray(), f => (string)f!["id"]! == "hold.oak-english");
        trial.Remove("givenUp");
        trial["finished"] = true;
        var refused = await TrialAsync(trial);
        Assert.Equal(422, refused.Status);
        Assert.Contains("broke", refused.Text, StringComparison.Ordinal);
        trial["readings"]!.AsArray().Add(new JsonObject { ["leanDeg"] = 40, ["broke"] = true });
        Assert.Equal(200, (await TrialAsync(trial)).Status);
        learning = (await server.SendAsync(HttpMethod.Get, "/api/learning")).Body!;
        Assert.Equal(1, (int)Figure(learning, "hold.oak-english")["count"]!);
        Assert.Equal(204, (await server.SendAsync(HttpMethod.Delete, "/api/trials/oak-1")).Status);
    }

    [Fact]
    public async Task A_card_is_dealt_answered_and_written_to_a_persons_record()
    {
        var card = (await server.SendAsync(HttpMethod.Get, "/api/practice/cards/handForce?seed=5")).Body!;
        Assert.Null(card["solution"]);
        Assert.Equal("number", (string)card["kind"]!);
        var wrong = (await AnswerAsync("Tove", "handForce", 5, 1)).Body!;
        Assert.Equal("wrong", (string)wrong["mark"]!);
        Assert.NotEmpty(wrong["workings"]!.AsArray());
        var record = (await server.SendAsync(HttpMethod.Get, "/api/practice/records/Tove")).Body!;
        Assert.Equal(1, record["topics"]!.AsArray().Sum(t => (int)t!["answered"]!));
        Assert.Contains(
            (await server.SendAsync(HttpMethod.Get, "/api/practice/records")).Body!.AsArray(),
            r => (string)r!["person"]! == "Tove"
        );
        Assert.Equal(422, (await AnswerAsync("Tove", "handForce", 5, null)).Status);
        Assert.Equal(422, (await AnswerAsync(" ", "handForce", 5, 3)).Status);
        Assert.Equal(422, (await server.SendAsync(HttpMethod.Get, "/api/practice/cards/juggling")).Status);
    }

    private static JsonNode Figure(JsonNode learning, string id) =>
        learning["figures"]!.AsArray().First(f => (string)f!["id"]! == id)!;

    private Task<Answer> WishAsync(string id, bool used) =>
        server.SendAsync(HttpMethod.Put, $"/api/learning/{id}", new JsonObject { ["used"] = used, ["by"] = "Mette" });

    private Task<Answer> OwnAsync(JsonNode plan, string? figure, bool use)
    {
        var asked = new JsonObject { ["plan"] = plan.DeepClone(), ["use"] = use };
        if (figure is not null)
        {
            asked["figureId"] = figure;
        }

        return server.SendAsync(HttpMethod.Post, "/api/learning/plan", asked);
    }

    private Task<Answer> TrialAsync(JsonObject trial) =>
        server.SendAsync(HttpMethod.Put, $"/api/trials/{trial["id"]}", trial.DeepClone());

    private Task<Answer> AnswerAsync(string person, string topic, int seed, double? value)
    {
        var answer = new JsonObject
        {
            ["person"] = person,
            ["topic"] = topic,
            ["seed"] = seed,
        };
        if (value is not null)
        {
            answer["value"] = value;
        }

        return server.SendAsync(HttpMethod.Post, "/api/practice/answers", answer);
    }
}
