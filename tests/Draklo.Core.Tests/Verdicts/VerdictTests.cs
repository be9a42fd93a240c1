using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

public sealed class VerdictTests
{
    [Fact]
    public void A_plan_with_every_link_known_and_strong_is_ready()
    {
        var verdict = Sound().Analysed().Verdict;
        Assert.Equal(VerdictState.Ready, verdict.State);
        Assert.StartsWith("Ready on paper.", verdict.Summary, StringComparison.Ordinal);
        Assert.Contains("Estimates, not promises", verdict.Caution, StringComparison.Ordinal);
    }

    [Fact]
    public void The_weakest_link_is_the_one_with_the_highest_use_and_is_named()
    {
        var analysis = Lime()
            .WithMain(l =>
                l with
                {
                    Puller = new() { Count = 2, EffortEachN = 270 },
                }
            )
            .Analysed();
        Assert.Equal(analysis.Links.MaxBy(l => l.Use)!.Id, analysis.Verdict.WeakestLinkId);
        Assert.Equal("main.hands", analysis.Verdict.WeakestLinkId);
        Assert.Equal(VerdictState.Check, analysis.Verdict.State);
        Assert.Contains("Two haulers", analysis.Verdict.Summary, StringComparison.Ordinal);
        Assert.Contains("tight", analysis.Verdict.Summary, StringComparison.Ordinal);
    }

    [Fact]
    public void A_thin_rope_stops_the_plan_and_the_knot_is_blamed()
    {
        var analysis = Lime().WithMain(l => l with { Rope = l.Rope with { BreakingStrengthN = 12000 } }).Analysed();
        Assert.Equal(VerdictState.Stop, analysis.Verdict.State);
        var knot = analysis.Links.Single(l => l.Id == "main.knot");
        Assert.Equal(LinkState.Fails, knot.State);
        Near(1485.5 * 1.3 * 5 / (12000 * 0.60), knot.Use);
        Assert.Contains("Running bowline", analysis.Verdict.Summary, StringComparison.Ordinal);
    }

