using Draklo.Core.Units;

namespace Draklo.Core.Sites;

/// <param name="ClearanceM">Between the fall's footprint and the target; 0 when they overlap.</param>
/// <param name="AwayM">Between the stump and the target.</param>
public sealed record TargetClearance(
    string Id,
    string Name,
    double ClearanceM,
    bool Overlaps,
    double AwayM,
    VerdictState State,
    string Text
);
