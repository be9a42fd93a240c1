using System.Collections.Concurrent;
using System.ComponentModel.DataAnnotations;
using System.Reflection;

namespace Draklo.Core.Reading;

/// <summary>What the members of a document are called, from the same labels that the screen and the schema show.</summary>
public static class MemberNames
{
    private const int MostKnown = 2000;
    private static readonly ConcurrentDictionary<(Type, string), string> Known = new();

    /// <summary>The label of the member that a path leads to; where it has none, the nearest one above it, or the path.</summary>
    public static string Of<T>(string path)
    {
        if (Known.TryGetValue((typeof(T), path), out var known))
        {
            return known;
        }

        var name = Find<T>(path);
        if (Known.Count < MostKnown)
        {
            Known.TryAdd((typeof(T), path), name);
        }

        return name;
    }

    private static string Find<T>(string path)
    {
        var label = path;
        var type = typeof(T);
        foreach (var step in path.Split('.'))
        {
            var bracket = step.IndexOf('[', StringComparison.Ordinal);
            var name = bracket < 0 ? step : step[..bracket];
            if (RecordMembers.Named(type, name) is not { } member)
            {
                // A word under a list of words, as the sides of a crown: its own name says most.
                return RecordMembers.ElementOf(type) is null ? label : $"{label}, {name}";
            }

            label = member.GetCustomAttribute<DisplayAttribute>()?.Name ?? (label == path ? name : label);
            type = (bracket >= 0 ? RecordMembers.ElementOf(member.PropertyType) : null) ?? member.PropertyType;
        }

        return label;
    }
}
