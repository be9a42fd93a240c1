using CsCheck;
using Draklo.Core.Catalogue;
using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Studies;
using Draklo.Core.Tackle;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>Tackles of the crew's own, by stages and rope by rope, and what keeps what has been won.</summary>
public sealed class ComposerTests
{
    [Theory]
    [InlineData("two-to-one", StageKind.Two)]
    [InlineData("two-to-one-redirected", StageKind.Redirect, StageKind.Two)]
    [InlineData("three-to-one", StageKind.Three)]
    [InlineData("three-to-one-rope-loop", StageKind.RopeLoop)]
    [InlineData("four-to-one", StageKind.Four)]
    [InlineData("five-to-one", StageKind.Five)]
    [InlineData("nine-to-one", StageKind.Three, StageKind.Three)]
    [InlineData("ten-to-one", StageKind.Five, StageKind.Two)]
    [InlineData("five-between-grips", StageKind.Five, StageKind.BetweenGrips)]
    [InlineData("direct", StageKind.Direct)]
    [InlineData("redirected", StageKind.Redirect)]
    public void Stages_build_the_named_systems(string id, params StageKind[] kinds)
    {
        var named = TackleSystems.Find(id)!;
        var own = Composed(kinds);
        foreach (var turns in new Turns[] { new(0.9, 0.9), new(0.55, 0.35) })
        {
            Assert.Equal(named.Solve(turns).ActualAdvantage, own.Solve(turns).ActualAdvantage, 1e-9);
        }

        Assert.Equal(
            named.Solve(new(0.9, 0.9)).Points.Where(p => p.Id == "anchor").Sum(p => p.Force),
            own.Solve(new(0.9, 0.9)).Points.Where(p => p.Id == "anchor").Sum(p => p.Force),
            1e-9
        );
        Assert.Equal(named.HauledBack, own.HauledBack);
        Assert.Equal(named.HasRopeLoop, own.HasRopeLoop);
        Assert.Equal(named.UsesAnchor, own.UsesAnchor);
        var sets = HaulSets.Of(named.Closing, 6, 1, 4);
        Assert.Equal(sets.Sets, HaulSets.Of(own.Closing, 6, 1, 4).Sets);
    }

    [Theory]
    [InlineData(6, 5.149, StageKind.Three, StageKind.Two)]
    [InlineData(5, 4.249, StageKind.Three, StageKind.BetweenGrips)]
    [InlineData(3, 2.439, StageKind.Three, StageKind.Redirect)]
    [InlineData(8, 6.859, StageKind.Two, StageKind.Two, StageKind.Two)]
    public void Stages_haul_one_another(double ideal, double actual, params StageKind[] kinds)
    {
        // By hand, η 0.9: a two gives 1.9 and cubed 6.859; a three 2.71, turned at the anchor 2.71 · 0.9 = 2.439.
        // Between
        // grips: the three pulls the load with 1 + 0.9 + 0.81 and the other grip with 0.9 + 0.81, of which the line's
        // turn
        // at the anchor passes 0.9: 2.71 + 1.539.
        var solved = Composed(kinds).Solve(new(0.9, 0.9));
        Assert.Equal(ideal, solved.IdealAdvantage, 1e-9);
        Assert.Equal(actual, solved.ActualAdvantage, 5e-4);
    }

    [Fact]
    public void Each_turn_may_have_a_kind_of_its_own()
    {
        var own = new ComposedMembers
        {
            Stages = [new() { Kind = StageKind.Three, ContactIds = ["one-carabiner", "ball-bearing-block"] }],
        };
        Assert.Empty(ComposerRules.Check(own));
        var system = Composer.SystemOf(own);

        // 1 + 0.51 + 0.51 · 0.95.
        Assert.Equal(1.9945, system.Solve(Turns.Usual(Reference.Contacts["bushed-block"])).ActualAdvantage, 1e-9);
        Assert.Equal(
            1 + 0.58 + (0.58 * 0.97),
            system.Solve(Turns.Best(Reference.Contacts["bushed-block"])).ActualAdvantage,
            1e-9
        );

        // The carabiner's pin bends the tackle rope, whatever the line's usual turn is.
        var plan = With(own);
        var legs = plan.Analysed().Links.Single(l => l.Id == "main.legs");
        Near(0.5 + (0.15 * ((12.0 / 11) - 1)), Assert.Single(legs.Reductions, r => r.Name == "bend").Keeps, 1e-9);
    }

