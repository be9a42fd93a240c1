using System.Runtime.InteropServices;

namespace Draklo.Core.Units;

/// <summary>Draws out of lists.</summary>
internal static class Draws
{
    public static T One<T>(this Random chance, IReadOnlyList<T> of) => of[chance.Next(of.Count)];

    /// <summary>All of them in another order.</summary>
    public static List<T> Shuffled<T>(this Random chance, IEnumerable<T> of)
    {
        var all = of.ToList();
        chance.Shuffle(CollectionsMarshal.AsSpan(all));
        return all;
    }
}
