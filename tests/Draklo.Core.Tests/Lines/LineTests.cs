using CsCheck;
using Draklo.Core.Analyses;
using Draklo.Core.Catalogue;
using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Trees;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>
/// Redirects, ties, seats on limbs, joined ropes, grips and wear: what the links of a line carry and bear.
/// </summary>
public sealed class LineTests
{
    [Fact]
    public void A_base_tie_pulls_the_tree_like_a_tip_tie_and_nearly_doubles_the_load_on_its_union()
    {
        var tip = Lime().Analysed();
        var plan = Lime().WithMain(l => l with { Tie = TieKind.Base });
        var tied = plan.Analysed();
        var line = tied.Pull.Lines[0];
        Near(tip.Pull.NeededTensionN, tied.Pull.NeededTensionN, 1e-9);
        Near(tip.Pull.Lines[0].TensionN, tip.Pull.Lines[0].SeatForceN, 1e-9);
        var between = 90 - line.AngleBelowHorizontalDeg;
        Near(2 * line.TensionN * Math.Cos(Angle.Radians(between / 2)), line.SeatForceN, 1e-9);
        Assert.InRange(line.SeatForceN / line.TensionN, 1.5, 2);
        Near(tip.Pull.Lines[0].RopeNeededM + 13, line.RopeNeededM, 1e-9);
        Near(tip.Pull.Sum.DownN + line.TensionN, tied.Pull.Sum.DownN, 1e-9);
        Assert.True(tied.Stem.WorstStressMPa > tip.Stem.WorstStressMPa);
        Assert.Contains("at the foot", tied.Links.Single(l => l.Id == "main.knot").Name, StringComparison.Ordinal);
    }

    [Fact]
    public void A_line_square_to_a_limb_bends_it_by_tension_times_lever()
    {
        // A level limb to the right, a level line forward: σ = T·lever/(π·d³/32), halved by two unions.
        var lay = new LayFrame(0);
        var line = new PullLine("main", 1, new(0, 1.5, 10), new(40, 1.5, 10));
        var limb = new LimbMembers
        {
            DiameterM = 0.2,
            LeverM = 1.5,
            BearingDeg = 90,
            RiseDeg = 0,
        };
        var bending = LimbBending.Of(line, SeatKind.Limb, limb, 2000, lay);
        Near(2000 * 1.5 / (Math.PI * 0.008 / 32), bending.Stress, 1e-9);
        Near(
            bending.Stress / 2,
            LimbBending.Of(line, SeatKind.Limb, limb with { SharedBy = 2 }, 2000, lay).Stress,
            1e-9
        );

        // Pulled along itself it is pressed onto its union, and hardly minds.
        var along = LimbBending.Of(new("main", 1, new(0, 1.5, 10), new(0, -40, 10)), SeatKind.Limb, limb, 2000, lay);
        Near(2000, along.AlongN, 1e-9);
        Near(2000 / (Math.PI * 0.04 / 4), along.Stress, 1e-9);
    }

    [Fact]
    public void A_seat_on_a_limb_that_is_not_given_is_not_known_and_one_that_is_too_thin_fails()
    {
        var unknown = Lime().WithMain(l => l with { Seat = l.Seat with { On = SeatKind.Union } }).Analysed();
        Assert.Contains(unknown.Verdict.Reasons, r => r.Path == "lines[0].seat.limb");
        var thin = Lime()
            .WithMain(l =>
                l with
                {
                    Seat = l.Seat with
                    {
                        On = SeatKind.Limb,
                        Limb = new()
                        {
                            DiameterM = 0.08,
                            LeverM = 1,
                            BearingDeg = 0,
                        },
                    },
                }
            )
            .Analysed();
        Assert.Equal(LinkState.Fails, thin.Links.Single(l => l.Id == "main.limb").State);
    }

