using System.Diagnostics;
using System.Net.Http.Json;
using System.Text.Json;
using Draklo.Browser.Tests.Support;

namespace Draklo.Bench;

/// <summary>
/// The day: from a reading's leaving the cell to the frame that shows it, and what an hour at twenty a second costs page
/// and server.
/// </summary>
internal static class DayBench
{
    private const int Seconds = 60;

    public static async Task RunAsync()
    {
        using var app = new AppProcess();
        using var client = new HttpClient { BaseAddress = new(app.Address) };
        var jobs = await client.GetFromJsonAsync<JsonElement>("/api/jobs");
        var id = jobs.EnumerateArray()
            .First(j => j.GetProperty("name").GetString()!.StartsWith("Birch", StringComparison.Ordinal))
            .GetProperty("id")
            .GetString()!;
        foreach (var (from, to) in new[] { ("brief", "slackOut"), ("slackOut", "bedTest") })
        {
            await SayAsync(client, id, from, to);
        }

        using var screen = new Screen(app.Address);
        screen.Open($"/jobs/{id}/day");
        screen.Press("Runa");
        screen.Press("Read the load cell");
        screen.Until(() => screen.Count("[data-big-reading][data-at]") == 1, "a reading");
        screen.Run(
            """
            window.late = [];
            new MutationObserver((changes) => {
              const at = Number(changes.at(-1).target.dataset.at);
              requestAnimationFrame(() => { const c = new MessageChannel(); c.port1.onmessage = () => window.late.push(Date.now() - at); c.port2.postMessage(0); });
            }).observe(document.querySelector('[data-big-reading]'), { attributes: true, attributeFilter: ['data-at'] });
            """
        );
        var memory = new List<(double Page, double Server)>();
        for (var s = 0; s < Seconds; s += 10)
        {
            await Task.Delay(10_000);
            memory.Add((PageMegabytes(screen), ServerMegabytes()));
        }

        var late = ((IEnumerable<object>)screen.Run("return window.late")!).Select(Convert.ToDouble).ToList();
        LiveBench.Report($"A reading on screen after it left the cell ({late.Count})", late);
        Console.WriteLine(
            $"Page {string.Join(" ", memory.Select(m => $"{m.Page:0.0}"))} MB, server {string.Join(" ", memory.Select(m => $"{m.Server:0}"))} MB, every 10 s"
        );
        screen.Press("Cell off");
        await HourAsync(client, id);
    }

    /// <summary>An hour of readings, a minute at a time as a tablet with its own cell sends them.</summary>
    private static async Task HourAsync(HttpClient client, string id)
    {
        const int Minutes = 60;
        const int PerMinute = 1200;
        var took = new List<double>();
        var before = ServerMegabytes();
        for (var minute = 0; minute < Minutes; minute++)
        {
            for (var half = 0; half < 2; half++)
            {
                var from = (minute * PerMinute) + (half * PerMinute / 2);
                var watch = Stopwatch.StartNew();
                using var answer = await client.PostAsJsonAsync(
                    $"/api/jobs/{id}/pulling/readings",
                    new
                    {
                        cell = "bench",
                        session = "a",
                        lineId = "main",
                        unit = "N",
                        readings = Enumerable
                            .Range(from, PerMinute / 2)
                            .Select(i => new { sequence = i, value = 900.5 + (i % 13) }),
                    }
                );
                answer.EnsureSuccessStatusCode();
                took.Add(watch.Elapsed.TotalMilliseconds);
            }
        }

        LiveBench.Report("600 readings of a tablet kept and acknowledged", took);
        var kept = await client.GetFromJsonAsync<JsonElement>($"/api/jobs/{id}/pulling/trace");
        Console.WriteLine(
            $"Kept {kept[0].GetProperty("count").GetInt64():N0} readings; server {before:0} MB before, {ServerMegabytes():0} MB after"
        );
    }

    private static async Task SayAsync(HttpClient client, string id, string from, string to)
    {
        using var said = await client.PostAsJsonAsync(
            $"/api/jobs/{id}/pulling/entries",
            new
            {
                key = Guid.NewGuid().ToString("N"),
                kind = "move",
                step = from,
                to,
                by = "Runa",
                because = "bench",
            }
        );
        said.EnsureSuccessStatusCode();
    }

    private static double PageMegabytes(Screen screen) =>
        Convert.ToDouble(screen.Run("return performance.memory ? performance.memory.usedJSHeapSize : 0")) / 1e6;

    private static double ServerMegabytes() =>
        Process
            .GetProcessesByName("dotnet")
            .Where(p =>
                File.Exists($"/proc/{p.Id}/cmdline")
                && File.ReadAllText($"/proc/{p.Id}/cmdline").Contains("Draklo.Web.dll", StringComparison.Ordinal)
            )
            .Select(p => p.WorkingSet64 / 1e6)
            .DefaultIfEmpty(0)
            .Max();
}
