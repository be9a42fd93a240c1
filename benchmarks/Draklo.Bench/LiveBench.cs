using System.Collections.Concurrent;
using System.Diagnostics;
using System.Text.Json;
using Draklo.Browser.Tests.Support;
using Draklo.Core.Reading;

namespace Draklo.Bench;

/// <summary>
/// The running application: start, load, and drag in Chromium. Machines are noisy, so each figure is a median or a
/// percentile of many.
/// </summary>
internal static class LiveBench
{
    public static async Task RunAsync()
    {
        var starts = new List<double>();
        for (var i = 0; i < 5; i++)
        {
            using var once = new AppProcess();
            starts.Add(once.StartedIn.TotalMilliseconds);
        }

        Report("Listening after the process starts, new data folder", starts);
        using var app = new AppProcess();
        await LoadAsync(app.Address);
        await CrowdedJobAsync(app.Address);
        Drag(app.Address);
        await ManyJobsAsync(app.Address);
        await LongLockerAsync(app.Address);
    }

    /// <summary>
    /// Five thousand pieces: from the request for the list to the frame in which its first rows stand, and from a
    /// letter typed to the rows it leaves.
    /// </summary>
    private static async Task LongLockerAsync(string address)
    {
        using var client = new HttpClient { BaseAddress = new(address) };
        using var list = new StringContent(
            "kind,name,marks,length_m,breaking_strength_kn\n"
                + string.Concat(
                    Enumerable
                        .Range(1, 5000)
                        .Select(i => $"rope,Line {i},tag {i * 7},{10 + (i % 60)},{20 + (i % 30)}\n")
                ),
            System.Text.Encoding.UTF8,
            "text/csv"
        );
        (await client.PostAsync(new Uri("/api/locker/csv", UriKind.Relative), list)).EnsureSuccessStatusCode();
        using var screen = new Screen(address);
        var painted = new List<double>();
        var narrowed = new List<double>();
        for (var i = 0; i < 10; i++)
        {
            screen.Open();
            painted.Add(
                Convert.ToDouble(
                    screen.RunAsync(
                        """
                        const done = arguments[arguments.length - 1];
                        new MutationObserver((_, o) => {
                          if (!document.querySelector('[data-gear]')) return;
                          o.disconnect();
                          requestAnimationFrame(() => { const c = new MessageChannel(); c.port1.onmessage = () => done(performance.now() - performance.getEntriesByType('resource').filter(r => r.name.includes('/api/locker?')).at(-1).startTime); c.port2.postMessage(0); });
                        }).observe(document.body, { childList: true, subtree: true });
                        document.querySelector('a[href="/locker"]').click();
                        """
                    )
                )
            );
            narrowed.Add(
                Convert.ToDouble(
                    screen.RunAsync(
                        """
                        const done = arguments[arguments.length - 1];
                        const field = document.querySelector('#gear-search');
                        const rows = document.querySelector('main [role=status]');
                        const from = performance.now();
                        new MutationObserver((_, o) => { o.disconnect(); requestAnimationFrame(() => { const c = new MessageChannel(); c.port1.onmessage = () => done(performance.now() - from); c.port2.postMessage(0); }); }).observe(rows, { characterData: true, childList: true, subtree: true });
                        Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(field, 'tag 34');
                        field.dispatchEvent(new Event('input', { bubbles: true }));
                        """
                    )
                )
            );
        }

        Report("Locker of 5,000 pieces, request to first rows painted", painted);
        Report("Search in 5,000 pieces, letters to rows painted", narrowed);
    }

    /// <summary>The list of a thousand jobs, as it is first asked for and after.</summary>
    private static async Task ManyJobsAsync(string address)
    {
        using var client = new HttpClient { BaseAddress = new(address) };
        for (var i = 0; i < 1000; i++)
        {
            using var content = new ByteArrayContent(
                JsonSerializer.SerializeToUtf8Bytes(
                    new { name = $"Job {i}", plan = AnalysisBench.Demo("lime.json") },
                    DocumentReader.Options
                )
            );
            content.Headers.ContentType = new("application/json");
            (await client.PostAsync(new Uri("/api/jobs", UriKind.Relative), content)).EnsureSuccessStatusCode();
        }

        var times = new List<double>();
        for (var i = 0; i < 21; i++)
        {
            var watch = Stopwatch.StartNew();
            await client.GetByteArrayAsync(new Uri("/api/jobs", UriKind.Relative));
            times.Add(watch.Elapsed.TotalMilliseconds);
        }

        Console.WriteLine($"GET /api/jobs, 1,000 jobs, first time: {times[0]:F1} ms");
        Report("GET /api/jobs, 1,000 jobs, after", times.Skip(1));
    }

