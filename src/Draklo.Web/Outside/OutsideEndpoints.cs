using Draklo.Core.Analyses;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Units;
using Draklo.Web.Hosting;

namespace Draklo.Web.Outside;

/// <summary>What is asked of an instrument.</summary>
public sealed record SightDocument
{
    public required Sight Sight { get; init; }

    /// <summary>For a lean: the bearing of the line of sight.</summary>
    public double LookingDeg { get; init; }

    public required Plan Plan { get; init; }
}

/// <param name="Value">Degrees for angles, metres for distances.</param>
public sealed record SightAnswer(string Instrument, double Value);

public sealed record ForecastAnswer(string Source, string Day, IReadOnlyList<ForecastHour> Hours);

/// <summary>Instruments and services from outside, here as simulated stand-ins.</summary>
internal static class OutsideEndpoints
{
    public static void AddOutside(this IServiceCollection services)
    {
        services.AddSingleton<IInstrument, SimulatedAngleGauge>();
        services.AddSingleton<IInstrument, SimulatedRangeFinder>();
        services.AddSingleton<IForecast, SimulatedForecast>();
        services.AddSingleton<ILoadCell>(_ => new SimulatedLoadCell(TimeProvider.System));
        services.AddSingleton<ILeanGauge>(_ => new SimulatedLeanGauge(TimeProvider.System));
        services
            .AddSignalR(hubs => hubs.MaximumReceiveMessageSize = DrakloHost.LargestBody)
            .AddJsonProtocol(json =>
            {
                json.PayloadSerializerOptions.DefaultIgnoreCondition = DocumentReader.Options.DefaultIgnoreCondition;
                foreach (var converter in DocumentReader.Options.Converters)
                {
                    json.PayloadSerializerOptions.Converters.Add(converter);
                }
            });
    }

    public static void MapOutside(this IEndpointRouteBuilder app)
    {
        app.MapPost("/api/instruments/reading", ReadAsync)
            .WithName("takeReading")
            .WithTags("outside")
            .WithSummary("Takes a reading with the angle gauge or the range finder.")
            .Accepts<SightDocument>("application/json")
            .Produces<SightAnswer>()
            .ProducesValidationProblem(422);
        app.MapGet("/api/forecast", ForecastOf)
            .WithName("forecast")
            .WithTags("outside")
            .WithSummary("The wind of a day (yyyy-MM-dd), hour by hour.")
            .Produces<ForecastAnswer>()
            .ProducesValidationProblem(422);
    }

    private static async Task<IResult> ReadAsync(HttpRequest request, IEnumerable<IInstrument> instruments)
    {
        var (asked, refusal) = await request.ReadAsync<SightDocument>();
        if (asked is null)
        {
            return refusal!;
        }

        var problems = PlanRules.Check(asked.Plan, Core.Units.UnitSystem.Metric);
        if (problems.Count > 0)
        {
            return PlainProblems.Refused(problems);
        }

        var instrument = instruments.First(i => i.Measures(asked.Sight));
        return Results.Ok(
            new SightAnswer(
                instrument.Name,
                instrument.Read(asked.Sight, Expected.Of(asked.Plan, asked.Sight, asked.LookingDeg))
            )
        );
    }

    private static IResult ForecastOf(IForecast forecast, string? day = null) =>
        DateOnly.TryParseExact(day, "yyyy-MM-dd", out var date)
            ? Results.Ok(new ForecastAnswer(forecast.Source, day!, forecast.Of(date)))
            : PlainProblems.Refused([new("day", "Say which day, as in 2027-03-09.")]);
}
