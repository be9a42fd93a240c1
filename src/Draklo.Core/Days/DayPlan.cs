using Draklo.Core.Analyses;
using Draklo.Core.Plans;
using Draklo.Core.Studies;
using Draklo.Core.Units;

namespace Draklo.Core.Days;

/// <summary>A task against the clock. Times are minutes after local midnight.</summary>
public sealed record ClockedTask
{
    public required string Id { get; init; }

    public required string Name { get; init; }

    /// <summary>Low, likely and high, minutes.</summary>
    public required Spread Minutes { get; init; }

    /// <summary>How many it takes, 1 or more.</summary>
    public required int People { get; init; }

    public required IReadOnlyList<string> After { get; init; }

    public required bool DrawnUp { get; init; }

    public required bool Own { get; init; }

    /// <summary>Minutes from midnight, likely.</summary>
    public required double BeginsMin { get; init; }

    /// <summary>Minutes from midnight, likely.</summary>
    public required double EndsMin { get; init; }

    /// <summary>Whether the finish waits for it when everything takes its likely time.</summary>
    public required bool Critical { get; init; }

    /// <summary>In how many of a hundred days the finish waits for it.</summary>
    public required int CriticalInHundred { get; init; }
}

/// <summary>An hour of the forecast.</summary>
/// <param name="Hour">Local, 0 to 23.</param>
/// <param name="TooMuch">Whether its gust uses up what the plan stands.</param>
public sealed record WindHour(int Hour, double GustMps, bool TooMuch);

/// <summary>Another way, as one line of difference.</summary>
/// <param name="Minutes">Of the finish, later than as planned; negative is earlier.</param>
public sealed record DayAlternative(string Text, Spread Minutes);

/// <summary>What surrounds the day: as far as it is known.</summary>
/// <param name="Light">Null while nobody has said where on earth the tree stands or which day it is.</param>
/// <param name="Gusts">Hour and gust in m/s; empty where no forecast is at hand.</param>
public sealed record DaySetting(Daylight? Light, IReadOnlyList<(int Hour, double GustMps)> Gusts)
{
    /// <param name="day">Null while no day is set: then nothing is known of it.</param>
    /// <param name="offset">Of the crew's clock from UTC on that day.</param>
    public static DaySetting Of(
        Plan plan,
        DateOnly? day,
        TimeSpan offset,
        IEnumerable<(int Hour, double GustMps)> gusts
    ) =>
        day is { } on
            ? new(
                plan.Site.Origin is { } at ? Daylight.Of(at.LatitudeDeg, at.LongitudeDeg, on, offset) : null,
                [.. gusts]
            )
            : new(null, []);
}

/// <summary>The tasks against the clock, with the finish and its spread, light, wind and cost.</summary>
/// <remarks>
/// Method M22. The finish is sampled, because sums of likely times come out too short; low and high hold it in nine days
/// of ten.
/// </remarks>
public sealed record DayPlan
{
    /// <summary>What the plan says, as everywhere: state and headline.</summary>
    public required string Verdict { get; init; }

    /// <summary>Minutes after local midnight, as all times here.</summary>
    public required double BeginsMin { get; init; }

    public required IReadOnlyList<ClockedTask> Tasks { get; init; }

    /// <summary>What the likely times alone give.</summary>
    public required double LikelyFinishMin { get; init; }

    /// <summary>When all is done, minutes from midnight: low, likely and high.</summary>
    public required Spread FinishMin { get; init; }

    /// <summary>How many it takes, 1 or more.</summary>
    public required int People { get; init; }

    public required Daylight? Light { get; init; }

    public required IReadOnlyList<WindHour> Wind { get; init; }

    /// <summary>Wages of everybody to the finish, and hire; null while neither is given.</summary>
    public required Spread? Cost { get; init; }

    public required string Money { get; init; }

    public required IReadOnlyList<DayAlternative> Alternatives { get; init; }

    /// <summary>What does not fit, in sentences.</summary>
    public required IReadOnlyList<string> Warnings { get; init; }

    private const int Samples = 2000;
    private const int Seed = 22;

