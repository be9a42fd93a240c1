namespace Draklo.Core.Units;

public enum VerdictState
{
    /// <summary>Everything that is known holds.</summary>
    Ready,

    /// <summary>Something is tight, unusual or not known: look at it first.</summary>
    Check,

    /// <summary>Something fails.</summary>
    Stop,
}

/// <summary>One thing that a plan's verdict says.</summary>
/// <param name="Code">Stable name of what it says, as in "hinge-lets-go-first"; wordings change, codes do not.</param>
/// <param name="State">How serious it is; a reason that is "ready" is a remark.</param>
/// <param name="Text">The same in a sentence, in the reader's units.</param>
/// <param name="Path">The member to look at, when one is to blame.</param>
/// <param name="LinkId">The link it speaks of, when it speaks of one.</param>
/// <param name="Values">The figures behind it by name, SI; degrees where a name says Deg.</param>
public sealed record Reason(
    string Code,
    VerdictState State,
    string Text,
    string? Path,
    string? LinkId,
    IReadOnlyDictionary<string, double> Values
)
{
    /// <summary>Whether somebody may take it on by name: a check, unless whoever found it says otherwise.</summary>
    public bool Acceptable { get; init; } = State == VerdictState.Check;
}
