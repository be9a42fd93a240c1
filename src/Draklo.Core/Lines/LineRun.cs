using Draklo.Core.Catalogue;
using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Trees;

namespace Draklo.Core.Lines;

/// <summary>The whole way of a line from its seat over its redirects to its anchor, in the lay frame.</summary>
/// <remarks>
/// Method M15. While it is hauled, each redirect passes a share of the tension on its hauling side on to the tree, by
/// how far the line turns there, so the hauling side carries more. Legs are counted from the tree: leg 0 runs from the seat to the first fixed point.
/// </remarks>
/// <param name="Points">Seat, redirects, anchor.</param>
/// <param name="Turned">How far the line turns at each redirect, radians.</param>
public sealed record LineRun(Point[] Points, ContactKind[] Turns, double[] Turned)
{
    private static readonly ContactKind[] None = [];

    public static LineRun From(LineMembers line, in PullLine pulled, StandingTree tree, LayFrame lay)
    {
        if (line.Redirects.Count == 0)
        {
            return new([pulled.Seat, pulled.Anchor], None, []);
        }

        var points = new Point[line.Redirects.Count + 2];
        var turns = new ContactKind[line.Redirects.Count];
        points[0] = pulled.Seat;
        for (var i = 0; i < turns.Length; i++)
        {
            points[i + 1] = PullLine.PlaceOf(line.Redirects[i].At, tree, lay);
            turns[i] = ContactKind.Of(line.Redirects[i].ContactId, line.Redirects[i].Passes);
        }

        points[^1] = PullLine.PlaceOf(line.Anchor, tree, lay);
        var turned = new double[turns.Length];
        for (var i = 0; i < turned.Length; i++)
        {
            turned[i] = TurnedAt(points[i], points[i + 1], points[i + 2]);
        }

        return new(points, turns, turned);
    }

    /// <summary>Of all legs together, metres.</summary>
    public double Length
    {
        get
        {
            double sum = 0;
            for (var i = 1; i < Points.Length; i++)
            {
                sum += Points[i - 1].DistanceTo(Points[i]);
            }

            return sum;
        }
    }

    /// <summary>
    /// Share of the tension at the anchor's end that comes to leg <paramref name="leg"/> while it is hauled, over 0 to
    /// 1.
    /// </summary>
    /// <param name="along">Where in their spread the turns lie: −1 low, 0 usual, 1 high.</param>
    public double Passes(int leg, double along = 0)
    {
        double share = 1;
        for (var i = leg; i < Turns.Length; i++)
        {
            share *= Turns[i].PassesAt(Tackle.Turns.Of(Turns[i], along).Contact, Turned[i]);
        }

        return share;
    }

    private static double TurnedAt(Point from, Point at, Point to)
    {
        var (on, off) = (Direction.From(from, at), Direction.From(at, to));
        return Math.Acos(Math.Clamp((on.Forward * off.Forward) + (on.Right * off.Right) + (on.Up * off.Up), -1, 1));
    }

    /// <summary>The force on a redirect, from the tensions either side of it.</summary>
    /// <param name="turn">Its number from the tree, from 0.</param>
    /// <param name="treeSide">Tension in the leg toward the tree, N.</param>
    /// <param name="haulSide">Tension in the leg toward the anchor, N.</param>
    public TurnForce ForceOn(int turn, double treeSide, double haulSide)
    {
        var at = Points[turn + 1];
        var back = Direction.From(at, to: Points[turn]);
        var on = Direction.From(at, to: Points[turn + 2]);
        return TurnForce.Of(back, treeSide, on, haulSide);
    }
}
