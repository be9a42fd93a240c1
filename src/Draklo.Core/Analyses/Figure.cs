using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Trees;

namespace Draklo.Core.Analyses;

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
)
{
    private const int Slices = 16;

    /// <summary>Where a base tie is tied, above the cut, metres.</summary>
    private const double FootUp = 0.5;

    internal static Figure Of(PlanContext context, PullLine[] lines, LineRun[] runs)
    {
        var tree = context.Tree;
        var slices = new StemSlice[Slices + 1];
        for (var i = 0; i <= Slices; i++)
        {
            var up = tree.Stem.LengthAboveCut * i / Slices;
            var at = tree.Line.At(up);
            slices[i] = new(at.Forward, at.Right, up, tree.Stem.DiameterAt(up));
        }

        var ground = -tree.Stem.StumpHeight;
        var figures = new LineFigure[lines.Length];
        for (var i = 0; i < lines.Length; i++)
        {
            var foot = lines[i].DownLeg > 0 ? LayPoint.Of(tree.Line.At(FootUp)) : null;
            figures[i] = new(
                lines[i].Id,
                LayPoint.Of(lines[i].Seat),
                LayPoint.Of(runs[i].Points[^1]),
                context.Plan.Lines[i].Anchor.GroundRiseM + ground,
                foot,
                runs[i].Turns.Length == 0 ? [] : [.. runs[i].Points[1..^1].Select(LayPoint.Of)]
            );
        }

        var crown = context.Plan.Tree.Crown;
        var main = context.Plan.Lines[0];
        var toward = (main.Redirects.Count > 0 ? main.Redirects[0].At : main.Anchor).BearingDeg;
        return new(
            Angle.Between(context.Plan.Lay.BearingDeg, toward),
            ground,
            tree.Wood.Habit == Habit.Conifer,
            slices,
            new(
                crown.BaseHeightM + ground,
                tree.Stem.LengthAboveCut,
                CrownReach.Toward(crown.ReachM, toward),
                CrownReach.Toward(crown.ReachM, toward + 180)
            ),
            figures
        );
    }
}

public readonly record struct StemSlice(double ForwardM, double RightM, double UpM, double DiameterM);

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
