using Draklo.Core.Geometry;
using Draklo.Core.Trees;

namespace Draklo.Core.Lines;

/// <summary>What the stretch of the lines alone would do if hauling stopped at the planned tension.</summary>
/// <remarks>
/// Method M13. As the tree comes over, each line shortens and slackens along its spring. A tree that is let come slowly
/// rests where the lines no longer give the moment that it asks; one that moves swings past that, to where the work of
/// the lines is used up.
/// </remarks>
/// <param name="CarriesToDeg">Where the tree rests, degrees; the commit angle when there is no such place before
/// it.</param>
/// <param name="SwingsToDeg">How far it swings when it moves, degrees; the commit angle when it swings past it.</param>
/// <param name="PastCommit">True when it swings past commit.</param>
/// <param name="EnergyJ">Held by all lines at the planned tension.</param>
public sealed record SpringBack(double CarriesToDeg, double SwingsToDeg, bool PastCommit, double EnergyJ)
{
    private const int Steps = 32;

    public static SpringBack From(PlanContext context, PullLine[] lines, LineRun[] runs, Pull pull)
    {
        double energy = 0;
        Span<double> stretched = stackalloc double[lines.Length];
        for (var n = 0; n < lines.Length; n++)
        {
            var tension = lines[n].Share * context.PlannedTension;
            stretched[n] = RopeStretch.Of(context.Plan.Lines[n], tension, runs[n].Length);
            energy += RopeStretch.Energy(tension, stretched[n]);
        }

        var commit = Angle.Degrees(pull.Commit);
        var step = pull.Commit / Steps;
        double? rests = null;
        double work = 0;
        double before = 0;
        for (var i = 0; i <= Steps; i++)
        {
            var angle = step * i;
            var over = Given(context, lines, stretched, angle) - Pull.RestoringMoment(context, angle);
            if (over < 0)
            {
                rests ??= i == 0 ? 0 : commit * Crossing(i, before, over) / Steps;
            }

            var more = i == 0 ? 0 : step * (before + over) / 2;
            if (work + more < 0)
            {
                return new(rests ?? commit, commit * Crossing(i, work, work + more) / Steps, PastCommit: false, energy);
            }

            (work, before) = (work + more, over);
        }

        return new(rests ?? commit, commit, PastCommit: true, energy);
    }

    /// <summary>Where a figure that was positive a step ago crosses zero, in steps.</summary>
    private static double Crossing(int step, double before, double now) =>
        step - 1 + (before <= 0 ? 0 : before / (before - now));

    private static double Given(PlanContext context, PullLine[] lines, ReadOnlySpan<double> stretched, double angle)
    {
        double moment = 0;
        for (var n = 0; n < lines.Length; n++)
        {
            var line = lines[n];
            var seat = line.Seat.TurnedForward(angle);
            var comeIn = line.Length - seat.DistanceTo(line.Anchor);
            var left = stretched[n] <= 0 ? (comeIn > 1e-9 ? 0 : 1) : Math.Max(0, 1 - (comeIn / stretched[n]));
            moment += line.Share * context.PlannedTension * left * PullLine.ForwardArm(seat, line.Anchor);
        }

        return moment;
    }
}
