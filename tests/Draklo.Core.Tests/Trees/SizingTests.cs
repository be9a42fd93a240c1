using CsCheck;
using Draklo.Core.Analyses;
using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Trees;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>From readings to height, lean, mass, soundness and wind, with their spread.</summary>
public sealed class SizingTests
{
    [Theory]
    [InlineData(HeightMethod.Angles, 20, 0, 40, -5, 18.53)]
    [InlineData(HeightMethod.Angles, 20, 0, 50, 6, 21.73)]
    [InlineData(HeightMethod.Slope, 22, 10, 40, -5, 20.08)]
    public void Height_by_two_angles_on_any_ground(
        HeightMethod method,
        double distance,
        double slope,
        double up,
        double down,
        double height
    ) =>
        Near(
            height,
            Read(
                new()
                {
                    Height = new()
                    {
                        Method = method,
                        DistanceM = distance,
                        SlopeDeg = slope,
                        UpDeg = up,
                        DownDeg = down,
                    },
                }
            ).HeightM!.Value,
            1e-3
        );

    [Fact]
    public void A_stick_as_long_as_the_arm_makes_the_distance_the_height()
    {
        Near(
            17.4,
            Read(
                new()
                {
                    Height = new()
                    {
                        Method = HeightMethod.Stick,
                        DistanceM = 17.4,
                        StickM = 0.65,
                        ArmM = 0.65,
                    },
                }
            ).HeightM!.Value
        );
        Near(
            20,
            Read(
                new()
                {
                    Height = new()
                    {
                        Method = HeightMethod.Stick,
                        DistanceM = 25,
                        StickM = 0.56,
                        ArmM = 0.7,
                    },
                }
            ).HeightM!.Value
        );
    }

    [Fact]
    public void Girth_gives_the_diameter() => Near(0.48, Read(new() { GirthM = 1.508 }).DbhM!.Value, 1e-3);

    [Fact]
    public void Two_views_from_anywhere_give_back_the_lean_that_they_show() =>
        Gen.Select(Gen.Double[0.5, 20], Gen.Double[0, 359], Gen.Double[0, 359], Gen.Double[25, 155])
            .Sample(
                (angle, bearing, first, between) =>
                {
                    var second = (first + between) % 360;
                    var lean = Read(new() { LeanViews = [View(first), View(second)] }).Lean!;
                    Assert.Equal(angle, lean.AngleDeg, 1e-6);
                    Assert.Equal(0, Angle.Between(bearing, lean.BearingDeg), 1e-6);
                    Assert.False(lean.OneView);

                    LeanViewMembers View(double looking) =>
                        new()
                        {
                            LookingDeg = looking,
                            LeanDeg = Angle.Degrees(
                                Math.Atan(Math.Tan(Angle.Radians(angle)) * Math.Sin(Angle.Radians(bearing - looking)))
                            ),
                        };
                }
            );

    [Fact]
    public void One_view_shows_only_what_lies_across_it_and_holds_the_verdict()
    {
        var one = Lime() with { Readings = new() { LeanViews = [new() { LookingDeg = 0, LeanDeg = 3 }] } };
        var analysis = one.Analysed();
        Assert.True(analysis.Measured.Lean!.OneView);
        Assert.Equal(90, analysis.Measured.Lean.BearingDeg, 1e-6);
        Assert.Contains(analysis.Verdict.Reasons, r => r.State == VerdictState.Check && r.Path == "readings.leanViews");
    }

    [Fact]
    public void Sections_of_a_cylinder_and_a_point_are_summed_as_such()
    {
        var tree = Sectioned((1, 0.4), (15, 0.4));
        var stem = (Math.PI / 4 * 0.16 * 14.7) + (Math.PI / 12 * 0.16 * 6);
        Near(stem * 760 * 1.3, tree.Tree.MassKg, 1e-9);
    }

    [Fact]
    public void Sections_taken_off_a_taper_weigh_and_lean_as_the_taper_does()
    {
        foreach (var shape in new[] { LeanShape.Straight, LeanShape.Swept })
        {
            var form = Lime() with { Tree = Lime().Tree with { Lean = Lime().Tree.Lean with { Shape = shape } } };
            var stem = new Stem(21, 0.48, 0.7, 0.30);
            var sections = Enumerable
                .Range(0, 20)
                .Select(i => new SectionMembers { HeightM = 0.3 + (i * 1.07), DiameterM = stem.DiameterAt(i * 1.07) })
                .ToList();
            var measured = form with
            {
                Tree = form.Tree with
                {
                    Mass = new() { Method = MassMethod.Sections, Sections = sections },
                },
            };
            Near(form.Analysed().Tree.MassKg, measured.Analysed().Tree.MassKg, 0.01);
            Near(form.Analysed().Tree.Centre.UpM, measured.Analysed().Tree.Centre.UpM, 0.01);
            Near(form.Analysed().Tree.Centre.ForwardM, measured.Analysed().Tree.Centre.ForwardM, 0.01);
        }
    }

    [Fact]
    public void A_known_mass_is_taken_as_told()
    {
        var plan = Lime() with
        {
            Tree = Lime().Tree with
            {
                Mass = new()
                {
                    Method = MassMethod.Known,
                    Known = new()
                    {
                        MassKg = 2000,
                        CentreHeightM = 8,
                        EastM = -0.5,
                        NorthM = 0.2,
                        Spread = 0.1,
                    },
                },
            },
        };
        var tree = plan.Analysed().Tree;
        Assert.Equal(2000, tree.MassKg);
        Near(-0.625, tree.Centre.ForwardM, 1e-9);
        Near(-0.2, tree.Centre.RightM, 1e-9);
        Near(7.7, tree.Centre.UpM, 1e-9);
        Near(1800, tree.Spread.MassKg.Low, 1e-9);
        Near(2200, tree.Spread.MassKg.High, 1e-9);
    }

