namespace Draklo.Core.Gear;

/// <summary>What is known of a piece's past, as its flags need it.</summary>
/// <param name="PeakN">The largest load that was ever read on it; null when none was.</param>
/// <param name="PeakOn">The day of that.</param>
/// <param name="LastInspectedOn">Null when nobody has looked yet.</param>
/// <param name="OpenSince">The day of an inspection that asked for another look; null when none is open.</param>
public sealed record GearPast(double? PeakN, string? PeakOn, string? LastInspectedOn, string? OpenSince)
{
    public static GearPast None { get; } = new(null, null, null, null);
}
