using BenchmarkDotNet.Configs;
using BenchmarkDotNet.Running;
using Draklo.Bench;

var asked = args.FirstOrDefault() ?? "all";
if (asked is not ("all" or "core" or "live"))
{
    Console.Error.WriteLine("bench takes core (the sums alone), live (the running application) or nothing for both.");
    return 2;
}

if (asked is "all" or "live")
{
    await LiveBench.RunAsync();
}

if (asked is "all" or "core")
{
    BenchmarkRunner.Run<AnalysisBench>(DefaultConfig.Instance.WithArtifactsPath("artifacts/bench"));
}

return 0;
