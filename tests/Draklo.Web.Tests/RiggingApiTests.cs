using System.Text.Json.Nodes;

namespace Draklo.Web.Tests;

/// <summary>The sums of rigging over the real server, by the names that are fixed.</summary>
public sealed class RiggingApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Theory]
    [InlineData(
        "catch",
        """{ "weightN": 1500, "dropM": 0.5, "parts": 1, "rope": { "breakingStrengthN": 40000, "stretchAtTenPercent": 0.03 }, "pieceToBlockM": 2.5, "blockToDrumM": 12, "efficiency": 0.9, "sparStiffnessNPerM": null, "slipN": null }""",
        "pieceN",
        5658
    )]
    [InlineData("two-lines", """{ "weightN": 2000, "leftDeg": 45, "rightDeg": 20 }""", "leftN", 2074)]
    [InlineData(
        "loaded-line",
        """{ "weightN": 2000, "spanM": 40, "dropM": 6, "atM": 20, "sagM": 2 }""",
        "leftN",
        10308
    )]
    [InlineData(
        "loaded-line",
        """{ "weightN": 2000, "spanM": 40, "dropM": 6, "lineLengthM": 42.5 }""",
        "restsAtM",
        28.4
    )]
    [InlineData("skid", """{ "weightN": 5000, "slopeDeg": 15, "lineDeg": 12, "friction": 0.6 }""", "pullN", 3801)]
    [InlineData(
        "spar",
        """{ "heightM": 12, "diameterM": 0.4, "stiffnessGPa": 8, "levelN": 6000, "downN": 3000, "ownWeightN": 9000, "guy": { "riseDeg": 45, "offDeg": 0, "lengthM": 17, "axialStiffnessN": 133333 } }""",
        "guyIfPinnedN",
        8485
    )]
    public async Task Worked_cases_answer_as_worked(string what, string asked, string member, double expected)
    {
        var answer = await server.SendTextAsync(HttpMethod.Post, $"/api/rigging/{what}", asked);
        Assert.True(answer.Status == 200, answer.Text);
        Assert.InRange((double)answer.Body![member]!, expected * 0.995, expected * 1.005);
    }

    [Theory]
    [InlineData("catch", """{ "weightN": 1500 }""", "dropM")]
    [InlineData("loaded-line", """{ "weightN": 2000, "spanM": 40 }""", "sagM")]
    [InlineData("skid", """{ "weightN": 5000, "slopeDeg": 15, "friction": 1.4 }""", "friction")]
    [InlineData("skid", """{ "weightN": "much", "slopeDeg": 15, "friction": 0.4 }""", "weightN")]
    [InlineData("two-lines", """{ "weightN": 2000, "leftDeg": 0, "rightDeg": 0 }""", "leftDeg")]
    [InlineData("lower", """{ "lower": { "seatHeightM": 13 } }""", "format")]
    public async Task What_cannot_be_is_told_at_its_member(string what, string asked, string path)
    {
        var answer = await server.SendTextAsync(HttpMethod.Post, $"/api/rigging/{what}", asked);
        Assert.True(answer.Status is 400 or 422, answer.Text);
        Assert.Contains(path, answer.Errors.Select(e => e.Key));
    }

    [Fact]
    public async Task A_plan_with_a_line_behind_is_let_down()
    {
        var plan = (await server.DemoAsync("Lime by"))["plan"]!.DeepClone().AsObject();
        plan["lower"] = JsonNode.Parse(
            """{ "seatHeightM": 13, "anchor": { "distanceM": 25, "bearingDeg": 270, "groundRiseM": 0, "heightM": 0.4 } }"""
        );
        var answer = await server.SendAsync(HttpMethod.Post, "/api/rigging/lower", plan);
        Assert.True(answer.Status == 200, answer.Text);
        Assert.Equal(18, answer.Body!["steps"]!.AsArray().Count);
        Assert.True((double)answer.Body["heatJ"]! > 10_000);
        plan.Remove("lower");
        Assert.Contains(
            "lower",
            (await server.SendAsync(HttpMethod.Post, "/api/rigging/lower", plan)).Errors.Select(e => e.Key)
        );
        plan["lower"] = JsonNode.Parse("""{ "seatHeightM": 13 }""");
        Assert.Contains(
            "lower.anchor",
            (await server.SendAsync(HttpMethod.Post, "/api/rigging/lower", plan)).Errors.Select(e => e.Key)
        );
        Assert.InRange(
            (await server.SendTextAsync(HttpMethod.Post, "/api/rigging/lower", "{ broken")).Status,
            400,
            422
        );
    }
}
