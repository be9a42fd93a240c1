using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Trees;

namespace Draklo.Core.Lines;

/// <summary>A line from its seat on the tree to the first fixed point it runs to, in the lay frame.</summary>
/// <remarks>Method M4.</remarks>
/// <param name="OffStem">How far the seat lies off the middle of the stem, level; nothing for a seat on the
/// stem.</param>
/// <param name="DownLeg">Tension of a leg from the seat down to the stem's foot, over the line's own: 1 for a base tie,
/// 0 for a tip tie. It presses the stem and tips nothing.</param>
public readonly record struct PullLine(
    string Id,
    double Share,
    Point Seat,
    Point Anchor,
    (double Forward, double Right) OffStem = default,
    double DownLeg = 0
)
{
    public static PullLine From(LineMembers line, StandingTree tree, LayFrame lay)
    {
        var onStem = tree.Line.At(line.Seat.HeightM - tree.Stem.StumpHeight);
        var off = line.Seat is { On: not SeatKind.Stem, Limb: { } limb }
            ? lay.ResolveBearing(LimbBending.Lever(line.Seat.On, limb), limb.BearingDeg)
            : default;
        return new(
            line.Id,
            line.Share,
            new(onStem.Forward + off.Forward, onStem.Right + off.Right, onStem.Up),
            PlaceOf(line.Redirects.Count > 0 ? line.Redirects[0].At : line.Anchor, tree, lay),
            off,
            line.Tie == TieKind.Base ? 1 : 0
        );
    }

    /// <summary>Where a strap lies.</summary>
    public static Point PlaceOf(AnchorMembers anchor, StandingTree tree, LayFrame lay)
    {
        var (forward, right) = lay.ResolveBearing(anchor.DistanceM, anchor.BearingDeg);
        return new(forward - tree.Line.HingeOffset, right, anchor.GroundRiseM + anchor.HeightM - tree.Stem.StumpHeight);
    }

    /// <summary>Straight from seat to anchor, m, over 0.</summary>
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

    /// <summary>
    /// The moment arm of a line's pull sideways, in metres: positive tips the tree to the right of the lay.
    /// </summary>
    public static double RightArm(Point seat, Point anchor)
    {
        var along = Direction.From(seat, anchor);
        return (seat.Up * along.Right) - (seat.Right * along.Up);
    }
}
