using Draklo.Core.Trees;

namespace Draklo.Core.Lines;

/// <summary>How the lines bend the stem.</summary>
/// <remarks>
/// Method M11. Lines in several places bend the stem together: their moments are added as vectors at each height, which
/// is more than any one of them alone. Stress and movement grow in proportion to the tension.
/// </remarks>
/// <param name="WorstStress">Largest stress over the stem, Pa.</param>
/// <param name="AtHeight">Where it is, metres above the cut.</param>
/// <param name="SeatMovement">How far the first line's seat moves, metres.</param>
public readonly record struct StemBending(double WorstStress, double AtHeight, double SeatMovement)
{
    private const int Steps = 96;
    private const double JustUnder = 1e-6;

    /// <param name="soundness">Scales the stiffness, over 0 to 1.</param>
    /// <param name="mainTension">N; each line carries its share of it.</param>
    public static StemBending Under(StandingTree tree, double soundness, PullLine[] lines, double mainTension)
    {
        double top = 0;
        foreach (var line in lines)
        {
            top = Math.Max(top, line.Seat.Up);
        }

        var seat = lines[0].Seat.Up;
        var step = top / Steps;
        var stiffness = tree.Wood.Stiffness * soundness;
        double worst = 0;
        double worstAt = 0;
        double movedForward = 0;
        double movedRight = 0;
        for (var i = 0; i <= Steps; i++)
        {
            var z = step * i;
            var (forward, right, down) = LinesAbove(lines, z, mainTension);
            var d = tree.Stem.DiameterAt(z);
            Look(z, d, forward, right, down);
            if (z < seat)
            {
                var weight =
                    step
                    / 3
                    * (
                        i is 0 or Steps ? 1
                        : i % 2 == 1 ? 4
                        : 2
                    );
                var bend = weight * (seat - z) / (stiffness * Math.PI * d * d * d * d / 64);
                movedForward += forward * bend;
                movedRight += right * bend;
            }
        }

        // A limb's moment jumps at its union, and a measured waist may lie between two steps.
        foreach (var line in lines)
        {
            LookAt(line.Seat.Up - JustUnder);
        }

        foreach (var height in tree.Stem.MeasuredHeights)
        {
            if (height > tree.Stem.StumpHeight)
            {
                LookAt(height - tree.Stem.StumpHeight);
            }
        }

        return new(worst, worstAt, Math.Sqrt((movedForward * movedForward) + (movedRight * movedRight)));

        void LookAt(double z)
        {
            var (forward, right, down) = LinesAbove(lines, z, mainTension);
            Look(z, tree.Stem.DiameterAt(z), forward, right, down);
        }

        void Look(double z, double d, double forward, double right, double down)
        {
            var stress =
                (Math.Sqrt((forward * forward) + (right * right)) / (Math.PI * d * d * d / 32))
                + (Math.Max(0, down) / (Math.PI * d * d / 4));
            if (stress > worst)
            {
                (worst, worstAt) = (stress, z);
            }
        }
    }

    /// <summary>
    /// What the lines seated above a height do to the stem there: bending moments forward and to the right, N·m, and
    /// the force that presses it down, N.
    /// </summary>
    internal static (double Forward, double Right, double Down) LinesAbove(
        PullLine[] lines,
        double z,
        double mainTension
    )
    {
        double forward = 0;
        double right = 0;
        double down = 0;
        foreach (var line in lines)
        {
            if (line.Seat.Up > z)
            {
                var along = line.Along;
                var tension = line.Share * mainTension;
                var press = tension * (line.DownLeg - along.Up);
                forward += (tension * along.Forward * (line.Seat.Up - z)) + (press * line.OffStem.Forward);
                right += (tension * along.Right * (line.Seat.Up - z)) + (press * line.OffStem.Right);
                down += press;
            }
        }

        return (forward, right, down);
    }
}
