using Draklo.Core.Plans;

namespace Draklo.Core.Clearing;

/// <summary>The section's line on the plan, from its left end in the direction of the other.</summary>
/// <param name="East">Of one metre along it.</param>
/// <param name="North">Of one metre along it.</param>
internal readonly record struct SectionLine(PlaceMembers From, double East, double North, double Length)
{
    private const double Least = 0.5;

    /// <summary>Null where an end is not on the plan, or both lie in one place.</summary>
    public static SectionLine? Of(GroundSectionMembers ground)
    {
        if (ground is not { From: { } from, To: { } to })
        {
            return null;
        }

        var (east, north) = (to.EastM - from.EastM, to.NorthM - from.NorthM);
        var length = Math.Sqrt((east * east) + (north * north));
        return length < Least ? null : new(from, east / length, north / length, length);
    }

    /// <summary>Metres along it, and to the right of it.</summary>
    public (double Along, double Off) Of(double east, double north)
    {
        var (x, y) = (east - From.EastM, north - From.NorthM);
        return ((x * East) + (y * North), (x * North) - (y * East));
    }

    public (double East, double North) At(double along) => (From.EastM + (along * East), From.NorthM + (along * North));
}
