using System.Reflection;
using System.Text.Json;
using System.Text.Json.Serialization.Metadata;

namespace Draklo.Browser;

/// <summary>Descriptions made at build time, read as the server reads: a member that is left out keeps what the record begins it with.</summary>
/// <remarks>
/// The generator hands init-only members to the object's making, all of them, and what a document leaves out becomes 0 or
/// nothing. Here the object is made first, with what its members begin with, and each member that is there is set.
/// </remarks>
internal sealed class WithDefaults(IJsonTypeInfoResolver described) : IJsonTypeInfoResolver
{
    public JsonTypeInfo? GetTypeInfo(Type type, JsonSerializerOptions options)
    {
        var known = described.GetTypeInfo(type, options);
        if (
            known is not { Kind: JsonTypeInfoKind.Object, CreateObject: null }
            || type.GetConstructor(Type.EmptyTypes) is null
        )
        {
            return known;
        }

        var made = JsonTypeInfo.CreateJsonTypeInfo(type, options);
        made.CreateObject = () => Activator.CreateInstance(type)!;
        foreach (var member in known.Properties)
        {
            made.Properties.Add(Copy(member, made));
        }

        return made;
    }

    private static JsonPropertyInfo Copy(JsonPropertyInfo member, JsonTypeInfo into)
    {
        var copy = into.CreateJsonPropertyInfo(member.PropertyType, member.Name);
        var property = member.AttributeProvider as PropertyInfo;
        copy.Get = member.Get;
        // The generator's own setters of init-only members do nothing but refuse.
        copy.Set = property?.SetMethod is { } set ? (of, value) => set.Invoke(of, [value]) : member.Set;
        copy.AttributeProvider = property;
        copy.CustomConverter = member.CustomConverter;
        copy.IsRequired = member.IsRequired;
        copy.IsGetNullable = member.IsGetNullable;
        copy.IsSetNullable = member.IsSetNullable;
        copy.NumberHandling = member.NumberHandling;
        copy.Order = member.Order;
        copy.ShouldSerialize = member.ShouldSerialize;
        return copy;
    }
}
