using Draklo.Core.Analyses;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>When a plan may say ready: every condition on its own takes it away.</summary>
public sealed class ReadyTests
{
    [Theory]
    [InlineData("walkUp[0].tickedBy", null, "walk-up-open")]
    [InlineData("walkUp[0].tickedAt", null, "walk-up-open")]
    [InlineData("wind.speedMps", null, "wind-not-given")]
    [InlineData("wind.gustMps", 8.0, "gust-low")]
    [InlineData("wind.speedMps", 4.5, "gust-low")]
    [InlineData("wind.inLeaf", true, "gust-low")]
    [InlineData("policy.loadReserve", 1.15, "reserve-low")]
    [InlineData("policy.designFactor.anchor", 1.5, "factors-lowered")]
    [InlineData("lines[0].anchor.capacityN", null, "anchor-unknown")]
    [InlineData("lines[0].anchor.capacityN", 2500.0, "link-fails")]
    public void One_open_condition_is_enough(string path, object? value, string code)
    {
        Assert.Equal(VerdictState.Ready, Sound().Analysed().Verdict.State);
        var verdict = Edited(Sound(), (path, value)).Analysed().Verdict;
        Assert.NotEqual(VerdictState.Ready, verdict.State);
        Assert.Contains(verdict.Reasons, r => r.Code == code);
    }

    [Theory]
    [InlineData("lines[0].puller.effortEachN", """{ "kind": "handWinch", "machineN": 16000 }""")]
    [InlineData("lines[0].puller.vehicle.massKg", """{ "kind": "people", "count": 4, "effortEachN": 300 }""")]
    [InlineData(
        "lines[0].puller.machineN",
        """{ "kind": "people", "count": 4, "effortEachN": 300, "machineN": 9000 }"""
    )]
    public void No_check_asks_for_a_figure_that_the_chosen_puller_has_no_use_for(string path, string puller)
    {
        var plan = With(Sound(), ("lines[0].puller", puller)) with
        {
            Provenance = new Dictionary<string, Provenance>(StringComparer.Ordinal) { [path] = Provenance.Default },
        };

        Assert.DoesNotContain(plan.Analysed().Verdict.Reasons, r => r.Code == "guess-matters");
    }

    [Fact]
    public void A_winch_whose_own_pull_is_guessed_is_asked_about()
    {
        const string Path = "lines[0].puller.machineN";
        var plan = With(Sound(), ("lines[0].puller", """{ "kind": "handWinch", "machineN": 1500 }""")) with
        {
            Provenance = new Dictionary<string, Provenance>(StringComparer.Ordinal) { [Path] = Provenance.Default },
        };

        Assert.Contains(plan.Analysed().Verdict.Reasons, r => r.Code == "guess-matters" && r.Path == Path);
    }

    [Theory]
    [InlineData("tree.heightM")]
    [InlineData("tree.dbhM")]
    [InlineData("tree.lean.angleDeg")]
    [InlineData("tree.lean.bearingDeg")]
    [InlineData("tree.crown.reachM.west")]
    [InlineData("cut.stumpDiameterM")]
    [InlineData("lines[0].anchor.distanceM")]
    [InlineData("lines[0].seat.heightM")]
    [InlineData("lines[0].rope.breakingStrengthN")]
    [InlineData("lines[0].puller.effortEachN")]
    public void A_guess_that_the_pull_rests_on_is_a_check_at_its_member(string path)
    {
        foreach (var guessed in Guessed(path))
        {
            var verdict = guessed.Analysed().Verdict;
            Assert.Equal(VerdictState.Check, verdict.State);
            Assert.Contains(verdict.Reasons, r => r.Code == "guess-matters" && r.Path == path);
        }
    }

    [Theory]
    [InlineData("lines[0].anchor.capacityN")]
    [InlineData("lines[0].rope.lengthM")]
    [InlineData("site.aimErrorDeg")]
    public void A_guess_that_changes_nothing_is_no_check(string path)
    {
        // An anchor that holds thirty times what is asked, a rope with 9 m to spare.
        var plan = Sound().WithMain(l => l with { Anchor = l.Anchor with { CapacityN = 100_000 } });
        foreach (var guessed in Guessed(path, plan))
        {
            var verdict = guessed.Analysed().Verdict;
            Assert.Equal(VerdictState.Ready, verdict.State);
            Assert.Contains(verdict.Reasons, r => r.Code == "guesses-left");
        }
    }

    [Fact]
    public void Provenance_speaks_before_the_list_of_guesses()
    {
        var plan = Sound() with { Guesses = ["tree.heightM"] };
        Assert.True(plan.IsGuess("tree.heightM"));
        foreach (var from in Enum.GetValues<Provenance>())
        {
            var told = plan with { Provenance = new Dictionary<string, Provenance> { ["tree.heightM"] = from } };
            var guess = from is Provenance.Default or Provenance.Guess or Provenance.Simulated;
            Assert.Equal(guess, told.IsGuess("tree.heightM"));
            Assert.Equal(guess ? 1 : 0, told.AllGuesses().Count());
            Assert.Equal(guess, told.Analysed().Verdict.State != VerdictState.Ready);
        }
    }

