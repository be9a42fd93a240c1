using System.Text.Json;
using System.Text.Json.Serialization.Metadata;

namespace Draklo.Core.Reading;

/// <summary>How types are found for JSON: by looking them up as they come, or by converters made when a home was built.</summary>
public static class JsonTypes
{
    /// <summary>Converters made when this home was built; null where types are looked up.</summary>
    internal static IBuiltConverters? Built { get; private set; }

    internal static IJsonTypeInfoResolver Resolver => Built is null ? LookedUp() : new BuiltFirst();

    /// <summary>
    /// Types as they are looked up. A member that may be null may be left out, also where code must name it: what is null is
    /// not written.
    /// </summary>
    internal static DefaultJsonTypeInfoResolver LookedUp() =>
        new()
        {
            Modifiers =
            {
                static type =>
                {
                    foreach (var member in type.Properties.Where(p => p.IsRequired && p.IsSetNullable))
                    {
                        member.IsRequired = false;
                    }
                },
            },
        };

    /// <summary>Takes converters, where looking types up takes too long. Before the first document.</summary>
    public static void Take(IBuiltConverters built) => Built = built;

    /// <summary>Reads what this product wrote itself.</summary>
    public static T Read<T>(ReadOnlySpan<byte> utf8)
        where T : class =>
        Built?.For<T>() is { } converter
            ? converter.Read(utf8, isStrict: false)
            : JsonSerializer.Deserialize<T>(utf8, DocumentReader.Options)!;

    /// <summary>Types that nobody built a converter for are looked up once one of them comes.</summary>
    private sealed class BuiltFirst : IJsonTypeInfoResolver
    {
        private DefaultJsonTypeInfoResolver? rest;

        public JsonTypeInfo? GetTypeInfo(Type type, JsonSerializerOptions options) =>
            Built!.GetTypeInfo(type, options) ?? (rest ??= LookedUp()).GetTypeInfo(type, options);
    }
}
