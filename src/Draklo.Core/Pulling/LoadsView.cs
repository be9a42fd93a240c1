using System.Globalization;
using Draklo.Core.Units;
using MathNet.Numerics.Statistics;

namespace Draklo.Core.Pulling;

/// <summary>How the loads of a clearing go.</summary>
/// <param name="Way">What the way is called.</param>
/// <param name="Planned">Loads that the plan has.</param>
/// <param name="Moved">Loads that came so far.</param>
/// <param name="Since">When the load that is on its way began; null before the first step of it and during a stop.</param>
/// <param name="BeforeS">Seconds that it had taken before the last stop.</param>
/// <param name="LapsMin">Minutes of each load that was timed; a stop does not count.</param>
/// <param name="EachMin">Minutes of one, as planned.</param>
/// <param name="MiddleMin">The middle one of those that were timed; null before any.</param>
/// <param name="ToGoMin">For those that are left, at what they take; null when all are moved.</param>
/// <param name="PeakN">The most that was read; null before any reading.</param>
public sealed record LoadsView(
    string Way,
    int Planned,
    int Moved,
    string? Since,
    double BeforeS,
    IReadOnlyList<double> LapsMin,
    Spread EachMin,
    double? MiddleMin,
    double? ToGoMin,
    double? PeakN
)
{
    /// <summary>A load that takes longer was left for something else: it is counted and not timed.</summary>
    private const double LongestMin = 240;

    public static LoadsView Of(LoadBasis basis, IReadOnlyList<DayEntry> counting)
    {
        var (laps, moved) = (new List<double>(), 0);
        DateTimeOffset? since = null;
        double before = 0;
        foreach (var entry in counting.Where(e => e.Entry.Step == PullStep.Clear || e.Entry.To == PullStep.Clear))
        {
            var at = DateTimeOffset.Parse(entry.At, CultureInfo.InvariantCulture);
            switch (entry.Entry.Kind)
            {
                case EntryKind.Move:
                    (since, before) = (entry.Entry.To == PullStep.Clear ? at : null, 0);
                    break;
                case EntryKind.Stop when since is { } began:
                    (since, before) = (null, before + (at - began).TotalSeconds);
                    break;
                case EntryKind.Resume:
                    since ??= at;
                    break;
                case EntryKind.Load:
                    moved++;
                    var seconds = before + (since is { } from ? (at - from).TotalSeconds : 0);
                    var minutes = Math.Round(seconds / 60, 2);
                    if (minutes is > 0 and <= LongestMin)
                    {
                        laps.Add(minutes);
                    }

                    (since, before) = (at, 0);
                    break;
                default:
                    break;
            }
        }

        var way = basis.Way;
        var middle = laps.Count > 0 ? laps.Median() : (double?)null;
        var left = Math.Max(0, way.Loads - moved);
        var read = counting.Where(IsReading).Select(e => e.TensionN!.Value.Nominal).ToList();
        return new(
            way.Name,
            way.Loads,
            moved,
            since?.ToString("O"),
            before,
            laps,
            way.EachMin,
            middle,
            left > 0 ? left * (middle ?? way.EachMin.Nominal) : null,
            read.Count > 0 ? read.Max() : null
        );
    }

    public static bool IsReading(DayEntry entry) =>
        entry.TensionN is not null && entry.Entry.LineId == LoadBasis.LineId;
}
