using System.Text.Json.Nodes;

namespace Draklo.Web.Tests;

/// <summary>Tackles of the crew's own over the real server.</summary>
public sealed class TackleApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task Stages_are_composed_and_come_back_rope_by_rope()
    {
        var answer = await ComposeAsync("""{ "stages": [ { "kind": "three" }, { "kind": "two" } ] }""");
        Assert.Equal(200, answer.Status);
        Assert.Equal("Three hauling a two", answer.Body!["name"]!.GetValue<string>());
        Assert.Equal(6, answer.Body["solution"]!["idealAdvantage"]!.GetValue<double>(), 1e-9);
        Assert.Equal(5.149, answer.Body["solution"]!["actualAdvantage"]!.GetValue<double>(), 5e-4);

        // What comes back is a tackle that can be sent again.
        var free = await server.SendAsync(
            HttpMethod.Post,
            "/api/tackle/compose",
            answer.Body["ropeByRope"]!.DeepClone()
        );
        Assert.Equal(answer.Body["solution"]!.ToJsonString(), free.Body!["solution"]!.ToJsonString());
    }

    [Theory]
    [InlineData("""{ "stages": [] }""", "stages", "no stage yet")]
    [InlineData("""{ "stages": [ { "kind": "seven" } ] }""", "stages[0].kind", "must be one of")]
    [InlineData("""{ "stages": [ { "kind": "betweenGrips" }, { "kind": "two" } ] }""", "stages[0].kind", "comes last")]
    [InlineData(
        """{ "stages": [ { "kind": "two", "contactIds": ["glue"] } ] }""",
        "stages[0].contactIds[0]",
        "table of turns"
    )]
    [InlineData(
        """{ "points": [ { "id": "anchor", "position": 0, "kind": "fixed" }, { "id": "load", "position": 9, "kind": "load" }, { "id": "hand", "position": -9, "kind": "hand" } ], "ropes": [ { "from": "hand", "contacts": [ { "point": "anchor" } ] } ] }""",
        "ropes",
        "Nothing pulls the load"
    )]
    public async Task What_cannot_haul_is_refused_with_the_reason(string json, string path, string says)
    {
        var answer = await ComposeAsync(json);
        Assert.Contains(answer.Status, new[] { 400, 422 });
        Assert.Contains(says, answer.Errors[path]![0]!.GetValue<string>(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_thousand_ropes_are_refused_and_an_efficiency_over_one()
    {
        var rope = """{ "from": "hand", "contacts": [ { "point": "load" } ] }""";
        var points =
            """[ { "id": "load", "position": 9, "kind": "load" }, { "id": "hand", "position": -9, "kind": "hand" } ]""";
        var many = await ComposeAsync(
            $$"""{ "points": {{points}}, "ropes": [ {{string.Join(",", Enumerable.Repeat(rope, 1000))}} ] }"""
        );
        Assert.Equal(422, many.Status);
        Assert.NotNull(many.Errors["ropes"]);
        var over = await server.SendTextAsync(
            HttpMethod.Post,
            "/api/tackle",
            $$"""{ "points": {{points}}, "ropes": [ { "from": "hand", "contacts": [ { "point": "load", "efficiency": 1.2 }, { "point": "load" } ] } ] }"""
        );
        Assert.Contains(
            "at most 1",
            over.Errors["ropes[0].contacts[0].efficiency"]![0]!.GetValue<string>(),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_tackle_is_kept_under_its_name_and_dropped()
    {
        Assert.Contains(
            (await server.SendAsync(HttpMethod.Get, "/api/tackles")).Body!.AsArray(),
            t => t!["id"]!.GetValue<string>() == "three-on-two"
        );
        var own = JsonNode.Parse(
            """{ "id": "quick", "tackle": { "name": "Quick four", "stages": [ { "kind": "two" }, { "kind": "two" } ] } }"""
        )!;
        Assert.Equal(200, (await server.SendAsync(HttpMethod.Put, "/api/tackles/quick", own)).Status);
        Assert.Contains(
            (await server.SendAsync(HttpMethod.Get, "/api/tackles")).Body!.AsArray(),
            t => t!["tackle"]!["name"]!.GetValue<string>() == "Quick four"
        );
        own["tackle"]!["stages"]!.AsArray().Insert(1, JsonNode.Parse("""{ "kind": "redirect" }"""));
        Assert.NotNull(
            (await server.SendAsync(HttpMethod.Put, "/api/tackles/quick", own)).Errors["tackle.stages[1].kind"]
        );
        own["tackle"]!["name"] = " ";
        Assert.NotNull((await server.SendAsync(HttpMethod.Put, "/api/tackles/quick", own)).Errors["tackle.name"]);
        Assert.NotNull((await server.SendAsync(HttpMethod.Put, "/api/tackles/slow", own)).Errors["id"]);
        Assert.Equal(204, (await server.SendAsync(HttpMethod.Delete, "/api/tackles/quick")).Status);
        Assert.Equal(404, (await server.SendAsync(HttpMethod.Delete, "/api/tackles/quick")).Status);
    }

    [Fact]
    public async Task Rigs_are_found_for_so_many_people_with_the_crews_own_tackles_among_them()
    {
        var plan = (await server.DemoAsync("Lime"))["plan"]!;
        var found = await server.SendAsync(HttpMethod.Post, "/api/rigs?people=3", plan);
        Assert.Equal(200, found.Status);
        var best = found.Body!["best"]!.AsArray();
        Assert.InRange(best.Count, 5, 10);
        Assert.True(found.Body["holding"]!.GetValue<int>() <= found.Body["tried"]!.GetValue<int>());
        Assert.Contains(best, r => r!["line"]!["puller"]!["count"]!.GetValue<int>() == 3);

        // Each as it stands is a plan that the analysis takes and that does not stop for its line.
        foreach (var rig in best)
        {
            var with = plan.DeepClone();
            with["lines"]![0] = rig!["line"]!.DeepClone();
            var verdict = (await server.SendAsync(HttpMethod.Post, "/api/analysis?workings=false", with)).Body![
                "verdict"
            ]!;
            Assert.NotEqual("stop", verdict["state"]!.GetValue<string>());
        }

        Assert.Equal(found.Text, (await server.SendAsync(HttpMethod.Post, "/api/rigs?people=3", plan)).Text);
        Assert.NotNull((await server.SendAsync(HttpMethod.Post, "/api/rigs?people=0", plan)).Errors["people"]);
        Assert.NotNull((await server.SendAsync(HttpMethod.Post, "/api/rigs?people=99", plan)).Errors["people"]);
        plan["lines"]![0]!["seat"]!["heightM"] = 90;
        Assert.NotNull((await server.SendAsync(HttpMethod.Post, "/api/rigs", plan)).Errors["lines[0].seat.heightM"]);
    }

    [Fact]
    public async Task A_composed_tackle_is_analysed_drawn_and_told_where_it_is_wrong()
    {
        var plan = (await server.DemoAsync("Lime"))["plan"]!;
        var tackle = plan["lines"]![0]!["tackle"]!;
        tackle["systemId"] = "composed";
        Assert.NotNull(
            (await server.SendAsync(HttpMethod.Post, "/api/analysis", plan)).Errors["lines[0].tackle.composed"]
        );
        tackle["composed"] = JsonNode.Parse("""{ "stages": [ { "kind": "five" }, { "kind": "betweenGrips" } ] }""");
        tackle["capture"] = JsonNode.Parse("""{ "kind": "cam", "rope": 0, "contact": 1 }""");
        var view = (await server.SendAsync(HttpMethod.Post, "/api/tackle/view", plan)).Body!;
        Assert.Equal(9, view["idealAdvantage"]!.GetValue<double>(), 1e-9);
        Assert.Contains("it is 9", view["peopleSay"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Equal(view["legForcesN"]!.AsArray().Count, view["legLengthsM"]!.AsArray().Count);
        Assert.Equal("block", view["contacts"]![0]!["builtOf"]!.GetValue<string>());
        Assert.False(view["capture"]!["holdsReset"]!.GetValue<bool>());
        tackle["capture"]!["contact"] = 9;
        Assert.NotNull(
            (await server.SendAsync(HttpMethod.Post, "/api/analysis", plan)).Errors["lines[0].tackle.capture.contact"]
        );
        tackle["composed"]!["stages"]![0]!["legsApartDeg"] = "wide";
        Assert.NotNull(
            (await server.SendAsync(HttpMethod.Post, "/api/analysis", plan)).Errors[
                "lines[0].tackle.composed.stages[0].legsApartDeg"
            ]
        );
    }

    private Task<Answer> ComposeAsync(string json) =>
        server.SendTextAsync(HttpMethod.Post, "/api/tackle/compose", json);
}
