using Draklo.Core.Learning;
using Draklo.Core.Units;

namespace Draklo.Core.Tests;

/// <summary>Trials are kept from their first step on; what cannot be is told at its member.</summary>
public sealed class TrialRulesTests
{
    private static readonly DateOnly Today = new(2026, 6, 1);

    private static readonly Trial Hinge = new()
    {
        Id = "hinge-1",
        Kind = TrialKind.Hinge,
        On = "2026-05-01",
        By = "Mette",
        SpeciesId = "alder-black",
    };

    [Fact]
    public void Half_a_trial_is_kept_and_only_a_finished_one_must_be_whole()
    {
        Assert.Empty(Check(Hinge));
        Assert.Empty(Check(Hinge with { Readings = [new() { LeanDeg = 10 }] }));
        Assert.Contains("broke", At(Hinge with { Finished = true }, "readings"), StringComparison.Ordinal);
        Assert.Empty(Check(Hinge with { Finished = true, Readings = [new() { LeanDeg = 30, Broke = true }] }));
    }

    [Fact]
    public void Steps_that_cannot_be_are_told()
    {
        Assert.Contains(
            "one direction",
            At(Hinge with { Readings = [new() { LeanDeg = 20 }, new() { LeanDeg = 10 }] }, "readings[1].leanDeg"),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "had broken",
            At(Hinge with { Readings = [new() { LeanDeg = 20, Broke = true }, new() { LeanDeg = 25 }] }, "readings[1]"),
            StringComparison.Ordinal
        );
        var friction = Hinge with { Kind = TrialKind.Friction, ContactId = "bushed-block" };
        Assert.Contains(
            "changed over",
            At(friction with { Readings = [new() { UpN = 80, DownN = 110 }] }, "readings[0].downN"),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Subjects_days_and_guesses_are_looked_at()
    {
        At(Hinge with { SpeciesId = "plastic" }, "speciesId");
        At(Hinge with { Kind = TrialKind.Friction }, "contactId");
        At(Hinge with { Kind = TrialKind.Grip }, "gripId");
        At(Hinge with { Kind = TrialKind.Throw }, "way");
        At(Hinge with { On = "2026-07-01" }, "on");
        At(Hinge with { On = "yesterday" }, "on");
        At(Hinge with { By = " " }, "by");
        At(
            Hinge with
            {
                Guesses = [new() { Name = "Bo", Value = 30 }, new() { Name = "Bo", Value = 40 }],
            },
            "guesses[1].name"
        );
    }

    [Fact]
    public void The_nearest_guess_is_named()
    {
        var trial = Hinge with
        {
            Guesses = [new() { Name = "Bo", Value = 50 }, new() { Name = "Jory", Value = 31 }],
            Readings = [new() { LeanDeg = 33, Broke = true }],
        };
        Assert.Equal("Jory", TrialResult.Of(trial, UnitSystem.Metric).Nearest);
        Assert.Equal("", TrialResult.Of(Hinge, UnitSystem.Metric).Nearest);
    }

    private static List<Problem> Check(Trial trial) => TrialRules.Check(trial, Today, UnitSystem.Metric);

    private static string At(Trial trial, string path) => Assert.Single(Check(trial), p => p.Path == path).Message;
}
