using System.Globalization;
using System.Text;
using Draklo.Core.Analyses;
using Draklo.Core.Clearing;
using Draklo.Core.Days;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Hosting;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;

namespace Draklo.Web.Days;

/// <summary>The day's tasks against clock, light and wind; nothing is kept.</summary>
internal static class DayEndpoints
{
    public static void MapDays(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/jobs/{id}/day.ics", Calendar)
            .WithName("dayCalendar")
            .WithTags("day")
            .WithSummary("The day of a job as a calendar file.")
            .Produces<string>(200, "text/calendar")
            .ProducesProblem(404)
            .ProducesValidationProblem(422);
    }

    private static IResult Calendar(
        JobStore jobs,
        ServerAtHand atHand,
        TimeProvider clock,
        string id,
        string? units = null
    )
    {
        if (!Bodies.TryUnits(units, out var system))
        {
            return Bodies.UnknownUnits(units);
        }

        if (jobs.Find(id) is not { } job)
        {
            return PlainProblems.NotFound("There is no such job, or it was deleted. Go back to the list.");
        }

        if (!TryDay(job.Content.PlannedOn, out var day) || day is null)
        {
            return PlainProblems.Refused([new("plannedOn", "Set the day of the job first: a calendar needs one.")]);
        }

        var (drawn, problems) = DayOf(job.Content.Plan, day.Value, system, atHand);
        return drawn is null
            ? PlainProblems.Refused(problems)
            : Results.File(
                Encoding.UTF8.GetBytes(CalendarOf(job, day.Value, drawn, clock)),
                "text/calendar; charset=utf-8",
                $"{job.Content.PlannedOn}.ics"
            );
    }

    /// <summary>One event from the start to the finish that nine days in ten keep, with the tasks in its notes.</summary>
    private static string CalendarOf(Job job, DateOnly day, DayPlan drawn, TimeProvider clock)
    {
        var notes = drawn
            .Tasks.Select(t => $"{DayClock.Write(t.BeginsMin)}–{DayClock.Write(t.EndsMin)}  {t.Name}")
            .Prepend(drawn.Verdict)
            .Append($"Finish {DayClock.Write(drawn.FinishMin.Low)} to {DayClock.Write(drawn.FinishMin.High)}.")
            .Concat(drawn.Warnings);
        var midnight = day.ToDateTime(TimeOnly.MinValue);
        var calendar = new Ical.Net.Calendar { ProductId = "-//Draklo//Draklo//EN" };
        calendar.Events.Add(
            new CalendarEvent
            {
                Uid = $"{job.Id}@draklo",
                Summary = job.Content.Name,
                Location = job.Content.Place,
                Description = string.Join('\n', notes),
                Sequence = job.Revision,
                DtStamp = new CalDateTime(clock.GetUtcNow().UtcDateTime),
                // Local times without a zone: the crew's own clock.
                Start = new CalDateTime(midnight.AddMinutes(Math.Round(drawn.BeginsMin)), tzId: null),
                End = new CalDateTime(midnight.AddMinutes(Math.Round(drawn.FinishMin.High)), tzId: null),
            }
        );
        return new CalendarSerializer().SerializeToString(calendar)!;
    }

    private static (DayPlan? Day, IReadOnlyList<Problem> Problems) DayOf(
        Plan plan,
        DateOnly day,
        UnitSystem units,
        ServerAtHand atHand
    )
    {
        var outcome = JobAnalysis.Of(plan, units, withWorkings: false, atHand.Yard(units));
        return outcome.Analysis is { } analysis
            ? DayPlan.Of(plan, analysis, atHand.SettingOf(plan, day), units)
            : (null, outcome.Problems);
    }

    private static bool TryDay(string? on, out DateOnly? day)
    {
        day = null;
        if (string.IsNullOrEmpty(on))
        {
            return true;
        }

        if (!DayText.TryRead(on, out var read))
        {
            return false;
        }

        day = read;
        return true;
    }
}
