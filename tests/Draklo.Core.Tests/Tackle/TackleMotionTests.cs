using Draklo.Core.Catalogue;
using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Studies;
using Draklo.Core.Tackle;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>How tackles move, in how many sets they haul, and where friction took its part.</summary>
public sealed class TackleMotionTests
{
    public static TheoryData<string> Systems => [.. TackleSystems.All.Select(s => s.Id)];

    [Theory]
    [MemberData(nameof(Systems))]
    public void The_load_comes_in_by_the_rope_hauled_over_the_ideal_advantage(string id)
    {
        // Virtual work: what force gains, way pays.
        var system = TackleSystems.Find(id)!;
        var load = system.Shape.Points.Select((p, i) => (p, i)).Single(x => x.p.Kind == PointKind.Load).i;
        Assert.Equal(1, Math.Abs(system.Motion.Speeds[load]) * system.Solve(new(1, 1)).IdealAdvantage, 1e-9);
        Assert.True(system.Motion.Speeds[load] < 0, "toward the anchor or the hand");
    }

    [Theory]
    [MemberData(nameof(Systems))]
    public void No_rope_changes_its_length(string id)
    {
        var system = TackleSystems.Find(id)!;
        var shape = system.Shape;
        foreach (var rope in shape.Ropes)
        {
            double change = 0;
            var from = Index(rope.From);
            foreach (var contact in rope.Contacts)
            {
                var to = Index(contact.Point);
                change +=
                    Math.Sign(shape.Points[to].Position - shape.Points[from].Position)
                    * (system.Motion.Speeds[to] - system.Motion.Speeds[from]);
                from = to;
            }

            Assert.Equal(0, change, 1e-9);
        }

        int Index(string point) => shape.Points.Select((p, i) => (p, i)).Single(x => x.p.Id == point).i;
    }

    [Theory]
    [InlineData("direct", null, 1)]
    [InlineData("redirected", null, 1)]
    [InlineData("two-to-one", 5.0, 1)]
    [InlineData("five-to-one", 5.0, 1)]
    [InlineData("nine-to-one", 5.0 / 3, 3)]
    [InlineData("ten-to-one", 5.0 / 2, 2)]
    [InlineData("five-between-grips", 5.0 / 2, 2)]
    public void A_set_ends_where_two_blocks_meet(string id, double? perSet, int sets)
    {
        // Opened 6 m, closed 1 m, a take-up of 4 m: the nine hauls a third of its five metres at a time.
        var system = TackleSystems.Find(id)!;
        var found = HaulSets.Of(system.Closing, 6, 1, 4);
        Assert.Equal(sets, found.Sets);
        Assert.Equal(perSet is null, found.LinePerSetM is null);
        if (perSet is { } line)
        {
            Assert.Equal(line, found.LinePerSetM!.Value, 1e-9);
            Assert.Equal(line * system.Solve(new(1, 1)).IdealAdvantage, found.HaulPerSetM!.Value, 1e-9);
        }
    }

    [Theory]
    [MemberData(nameof(Systems))]
    public void What_each_contact_costs_makes_up_the_whole_difference(string id)
    {
        var system = TackleSystems.Find(id)!;
        var arrangement = system.Rove(Turns.Usual(Reference.Contacts["bushed-block"]));
        var solved = TackleSolver.Solve(arrangement).Solution!;
        var costs = FrictionAccount.Of(arrangement, solved);
        Assert.Equal(solved.IdealAdvantage - solved.ActualAdvantage, costs.Sum(c => c.Costs), 1e-9);
        Assert.All(costs, c => Assert.True(c.Costs >= -1e-9 && c.Outgoing < c.Incoming, $"{c.Point}: {c.Costs}"));
        Assert.Equal(arrangement.Ropes.Sum(r => r.Contacts.Count(c => c.Efficiency is not null)), costs.Count);
    }

    [Fact]
    public void The_view_is_the_plans_own_tackle_in_newtons()
    {
        var plan = Lime().WithMain(l => l with { Tackle = l.Tackle with { SystemId = "four-to-one" } });
        var (view, problems) = TackleView.Of(plan, 0, UnitSystem.Metric);
        Assert.Empty(problems);
        var line = plan.Analysed().Pull.Lines[0];
        Near(line.Tackle.HandForceN, view!.LegForcesN[0], 1e-9);
        Near(line.EndTensionN, view.PointForcesN[1], 1e-9);
        Assert.Contains("it is four", view.PeopleSay, StringComparison.Ordinal);

        // Four legs of six metres and a tail of three.
        Near(27, view.RopeM, 1e-9);
        Assert.Contains("put a grip", view.HeldBy, StringComparison.Ordinal);
        Assert.Equal("line", Assert.Single(TackleView.Of(plan, 4, UnitSystem.Metric).Problems).Path);
    }

    [Fact]
    public void Many_sets_ask_for_something_that_holds()
    {
        var plan = Lime().WithMain(l => l with { Tackle = l.Tackle with { OpenedM = 1.5 } });
        Assert.True(plan.Analysed().Pull.Lines[0].Tackle.Sets.Sets > 1);
        Assert.Contains(plan.Analysed().Verdict.Reasons, r => r.Path == "lines[0].tackle.openedM");
        var gripped = plan.WithMain(l =>
            l with
            {
                Tackle = l.Tackle with { Hold = new() { Grip = new() { GripId = "machard" } } },
            }
        );
        Assert.DoesNotContain(gripped.Analysed().Verdict.Reasons, r => r.Path == "lines[0].tackle.openedM");
        Assert.Equal(
            "lines[0].tackle.closedM",
            Lime().WithMain(l => l with { Tackle = l.Tackle with { ClosedM = 7 } }).OnlyProblem().Path
        );
        var short1 = Lime()
            .WithMain(l => l with { Tackle = l.Tackle with { Rope = l.Tackle.Rope! with { LengthM = 20 } } });
        Assert.Contains(
            short1.Analysed().Verdict.Reasons,
            r => r.Path == "lines[0].tackle.rope.lengthM" && r.Text.Contains("33 m", StringComparison.Ordinal)
        );
    }
}
