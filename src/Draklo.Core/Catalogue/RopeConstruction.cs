using CsvHelper.Configuration.Attributes;

namespace Draklo.Core.Catalogue;

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
