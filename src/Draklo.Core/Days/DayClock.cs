using System.Globalization;

namespace Draklo.Core.Days;

/// <summary>Minutes after midnight as the clock shows them.</summary>
public static class DayClock
{
    private const int Day = 1440;

    /// <summary>Minutes after midnight as the clock shows them; past midnight it says so.</summary>
    public static string Write(double minutes)
    {
        var whole = (int)Math.Round(minutes);
        var (days, rest) = Math.DivRem(whole, Day);
        if (rest < 0)
        {
            (days, rest) = (days - 1, rest + Day);
        }

        var clock = string.Create(CultureInfo.InvariantCulture, $"{rest / 60:00}:{rest % 60:00}");
        return days switch
        {
            0 => clock,
            > 0 => $"{clock} the next day",
            _ => $"{clock} the day before",
        };
    }
}
