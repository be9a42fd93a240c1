using System.Collections.Frozen;
using Draklo.Core.Units;

namespace Draklo.Core.Pulling;

/// <summary>What a load cell sends.</summary>
/// <param name="Cell">Its own name: two cells in one line are two.</param>
/// <param name="Sequence">Counts its readings; the same number again is the same reading.</param>
/// <param name="Value">In <paramref name="Unit"/>.</param>
/// <param name="Unit">N, daN, kN, kgf or lbf.</param>
public readonly record struct CellSample(string Cell, long Sequence, double Value, string Unit);

/// <summary>What becomes of a reading.</summary>
public enum FeedState
{
    /// <summary>It counts.</summary>
    Taken,

    /// <summary>It came before: over another tablet, or sent twice.</summary>
    Repeated,

    /// <summary>It is kept and does not count: it reads what cannot be.</summary>
    Doubtful,

    /// <summary>It is nothing that can be read.</summary>
    Refused,
}

/// <param name="TensionN">0 or more; null for what was refused.</param>
/// <param name="Missed">Readings that never came, between the one before and this.</param>
/// <param name="Trouble">What is wrong, in one sentence; empty where nothing is.</param>
public readonly record struct FedReading(FeedState State, double? TensionN, long Missed, string Trouble);

/// <summary>Follows one load cell from when it was switched on: what it sends becomes tensions, and what cannot be true is said.</summary>
/// <remarks>The limits are ours: a cell of this trade reads to a few newtons and flickers; a line loads in tenths of a
/// second, not in hundredths.</remarks>
/// <param name="plannedN">Of the line, for what counts as a jump.</param>
public sealed class CellFeed(double plannedN)
{
    private const double BelowZeroN = -60;
    private const double QuietN = 60;
    private const double LeastJumpN = 600;
    private const double JumpShare = 0.6;
    private const double AgreesShare = 0.2;
    private const double JumpWithinS = 0.2;
    private const double StuckAfterS = 3;
    private const long NoneYet = -1;

    private static readonly FrozenDictionary<string, double> Newtons = new Dictionary<string, double>(
        StringComparer.Ordinal
    )
    {
        ["N"] = 1,
        ["daN"] = 10,
        ["kN"] = 1000,
        ["kgf"] = Standard.Gravity,
        ["lbf"] = Standard.PoundForce,
    }.ToFrozenDictionary(StringComparer.Ordinal);

    private long last = NoneYet;
    private double lastN;
    private double lastAt = double.NegativeInfinity;
    private double sameSince;
    private double? candidate;

    /// <summary>The highest number it has taken; below 0 before the first.</summary>
    public long Last => last;

    /// <summary>Takes one reading.</summary>
    /// <param name="atS">When it was read, seconds by one clock: the same readings at the same times are judged alike.</param>
    /// <param name="slack">Whether the line is slack just now: the cell should read nothing.</param>
    public FedReading Take(CellSample sample, double atS, bool slack = false)
    {
        if (!Newtons.TryGetValue(sample.Unit, out var factor))
        {
            return new(
                FeedState.Refused,
                null,
                0,
                $"The cell measures in “{Cut(sample.Unit)}”, which Draklo doesn't know. Set it to N, daN, kN, kgf or lbf."
            );
        }

        var tension = sample.Value * factor;
        if (!double.IsFinite(tension) || Math.Abs(tension) > 2e6 || sample.Sequence < 0)
        {
            return new(FeedState.Refused, null, 0, "The cell sent no number that can be a tension.");
        }

        if (sample.Sequence <= last)
        {
            return new(FeedState.Repeated, tension, 0, "");
        }

        var missed = last == NoneYet ? 0 : sample.Sequence - last - 1;
        last = sample.Sequence;
        var fed = Judge(tension, atS, missed);
        return slack && fed is { State: FeedState.Taken, TensionN: > QuietN }
            ? fed with
            {
                Trouble = "The line is slack but the cell isn't at zero. Zero it.",
            }
            : fed;
    }

    private FedReading Judge(double tension, double atS, long missed)
    {
        if (tension < BelowZeroN)
        {
            return new(
                FeedState.Doubtful,
                0,
                missed,
                "The cell reads below zero. Is it in the line the right way round? Slack the line and zero it."
            );
        }

        tension = Math.Max(0, tension);
        var jump = Math.Max(LeastJumpN, JumpShare * plannedN);
        if (atS - lastAt < JumpWithinS && Math.Abs(tension - lastN) > jump)
        {
            var confirmed =
                candidate is { } seen && Math.Abs(tension - seen) <= AgreesShare * Math.Max(seen, LeastJumpN);
            candidate = tension;
            if (!confirmed)
            {
                lastAt = atS;
                return new(
                    FeedState.Doubtful,
                    tension,
                    missed,
                    "That jump is too big. Waiting for the next reading to confirm it."
                );
            }
        }

        candidate = null;
        if (tension != lastN)
        {
            sameSince = atS;
        }

        (lastN, lastAt) = (tension, atS);
        return tension > QuietN && atS - sameSince > StuckAfterS
            ? new(
                FeedState.Doubtful,
                tension,
                missed,
                "The cell has sent the same number for seconds; a live line never does. Is it stuck?"
            )
            : new(FeedState.Taken, tension, missed, "");
    }

    private static string Cut(string text) => text.Length <= 12 ? text : text[..12] + "…";
}
