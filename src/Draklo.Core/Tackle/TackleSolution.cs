namespace Draklo.Core.Tackle;

/// <summary>What an arrangement does with a hand force of 1.</summary>
/// <param name="IdealAdvantage">Force on the load without friction.</param>
/// <param name="ActualAdvantage">Force on the load while hauling.</param>
/// <param name="Efficiency">Actual over ideal, 0 to 1.</param>
/// <param name="TravelRatio">Rope hauled for each length the load moves; equals the ideal advantage.</param>
/// <param name="Legs">Every leg with its tension, rope by rope from the hauling end.</param>
/// <param name="Points">The force each point passes on: what pulls it to one side, or to the other where that is
/// more.</param>
public sealed record TackleSolution(
    double IdealAdvantage,
    double ActualAdvantage,
    double Efficiency,
    double TravelRatio,
    IReadOnlyList<TackleLeg> Legs,
    IReadOnlyList<TacklePointForce> Points,
    TackleHolding Holding
);

/// <param name="Rope">Index of the rope.</param>
/// <param name="Tension">For a hand force of 1.</param>
public sealed record TackleLeg(int Rope, string From, string To, double Tension);

/// <param name="Force">For a hand force of 1.</param>
public sealed record TacklePointForce(string Id, double Force);

/// <param name="HandForceForUnitLoad">What the hand, or whatever holds the hauling end, must hold for a load of 1 when
/// rope would run back.</param>
public sealed record TackleHolding(double HandForceForUnitLoad);
