using CsCheck;
using Draklo.Core.Clearing;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Rigging;
using Draklo.Core.Trees;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Banks;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>Each way of clearing against the worked cases, and against slower sums of another kind.</summary>
public sealed class WayTests
{
    private const double LogN = 181 * StandingTree.Gravity;

    [Fact]
    public void A_log_dragged_up_a_bank_as_worked()
    {
        // 181 kg on 26° of litter: 1.58 kN with the line along the slope.
        var drag = Chosen(Bank() with { Way = ClearingWay.Drag });
        Assert.InRange(drag.Figure("keep-moving"), 1500, 1600);
        Near(LogN * ((0.5 * Math.Cos(Angle26)) + Math.Sin(Angle26)), 1580);
        // The line lies along the slope up to the brow, and bends there.
        Near(1.4 * LogN * ((0.5 * Math.Cos(Angle26)) + Math.Sin(Angle26)), drag.Figure("break-out"));
        Assert.Contains(drag.Reasons, r => r.Code == "rig-line-rubs");
    }

    [Fact]
    public void A_lifted_butt_asks_less_of_the_line()
    {
        var low = Chosen(Bank() with { Way = ClearingWay.Drag });
        var high = Chosen(Bank() with { Way = ClearingWay.ButtUp });
        Assert.True(high.Figure("break-out") < low.Figure("break-out"));
        Assert.InRange(high.Figure("break-out") / 1.4, 1350, 1500);
    }

    [Fact]
    public void A_loaded_line_as_worked()
    {
        // 180 kg over 48 m: 7.5 kN at 6 % sag, 4.5 at 10; what may take 6.0 sags at least 7.5 %.
        var level = Level();
        Assert.InRange(Most(level, 0.06), 7350, 7560);
        Assert.InRange(Most(level, 0.10), 4450, 4560);
        var may = level with
        {
            Line = Strong with { BreakingStrengthN = 6000 * 5 / 0.6 },
            Fly = level.Fly! with { SagShare = 0.06 },
        };
        Assert.InRange(Chosen(may).Figure("least-sag"), 0.0735, 0.0765);
    }

    /// <summary>
    /// Held by a hauling line of one length, the load moves on a circle about the end that the line comes from, and rests
    /// where its height and the stretched line have the least energy: no statics in it.
    /// </summary>
    [Fact]
    public void A_loaded_line_hangs_where_its_energy_is_least() =>
        Gen.Select(
                Gen.Double[10, 120],
                Gen.Double[-60, 60],
                Gen.Double[0.02, 0.25],
                Gen.Double[200, 6000],
                Gen.Double[0.03, 0.97],
                Gen.Double[4.6, 6.5]
            )
            .Sample(
                (span, drop, sag, weight, share, log) =>
                {
                    var line = HungLine.Sagging(span, drop, sag * span, weight, Math.Pow(10, log));
                    var hung = line.Under(weight, share * span);
                    var fromLeft = hung.HeldN >= 0;
                    var (x, fall) = fromLeft
                        ? (share * span, hung.LeftFallM)
                        : (span - (share * span), hung.RightFallM);
                    var radius = Math.Sqrt((x * x) + (fall * fall));
                    var found = Math.Atan2(fall, x);
                    var (low, high) = (found - 0.4, found + 0.4);
                    for (var i = 0; i < 200; i++)
                    {
                        var (a, b) = (low + ((high - low) / 3), high - ((high - low) / 3));
                        (low, high) = Energy(a) < Energy(b) ? (low, b) : (a, high);
                    }

                    Assert.Equal(found, (low + high) / 2, 1e-3);

                    double Energy(double angle)
                    {
                        var (across, down) = (radius * Math.Cos(angle), radius * Math.Sin(angle));
                        var otherDrop = fromLeft ? drop : -drop;
                        var rest = Math.Sqrt(Math.Pow(span - across, 2) + Math.Pow(down - otherDrop, 2));
                        var stretch = Math.Max(0, radius + rest - line.SlackM);
                        return (line.StiffnessN * stretch * stretch / (2 * line.SlackM)) - (weight * down);
                    }
                },
                iter: 1000
            );

    [Fact]
    public void A_figure_shows_the_sum_behind_it()
    {
        var fly = Chosen(Level());
        Assert.Contains("W 1.77 kN", fly.Figures.Single(f => f.Id == "line-most").How);
        Assert.Contains("ℓ 48 m", fly.Figures.Single(f => f.Id == "line-most").How);
        var drag = Chosen(Bank() with { Way = ClearingWay.Drag });
        Assert.Contains("μ 0.5, α 26", drag.Figures.Single(f => f.Id == "keep-moving").How);
        Assert.Contains("drop 0.9 m", Chosen(OverGlass()).Figures.Single(f => f.Id == "peak").How);
        // What is only given or read off the drawing has none.
        Assert.Empty(fly.Figures.Single(f => f.Id == "span").How);
    }

