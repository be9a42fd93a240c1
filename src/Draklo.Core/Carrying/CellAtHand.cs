using Draklo.Core.Pulling;

namespace Draklo.Core.Carrying;

/// <summary>What became of something that a load cell sent to this device.</summary>
/// <param name="RawN">As the cell sent it, N, below zero where it hangs the wrong way round: what is kept is judged from it.
/// Null if it is not a reading.</param>
/// <param name="TensionN">As it is shown, N, 0 or more; null if it is not a reading.</param>
/// <param name="Counts">Whether it is a reading that counts.</param>
/// <param name="Missed">Readings that never came, between the one before and this.</param>
/// <param name="Trouble">In one sentence; empty where nothing is wrong.</param>
public sealed record CellHeard(
    uint Session,
    uint Sequence,
    double? RawN,
    double? TensionN,
    bool Counts,
    long Missed,
    string Trouble
);

/// <summary>The load cells that this device listens to by itself: each followed from when it was switched on.</summary>
public sealed class CellAtHand
{
    private readonly Dictionary<string, (uint Session, CellFeed Feed)> feeds = new(StringComparer.Ordinal);

    /// <param name="lineId">The line that the cell hangs in.</param>
    /// <param name="sent">A packet in base64, or a line.</param>
    /// <param name="plannedN">Of the line, for what counts as a jump.</param>
    /// <param name="atS">When it came, seconds by one clock.</param>
    /// <param name="slack">Whether the line is slack just now: the cell should read nothing.</param>
    public CellHeard Hear(string lineId, bool isPacket, string sent, double plannedN, double atS, bool slack)
    {
        var frame = isPacket ? OfPacket(sent, out var trouble) : CellProtocol.ReadLine(sent, out trouble);
        if (frame is not { } read)
        {
            return new(0, 0, null, null, Counts: false, 0, trouble);
        }

        if (!feeds.TryGetValue(lineId, out var known) || known.Session != read.Session)
        {
            // Switched on again: it counts from the beginning, and nothing is missing.
            known = (read.Session, new(plannedN));
            feeds[lineId] = known;
        }

        var fed = known.Feed.Take(new("cell", read.Sequence, read.TensionN, "N"), atS, slack);
        return new(
            read.Session,
            read.Sequence,
            read.TensionN,
            fed.TensionN,
            fed.State == FeedState.Taken,
            fed.Missed,
            fed.Trouble.Length > 0 ? fed.Trouble
                : read.Overloaded ? "The cell was loaded beyond its range. Don't trust it until it has been checked."
                : read.LowBattery ? "The cell's battery is low."
                : ""
        );
    }

    private static CellFrame? OfPacket(string base64, out string trouble)
    {
        Span<byte> bytes = stackalloc byte[64];
        return Convert.TryFromBase64String(base64, bytes, out var length)
            ? CellProtocol.ReadPacket(bytes[..length], out trouble)
            : CellProtocol.ReadPacket([], out trouble);
    }
}
