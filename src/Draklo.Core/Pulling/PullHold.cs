using System.Globalization;
using Draklo.Core.Plans;

namespace Draklo.Core.Pulling;

/// <summary>The two minutes for which the line is held at the floor.</summary>
public static class PullHold
{
    public const int Seconds = 120;

    /// <summary>When the hold began; null before.</summary>
    public static DayEntry? Began(IReadOnlyList<DayEntry> counting) =>
        counting.LastOrDefault(e => e.Entry is { Kind: EntryKind.Move, To: PullStep.Hold });

    /// <summary>Whether a tension was read once they were over.</summary>
    public static bool IsOver(IReadOnlyList<DayEntry> counting)
    {
        if (Began(counting) is not { } began)
        {
            return false;
        }

        var over = TimeOf(began).AddSeconds(Seconds);
        return counting.Any(e => e.Entry.Step == PullStep.Hold && e.TensionN is not null && TimeOf(e) >= over);
    }

    private static DateTimeOffset TimeOf(DayEntry entry) =>
        DateTimeOffset.Parse(entry.At, CultureInfo.InvariantCulture);
}