    /// <param name="analysis">Of the same plan.</param>
    /// <returns>The day, or what stands in its way.</returns>
    public static (DayPlan? Day, List<Problem> Problems) Of(
        Plan plan,
        Analysis analysis,
        DaySetting setting,
        UnitSystem units = UnitSystem.Metric
    )
    {
        var clears = plan.Clearing is { Alone: true };
        var tasks = DrawnTasks.Of(plan, analysis);
        // What a pull stands says nothing of loads.
        var gustMps = clears ? null : analysis.Plate.GustMps;
        var problems = new List<Problem>();
        if (tasks.Count == 0)
        {
            problems.Add(new("work.tasks", "Every task is left out: put one back, or add one."));
            return (null, problems);
        }

        foreach (var task in tasks.Where(t => !t.InOrder))
        {
            problems.Add(
                new(
                    Sampled.PathOf(plan, task.Id, "likelyMin"),
                    $"The minutes of “{task.Name}” rise from at least over likely to at most: put them in that order."
                )
            );
        }

        if (problems.Count > 0)
        {
            return (null, problems);
        }

        var people = DrawnTasks.EverybodyOn(plan);
        if (Sampled.Of(plan, tasks, people, problems) is not { } planned)
        {
            return (null, problems);
        }

        // The rules have passed: the time reads.
        var begins = DayRules.TimeOf(plan.Work.StartsAt)!.Value.ToTimeSpan().TotalMinutes;
        var finish = new Spread(
            begins + planned.Length.Low,
            begins + planned.Length.Nominal,
            begins + planned.Length.High
        );
        var clocked = tasks
            .Select(
                (t, i) =>
                    new ClockedTask
                    {
                        Id = t.Id,
                        Name = t.Name,
                        Minutes = t.Minutes,
                        People = t.People,
                        After = t.After,
                        DrawnUp = t.DrawnUp,
                        Own = t.Own,
                        BeginsMin = begins + planned.Likely.Begins[i],
                        EndsMin = begins + planned.Likely.Ends[i],
                        Critical = planned.Likely.Critical[i],
                        CriticalInHundred = planned.CriticalInHundred[i],
                    }
            )
            .OrderBy(t => t.BeginsMin)
            .ThenBy(t => t.EndsMin)
            .ToList();
        var wind = setting
            .Gusts.Select(h => new WindHour(h.Hour, h.GustMps, gustMps is { } stands && h.GustMps >= stands))
            .ToList();
        return (
            new()
            {
                Verdict = analysis.Verdict.Summary,
                BeginsMin = begins,
                Tasks = clocked,
                LikelyFinishMin = begins + planned.Likely.Length,
                FinishMin = finish,
                People = people,
                Light = setting.Light,
                Wind = wind,
                Cost = CostOf(plan.Work, people, planned),
                Money = plan.Work.Money,
                Alternatives = clears ? [] : AlternativesOf(plan, analysis, tasks, people, planned),
                Warnings = DayWarnings.Of(clocked, finish, people, setting.Light, wind, gustMps, units),
            },
            problems
        );
    }

    private static Spread? CostOf(WorkMembers work, int people, Sampled planned)
    {
        if (work.WageAnHour is null && work.Hire is null)
        {
            return null;
        }

        var (wage, hire) = ((work.WageAnHour ?? 0) * people / 60, work.Hire ?? 0);
        return new(
            (wage * planned.Length.Low) + hire,
            (wage * planned.Length.Nominal) + hire,
            (wage * planned.Length.High) + hire
        );
    }

    /// <summary>What another way of setting the line, of hauling or of clearing would do to the finish.</summary>
    private static List<DayAlternative> AlternativesOf(
        Plan plan,
        Analysis analysis,
        List<DayTask> tasks,
        int people,
        Sampled planned
    )
    {
        var main = plan.Lines[0];
        var suffix = plan.Lines.Count > 1 ? $"-{main.Id}" : "";
        var climbs = main.Setting?.Way == SettingWay.Climber;
        var found = new List<DayAlternative>();
        Add(
            climbs ? "Throw the line instead of climbing" : "Climb instead of throwing the line",
            $"set-line{suffix}",
            climbs ? DrawnTasks.Throw : DrawnTasks.Climb
        );
        var machine = main.Puller.Kind is PullerKind.Machine or PullerKind.Vehicle;
        Add(
            machine ? "A tackle and people instead of the machine" : "A machine instead of the tackle, fetched as well",
            $"tackle{suffix}",
            machine ? DrawnTasks.TackleByHand : DrawnTasks.TackleWithMachine
        );
        var loads = DrawnTasks.Loads(plan, analysis);
        // 60 minutes to rig and 90 to run 26 loads.
        var run = 90.0 / 26 * loads;
        Add("A loaded line instead of dragging", DrawnTasks.Drag, (40 + (0.7 * run), 60 + run, 95 + (1.5 * run)));
        return found;

        void Add(string text, string id, (double Low, double Likely, double High) minutes)
        {
            var at = tasks.FindIndex(t => t.Id == id);
            if (at < 0)
            {
                return;
            }

            var other = tasks.ToList();
            other[at] = other[at] with { Minutes = new(minutes.Low, minutes.Likely, minutes.High) };
            if (Sampled.Of(plan, other, people, []) is { } sampled)
            {
                found.Add(new(text, sampled.LaterThan(planned)));
            }
        }
    }

