using Draklo.Core.Gear;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Studies;
using Draklo.Core.Tackle;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>The best way to pull a tree from what there is.</summary>
public sealed class RigFinderTests
{
    private static readonly DateOnly Today = new(2026, 11, 25);

    private static readonly GearItem[] Locker =
    [
        Rope("long", 60, 0.0127, 46000),
        Rope("weak", 60, 0.0127, 14000),
        Rope("short", 20, 0.0127, 46000),
        Rope("tackle", 40, 0.011, 32000),
        Rope("gone", 80, 0.0127, 60000) with
        {
            State = GearState.Retired,
            Reason = "cut",
        },
        new()
        {
            Id = "bushed",
            Kind = GearKind.Block,
            Name = "Bushed",
            Count = 2,
            ContactId = "bushed-block",
            BreakingStrengthN = 50000,
            DiameterM = 0.06,
        },
        new()
        {
            Id = "bearing",
            Kind = GearKind.Block,
            Name = "Bearing",
            Count = 2,
            ContactId = "ball-bearing-block",
            BreakingStrengthN = 50000,
            DiameterM = 0.075,
        },
    ];

    [Fact]
    public void The_best_hold_in_the_full_analysis_and_are_ranked_by_their_least_margin()
    {
        var found = Find(Lime(), Locker);
        Assert.InRange(found.Best.Count, 3, 10);
        Assert.True(found.Holding >= found.Best.Count && found.Tried > 500);
        Assert.Equal(
            found.Best.Select(r => Math.Round(r.Margin, 3)).OrderDescending(),
            found.Best.Select(r => Math.Round(r.Margin, 3))
        );
        foreach (var rig in found.Best)
        {
            var analysis = (Lime() with { Lines = [rig.Line] }).Analysed();
            Assert.DoesNotContain(analysis.Links, l => l.State == LinkState.Fails);
            Near(analysis.Pull.Lines[0].Tackle.HandForceN, rig.HandForceN, 1e-9);
            Assert.True(rig.Line.Rope.LengthM + (rig.Line.Tackle.Rope?.LengthM ?? 0) >= rig.RopeUsedM);
            Near(
                1 / rig.Margin,
                analysis.Links.Max(l => l.Slips ? l.Use : Math.Max(l.Use, l.WorstLoad.Value / l.Strength.Value)),
                1e-9
            );
            Assert.NotEqual("gone", rig.Line.Rope.ItemId);
        }

        Assert.Equal(
            found.Best.Count,
            found
                .Best.Select(r => (r.Line.Tackle.SystemId, r.Line.Tackle.Rope is null, r.Line.Puller.Count))
                .Distinct()
                .Count()
        );
        Assert.Null(found.LeftOut);
        Assert.All(found.Next, r => Assert.Contains("fail", r.Why, StringComparison.Ordinal));
    }

    [Fact]
    public void The_same_question_has_the_same_answer()
    {
        var one = Find(Lime(), Locker);
        var again = Find(Lime(), [.. Locker.Reverse()]);
        Assert.Equal(
            one.Best.Select(r => (r.Words, r.Margin, r.Line.Rope.ItemId)),
            again.Best.Select(r => (r.Words, r.Margin, r.Line.Rope.ItemId))
        );
    }

    [Fact]
    public void Nothing_that_holds_comes_with_the_one_thing_that_would_let_it()
    {
        var found = Find(Lime().WithMain(l => l with { Anchor = l.Anchor with { CapacityN = 1200 } }), Locker);
        Assert.Equal(0, found.Holding);
        Assert.NotNull(found.Advice);
        var nothing = Find(Lime(), [Rope("short", 12, 0.0127, 46000)]);
        Assert.Empty(nothing.Best);
        Assert.Contains("a rope of", nothing.Advice, StringComparison.Ordinal);
    }

    [Fact]
    public void An_empty_locker_and_a_plan_that_cannot_be_reckoned_are_refused()
    {
        Assert.Equal("locker", Assert.Single(RigFinder.For(Lime(), [], Today, UnitSystem.Metric).Problems).Path);
        Assert.NotEmpty(
            RigFinder.For(Lime().WithMain(l => l with { KnotId = "granny" }), Locker, Today, UnitSystem.Metric).Problems
        );
    }

    [Fact]
    public void It_tells_how_far_it_is_and_stops_when_asked()
    {
        var (finder, _) = RigFinder.For(Lime(), Locker, Today, UnitSystem.Metric);
        var most = 0;
        finder!.Run(done => Volatile.Write(ref most, Math.Max(most, done)), CancellationToken.None);
        Assert.Equal(finder.Total, most);
        using var stop = new CancellationTokenSource();
        Assert.Throws<OperationCanceledException>(() => finder.Run(_ => stop.Cancel(), stop.Token));
    }

    [Fact]
    public void Two_ropes_are_joined_where_neither_reaches_alone()
    {
        var found = Find(
            Lime(),
            [
                Rope("one", 40, 0.0127, 46000),
                Rope("two", 42, 0.0127, 46000),
                Rope("tackle", 40, 0.011, 32000),
                Locker[5],
            ]
        );
        Assert.NotEmpty(found.Best);
        Assert.All(
            found.Best,
            r =>
            {
                Assert.NotNull(r.Line.Joined);
                Assert.NotEqual(r.Line.Rope.ItemId, r.Line.Joined.Rope.ItemId);
                Assert.DoesNotContain(
                    (Lime() with { Lines = [r.Line] }).Analysed().Verdict.Reasons,
                    reason => reason.State == VerdictState.Stop
                );
            }
        );

        // With one rope that reaches there is nothing to join.
        Assert.All(Find(Lime(), Locker).Best, r => Assert.Null(r.Line.Joined));
    }

