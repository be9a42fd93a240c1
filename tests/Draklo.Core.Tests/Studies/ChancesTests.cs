using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Studies;
using Draklo.Core.Trees;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>What is not known carried through by samples.</summary>
public sealed class ChancesTests
{
    [Fact]
    public void A_latin_hypercube_covers_every_part_of_every_input_once()
    {
        var drawn = LatinHypercube.Of(3, 200, 7);
        for (var i = 0; i < 3; i++)
        {
            var shares = drawn.Select(d => Share(d[i])).Order().ToArray();
            for (var s = 0; s < shares.Length; s++)
            {
                Assert.InRange(shares[s], (s / 200.0) - 1e-9, ((s + 1) / 200.0) + 1e-9);
            }
        }

        // The triangular distribution's own sum, the other way round.
        static double Share(double u) => u < 0 ? (1 + u) * (1 + u) / 2 : 1 - ((1 - u) * (1 - u) / 2);
    }

    [Fact]
    public void Half_of_a_triangle_lies_below_its_middle_and_its_ends_are_its_ends()
    {
        Assert.Equal(-1, LatinHypercube.Triangular(0), 1e-12);
        Assert.Equal(0, LatinHypercube.Triangular(0.5), 1e-12);
        Assert.Equal(1, LatinHypercube.Triangular(1), 1e-12);
        Assert.Equal(-0.5, LatinHypercube.Triangular(0.125), 1e-12);
    }

    [Fact]
    public void The_same_plan_and_seed_give_the_same_answer_and_another_seed_nearly_so()
    {
        var one = Chances(Lime(), 400, 1);
        var again = Chances(Lime(), 400, 1);
        Assert.Equal(one.NeededTensionN, again.NeededTensionN);
        Assert.Equal(one.HandForceN, again.HandForceN);
        Assert.Equal(one.Influences.Select(i => i.Swing), again.Influences.Select(i => i.Swing));
        Near(one.NeededTensionN.Middle, Chances(Lime(), 400, 2).NeededTensionN.Middle, 0.03);
        Assert.NotEqual(one.NeededTensionN, Chances(Lime(), 400, 2).NeededTensionN);
    }

    [Fact]
    public void The_planned_figures_lie_inside_their_spread()
    {
        var chances = Chances(Lime(), 1000, 3);
        var planned = Lime().Analysed();
        Assert.InRange(planned.Pull.NeededTensionN, chances.NeededTensionN.Low, chances.NeededTensionN.High);
        Assert.InRange(planned.Pull.Lines[0].Tackle.HandForceN, chances.HandForceN.Low, chances.HandForceN.High);
        Near(planned.Pull.NeededTensionN, chances.NeededTensionN.Middle, 0.05);
        Assert.Equal(0, chances.Refused);
    }

    [Fact]
    public void A_lean_seen_from_two_sides_matters_less_than_a_guess()
    {
        var seen = Lime() with
        {
            Readings = new()
            {
                LeanViews = [new() { LookingDeg = 0, LeanDeg = -3 }, new() { LookingDeg = 90, LeanDeg = 0 }],
            },
        };
        var guessed = Lime() with { Guesses = ["tree.lean.angleDeg"] };
        Assert.True(Swing(seen) < Swing(guessed) / 3);
        Assert.Equal("tree.lean.angleDeg", Chances(guessed, 100, 1).Influences[0].Path);
        Assert.Contains("Measure the lean", Chances(guessed, 100, 1).Text, StringComparison.Ordinal);
        Assert.True(Chances(guessed, 600, 1).NeededTensionN.High > Chances(seen, 600, 1).NeededTensionN.High);

        static double Swing(Plan plan) =>
            Chances(plan, 100, 1).Influences.Single(i => i.Path == "tree.lean.angleDeg").Swing;
    }

    [Fact]
    public void A_link_near_its_limit_fails_in_some_samples_and_one_far_from_it_in_none()
    {
        var plan = Lime()
            .WithMain(l =>
                l with
                {
                    Puller = new() { Count = 2, EffortEachN = 260 },
                }
            );
        var hands = Chances(plan, 500, 5).Links.Single(l => l.LinkId == "main.hands");
        Assert.InRange(hands.Fails, 0.02, 0.98);
        Assert.DoesNotContain(Chances(plan, 500, 5).Links, l => l.LinkId == "main.rope");
    }

    [Fact]
    public void Every_input_stands_for_a_member_of_the_plan_and_moves_it()
    {
        Assert.All(UncertainInput.Of(Heavy.Plan()), i => Assert.True(MemberPaths.IsMember<Plan>(i.Path), i.Path));
        foreach (var input in UncertainInput.Of(Heavy.Plan()))
        {
            Assert.NotEqual(input.Moved(Heavy.Plan(), -1), input.Moved(Heavy.Plan(), 1));
        }
    }

    private static PlanChances Chances(Plan plan, int samples, int seed)
    {
        var (chances, problems) = PlanChances.Of(plan, samples, seed, UnitSystem.Metric);
        Assert.Empty(problems);
        return chances!;
    }
}