    [Fact]
    public void A_line_under_its_planned_load_at_mid_span_sags_as_planned()
    {
        var line = HungLine.Sagging(40, 6, 2, 2000, 133_333);
        Near(2, line.Under(2000, 20).SagM);
        // M19: level, 3 kN before the load, 133 kN: sag 3.77 m and 5,400 N.
        var taut = HungLine.Tight(40, 0, 3000, 133_000).Under(2000, 20);
        Near(3.77, taut.SagM);
        Near(5400, taut.TensionN);
    }

    [Fact]
    public void Hoist_and_tag_line_balance_the_load_at_every_place()
    {
        var lift = Bank() with
        {
            Way = ClearingWay.Lift,
            Lift = new() { TagAtM = 54, FromM = 20 },
            Tag = Hand,
        };
        var way = Chosen(lift);
        var block = new SectionPoint(7, 35);
        var ground = new SectionGround(lift.Ground.Spots);
        var tag = ground.At(54, 1);
        Assert.NotEmpty(way.Travel);
        foreach (var place in way.Travel)
        {
            var (a, b) = (place.At.AngleTo(block), place.At.AngleTo(tag));
            Assert.Equal(0, (place.TensionN * Math.Cos(a)) + (place.HaulN * Math.Cos(b)), 1e-6 * LogN);
            Assert.Equal(LogN, (place.TensionN * Math.Sin(a)) + (place.HaulN * Math.Sin(b)), 1e-6 * LogN);
        }

        Assert.Contains(
            Chosen(
                lift with
                {
                    Lift = new() { TagAtM = 2, FromM = 20 },
                }
            ).Reasons,
            r => r.Code == "rig-tag-wrong-side"
        );
    }

    [Fact]
    public void A_piece_caught_as_worked()
    {
        // 150 kg, 0.9 m: two parts let run at 1.85 kN in the line stop in 0.6 m.
        var two = OverGlass();
        var block = new RigBlockMembers
        {
            Passes = new()
            {
                Low = 0.995,
                Nominal = 0.995,
                High = 0.995,
            },
            StrengthN = 100_000,
            Sling = Sling,
        };
        two = two with
        {
            Catch = new()
            {
                DropM = 0.9,
                Parts = 2,
                LetRun = true,
            },
            High = two.High! with { Block = block },
        };
        var run = Chosen(two);
        Assert.InRange(run.Figure("line"), 1840, 1870);
        Assert.InRange(run.Figure("run"), 0.58, 0.62);
        var dead = Chosen(two with { Catch = two.Catch! with { LetRun = false } });
        Assert.True(dead.Figure("peak") > 3 * run.Figure("peak"));
        Assert.Equal(
            VerdictState.Stop,
            Chosen(
                two with
                {
                    Drum = two.Drum! with { Turns = new() { Turns = 1 } },
                    Catch = two.Catch with { Parts = 1 },
                }
            ).State
        );
    }

    [Fact]
    public void The_arrows_of_all_points_add_up_to_load_and_tail() =>
        Gen.Select(Gen.Double[2, 30].List[1, 5], Gen.Double[6, 20].List[5], Gen.Bool)
            .Sample(
                (places, heights, raised) =>
                {
                    var clearing = OnPoints([.. places.Select((x, i) => Point($"p{i}", x, heights[i]))], raised);
                    var way = Chosen(clearing);
                    var last = way.Points[^1].At;
                    var drum = way.Figure("drum");
                    var toFoot = last.AngleTo(new(10.3, 1));
                    var (x, y) = (drum * Math.Cos(toFoot), -(150 * StandingTree.Gravity) + (drum * Math.Sin(toFoot)));
                    Assert.Equal(x, way.Points.Sum(p => p.X), 1e-6 * 1500);
                    Assert.Equal(y, way.Points.Sum(p => p.Y), 1e-6 * 1500);
                    Assert.Equal(Math.Sqrt((x * x) + (y * y)), way.Figure("net"), 1e-6 * 1500);
                },
                iter: 200
            );

    [Fact]
    public void A_point_splits_its_force_along_and_across_its_limb()
    {
        var way = Chosen(OnPoints([Point("fork", 12, 12), Point("limb", 8, 15)], raised: false));
        Assert.All(way.Points, p => Near(p.ForceN, Math.Sqrt((p.AlongN * p.AlongN) + (p.AcrossN * p.AcrossN))));
        Assert.All(way.Points, p => Assert.True(p.IfNextFailsN >= p.ForceN - 1e-9));
        var single = Chosen(OnPoints([Point("fork", 12, 12)], raised: false));
        Assert.True(way.Points.Max(p => p.ForceN) < single.Points[0].ForceN);
    }

