using CsCheck;
using Draklo.Core.Analyses;
using Draklo.Core.Learning;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Tests;

/// <summary>How much a figure rests on decides how far it may be off, and whether it stands in a plan at all.</summary>
public sealed class EvidenceTests
{
    [Fact]
    public void Readings_that_agree_to_the_last_digit_are_not_taken_for_certain()
    {
        var twice = Figures(Turn(0.88), Turn(0.88))["turn.bushed-block"];
        Assert.True(twice.MayUse);
        Assert.True(twice.Value.High - twice.Value.Low > 0.08);
    }

    [Fact]
    public void Until_five_the_tables_own_spread_stays_within_the_crews()
    {
        var two = Figures(Turn(0.86), Turn(0.865))["turn.bushed-block"];
        Assert.True(two.Value.Low <= 0.84 && two.Value.High >= 0.94, $"{two.Value}");
        var five = Figures(Turn(0.86), Turn(0.865), Turn(0.862), Turn(0.858), Turn(0.861))["turn.bushed-block"];
        Assert.True(five.Value.High < 0.94, $"{five.Value}");
        var drum = Figures(Drum(0.2), Drum(0.21))["drum"];
        Assert.True(drum.Value.Low <= 0.12 && drum.Value.High >= 0.25, $"{drum.Value}");
    }

    [Fact]
    public void A_hinge_that_broke_as_its_notch_closed_says_nothing_of_the_wood()
    {
        var trial = Hinge(44) with { NotchDeg = 45 };
        var found = TrialResult.Of(trial, UnitSystem.Metric);
        Assert.Equal(44, found.Value);
        Assert.False(found.Counts);
        Assert.Contains("notch closed", found.Words, StringComparison.Ordinal);
        Assert.True(TrialResult.Of(trial with { NotchDeg = 70 }, UnitSystem.Metric).Counts);
        Assert.False(TrialResult.Of(trial with { NotchDeg = 70, Finished = false }, UnitSystem.Metric).Counts);
        Assert.False(TrialResult.Of(trial with { NotchDeg = 70, GivenUp = "rain" }, UnitSystem.Metric).Counts);
    }

    [Fact]
    public void A_trial_says_what_it_is_of()
    {
        Assert.Equal("Black alder", TrialResult.Of(Hinge(30), UnitSystem.Metric).Subject);
        Assert.Equal("Plain-bushed block", TrialResult.Of(Turn(0.9), UnitSystem.Metric).Subject);
        Assert.Equal("Drum", TrialResult.Of(Drum(0.2), UnitSystem.Metric).Subject);
        Assert.Equal("Bo", TrialResult.Of(Pulled(300) with { Person = "Bo" }, UnitSystem.Metric).Subject);
        Assert.Equal("", TrialResult.Of(Pulled(300), UnitSystem.Metric).Subject);
    }

    [Fact]
    public void What_a_plan_does_not_take_is_not_offered()
    {
        var weak = Figures(Pulled(30), Pulled(32), Pulled(31))["haul"];
        Assert.False(weak.MayUse);
        Assert.Contains("outside what a plan takes", weak.Why, StringComparison.Ordinal);
        var usual = Figures(Pulled(240), Pulled(250), Pulled(245))["haul"];
        Assert.True(usual.MayUse);
        Assert.True(usual.Value.Nominal < 240, "what nineteen in twenty come to lies under the least of three");
    }

    [Fact]
    public void The_highest_seat_of_five_throws_is_the_crews_best()
    {
        double[] heights = [13.5, 26.2, 24.8, 25, 25.5];
        var best = Figures([.. heights.Select(Thrown)])["throw.hand"];
        Assert.Equal(26.2, best.Value.Nominal);
        Assert.True(best.MayUse);
        Assert.False(Figures([.. heights.Take(4).Select(Thrown)])["throw.hand"].MayUse);
    }

    [Fact]
    public void A_grip_is_taken_at_what_it_falls_to_and_no_higher_before_five()
    {
        double[] strong = [14_000, 14_500, 14_200, 14_300];
        Assert.False(Figures([.. strong.Select(Gripped)])["grip.prusik"].MayUse);
        double[] weak = [3_000, 3_400];
        var low = Figures([.. weak.Select(Gripped)])["grip.prusik"];
        Assert.True(low.MayUse);
        Assert.True(low.Value.Nominal < 3_000);
    }

