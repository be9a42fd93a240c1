using Draklo.Core.Hinges;
using Draklo.Core.Lines;
using Draklo.Core.Sites;
using Draklo.Core.Strength;
using Draklo.Core.Tackle;
using Draklo.Core.Trees;

namespace Draklo.Core.Plans;

/// <summary>
/// What follows from a plan. SI units; degrees where a name says Deg; the lay frame's forward, right and up.
/// </summary>
public sealed record Analysis(
    TreeResult Tree,
    HingeResult Hinge,
    PullResult Pull,
    Pretension Pretension,
    StemResult Stem,
    Aim Aim,
    WindResult Wind,
    GustReserve? Gust,
    Measured Measured,
    Zones Site,
    IReadOnlyList<Link> Links,
    IReadOnlyList<AnchorStrength?> Anchors,
    Verdict Verdict,
    Figure Figure
)
{
    /// <summary>Every number with the sum behind it; left out when not asked for.</summary>
    public IReadOnlyList<Working>? Workings { get; init; }
}

/// <param name="Centre">Where the weight acts, from the middle of the hinge.</param>
/// <param name="Moment">Of the weight about the hinge.</param>
/// <param name="Soundness">What rot leaves of the wood's strength, over 0 to 1.</param>
/// <param name="ShellRatio">Sound shell over radius, where it was probed.</param>
/// <param name="Spread">How far these may be off.</param>
public sealed record TreeResult(
    double MassKg,
    double WeightN,
    LayPoint Centre,
    Moment Moment,
    double Soundness,
    double? ShellRatio,
    TreeSpread Spread
);

/// <param name="ForwardM">Along the lay from the middle of the hinge.</param>
/// <param name="RightM">To the right of the lay.</param>
/// <param name="UpM">Above the plane of the cut.</param>
public sealed record LayPoint(double ForwardM, double RightM, double UpM)
{
    public static LayPoint Of(Geometry.Point point) => new(point.Forward, point.Right, point.Up);
}

/// <param name="ForwardNm">Positive tips the tree forward.</param>
/// <param name="RightNm">Positive tips the tree to the right.</param>
public sealed record Moment(double ForwardNm, double RightNm);

/// <param name="SideUse">Sideways moment at the needed tension over the side capacity.</param>
/// <param name="WorstSideUse">The same, largest of slack, needed and planned tension.</param>
/// <param name="HoldAngleDeg">How far it bends before it lets go; an estimate.</param>
public sealed record HingeResult(
    double LengthM,
    double OffsetM,
    double BendingNm,
    double SideCapacityNm,
    double SideUse,
    double WorstSideUse,
    double HoldAngleDeg
);

/// <param name="TensionAtRestN">Main tension that starts the tree; 0 for one that sits forward.</param>
/// <param name="NeededTensionN">The largest from rest to commit, of the main line.</param>
/// <param name="PlannedTensionN">Needed tension times the load reserve.</param>
/// <param name="CommitDeg">Where gravity alone bends the hinge; 0 for a tree that sits forward.</param>
/// <param name="Stretch">What the ropes' stretch alone would do if hauling stopped at the planned tension.</param>
public sealed record PullResult(
    double TensionAtRestN,
    double NeededTensionN,
    double NeededAtDeg,
    double PlannedTensionN,
    double CommitDeg,
    IReadOnlyList<CurvePoint> Curve,
    SpringBack Stretch,
    VectorSum Sum,
    IReadOnlyList<LineResult> Lines
);

/// <summary>What all lines together pull at the planned tension.</summary>
/// <param name="TowardDeg">Level, degrees clockwise from north.</param>
/// <param name="OffLayDeg">From the lay, positive to the right.</param>
/// <param name="LevelN">Its level part.</param>
/// <param name="DownN">What presses down the stem, the legs of base ties included.</param>
public sealed record VectorSum(double TowardDeg, double OffLayDeg, double LevelN, double DownN);

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
/// <param name="Capture">What hangs on a cam or grip in it once the hands let go; null where the hands hold it.</param>
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

/// <param name="WorstStressMPa">At the needed tension, all lines together.</param>
/// <param name="AtHeightM">Above the cut.</param>
/// <param name="SeatMovementM">Of the first line's seat at the needed tension: what the spotter should see. Twice that
/// means the tree is not what the plan says.</param>
public sealed record StemResult(double WorstStressMPa, double AtHeightM, double SeatMovementM);

/// <param name="ForceN">On the crown.</param>
/// <param name="Moment">About the hinge.</param>
public sealed record WindResult(double ForceN, Moment Moment);

/// <summary>What the drawings place: the tree as resolved, in the lay frame.</summary>
/// <param name="ViewDeg">The main line's turn from the lay, positive to the right: the elevation is seen square to
/// it.</param>
/// <param name="GroundUpM">Ground at the stump, below the plane of the cut.</param>
/// <param name="Conifer">Whether the species is one; a tree of unnamed wood is drawn as a broadleaf.</param>
public sealed record Figure(
    double ViewDeg,
    double GroundUpM,
    bool Conifer,
    IReadOnlyList<StemSlice> Stem,
    CrownFigure Crown,
    IReadOnlyList<LineFigure> Lines
);

public sealed record StemSlice(double ForwardM, double RightM, double UpM, double DiameterM);

/// <param name="ReachAheadM">From the stem line toward the main line's anchor.</param>
/// <param name="ReachBehindM">Away from it.</param>
public sealed record CrownFigure(double BaseUpM, double TopUpM, double ReachAheadM, double ReachBehindM);

/// <param name="Anchor">Where the tackle hangs, past all redirects.</param>
/// <param name="AnchorGroundUpM">Ground at the anchor.</param>
/// <param name="Foot">Where a base tie's leg comes down; null for a tip tie.</param>
/// <param name="Turns">Where it turns on the way, from the tree outward.</param>
public sealed record LineFigure(
    string Id,
    LayPoint Seat,
    LayPoint Anchor,
    double AnchorGroundUpM,
    LayPoint? Foot,
    IReadOnlyList<LayPoint> Turns
);
