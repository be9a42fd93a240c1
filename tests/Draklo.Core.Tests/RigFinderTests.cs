using Draklo.Core.Rigs;
using Draklo.Core.Gear;
using Draklo.Core.Plans;
using Draklo.Core.Strength;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>The best way to pull a tree from what there is.</summary>
public sealed class RigFinderTests
{
    private static readonly DateOnly Today = new(2026, 11, 25);

    private static readonly GearItem[] Locker =
    [
        Rope("long", 60, 0.0127, 46000), Rope("weak", 60, 0.0127, 14000), Rope("short", 20, 0.0127, 46000), Rope("tackle", 40, 0.011, 32000),
        Rope("gone", 80, 0.0127, 60000) with { State = GearState.Retired, Reason = "cut" },
        new() { Id = "bushed", Kind = GearKind.Block, Name = "Bushed", ContactId = "bushed-block", BreakingStrengthN = 50000, DiameterM = 0.06 },
        new() { Id = "bearing", Kind = GearKind.Block, Name = "Bearing", ContactId = "ball-bearing-block", BreakingStrengthN = 50000, DiameterM = 0.075 },
    ];

    [Fact]
    public void The_best_hold_in_the_full_analysis_and_are_ranked_by_their_least_margin()
    {
        var found = Find(Lime(), Locker);
        Assert.InRange(found.Best.Count, 3, 10);
        Assert.True(found.Holding >= found.Best.Count && found.Tried > 500);
        Assert.Equal(found.Best.Select(r => Math.Round(r.Margin, 3)).OrderDescending(), found.Best.Select(r => Math.Round(r.Margin, 3)));
        foreach (var rig in found.Best)
        {
            var analysis = (Lime() with { Lines = [rig.Line] }).Analysed();
            Assert.DoesNotContain(analysis.Links, l => l.State == LinkState.Fails);
            Near(analysis.Pull.Lines[0].Tackle.HandForceN, rig.HandForceN, 1e-9);
            Assert.True(rig.Line.Rope.LengthM >= rig.RopeUsedM);
            Assert.NotEqual("gone", rig.Line.Rope.ItemId);
        }

        Assert.Equal(found.Best.Count, found.Best.Select(r => (r.Line.Tackle.SystemId, r.Line.Puller.Count)).Distinct().Count());
        Assert.All(found.Next, r => Assert.Contains("fail", r.Why, StringComparison.Ordinal));
    }

    [Fact]
    public void The_same_question_has_the_same_answer()
    {
        var one = Find(Lime(), Locker);
        var again = Find(Lime(), [.. Locker.Reverse()]);
        Assert.Equal(one.Best.Select(r => (r.Words, r.Margin, r.Line.Rope.ItemId)), again.Best.Select(r => (r.Words, r.Margin, r.Line.Rope.ItemId)));
    }

    [Fact]
    public void Nothing_that_holds_comes_with_the_one_thing_that_would_let_it()
    {
        var found = Find(Lime().WithMain(l => l with { Anchor = l.Anchor with { CapacityN = 1200 } }), Locker);
        Assert.Equal(0, found.Holding);
        Assert.NotNull(found.Advice);
        var nothing = Find(Lime(), [Rope("short", 12, 0.0127, 46000)]);
        Assert.Empty(nothing.Best);
        Assert.Contains("No rope is long enough", nothing.Advice, StringComparison.Ordinal);
    }

    [Fact]
    public void An_empty_locker_and_a_plan_that_cannot_be_reckoned_are_refused()
    {
        Assert.Equal("locker", Assert.Single(RigFinder.For(Lime(), [], Today, UnitSystem.Metric).Problems).Path);
        Assert.NotEmpty(RigFinder.For(Lime().WithMain(l => l with { KnotId = "granny" }), Locker, Today, UnitSystem.Metric).Problems);
    }

    [Fact]
    public void It_tells_how_far_it_is_and_stops_when_asked()
    {
        var (finder, _) = RigFinder.For(Lime(), Locker, Today, UnitSystem.Metric);
        var most = 0;
        finder!.Run(UnitSystem.Metric, done => Volatile.Write(ref most, Math.Max(most, done)), CancellationToken.None);
        Assert.Equal(finder.Total, most);
        using var stop = new CancellationTokenSource();
        Assert.Throws<OperationCanceledException>(() => finder.Run(UnitSystem.Metric, _ => stop.Cancel(), stop.Token));
    }

    private static FoundRigs Find(Plan plan, IReadOnlyList<GearItem> locker)
    {
        var (finder, problems) = RigFinder.For(plan, locker, Today, UnitSystem.Metric);
        Assert.Empty(problems);
        return finder!.Run(UnitSystem.Metric, null, CancellationToken.None);
    }

    private static GearItem Rope(string id, double length, double diameter, double strength) => new()
    {
        Id = id, Kind = GearKind.Rope, Name = id, LengthM = length, DiameterM = diameter, BreakingStrengthN = strength, ConstructionId = "double-braid",
    };
}
