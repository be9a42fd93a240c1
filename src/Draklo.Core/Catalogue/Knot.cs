using System.Text.Json.Serialization;
using CsvHelper.Configuration.Attributes;

namespace Draklo.Core.Catalogue;

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

    /// <summary>The steps as the table writes them.</summary>
    [Name("steps")]
    [JsonIgnore]
    public string StepsInOneLine { get; init; } = "";

    /// <summary>How to tie it, step by step; none where no words for it have been checked.</summary>
    [Ignore]
    public IReadOnlyList<string> Steps => StepsInOneLine.Length == 0 ? [] : StepsInOneLine.Split('|');
}
