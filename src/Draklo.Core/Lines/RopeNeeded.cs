using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using Draklo.Core.Units;

namespace Draklo.Core.Lines;

/// <summary>How much rope a line takes, from the ground up over its seat and out to the last hauler.</summary>
/// <remarks>
/// Method M8: the seat's height (what hangs down while it is set; twice for a base tie, whose leg runs down to the
/// foot), the tie, the run over its redirects, the tackle when it is rove in the line, a tail, and what a joint eats. A
/// tackle with a rope of its own spans the last of the run, opened, and the line ends at its grip.
/// </remarks>
public static class RopeNeeded
{
    private const double Tie = 2;
    private const double Tail = 3;

    /// <summary>What a knot that joins two ropes takes off them, metres.</summary>
    private const double JointLength = 1;

    /// <param name="run">From the seat over the redirects to the anchor, metres.</param>
    public static double For(LineMembers line, TackleSystem system, double run, Workings? workings)
    {
        var roveIn = system.IsRoveIn(line);
        var legs = roveIn ? system.LegsInLine : 0;
        var space = roveIn ? 0 : Math.Min(run, system.Opened(line.Tackle.OpenedM, line.Tackle.ClosedM).SpaceM);
        var up = line.Tie == TieKind.Base ? 2 : 1;
        var joint = line.Joined is null ? 0 : JointLength;
        var needed = Of(
            line.Tie,
            line.Seat.HeightM,
            run,
            (legs * line.Tackle.OpenedM) - space,
            line.Joined is not null
        );
        workings?.Add(
            $"{line.Id}.rope-needed",
            "Rope needed",
            "l_rope",
            needed,
            "m",
            "seat height (twice for a base tie) + tie + run − opened tackle of its own rope + legs in the line · opened length + tail + joint",
            $"{(double)up:x} · {line.Seat.HeightM:m} + {Tie:m} + {run:m} − {space:m} + {(double)legs:x} · {line.Tackle.OpenedM:m} + {Tail:m} + {joint:m}",
            "M8",
            estimate: true
        );
        return needed;
    }

    /// <param name="tackle">Rope that a tackle rove in the line takes, metres; negative where one of its own rope spans the
    /// last of the run.</param>
    internal static double Of(TieKind tie, double seat, double run, double tackle, bool joined) =>
        ((tie == TieKind.Base ? 2 : 1) * seat) + Tie + run + tackle + Tail + (joined ? JointLength : 0);

    /// <summary>
    /// Legs of rope beside the line's own run when the tackle is rove in it; hauling directly adds none.
    /// </summary>
    internal static int LegsInLine(TackleSystem system) => system.Shape.Ropes.Sum(r => r.Contacts.Count) - 1;

    /// <summary>Rope that is loaded, from the end in the tree on, metres: what is needed but the part that hung down while it was set, and the tail.</summary>
    public static double Loaded(LineMembers line, double neededM) =>
        Math.Max(0, neededM - line.Seat.HeightM - Tail - (line.Joined is null ? 0 : JointLength));

    /// <summary>Rope that the line has, both ropes together, metres.</summary>
    public static double Owned(LineMembers line) => line.Rope.LengthM + (line.Joined?.Rope.LengthM ?? 0);

    /// <summary>
    /// Where the knot that joins two ropes lies, metres along the line from the seat; negative when the first rope does
    /// not even come over it. Null without one.
    /// </summary>
    public static double? JointAt(LineMembers line) =>
        line.Joined is null
            ? null
            : line.Rope.LengthM - Tie - (JointLength / 2) - (line.Tie == TieKind.Base ? line.Seat.HeightM : 0);
}
