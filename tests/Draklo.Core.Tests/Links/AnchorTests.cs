using CsCheck;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Trees;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>What each kind of anchor holds.</summary>
public sealed class AnchorTests
{
    [Fact]
    public void A_tree_holds_by_its_roots_over_the_strap_and_not_more_than_its_stem()
    {
        var oak = new AnchorTreeMembers
        {
            SpeciesId = "oak-english",
            DbhM = 0.52,
            HeightM = 18,
        };
        var low = Of(
            new()
            {
                DistanceM = 30,
                BearingDeg = 0,
                HeightM = 0.5,
                Kind = AnchorKind.Tree,
                Tree = oak,
            }
        );

        // By hand: d0 = 0.52/(1 − 1.3/18)^0.7 = 0.5480, V = π/4·d0²·18·(1 − 0.1/18)^2.4/2.4 = 1.7455 m³, m = 1850 kg;
        // 110·m/(0.5 + 0.3): the plate turns about a point 0.3 m down.
        Near(110 * 1850.2 / 0.8, low.Force.Nominal, 0.005);
        Near(
            low.Force.Nominal * 0.8 / 1.3,
            Of(
                new()
                {
                    DistanceM = 30,
                    BearingDeg = 0,
                    HeightM = 1.0,
                    Kind = AnchorKind.Tree,
                    Tree = oak,
                }
            ).Force.Nominal,
            1e-9
        );
        var sapling = Of(
            new()
            {
                DistanceM = 30,
                BearingDeg = 0,
                HeightM = 3,
                Kind = AnchorKind.Tree,
                Tree = oak with { DbhM = 0.1 },
            }
        );
        Assert.Contains("stem", sapling.Limit, StringComparison.Ordinal);
        Near(59e6 * Math.PI * 0.001 / 32 / 3, sapling.Force.Nominal, 1e-9);
        // Rot in the stem is rot in the roots.
        Near(
            low.Force.Nominal / 2,
            Of(
                new()
                {
                    DistanceM = 30,
                    BearingDeg = 0,
                    HeightM = 0.5,
                    Kind = AnchorKind.Tree,
                    Tree = oak with { Soundness = 0.5 },
                }
            ).Force.Nominal,
            1e-9
        );
    }

    [Fact]
    public void A_post_in_clay_is_in_balance_and_one_in_sand_is_the_worked_one()
    {
        // Worked: 15 cm wide, 0.8 m deep, pulled 0.1 m up, sand.
        Near(2610, Post(0.15, 0.8, 0.1, "soil-gravel").Nominal);
        Gen.Select(Gen.Double[0.05, 0.3], Gen.Double[0.6, 2], Gen.Double[0, 1.5])
            .Sample(
                (width, depth, strap) =>
                {
                    // P · (e + 1.5 b + f/2) = 2.25 · c · b · g² with f = P / (9 c b), g = h − 1.5 b − f.
                    const double Clay = 40_000;
                    var force = Post(width, depth, strap, "soil-sandy").Nominal;
                    var f = force / (9 * Clay * width);
                    var g = depth - (1.5 * width) - f;
                    Near(2.25 * Clay * width * g * g, force * (strap + (1.5 * width) + (f / 2)), 1e-6);
                    Assert.True(force > Post(width, depth, strap, "soil-soft").Nominal);
                    Assert.True(force < Post(width, depth, strap, "soil-stiff").Nominal);
                }
            );
    }

    private static Spread Post(double width, double depth, double strap, string ground) =>
        Of(
            new()
            {
                DistanceM = 30,
                BearingDeg = 0,
                HeightM = strap,
                Kind = AnchorKind.Post,
                Post = new()
                {
                    DiameterM = width,
                    DepthM = depth,
                    GroundId = ground,
                },
            }
        ).Force;

