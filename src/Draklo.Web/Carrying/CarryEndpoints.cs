using Draklo.Core.Carrying;
using Draklo.Web.Hosting;

namespace Draklo.Web.Carrying;

/// <summary>What devices take along.</summary>
internal static class CarryEndpoints
{
    public static void MapCarrying(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/carried", (CarryDesk desk) => new SizedAnswer<CarriedAnswer>(desk.All()))
            .WithName("carried")
            .WithTags("carrying")
            .WithSummary(
                "What a tablet downloads beside its jobs: the locker, forecasts, and which jobs are open with what tells whether they changed."
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
    }
}
