using Draklo.Core.Plans;
using Draklo.Core.Tackle;

namespace Draklo.Core.Lines;

/// <summary>How much rope a line takes, from the ground up over its seat and out to the last hauler.</summary>
/// <remarks>Method M8, for a tip tie: the seat's height (what hangs down while it is set), the tie, the run, the tackle when it is rove in the line, and a tail.</remarks>
public static class RopeNeeded
{
    private const double Tie = 2;
    private const double Tail = 3;

    /// <summary>A tackle's opened length, metres.</summary>
    private const double Opened = 6;

    /// <param name="run">From seat to anchor, metres.</param>
    public static double For(LineMembers line, TackleSystem system, double run, Workings? workings)
    {
        var inLine = system.InLine || line.Tackle.Rope is null;

        // Every leg but the line's own run is extra rope; hauling directly adds none.
        var legs = inLine ? system.Solve(new(1, 1)).Legs.Count - 1 : 0;
        var needed = line.Seat.HeightM + Tie + run + (legs * Opened) + Tail;
        workings?.Add($"{line.Id}.rope-needed", "Rope needed", "l_rope", needed, "m", "seat height + tie + run + legs in the line · opened length + tail",
            $"{line.Seat.HeightM:m} + {Tie:m} + {run:m} + {legs:x} · {Opened:m} + {Tail:m}", "M8", estimate: true);
        return needed;
    }
}
