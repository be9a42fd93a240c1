namespace Draklo.Core.Gear;

/// <summary>How a piece of the locker stands, as far as a plan must know.</summary>
/// <param name="Name">What the crew calls it.</param>
/// <param name="Why">Why it is not in service, or what flags it; empty for one that is fine.</param>
public sealed record GearStanding(string Name, GearState State, string Why)
{
    /// <summary>Flawed spots of a rope, by metres from end a.</summary>
    public IReadOnlyList<GearFlaw> Flaws { get; init; } = [];

    /// <summary>What it breaks at new, N, over 0; null where nobody knows.</summary>
    public double? StrengthN { get; init; }

    /// <summary>Of a rope as it is now, m, over 0; null where nobody has said.</summary>
    public double? LengthM { get; init; }
}

public enum GearState
{
    InService,

    /// <summary>Set aside until somebody has looked at it.</summary>
    Quarantined,

    /// <summary>Never to be loaded again.</summary>
    Retired,
}
