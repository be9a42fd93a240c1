using Draklo.Core.Catalogue;
using Draklo.Core.Plans;

namespace Draklo.Core.Tackle;

/// <summary>A line's tackle, solved with the usual turns and with the best ones.</summary>
/// <param name="Hauling">With the contact's nominal efficiency.</param>
/// <param name="AtBest">With its high efficiency: what a strong heave could put on.</param>
/// <param name="AtLeast">With its low efficiency: what the hands may have to give.</param>
/// <param name="Hardware">Points where a rope turns at a block or connector.</param>
public sealed record SolvedTackle(
    TackleSystem System,
    TackleSolution Hauling,
    TackleSolution AtBest,
    TackleSolution AtLeast,
    IReadOnlyList<string> Hardware
)
{
    public static SolvedTackle From(TackleMembers tackle)
    {
        var system = TackleSystems.Of(tackle);
        var contact = ContactKind.Of(tackle.ContactId, tackle.Passes);
        return new(
            system,
            system.Solve(Turns.Usual(contact)),
            system.Solve(Turns.Best(contact)),
            system.Solve(Turns.Of(contact, -1)),
            system.HardwarePoints
        );
    }

    /// <summary>Force on a point for a hand force of 1; 0 when there is no such point.</summary>
    public static double ForceOn(TackleSolution solution, string point)
    {
        for (var i = 0; i < solution.Points.Count; i++)
        {
            if (solution.Points[i].Id == point)
            {
                return solution.Points[i].Force;
            }
        }

        return 0;
    }

    /// <summary>
    /// Share of the line tension carried by the grip or knot that attaches the tackle. A rope that ends at the load of a
    /// tackle rove in the line is the line itself, and its leg does not pull at the block.
    /// </summary>
    public double OnJoint(TackleSolution solution, bool inLine) =>
        inLine && System.Shape.Ropes.Count == 1 && solution.Legs[^1].To == "load"
            ? 1 - (solution.Legs[^1].Tension / solution.ActualAdvantage)
            : 1;

    /// <summary>The largest leg tension for a hand force of 1.</summary>
    public static double HeaviestLeg(TackleSolution solution)
    {
        double most = 0;
        for (var i = 0; i < solution.Legs.Count; i++)
        {
            most = Math.Max(most, solution.Legs[i].Tension);
        }

        return most;
    }

    /// <summary>The largest force on a point where rope turns, for a hand force of 1.</summary>
    public static double HeaviestTurn(TackleSolution solution, IReadOnlyList<string> turns)
    {
        double most = 0;
        for (var i = 0; i < turns.Count; i++)
        {
            most = Math.Max(most, ForceOn(solution, turns[i]));
        }

        return most;
    }
}
