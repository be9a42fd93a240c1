using Draklo.Core.Plans;

namespace Draklo.Core.Studies;

/// <summary>A rig that was tried, with what became of it.</summary>
public sealed record FoundRig
{
    public required bool Holds { get; init; }

    /// <summary>The least over all links of what may be carried over what is: 1 is just enough, 1.25 no longer tight.</summary>
    public required double Margin { get; init; }

    /// <summary>Each hand's pull at the planned tension, N, over 0.</summary>
    public required double HandForceN { get; init; }

    /// <summary>In the pull line with the hands' full pull, N, over 0.</summary>
    public required double TensionN { get; init; }

    /// <summary>Ropes, blocks, grips, connectors, slings and drums in it.</summary>
    public required int Pieces { get; init; }

    /// <summary>How often the tackle is opened and hauled.</summary>
    public required int Sets { get; init; }

    /// <summary>Of the tackle's rope, m, over 0.</summary>
    public required double RopeUsedM { get; init; }

    /// <summary>Strengths in it that nobody has given; what is unknown is not known to hold.</summary>
    public required int Unknown { get; init; }

    /// <summary>The rig in a line.</summary>
    public required string Words { get; init; }

    /// <summary>Its pieces of the locker, by name.</summary>
    public required IReadOnlyList<string> Gear { get; init; }

    /// <summary>What limits it, or what fails and by how much.</summary>
    public required string Why { get; init; }

    /// <summary>The main line as it would stand in the plan.</summary>
    public required LineMembers Line { get; init; }
}

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
