using Draklo.Core.Analyses;
using Draklo.Core.Catalogue;
using Draklo.Core.Falls;
using Draklo.Core.Plans;
using Draklo.Core.Studies;
using Draklo.Core.Tackle;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Hosting;

namespace Draklo.Web.Analysis;

/// <summary>Sums on demand; nothing is kept.</summary>
internal static class AnalysisEndpoints
{
    public static void MapAnalysis(this IEndpointRouteBuilder app)
    {
        app.MapPost("/api/analysis", AnalyseAsync)
            .WithName("analyse")
            .WithTags("analysis")
            .WithSummary("Analyses a plan document and keeps nothing.")
            .WithDescription(
                "A piece of the locker that hangs on the plan is looked up there. units=us writes sentences and workings in US customary units; figures are SI in any case. workings=false leaves the workings out."
            )
            .Accepts<Plan>("application/json")
            .Produces<Core.Analyses.Analysis>()
            .ProducesValidationProblem(StatusCodes.Status400BadRequest)
            .ProducesValidationProblem(StatusCodes.Status422UnprocessableEntity)
            .ProducesProblem(StatusCodes.Status413PayloadTooLarge);
        app.MapPost("/api/stem", ProfileAsync)
            .WithName("stemProfile")
            .WithTags("analysis")
            .WithSummary("Bending along the stem and what other seats of a line would do; line is its number, from 0.")
            .Accepts<Plan>("application/json")
            .Produces<StemProfile>()
            .ProducesValidationProblem(StatusCodes.Status422UnprocessableEntity);
        app.MapPost("/api/remedies", RemediesAsync)
            .WithName("remedies")
            .WithTags("analysis")
            .WithSummary("What would make a link hold: the least change of each kind, each tried by the full analysis.")
            .Accepts<Plan>("application/json")
            .Produces<IReadOnlyList<Remedy>>()
            .ProducesValidationProblem(StatusCodes.Status422UnprocessableEntity);
        app.MapPost("/api/tackle/view", TackleViewAsync)
            .WithName("tackleView")
            .WithTags("analysis")
            .WithSummary(
                "A line's tackle as it is drawn: legs, points, what each contact costs, how it moves and in how many sets it hauls; line is its number, from 0."
            )
            .Accepts<Plan>("application/json")
            .Produces<TackleView>()
            .ProducesValidationProblem(StatusCodes.Status422UnprocessableEntity);
        app.MapPost("/api/tackle/compose", ComposeAsync)
            .WithName("composeTackle")
            .WithTags("analysis")
            .WithSummary(
                "A tackle of one's own, by stages or rope by rope: what it gives, or why it cannot haul. contactId is the turn where none is given."
            )
            .Accepts<ComposedMembers>("application/json")
            .Produces<ComposedTackle>()
            .ProducesValidationProblem(StatusCodes.Status422UnprocessableEntity);
        app.MapHub<FinderHub>(FinderHub.Path);
        app.MapPost("/api/rigs", RigsAsync)
            .WithName("findRigs")
            .WithTags("analysis")
            .WithSummary(
                "The best ways to pull the main line with what is in the locker and stands on the plan, hauled by so many people, or as many as the plan says; the hub /hubs/finder tells its progress and can be stopped."
            )
            .Accepts<Plan>("application/json")
            .Produces<FoundRigs>()
            .ProducesValidationProblem(StatusCodes.Status422UnprocessableEntity);
        app.MapPost("/api/chances", ChancesAsync)
            .WithName("chances")
            .WithTags("analysis")
            .WithSummary(
                "What is not known carried through: spread of tension and hand force over so many samples (50 to 20,000), the chance that each link fails, and what to measure better. The same plan and seed give the same answer."
            )
            .Accepts<Plan>("application/json")
            .Produces<PlanChances>()
            .ProducesValidationProblem(StatusCodes.Status422UnprocessableEntity);
        app.MapPost("/api/fall", FallAsync)
            .WithName("fall")
            .WithTags("analysis")
            .WithSummary(
                "What follows from commit: where the tip lands, when and how fast, where line and hinge let go, what happens if the hinge tears. haulSpeedMps is how fast the hands take rope in (0.01 to 3), drag whether the crown's drag slows it, samples (0 to 5,000) how many samples of what is not known, aim whether the hinge stands square to the aim as it will be cut, or to the lay."
            )
            .Accepts<Plan>("application/json")
            .Produces<Fall>()
            .ProducesValidationProblem(422);
        app.MapPost("/api/tackle", SolveTackleAsync)
            .WithName("solveTackle")
            .WithTags("analysis")
            .WithSummary("Solves an arrangement of ropes and points for a hand force of 1.")
            .Accepts<Arrangement>("application/json")
            .Produces<TackleSolution>()
            .ProducesValidationProblem(StatusCodes.Status400BadRequest)
            .ProducesValidationProblem(StatusCodes.Status422UnprocessableEntity)
            .ProducesProblem(StatusCodes.Status413PayloadTooLarge);
    }

