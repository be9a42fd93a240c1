using Draklo.Core.Plans;
using Draklo.Core.Tackle;

namespace Draklo.Core.Lines;

/// <summary>What one line carries from the hands to the tree, N.</summary>
/// <param name="Tree">In the leg at the seat, at the planned tension.</param>
/// <param name="End">At the tackle: more, for each redirect on the way takes its part.</param>
/// <param name="Hand">On the hauling end.</param>
/// <param name="WorstTree">The same three under the hardest heave through the best turns.</param>
public readonly record struct LineTensions(
    double Tree,
    double End,
    double Hand,
    double WorstTree,
    double WorstEnd,
    double WorstHand
)
{
    /// <param name="planned">Main tension, N.</param>
    public static LineTensions Of(LineMembers line, LineRun run, SolvedTackle tackle, double planned)
    {
        var tree = line.Share * planned;
        var end = tree / run.Passes(0, best: false);
        var hand = end / tackle.Hauling.ActualAdvantage;
        var heave = Effort.WorstCredible(line.Puller);
        var worstHand = line.Limiter is { } drum ? Math.Min(heave, Limiter.SlipsAtMost(drum)) : heave;
        var worstEnd = worstHand * tackle.AtBest.ActualAdvantage;
        return new(
            tree,
            end,
            hand,
            Math.Max(tree, worstEnd * run.Passes(0, best: true)),
            Math.Max(end, worstEnd),
            worstHand
        );
    }
}
