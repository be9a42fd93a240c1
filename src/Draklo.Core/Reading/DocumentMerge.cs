using System.Text.Json;
using System.Text.Json.Nodes;
using Draklo.Core.Units;

namespace Draklo.Core.Reading;

/// <summary>A member that both changed, each otherwise.</summary>
/// <param name="Path">With items of lists by their keys, as in "lines[main].seat.heightM"; names the clash when it is settled.</param>
/// <param name="Name">What the crew calls it.</param>
/// <param name="Was">Before either change, in words with units; null where it was not there.</param>
/// <param name="Mine">Null where it was taken out here.</param>
/// <param name="Theirs">Null where it was taken out there.</param>
public sealed record Clash(string Path, string Name, string? Was, string? Mine, string? Theirs);

/// <summary>Which of two changes is taken.</summary>
public enum Side
{
    Mine,
    Theirs,
}

/// <summary>Two documents that came of one, put together.</summary>
/// <param name="Document">Null while something is not settled.</param>
/// <param name="Clashes">What is not settled yet.</param>
/// <param name="FromMine">Members that only the one side changed.</param>
/// <param name="FromTheirs">Members that only the other side changed.</param>
public sealed record MergedDocument<T>(T? Document, IReadOnlyList<Clash> Clashes, int FromMine, int FromTheirs)
    where T : class;

/// <summary>Puts two changed copies of a document together, member by member.</summary>
/// <remarks>
/// What one side alone changed is taken; what both changed alike is taken once; what both changed otherwise is a clash, and
/// somebody settles it. Items of a list are told apart as <see cref="DocumentChanges"/> does. A figure and where it comes
/// from go together. A list without keys, or one that both put into another order, is one member.
/// </remarks>
public static class DocumentMerge
{
    /// <param name="was">What both began from; null where nobody knows, then all that differs is a clash.</param>
    /// <param name="settled">By the path of a clash.</param>
    public static MergedDocument<T> Of<T>(
        T? was,
        T mine,
        T theirs,
        IReadOnlyDictionary<string, Side> settled,
        UnitSystem units
    )
        where T : class, IDocumentPart
    {
        var merging = new Merging<T>(settled, units);
        var merged = merging.Of(Tree(was) ?? [], Tree(mine)!, Tree(theirs)!, "") as JsonObject ?? [];
        return new(
            merging.Clashes.Count > 0 ? null : ToldTree.Take(merged).Deserialize<T>(DocumentReader.Options),
            merging.Clashes,
            merging.FromMine,
            merging.FromTheirs
        );
    }

    private static JsonObject? Tree<T>(T? document) =>
        JsonSerializer.SerializeToNode(document, DocumentReader.Options) is JsonObject tree
            ? ToldTree.Hang(tree)
            : null;
}

