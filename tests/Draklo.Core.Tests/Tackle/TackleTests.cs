using CsCheck;
using Draklo.Core.Catalogue;
using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

public sealed class TackleTests
{
    [Theory]
    [InlineData("direct", 1, 1.0000)]
    [InlineData("redirected", 1, 0.9000)]
    [InlineData("two-to-one", 2, 1.9000)]
    [InlineData("two-to-one-redirected", 2, 1.7100)]
    [InlineData("three-to-one", 3, 2.7100)]
    [InlineData("four-to-one", 4, 3.4390)]
    [InlineData("five-to-one", 5, 4.0951)]
    [InlineData("nine-to-one", 9, 7.3441)]
    [InlineData("ten-to-one", 10, 7.7807)]
    [InlineData("five-between-grips", 9, 6.8807)]
    public void Named_systems_with_nine_tenths_at_every_turn(string id, double ideal, double actual)
    {
        var solution = TackleSystems.Find(id)!.Solve(new(0.9, 0.9));
        Assert.Equal(ideal, solution.IdealAdvantage, 1e-9);
        Assert.Equal(ideal, solution.TravelRatio, 1e-9);
        Assert.Equal(actual, solution.ActualAdvantage, 5e-5);
    }

    [Fact]
    public void Rope_loop_three_gives_about_one_and_a_half() =>
        Assert.Equal(
            1.5250,
            TackleSystems.Find("three-to-one-rope-loop")!.Solve(new(0.50, 0.35)).ActualAdvantage,
            5e-5
        );

    [Fact]
    public void A_three_hauling_a_two_of_ones_own()
    {
        var (solution, problems) = TackleSolver.Solve(ThreeOnTwo(0.9));
        Assert.Empty(problems);
        Assert.Equal(6, solution!.IdealAdvantage, 1e-9);
        Assert.Equal(5.149, solution.ActualAdvantage, 5e-4);
        Assert.Equal(0.858, solution.Efficiency, 5e-4);
        Assert.Equal(new TackleLeg(0, "hand", "traveller", 1), solution.Legs[0]);
        Assert.Equal(4.149, solution.Points.Single(p => p.Id == "anchor").Force, 5e-4);
        Assert.Equal(2.71, solution.Points.Single(p => p.Id == "traveller").Force, 5e-4);
    }

    [Fact]
    public void Holding_asks_less_of_the_hand_than_hauling()
    {
        var solution = TackleSystems.Find("two-to-one")!.Solve(new(0.9, 0.9));
        Assert.Equal(1 / (1 + (1 / 0.9)), solution.Holding.HandForceForUnitLoad, 1e-9);
        Assert.True(solution.Holding.HandForceForUnitLoad < 1 / solution.ActualAdvantage);
    }

    [Fact]
    public void Laws_of_every_system() =>
        Gen.Select(Gen.Double[0.05, 1], Gen.Double[0.05, 1], Gen.Int[0, TackleSystems.All.Count - 1])
            .Sample(
                (contact, loop, index) =>
                {
                    var system = TackleSystems.All[index];
                    var solution = system.Solve(new(contact, loop));
                    var without = system.Solve(new(1, 1));
                    Assert.Equal(without.IdealAdvantage, without.ActualAdvantage, 1e-9);
                    Assert.InRange(solution.ActualAdvantage, 0, solution.IdealAdvantage + 1e-9);
                    var better = system.Solve(new(Math.Min(1, contact * 1.05), loop));
                    Assert.True(better.ActualAdvantage >= solution.ActualAdvantage - 1e-9);
                    Assert.All(solution.Legs, leg => Assert.True(leg.Tension > 0));

                    // Ground and hand together pull back what the load pulls: on or against the hand, by where it
                    // stands.
                    var hand =
                        system.Rove(new(1, 1)).Points.Single(p => p.Kind == PointKind.Hand).Position < 0 ? 1 : -1;
                    var anchor = solution.Points.Single(p => p.Id == "anchor").Force;
                    Assert.Equal(solution.ActualAdvantage, anchor + hand, 1e-6);
                }
            );

