using Draklo.Core.Logs;

namespace Draklo.Web.Demo;

/// <summary>A job of the made-up year, as far as it differs from the others.</summary>
/// <param name="Size">Over the tree that the plan was drawn for.</param>
/// <param name="Ratio">Tension read over tension needed.</param>
/// <param name="OffDeg">How far to the right of the lay the top came down.</param>
internal sealed record PastJob(
    string Name,
    string Place,
    string SpeciesId,
    double Size,
    bool LedByWenna,
    int DaysAgo,
    double Ratio,
    double OffDeg,
    double HoldShare,
    JobStage Stage = JobStage.Done
)
{
    public static PastJob[] Year { get; } =
    [
        new("Lime in the chapel row", "Osmere chapel", "lime", 0.9, false, 341, 0.95, 1.6, 0.95),
        new("Birch on Hallow Rigg", "Hallow Rigg", "birch-silver", 0.8, true, 322, 1.09, -2.2, 0.8),
        new("Spruce by the lower sluice", "Sedge Mill", "spruce-norway", 1.05, false, 301, 1.01, 0.7, 0.9),
        new("Ash over the allotment path", "Corran", "ash-european", 0.95, false, 287, 0.88, 3.1, 1.0),
        new("Alder in the reed bay", "Ternholt shore", "alder-black", 0.75, true, 262, 1.06, -3.8, 1.05),
        new("Lime by the ice house", "Ternholt shore", "lime", 1.05, false, 240, 0.90, -1.1, 1.0),
        new("Lime at the weir", "Sedge Mill", "lime", 1.0, true, 219, 0.97, 2.4, 1.05),
        new("Birch behind the smithy", "Corran", "birch-silver", 0.85, true, 198, 1.12, 1.3, 0.85),
        new("Spruce on the toll road", "Hallow Rigg", "spruce-norway", 1.1, false, 171, 0.94, -1.9, 1.0),
        new(
            "Sycamore at the boat slip",
            "Ternholt shore",
            "maple-sycamore",
            1.0,
            false,
            149,
            1.03,
            0.4,
            0.95,
            JobStage.CalledOff
        ),
        new("Lime at the school gate", "Corran", "lime", 0.95, true, 126, 0.97, 2.7, 0.9),
        new("Ash under the quarry edge", "Hallow Rigg", "ash-european", 0.9, false, 104, 0.91, -0.8, 1.1),
        new("Alder on the islet", "Ternholt shore", "alder-black", 0.8, true, 83, 1.10, -4.4, 0.9),
        new("Lime in the walled garden", "Osmere chapel", "lime", 1.0, false, 62, 0.92, 1.2, 1.0),
        new("Birch by the pump house", "Sedge Mill", "birch-silver", 0.8, true, 41, 1.05, -2.9, 0.95),
        new("Ash at the ford", "Sedge Mill", "ash-european", 1.0, false, 27, 0.94, 1.8, 1.0, JobStage.Cleared),
    ];

    public static Dictionary<string, (double Latitude, double Longitude)> Places { get; } =
        new(StringComparer.Ordinal)
        {
            ["Ternholt shore"] = (54.012, -3.021),
            ["Osmere chapel"] = (54.004, -2.987),
            ["Sedge Mill"] = (53.991, -3.006),
            ["Hallow Rigg"] = (54.021, -2.962),
            ["Corran"] = (53.983, -2.974),
        };
}
