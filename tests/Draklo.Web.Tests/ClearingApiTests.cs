using System.Text.Json.Nodes;

namespace Draklo.Web.Tests;

/// <summary>Clearing over the real server: the demo's three, what is refused, what the list says of a job that is clearing alone.</summary>
public sealed class ClearingApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Theory]
    [InlineData("Ash logs below", "fly", "check")]
    [InlineData("Poplar stem", "catch", "ready")]
    [InlineData("Alder let down", "astern", "check")]
    public async Task Each_demo_is_set_up_and_says_what_the_list_says(string name, string way, string state)
    {
        var job = await server.DemoAsync(name);
        var chosen = await ChosenAsync(job["plan"]!.DeepClone(), way);
        Assert.True((bool)chosen["setUp"]!);
        Assert.Equal(state, (string)chosen["state"]!);
        Assert.NotEmpty(chosen["links"]!.AsArray());
        Assert.All(chosen["links"]!.AsArray(), l => Assert.InRange((double)l!["use"]!, 0, 1));
        var listed = (await server.SendAsync(HttpMethod.Get, "/api/jobs"))
            .Body!.AsArray()
            .Single(j => ((string)j!["name"]!).StartsWith(name, StringComparison.Ordinal))!;
        Assert.True((bool)listed["clearing"]!);
        Assert.Equal(state, (string)listed["state"]!);
        Assert.Equal((string)chosen["headline"]!, (string)listed["headline"]!);
    }

    [Fact]
    public async Task The_bank_s_ways_stand_side_by_side_with_where_one_pays()
    {
        var plan = (await server.DemoAsync("Ash logs below"))["plan"]!.DeepClone();
        var answer = await server.SendAsync(HttpMethod.Post, "/api/clearing", plan);
        Assert.Equal(200, answer.Status);
        var ways = answer.Body!["ways"]!.AsArray().ToDictionary(w => (string)w!["way"]!, w => w!);
        Assert.Equal(10, ways.Count);
        Assert.Equal(26, (int)ways["fly"]["loads"]!);
        Assert.True((double)ways["fly"]["minutes"]!["low"]! < (double)ways["fly"]["minutes"]!["high"]!);
        Assert.True((double)ways["drag"]["spoiledM2"]! > 0);
        Assert.Equal(0, (double)ways["fly"]["spoiledM2"]!);
        Assert.Equal(101, ways["fly"]["travel"]!.AsArray().Count);
        Assert.Empty(ways["drag"]["travel"]!.AsArray());
        Assert.Contains(answer.Body["breakEvens"]!.AsArray(), b => (string)b!["way"]! == "fly");
        Assert.Contains("competent person", (string)answer.Body["caution"]!);
    }

    [Theory]
    [InlineData("clearing.ground.friction", "1.4")]
    [InlineData("clearing.fly.sagShare", "0")]
    [InlineData("clearing.high.blockHeightM", "90")]
    [InlineData("clearing.ground.landingAtM", "400")]
    [InlineData("clearing.lineKnotId", "\"granny\"")]
    [InlineData("clearing.way", "\"teleport\"")]
    [InlineData("clearing.pieces[0].massKg", "-3")]
    public async Task What_cannot_be_is_refused_at_its_member(string path, string value)
    {
        var plan = (await server.DemoAsync("Ash logs below"))["plan"]!.DeepClone();
        Put(plan, path, JsonNode.Parse(value));
        var answer = await server.SendAsync(HttpMethod.Post, "/api/clearing", plan);
        Assert.True(answer.Status is 400 or 422, answer.Text);
        Assert.Contains(path, answer.Errors.Select(e => e.Key));
    }

    [Fact]
    public async Task A_plan_without_clearing_says_how_to_begin()
    {
        var answer = await server.SendAsync(
            HttpMethod.Post,
            "/api/clearing",
            (await server.DemoAsync("Lime by"))["plan"]!.DeepClone()
        );
        Assert.Equal(422, answer.Status);
        Assert.Contains("clearing", answer.Errors.Select(e => e.Key));
    }

    [Fact]
    public async Task What_would_make_it_hold_can_be_put_in()
    {
        var plan = (await server.DemoAsync("Ash logs below"))["plan"]!.DeepClone();
        Put(plan, "clearing.fly.sagShare", 0.03);
        Assert.Equal("stop", (string)(await ChosenAsync(plan.DeepClone(), "fly"))["state"]!);
        var remedies = await server.SendAsync(HttpMethod.Post, "/api/clearing/remedies", plan.DeepClone());
        Assert.Equal(200, remedies.Status);
        var sag = remedies
            .Body!.AsArray()
            .Single(r => ((string)r!["text"]!).StartsWith("Let the line sag", StringComparison.Ordinal))!;
        foreach (var change in sag["changes"]!.AsArray())
        {
            Put(plan, (string)change!["path"]!, change["value"]?.DeepClone());
        }

        var mended = await ChosenAsync(plan, "fly");
        Assert.All(mended["links"]!.AsArray(), l => Assert.NotEqual("fails", (string)l!["state"]!));
    }

    [Fact]
    public async Task The_locker_is_searched_for_ropes_and_blocks()
    {
        var plan = (await server.DemoAsync("Ash logs below"))["plan"]!.DeepClone();
        var found = await server.SendAsync(HttpMethod.Post, "/api/clearing/find", plan);
        Assert.Equal(200, found.Status);
        Assert.NotEmpty(found.Body!.AsArray());
        Assert.DoesNotContain("Old mill line", found.Text);
    }

    [Fact]
    public async Task A_clearing_alone_begins_with_a_stem_to_cut_up()
    {
        var begun = await server.SendTextAsync(
            HttpMethod.Post,
            "/api/jobs",
            """{ "name": "Windfall", "clearing": true }"""
        );
        Assert.Equal(201, begun.Status);
        var plan = begun.Body!["plan"]!;
        Assert.True((bool)plan["clearing"]!["alone"]!);
        var drag = await ChosenAsync(plan.DeepClone(), "drag");
        Assert.True((bool)drag["setUp"]!);
        // Nobody has said which rope, nor where anybody stands.
        Assert.NotEqual("ready", (string)(await ListedAsync("Windfall"))["state"]!);
    }

    private async Task<JsonNode> ListedAsync(string name) =>
        (await server.SendAsync(HttpMethod.Get, $"/api/jobs?text={name}")).Body!.AsArray().Single()!;

    private async Task<JsonNode> ChosenAsync(JsonNode plan, string way)
    {
        plan["clearing"]!["way"] = way;
        var answer = await server.SendAsync(HttpMethod.Post, "/api/clearing", plan);
        Assert.True(answer.Status == 200, answer.Text);
        return answer.Body!["ways"]!.AsArray().Single(w => (string)w!["way"]! == way)!;
    }

    private static void Put(JsonNode plan, string path, JsonNode? value)
    {
        var steps = path.Replace("[", ".[", StringComparison.Ordinal).Split('.');
        var node = plan;
        foreach (var step in steps[..^1])
        {
            node = step.StartsWith('[') ? node[int.Parse(step.Trim('[', ']'))]! : node[step]!;
        }

        node[steps[^1]] = value;
    }
}
