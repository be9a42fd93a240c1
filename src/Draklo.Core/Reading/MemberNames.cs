using System.Collections.Concurrent;
using System.ComponentModel.DataAnnotations;
using System.Text.Json.Serialization.Metadata;

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
        JsonTypeInfo? type = DocumentReader.Options.GetTypeInfo(typeof(T));
        foreach (var step in path.Split('.'))
        {
            var bracket = step.IndexOf('[', StringComparison.Ordinal);
            var name = bracket < 0 ? step : step[..bracket];
            var property = type?.Properties.FirstOrDefault(p => p.Name == name);
            if (property is null)
            {
                // A word under a list of words, as the sides of a crown: its own name says most.
                return type?.ElementType is null ? label : $"{label}, {name}";
            }

            var display = property.AttributeProvider?.GetCustomAttributes(typeof(DisplayAttribute), inherit: false);
            label =
                display is [DisplayAttribute { Name: { } shown }, ..] ? shown
                : label == path ? name
                : label;
            type = DocumentReader.Options.GetTypeInfo(property.PropertyType);
            if (bracket >= 0 && type.ElementType is not null)
            {
                type = DocumentReader.Options.GetTypeInfo(type.ElementType);
            }
        }

        return label;
    }
}
