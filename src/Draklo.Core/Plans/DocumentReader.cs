using System.ComponentModel.DataAnnotations;
using System.Reflection;
using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;

namespace Draklo.Core.Plans;

/// <summary>Reads a JSON document into a record and says of every member that does not fit what is wrong with it, all at once.</summary>
public static class DocumentReader
{
    public static JsonSerializerOptions Options { get; } = MakeOptions();

    /// <summary>Reads a document.</summary>
    /// <returns>The document and no problem, or no document and at least one problem.</returns>
    public static (T? Document, List<Problem> Problems) Read<T>(ReadOnlyMemory<byte> utf8)
        where T : class
    {
        try
        {
            using var json = JsonDocument.Parse(utf8, new JsonDocumentOptions { MaxDepth = 32, AllowDuplicateProperties = false });
            return Read<T>(json.RootElement);
        }
        catch (JsonException e)
        {
            var where = e.LineNumber is { } line ? $" near line {line + 1}, column {(e.BytePositionInLine ?? 0) + 1}" : "";
            return (null, [new("", $"This is not readable JSON{where}: open the file again where it was made and save it once more.")]);
        }
    }

    /// <inheritdoc cref="Read{T}(ReadOnlyMemory{byte})"/>
    public static (T? Document, List<Problem> Problems) Read<T>(JsonElement root)
        where T : class
    {
        var problems = new List<Problem>();
        Check(root, Options.GetTypeInfo(typeof(T)), "", "The document", problems);
        return problems.Count > 0 ? (null, problems) : (root.Deserialize<T>(Options), problems);
    }

    private static void Check(JsonElement json, JsonTypeInfo type, string path, string label, List<Problem> problems)
    {
        var plain = Nullable.GetUnderlyingType(type.Type) ?? type.Type;
        switch (type.Kind)
        {
            case JsonTypeInfoKind.Object:
                CheckObject(json, type, path, label, problems);
                break;
            case JsonTypeInfoKind.Enumerable:
                if (json.ValueKind != JsonValueKind.Array)
                {
                    problems.Add(new(path, $"{label} must be a list, in square brackets."));
                    break;
                }

                var element = Options.GetTypeInfo(type.ElementType!);
                var index = 0;
                foreach (var item in json.EnumerateArray())
                {
                    Check(item, element, $"{path}[{index++}]", $"{label}, number {index}", problems);
                }

                break;
            default:
                CheckValue(json, plain, path, label, problems);
                break;
        }
    }

    private static void CheckObject(JsonElement json, JsonTypeInfo type, string path, string label, List<Problem> problems)
    {
        if (json.ValueKind != JsonValueKind.Object)
        {
            problems.Add(new(path, $"{label} must be a group of members, in curly brackets."));
            return;
        }

        foreach (var member in json.EnumerateObject())
        {
            if (Find(type, member.Name) is null)
            {
                problems.Add(new(Join(path, member.Name), $"“{Shortened(member.Name)}” is not a member known here: remove it or correct its spelling."));
            }
        }

        foreach (var property in type.Properties)
        {
            var memberPath = Join(path, property.Name);
            var name = LabelOf(property);
            if (!json.TryGetProperty(property.Name, out var value))
            {
                if (property.IsRequired)
                {
                    problems.Add(new(memberPath, $"{name} is missing: give it."));
                }
            }
            else if (value.ValueKind == JsonValueKind.Null)
            {
                if (property.PropertyType.IsValueType ? Nullable.GetUnderlyingType(property.PropertyType) is null : !property.IsSetNullable)
                {
                    problems.Add(new(memberPath, $"{name} is empty: give it, or leave the member out if it has a usual value."));
                }
            }
            else
            {
                Check(value, Options.GetTypeInfo(property.PropertyType), memberPath, name, problems);
            }
        }
    }

    private static void CheckValue(JsonElement json, Type type, string path, string label, List<Problem> problems)
    {
        string? wrong = null;
        if (type == typeof(double))
        {
            wrong = json.ValueKind != JsonValueKind.Number ? $"{label} must be a number, as in 12.5."
                : !double.IsFinite(json.GetDouble()) ? $"{label} is too large a number to be meant." : null;
        }
        else if (type == typeof(int))
        {
            wrong = json.ValueKind != JsonValueKind.Number || !json.TryGetInt32(out _) ? $"{label} must be a whole number, as in 2." : null;
        }
        else if (type == typeof(bool))
        {
            wrong = json.ValueKind is not (JsonValueKind.True or JsonValueKind.False) ? $"{label} must be true or false." : null;
        }
        else if (type.IsEnum)
        {
            var names = Enum.GetNames(type).Select(JsonNamingPolicy.CamelCase.ConvertName).ToList();
            wrong = json.ValueKind != JsonValueKind.String || !names.Contains(json.GetString()!, StringComparer.Ordinal)
                ? $"{label} must be one of: {string.Join(", ", names)}." : null;
        }
        else if (type == typeof(string))
        {
            wrong = json.ValueKind != JsonValueKind.String ? $"{label} must be text, in quotation marks." : null;
        }

        if (wrong is not null)
        {
            problems.Add(new(path, wrong));
        }
    }

    /// <summary>What the crew calls a member.</summary>
    internal static string LabelOf(JsonPropertyInfo property) =>
        property.AttributeProvider?.GetCustomAttributes(typeof(DisplayAttribute), inherit: false) is [DisplayAttribute { Name: { } name }]
            ? name : $"“{property.Name}”";

    private static JsonPropertyInfo? Find(JsonTypeInfo type, string name)
    {
        foreach (var property in type.Properties)
        {
            if (property.Name == name)
            {
                return property;
            }
        }

        return null;
    }

    private static string Join(string path, string name) => path.Length == 0 ? Shortened(name) : $"{path}.{Shortened(name)}";

    private static string Shortened(string name) => name.Length <= 60 ? name : name[..60] + "…";

    private static JsonSerializerOptions MakeOptions()
    {
        var options = new JsonSerializerOptions(JsonSerializerDefaults.Web)
        {
            PropertyNameCaseInsensitive = false,
            NumberHandling = JsonNumberHandling.Strict,
            RespectNullableAnnotations = true,
            DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
            Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
            Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false) },
            TypeInfoResolver = new DefaultJsonTypeInfoResolver(),
        };
        options.MakeReadOnly();
        return options;
    }
}
