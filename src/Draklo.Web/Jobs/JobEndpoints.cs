using System.Text;
using System.Text.Json;
using System.Text.RegularExpressions;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Hosting;
using Draklo.Web.Learning;

namespace Draklo.Web.Jobs;

/// <summary>Jobs, each with its plan.</summary>
internal static partial class JobEndpoints
{
    private const int UsualPage = 100;
    private const int LargestPage = 500;
    private const string TotalHeader = "X-Total";

    private static readonly JsonSerializerOptions FileOptions = new(DocumentReader.Options)
    {
        WriteIndented = true,
        NewLine = "\n",
    };

    public static void MapJobs(this IEndpointRouteBuilder app)
    {
        var jobs = app.MapGroup("/api/jobs").WithTags("jobs");
        jobs.MapGet("/", List)
            .WithName("listJobs")
            .WithSummary(
                "Jobs with what their plans say: those that text (in name, place, species or crew), stage (several with commas, or open), species, place, crew, from and to name, in the order of sort (day unless said; latest, name, place, species or stage); limit of them (100 unless said, 500 at most) from an offset; the header X-Total says how many there are."
            )
            .Produces<IReadOnlyList<JobEntry>>();
        jobs.MapGet(
                "/named",
                (JobIndex index) =>
                {
                    var (species, places, crew) = index.Named();
                    return Results.Ok(new JobNames(species, places, crew));
                }
            )
            .WithName("jobNames")
            .WithSummary("Species, places and people that some job names.")
            .Produces<JobNames>();
        jobs.MapPost("/", CreateAsync)
            .WithName("createJob")
            .WithSummary("Keeps a new job; without a plan, one of guesses to start from.")
            .Accepts<NewJobDocument>("application/json")
            .Produces<JobAnswer>(StatusCodes.Status201Created)
            .ProducesValidationProblem(422);
        jobs.MapGet("/{id}", Read)
            .WithName("readJob")
            .WithSummary("One job; its ETag is its revision.")
            .Produces<JobAnswer>()
            .ProducesProblem(404);
        jobs.MapPut("/{id}", SaveAsync)
            .WithName("saveJob")
            .WithSummary("Saves over the revision named in If-Match; a stale one answers 412 with the job as kept.")
            .Accepts<JobDocument>("application/json")
            .Produces<JobAnswer>()
            .ProducesProblem(404)
            .ProducesProblem(412)
            .ProducesValidationProblem(422)
            .ProducesProblem(428);
        jobs.MapPost("/{id}/duplicate", Duplicate)
            .WithName("duplicateJob")
            .WithSummary("Keeps a copy under a name of its own.")
            .Produces<JobAnswer>(201)
            .ProducesProblem(404);
        jobs.MapDelete("/{id}", Delete)
            .WithName("deleteJob")
            .WithSummary("Takes a job off the list; restore brings it back.")
            .Produces(204)
            .ProducesProblem(404);
        jobs.MapPost("/{id}/restore", Restore)
            .WithName("restoreJob")
            .WithSummary("Brings a deleted job back as it was.")
            .Produces<JobAnswer>()
            .ProducesProblem(404);
        jobs.MapGet("/{id}/plan.json", Export)
            .WithName("exportPlan")
            .WithSummary("The plan file.")
            .Produces<Plan>()
            .ProducesProblem(404);
        jobs.MapPost("/import", ImportAsync)
            .WithName("importPlan")
            .WithSummary("Keeps a plan file as a new job.")
            .Accepts<Plan>("application/json")
            .Produces<JobAnswer>(201)
            .ProducesValidationProblem(400)
            .ProducesValidationProblem(422)
            .ProducesProblem(413);
    }

    private static IResult List(
        JobList list,
        JobIndex index,
        HttpResponse response,
        [AsParameters] JobAsk ask,
        string? units = null,
        int offset = 0,
        int limit = UsualPage
    )
    {
        if (!Bodies.TryUnits(units, out var system))
        {
            return Bodies.UnknownUnits(units);
        }

        if (offset < 0 || limit is < 1 or > LargestPage)
        {
            return PlainProblems.Refused([
                new("limit", $"Ask for 1 to {LargestPage} jobs at once, from an offset of 0 or more."),
            ]);
        }

        var (search, problem) = ask.ToSearch();
        if (search is null)
        {
            return PlainProblems.Refused([problem!]);
        }

        response.Headers[TotalHeader] = index.Count(search).ToString(System.Globalization.CultureInfo.InvariantCulture);
        return Results.Bytes(list.Read(system, search, offset, limit), "application/json; charset=utf-8");
    }

    private static IResult Read(JobStore store, HttpResponse response, string id) =>
        store.Find(id) is { } job ? WithTag(response, job, Results.Ok(JobAnswer.Of(job))) : Missing();

