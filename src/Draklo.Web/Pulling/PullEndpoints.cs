using System.Globalization;
using System.Text;
using CsvHelper;
using Draklo.Core.Briefs;
using Draklo.Core.Plans;
using Draklo.Core.Pulling;
using Draklo.Core.Reading;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Hosting;
using Draklo.Web.Sharing;

namespace Draklo.Web.Pulling;

/// <summary>The day of a job: its steps, what is read and said, changes on the spot, and the trace.</summary>
internal static class PullEndpoints
{
    private const int FewestSpans = 10;
    private const int MostSpans = 4000;
    private const int UsualSpans = 600;

    public static void MapPulling(this IEndpointRouteBuilder app)
    {
        var day = app.MapGroup("/api/jobs/{id}/pulling").WithTags("pulling");
        day.MapGet("/", (PullDesk desk, string id, string? units = null) => Answer(units, s => desk.Of(id, s)))
            .WithName("readPulling")
            .WithSummary("Where the day stands: the step, the numbers it should give, what was read, and the answer.")
            .Produces<PullingAnswer>()
            .ProducesProblem(404)
            .ProducesValidationProblem(422);
        day.MapPost("/entries", AddAsync)
            .WithName("addDayEntry")
            .WithSummary(
                "Keeps a reading, something seen, a move to another step, a stop or an undo; sent twice with the same key it is kept once."
            )
            .Accepts<EntryDocument>("application/json")
            .Produces<PullingAnswer>()
            .ProducesProblem(404)
            .ProducesValidationProblem(422);
        day.MapPost("/change", ChangeAsync)
            .WithName("changeOnTheDay")
            .WithSummary(
                "Works the plan out again with a dropped seat, other haulers or another wind; with apply it goes into the plan."
            )
            .Accepts<ChangeDocument>("application/json")
            .Produces<ChangeAnswer>()
            .ProducesProblem(404)
            .ProducesValidationProblem(422);
        day.MapPost("/readings", TakeAsync)
            .WithName("takeCellReadings")
            .WithSummary("Readings of a load cell from a tablet; kept before they are answered, repeated ones once.")
            .Accepts<CellReadings>("application/json")
            .Produces<CellKept>()
            .ProducesProblem(404)
            .ProducesValidationProblem(422);
        day.MapGet("/trace", TraceOf)
            .WithName("readTrace")
            .WithSummary("Each line's readings of the day, thinned to spans of least and most for a chart.")
            .Produces<IReadOnlyList<TraceView>>()
            .ProducesProblem(404)
            .ProducesValidationProblem(422);
        day.MapGet("/trace.csv", TraceCsvAsync)
            .WithName("traceCsv")
            .WithSummary("Every reading of the day, in time, with the entries of the crew between them; SI units.")
            .Produces<string>(200, "text/csv")
            .ProducesProblem(404);
        app.MapHub<PullHub>(PullHub.Path);
    }

    private const double LongestAgoS = 30 * 86_400;

    private static async Task<IResult> AddAsync(
        PullDesk desk,
        LiveDays live,
        HttpRequest request,
        string id,
        string? units = null
    )
    {
        var (asked, refusal) = await request.ReadAsync<EntryDocument>();
        if (asked is null)
        {
            return refusal!;
        }

        if (Visitor.Of(request.HttpContext).NotAs("by", asked.By) is { } other)
        {
            return PlainProblems.Refused([other]);
        }

        var answer = Answer(units, s => desk.Add(id, asked, s));
        live.Changed(id);
        return answer;
    }

    private static async Task<IResult> ChangeAsync(
        PullDesk desk,
        LiveDays live,
        HttpRequest request,
        string id,
        string? units = null
    )
    {
        var (asked, refusal) = await request.ReadAsync<ChangeDocument>();
        if (asked is null)
        {
            return refusal!;
        }

        if (Visitor.Of(request.HttpContext).NotAs("by", asked.By) is { } other)
        {
            return PlainProblems.Refused([other]);
        }

        var answer = Answer(units, s => desk.Change(id, asked, s));
        if (asked.Apply)
        {
            live.Changed(id);
        }

        return answer;
    }

    private static async Task<IResult> TakeAsync(JobStore jobs, LiveDays live, HttpRequest request, string id)
    {
        var (sent, refusal) = await request.ReadAsync<CellReadings>();
        if (sent is null)
        {
            return refusal!;
        }

        if (jobs.Find(id) is not { } job)
        {
            return Missing();
        }

        var problems = new List<Problem>();
        MemberRanges.Check(sent, UnitSystem.Metric, problems);
        var plan = job.Content.Plan;
        if (plan.Lines.All(l => l.Id != sent.LineId) && !(sent.LineId == LoadBasis.LineId && plan.Clearing is not null))
        {
            problems.Add(new("lineId", $"This plan has no line “{sent.LineId}”."));
        }

        for (var i = 0; i < sent.Readings.Count; i++)
        {
            if (sent.Readings[i].AgoS is { } ago && ago is not (>= 0 and <= LongestAgoS))
            {
                problems.Add(new($"readings[{i}].agoS", "A reading waits at a tablet for 30 days at most."));
                break;
            }
        }

        return problems.Count > 0 ? PlainProblems.Refused(problems) : Results.Ok(live.Take(id, sent));
    }