    [Fact]
    public void Legs_that_do_not_run_side_by_side_give_less()
    {
        var apart = Composed(new StageMembers { Kind = StageKind.Two, LegsApartDeg = 60 });
        var solved = apart.Solve(new(0.9, 0.9));

        // Two legs at 30° off: cos 30° of (1 + 0.9), and two without friction.
        Assert.Equal(1.9 * Math.Sqrt(0.75), solved.ActualAdvantage, 1e-9);
        Assert.Equal(2 * Math.Sqrt(0.75), solved.IdealAdvantage, 1e-9);
        var load = apart.Shape.Points.Select((p, i) => (p, i)).Single(x => x.p.Kind == PointKind.Load).i;
        Assert.Equal(-1 / (2 * Math.Sqrt(0.75)), apart.Motion.Speeds[load], 1e-9);

        // Hauled by another two, the traveller lies in line with the leg that it draws: only the load's end loses by
        // the angle.
        var second = Composed(
                new StageMembers { Kind = StageKind.Two },
                new StageMembers { Kind = StageKind.Two, LegsApartDeg = 60 }
            )
            .Solve(new(0.9, 0.9));
        Assert.Equal(1.9 * 1.9 * Math.Sqrt(0.75), second.ActualAdvantage, 1e-9);
        Assert.Equal(1.9, second.Legs[2].Tension, 1e-9);
    }

