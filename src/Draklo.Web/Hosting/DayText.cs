using System.Globalization;

namespace Draklo.Web.Hosting;

/// <summary>A day as a request gives it.</summary>
internal static class DayText
{
    public const string HowWritten = "The day is written as year-month-day, as in 2027-03-09, from 2000 to 2199.";
    private const int First = 2000;
    private const int Last = 2199;

    public static bool TryRead(string text, out DateOnly day) =>
        DateOnly.TryParseExact(text, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out day)
        && day.Year is >= First and <= Last;
}
