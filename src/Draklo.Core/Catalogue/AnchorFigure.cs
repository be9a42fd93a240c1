using CsvHelper.Configuration.Attributes;

namespace Draklo.Core.Catalogue;

/// <summary>A figure for an anchor: what roots, pickets and soil hold, how weights grip.</summary>
public sealed record AnchorFigure
{
    [Name("id")]
    public required string Id { get; init; }

    /// <summary>roots, pickets, soil, grip, or drag: a log over the ground.</summary>
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
