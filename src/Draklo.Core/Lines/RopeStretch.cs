using Draklo.Core.Plans;

namespace Draklo.Core.Lines;

/// <summary>A rope as a spring.</summary>
/// <remarks>
/// Method M13: stretch in proportion to tension, through the figure at a tenth of the breaking strength.
/// </remarks>
public static class RopeStretch
{
    /// <summary>How much longer so much rope becomes, metres.</summary>
    public static double Lengthening(RopeMembers rope, double tension, double length) =>
        rope.StretchAtTenPercent * (tension / (0.1 * rope.BreakingStrengthN)) * length;

    /// <summary>
    /// How much longer a whole line becomes, each of its ropes over its own part; of a base tie both legs, for the one
    /// down to the foot carries as much.
    /// </summary>
    /// <param name="run">From the seat to the anchor, metres.</param>
    public static double Of(LineMembers line, double tension, double run)
    {
        var down = line.Tie == TieKind.Base ? line.Seat.HeightM : 0;
        if (line.Joined is not { } joined)
        {
            return Lengthening(line.Rope, tension, run + down);
        }

        var first = Math.Clamp(RopeNeeded.JointAt(line) ?? run, 0, run);
        return Lengthening(line.Rope, tension, first + down) + Lengthening(joined.Rope, tension, run - first);
    }

    /// <summary>The energy it holds, joules.</summary>
    public static double Energy(double tension, double lengthening) => 0.5 * tension * lengthening;
}
