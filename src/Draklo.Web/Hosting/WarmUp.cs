using System.Text.Json;
using Draklo.Core.Analyses;
using Draklo.Core.Catalogue;
using Draklo.Core.Plans;
using Draklo.Core.Reading;

namespace Draklo.Web.Hosting;

/// <summary>
/// Runs the sums a few hundred times once the application listens, so that the first drag is followed as promptly as
/// the hundredth.
/// </summary>
internal static class WarmUp
{
    private const int Times = 200;

    public static void Begin() =>
        new Thread(Run)
        {
            IsBackground = true,
            Priority = ThreadPriority.Lowest,
            Name = "warm-up",
        }.Start();

    private static void Run()
    {
        var plan = JsonSerializer.SerializeToUtf8Bytes(FirstPlan.Make(), DocumentReader.Options);
        for (var i = 0; i < Times; i++)
        {
            var read = DocumentReader.Read<Plan>(plan).Document!;
            JsonSerializer.SerializeToUtf8Bytes(
                PlanAnalysis.Of(read, withWorkings: i % 2 == 0).Analysis,
                DocumentReader.Options
            );
        }
    }
}
