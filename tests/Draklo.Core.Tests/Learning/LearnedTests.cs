using Draklo.Core.Learning;
using Draklo.Core.Logs;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Tests;

/// <summary>Method M23: what the crew's own jobs and trials say, and when it may stand in a plan.</summary>
public sealed class LearnedTests
{
    [Fact]
    public void A_ratio_is_the_mean_of_logarithms_shrunk_by_how_few_there_are()
    {
        double[] ratios = [0.90, 0.95, 0.88, 0.99, 0.93];
        var figure = Of(ratios.Select((r, i) => Pull(i, r)))["pull.ash-european"];
        var mean = ratios.Average(Math.Log);
        Cases.Near(Math.Exp(mean), figure.Mean, 1e-9);
        Cases.Near(Math.Exp(mean * 5 / 8), figure.Value.Nominal, 1e-3);
        Assert.InRange(figure.Deviation!.Value, 0.035, 0.045);
        Assert.Equal(5, figure.Count);
    }

    [Theory]
    [InlineData(0.9, 4, false)]
    [InlineData(0.9, 5, true)]
    [InlineData(1.1, 1, false)]
    [InlineData(1.1, 2, true)]
    [InlineData(0.6, 9, false)]
    [InlineData(1.5, 9, false)]
    public void It_raises_after_two_lowers_after_five_and_far_off_means_measure_better(double ratio, int jobs, bool may)
    {
        var figure = Of(Enumerable.Range(0, jobs).Select(i => Pull(i, ratio)))["pull.ash-european"];
        Assert.Equal(may, figure.MayUse);
        if (ratio is < 0.7 or > 1.4)
        {
            Assert.Contains("measure better", figure.Why, StringComparison.Ordinal);
        }
    }

    /// <summary>One wrong entry among five moves the figure by less than three in a hundred, and it lies in its own spread.</summary>
    [Fact]
    public void One_odd_entry_hardly_moves_the_figure()
    {
        double[] four = [1.15, 1.15, 1.15, 1.15];
        var sound = Of(four.Append(1.15).Select((r, i) => Pull(i, r)))["pull.ash-european"];
        var odd = Of(four.Append(0.115).Select((r, i) => Pull(i, r, confirmed: true)))["pull.ash-european"];
        Assert.InRange(odd.Mean / sound.Mean, 0.97, 1);
        Assert.True(odd.Value.Low <= odd.Value.Nominal && odd.Value.Nominal <= odd.Value.High);
    }

    /// <summary>Kilograms for kilonewtons: what is less than half or more than twice what was predicted is asked again.</summary>
    [Theory]
    [InlineData(0.49, false, 2)]
    [InlineData(0.49, true, 3)]
    [InlineData(0.5, false, 3)]
    [InlineData(2, false, 3)]
    [InlineData(2.01, false, 2)]
    [InlineData(2.01, true, 3)]
    public void An_odd_entry_counts_once_somebody_stands_to_it(double ratio, bool confirmed, int counted) =>
        Assert.Equal(counted, Of([Pull(0, 1.1), Pull(1, 1.1), Pull(2, ratio, confirmed)])["pull.ash-european"].Count);

    /// <summary>A figure that scatters about what was predicted lowers no plan, however many jobs there are.</summary>
    [Fact]
    public void What_scatters_about_one_lowers_nothing()
    {
        double[] ratios = [0.80, 1.12, 0.90, 1.08, 0.97, 1.02, 0.93];
        var figure = Of(ratios.Select((r, i) => Pull(i, r)))["pull.ash-european"];
        Assert.True(figure.Value.Nominal < 1);
        Assert.False(figure.MayUse);
        Assert.Contains("scatters", figure.Why, StringComparison.Ordinal);
    }

    [Fact]
    public void Crews_stand_apart_only_where_there_are_several()
    {
        var one = Of([Pull(1, 1.1), Pull(2, 1.1)]);
        Assert.DoesNotContain(one.Keys, k => k.EndsWith(".runa", StringComparison.Ordinal));
        var two = Of([Pull(1, 1.1), Pull(2, 1.2) with { Crew = "Bo" }]);
        Assert.Equal(1, two["pull.ash-european.runa"].Count);
        Assert.Equal(2, two["pull.ash-european"].Count);
    }

