namespace Draklo.Core.Catalogue;

/// <summary>A way of making rope, with figures for typical new ones; the rope's own label beats them.</summary>
public sealed record RopeConstruction
{
    public required string Id { get; init; }

    public required string Name { get; init; }

    public required string Fibre { get; init; }

    /// <summary>Breaking strength over diameter squared, newtons per square millimetre.</summary>
    public required double StrengthPerMm2 { get; init; }

    /// <summary>At a tenth of the breaking strength, as a fraction.</summary>
    public required double StretchAtTenPercent { get; init; }

    public required string OverBark { get; init; }

    public required string InBlocks { get; init; }

    public required string Kinks { get; init; }

    public required string Cover { get; init; }

    public required string Splice { get; init; }

    /// <summary>Fraction of its strength kept when soaked.</summary>
    public required double WetKeeps { get; init; }

    public required string Notes { get; init; }
}
