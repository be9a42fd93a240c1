using BenchmarkDotNet.Configs;
using BenchmarkDotNet.Running;
using Draklo.Bench;

var asked = args.FirstOrDefault() ?? "all";
if (asked is not ("all" or "core" or "live" or "day" or "back" or "clear" or "together" or "hard"))
{
    Console.Error.WriteLine(
        "bench takes core (the sums alone), live (the running application), day (the load cell by the tree), back (looking back over 5,000 jobs), clear (the ways of clearing), together (thirty devices on one job), hard (hard use; a second word takes one part: busy, hostile, jobs, kills or starts) or nothing for the first five."
    );
    return 2;
}

if (asked is "all" or "live")
{
    await LiveBench.RunAsync();
}

if (asked == "together")
{
    await TogetherBench.RunAsync();
}

if (asked is "all" or "day")
{
    await DayBench.RunAsync();
}

if (asked is "all" or "back")
{
    await BackBench.RunAsync();
}

if (asked is "all" or "clear")
{
    ClearingBench.Run();
}

if (asked is "hard")
{
    await HardBench.RunAsync(args.ElementAtOrDefault(1));
}

if (asked is "all" or "core")
{
    BenchmarkRunner.Run<AnalysisBench>(DefaultConfig.Instance.WithArtifactsPath("artifacts/bench"));
}

return 0;
