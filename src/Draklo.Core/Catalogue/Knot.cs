namespace Draklo.Core.Catalogue;

/// <summary>A knot and the fraction of the rope's strength that it keeps. Checks use <see cref="KeepsLow"/>.</summary>
public sealed record Knot
{
    public required string Id { get; init; }

    public required string Name { get; init; }

    public required string Use { get; init; }

    /// <summary>Share of the rope's strength, over 0 to 1.</summary>
    public required double KeepsLow { get; init; }

    /// <summary>Share of the rope's strength, over 0 to 1.</summary>
    public required double KeepsNominal { get; init; }

    /// <summary>Whether it can be made without an end of the rope.</summary>
    public required bool Midline { get; init; }

    /// <summary>How it comes undone after a hard pull: easy, stiff, jams, slips or none.</summary>
    public required string After { get; init; }

    /// <summary>What it is for.</summary>
    public required string Purpose { get; init; }

    /// <summary>Which parts may carry.</summary>
    public required string Loads { get; init; }

    /// <summary>How to dress and check it.</summary>
    public required string Dress { get; init; }

    /// <summary>What goes wrong with it.</summary>
    public required string Wrong { get; init; }

    /// <summary>How to tie it, step by step; none where no words for it have been checked.</summary>
    public IReadOnlyList<string> Steps { get; init; } = [];
}