    [Fact]
    public void Refuses_what_cannot_be_rove()
    {
        var good = ThreeOnTwo(0.9);
        Refused("ropes[0].contacts[0].efficiency", "at most 1", ThreeOnTwo(1.2));
        Refused("ropes[0].contacts[0].efficiency", "over 0", ThreeOnTwo(0));
        Refused("ropes[0].contacts[0].efficiency", "give the share", ThreeOnTwo(null));
        Refused("ropes", "without a rope of its own", good with { Ropes = [good.Ropes[0]] });
        Refused("ropes", "haul one only", good with { Ropes = [.. good.Ropes, good.Ropes[0]] });
        Refused(
            "ropes[1].contacts[0].point",
            "not a point",
            good with
            {
                Ropes = [good.Ropes[0], good.Ropes[1] with { Contacts = [new() { Point = "cloud" }] }],
            }
        );
        Refused(
            "ropes[0].contacts",
            "runs to nothing",
            good with
            {
                Ropes = [good.Ropes[0] with { Contacts = [] }, good.Ropes[1]],
            }
        );
        Refused(
            "points",
            "no load point",
            good with
            {
                Points = [.. good.Points.Where(p => p.Kind != PointKind.Load)],
            }
        );
        Refused("points[4].id", "Two points", good with { Points = [.. good.Points, good.Points[0]] });
        Refused(
            "ropes",
            "Nothing pulls the load",
            new()
            {
                Points = good.Points.Where(p => p.Kind != PointKind.Moving).ToList(),
                Ropes = [new() { From = "hand", Contacts = [new() { Point = "anchor" }] }],
            }
        );
        Refused("ropes", "nobody could haul it", good with { Ropes = [.. Enumerable.Repeat(good.Ropes[0], 1000)] });
        Refused(
            "ropes[0].contacts[2].efficiency",
            "no end",
            good with
            {
                Ropes =
                [
                    good.Ropes[0] with
                    {
                        Contacts = [.. good.Ropes[0].Contacts.Take(2), new() { Point = "traveller", Efficiency = 0.9 }],
                    },
                    good.Ropes[1],
                ],
            }
        );
    }

    [Fact]
    public void Refuses_a_point_that_nothing_holds_back()
    {
        var (solution, problems) = TackleSolver.Solve(
            new()
            {
                Points =
                [
                    Point("anchor", 0, PointKind.Fixed),
                    Point("load", 10, PointKind.Load),
                    Point("hand", -10, PointKind.Hand),
                    Point("block", 5, PointKind.Moving),
                ],
                Ropes =
                [
                    new() { From = "hand", Contacts = [new() { Point = "block" }] },
                    new() { From = "block", Contacts = [new() { Point = "anchor" }] },
                ],
            }
        );
        Assert.Null(solution);
        Assert.Contains("push", Assert.Single(problems).Message, StringComparison.Ordinal);
    }

    [Fact]
    public void Every_contact_kind_has_its_spread_in_order() =>
        Assert.All(
            Reference.Contacts.Values,
            c => Assert.True(0 < c.Low && c.Low <= c.Nominal && c.Nominal <= c.High && c.High <= 1, c.Id)
        );

    private static void Refused(string path, string says, Arrangement arrangement)
    {
        var (solution, problems) = TackleSolver.Solve(arrangement);
        Assert.Null(solution);
        Assert.Contains(problems, p => p.Path == path && p.Message.Contains(says, StringComparison.Ordinal));
    }

    private static TacklePoint Point(string id, double position, PointKind kind) =>
        new()
        {
            Id = id,
            Position = position,
            Kind = kind,
        };

    private static Arrangement ThreeOnTwo(double? efficiency) =>
        new()
        {
            Points =
            [
                Point("anchor", 0, PointKind.Fixed),
                Point("load", 10, PointKind.Load),
                Point("traveller", 5, PointKind.Moving),
                Point("hand", -10, PointKind.Hand),
            ],
            Ropes =
            [
                new()
                {
                    From = "hand",
                    Contacts =
                    [
                        new() { Point = "traveller", Efficiency = efficiency },
                        new() { Point = "anchor", Efficiency = 0.9 },
                        new() { Point = "traveller" },
                    ],
                },
                new()
                {
                    From = "traveller",
                    Contacts = [new() { Point = "load", Efficiency = 0.9 }, new() { Point = "anchor" }],
                },
            ],
        };
}
