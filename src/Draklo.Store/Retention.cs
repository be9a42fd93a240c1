using System.Globalization;

namespace Draklo.Store;

/// <summary>
/// Which of the backups made by schedule stay: the last of each of 7 days, of 4 weeks and of 12 months that have any.
/// </summary>
public static class Retention
{
    private const int Days = 7;
    private const int Weeks = 4;
    private const int Months = 12;

    public static IReadOnlySet<DateTimeOffset> Stay(IEnumerable<DateTimeOffset> made)
    {
        var latest = made.OrderDescending().ToList();
        return Last(latest, Days, t => t.UtcDateTime.Date.Ticks)
            .Concat(
                Last(latest, Weeks, t => (ISOWeek.GetYear(t.UtcDateTime) * 100) + ISOWeek.GetWeekOfYear(t.UtcDateTime))
            )
            .Concat(Last(latest, Months, t => (t.UtcDateTime.Year * 100) + t.UtcDateTime.Month))
            .ToHashSet();
    }

    private static IEnumerable<DateTimeOffset> Last(
        IEnumerable<DateTimeOffset> latest,
        int count,
        Func<DateTimeOffset, long> span
    ) => latest.DistinctBy(span).Take(count);
}