    private static async Task<IResult> AnalyseAsync(
        HttpRequest request,
        LockerStore locker,
        bool workings = true,
        string? units = null
    )
    {
        if (!Bodies.TryUnits(units, out var system))
        {
            return Bodies.UnknownUnits(units);
        }

        var (plan, refusal) = await request.ReadAsync<Plan>();
        if (plan is null)
        {
            return refusal!;
        }

        var outcome = PlanAnalysis.Of(plan, system, workings, locker.Standings(system));
        return outcome.Analysis is { } analysis
            ? new SizedAnswer<Core.Analyses.Analysis>(analysis)
            : PlainProblems.Refused(outcome.Problems);
    }

    private static Task<IResult> ProfileAsync(HttpRequest request, int line = 0, string? units = null) =>
        PlanQuestions.AnswerAsync(request, units, (plan, system) => StemProfile.Of(plan, line, system));

    private static Task<IResult> TackleViewAsync(HttpRequest request, int line = 0, string? units = null) =>
        PlanQuestions.AnswerAsync(request, units, (plan, system) => TackleView.Of(plan, line, system));

    private static Task<IResult> RigsAsync(
        HttpRequest request,
        HeavyWork heavy,
        LockerStore locker,
        TackleStore tackles,
        int? people = null,
        string? units = null
    ) =>
        PlanQuestions.AnswerAsync(
            request,
            units,
            (plan, system) =>
            {
                var (finder, problems) = RigFinder.For(
                    plan,
                    [.. locker.List().Select(k => k.Item)],
                    locker.Today,
                    system,
                    new(people, [.. tackles.List().Select(t => t.Tackle)])
                );
                return (finder?.Run(null, request.HttpContext.RequestAborted), problems);
            },
            heavy
        );

    private static Task<IResult> ChancesAsync(
        HttpRequest request,
        HeavyWork heavy,
        int samples = 1000,
        int seed = 1,
        string? units = null
    ) =>
        PlanQuestions.AnswerAsync(
            request,
            units,
            (plan, system) => PlanChances.Of(plan, samples, seed, system, request.HttpContext.RequestAborted),
            heavy
        );

    private static Task<IResult> RemediesAsync(
        HttpRequest request,
        HeavyWork heavy,
        string link = "",
        string? units = null
    ) =>
        PlanQuestions.AnswerAsync(
            request,
            units,
            (plan, system) => Remedies.For(plan, link, system, request.HttpContext.RequestAborted),
            heavy
        );

    private static Task<IResult> FallAsync(
        HttpRequest request,
        HeavyWork heavy,
        double haulSpeedMps = 0.4,
        bool drag = true,
        int samples = 0,
        bool aim = false,
        string? units = null
    )
    {
        var left = request.HttpContext.RequestAborted;
        return PlanQuestions.AnswerAsync(
            request,
            units,
            (plan, system) => Fall.Of(plan, new(haulSpeedMps, drag, samples, aim), system, left),
            samples > 0 ? heavy : null
        );
    }

    private static async Task<IResult> ComposeAsync(HttpRequest request, string contactId = "bushed-block")
    {
        var (own, refusal) = await request.ReadAsync<ComposedMembers>();
        if (own is null)
        {
            return refusal!;
        }

        if (!Reference.Contacts.TryGetValue(contactId, out var contact))
        {
            return PlainProblems.Refused([
                new("contactId", $"“{contactId}” is not in the table of turns: choose one that is."),
            ]);
        }

        var (made, problems) = ComposedTackle.Of(own, contact);
        return made is null ? PlainProblems.Refused(problems) : new SizedAnswer<ComposedTackle>(made);
    }

    private static async Task<IResult> SolveTackleAsync(HttpRequest request)
    {
        var (arrangement, refusal) = await request.ReadAsync<Arrangement>();
        if (arrangement is null)
        {
            return refusal!;
        }

        var (solution, problems) = TackleSolver.Solve(arrangement);
        return solution is null ? PlainProblems.Refused(problems) : Results.Ok(solution);
    }
}