    private static async Task<IResult> CreateAsync(
        JobStore store,
        TemplateStore templates,
        LearningDesk learning,
        HttpContext http
    )
    {
        var (asked, refusal) = await http.Request.ReadAsync<NewJobDocument>();
        if (asked is null)
        {
            return refusal!;
        }

        var like = asked.Like is { Length: > 0 } id ? store.Find(id) : null;
        if (asked.Like is { Length: > 0 } && like is null)
        {
            return PlainProblems.Refused([new("like", "There is no such job to start from; choose another.")]);
        }

        var template = asked.Template is { Length: > 0 } from
            ? templates.List().FirstOrDefault(t => t.Id == from)
            : null;
        if (asked.Template is { Length: > 0 } && template is null)
        {
            return PlainProblems.Refused([new("template", "There is no such template any more; choose another.")]);
        }

        var document = asked.ToJob(like?.Content.Plan ?? template?.Plan);
        if (asked.Plan is null)
        {
            document = document with { Plan = learning.ForNew(document.Plan) };
        }

        var problems = document.Problems();
        return problems.Count > 0
            ? PlainProblems.Refused(problems)
            : Created(http.Response, store.Create(document.ToContent()));
    }

    private static async Task<IResult> SaveAsync(JobStore store, HttpContext http, string id)
    {
        if (!http.Request.TryRevision(out var revision, out var unnamed))
        {
            return unnamed!;
        }

        var (document, refusal) = await http.Request.ReadAsync<JobDocument>();
        if (document is null)
        {
            return refusal!;
        }

        var problems = document.Problems();
        if (problems.Count > 0)
        {
            return PlainProblems.Refused(problems);
        }

        var (result, job) = store.Save(id, revision, document.ToContent());
        return result switch
        {
            SaveResult.Saved => WithTag(http.Response, job!, Results.Ok(JobAnswer.Of(job!))),
            SaveResult.Stale => Results.Problem(
                $"This job was saved elsewhere since: it stands at revision {job!.Revision}, and this change began from {revision}. Nothing was overwritten.",
                title: "Saved elsewhere meanwhile.",
                statusCode: StatusCodes.Status412PreconditionFailed,
                extensions: new Dictionary<string, object?>(StringComparer.Ordinal) { ["current"] = JobAnswer.Of(job) }
            ),
            _ => Missing(),
        };
    }

    private static IResult Duplicate(JobStore store, HttpResponse response, string id)
    {
        if (store.Find(id) is not { } job)
        {
            return Missing();
        }

        var name = job.Content.Name.Length > 113 ? job.Content.Name[..113] : job.Content.Name;
        name += ", copy";
        return Created(
            response,
            store.Create(job.Content with { Name = name, Plan = job.Content.Plan with { Name = name } })
        );
    }

    private static IResult Delete(JobStore store, string id) => store.Delete(id) ? Results.NoContent() : Missing();

    private static IResult Restore(JobStore store, HttpResponse response, string id) =>
        store.Restore(id) is { } job ? WithTag(response, job, Results.Ok(JobAnswer.Of(job))) : Missing();

    private static IResult Export(JobStore store, string id) =>
        store.Find(id) is { } job
            ? Results.File(
                JsonSerializer.SerializeToUtf8Bytes(
                    job.Content.Plan with
                    {
                        Place = job.Content.Place,
                        PlannedOn = job.Content.PlannedOn,
                    },
                    FileOptions
                ),
                "application/json",
                $"{FileNameOf(job.Content.Name)}.draklo.json"
            )
            : Missing();

    private static async Task<IResult> ImportAsync(JobStore store, HttpContext http)
    {
        // A file of another format is reported before its members are.
        using var body = new MemoryStream();
        await http.Request.Body.CopyToAsync(body, http.RequestAborted);
        var bytes = body.GetBuffer().AsMemory(0, (int)body.Length);
        if (bytes.Span.StartsWith(Encoding.UTF8.Preamble))
        {
            bytes = bytes[Encoding.UTF8.Preamble.Length..];
        }

        var problems = PlanFile.HeaderProblems(bytes);
        Plan? plan = null;
        if (problems.Count == 0)
        {
            (plan, problems) = DocumentReader.Read<Plan>(bytes);
        }

        if (plan is { Lines.Count: 0 })
        {
            problems.Add(new("lines", "A plan has at least one line: add one."));
        }

        if (plan is null || problems.Count > 0)
        {
            return PlainProblems.Refused(problems);
        }

        var job = JobDocument.OfFile(plan);
        var wrong = job.Problems();
        return wrong.Count > 0 ? PlainProblems.Refused(wrong) : Created(http.Response, store.Create(job.ToContent()));
    }

    internal static IResult Created(HttpResponse response, Job job) =>
        WithTag(response, job, Results.Created($"/api/jobs/{job.Id}", JobAnswer.Of(job)));

    internal static IResult WithTag(HttpResponse response, Job job, IResult result)
    {
        response.Headers.ETag = $"\"{job.Revision}\"";
        return result;
    }

    internal static IResult Missing() =>
        PlainProblems.NotFound("There is no such job, or it was deleted. Go back to the list.");

    internal static string FileNameOf(string name)
    {
        var plain = NotForFileNames().Replace(name.ToLowerInvariant(), "-").Trim('-');
        return plain.Length == 0 ? "plan" : plain;
    }

    [GeneratedRegex("[^a-z0-9]+", RegexOptions.ExplicitCapture, matchTimeoutMilliseconds: 200)]
    private static partial Regex NotForFileNames();
}
