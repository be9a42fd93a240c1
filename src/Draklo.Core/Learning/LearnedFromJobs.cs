using System.Text.Json;
using Draklo.Core.Catalogue;
using Draklo.Core.Clearing;
using Draklo.Core.Days;
using Draklo.Core.Logs;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Learning;

/// <summary>What logs say: tension read over predicted, landings, what each gave on the rope.</summary>
internal static class LearnedFromJobs
{
    private const double PulledToOne = 3;
    private const double LeastFactor = 0.7;
    private const double MostFactor = 1.4;

    /// <summary>How far the table's own minutes reach: 95 to 190 where 130 are likely.</summary>
    private const double LeastOfTable = 95.0 / 130;
    private const double MostOfTable = 190.0 / 130;

    /// <summary>What a task's minutes may be of the drawn ones and still stand in a plan.</summary>
    private const double LeastOfDrawn = 0.1;
    private const double MostOfDrawn = 10;

    private static readonly Spread AsPredicted = new(1, 1, 1);

    public static IEnumerable<LearnedFigure> Pulls(List<LoggedJob> jobs) =>
        jobs.SelectMany(j =>
                j.Lines.Select(l => l.ReadOverPredicted)
                    .OfType<double>()
                    .Take(1)
                    .Select(ratio => (Job: j, Value: ratio))
            )
            .GroupBy(r => r.Job.SpeciesId, StringComparer.Ordinal)
            .SelectMany(species => ByCrew(species, (crew, read) => Pull(species.Key, crew, read)));

    public static IEnumerable<LearnedFigure> Aims(List<LoggedJob> jobs) =>
        ByCrew(jobs.Where(j => j.AimErrorDeg is not null).Select(j => (Job: j, Value: j.AimErrorDeg!.Value)), Aim);

    /// <summary>
    /// What a job asked of its people is not what they can keep up: it stands beside the trials, and never in a plan.
    /// </summary>
    public static IEnumerable<LearnedFigure> Given(List<LoggedJob> jobs)
    {
        var given = Evidence.OfJobs(
            "pulls",
            from job in jobs
            from line in job.Lines
            where line is { PeakN: > 0, People: > 0, Advantage: > 0 }
            select (job, line.PeakN!.Value / (line.Advantage!.Value * line.People!.Value))
        );
        if (given.Count > 0)
        {
            var usual = new PullerMembers().EffortEachN;
            yield return Learned.Figure(
                LearnedKind.Haul,
                "given",
                "",
                "What each gave at the peak of a pull",
                "N",
                given,
                new(given.Values.Min(), given.Mean, given.Values.Max()),
                new(usual, usual, usual),
                (false, "What the jobs asked for, not what people can keep up: a pull trial tells that.")
            );
        }
    }

    /// <summary>A load's minutes over what the table says of it, by way; two jobs are enough, for nothing hangs on it but the day.</summary>
    public static IEnumerable<LearnedFigure> Cycles(List<LoggedJob> jobs) =>
        jobs.Where(j => j.Clearing is { EachMin: > 0, TableMin: > 0 })
            .GroupBy(j => j.Clearing!.Way)
            .Select(group =>
            {
                var on = Evidence.OfJobs(
                    "clearings",
                    group.Select(j => (j, j.Clearing!.EachMin!.Value / j.Clearing.TableMin))
                );
                var off = on.NextOff();
                return Learned.Figure(
                    LearnedKind.Cycle,
                    JsonNamingPolicy.CamelCase.ConvertName($"{group.Key}"),
                    "",
                    $"Minutes of a load over the table's: {WayTable.NameOf(group.Key).Uncapitalised()}",
                    "ratio",
                    on,
                    new(Math.Max(0.1, on.Mean - off), on.Mean, on.Mean + off),
                    new(LeastOfTable, 1, MostOfTable),
                    on.Judged(careful: true, "It multiplies the table's minutes for a load of this way."),
                    (0.1, 10)
                );
            });

    /// <summary>A task's minutes over the drawn ones; two jobs are enough, as for a load's.</summary>
    /// <remarks>Ratios as in <see cref="Pulls"/>, but for their spread: minutes scatter, and the next day's do too.</remarks>
    public static IEnumerable<LearnedFigure> Tasks(List<LoggedJob> jobs) =>
        from job in jobs
        from task in job.Tasks
        where task.Drawn.Nominal > 0
        group (Job: job, Task: task) by task.Task into of
        select Task(of.Key, [.. of]);

