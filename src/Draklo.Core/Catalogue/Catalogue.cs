using System.Collections.Frozen;
using System.ComponentModel.DataAnnotations;
using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
using CsvHelper.Configuration.Attributes;
using Draklo.Core.Plans;

namespace Draklo.Core.Catalogue;

/// <summary>Green wood of a species. Density scatters by 12 %, strength by 20 % from tree to tree.</summary>
/// <remarks>
/// Rounded from the public tables of the USDA Forest Products Laboratory wood handbook and the British
/// building-research tables.
/// </remarks>
public sealed record Species
{
    [Name("id")]
    [Display(Name = "Id of the species")]
    public required string Id { get; init; }

    [Name("name")]
    [Display(Name = "Name of the species")]
    public required string Name { get; init; }

    [Name("latin")]
    [Display(Name = "Latin name")]
    public required string Latin { get; init; }

    [Name("density_kg_m3")]
    [Display(Name = "Green density", Description = "Kilograms per cubic metre as felled.")]
    [Range(300, 1500)]
    public required double GreenDensityKgM3 { get; init; }

    [Name("mor_mpa")]
    [Display(Name = "Bending strength", Description = "Green modulus of rupture, megapascals.")]
    [Range(10, 150)]
    public required double BendingStrengthMPa { get; init; }

    [Name("e_gpa")]
    [Display(Name = "Stiffness", Description = "Green modulus of elasticity, gigapascals.")]
    [Range(1, 25)]
    public required double StiffnessGPa { get; init; }

    [Name("hinge")]
    public required HingeClass HingeClass { get; init; }

    [Name("splits")]
    public required SplitTendency Splits { get; init; }

    [Name("habit")]
    public required Habit Habit { get; init; }

    /// <summary>Where the figures come from.</summary>
    [Ignore]
    public string Source { get; init; } =
        "USDA Forest Products Laboratory and British building-research tables, rounded";
}

public enum SplitTendency
{
    Low,
    Medium,
    High,
}

public enum Habit
{
    Broadleaf,
    Conifer,
}

/// <summary>The share of tension that passes a half turn while hauling, 0 to 1.</summary>
public sealed record ContactKind
{
    [Name("id")]
    public required string Id { get; init; }

    [Name("name")]
    public required string Name { get; init; }

    [Name("low")]
    public required double Low { get; init; }

    [Name("nominal")]
    public required double Nominal { get; init; }

    [Name("high")]
    public required double High { get; init; }

    /// <summary>
    /// What the rope bends round when nothing larger is given, millimetres; null for a full-size sheave.
    /// </summary>
    [Name("pin_mm")]
    public double? PinMm { get; init; }

    /// <summary>block, ring, carabiner, rope or bark: what has a strength of its own to check.</summary>
    [Name("built_of")]
    public required string BuiltOf { get; init; }
}

/// <summary>A knot and the fraction of the rope's strength that it keeps. Checks use <see cref="KeepsLow"/>.</summary>
public sealed record Knot
{
    [Name("id")]
    public required string Id { get; init; }

    [Name("name")]
    public required string Name { get; init; }

    [Name("use")]
    public required string Use { get; init; }

    [Name("keeps_low")]
    public required double KeepsLow { get; init; }

    [Name("keeps_nominal")]
    public required double KeepsNominal { get; init; }

    /// <summary>Whether it can be made without an end of the rope.</summary>
    [Name("midline"), BooleanTrueValues("yes"), BooleanFalseValues("no")]
    public required bool Midline { get; init; }

    /// <summary>How it comes undone after a hard pull: easy, stiff, jams, slips or none.</summary>
    [Name("after")]
    public required string After { get; init; }

    /// <summary>What it is for.</summary>
    [Name("purpose")]
    public required string Purpose { get; init; }

    /// <summary>Which parts may carry.</summary>
    [Name("loads")]
    public required string Loads { get; init; }

    /// <summary>How to dress and check it.</summary>
    [Name("dress")]
    public required string Dress { get; init; }

    /// <summary>What goes wrong with it.</summary>
    [Name("wrong")]
    public required string Wrong { get; init; }
}

/// <summary>A friction hitch that joins a tackle to a loaded line, or holds what was won.</summary>
public sealed record Grip
{
    [Name("id")]
    public required string Id { get; init; }

    [Name("name")]
    public required string Name { get; init; }

    /// <summary>closed loop or eye-to-eye cord.</summary>
    [Name("made_from")]
    public required string MadeFrom { get; init; }

    /// <summary>Legs of its cord that share the load.</summary>
    [Name("legs")]
    public required int Legs { get; init; }

    /// <summary>For a cord of 0.6 to 0.8 of the line's diameter.</summary>
    [Name("wraps")]
    public required string Wraps { get; init; }

    /// <summary>
    /// Where a well-set one starts to creep on a 12 to 13 mm line, newtons: a low estimate, to be proved in
    /// pre-tension.
    /// </summary>
    [Name("slip_low_n")]
    public required double SlipLowN { get; init; }

    [Name("both_ways"), BooleanTrueValues("yes"), BooleanFalseValues("no")]
    public required bool BothWays { get; init; }

    /// <summary>How it moves along the line after a load: badly or well.</summary>
    [Name("moves_after_load")]
    public required string MovesAfterLoad { get; init; }

    /// <summary>Over how much rope it spreads its bite: little, more or most.</summary>
    [Name("spreads_load")]
    public required string SpreadsLoad { get; init; }

    [Name("purpose")]
    public required string Purpose { get; init; }

    [Name("dress")]
    public required string Dress { get; init; }

    [Name("wrong")]
    public required string Wrong { get; init; }
}

/// <summary>A way of making rope, with figures for typical new ones; the rope's own label beats them.</summary>
public sealed record RopeConstruction
{
    [Name("id")]
    public required string Id { get; init; }

    [Name("name")]
    public required string Name { get; init; }

    [Name("fibre")]
    public required string Fibre { get; init; }

    /// <summary>Breaking strength over diameter squared, newtons per square millimetre.</summary>
    [Name("strength_per_mm2")]
    public required double StrengthPerMm2 { get; init; }

    /// <summary>At a tenth of the breaking strength, as a fraction.</summary>
    [Name("stretch")]
    public required double StretchAtTenPercent { get; init; }

    [Name("over_bark")]
    public required string OverBark { get; init; }

    [Name("in_blocks")]
    public required string InBlocks { get; init; }

    [Name("kinks")]
    public required string Kinks { get; init; }

    [Name("cover")]
    public required string Cover { get; init; }

    [Name("splice")]
    public required string Splice { get; init; }

    /// <summary>Fraction of its strength kept when soaked.</summary>
    [Name("wet_keeps")]
    public required double WetKeeps { get; init; }

    [Name("notes")]
    public required string Notes { get; init; }
}

/// <summary>A figure for an anchor: what roots, pickets and soil hold, how weights grip.</summary>
public sealed record AnchorFigure
{
    [Name("id")]
    public required string Id { get; init; }

    /// <summary>roots, pickets, soil or grip.</summary>
    [Name("kind")]
    public required string Kind { get; init; }

    [Name("name")]
    public required string Name { get; init; }

    [Name("low")]
    public required double Low { get; init; }

    [Name("nominal")]
    public required double Nominal { get; init; }

    [Name("high")]
    public required double High { get; init; }

    /// <summary>Nm/kg of stem, N, Pa for each metre of depth, or x, a plain ratio.</summary>
    [Name("unit")]
    public required string Unit { get; init; }
}

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
