using System.Text;
using CsCheck;
using Draklo.Core.Analyses;
using Draklo.Core.Catalogue;
using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Sites;
using Draklo.Core.Studies;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;
using Draklo.Files;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>A site as GeoJSON, out and in.</summary>
public sealed class SiteGeoJsonTests
{
    [Fact]
    public void A_site_comes_back_from_its_own_GeoJSON()
    {
        var origin = new OriginMembers { LatitudeDeg = 54.4, LongitudeDeg = -3.1 };
        var plan = WithTargets(
            Lime(),
            new()
            {
                Id = "boathouse",
                Kind = TargetKind.Building,
                Name = "Boathouse",
                Closed = true,
                HeightM = 4,
                Points = [Place(-20, 5), Place(-12, 5), Place(-12, 14)],
            },
            new()
            {
                Id = "wire",
                Kind = TargetKind.PowerLine,
                Points = [Place(-40, 40), Place(60, 45)],
                HeightM = 7,
            },
            new()
            {
                Id = "oak",
                Kind = TargetKind.Tree,
                Points = [Place(30, 0.5)],
                RadiusM = 2.5,
                MayBeHit = true,
            }
        );
        plan = plan with { Site = plan.Site with { Origin = origin, Mark = Place(20, 0) } };
        var (json, problems) = SiteGeoJson.Write(plan);
        Assert.Empty(problems);
        var (site, faults) = SiteGeoJson.Read(json, new());
        Assert.Empty(faults);
        Near(54.4, site!.Origin!.LatitudeDeg, 1e-9);
        Assert.Equal(
            plan.Site.Targets.Select(t => (t.Id, t.Kind, t.Name, t.Closed, t.HeightM, t.RadiusM, t.MayBeHit)),
            site.Targets.Select(t => (t.Id, t.Kind, t.Name, t.Closed, t.HeightM, t.RadiusM, t.MayBeHit))
        );
        Assert.All(
            plan.Site.Targets.Zip(site.Targets),
            pair =>
                Assert.All(
                    pair.First.Points.Zip(pair.Second.Points),
                    p =>
                    {
                        Assert.Equal(p.First.EastM, p.Second.EastM, 0.011);
                        Assert.Equal(p.First.NorthM, p.Second.NorthM, 0.011);
                    }
                )
        );
        Near(20, site.Mark!.EastM, 1e-3);
    }

    [Fact]
    public void Reading_ones_own_site_back_doubles_nothing_and_keeps_what_was_arranged()
    {
        var word = new WordMembers { By = "Control room", At = "2026-04-18T07:00:00+02:00" };
        var plan = WithTargets(
            Lime(),
            new TargetMembers
            {
                Id = "wire",
                Kind = TargetKind.PowerLine,
                Points = [Place(-40, 40), Place(60, 45)],
                UtilityWord = word,
            },
            new TargetMembers
            {
                Id = "shed",
                Kind = TargetKind.Building,
                Points = [Place(-20, 5)],
                RadiusM = 2,
            },
            new TargetMembers
            {
                Id = "shed-2",
                Kind = TargetKind.Building,
                Points = [Place(-30, 5)],
                RadiusM = 2,
            }
        );
        var site = plan.Site with
        {
            Origin = new() { LatitudeDeg = 54.4, LongitudeDeg = -3.1 },
            Mark = Place(20, 0),
        };
        var (json, _) = SiteGeoJson.Write(plan with { Site = site });
        var (again, faults) = SiteGeoJson.Read(json, site);
        Assert.Empty(faults);
        Assert.Equal(site.Targets.Select(t => t.Id), again!.Targets.Select(t => t.Id));
        Assert.Equal(word, again.Targets[0].UtilityWord);

        // One that has moved in the file moves on the plan; one without an id is known by its place.
        var moved = Encoding
            .UTF8.GetString(json!)
            .Replace("\"id\": \"shed-2\",", "", StringComparison.Ordinal)
            .Replace("\"radiusM\": 2", "\"radiusM\": 3", StringComparison.Ordinal);
        var (renewed, _) = SiteGeoJson.Read(Encoding.UTF8.GetBytes(moved), site);
        Assert.Equal(["wire", "shed", "shed-2"], renewed!.Targets.Select(t => t.Id));
        Assert.Equal([3, 3], renewed.Targets.Skip(1).Select(t => t.RadiusM));
    }

    [Fact]
    public void Tags_of_common_maps_are_understood_and_shapes_of_many_parts_taken_apart()
    {
        const string Text = """
            {"type":"FeatureCollection","features":[
              {"type":"Feature","properties":{"building":"yes","name":"Mill"},"geometry":{"type":"MultiPolygon","coordinates":[[[[0.0002,0.0002],[0.0003,0.0002],[0.0003,0.0003],[0.0002,0.0002]]],[[[0.0005,0.0002],[0.0006,0.0002],[0.0006,0.0003],[0.0005,0.0002]]]]}},
              {"type":"Feature","properties":{"power":"minor_line"},"geometry":{"type":"LineString","coordinates":[[-0.0005,0.0004],[0.0005,0.0004]]}},
              {"type":"Feature","properties":null,"geometry":null}]}
            """;
        var (site, problems) = SiteGeoJson.Read(
            Encoding.UTF8.GetBytes(Text),
            new()
            {
                Origin = new() { LatitudeDeg = 0, LongitudeDeg = 0 },
            }
        );
        Assert.Empty(problems);
        Assert.Equal(
            [TargetKind.Building, TargetKind.Building, TargetKind.PowerLine],
            site!.Targets.Select(t => t.Kind)
        );
        Assert.Equal(["building", "building-2", "power-line"], site.Targets.Select(t => t.Id));
        Near(22.24, site.Targets[0].Points[0].EastM, 1e-3);
    }

    [Fact]
    public void Without_an_origin_nothing_is_written_or_read() =>
        Assert.Equal("site.origin", Assert.Single(SiteGeoJson.Write(Lime()).Problems).Path);
}
