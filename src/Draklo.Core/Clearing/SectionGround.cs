using Draklo.Core.Plans;

namespace Draklo.Core.Clearing;

/// <summary>A place on the section: metres from its left end, and up from the zero of its heights.</summary>
public readonly record struct SectionPoint(double X, double Y)
{
    /// <summary>Metres between two places of the section, 0 or more.</summary>
    public double DistanceTo(SectionPoint other) => Math.Sqrt(Square(other.X - X) + Square(other.Y - Y));

    /// <summary>The angle of the way to another point above level, radians, −π to π; 0 to the right.</summary>
    public double AngleTo(SectionPoint other) => Math.Atan2(other.Y - Y, other.X - X);

    private static double Square(double x) => x * x;
}

/// <summary>The ground of a section, from left to right.</summary>
/// <remarks>Straight between its spots, level beyond the first and the last.</remarks>
public sealed class SectionGround(IReadOnlyList<GroundSpotMembers> spots)
{
    /// <summary>Where the section begins, m along it.</summary>
    public double LeftM => spots[0].AtM;

    /// <summary>Where the section ends, m along it.</summary>
    public double RightM => spots[^1].AtM;

    /// <summary>Height of the ground, metres.</summary>
    public double UpAt(double at)
    {
        if (at <= spots[0].AtM)
        {
            return spots[0].UpM;
        }

        for (var i = 1; i < spots.Count; i++)
        {
            if (at <= spots[i].AtM)
            {
                var (a, b) = (spots[i - 1], spots[i]);
                return a.UpM + ((b.UpM - a.UpM) * (at - a.AtM) / (b.AtM - a.AtM));
            }
        }

        return spots[^1].UpM;
    }

    public SectionPoint At(double at, double above = 0) => new(at, UpAt(at) + above);

    /// <summary>The straight parts that a way from one place to another goes over, in its order.</summary>
    public IEnumerable<(SectionPoint From, SectionPoint To)> Parts(double from, double to)
    {
        var toRight = to >= from;
        var between = spots.Select(s => s.AtM).Where(x => toRight ? x > from && x < to : x < from && x > to);
        var last = from;
        foreach (var x in (toRight ? between.Order() : between.OrderDescending()).Append(to))
        {
            if (x != last)
            {
                yield return (At(last), At(x));
                last = x;
            }
        }
    }

    /// <summary>Along the ground, metres.</summary>
    public double LengthBetween(double from, double to) => Parts(from, to).Sum(p => p.From.DistanceTo(p.To));

    /// <summary>The steepest part of a way, as an angle upward along it, radians; 0 for no way.</summary>
    public double SteepestUp(double from, double to) =>
        Parts(from, to).Select(p => SlopeOf(p.From, p.To)).DefaultIfEmpty(0).Max();

    /// <summary>Upward along a part, radians.</summary>
    public static double SlopeOf(SectionPoint from, SectionPoint to) =>
        Math.Atan2(to.Y - from.Y, Math.Abs(to.X - from.X));
}
