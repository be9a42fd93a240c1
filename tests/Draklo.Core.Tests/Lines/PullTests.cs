using CsCheck;
using Draklo.Core.Analyses;
using Draklo.Core.Geometry;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>How hard and how far a tree is pulled.</summary>
public sealed class PullTests
{
    /// <summary>The same sum on paper, a hundred times as fine, wherever the largest lies.</summary>
    [Fact]
    public void The_needed_tension_is_the_largest_from_rest_to_commit()
    {
        var worked = 0;
        Gen.Select(Gen.Double[0, 20], Gen.Double[5, 25], Gen.Double[3, 12], Gen.Double[8, 40], Gen.Double[-5, 60])
            .Sample(
                (lean, west, seat, distance, rise) =>
                {
                    var plan = Edited(
                        Lime(),
                        ("tree.lean.angleDeg", lean),
                        ("tree.crown.reachM.west", west),
                        ("lines[0].seat.heightM", seat),
                        ("lines[0].anchor.distanceM", distance),
                        ("lines[0].anchor.groundRiseM", rise)
                    );
                    if (PlanAnalysis.Of(plan).Analysis is not { } analysis)
                    {
                        return;
                    }

                    Interlocked.Increment(ref worked);
                    var line = analysis.Figure.Lines[0];
                    var most = Enumerable
                        .Range(0, 6401)
                        .Select(i => Tension(analysis, line, Angle.Radians(analysis.Pull.CommitDeg) * i / 6400))
                        .Max();
                    Assert.Equal(most, analysis.Pull.NeededTensionN, most * 1e-5);
                },
                iter: 100
            );
        Assert.True(worked > 20);
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
        return (
                (-analysis.Tree.WeightN * centre.F)
                - Math.Min(0, analysis.Wind.Moment.ForwardNm)
                + analysis.Hinge.BendingNm
            ) / arm;
    }
}
