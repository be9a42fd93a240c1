using System.Text.Json.Nodes;
using Draklo.Core.Briefs;
using Draklo.Core.Reading;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Hosting;
using Draklo.Web.Sharing;

namespace Draklo.Web.Briefs;

/// <summary>The brief of a job: the page, its signatures, what was issued, and the gear out and back.</summary>
internal static class BriefEndpoints
{
    private const int LongestPiece = 120;

    public static void MapBriefs(this IEndpointRouteBuilder app)
    {
        var jobs = app.MapGroup("/api/jobs/{id}").WithTags("briefs");
        jobs.MapGet("/brief", Read)
            .WithName("readBrief")
            .WithSummary(
                "The brief as the saved plan makes it, who has signed, and what holds it; 422 where the plan cannot be computed."
            )
            .Produces<BriefAnswer>()
            .ProducesProblem(404)
            .ProducesValidationProblem(422);
        jobs.MapPost("/signatures", SignAsync)
            .WithName("signBrief")
            .WithSummary("Puts a name under the page that was read, with the person's own PIN or by the lead.")
            .Accepts<SignDocument>("application/json")
            .Produces<BriefAnswer>()
            .ProducesProblem(404)
            .ProducesValidationProblem(422);
        jobs.MapPost("/briefs", IssueAsync)
            .WithName("issueBrief")
            .WithSummary("Issues the page, when everybody has signed and nothing is open; it is kept as issued.")
            .Accepts<IssueDocument>("application/json")
            .Produces<BriefAnswer>()
            .ProducesProblem(404)
            .ProducesValidationProblem(422);
        jobs.MapGet(
                "/briefs/{number:long}",
                (BriefDesk desk, string id, long number) =>
                    desk.Issued(id, number) is var (issued, page)
                        ? Results.Ok(new { issued, page = JsonNode.Parse(page) })
                        : PlainProblems.NotFound("No brief of this number was issued for this job.")
            )
            .WithName("issuedBrief")
            .WithSummary("A brief as it was issued.")
            .Produces<IssuedAnswer>()
            .ProducesProblem(404);
        jobs.MapPost("/packing", TickAsync)
            .WithName("tickGear")
            .WithSummary("Ticks a piece out of the yard or back in.")
            .Accepts<TickDocument>("application/json")
            .Produces<IReadOnlyList<PackingTick>>()
            .ProducesProblem(404);
        jobs.MapGet("/brief/code.svg", Code)
            .WithName("briefCode")
            .WithSummary("The address of the reading page as a QR code.")
            .Produces<string>(200, "image/svg+xml");
    }

    private static IResult Read(BriefDesk desk, string id, string? units = null) =>
        WithBrief(desk, id, units, (answer, _) => new SizedAnswer<BriefAnswer>(answer));

    private static Task<IResult> SignAsync(BriefDesk desk, HttpRequest request, string id, string? units = null) =>
        GiveAsync<SignDocument>(
            desk,
            request,
            id,
            units,
            asked => asked.Lead is null ? ("name", asked.Name) : ("lead", asked.Lead),
            desk.Sign
        );

    private static Task<IResult> IssueAsync(BriefDesk desk, HttpRequest request, string id, string? units = null) =>
        GiveAsync<IssueDocument>(desk, request, id, units, asked => ("name", asked.Name), desk.Issue);

    /// <summary>Takes what somebody gives with their PIN, and answers with the brief as it then stands.</summary>
    /// <param name="giver">The member that names them, and their name: who is signed in from a device gives their own.</param>
    private static async Task<IResult> GiveAsync<T>(
        BriefDesk desk,
        HttpRequest request,
        string id,
        string? units,
        Func<T, (string Path, string Name)> giver,
        Func<BriefAnswer, T, IReadOnlyList<Problem>> take
    )
        where T : GivenDocument
    {
        var (asked, refusal) = await request.ReadCheckedAsync<T>();
        if (asked is null)
        {
            return refusal!;
        }

        var (path, name) = giver(asked);
        if (Visitor.Of(request.HttpContext).NotAs(path, name) is { } other)
        {
            return PlainProblems.Refused([other]);
        }

        return WithBrief(
            desk,
            id,
            units,
            (now, system) =>
                take(now, asked) is { Count: > 0 } problems
                    ? PlainProblems.Refused(problems)
                    : new SizedAnswer<BriefAnswer>(desk.Of(id, system).Answer!)
        );
    }

    private static async Task<IResult> TickAsync(JobStore jobs, BriefStore briefs, HttpRequest request, string id)
    {
        var (asked, refusal) = await request.ReadCheckedAsync<TickDocument>();
        if (asked is null)
        {
            return refusal!;
        }

        if (jobs.Find(id) is null)
        {
            return Missing();
        }

        if (asked.Piece.Length is 0 or > LongestPiece)
        {
            return PlainProblems.Refused([new("piece", "There is no such piece on the packing list.")]);
        }

        briefs.Tick(id, asked.Piece, asked.Out, asked.Back, Author.Name, TimeSpan.FromSeconds(asked.AgoS ?? 0));
        return Results.Ok(briefs.Ticks(id));
    }

    private static IResult Code(JobStore store, SharedAddresses shared, HttpRequest request, string id) =>
        store.Find(id) is { } job ? QrCode.Of(request, shared, $"/jobs/{job.Id}/brief") : Missing();

    private static IResult WithBrief(
        BriefDesk desk,
        string id,
        string? units,
        Func<BriefAnswer, UnitSystem, IResult> answer
    )
    {
        if (!Bodies.TryUnits(units, out var system))
        {
            return Bodies.UnknownUnits(units);
        }

        var (brief, problems) = desk.Of(id, system);
        return brief is not null ? answer(brief, system)
            : problems.Count > 0 ? PlainProblems.Refused(problems)
            : Missing();
    }

    private static IResult Missing() =>
        PlainProblems.NotFound("There is no such job, or it was deleted. Go back to the list.");
}
