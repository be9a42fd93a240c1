using System.Text.Json.Nodes;

namespace Draklo.Web.Tests;

/// <summary>A plan of which nothing can be made is answered in words, and hides no other.</summary>
public sealed class OneBadPlanTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Theory]
    [InlineData("[]")]
    [InlineData("""[{ "heightM": 4, "diameterM": 0.4 }]""")]
    [InlineData("""[{ "heightM": 6, "diameterM": 0.3 }, { "heightM": 4, "diameterM": 0.4 }]""")]
    public async Task A_stem_of_no_sections_takes_neither_list_nor_log_down(string sections)
    {
        var plan = (await server.DemoAsync("Ash logs"))["plan"]!.DeepClone();
        plan["tree"]!["mass"] = new JsonObject { ["method"] = "sections", ["sections"] = JsonNode.Parse(sections) };
        var made = await server.SendAsync(
            HttpMethod.Post,
            "/api/jobs",
            new JsonObject { ["name"] = "No stem", ["plan"] = plan.DeepClone() }
        );
        Assert.Equal(201, made.Status);
        var id = made.Body!["id"]!.GetValue<string>();
        var list = await server.SendAsync(HttpMethod.Get, "/api/jobs?limit=500");
        Assert.Equal(200, list.Status);
        Assert.Contains(list.Body!.AsArray(), j => j!["id"]!.GetValue<string>() == id);
        foreach (var path in new[] { "log", "brief", "pulling", "carried", "plan.json" })
        {
            Assert.InRange((await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}/{path}")).Status, 200, 499);
        }

        foreach (var path in new[] { "clearing", "clearing/remedies", "clearing/section", "analysis", "day" })
        {
            Assert.Equal(422, (await server.SendAsync(HttpMethod.Post, $"/api/{path}", plan)).Status);
        }
    }

    [Fact]
    public async Task A_code_of_no_job_is_not_drawn()
    {
        var none = await server.Client.GetAsync(
            new Uri($"/api/jobs/{new string('x', 3000)}/brief/code.svg", UriKind.Relative)
        );
        Assert.Equal(404, (int)none.StatusCode);
    }
}
