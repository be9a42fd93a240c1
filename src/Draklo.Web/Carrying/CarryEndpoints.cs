using Draklo.Core.Carrying;
using Draklo.Core.Logs;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Units;
using Draklo.Web.Hosting;

namespace Draklo.Web.Carrying;

/// <summary>What tablets take along, and how two changed copies come together.</summary>
internal static class CarryEndpoints
{
    public static void MapCarrying(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/carried", (CarryDesk desk) => new SizedAnswer<CarriedAnswer>(desk.All()))
            .WithName("carried")
            .WithTags("carrying")
            .WithSummary(
                "What a tablet takes along beside its jobs: the locker, forecasts, and which jobs are open with what tells whether they changed."
            )
            .Produces<CarriedAnswer>();
        app.MapGet(
                "/api/jobs/{id}/carried",
                (CarryDesk desk, string id) =>
                    desk.Of(id) is { } job
                        ? (IResult)new SizedAnswer<CarriedJob>(job)
                        : PlainProblems.NotFound("There is no such job, or it was deleted. Go back to the list.")
            )
            .WithName("carriedJob")
            .WithTags("carrying")
            .WithSummary("A job as a tablet takes it along: plan, signatures, briefs, packing list and day.")
            .Produces<CarriedJob>()
            .ProducesProblem(404);
        app.MapMerge<Plan>("/api/merge")
            .WithName("mergePlans")
            .WithSummary(
                "Two plans that came of one, put together member by member; what both changed is named until somebody settles it. Nothing is kept."
            );
        app.MapMerge<JobLog>("/api/merge/log").WithName("mergeLogs").WithSummary("The same for two logs of one job.");
    }

    private static RouteHandlerBuilder MapMerge<T>(this IEndpointRouteBuilder app, string path)
        where T : class, IDocumentPart =>
        app.MapPost(
                path,
                async (HttpRequest request, string? units = null) =>
                {
                    if (!Bodies.TryUnits(units, out var system))
                    {
                        return Bodies.UnknownUnits(units);
                    }

                    var (asked, refusal) = await request.ReadAsync<MergeAsk<T>>();
                    return asked is null ? refusal! : new SizedAnswer<MergedDocument<T>>(asked.Merged(system));
                }
            )
            .WithTags("carrying")
            .Accepts<MergeAsk<T>>("application/json")
            .Produces<MergedDocument<T>>()
            .ProducesValidationProblem(422);
}
