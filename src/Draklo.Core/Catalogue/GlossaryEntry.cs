using CsvHelper.Configuration.Attributes;

namespace Draklo.Core.Catalogue;

/// <summary>A word of the trade as Draklo uses it.</summary>
public sealed record GlossaryEntry
{
    [Name("id")]
    public required string Id { get; init; }

    [Name("term")]
    public required string Term { get; init; }

    [Name("text")]
    public required string Text { get; init; }

    /// <summary>Ids of related entries, with spaces between them; empty for none.</summary>
    [Name("see")]
    public required string See { get; init; }
}
