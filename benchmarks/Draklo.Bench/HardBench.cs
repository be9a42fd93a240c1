using System.Diagnostics;
using System.Net;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Draklo.Browser.Tests.Support;
using Draklo.Core.Reading;

namespace Draklo.Bench;

/// <summary>Hard use: many clients with searches under way, hostile requests, ten thousand jobs, killed processes.</summary>
internal static class HardBench
{
    private const int Clients = 50;
    private const int Hostile = 20_000;
    private const int Jobs = 10_000;
    private const int Kills = 500;
    private const int FirstStarts = 24;

    internal static readonly byte[] Lime = JsonSerializer.SerializeToUtf8Bytes(
        AnalysisBench.Demo("lime.json"),
        DocumentReader.Options
    );

    /// <param name="only">One part alone: busy, hostile, jobs, kills or starts.</param>
    public static async Task RunAsync(string? only)
    {
        if (only is null or "busy" or "hostile" or "jobs")
        {
            using var app = new AppProcess();
            using var client = new HttpClient { BaseAddress = new(app.Address), Timeout = TimeSpan.FromSeconds(30) };
            if (only is null or "busy")
            {
                await BusyAsync(client);
            }

            if (only is null or "hostile")
            {
                await HostileAsync(app, client);
            }

            if (only is null or "jobs")
            {
                await JobsAsync(client);
            }
        }

        if (only is null or "kills")
        {
            await KillsAsync();
        }

        if (only is null or "starts")
        {
            await FirstStartsAsync();
        }
    }

    /// <summary>Analyses by clients that ask as fast as a drag does, while two searches run one after the other.</summary>
    private static async Task BusyAsync(HttpClient client)
    {
        await TimesAsync(client, TimeSpan.FromSeconds(5), searches: 0);
        LiveBench.Report(
            $"{Clients} clients, no search",
            await TimesAsync(client, TimeSpan.FromSeconds(10), searches: 0)
        );
        LiveBench.Report(
            $"{Clients} clients, two searches",
            await TimesAsync(client, TimeSpan.FromSeconds(10), searches: 2)
        );
        LiveBench.Report(
            $"{Clients} clients, ten searches",
            await TimesAsync(client, TimeSpan.FromSeconds(10), searches: 10)
        );
        LiveBench.Report(
            "one client, ten searches",
            await TimesAsync(client, TimeSpan.FromSeconds(10), searches: 10, clients: 1)
        );
    }

    private static async Task<List<double>> TimesAsync(
        HttpClient client,
        TimeSpan span,
        int searches,
        int clients = Clients
    )
    {
        using var stop = new CancellationTokenSource(span);
        var times = new List<double>();
        var searching = Enumerable
            .Range(0, searches)
            .Select(async n =>
            {
                while (!stop.IsCancellationRequested)
                {
                    var path = n % 2 == 0 ? "/api/rigs" : "/api/chances?samples=20000";
                    using var answer = await PostAsync(client, path, Lime, $"search {n}");
                    if (answer.StatusCode == HttpStatusCode.ServiceUnavailable)
                    {
                        await Task.Delay(1000);
                    }
                }
            })
            .ToList();
        var asking = Enumerable
            .Range(0, clients)
            .Select(async n =>
            {
                await Task.Delay(n * 2);
                while (!stop.IsCancellationRequested)
                {
                    var since = Stopwatch.GetTimestamp();
                    using var answer = await PostAsync(client, "/api/analysis?workings=false", Lime, $"client {n}");
                    answer.EnsureSuccessStatusCode();
                    lock (times)
                    {
                        times.Add(Stopwatch.GetElapsedTime(since).TotalMilliseconds);
                    }

                    // A busy client: a question every 150 ms, as a hand that drags and looks.
                    await Task.Delay(150);
                }
            })
            .ToList();
        await Task.WhenAll([.. searching, .. asking]);
        return times;
    }

    private static async Task HostileAsync(AppProcess app, HttpClient client)
    {
        var port = client.BaseAddress!.Port;
        await Task.Delay(2000);
        var rest = app.MemoryMb;
        var chance = new Random(11);
        var statuses = new Dictionary<int, int>();
        var slowest = 0.0;
        var slow = "";
        using var turns = new SemaphoreSlim(8);
        var all = Enumerable
            .Range(0, Hostile)
            .Select(async n =>
            {
                await turns.WaitAsync();
                try
                {
                    var since = Stopwatch.GetTimestamp();
                    string name;
                    int status;
                    if (n % 50 == 0)
                    {
                        name = "raw";
                        status = await HostileRequests.RawAsync(port, n);
                    }
                    else
                    {
                        using var request = HostileRequests.Of(n, chance);
                        name = $"{request.Method} {request.RequestUri}";
                        using var answer = await client.SendAsync(request);
                        status = (int)answer.StatusCode;
                    }

                    var took = Stopwatch.GetElapsedTime(since).TotalMilliseconds;
                    lock (statuses)
                    {
                        statuses[status] = statuses.GetValueOrDefault(status) + 1;
                        if (took > slowest)
                        {
                            (slowest, slow) = (took, name);
                        }

                        if (status == 500)
                        {
                            Console.WriteLine($"500: {n} {name}");
                        }
                    }
                }
                catch (TaskCanceledException)
                {
                    Console.WriteLine($"No answer in 30 s: {n}");
                }
                catch (HttpRequestException)
                {
                    lock (statuses)
                    {
                        statuses[0] = statuses.GetValueOrDefault(0) + 1;
                    }
                }
                finally
                {
                    turns.Release();
                }
            });
        await Task.WhenAll(all);
        Console.WriteLine(
            $"{Hostile:N0} hostile requests: {string.Join(", ", statuses.OrderBy(s => s.Key).Select(s => $"{s.Value} x {s.Key}"))}; slowest {slowest:F0} ms ({slow})"
        );
        var after = app.MemoryMb;
        await Task.Delay(75_000);
        Console.WriteLine(
            $"Memory: {rest:F0} MB at rest before, {after:F0} MB after the attack, {app.MemoryMb:F0} MB 75 s later"
        );
    }

