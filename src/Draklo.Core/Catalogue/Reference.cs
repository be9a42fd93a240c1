using System.Text.Json;
using Draklo.Core.Reading;

namespace Draklo.Core.Catalogue;

/// <summary>The figures that ship with the product.</summary>
public static class Reference
{
    public static IReadOnlyDictionary<string, Species> Species { get; } =
        Read<Species>("species.json").ToDictionary(s => s.Id, StringComparer.Ordinal);

    public static IReadOnlyDictionary<string, ContactKind> Contacts { get; } =
        Read<ContactKind>("contacts.json").ToDictionary(c => c.Id, StringComparer.Ordinal);

    public static IReadOnlyDictionary<string, Knot> Knots { get; } =
        Read<Knot>("knots.json").ToDictionary(k => k.Id, StringComparer.Ordinal);

    public static IReadOnlyDictionary<string, AnchorFigure> Anchors { get; } =
        Read<AnchorFigure>("anchors.json").ToDictionary(a => a.Id, StringComparer.Ordinal);

    public static IReadOnlyDictionary<string, Grip> Grips { get; } =
        Read<Grip>("grips.json").ToDictionary(g => g.Id, StringComparer.Ordinal);

    public static IReadOnlyDictionary<string, RopeConstruction> Constructions { get; } =
        Read<RopeConstruction>("constructions.json").ToDictionary(c => c.Id, StringComparer.Ordinal);

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
