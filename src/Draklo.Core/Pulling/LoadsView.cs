using System.Globalization;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using MathNet.Numerics.Statistics;

namespace Draklo.Core.Pulling;

/// <summary>How the loads of a clearing go.</summary>
public sealed record LoadsView
{
    /// <summary>What the way is called.</summary>
    public required string Way { get; init; }

    /// <summary>Loads that the plan has.</summary>
    public required int Planned { get; init; }

    /// <summary>Loads that came so far.</summary>
    public required int Moved { get; init; }

    /// <summary>When the load that is on its way began; null before the first step of it and during a stop.</summary>
    public required string? Since { get; init; }

    /// <summary>Seconds that it had taken before the last stop.</summary>
    public required double BeforeS { get; init; }

    /// <summary>Minutes of each load that was timed; a stop does not count.</summary>
    public required IReadOnlyList<double> LapsMin { get; init; }

    /// <summary>Minutes of one, as planned.</summary>
    public required Spread EachMin { get; init; }

    /// <summary>The middle one of those that were timed; null before any.</summary>
    public required double? MiddleMin { get; init; }

    /// <summary>For those that are left, at what they take; null when all are moved.</summary>
    public required double? ToGoMin { get; init; }

    /// <summary>The most that was read; null before any reading.</summary>
    public required double? PeakN { get; init; }

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
        return new()
        {
            Way = way.Name,
            Planned = way.Loads,
            Moved = moved,
            Since = since?.ToString("O"),
            BeforeS = before,
            LapsMin = laps,
            EachMin = way.EachMin,
            MiddleMin = middle,
            ToGoMin = left > 0 ? left * (middle ?? way.EachMin.Nominal) : null,
            PeakN = read.Count > 0 ? read.Max() : null,
        };
    }

    public static bool IsReading(DayEntry entry) =>
        entry.TensionN is not null && entry.Entry.LineId == LoadBasis.LineId;
}
