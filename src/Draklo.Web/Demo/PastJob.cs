using Draklo.Core.Logs;

namespace Draklo.Web.Demo;

/// <summary>A job of the made-up year, as far as it differs from the others.</summary>
internal sealed record PastJob
{
    public required string Name { get; init; }

    public required string Place { get; init; }

    public required string SpeciesId { get; init; }

    /// <summary>Over the tree that the plan was drawn for.</summary>
    public required double Size { get; init; }

    public required bool LedByWenna { get; init; }

    public required int DaysAgo { get; init; }

    /// <summary>Tension read over tension needed.</summary>
    public required double Ratio { get; init; }

    /// <summary>How far to the right of the lay the top came down.</summary>
    public required double OffDeg { get; init; }

    public required double HoldShare { get; init; }

    public JobStage Stage { get; init; } = JobStage.Done;

    public static PastJob[] Year { get; } =
    [
        new()
        {
            Name = "Lime in the chapel row",
            Place = "Osmere chapel",
            SpeciesId = "lime",
            Size = 0.9,
            LedByWenna = false,
            DaysAgo = 341,
            Ratio = 0.95,
            OffDeg = 1.6,
            HoldShare = 0.95,
        },
        new()
        {
            Name = "Birch on Hallow Rigg",
            Place = "Hallow Rigg",
            SpeciesId = "birch-silver",
            Size = 0.8,
            LedByWenna = true,
            DaysAgo = 322,
            Ratio = 1.09,
            OffDeg = -2.2,
            HoldShare = 0.8,
        },
        new()
        {
            Name = "Spruce by the lower sluice",
            Place = "Sedge Mill",
            SpeciesId = "spruce-norway",
            Size = 1.05,
            LedByWenna = false,
            DaysAgo = 301,
            Ratio = 1.01,
            OffDeg = 0.7,
            HoldShare = 0.9,
        },
        new()
        {
            Name = "Ash over the allotment path",
            Place = "Corran",
            SpeciesId = "ash-european",
            Size = 0.95,
            LedByWenna = false,
            DaysAgo = 287,
            Ratio = 0.88,
            OffDeg = 3.1,
            HoldShare = 1.0,
        },
        new()
        {
            Name = "Alder in the reed bay",
            Place = "Ternholt shore",
            SpeciesId = "alder-black",
            Size = 0.75,
            LedByWenna = true,
            DaysAgo = 262,
            Ratio = 1.06,
            OffDeg = -3.8,
            HoldShare = 1.05,
        },
        new()
        {
            Name = "Lime by the ice house",
            Place = "Ternholt shore",
            SpeciesId = "lime",
            Size = 1.05,
            LedByWenna = false,
            DaysAgo = 240,
            Ratio = 0.90,
            OffDeg = -1.1,
            HoldShare = 1.0,
        },
        new()
        {
            Name = "Lime at the weir",
            Place = "Sedge Mill",
            SpeciesId = "lime",
            Size = 1.0,
            LedByWenna = true,
            DaysAgo = 219,
            Ratio = 0.97,
            OffDeg = 2.4,
            HoldShare = 1.05,
        },
        new()
        {
            Name = "Birch behind the smithy",
            Place = "Corran",
            SpeciesId = "birch-silver",
            Size = 0.85,
            LedByWenna = true,
            DaysAgo = 198,
            Ratio = 1.12,
            OffDeg = 1.3,
            HoldShare = 0.85,
        },
        new()
        {
            Name = "Spruce on the toll road",
            Place = "Hallow Rigg",
            SpeciesId = "spruce-norway",
            Size = 1.1,
            LedByWenna = false,
            DaysAgo = 171,
            Ratio = 0.94,
            OffDeg = -1.9,
            HoldShare = 1.0,
        },
        new()
        {
            Name = "Sycamore at the boat slip",
            Place = "Ternholt shore",
            SpeciesId = "maple-sycamore",
            Size = 1.0,
            LedByWenna = false,
            DaysAgo = 149,
            Ratio = 1.03,
            OffDeg = 0.4,
            HoldShare = 0.95,
            Stage = JobStage.CalledOff,
        },
        new()
        {
            Name = "Lime at the school gate",
            Place = "Corran",
            SpeciesId = "lime",
            Size = 0.95,
            LedByWenna = true,
            DaysAgo = 126,
            Ratio = 0.97,
            OffDeg = 2.7,
            HoldShare = 0.9,
        },
        new()
        {
            Name = "Ash under the quarry edge",
            Place = "Hallow Rigg",
            SpeciesId = "ash-european",
            Size = 0.9,
            LedByWenna = false,
            DaysAgo = 104,
            Ratio = 0.91,
            OffDeg = -0.8,
            HoldShare = 1.1,
        },
        new()
        {
            Name = "Alder on the islet",
            Place = "Ternholt shore",
            SpeciesId = "alder-black",
            Size = 0.8,
            LedByWenna = true,
            DaysAgo = 83,
            Ratio = 1.10,
            OffDeg = -4.4,
            HoldShare = 0.9,
        },
        new()
        {
            Name = "Lime in the walled garden",
            Place = "Osmere chapel",
            SpeciesId = "lime",
            Size = 1.0,
            LedByWenna = false,
            DaysAgo = 62,
            Ratio = 0.92,
            OffDeg = 1.2,
            HoldShare = 1.0,
        },
        new()
        {
            Name = "Birch by the pump house",
            Place = "Sedge Mill",
            SpeciesId = "birch-silver",
            Size = 0.8,
            LedByWenna = true,
            DaysAgo = 41,
            Ratio = 1.05,
            OffDeg = -2.9,
            HoldShare = 0.95,
        },
        new()
        {
            Name = "Ash at the ford",
            Place = "Sedge Mill",
            SpeciesId = "ash-european",
            Size = 1.0,
            LedByWenna = false,
            DaysAgo = 27,
            Ratio = 0.94,
            OffDeg = 1.8,
            HoldShare = 1.0,
            Stage = JobStage.Cleared,
        },
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
