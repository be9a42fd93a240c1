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

/// <summary>Each way over the ground against the worked cases, and against slower sums of another kind.</summary>
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
                iter: Tries.Of(1000)
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
}
