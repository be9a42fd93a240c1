using System.Collections.Concurrent;
using System.Globalization;

namespace Draklo.Core.Reading;

/// <summary>Paths of members in a document, as problems and guesses name them.</summary>
public static class MemberPaths
{
    /// <summary>Paths that were followed before are remembered: a plan names the same ones at every step of a drag.</summary>
    private const int MostKnown = 2000;

    private static readonly ConcurrentDictionary<(Type Document, string Path), bool> Known = new();

    /// <summary>Whether a path such as "lines[0].seat.heightM" leads to a member that such a document can have.</summary>
    public static bool IsMember<T>(string path)
    {
        if (Known.ContainsKey((typeof(T), path)))
        {
            return true;
        }

        if (!Leads<T>(path))
        {
            return false;
        }

        if (Known.Count < MostKnown)
        {
            Known.TryAdd((typeof(T), path), true);
        }

        return true;
    }

    /// <summary>The number of the line that a path such as "lines[2].seat" leads into; null for any other.</summary>
    public static int? LineOf(string path)
    {
        const string Start = "lines[";
        var end = path.IndexOf(']', StringComparison.Ordinal);
        return
            path.StartsWith(Start, StringComparison.Ordinal)
            && end > Start.Length
            && end + 1 < path.Length
            && path[end + 1] == '.'
            && int.TryParse(path.AsSpan(Start.Length, end - Start.Length), out var index)
            && index >= 0
            ? index
            : null;
    }

    private static bool Leads<T>(string path)
    {
        var type = typeof(T);
        foreach (var step in path.Split('.'))
        {
            var bracket = step.IndexOf('[', StringComparison.Ordinal);
            var name = bracket < 0 ? step : step[..bracket];
            if (RecordMembers.Named(type, name) is not { } member)
            {
                return false;
            }

            type = member.PropertyType;
            if (bracket >= 0)
            {
                if (
                    !step.EndsWith(']')
                    || !int.TryParse(
                        step.AsSpan(bracket + 1, step.Length - bracket - 2),
                        NumberStyles.None,
                        CultureInfo.InvariantCulture,
                        out _
                    )
                    || RecordMembers.ElementOf(type) is not { } element
                )
                {
                    return false;
                }

                type = element;
            }
        }

        return true;
    }
}
