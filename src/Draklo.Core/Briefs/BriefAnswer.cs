using Draklo.Core.Analyses;
using Draklo.Core.Clearing;
using Draklo.Core.Gear;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Briefs;

/// <summary>How the brief of a job stands.</summary>
public enum BriefState
{
    /// <summary>Something holds it, or nobody has issued it yet.</summary>
    NotIssued,

    /// <summary>The page as it stands is the one issued last.</summary>
    Issued,

    /// <summary>One was issued, and the plan has moved since.</summary>
    ChangedSince,
}

/// <summary>All of a page: what it says and what its drawings are made from.</summary>
/// <param name="Units">That its sentences are written in.</param>
public sealed record BriefPage(
    string Name,
    string Place,
    string? PlannedOn,
    UnitSystem Units,
    Brief Brief,
    Plan Plan,
    Analysis Analysis,
    IReadOnlyList<Signature> Signatures
)
{
    /// <summary>Of the clearing, for its drawings; left out without one.</summary>
    public ClearingAnalysis? Clearing { get; init; }
}

/// <summary>A job's brief as it stands now.</summary>
public sealed record BriefAnswer
{
    public required string JobId { get; init; }

    /// <summary>Of the job that the page was made from, 1 or more.</summary>
    public required int Revision { get; init; }

    public required BriefState State { get; init; }

    /// <summary>Of the brief issued last; 0 while none is.</summary>
    public required long Number { get; init; }

    public required BriefPage Page { get; init; }

    public required SignOff SignOff { get; init; }

    public required IReadOnlyList<IssuedBrief> Issued { get; init; }

    /// <summary>What moved since the last issue, old and new.</summary>
    public required IReadOnlyList<CoveredChange> ChangedSinceIssue { get; init; }

    /// <summary>A clearing was added since the last issue: the brief carries the pull, and no load moves under it.</summary>
    public bool LacksClearing { get; init; }

    /// <summary>Names on this job that can sign with a PIN of their own.</summary>
    public required IReadOnlyList<string> PeopleWithPin { get; init; }

    /// <summary>Gear ticked out and back in.</summary>
    public required IReadOnlyList<PackingTick> Ticks { get; init; }

    /// <param name="pieces">Of the locker, by id.</param>
    /// <param name="yard">What the crew keeps that the plan is held against, in these units.</param>
    /// <returns>Problems where the plan cannot be computed.</returns>
    public static (BriefAnswer? Answer, IReadOnlyList<Problem> Problems) Of(
        KeptJob job,
        JobPapers papers,
        IReadOnlyDictionary<string, GearItem> pieces,
        Yard? yard,
        UnitSystem units
    )
    {
        var plan = job.Plan;
        var outcome = JobAnalysis.Of(plan, units, withWorkings: false, yard);
        if (outcome.Analysis is not { } analysis)
        {
            return (null, outcome.Problems);
        }

        var cleared = plan.Clearing is null ? null : ClearingAnalysis.Of(plan, units, yard).Analysis;
        var brief = Brief.Of(plan, analysis, cleared, pieces, units);
        var signOff = SignOff.Of(plan, brief, papers.Signatures, units);
        var last = papers.Issued.LastOrDefault(i => !i.FromArchive);
        var moved =
            last is null || last.Fingerprint == brief.Fingerprint
                ? []
                : Covered.Changes(papers.LastCovered, brief.Covered, units);
        var state =
            last is null ? BriefState.NotIssued
            : moved.Count == 0 && signOff.MayIssue ? BriefState.Issued
            : BriefState.ChangedSince;
        return (
            new()
            {
                JobId = job.JobId,
                Revision = job.Revision,
                State = state,
                Number = last?.Number ?? 0,
                Page = new(
                    job.Name,
                    job.Place,
                    job.PlannedOn,
                    units,
                    brief,
                    plan,
                    analysis,
                    [.. signOff.People.Where(p => p.HasSigned).Select(p => p.Last!)]
                )
                {
                    Clearing = cleared,
                },
                SignOff = signOff,
                Issued = papers.Issued,
                ChangedSinceIssue = moved,
                LacksClearing =
                    state == BriefState.Issued
                    && (
                        Covered.LacksClearing(papers.LastCovered, brief.Covered)
                        || signOff.People.Any(p => p.LacksClearing)
                    ),
                PeopleWithPin = papers.PeopleWithPin,
                Ticks = papers.Ticks,
            },
            []
        );
    }
}
