using System.Globalization;
using System.IO.Compression;
using Draklo.Store;
using Draklo.Web.Hosting;
using Draklo.Web.Logs;
using Microsoft.AspNetCore.Mvc;

namespace Draklo.Web.Jobs;

/// <summary>A whole job as one file, out and in.</summary>
internal static class ArchiveEndpoints
{
    private const int MostAtOnce = 200;

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
        app.MapGet("/api/jobs/jobs.zip", WriteSeveralAsync)
            .WithName("exportJobs")
            .WithTags("jobs")
            .WithSummary(
                "Several jobs in one file: the archive of each, as exportJob gives it, each of which opens again by importJob. Ids of 1 to 200 jobs, as id=a&id=b."
            )
            .Produces<byte[]>(200, "application/zip")
            .ProducesProblem(404)
            .ProducesValidationProblem(422);
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

    private static async Task<IResult> WriteSeveralAsync(
        JobStore jobs,
        BriefStore briefs,
        PullStore pulling,
        LogStore logs,
        PictureFiles pictures,
        [FromQuery(Name = "id")] string[] ids,
        CancellationToken stopped
    )
    {
        var asked = ids.Distinct(StringComparer.Ordinal).ToList();
        if (asked.Count is 0 or > MostAtOnce)
        {
            return PlainProblems.Refused([new("id", $"Name 1 to {MostAtOnce} jobs, as id=a&id=b.")]);
        }

        var found = asked.ConvertAll(jobs.Find);
        if (found.Contains(null))
        {
            return JobEndpoints.Missing();
        }

        var file = new MemoryStream();
        await using (var zip = await ZipArchive.CreateAsync(file, ZipArchiveMode.Create, true, null, stopped))
        {
            var taken = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
            foreach (var job in found.OfType<Job>())
            {
                var name = JobEndpoints.FileNameOf(job.Content.Name);
                var free = name;
                for (var n = 2; !taken.Add(free); n++)
                {
                    free = $"{name}-{n}";
                }

                await using var entry = await zip.CreateEntry($"{free}.draklo.zip", CompressionLevel.NoCompression)
                    .OpenAsync(stopped);
                await entry.WriteAsync(JobArchive.Write(job, briefs, pulling, logs, pictures), stopped);
            }
        }

        file.Position = 0;
        return Results.File(file, "application/zip", "jobs.zip");
    }

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
