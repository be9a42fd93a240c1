using System.Diagnostics;
using System.Net.Http.Json;
using System.Text.Json;
using System.Text.Json.Nodes;
using Draklo.Browser.Tests.Support;
using Microsoft.AspNetCore.SignalR.Client;

namespace Draklo.Bench;

/// <summary>Thirty devices on one job: from the moment a change is sent until the last of them has it, and until each has.</summary>
internal static class TogetherBench
{
    private const int Devices = 30;
    private const int Changes = 60;

    public static async Task RunAsync()
    {
        using var app = new AppProcess();
        using var client = new HttpClient { BaseAddress = new(app.Address) };
        var jobs = (await client.GetFromJsonAsync<JsonArray>("/api/jobs"))!;
        var id = (string)jobs.First(j => ((string)j!["name"]!).StartsWith("Lime", StringComparison.Ordinal))!["id"]!;
        var job = (await client.GetFromJsonAsync<JsonObject>($"/api/jobs/{id}"))!;
        var (revision, sent) = ((int)job["revision"]!, 0L);
        var each = new List<double>();
        var last = new List<double>();
        var arrived = new CountdownEvent(Devices);
        using var stop = new CancellationTokenSource();
        var connections = await Task.WhenAll(Enumerable.Range(0, Devices).Select(i => JoinAsync(app.Address)));
        var watching = connections.Select((c, i) => Task.Run(() => WatchAsync(c, i))).ToList();
        await Task.Delay(1000);
        for (var change = 0; change < Changes; change++)
        {
            arrived.Reset();
            job["plan"]!["lines"]![0]!["seat"]!["heightM"] = 10 + (change / 50.0);
            var content = new JsonObject
            {
                ["name"] = job["name"]!.DeepClone(),
                ["place"] = job["place"]!.DeepClone(),
                ["plan"] = job["plan"]!.DeepClone(),
            };
            using var request = new HttpRequestMessage(HttpMethod.Put, $"/api/jobs/{id}")
            {
                Content = JsonContent.Create(content),
            };
            request.Headers.TryAddWithoutValidation("If-Match", $"\"{revision++}\"");
            Volatile.Write(ref sent, Stopwatch.GetTimestamp());
            (await client.SendAsync(request)).EnsureSuccessStatusCode();
            if (!arrived.Wait(TimeSpan.FromSeconds(10)))
            {
                throw new InvalidOperationException("A device never heard of a change.");
            }

            last.Add(Stopwatch.GetElapsedTime(sent).TotalMilliseconds);
            await Task.Delay(50);
        }

        await stop.CancelAsync();
        await Task.WhenAll(watching);
        LiveBench.Report($"A change on one of {Devices} devices ({each.Count})", each);
        LiveBench.Report($"The same on the last of them ({last.Count})", last);
        foreach (var connection in connections)
        {
            await connection.DisposeAsync();
        }

        async Task WatchAsync(HubConnection connection, int device)
        {
            try
            {
                await foreach (
                    var message in connection.StreamAsync<JsonElement>(
                        "Watch",
                        id,
                        $"device-{device}",
                        $"Device {device}",
                        stop.Token
                    )
                )
                {
                    if (message.TryGetProperty("job", out _))
                    {
                        var took = Stopwatch.GetElapsedTime(Volatile.Read(ref sent)).TotalMilliseconds;
                        lock (each)
                        {
                            each.Add(took);
                        }

                        arrived.Signal();
                    }
                }
            }
            catch (OperationCanceledException)
            {
                // The measuring is over.
            }
        }
    }

    private static async Task<HubConnection> JoinAsync(string address)
    {
        var connection = new HubConnectionBuilder().WithUrl($"{address}/hubs/job").Build();
        await connection.StartAsync();
        return connection;
    }
}
