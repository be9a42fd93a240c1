namespace Draklo.Core.Catalogue;

/// <summary>A figure for an anchor: what roots, pickets and soil hold, how weights grip.</summary>
public sealed record AnchorFigure
{
    public required string Id { get; init; }

    /// <summary>roots, pickets, soil, grip, or drag: a log over the ground.</summary>
    public required string Kind { get; init; }

    public required string Name { get; init; }

    /// <summary>In <see cref="Unit"/>, over 0.</summary>
    public required double Low { get; init; }

    /// <summary>In <see cref="Unit"/>, over 0.</summary>
    public required double Nominal { get; init; }

    /// <summary>In <see cref="Unit"/>, over 0.</summary>
    public required double High { get; init; }

    /// <summary>Nm/kg of stem, N, Pa for each metre of depth, or x, a plain ratio.</summary>
    public required string Unit { get; init; }
}
