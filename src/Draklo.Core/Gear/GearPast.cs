namespace Draklo.Core.Gear;

/// <summary>What is known of a piece's past, as its flags need it.</summary>
/// <param name="PeakN">The largest load that was ever read on it; null when none was.</param>
/// <param name="PeakOn">The day of that.</param>
/// <param name="LastInspectedOn">Null when nobody has looked yet.</param>
/// <param name="OpenSince">The day of an inspection that asked for another look; null when none is open.</param>
/// <param name="ShockOn">The day of a shock load since then; null when there was none.</param>
/// <param name="UsesSince">Days of work since it was last looked at.</param>
public sealed record GearPast(
    double? PeakN,
    string? PeakOn,
    string? LastInspectedOn,
    string? OpenSince,
    string? ShockOn = null,
    int UsesSince = 0
)
{
    public static GearPast None { get; } = new(null, null, null, null);
}
