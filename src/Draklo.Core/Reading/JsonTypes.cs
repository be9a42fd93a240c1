using System.Text.Json;
using System.Text.Json.Serialization.Metadata;

namespace Draklo.Core.Reading;

/// <summary>How types are found for JSON: by looking them up as they come, or by converters made when a home was built.</summary>
public static class JsonTypes
{
    /// <summary>Converters made when this home was built; null where types are looked up.</summary>
    internal static IJsonTypeInfoResolver? Built { get; private set; }

    internal static IJsonTypeInfoResolver Resolver =>
        Built is null ? new DefaultJsonTypeInfoResolver() : new BuiltFirst();

    /// <summary>Takes converters, where looking types up takes too long. Before the first document.</summary>
    public static void Take(IJsonTypeInfoResolver built) => Built = built;

    /// <summary>Types that nobody built a converter for are looked up once one of them comes.</summary>
    private sealed class BuiltFirst : IJsonTypeInfoResolver
    {
        private DefaultJsonTypeInfoResolver? rest;

        public JsonTypeInfo? GetTypeInfo(Type type, JsonSerializerOptions options) =>
            Built!.GetTypeInfo(type, options) ?? (rest ??= new()).GetTypeInfo(type, options);
    }
}
