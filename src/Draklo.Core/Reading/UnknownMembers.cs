using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization.Metadata;

namespace Draklo.Core.Reading;

/// <summary>
/// Members that this version does not know, as a later one may have written: they are passed over when a document is
/// read, and must still be there after it is saved.
/// </summary>
public static class UnknownMembers
{
    /// <summary>A document's new text with the members that its old text had and nobody here knows.</summary>
    /// <remarks>
    /// Parts of a list are matched by their id where they have one, else by their number. What belonged to a part that
    /// was taken out goes with it.
    /// </remarks>
    public static string Carry<T>(string? before, string after)
    {
        if (before is null || !Has<T>(before))
        {
            return after;
        }

        var now = JsonNode.Parse(after)!;
        Carry(JsonNode.Parse(before), now, TypeOf(typeof(T)));
        return now.ToJsonString(DocumentReader.Options);
    }

    private static bool Has<T>(string text)
    {
        try
        {
            using var json = JsonDocument.Parse(text);
            return Has(json.RootElement, TypeOf(typeof(T)));
        }
        catch (JsonException)
        {
            return false;
        }
    }

    private static bool Has(JsonElement json, JsonTypeInfo type) =>
        (type.Kind, json.ValueKind) switch
        {
            (JsonTypeInfoKind.Object, JsonValueKind.Object) => json.EnumerateObject()
                .Any(m => Member(type, m.Name) is not { } known || Has(m.Value, known)),
            (JsonTypeInfoKind.Enumerable, JsonValueKind.Array) => json.EnumerateArray()
                .Any(e => Has(e, TypeOf(type.ElementType!))),
            (JsonTypeInfoKind.Dictionary, JsonValueKind.Object) => json.EnumerateObject()
                .Any(m => Has(m.Value, TypeOf(type.ElementType!))),
            _ => false,
        };

    private static void Carry(JsonNode? before, JsonNode? after, JsonTypeInfo type)
    {
        switch (type.Kind)
        {
            case JsonTypeInfoKind.Object when before is JsonObject old && after is JsonObject now:
                foreach (var (name, value) in old)
                {
                    if (Member(type, name) is { } known)
                    {
                        Carry(value, now[name], known);
                    }
                    else
                    {
                        now[name] = value?.DeepClone();
                    }
                }

                break;
            case JsonTypeInfoKind.Dictionary when before is JsonObject old && after is JsonObject now:
                foreach (var (name, value) in old)
                {
                    Carry(value, now[name], TypeOf(type.ElementType!));
                }

                break;
            case JsonTypeInfoKind.Enumerable when before is JsonArray old && after is JsonArray now:
                for (var i = 0; i < now.Count; i++)
                {
                    Carry(Match(old, now[i], i), now[i], TypeOf(type.ElementType!));
                }

                break;
            default:
                break;
        }
    }

    private static JsonNode? Match(JsonArray old, JsonNode? part, int number)
    {
        var id = IdOf(part);
        return id is null ? old.ElementAtOrDefault(number) : old.FirstOrDefault(o => IdOf(o) == id);
    }

    private static string? IdOf(JsonNode? part) =>
        part is JsonObject members && members["id"] is JsonValue id && id.TryGetValue<string>(out var text)
            ? text
            : null;

    private static JsonTypeInfo? Member(JsonTypeInfo type, string name) =>
        type.Properties.FirstOrDefault(p => p.Name == name) is { } property ? TypeOf(property.PropertyType) : null;

    private static JsonTypeInfo TypeOf(Type type) => DocumentReader.TypeOf(type);
}
