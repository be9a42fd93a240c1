using System.Collections.Concurrent;

namespace Draklo.Core.Reading;

/// <summary>What the members of a document are called and measure, from the same facts that the screen and the schema show.</summary>
public static class MemberNames
{
    private const int MostKnown = 2000;
    private static readonly ConcurrentDictionary<(Type, string), (string Name, string Quantity)> Known = new();

    /// <summary>The label of the member that a path leads to; where it has none, the nearest one above it, or the path.</summary>
    public static string Of<T>(string path) => Both<T>(path).Name;

    /// <summary>What the number at a path measures, as in units.json; a plain ratio where the path leads to no number.</summary>
    public static string QuantityOf<T>(string path) => Both<T>(path).Quantity;

    private static (string Name, string Quantity) Both<T>(string path)
    {
        if (Known.TryGetValue((typeof(T), path), out var known))
        {
            return known;
        }

        var found = Find<T>(path);
        if (Known.Count < MostKnown)
        {
            Known.TryAdd((typeof(T), path), found);
        }

        return found;
    }

    private static (string Name, string Quantity) Find<T>(string path)
    {
        var label = path;
        var quantity = "ratio";
        var type = typeof(T);
        foreach (var step in path.Split('.'))
        {
            var bracket = step.IndexOf('[', StringComparison.Ordinal);
            var name = bracket < 0 ? step : step[..bracket];
            if (RecordMembers.Named(type, name) is not { } member)
            {
                // A word under a list of words, as the sides of a crown: its own name says most.
                return (RecordMembers.ElementOf(type) is null ? label : $"{label}, {name}", quantity);
            }

            var facts = MemberFacts.Of(member);
            label = facts.Label ?? (label == path ? name : label);
            quantity = facts.Quantity ?? "ratio";
            type = (bracket >= 0 ? RecordMembers.ElementOf(member.PropertyType) : null) ?? member.PropertyType;
        }

        return (label, quantity);
    }
}
