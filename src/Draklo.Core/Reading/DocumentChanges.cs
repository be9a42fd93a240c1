using System.Globalization;
using System.Text.Json;
using System.Text.Json.Nodes;
using Draklo.Core.Units;

namespace Draklo.Core.Reading;

/// <summary>One member that differs between two documents.</summary>
/// <param name="Path">As in "lines[0].seat.heightM".</param>
/// <param name="Name">What the crew calls it, with the item of the list that it belongs to.</param>
/// <param name="Was">In words with units; null where it was not there.</param>
/// <param name="Is">In words with units; null where it is no longer there.</param>
public sealed record DocumentChange(string Path, string Name, string? Was, string? Is);

/// <summary>What changed between two documents of a kind, member by member, in words with units.</summary>
/// <remarks>
/// Items of a list are the same item when they carry the same id, code or name, or are about the same thing; where nothing tells
/// them apart, when they stand at the same place.
/// </remarks>
public static class DocumentChanges
{
    private const int LongestText = 80;
    private const int EnoughOfAHash = 6;

    /// <summary>Members that tell items of a list apart, the surest first; the later ones say what a log's items are about.</summary>
    private static readonly string[] Keys =
    [
        "id",
        "code",
        "name",
        "lineId",
        "knotId",
        "taskId",
        "itemId",
        "hash",
        "what",
    ];

    /// <summary>Members that say to people which item it is, the plainest first.</summary>
    private static readonly string[] Names =
    [
        "name",
        "text",
        "code",
        "caption",
        "id",
        "lineId",
        "knotId",
        "taskId",
        "itemId",
        "what",
    ];

    public static List<DocumentChange> Of<T>(T was, T now, UnitSystem units)
        where T : IDocumentPart
    {
        var changes = new List<DocumentChange>();
        Compare<T>(
            JsonSerializer.SerializeToNode(was, DocumentReader.Options),
            JsonSerializer.SerializeToNode(now, DocumentReader.Options),
            "",
            "",
            units,
            changes
        );
        return changes;
    }

    private static void Compare<T>(
        JsonNode? was,
        JsonNode? now,
        string path,
        string of,
        UnitSystem units,
        List<DocumentChange> changes
    )
    {
        if (JsonNode.DeepEquals(was, now))
        {
            return;
        }

        if (was is JsonObject or null && now is JsonObject or null && (was ?? now) is JsonObject)
        {
            var (before, after) = (was as JsonObject ?? [], now as JsonObject ?? []);
            foreach (var name in after.Select(p => p.Key).Union(before.Select(p => p.Key), StringComparer.Ordinal))
            {
                Compare<T>(before[name], after[name], path.Length == 0 ? name : $"{path}.{name}", of, units, changes);
            }
        }
        else if (was is JsonArray or null && now is JsonArray or null && IsOfGroups(was ?? now))
        {
            CompareLists<T>(was as JsonArray ?? [], now as JsonArray ?? [], path, units, changes);
        }
        else
        {
            changes.Add(
                new(
                    path,
                    MemberNames.Of<T>(path).Capitalised() + of,
                    InWords<T>(was, path, units),
                    InWords<T>(now, path, units)
                )
            );
        }
    }

    private static bool IsOfGroups(JsonNode? node) =>
        node is JsonArray list && list.Count > 0 && list.All(i => i is JsonObject);

    private static void CompareLists<T>(
        JsonArray was,
        JsonArray now,
        string path,
        UnitSystem units,
        List<DocumentChange> changes
    )
    {
        var left = was.Select((node, i) => (Key: KeyOf(node) ?? $"#{i}", Node: node)).ToList();
        for (var i = 0; i < now.Count; i++)
        {
            var key = KeyOf(now[i]) ?? $"#{i}";
            var at = left.FindIndex(l => l.Key == key);
            var label = LabelOf(now[i]) ?? $"{i + 1}";
            if (at < 0)
            {
                changes.Add(new($"{path}[{i}]", MemberNames.Of<T>(path).Capitalised(), null, label));
                continue;
            }

            Compare<T>(
                left[at].Node,
                now[i],
                $"{path}[{i}]",
                now.Count > 1 || was.Count > 1 || path != "lines" ? $", {label}" : "",
                units,
                changes
            );
            left.RemoveAt(at);
        }

        changes.AddRange(
            left.Select(l => new DocumentChange(
                path,
                MemberNames.Of<T>(path).Capitalised(),
                LabelOf(l.Node) ?? l.Key.TrimStart('#'),
                null
            ))
        );
    }

    internal static string? KeyOf(JsonNode? item)
    {
        foreach (var key in Keys)
        {
            if (item is JsonObject group && TextOf(group[key]) is { Length: > 0 } text)
            {
                return $"{key}={text}{(key == "code" ? $" {TextOf(group["path"])}" : "")}";
            }
        }

        return null;
    }

    internal static string? LabelOf(JsonNode? item) =>
        item is not JsonObject group ? null
        : Names.Select(name => TextOf(group[name])).FirstOrDefault(said => said is { Length: > 0 }) is { } said
            ? Shortened(said)
        : TextOf(group["hash"]) is { Length: > EnoughOfAHash } hash ? $"picture {hash[..EnoughOfAHash]}"
        : null;

    private static string? TextOf(JsonNode? node) =>
        node is JsonValue value && value.GetValueKind() == JsonValueKind.String ? value.GetValue<string>() : null;

    internal static string? InWords<T>(JsonNode? node, string path, UnitSystem units)
    {
        if (node is null)
        {
            return null;
        }

        return node.GetValueKind() switch
        {
            JsonValueKind.Number => Number<T>(node.GetValue<double>(), path, units),
            JsonValueKind.True => "yes",
            JsonValueKind.False => "no",
            JsonValueKind.String => Shortened(node.GetValue<string>()),
            JsonValueKind.Array => Shortened(
                string.Join(", ", ((JsonArray)node).Select(i => InWords<T>(i, path, units)))
            ),
            _ => Shortened(node.ToJsonString()),
        };
    }

    private static string Number<T>(double value, string path, UnitSystem units)
    {
        var (unit, si) = MemberFacts.UnitOf(MemberNames.QuantityOf<T>(path));
        return unit == "x"
            ? value.ToString("0.####", CultureInfo.InvariantCulture)
            : Figures.With(value * si, unit, units, 4);
    }

    private static string Shortened(string text) =>
        text.Length <= LongestText ? text : $"{text[..(LongestText - 1)].TrimEnd()}…";
}
