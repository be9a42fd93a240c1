using System.Globalization;
using System.Text.Json.Nodes;
using Draklo.Core.Analyses;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>The hinge from the wood really left, the strap, wedges and lashings: methods M6, M12 and M18.</summary>
public sealed class HingeWoodTests
{
    private static Plan With(Plan plan, params (string Path, string Json)[] changes) =>
        Edited(plan, [.. changes.Select(c => (c.Path, (object?)JsonNode.Parse(c.Json)))]);

    private static Analysis Of(Plan plan)
    {
        var outcome = PlanAnalysis.Of(plan, withWorkings: false);
        Assert.True(outcome.Analysis is not null, string.Join("; ", outcome.Problems.Select(p => p.Message)));
        return outcome.Analysis;
    }

    /// <summary>Many patches of next to nothing force the strips and must give the closed forms.</summary>
    [Fact]
    public void Strips_of_an_even_hinge_give_the_closed_forms()
    {
        var plain = Of(Lime()).Hinge;
        var stripped = Of(With(Lime(), ("cut.hingeTaperM", "0.000001"))).Hinge;
        Assert.Equal(plain.BendingNm, stripped.BendingNm, plain.BendingNm * 1e-4);
        Assert.Equal(plain.SideCapacityNm, stripped.SideCapacityNm, plain.SideCapacityNm * 1e-4);
    }

    [Fact]
    public void A_taper_bends_harder_by_its_own_square()
    {
        // ∫ (t + Δ·y/L)² dy = L·(t² + Δ²/12)
        var plain = Of(Lime()).Hinge.BendingNm;
        var tapered = Of(With(Lime(), ("cut.hingeTaperM", "0.03"))).Hinge.BendingNm;
        var t = Lime().Cut.HingeThicknessM;
        Assert.Equal(plain * (1 + (0.03 * 0.03 / 12 / (t * t))), tapered, plain * 1e-4);
    }

    [Fact]
    public void A_taper_is_stronger_when_its_thick_end_is_away_from_the_lean()
    {
        // The side-leaner goes to the right: its left end is stretched.
        var even = Of(SideLeaner()).Hinge.SideCapacityNm;
        var left = Of(With(SideLeaner(), ("cut.hingeTaperM", "-0.03"))).Hinge.SideCapacityNm;
        var right = Of(With(SideLeaner(), ("cut.hingeTaperM", "0.03"))).Hinge.SideCapacityNm;
        Assert.True(left > even && even > right, $"{left} > {even} > {right}");
    }

    [Fact]
    public void Rot_takes_wood_from_the_hinge_and_leaves_the_pull_alone()
    {
        // A patch that covers the left quarter of the hinge, all through it.
        var hinge = Of(Lime()).Hinge;
        var rotten = Of(With(Lime(), ("cut.rot", """[{ "forwardM": 0.125, "rightM": -0.22, "acrossM": 0.26 }]""")));
        Assert.Equal(hinge.BendingNm, rotten.Hinge.BendingNm, 1e-6);
        Assert.InRange(rotten.Cut.ShareLeft, 0.6, 0.85);
        Assert.True(rotten.Hinge.SideCapacityNm < 0.7 * hinge.SideCapacityNm);
        Assert.Contains(rotten.Verdict.Reasons, r => r.Code == "hinge-in-rot");
        Assert.True(rotten.Pretension.EarlyGoN < Of(Lime()).Pretension.EarlyGoN);
    }

    /// <summary>All the wood on one side of the stump's middle: its own two ends count, not the middle.</summary>
    [Fact]
    public void What_is_left_on_one_side_is_a_short_hinge_of_its_own()
    {
        var whole = Of(Lime()).Hinge;
        var (from, to) = (0.05, whole.LengthM / 2);
        var width = whole.LengthM - (to - from);
        var bite = (-whole.LengthM / 2) + (width / 2);
        var short1 = Of(
            With(
                Lime(),
                (
                    "cut.bites",
                    string.Create(CultureInfo.InvariantCulture, $$"""[{ "rightM": {{bite}}, "widthM": {{width}} }]""")
                )
            )
        ).Hinge;
        var share = (to - from) / whole.LengthM;
        Assert.Equal(whole.SideCapacityNm * share * share, short1.SideCapacityNm, whole.SideCapacityNm * 0.01);
    }

