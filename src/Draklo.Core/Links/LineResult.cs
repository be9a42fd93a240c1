using Draklo.Core.Lines;
using Draklo.Core.Tackle;

namespace Draklo.Core.Links;

/// <param name="TipsFraction">The level part of the pull, 0 to 1; the rest presses down the stem.</param>
/// <param name="TensionN">Planned, of this line.</param>
/// <param name="TakeUpM">Line that must come in from rest to commit, its stretch included.</param>
/// <param name="StretchM">The part of it that is stretch at the planned tension.</param>
/// <param name="LengthM">From the seat to the first fixed point.</param>
/// <param name="RunM">From the seat over its redirects to the anchor.</param>
/// <param name="EndTensionN">At the tackle: more than at the tree, for each redirect takes its part.</param>
/// <param name="SeatForceN">On the wood at the seat: nearly twice the line's tension for a base tie.</param>
/// <param name="RopeNeededM">Rope that the line takes, its tackle included where it is rove in the line.</param>
/// <param name="Hauler">What pulls, steadily and in one heave or jerk, with its spread.</param>
/// <param name="JointAtM">Where two ropes are joined, along the line from the seat.</param>
public sealed record LineResult(
    string Id,
    double LengthM,
    double RunM,
    double AngleBelowHorizontalDeg,
    double TipsFraction,
    double ForwardArmM,
    double RightArmM,
    double TensionN,
    double EndTensionN,
    double SeatForceN,
    double TakeUpM,
    double StretchM,
    double RopeNeededM,
    double? JointAtM,
    TackleResult Tackle,
    IReadOnlyList<RedirectForce> Redirects,
    LineSetting? Setting,
    Effort Hauler
)
{
    /// <summary>The drum between puller and rope; null without one and without a machine.</summary>
    public Limiter? Limiter { get; init; }
}

/// <param name="HandForceN">For the planned tension.</param>
/// <param name="HoldForceN">What holds the planned tension when nobody hauls and the rope would run back.</param>
/// <param name="AnchorForceN">On the anchor; 0 for a line hauled directly.</param>
/// <param name="Sets">How often it is opened and hauled for the take-up.</param>
/// <param name="RopeM">Rope in the tackle when it is fully opened, with its tail; 0 for a line hauled directly.</param>
/// <param name="SpaceM">From the anchor to the grip on the line when it is fully opened; 0 where no blocks
/// meet.</param>
/// <param name="Capture">What hangs on a cam or grip in it once you let go of the rope; null where the hands hold it.</param>
public sealed record TackleResult(
    double IdealAdvantage,
    double ActualAdvantage,
    double HaulLengthM,
    double HandForceN,
    double HoldForceN,
    double AnchorForceN,
    HaulSets Sets,
    double RopeM,
    double SpaceM,
    CaptureView? Capture
);
