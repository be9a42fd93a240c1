using Draklo.Core.Gear;
using Draklo.Core.Units;

namespace Draklo.Browser;

/// <summary>What the server knows beside the plan, as it last said.</summary>
internal sealed class Known
{
    public Dictionary<UnitSystem, IReadOnlyDictionary<string, GearStanding>> Standings { get; } = [];
}
