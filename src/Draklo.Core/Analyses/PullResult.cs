using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Trees;

namespace Draklo.Core.Analyses;

/// <param name="TensionAtRestN">Main tension that starts the tree; 0 for one that sits forward.</param>
/// <param name="NeededTensionN">The largest from rest to commit, of the main line.</param>
/// <param name="PlannedTensionN">Needed tension times the load reserve.</param>
/// <param name="CommitDeg">Where gravity alone bends the hinge; 0 for a tree that sits forward.</param>
/// <param name="CarefulTensionN">Needed tension at the careful end: not more in 95 cases of 100.</param>
/// <param name="NotEnoughInHundred">In how many cases of a hundred the planned tension is too low.</param>
/// <param name="Stretch">What the ropes' stretch alone would do if hauling stopped at the planned tension.</param>
public sealed record PullResult(
    double TensionAtRestN,
    double NeededTensionN,
    double NeededAtDeg,
    double PlannedTensionN,
    double CommitDeg,
    IReadOnlyList<CurvePoint> Curve,
    double CarefulTensionN,
    double NotEnoughInHundred,
    SpringBack Stretch,
    VectorSum Sum,
    IReadOnlyList<LineResult> Lines
);

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