    [Fact]
    public void Two_ropes_joined_cost_the_knot_and_the_weaker_of_them_bears_it()
    {
        var plan = Lime()
            .WithMain(l =>
                l with
                {
                    Rope = l.Rope with { LengthM = 25 },
                    Joined = new() { Rope = l.Rope with { BreakingStrengthN = 30000, LengthM = 40 } },
                }
            );
        var analysis = plan.Analysed();
        Near(30000 * 0.65, analysis.Links.Single(l => l.Id == "main.joint").Strength.Value, 1e-9);
        Near(30000, analysis.Links.Single(l => l.Id == "main.rope-2").Strength.Value, 1e-9);
        Near(25 - 2 - 0.5, analysis.Pull.Lines[0].JointAtM!.Value, 1e-9);
        Assert.DoesNotContain(analysis.Verdict.Reasons, r => r.Path == "lines[0].rope.lengthM");

        var alone = plan.WithMain(l => l with { Joined = null }).Analysed();
        Assert.Contains(alone.Verdict.Reasons, r => r is { State: VerdictState.Stop, Path: "lines[0].rope.lengthM" });
    }

    [Theory]
    [InlineData(10, TieKind.Base, "does not come over the seat")]
    [InlineData(34, TieKind.Tip, "would have to pass the redirect")]
    [InlineData(25, TieKind.Tip, null)]
    public void The_knot_that_joins_two_ropes_passes_nothing(double first, TieKind tie, string? says)
    {
        var plan = OverARedirect()
            .WithMain(l =>
                l with
                {
                    Tie = tie,
                    Rope = l.Rope with { LengthM = first },
                    Joined = new() { Rope = l.Rope with { LengthM = 90 } },
                }
            );
        var said = plan.Analysed()
            .Verdict.Reasons.Where(r => r is { State: VerdictState.Stop, Path: "lines[0].joined" })
            .Select(r => r.Text)
            .ToList();
        if (says is null)
        {
            Assert.Empty(said);
        }
        else
        {
            Assert.Contains(says, Assert.Single(said), StringComparison.Ordinal);
        }
    }

    [Fact]
    public void A_grip_creeps_where_a_loop_would_break_and_its_cord_shares_among_its_legs()
    {
        var plan = Lime()
            .WithMain(l =>
                l with
                {
                    Tackle = l.Tackle with
                    {
                        JoinKnotId = null,
                        Grip = new()
                        {
                            GripId = "valdotain",
                            CordStrengthN = 15000,
                            CordDiameterM = 0.009,
                            EndKnotId = "eye-splice",
                        },
                        Connector = new() { StrengthN = 24000 },
                    },
                }
            );
        var analysis = plan.Analysed();
        var tension = analysis.Pull.Lines[0].EndTensionN;
        var grip = analysis.Links.Single(l => l.Id == "main.grip");
        Assert.True(grip.Slips);
        Near(7000, grip.Strength.Value, 1e-9);
        var cord = analysis.Links.Single(l => l.Id == "main.cord");
        Near(tension / 2, cord.Load.Value, 1e-9);

        // 12 mm over 9 mm: between ratio 1 (0.50) and 2 (0.65); an eye splice keeps 0.90.
        Near(15000 * 0.90 * (0.50 + (((12.0 / 9) - 1) * 0.15)), cord.Strength.Value, 1e-9);
        var twice = plan.WithMain(l =>
                l with
                {
                    Tackle = l.Tackle with { Connector = l.Tackle.Connector! with { Count = 2 } },
                }
            )
            .Analysed();
        Near(48000, twice.Links.Single(l => l.Id == "main.connector").Strength.Value, 1e-9);
        Assert.True(twice.Links.Single(l => l.Id == "main.cord").Strength.Value > cord.Strength.Value);

        // A heave beyond its slip makes it creep; that alone breaks nothing.
        var heaved = plan.WithMain(l =>
                l with
                {
                    Puller = new() { Count = 8, EffortEachN = 300 },
                }
            )
            .Analysed()
            .Links.Single(l => l.Id == "main.grip");
        Assert.True(heaved.WorstLoad.Value > heaved.Strength.Value && heaved.State == LinkState.Holds);
    }

