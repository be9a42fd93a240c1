using System.Text.Json;
using Draklo.Core.Plans;
using Draklo.Core.Sites;
using Draklo.Core.Studies;
using Draklo.Files;
using Draklo.Web.Hosting;

namespace Draklo.Web.Sites;

/// <summary>A site and the GeoJSON to add to it.</summary>
public sealed record SiteFileDocument
{
    public required SiteMembers Site { get; init; }

    public required JsonElement File { get; init; }
}

/// <summary>The lay rose, and sites as GeoJSON.</summary>
internal static class SiteEndpoints
{
    public static void MapSites(this IEndpointRouteBuilder app)
    {
        app.MapPost("/api/rose", RoseAsync)
            .WithName("layRose")
            .WithTags("site")
            .WithSummary(
                "What every direction would take to lay the tree there; step is degrees between bearings and divides 360."
            )
            .Accepts<Plan>("application/json")
            .Produces<LayRose>()
            .ProducesValidationProblem(422);
        app.MapPost("/api/site/geojson", WriteAsync)
            .WithName("writeSite")
            .WithTags("site")
            .WithSummary("A plan's site as GeoJSON.")
            .Accepts<Plan>("application/json")
            .Produces(200, contentType: "application/geo+json")
            .ProducesValidationProblem(422);
        app.MapPost("/api/site/import", ImportAsync)
            .WithName("importSite")
            .WithTags("site")
            .WithSummary("A site with the targets of a GeoJSON FeatureCollection added; keeps nothing.")
            .Accepts<SiteFileDocument>("application/json")
            .Produces<SiteMembers>()
            .ProducesValidationProblem(422);
    }

    private static async Task<IResult> RoseAsync(
        HttpRequest request,
        HeavyWork heavy,
        int step = 5,
        string? units = null
    )
    {
        if (!Bodies.TryUnits(units, out var system))
        {
            return Bodies.UnknownUnits(units);
        }

        if (step is < 1 or > 90 || 360 % step != 0)
        {
            return PlainProblems.Refused([
                new("step", "The step between bearings is a whole number of degrees that divides 360, from 1 to 90."),
            ]);
        }

        var (plan, refusal) = await request.ReadAsync<Plan>();
        if (plan is null)
        {
            return refusal!;
        }

        var left = request.HttpContext.RequestAborted;
        var (rose, problems) = await heavy.RunAsync(request.Client(), () => LayRose.Of(plan, system, step, left), left);
        return rose is null ? PlainProblems.Refused(problems) : new SizedAnswer<LayRose>(rose);
    }

    private static async Task<IResult> WriteAsync(HttpRequest request)
    {
        var (plan, refusal) = await request.ReadAsync<Plan>();
        if (plan is null)
        {
            return refusal!;
        }

        var (json, problems) = SiteGeoJson.Write(plan);
        return json is null
            ? PlainProblems.Refused(problems)
            : Results.File(json, "application/geo+json", "site.geojson");
    }

    private static async Task<IResult> ImportAsync(HttpRequest request)
    {
        var (asked, refusal) = await request.ReadAsync<SiteFileDocument>();
        if (asked is null)
        {
            return refusal!;
        }

        var (site, problems) = SiteGeoJson.Read(JsonSerializer.SerializeToUtf8Bytes(asked.File), asked.Site);
        return site is null ? PlainProblems.Refused(problems) : Results.Ok(site);
    }
}
