using Draklo.Core.Plans;
using Draklo.Core.Tackle;

namespace Draklo.Core.Lines;

/// <summary>What one line carries from the hands to the tree, N.</summary>
/// <param name="Tree">In the leg at the seat, at the planned tension.</param>
/// <param name="End">At the tackle: more, for each redirect on the way takes its part.</param>
/// <param name="Hand">On the hauling end.</param>
/// <param name="EndMayRise">How much more there may be at the tackle with the low efficiencies of the redirects, as a share.</param>
/// <param name="HandMayRise">How much more the hands may have to give with the low efficiencies, as a share.</param>
/// <param name="WorstTree">The same three under the hardest heave through the best turns.</param>
public readonly record struct LineTensions(
    double Tree,
    double End,
    double Hand,
    double WorstTree,
    double WorstEnd,
    double WorstHand,
    double EndMayRise,
    double HandMayRise
)
{
    /// <param name="planned">Main tension, N.</param>
    /// <param name="tried">Whether somebody tried the line's drum.</param>
    public static LineTensions Of(LineMembers line, LineRun run, SolvedTackle tackle, double planned, bool tried)
    {
        var tree = line.Share * planned;
        var end = tree / run.Passes(0);
        var hand = end / tackle.Hauling.ActualAdvantage;
        var heave = Effort.WorstCredible(line.Puller);
        if (line.Puller.ArrivesMps is { } speed)
        {
            heave += Momentum(line, run, tackle, speed);
        }

        var worstHand = line.Limiter is { } drum ? Math.Min(heave, Limiter.LimitsTo(drum, tried)) : heave;
        var worstEnd = worstHand * tackle.AtBest.ActualAdvantage;
        var endRises = run.Passes(0) / run.Passes(0, along: -1);
        return new(
            tree,
            end,
            hand,
            Math.Max(tree, worstEnd * run.Passes(0, along: 1)),
            Math.Max(end, worstEnd),
            worstHand,
            endRises - 1,
            (tackle.Hauling.ActualAdvantage / tackle.AtLeast.ActualAdvantage * endRises) - 1
        );
    }

    /// <summary>What a vehicle that arrives moving adds on the hauling end, N: v·√(k·m), k as the puller feels the line.</summary>
    /// <remarks>Method M9.</remarks>
    private static double Momentum(LineMembers line, LineRun run, SolvedTackle tackle, double speed)
    {
        var stretch = RopeStretch.Of(line, 1, run.Length);
        var travel = tackle.Hauling.TravelRatio;
        return line.Puller.Vehicle is { } vehicle && stretch > 0
            ? speed * Math.Sqrt(vehicle.MassKg / (stretch * travel * travel))
            : 0;
    }
}