    [Fact]
    public void Patches_over_one_another_count_once()
    {
        const string One = """{ "forwardM": 0.125, "rightM": 0, "acrossM": 0.1 }""";
        var once = Of(With(Lime(), ("cut.rot", $"[{One}]"))).Cut.ShareLeft;
        var twice = Of(With(Lime(), ("cut.rot", $"[{One},{One}]"))).Cut.ShareLeft;
        Assert.Equal(once, twice, 1e-9);
    }

    [Fact]
    public void A_bite_in_the_middle_takes_its_width()
    {
        var hinge = Of(Lime()).Hinge;
        var bitten = Of(With(Lime(), ("cut.bites", """[{ "rightM": 0, "widthM": 0.1 }]""")));
        Assert.Equal(hinge.BendingNm * (1 - (0.1 / hinge.LengthM)), bitten.Hinge.BendingNm, hinge.BendingNm * 0.01);
        // What guides sideways sits at the ends: a bite of a fifth in the middle costs a hundredth.
        Assert.InRange(bitten.Hinge.SideCapacityNm / hinge.SideCapacityNm, 0.97, 1);
        Assert.DoesNotContain(bitten.Verdict.Reasons, r => r.Code == "hinge-end-cut-off");
    }

    /// <summary>Method M12's case: 5 cm left behind lift the ceiling to 3,407 N, and never under what it is without.</summary>
    [Fact]
    public void A_strap_lifts_the_ceiling()
    {
        var bare = Of(Lime()).Pretension.EarlyGoN;
        var five = Of(
            With(Lime(), ("cut.back", "\"bore\""), ("cut.strap", """{ "thicknessM": 0.05, "towardDeg": 180 }"""))
        );
        Near(22_000, five.Cut.Strap!.HoldsNm, 0.005);
        Near(3407, five.Pretension.EarlyGoN, 0.005);
        var thin = Of(
            With(Lime(), ("cut.back", "\"bore\""), ("cut.strap", """{ "thicknessM": 0.01, "towardDeg": 180 }"""))
        );
        Assert.InRange(thin.Pretension.EarlyGoN, bare, five.Pretension.EarlyGoN);
        var aside = Of(
            With(Lime(), ("cut.back", "\"bore\""), ("cut.strap", """{ "thicknessM": 0.05, "towardDeg": 125 }"""))
        );
        Assert.InRange(aside.Pretension.EarlyGoN, bare, five.Pretension.EarlyGoN);
    }

    [Fact]
    public void A_strap_holds_as_tension_wood_at_its_lever()
    {
        var plan = With(
            Lime(),
            ("cut.back", "\"bore\""),
            ("cut.strap", """{ "thicknessM": 0.08, "towardDeg": 180 }""")
        );
        var strap = Of(plan).Cut.Strap!;
        // By hand: the segment 8 cm deep of a round of 27 cm, its middle by the chord's half, the hinge's middle 12.5 cm forward.
        var half = Math.Sqrt((0.27 * 0.27) - (0.19 * 0.19));
        var segment = (0.27 * 0.27 * Math.Acos(0.19 / 0.27)) - (0.19 * half);
        var lever = 0.125 + (2.0 / 3 * half * half * half / segment);
        Assert.Equal(segment * 0.5 * 34e6 * lever / 3, strap.HoldsNm, 1);
        Assert.Equal(0.27 - 0.12 - 0.05 + 0.19, strap.RoomM, 1e-9);

        // A strap as thick as is said to be needed is just enough.
        var needed = strap.NeededM!.Value.ToString(CultureInfo.InvariantCulture);
        var enough = Of(With(plan, ("cut.strap.thicknessM", needed))).Cut.Strap!;
        Assert.Equal(1, enough.Use, 1e-6);
    }

    [Fact]
    public void A_strap_lifts_the_early_go()
    {
        var plain = Of(Lime()).Pretension;
        var bored = Of(
            With(Lime(), ("cut.back", "\"bore\""), ("cut.strap", """{ "thicknessM": 0.12, "towardDeg": 180 }"""))
        ).Pretension;
        Assert.True(bored.EarlyGoN > plain.EarlyGoN);
    }

