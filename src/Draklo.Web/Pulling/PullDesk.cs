using System.Globalization;
using Draklo.Core.Analyses;
using Draklo.Core.Briefs;
using Draklo.Core.Clearing;
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
    YardStore yard,
    PullStore store,
    BriefDesk briefs,
    LogDesk logs,
    ILoadCell cell,
    TimeProvider clock
)
{
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
        var (found, missing) = Found(id, units);
        if (found is null)
        {
            return (null, missing);
        }

        var problems = new List<Problem>();
        var tension = found.Read(asked, units, problems);
        if (problems.Count > 0)
        {
            return (null, problems);
        }

        store.Add(
            id,
            asked.Key,
            (at, before) => found.Take(asked, tension, before, SaidAt(at, asked, before), LocalTime, units, problems)
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

    /// <summary>When an entry was said: a tablet that was out of range says how long ago, never before the one before it.</summary>
    private static string SaidAt(DateTimeOffset now, EntryDocument asked, IReadOnlyList<DayEntry> before)
    {
        var said = now - TimeSpan.FromSeconds(asked.AgoS ?? 0);
        return
            before.Count > 0
            && DateTimeOffset.TryParse(before[^1].At, CultureInfo.InvariantCulture, out var last)
            && asked.AgoS is not null
            && said < last
            ? before[^1].At
            : said.ToString("O");
    }

    /// <summary>What the plan says with a change in it; put in the plan when that is asked.</summary>
    public (ChangeAnswer? Answer, IReadOnlyList<Problem> Problems) Change(
        string id,
        ChangeDocument asked,
        UnitSystem units
    )
    {
        var (found, missing) = Found(id, units);
        if (found is null)
        {
            return (null, missing);
        }

        var problems = new List<Problem>();
        MemberRanges.Check(asked, units, problems);
        if (asked.By.Trim().Length == 0)
        {
            problems.Add(new("by", "Say who you are: everything is kept with a name."));
        }

        if (problems.Count > 0 || PlanChange.Of(found.Basis.Plan, asked, units, problems) is not { } change)
        {
            return (null, problems);
        }

        var outcome = JobAnalysis.Of(change.Plan, units, withWorkings: false, yard.Of(units));
        if (outcome.Analysis is not { } analysis)
        {
            return (null, outcome.Problems);
        }

        var pieces = locker.List().ToDictionary(k => k.Item.Id, k => k.Item, StringComparer.Ordinal);
        var cleared = change.Plan.Clearing is null
            ? null
            : ClearingAnalysis.Of(change.Plan, units, yard.Of(units)).Analysis;
        var brief = Brief.Of(change.Plan, analysis, cleared, pieces, units);
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
        BriefedDay found,
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

        var now = found.Of(store.Entries(id), units).Now;
        store.Add(
            id,
            asked.Key,
            (at, before) =>
                new(
                    before.Count == 0 ? 1 : before[^1].Number + 1,
                    at.ToString("O"),
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

        var basis = found.Basis;
        var day = found.Of(entries, UnitSystem.Metric);
        return new(
            day.Now,
            clock.GetTimestamp(),
            basis.CommitDeg,
            [.. PulledOf(basis, day.Now), .. LoadedOf(basis, day.Now)],
            last
        )
        {
            IsSlack = day.LineIsSlack,
        };
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
        var commit = Found(id, UnitSystem.Metric).Found?.Basis.CommitDeg ?? double.PositiveInfinity;
        var cut = PullDay.CutMs(store.Entries(id));
        return
        [
            .. store
                .Extents(id)
                .Select(e => TraceView.Of(e.LineId, store.Trace(id, e.LineId), e.FromMs, e.ToMs, spans, commit, cut)),
        ];
    }

    private (BriefedDay? Found, IReadOnlyList<Problem> Problems) Found(string id, UnitSystem units)
    {
        var (brief, problems) = briefs.Of(id, units);
        return (brief is null ? null : BriefedDay.Of(brief), problems);
    }

    private PullingAnswer AnswerOf(BriefedDay found, IReadOnlyList<DayEntry> entries, UnitSystem units) =>
        PullingAnswer.Of(found, entries, TracesOf(found.Brief.JobId), cell.Name, units) with
        {
            CellIsSimulated = cell.IsSimulated,
        };

    private List<TraceLine> TracesOf(string id) => [.. store.Extents(id).Select(e => new TraceLine(e.LineId, e.Count))];

    private string LocalTime(string at) => SentTime.Local(at, clock.GetLocalNow().Offset);
}