    private static LearnedFigure Task(string kind, List<(LoggedJob Job, LoggedTask Task)> timed)
    {
        var on = Evidence.OfJobs("tasks", timed.Select(t => (t.Job, t.Task.Minutes / t.Task.Drawn.Nominal)));
        var logs = on.Values.Select(v => Math.Log(v)).ToList();
        var (mean, _) = Evidence.Robust(logs);
        var off = Evidence.NextOff(logs);
        var drawn = timed[^1].Task.Drawn;
        return Learned.Figure(
            LearnedKind.Task,
            kind,
            "",
            $"{DrawnTasks.NameOf(kind).Capitalised()}: minutes over those a plan draws up",
            "ratio",
            on,
            new(Ratio(mean - off), Ratio(mean), Ratio(mean + off)),
            new(drawn.Low / drawn.Nominal, 1, drawn.High / drawn.Nominal),
            on.Judged(careful: true, "It multiplies the minutes that a plan draws up for this task."),
            (LeastOfDrawn, MostOfDrawn)
        );

        static double Ratio(double log) => Math.Round(Math.Clamp(Math.Exp(log), LeastOfDrawn / 2, 2 * MostOfDrawn), 3);
    }

    private static LearnedFigure Pull(string species, string crew, List<(LoggedJob Job, double Value)> read)
    {
        var on = Evidence.OfJobs("pulls", read);
        var logs = on.Values.Select(v => Math.Log(v)).ToList();
        var (mean, off) = Evidence.Robust(logs);
        var value = Math.Round(Math.Exp(mean * on.Count / (on.Count + PulledToOne)), 3);
        var (low, high) = (Math.Exp(mean - (off ?? 0)), Math.Exp(mean + (off ?? 0)));
        // It lowers a plan only while eight in ten of what the mean may be lie under what was predicted.
        var sure = value >= 1 || Evidence.MeanAtMost(mean, off, on.Count) < 0;
        var judged = on.Judged(value >= 1, value >= 1 ? "It raises what is planned." : "It lowers what is planned.");
        var name = Reference.Species.TryGetValue(species, out var known) ? known.Name : "wood of its own figures";
        return Learned.Figure(
            LearnedKind.Pull,
            species,
            crew,
            $"Read over predicted: {name}",
            "ratio",
            on,
            new(Math.Min(low, value), value, Math.Max(high, value)),
            AsPredicted,
            Math.Exp(mean) is < LeastFactor or > MostFactor
                    ? (false, "What was read lies too far from what was predicted: measure better before it is used.")
                : judged.MayUse && !sure
                    ? (false, "What was read scatters about what was predicted: it lowers nothing yet.")
                : judged
        ) with
        {
            Mean = Math.Exp(mean),
            Deviation = off * Math.Exp(mean),
        };
    }

    private static LearnedFigure Aim(string crew, List<(LoggedJob Job, double Value)> read)
    {
        var on = Evidence.OfJobs("landings", read);
        var holds = Math.Round(on.NineInTenAboutZero(), 2);
        var usual = new SiteMembers().AimErrorDeg;
        var wider = holds >= usual;
        return Learned.Figure(
            LearnedKind.Aim,
            "",
            crew,
            "Aiming error",
            "deg",
            on,
            new(holds, holds, holds),
            new(usual, usual, usual),
            on.Judged(
                wider,
                wider ? "It widens the strip that a tree may land on." : "It narrows the strip that a tree may land on."
            ),
            (0, 20)
        );
    }

    /// <summary>Of everybody, and of each crew by itself where there are several.</summary>
    private static IEnumerable<LearnedFigure> ByCrew(
        IEnumerable<(LoggedJob Job, double Value)> read,
        Func<string, List<(LoggedJob Job, double Value)>, LearnedFigure> make
    )
    {
        var all = read.ToList();
        if (all.Count == 0)
        {
            yield break;
        }

        yield return make("", all);
        var crews = all.GroupBy(r => r.Job.Crew, StringComparer.Ordinal).ToList();
        foreach (var crew in crews.Where(c => crews.Count > 1 && c.Key.Length > 0))
        {
            yield return make(crew.Key, [.. crew]);
        }
    }
}
