using Draklo.Core.Days;

namespace Draklo.Core.Tests;

/// <summary>Sunrise and sunset against published almanac times, and where the sun does neither.</summary>
public sealed class DaylightTests
{
    /// <summary>Times of the almanac to the minute; the low-precision position and rounding leave two.</summary>
    [Theory]
    [InlineData(51.48, 0, "2024-06-20", 0, 223, 1221)]
    [InlineData(51.48, 0, "2024-12-21", 0, 484, 953)]
    [InlineData(40.71, -74.01, "2024-03-20", -4, 420, 1148)]
    [InlineData(-33.87, 151.21, "2024-12-21", 11, 341, 1205)]
    public void Agrees_with_the_almanac(
        double latitude,
        double longitude,
        string day,
        double offset,
        double rise,
        double set
    )
    {
        var light = Daylight.Of(latitude, longitude, DateOnly.Parse(day), TimeSpan.FromHours(offset));
        Assert.InRange(light.SunriseMin!.Value, rise - 2, rise + 2);
        Assert.InRange(light.SunsetMin!.Value, set - 2, set + 2);
        Assert.True(light.LightFromMin < light.SunriseMin && light.LightUntilMin > light.SunsetMin);
    }

    [Theory]
    [InlineData("2026-06-21", true)]
    [InlineData("2026-12-21", false)]
    public void Beyond_the_polar_circle_there_is_neither(string day, bool always)
    {
        var light = Daylight.Of(75, 20, DateOnly.Parse(day), TimeSpan.Zero);
        Assert.Null(light.SunriseMin);
        Assert.Null(light.SunsetMin);
        Assert.Equal(always, light.Always);
        Assert.Equal(!always, light.Never);
    }

    /// <summary>A day on the equator at the equinox lasts a few minutes over twelve hours; local noon follows the longitude.</summary>
    [Fact]
    public void The_day_turns_with_the_longitude()
    {
        var day = new DateOnly(2026, 3, 20);
        var here = Daylight.Of(0, 0, day, TimeSpan.Zero);
        var east = Daylight.Of(0, 15, day, TimeSpan.Zero);
        Assert.InRange(here.SunsetMin!.Value - here.SunriseMin!.Value, 725, 728);
        Assert.InRange(here.SunriseMin.Value - east.SunriseMin!.Value, 59.8, 60.2);
    }
}
