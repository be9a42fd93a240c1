using System.Globalization;
using Draklo.Store;
using Draklo.Web.Hosting;
using Draklo.Web.Logs;
using Microsoft.AspNetCore.Mvc;

namespace Draklo.Web.Jobs;

/// <summary>A whole job as one file, out and in.</summary>
internal static class ArchiveEndpoints
{
    public static void MapArchives(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/jobs/{id}/job.zip", Write)
            .WithName("exportJob")
            .WithTags("jobs")
            .WithSummary(
                "The whole job as one archive: plan with place and day, signatures, briefs as issued, gear out and back, the day with every reading, the log with its pictures."
            )
            .Produces<byte[]>(200, "application/zip")
            .ProducesProblem(404);
        app.MapPost("/api/jobs/archives", KeepAsync)
            .WithName("importJob")
            .WithTags("jobs")
            .WithSummary(
                "Keeps an archive as a new job, whole or not at all. The very same file a second time is refused, unless again=true asks for another job of it."
            )
            .Accepts<byte[]>("application/zip")
            .Produces<JobAnswer>(201)
            .ProducesProblem(413)
            .ProducesValidationProblem(422)
            .WithMetadata(new RequestSizeLimitAttribute(JobArchive.LargestFile));
    }

    private static IResult Write(
        JobStore jobs,
        BriefStore briefs,
        PullStore pulling,
        LogStore logs,
        PictureFiles pictures,
        string id
    ) =>
        jobs.Find(id) is { } job
            ? Results.File(
                JobArchive.Write(job, briefs, pulling, logs, pictures),
                "application/zip",
                $"{JobEndpoints.FileNameOf(job.Content.Name)}.draklo.zip"
            )
            : JobEndpoints.Missing();

    private static async Task<IResult> KeepAsync(
        JobStore jobs,
        BriefStore briefs,
        PullStore pulling,
        LogDesk logs,
        PictureFiles pictures,
        ArchivesTaken taken,
        TimeProvider clock,
        HttpContext http,
        bool again = false
    )
    {
        using var body = new MemoryStream();
        await http.Request.Body.CopyToAsync(body, http.RequestAborted);
        var file = body.ToArray();
        using var turn = await taken.TurnAsync(http.RequestAborted);
        if (!again && taken.Find(file) is var (_, name, at))
        {
            var day = TimeZoneInfo
                .ConvertTime(at, clock.LocalTimeZone)
                .ToString("d MMMM yyyy", CultureInfo.InvariantCulture);
            return PlainProblems.Refused([
                new(
                    "archive",
                    $"This very archive was taken in on {day} and is here as “{name}”. Nothing was added; duplicate that job to work on a copy."
                ),
            ]);
        }

        var (job, problems) = JobArchive.Keep(file, jobs, briefs, pulling, logs, pictures);
        if (job is null)
        {
            return PlainProblems.Refused(problems);
        }

        taken.Remember(file, job.Id);
        return JobEndpoints.Created(http.Response, job);
    }
}