    /// <summary>
    /// Whatever trials say, a plan that takes what is offered can be computed, and has the table's figures again when
    /// it gives it back.
    /// </summary>
    [Fact]
    public void Any_figure_that_is_offered_fits_the_plan_and_comes_out_again() =>
        Gen.Select(
                Gen.Double[0.3, 0.98].List[1, 8],
                Gen.Double[0.06, 0.5].List[1, 8],
                Gen.Double[5, 110].List[1, 6],
                Gen.Double[20, 900].List[1, 7]
            )
            .Sample(
                (passes, frictions, angles, pulls) =>
                {
                    var plan = Cases.Sound();
                    plan = plan with { Tree = plan.Tree with { SpeciesId = "alder-black", Wood = null } };
                    plan = plan.WithTackle(0, t => t with { SystemId = "five-to-one", ContactId = "bushed-block" })
                        .WithLine(0, l => l with { Limiter = new(), Puller = l.Puller with { EffortEachN = 250 } });
                    var figures = Figures([
                        .. passes.Select(Turn),
                        .. frictions.Select(Drum),
                        .. angles.Select(Hinge),
                        .. pulls.Select(Pulled),
                    ]);
                    foreach (var figure in figures.Values)
                    {
                        Assert.True(
                            figure.Value.Low <= figure.Value.Nominal && figure.Value.Nominal <= figure.Value.High
                        );
                        var own = OwnEdits.With(plan, figure);
                        var (_, problems) = PlanAnalysis.Of(own, UnitSystem.Metric, withWorkings: false);
                        Assert.DoesNotContain(problems, p => p.Path.Contains("passes", StringComparison.Ordinal));
                        Assert.DoesNotContain(
                            problems,
                            p => p.Path.Contains("friction", StringComparison.OrdinalIgnoreCase)
                        );
                        Assert.DoesNotContain(problems, p => p.Path.Contains("holds", StringComparison.Ordinal));
                        Assert.DoesNotContain(problems, p => p.Path.Contains("effort", StringComparison.Ordinal));
                        if (figure.MayUse)
                        {
                            Assert.Equal(
                                Cases.Json(plan).ToJsonString(),
                                Cases.Json(OwnEdits.Without(own, figure)).ToJsonString()
                            );
                        }
                    }
                },
                iter: Tries.Of(150)
            );

    private static Dictionary<string, LearnedFigure> Figures(params Trial[] trials) =>
        Learned
            .Of(
                [],
                [
                    .. trials
                        .Select(t => (Trial: t, Found: TrialResult.Of(t, UnitSystem.Metric)))
                        .Where(t => t.Found.Counts)
                        .Select(t => new FinishedTrial(t.Trial, t.Found.Value!.Value)),
                ],
                new HashSet<string>()
            )
            .ToDictionary(f => f.Id, StringComparer.Ordinal);

    private static Trial Turn(double passes) =>
        Some(TrialKind.Friction, new() { UpN = 100 / passes, DownN = 100 * passes }) with
        {
            ContactId = "bushed-block",
        };

    private static Trial Drum(double friction)
    {
        var grown = Math.Exp(2 * Math.PI * friction);
        return Some(TrialKind.Friction, new() { UpN = 100 * grown, DownN = 100 / grown }) with { DrumTurns = 1 };
    }

    private static Trial Hinge(double broke) =>
        Some(TrialKind.Hinge, new() { LeanDeg = broke, Broke = true }) with
        {
            SpeciesId = "alder-black",
        };

    private static Trial Pulled(double newtons) => Some(TrialKind.Pull, new() { ReadN = newtons });

    private static Trial Gripped(double newtons) =>
        Some(TrialKind.Grip, new() { ReadN = newtons }) with
        {
            GripId = "prusik",
        };

    private static Trial Thrown(double metres) =>
        Some(TrialKind.Throw, new() { HeightM = metres }) with
        {
            Way = SettingWay.Hand,
        };

    private static Trial Some(TrialKind kind, TrialReading reading) =>
        new()
        {
            Id = "t",
            Kind = kind,
            On = "2026-03-01",
            By = "Mette",
            Finished = true,
            Readings = [reading],
        };
}
