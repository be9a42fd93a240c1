using System.Text.Json.Serialization;
using CsvHelper.Configuration.Attributes;

namespace Draklo.Core.Catalogue;

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

    /// <summary>Its name up to the first comma, as it stands within a sentence.</summary>
    [Ignore]
    public string ShortName => Name.Split(',')[0];

    /// <summary>The steps as the table writes them.</summary>
    [Name("steps")]
    [JsonIgnore]
    public string StepsInOneLine { get; init; } = "";

    /// <summary>How to tie it, step by step; none where no words for it have been checked.</summary>
    [Ignore]
    public IReadOnlyList<string> Steps => StepsInOneLine.Length == 0 ? [] : StepsInOneLine.Split('|');
}
