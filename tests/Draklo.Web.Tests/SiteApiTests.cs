using System.Text.Json.Nodes;

namespace Draklo.Web.Tests;

/// <summary>Rose, GeoJSON, own species and the simulated world outside.</summary>
public sealed class SiteApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task The_rose_has_every_bearing_and_refuses_a_step_that_does_not_go_round()
    {
        var plan = (await server.DemoAsync("Lime"))["plan"]!;
        var rose = await server.SendAsync(HttpMethod.Post, "/api/rose?step=10", plan);
        Assert.Equal(36, rose.Body!["bearings"]!.AsArray().Count);
        Assert.Contains(rose.Body["bearings"]!.AsArray(), b => b!["state"]!.GetValue<string>() == "open");
        var refused = await server.SendAsync(HttpMethod.Post, "/api/rose?step=7", plan);
        Assert.Equal(422, refused.Status);
        Assert.NotNull(refused.Body!["errors"]!["step"]);
        plan["site"]!["targets"]![0]!["points"]![0]!["eastM"] = 9000;
        Assert.NotNull(
            (await server.SendAsync(HttpMethod.Post, "/api/rose", plan)).Body!["errors"]![
                "site.targets[0].points[0].eastM"
            ]
        );
    }

    [Fact]
    public async Task A_site_goes_out_as_GeoJSON_and_comes_back()
    {
        var plan = (await server.DemoAsync("Spruce"))["plan"]!;
        Assert.NotNull(
            (await server.SendAsync(HttpMethod.Post, "/api/site/geojson", plan)).Body!["errors"]!["site.origin"]
        );
        plan["site"]!["origin"] = new JsonObject { ["latitudeDeg"] = 54.5, ["longitudeDeg"] = -3.2 };
        var file = await server.SendAsync(HttpMethod.Post, "/api/site/geojson", plan);
        Assert.Equal("FeatureCollection", file.Body!["type"]!.GetValue<string>());
        var site = await server.SendAsync(
            HttpMethod.Post,
            "/api/site/import",
            new JsonObject { ["site"] = new JsonObject(), ["file"] = file.Body.DeepClone() }
        );
        Assert.Equal(200, site.Status);
        Assert.Equal(plan["site"]!["targets"]!.AsArray().Count, site.Body!["targets"]!.AsArray().Count);
        var wrong = await server.SendAsync(
            HttpMethod.Post,
            "/api/site/import",
            new JsonObject { ["site"] = new JsonObject(), ["file"] = "text" }
        );
        Assert.Equal(422, wrong.Status);
        Assert.Contains("no GeoJSON", wrong.Text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_crews_species_stands_beside_the_catalogue_and_can_be_dropped()
    {
        var ours = new JsonObject
        {
            ["id"] = "alder-black",
            ["name"] = "Black alder",
            ["latin"] = "Alnus glutinosa",
            ["greenDensityKgM3"] = 870,
            ["bendingStrengthMPa"] = 40,
            ["stiffnessGPa"] = 7,
            ["hingeClass"] = "brittle",
            ["splits"] = "low",
            ["habit"] = "broadleaf",
            ["source"] = "weighed at the mill",
        };
        Assert.Equal(200, (await server.SendAsync(HttpMethod.Put, "/api/species/alder-black", ours)).Status);
        var entry = await EntryAsync();
        Assert.True(entry["own"]!.GetValue<bool>() && entry["corrects"]!.GetValue<bool>());
        Assert.Equal(870, entry["species"]!["greenDensityKgM3"]!.GetValue<double>());
        Assert.Equal(204, (await server.SendAsync(HttpMethod.Delete, "/api/species/alder-black")).Status);
        Assert.Equal(830, (await EntryAsync())["species"]!["greenDensityKgM3"]!.GetValue<double>());
        Assert.Equal(404, (await server.SendAsync(HttpMethod.Delete, "/api/species/alder-black")).Status);

        ours["greenDensityKgM3"] = -5;
        Assert.NotNull(
            (await server.SendAsync(HttpMethod.Put, "/api/species/alder-black", ours)).Body!["errors"]![
                "greenDensityKgM3"
            ]
        );
        Assert.NotNull((await server.SendAsync(HttpMethod.Put, "/api/species/other", ours)).Body!["errors"]!["id"]);

        async Task<JsonNode> EntryAsync() =>
            (await server.SendAsync(HttpMethod.Get, "/api/catalogue")).Body!["species"]!
                .AsArray()
                .Single(s => s!["species"]!["id"]!.GetValue<string>() == "alder-black")!;
    }

    [Fact]
    public async Task Instruments_read_near_what_the_plan_says_and_the_forecast_keeps_to_its_day()
    {
        var plan = (await server.DemoAsync("Lime"))["plan"]!;
        foreach (
            var (sight, low, high) in new[]
            {
                ("top", 35.0, 41.0),
                ("foot", -6.0, -1.5),
                ("distance", 23.0, 27.0),
                ("lean", -5.0, -1.0),
            }
        )
        {
            var reading = await server.SendAsync(
                HttpMethod.Post,
                "/api/instruments/reading",
                new JsonObject
                {
                    ["sight"] = sight,
                    ["lookingDeg"] = 0,
                    ["plan"] = plan.DeepClone(),
                }
            );
            Assert.InRange(reading.Body!["value"]!.GetValue<double>(), low, high);
            Assert.StartsWith("Simulated", reading.Body["instrument"]!.GetValue<string>(), StringComparison.Ordinal);
        }

        var day = (await server.SendAsync(HttpMethod.Get, "/api/forecast?day=2027-03-09")).Text;
        Assert.Equal(day, (await server.SendAsync(HttpMethod.Get, "/api/forecast?day=2027-03-09")).Text);
        Assert.All(
            JsonNode.Parse(day)!["hours"]!.AsArray(),
            h => Assert.True(h!["gustMps"]!.GetValue<double>() >= h["windMps"]!.GetValue<double>())
        );
        Assert.Equal(422, (await server.SendAsync(HttpMethod.Get, "/api/forecast?day=tomorrow")).Status);
    }

    [Fact]
    public async Task The_stem_and_the_remedies_are_asked_for_by_line_and_by_link()
    {
        var plan = (await server.DemoAsync("Lime"))["plan"]!;
        var stem = await server.SendAsync(HttpMethod.Post, "/api/stem?line=0", plan);
        Assert.Equal(41, stem.Body!["slices"]!.AsArray().Count);
        Assert.InRange(stem.Body["bestHeightM"]!.GetValue<double>(), 10, 20);
        Assert.NotNull((await server.SendAsync(HttpMethod.Post, "/api/stem?line=4", plan)).Body!["errors"]!["line"]);

        var remedies = await server.SendAsync(HttpMethod.Post, "/api/remedies?link=main.hands&units=us", plan);
        Assert.Equal(200, remedies.Status);
        Assert.Contains("Put three people on it", remedies.Text, StringComparison.Ordinal);
        Assert.Contains(" ft", remedies.Text, StringComparison.Ordinal);
        var refused = await server.SendAsync(HttpMethod.Post, "/api/remedies?link=main.elsewhere", plan);
        Assert.Equal(422, refused.Status);
        Assert.NotNull(refused.Body!["errors"]!["link"]);
    }
}
