using Draklo.Core.Analyses;
using Draklo.Core.Days;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>The tasks against the clock.</summary>
public sealed class DayPlanTests
{
    private static readonly DaySetting Nothing = new(null, []);

    [Fact]
    public void A_throw_line_and_a_tackle_go_side_by_side()
    {
        var day = Of(Sound());
        var set = Task(day, "set-line");
        var tackle = Task(day, "tackle");
        Assert.Equal(set.BeginsMin, tackle.BeginsMin);
        Assert.Equal((8, 15, 35), (set.Minutes.Low, set.Minutes.Nominal, set.Minutes.High));
        Assert.Equal((20, 30, 45), (tackle.Minutes.Low, tackle.Minutes.Nominal, tackle.Minutes.High));
        Assert.False(set.Critical);
        Assert.True(tackle.Critical);
        Assert.Equal(Math.Max(set.EndsMin, tackle.EndsMin), Task(day, "pre-tension").BeginsMin);
        Assert.Equal(480, day.BeginsMin);
    }

    [Fact]
    public void Two_people_cannot_do_both_at_once()
    {
        var two = Edited(Sound(), ("crew", Crew(("Ole", "faller"), ("Runa", "hauler"))));
        var day = Of(two);
        Assert.Equal(Task(day, "set-line").EndsMin, Task(day, "tackle").BeginsMin);
        Assert.True(day.LikelyFinishMin > Of(Sound()).LikelyFinishMin);
    }

    /// <summary>The longest of two parallel triangular tasks, against plain sampling of another generator.</summary>
    [Fact]
    public void The_finish_is_the_longest_path_sampled()
    {
        var day = Of(Only(("left", 10, 20, 60, []), ("right", 15, 20, 50, []), ("end", 5, 5, 5, ["left", "right"])));
        var chance = new Random(5);
        double[] lengths =
        [
            .. Enumerable
                .Range(0, 40_000)
                .Select(_ => Math.Max(Triangular(chance, 10, 20, 60), Triangular(chance, 15, 20, 50)) + 5)
                .Order(),
        ];
        Near(lengths[2000], day.FinishMin.Low - 480, 0.02);
        Near(lengths[20_000], day.FinishMin.Nominal - 480, 0.02);
        Near(lengths[38_000], day.FinishMin.High - 480, 0.02);
        Assert.Equal(505, day.LikelyFinishMin);
        Assert.True(day.FinishMin.Nominal > day.LikelyFinishMin);
    }

    [Fact]
    public void Climbing_instead_of_throwing_is_one_line_of_difference()
    {
        var day = Of(Only(("set-line", 8, 15, 35, [])));
        var climb = Assert.Single(day.Alternatives, a => a.Text.StartsWith("Climb", StringComparison.Ordinal));
        Assert.InRange(climb.Minutes.Nominal, 38, 50);
        Assert.True(climb.Minutes.Low < climb.Minutes.Nominal && climb.Minutes.Nominal < climb.Minutes.High);
    }

    /// <summary>60 to rig and 90 to run 26 loads against 130 dragged: flying pays only with more loads than that.</summary>
    [Theory]
    [InlineData(26, 1)]
    [InlineData(80, -1)]
    public void A_loaded_line_pays_with_many_loads(int loads, int sign)
    {
        var day = Of(Edited(Sound(), ("work.loads", loads)));
        var flown = Assert.Single(day.Alternatives, a => a.Text.StartsWith("A loaded line", StringComparison.Ordinal));
        Assert.Equal(sign, Math.Sign(flown.Minutes.Nominal));
    }

    [Fact]
    public void The_crews_own_minutes_and_tasks_take_the_place_of_the_tables()
    {
        var plan = Edited(
            Sound(),
            (
                "work.tasks",
                Json(
                    """
                    [{ "id": "tackle", "likelyMin": 60 }, { "id": "drag", "leftOut": true },
                     { "id": "rake", "name": "Rake the path", "likelyMin": 10, "after": ["pull"] }]
                    """
                )
            )
        );
        var day = Of(plan);
        var tackle = Task(day, "tackle");
        Assert.Equal((40, 60, 90), (tackle.Minutes.Low, tackle.Minutes.Nominal, tackle.Minutes.High));
        Assert.True(tackle.Own);
        Assert.DoesNotContain(day.Tasks, t => t.Id == "drag");
        Assert.Equal(Task(day, "pull").EndsMin, Task(day, "pack-up").BeginsMin);
        Assert.Equal("Rake the path", Task(day, "rake").Name);
        Assert.False(Task(day, "rake").DrawnUp);
    }

