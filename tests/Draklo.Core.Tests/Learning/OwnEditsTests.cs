using Draklo.Core.Analyses;
using Draklo.Core.Learning;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Tests;

/// <summary>A crew's own figures in a plan: put in, told, taken out, and refused where too little is behind them.</summary>
public sealed class OwnEditsTests
{
    [Fact]
    public void A_factor_multiplies_what_is_planned_and_the_plan_says_so()
    {
        var plan = Species("lime");
        var figure = Figure(LearnedKind.Pull, "lime", new(1.1, 1.1, 1.1), 3);
        var own = OwnEdits.With(plan, figure);
        var (before, after) = (plan.Analysed(), own.Analysed());
        Cases.Near(before.Pull.PlannedTensionN * 1.1, after.Pull.PlannedTensionN, 1e-9);
        Cases.Near(before.Pull.NeededTensionN, after.Pull.NeededTensionN, 1e-12);
        Assert.Contains("ours, from 3 pulls", Assert.Single(after.Ours), StringComparison.Ordinal);
        Assert.Empty(before.Ours);
        var without = OwnEdits.Without(own, figure).Analysed();
        Cases.Near(before.Pull.PlannedTensionN, without.Pull.PlannedTensionN, 1e-12);
        Assert.Empty(without.Ours);
    }

    [Fact]
    public void A_factor_without_jobs_behind_it_is_refused()
    {
        var plan = Species("lime");
        Assert.Equal("tree.pullFactor", Edited(plan, 0.9).OnlyProblem().Path);
        Assert.Equal("tree.pullFactor", Edited(plan, 1.1).OnlyProblem().Path);
        var four = OwnEdits.With(plan, Figure(LearnedKind.Pull, "lime", new(0.9, 0.9, 0.9), 4));
        Assert.Contains("5 jobs", four.OnlyProblem().Message, StringComparison.Ordinal);
        Assert.NotNull(OwnEdits.With(plan, Figure(LearnedKind.Pull, "lime", new(0.9, 0.9, 0.9), 5)).Analysed().Pull);

        static Plan Edited(Plan plan, double factor) => plan with { Tree = plan.Tree with { PullFactor = factor } };
    }

    [Fact]
    public void A_figure_that_may_not_stand_there_is_not_put_in()
    {
        var plan = Species("lime");
        Assert.Same(plan, OwnEdits.With(plan, Figure(LearnedKind.Aim, "", new(3, 3, 3), 2) with { MayUse = false }));
    }

    [Fact]
    public void Turns_of_the_crews_own_change_what_the_hands_give()
    {
        var plan = Species("lime").WithTackle(0, t => t with { SystemId = "five-to-one", ContactId = "bushed-block" });
        var figure = Figure(LearnedKind.Turn, "bushed-block", new(0.7, 0.8, 0.9), 5);
        var own = OwnEdits.With(plan, figure).Analysed();
        // Five parts with 0.8 at each turn: 1 + 0.8 + 0.64 + 0.512 + 0.4096.
        Cases.Near(3.3616, own.Pull.Lines[0].Tackle.ActualAdvantage, 1e-6);
        Assert.Contains("lines[0].tackle.passes.nominal", OwnEdits.With(plan, figure).Ours.Select(o => o.Path));
    }

    [Fact]
    public void A_wood_of_trials_stands_in_place_of_its_class_and_never_makes_dead_wood_hold()
    {
        var plan = Species("alder-black");
        var figure = Figure(LearnedKind.Hold, "alder-black", new(25, 34, 43), 4);
        var own = OwnEdits.With(plan, figure);
        Assert.True(own.Analysed().Hinge.HoldAngleDeg > plan.Analysed().Hinge.HoldAngleDeg);
        var dead = own with { Tree = own.Tree with { Condition = new() { Dead = true } } };
        Assert.True(dead.Analysed().Hinge.HoldAngleDeg <= 15);
    }

    [Fact]
    public void Only_what_fits_is_offered_and_the_crews_own_before_everybodys()
    {
        var plan = Species("lime") with { Crew = [new() { Name = "Runa", Role = JobRole.Lead }] };
        var offered = OwnEdits.Of(
            plan,
            [
                Figure(LearnedKind.Pull, "lime", new(1.1, 1.1, 1.1), 3),
                Figure(LearnedKind.Pull, "lime", new(1.2, 1.2, 1.2), 2) with
                {
                    Crew = "Runa",
                    Id = "hers",
                },
                Figure(LearnedKind.Pull, "lime", new(1.3, 1.3, 1.3), 2) with
                {
                    Crew = "Bo",
                    Id = "his",
                },
                Figure(LearnedKind.Pull, "birch-silver", new(1.1, 1.1, 1.1), 3),
                Figure(LearnedKind.Drum, "", new(0.1, 0.2, 0.3), 5),
            ],
            UnitSystem.Metric
        );
        Assert.Equal("hers", Assert.Single(offered).FigureId);
    }

    [Fact]
    public void A_figure_that_somebody_changed_since_is_theirs()
    {
        var own = OwnEdits.With(Species("lime"), Figure(LearnedKind.Aim, "", new(4, 4, 4), 6));
        Assert.NotEmpty(OwnFigure.InWords(own));
        var changed = own with
        {
            Provenance = own.Provenance.ToDictionary(p => p.Key, _ => Provenance.Given, StringComparer.Ordinal),
        };
        Assert.Empty(OwnFigure.InWords(changed));
    }

    [Fact]
    public void New_plans_take_what_the_crew_wants_and_nothing_else()
    {
        var wanted = Figure(LearnedKind.Aim, "", new(4, 4, 4), 6) with { Used = true };
        var plan = OwnEdits.WithUsed(
            Species("lime"),
            [wanted, Figure(LearnedKind.Pull, "lime", new(1.1, 1.1, 1.1), 3)]
        );
        Assert.Equal(4, plan.Site.AimErrorDeg);
        Assert.Null(plan.Tree.PullFactor);
        Assert.Equal("site.aimErrorDeg", Assert.Single(plan.Ours).Path);
    }

    private static Plan Species(string id)
    {
        var plan = Cases.Sound();
        return plan with { Tree = plan.Tree with { SpeciesId = id, Wood = null } };
    }

    private static LearnedFigure Figure(LearnedKind kind, string subject, Spread value, int count) =>
        new()
        {
            Id = $"{kind}.{subject}",
            Kind = kind,
            Name = "A figure",
            Subject = subject,
            Crew = "",
            Unit = kind == LearnedKind.Aim ? "deg" : "ratio",
            Count = count,
            Of = "pulls",
            Mean = value.Nominal,
            Deviation = null,
            Value = value,
            Table = new(1, 1, 1),
            MayUse = true,
            Why = "",
            From = [],
            Used = false,
        };
}