    [Fact]
    public void Friction_helps_to_let_down_and_costs_to_raise()
    {
        var down = Chosen(OnPoints([Point("a", 12, 12), Point("b", 8, 15)], raised: false));
        var up = Chosen(OnPoints([Point("a", 12, 12), Point("b", 8, 15)], raised: true));
        var weight = 150 * StandingTree.Gravity;
        Assert.True(down.Figure("drum") < weight && weight < up.Figure("drum"));
        Near(weight, Math.Sqrt(down.Figure("drum") * up.Figure("drum")));
    }

    [Fact]
    public void Down_a_tight_line_as_worked()
    {
        // 53 kg over 11 m: under 15 m/s, 5.7 kJ.
        var slide = OverGlass() with
        {
            Way = ClearingWay.Slide,
            Pieces = [Log("piece", 53, 4, 10)],
            Ground = new() { Spots = [Spot(0, 0), Spot(40, 0)], LandingAtM = 30 },
            Low = Fast(36),
            Slide = new()
            {
                TopHeightM = 11,
                OldRope = true,
                Metal = Metal.Steel,
            },
        };
        var way = Chosen(slide);
        Assert.InRange(way.Figure("speed"), 13.5, 15);
        Assert.InRange(way.Figure("energy"), 5000, 5720);
        Assert.Contains(
            Chosen(slide with { Slide = slide.Slide! with { OldRope = false } }).Reasons,
            r => r.Code == "rig-rope-spoiled"
        );
        Assert.Contains(
            Chosen(slide with { Slide = slide.Slide! with { Metal = Metal.Alloy } }).Reasons,
            r => r.Code == "rig-alloy-hammered"
        );
    }

    [Fact]
    public void A_tree_let_down_stops_where_its_weakest_link_has_all_it_may()
    {
        var (lime, way) = Astern(Hand with { BreakingStrengthN = 100_000 });
        var stop = way.Figure("stop");
        var (lowered, problems) = Lowering.Of(
            lime,
            new()
            {
                SeatHeightM = 13,
                Anchor = lime.Clearing!.Astern!.Anchor,
                AllowedN = 100_000 * 0.6 / 5,
            },
            UnitSystem.Metric
        );
        Assert.Empty(problems);
        Assert.Equal(lowered!.StopAtDeg!.Value, stop, 0.06);
        Near(way.Link("line").AllowedValue, way.Figure("tension"), 0.01);
        Near(78_000, way.Figure("heat"));
        // Weaker rope, earlier stop.
        Assert.True(Astern(Hand with { BreakingStrengthN = 30_000 }).Way.Figure("stop") < stop);
    }

    [Fact]
    public void Nothing_that_can_break_stands_where_a_tree_is_let_down()
    {
        var glass = OverGlass() with
        {
            Way = ClearingWay.Astern,
            StemAtM = 30,
            Astern = new()
            {
                SeatHeightM = 13,
                Anchor = new()
                {
                    DistanceM = 25,
                    BearingDeg = 270,
                    HeightM = 0.4,
                },
                StopDeg = 30,
            },
            Drum = new() { StrengthN = 100_000, Anchor = Fast(38, 1) },
        };
        // The drum stands to the right of it, so it falls to the left, where the greenhouse is.
        Assert.Contains(Chosen(glass).Reasons, r => r is { Code: "rig-comes-down-on", State: VerdictState.Stop });
        var away = glass with { Drum = glass.Drum! with { Anchor = Fast(22, 1) } };
        Assert.DoesNotContain(Chosen(away).Reasons, r => r.Code == "rig-comes-down-on");
    }

    [Fact]
    public void A_lead_turned_aside_carries_by_the_angle_between_its_legs_in_space()
    {
        var bank = Bank() with
        {
            Way = ClearingWay.Drag,
            Ground = new() { Spots = [Spot(0, 0), Spot(60, 0)], LandingAtM = 9 },
            HaulerAtM = 0,
            Lead = new()
            {
                Anchor = Fast(4, 0.8),
                TurnDeg = 90,
                Block = new() { StrengthN = 60_000, Sling = Sling },
            },
        };
        // On the level a right angle is a right angle: both legs as a right-angled triangle has them.
        var way = Chosen(bank);
        var (load, haul) = (way.Link("load-sling").LoadValue, way.Link("haul").LoadValue);
        Near(Math.Sqrt((load * load) + (haul * haul)), way.Link("lead").LoadValue, 0.01);
        var straight = Chosen(bank with { Lead = bank.Lead! with { TurnDeg = 0 } });
        Assert.True(straight.Link("lead").LoadValue < 0.2 * way.Link("lead").LoadValue);
    }

