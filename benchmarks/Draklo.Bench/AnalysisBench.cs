using BenchmarkDotNet.Attributes;
using BenchmarkDotNet.Jobs;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using System.Text.Json;

namespace Draklo.Bench;

/// <summary>The sums alone, on one core.</summary>
[SimpleJob(RuntimeMoniker.Net10_0, warmupCount: 4, iterationCount: 12)]
[MemoryDiagnoser]
public class AnalysisBench
{
    private readonly Plan lime = Demo("lime.json");
    private readonly Plan sideLeaner = Demo("side-leaner.json");
    private readonly byte[] bytes = JsonSerializer.SerializeToUtf8Bytes(Demo("lime.json"), DocumentReader.Options);
    private readonly Analysis answer = PlanAnalysis.Of(Demo("lime.json")).Analysis!;
    private readonly Arrangement nineToOne = TackleSystems.Find("nine-to-one")!.Rove(new(0.9, 0.35));

    [Benchmark(Baseline = true)]
    public AnalysisOutcome OneLine() => PlanAnalysis.Of(lime, withWorkings: false);

    [Benchmark]
    public AnalysisOutcome TwoLines() => PlanAnalysis.Of(sideLeaner, withWorkings: false);

    [Benchmark]
    public AnalysisOutcome OneLineWithWorkings() => PlanAnalysis.Of(lime);

    [Benchmark]
    public object? SolveNineToOne() => TackleSolver.Solve(nineToOne).Solution;

    [Benchmark]
    public Plan? ReadDocument() => DocumentReader.Read<Plan>(bytes).Document;

    [Benchmark]
    public byte[] WriteAnswerWithWorkings() => JsonSerializer.SerializeToUtf8Bytes(answer, DocumentReader.Options);

    internal static Plan Demo(string file)
    {
        using var stream = typeof(AnalysisBench).Assembly.GetManifestResourceStream(file)!;
        using var json = JsonDocument.Parse(stream);
        return DocumentReader.Read<Plan>(json.RootElement.GetProperty("plan")).Document!;
    }
}
