using Draklo.Core.Plans;

namespace Draklo.Core.Tackle;

/// <summary>Where the points of a tackle stand when it is fully opened, and the rope that it then takes.</summary>
/// <remarks>
/// Method M8. They keep the order of their positions, and none passes another before the set ends: two that a rope runs
/// to and fro between then still stand the closed length apart.
/// </remarks>
/// <param name="StartsM">Where each point stands, metres from the first toward the tree, in the order of the
/// arrangement.</param>
/// <param name="LegsM">Rope in each leg, metres, in the order in which the ropes are followed; the hauled leg up to the
/// anchor. None for a line that is hauled without a tackle.</param>
/// <param name="RopeM">All of it, with a tail past the last hauler; 0 for a line that is hauled without a
/// tackle.</param>
/// <param name="SpaceM">From the anchor to the grip on the line; 0 where no blocks meet.</param>
public sealed record Opening(
    double OpenedM,
    double ClosedM,
    IReadOnlyList<double> StartsM,
    IReadOnlyList<double> LegsM,
    double RopeM,
    double SpaceM
)
{
    /// <summary>Between points that no rope draws together, metres.</summary>
    private const double Apart = 0.7;

    /// <summary>Rope past the last hauler, metres.</summary>
    private const double Tail = 3;

    /// <summary>How far past the anchor the hands are drawn, metres.</summary>
    private const double HandsOff = 2.5;

    public static Opening Of(TackleSystem system, double opened, double closed)
    {
        var shape = system.Shape;
        var starts = StartsOf(system, opened, closed);
        var closes = HaulSets.Of(system.Closing, opened, closed, 0).LinePerSetM is not null;
        var count = shape.Ropes.Sum(r => r.Contacts.Count);
        var legs = system.InLine && count < 3 ? [] : LegsOf(shape, starts, opened);
        var load = Enumerable.Range(0, starts.Length).Single(p => shape.Points[p].Kind == PointKind.Load);
        return new(
            opened,
            closed,
            starts,
            legs,
            legs.Count == 0 ? 0 : legs.Sum() + Tail,
            system.UsesAnchor && closes ? starts[load] : 0
        );
    }

    private static List<double> LegsOf(Arrangement arrangement, double[] starts, double opened)
    {
        var points = arrangement.Points;
        var ground = Enumerable
            .Range(0, points.Count)
            .Where(p => points[p].Kind == PointKind.Fixed)
            .Select(p => (int?)p)
            .FirstOrDefault();
        var legs = new List<double>();
        foreach (var rope in arrangement.Ropes)
        {
            var from = IndexOf(rope.From);
            foreach (var contact in rope.Contacts)
            {
                var to = IndexOf(contact.Point);
                var level =
                    points[from].Kind != PointKind.Hand ? Math.Abs(starts[to] - starts[from])
                    : ground is { } anchor && to != anchor ? Math.Abs(starts[to] - starts[anchor])
                    : opened;
                legs.Add(level / TackleMotion.Along(contact));
                from = to;
            }
        }

        return legs;

        int IndexOf(string id)
        {
            for (var p = 0; p < points.Count; p++)
            {
                if (points[p].Id == id)
                {
                    return p;
                }
            }

            return -1;
        }
    }

    private static double[] StartsOf(TackleSystem system, double opened, double closed)
    {
        var (arrangement, motion) = (system.Shape, system.Motion);
        var points = arrangement.Points;
        var starts = new double[points.Count];
        var order = Enumerable
            .Range(0, points.Count)
            .Where(p => points[p].Kind != PointKind.Hand)
            .OrderBy(p => points[p].Position)
            .ThenBy(p => motion.Speeds[p])
            .ToArray();
        var haul = HaulSets.Of(system.Closing, opened, closed, 0).HaulPerSetM ?? 0;
        for (var n = 0; n < order.Length; n++)
        {
            for (var before = 0; before < n; before++)
            {
                var meets = Math.Max(0, (motion.Speeds[order[before]] - motion.Speeds[order[n]]) * haul);
                var apart = AreRoped(arrangement, points[order[before]].Id, points[order[n]].Id) ? closed : Apart;
                starts[order[n]] = Math.Max(starts[order[n]], starts[order[before]] + apart + meets);
            }

            if (haul == 0 && points[order[n]].Kind == PointKind.Load)
            {
                // Nothing closes: the load stands the opened length off, and what lies past it farther still.
                starts[order[n]] = Math.Max(starts[order[n]], opened);
            }
        }

        var hand = Enumerable.Range(0, points.Count).Single(p => points[p].Kind == PointKind.Hand);
        var highest = order.Max(p => starts[p]);
        starts[hand] =
            points[hand].Position > points[order[^1]].Position ? highest + 1
            : points[hand].Position < points[order[0]].Position ? -HandsOff
            : highest / 2;
        return starts;
    }

    private static bool AreRoped(Arrangement arrangement, string one, string other)
    {
        foreach (var rope in arrangement.Ropes)
        {
            var from = rope.From;
            foreach (var contact in rope.Contacts)
            {
                if ((from == one && contact.Point == other) || (from == other && contact.Point == one))
                {
                    return true;
                }

                from = contact.Point;
            }
        }

        return false;
    }
}
