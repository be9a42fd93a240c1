using System.Text;
using CsCheck;
using Draklo.Core.Analyses;
using Draklo.Core.Catalogue;
using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Sites;
using Draklo.Core.Studies;
using Draklo.Core.Trees;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;
using Draklo.Files;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>The site from above: what the tree may hit, who may stand where, and where it could be laid.</summary>
public sealed class SiteTests
{
    [Fact]
    public void The_footprint_runs_to_the_top_and_is_as_wide_as_the_crown_and_the_miss()
    {
        var footprint = Footprint.Of(PlanContext.Of(Lime(), UnitSystem.Metric), 90);

        // 20.7 m above the cut, leaning 3° back, so 1.21 m further from a hinge 0.125 m forward of the middle.
        var reach = 0.125 + Math.Sqrt((20.7 * 20.7) + Math.Pow((20.7 * Math.Tan(3 * Math.PI / 180)) + 0.125, 2));
        Near(reach, footprint.Max(p => p.EastM), 1e-4);
        Near(4 + (reach * Math.Tan(5 * Math.PI / 180)), footprint.Max(p => p.NorthM), 1e-4);
        Assert.Equal(0, footprint.Min(p => p.EastM), 1e-9);
    }

    [Theory]
    [InlineData(TargetKind.Building, 10, 0, false, VerdictState.Stop)]
    [InlineData(TargetKind.Hedge, 10, 0, true, VerdictState.Ready)]
    [InlineData(TargetKind.PowerLine, 10, 0, true, VerdictState.Stop)]
    [InlineData(TargetKind.PowerLine, -15, 0, false, VerdictState.Stop)]
    [InlineData(TargetKind.PowerLine, -41, 0, false, VerdictState.Stop)]
    [InlineData(TargetKind.PowerLine, -60, 0, false, VerdictState.Ready)]
    [InlineData(TargetKind.People, 15, 0, false, VerdictState.Stop)]
    [InlineData(TargetKind.People, -20, 5, false, VerdictState.Check)]
    [InlineData(TargetKind.People, 28, 1, false, VerdictState.Stop)]
    [InlineData(TargetKind.People, -50, 0, false, VerdictState.Ready)]
    [InlineData(TargetKind.Fence, 21.6, 0, false, VerdictState.Check)]
    [InlineData(TargetKind.Fence, 25, 0, false, VerdictState.Ready)]
    public void A_target_is_judged_by_what_it_is_and_where(
        TargetKind kind,
        double east,
        double north,
        bool mayBeHit,
        VerdictState state
    )
    {
        var analysis = WithTargets(
                Lime(),
                new TargetMembers
                {
                    Id = "it",
                    Kind = kind,
                    Points = [Place(east, north)],
                    MayBeHit = mayBeHit,
                }
            )
            .Analysed();
        var target = Assert.Single(analysis.Site.Targets);
        Assert.Equal(state, target.State);
        Assert.Equal(state == VerdictState.Stop, analysis.Verdict.State == VerdictState.Stop);
        if (state != VerdictState.Ready)
        {
            Assert.Contains(
                analysis.Verdict.Reasons,
                r => r.Path!.StartsWith("site.targets[0]", StringComparison.Ordinal) && r.Text == target.Text
            );
        }
    }

