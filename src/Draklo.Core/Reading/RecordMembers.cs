using System.Collections.Concurrent;
using System.Reflection;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace Draklo.Core.Reading;

/// <summary>The members of a document's types, found one type at a time as a path leads there.</summary>
internal static class RecordMembers
{
    private static readonly ConcurrentDictionary<(Type, string), PropertyInfo> Known = new();

    /// <param name="name">As JSON has it.</param>
    public static PropertyInfo? Named(Type type, string name) =>
        Known.TryGetValue((type, name), out var known) ? known
        : Find(type, name) is { } found ? Known[(type, name)] = found
        : null;

    /// <summary>Of a list, or of a dictionary's values; null for any other type.</summary>
    public static Type? ElementOf(Type type) =>
        type == typeof(string) ? null
        : type.IsArray ? type.GetElementType()
        : !type.IsGenericType || Nullable.GetUnderlyingType(type) is not null ? null
        : type.Namespace!.StartsWith("System.Collections", StringComparison.Ordinal) ? type.GetGenericArguments()[^1]
        : null;

    private static PropertyInfo? Find(Type type, string name) =>
        ElementOf(type) is not null || type.Namespace?.StartsWith(nameof(Draklo), StringComparison.Ordinal) != true
            ? null
            : type.GetProperties(BindingFlags.Instance | BindingFlags.Public)
                .FirstOrDefault(p => NameOf(p) == name && !p.IsDefined(typeof(JsonIgnoreAttribute)));

    private static string NameOf(PropertyInfo property) =>
        property.GetCustomAttribute<JsonPropertyNameAttribute>()?.Name
        ?? JsonNamingPolicy.CamelCase.ConvertName(property.Name);
}
