using System.Globalization;
using System.Text.Json;
using System.Text.Json.Nodes;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Core.Briefs;

/// <summary>Every member of a plan that its verdict can turn on, one by one.</summary>
/// <remarks>
/// A member that is added to the document is covered unless it is listed here: a signature that misses one would stand under
/// another plan.
/// </remarks>
internal static class CoveredMembers
{
    /// <summary>What names the plan and its day, and the minutes of its tasks: nothing that is judged.</summary>
    private static readonly HashSet<string> NotJudged = new(StringComparer.Ordinal)
    {
        "format",
        "version",
        "name",
        "place",
        "plannedOn",
        "work",
    };

    /// <summary>Said in words of their own by <see cref="CoveredBy"/>.</summary>
    private static readonly HashSet<string> InOwnWords = new(StringComparer.Ordinal)
    {
        "crew",
        "signals",
        "walkUp",
        "guesses",
        "provenance",
        "accepted",
    };

    /// <summary>Names and dates of parts: corrected, they move nothing.</summary>
    private static readonly HashSet<string> Names = new(StringComparer.Ordinal)
    {
        "name",
        "note",
        "setBy",
        "setOn",
        "leftName",
        "rightName",
    };

    /// <summary>Which piece of the locker it is: the packing list says it by name.</summary>
    private static readonly HashSet<string> Pieces = new(StringComparer.Ordinal) { "itemId", "hardwareItemId" };

    private const string Clearing = "clearing";

    public static IEnumerable<Covered> Of(Plan plan)
    {
        var document = (JsonObject)JsonSerializer.SerializeToNode(plan, DocumentReader.Options)!;
        return document
            .Where(m => !NotJudged.Contains(m.Key) && !InOwnWords.Contains(m.Key))
            .SelectMany(m =>
                Under(m.Value, m.Key, m.Key, "").Select(c => m.Key == Clearing ? c with { Clearing = true } : c)
            );
    }

    /// <param name="path">By place, for its name.</param>
    /// <param name="id">By what tells the items of a list apart, so that it stays when they change places.</param>
    /// <param name="of">The item of a list that it belongs to, in words; empty for none.</param>
    private static IEnumerable<Covered> Under(JsonNode? node, string path, string id, string of) =>
        node switch
        {
            JsonObject group => group
                .Where(m => !Names.Contains(m.Key) && !Pieces.Contains(m.Key))
                .SelectMany(m => Under(m.Value, $"{path}.{m.Key}", $"{id}.{m.Key}", of)),
            JsonArray list when list.Any(i => i is JsonObject) => list.SelectMany(
                (item, i) => Item(list, item, i, path, id)
            ),
            _ => Figure(node, path, id, of) is { } one ? [one] : [],
        };

    private static IEnumerable<Covered> Item(JsonArray list, JsonNode? item, int at, string path, string id)
    {
        var place = string.Create(CultureInfo.InvariantCulture, $"{at + 1}");
        var label = path == "lines" && list.Count == 1 ? "" : $", {DocumentChanges.LabelOf(item) ?? place}";
        return Under(
            item,
            string.Create(CultureInfo.InvariantCulture, $"{path}[{at}]"),
            $"{id}[{DocumentChanges.KeyOf(item) ?? place}]",
            label
        );
    }

    private static Covered? Figure(JsonNode? node, string path, string id, string of)
    {
        var name = MemberNames.Of<Plan>(path).Capitalised() + of;
        switch (node?.GetValueKind())
        {
            case JsonValueKind.Number:
                var (unit, si) = MemberFacts.UnitOf(MemberNames.QuantityOf<Plan>(path));
                return Covered.Figure(id, name, node.GetValue<double>() * si, unit);
            // What is not so and what is not said cover nothing, like a member that the document leaves out.
            case JsonValueKind.True:
                return Covered.Said(id, name, "yes");
            case JsonValueKind.String when node.GetValue<string>() is { Length: > 0 } text:
                return Covered.Said(id, name, Spoken(text));
            case JsonValueKind.Array when node is JsonArray { Count: > 0 }:
                return Covered.Said(id, name, DocumentChanges.InWords<Plan>(node, path, UnitSystem.Metric) ?? "");
            default:
                return null;
        }
    }

    /// <summary>A choice or an entry of a catalogue as people say it: "presetHinge" and "running-bowline" come apart.</summary>
    private static string Spoken(string text)
    {
        if (!char.IsAsciiLetterLower(text[0]) || !text.All(c => char.IsAsciiLetter(c) || c == '-'))
        {
            return text;
        }

        return string.Concat(
            text.Select(c =>
                c == '-' ? " "
                : char.IsAsciiLetterUpper(c) ? $" {char.ToLowerInvariant(c)}"
                : $"{c}"
            )
        );
    }
}