    [Fact]
    public void A_carriage_that_catches_puts_all_that_the_hauler_can_give_on_the_high_point()
    {
        var strong = Bank() with
        {
            Hauler = new() { Kind = PullerKind.Machine, MachineN = 30_000 },
        };
        var (usual, worst) = (Chosen(Bank()).Link("block"), Chosen(strong).Link("block"));
        Near(usual.LoadValue, worst.LoadValue);
        Assert.True(worst.WorstLoadValue > 30_000 && worst.WorstLoadValue > usual.WorstLoadValue);
    }

    [Fact]
    public void A_drum_is_fast_to_something_in_every_way_that_uses_one()
    {
        Assert.Contains(Chosen(OverGlass()).Links, l => l.Id == "drum-anchor");
        Assert.Contains(
            Chosen(OverGlass() with { Drum = OverGlass().Drum! with { Anchor = null } }).Reasons,
            r => r is { Code: "rig-anchor-unknown", Path: "clearing.drum.anchor" }
        );
    }

    [Fact]
    public void The_stem_whips_back_twice_as_far_as_it_bends()
    {
        var top = OverGlass() with
        {
            Way = ClearingWay.Top,
            Top = new()
            {
                CutHeightM = 16,
                LineHeightM = 20,
                PullN = 800,
            },
            Haul = Hand,
            HaulerAtM = 35,
            Hauler = new() { Count = 4 },
        };
        var way = Chosen(top);
        Near(2 * way.Figure("bends"), way.Figure("whips"));
        Near(2 * way.Link("spar").LoadValue, way.Link("spar").WorstLoadValue);
        Assert.Contains(way.Reasons, r => r.Code == "rig-hard-pull-aloft");
        Assert.Contains(
            Chosen(top with { Top = top.Top! with { BackLeanDeg = 10, PullN = 20 } }).Reasons,
            r => r.Code == "rig-top-sits-back"
        );
    }

    private const double Angle26 = 26 * Math.PI / 180;

    /// <summary>180 kg over 48 m on the level, on a line that hardly stretches and without a carriage.</summary>
    private static ClearingMembers Level() =>
        Bank() with
        {
            Pieces = [Log("log", 180, 26, 50)],
            Ground = new() { Spots = [Spot(0, 0), Spot(60, 0)], LandingAtM = 8 },
            High = Larch() with { BlockHeightM = 10, AtM = 4 },
            Low = Fast(52, 10),
            Line = Strong with { StretchAtTenPercent = 0.0001 },
            Carriage = null,
        };

    private static double Most(ClearingMembers level, double sag) =>
        Chosen(level with { Fly = level.Fly! with { SagShare = sag } }).Figure("line-most");

    private static RigPointMembers Point(string name, double at, double height) =>
        new()
        {
            Name = name,
            AtM = at,
            HeightM = height,
            LimbDiameterM = 0.2,
            LimbRiseDeg = 50,
            LimbToRight = at > 10,
            Block = new()
            {
                ContactId = "friction-ring",
                StrengthN = 60_000,
                Sling = Sling,
            },
        };

    private static ClearingMembers OnPoints(RigPointMembers[] points, bool raised) =>
        OverGlass() with
        {
            Way = ClearingWay.Points,
            Points = new()
            {
                LoadAtM = points[0].AtM,
                LoadHeightM = 4,
                Raised = raised,
                Points = points,
            },
        };

    private static (Plan Lime, WayResult Way) Astern(RopeMembers rope)
    {
        // Lime A, seat 13 m, 25 m behind, 0.4 m up.
        var lime = Lime() with
        {
            Clearing = new()
            {
                Way = ClearingWay.Astern,
                Line = rope,
                Astern = new()
                {
                    SeatHeightM = 13,
                    Anchor = new()
                    {
                        DistanceM = 25,
                        BearingDeg = 270,
                        HeightM = 0.4,
                    },
                },
                Drum = new()
                {
                    StrengthN = 500_000,
                    Anchor = Fast(30) with
                    {
                        CapacityN = 900_000,
                        Sling = new() { BreakingStrengthN = 900_000 },
                    },
                },
                People =
                [
                    new()
                    {
                        Name = "Ines",
                        AtM = 3,
                        OffM = 30,
                    },
                ],
            },
        };
        var (analysis, problems) = ClearingAnalysis.Of(lime, UnitSystem.Metric);
        Assert.Empty(problems);
        return (lime, analysis!.Ways.Single(w => w.Way == ClearingWay.Astern));
    }
}
