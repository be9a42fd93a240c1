using Draklo.Core.Plans;

namespace Draklo.Core.Studies;

/// <summary>A rig that was tried, with what became of it.</summary>
/// <param name="Margin">The least over all links of what may be carried over what is: 1 is just enough, 1.25 no longer
/// tight.</param>
/// <param name="Pieces">Ropes, blocks, grips, connectors, slings and drums in it.</param>
/// <param name="Sets">How often the tackle is opened and hauled.</param>
/// <param name="Unknown">Strengths in it that nobody has given; what is unknown is not known to hold.</param>
/// <param name="Words">The rig in a line.</param>
/// <param name="Gear">Its pieces of the locker, by name.</param>
/// <param name="Why">What limits it, or what fails and by how much.</param>
/// <param name="Line">The main line as it would stand in the plan.</param>
public sealed record FoundRig(
    bool Holds,
    double Margin,
    double HandForceN,
    double TensionN,
    int Pieces,
    int Sets,
    double RopeUsedM,
    int Unknown,
    string Words,
    IReadOnlyList<string> Gear,
    string Why,
    LineMembers Line
);

/// <summary>What a search found.</summary>
/// <param name="Tried">Combinations tried: all that fit by length and count of gear.</param>
/// <param name="Holding">How many of them hold.</param>
/// <param name="Best">The ten best that hold, the best first; ways that differ in rope, knot, blocks or seat alone
/// stand as one.</param>
/// <param name="Next">The nearest of those that fail, each with another reason.</param>
/// <param name="LeftOut">What was not tried so that the search stays short; null when everything was.</param>
/// <param name="Advice">Where nothing holds: the single thing that would let something, or that none does.</param>
public sealed record FoundRigs(
    int Tried,
    int Holding,
    IReadOnlyList<FoundRig> Best,
    IReadOnlyList<FoundRig> Next,
    string? LeftOut,
    string? Advice
);

/// <summary>What a search may use beside the locker and the plan.</summary>
/// <param name="People">How many are there to haul; null for as many as the plan says.</param>
/// <param name="Tackles">Tackles of the crew's own.</param>
public sealed record RigAsk(int? People, IReadOnlyList<ComposedMembers> Tackles)
{
    public static RigAsk Plain { get; } = new(null, []);
}
