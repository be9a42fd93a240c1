using System.Text.Json;
using System.Text.Json.Nodes;
using Draklo.Core.Analyses;
using Draklo.Core.Plans;
using Draklo.Core.Reading;

namespace Draklo.Web.Tests;

public sealed class AnalysisApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task The_fall_is_told_with_its_spread_and_refused_in_words()
    {
        var plan = (await server.DemoAsync("Lime"))["plan"]!;
        var fall = (
            await server.SendAsync(HttpMethod.Post, "/api/fall?haulSpeedMps=0.4&drag=false&samples=200", plan)
        ).Body!;
        Assert.InRange(fall["tip"]!["forwardM"]!.GetValue<double>(), 20, 22);
        Assert.InRange(fall["secondsFromCommit"]!.GetValue<double>(), 4, 9);
        Assert.NotNull(fall["spread"]!["rightM"]!["low"]);
        Assert.NotEmpty(fall["curve"]!.AsArray());
        var refused = await server.SendAsync(HttpMethod.Post, "/api/fall?haulSpeedMps=0", plan);
        Assert.NotNull(refused.Errors["haulSpeedMps"]);
        var many = await server.SendAsync(HttpMethod.Post, "/api/fall?samples=many", plan);
        Assert.Equal(422, many.Status);
        Assert.Contains("“many”", many.Errors["samples"]![0]!.GetValue<string>(), StringComparison.Ordinal);
    }

    /// <summary>The example of the plan format, member for member.</summary>
    private const string Example = """
        {
          "format": "draklo.plan", "version": 1, "name": "Lime",
          "lay": { "bearingDeg": 90 },
          "tree": {
            "speciesId": "lime",
            "wood": { "greenDensityKgM3": 760, "bendingStrengthMPa": 34, "stiffnessGPa": 6.0, "hingeClass": "fair" },
            "soundness": 1.0,
            "heightM": 21, "dbhM": 0.48, "taperExponent": 0.7,
            "lean": { "angleDeg": 3, "bearingDeg": 270, "shape": "straight" },
            "crown": { "baseHeightM": 6, "massRatio": 0.30, "centreFraction": 0.45, "reachM": { "north": 4, "east": 3.2, "south": 4, "west": 4.6 } },
            "mass": { "method": "form" }
          },
          "cut": { "stumpHeightM": 0.30, "stumpDiameterM": 0.54, "notch": { "style": "open", "depthM": 0.12, "openingDeg": 70 }, "hingeThicknessM": 0.05 },
          "wind": { "speedMps": 0, "fromDeg": 0, "inLeaf": true },
          "lines": [ {
            "id": "main", "share": 1, "seat": { "heightM": 13 },
            "anchor": { "distanceM": 30, "bearingDeg": 90, "groundRiseM": 0, "heightM": 0.5 },
            "rope": { "breakingStrengthN": 40000, "lengthM": 60, "diameterM": 0.0127, "stretchAtTenPercent": 0.025 },
            "knotId": "running-bowline",
            "tackle": { "systemId": "five-to-one", "contactId": "bushed-block" },
            "puller": { "kind": "people", "count": 2, "effortEachN": 300 }
          } ],
          "policy": { "loadReserve": 1.3, "designFactor": { "rope": 5, "sling": 5, "hardware": 4, "anchor": 2, "stem": 3 } }
        }
        """;

    [Fact]
    public async Task The_documented_plan_gives_the_documented_answer()
    {
        var answer = await server.SendTextAsync(HttpMethod.Post, "/api/analysis", Example);
        Assert.Equal(200, answer.Status);
        var pull = answer.Body!["pull"]!;
        Assert.Equal(1485.5, pull["neededTensionN"]!.GetValue<double>(), 7.0);
        Assert.Equal(7.944, pull["commitDeg"]!.GetValue<double>(), 0.04);
        Assert.Equal(1485.5 * 1.3 / 4.0951, pull["lines"]![0]!["tackle"]!["handForceN"]!.GetValue<double>(), 2.5);
        foreach (var (group, members) in Documented)
        {
            var node = group
                .Split('/', StringSplitOptions.RemoveEmptyEntries)
                .Aggregate(answer.Body!, (n, step) => int.TryParse(step, out var i) ? n[i]! : n[step]!);
            Assert.All(members.Split(' '), m => Assert.True(node.AsObject().ContainsKey(m), $"{group}/{m}"));
        }
    }

    [Fact]
    public async Task Numbers_come_to_eight_decimals_and_no_nearer_to_anything_else()
    {
        var answer = await server.SendTextAsync(HttpMethod.Post, "/api/analysis?workings=false", Example);
        var (plan, _) = DocumentReader.Read<Plan>(System.Text.Encoding.UTF8.GetBytes(Example));
        var own = JsonSerializer.SerializeToNode(
            PlanAnalysis.Of(plan!, withWorkings: false).Analysis,
            DocumentReader.Options
        )!;
        var numbers = 0;
        Compare(own, answer.Body!, "");
        Assert.True(numbers > 200, $"{numbers} compared");

        void Compare(JsonNode? wanted, JsonNode? came, string path)
        {
            switch (wanted)
            {
                case JsonObject group:
                    Assert.All(group, m => Compare(m.Value, came![m.Key], $"{path}.{m.Key}"));
                    break;
                case JsonArray list:
                    Assert.Equal(list.Count, came!.AsArray().Count);
                    for (var i = 0; i < list.Count; i++)
                    {
                        Compare(list[i], came[i], $"{path}[{i}]");
                    }

                    break;
                case JsonValue value when value.GetValueKind() == JsonValueKind.Number:
                    numbers++;
                    var (one, other) = (value.GetValue<double>(), came!.GetValue<double>());
                    Assert.True(
                        Math.Abs(one - other) <= Math.Max(6e-9, 1e-15 * Math.Abs(one)),
                        $"{path}: {one} came as {other}"
                    );
                    break;
                default:
                    Assert.Equal(wanted?.ToJsonString(), came?.ToJsonString());
                    break;
            }
        }
    }

    private static readonly (string Group, string Members)[] Documented =
    [
        ("tree", "massKg weightN centre moment"),
        ("tree/centre", "forwardM rightM upM"),
        ("tree/moment", "forwardNm rightNm"),
        ("hinge", "lengthM offsetM bendingNm sideCapacityNm sideUse holdAngleDeg"),
        ("pull", "tensionAtRestN neededTensionN neededAtDeg plannedTensionN commitDeg curve lines"),
        ("pull/curve/0", "deg tensionN"),
        ("pull/lines/0", "id lengthM angleBelowHorizontalDeg forwardArmM rightArmM takeUpM tackle"),
        ("pull/lines/0/tackle", "idealAdvantage actualAdvantage haulLengthM handForceN"),
        ("pretension", "floorN ceilingN limitedBy"),
        ("links/0", "id name lineId loadN worstLoadN strengthN factor use state"),
        ("verdict", "state weakestLinkId reasons"),
        ("verdict/reasons/0", "state text"),
        ("workings/0", "id name symbol value unit formula substituted method estimate"),
    ];

    [Fact]
    public async Task Workings_can_be_left_out_and_sentences_come_in_us_units()
    {
        var answer = await server.SendTextAsync(HttpMethod.Post, "/api/analysis?workings=false&units=us", Example);
        Assert.Equal(200, answer.Status);
        Assert.Null(answer.Body!["workings"]);
        Assert.Contains("lbf", answer.Body["verdict"]!["reasons"]!.ToJsonString(), StringComparison.Ordinal);
        Assert.Equal(422, (await server.SendTextAsync(HttpMethod.Post, "/api/analysis?units=stone", Example)).Status);
    }

    [Theory]
    [InlineData("\"heightM\": 21", "\"heightM\": 9", "lines[0].seat.heightM")]
    [InlineData("\"hingeThicknessM\": 0.05", "\"hingeThicknessM\": 5", "cut.hingeThicknessM")]
    [InlineData("\"heightM\": 21", "\"heightM\": 0", "tree.heightM")]
    [InlineData("\"heightM\": 21", "\"heightM\": \"tall\"", "tree.heightM")]
    [InlineData(
        "\"distanceM\": 30, \"bearingDeg\": 90",
        "\"distanceM\": 30, \"bearingDeg\": 271",
        "lines[0].anchor.bearingDeg"
    )]
    [InlineData("\"soundness\": 1.0", "\"sondness\": 1.0", "tree.sondness")]
    [InlineData("\"version\": 1", "\"version\": 9", "version")]
    public async Task Nonsense_is_refused_at_its_member(string from, string to, string path)
    {
        var answer = await server.SendTextAsync(
            HttpMethod.Post,
            "/api/analysis",
            Example.Replace(from, to, StringComparison.Ordinal)
        );
        Assert.Equal(422, answer.Status);
        Assert.Equal(path, Assert.Single(answer.Errors).Key);
        Assert.EndsWith(".", answer.Errors[path]![0]!.GetValue<string>(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("")]
    [InlineData("[")]
    [InlineData("fell it")]
    public async Task What_is_no_json_is_said_to_be_none(string body)
    {
        var answer = await server.SendTextAsync(HttpMethod.Post, "/api/analysis", body);
        Assert.Equal(400, answer.Status);
        Assert.Contains("not readable JSON", answer.Body!["detail"]!.GetValue<string>(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("null")]
    [InlineData("[]")]
    [InlineData("7")]
    public async Task Json_of_another_shape_is_refused(string body) =>
        Assert.Equal(400, (await server.SendTextAsync(HttpMethod.Post, "/api/analysis", body)).Status);

    [Fact]
    public async Task Forty_megabytes_are_refused_in_a_sentence()
    {
        using var content = new StreamContent(new MemoryStream(new byte[40 * 1024 * 1024]));
        content.Headers.ContentType = new("application/json");
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/jobs/import") { Content = content };
        request.Headers.ExpectContinue = true;
        using var response = await server.Client.SendAsync(request);
        Assert.Equal(413, (int)response.StatusCode);
        Assert.Contains("larger than 1 MB", await response.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_documented_tackle_gives_the_documented_answer()
    {
        var answer = await server.SendTextAsync(
            HttpMethod.Post,
            "/api/tackle",
            """
            { "points": [ { "id": "anchor", "position": 0, "kind": "fixed" }, { "id": "load", "position": 10, "kind": "load" }, { "id": "traveller", "position": 5, "kind": "moving" }, { "id": "hand", "position": -10, "kind": "hand" } ],
              "ropes":  [ { "from": "hand", "contacts": [ { "point": "traveller", "efficiency": 0.9 }, { "point": "anchor", "efficiency": 0.9 }, { "point": "traveller" } ] },
                          { "from": "traveller", "contacts": [ { "point": "load", "efficiency": 0.9 }, { "point": "anchor" } ] } ] }
            """
        );
        Assert.Equal(200, answer.Status);
        Assert.Equal(6, answer.Body!["idealAdvantage"]!.GetValue<double>(), 1e-9);
        Assert.Equal(5.149, answer.Body["actualAdvantage"]!.GetValue<double>(), 5e-4);
        Assert.Equal(6, answer.Body["travelRatio"]!.GetValue<double>(), 1e-9);
        Assert.Equal(
            """{"rope":0,"from":"hand","to":"traveller","tension":1}""",
            answer.Body["legs"]![0]!.ToJsonString()
        );
        Assert.NotNull(answer.Body["holding"]!["handForceForUnitLoad"]);
    }

    [Fact]
    public async Task A_tackle_that_cannot_work_is_refused_with_the_reason()
    {
        var answer = await server.SendTextAsync(HttpMethod.Post, "/api/tackle", """{ "points": [], "ropes": [] }""");
        Assert.Equal(422, answer.Status);
        Assert.Contains("points", answer.Errors.Select(e => e.Key));
    }

    [Fact]
    public async Task The_api_describes_itself_and_serves_the_schema_that_the_repository_keeps()
    {
        var description = await server.SendAsync(HttpMethod.Get, "/openapi/v1.json");
        Assert.NotNull(description.Body!["paths"]!["/api/analysis"]!["post"]);
        Assert.NotNull(description.Body["components"]!["schemas"]!["Plan"]);
        var schema = await server.SendAsync(HttpMethod.Get, "/api/schema/plan.json");
        var kept = await File.ReadAllTextAsync(Path.Combine(Repository.Root, "docs", "plan.schema.json"));
        Assert.True(
            kept == schema.Text,
            "docs/plan.schema.json is not what the application serves: save /api/schema/plan.json over it."
        );
    }

    [Fact]
    public async Task The_schema_accepts_the_example_and_every_demo_and_refuses_nonsense()
    {
        var schema = await NJsonSchema.JsonSchema.FromJsonAsync(
            (await server.SendAsync(HttpMethod.Get, "/api/schema/plan.json")).Text
        );
        Assert.Empty(schema.Validate(Example));
        foreach (var name in new[] { "Lime", "Side-leaner", "Spruce" })
        {
            Assert.Empty(schema.Validate((await server.DemoAsync(name))["plan"]!.ToJsonString()));
        }

        Assert.NotEmpty(
            schema.Validate(Example.Replace("\"heightM\": 21", "\"heightM\": 0", StringComparison.Ordinal))
        );
        Assert.NotEmpty(schema.Validate(Example.Replace("\"soundness\"", "\"sondness\"", StringComparison.Ordinal)));
        Assert.NotEmpty(schema.Validate(Example.Replace("draklo.plan", "some.plan", StringComparison.Ordinal)));
    }

    [Fact]
    public async Task An_address_with_nothing_there_answers_in_problem_details()
    {
        var answer = await server.SendAsync(HttpMethod.Get, "/api/nothing");
        Assert.Equal(404, answer.Status);
        Assert.IsType<JsonObject>(answer.Body);
    }

    [Fact]
    public async Task The_tackle_is_drawn_and_the_chances_are_the_same_for_the_same_seed()
    {
        var plan = (await server.DemoAsync("Lime"))["plan"]!;
        var view = await server.SendAsync(HttpMethod.Post, "/api/tackle/view?line=0", plan);
        Assert.Equal(5, view.Body!["legForcesN"]!.AsArray().Count);
        Assert.Equal(4, view.Body["costs"]!.AsArray().Count);
        Assert.NotNull(
            (await server.SendAsync(HttpMethod.Post, "/api/tackle/view?line=9", plan)).Body!["errors"]!["line"]
        );

        var one = await server.SendAsync(HttpMethod.Post, "/api/chances?samples=200&seed=4", plan);
        Assert.Equal(one.Text, (await server.SendAsync(HttpMethod.Post, "/api/chances?samples=200&seed=4", plan)).Text);
        Assert.NotEqual(
            one.Text,
            (await server.SendAsync(HttpMethod.Post, "/api/chances?samples=200&seed=5", plan)).Text
        );
        Assert.NotNull(
            (await server.SendAsync(HttpMethod.Post, "/api/chances?samples=3", plan)).Body!["errors"]!["samples"]
        );
    }
}
