using Draklo.Core.Days;
using Draklo.Core.Learning;
using Draklo.Core.Logs;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Tests;

/// <summary>Minutes that the log asks for come back in the next plan's day (M23).</summary>
public sealed class TaskMinutesTests
{
    [Fact]
    public void Two_jobs_that_took_half_as_long_again_make_the_next_day_longer_and_are_taken_back_whole()
    {
        var plan = Cases.SideLeaner();
        var drawn = Drawn(plan, DrawnTasks.Drag);
        Assert.DoesNotContain(Figures(Logged(plan, DrawnTasks.Drag, 1.5)), f => f.MayUse);
        var figure = Figures(Logged(plan, DrawnTasks.Drag, 1.5), Logged(plan, DrawnTasks.Drag, 1.5)).Single();
        Assert.True(figure.MayUse);
        Assert.Equal("task.drag", figure.Id);
        Assert.Equal(1.5, figure.Value.Nominal, 1e-3);
        var own = OwnEdits.With(plan, figure);
        Assert.Equal(1.5 * drawn, Day(own, DrawnTasks.Drag).Minutes.Nominal, 0.06);
        Assert.True(Day(own, DrawnTasks.Drag).Own);
        Assert.Equal(Provenance.Crew, own.Provenance["work.tasks[0].likelyMin"]);
        Assert.Contains(OwnEdits.Of(own, [figure], UnitSystem.Metric), c => c.InUse);
        Assert.Equal(Cases.Json(plan).ToJsonString(), Cases.Json(OwnEdits.Without(own, figure)).ToJsonString());
    }

    [Fact]
    public void A_figure_of_setting_a_line_stands_at_every_line_of_the_plan()
    {
        var plan = Cases.SideLeaner();
        var lines = plan.Lines.Select(l => $"{DrawnTasks.SetLine}-{l.Id}").ToList();
        Assert.True(lines.Count > 1);
        var figure = Figures(Logged(plan, lines[0], 2), Logged(plan, lines[1], 2)).Single();
        Assert.Equal(DrawnTasks.SetLine, figure.Subject);
        var own = OwnEdits.With(plan, figure);
        Assert.All(lines, id => Assert.Equal(2 * Drawn(plan, id), Day(own, id).Minutes.Nominal, 0.06));
        Assert.Equal(Cases.Json(plan).ToJsonString(), Cases.Json(OwnEdits.Without(own, figure)).ToJsonString());
    }

    /// <summary>What the crew put in before keeps its place and its own marks.</summary>
    [Fact]
    public void What_stands_behind_it_keeps_its_place()
    {
        var bare = Cases.SideLeaner();
        var plan = bare with
        {
            Work = bare.Work with
            {
                Tasks =
                [
                    new() { Id = DrawnTasks.Drag, LikelyMin = 20 },
                    new() { Id = DrawnTasks.Brief, LikelyMin = 25 },
                ],
            },
            Provenance = new Dictionary<string, Provenance> { ["work.tasks[1].likelyMin"] = Provenance.Measured },
        };
        // Against what is drawn up, not against what the crew had put in.
        var figure = Figures(Logged(plan, DrawnTasks.Drag, 1.5), Logged(bare, DrawnTasks.Drag, 1.5)).Single();
        Assert.Equal(1.5, figure.Value.Nominal, 1e-3);
        var without = OwnEdits.Without(OwnEdits.With(plan, figure), figure);
        Assert.Equal(25, without.Work.Tasks[1].LikelyMin);
        Assert.Equal(Provenance.Measured, without.Provenance["work.tasks[1].likelyMin"]);
        Assert.Equal(Drawn(plan, DrawnTasks.Drag), Day(without, DrawnTasks.Drag).Minutes.Nominal, 1e-9);
    }

    /// <summary>A slip of the pen among five hardly moves it; what nobody could put in a plan stays out.</summary>
    [Fact]
    public void One_odd_entry_hardly_counts_and_absurd_ones_stay_out()
    {
        var plan = Cases.SideLeaner();
        double[] shares = [1.0, 1.05, 1.1, 0.95, 9];
        var figure = Figures([.. shares.Select(s => Logged(plan, DrawnTasks.Cuts, s))]).Single();
        Assert.InRange(figure.Value.Nominal, 1, 1.15);
        Assert.InRange(figure.Value.High, figure.Value.Nominal, 30);
        var absurd = Figures(Logged(plan, DrawnTasks.Brief, 90), Logged(plan, DrawnTasks.Brief, 90)).Single();
        Assert.False(absurd.MayUse);
        Assert.Same(plan, OwnEdits.With(plan, absurd));
    }

    [Fact]
    public void Tasks_of_the_crew_s_own_and_of_no_plan_teach_nothing()
    {
        var plan = Cases.SideLeaner();
        Assert.Empty(Figures(Logged(plan, "tea", 1, 30), Logged(plan, "tea", 1, 30)));
    }

    private static double Drawn(Plan plan, string id) =>
        DrawnTasks.Timed(plan, plan.Analysed()).Single(t => t.Id == id).Minutes.Nominal;

    private static DayTask Day(Plan plan, string id) => DrawnTasks.Of(plan, plan.Analysed()).Single(t => t.Id == id);

    private static LoggedJob Logged(Plan plan, string id, double share, double? minutes = null)
    {
        var log = new JobLog
        {
            Stage = JobStage.Done,
            On = "2026-11-20",
            By = "Runa",
            Minutes = [new() { TaskId = id, Minutes = minutes ?? share * Drawn(plan, id) }],
        };
        return LoggedJob.Of(log, "j", "Side-leaner", plan, plan.Analysed());
    }

    private static IReadOnlyList<LearnedFigure> Figures(params LoggedJob[] jobs) =>
        Learned.Of(jobs, [], new HashSet<string>());
}
