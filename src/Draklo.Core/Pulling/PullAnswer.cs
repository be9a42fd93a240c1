using Draklo.Core.Plans;

namespace Draklo.Core.Pulling;

public enum PullVerdict
{
    /// <summary>Something is still to be read or looked at.</summary>
    Wait,
    GoOn,
    LookAgain,
    Stop,
}

/// <summary>Something that was found at a step.</summary>
/// <param name="Code">Stable, kebab-case.</param>
public sealed record PullFinding(string Code, PullVerdict State, string Text);

/// <param name="Title">One sentence.</param>
/// <param name="Next">The step that a go leads to; null at the end.</param>
/// <param name="Findings">The most serious first.</param>
public sealed record PullAnswer(PullVerdict State, string Title, PullStep? Next, IReadOnlyList<PullFinding> Findings);

/// <summary>Collects what is found at a step.</summary>
internal sealed class FindingList
{
    private readonly List<PullFinding> list = [];

    public void Add(string code, PullVerdict state, string text) => list.Add(new(code, state, text));

    public void Stop(string code, string text) => Add(code, PullVerdict.Stop, text);

    public void Look(string code, string text) => Add(code, PullVerdict.LookAgain, text);

    public void Wait(string code, string text) => Add(code, PullVerdict.Wait, text);

    public List<PullFinding> Sorted() => [.. list.OrderByDescending(f => f.State)];
}
