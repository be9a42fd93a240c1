using Draklo.Core.Analyses;
using Draklo.Core.Catalogue;
using Draklo.Core.Gear;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Core.Logs;

/// <summary>What a log must satisfy before it is kept.</summary>
public static class LogRules
{
    /// <summary>A top cannot come down farther out than its height and half again, slope and slide and all.</summary>
    private const double FarthestInHeights = 1.5;

    /// <summary>A tension this many times what was planned is read wrong, or of another job.</summary>
    private const double MostTimesPlanned = 8;

    /// <param name="analysis">Of the plan, where it can be computed.</param>
    public static List<Problem> Check(JobLog log, Plan plan, Analysis? analysis, DateOnly today, UnitSystem units)
    {
        var problems = new List<Problem>();
        MemberRanges.Check(log, units, problems);
        Say(log.By, "by", "Say who writes this.", problems);
        if (GearRules.Day(log.On) is not { } day)
        {
            problems.Add(new("on", "The day of the job is written year-month-day, as in 2026-03-14."));
        }
        else if (day > today)
        {
            problems.Add(new("on", "The day of the job lies in the future: a log is of what has happened."));
        }
        else if (day.Year < 1970)
        {
            problems.Add(new("on", "The day of the job lies before 1970: correct it."));
        }

        if (log.Stage is JobStage.Planned or JobStage.Briefed)
        {
            problems.Add(
                new("stage", "Planned and briefed follow from the plan: say pulled, cleared, done or called off.")
            );
        }

        if (log.Stage == JobStage.CalledOff)
        {
            Say(log.Because, "because", "Say why it was called off: the next crew must know.", problems);
        }

        CheckLanding(log, plan, units, problems);
        CheckLines(log, plan, analysis, units, problems);
        CheckRows(log, plan, problems);
        return problems;
    }

    private static void CheckLanding(JobLog log, Plan plan, UnitSystem units, List<Problem> problems)
    {
        if (log.Landing is not { } landing)
        {
            return;
        }

        var height = plan.Tree.HeightM;
        var away = Math.Sqrt((landing.OutM * landing.OutM) + (landing.RightM * landing.RightM));
        if (away > FarthestInHeights * height)
        {
            problems.Add(
                new(
                    "landing.outM",
                    units.Say(
                        $"The top of a tree of {height:m} cannot come down {away:m} from its stump: measure from the stump along the lay, then to the side."
                    )
                )
            );
        }
    }

    private static void CheckLines(JobLog log, Plan plan, Analysis? analysis, UnitSystem units, List<Problem> problems)
    {
        var seen = new HashSet<string>(StringComparer.Ordinal);
        for (var i = 0; i < log.Lines.Count; i++)
        {
            var line = log.Lines[i];
            var at = 0;
            while (at < plan.Lines.Count && plan.Lines[at].Id != line.LineId)
            {
                at++;
            }

            if (at == plan.Lines.Count)
            {
                problems.Add(
                    new(
                        $"lines[{i}].lineId",
                        $"This plan has no line “{line.LineId}”: these readings may be of another job."
                    )
                );
                continue;
            }

            if (!seen.Add(line.LineId))
            {
                problems.Add(new($"lines[{i}].lineId", $"The line “{line.LineId}” is there twice."));
            }

            if (line is { WentN: { } went, PeakN: { } peak } && went > peak)
            {
                problems.Add(
                    new(
                        $"lines[{i}].wentN",
                        units.Say($"When it went it carried {went:N}, more than its peak of {peak:N}: one is misread.")
                    )
                );
            }

            var planned = analysis?.Pull.Lines[at].TensionN;
            if (line.PeakN is { } most && planned > 0 && most > MostTimesPlanned * planned)
            {
                problems.Add(
                    new(
                        $"lines[{i}].peakN",
                        units.Say(
                            $"{most:N} is more than {MostTimesPlanned:x} times the {planned.Value:N} that was planned: look whether the unit is right, or whether it is another job's reading."
                        )
                    )
                );
            }

            if (line.SeatM > plan.Tree.HeightM)
            {
                problems.Add(
                    new(
                        $"lines[{i}].seatM",
                        units.Say($"The tree is {plan.Tree.HeightM:m} high: a line cannot sit above it.")
                    )
                );
            }
        }
    }

    private static void CheckRows(JobLog log, Plan plan, List<Problem> problems)
    {
        for (var i = 0; i < log.Knots.Count; i++)
        {
            if (!Reference.Knots.ContainsKey(log.Knots[i].KnotId))
            {
                problems.Add(new($"knots[{i}].knotId", $"The knot “{log.Knots[i].KnotId}” is not in the table."));
            }
        }

        for (var i = 0; i < log.NearMisses.Count; i++)
        {
            Say(
                log.NearMisses[i].What,
                $"nearMisses[{i}].what",
                "Say what happened, or take this line away.",
                problems
            );
        }

        for (var i = 0; i < log.Clearing?.LapsMin.Count; i++)
        {
            if (!(log.Clearing.LapsMin[i] is > 0 and <= 240))
            {
                problems.Add(new($"clearing.lapsMin[{i}]", "A load takes more than nothing and less than four hours."));
            }
        }

        if (log.Clearing is not null && plan.Clearing is null)
        {
            problems.Add(new("clearing.way", "This plan clears nothing: put the clearing on the plan first."));
        }

        var hung = GearOnPlan.All(plan).Select(h => h.ItemId).ToHashSet(StringComparer.Ordinal);
        for (var i = 0; i < log.Gear.Count; i++)
        {
            if (!hung.Contains(log.Gear[i].ItemId))
            {
                problems.Add(
                    new(
                        $"gear[{i}].itemId",
                        $"“{log.Gear[i].ItemId}” does not hang on this plan: book it in the locker."
                    )
                );
            }
        }

        var pictures = log.Pictures.Select(p => p.Hash).ToList();
        if (pictures.Distinct(StringComparer.Ordinal).Count() < pictures.Count)
        {
            problems.Add(new("pictures", "The same picture is there twice: take one away."));
        }

        var tasks = log.Minutes.Select(m => m.TaskId).ToList();
        if (tasks.Distinct(StringComparer.Ordinal).Count() < tasks.Count)
        {
            problems.Add(new("minutes", "A task has its minutes twice: put them together."));
        }
    }

    private static void Say(string? text, string path, string message, List<Problem> problems)
    {
        if (string.IsNullOrWhiteSpace(text))
        {
            problems.Add(new(path, message));
        }
    }
}
