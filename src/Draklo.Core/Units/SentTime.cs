using System.Globalization;

namespace Draklo.Core.Units;

/// <summary>Times as documents hold them, for people.</summary>
public static class SentTime
{
    /// <summary>As in "10:42", by a clock so far from UTC; a text that is no time stays as it is.</summary>
    public static string Local(string at, TimeSpan offset) =>
        DateTimeOffset.TryParse(at, CultureInfo.InvariantCulture, out var time)
            ? time.ToOffset(offset).ToString("HH:mm", CultureInfo.InvariantCulture)
            : at;
}
