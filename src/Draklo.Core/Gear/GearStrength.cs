using Draklo.Core.Catalogue;
using Draklo.Core.Units;

namespace Draklo.Core.Gear;

public enum StrengthSource
{
    /// <summary>As labelled.</summary>
    Label,

    /// <summary>The labelled working load times the maker's factor.</summary>
    WorkingLoad,

    /// <summary>A low estimate from the table of constructions: the label is missing.</summary>
    Estimate,

    /// <summary>Nobody knows.</summary>
    Unknown,
}

/// <summary>What a piece carries new, and how that is known.</summary>
/// <param name="Newtons">Null when nobody knows.</param>
/// <param name="How">In words.</param>
public sealed record GearStrength(double? Newtons, StrengthSource Source, string How)
{
    /// <summary>
    /// What is taken of the table's figure for a typical new rope when the label is missing; this product's caution.
    /// </summary>
    private const double LowShare = 0.75;

    public static GearStrength Of(GearItem item, UnitSystem units)
    {
        if (item.BreakingStrengthN is { } labelled)
        {
            return new(labelled, StrengthSource.Label, "as labelled");
        }

        if (item is { WorkingLoadN: { } working, WorkingLoadFactor: { } factor })
        {
            return new(
                working * factor,
                StrengthSource.WorkingLoad,
                units.Say($"working load {working:N} times {factor:x}")
            );
        }

        if (
            item is { Kind: GearKind.Rope or GearKind.Cord, DiameterM: { } diameter, ConstructionId: { } made }
            && Reference.Constructions.TryGetValue(made, out var table)
        )
        {
            var millimetres = diameter * 1000;
            return new(
                LowShare * table.StrengthPerMm2 * millimetres * millimetres,
                StrengthSource.Estimate,
                units.Say(
                    $"no label: a low estimate, three quarters of a typical new {char.ToLowerInvariant(table.Name[0])}{table.Name[1..]} of {diameter:mm}"
                )
            );
        }

        return new(null, StrengthSource.Unknown, "no label");
    }
}
