using Draklo.Core.Briefs;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Core.Pulling;

/// <summary>A job's plan with its brief, which entries of the day are held against.</summary>
public sealed record BriefedDay(BriefAnswer Brief, PullBasis Basis)
{
    /// <summary>Null where the pull cannot be worked out.</summary>
    public static BriefedDay? Of(BriefAnswer brief) =>
        PullBasis.Of(brief.Page.Plan, brief.Page.Analysis) is { } basis ? new(brief, basis) : null;

    public PullDay Of(IReadOnlyList<DayEntry> entries, UnitSystem units) =>
        PullDay.Of(Basis, entries, new(HoldsDay, HoldsLoads), units);

    public string BriefInWords =>
        Brief.State switch
        {
            BriefState.Issued =>
                $"brief {Brief.Number}, signed by {Sentences.Count(Brief.SignOff.People.Count(p => p.HasSigned))}",
            BriefState.ChangedSince => $"brief {Brief.Number} is void",
            BriefState.NotIssued => "no brief issued",
        };

    /// <summary>Whether an entry may be taken whatever was said before it: its members and its line.</summary>
    /// <returns>What a reading comes to; null for other entries and where there are problems.</returns>
    public Spread? Read(EntryDocument asked, UnitSystem units, List<Problem> problems)
    {
        MemberRanges.Check(asked, units, problems);
        if (asked.By.Trim().Length == 0)
        {
            problems.Add(new("by", "Say who you are: everything is kept with a name."));
        }

        return problems.Count > 0 ? null : TensionOf(asked, problems);
    }

    /// <summary>Takes an entry after those that are there.</summary>
    /// <param name="at">When it was said.</param>
    /// <param name="tension">Of <see cref="Read"/>.</param>
    /// <param name="localTime">Writes a kept time for people.</param>
    public DayEntry? Take(
        EntryDocument asked,
        Spread? tension,
        IReadOnlyList<DayEntry> before,
        string at,
        Func<string, string> localTime,
        UnitSystem units,
        List<Problem> problems
    )
    {
        EntryRules.Check(Of(before, units), before, asked, localTime, problems);
        return problems.Count > 0 ? null : Keep(asked, tension, before, at, Brief.Revision);
    }

    /// <summary>Keeps an entry that was taken already.</summary>
    /// <param name="revision">Of the job, when it was taken.</param>
    public static DayEntry Keep(
        EntryDocument asked,
        Spread? tension,
        IReadOnlyList<DayEntry> before,
        string at,
        int revision
    ) => new(before.Count == 0 ? 1 : before[^1].Number + 1, at, asked, tension, revision);

    /// <summary>Why the brief does not carry the day; empty where it does.</summary>
    private string HoldsDay
    {
        get
        {
            if (Brief.State == BriefState.Issued)
            {
                return "";
            }

            var moved = Brief.ChangedSinceIssue.Take(3).Select(c => c.Name.Uncapitalised()).ToList();
            return Brief.State == BriefState.NotIssued
                    ? "No brief is issued for this plan: everybody signs and the lead issues it, before anybody hauls."
                : moved.Count > 0
                    ? $"The plan has moved since brief {Brief.Number} was issued: {string.Join(", ", moved)}. Those who stand under it sign again."
                : $"Brief {Brief.Number} no longer carries every signature: sign again.";
        }
    }

    /// <summary>Why it does not carry the loads of the clearing; empty where it does.</summary>
    private string HoldsLoads =>
        HoldsDay.Length > 0 ? HoldsDay
        : Brief.LacksClearing
            ? "The clearing was added after the brief was signed: everybody signs for it and the lead issues it again, before a load moves."
        : "";

    private Spread? TensionOf(EntryDocument asked, List<Problem> problems)
    {
        var reads = asked.Kind == EntryKind.Reading;
        var ofLoads = asked.LineId == LoadBasis.LineId;
        var line = asked.LineId is null ? 0 : Basis.Plan.Lines.ToList().FindIndex(l => l.Id == asked.LineId);
        if (reads && !ofLoads && asked.Step == PullStep.Clear)
        {
            problems.Add(new("lineId", "While loads move, the line that carries or hauls them is read."));
            return null;
        }

        if (line < 0 && !ofLoads)
        {
            problems.Add(new("lineId", $"This plan has no line “{asked.LineId}”: it may have been taken out since."));
            return null;
        }

        if (!reads)
        {
            return null;
        }

        if (asked.Tension is null)
        {
            problems.Add(new("tension", "Say what was read."));
            return null;
        }

        var (tension, problem) = ofLoads
            ? ReadTension.OfLoads(Basis, asked.Tension)
            : ReadTension.Of(Basis, line, asked.Tension);
        if (problem is not null)
        {
            problems.Add(problem);
        }

        return tension;
    }
}
