using Draklo.Core.Reading;

namespace Draklo.Core.Catalogue;

/// <summary>The figures that ship with the product; each table is read once it is asked for.</summary>
public static class Reference
{
    public static IReadOnlyDictionary<string, Species> Species => field ??= ById<Species>("species.json", s => s.Id);

    public static IReadOnlyDictionary<string, ContactKind> Contacts =>
        field ??= ById<ContactKind>("contacts.json", c => c.Id);

    public static IReadOnlyDictionary<string, Knot> Knots => field ??= ById<Knot>("knots.json", k => k.Id);

    public static IReadOnlyDictionary<string, AnchorFigure> Anchors =>
        field ??= ById<AnchorFigure>("anchors.json", a => a.Id);

    public static IReadOnlyDictionary<string, Grip> Grips => field ??= ById<Grip>("grips.json", g => g.Id);

    public static IReadOnlyDictionary<string, RopeConstruction> Constructions =>
        field ??= ById<RopeConstruction>("constructions.json", c => c.Id);

    /// <summary>In the order of the terms.</summary>
    public static IReadOnlyList<GlossaryEntry> Glossary => field ??= Read<GlossaryEntry>("glossary.json");

    private static Dictionary<string, T> ById<T>(string name, Func<T, string> id) =>
        Read<T>(name).ToDictionary(id, StringComparer.Ordinal);

    private static List<T> Read<T>(string name)
    {
        using var stream =
            typeof(Reference).Assembly.GetManifestResourceStream(name)
            ?? throw new InvalidOperationException($"The table {name} is missing from the build.");
        var utf8 = new byte[stream.Length];
        stream.ReadExactly(utf8);
        return JsonTypes.Read<List<T>>(utf8);
    }
}
