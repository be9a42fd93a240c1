using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Pulling;

/// <summary>What a reading comes to: the tension in a line at the tree, with its spread.</summary>
/// <remarks>Method M24.</remarks>
public static class ReadTension
{
    private const double CellShare = 0.02;

    /// <summary>How far the friction of a tackle may be off, either way.</summary>
    private const double FrictionShare = 0.1;

    /// <returns>The tension, or what is missing.</returns>
    public static (Spread? Tension, Problem? Problem) Of(PullBasis basis, int line, TensionDocument read)
    {
        var plan = basis.Plan.Lines[line];
        var result = basis.Analysis.Pull.Lines[line];
        var length = read.LengthM ?? result.LengthM;
        switch (read.Way)
        {
            case TensionWay.Cell:
                return OfCell(read);
            case TensionWay.Sideways:
                return read is { ForceN: { } force, GivesM: { } gives }
                    ? gives > length / 4
                        ? Missing("givesM", "The line gives a quarter of its length: that is slack, not tension.")
                        : (TensionByHand.Sideways(force, gives, length), null)
                    : Missing(
                        read.ForceN is null ? "forceN" : "givesM",
                        "Enter the force and how far the line gives where it is pulled."
                    );
            case TensionWay.Pluck:
                var diameter = plan.Rope.DiameterM;
                return read is { Returns: { } returns, Seconds: { } seconds }
                    ? (
                        TensionByHand.Pluck(returns, seconds, length, read.KgPerM ?? TensionByHand.KgPerM(diameter)),
                        null
                    )
                    : Missing(
                        read.Returns is null ? "returns" : "seconds",
                        "Tap at each return, or enter count and time."
                    );
            default:
                return ByPeople(plan, result, read);
        }
    }

    /// <summary>What a reading of the line that carries or hauls loads comes to.</summary>
    public static (Spread? Tension, Problem? Problem) OfLoads(PullBasis basis, TensionDocument read) =>
        basis.Loads?.Line is null ? (null, new("lineId", "No line carries or hauls the loads of this plan."))
        : read.Way != TensionWay.Cell ? Missing("way", "A line with a load on it is read by a load cell or a gauge.")
        : OfCell(read);

    private static (Spread?, Problem?) OfCell(TensionDocument read) =>
        read.ReadN is { } n
            ? (new Spread(n * (1 - CellShare), n, n * (1 + CellShare)), null)
            : Missing("readN", "Enter what the load cell reads.");

    private static (Spread?, Problem?) ByPeople(LineMembers plan, Links.LineResult result, TensionDocument read)
    {
        if (plan.Puller.Kind != PullerKind.People)
        {
            return Missing("way", "Nobody hauls this line by hand: read it by load cell, sideways or by a pluck.");
        }

        if (read.People is not { } people)
        {
            return Missing("people", "Say how many haul.");
        }

        // What the hands give less what redirects take on the way to the tree.
        var advantage =
            result.Tackle.ActualAdvantage * (result.EndTensionN > 0 ? result.TensionN / result.EndTensionN : 1);
        var spread = new Spread(advantage * (1 - FrictionShare), advantage, advantage * (1 + FrictionShare));
        var hands = Effort.Of(plan.Puller with { Count = people, EffortEachN = read.EachN ?? plan.Puller.EffortEachN });
        return (TensionByHand.People(hands.SteadyN, spread), null);
    }

    private static (Spread?, Problem?) Missing(string path, string message) => (null, new($"tension.{path}", message));
}