    [Fact]
    public void Wear_is_taken_off_openly_piece_by_piece()
    {
        var plan = Lime()
            .WithMain(l =>
                l with
                {
                    Rope = l.Rope with
                    {
                        ConstructionId = "double-braid-nylon",
                        Wear = new()
                        {
                            AgeYears = 5,
                            Keeps = 0.85,
                            Wet = true,
                        },
                    },
                }
            );
        var rope = plan.Analysed().Links.Single(l => l.Id == "main.rope");
        Near(40000 * 0.90 * 0.85 * 0.90, rope.Strength.Value, 1e-9);
        Assert.Equal(["5 years old", "worn", "wet"], rope.Reductions.Select(r => r.Name));
        Assert.Single(
            plan.WithMain(l =>
                    l with
                    {
                        Rope = l.Rope with
                        {
                            ConstructionId = "double-braid",
                            Wear = new() { Wet = true, AgeYears = 2 },
                        },
                    }
                )
                .Analysed()
                .Links.Single(l => l.Id == "main.rope")
                .Reductions
        );
        var slung = plan.WithMain(l =>
                l with
                {
                    Anchor = l.Anchor with
                    {
                        Sling = new()
                        {
                            BreakingStrengthN = 30000,
                            Hitch = SlingHitch.TwoSlings,
                            HalfAngleDeg = 60,
                            KnotId = "timber-hitch",
                            DiameterM = 0.012,
                        },
                    },
                }
            )
            .Analysed();
        Near(30000 * 1 * 0.60 * 0.50, slung.Links.Single(l => l.Id == "main.sling").Strength.Value, 1e-6);
    }

    [Fact]
    public void The_lines_add_as_vectors()
    {
        var one = Lime().Analysed();
        Near(one.Pull.Lines[0].TensionN * one.Pull.Lines[0].TipsFraction, one.Pull.Sum.LevelN, 1e-9);
        var pair = (
            Lime() with
            {
                Lines = [Line("left", 13, 30, 60, 0, 0.5, 1), Line("right", 13, 30, 120, 0, 0.5, 1)],
            }
        ).Analysed();
        Assert.Equal(0, pair.Pull.Sum.OffLayDeg, 0.2);
        Assert.True(pair.Pull.Sum.LevelN < pair.Pull.Lines.Sum(l => l.TensionN * l.TipsFraction) - 1);
    }

    [Fact]
    public void A_throw_clears_what_ballistics_says()
    {
        var plan = Lime()
            .WithMain(l =>
                l with
                {
                    Setting = new()
                    {
                        Way = SettingWay.Hand,
                        StandOffM = 4,
                        TwigsLeft = 2,
                    },
                }
            );
        var line = plan.Analysed().Pull.Lines[0].Setting!;
        Near(12.5, line.ClearM, 1e-9);
        Near(Math.Sqrt(9.80665 * (12.5 + Math.Sqrt((12.5 * 12.5) + 16))), line.SpeedMps, 1e-9);
        Assert.False(line.Reached);
        var said = plan.Analysed().Verdict.Reasons;
        Assert.Contains(said, r => r.Path == "lines[0].setting.way");
        Assert.Contains(said, r => r.Path == "lines[0].setting.twigsLeft");
        // A line that nobody has tried yet is a step of the day, and no check.
        Assert.DoesNotContain(said, r => r.Path == "lines[0].setting.bedded");
        Assert.True(
            plan.WithMain(l => l with { Setting = l.Setting! with { Way = SettingWay.Catapult } })
                .Analysed()
                .Pull.Lines[0]
                .Setting!.Reached
        );
        Assert.True(
            plan.WithMain(l => l with { Setting = l.Setting! with { Way = SettingWay.Climber } })
                .Analysed()
                .Pull.Lines[0]
                .Setting!.Reached
        );
    }

    [Fact]
    public void Three_lines_two_redirects_and_forty_links_are_all_there()
    {
        var links = Heavy.Plan().Analysed().Links;
        Assert.True(links.Count >= 40, $"{links.Count} links");
        Assert.Equal(links.Count, links.Select(l => l.Id).Distinct(StringComparer.Ordinal).Count());
        Assert.All(links, l => Assert.True(double.IsFinite(l.Use) && l.Use >= 0, l.Id));
    }

    [Fact]
    public void The_workings_of_a_heavy_plan_say_the_same_as_its_figures()
    {
        var analysis = Heavy.Plan().Analysed();
        foreach (var link in analysis.Links)
        {
            Near(link.Use, analysis.Workings!.Single(w => w.Id == $"link.{link.Id}").Value, 1e-9);
        }

        Near(
            analysis.Pull.Lines[0].Redirects[0].ForceN,
            analysis.Workings!.Single(w => w.Id == "main.redirect-1").Value,
            1e-9
        );
    }

    /// <summary>The lime hauled aside round a redirect.</summary>
}
