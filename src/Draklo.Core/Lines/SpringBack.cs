using Draklo.Core.Geometry;
using Draklo.Core.Trees;

namespace Draklo.Core.Lines;

/// <summary>What the stretch of the lines alone would do if hauling stopped at the planned tension.</summary>
/// <remarks>
/// Method M13. As the tree comes over, each line shortens and slackens along its spring; where it no longer gives the
/// moment that the tree asks, the tree stops.
/// </remarks>
/// <param name="CarriesToDeg">How far the stretch turns the tree, degrees; the commit angle when it carries it
/// past.</param>
/// <param name="PastCommit">True when the stretch alone brings the tree over.</param>
/// <param name="EnergyJ">Held by all lines at the planned tension.</param>
public sealed record SpringBack(double CarriesToDeg, bool PastCommit, double EnergyJ)
{
    private const int Steps = 32;

    public static SpringBack From(PlanContext context, PullLine[] lines, LineRun[] runs, Pull pull)
    {
        double energy = 0;
        for (var n = 0; n < lines.Length; n++)
        {
            var tension = lines[n].Share * context.PlannedTension;
            energy += RopeStretch.Energy(tension, RopeStretch.Of(context.Plan.Lines[n], tension, runs[n].Length));
        }

        for (var i = 0; i <= Steps; i++)
        {
            var angle = pull.Commit * i / Steps;
            if (Given(context, lines, runs, angle) < Pull.RestoringMoment(context, angle))
            {
                return new(Angle.Degrees(pull.Commit * Math.Max(0, i - 1) / Steps), PastCommit: false, energy);
            }
        }

        return new(Angle.Degrees(pull.Commit), PastCommit: true, energy);
    }

    private static double Given(PlanContext context, PullLine[] lines, LineRun[] runs, double angle)
    {
        double moment = 0;
        for (var n = 0; n < lines.Length; n++)
        {
            var line = lines[n];
            var seat = line.Seat.TurnedForward(angle);
            var planned = line.Share * context.PlannedTension;
            var stretched = RopeStretch.Of(context.Plan.Lines[n], planned, runs[n].Length);
            var comeIn = line.Length - seat.DistanceTo(line.Anchor);
            var left = stretched <= 0 ? (comeIn > 1e-9 ? 0 : 1) : Math.Max(0, 1 - (comeIn / stretched));
            moment += planned * left * PullLine.ForwardArm(seat, line.Anchor);
        }

        return moment;
    }
}