    [Fact]
    public void Pickets_weights_and_vehicles_follow_their_tables()
    {
        Near(
            8900 * 0.5,
            Of(
                new()
                {
                    DistanceM = 30,
                    BearingDeg = 0,
                    HeightM = 0,
                    Kind = AnchorKind.Pickets,
                    Pickets = new() { ArrangementId = "picket-2-1", Ground = PicketGround.Wet },
                }
            ).Force.Nominal
        );
        Near(
            0.28 * 3000 * 9.80665,
            Of(
                new()
                {
                    DistanceM = 30,
                    BearingDeg = 0,
                    HeightM = 0.4,
                    Kind = AnchorKind.Weight,
                    Weight = new()
                    {
                        MassKg = 3000,
                        GroundId = "wet-grass",
                        BrakedShare = 0.3,
                    },
                }
            ).Force.Nominal
        );
        var slope = Math.PI / 36;
        Near(
            9.80665 * 3000 * ((0.5 * 0.6 * Math.Cos(slope)) + Math.Sin(slope)),
            Of(
                new()
                {
                    DistanceM = 30,
                    BearingDeg = 0,
                    HeightM = 0.4,
                    Kind = AnchorKind.Vehicle,
                    Weight = new()
                    {
                        MassKg = 3000,
                        BrakedShare = 0.6,
                        SlopeDeg = 5,
                    },
                }
            ).Force.Nominal
        );
        Assert.True(
            Of(
                new()
                {
                    DistanceM = 30,
                    BearingDeg = 0,
                    HeightM = 0.4,
                    Kind = AnchorKind.Vehicle,
                    Weight = new()
                    {
                        MassKg = 3000,
                        GroundId = "mud",
                        SlopeDeg = -30,
                    },
                }
            ).Force.Nominal > 0
        );
    }

    [Fact]
    public void The_anchor_is_checked_against_the_force_on_it_and_its_low_figure_holds_the_plan()
    {
        var pickets = Lime()
            .WithMain(l =>
                l with
                {
                    Anchor = l.Anchor with
                    {
                        Kind = AnchorKind.Pickets,
                        CapacityN = null,
                        Pickets = new() { ArrangementId = "picket-1" },
                    },
                }
            )
            .Analysed();
        var link = pickets.Links.Single(l => l.Id == "main.anchor");
        Near(3100, link.Strength.Value);
        Near(pickets.Pull.Lines[0].Tackle.AnchorForceN, link.Load.Value);
        var wet = Lime()
            .WithMain(l =>
                l with
                {
                    Anchor = l.Anchor with
                    {
                        Kind = AnchorKind.Pickets,
                        Pickets = new() { ArrangementId = "picket-1", Ground = PicketGround.Wet },
                    },
                }
            )
            .Analysed();
        Assert.Contains(
            wet.Verdict.Reasons,
            r => r.Path == "lines[0].anchor.kind" && r.Text.Contains("may give at", StringComparison.Ordinal)
        );
        var unknown = Lime().WithMain(l => l with { Anchor = l.Anchor with { Kind = AnchorKind.Tree } }).Analysed();
        Assert.Null(unknown.Anchors[0]);
        Assert.Contains(
            unknown.Verdict.Reasons,
            r => r.State == VerdictState.Check && r.Path == "lines[0].anchor.tree"
        );
    }

    [Fact]
    public void A_rope_must_reach_up_over_and_out_with_its_tackle_when_that_is_in_the_line()
    {
        var line = Lime().Analysed().Pull.Lines[0];
        Assert.Equal(6, line.Tackle.SpaceM, 1e-9);
        Near(13 + 2 + line.LengthM - 6 + 3, line.RopeNeededM, 1e-9);
        var loop = Lime()
            .WithMain(l => l with { Tackle = l.Tackle with { SystemId = "three-to-one-rope-loop" } })
            .Analysed();
        Near(line.RopeNeededM + 6 + 12, loop.Pull.Lines[0].RopeNeededM, 1e-9);
        Assert.Contains(loop.Verdict.Reasons, r => r.State == VerdictState.Check && r.Path == "lines[0].rope.lengthM");
        Assert.DoesNotContain(Lime().Analysed().Verdict.Reasons, r => r.Path == "lines[0].rope.lengthM");
        Assert.Contains(
            Lime().WithMain(l => l with { Rope = l.Rope with { LengthM = 27 } }).Analysed().Verdict.Reasons,
            r => r.State == VerdictState.Stop && r.Path == "lines[0].rope.lengthM"
        );
    }

    [Theory]
    [InlineData("mud", "tree.groundId")]
    [InlineData("nowhere", "tree.groundId")]
    public void Ground_of_another_kind_is_refused(string ground, string member)
    {
        var plan = Lime()
            .WithMain(l =>
                l with
                {
                    Anchor = l.Anchor with
                    {
                        Tree = new()
                        {
                            DbhM = 0.5,
                            HeightM = 15,
                            GroundId = ground,
                        },
                    },
                }
            );
        Assert.Equal($"lines[0].anchor.{member}", plan.OnlyProblem().Path);
    }

    private static AnchorStrength Of(AnchorMembers anchor) => AnchorStrength.Of(anchor, "main", 0, null)!;
}
