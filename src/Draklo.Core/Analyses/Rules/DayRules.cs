using System.Globalization;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Analyses;

/// <summary>Who does what, the signs and the day's work: how their members must agree with one another.</summary>
public static class DayRules
{
    public static void Check(Plan plan, List<Problem> problems)
    {
        CheckCrew(plan, problems);
        for (var i = 0; i < plan.Signals.Count; i++)
        {
            if (string.IsNullOrWhiteSpace(plan.Signals[i].Sign) || string.IsNullOrWhiteSpace(plan.Signals[i].Means))
            {
                problems.Add(
                    new($"signals[{i}].means", "Say what the sign is and what it means, or take it off the list.")
                );
            }
        }

        CheckWork(plan.Work, problems);
    }

    /// <summary>Hours and minutes, as in 08:00; null for anything else.</summary>
    public static TimeOnly? TimeOf(string text) =>
        TimeOnly.TryParseExact(text, "HH:mm", CultureInfo.InvariantCulture, DateTimeStyles.None, out var time)
            ? time
            : null;

    private static void CheckCrew(Plan plan, List<Problem> problems)
    {
        for (var i = 0; i < plan.Crew.Count; i++)
        {
            var person = plan.Crew[i];
            if (string.IsNullOrWhiteSpace(person.Name))
            {
                problems.Add(new($"crew[{i}].name", "Give this person a name, or take them off the job."));
            }
            else if (plan.Crew.IsBefore(i, person.Name.Trim(), static p => p.Name.Trim()))
            {
                problems.Add(
                    new(
                        $"crew[{i}].name",
                        $"Two people on this job are called “{person.Name}”: tell them apart, for each signs by name."
                    )
                );
            }

            if (person.LineId is { } line && plan.Lines.All(l => l.Id != line))
            {
                problems.Add(new($"crew[{i}].lineId", $"There is no line called “{line}”: choose one of this plan."));
            }
        }
    }

    private static void CheckWork(WorkMembers work, List<Problem> problems)
    {
        if (TimeOf(work.StartsAt) is null)
        {
            problems.Add(new("work.startsAt", "The time is written as hours and minutes, as in 08:00."));
        }

        for (var i = 0; i < work.Tasks.Count; i++)
        {
            var task = work.Tasks[i];
            if (work.Tasks.IsBefore(i, task.Id, static t => t.Id))
            {
                problems.Add(new($"work.tasks[{i}].id", $"Two tasks are called “{task.Id}”: give each its own name."));
            }

            if (task.LowMin > task.LikelyMin || task.LikelyMin > task.HighMin || task.LowMin > task.HighMin)
            {
                problems.Add(
                    new(
                        $"work.tasks[{i}].likelyMin",
                        "The minutes rise from at least over likely to at most: put them in that order."
                    )
                );
            }
        }
    }
}