    private static async Task JobsAsync(HttpClient client)
    {
        var body = JsonSerializer.SerializeToUtf8Bytes(
            new { name = "One of many", plan = AnalysisBench.Demo("lime.json") },
            DocumentReader.Options
        );
        for (var i = 0; i < Jobs; i += 50)
        {
            await Task.WhenAll(
                Enumerable
                    .Range(0, 50)
                    .Select(async _ =>
                        (await PostAsync(client, "/api/jobs", body, "many")).EnsureSuccessStatusCode().Dispose()
                    )
            );
        }

        var times = new List<double>();
        for (var i = 0; i < 21; i++)
        {
            var since = Stopwatch.GetTimestamp();
            await client.GetByteArrayAsync(new Uri($"/api/jobs?limit=60&offset={i * 450}", UriKind.Relative));
            times.Add(Stopwatch.GetElapsedTime(since).TotalMilliseconds);
        }

        LiveBench.Report($"A page of {Jobs:N0} jobs, first time it is asked for", times);
        times.Clear();
        for (var i = 0; i < 21; i++)
        {
            var since = Stopwatch.GetTimestamp();
            await client.GetByteArrayAsync(new Uri($"/api/jobs?limit=60&offset={i * 450}", UriKind.Relative));
            times.Add(Stopwatch.GetElapsedTime(since).TotalMilliseconds);
        }

        LiveBench.Report($"A page of {Jobs:N0} jobs, again", times);
    }

    /// <summary>Kills the server in the middle of saves, again and again, and looks for every save that it acknowledged.</summary>
    private static async Task KillsAsync()
    {
        var folder = Directory.CreateTempSubdirectory("draklo-kills-").FullName;
        string? id = null;
        var revision = 0;
        var (lost, acknowledged) = (0, 0);
        var chance = new Random(3);
        for (var kill = 0; kill < Kills; kill++)
        {
            using var app = new AppProcess(folder);
            using var client = new HttpClient { BaseAddress = new(app.Address) };
            if (id is null)
            {
                var job = JsonNode.Parse(
                    await (await PostAsync(client, "/api/jobs", "{}"u8.ToArray(), "k")).Content.ReadAsStringAsync()
                )!;
                (id, revision) = (job["id"]!.GetValue<string>(), 1);
            }

            var kept = JsonNode.Parse(await client.GetStringAsync(new Uri($"/api/jobs/{id}", UriKind.Relative)))!;
            var now = kept["revision"]!.GetValue<int>();
            if (now < revision)
            {
                lost += revision - now;
            }

            revision = now;
            var dies = DateTime.UtcNow.AddMilliseconds(20 + chance.Next(120));
            var killing = Task.Run(async () =>
            {
                await Task.Delay(dies - DateTime.UtcNow);
                app.Kill();
            });
            try
            {
                while (true)
                {
                    using var request = new HttpRequestMessage(HttpMethod.Put, $"/api/jobs/{id}")
                    {
                        Content = new StringContent(
                            new JsonObject
                            {
                                ["name"] = $"Kept {revision}",
                                ["plan"] = kept["plan"]!.DeepClone(),
                            }.ToJsonString(),
                            Encoding.UTF8,
                            "application/json"
                        ),
                    };
                    request.Headers.TryAddWithoutValidation("If-Match", $"\"{revision}\"");
                    using var saved = await client.SendAsync(request);
                    saved.EnsureSuccessStatusCode();
                    revision++;
                    acknowledged++;
                }
            }
            catch (HttpRequestException)
            {
                // Gone, as planned.
            }

            await killing;
        }

        Console.WriteLine($"{Kills} kills: {acknowledged} acknowledged saves, {lost} lost");
        Directory.Delete(folder, recursive: true);
    }

    private static async Task FirstStartsAsync()
    {
        var whole = 0;
        for (var i = 0; i < FirstStarts; i++)
        {
            var folder = Directory.CreateTempSubdirectory("draklo-first-").FullName;
            using (var process = AppProcess.Launch(folder))
            {
                await Task.Delay(40 * i);
                process.Kill();
                await process.WaitForExitAsync();
            }

            using var again = new AppProcess(folder);
            using var client = new HttpClient { BaseAddress = new(again.Address) };
            var jobs = JsonNode.Parse(await client.GetStringAsync(new Uri("/api/jobs", UriKind.Relative)))!.AsArray();
            var care = JsonNode.Parse(
                await (await PostAsync(client, "/api/care/check", [], "s")).Content.ReadAsStringAsync()
            )!;
            whole +=
                jobs.Count == 5 && care["faults"]!.AsArray().Count == 0 && care["damaged"]!.GetValue<int>() == 0
                    ? 1
                    : 0;
            again.Kill();
            Directory.Delete(folder, recursive: true);
        }

        Console.WriteLine($"{FirstStarts} first starts killed within their first second: {whole} whole afterwards");
    }

    private static async Task<HttpResponseMessage> PostAsync(HttpClient client, string path, byte[] body, string who)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, path);
        if (body.Length > 0)
        {
            request.Content = new ByteArrayContent(body);
            request.Content.Headers.ContentType = new("application/json");
        }

        request.Headers.Add("X-Draklo-Client", who);
        return await client.SendAsync(request);
    }
}
