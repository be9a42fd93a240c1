using Draklo.Core.Plans;

namespace Draklo.Core.Tackle;

/// <summary>How a take-up is hauled in: set by set, each ending where two blocks meet.</summary>
/// <remarks>
/// Method M8. Fully opened, the points that a rope runs to and fro between stand the opened length apart; the first
/// pair to close to the closed length ends the set.
/// </remarks>
/// <param name="LinePerSetM">Line that comes in with one set; null for a line hauled directly or round one turn, where
/// no blocks meet.</param>
/// <param name="HaulPerSetM">Rope hauled for that.</param>
/// <param name="Sets">How often it is opened and hauled; 1 when no blocks meet.</param>
public sealed record HaulSets(double? LinePerSetM, double? HaulPerSetM, int Sets)
{
    private const int Most = 999;

    /// <param name="opened">Between the blocks when fully opened, metres.</param>
    /// <param name="closed">When they meet, metres; under <paramref name="opened"/>.</param>
    public static HaulSets Of(HaulClosing closing, double opened, double closed, double takeUp)
    {
        if (closing.LinePerHaul >= 1 - 1e-9 || closing.Fastest <= 0)
        {
            return new(null, null, 1);
        }

        var haul = (opened - closed) / closing.Fastest;
        var line = haul * closing.LinePerHaul;
        return new(line, haul, (int)Math.Clamp(Math.Ceiling((takeUp / line) - 1e-9), 1, Most));
    }
}

/// <summary>How fast the blocks of a tackle close while it is hauled.</summary>
/// <param name="LinePerHaul">How far the load comes for one length of rope hauled.</param>
/// <param name="Fastest">How much the pair that meets first closes for one length hauled; 0 where none closes.</param>
public readonly record struct HaulClosing(double LinePerHaul, double Fastest)
{
    public static HaulClosing Of(Arrangement arrangement, TackleMotion motion)
    {
        var points = arrangement.Points;
        var load = 0;
        var index = new Dictionary<string, int>(StringComparer.Ordinal);
        for (var p = 0; p < points.Count; p++)
        {
            index[points[p].Id] = p;
            load = points[p].Kind == PointKind.Load ? p : load;
        }

        double fastest = 0;
        foreach (var rope in arrangement.Ropes)
        {
            var from = index[rope.From];
            foreach (var contact in rope.Contacts)
            {
                var to = index[contact.Point];
                if (points[from].Kind != PointKind.Hand)
                {
                    var closing =
                        (motion.Speeds[from] - motion.Speeds[to])
                        * Math.Sign(points[to].Position - points[from].Position);
                    fastest = closing > 1e-9 ? Math.Max(fastest, closing) : fastest;
                }

                from = to;
            }
        }

        return new(Math.Abs(motion.Speeds[load]), fastest);
    }
}
