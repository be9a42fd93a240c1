using Draklo.Core.Learning;
using Draklo.Core.Logs;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Hosting;
using Draklo.Web.Logs;

namespace Draklo.Web.Learning;

/// <summary>What the crew's jobs and trials say, with the points of its charts.</summary>
/// <param name="Figures">Each with the latest jobs or trials that it rests on, 60 at most.</param>
/// <param name="Jobs">The latest first, 600 at most.</param>
public sealed record LearningAnswer(IReadOnlyList<LearnedFigure> Figures, IReadOnlyList<LoggedJob> Jobs);

/// <summary>Whether a figure stands in new plans, and who says so.</summary>
public sealed record WishDocument
{
    public required bool Used { get; init; }

    public required string By { get; init; }
}

/// <summary>A plan, and which of the crew's own figures to put in or take out.</summary>
public sealed record OwnDocument
{
    public required Plan Plan { get; init; }

    /// <summary>Left out: only what fits.</summary>
    public string? FigureId { get; init; }

    /// <summary>Put in, or taken out.</summary>
    public bool Use { get; init; }
}

/// <param name="Plan">As it was sent, or with the figure put in or taken out.</param>
public sealed record OwnAnswer(Plan Plan, IReadOnlyList<OwnChoice> Choices);

/// <summary>A trial with what it found.</summary>
public sealed record TrialAnswer(Trial Trial, TrialResult Result);

/// <summary>What the crew learned, and its trials.</summary>
internal static class LearningEndpoints
{
    /// <summary>More than these would not be told apart on a chart.</summary>
    private const int MostJobs = 600;

    private const int MostFrom = 60;

    public static void MapLearning(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/learning", Read)
            .WithName("readLearning")
            .WithTags("learning")
            .WithSummary(
                "Figures that the crew's own jobs and trials give, each beside the table's, with the jobs it rests on."
            )
            .Produces<LearningAnswer>();
        app.MapGet("/api/learning/figures.csv", Csv)
            .WithName("learningCsv")
            .WithTags("learning")
            .WithSummary("The same figures as CSV, UTF-8.")
            .Produces<string>(200, "text/csv");
        app.MapPut("/api/learning/{id}", WishAsync)
            .WithName("useLearned")
            .WithTags("learning")
            .WithSummary("Whether a figure stands in new plans. Plans that are there do not change.")
            .Accepts<WishDocument>("application/json")
            .Produces<OwnWish>()
            .ProducesProblem(404)
            .ProducesValidationProblem(422);
        app.MapPost("/api/learning/plan", PlanAsync)
            .WithName("planWithLearned")
            .WithTags("learning")
            .WithSummary(
                "Which of the crew's own figures fit a plan; with figureId, the plan with that one put in or taken out. Keeps nothing."
            )
            .Accepts<OwnDocument>("application/json")
            .Produces<OwnAnswer>()
            .ProducesProblem(404)
            .ProducesValidationProblem(422);
        app.MapGet("/api/trials", (TrialStore store, string? units = null) => Trials(store, units))
            .WithName("listTrials")
            .WithTags("learning")
            .WithSummary("The crew's trials with what they found, the latest first; unfinished ones too.")
            .Produces<IReadOnlyList<TrialAnswer>>();
        app.MapPut("/api/trials/{id}", KeepTrialAsync)
            .WithName("keepTrial")
            .WithTags("learning")
            .WithSummary("Keeps a trial as far as it has come; only a finished one counts.")
            .Accepts<Trial>("application/json")
            .Produces<TrialAnswer>()
            .ProducesValidationProblem(422);
        app.MapDelete(
                "/api/trials/{id}",
                (TrialStore store, string id) =>
                    store.Drop(id) ? Results.NoContent() : PlainProblems.NotFound("There is no such trial.")
            )
            .WithName("dropTrial")
            .WithTags("learning")
            .WithSummary("Takes a trial away; history brings it back.")
            .Produces(204)
            .ProducesProblem(404);
    }

    private static SizedAnswer<LearningAnswer> Read(LearningDesk desk) =>
        new(
            new(
                [.. desk.Figures().Select(f => f with { From = [.. f.From.Take(MostFrom)] })],
                [.. desk.Jobs().TakeLast(MostJobs).Reverse()]
            )
        );