    [Fact]
    public void A_plan_of_which_nothing_is_measured_says_so_instead_of_judging()
    {
        var plan = Sound() with { Guesses = ["tree.heightM", "tree.dbhM", "tree.lean.angleDeg"] };
        var verdict = plan.WithMain(l => l with { Rope = l.Rope with { BreakingStrengthN = 2000 } }).Analysed().Verdict;
        Assert.Equal(VerdictState.Check, verdict.State);
        Assert.StartsWith("Nothing is measured yet", verdict.Headline, StringComparison.Ordinal);
        Assert.DoesNotContain(verdict.Reasons, r => r.State == VerdictState.Stop);
        Assert.False(Assert.Single(verdict.Reasons, r => r.Code == "nothing-measured").Acceptable);
    }

    [Fact]
    public void An_accepted_check_counts_as_met_and_lapses_when_its_figures_move()
    {
        var leafy = Lime();
        var check = Assert.Single(leafy.Analysed().Verdict.Reasons, r => r.State == VerdictState.Check);
        Assert.Equal("gust-low", check.Code);
        var accepted = leafy with { Accepted = [Entry(check)] };
        var verdict = accepted.Analysed().Verdict;
        Assert.Equal(VerdictState.Ready, verdict.State);
        Assert.Equal("Mara", Assert.Single(verdict.Accepted).By);
        Assert.DoesNotContain(verdict.Reasons, r => r.Code == "gust-low");

        // More reserve moves the gust by a twelfth: the check stands again, and says that somebody had accepted it.
        var moved = Edited(accepted, ("policy.loadReserve", 1.35)).Analysed().Verdict;
        Assert.Equal(VerdictState.Check, moved.State);
        Assert.Empty(moved.Accepted);
        Assert.Contains(moved.Reasons, r => r.Code == "acceptance-lapsed");

        // Accepted without its figures it lapses at once: nobody can say that they are still the same.
        var bare = leafy with
        {
            Accepted = [Entry(check) with { Values = null }],
        };
        Assert.Equal(VerdictState.Check, bare.Analysed().Verdict.State);
    }

    [Theory]
    [InlineData("lines[0].rope.breakingStrengthN", 9000.0, "link-fails", null)]
    [InlineData("cut.notch.openingDeg", 10.0, "hinge-barely-holds", "cut.notch.openingDeg")]
    public void Only_checks_are_accepted(string path, double value, string code, string? at)
    {
        var plan = Edited(Sound(), (path, value));
        var reason = plan.Analysed().Verdict.Reasons.First(r => r.Code == code);
        var verdict = (plan with { Accepted = [Entry(reason)] }).Analysed().Verdict;
        Assert.Equal(at, reason.Path);
        Assert.Equal(reason.Acceptable, verdict.Accepted.Count == 1);
        Assert.Equal(reason.State == VerdictState.Check, reason.Acceptable);
    }

    [Fact]
    public void A_power_line_is_never_accepted_and_the_utilitys_word_answers_it()
    {
        TargetMembers wire = new()
        {
            Id = "wire",
            Kind = TargetKind.PowerLine,
            Points = [Place(-10, 30), Place(40, 30)],
        };
        var near = WithTargets(Sound(), wire);
        var stop = near.Analysed().Verdict.Reasons.First(r => r.Code == "power-line-near");
        Assert.Equal(VerdictState.Stop, stop.State);
        Assert.Equal(VerdictState.Stop, (near with { Accepted = [Entry(stop)] }).Analysed().Verdict.State);
        var answered = WithTargets(
            Sound(),
            wire with
            {
                UtilityWord = new()
                {
                    By = "Control room",
                    At = "2026-04-18T07:00:00+02:00",
                    Says = "switched off",
                },
            }
        );
        Assert.Equal(VerdictState.Ready, answered.Analysed().Verdict.State);
    }

    [Theory]
    [InlineData("by", " ", "accepted[0].by")]
    [InlineData("because", "", "accepted[0].because")]
    [InlineData("at", "yesterday", "accepted[0].at")]
    public void An_acceptance_says_who_why_and_when(string member, string value, string path)
    {
        var plan = Lime() with
        {
            Accepted =
            [
                new()
                {
                    Code = "gust-low",
                    By = "Mara",
                    At = "2026-04-18T08:00:00+02:00",
                    Because = "calm",
                },
            ],
        };
        Assert.Equal(path, Edited(plan, ($"accepted[0].{member}", value)).OnlyProblem().Path);
    }

    [Fact]
    public void Provenance_of_no_member_is_refused() =>
        Assert.Equal(
            "provenance",
            (Lime() with { Provenance = new Dictionary<string, Provenance> { ["tree.hieghtM"] = Provenance.Measured } })
                .OnlyProblem()
                .Path
        );

    private static AcceptedMembers Entry(Reason reason) =>
        new()
        {
            Code = reason.Code,
            Path = reason.Path,
            By = "Mara",
            At = "2026-04-18T08:00:00+02:00",
            Because = "the forecast says calm until noon",
            Values = reason.Values,
        };

    private static Plan[] Guessed(string path, Plan? plan = null) =>
        [
            (plan ?? Sound()) with
            {
                Guesses = [path],
            },
            (plan ?? Sound()) with
            {
                Provenance = new Dictionary<string, Provenance> { [path] = Provenance.Default },
            },
        ];
}
