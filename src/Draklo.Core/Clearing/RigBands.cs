namespace Draklo.Core.Clearing;

/// <summary>Where a loaded line strikes when something parts.</summary>
/// <remarks>
/// Method M17: a cone of ± 10° from each end, and half the line's length past the other one; an estimate.
/// </remarks>
internal static class RigBands
{
    private const double ConeTangent = 0.17632698070846498;
    private const double Past = 0.5;

    public static void Add(RigWalk walk, string id, SectionPoint one, SectionPoint other)
    {
        var length = Math.Abs(other.X - one.X);
        var (left, right) = (Math.Min(one.X, other.X), Math.Max(one.X, other.X));
        walk.Zone(
            ZoneKind.Band,
            $"{id}-band",
            "in line with the loaded rope",
            left - (Past * length),
            right + (Past * length),
            Math.Max(1, length * (1 + Past) * ConeTangent)
        );
    }

    /// <summary>Whether somebody stands in the band of a line.</summary>
    public static bool Holds(SectionPoint one, SectionPoint other, double at, double off)
    {
        var length = Math.Abs(other.X - one.X);
        return InCone(one.X, Math.Sign(other.X - one.X)) || InCone(other.X, Math.Sign(one.X - other.X));

        bool InCone(double apex, int toward)
        {
            var along = (at - apex) * toward;
            return along >= 0 && along <= length * (1 + Past) && Math.Abs(off) <= Math.Max(0.5, along * ConeTangent);
        }
    }
}
