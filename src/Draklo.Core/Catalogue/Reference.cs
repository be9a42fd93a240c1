using System.Collections.Frozen;
using System.Text.Json;
using Draklo.Core.Reading;

namespace Draklo.Core.Catalogue;

/// <summary>The figures that ship with the product.</summary>
public static class Reference
{
    public static FrozenDictionary<string, Species> Species { get; } =
        Read<Species>("species.json").ToFrozenDictionary(s => s.Id, StringComparer.Ordinal);

    public static FrozenDictionary<string, ContactKind> Contacts { get; } =
        Read<ContactKind>("contacts.json").ToFrozenDictionary(c => c.Id, StringComparer.Ordinal);

    public static FrozenDictionary<string, Knot> Knots { get; } =
        Read<Knot>("knots.json").ToFrozenDictionary(k => k.Id, StringComparer.Ordinal);

    public static FrozenDictionary<string, AnchorFigure> Anchors { get; } =
        Read<AnchorFigure>("anchors.json").ToFrozenDictionary(a => a.Id, StringComparer.Ordinal);

    public static FrozenDictionary<string, Grip> Grips { get; } =
        Read<Grip>("grips.json").ToFrozenDictionary(g => g.Id, StringComparer.Ordinal);

    public static FrozenDictionary<string, RopeConstruction> Constructions { get; } =
        Read<RopeConstruction>("constructions.json").ToFrozenDictionary(c => c.Id, StringComparer.Ordinal);

    /// <summary>In the order of the terms.</summary>
    public static IReadOnlyList<GlossaryEntry> Glossary { get; } = Read<GlossaryEntry>("glossary.json");

    private static List<T> Read<T>(string name)
    {
        using var stream =
            typeof(Reference).Assembly.GetManifestResourceStream(name)
            ?? throw new InvalidOperationException($"The table {name} is missing from the build.");
        return JsonSerializer.Deserialize<List<T>>(stream, DocumentReader.Options)!;
    }
}
