using Draklo.Core.Plans;

namespace Draklo.Core.Tackle;

/// <summary>A cam or grip at one of the tackle's turns.</summary>
/// <param name="ForceN">That hangs on it once you let go of the rope, N.</param>
/// <param name="HeaviestLegN">The heaviest leg then, N.</param>
/// <param name="HoldsReset">Whether it holds the line while you reset the tackle.</param>
public sealed record CaptureView(
    CaptureKind Kind,
    int Rope,
    int Contact,
    double ForceN,
    double HeaviestLegN,
    bool HoldsReset
)
{
    /// <param name="load">Tension of the line at the tackle, N.</param>
    public static CaptureView? Of(LineMembers line, TackleSystem system, double load) =>
        line.Tackle.Capture is { } capture && Captured.Of(system.Shape, capture).Held is { } held
            ? new(
                capture.Kind,
                capture.Rope,
                capture.Contact,
                held.Force * load,
                held.HeaviestLeg * load,
                held.HoldsReset && system.IsRoveIn(line)
            )
            : null;
}
