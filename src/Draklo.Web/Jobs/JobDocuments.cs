using System.ComponentModel.DataAnnotations;
using Draklo.Core.Analyses;
using Draklo.Core.Catalogue;
using Draklo.Core.Clearing;
using Draklo.Core.Gear;
using Draklo.Core.Geometry;
using Draklo.Core.Logs;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;
using Draklo.Store;
using Draklo.Web.Hosting;

namespace Draklo.Web.Jobs;

/// <summary>What a client sends to create or save a job.</summary>
public sealed record JobDocument
{
    private const int LongestName = 120;

    [Display(Name = "Name of the job")]
    public required string Name { get; init; }

    [Display(Name = "Place")]
    public string Place { get; init; } = "";

    [Display(Name = "Day", Description = "yyyy-MM-dd, or left out while no day is set.")]
    public string? PlannedOn { get; init; }

    public required Plan Plan { get; init; }

    /// <summary>
    /// What would be wrong with keeping this; a plan that cannot be computed yet may be kept all the same.
    /// </summary>
    public List<Problem> Problems()
    {
        var problems = new List<Problem>();
        if (string.IsNullOrWhiteSpace(Name) || Name.Length > LongestName)
        {
            problems.Add(
                new(
                    "name",
                    Name.Length > LongestName
                        ? "The name is longer than 120 letters: shorten it."
                        : "Give the job a name."
                )
            );
        }

        if (Place.Length > 120)
        {
            problems.Add(new("place", "The place is longer than 120 letters: shorten it."));
        }

        if (PlannedOn is not null && !DayText.TryRead(PlannedOn, out _))
        {
            problems.Add(new("plannedOn", DayText.HowWritten));
        }

        if (Plan.Lines.Count == 0)
        {
            problems.Add(new("plan.lines", "A plan has at least one line: add one."));
        }

        var header = new List<Problem>();
        PlanFile.CheckHeader(Plan.Format, Plan.Version, header);
        problems.AddRange(header.Select(p => p with { Path = "plan." + p.Path }));
        return problems;
    }

    public JobContent ToContent() =>
        new(Name.Trim(), Place.Trim(), PlannedOn, Plan with { Name = Name.Trim(), Place = null, PlannedOn = null });

    /// <summary>A job out of a plan file, as far as it says where and when.</summary>
    public static JobDocument OfFile(Plan plan)
    {
        var name = string.IsNullOrWhiteSpace(plan.Name) ? "Imported plan" : plan.Name;
        return new()
        {
            Name = name.Length > LongestName ? name[..LongestName] : name,
            Place = plan.Place ?? "",
            PlannedOn = plan.PlannedOn,
            Plan = plan,
        };
    }
}

/// <summary>What a client sends to begin a job; whatever is left out is filled in.</summary>
public sealed record NewJobDocument
{
    [Display(Name = "Name of the job")]
    public string Name { get; init; } = "New job";

    [Display(Name = "Place")]
    public string Place { get; init; } = "";

    [Display(Name = "Day", Description = "yyyy-MM-dd, or left out while no day is set.")]
    public string? PlannedOn { get; init; }

    [Display(
        Name = "Plan",
        Description = "Left out, a plan of an ordinary tree in which every figure is marked as a guess."
    )]
    public Plan? Plan { get; init; }

    [Display(
        Name = "Like",
        Description = "Id of an earlier job to start from: its gear and ways stay, what was seen at its tree is a guess. Only without a plan."
    )]
    public string? Like { get; init; }

    [Display(
        Name = "Clearing alone",
        Description = "A job of its own, in which nothing is pulled. Only without a plan."
    )]
    public bool Clearing { get; init; }

    [Display(Name = "Template", Description = "Id of a template of the crew to start from. Only without a plan.")]
    public string? Template { get; init; }