    private static async Task LoadAsync(string address)
    {
        const int Clients = 20;
        const int Each = 250;
        var body = JsonSerializer.SerializeToUtf8Bytes(AnalysisBench.Demo("lime.json"), DocumentReader.Options);
        using var client = new HttpClient { BaseAddress = new(address) };
        foreach (
            var (warm, path) in new[]
            {
                (true, "/api/analysis"),
                (false, "/api/analysis"),
                (false, "/api/analysis?workings=false"),
            }
        )
        {
            var times = new ConcurrentBag<double>();
            await Task.WhenAll(
                Enumerable
                    .Range(0, Clients)
                    .Select(_ =>
                        Task.Run(async () =>
                        {
                            for (var i = 0; i < Each; i++)
                            {
                                var watch = Stopwatch.StartNew();
                                using var content = new ByteArrayContent(body);
                                content.Headers.ContentType = new("application/json");
                                using var response = await client.PostAsync(new Uri(path, UriKind.Relative), content);
                                response.EnsureSuccessStatusCode();
                                await response.Content.ReadAsByteArrayAsync();
                                times.Add(watch.Elapsed.TotalMilliseconds);
                            }
                        })
                    )
            );
            if (!warm)
            {
                Report($"POST {path}, {Clients} clients at once", times);
            }
        }
    }

    /// <summary>Keeps a job whose site has forty targets.</summary>
    private static async Task CrowdedJobAsync(string address)
    {
        using var client = new HttpClient { BaseAddress = new(address) };
        var job = JsonSerializer.SerializeToUtf8Bytes(
            new { name = "Crowded", plan = AnalysisBench.Crowded(AnalysisBench.Demo("lime.json")) },
            DocumentReader.Options
        );
        using var content = new ByteArrayContent(job);
        content.Headers.ContentType = new("application/json");
        (await client.PostAsync(new Uri("/api/jobs", UriKind.Relative), content)).EnsureSuccessStatusCode();
    }

    /// <summary>A hand that looks at what it does: each figure is drawn before the next step.</summary>
    private static readonly TimeSpan Step = TimeSpan.FromMilliseconds(250);

    /// <summary>
    /// From a pointer move to the frame in which the figures have changed: a seat on the elevation, then the lay on a
    /// plan with forty targets.
    /// </summary>
    private static void Drag(string address)
    {
        using var screen = new Screen(address);
        screen.OpenJob("Lime");
        Watch(screen, "[data-figure='needed-tension']");
        var before = screen.InScript();
        for (var i = 0; i < 12; i++)
        {
            screen.Drag("[data-handle='seat-main']", 0, i % 2 == 0 ? -96 : 96, steps: 24, each: Step);
        }

        Report("Drag of the seat to redrawn figures, Chromium", Waits(screen));
        var moves = Convert.ToInt32(screen.Run("return moves"));
        Console.WriteLine(
            $"Script of that drag: {(screen.InScript() - before).TotalMilliseconds / moves:F1} ms a move, {moves} moves"
        );
        screen.OpenJob("Crowded");
        screen.Send("3");
        screen.Find(OpenQA.Selenium.By.CssSelector("[data-handle='lay']"));
        screen.Find(OpenQA.Selenium.By.CssSelector("[data-target-row]"));
        Watch(screen, "ul[aria-label='Targets']");
        for (var i = 0; i < 12; i++)
        {
            screen.Drag("[data-handle='lay']", 0, i % 2 == 0 ? -96 : 96, steps: 24, each: Step);
        }

        Report("Swing of the lay among 40 targets to redrawn figures, Chromium", Waits(screen));
    }

    private static List<double> Waits(Screen screen) =>
        ((IEnumerable<object>)screen.Run("return waits")!).Select(Convert.ToDouble).ToList();

    private static void Watch(Screen screen, string figures)
    {
        screen.Run(
            """
            window.waits = []; window.moves = 0; let moved = null;
            // Only moves that drag: the way to the handle changes nothing.
            addEventListener('pointermove', e => { if (e.buttons) { window.moves++; moved ??= e.timeStamp; } }, true);
            new MutationObserver(() => {
              const from = moved; moved = null;
              if (from !== null) requestAnimationFrame(() => { const c = new MessageChannel(); c.port1.onmessage = () => waits.push(performance.now() - from); c.port2.postMessage(0); });
            }).observe(document.querySelector(arguments[0]), { characterData: true, childList: true, subtree: true });
            """,
            figures
        );
    }

    internal static void Report(string what, IEnumerable<double> milliseconds)
    {
        var sorted = milliseconds.Order().ToList();
        Console.WriteLine(
            $"{what}: median {At(0.5):F1} ms, p95 {At(0.95):F1} ms, p99 {At(0.99):F1} ms, most {At(1):F1} ms, {sorted.Count} times"
        );

        double At(double share) =>
            sorted.Count == 0 ? double.NaN : sorted[Math.Min(sorted.Count - 1, (int)(share * sorted.Count))];
    }
}
