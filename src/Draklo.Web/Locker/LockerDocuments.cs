using Draklo.Core.Gear;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;
using Draklo.Store;

namespace Draklo.Web.Locker;

/// <summary>One piece with what follows from its figures and its past.</summary>
/// <param name="Revision">To be named in If-Match when it is saved over.</param>
/// <param name="AgeYears">Since it was made; left out when nobody knows.</param>
/// <param name="Wears">Whether age takes strength from it: rope, cord, grips, slings, straps.</param>
public sealed record GearEntry(
    GearItem Item,
    int Revision,
    GearStrength Strength,
    double? AgeYears,
    bool Wears,
    IReadOnlyList<GearFlag> Flags
)
{
    public static GearEntry Of(KeptItem kept, LockerRules rules, DateOnly today, UnitSystem units) =>
        new(
            kept.Item,
            kept.Revision,
            GearStrength.Of(kept.Item, units),
            GearFlags.AgeYears(kept.Item, today) is { } years ? Math.Round(Math.Max(0, years), 1) : null,
            GearFlags.Ages(kept.Item.Kind),
            GearFlags.Of(kept.Item, kept.Past, rules, today, units)
        );
}

/// <summary>The whole locker.</summary>
/// <param name="Proposals">What the crew's rules would have done, the gravest first.</param>
public sealed record LockerAnswer(
    IReadOnlyList<GearEntry> Items,
    LockerRules Rules,
    IReadOnlyList<GearProposal> Proposals
);

/// <summary>A line of the register that an inspector reads.</summary>
/// <param name="NextBy">By when it is due for another look, by the crew's rules; null for what is retired.</param>
public sealed record RegisterEntry(
    GearEntry Gear,
    string? InspectedOn,
    string? InspectedBy,
    InspectionOutcome? Outcome,
    string? NextBy,
    int Uses,
    double? PeakN
);

/// <summary>One piece with all that was written of it, the latest first.</summary>
public sealed record GearDetail(
    GearEntry Entry,
    IReadOnlyList<KeptInspection> Inspections,
    IReadOnlyList<KeptUse> Uses
);

/// <summary>What a client sends to keep a new piece; its id may be left out.</summary>
public sealed record NewGear
{
    public required GearItem Item { get; init; }
}

/// <summary>What was seen; the answer is what usually follows.</summary>
public sealed record SeenDocument
{
    public IReadOnlyList<Finding> Findings { get; init; } = [];
}

public sealed record UsualAnswer(InspectionOutcome Outcome);
