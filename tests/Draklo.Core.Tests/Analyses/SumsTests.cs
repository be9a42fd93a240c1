using Draklo.Core.Analyses;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Sites;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>Sums that once came out too kind: each is held against statics done by hand.</summary>
public sealed class SumsTests
{
    /// <summary>A line to the other side holds the tree only while it pulls: slack, a torn hinge lets it go to its lean.</summary>
    [Fact]
    public void A_torn_hinge_is_judged_under_the_pull_and_slack()
    {
        var plan = SideLeaner();
        var site = plan.Analysed().Site;
        Assert.Equal([TornWhen.UnderPull, TornWhen.Slack], site.TornWays.Select(t => t.When).Order());
        var analysis = plan.Analysed();
        var slack = site.TornWays.Single(t => t.When == TornWhen.Slack);
        // At commit what is left forward is what bends the hinge, and sideways the whole weight's moment.
        var by = Math.Atan2(analysis.Tree.Moment.RightNm, analysis.Hinge.BendingNm) * 180 / Math.PI;
        Assert.Equal(by, slack.OffLayDeg, 1e-6);
        Assert.True(
            Math.Abs(slack.OffLayDeg) > Math.Abs(site.TornWays.Single(t => t.When == TornWhen.UnderPull).OffLayDeg)
        );
        Assert.Equal(site.TornWays[0], site.Torn);

        // A second line that takes the side lean out altogether changes nothing of that.
        var steered = plan.WithLine(
            0,
            l => l with { Anchor = l.Anchor with { BearingDeg = l.Anchor.BearingDeg - 12 } }
        );
        Assert.Contains(
            steered.Analysed().Site.TornWays,
            t => t.When == TornWhen.Slack && Math.Abs(t.OffLayDeg - slack.OffLayDeg) < 1e-6
        );
    }

    [Theory]
    [InlineData(0)]
    [InlineData(90)]
    [InlineData(127)]
    [InlineData(180)]
    [InlineData(270)]
    public void Wind_never_makes_hinge_or_roots_better(double fromDeg)
    {
        var calm = SideLeaner().Analysed();
        var windy = Edited(SideLeaner(), ("wind.speedMps", 5.0), ("wind.fromDeg", fromDeg), ("wind.inLeaf", true))
            .Analysed();
        Assert.True(windy.Hinge.WorstSideUse >= calm.Hinge.WorstSideUse - 1e-12);
        Assert.True(windy.Hinge.HoldAngleDeg <= calm.Hinge.HoldAngleDeg + 1e-12);
        Assert.True(Roots(windy) >= Roots(calm) - 1e-9);

        static double Roots(Analysis analysis) => analysis.Links.Single(l => l.Kind == LinkKind.Roots).LoadValue;
    }

    /// <summary>The wind that the plan counts on already is part of the gust that it stands.</summary>
    [Fact]
    public void A_gust_is_told_as_a_total()
    {
        var calm = Lime().Analysed().Gust!.SpeedMps;
        var plan = Edited(Lime(), ("wind.speedMps", 3.0), ("wind.fromDeg", 90.0));
        var windy = plan.Analysed();
        Assert.True(windy.Gust!.SpeedMps > 3);
        // The reserve is a share of what is needed, and wind raises that: more is left in all.
        Assert.True(windy.Gust.SpeedMps > calm);
        Assert.DoesNotContain(windy.Verdict.Reasons, r => r.Code == "gust-under-wind");
    }

    [Fact]
    public void What_holds_the_winch_has_a_sling_that_is_a_link()
    {
        var plan = Lime()
            .WithMain(l =>
                l with
                {
                    Puller = new()
                    {
                        Kind = PullerKind.Machine,
                        MachineN = 5000,
                        Anchor = new()
                        {
                            DistanceM = 36,
                            BearingDeg = 80,
                            HeightM = 0.5,
                            Kind = AnchorKind.Rated,
                            CapacityN = 30_000,
                            Sling = new() { BreakingStrengthN = 600 },
                        },
                    },
                    Limiter = new() { Turns = 3 },
                }
            );
        var analysis = plan.Analysed();
        var sling = analysis.Links.Single(l => l.Kind == LinkKind.HaulerAnchorSling);
        Assert.Equal(LinkState.Fails, sling.State);
        Assert.Equal(analysis.Pull.Lines[0].Tackle.HandForceN, sling.LoadValue, 1e-6);
        // It has its place in the ceiling: at what it may carry the window ends.
        Assert.Equal(sling.Id, analysis.Pretension.LimitedBy);
    }

    [Fact]
    public void The_careful_end_moves_friction_at_every_turn()
    {
        var links = Lime().Analysed().Links;
        var hands = links.Single(l => l.Kind == LinkKind.Hauler);
        var legs = links.Single(l => l.Kind == LinkKind.TackleLegs);
        // The hauling leg carries what the hands give, and may carry as much more.
        Assert.Equal(hands.LoadValue, legs.LoadValue, 1e-6);
        Assert.True(legs.CarefulUse > legs.Use * 1.02);
    }

    [Fact]
    public void A_tackle_longer_than_its_run_asks_for_no_negative_rope()
    {
        var analysis = Lime().WithMain(l => l with { Tackle = l.Tackle with { OpenedM = 60 } }).Analysed();
        Assert.True(analysis.Pull.Lines[0].RopeNeededM > 13);
        Assert.Contains(analysis.Verdict.Reasons, r => r.Code == "tackle-needs-room");
    }

    /// <summary>Of own factor 0.75 the plan pulls less than the tree may ask, and says in how many cases of a hundred.</summary>
    [Fact]
    public void How_sure_a_plan_is_uses_the_factor_that_the_plan_uses()
    {
        var analysis = Edited(
                Lime(),
                ("tree.pullFactor", 0.75),
                ("ours", Json("""[{ "path": "tree.pullFactor", "name": "Read over predicted", "count": 9 }]"""))
            )
            .Analysed();
        Assert.InRange(analysis.Pull.NotEnoughInHundred, 45, 70);
        Assert.InRange(analysis.Plate.HoldsInHundred, 30, 55);
    }
}
