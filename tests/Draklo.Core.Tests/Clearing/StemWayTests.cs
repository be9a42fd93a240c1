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

/// <summary>Each way down from a stem against the worked cases, and against slower sums of another kind.</summary>
public sealed class StemWayTests
{
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

    /// <summary>What a catch hangs on, on two parts: a block on the piece, the rope's end on the stem, each with its sling.</summary>
    [Fact]
    public void Two_parts_hang_on_a_block_on_the_piece_and_the_ropes_end_on_the_stem()
    {
        var two = OverGlass() with { Catch = new() { Parts = 2 } };
        var codes = Chosen(two).Reasons.Select(r => r.Path).ToList();
        Assert.Contains("clearing.catch.block", codes);
        Assert.Contains("clearing.catch.endSling", codes);
        var told = Chosen(
            two with
            {
                Catch = new()
                {
                    Parts = 2,
                    Block = new() { StrengthN = 80_000, Sling = Sling },
                    EndSling = Sling,
                },
            }
        );
        Near(2 * told.Figure("line"), told.Link("piece-block").LoadValue);
        Near(told.Link("piece-block").LoadValue, told.Link("piece-block-sling").LoadValue);
        Near(told.Figure("line"), told.Link("end-sling").LoadValue);
        Assert.DoesNotContain(told.Links, l => l.Id == "knot");
    }

    /// <summary>Every piece of the list goes the same way: the heaviest decides, whichever one is drawn.</summary>
    [Fact]
    public void The_heaviest_piece_decides()
    {
        var glass = OverGlass();
        var light = ClearPiece.All(PlanOf(glass), glass).MinBy(p => p.MassKg)!;
        var named = Chosen(glass with { Catch = new() { PieceId = light.Id } });
        Assert.Equal(Chosen(glass with { Catch = new() }).Link("line").LoadValue, named.Link("line").LoadValue, 1e-9);
    }

    /// <summary>The worked case: two carabiners of 0.55 at a half turn, by hand leg by leg.</summary>
    [Fact]
    public void A_point_is_judged_by_the_worst_of_let_down_taken_in_and_held()
    {
        var way = Chosen(OnPoints([Point("near", 12, 12), Point("far", 8, 15)], raised: false));
        Assert.All(
            way.Points,
            p =>
            {
                Assert.True(p.LetDownN < p.TakenInN);
                Assert.True(p.HeldN >= p.TakenInN - 1e-9);
            }
        );
        Near(way.Points[0].LetDownN, way.Points[0].ForceN);
        for (var i = 0; i < 2; i++)
        {
            Assert.True(way.Link($"point-{i + 1}").LoadValue >= way.Points[i].HeldN - 1e-9);
        }
    }

    /// <summary>A line behind that pulls to the side breaks the hinge sooner than one straight behind.</summary>
    [Fact]
    public void A_line_behind_and_aside_lets_the_hinge_go_sooner()
    {
        var straight = Goes(270);
        var aside = Goes(250);
        Near(35, straight.Figure("hinge-goes"));
        // Method M6: what the side work leaves of what the wood holds; past that the line's pull only grows.
        var (lime, _) = Astern(Hand with { BreakingStrengthN = 100_000 });
        var after = 35 * (1 - (aside.Figure("side") / PlanContext.Of(lime, UnitSystem.Metric).Hinge.SideCapacity));
        Assert.InRange(aside.Figure("hinge-goes"), after, 12);

        static WayResult Goes(double bearing)
        {
            var (lime, _) = Astern(Hand with { BreakingStrengthN = 100_000 });
            var astern = lime.Clearing!.Astern!;
            var turned = lime with
            {
                Clearing = lime.Clearing with
                {
                    Astern = astern with { StopDeg = 30, Anchor = astern.Anchor with { BearingDeg = bearing } },
                },
            };
            return ClearingAnalysis
                .Of(turned, UnitSystem.Metric)
                .Analysis!.Ways.Single(w => w.Way == ClearingWay.Astern);
        }
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
                iter: Tries.Of(200)
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