    [Fact]
    public void A_guess_spreads_wider_than_a_measurement()
    {
        var measured = Lime().Analysed().Tree.Spread;
        var guessed = (Lime() with { Guesses = ["tree.lean.angleDeg", "tree.crown.massRatio"] }).Analysed().Tree.Spread;
        var viewed = (
            Lime() with
            {
                Readings = new()
                {
                    LeanViews = [new() { LookingDeg = 0, LeanDeg = -3 }, new() { LookingDeg = 90, LeanDeg = 0 }],
                },
            }
        )
            .Analysed()
            .Tree.Spread;
        Assert.True(Width(guessed.TensionAtRestN) > Width(measured.TensionAtRestN));
        Assert.True(Width(viewed.ForwardM) < Width(measured.ForwardM));
        Assert.True(Width(guessed.MassKg) > Width(measured.MassKg));
        Near(1485.5, measured.TensionAtRestN.Nominal);

        static double Width(Spread spread) => spread.High - spread.Low;
    }

    [Fact]
    public void A_hollow_stem_keeps_what_its_ring_keeps()
    {
        var hollow = Hollow(0.3 * 0.25);
        Near(1 - Math.Pow(0.7, 4), hollow.Tree.Soundness, 1e-9);
        Assert.DoesNotContain(hollow.Verdict.Reasons, r => r.Path == "tree.decay.shellM");
        Near(Lime().Analysed().Hinge.SideCapacityNm * hollow.Tree.Soundness, hollow.Hinge.SideCapacityNm, 1e-9);
        Near(Lime().Analysed().Hinge.BendingNm, hollow.Hinge.BendingNm, 1e-9);
        var thin = Hollow(0.29 * 0.25);
        Assert.Equal(VerdictState.Stop, thin.Verdict.State);
        Assert.Contains(thin.Verdict.Reasons, r => r.Path == "tree.decay.shellM" && r.State == VerdictState.Stop);
        Assert.Equal(1, Hollow(0.25).Tree.Soundness);

        static Analysis Hollow(double shell) =>
            (
                Lime() with
                {
                    Tree = Lime().Tree with
                    {
                        Decay = new() { ShellM = shell, DiameterM = 0.5 },
                    },
                }
            ).Analysed();
    }

    [Fact]
    public void What_was_seen_on_the_tree_holds_or_stops_the_plan()
    {
        Assert.Equal(VerdictState.Stop, Seen(new() { Cracked = true }).Verdict.State);
        Assert.Contains(
            Seen(new() { Dead = true }).Verdict.Reasons,
            r => r is { State: VerdictState.Check, Path: "tree.condition.dead" }
        );
        var lifted = Seen(new() { RootsLifted = true });
        Assert.Contains(
            lifted.Verdict.Reasons,
            r => r is { State: VerdictState.Check, Path: "tree.condition.rootsLifted" }
        );
        Near(
            0.6 * Lime().Analysed().Links.Single(l => l.Id == "roots").Strength.Value,
            lifted.Links.Single(l => l.Id == "roots").Strength.Value,
            1e-9
        );

        static Analysis Seen(ConditionMembers condition) =>
            (Lime() with { Tree = Lime().Tree with { Condition = condition } }).Analysed();
    }

    [Fact]
    public void The_gust_from_ahead_that_uses_up_the_reserve_does_so()
    {
        var calm = Lime() with { Wind = new() { InLeaf = false } };
        var gust = calm.Analysed().Gust!;
        Assert.True(gust.FromAhead);
        var blown = (
            calm with
            {
                Wind = new()
                {
                    InLeaf = false,
                    SpeedMps = gust.SpeedMps,
                    FromDeg = 90,
                },
            }
        ).Analysed();
        Near(calm.Analysed().Pull.PlannedTensionN, blown.Pull.NeededTensionN, 0.01);
    }

    [Fact]
    public void Leaves_lower_the_gust_that_a_plan_stands() =>
        Assert.True(
            (Lime() with { Wind = new() { InLeaf = true } }).Analysed().Gust!.SpeedMps
                < (Lime() with { Wind = new() { InLeaf = false } }).Analysed().Gust!.SpeedMps
        );

    [Fact]
    public void The_aim_goes_half_the_side_lean_to_the_other_side()
    {
        var aim = SideLeaner().Analysed().Aim;
        Assert.Equal(-Angle.Degrees(Math.Atan(0.8090 * 0.5 / 8.5347)), aim.OffsetDeg, 0.02);
        Assert.Equal(90 + aim.OffsetDeg, aim.BearingDeg, 1e-9);
        Assert.Equal(0, Lime().Analysed().Aim.OffsetDeg, 1e-9);
    }

    private const double HeightM = 20;

    private static Measured Read(ReadingMembers readings)
    {
        var problems = new List<Problem>();
        var measured = Measuring.From(readings, HeightM, UnitSystem.Metric, problems, null);
        Assert.Empty(problems);
        return measured;
    }

    private static Analysis Sectioned(params (double Height, double Diameter)[] sections) =>
        (
            Lime() with
            {
                Tree = Lime().Tree with
                {
                    Mass = new()
                    {
                        Method = MassMethod.Sections,
                        Sections =
                        [
                            .. sections.Select(s => new SectionMembers { HeightM = s.Height, DiameterM = s.Diameter }),
                        ],
                    },
                },
            }
        ).Analysed();
}
