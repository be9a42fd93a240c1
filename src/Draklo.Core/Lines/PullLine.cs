using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Trees;

namespace Draklo.Core.Lines;

/// <summary>A line from its seat on the tree to the first fixed point it runs to, in the lay frame.</summary>
/// <remarks>Method M4.</remarks>
public readonly record struct PullLine(string Id, double Share, Point Seat, Point Anchor)
{
    public static PullLine From(LineMembers line, StandingTree tree, LayFrame lay)
    {
        var (forward, right) = lay.ResolveBearing(line.Anchor.DistanceM, line.Anchor.BearingDeg);
        return new(
            line.Id,
            line.Share,
            tree.Line.At(line.Seat.HeightM - tree.Stem.StumpHeight),
            new(forward - tree.Line.HingeOffset, right, line.Anchor.GroundRiseM + line.Anchor.HeightM - tree.Stem.StumpHeight));
    }

    public double Length => Seat.DistanceTo(Anchor);

    /// <summary>From the seat to the anchor.</summary>
    public Direction Along => Direction.From(Seat, Anchor);

    /// <summary>The moment arm of a line's pull about the hinge, in metres: positive tips the tree forward.</summary>
    /// <remarks>Method M4. Zero when the line runs through the hinge; negative when it pulls the tree back.</remarks>
    public static double ForwardArm(Point seat, Point anchor)
    {
        var along = Direction.From(seat, anchor);
        return (seat.Up * along.Forward) - (seat.Forward * along.Up);
    }

    /// <summary>The moment arm of a line's pull sideways, in metres: positive tips the tree to the right of the lay.</summary>
    public static double RightArm(Point seat, Point anchor)
    {
        var along = Direction.From(seat, anchor);
        return (seat.Up * along.Right) - (seat.Right * along.Up);
    }
}
