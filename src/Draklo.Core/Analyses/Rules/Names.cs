namespace Draklo.Core.Analyses;

/// <summary>Whether names of a list are each its own.</summary>
internal static class Names
{
    /// <summary>Whether an item before <paramref name="index"/> has this name already.</summary>
    public static bool IsBefore<T>(this IReadOnlyList<T> list, int index, string name, Func<T, string> nameOf)
    {
        for (var n = 0; n < index; n++)
        {
            if (nameOf(list[n]) == name)
            {
                return true;
            }
        }

        return false;
    }
}