    /// <summary>A network of tasks, once with likely times and over many samples.</summary>
    /// <param name="Lengths">Minutes from start to finish, by sample.</param>
    private sealed record Sampled(DaySchedule Likely, double[] Lengths, int[] CriticalInHundred)
    {
        /// <summary>Minutes from the first task to the last, 0 or more, over the samples.</summary>
        public Spread Length { get; } = Spread.OfSamples(Lengths);

        /// <summary>Sample by sample, for both draw the same luck for the tasks they share.</summary>
        public Spread LaterThan(Sampled other) => Spread.OfSamples(Lengths.Zip(other.Lengths, (a, b) => a - b));

        public static Sampled? Of(Plan plan, List<DayTask> tasks, int people, List<Problem> problems)
        {
            if (BeforeOf(plan, tasks, problems) is not { } before)
            {
                return null;
            }

            if (DaySchedule.Order(before, out var circle) is not { } order)
            {
                problems.Add(
                    new(
                        PathOf(plan, tasks[circle].Id),
                        $"“{tasks[circle].Name}” would have to come after itself: take one of the tasks out of what it waits for."
                    )
                );
                return null;
            }

            var likely = DaySchedule.Of(tasks, order, before, [.. tasks.Select(t => t.Minutes.Nominal)], people);
            var drawn = LatinHypercube.Of(tasks.Count, Samples, Seed);
            var lengths = new double[Samples];
            var critical = new int[tasks.Count];
            var minutes = new double[tasks.Count];
            for (var s = 0; s < Samples; s++)
            {
                for (var t = 0; t < tasks.Count; t++)
                {
                    minutes[t] = Drawn(tasks[t].Minutes, drawn[s][t]);
                }

                var one = DaySchedule.Of(tasks, order, before, minutes, people);
                lengths[s] = one.Length;
                for (var t = 0; t < tasks.Count; t++)
                {
                    critical[t] += one.Critical[t] ? 1 : 0;
                }
            }

            return new(likely, lengths, [.. critical.Select(c => (int)Math.Round(100.0 * c / Samples))]);
        }

        /// <summary>A triangular figure with its own mode, from one drawn about 0.</summary>
        private static double Drawn(Spread minutes, double u)
        {
            var share = u < 0 ? (1 + u) * (1 + u) / 2 : 1 - ((1 - u) * (1 - u) / 2);
            var width = minutes.High - minutes.Low;
            var below = width > 0 ? (minutes.Nominal - minutes.Low) / width : 0;
            return share < below
                ? minutes.Low + Math.Sqrt(share * width * (minutes.Nominal - minutes.Low))
                : minutes.High - Math.Sqrt((1 - share) * width * (minutes.High - minutes.Nominal));
        }

        private static int[][]? BeforeOf(Plan plan, List<DayTask> tasks, List<Problem> problems)
        {
            var at = tasks.Select((t, i) => (t.Id, i)).ToDictionary(t => t.Id, t => t.i, StringComparer.Ordinal);
            var before = new int[tasks.Count][];
            for (var t = 0; t < tasks.Count; t++)
            {
                foreach (var id in tasks[t].After.Where(id => !at.ContainsKey(id)))
                {
                    problems.Add(
                        new(
                            PathOf(plan, tasks[t].Id),
                            $"“{tasks[t].Name}” waits for “{id}”, and there is no such task: choose one of the list."
                        )
                    );
                }

                before[t] = [.. tasks[t].After.Where(at.ContainsKey).Select(id => at[id])];
            }

            return problems.Count > 0 ? null : before;
        }

        public static string PathOf(Plan plan, string id, string member = "after")
        {
            for (var i = 0; i < plan.Work.Tasks.Count; i++)
            {
                if (plan.Work.Tasks[i].Id == id)
                {
                    return $"work.tasks[{i}].{member}";
                }
            }

            return "work.tasks";
        }
    }
}
