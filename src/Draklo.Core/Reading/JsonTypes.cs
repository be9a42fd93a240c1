using System.Text.Json.Serialization.Metadata;

namespace Draklo.Core.Reading;

/// <summary>How the types of documents and answers look to JSON: found out as they are met, unless a home knows better.</summary>
public static class JsonTypes
{
    public static IJsonTypeInfoResolver Resolver { get; private set; } = new DefaultJsonTypeInfoResolver();

    /// <summary>Takes descriptions made when the home was built, where looking types up takes too long. Before the first document.</summary>
    public static void Describe(IJsonTypeInfoResolver known) =>
        Resolver = JsonTypeInfoResolver.Combine(known, Resolver);
}
