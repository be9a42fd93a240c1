using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Pulling;

/// <summary>Which entries are taken when: steps in their order, one mover at a time, nothing undone twice.</summary>
public static class EntryRules
{
    private const int MostLoads = 500;

    /// <param name="day">As it stands before the entry.</param>
    /// <param name="localTime">Writes a kept time for people.</param>
    public static void Check(
        PullDay day,
        IReadOnlyList<DayEntry> before,
        EntryDocument asked,
        Func<string, string> localTime,
        List<Problem> problems
    )
    {
        switch (asked.Kind)
        {
            case EntryKind.Move:
                CheckMove(day, before, asked, localTime, problems);
                break;
            case EntryKind.Undo:
                CheckUndo(before, asked, problems);
                break;
            case EntryKind.Resume when !day.Stopped:
                problems.Add(new("kind", "Nobody has called a stop, or somebody has gone on already."));
                break;
            case EntryKind.Resume or EntryKind.Again when string.IsNullOrWhiteSpace(asked.Because):
                problems.Add(new("because", "Say why."));
                break;
            case EntryKind.Seen when asked.Seen is null:
                problems.Add(new("seen", "Say what was seen."));
                break;
            case EntryKind.Load when asked.Step != PullStep.Clear || day.Now != PullStep.Clear:
                problems.Add(new("step", "Loads are counted while they are moved: go on to that step first."));
                break;
            case EntryKind.Load when day.Stopped:
                problems.Add(new("kind", "A stop is on. Say why you can continue."));
                break;
            case EntryKind.Load when day.Loads is null:
                problems.Add(new("kind", "The way of clearing is not set up: see its page."));
                break;
            case EntryKind.Load when day.Loads.Moved >= MostLoads:
                problems.Add(new("kind", "That many loads are not kept in one day: begin the day again."));
                break;
            case EntryKind.Changed:
                problems.Add(new("kind", "A change of the plan is sent as one: it is worked out first."));
                break;
            default:
                break;
        }
    }

    private static void CheckMove(
        PullDay day,
        IReadOnlyList<DayEntry> before,
        EntryDocument asked,
        Func<string, string> localTime,
        List<Problem> problems
    )
    {
        if (asked.To is not { } to || day.Steps.All(s => s.Step != to))
        {
            problems.Add(new("to", "Say which step to go to: this way of working has no such step."));
            return;
        }

        if (asked.Step != day.Now)
        {
            var moved = PullDay.Counting(before).LastOrDefault(e => e.Entry is { Kind: EntryKind.Move, To: not null });
            var who = moved is null
                ? "The step is another"
                : $"{moved.Entry.By} went to {PullSteps.NameOf(day.Now)} at {localTime(moved.At)}";
            problems.Add(new("step", $"{who}: look at the step again before you go on."));
            return;
        }

        var steps = day.Steps.Select(s => s.Step).ToList();
        var (from, at) = (steps.IndexOf(day.Now), steps.IndexOf(to));
        if (at > from + 1)
        {
            problems.Add(
                new("to", $"{PullSteps.NameOf(steps[from + 1]).Capitalised()} comes before {PullSteps.NameOf(to)}.")
            );
        }
        else if (at == from)
        {
            problems.Add(new("to", $"You are at {PullSteps.NameOf(to)} already."));
        }
        else if (at > from && day.Stopped)
        {
            problems.Add(new("kind", "A stop is on. Say why you can continue."));
        }
        else if (at > from && day.Answer.State != PullVerdict.GoOn && string.IsNullOrWhiteSpace(asked.Because))
        {
            problems.Add(new("because", $"{day.Answer.Findings[0].Text} To go on all the same, say why."));
        }
    }

    private static void CheckUndo(IReadOnlyList<DayEntry> before, EntryDocument asked, List<Problem> problems)
    {
        var target = before.FirstOrDefault(e => e.Number == asked.Undoes);
        if (target is null)
        {
            problems.Add(new("undoes", "There is no such entry to take back."));
        }
        else if (target.Entry.Kind is EntryKind.Undo or EntryKind.Changed)
        {
            problems.Add(
                new(
                    "undoes",
                    target.Entry.Kind == EntryKind.Undo
                        ? "You can't redo an undone entry. Enter it again."
                        : "Undo a plan change in the plan: send the figure it had before."
                )
            );
        }
        else if (before.Any(e => e.Entry.Kind == EntryKind.Undo && e.Entry.Undoes == asked.Undoes))
        {
            problems.Add(new("undoes", "That entry is already undone."));
        }
    }
}
