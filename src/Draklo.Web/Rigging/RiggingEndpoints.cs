using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Rigging;
using Draklo.Core.Units;
using Draklo.Web.Hosting;

namespace Draklo.Web.Rigging;

/// <summary>The sums of rigging, each on its own; nothing is kept.</summary>
internal static class RiggingEndpoints
{
    private const string Lower = "lower";

    public static void MapRigging(this IEndpointRouteBuilder app)
    {
        var rigging = app.MapGroup("/api/rigging").WithTags("rigging");
        Map<CatchAsk, Catch>(
            rigging,
            "catch",
            "The peak when a piece drops into its rope, held or let run over a drum; one part or two.",
            Catch.Of
        );
        Map<TwoLinesAsk, TwoLines>(rigging, "two-lines", "A load that hangs between two lines.", TwoLines.Of);
        Map<LoadedLineAsk, LoadedLine>(
            rigging,
            "loaded-line",
            "A load on a line between two ends: by its sag, by the line's length, or by its tension before the load.",
            LoadedLine.Of
        );
        Map<SkidAsk, Skid>(rigging, "skid", "What a log takes to drag up or down a slope.", Skid.Of);
        Map<SparAsk, Spar>(rigging, "spar", "How a spar and its guy share a pull at its top.", Spar.Of);
        rigging
            .MapPost("/lower", LowerAsync)
            .WithName("lowerTree")
            .WithSummary("A plan with the member lower: the tension of a line that lets the cut tree down, by lean.")
            .Accepts<Plan>("application/json")
            .Produces<Lowering>()
            .ProducesValidationProblem(422);
    }

    private static void Map<TAsk, TAnswer>(
        RouteGroupBuilder group,
        string path,
        string summary,
        Func<TAsk, UnitSystem, (TAnswer?, List<Problem>)> of
    )
        where TAsk : class
        where TAnswer : class =>
        group
            .MapPost(
                $"/{path}",
                async (HttpRequest request, string? units = null) =>
                {
                    if (!Bodies.TryUnits(units, out var system))
                    {
                        return Bodies.UnknownUnits(units);
                    }

                    var (asked, refusal) = await request.ReadAsync<TAsk>();
                    return asked is null ? refusal! : Answer(of(asked, system));
                }
            )
            .WithName($"rigging{string.Concat(path.Split('-').Select(p => char.ToUpperInvariant(p[0]) + p[1..]))}")
            .WithSummary(summary)
            .Accepts<TAsk>("application/json")
            .Produces<TAnswer>()
            .ProducesValidationProblem(422);

    private static async Task<IResult> LowerAsync(HttpRequest request, string? units = null)
    {
        if (!Bodies.TryUnits(units, out var system))
        {
            return Bodies.UnknownUnits(units);
        }

        using var body = new MemoryStream();
        await request.Body.CopyToAsync(body, request.HttpContext.RequestAborted);
        var (plan, lower) = Apart(body.ToArray());
        var (read, problems) = DocumentReader.Read<Plan>(plan);
        if (read is null)
        {
            return PlainProblems.Refused(problems);
        }

        if (lower is null)
        {
            return PlainProblems.Refused([new(Lower, "Say where the line that lets the tree down sits and stands.")]);
        }

        var (ask, wrong) = DocumentReader.Read<LoweringAsk>(lower);
        return ask is null
            ? PlainProblems.Refused([.. wrong.Select(w => w with { Path = $"{Lower}.{w.Path}" })])
            : Answer(Lowering.Of(read, ask, system));
    }

    /// <summary>The plan without the member that is asked for beside it; what cannot be read goes on as it is.</summary>
    private static (byte[] Plan, byte[]? Lower) Apart(byte[] body)
    {
        try
        {
            if (JsonNode.Parse(body) is JsonObject whole && whole.Remove(Lower, out var lower))
            {
                return (
                    Encoding.UTF8.GetBytes(whole.ToJsonString()),
                    Encoding.UTF8.GetBytes(lower?.ToJsonString() ?? "null")
                );
            }
        }
        catch (Exception e) when (e is JsonException or ArgumentException)
        {
            // The reader says what is wrong with it.
        }

        return (body, null);
    }

    private static IResult Answer<T>((T? Answer, List<Problem> Problems) worked)
        where T : class => worked.Answer is null ? PlainProblems.Refused(worked.Problems) : Results.Ok(worked.Answer);
}
