using Draklo.Core.Analyses;
using Draklo.Core.Geometry;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Studies;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>The careful end against sampling, and links that are judged at it.</summary>
public sealed class CarefulEndTests
{
    public static TheoryData<string> Trees => ["lime", "side-leaner", "spruce"];

    [Theory]
    [MemberData(nameof(Trees))]
    public void It_is_the_tension_that_95_samples_of_100_stay_under(string tree)
    {
        foreach (var reserve in new[] { 1.05, 1.15, 1.3 })
        {
            var plan = Edited(Tree(tree), ("policy.loadReserve", reserve));
            var pull = plan.Analysed().Pull;
            var (sampled, problems) = PlanChances.Of(plan, 4000, 7, UnitSystem.Metric);
            Assert.Empty(problems);
            Near(sampled!.NeededTensionN.High, pull.CarefulTensionN, 0.03);
            Near(sampled.NeededTensionN.Low, plan.Analysed().Plate.NeededN.Low, 0.05);
            Assert.Equal(sampled.NotEnough * 100, pull.NotEnoughInHundred, 3.0);
        }
    }

    [Theory]
    [MemberData(nameof(Trees))]
    public void No_use_is_less_at_the_careful_end(string tree) =>
        Assert.All(Tree(tree).Analysed().Links, l => Assert.True(l.CarefulUse >= l.Use - 1e-12, l.Id));

    /// <summary>Where the plan has less than the tree may ask, every link carries more than planned.</summary>
    [Fact]
    public void A_rope_carries_at_the_careful_end_what_the_tree_may_ask()
    {
        var thin = Edited(Lime(), ("policy.loadReserve", 1)).Analysed();
        var knot = thin.Links.Single(l => l.Id == "main.knot");
        Near(knot.Use * thin.Pull.CarefulTensionN / thin.Pull.PlannedTensionN, knot.CarefulUse, 1e-9);

        // With enough reserve a rope of known strength carries what is planned, no more.
        var ample = Lime().Analysed().Links.Single(l => l.Id == "main.knot");
        Assert.Equal(ample.Use, ample.CarefulUse, 1e-12);
    }

    [Fact]
    public void A_guessed_height_spreads_the_tension_further()
    {
        var guessed = Lime() with { Guesses = ["tree.heightM"] };
        Assert.True(guessed.Analysed().Pull.CarefulTensionN > Lime().Analysed().Pull.CarefulTensionN * 1.02);
    }

    [Theory]
    [InlineData(PullerKind.HandWinch, "direct")]
    [InlineData(PullerKind.Machine, "direct")]
    public void What_stands_still_is_anchored_in_every_system(PullerKind kind, string system)
    {
        // A winch on a single picket that holds 3.1 kN, for a line of 1.93 kN at a factor of 2.
        var plan = Lime()
            .WithMain(l =>
                l with
                {
                    Tackle = new() { SystemId = system, ContactId = "bushed-block" },
                    Puller = new() { Kind = kind, MachineN = 8000 },
                    Anchor = l.Anchor with
                    {
                        Kind = AnchorKind.Pickets,
                        Pickets = new() { ArrangementId = "picket-1" },
                    },
                }
            );
        var analysis = plan.Analysed();
        var anchor = analysis.Links.Single(l => l.Id == "main.anchor");
        Near(analysis.Pull.PlannedTensionN, anchor.LoadValue, 1e-9);
        Assert.Equal(LinkState.Fails, anchor.State);
        Assert.Equal(VerdictState.Stop, analysis.Verdict.State);
        Assert.Contains(analysis.Links, l => l.Id == "main.sling");

        // Nothing told of it: not known, never absent.
        var untold = plan.WithMain(l => l with { Anchor = l.Anchor with { Pickets = null, CapacityN = null } });
        Assert.Contains(untold.Analysed().Verdict.Reasons, r => r.Code == "anchor-unknown");
    }

    [Fact]
    public void A_winch_on_a_tackle_has_an_anchor_of_its_own()
    {
        var plan = Lime()
            .WithMain(l =>
                l with
                {
                    Puller = new() { Kind = PullerKind.HandWinch, MachineN = 8000 },
                }
            );
        Assert.Contains(plan.Analysed().Verdict.Reasons, r => r.Code == "puller-anchor-unknown");
        var held = plan.WithMain(l => l with { Puller = l.Puller with { Anchor = l.Anchor with { CapacityN = 900 } } });
        var link = held.Analysed().Links.Single(l => l.Id == "main.hands-anchor");
        Near(held.Analysed().Pull.Lines[0].Tackle.HandForceN, link.LoadValue, 1e-9);
        Assert.Equal(LinkState.Fails, link.State);
    }

