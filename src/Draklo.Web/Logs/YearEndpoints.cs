using Draklo.Core.Catalogue;
using Draklo.Core.Sites;
using Draklo.Files;
using Draklo.Store;
using Draklo.Web.Hosting;

namespace Draklo.Web.Logs;

/// <summary>A year of jobs.</summary>
public sealed record YearAnswer
{
    public required int Year { get; init; }

    /// <summary>Those that some job is of, the latest first.</summary>
    public required IReadOnlyList<int> Years { get; init; }

    public required int Jobs { get; init; }

    /// <summary>Of work, as the logs have it: minutes of each task times its people.</summary>
    public required double Hours { get; init; }

    /// <summary>How many have come how far.</summary>
    public required IReadOnlyDictionary<string, int> ByStage { get; init; }

    /// <summary>Twelve, January first.</summary>
    public required IReadOnlyList<MonthOfYear> Months { get; init; }

    public required IReadOnlyList<CountOf> Species { get; init; }

    public required IReadOnlyList<CountOf> Places { get; init; }

    public required IReadOnlyList<JobOfYear> Where { get; init; }
}

/// <param name="Down">Trees that came down.</param>
/// <param name="CalledOff">Jobs that were called off.</param>
/// <param name="Ahead">Jobs that are planned or briefed.</param>
public sealed record MonthOfYear(int Month, int Down, int CalledOff, int Ahead, double Hours);

public sealed record CountOf(string Id, string Name, int Count);

/// <summary>The year's view: counts, hours, and where jobs are.</summary>
internal static class YearEndpoints
{
    public static void MapYears(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/years/{year}", Read)
            .WithName("readYear")
            .WithTags("logs")
            .WithSummary("A year of jobs: how many came how far, month by month, hours, species, places.")
            .Produces<YearAnswer>()
            .ProducesValidationProblem(422);
        app.MapGet("/api/years/{year}/where.geojson", Map)
            .WithName("yearOnMap")
            .WithTags("logs")
            .WithSummary("Where a year's jobs are, as GeoJSON; jobs without an origin are left out.")
            .Produces(200, contentType: "application/geo+json");
        app.MapGet("/api/years/{year}/jobs.csv", Csv)
            .WithName("yearCsv")
            .WithTags("logs")
            .WithSummary("A year's jobs as CSV, UTF-8.")
            .Produces<string>(200, "text/csv");
    }

    private static IResult Read(JobIndex jobs, LogDesk desk, int year)
    {
        if (year is < 1970 or > 2199)
        {
            return PlainProblems.Refused([new("year", "A year between 1970 and 2199.")]);
        }

        var found = Of(jobs, year);
        var minutes = desk.Learned()
            .Where(l => l.On.StartsWith($"{year}-", StringComparison.Ordinal))
            .ToDictionary(l => l.JobId, l => l.PersonMinutes, StringComparer.Ordinal);
        return Results.Ok(
            new YearAnswer
            {
                Year = year,
                Years = jobs.Years(),
                Jobs = found.Count,
                Hours = Hours(found),
                ByStage = found
                    .GroupBy(j => j.Stage, StringComparer.Ordinal)
                    .ToDictionary(g => g.Key, g => g.Count(), StringComparer.Ordinal),
                Months = [.. Enumerable.Range(1, 12).Select(MonthOf)],
                Species = Counts(j => j.Species, id => Reference.Species.TryGetValue(id, out var s) ? s.Name : id),
                Places = Counts(j => j.Place, p => p),
                Where = [.. found.Where(j => j is { Latitude: not null, Longitude: not null })],
            }
        );

        MonthOfYear MonthOf(int month)
        {
            var of = found.Where(j => j.OnDay![5..7] == $"{month:00}").ToList();
            return new(
                month,
                of.Count(j => j.Stage is "pulled" or "cleared" or "done"),
                of.Count(j => j.Stage == "calledOff"),
                of.Count(j => j.Stage is "planned" or "briefed"),
                Hours(of)
            );
        }

        double Hours(IEnumerable<JobOfYear> of) => Math.Round(of.Sum(j => minutes.GetValueOrDefault(j.Id)) / 60, 1);

        List<CountOf> Counts(Func<JobOfYear, string> key, Func<string, string> name) =>
            [
                .. found
                    .Where(j => key(j).Length > 0)
                    .GroupBy(key, StringComparer.Ordinal)
                    .Select(g => new CountOf(g.Key, name(g.Key), g.Count()))
                    .OrderByDescending(c => c.Count)
                    .ThenBy(c => c.Name, StringComparer.Ordinal),
            ];
    }

    private static IResult Map(JobIndex jobs, int year) =>
        Results.File(
            SiteGeoJson.WritePoints(
                Of(jobs, year)
                    .Where(j => j is { Latitude: not null, Longitude: not null })
                    .Select(j =>
                        (
                            j.Latitude!.Value,
                            j.Longitude!.Value,
                            new (string, object?)[]
                            {
                                ("id", j.Id),
                                ("name", j.Name),
                                ("place", j.Place),
                                ("species", j.Species),
                                ("stage", j.Stage),
                                ("on", j.OnDay),
                            }
                        )
                    )
            ),
            "application/geo+json",
            $"jobs-{year}.geojson"
        );

    private static IResult Csv(JobIndex jobs, int year) =>
        PlainCsv.File(
            $"jobs-{year}.csv",
            ["on", "name", "place", "species", "crew", "stage", "latitude", "longitude"],
            Of(jobs, year)
                .Select(j =>
                    new object?[] { j.OnDay, j.Name, j.Place, j.Species, j.Crew, j.Stage, j.Latitude, j.Longitude }
                )
        );

    private static IReadOnlyList<JobOfYear> Of(JobIndex jobs, int year) =>
        jobs.Found(new(From: $"{year:0000}-01-01", To: $"{year:0000}-12-31"));
}
