using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.ComponentModel.DataAnnotations;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using Draklo.Core.Units;

namespace Draklo.Core.Reading;

/// <summary>
/// Reads a JSON document into a record and says of every member that does not fit what is wrong with it, all at once.
/// </summary>
public static class DocumentReader
{
    internal const int Deepest = 32;

    private static readonly ConcurrentDictionary<Type, ImmutableArray<string>> ChoicesOf = new();
    private static readonly ConcurrentDictionary<
        JsonTypeInfo,
        (JsonPropertyInfo Property, JsonTypeInfo Type)[]
    > KnownMembers = new();

    private static readonly Lazy<JsonSerializerOptions> WithMembers = new(() =>
        JsonTypes.Built is null ? Options : MakeOptions(JsonTypes.LookedUp())
    );

    private static readonly Lazy<JsonSerializerOptions> Usual = new(() => MakeOptions(JsonTypes.Resolver));

    public static JsonSerializerOptions Options => Usual.Value;

    private static Problem BrokenName { get; } =
        new("", "A name in this file holds half a letter or broken UTF-8: save the file as UTF-8.");

    /// <summary>Takes one member out of a document.</summary>
    /// <returns>The document without it, and the member; what cannot be read comes back as it is, without a member.</returns>
    public static (ReadOnlyMemory<byte> Without, ReadOnlyMemory<byte>? Member) Apart(
        ReadOnlyMemory<byte> utf8,
        string member
    )
    {
        try
        {
            if (JsonNode.Parse(utf8.Span) is JsonObject whole && whole.Remove(member, out var taken))
            {
                return (
                    Encoding.UTF8.GetBytes(whole.ToJsonString()),
                    Encoding.UTF8.GetBytes(taken?.ToJsonString() ?? "null")
                );
            }
        }
        catch (Exception e) when (e is JsonException or ArgumentException or InvalidOperationException)
        {
            // Whoever reads it says what is wrong with it.
        }

        return (utf8, null);
    }

    /// <summary>Reads a document.</summary>
    /// <returns>The document and no problem, or no document and at least one problem.</returns>
    public static (T? Document, List<Problem> Problems) Read<T>(ReadOnlyMemory<byte> utf8)
        where T : class
    {
        if (Quick<T>(utf8.Span) is { } document)
        {
            return (AsRead(document), []);
        }

        try
        {
            using var json = JsonDocument.Parse(
                utf8,
                new JsonDocumentOptions { MaxDepth = Deepest, AllowDuplicateProperties = false }
            );
            return Read<T>(json.RootElement);
        }
        catch (InvalidOperationException)
        {
            return (null, [BrokenName]);
        }
        catch (JsonException e)
        {
            var where = e.LineNumber is { } line
                ? $" near line {line + 1}, column {(e.BytePositionInLine ?? 0) + 1}"
                : "";
            return (
                null,
                [
                    new(
                        "",
                        $"This is not readable JSON{where}: open the file again where it was made and save it once more."
                    ),
                ]
            );
        }
    }

    /// <inheritdoc cref="Read{T}(ReadOnlyMemory{byte})"/>
    public static (T? Document, List<Problem> Problems) Read<T>(JsonElement root)
        where T : class
    {
        var problems = new List<Problem>();
        try
        {
            Check(root, TypeOf(typeof(T)), new(null, null, ""), problems);
            return problems.Count > 0 ? (null, problems) : (AsRead(root.Deserialize<T>(Options)), problems);
        }
        catch (InvalidOperationException)
        {
            // A member's name that is no text; values are looked at one by one.
            return (null, [BrokenName]);
        }
    }

    private static T? AsRead<T>(T? document)
        where T : class => document is IAsRead<T> read ? read.AsRead() : document;

    /// <summary>A type with its members, as they are looked up.</summary>
    internal static JsonTypeInfo TypeOf(Type type) => WithMembers.Value.GetTypeInfo(type);

    private static void Check(JsonElement json, JsonTypeInfo type, Place place, List<Problem> problems)
    {
        switch (type.Kind)
        {
            case JsonTypeInfoKind.Object:
                CheckObject(json, type, place, problems);
                break;
            case JsonTypeInfoKind.Enumerable when json.ValueKind != JsonValueKind.Array:
                problems.Add(place.Problem("must be a list, in square brackets."));
                break;
            case JsonTypeInfoKind.Enumerable:
                var element = TypeOf(type.ElementType!);
                var index = 0;
                foreach (var item in json.EnumerateArray())
                {
                    Check(item, element, new(place, null, "", index++), problems);
                }

                break;
            case JsonTypeInfoKind.Dictionary when json.ValueKind != JsonValueKind.Object:
                problems.Add(place.Problem("must be a group of members, in curly brackets."));
                break;
            case JsonTypeInfoKind.Dictionary:
                var value = TypeOf(type.ElementType!);
                foreach (var member in json.EnumerateObject())
                {
                    Check(member.Value, value, new(place, null, member.Name), problems);
                }

                break;
            default:
                if (ProblemWith(json, type.Type) is { } fault)
                {
                    problems.Add(place.Problem(fault));
                }

                break;
        }
    }

