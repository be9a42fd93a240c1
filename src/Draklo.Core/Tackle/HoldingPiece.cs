using Draklo.Core.Catalogue;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Tackle;

/// <summary>What holds the load while you reset the tackle.</summary>
/// <param name="Held">False when the plan names nothing that could.</param>
public sealed record HoldingPiece(bool Held, string Words)
{
    public static HoldingPiece Of(LineMembers line, TackleSystem system) =>
        line.Tackle switch
        {
            { Hold.Grip: { } grip } => new(
                true,
                $"the second {Reference.Grips[grip.GripId].ShortName.Uncapitalised()}, with turns or a hand behind it"
            ),
            { Hold.Turns: not null } => new(true, "the line's tail on the drum, by hand"),
            { Capture: { } capture }
                when system.IsRoveIn(line) && Captured.Of(system.Shape, capture).Held is { HoldsReset: true } => new(
                true,
                capture.Kind == CaptureKind.Cam
                    ? "the cam at the anchor, which the line itself runs through"
                    : "the grip at the anchor, on the line itself"
            ),
            _ when system.HasRopeLoop => new(true, "its own friction, and half hitches to be sure"),
            { Capture: not null } => new(
                false,
                "nothing yet: the capture sits in the tackle and lets go of the line when the tackle is opened; put a grip or turns on the line"
            ),
            _ => new(false, "nothing yet: put a grip or turns on the line first"),
        };
}
