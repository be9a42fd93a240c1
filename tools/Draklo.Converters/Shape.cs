using System;
using System.Collections.Generic;
using System.Linq;
using Microsoft.CodeAnalysis;

namespace Draklo.Converters;

/// <summary>How a type stands in JSON; plain values come first.</summary>
internal enum ShapeKind
{
    Number,
    Whole,
    Flag,
    Text,
    Choice,
    List,
    Dictionary,
    Record,

    /// <summary>Anything else, such as a date: the JSON package's own converter writes it.</summary>
    Value,
}

/// <summary>What the converters must know of a type.</summary>
internal sealed class Shape
{
    private static readonly string[] Lists = ["IReadOnlyList", "IReadOnlyCollection", "IEnumerable", "IList", "List"];
    private static readonly string[] Dictionaries = ["IReadOnlyDictionary", "IDictionary", "Dictionary"];

    private Shape(ITypeSymbol type, ShapeKind kind, ITypeSymbol? element = null)
    {
        Type = type;
        Kind = kind;
        Element = element;
    }

    /// <summary>Without the question mark.</summary>
    public ITypeSymbol Type { get; }

    public ShapeKind Kind { get; }

    /// <summary>Of a list, or of a dictionary's values.</summary>
    public ITypeSymbol? Element { get; }

    /// <summary>As it is written in code, without a question mark of its own.</summary>
    public string Name => Type.WithNullableAnnotation(NullableAnnotation.NotAnnotated).ToDisplayString(Format);

    public static SymbolDisplayFormat Format { get; } =
        SymbolDisplayFormat.FullyQualifiedFormat.AddMiscellaneousOptions(
            SymbolDisplayMiscellaneousOptions.IncludeNullableReferenceTypeModifier
        );

    public static Shape Of(ITypeSymbol declared)
    {
        var type = declared is INamedTypeSymbol { OriginalDefinition.SpecialType: SpecialType.System_Nullable_T } maybe
            ? maybe.TypeArguments[0]
            : declared;
        switch (type.SpecialType)
        {
            case SpecialType.System_Double:
                return new(type, ShapeKind.Number);
            case SpecialType.System_Int32:
                return new(type, ShapeKind.Whole);
            case SpecialType.System_Boolean:
                return new(type, ShapeKind.Flag);
            case SpecialType.System_String:
                return new(type, ShapeKind.Text);
            default:
                break;
        }

        if (type.TypeKind == TypeKind.Enum)
        {
            return new(type, ShapeKind.Choice);
        }

        if (type is IArrayTypeSymbol array)
        {
            return new(type, ShapeKind.List, array.ElementType);
        }

        var named = (INamedTypeSymbol)type;
        var home = named.ContainingNamespace.ToDisplayString();
        if (home == "System.Collections.Generic" && named.TypeArguments.Length == 1 && Lists.Contains(named.Name))
        {
            return new(type, ShapeKind.List, named.TypeArguments[0]);
        }

        if (home == "System.Collections.Immutable" && named.Name == "ImmutableArray")
        {
            return new(type, ShapeKind.List, named.TypeArguments[0]);
        }

        if (
            home == "System.Collections.Generic"
            && Dictionaries.Contains(named.Name)
            && named.TypeArguments[0].SpecialType == SpecialType.System_String
        )
        {
            return new(type, ShapeKind.Dictionary, named.TypeArguments[1]);
        }

        return new(type, home.StartsWith("Draklo", StringComparison.Ordinal) ? ShapeKind.Record : ShapeKind.Value);
    }

    /// <summary>Whether null may stand in a place that is declared so.</summary>
    public static bool CanBeNull(ITypeSymbol declared) =>
        declared.IsValueType
            ? declared.OriginalDefinition.SpecialType == SpecialType.System_Nullable_T
            : declared.NullableAnnotation != NullableAnnotation.NotAnnotated;

    /// <summary>Its members as JSON has them, in their order: those of the type itself before those it inherits.</summary>
    public IReadOnlyList<Member> Members()
    {
        var found = new List<Member>();
        for (var type = Type; type is { SpecialType: SpecialType.None }; type = type.BaseType)
        {
            found.AddRange(
                type.GetMembers()
                    .OfType<IPropertySymbol>()
                    .Where(p => !p.IsStatic && !p.IsIndexer && p.DeclaredAccessibility == Accessibility.Public)
                    .Where(p => p.GetMethod is { DeclaredAccessibility: Accessibility.Public })
                    .Where(p => found.TrueForAll(f => f.Property.Name != p.Name))
                    .Where(p => Attribute(p, "JsonIgnoreAttribute") is null)
                    .Select(p => new Member(p))
            );
        }

        return found;
    }

    internal static AttributeData? Attribute(ISymbol of, string name) =>
        of.GetAttributes().FirstOrDefault(a => a.AttributeClass?.Name == name);
}

/// <summary>A member of a record.</summary>
internal sealed class Member(IPropertySymbol property)
{
    public IPropertySymbol Property { get; } = property;

    /// <summary>In JSON.</summary>
    public string Name { get; } =
        Shape.Attribute(property, "JsonPropertyNameAttribute")?.ConstructorArguments[0].Value as string
        ?? Named(property.Name);

    public Shape Shape { get; } = Shape.Of(property.Type);

    public bool CanBeNull { get; } = Shape.CanBeNull(property.Type);

    public bool CanBeSet { get; } = property.SetMethod is { DeclaredAccessibility: Accessibility.Public };

    public string DeclaredAs { get; } = property.Type.ToDisplayString(Shape.Format);

    /// <summary>In camel case, as the JSON package has it: capitals at the start become small up to the last before a small letter.</summary>
    public static string Named(string name)
    {
        var letters = name.ToCharArray();
        for (var i = 0; i < letters.Length && char.IsUpper(letters[i]); i++)
        {
            if (i > 0 && i + 1 < letters.Length && !char.IsUpper(letters[i + 1]))
            {
                break;
            }

            letters[i] = char.ToLowerInvariant(letters[i]);
        }

        return new string(letters);
    }
}