    private static IResult TraceOf(JobStore jobs, PullDesk desk, string id, int spans = UsualSpans) =>
        jobs.Find(id) is null ? Missing()
        : spans is < FewestSpans or > MostSpans
            ? PlainProblems.Refused([new("spans", $"Ask for {FewestSpans} to {MostSpans:N0} spans.")])
        : Results.Ok(desk.Traces(id, spans));

    /// <summary>Written piece by piece: an hour of readings is a hundred thousand rows.</summary>
    private static async Task TraceCsvAsync(JobStore jobs, PullStore store, HttpContext context, string id)
    {
        if (jobs.Find(id) is null)
        {
            await Missing().ExecuteAsync(context);
            return;
        }

        context.Response.ContentType = "text/csv; charset=utf-8";
        context.Response.Headers.ContentDisposition = "attachment; filename=\"trace.csv\"";
        await using var writer = new StreamWriter(context.Response.Body, new UTF8Encoding(false), 1 << 16);
        await using var csv = new CsvWriter(writer, CultureInfo.InvariantCulture);
        foreach (var name in new[] { "at", "line", "tension_n", "lean_deg", "doubtful", "step", "kind", "by", "words" })
        {
            csv.WriteField(name);
        }

        await csv.NextRecordAsync();
        var rows = store
            .Extents(id)
            .Select(extent =>
                store
                    .Trace(id, extent.LineId)
                    .Select(point => (At: point.AtMs, Write: (Action)(() => WritePoint(csv, extent.LineId, point))))
            )
            .Append(
                store.Entries(id).Select(entry => (At: TimeOf(entry), Write: (Action)(() => WriteEntry(csv, entry))))
            );
        foreach (var (_, write) in InOrder([.. rows]))
        {
            write();
            await csv.NextRecordAsync();
        }
    }

    private static long TimeOf(DayEntry entry) =>
        DateTimeOffset.TryParse(entry.At, CultureInfo.InvariantCulture, out var at) ? at.ToUnixTimeMilliseconds() : 0;

    /// <summary>Rows that are in order of time each, as one; an hour of them is never held at once.</summary>
    private static IEnumerable<(long At, Action Write)> InOrder(
        IReadOnlyList<IEnumerable<(long At, Action Write)>> rows
    )
    {
        var next = new PriorityQueue<IEnumerator<(long At, Action Write)>, (long At, int Which)>();
        for (var i = 0; i < rows.Count; i++)
        {
            var one = rows[i].GetEnumerator();
            if (one.MoveNext())
            {
                next.Enqueue(one, (one.Current.At, i));
            }
        }

        while (next.TryDequeue(out var one, out var at))
        {
            yield return one.Current;
            if (one.MoveNext())
            {
                next.Enqueue(one, (one.Current.At, at.Which));
            }
        }
    }

    /// <summary>What somebody typed, as no spreadsheet runs it.</summary>
    private static string Said(string? text) =>
        text is { Length: > 0 } && "=+-@\t\r".Contains(text[0], StringComparison.Ordinal) ? $"'{text}" : text ?? "";

    private static void WriteEntry(CsvWriter csv, DayEntry entry)
    {
        csv.WriteField(entry.At);
        csv.WriteField(entry.Entry.LineId ?? "");
        csv.WriteField(entry.TensionN?.Nominal.ToString("0.#", CultureInfo.InvariantCulture) ?? "");
        csv.WriteField(entry.Entry.Seen?.LeanDeg?.ToString("0.##", CultureInfo.InvariantCulture) ?? "");
        csv.WriteField("");
        csv.WriteField(PullSteps.NameOf(entry.Entry.Step));
        csv.WriteField($"{entry.Entry.Kind}".ToLowerInvariant());
        csv.WriteField(Said(entry.Entry.By));
        csv.WriteField(Said(entry.Entry.Because));
    }

    private static void WritePoint(CsvWriter csv, string lineId, TracePoint point)
    {
        csv.WriteField(
            DateTimeOffset
                .FromUnixTimeMilliseconds(point.AtMs)
                .ToString("yyyy-MM-ddTHH:mm:ss.fffZ", CultureInfo.InvariantCulture)
        );
        csv.WriteField(lineId);
        csv.WriteField(point.TensionN.ToString("0.#", CultureInfo.InvariantCulture));
        csv.WriteField(float.IsNaN(point.LeanDeg) ? "" : point.LeanDeg.ToString("0.##", CultureInfo.InvariantCulture));
        csv.WriteField(point.Doubtful ? "yes" : "");
        csv.WriteField("");
        csv.WriteField("cell");
        csv.WriteField("");
        csv.WriteField("");
    }

    private static IResult Answer<T>(string? units, Func<UnitSystem, (T? Answer, IReadOnlyList<Problem> Problems)> ask)
        where T : class
    {
        if (!Bodies.TryUnits(units, out var system))
        {
            return Bodies.UnknownUnits(units);
        }

        var (answer, problems) = ask(system);
        return answer is not null ? new SizedAnswer<T>(answer)
            : problems.Count > 0 ? PlainProblems.Refused(problems)
            : Missing();
    }

    private static IResult Missing() =>
        PlainProblems.NotFound("There is no such job, or it was deleted. Go back to the list.");
}