    [Fact]
    public void Tasks_that_wait_for_one_another_are_refused_at_their_place()
    {
        var plan = Edited(Sound(), ("work.tasks", Json("""[{ "id": "tackle", "after": ["pull"] }]""")));
        var (day, problems) = DayPlan.Of(plan, plan.Analysed(), Nothing);
        Assert.Null(day);
        Assert.Contains("after itself", Assert.Single(problems).Message, StringComparison.Ordinal);
        var lost = Edited(Sound(), ("work.tasks", Json("""[{ "id": "tackle", "after": ["tea"] }]""")));
        var problem = Assert.Single(DayPlan.Of(lost, lost.Analysed(), Nothing).Problems);
        Assert.Equal("work.tasks[0].after", problem.Path);
    }

    /// <summary>One figure given against the table's others is not bent to fit.</summary>
    [Fact]
    public void A_least_over_the_likely_is_refused_and_nothing_is_bent()
    {
        var plan = Edited(Sound(), ("work.tasks", Json("""[{ "id": "tackle", "lowMin": 50 }]""")));
        Assert.Equal(
            "work.tasks[0].likelyMin",
            Assert.Single(DayPlan.Of(plan, plan.Analysed(), Nothing).Problems).Path
        );
    }

    [Fact]
    public void Dark_and_wind_are_said()
    {
        var plan = Edited(Sound(), ("work.startsAt", "15:00"));
        var analysis = plan.Analysed();
        var light = Daylight.Of(55, 0, new(2026, 12, 1), TimeSpan.Zero);
        var (day, _) = DayPlan.Of(plan, analysis, new(light, [(15, 3), (16, 9), (17, 2)]));
        Assert.Contains(day!.Warnings, w => w.Contains("after sunset", StringComparison.Ordinal));
        Assert.Contains(day.Warnings, w => w.Contains("gusts of 9 m/s", StringComparison.Ordinal));
        Assert.True(day.Wind[1].TooMuch);
        Assert.False(day.Wind[0].TooMuch);
        Assert.Contains("Daylight is not known", Of(plan).Warnings[0], StringComparison.Ordinal);
    }

    [Fact]
    public void Wages_run_to_the_finish_and_hire_is_added()
    {
        var day = Of(Edited(Sound(), ("work", Json("""{ "wageAnHour": 30, "hire": 200 }"""))));
        var hours = (day.FinishMin.Nominal - 480) / 60;
        Near((30 * hours * day.People) + 200, day.Cost!.Value.Nominal);
        Assert.Null(Of(Sound()).Cost);
    }

    [Theory]
    [InlineData(-10, "23:50 the day before")]
    [InlineData(0, "00:00")]
    [InlineData(755.4, "12:35")]
    [InlineData(1500, "01:00 the next day")]
    public void Clocks_pass_midnight(double minutes, string clock) => Assert.Equal(clock, DayClock.Write(minutes));

    [Theory]
    [InlineData("""{ "startsAt": "8" }""", "work.startsAt")]
    [InlineData("""{ "tasks": [{ "id": "a", "lowMin": 9, "likelyMin": 5 }] }""", "work.tasks[0].likelyMin")]
    [InlineData("""{ "tasks": [{ "id": "a" }, { "id": "a" }] }""", "work.tasks[1].id")]
    public void Nonsense_is_refused_at_its_place(string work, string path) =>
        Assert.Equal(path, Edited(Sound(), ("work", Json(work))).OnlyProblem().Path);

    private static double Triangular(Random chance, double low, double mode, double high)
    {
        var share = chance.NextDouble();
        var below = (mode - low) / (high - low);
        return share < below
            ? low + Math.Sqrt(share * (high - low) * (mode - low))
            : high - Math.Sqrt((1 - share) * (high - low) * (high - mode));
    }

    /// <summary>A plan whose day holds these tasks alone.</summary>
    private static Plan Only(params (string Id, double Low, double Likely, double High, string[] After)[] tasks)
    {
        string[] drawn = ["brief", "set-line", "tackle", "pre-tension", "cuts", "pull", "drag", "pack-up"];
        return Sound() with
        {
            Work = new()
            {
                Tasks =
                [
                    .. tasks.Select(t => new TaskMembers
                    {
                        Id = t.Id,
                        LowMin = t.Low,
                        LikelyMin = t.Likely,
                        HighMin = t.High,
                        After = t.After,
                        People = 1,
                    }),
                    .. drawn
                        .Where(d => tasks.All(t => t.Id != d))
                        .Select(d => new TaskMembers { Id = d, LeftOut = true }),
                ],
            },
        };
    }

    private static ClockedTask Task(DayPlan day, string id) => Assert.Single(day.Tasks, t => t.Id == id);

    private static DayPlan Of(Plan plan)
    {
        var (day, problems) = DayPlan.Of(plan, plan.Analysed(), Nothing);
        Assert.Empty(problems);
        return day!;
    }
}
