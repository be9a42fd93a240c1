namespace Draklo.Web.Outside;

/// <summary>The wind of a day, hour by hour.</summary>
/// <remarks>A real service takes the place of the simulated one by being registered instead of it.</remarks>
public interface IForecast
{
    string Source { get; }

    IReadOnlyList<ForecastHour> Of(DateOnly day);
}

/// <param name="Hour">Local, 0 to 23.</param>
/// <param name="WindMps">Mean at crown height, m/s.</param>
/// <param name="GustMps">The highest within the hour, m/s.</param>
/// <param name="FromDeg">The bearing it comes from.</param>
public sealed record ForecastHour(int Hour, double WindMps, double GustMps, double FromDeg);

/// <summary>
/// Made-up weather: the same day always has the same, calm in the morning, most wind in the early afternoon.
/// </summary>
public sealed class SimulatedForecast : IForecast
{
    private const int FirstHour = 6;
    private const int LastHour = 20;

    public string Source => "Simulated forecast: made up, not a weather service";

    public IReadOnlyList<ForecastHour> Of(DateOnly day)
    {
        var seed = (uint)day.DayNumber * 2654435761u;
        var calm = 1 + (seed % 1000 / 1000.0 * 3);
        var rise = 1 + (seed / 1000 % 1000 / 1000.0 * 6);
        var from = seed / 7 % 360;
        var hours = new List<ForecastHour>();
        for (var hour = FirstHour; hour <= LastHour; hour++)
        {
            var day01 = Math.Sin(Math.PI * Math.Clamp((hour - 7) / 13.0, 0, 1));
            var wind = Math.Round(calm + (rise * day01 * day01), 1);
            hours.Add(
                new(
                    hour,
                    wind,
                    Math.Round(wind * (1.45 + (0.25 * day01)), 1),
                    Math.Round((from + (3.0 * (hour - FirstHour))) % 360)
                )
            );
        }

        return hours;
    }
}