    [Fact]
    public void An_aiming_error_holds_nine_landings_in_ten_and_a_constant_miss_counts()
    {
        // Case of the day: 1.3 m right at 17 m is 4.4°.
        var deg = Math.Atan2(1.3, 17) * 180 / Math.PI;
        Cases.Near(4.37, deg, 0.01);
        var always = Of(Enumerable.Range(0, 6).Select(i => Pull(i, 1) with { AimErrorDeg = deg }))["aim"];
        // Student's t of six, one side 0.95: 1.943.
        Cases.Near(1.943 * deg, always.Value.Nominal, 0.005);
        Assert.True(always.MayUse);
        var few = Of(Enumerable.Range(0, 4).Select(i => Pull(i, 1) with { AimErrorDeg = 0.5 }))["aim"];
        Assert.False(few.MayUse);
    }

    [Fact]
    public void A_wood_has_an_angle_from_three_trials_on()
    {
        Assert.False(Trials(Hinge(30), Hinge(36))["hold.alder-black"].MayUse);
        var three = Trials(Hinge(30), Hinge(36), Hinge(33))["hold.alder-black"];
        Assert.True(three.MayUse);
        Cases.Near(33, three.Mean);
        Assert.True(three.Value.Low < 30 && three.Value.High > 36, "the next one may lie outside those seen");
    }

    [Fact]
    public void A_turn_is_found_without_weighing_what_hangs_on_it()
    {
        // 100 N over a turn that passes 0.9: up 111.1, down 90.
        var trial = Friction("bushed-block", 100 / 0.9, 100 * 0.9);
        Cases.Near(0.9, TrialResult.Of(trial, UnitSystem.Metric).Value!.Value, 1e-6);
        // Bark slides: a quarter turn passes the root of what a half turn does.
        var bark = Friction("bark", 100 / Math.Sqrt(0.5), 100 * Math.Sqrt(0.5)) with
        {
            TurnedDeg = 90,
        };
        Cases.Near(0.5, TrialResult.Of(bark, UnitSystem.Metric).Value!.Value, 1e-6);
    }

    [Fact]
    public void Friction_on_a_drum_follows_from_two_readings()
    {
        var turns = 1.5;
        var grown = Math.Exp(2 * Math.PI * 0.2 * turns);
        var trial = Friction(null, 50 * grown, 50 / grown) with { DrumTurns = turns };
        Cases.Near(0.2, TrialResult.Of(trial, UnitSystem.Metric).Value!.Value, 1e-6);
    }

    [Fact]
    public void What_a_job_asked_of_people_never_stands_in_a_plan()
    {
        var given = Of(Enumerable.Range(0, 9).Select(i => Pull(i, 1)))["haul.given"];
        Assert.False(given.MayUse);
        Assert.Empty(OwnEdits.Of(Cases.Lime(), [given], UnitSystem.Metric));
    }

    [Fact]
    public void Jobs_that_were_called_off_teach_nothing() =>
        Assert.Empty(Of([Pull(1, 1.2) with { Stage = JobStage.CalledOff }]));

    internal static LoggedJob Pull(int at, double ratio, bool confirmed = false) =>
        new()
        {
            JobId = $"job-{at}",
            Name = $"Job {at}",
            On = $"2026-03-{at + 1:00}",
            SpeciesId = "ash-european",
            Crew = "Runa",
            Wood = HingeClass.Strong,
            Stage = JobStage.Done,
            Landing = null,
            AimErrorDeg = null,
            HingeEnded = null,
            HeldDeg = null,
            NotchDeg = 70,
            HoldDeg = null,
            Lines = [new("main", 1500, 1950, 1500 * ratio, 1500 * ratio * 1.2, true, 2, 4) { Confirmed = confirmed }],
            Minutes = 60,
            PersonMinutes = 120,
        };

    private static Dictionary<string, LearnedFigure> Of(IEnumerable<LoggedJob> jobs) =>
        Learned.Of([.. jobs], [], new HashSet<string>()).ToDictionary(f => f.Id, StringComparer.Ordinal);

    private static Dictionary<string, LearnedFigure> Trials(params Trial[] trials) =>
        Learned
            .Of(
                [],
                [.. trials.Select(t => new FinishedTrial(t, TrialResult.Of(t, UnitSystem.Metric).Value!.Value))],
                new HashSet<string>()
            )
            .ToDictionary(f => f.Id, StringComparer.Ordinal);

    private static Trial Hinge(double broke) =>
        new()
        {
            Id = "t",
            Kind = TrialKind.Hinge,
            On = "2026-03-01",
            By = "Mette",
            SpeciesId = "alder-black",
            Finished = true,
            Readings = [new() { LeanDeg = 10 }, new() { LeanDeg = broke, Broke = true }],
        };

    private static Trial Friction(string? contact, double up, double down) =>
        new()
        {
            Id = "t",
            Kind = TrialKind.Friction,
            On = "2026-03-01",
            By = "Mette",
            ContactId = contact,
            Readings = [new() { UpN = up, DownN = down }],
        };
}
