using System.Text.Json.Nodes;

namespace Draklo.Web.Tests;

/// <summary>The members that judgement rests on, over HTTP: right ones count, wrong ones are refused at their member.</summary>
public sealed class JudgementApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Theory]
    [InlineData("provenance", """{ "tree.heightM": "seen" }""", "provenance.tree.heightM")]
    [InlineData("provenance", """{ "tree.heightM": null }""", "provenance.tree.heightM")]
    [InlineData("provenance", """{ "tree.size": "measured" }""", "provenance")]
    [InlineData("provenance", "[]", "provenance")]
    [InlineData(
        "accepted",
        """[{ "code": "gust-low", "by": "", "at": "2026-04-18T08:00:00Z", "because": "calm" }]""",
        "accepted[0].by"
    )]
    [InlineData(
        "accepted",
        """[{ "code": "gust-low", "by": "Mara", "at": "soon", "because": "calm" }]""",
        "accepted[0].at"
    )]
    [InlineData(
        "accepted",
        """[{ "code": "gust-low", "by": "Mara", "at": "2026-04-18T08:00:00Z" }]""",
        "accepted[0].because"
    )]
    [InlineData("wind", """{ "speedMps": -1 }""", "wind.speedMps")]
    [InlineData("wind", """{ "gustMps": 99 }""", "wind.gustMps")]
    public async Task What_does_not_fit_is_refused_at_its_member(string member, string json, string path)
    {
        var plan = await PlanAsync();
        plan[member] = JsonNode.Parse(json);
        var answer = await server.SendAsync(HttpMethod.Post, "/api/analysis", plan);
        Assert.Equal(422, answer.Status);
        Assert.Contains(path, answer.Body!["errors"]!.AsObject().Select(e => e.Key));
    }

    [Fact]
    public async Task Provenance_and_acceptance_survive_a_save_and_count_in_the_verdict()
    {
        var plan = await PlanAsync();
        var answer = (await server.SendAsync(HttpMethod.Post, "/api/analysis?workings=false", plan)).Body!;
        Assert.True(
            answer["pull"]!["carefulTensionN"]!.GetValue<double>()
                > answer["pull"]!["neededTensionN"]!.GetValue<double>()
        );
        Assert.InRange(answer["pull"]!["notEnoughInHundred"]!.GetValue<double>(), 0, 100);
        Assert.All(
            answer["links"]!.AsArray(),
            l => Assert.True(l!["carefulUse"]!.GetValue<double>() >= l["use"]!.GetValue<double>() - 1e-9)
        );
        var accepted = answer["verdict"]!["accepted"]!.AsArray();
        Assert.Equal("gust-low", (string)Assert.Single(accepted)!["reason"]!["code"]!);
        Assert.Equal("ready", (string)answer["verdict"]!["state"]!);
        Assert.Contains(
            "design factors of 5 for ropes",
            (string)answer["verdict"]!["policy"]!,
            StringComparison.Ordinal
        );

        plan["provenance"] = JsonNode.Parse("""{ "tree.heightM": "guess" }""");
        var guessed = (await server.SendAsync(HttpMethod.Post, "/api/analysis?workings=false", plan)).Body!;
        Assert.Equal("check", (string)guessed["verdict"]!["state"]!);
        Assert.Contains(
            guessed["verdict"]!["reasons"]!.AsArray(),
            r => (string)r!["code"]! == "guess-matters" && (string)r["path"]! == "tree.heightM"
        );
    }

    private async Task<JsonObject> PlanAsync()
    {
        var jobs = (await server.SendAsync(HttpMethod.Get, "/api/jobs")).Body!.AsArray();
        var id = (string)jobs.First(j => ((string)j!["name"]!).StartsWith("Birch", StringComparison.Ordinal))!["id"]!;
        return (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}")).Body!["plan"]!.DeepClone().AsObject();
    }
}
