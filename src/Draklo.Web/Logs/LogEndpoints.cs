using Draklo.Core.Logs;
using Draklo.Store;
using Draklo.Web.Hosting;
using Draklo.Web.Sharing;
using Microsoft.AspNetCore.Mvc;

namespace Draklo.Web.Logs;

/// <summary>Logs of jobs, their near misses and their pictures.</summary>
internal static class LogEndpoints
{
    public static void MapLogs(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/jobs/{id}/log", Read)
            .WithName("readLog")
            .WithTags("logs")
            .WithSummary(
                "What was said of a job afterwards, with what its questions start from: the plan's figures and the day's readings. Its ETag is the log's revision, 0 before the first."
            )
            .Produces<LogAnswer>()
            .ProducesProblem(404);
        app.MapPut("/api/jobs/{id}/log", KeepAsync)
            .WithName("keepLog")
            .WithTags("logs")
            .WithSummary(
                "Keeps a log over the revision named in If-Match and books the day's work of every piece on the plan; a log that is changed books again in its place."
            )
            .Accepts<JobLog>("application/json")
            .Produces<LogAnswer>()
            .ProducesProblem(404)
            .ProducesProblem(412)
            .ProducesValidationProblem(422)
            .ProducesProblem(428);
        app.MapGet("/api/near-misses", (LogStore logs) => Results.Ok(NearMisses(logs)))
            .WithName("nearMisses")
            .WithTags("logs")
            .WithSummary("Every near miss that a log tells of, the latest first.")
            .Produces<IReadOnlyList<NearMissEntry>>();
        app.MapGet("/api/near-misses.csv", NearMissesCsv)
            .WithName("nearMissesCsv")
            .WithTags("logs")
            .WithSummary("The same as CSV, UTF-8.")
            .Produces<string>(200, "text/csv");
        app.MapPost("/api/pictures", TakeAsync)
            .WithName("keepPicture")
            .WithTags("logs")
            .WithSummary(
                "Keeps a picture as a file under its content's hash: JPEG, PNG or WebP, at most 3 MB and 4,096 pixels a side, without notes of place or device."
            )
            .Accepts<byte[]>("image/jpeg", "image/png", "image/webp")
            .Produces<PictureAnswer>()
            .ProducesValidationProblem(422)
            .WithMetadata(new RequestSizeLimitAttribute(PictureRules.LargestBytes + 1024));
        app.MapGet("/api/pictures/{hash}", Picture)
            .WithName("readPicture")
            .WithTags("logs")
            .WithSummary("A picture by its hash.")
            .Produces(200, contentType: "image/jpeg")
            .ProducesProblem(404);
    }

    private static IResult Read(LogDesk desk, HttpResponse response, string id)
    {
        if (desk.Of(id) is not { } answer)
        {
            return Missing();
        }

        response.Headers.ETag = $"\"{answer.Revision}\"";
        return Results.Ok(answer);
    }

    private static async Task<IResult> KeepAsync(
        LogDesk desk,
        PictureFiles pictures,
        HttpContext http,
        string id,
        string? units = null
    )
    {
        if (!Bodies.TryUnits(units, out var system))
        {
            return Bodies.UnknownUnits(units);
        }

        if (!http.Request.TryRevision(out var revision, out var unnamed))
        {
            return unnamed!;
        }

        var (log, refusal) = await http.Request.ReadAsync<JobLog>();
        if (log is null)
        {
            return refusal!;
        }

        if (Visitor.Of(http).NotAs("by", log.By) is { } other)
        {
            return PlainProblems.Refused([other]);
        }

        for (var i = 0; i < log.Pictures.Count; i++)
        {
            if (pictures.Find(log.Pictures[i].Hash) is null)
            {
                return PlainProblems.Refused([
                    new($"pictures[{i}].hash", "This picture is not kept here: add it again."),
                ]);
            }
        }

        var (result, answer, problems) = desk.Keep(id, revision, log, system);
        if (problems.Count > 0)
        {
            return PlainProblems.Refused(problems);
        }

        if (answer is not null)
        {
            http.Response.Headers.ETag = $"\"{answer.Revision}\"";
        }

        return result switch
        {
            SaveResult.Saved => Results.Ok(answer),
            SaveResult.Stale => Results.Problem(
                $"This log was saved elsewhere since: it stands at {answer!.Revision}, and this change began from {revision}. Nothing was overwritten.",
                title: "Saved elsewhere meanwhile.",
                statusCode: StatusCodes.Status412PreconditionFailed,
                extensions: new Dictionary<string, object?>(StringComparer.Ordinal) { ["current"] = answer }
            ),
            _ => Missing(),
        };
    }

    private static List<NearMissEntry> NearMisses(LogStore logs) =>
        [
            .. logs.WithNearMisses()
                .SelectMany(l =>
                    l.Log.NearMisses.Select(m => new NearMissEntry(l.JobId, l.Job, l.Log.On, m.What, m.While, m.Then))
                ),
        ];

    private static IResult NearMissesCsv(LogStore logs) =>
        PlainCsv.File(
            "near-misses.csv",
            ["on", "job", "what", "while", "then"],
            NearMisses(logs).Select(m => new object?[] { m.On, m.Job, m.What, m.While, m.Then })
        );

    private static async Task<IResult> TakeAsync(PictureFiles pictures, HttpRequest request)
    {
        using var body = new MemoryStream();
        await request.Body.CopyToAsync(body, request.HttpContext.RequestAborted);
        var bytes = body.ToArray();
        var (picture, problem) = PictureRules.Look(bytes);
        return picture is null
            ? PlainProblems.Refused([problem!])
            : Results.Ok(
                new PictureAnswer(
                    pictures.Keep(picture.Plain, picture.Ending),
                    picture.WidthPx,
                    picture.HeightPx,
                    picture.Plain.Length
                )
            );
    }

    private static IResult Picture(PictureFiles pictures, HttpResponse response, string hash)
    {
        if (pictures.Find(hash) is not { } path)
        {
            return PlainProblems.NotFound(
                "This picture is not kept here: it may be in a backup of the pictures folder."
            );
        }

        // Its name is its content: it never changes.
        response.Headers.CacheControl = "private, max-age=31536000, immutable";
        return Results.File(path, PictureRules.TypeOf(path));
    }

    private static IResult Missing() =>
        PlainProblems.NotFound("There is no such job, or it was deleted. Go back to the list.");
}
