using Draklo.Core.Units;

namespace Draklo.Core.Gear;

/// <summary>What the crew's rules would have done with a piece; somebody decides.</summary>
public sealed record GearProposal(string ItemId, string Name, InspectionOutcome Proposed, string Why);

/// <summary>Inspections and retirements that the crew's own rules propose.</summary>
public static class GearProposals
{
    /// <returns>Null for a piece that asks for nothing.</returns>
    public static GearProposal? Of(GearItem item, GearPast past, LockerRules rules, DateOnly today, UnitSystem units)
    {
        var flags = GearFlags.Of(item, past, rules, today, units);
        if (flags.Count == 0)
        {
            return null;
        }

        var retires =
            flags.Exists(f => f.Kind == FlagKind.Age)
            || (
                past.PeakN is { } peak
                && GearStrength.Of(item, units).Newtons is { } bears
                && peak > rules.RetireShare * bears
            );
        var setsAside = flags.Exists(f => f.Kind is FlagKind.Shock or FlagKind.Overload);
        return new(
            item.Id,
            item.Name,
            retires ? InspectionOutcome.Retire
                : setsAside ? InspectionOutcome.Quarantine
                : InspectionOutcome.Watch,
            string.Join("; ", flags.Select(f => f.Text))
        );
    }
}
