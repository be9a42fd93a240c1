using Draklo.Core.Plans;

namespace Draklo.Core.Links;

/// <summary>A change of one member of the plan.</summary>
/// <param name="Path">The member, as in "lines[0].knotId".</param>
/// <param name="Value">Its new value: a number, a text or a group of members; null takes the member away.</param>
public sealed record Change(string Path, object? Value);

/// <summary>One change to try.</summary>
internal sealed record Trial(string Text, Plan Plan, IReadOnlyList<Change> Changes);

/// <summary>Changes of one kind from the smallest upward.</summary>
internal sealed record Ladder(int Count, Func<int, Trial> Rung);
