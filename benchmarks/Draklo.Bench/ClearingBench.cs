using System.Diagnostics;
using System.Text.Json.Nodes;
using Draklo.Core.Clearing;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Rigging;
using Draklo.Core.Units;

namespace Draklo.Bench;

/// <summary>Clearing: one way's full check, a load's whole travel over its line, all ways of a plan together.</summary>
internal static class ClearingBench
{
    private const int Rounds = 400;

    public static void Run()
    {
        Console.WriteLine("Clearing, medians and p95 of single checks");
        foreach (var file in new[] { "bank", "glass", "alder" })
        {
            var plan = Read(file);
            foreach (var way in Enum.GetValues<ClearingWay>())
            {
                if (ClearingAnalysis.CheckOf(plan, way, UnitSystem.Metric).Way is { SetUp: true })
                {
                    Say($"{file}, {way}: full check", () => ClearingAnalysis.CheckOf(plan, way, UnitSystem.Metric));
                }
            }

            Say($"{file}: all ways and what they are compared by", () => ClearingAnalysis.Of(plan, UnitSystem.Metric));
        }

        var line = HungLine.Sagging(52, 33, 6, 1863, 133_000);
        Say(
            "a loaded line's travel, 100 places",
            () =>
            {
                for (var i = 1; i <= 100; i++)
                {
                    line.Under(1863, 52.0 * i / 101);
                }
            }
        );
    }

    private static void Say(string what, Action once)
    {
        // Until the run-time has compiled it for good.
        var until = Stopwatch.GetTimestamp() + (Stopwatch.Frequency * 3 / 4);
        while (Stopwatch.GetTimestamp() < until)
        {
            once();
        }

        var times = new double[Rounds];
        for (var i = 0; i < Rounds; i++)
        {
            var start = Stopwatch.GetTimestamp();
            once();
            times[i] = Stopwatch.GetElapsedTime(start).TotalMicroseconds;
        }

        Array.Sort(times);
        Console.WriteLine($"  {what}: {times[Rounds / 2]:0} µs, p95 {times[Rounds * 95 / 100]:0} µs");
    }

    private static Plan Read(string file)
    {
        var folder = AppContext.BaseDirectory;
        while (!File.Exists(Path.Combine(folder, "Draklo.slnx")))
        {
            folder = Path.GetDirectoryName(folder)!;
        }

        var job = JsonNode.Parse(File.ReadAllBytes(Path.Combine(folder, "src", "Draklo.Web", "Demo", $"{file}.json")))!;
        var (plan, problems) = DocumentReader.Read<Plan>(
            System.Text.Encoding.UTF8.GetBytes(job["plan"]!.ToJsonString())
        );
        return plan ?? throw new InvalidOperationException(problems[0].Message);
    }
}
