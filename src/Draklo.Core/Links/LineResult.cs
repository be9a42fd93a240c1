using Draklo.Core.Lines;
using Draklo.Core.Tackle;

namespace Draklo.Core.Links;

public sealed record LineResult
{
    public required string Id { get; init; }

    /// <summary>From the seat to the first fixed point.</summary>
    public required double LengthM { get; init; }

    /// <summary>From the seat over its redirects to the anchor.</summary>
    public required double RunM { get; init; }

    /// <summary>How far the line runs down from the seat, degrees: positive downward, −90 to 90.</summary>
    public required double AngleBelowHorizontalDeg { get; init; }

    /// <summary>The level part of the pull, 0 to 1; the rest presses down the stem.</summary>
    public required double TipsFraction { get; init; }

    /// <summary>The moment arm about the hinge, metres: positive tips the tree forward. Method M4.</summary>
    public required double ForwardArmM { get; init; }

    /// <summary>The same sideways, metres: positive pulls the top to the right of the lay.</summary>
    public required double RightArmM { get; init; }

    /// <summary>Planned, of this line.</summary>
    public required double TensionN { get; init; }

    /// <summary>At the tackle: more than at the tree, for each redirect takes its part.</summary>
    public required double EndTensionN { get; init; }

    /// <summary>On the wood at the seat: nearly twice the line's tension for a base tie.</summary>
    public required double SeatForceN { get; init; }

    /// <summary>Line that must come in from rest to commit, its stretch included.</summary>
    public required double TakeUpM { get; init; }

    /// <summary>The part of it that is stretch at the planned tension.</summary>
    public required double StretchM { get; init; }

    /// <summary>Rope that the line takes, its tackle included where it is rove in the line.</summary>
    public required double RopeNeededM { get; init; }

    /// <summary>Where two ropes are joined, along the line from the seat.</summary>
    public required double? JointAtM { get; init; }

    public required TackleResult Tackle { get; init; }

    public required IReadOnlyList<RedirectForce> Redirects { get; init; }

    public required LineSetting? Setting { get; init; }

    /// <summary>What pulls, steadily and in one heave or jerk, with its spread.</summary>
    public required Effort Hauler { get; init; }

    /// <summary>The drum between puller and rope; null without one and without a machine.</summary>
    public Limiter? Limiter { get; init; }
}

public sealed record TackleResult
{
    /// <summary>Load over hand force without friction, 1 or more.</summary>
    public required double IdealAdvantage { get; init; }

    /// <summary>The same after friction, over 0.</summary>
    public required double ActualAdvantage { get; init; }

    /// <summary>Rope that passes the hands from rest to commit, metres, 0 or more.</summary>
    public required double HaulLengthM { get; init; }

    /// <summary>For the planned tension.</summary>
    public required double HandForceN { get; init; }

    /// <summary>What holds the planned tension when nobody hauls and the rope would run back.</summary>
    public required double HoldForceN { get; init; }

    /// <summary>On the anchor; 0 for a line hauled directly.</summary>
    public required double AnchorForceN { get; init; }

    /// <summary>How often it is opened and hauled for the take-up.</summary>
    public required HaulSets Sets { get; init; }

    /// <summary>Rope in the tackle when it is fully opened, with its tail; 0 for a line hauled directly.</summary>
    public required double RopeM { get; init; }

    /// <summary>From the anchor to the grip on the line when it is fully opened; 0 where no blocks meet.</summary>
    public required double SpaceM { get; init; }

    /// <summary>What hangs on a cam or grip in it once you let go of the rope; null where the hands hold it.</summary>
    public required CaptureView? Capture { get; init; }
}
