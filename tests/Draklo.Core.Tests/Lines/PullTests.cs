using Draklo.Core.Analyses;
using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>How hard and how far a tree is pulled.</summary>
public sealed class PullTests
{
    [Fact]
    public void The_tension_can_be_largest_between_rest_and_commit()
    {
        // Rare: a crown that hangs far back on an upright stem, a wind that helps, and an anchor high above the tree,
        // so that the arm shrinks faster than what the tree asks.
        var plan = Edited(
            Lime(),
            ("wind", new WindMembers { SpeedMps = 19.5, FromDeg = 270 }),
            ("tree.lean", new LeanMembers { AngleDeg = 4, BearingDeg = 90 }),
            ("tree.crown.massRatio", 1.2),
            (
                "tree.crown.reachM",
                new ReachMembers
                {
                    North = 3,
                    East = 2,
                    South = 3,
                    West = 25,
                }
            ),
            ("cut.hingeThicknessM", 0.057),
            ("lines[0].seat.heightM", 5),
            ("lines[0].anchor.distanceM", 16),
            ("lines[0].anchor.groundRiseM", 71),
            ("lines[0].anchor.bearingDeg", 125)
        );
        var analysis = plan.Analysed();
        var pull = analysis.Pull;
        Assert.InRange(pull.NeededAtDeg, 4, 6);
        Assert.InRange(pull.CommitDeg, 7, 9);
        Assert.True(pull.NeededTensionN > pull.TensionAtRestN * 1.005);

        // The same sum on paper, a hundred times as fine.
        var line = analysis.Figure.Lines[0];
        var most = Enumerable
            .Range(0, 6401)
            .Select(i => Tension(analysis, line, Angle.Radians(pull.CommitDeg) * i / 6400))
            .Max();
        Assert.Equal(most, pull.NeededTensionN, most * 1e-6);
    }

    /// <summary>Weight, wind and hinge over the arm of the line, the tree turned forward about the hinge.</summary>
    private static double Tension(Analysis analysis, LineFigure line, double angle)
    {
        var (sin, cos) = Math.SinCos(angle);
        (double F, double U) Turned(LayPoint p) =>
            ((p.ForwardM * cos) + (p.UpM * sin), (p.UpM * cos) - (p.ForwardM * sin));
        var centre = Turned(analysis.Tree.Centre);
        var seat = Turned(line.Seat);
        var (f, r, u) = (
            line.Anchor.ForwardM - seat.F,
            line.Anchor.RightM - line.Seat.RightM,
            line.Anchor.UpM - seat.U
        );
        var arm = ((seat.U * f) - (seat.F * u)) / Math.Sqrt((f * f) + (r * r) + (u * u));
        return ((-analysis.Tree.WeightN * centre.F) - analysis.Wind.Moment.ForwardNm + analysis.Hinge.BendingNm) / arm;
    }
}
