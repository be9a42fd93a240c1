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
