namespace Draklo.Core.Catalogue;

/// <summary>A word of the trade as Draklo uses it.</summary>
public sealed record GlossaryEntry
{
    public required string Id { get; init; }

    public required string Term { get; init; }

    public required string Text { get; init; }

    /// <summary>Ids of related entries, with spaces between them; empty for none.</summary>
    public required string See { get; init; }
}
