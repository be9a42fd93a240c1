using System.Collections.Immutable;
using System.Globalization;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Pulling;

/// <summary>How the brief stands where it does not carry the day; empty where it is issued and signed.</summary>
/// <param name="Pull">Why nobody hauls.</param>
/// <param name="Loads">Why no load moves.</param>
public sealed record BriefHolds(string Pull, string Loads);

/// <summary>Where the day stands, from the plan and what was kept: pure.</summary>
public sealed record PullDay
{
    /// <summary>What the plan says, as everywhere: state and headline.</summary>
    public required string Verdict { get; init; }

    /// <summary>In the order of the school chosen.</summary>
    public required IReadOnlyList<PullStepView> Steps { get; init; }

    /// <summary>The step that the crew is at.</summary>
    public required PullStep Now { get; init; }

    /// <summary>Somebody called a stop and nobody has gone on.</summary>
    public required bool Stopped { get; init; }

    /// <summary>Who, and why; empty where nobody did.</summary>
    public required string StopWords { get; init; }

    /// <summary>One instruction.</summary>
    public required string Do { get; init; }

    /// <summary>Who does it and who looks.</summary>
    public required string Who { get; init; }

    /// <summary>The lines of the plan, in the order in which they are tightened; while loads move, theirs.</summary>
    public required IReadOnlyList<PullLineView> Lines { get; init; }

    /// <summary>What was last said of each thing that is watched.</summary>
    public required WatchedDocument Seen { get; init; }

    /// <summary>What was said of each thing at this step: each asks anew.</summary>
    public required WatchedDocument SeenHere { get; init; }

    /// <summary>When the hold began; null before.</summary>
    public required string? HoldFrom { get; init; }

    /// <summary>How long it lasts, seconds.</summary>
    public required int HoldForS { get; init; }

    /// <summary>As expected, look again or stop.</summary>
    public required PullAnswer Answer { get; init; }

    /// <summary>Degrees over from upright at which the tree goes on by itself.</summary>
    public required double CommitDeg { get; init; }

    /// <summary>All that counts or counted, the latest last.</summary>
    public required IReadOnlyList<DayEntry> Entries { get; init; }

    /// <summary>Whether the line is slack at the step: its load cell should read nothing.</summary>
    public required bool LineIsSlack { get; init; }

    /// <summary>How the loads go; left out where nothing is cleared.</summary>
    public LoadsView? Loads { get; init; }

    /// <param name="entries">All of the job, the earliest first.</param>
    /// <param name="brief">How the brief stands.</param>
    public static PullDay Of(PullBasis basis, IReadOnlyList<DayEntry> entries, BriefHolds brief, UnitSystem units)
    {
        var counting = Counting(entries);
        var order = PullSteps.Of(basis.Plan);
        var now = NowOf(counting, order);
        var stop = counting.LastOrDefault(e => e.Entry.Kind is EntryKind.Stop or EntryKind.Resume);
        var stopped = stop?.Entry.Kind == EntryKind.Stop;
        // What was seen of the pull says nothing of the loads.
        var seen = PullSeen.Of(
            now == PullStep.Clear ? [.. counting.Where(e => e.Entry.Step == PullStep.Clear)] : counting,
            now
        );
        var clears = basis.Plan.Clearing is { Alone: true } || now == PullStep.Clear;
        var lines = clears ? PullLineView.OfLoads(basis, counting, now) : PullLineView.All(basis, counting, now, seen);
        var words = new PullWords(basis);
        var holdFrom = PullHold.Began(counting)?.At;
        var at = order.IndexOf(now);
        return new()
        {
            Verdict = basis.Analysis.Verdict.Summary,
            Steps =
            [
                .. order.Select(
                    (s, i) =>
                        new PullStepView(
                            s,
                            PullSteps.NameOf(s),
                            i < at ? StepState.Done
                                : i == at ? StepState.Now
                                : StepState.Ahead,
                            basis.TargetN(s)
                        )
                ),
            ],
            Now = now,
            Stopped = stopped,
            StopWords = stopped ? $"{stop!.Entry.By}: {stop.Entry.Because ?? "stop"}" : "",
            Do = words.Do(now),
            Who = words.Who(now),
            Lines = lines,
            Seen = seen.Latest,
            SeenHere = seen.Here,
            HoldFrom = now == PullStep.Hold ? holdFrom : null,
            HoldForS = PullHold.Seconds,
            Answer = new PullJudge(basis, units).Of(
                now,
                lines,
                seen,
                counting,
                now == PullStep.Clear ? brief.Loads : brief.Pull,
                stopped
            ),
            CommitDeg = basis.CommitDeg,
            LineIsSlack = PullSteps.IsSlack(basis.Plan, now),
            Entries = entries,
            Loads = basis.Loads is { } loads ? LoadsView.Of(loads, counting) : null,
        };
    }

    /// <summary>What still counts: not what was undone, and nothing from before the day was begun again.</summary>
    public static IReadOnlyList<DayEntry> Counting(IReadOnlyList<DayEntry> entries)
    {
        var undone = entries
            .Where(e => e.Entry is { Kind: EntryKind.Undo, Undoes: not null })
            .Select(e => e.Entry.Undoes!.Value)
            .ToHashSet();
        var kept = entries.Where(e => e.Entry.Kind != EntryKind.Undo && !undone.Contains(e.Number)).ToList();
        var again = kept.FindLastIndex(e => e.Entry.Kind == EntryKind.Again);
        return again < 0 ? kept : kept[(again + 1)..];
    }

    /// <summary>When the crew said that the back cut was finished, milliseconds of the Unix clock; null while nobody has.</summary>
    public static long? CutMs(IReadOnlyList<DayEntry> entries) =>
        Counting(entries).LastOrDefault(e => e.Entry is { Kind: EntryKind.Move, Step: PullStep.BackCut }) is { } moved
        && DateTimeOffset.TryParse(moved.At, CultureInfo.InvariantCulture, out var at)
            ? at.ToUnixTimeMilliseconds()
            : null;

    /// <summary>The step that the last move led to.</summary>
    private static PullStep NowOf(IReadOnlyList<DayEntry> counting, ImmutableArray<PullStep> order)
    {
        var moved = counting.LastOrDefault(e => e.Entry is { Kind: EntryKind.Move, To: not null });
        var now = moved?.Entry.To ?? order[0];
        // The school may have been changed since: a step that it leaves out is the one after it.
        return order.Contains(now) ? now : order.FirstOrDefault(s => s > now, order[^1]);
    }
}

public enum StepState
{
    Done,
    Now,
    Ahead,
}

/// <param name="TargetN">The main tension it brings the lines to; null where none is asked.</param>
public sealed record PullStepView(PullStep Step, string Name, StepState State, double? TargetN);