    [Fact]
    public void Lashings_that_hold_lift_the_early_go_and_step_the_risk_down()
    {
        var forward = With(Lime(), ("tree.lean", """{ "angleDeg": 12, "bearingDeg": 90 }"""));
        var bare = Of(forward);
        Assert.NotEqual(SplittingRisk.Low, bare.Cut.Splitting);
        var weak = Of(
            With(forward, ("cut.lashings", """[{ "round": "stem", "heightM": 0.3, "breakingStrengthN": 5000 }]"""))
        );
        Assert.False(weak.Cut.Lashed);
        Assert.Equal(bare.Cut.Splitting, weak.Cut.Splitting);
        Assert.Contains(weak.Verdict.Reasons, r => r.Code == "lashings-short");
        var lashed = Of(
            With(forward, ("cut.lashings", """[{ "round": "stem", "heightM": 1.2, "breakingStrengthN": 80000 }]"""))
        );
        Assert.True(lashed.Cut.Lashed);
        Assert.Equal(bare.Cut.Splitting - 1, lashed.Cut.Splitting);
        Assert.True(lashed.Pretension.EarlyGoN > bare.Pretension.EarlyGoN);
    }

    [Fact]
    public void A_fork_lashed_high_carries_less()
    {
        // M18: 2 kN at 9.8 m gives 14.2 kN in a strap 1 m up and 4.4 at 3 m.
        Assert.Equal(14.2, Force(1), 0.1);
        Assert.Equal(4.4, Force(3), 0.05);

        static double Force(double height)
        {
            var plan = With(
                Lime(),
                ("lines[0].seat.heightM", "13"),
                (
                    "cut.lashings",
                    $$"""[{ "round": "fork", "heightM": {{height}}, "unionHeightM": 3.2, "breakingStrengthN": 90000 }]"""
                )
            );
            var analysis = Of(plan);
            var line = analysis.Pull.Lines[0];
            var level = line.TensionN * Math.Cos(line.AngleBelowHorizontalDeg * Math.PI / 180);
            return analysis.Cut.Forks[0].ForceN / level * 2;
        }
    }

    [Fact]
    public void Wedges_alone_need_the_lift_of_the_commit_angle()
    {
        var analysis = Of(With(Lime(), ("cut.wedges", """{ "count": 2, "liftM": 0.025 }""")));
        var wedge = analysis.Cut.Wedge!;
        Assert.Equal(analysis.Hinge.OffsetM + 0.27, wedge.DistanceM, 1e-9);
        Assert.Equal(wedge.DistanceM * Math.Tan(analysis.Pull.CommitDeg * Math.PI / 180), wedge.LiftNeededM, 1e-9);
        Assert.Equal(-analysis.Tree.Moment.ForwardNm / wedge.DistanceM, wedge.ForceN, 1);
        Assert.Equal(wedge.ForceN / 2, wedge.EachN, 1e-6);
        Assert.False(wedge.Alone);
    }

    [Theory]
    [InlineData("0.6", true, 0)]
    [InlineData("0.3", false, 0)]
    [InlineData("0.2", false, 0.14)]
    public void The_bar_goes_through_meets_or_leaves_a_core(string bar, bool oneSide, double core)
    {
        var found = Of(With(Lime(), ("cut.barLengthM", bar))).Cut.Bar!;
        Assert.Equal(oneSide, found.FromOneSide);
        Assert.Equal(core, found.CoreM, 1e-9);
    }

    [Theory]
    [InlineData("cut.hingeTaperM", "0.2", "cut.hingeTaperM")]
    [InlineData("cut.bites", """[{ "rightM": 0, "widthM": 0.9 }]""", "cut.bites")]
    [InlineData("cut.rot", """[{ "forwardM": 0.1, "rightM": 0, "acrossM": 2 }]""", "cut.rot")]
    [InlineData("cut.rot", """[{ "forwardM": 2, "rightM": 0, "acrossM": 0.1 }]""", "cut.rot[0].forwardM")]
    [InlineData("cut.back", "\"bore\"", "cut.strap")]
    [InlineData(
        "cut.lashings",
        """[{ "round": "fork", "heightM": 1, "breakingStrengthN": 9000 }]""",
        "cut.lashings[0].unionHeightM"
    )]
    [InlineData(
        "cut.lashings",
        """[{ "round": "fork", "heightM": 20, "unionHeightM": 3, "breakingStrengthN": 9000 }]""",
        "cut.lashings[0].heightM"
    )]
    public void What_leaves_no_wood_is_refused_at_its_member(string path, string json, string at)
    {
        var outcome = PlanAnalysis.Of(With(Lime(), (path, json)), UnitSystem.Metric, withWorkings: false);
        Assert.Null(outcome.Analysis);
        Assert.Equal(at, Assert.Single(outcome.Problems).Path);
    }
}