    [Theory]
    [InlineData("stages", "no stage yet")]
    [InlineData("stages[1].kind", "nothing holds it in balance", StageKind.Three, StageKind.Redirect, StageKind.Two)]
    [InlineData("stages[0].kind", "comes last", StageKind.BetweenGrips, StageKind.Three)]
    [InlineData("stages[0].kind", "Nothing draws", StageKind.BetweenGrips)]
    [InlineData("stages[1].kind", "Nothing draws", StageKind.Redirect, StageKind.BetweenGrips)]
    [InlineData("stages[0].kind", "no stage", StageKind.Direct, StageKind.Two)]
    [InlineData("stages", "gain nothing", StageKind.Redirect, StageKind.Redirect)]
    public void Refuses_stages_that_cannot_haul(string path, string says, params StageKind[] kinds)
    {
        var problem = ComposerRules.Check(new() { Stages = [.. kinds.Select(k => new StageMembers { Kind = k })] })[0];
        Assert.Equal(path, problem.Path);
        Assert.Contains(says, problem.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void Refusals_stand_at_their_member_on_the_plan()
    {
        Assert.Equal(
            "lines[0].tackle.composed",
            Lime().WithMain(l => l with { Tackle = l.Tackle with { SystemId = "composed" } }).OnlyProblem().Path
        );
        Assert.Equal(
            "lines[0].tackle.systemId",
            Lime()
                .WithMain(l => l with { Tackle = l.Tackle with { Composed = Staged(StageKind.Two) } })
                .OnlyProblem()
                .Path
        );
        Assert.Equal(
            "lines[0].tackle.composed.stages[0].contactIds[0]",
            With(new() { Stages = [new() { Kind = StageKind.Two, ContactIds = ["glue"] }] }).OnlyProblem().Path
        );
        Assert.Equal(
            "lines[0].tackle.composed.stages[0].contactIds",
            With(new() { Stages = [new() { Kind = StageKind.Two, ContactIds = ["bushed-block", "bushed-block"] }] })
                .OnlyProblem()
                .Path
        );
        Assert.Equal(
            "lines[0].tackle.composed.stages",
            With(Composer.RopeByRope(Staged(StageKind.Two)) with { Stages = Staged(StageKind.Two).Stages })
                .OnlyProblem()
                .Path
        );
        Assert.Equal(
            "lines[0].tackle.composed.stages[0].legsApartDeg",
            With(new() { Stages = [new() { Kind = StageKind.Two, LegsApartDeg = 170 }] }).OnlyProblem().Path
        );
    }

    [Fact]
    public void Rope_by_rope_is_the_same_tackle_and_says_what_is_wrong_with_it()
    {
        var staged = Staged(StageKind.Three, StageKind.Two);
        var free = Composer.RopeByRope(staged);
        Assert.Empty(ComposerRules.Check(free));
        Assert.Equal(
            Composer.SystemOf(staged).Solve(new(0.9, 0.9)).ActualAdvantage,
            Composer.SystemOf(free).Solve(new(0.9, 0.9)).ActualAdvantage,
            1e-9
        );
        Assert.Equal("Three hauling a two", Composer.SystemOf(free).Name);

        Refused(
            "ropes[1].contacts[1].point",
            "a loop",
            free with
            {
                Ropes =
                [
                    free.Ropes[0],
                    free.Ropes[1] with
                    {
                        Contacts = [free.Ropes[1].Contacts[0], new() { Point = free.Ropes[1].From }],
                    },
                ],
            }
        );
        Refused(
            "ropes[1].contacts[1].contactId",
            "no end",
            free with
            {
                Ropes =
                [
                    free.Ropes[0],
                    free.Ropes[1] with
                    {
                        Contacts = [free.Ropes[1].Contacts[0], new() { Point = "anchor", ContactId = "bushed-block" }],
                    },
                ],
            }
        );
        Refused("ropes", "without a rope of its own", free with { Ropes = [free.Ropes[0]] });
        Refused(
            "points",
            "called “anchor”",
            new()
            {
                Points =
                [
                    Point("oak", 0, PointKind.Fixed),
                    Point("load", 9, PointKind.Load),
                    Point("hand", -9, PointKind.Hand),
                ],
                Ropes = [new() { From = "hand", Contacts = [new() { Point = "load" }, new() { Point = "oak" }] }],
            }
        );

        static void Refused(string path, string says, ComposedMembers own) =>
            Assert.Contains(
                ComposerRules.Check(own),
                p => p.Path == path && p.Message.Contains(says, StringComparison.Ordinal)
            );
    }

    [Fact]
    public void Written_the_other_way_round_it_is_the_same()
    {
        var free = Composer.RopeByRope(Staged(StageKind.Three, StageKind.Two));
        var turned = free with { Points = [.. free.Points.Select(p => p with { Position = -p.Position })] };
        Assert.Equal(Composer.SystemOf(free).Shape.Points, Composer.SystemOf(turned).Shape.Points);
    }

    [Fact]
    public void Any_stages_that_pass_obey_the_laws() =>
        Gen.Select(Gen.Int[0, 7].Array[1, 4], Gen.Double[0.2, 1], Gen.Double[0, 100])
            .Sample(
                (kinds, share, apart) =>
                {
                    var own = new ComposedMembers
                    {
                        Stages = [.. kinds.Select(k => new StageMembers { Kind = (StageKind)k, LegsApartDeg = apart })],
                    };
                    var problems = ComposerRules.Check(own);
                    if (problems.Count > 0)
                    {
                        Assert.All(problems, p => Assert.StartsWith("stages", p.Path, StringComparison.Ordinal));
                        return;
                    }

                    var system = Composer.SystemOf(own);
                    var solved = system.Solve(new(share, share));
                    Assert.InRange(solved.ActualAdvantage, 0, solved.IdealAdvantage + 1e-9);
                    var load = system.Shape.Points.Select((p, i) => (p, i)).Single(x => x.p.Kind == PointKind.Load).i;
                    Assert.Equal(1, Math.Abs(system.Motion.Speeds[load]) * solved.IdealAdvantage, 1e-6);

                    // No two points that a rope draws together pass one another within a set.
                    var open = system.Opened(8, 1);
                    var haul = HaulSets.Of(system.Closing, 8, 1, 3).HaulPerSetM ?? 0;
                    var points = system.Shape.Points;
                    for (var a = 0; a < points.Count; a++)
                    {
                        for (var b = 0; b < points.Count; b++)
                        {
                            if (
                                points[a].Kind != PointKind.Hand
                                && points[b].Kind != PointKind.Hand
                                && points[a].Position < points[b].Position
                            )
                            {
                                Assert.True(
                                    open.StartsM[a] + (system.Motion.Speeds[a] * haul)
                                        < open.StartsM[b] + (system.Motion.Speeds[b] * haul),
                                    $"{points[a].Id} passes {points[b].Id}"
                                );
                            }
                        }
                    }
                }
            );

    /// <summary>Legs far apart lose more than the stage gains: it hauls in no sets, and its points keep their order all the same.</summary>
    [Fact]
    public void Where_nothing_closes_what_lies_past_the_load_stands_past_it()
    {
        var own = new ComposedMembers
        {
            Stages =
            [
                .. new[] { StageKind.Two, StageKind.Redirect }.Select(k => new StageMembers
                {
                    Kind = k,
                    LegsApartDeg = 95,
                }),
            ],
        };
        var system = Composer.SystemOf(own);
        Assert.Null(HaulSets.Of(system.Closing, 8, 1, 3).HaulPerSetM);
        var points = system.Shape.Points.Select((p, i) => (p.Id, Start: system.Opened(8, 1).StartsM[i])).ToList();
        Assert.Equal(8, points.Single(p => p.Id == "load").Start);
        Assert.True(points.Single(p => p.Id == "second-anchor").Start > 8);
        Assert.True(points.Single(p => p.Id == "hand").Start > points.Single(p => p.Id == "second-anchor").Start);
    }

    [Fact]
    public void Ten_between_grips_is_said_to_be_nine()
    {
        var view = ViewOf(With(Staged(StageKind.Five, StageKind.BetweenGrips)));
        Assert.Contains("People say 10", view.PeopleSay, StringComparison.Ordinal);
        Assert.Contains("it is 9", view.PeopleSay, StringComparison.Ordinal);
        Assert.Null(ViewOf(With(Staged(StageKind.Five))).PeopleSay);
    }

    [Fact]
    public void Rove_in_the_line_the_tackles_last_leg_does_not_pull_at_what_takes_it()
    {
        // Five legs at η 0.9: 1, 0.9, 0.81, 0.729 and 0.6561, 4.0951 together; the last of them is the line itself.
        var plan = Lime()
            .WithMain(l =>
                l with
                {
                    Rope = l.Rope with { LengthM = 120 },
                    Tackle = l.Tackle with
                    {
                        Rope = null,
                        Grip = new() { GripId = "machard", CordStrengthN = 15000 },
                    },
                }
            );
        var analysis = plan.Analysed();
        var end = analysis.Pull.Lines[0].EndTensionN;
        Near(end * (1 - (0.6561 / 4.0951)), analysis.Links.Single(l => l.Id == "main.grip").Load.Value, 1e-6);
        var turned = plan.WithMain(l => l with { Tackle = l.Tackle with { SystemId = "four-to-one" } }).Analysed();
        Near(end, turned.Links.Single(l => l.Id == "main.grip").Load.Value, 1e-9);
        var untold = plan.WithMain(l => l with { Tackle = l.Tackle with { Grip = null, JoinKnotId = null } })
            .Analysed();
        Assert.Contains(untold.Verdict.Reasons, r => r.Path == "lines[0].tackle.joinKnotId");
    }

    [Fact]
    public void A_second_anchor_is_said_to_be_unknown_and_a_tackle_needs_its_room()
    {
        var plan = With(Staged(StageKind.Three, StageKind.Redirect));
        Assert.Contains(
            plan.Analysed().Verdict.Reasons,
            r => r.Path == "lines[0].tackle.composed" && r.Text.Contains("second-anchor", StringComparison.Ordinal)
        );
        var far = With(Staged(StageKind.Three)).WithMain(l => l with { Tackle = l.Tackle with { OpenedM = 40 } });
        Assert.Contains(
            far.Analysed().Verdict.Reasons,
            r =>
                r.Path == "lines[0].tackle.openedM"
                && r.Text.Contains("from the anchor to the grip", StringComparison.Ordinal)
        );
        Near(40, far.Analysed().Pull.Lines[0].Tackle.SpaceM, 1e-9);
    }

    [Fact]
    public void Rope_in_a_tackle_is_the_sum_of_its_legs_and_a_tail()
    {
        var view = ViewOf(With(Staged(StageKind.Three, StageKind.Two)));
        Assert.Equal(view.LegForcesN.Count, view.LegLengthsM.Count);
        Near(view.RopeM, view.LegLengthsM.Sum() + 3, 1e-9);

        // The traveller stands 6 m off and the load farther by what it may not be overtaken: 6 + 0.7 less what both
        // come in.
        Near(6, view.LegLengthsM[1], 1e-9);
    }

    private static Plan With(ComposedMembers own) =>
        Lime().WithMain(l => l with { Tackle = l.Tackle with { SystemId = "composed", Composed = own } });

    private static ComposedMembers Staged(params StageKind[] kinds) =>
        new() { Stages = [.. kinds.Select(k => new StageMembers { Kind = k })] };

    private static TackleSystem Composed(params StageKind[] kinds) => Composed([.. Staged(kinds).Stages]);

    private static TackleSystem Composed(params StageMembers[] stages)
    {
        var own = new ComposedMembers { Stages = stages };
        Assert.Empty(ComposerRules.Check(own));
        return Composer.SystemOf(own);
    }

    private static ComposedPointMembers Point(string id, double position, PointKind kind) =>
        new()
        {
            Id = id,
            Position = position,
            Kind = kind,
        };
}
