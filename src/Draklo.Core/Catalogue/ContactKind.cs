using Draklo.Core.Plans;

namespace Draklo.Core.Catalogue;

/// <summary>The share of tension that passes a half turn while hauling, 0 to 1.</summary>
public sealed record ContactKind
{
    public required string Id { get; init; }

    public required string Name { get; init; }

    /// <summary>Coefficient of friction, over 0.</summary>
    public required double Low { get; init; }

    /// <summary>Coefficient of friction, over 0.</summary>
    public required double Nominal { get; init; }

    /// <summary>Coefficient of friction, over 0.</summary>
    public required double High { get; init; }

    /// <summary>
    /// What the rope bends round when nothing larger is given, millimetres; null for a full-size sheave.
    /// </summary>
    public double? PinMm { get; init; }

    /// <summary>block, ring, carabiner, rope or bark: what has a strength of its own to check.</summary>
    public required string BuiltOf { get; init; }

    /// <summary>A kind of turn with the crew's own shares where it has some.</summary>
    public static ContactKind Of(string id, OwnPassMembers? own)
    {
        var table = Reference.Contacts[id];
        return own is null ? table : table with { Low = own.Low, Nominal = own.Nominal, High = own.High };
    }

    /// <summary>
    /// What passes where the rope turns by less than half a turn: <c>η^(φ/π)</c> where it slides, and
    /// <c>1 − (1 − η)·sin(φ/2)</c> on a sheave.
    /// </summary>
    /// <remarks>Method M15.</remarks>
    /// <param name="halfTurn">What passes at a half turn, over 0 to 1.</param>
    /// <param name="turned">How far the rope turns, radians: 0 straight on, π doubled back.</param>
    public double PassesAt(double halfTurn, double turned) =>
        BuiltOf == "block" ? 1 - ((1 - halfTurn) * Math.Sin(turned / 2)) : Math.Pow(halfTurn, turned / Math.PI);

    /// <summary>Whether it has a strength of its own to check: a block, ring or carabiner.</summary>
    public bool IsHardware => BuiltOf is "block" or "ring" or "carabiner";
}
