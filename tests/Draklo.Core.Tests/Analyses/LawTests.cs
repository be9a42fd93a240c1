using CsCheck;
using Draklo.Core.Analyses;
using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Trees;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>What must hold for any plan, not only for the worked ones.</summary>
public sealed class LawTests
{
    [Fact]
    public void Turning_site_and_lay_together_changes_nothing()
    {
        foreach (var turned in new[] { 0.0, 180, 270 })
        {
            Same(SideLeaner().Analysed(), SideLeaner(turned).Analysed());
        }

        static void Same(Analysis expected, Analysis actual)
        {
            Near(expected.Pull.NeededTensionN, actual.Pull.NeededTensionN, 1e-9);
            Near(expected.Tree.Centre.RightM, actual.Tree.Centre.RightM, 1e-9);
            Near(expected.Hinge.SideUse, actual.Hinge.SideUse, 1e-9);
            Near(expected.Pull.CommitDeg, actual.Pull.CommitDeg, 1e-9);
            Near(expected.Stem.WorstStressMPa, actual.Stem.WorstStressMPa, 1e-9);
        }
    }

    [Fact]
    public void A_taller_seat_never_shortens_the_arm_to_an_anchor_no_higher_than_the_cut() =>
        Gen.Select(Gen.Double[1, 30], Gen.Double[0.1, 20], Gen.Double[2, 80], Gen.Double[-6, 0])
            .Sample(
                (seat, more, distance, height) =>
                {
                    var anchor = new Point(distance, 0, height);
                    Assert.True(
                        PullLine.ForwardArm(new(0, 0, seat + more), anchor)
                            >= PullLine.ForwardArm(new(0, 0, seat), anchor) - 1e-9
                    );
                }
            );

    [Fact]
    public void The_arm_is_the_distance_of_the_line_from_the_hinge() =>
        Gen.Select(Gen.Double[-3, 3], Gen.Double[2, 30], Gen.Double[5, 60], Gen.Double[-2, 3])
            .Sample(
                (f, u, distance, height) =>
                {
                    var length = Math.Sqrt(((distance - f) * (distance - f)) + ((height - u) * (height - u)));
                    var crossed = Math.Abs((f * (height - u)) - (u * (distance - f))) / length;
                    Assert.Equal(crossed, Math.Abs(PullLine.ForwardArm(new(f, 0, u), new(distance, 0, height))), 1e-9);
                }
            );