    [Fact]
    public void Anchors_of_the_plan_serve_as_redirects_with_a_block_that_is_left()
    {
        var aside = Lime().Lines[0].Anchor with { Name = "ash", DistanceM = 34, BearingDeg = 150 };
        var plan = Lime()
            .WithMain(l => l with { Redirects = [new() { At = l.Anchor, HardwareStrengthN = 50000 }], Anchor = aside });
        GearItem[] locker = [Rope("long", 110, 0.0127, 46000), Rope("tackle", 60, 0.011, 32000), Locker[5]];
        var found = Find(plan, locker);
        Assert.Contains(found.Best, r => r.Line.Redirects.Count == 0);

        // The pair is in the tackle, so none is left to turn the line.
        Assert.DoesNotContain(
            found.Best,
            r => r.Line.Redirects.Count > 0 && TackleSystems.Of(r.Line.Tackle).HardwarePoints.Count == 2
        );
        var more = Find(plan, [.. locker, Locker[6]]);
        var over = more.Best.First(r =>
            r.Line.Redirects.Count > 0 && TackleSystems.Of(r.Line.Tackle).HardwarePoints.Count == 2
        );
        Assert.NotEqual(over.Line.Tackle.HardwareItemId, over.Line.Redirects[0].HardwareItemId);
        Assert.Contains("over oak", over.Words, StringComparison.Ordinal);

        // Sixty degrees off the lay no line tips the tree well; it is no first point.
        Assert.All(found.Best, r => Assert.True(r.Line.Redirects.Count > 0 || r.Line.Anchor.Name == "oak"));
    }

    [Fact]
    public void A_tackle_of_the_crews_own_is_tried_and_so_many_people_as_are_said()
    {
        var own = new ComposedMembers
        {
            Name = "Long haul",
            Stages = [new() { Kind = StageKind.Three }, new() { Kind = StageKind.Three }],
        };
        var found = Find(
            Lime(),
            [
                .. Locker,
                Rope("tackle-60", 60, 0.011, 32000),
                Locker[5] with
                {
                    Id = "third",
                    Count = 1,
                    BreakingStrengthN = 40000,
                },
            ],
            new(1, [own])
        );
        Assert.Contains(
            found.Best,
            r => r.Line.Tackle.Composed == own && r.Words.Contains("long haul", StringComparison.Ordinal)
        );
        Assert.All(found.Best, r => Assert.Equal(1, r.Line.Puller.Count));

        // It takes three blocks of a kind: the pair and the single one, as strong as the weaker.
        Assert.All(
            found.Best.Where(r => r.Line.Tackle.Composed == own),
            r =>
                Assert.Equal(
                    (40000.0, "bushed-block"),
                    (r.Line.Tackle.HardwareStrengthN!.Value, r.Line.Tackle.ContactId)
                )
        );
        Assert.Equal(
            "people",
            Assert.Single(RigFinder.For(Lime(), Locker, Today, UnitSystem.Metric, new(0, [])).Problems).Path
        );
    }

    [Fact]
    public void A_machine_is_tried_with_turns_on_the_drum_and_people_beside_it()
    {
        var plan = Lime()
            .WithMain(l =>
                l with
                {
                    Puller = new() { Kind = PullerKind.Machine, MachineN = 40000 },
                }
            );
        GearItem[] locker =
        [
            .. Locker,
            new()
            {
                Id = "drum",
                Kind = GearKind.Drum,
                Name = "Drum",
            },
        ];
        var found = Find(plan, locker, new(3, []));
        Assert.Contains(
            found.Best,
            r => r.Line.Limiter is not null && r.Words.Contains("on a drum", StringComparison.Ordinal)
        );
        Assert.Contains(found.Best, r => r.Line.Puller.Kind == PullerKind.People);

        // Alone it could put on more than anything here bears.
        Assert.DoesNotContain(found.Best, r => r.Line.Puller.Kind == PullerKind.Machine && r.Line.Limiter is null);
    }

    [Fact]
    public void What_hangs_on_another_line_is_not_there_twice()
    {
        var plan = SideLeaner();
        plan = plan with
        {
            Lines = [plan.Lines[0], plan.Lines[1] with { Rope = plan.Lines[1].Rope with { ItemId = "long" } }],
        };
        Assert.All(
            Find(plan, [.. Locker, Rope("other", 70, 0.0127, 46000)]).Best,
            r => Assert.NotEqual("long", r.Line.Rope.ItemId)
        );
    }

    [Fact]
    public void A_truck_full_of_rope_is_thinned_and_that_is_said()
    {
        GearItem[] full =
        [
            .. Enumerable.Range(0, 60).Select(i => Rope($"r{i}", 60 + i, 0.0127, 30000 + (200 * (i % 17)))),
            .. Locker,
        ];
        var (finder, _) = RigFinder.For(Lime(), full, Today, UnitSystem.Metric);
        Assert.InRange(finder!.Total, 1000, RigFinder.MostCombinations);
        Assert.Contains(
            "beat in strength and in length",
            finder.Run(null, CancellationToken.None).LeftOut,
            StringComparison.Ordinal
        );
    }

    private static FoundRigs Find(Plan plan, IReadOnlyList<GearItem> locker, RigAsk? ask = null)
    {
        var (finder, problems) = RigFinder.For(plan, locker, Today, UnitSystem.Metric, ask);
        Assert.Empty(problems);
        return finder!.Run(null, CancellationToken.None);
    }

    private static GearItem Rope(string id, double length, double diameter, double strength) =>
        new()
        {
            Id = id,
            Kind = GearKind.Rope,
            Name = id,
            LengthM = length,
            DiameterM = diameter,
            BreakingStrengthN = strength,
            ConstructionId = "double-braid",
        };
}
