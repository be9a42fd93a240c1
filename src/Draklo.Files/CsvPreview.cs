using Draklo.Core.Gear;

namespace Draklo.Files;

public enum RowAction
{
    Add,
    Change,

    /// <summary>The locker says the same already.</summary>
    Same,
    Refused,
}

/// <summary>What a row of a file will do.</summary>
/// <param name="Line">Of the file, the header being line 1.</param>
/// <param name="Text">In words: what is added, what changes from what to what, or why it is refused.</param>
public sealed record RowPreview(int Line, RowAction Action, string Id, string Name, string Text);

/// <summary>What a whole file will do. It goes in whole or not at all.</summary>
/// <param name="Items">What would be kept; empty when anything is refused.</param>
public sealed record CsvPreview(
    IReadOnlyList<RowPreview> Rows,
    IReadOnlyList<GearItem> Items,
    int Adds,
    int Changes,
    int Same,
    int Refused
);