    private static IResult Csv(LearningDesk desk) =>
        PlainCsv.File(
            "learned.csv",
            [
                "id",
                "name",
                "unit",
                "count",
                "of",
                "mean",
                "deviation",
                "low",
                "value",
                "high",
                "table",
                "may_use",
                "in_new_plans",
            ],
            desk.Figures()
                .Select(f =>
                    new object?[]
                    {
                        f.Id,
                        f.Name,
                        f.Unit,
                        f.Count,
                        f.Of,
                        f.Mean,
                        f.Deviation,
                        f.Value.Low,
                        f.Value.Nominal,
                        f.Value.High,
                        f.Table.Nominal,
                        f.MayUse ? "yes" : "no",
                        f.Used ? "yes" : "no",
                    }
                )
        );

    private static async Task<IResult> WishAsync(LearningDesk desk, WishStore wishes, HttpRequest request, string id)
    {
        var (asked, refusal) = await request.ReadAsync<WishDocument>();
        if (asked is null)
        {
            return refusal!;
        }

        if (desk.Figures().FirstOrDefault(f => f.Id == id) is not { } figure)
        {
            return PlainProblems.NotFound("There is no such figure yet: it comes with jobs and trials.");
        }

        var problems = new List<Problem>();
        if (string.IsNullOrWhiteSpace(asked.By))
        {
            problems.Add(new("by", "Say who decides this."));
        }

        if (asked.Used && !figure.MayUse)
        {
            problems.Add(new("used", figure.Why));
        }

        if (problems.Count > 0)
        {
            return PlainProblems.Refused(problems);
        }

        var wish = new OwnWish
        {
            Id = id,
            Used = asked.Used,
            By = asked.By.Trim(),
        };
        wishes.Keep(wish);
        return Results.Ok(wish);
    }

    private static async Task<IResult> PlanAsync(LearningDesk desk, HttpRequest request, string? units = null)
    {
        if (!Bodies.TryUnits(units, out var system))
        {
            return Bodies.UnknownUnits(units);
        }

        var (asked, refusal) = await request.ReadAsync<OwnDocument>();
        if (asked is null)
        {
            return refusal!;
        }

        var figures = desk.Figures();
        var plan = asked.Plan;
        if (asked.FigureId is { } id)
        {
            if (figures.FirstOrDefault(f => f.Id == id) is not { } figure)
            {
                return PlainProblems.NotFound("There is no such figure any more: look again.");
            }

            if (asked.Use && !figure.MayUse)
            {
                return PlainProblems.Refused([new("figureId", figure.Why)]);
            }

            plan = asked.Use ? OwnEdits.With(plan, figure) : OwnEdits.Without(plan, figure);
        }

        return Results.Ok(new OwnAnswer(plan, OwnEdits.Of(plan, figures, system)));
    }

    private static IResult Trials(TrialStore store, string? units) =>
        Bodies.TryUnits(units, out var system)
            ? Results.Ok(
                store
                    .List()
                    .OrderByDescending(t => t.On, StringComparer.Ordinal)
                    .ThenBy(t => t.Id, StringComparer.Ordinal)
                    .Select(t => new TrialAnswer(t, TrialResult.Of(t, system)))
                    .ToList()
            )
            : Bodies.UnknownUnits(units);

    private static async Task<IResult> KeepTrialAsync(
        TrialStore store,
        LockerStore locker,
        HttpRequest request,
        string id,
        string? units = null
    )
    {
        if (!Bodies.TryUnits(units, out var system))
        {
            return Bodies.UnknownUnits(units);
        }

        var (trial, refusal) = await request.ReadAsync<Trial>();
        if (trial is null)
        {
            return refusal!;
        }

        var problems = TrialRules.Check(trial, locker.Today, system);
        if (trial.Id != id)
        {
            problems.Add(new("id", "The id is the same as in the address."));
        }

        if (problems.Count > 0)
        {
            return PlainProblems.Refused(problems);
        }

        store.Keep(trial);
        return Results.Ok(new TrialAnswer(trial, TrialResult.Of(trial, system)));
    }
}
