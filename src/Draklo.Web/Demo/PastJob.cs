using System.Text.Json;
using Draklo.Core.Logs;
using Draklo.Core.Reading;

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

    /// <summary>The year behind, the oldest first.</summary>
    public static IReadOnlyList<PastJob> Year { get; } = Read();

    public static Dictionary<string, (double Latitude, double Longitude)> Places { get; } =
        new(StringComparer.Ordinal)
        {
            ["Ternholt shore"] = (54.012, -3.021),
            ["Osmere chapel"] = (54.004, -2.987),
            ["Sedge Mill"] = (53.991, -3.006),
            ["Hallow Rigg"] = (54.021, -2.962),
            ["Corran"] = (53.983, -2.974),
        };

    private static List<PastJob> Read()
    {
        using var stream = typeof(PastJob).Assembly.GetManifestResourceStream("Draklo.Web.Demo.past-jobs.json")!;
        return JsonSerializer.Deserialize<List<PastJob>>(stream, DocumentReader.Options)!;
    }
}
