using System.Globalization;
using System.Text.Json.Nodes;

namespace Draklo.Core.Reading;

/// <summary>
/// A document in which every figure carries the word on where it comes from: so that a merge takes both together or neither,
/// whatever became of the places in the lists above it.
/// </summary>
/// <remarks>A word on a figure that is not there stays where the document has it.</remarks>
internal static class ToldTree
{
    public const string Value = "\u0001value";
    private const string From = "\u0001from";
    private const string Guess = "\u0001guess";
    private const string Provenance = "provenance";
    private const string Guesses = "guesses";

    /// <summary>Whether a node is a figure with its word.</summary>
    public static bool IsTold(JsonNode? node) => node is JsonObject told && told.ContainsKey(Value);

    /// <summary>The figure itself.</summary>
    public static JsonNode? Bare(JsonNode? node) => IsTold(node) ? node![Value] : node;

    /// <summary>Where it comes from, in the document's own word; null if not given.</summary>
    public static string? FromOf(JsonNode? node) =>
        node is JsonObject told && told.ContainsKey(Value)
            ? told[From]?.GetValue<string>() ?? (told[Guess] is null ? null : "guess")
            : null;

    /// <summary>Hangs each word on its figure.</summary>
    public static JsonObject Hang(JsonObject document)
    {
        if (document[Provenance] is JsonObject words)
        {
            foreach (var (path, from) in words.ToList())
            {
                if (Tell(document, path, From, from?.DeepClone()))
                {
                    words.Remove(path);
                }
            }
        }

        if (document[Guesses] is JsonArray guesses)
        {
            foreach (var guess in guesses.ToList())
            {
                if (guess is JsonValue text && Tell(document, text.GetValue<string>(), Guess, JsonValue.Create(true)))
                {
                    guesses.Remove(guess);
                }
            }
        }

        return document;
    }

    /// <summary>Takes each word off its figure and writes it where the document has them.</summary>
    public static JsonObject Take(JsonObject document)
    {
        var words = new List<(string Path, JsonNode Word)>();
        var guesses = new List<string>();
        foreach (var (name, member) in document.ToList())
        {
            document[name] = Stripped(member, name, words, guesses);
        }

        if (words.Count > 0)
        {
            var kept = document[Provenance] as JsonObject ?? [];
            document[Provenance] = kept;
            foreach (var (path, word) in words)
            {
                kept[path] = word;
            }
        }

        if (guesses.Count > 0)
        {
            var kept = document[Guesses] as JsonArray ?? [];
            document[Guesses] = kept;
            foreach (var path in guesses)
            {
                kept.Add(path);
            }
        }

        return document;
    }

    private static JsonNode? Stripped(
        JsonNode? node,
        string path,
        List<(string Path, JsonNode Word)> words,
        List<string> guesses
    )
    {
        if (node is JsonObject told && told.ContainsKey(Value))
        {
            if (told[From] is { } from)
            {
                words.Add((path, from.DeepClone()));
            }

            if (told[Guess] is not null)
            {
                guesses.Add(path);
            }

            return Stripped(told[Value]?.DeepClone(), path, words, guesses);
        }

        if (node is JsonObject group)
        {
            foreach (var (name, member) in group.ToList())
            {
                group[name] = Stripped(member, $"{path}.{name}", words, guesses);
            }
        }
        else if (node is JsonArray list)
        {
            for (var i = 0; i < list.Count; i++)
            {
                var bare = Stripped(
                    list[i],
                    string.Create(CultureInfo.InvariantCulture, $"{path}[{i}]"),
                    words,
                    guesses
                );
                if (!ReferenceEquals(bare, list[i]))
                {
                    list[i] = bare;
                }
            }
        }

        return node;
    }

    private static bool Tell(JsonObject document, string path, string what, JsonNode? word)
    {
        JsonNode? owner = document;
        JsonNode? at = document;
        object? step = null;
        foreach (var part in Steps(path))
        {
            owner = Bare(at);
            step = part;
            at =
                owner is JsonObject group && part is string name && group.ContainsKey(name) ? group[name]
                : owner is JsonArray list && part is int i && i < list.Count ? list[i]
                : null;
            if (at is null)
            {
                return false;
            }
        }

        // Words on whole groups stay where they are: only figures are taken by themselves.
        if (step is null || (at is JsonObject && !IsTold(at)) || at is JsonArray)
        {
            return false;
        }

        if (IsTold(at))
        {
            at![what] = word;
            return true;
        }

        var told = new JsonObject { [Value] = at!.DeepClone(), [what] = word };
        if (step is int index)
        {
            ((JsonArray)owner!)[index] = told;
        }
        else
        {
            ((JsonObject)owner!)[(string)step] = told;
        }

        return true;
    }

    private static IEnumerable<object> Steps(string path)
    {
        foreach (var part in path.Split('.'))
        {
            var pieces = part.Split('[');
            yield return pieces[0];
            foreach (var index in pieces.Skip(1))
            {
                yield return int.TryParse(
                    index.TrimEnd(']'),
                    NumberStyles.None,
                    CultureInfo.InvariantCulture,
                    out var i
                )
                    ? i
                    : int.MaxValue;
            }
        }
    }
}
