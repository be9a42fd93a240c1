using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Hosting;

namespace Draklo.Web.Jobs;

/// <summary>What differs between two revisions of a job.</summary>
/// <param name="From">The earlier one that was asked for.</param>
/// <param name="Changes">Name, place and day of the job first, then the plan's members.</param>
public sealed record RevisionChanges(KeptRevision From, KeptRevision To, IReadOnlyList<DocumentChange> Changes);

/// <summary>Earlier revisions of a job: the list, one of them, what two differ in, and bringing one back.</summary>
internal static class RevisionEndpoints
{
    private const string Gone = "There is no such revision of this job; old ones are thinned out.";

    public static void MapRevisions(this IEndpointRouteBuilder app)
    {
        var revisions = app.MapGroup("/api/jobs/{id}/revisions").WithTags("jobs");
        revisions
            .MapGet("/", List)
            .WithName("listRevisions")
            .WithSummary("Every revision that is still kept, the latest first.")
            .Produces<IReadOnlyList<KeptRevision>>()
            .ProducesProblem(404);
        revisions
            .MapGet(
                "/{number:int}",
                (JobStore store, string id, int number) =>
                    store.Find(id, number) is { } job ? Results.Ok(JobAnswer.Of(job)) : PlainProblems.NotFound(Gone)
            )
            .WithName("readRevision")
            .WithSummary("The job as one revision had it.")
            .Produces<JobAnswer>()
            .ProducesProblem(404);
        revisions
            .MapGet("/{from:int}/changes/{to:int}", Compare)
            .WithName("compareRevisions")
            .WithSummary("What changed between two revisions, member by member, in words with units.")
            .Produces<RevisionChanges>()
            .ProducesProblem(404);
        revisions
            .MapPost("/{number:int}/take", Take)
            .WithName("takeRevision")
            .WithSummary("Saves an earlier revision as the newest.")
            .Produces<JobAnswer>()
            .ProducesProblem(404);
    }

    private static IResult List(JobStore store, string id) =>
        store.Revisions(id) is { Count: > 0 } revisions ? Results.Ok(revisions) : JobEndpoints.Missing();

    private static IResult Compare(JobStore store, string id, int from, int to, string? units = null)
    {
        if (!Bodies.TryUnits(units, out var system))
        {
            return Bodies.UnknownUnits(units);
        }

        if (store.Find(id, from) is not { } was || store.Find(id, to) is not { } now)
        {
            return PlainProblems.NotFound(Gone);
        }

        var kept = store.Revisions(id);
        return Results.Ok(
            new RevisionChanges(
                kept.First(r => r.Number == from),
                kept.First(r => r.Number == to),
                DocumentChanges.Of(Whole(was.Content), Whole(now.Content), system)
            )
        );
    }

    /// <summary>With place and day among the members, so that they are compared like the others.</summary>
    private static Plan Whole(JobContent content) =>
        content.Plan with
        {
            Place = content.Place.Length == 0 ? null : content.Place,
            PlannedOn = content.PlannedOn,
        };

    private static IResult Take(JobStore store, HttpResponse response, string id, int number)
    {
        if (store.Find(id) is not { } now || store.Find(id, number) is not { } then)
        {
            return PlainProblems.NotFound(Gone);
        }

        var (result, job) = store.Save(id, now.Revision, then.Content);
        return result == SaveResult.Saved
            ? JobEndpoints.WithTag(response, job!, Results.Ok(JobAnswer.Of(job!)))
            : JobEndpoints.Missing();
    }
}
