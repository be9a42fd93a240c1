using Draklo.Core.Units;

namespace Draklo.Core.Days;

/// <summary>A task before it is set against the clock.</summary>
/// <param name="Minutes">Low, likely and high; triangular.</param>
/// <param name="People">How many it takes; never more than there are.</param>
/// <param name="After">Ids of what must be done first.</param>
/// <param name="DrawnUp">Whether the plan calls for it; otherwise the crew added it.</param>
/// <param name="Own">Whether its minutes are the crew's own.</param>
public sealed record DayTask(
    string Id,
    string Name,
    Spread Minutes,
    int People,
    IReadOnlyList<string> After,
    bool DrawnUp,
    bool Own
)
{
    /// <summary>Whether the crew's own minutes rise from at least over likely to at most.</summary>
    public bool InOrder { get; init; } = true;

    public static DayTask Drawn(
        string id,
        string name,
        (double Low, double Likely, double High) minutes,
        int people,
        params string[] after
    ) => new(id, name, new(minutes.Low, minutes.Likely, minutes.High), people, after, DrawnUp: true, Own: false);
}
