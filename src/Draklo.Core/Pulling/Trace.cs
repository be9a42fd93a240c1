using System.Buffers.Binary;

namespace Draklo.Core.Pulling;

/// <summary>One moment of the day's readings.</summary>
/// <param name="AtMs">Since the trace's first day began, milliseconds of the Unix clock.</param>
/// <param name="TensionN">In the line at the tree.</param>
/// <param name="LeanDeg">NaN where no gauge was read.</param>
/// <param name="HauledM">NaN where nobody counted.</param>
/// <param name="Doubtful">Kept, and not counted.</param>
public readonly record struct TracePoint(long AtMs, float TensionN, float LeanDeg, float HauledM, bool Doubtful)
{
    public const int Bytes = 21;

    /// <summary>Of a simulated instrument: drawn, and never read, booked or learned from.</summary>
    public bool Simulated { get; init; }

    private const int IsDoubtful = 1;
    private const int IsSimulated = 2;

    public void Write(Span<byte> to)
    {
        BinaryPrimitives.WriteInt64LittleEndian(to, AtMs);
        BinaryPrimitives.WriteSingleLittleEndian(to[8..], TensionN);
        BinaryPrimitives.WriteSingleLittleEndian(to[12..], LeanDeg);
        BinaryPrimitives.WriteSingleLittleEndian(to[16..], HauledM);
        to[20] = (byte)((Doubtful ? IsDoubtful : 0) | (Simulated ? IsSimulated : 0));
    }

    public static TracePoint Read(ReadOnlySpan<byte> from) =>
        new(
            BinaryPrimitives.ReadInt64LittleEndian(from),
            BinaryPrimitives.ReadSingleLittleEndian(from[8..]),
            BinaryPrimitives.ReadSingleLittleEndian(from[12..]),
            BinaryPrimitives.ReadSingleLittleEndian(from[16..]),
            (from[20] & IsDoubtful) != 0
        )
        {
            Simulated = (from[20] & IsSimulated) != 0,
        };
}

/// <summary>A stretch of the trace for drawing: least and most within it.</summary>
public sealed record TraceSpan(long FromMs, long ToMs, double LowN, double HighN, double? LeanDeg);

/// <summary>A line's readings of the day, thinned for a chart.</summary>
/// <param name="Count">Readings that were kept.</param>
/// <param name="Doubtful">Of them, those that do not count.</param>
/// <param name="Simulated">Of them, those of a simulated instrument: they count as nothing read.</param>
/// <param name="PeakN">The largest that counts; 0 without any.</param>
/// <param name="PeakAtMs">When.</param>
/// <param name="WentN">The most between the end of the back cut and commit (M23); null where no lean was read past commit.</param>
public sealed record TraceView(
    string LineId,
    long Count,
    long Doubtful,
    long Simulated,
    double PeakN,
    long? PeakAtMs,
    double? WentN,
    IReadOnlyList<TraceSpan> Spans
)
{
    /// <param name="points">In the order of their time; read once.</param>
    /// <param name="fromMs">Time of the first.</param>
    /// <param name="toMs">Time of the last.</param>
    /// <param name="spans">How many at most.</param>
    /// <param name="cutMs">When the back cut was finished; null where nobody said so: then from the first lean on.</param>
    public static TraceView Of(
        string lineId,
        IEnumerable<TracePoint> points,
        long fromMs,
        long toMs,
        int spans,
        double commitDeg,
        long? cutMs
    )
    {
        var width = Math.Max(1, ((toMs - fromMs) / spans) + 1);
        var made = new List<TraceSpan>();
        var (count, doubtful, simulated, peak) = (0L, 0L, 0L, 0.0);
        long? peakAt = null;
        double? most = null;
        var wentPast = false;
        foreach (var point in points)
        {
            count++;
            if (point.Doubtful)
            {
                doubtful++;
                continue;
            }

            if (point.Simulated)
            {
                simulated++;
            }
            else if (point.TensionN > peak)
            {
                (peak, peakAt) = (point.TensionN, point.AtMs);
            }

            if (!wentPast && !point.Simulated)
            {
                wentPast = point.LeanDeg >= commitDeg;
                if (!wentPast && (cutMs is { } cut ? point.AtMs >= cut : point.LeanDeg > 0))
                {
                    most = Math.Max(most ?? 0, point.TensionN);
                }
            }

            var begins = fromMs + ((point.AtMs - fromMs) / width * width);
            double? lean = float.IsNaN(point.LeanDeg) ? null : point.LeanDeg;
            if (made.Count > 0 && made[^1].FromMs == begins)
            {
                var span = made[^1];
                made[^1] = new(
                    begins,
                    point.AtMs,
                    Math.Min(span.LowN, point.TensionN),
                    Math.Max(span.HighN, point.TensionN),
                    lean ?? span.LeanDeg
                );
            }
            else
            {
                made.Add(new(begins, point.AtMs, point.TensionN, point.TensionN, lean));
            }
        }

        return new(lineId, count, doubtful, simulated, peak, peakAt, wentPast ? most : null, made);
    }
}
