namespace Draklo.Core.Catalogue;

/// <summary>A friction hitch that joins a tackle to a loaded line, or holds what was won.</summary>
public sealed record Grip
{
    public required string Id { get; init; }

    public required string Name { get; init; }

    /// <summary>closed loop or eye-to-eye cord.</summary>
    public required string MadeFrom { get; init; }

    /// <summary>Legs of its cord that share the load.</summary>
    public required int Legs { get; init; }

    /// <summary>For a cord of 0.6 to 0.8 of the line's diameter.</summary>
    public required string Wraps { get; init; }

    /// <summary>
    /// Where a well-set one starts to creep on a 12 to 13 mm line, newtons: a low estimate, to be proved in
    /// pre-tension.
    /// </summary>
    public required double SlipLowN { get; init; }

    public required bool BothWays { get; init; }

    /// <summary>How it moves along the line after a load: badly or well.</summary>
    public required string MovesAfterLoad { get; init; }

    /// <summary>Over how much rope it spreads its bite: little, more or most.</summary>
    public required string SpreadsLoad { get; init; }

    public required string Purpose { get; init; }

    public required string Dress { get; init; }

    public required string Wrong { get; init; }

    /// <summary>Its name up to the first comma, as it stands within a sentence.</summary>
    public string ShortName => Name.Split(',')[0];

    /// <summary>How to tie it, step by step; none where no words for it have been checked.</summary>
    public IReadOnlyList<string> Steps { get; init; } = [];
}