    /// <param name="like">The plan to start from, of an earlier job or a template; null for none.</param>
    public JobDocument ToJob(Plan? like) =>
        new()
        {
            Name = Name,
            Place = Place,
            PlannedOn = PlannedOn,
            Plan =
                Plan
                ?? (
                    like is not null ? LikePlan.Of(like)
                    : Clearing ? ClearingAlone()
                    : FirstPlan.Make()
                ),
        };

    private static Plan ClearingAlone() =>
        FirstPlan.Make() with
        {
            Clearing = Starts.Usual.Clearing.Whole with { Alone = true },
        };
}

/// <summary>What a list of jobs is asked for; see <see cref="JobSearch"/>.</summary>
public sealed record JobAsk(
    string? Text = null,
    string? Stage = null,
    string? Species = null,
    string? Place = null,
    string? Crew = null,
    string? From = null,
    string? To = null,
    string? Sort = null
)
{
    private const string Open = "open";
    private const int LongestText = 200;

    private static readonly string[] Stages = [.. Enum.GetValues<JobStage>().Select(LogStore.NameOf)];

    /// <summary>Everything that is not over yet.</summary>
    private static readonly string[] OpenStages =
    [
        .. Stages.Except([LogStore.NameOf(JobStage.Done), LogStore.NameOf(JobStage.CalledOff)]),
    ];

    internal (JobSearch? Search, Problem? Problem) ToSearch()
    {
        string[] stages =
            string.IsNullOrEmpty(Stage) ? []
            : Stage == Open ? OpenStages
            : Stage.Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);
        if (stages.FirstOrDefault(s => !Stages.Contains(s)) is { } unknown)
        {
            return (
                null,
                new("stage", $"“{unknown}” is no stage: ask for open or some of {string.Join(", ", Stages)}.")
            );
        }

        foreach (var (path, day) in new[] { ("from", From), ("to", To) })
        {
            if (!string.IsNullOrEmpty(day) && !DayText.TryRead(day, out _))
            {
                return (null, new(path, DayText.HowWritten));
            }
        }

        var sort = JobSort.Day;
        if (!string.IsNullOrEmpty(Sort) && !(Enum.TryParse(Sort, ignoreCase: true, out sort) && Enum.IsDefined(sort)))
        {
            return (null, new("sort", "Sort by day, latest, name, place, species or stage."));
        }

        return (Text?.Length > LongestText)
            ? (null, new("text", $"Search for {LongestText} letters at most."))
            : (
                new(Text?.Trim() ?? "", stages, Species ?? "", Place ?? "", Crew ?? "", From ?? "", To ?? "", sort),
                null
            );
    }
}

/// <summary>What jobs can be chosen by.</summary>
public sealed record JobNames(IReadOnlyList<string> Species, IReadOnlyList<string> Places, IReadOnlyList<string> Crew);

/// <summary>A job as kept.</summary>
/// <param name="Revision">Counts saves; also the ETag, which a save must name in If-Match.</param>
public sealed record JobAnswer(
    string Id,
    int Revision,
    DateTimeOffset SavedAt,
    string Name,
    string Place,
    string? PlannedOn,
    Plan Plan
)
{
    public static JobAnswer Of(Job job) =>
        new(
            job.Id,
            job.Revision,
            job.SavedAt,
            job.Content.Name,
            job.Content.Place,
            job.Content.PlannedOn,
            job.Content.Plan
        );
}

/// <summary>A job on the list.</summary>
public sealed record JobEntry
{
    public required string Id { get; init; }

    public required int Revision { get; init; }

    public required DateTimeOffset SavedAt { get; init; }

    public required string Name { get; init; }

    public required string Place { get; init; }

    public required string? PlannedOn { get; init; }

    /// <summary>What its plan says; mend when the plan cannot be computed as it stands.</summary>
    public required JobState State { get; init; }

    /// <summary>The one thing that limits the plan, or what to mend.</summary>
    public required string Headline { get; init; }

