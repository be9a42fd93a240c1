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

/// <param name="State">How grave it is; a reason that is "ready" is a remark.</param>
/// <param name="Path">The member to look at, when one is to blame.</param>
/// <param name="LinkId">The link it speaks of, when it speaks of one.</param>
public sealed record Reason(VerdictState State, string Text, string? Path = null, string? LinkId = null);