    private static void CheckObject(JsonElement json, JsonTypeInfo type, Place place, List<Problem> problems)
    {
        if (json.ValueKind != JsonValueKind.Object)
        {
            problems.Add(place.Problem("must be a group of members, in curly brackets."));
            return;
        }

        // Members mostly come in the order of the record, so the one after the last found is tried first.
        var known = KnownOf(type);
        Span<bool> seen = stackalloc bool[known.Length];
        var next = 0;
        foreach (var member in json.EnumerateObject())
        {
            var at = IndexOf(known, member, next);
            if (at < 0)
            {
                problems.Add(
                    new(
                        new Place(place, null, member.Name).Path,
                        $"“{Shortened(member.Name)}” is not a member known here: remove it or correct its spelling."
                    )
                );
                continue;
            }

            seen[at] = true;
            next = at + 1;
            var (property, info) = known[at];
            if (member.Value.ValueKind != JsonValueKind.Null)
            {
                Check(member.Value, info, new(place, property, property.Name), problems);
            }
            else if (
                property.PropertyType.IsValueType
                    ? Nullable.GetUnderlyingType(property.PropertyType) is null
                    : !property.IsSetNullable
            )
            {
                problems.Add(
                    new Place(place, property, property.Name).Problem(
                        "is empty: give it, or leave the member out if it has a usual value."
                    )
                );
            }
        }

        for (var i = 0; i < known.Length; i++)
        {
            if (!seen[i] && known[i].Property.IsRequired)
            {
                problems.Add(
                    new Place(place, known[i].Property, known[i].Property.Name).Problem("is missing: give it.")
                );
            }
        }
    }

    private static (JsonPropertyInfo Property, JsonTypeInfo Type)[] KnownOf(JsonTypeInfo type) =>
        KnownMembers.GetOrAdd(type, static t => [.. t.Properties.Select(p => (p, TypeOf(p.PropertyType)))]);

    private static int IndexOf((JsonPropertyInfo Property, JsonTypeInfo Type)[] known, JsonProperty member, int first)
    {
        for (var i = 0; i < known.Length; i++)
        {
            var at = (first + i) % known.Length;
            if (member.NameEquals(known[at].Property.Name))
            {
                return at;
            }
        }

        return -1;
    }

    /// <summary>What is wrong with a plain value, as the end of a sentence; null when it fits.</summary>
    private static string? ProblemWith(JsonElement json, Type type)
    {
        var plain = Nullable.GetUnderlyingType(type) ?? type;
        if (plain == typeof(double))
        {
            return json.ValueKind != JsonValueKind.Number ? "must be a number, as in 12.5."
                : !double.IsFinite(json.GetDouble()) ? "is too large a number to be meant."
                : null;
        }

        if (plain == typeof(int))
        {
            return json.ValueKind != JsonValueKind.Number || !json.TryGetInt32(out _)
                ? "must be a whole number, as in 2."
                : null;
        }

        if (plain == typeof(bool))
        {
            return json.ValueKind is not (JsonValueKind.True or JsonValueKind.False) ? "must be true or false." : null;
        }

        if (plain.IsEnum)
        {
            var names = ChoicesOf.GetOrAdd(
                plain,
                static t => [.. Enum.GetNames(t).Select(JsonNamingPolicy.CamelCase.ConvertName)]
            );
            return json.ValueKind != JsonValueKind.String || !IsText(json) || !names.Contains(json.GetString()!)
                ? $"must be one of: {string.Join(", ", names)}."
                : null;
        }

        return plain != typeof(string) ? null
            : json.ValueKind != JsonValueKind.String ? "must be text, in quotation marks."
            : !IsText(json) ? "holds half a letter or broken UTF-8: type it again."
            : null;
    }

    /// <summary>Whether a JSON text is one: \\ud800 alone is half a letter.</summary>
    private static bool IsText(JsonElement json)
    {
        try
        {
            return json.GetString() is not null;
        }
        catch (InvalidOperationException)
        {
            return false;
        }
    }

    private static string Shortened(string name) => name.Length <= 60 ? name : name[..60] + "…";

    private static JsonSerializerOptions MakeOptions(IJsonTypeInfoResolver resolver)
    {
        var options = new JsonSerializerOptions(JsonSerializerDefaults.Web)
        {
            PropertyNameCaseInsensitive = false,
            NumberHandling = JsonNumberHandling.Strict,
            RespectNullableAnnotations = true,
            DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
            Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
            Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false) },
            TypeInfoResolver = resolver,
        };
        options.MakeReadOnly();
        return options;
    }

    /// <summary>Reads, where a converter was built for it, a document in which nothing is wrong.</summary>
    /// <returns>Null where there is no such converter, or something does not fit: then it is looked at member by member.</returns>
    private static T? Quick<T>(ReadOnlySpan<byte> utf8)
        where T : class
    {
        try
        {
            return JsonTypes.Built?.For<T>()?.Read(utf8, isStrict: true);
        }
        catch (Exception e) when (e is JsonException or InvalidOperationException)
        {
            return null;
        }
    }

    /// <summary>
    /// Where in a document a value stands. Its path and its name are only written out once something is wrong there.
    /// </summary>
    /// <param name="Index">Its number in a list, or −1.</param>
    private sealed record Place(Place? Parent, JsonPropertyInfo? Property, string Name, int Index = -1)
    {
        public string Path =>
            Index >= 0 ? $"{Parent!.Path}[{Index}]"
            : Parent is null || Parent.Path.Length == 0 ? Shortened(Name)
            : $"{Parent.Path}.{Shortened(Name)}";

        /// <summary>What the crew calls it.</summary>
        private string Label =>
            Index >= 0 ? $"{Parent!.Label}, number {Index + 1},"
            : Parent is null ? "The document"
            : Property?.AttributeProvider?.GetCustomAttributes(typeof(DisplayAttribute), inherit: false)
                is [DisplayAttribute { Name: { } label }]
                ? label
            : $"“{Name}”";

        public Problem Problem(string fault) => new(Path, $"{Label} {fault}");
    }
}
