using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Trees;

namespace Draklo.Core.Analyses;

public sealed record PullResult
{
    /// <summary>Main tension that starts the tree; 0 for one that sits forward.</summary>
    public required double TensionAtRestN { get; init; }

    /// <summary>The largest from rest to commit, of the main line.</summary>
    public required double NeededTensionN { get; init; }

    /// <summary>The turn of the tree at which most is needed, degrees from where it stands.</summary>
    public required double NeededAtDeg { get; init; }

    /// <summary>Needed tension times the load reserve.</summary>
    public required double PlannedTensionN { get; init; }

    /// <summary>Where gravity alone bends the hinge; 0 for a tree that sits forward.</summary>
    public required double CommitDeg { get; init; }

    public required IReadOnlyList<CurvePoint> Curve { get; init; }

    /// <summary>Needed tension at the careful end: not more in 95 cases of 100.</summary>
    public required double CarefulTensionN { get; init; }

    /// <summary>In how many cases of a hundred the planned tension is too low.</summary>
    public required double NotEnoughInHundred { get; init; }

    /// <summary>What the ropes' stretch alone would do if hauling stopped at the planned tension.</summary>
    public required SpringBack Stretch { get; init; }

    public required VectorSum Sum { get; init; }

    public required IReadOnlyList<LineResult> Lines { get; init; }
}

/// <summary>What all lines together pull at the planned tension.</summary>
/// <param name="TowardDeg">Level, degrees clockwise from north.</param>
/// <param name="OffLayDeg">From the lay, positive to the right.</param>
/// <param name="LevelN">Its level part.</param>
/// <param name="DownN">What presses down the stem, the legs of base ties included.</param>
public sealed record VectorSum(double TowardDeg, double OffLayDeg, double LevelN, double DownN)
{
    internal static VectorSum Of(PlanContext context, PullLine[] lines)
    {
        double forward = 0;
        double right = 0;
        double down = 0;
        foreach (var line in lines)
        {
            var tension = line.Share * context.PlannedTension;
            var along = line.Along;
            forward += tension * along.Forward;
            right += tension * along.Right;
            down += tension * (line.DownLeg - along.Up);
        }

        var off = Angle.Degrees(Math.Atan2(right, forward));
        return new(
            (context.Plan.Lay.BearingDeg + off + 360) % 360,
            off,
            Math.Sqrt((forward * forward) + (right * right)),
            down
        );
    }
}