    [Fact]
    public void A_crew_that_could_break_a_link_stops_the_plan_though_its_load_is_small()
    {
        var analysis = Lime()
            .WithMain(l =>
                l with
                {
                    Tackle = l.Tackle with { SystemId = "ten-to-one" },
                    Puller = new() { Count = 6, EffortEachN = 300 },
                    Rope = l.Rope with { BreakingStrengthN = 34000 },
                }
            )
            .Analysed();
        var knot = analysis.Links.Single(l => l.Id == "main.knot");
        Assert.True(knot.Use < 1);
        Assert.True(knot.WorstLoad.Value > knot.Strength.Value);
        Assert.Equal(LinkState.Fails, knot.State);
        Assert.Contains(
            analysis.Verdict.Reasons,
            r => r.LinkId == "main.knot" && r.Text.Contains("hardest heave", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void What_is_not_given_is_said_to_be_not_known()
    {
        var analysis = Lime()
            .WithMain(l =>
                l with
                {
                    Anchor = l.Anchor with { CapacityN = null, Sling = null },
                    Tackle = l.Tackle with { HardwareStrengthN = null, JoinKnotId = null },
                }
            )
            .Analysed();
        Assert.Equal(VerdictState.Check, analysis.Verdict.State);
        Assert.Equal(
            [
                "lines[0].anchor.capacityN",
                "lines[0].anchor.sling",
                "lines[0].tackle.hardwareStrengthN",
                "lines[0].tackle.joinKnotId",
            ],
            analysis
                .Verdict.Reasons.Where(r =>
                    r.Path is not null && r.Text.Contains("not given", StringComparison.Ordinal)
                )
                .Select(r => r.Path!)
                .Order()
        );
    }

    [Fact]
    public void The_anchor_answers_for_the_force_on_it_and_not_for_the_pull()
    {
        var redirected = Lime()
            .WithMain(l =>
                l with
                {
                    Tackle = l.Tackle with { SystemId = "redirected" },
                    Puller = new() { Count = 8, EffortEachN = 300 },
                }
            )
            .Analysed();
        var tension = redirected.Pull.PlannedTensionN;
        Near(tension + (tension / 0.9), redirected.Links.Single(l => l.Id == "main.anchor").Load.Value);
        var direct = Lime()
            .WithMain(l =>
                l with
                {
                    Tackle = l.Tackle with { SystemId = "direct" },
                    Puller = new() { Count = 8, EffortEachN = 300 },
                }
            )
            .Analysed();
        Assert.DoesNotContain(direct.Links, l => l.Id is "main.anchor" or "main.sling" or "main.blocks");
    }

    [Fact]
    public void Slings_follow_their_hitch()
    {
        Near(60000, Strength(new() { BreakingStrengthN = 60000 }));
        Near(48000, Strength(new() { BreakingStrengthN = 60000, Hitch = SlingHitch.Choked }));
        Near(
            60000 * 2 * Math.Cos(Math.PI / 6),
            Strength(
                new()
                {
                    BreakingStrengthN = 60000,
                    Hitch = SlingHitch.Basket,
                    HalfAngleDeg = 30,
                }
            )
        );

        static double Strength(SlingMembers sling) =>
            Lime()
                .WithMain(l => l with { Anchor = l.Anchor with { Sling = sling } })
                .Analysed()
                .Links.Single(l => l.Id == "main.sling")
                .Strength.Value;
    }

    [Fact]
    public void One_carabiner_bends_the_rope_to_half_its_strength_and_less()
    {
        var legs = Lime()
            .WithMain(l => l with { Tackle = l.Tackle with { ContactId = "one-carabiner", SystemId = "two-to-one" } })
            .Analysed()
            .Links.Single(l => l.Id == "main.legs");
        var bend = legs.Reductions.Single(r => r.Name == "bend");
        Near(0.5 + ((12.0 / 11) - 1) * 0.15, bend.Keeps);
        Near(32000 * bend.Keeps * 0.60, legs.Strength.Value);
    }

    [Fact]
    public void An_empty_window_is_a_stop_with_the_ways_out()
    {
        // A knot that may carry less than what keeps the tree from sitting back.
        var plan = Lime().WithMain(l => l with { Rope = l.Rope with { BreakingStrengthN = 3000 } });
        var analysis = plan.Analysed();
        Assert.True(analysis.Pretension.Empty);
        Assert.True(analysis.Pretension.FloorN > analysis.Pretension.CeilingN);
        Assert.Equal(VerdictState.Stop, analysis.Verdict.State);
        var reason = Assert.Single(analysis.Verdict.Reasons, r => r.Code == "pretension-window-empty");
        Assert.Equal(VerdictState.Stop, reason.State);
        Assert.All(
            ["Bore the back cut", "lash the stem", "set a second line", "choose another anchor"],
            way => Assert.Contains(way, reason.Text, StringComparison.Ordinal)
        );
    }

    [Fact]
    public void A_tree_that_leans_forward_is_said_to_go_early()
    {
        var plan = Lime() with
        {
            Tree = Lime().Tree with { Lean = Lime().Tree.Lean with { BearingDeg = 90, AngleDeg = 12 } },
        };
        var analysis = plan.Analysed();
        Assert.Equal(0, analysis.Pull.NeededTensionN);
        Assert.True(analysis.Pretension.RestIndex > 1.2);
        Assert.Contains(analysis.Verdict.Reasons, r => r.Code == "splitting-risk-raised");
    }

    [Fact]
    public void A_hinge_that_tears_sideways_is_a_stop()
    {
        var plan = SideLeaner() with
        {
            Tree = SideLeaner().Tree with { Lean = SideLeaner().Tree.Lean with { AngleDeg = 14, BearingDeg = 180 } },
        };
        var verdict = plan.Analysed().Verdict;
        Assert.Equal(VerdictState.Stop, verdict.State);
        Assert.Contains(verdict.Reasons, r => r.Text.Contains("tears sideways", StringComparison.Ordinal));
    }

    [Fact]
    public void A_narrow_notch_that_closes_before_commit_is_a_stop()
    {
        var plan = Lime() with
        {
            Cut = Lime().Cut with { Notch = Lime().Cut.Notch with { OpeningDeg = 10 } },
            Tree = Lime().Tree with { Lean = Lime().Tree.Lean with { AngleDeg = 8 } },
        };
        var verdict = plan.Analysed().Verdict;
        Assert.Equal(VerdictState.Stop, verdict.State);
        Assert.Contains(
            verdict.Reasons,
            r =>
                r.Path == "cut.notch.openingDeg" && r.Text.Contains("before the tree commits", StringComparison.Ordinal)
        );
    }

    [Theory]
    [InlineData(0.79, 10, LinkState.Holds)]
    [InlineData(0.80, 10, LinkState.Tight)]
    [InlineData(1.00, 10, LinkState.Tight)]
    [InlineData(1.001, 10, LinkState.Fails)]
    [InlineData(0.10, 101, LinkState.Fails)]
    public void States(double use, double worst, LinkState state) => Assert.Equal(state, Link.StateOf(use, worst, 100));

    [Fact]
    public void Guesses_are_counted_and_a_short_rope_stops()
    {
        var guessed = Lime() with { Guesses = ["tree.crown.massRatio", "tree.lean.angleDeg"] };
        Assert.Contains(
            guessed.Analysed().Verdict.Reasons,
            r =>
                r.State == VerdictState.Ready
                && r.Text.StartsWith("Two figures are still guesses", StringComparison.Ordinal)
        );
        var brief = Lime().WithMain(l => l with { Rope = l.Rope with { LengthM = 20 } }).Analysed().Verdict;
        Assert.Contains(brief.Reasons, r => r.State == VerdictState.Stop && r.Path == "lines[0].rope.lengthM");
    }

    [Fact]
    public void Stretch_alone_carries_a_springy_rope_further_than_a_stiff_one()
    {
        var springy = Lime()
            .WithMain(l => l with { Rope = l.Rope with { StretchAtTenPercent = 0.25 } })
            .Analysed()
            .Pull;
        var stiff = Lime().WithMain(l => l with { Rope = l.Rope with { StretchAtTenPercent = 0.005 } }).Analysed().Pull;
        Assert.True(springy.Stretch.CarriesToDeg > stiff.Stretch.CarriesToDeg);
        Assert.False(stiff.Stretch.PastCommit);
        Assert.True(springy.Stretch.PastCommit);
        Near(0.5 * springy.PlannedTensionN * springy.Lines[0].StretchM, springy.Stretch.EnergyJ);
    }
}
