using Draklo.Core.Gear;
using Draklo.Core.Units;

namespace Draklo.Store;

/// <summary>What the crew keeps that every plan is held against.</summary>
public sealed class YardStore(LockerStore locker, PolicyStore policies)
{
    /// <param name="units">Of the words for how a piece stands.</param>
    public Yard Of(UnitSystem units) => new(locker.Standings(units), policies.List());
}
