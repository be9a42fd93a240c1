using System.Text.Json.Nodes;

namespace Draklo.Web.Tests;

/// <summary>What a plan can choose from, and what its parts start from.</summary>
public sealed class CatalogueApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task Everything_a_plan_chooses_from_is_there_under_ids_of_its_own()
    {
        var catalogue = await CatalogueAsync();
        foreach (
            var (list, least) in new[]
            {
                ("knots", 15),
                ("contacts", 6),
                ("systems", 8),
                ("stages", 6),
                ("anchors", 10),
                ("grips", 3),
                ("constructions", 4),
                ("crowns", 9),
                ("walkUp", 8),
                ("glossary", 40),
            }
        )
        {
            var keys = catalogue[list]!.AsArray().Select(e => (string)(e!["id"] ?? e["kind"])!).ToList();
            Assert.True(keys.Count >= least, $"{list}: {keys.Count}");
            Assert.Equal(keys.Count, keys.Distinct(StringComparer.Ordinal).Count());
        }
    }

    /// <summary>A plan to which every start is added still computes, so no form begins with a refusal.</summary>
    [Theory]
    [InlineData("anchorTree", "anchor", "tree", "tree")]
    [InlineData("anchorPost", "anchor", "post", "post")]
    [InlineData("anchorPickets", "anchor", "pickets", "pickets")]
    [InlineData("anchorWeight", "anchor", "weight", "weight")]
    [InlineData("anchorWeight", "anchor", "weight", "vehicle")]
    [InlineData("sling", "anchor", "sling", null)]
    [InlineData("limiter", "", "limiter", null)]
    [InlineData("setting", "", "setting", null)]
    [InlineData("grip", "tackle", "grip", null)]
    [InlineData("connector", "tackle", "connector", null)]
    [InlineData("tackleRope", "tackle", "rope", null)]
    [InlineData("vehicle", "puller", "vehicle", "vehicle")]
    public async Task A_part_added_as_it_starts_can_be_computed(string start, string group, string member, string? kind)
    {
        var plan = (await server.DemoAsync("Lime"))["plan"]!;
        var line = plan["lines"]![0]!;
        var at = group.Length == 0 ? line : line[group]!;
        at[member] = (await CatalogueAsync())["starts"]![start]!.DeepClone();
        if (kind is not null)
        {
            at["kind"] = kind;
        }

        var answer = await server.SendAsync(HttpMethod.Post, "/api/analysis?workings=false", plan);
        Assert.True(answer.Status == 200, answer.Text);
    }

    [Fact]
    public async Task The_composed_tackle_that_one_starts_with_hauls()
    {
        var plan = (await server.DemoAsync("Lime"))["plan"]!;
        var tackle = plan["lines"]![0]!["tackle"]!;
        tackle["systemId"] = "composed";
        tackle["composed"] = (await CatalogueAsync())["starts"]!["composed"]!.DeepClone();
        var answer = await server.SendAsync(HttpMethod.Post, "/api/analysis?workings=false", plan);
        Assert.Equal(6, (double)answer.Body!["pull"]!["lines"]![0]!["tackle"]!["idealAdvantage"]!, 1e-9);
    }

    private async Task<JsonNode> CatalogueAsync() => (await server.SendAsync(HttpMethod.Get, "/api/catalogue")).Body!;
}
