using Draklo.Core.Geometry;

namespace Draklo.Core.Days;

/// <summary>Sunrise, sunset and the end of usable light, in minutes after local midnight.</summary>
/// <remarks>
/// After the low-precision solar position of the Astronomical Almanac, good to about a minute between the polar circles;
/// hills and trees are left out. Light lasts until the sun stands 6° under the horizon (civil twilight).
/// </remarks>
/// <param name="SunriseMin">Null where the sun does not rise or does not set that day.</param>
/// <param name="LightFromMin">Begin of civil twilight.</param>
/// <param name="Always">It is light all day and all night.</param>
/// <param name="Never">The sun does not rise.</param>
public sealed record Daylight(
    double? LightFromMin,
    double? SunriseMin,
    double? SunsetMin,
    double? LightUntilMin,
    bool Always,
    bool Never
)
{
    /// <summary>The sun's upper edge on the horizon, refraction taken in.</summary>
    private const double HorizonDeg = -0.833;

    private const double TwilightDeg = -6;
    private const double MinutesADay = 1440;

    /// <param name="offset">Local time less universal time.</param>
    public static Daylight Of(double latitudeDeg, double longitudeDeg, DateOnly day, TimeSpan offset)
    {
        var rise = At(HorizonDeg, -1);
        var set = At(HorizonDeg, 1);
        var noon = NoonHeight();
        return new(
            At(TwilightDeg, -1),
            rise,
            set,
            At(TwilightDeg, 1),
            Always: rise is null && noon > HorizonDeg,
            Never: rise is null && noon <= HorizonDeg
        );

        double NoonHeight()
        {
            var (declination, _) = Sun(DaysAt(MinutesADay / 2));
            return 90 - Math.Abs(latitudeDeg - Angle.Degrees(declination));
        }

        // The sun moves on while the day does: found again at the time found.
        double? At(double heightDeg, int side)
        {
            double minutes = MinutesADay / 2;
            for (var i = 0; i < 4; i++)
            {
                var (declination, equation) = Sun(DaysAt(minutes));
                var latitude = Angle.Radians(latitudeDeg);
                var cos =
                    (Math.Sin(Angle.Radians(heightDeg)) - (Math.Sin(latitude) * Math.Sin(declination)))
                    / (Math.Cos(latitude) * Math.Cos(declination));
                if (Math.Abs(cos) > 1)
                {
                    return null;
                }

                var noonMin = (MinutesADay / 2) - (4 * longitudeDeg) - equation;
                minutes = noonMin + (side * 4 * Angle.Degrees(Math.Acos(cos)));
            }

            return minutes + offset.TotalMinutes;
        }

        double DaysAt(double universalMinutes) =>
            day.DayNumber - new DateOnly(2000, 1, 1).DayNumber - 0.5 + (universalMinutes / MinutesADay);
    }

    /// <summary>Declination in radians and the equation of time in minutes.</summary>
    /// <param name="days">Since noon, universal time, of the first day of 2000.</param>
    private static (double Declination, double EquationMin) Sun(double days)
    {
        var anomaly = Angle.Radians((357.529 + (0.98560028 * days)) % 360);
        var meanDeg = (280.459 + (0.98564736 * days)) % 360;
        var longitude = Angle.Radians(meanDeg + (1.915 * Math.Sin(anomaly)) + (0.020 * Math.Sin(2 * anomaly)));
        var tilt = Angle.Radians(23.439 - (0.00000036 * days));
        var ascension = Angle.Degrees(Math.Atan2(Math.Cos(tilt) * Math.Sin(longitude), Math.Cos(longitude)));
        var declination = Math.Asin(Math.Sin(tilt) * Math.Sin(longitude));
        return (declination, 4 * Angle.Between(ascension, meanDeg));
    }
}
