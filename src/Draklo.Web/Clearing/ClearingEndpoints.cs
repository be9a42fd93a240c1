using Draklo.Core.Clearing;
using Draklo.Core.Plans;
using Draklo.Store;
using Draklo.Web.Hosting;

namespace Draklo.Web.Clearing;

/// <summary>The ways of clearing a plan's site; nothing is kept.</summary>
internal static class ClearingEndpoints
{
    public static void MapClearing(this IEndpointRouteBuilder app)
    {
        var clearing = app.MapGroup("/api/clearing").WithTags("clearing");
        clearing
            .MapPost(
                "/",
                (HttpRequest request, LockerStore locker, string? units = null) =>
                    PlanQuestions.AnswerAsync(
                        request,
                        units,
                        (plan, system) => ClearingAnalysis.Of(plan, system, locker.Standings(system))
                    )
            )
            .WithName("analyseClearing")
            .WithSummary(
                "A plan with the member clearing: its pieces, and every way of moving them that is set up, each checked link by link; where one pays over another."
            )
            .Accepts<Plan>("application/json")
            .Produces<ClearingAnalysis>()
            .ProducesValidationProblem(422);
        clearing
            .MapPost(
                "/remedies",
                (HttpRequest request, string? units = null) =>
                    PlanQuestions.AnswerAsync(
                        request,
                        units,
                        (plan, system) => ClearingRemedies.For(plan, system, request.HttpContext.RequestAborted)
                    )
            )
            .WithName("clearingRemedies")
            .WithSummary(
                "What would make the chosen way hold: the least change of each kind, each tried on the whole way."
            )
            .Accepts<Plan>("application/json")
            .Produces<IReadOnlyList<ClearingRemedy>>()
            .ProducesValidationProblem(422);
        clearing
            .MapPost(
                "/section",
                (HttpRequest request, string? units = null) =>
                    PlanQuestions.AnswerAsync(request, units, (plan, system) => SectionOfPlan.Of(plan, system))
            )
            .WithName("clearingSection")
            .WithSummary(
                "The section of the ground between its two ends on the plan: levelled spots within eight metres, the slope, and what the line crosses."
            )
            .Accepts<Plan>("application/json")
            .Produces<GroundSectionMembers>()
            .ProducesValidationProblem(422);
        clearing
            .MapPost(
                "/find",
                (HttpRequest request, LockerStore locker, HeavyWork heavy, string? units = null) =>
                    PlanQuestions.AnswerAsync(
                        request,
                        units,
                        (plan, system) =>
                            ClearingFinder.For(
                                plan,
                                [.. locker.List().Select(k => k.Item)],
                                locker.Today,
                                system,
                                request.HttpContext.RequestAborted
                            ),
                        heavy
                    )
            )
            .WithName("findClearingGear")
            .WithSummary("The ropes and blocks of the locker that the chosen way holds with, the best first.")
            .Accepts<Plan>("application/json")
            .Produces<IReadOnlyList<FoundGear>>()
            .ProducesValidationProblem(422);
    }
}
