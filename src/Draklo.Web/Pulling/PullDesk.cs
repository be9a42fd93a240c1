using System.Globalization;
using Draklo.Core.Analyses;
using Draklo.Core.Briefs;
using Draklo.Core.Plans;
using Draklo.Core.Pulling;
using Draklo.Core.Reading;
using Draklo.Core.Studies;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Briefs;
using Draklo.Web.Logs;
using Draklo.Web.Outside;

namespace Draklo.Web.Pulling;

/// <summary>Keeps a job's day: takes what is read and said, answers each step, and works the plan out again on the spot.</summary>
internal sealed class PullDesk(
    JobStore jobs,
    LockerStore locker,
    PullStore store,
    BriefDesk briefs,
    LogDesk logs,
    ILoadCell cell,
    TimeProvider clock
)
{
    private const int MostShown = 400;

    /// <summary>The day as it stands; problems where the plan cannot be computed; neither when there is no such job.</summary>
    public (PullingAnswer? Answer, IReadOnlyList<Problem> Problems) Of(string id, UnitSystem units)
    {
        var (found, problems) = Found(id, units);
        return found is null ? (null, problems) : (AnswerOf(found, store.Entries(id), units), []);
    }

    /// <summary>Takes an entry.</summary>
    public (PullingAnswer? Answer, IReadOnlyList<Problem> Problems) Add(
        string id,
        EntryDocument asked,
        UnitSystem units
    )
    {
        var (found, problems) = Asked(id, asked, asked.By, units);
        if (found is null)
        {
            return (null, problems);
        }

        var tension = TensionOf(found.Of, asked, problems);
        if (problems.Count > 0)
        {
            return (null, problems);
        }

        store.Add(
            id,
            asked.Key,
            (number, at, before) =>
            {
                var day = DayOf(found, before, units);
                EntryRules.Check(day, before, asked, LocalTime, problems);
                return problems.Count > 0 ? null : new(number, at, asked, tension, found.Brief.Revision);
            }
        );
        if (problems.Count > 0)
        {
            return (null, problems);
        }

        if (asked is { Kind: EntryKind.Move, To: PullStep.Down })
        {
            logs.TreeIsDown(id, asked.By);
        }

        return (AnswerOf(found, store.Entries(id), units), []);
    }

    /// <summary>What the plan says with a change in it; put in the plan when that is asked.</summary>
    public (ChangeAnswer? Answer, IReadOnlyList<Problem> Problems) Change(
        string id,
        ChangeDocument asked,
        UnitSystem units
    )
    {
        var (found, problems) = Asked(id, asked, asked.By, units);
        if (found is null || PlanChange.Of(found.Of.Plan, asked, units, problems) is not { } change)
        {
            return (null, problems);
        }

        var outcome = PlanAnalysis.Of(change.Plan, units, withWorkings: false, locker.Standings(units));
        if (outcome.Analysis is not { } analysis)
        {
            return (null, outcome.Problems);
        }

        var pieces = locker.List().ToDictionary(k => k.Item.Id, k => k.Item, StringComparer.Ordinal);
        var brief = Brief.Of(change.Plan, analysis, pieces, units);
        var moves = Covered.Changes(found.Brief.Page.Brief.Covered, brief.Covered, units);
        PullingAnswer? day = null;
        if (asked.Apply)
        {
            (day, problems) = Apply(id, found, asked, change, units);
            if (problems.Count > 0)
            {
                return (null, problems);
            }
        }

        return (
            new(
                change.Words,
                analysis.Verdict.State,
                analysis.Verdict.Summary,
                moves,
                moves.Count > 0 && found.Brief.SignOff.People.Any(p => p.HasSigned),
                WhatToDo(change.Plan, analysis, units),
                day
            ),
            []
        );
    }

    private (PullingAnswer?, List<Problem>) Apply(
        string id,
        Basis found,
        ChangeDocument asked,
        PlanChange change,
        UnitSystem units
    )
    {
        if (store.Entries(id).Any(e => e.Entry.Key == asked.Key))
        {
            return (Of(id, units).Answer, []);
        }

        var job = jobs.Find(id)!;
        var (result, _) = jobs.Save(id, found.Brief.Revision, job.Content with { Plan = change.Plan });
        if (result != SaveResult.Saved)
        {
            return (null, [new("", "Somebody changed the plan just now: look again and send it once more.")]);
        }

        var now = DayOf(found, store.Entries(id), units).Now;
        store.Add(
            id,
            asked.Key,
            (number, at, _) =>
                new(
                    number,
                    at,
                    new()
                    {
                        Key = asked.Key,
                        Kind = EntryKind.Changed,
                        Step = now,
                        By = asked.By,
                        LineId = asked.LineId,
                        Because = change.Words,
                    },
                    null,
                    found.Brief.Revision + 1
                )
        );
        return (Of(id, units).Answer, []);
    }

    /// <summary>The best single change for each link that fails, and what the stops say otherwise.</summary>
    private static List<string> WhatToDo(Plan plan, Core.Analyses.Analysis analysis, UnitSystem units)
    {
        var words = new List<string>();
        foreach (var link in analysis.Links.Where(l => l.State == Core.Links.LinkState.Fails).Take(2))
        {
            words.AddRange((Remedies.For(plan, link.Id, units).Remedies ?? []).Take(2).Select(r => r.Text));
        }

        words.AddRange(
            analysis
                .Verdict.Reasons.Where(r => r.State != VerdictState.Ready && r.Code != "link-fails")
                .Take(3)
                .Select(r => r.Text)
        );
        return words;
    }

    /// <summary>What simulated instruments see of a job; nothing where the plan cannot be computed.</summary>
    public Scene SceneOf(string id)
    {
        var (found, _) = Found(id, UnitSystem.Metric);
        var entries = store.Entries(id);
        var last = entries.Count > 0 ? entries[^1].Number : 0;
        if (found is null)
        {
            return Scene.Nothing with { Entries = last };
        }

        var basis = found.Of;
        var day = DayOf(found, entries, UnitSystem.Metric);
        return new(
            day.Now,
            clock.GetTimestamp(),
            basis.CommitDeg,
            [.. PulledOf(basis, day.Now), .. LoadedOf(basis, day.Now)],
            last
        );
    }

    private static IEnumerable<SceneLine> PulledOf(PullBasis basis, PullStep now) =>
        basis.Plan.Clearing is { Alone: true }
            ? []
            : basis.Plan.Lines.Select(
                (l, i) =>
                    new SceneLine(
                        l.Id,
                        now != PullStep.Clear,
                        basis.ShareOf(i) * (basis.TargetN(now) ?? 0),
                        basis.Analysis.Pull.Lines[i].TensionN,
                        lean => basis.TensionAt(i, lean)
                    )
            );

    private static IEnumerable<SceneLine> LoadedOf(PullBasis basis, PullStep now) =>
        basis.Loads?.Line is { } line
            ?
            [
                new SceneLine(
                    LoadBasis.LineId,
                    now == PullStep.Clear,
                    now == PullStep.Clear ? line.LoadValue : 0,
                    line.LoadValue,
                    static _ => 0,
                    basis.Loads.MostN
                ),
            ]
            : [];

    public IReadOnlyList<TraceView> Traces(string id, int spans)
    {
        var commit = Found(id, UnitSystem.Metric).Found?.Of.CommitDeg ?? double.PositiveInfinity;
        return
        [
            .. store
                .Extents(id)
                .Select(e => TraceView.Of(e.LineId, store.Trace(id, e.LineId), e.FromMs, e.ToMs, spans, commit)),
        ];
    }

    private sealed record Basis(BriefAnswer Brief, PullBasis Of);

    private (Basis? Found, IReadOnlyList<Problem> Problems) Found(string id, UnitSystem units)
    {
        var (brief, problems) = briefs.Of(id, units);
        return brief is not null && PullBasis.Of(brief.Page.Plan, brief.Page.Analysis) is { } basis
            ? (new Basis(brief, basis), [])
            : (null, problems);
    }

    /// <summary>The job that something is sent about; none, and why, where what is sent cannot be.</summary>
    private (Basis? Found, List<Problem> Problems) Asked(string id, IDocumentPart sent, string by, UnitSystem units)
    {
        var (found, missing) = Found(id, units);
        var problems = missing.ToList();
        if (found is not null)
        {
            MemberRanges.Check(sent, units, problems);
            if (by.Trim().Length == 0)
            {
                problems.Add(new("by", "Say who you are: everything is kept with a name."));
            }
        }

        return problems.Count > 0 ? (null, problems) : (found, problems);
    }

    private static PullDay DayOf(Basis found, IReadOnlyList<DayEntry> entries, UnitSystem units) =>
        PullDay.Of(found.Of, entries, HoldsDay(found.Brief), units);

    private PullingAnswer AnswerOf(Basis found, IReadOnlyList<DayEntry> entries, UnitSystem units)
    {
        var (brief, day) = (found.Brief, DayOf(found, entries, units));
        var plan = brief.Page.Plan;
        return new(
            brief.JobId,
            brief.Revision,
            brief.Page.Name,
            BriefInWords(brief),
            plan.Wind.GustMps ?? plan.Wind.SpeedMps,
            brief.Page.Analysis.Plate.GustMps,
            [.. plan.Crew.Select(c => c.Name.Trim())],
            cell.Name,
            day with
            {
                Entries = [.. day.Entries.TakeLast(MostShown)],
            },
            [.. store.Extents(brief.JobId).Select(e => new TraceLine(e.LineId, e.Count))],
            brief.Page.Analysis.Figure,
            brief.Page.Analysis.Tree.Centre,
            brief.Page.Brief.Caution
        );
    }

    private static string BriefInWords(BriefAnswer brief)
    {
        var signed = brief.SignOff.People.Count(p => p.HasSigned);
        return brief.State switch
        {
            BriefState.Issued => $"brief {brief.Number}, signed by {Sentences.Count(signed)}",
            BriefState.ChangedSince => $"brief {brief.Number} is void",
            _ => "no brief issued",
        };
    }

    /// <summary>Why the brief does not carry the day; empty where it does.</summary>
    private static string HoldsDay(BriefAnswer brief)
    {
        if (brief.State == BriefState.Issued)
        {
            return "";
        }

        var moved = brief.ChangedSinceIssue.Take(3).Select(c => c.Name.Uncapitalised()).ToList();
        return brief.State == BriefState.NotIssued
                ? "No brief is issued for this plan: everybody signs and the lead issues it, before anybody hauls."
            : moved.Count > 0
                ? $"The plan has moved since brief {brief.Number} was issued: {string.Join(", ", moved)}. Those who stand under it sign again."
            : $"Brief {brief.Number} no longer carries every signature: sign again.";
    }

    private static Spread? TensionOf(PullBasis basis, EntryDocument asked, List<Problem> problems)
    {
        var reads = asked.Kind == EntryKind.Reading;
        var ofLoads = asked.LineId == LoadBasis.LineId;
        var line = asked.LineId is null ? 0 : basis.Plan.Lines.ToList().FindIndex(l => l.Id == asked.LineId);
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
            ? ReadTension.OfLoads(basis, asked.Tension)
            : ReadTension.Of(basis, line, asked.Tension);
        if (problem is not null)
        {
            problems.Add(problem);
        }

        return tension;
    }

    private string LocalTime(string at) =>
        DateTimeOffset.TryParse(at, CultureInfo.InvariantCulture, out var time)
            ? TimeZoneInfo.ConvertTime(time, clock.LocalTimeZone).ToString("HH:mm", CultureInfo.InvariantCulture)
            : at;
}
