using System.Text.Json.Serialization;
using Draklo.Core.Units;

namespace Draklo.Core.Sites;

/// <param name="ClearanceM">Between the fall's footprint and the target; 0 when they overlap.</param>
/// <param name="AwayM">Between the stump and the target.</param>
/// <param name="Reason">What is to be said of it.</param>
public sealed record TargetClearance(
    string Id,
    string Name,
    double ClearanceM,
    bool Overlaps,
    double AwayM,
    [property: JsonIgnore] Reason Reason
)
{
    public string Code => Reason.Code;

    public VerdictState State => Reason.State;

    public string Text => Reason.Text;
}