/// <summary>One merge under way.</summary>
internal sealed class Merging<T>(IReadOnlyDictionary<string, Side> settled, UnitSystem units)
    where T : class, IDocumentPart
{
    public List<Clash> Clashes { get; } = [];

    /// <summary>Members that only this side changed, 0 or more.</summary>
    public int FromMine { get; private set; }

    /// <summary>Members that only the other side changed, 0 or more.</summary>
    public int FromTheirs { get; private set; }

    /// <returns>A node of its own, in no other tree; null where the member is gone.</returns>
    public JsonNode? Of(JsonNode? was, JsonNode? mine, JsonNode? theirs, string path, string of = "")
    {
        if (JsonNode.DeepEquals(mine, theirs))
        {
            return mine?.DeepClone();
        }

        if (JsonNode.DeepEquals(was, mine))
        {
            FromTheirs++;
            return theirs?.DeepClone();
        }

        if (JsonNode.DeepEquals(was, theirs))
        {
            FromMine++;
            return mine?.DeepClone();
        }

        return (was, mine, theirs) switch
        {
            (JsonObject or null, JsonObject a, JsonObject b) when !ToldTree.IsTold(a) && !ToldTree.IsTold(b) => Members(
                was as JsonObject,
                a,
                b,
                path,
                of
            ),
            (JsonArray or null, JsonArray a, JsonArray b) => List(was as JsonArray, a, b, path, of),
            _ => Settled(was, mine, theirs, path, of),
        };
    }

    private JsonObject Members(JsonObject? was, JsonObject mine, JsonObject theirs, string path, string of)
    {
        var merged = new JsonObject();
        foreach (var name in theirs.Select(p => p.Key).Union(mine.Select(p => p.Key), StringComparer.Ordinal))
        {
            var member = Of(was?[name], mine[name], theirs[name], path.Length == 0 ? name : $"{path}.{name}", of);
            if (member is not null)
            {
                merged[name] = member;
            }
        }

        return merged;
    }

    private JsonNode? List(JsonArray? was, JsonArray mine, JsonArray theirs, string path, string of)
    {
        if (
            KeyedList.Of(was ?? []) is not { } before
            || KeyedList.Of(mine) is not { } here
            || KeyedList.Of(theirs) is not { } there
        )
        {
            return SameLength(was, mine, theirs)
                ? ByPlace(was!, mine, theirs, path, of)
                : Settled(was, mine, theirs, path, of);
        }

        if (KeyedList.OrderOf(before, here, there) is not { } order)
        {
            return Settled(was, mine, theirs, path, of);
        }

        var merged = new JsonArray();
        foreach (var key in order)
        {
            var (a, b) = (here.Find(key), there.Find(key));
            var label = DocumentChanges.LabelOf(ToldTree.Bare(a ?? b)) ?? key;
            var item = Of(before.Find(key), a, b, $"{path}[{key.Replace('.', '·')}]", $", {label}");
            if (item is not null)
            {
                merged.Add(item);
            }
        }

        return merged;
    }

    private static bool SameLength(JsonArray? was, JsonArray mine, JsonArray theirs) =>
        was is not null
        && was.Count == mine.Count
        && was.Count == theirs.Count
        && was.Concat(mine).Concat(theirs).All(i => i is JsonObject && !ToldTree.IsTold(i));

    private JsonArray ByPlace(JsonArray was, JsonArray mine, JsonArray theirs, string path, string of) =>
        [.. was.Select((w, i) => Of(w, mine[i], theirs[i], $"{path}[{i}]", $"{of}, {i + 1}"))];

    private JsonNode? Settled(JsonNode? was, JsonNode? mine, JsonNode? theirs, string path, string of)
    {
        if (settled.TryGetValue(path, out var side))
        {
            return (side == Side.Mine ? mine : theirs)?.DeepClone();
        }

        Clashes.Add(
            new(
                path,
                MemberNames.Of<T>(path).Capitalised() + of,
                Words(was, null, path),
                Words(mine, was, path),
                Words(theirs, was, path)
            )
        );
        return theirs?.DeepClone();
    }

    private string? Words(JsonNode? node, JsonNode? was, string path)
    {
        if (node is JsonObject group && !ToldTree.IsTold(group))
        {
            return DocumentChanges.LabelOf(group) is { } label ? $"{label}{Moved(group, was, path)}"
                : was is JsonObject ? Moved(group, was, path).TrimStart(' ', ',')
                : "set";
        }

        var words = DocumentChanges.InWords<T>(ToldTree.Bare(node), path, units);
        return words is not null && ToldTree.FromOf(node) is { } from ? $"{words}, {from}" : words;
    }

    /// <summary>Which members of a group changed, as in ", with seat height, rope diameter changed".</summary>
    private static string Moved(JsonObject now, JsonNode? was, string path)
    {
        if (was is not JsonObject before)
        {
            return "";
        }

        var names = now.Select(p => p.Key)
            .Union(before.Select(p => p.Key), StringComparer.Ordinal)
            .Where(n => !JsonNode.DeepEquals(now[n], before[n]))
            .Select(n => MemberNames.Of<T>($"{path}.{n}").Uncapitalised())
            .Distinct(StringComparer.Ordinal)
            .ToList();
        return names.Count == 0 ? "" : $", with {string.Join(", ", names)} changed";
    }
}

/// <summary>A list whose items are told apart.</summary>
internal sealed class KeyedList
{
    private readonly Dictionary<string, JsonNode?> items = new(StringComparer.Ordinal);

    public List<string> Keys { get; } = [];

    public JsonNode? Find(string key) => items.GetValueOrDefault(key);

    public bool Has(string key) => items.ContainsKey(key);

    /// <summary>Null where some item has no key, or two have the same.</summary>
    public static KeyedList? Of(JsonArray list)
    {
        var keyed = new KeyedList();
        foreach (var item in list)
        {
            if (KeyOf(item) is not { } key || !keyed.items.TryAdd(key, item))
            {
                return null;
            }

            keyed.Keys.Add(key);
        }

        return keyed;
    }

    /// <summary>The order of all items that are in either list; null where both changed it.</summary>
    public static List<string>? OrderOf(KeyedList was, KeyedList mine, KeyedList theirs)
    {
        var both = mine.Keys.Where(theirs.Has).ToList();
        var there = theirs.Keys.Where(mine.Has).ToList();
        var before = was.Keys.Where(k => mine.Has(k) && theirs.Has(k)).ToList();
        var moved = !there.Where(was.Has).SequenceEqual(before, StringComparer.Ordinal);
        var basis =
            both.SequenceEqual(there, StringComparer.Ordinal) ? theirs
            : !moved ? mine
            : both.Where(was.Has).SequenceEqual(before, StringComparer.Ordinal) ? theirs
            : null;
        if (basis is null)
        {
            return null;
        }

        var order = basis.Keys.ToList();
        var other = basis == theirs ? mine : theirs;
        for (var i = 0; i < other.Keys.Count; i++)
        {
            if (!basis.Has(other.Keys[i]))
            {
                // After the one that it stood behind.
                order.Insert(i == 0 ? 0 : order.IndexOf(other.Keys[i - 1]) + 1, other.Keys[i]);
            }
        }

        return order;
    }

    private static string? KeyOf(JsonNode? item) =>
        ToldTree.Bare(item) is JsonValue value && value.GetValueKind() == JsonValueKind.String
            ? value.GetValue<string>()
            : DocumentChanges.KeyOf(item);
}
