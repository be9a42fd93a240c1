using System.Collections.Frozen;
using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
using Draklo.Core.Plans;

namespace Draklo.Core.Catalogue;

/// <summary>The figures that ship with the product.</summary>
public static class Reference
{
    public static FrozenDictionary<string, Species> Species { get; } =
        Read<Species>("species.csv").ToFrozenDictionary(s => s.Id, StringComparer.Ordinal);

    public static FrozenDictionary<string, ContactKind> Contacts { get; } =
        Read<ContactKind>("contacts.csv").ToFrozenDictionary(c => c.Id, StringComparer.Ordinal);

    public static FrozenDictionary<string, Knot> Knots { get; } =
        Read<Knot>("knots.csv").ToFrozenDictionary(k => k.Id, StringComparer.Ordinal);

    public static FrozenDictionary<string, AnchorFigure> Anchors { get; } =
        Read<AnchorFigure>("anchors.csv").ToFrozenDictionary(a => a.Id, StringComparer.Ordinal);

    public static FrozenDictionary<string, Grip> Grips { get; } =
        Read<Grip>("grips.csv").ToFrozenDictionary(g => g.Id, StringComparer.Ordinal);

    public static FrozenDictionary<string, RopeConstruction> Constructions { get; } =
        Read<RopeConstruction>("constructions.csv").ToFrozenDictionary(c => c.Id, StringComparer.Ordinal);

    /// <summary>In the order of the terms.</summary>
    public static IReadOnlyList<GlossaryEntry> Glossary { get; } = Read<GlossaryEntry>("glossary.csv");

    private static List<T> Read<T>(string name)
    {
        using var stream =
            typeof(Reference).Assembly.GetManifestResourceStream(name)
            ?? throw new InvalidOperationException($"The table {name} is missing from the build.");
        using var reader = new CsvReader(
            new StreamReader(stream),
            new CsvConfiguration(CultureInfo.InvariantCulture) { PrepareHeaderForMatch = h => h.Header }
        );
        reader.Context.TypeConverterOptionsCache.GetOptions<HingeClass>().EnumIgnoreCase = true;
        reader.Context.TypeConverterOptionsCache.GetOptions<SplitTendency>().EnumIgnoreCase = true;
        reader.Context.TypeConverterOptionsCache.GetOptions<Habit>().EnumIgnoreCase = true;
        reader.Context.TypeConverterOptionsCache.GetOptions<double?>().NullValues.Add("");
        return reader.GetRecords<T>().ToList();
    }
}
