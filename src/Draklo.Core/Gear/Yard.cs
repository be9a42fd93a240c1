using Draklo.Core.Plans;

namespace Draklo.Core.Gear;

/// <summary>What the crew keeps that every plan is held against.</summary>
/// <param name="Gear">How the pieces of its locker stand, by id.</param>
/// <param name="Policies">The reserve and factors that it keeps, in its own order.</param>
public sealed record Yard(IReadOnlyDictionary<string, GearStanding> Gear, IReadOnlyList<Policy> Policies)
{
    /// <summary>The kept policy that a plan names, else the crew's first; null while it keeps none.</summary>
    public PolicyMembers? PolicyFor(PolicyMembers policy) =>
        Policies.Select(p => p.Members).FirstOrDefault(p => p.Name is { Length: > 0 } name && name == policy.Name)
        ?? Policies.Select(p => p.Members).FirstOrDefault();
}