    /// <summary>State and headline in one.</summary>
    public required string Summary { get; init; }

    /// <summary>For the small elevation; left out when there is nothing to draw.</summary>
    public required Figure? Figure { get; init; }

    /// <summary>For the small elevation.</summary>
    public required LayPoint? CentreOfMass { get; init; }

    /// <summary>How far it has come.</summary>
    public JobStage? Stage { get; init; }

    /// <summary>The day of its log; left out before.</summary>
    public string? LoggedOn { get; init; }

    /// <summary>An id of the species catalogue; empty where the wood is of its own figures.</summary>
    public string? Species { get; init; }

    /// <summary>First names.</summary>
    public string? Crew { get; init; }

    /// <summary>For the small drawing of a clearing; left out where there is nothing to draw.</summary>
    public ClearingSketch? Sketch { get; init; }

    /// <summary>Whether nothing is pulled: the job is the clearing alone, and that is what its state speaks of.</summary>
    public bool Clearing { get; init; }

    public static JobEntry Of(Job job, UnitSystem units, Yard yard)
    {
        if (job.Content.Plan.Clearing is { Alone: true } clearing)
        {
            return OfClearing(job, clearing, units, yard);
        }

        var outcome = JobAnalysis.Of(job.Content.Plan, units, withWorkings: false, yard);
        var (state, headline, summary) = outcome.Analysis is { Verdict: var verdict }
            ? ((JobState)verdict.State, verdict.Headline, verdict.Summary)
            : (JobState.Mend, outcome.Problems[0].Message, $"To mend: {outcome.Problems[0].Message}");
        return Listed(job, state, headline, summary) with
        {
            Figure = outcome.Analysis?.Figure,
            CentreOfMass = outcome.Analysis?.Tree.Centre,
        };
    }

    private static JobEntry OfClearing(Job job, ClearingMembers clearing, UnitSystem units, Yard yard)
    {
        var (analysis, problems) = ClearingAnalysis.Of(job.Content.Plan, units, yard);
        var way = analysis?.Ways.First(w => w.Way == clearing.Way);
        var (state, headline, summary) = way is null
            ? (JobState.Mend, problems[0].Message, $"To mend: {problems[0].Message}")
            : ((JobState)way.State, way.Headline, $"{Verdict.Word(way.State)}. {way.Headline}");
        return Listed(job, state, headline, summary) with
        {
            Clearing = true,
            Sketch = analysis is null ? null : ClearingSketch.Of(clearing, analysis),
        };
    }

    /// <summary>What every job has on the list, without its drawing.</summary>
    private static JobEntry Listed(Job job, JobState state, string headline, string summary) =>
        new()
        {
            Id = job.Id,
            Revision = job.Revision,
            SavedAt = job.SavedAt,
            Name = job.Content.Name,
            Place = job.Content.Place,
            PlannedOn = job.Content.PlannedOn,
            State = state,
            Headline = headline,
            Summary = summary,
            Figure = null,
            CentreOfMass = null,
        };

    /// <summary>What is still known of a job whose row is damaged.</summary>
    public static JobEntry Unreadable(ListedJob listed)
    {
        const string headline = "This job's row is damaged and cannot be read: see Upkeep.";
        return new()
        {
            Id = listed.Id,
            Revision = (int)listed.Revision,
            SavedAt = DateTimeOffset.UnixEpoch,
            Name = listed.Name,
            Place = listed.Place,
            PlannedOn = listed.PlannedOn,
            State = JobState.Damaged,
            Headline = headline,
            Summary = $"Damaged: {headline}",
            Figure = null,
            CentreOfMass = null,
        };
    }
}

/// <summary>How a job stands on the list.</summary>
public enum JobState
{
    Ready = VerdictState.Ready,
    Check = VerdictState.Check,
    Stop = VerdictState.Stop,
    Mend,

    /// <summary>Its row cannot be read.</summary>
    Damaged,
}
