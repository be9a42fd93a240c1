using Draklo.Core.Units;

namespace Draklo.Core.Analyses;

public sealed record HingeResult
{
    /// <summary>Across the stump, metres.</summary>
    public required double LengthM { get; init; }

    /// <summary>From the middle of the stump to the hinge, metres: positive forward.</summary>
    public required double OffsetM { get; init; }

    /// <summary>Moment that bends the hinge forward, N·m, 0 or more.</summary>
    public required double BendingNm { get; init; }

    /// <summary>What it carries sideways while it bends, N·m.</summary>
    public required double SideCapacityNm { get; init; }

    /// <summary>Sideways moment at the needed tension over the side capacity.</summary>
    public required double SideUse { get; init; }

    /// <summary>The same, largest of slack, needed and planned tension.</summary>
    public required double WorstSideUse { get; init; }

    /// <summary>Moment about the tree's own axis over what the hinge carries; it tears where the root of both uses' squares is over 1.</summary>
    public required double TwistUse { get; init; }

    /// <summary>How far it bends before it lets go; an estimate.</summary>
    public required double HoldAngleDeg { get; init; }

    /// <summary>The same with its low and high value.</summary>
    public required Spread HoldSpreadDeg { get; init; }
}