    /// <summary>v·√(k·m) on top of what its wheels grip: 1 m/s, 2,200 kg, k of 33.12 m of a rope of 2.5 % at 4 kN.</summary>
    [Fact]
    public void A_vehicle_that_arrives_moving_jerks_the_line()
    {
        var still = Driven(null).Analysed().Links.Single(l => l.Id == "main.rope");
        var moving = Driven(1).Analysed().Links.Single(l => l.Id == "main.rope");
        var k = 4000 / (0.025 * 33.1189);
        Near(still.WorstLoadValue + Math.Sqrt(k * 2200), moving.WorstLoadValue, 1e-3);
        Assert.Equal("lines[0].puller.vehicle", Edited(Lime(), ("lines[0].puller.arrivesMps", 1)).OnlyProblem().Path);

        static Plan Driven(double? speed) =>
            Lime()
                .WithMain(l =>
                    l with
                    {
                        Tackle = new() { SystemId = "direct", ContactId = "bushed-block" },
                        Puller = new()
                        {
                            Kind = PullerKind.Vehicle,
                            ArrivesMps = speed,
                            Vehicle = new() { MassKg = 2200, BrakedShare = 0.5 },
                        },
                    }
                );
    }

    [Fact]
    public void A_line_that_rises_lifts_a_weight_off_its_grip()
    {
        var plan = Lime()
            .WithMain(l =>
                l with
                {
                    Anchor = l.Anchor with
                    {
                        Kind = AnchorKind.Weight,
                        Weight = new() { MassKg = 3000 },
                    },
                }
            );
        var rise = Angle.Radians(plan.Analysed().Pull.Lines[0].AngleBelowHorizontalDeg);
        var expected = 0.5 * 3000 * 9.80665 / (Math.Cos(rise) + (0.5 * Math.Sin(rise)));
        Near(expected, plan.Analysed().Links.Single(l => l.Id == "main.anchor").StrengthValue, 1e-6);
    }

    /// <summary>The worked one: lime A, base tie, on a limb of 10 cm that reaches 1 m back, at 18.5 m.</summary>
    [Fact]
    public void The_stem_is_looked_at_just_under_a_limb()
    {
        var plan = Lime()
            .WithMain(l =>
                l with
                {
                    Tie = TieKind.Base,
                    Seat = new()
                    {
                        HeightM = 18.5,
                        On = SeatKind.Limb,
                        Limb = new()
                        {
                            DiameterM = 0.10,
                            LeverM = 1,
                            BearingDeg = 270,
                        },
                    },
                }
            );
        Near(12.17, plan.Analysed().Stem.WorstStressMPa);
    }

    [Fact]
    public void Roots_bear_lean_and_pull_forward_and_sideways_together()
    {
        var analysis = SideLeaner().Analysed();
        var (forward, right) = (analysis.Tree.Moment.ForwardNm, analysis.Tree.Moment.RightNm);
        foreach (var (line, share) in analysis.Pull.Lines.Zip([1.0, 0.6]))
        {
            forward += share * analysis.Pull.PlannedTensionN * line.ForwardArmM;
            right += share * analysis.Pull.PlannedTensionN * line.RightArmM;
        }

        var alone = Math.Sqrt(Math.Pow(analysis.Tree.Moment.ForwardNm, 2) + Math.Pow(analysis.Tree.Moment.RightNm, 2));
        Near(
            Math.Max(alone, Math.Sqrt((forward * forward) + (right * right))),
            analysis.Links.Single(l => l.Id == "roots").LoadValue,
            1e-6
        );
    }

    [Fact]
    public void A_plan_that_rests_on_one_of_two_lines_says_so()
    {
        // The main line pulls left against a lean to the right; slack, the second one tears the hinge to the right.
        var plan = Edited(SideLeaner(), ("tree.lean.angleDeg", 13.4), ("lines[1].anchor.bearingDeg", 135));
        var reason = plan.Analysed().Verdict.Reasons.FirstOrDefault(r => r.Code == "rests-on-one-line");
        Assert.NotNull(reason);
        Assert.Equal("lines[0].share", reason.Path);
        Assert.DoesNotContain(SideLeaner().Analysed().Verdict.Reasons, r => r.Code == "rests-on-one-line");
    }

    /// <summary>At rest it stops short; moving, it swings past commit.</summary>
    [Fact]
    public void Stretch_that_rests_short_may_swing_past()
    {
        var springy = Edited(
            Lime(),
            ("lines[0].rope.stretchAtTenPercent", 0.07),
            ("lines[0].rope.breakingStrengthN", 30000)
        );
        var back = springy.Analysed().Pull.Stretch;
        Assert.InRange(back.CarriesToDeg, 5, 7);
        Assert.True(back.PastCommit);
        Assert.True(back.SwingsToDeg > back.CarriesToDeg);
    }

    private static Plan Tree(string tree) =>
        tree switch
        {
            "lime" => Lime(),
            "spruce" => Spruce(),
            _ => SideLeaner(),
        };
}