    [Fact]
    public void Clearance_is_told_in_the_readers_units()
    {
        var plan = WithTargets(
            Lime(),
            new TargetMembers
            {
                Id = "fence",
                Kind = TargetKind.Fence,
                Points = [Place(21.6, -9), Place(21.6, 9)],
            }
        );
        var site = plan.Analysed().Site;
        Assert.Equal(21.6 - site.Footprint.Max(p => p.EastM), site.Targets[0].ClearanceM, 1e-9);
        Assert.Contains(
            "ft",
            PlanAnalysis.Of(plan, UnitSystem.Us).Analysis!.Site.Targets[0].Text,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_wall_across_a_way_out_blocks_it_and_water_farther_off_does_not()
    {
        var free = Lime().Analysed().Site.Retreats;
        Assert.All(free, r => Assert.True(r.Clear));
        Assert.Equal([225.0, 315], free.Select(r => r.BearingDeg).Order());
        var walled = WithTargets(
                Lime(),
                new TargetMembers
                {
                    Id = "wall",
                    Kind = TargetKind.Wall,
                    Name = "chapel wall",
                    Points = [Place(-8, 3), Place(3, 3)],
                }
            )
            .Analysed();
        var blocked = Assert.Single(walled.Site.Retreats, r => !r.Clear);
        Assert.Equal(315, blocked.BearingDeg);
        Assert.Equal("chapel wall", blocked.BlockedBy);
        Assert.Contains(
            walled.Verdict.Reasons,
            r => r.Text.Contains("blocked (chapel wall)", StringComparison.Ordinal)
        );
        Assert.All(
            WithTargets(
                    Lime(),
                    new TargetMembers
                    {
                        Id = "pond",
                        Kind = TargetKind.Water,
                        Points = [Place(-12, 12)],
                        RadiusM = 3,
                    }
                )
                .Analysed()
                .Site.Retreats,
            r => Assert.True(r.Clear)
        );
    }

    [Fact]
    public void Turning_site_and_lay_together_keeps_every_clearance() =>
        Gen.Select(Gen.Double[-40, 40], Gen.Double[-40, 40], Gen.Double[0, 359])
            .Where((f, r, _) => Math.Abs(f) + Math.Abs(r) > 3)
            .Sample(
                (forward, right, bearing) =>
                {
                    var round = Lime() with
                    {
                        Tree = Lime().Tree with
                        {
                            Crown = Lime().Tree.Crown with
                            {
                                ReachM = new()
                                {
                                    North = 4,
                                    East = 4,
                                    South = 4,
                                    West = 4,
                                },
                            },
                        },
                    };
                    Assert.Equal(Clearance(0), Clearance(bearing), 1e-6);

                    double Clearance(double lay)
                    {
                        var (east, north) = new Draklo.Core.Geometry.LayFrame(lay).ToSite(forward, right);
                        var plan = round.WithMain(l => l with { Anchor = l.Anchor with { BearingDeg = lay } }) with
                        {
                            Lay = new() { BearingDeg = lay },
                            Tree = round.Tree with { Lean = round.Tree.Lean with { BearingDeg = (lay + 180) % 360 } },
                        };
                        return WithTargets(
                                plan,
                                new TargetMembers
                                {
                                    Id = "a",
                                    Kind = TargetKind.Tree,
                                    Points = [Place(east, north)],
                                }
                            )
                            .Analysed()
                            .Site.Targets[0]
                            .ClearanceM;
                    }
                },
                iter: Tries.Of(60)
            );

    [Fact]
    public void Haulers_in_the_lay_stand_one_and_a_half_heights_out()
    {
        Assert.True(Lime().Analysed().Site.Lines[0].CrewClear);
        var near = Lime().WithMain(l => l with { Anchor = l.Anchor with { DistanceM = 26 } }).Analysed();
        Assert.False(near.Site.Lines[0].CrewClear);
        Assert.Contains(near.Verdict.Reasons, r => r.Path == "lines[0].puller.place" && r.State == VerdictState.Check);
        var aside = Lime()
            .WithMain(l =>
                l with
                {
                    Anchor = l.Anchor with { DistanceM = 26 },
                    Puller = l.Puller with { Place = Place(5, 26) },
                }
            );
        Assert.True(aside.Analysed().Site.Lines[0].CrewClear);
    }

    [Fact]
    public void Nobody_stands_inside_the_turn_of_a_line_that_is_hauled_back()
    {
        var people = new TargetMembers
        {
            Id = "bench",
            Kind = TargetKind.People,
            Points = [Place(20, -14)],
        };
        var turned = WithTargets(Lime(), people)
            .WithMain(l =>
                l with
                {
                    Tackle = l.Tackle with { SystemId = "redirected" },
                    Puller = l.Puller with { Place = Place(8, -34) },
                }
            )
            .Analysed();
        Assert.Equal(VerdictState.Stop, turned.Site.Targets[0].State);
        Assert.Contains("inside its turn", turned.Site.Targets[0].Text, StringComparison.Ordinal);
        Assert.Equal(3, turned.Site.Lines[0].InsideTurns[0].Count);
        Assert.Equal(VerdictState.Check, WithTargets(Lime(), people).Analysed().Site.Targets[0].State);
    }

    [Fact]
    public void A_plane_through_two_spots_gives_the_slope_and_the_anchors_rise()
    {
        var plan = Lime() with
        {
            Site = new()
            {
                Spots =
                [
                    new()
                    {
                        EastM = 20,
                        NorthM = 0,
                        RiseM = -2,
                    },
                    new()
                    {
                        EastM = 0,
                        NorthM = 10,
                        RiseM = 0,
                    },
                ],
            },
        };
        var slope = plan.Analysed().Site.Slope!;
        Near(Math.Atan(0.1) * 180 / Math.PI, slope.SteepestDeg, 1e-9);
        Near(90, slope.FallsTowardDeg, 1e-9);
        Near(-3, slope.AnchorRisesM[0], 1e-9);
        Assert.Equal(0, slope.MisfitM, 1e-9);
    }

    [Fact]
    public void Open_must_haves_hold_the_verdict_until_they_are_ticked()
    {
        var plan = Lime() with { WalkUp = FirstWalkUp.Make() };
        Assert.Contains(plan.Analysed().Verdict.Reasons, r => r.State == VerdictState.Check && r.Path == "walkUp[0]");
        var ticked = plan with
        {
            WalkUp =
            [
                .. plan.WalkUp.Select(w =>
                    w.Must ? w with { TickedBy = "Ana", TickedAt = "2027-03-09T08:10:00+00:00" } : w
                ),
            ],
        };
        Assert.DoesNotContain(
            ticked.Analysed().Verdict.Reasons,
            r => r.Path?.StartsWith("walkUp", StringComparison.Ordinal) == true
        );
    }

    [Fact]
    public void A_lay_that_misses_its_mark_is_said()
    {
        var plan = Lime() with { Site = new() { Mark = Place(20, 4) } };
        Assert.Contains(
            plan.Analysed().Verdict.Reasons,
            r => r.Path == "site.mark" && r.Text.Contains("right of the lay mark", StringComparison.Ordinal)
        );
        Assert.DoesNotContain(
            (Lime() with { Site = new() { Mark = Place(20, 0.5) } }).Analysed().Verdict.Reasons,
            r => r.Path == "site.mark"
        );
    }

    [Theory]
    [InlineData("""{"type":"Topology"}""", "file", "of the type “Topology”")]
    [InlineData("""[1,2]""", "file", "no GeoJSON")]
    [InlineData(
        """{"type":"FeatureCollection","features":[{"type":"Feature","properties":{},"geometry":{"type":"Polygon","coordinates":[[[0,0],[1,1]]]}}]}""",
        "file",
        "broken"
    )]
    [InlineData(
        """{"type":"FeatureCollection","features":[{"type":"Feature","properties":{"kind":"tree"},"geometry":{"type":"Point","coordinates":[9,50]}}]}""",
        "file.features[0]",
        "more than 500 m"
    )]
    [InlineData("""{"type":"FeatureCollection","features":[]}""", "file", "holds no place")]
    [InlineData(
        """{"type":"FeatureCollection","features":[{"type":"Feature","properties":{"kind":"tree"},"geometry":{"type":"Point","coordinates":[-3.1,54.4]}}]}""",
        "file.features[0]",
        "on the stump"
    )]
    public void GeoJSON_that_cannot_be_used_is_refused_and_says_why(string text, string path, string says)
    {
        var (site, problems) = SiteGeoJson.Read(
            Encoding.UTF8.GetBytes(text),
            new()
            {
                Origin = new() { LatitudeDeg = 54.4, LongitudeDeg = -3.1 },
            }
        );
        Assert.Null(site);
        var problem = Assert.Single(problems);
        Assert.Equal(path, problem.Path);
        Assert.Contains(says, problem.Message, StringComparison.Ordinal);
    }
}