    [Fact]
    public void Forty_five_degrees_keeps_seventy_one_per_cent()
    {
        var upright = Lime() with
        {
            Tree = Lime().Tree with
            {
                Lean = new() { AngleDeg = 0, BearingDeg = 0 },
            },
        };
        var plan = upright.WithMain(l =>
            l with
            {
                Seat = new() { HeightM = 15.3 },
                Anchor = l.Anchor with { DistanceM = 15, HeightM = 0.3 },
            }
        );
        var line = plan.Analysed().Pull.Lines[0];
        Assert.Equal(45, line.AngleBelowHorizontalDeg, 0.3);
        Assert.Contains(
            "71",
            plan.Analysed().Workings!.Single(w => w.Id == "main.angle").Substituted,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void An_upright_even_tree_still_sits_back_over_its_hinge()
    {
        var tree = Lime().Tree with
        {
            Lean = new() { AngleDeg = 0, BearingDeg = 0 },
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
        };
        var analysis = (Lime() with { Tree = tree }).Analysed();
        Near(-analysis.Hinge.OffsetM, analysis.Tree.Centre.ForwardM, 1e-9);
        Assert.True(analysis.Pretension.FloorN > 0);
    }

    [Fact]
    public void Needed_tension_is_the_top_of_its_curve() =>
        Gen.Select(Gen.Double[6, 18], Gen.Double[15, 80], Gen.Double[0, 12], Gen.Double[0.03, 0.07])
            .Sample(
                (seat, distance, lean, hinge) =>
                {
                    var plan = Lime()
                        .WithMain(l =>
                            l with
                            {
                                Seat = new() { HeightM = seat },
                                Anchor = l.Anchor with { DistanceM = distance },
                            }
                        );
                    plan = plan with
                    {
                        Tree = plan.Tree with { Lean = plan.Tree.Lean with { AngleDeg = lean } },
                        Cut = plan.Cut with { HingeThicknessM = hinge },
                    };
                    var outcome = PlanAnalysis.Of(plan, withWorkings: false);
                    if (outcome.Analysis is not { } analysis)
                    {
                        Assert.All(
                            outcome.Problems,
                            p => Assert.Contains("loses its arm", p.Message, StringComparison.Ordinal)
                        );
                        return;
                    }

                    Assert.All(
                        analysis.Pull.Curve,
                        p => Assert.True(p.TensionN <= analysis.Pull.NeededTensionN * (1 + 1e-9))
                    );
                    Assert.Equal(0, analysis.Pull.Curve[^1].TensionN, 1e-3);
                    Assert.All(analysis.Links, l => Assert.True(double.IsFinite(l.Use) && l.Use >= 0));
                }
            );

    [Fact]
    public void A_heavier_lean_asks_more_and_a_longer_reserve_plans_more()
    {
        var plan = Lime();
        var leaning = plan with { Tree = plan.Tree with { Lean = plan.Tree.Lean with { AngleDeg = 5 } } };
        Assert.True(leaning.Analysed().Pull.NeededTensionN > plan.Analysed().Pull.NeededTensionN);
        var careful = plan with { Policy = plan.Policy with { LoadReserve = 2 } };
        Near(plan.Analysed().Pull.NeededTensionN * 2, careful.Analysed().Pull.PlannedTensionN, 1e-9);
    }

    [Fact]
    public void A_swept_stem_carries_its_lean_higher_up()
    {
        // A swept stem of the same sight line keeps its lower part upright, so its own centre moves less.
        var stem = new Stem(20, 0.4, 0.7, 0.3);
        var straight = new StemLine(0.1, 0, Swept: false, 19.7, 0);
        var swept = straight with { Swept = true };
        Assert.Equal(straight.At(19.7), swept.At(19.7));
        Assert.True(swept.At(5).Forward < straight.At(5).Forward);

        double mass = 0;
        double moved = 0;
        for (var i = 0; i < 20000; i++)
        {
            var z = 19.7 * (i + 0.5) / 20000;
            var slice = stem.DiameterAt(z) * stem.DiameterAt(z);
            mass += slice;
            moved += slice * swept.At(z).Forward;
        }

        Near(moved / mass, swept.Forward * swept.CentreOffset(stem), 1e-4);
    }

    [Fact]
    public void Stem_volume_is_the_sum_of_its_slices()
    {
        var stem = new Stem(24, 0.5, 0.8, 0.4);
        double volume = 0;
        double first = 0;
        for (var i = 0; i < 20000; i++)
        {
            var z = stem.LengthAboveCut * (i + 0.5) / 20000;
            var slice = Math.PI / 4 * stem.DiameterAt(z) * stem.DiameterAt(z) * stem.LengthAboveCut / 20000;
            volume += slice;
            first += slice * z;
        }

        Near(volume, stem.Volume, 1e-4);
        Near(first / volume, stem.CentreAboveCut, 1e-4);
        Near(0.5, stem.DiameterAt(1.3 - 0.4), 1e-9);
    }

    [Theory]
    [InlineData(1, 0.50)]
    [InlineData(1.5, 0.575)]
    [InlineData(2, 0.65)]
    [InlineData(3, 0.75)]
    [InlineData(4, 0.85)]
    [InlineData(6, 0.925)]
    [InlineData(8, 1)]
    [InlineData(20, 1)]
    public void Bend_ratio(double ratio, double keeps) => Assert.Equal(keeps, Bend.Keeps(ratio), 1e-9);

    [Fact]
    public void Wind_from_behind_is_not_relied_on_and_wind_against_the_lay_asks_more()
    {
        var still = Lime().Analysed().Pull.NeededTensionN;
        var behind = (
            Lime() with
            {
                Wind = new() { SpeedMps = 6, FromDeg = 270 },
            }
        ).Analysed().Pull.NeededTensionN;
        var against = (
            Lime() with
            {
                Wind = new() { SpeedMps = 6, FromDeg = 90 },
            }
        ).Analysed().Pull.NeededTensionN;
        Assert.Equal(still, behind);
        Assert.True(still < against);

        // ½ · 1.226 · 0.5 · (π/4 · 8 · 15) · 36 on a crown centred 12.45 m above the cut, over an arm of 11.46 m.
        Near(still + (0.5 * 1.226 * 0.5 * Math.PI / 4 * 8 * 15 * 36 * 12.45 / 11.4621), against);
    }

    [Fact]
    public void Rotten_wood_bears_less_and_makes_the_pull_no_lighter()
    {
        var sound = Lime().Analysed();
        var poor = (Lime() with { Tree = Lime().Tree with { Soundness = 0.6 } }).Analysed();
        Assert.Equal(sound.Pull.NeededTensionN, poor.Pull.NeededTensionN);
        Near(sound.Hinge.SideCapacityNm * 0.6, poor.Hinge.SideCapacityNm);
        Assert.True(poor.Pretension.EarlyGoN < sound.Pretension.EarlyGoN);
        Assert.True(poor.Links.Single(l => l.Id == "stem").Use > sound.Links.Single(l => l.Id == "stem").Use);
    }

    [Fact]
    public void Workings_hold_the_very_values_of_the_result()
    {
        var analysis = SideLeaner().Analysed();
        var byId = analysis.Workings!.ToDictionary(w => w.Id);
        Assert.Equal(analysis.Pull.NeededTensionN, byId["needed-tension"].Value);
        Assert.Equal(analysis.Tree.MassKg, byId["mass"].Value);
        Assert.Equal(analysis.Pull.Lines[1].ForwardArmM, byId["second.forward-arm"].Value);
        Assert.All(analysis.Links, l => Assert.Equal(l.Use, byId[$"link.{l.Id}"].Value));
        Assert.Equal(byId.Count, analysis.Workings!.Count);
        Assert.All(byId.Values, w => Assert.Matches("^M[0-9]+$", w.Method));
    }

    [Fact]
    public void Units_change_the_words_and_not_the_figures()
    {
        var metric = PlanAnalysis.Of(Sound()).Analysis!;
        var us = PlanAnalysis.Of(Sound(), UnitSystem.Us).Analysis!;
        Assert.Equal(metric.Pull.NeededTensionN, us.Pull.NeededTensionN);
        Assert.Contains(" N (about", metric.Verdict.Summary, StringComparison.Ordinal);
        Assert.Contains("lbf", us.Verdict.Summary, StringComparison.Ordinal);
        Assert.DoesNotContain(
            us.Workings!,
            w =>
                w.Substituted.Contains(" kN", StringComparison.Ordinal)
                || w.Substituted.Contains(" cm", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void Leaving_the_workings_out_changes_nothing_else() =>
        Assert.Equal(
            System.Text.Json.JsonSerializer.Serialize(
                PlanAnalysis.Of(SideLeaner(), withWorkings: true).Analysis! with
                {
                    Workings = null,
                }
            ),
            System.Text.Json.JsonSerializer.Serialize(PlanAnalysis.Of(SideLeaner(), withWorkings: false).Analysis!)
        );
}
