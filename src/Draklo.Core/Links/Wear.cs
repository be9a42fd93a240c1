using Draklo.Core.Catalogue;
using Draklo.Core.Plans;

namespace Draklo.Core.Links;

/// <summary>What age, use and wet have left of a rope, cord or sling.</summary>
/// <remarks>
/// Method M9. Wet by construction, from the rope table. A fiftieth of the strength for each year is a rule of thumb of
/// this product and no published figure; what an inspection found stands beside it.
/// </remarks>
public static class Wear
{
    private const double PerYear = 0.02;
    private const double LeastKept = 0.2;

    /// <summary>Fraction of a new one's strength that is left at an age.</summary>
    /// <param name="years">0 or more.</param>
    public static double KeptAt(double years) => Math.Max(LeastKept, 1 - (PerYear * years));

    /// <summary>Adds what takes strength away; nothing for a new, dry, unworn piece.</summary>
    public static void Add(WearMembers? wear, string? constructionId, List<Reduction> reductions)
    {
        if (wear is null)
        {
            return;
        }

        if (wear.AgeYears is > 0 and { } years)
        {
            reductions.Add(new(years == 1 ? "1 year old" : $"{years:0.#} years old", KeptAt(years)));
        }

        if (wear.Keeps is < 1 and { } keeps)
        {
            reductions.Add(new("worn", keeps));
        }

        if (
            wear.Wet
            && constructionId is not null
            && Reference.Constructions.TryGetValue(constructionId, out var made)
            && made.WetKeeps < 1
        )
        {
            reductions.Add(new("wet", made.WetKeeps));
        }
    }
}
