using System.Diagnostics;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;

namespace Draklo.Web.Tests;

/// <summary>The application as a process of its own: killed without warning, wrongly set, stopped cleanly.</summary>
public sealed class KilledProcessTests : IDisposable
{
    private readonly string folder = Path.Combine(Path.GetTempPath(), "draklo-kill-" + Guid.NewGuid().ToString("N"));

    public void Dispose()
    {
        if (Directory.Exists(folder))
        {
            Directory.Delete(folder, recursive: true);
        }
    }

    [Fact]
    public async Task Every_save_that_was_acknowledged_survives_kill_9()
    {
        var (first, client) = await StartAsync();
        var job = await client.PostAsJsonAsync("/api/jobs", new { name = "Kept" });
        var body = JsonNode.Parse(await job.Content.ReadAsStringAsync())!.AsObject();
        var id = body["id"]!.GetValue<string>();
        var acknowledged = 1;
        var saving = Task.Run(async () =>
        {
            try
            {
                for (var height = 10.0; ; height += 0.01)
                {
                    body["plan"]!["tree"]!["heightM"] = height;
                    using var request = new HttpRequestMessage(HttpMethod.Put, $"/api/jobs/{id}")
                    {
                        Content = new StringContent(
                            new JsonObject { ["name"] = "Kept", ["plan"] = body["plan"]!.DeepClone() }.ToJsonString(),
                            Encoding.UTF8,
                            "application/json"
                        ),
                    };
                    request.Headers.TryAddWithoutValidation("If-Match", $"\"{acknowledged}\"");
                    using var saved = await client.SendAsync(request);
                    saved.EnsureSuccessStatusCode();
                    Interlocked.Increment(ref acknowledged);
                }
            }
            catch (HttpRequestException)
            {
                // The process is gone.
            }
        });
        while (Volatile.Read(ref acknowledged) < 25 && !saving.IsCompleted)
        {
            await Task.Yield();
        }

        first.Kill();
        await saving;
        await first.WaitForExitAsync();
        client.Dispose();

        var (second, again) = await StartAsync();
        var read = JsonNode.Parse(await again.GetStringAsync($"/api/jobs/{id}"))!;
        Assert.InRange(read["revision"]!.GetValue<int>(), acknowledged, acknowledged + 1);
        Assert.Equal(
            10.0 + ((read["revision"]!.GetValue<int>() - 2) * 0.01),
            read["plan"]!["tree"]!["heightM"]!.GetValue<double>(),
            1e-6
        );
        second.Kill();
        await second.WaitForExitAsync();
        again.Dispose();
    }

    [Fact]
    public async Task Every_reading_and_entry_that_was_acknowledged_survives_kill_9()
    {
        var (first, client) = await StartAsync();
        var job = await client.PostAsJsonAsync("/api/jobs", new { name = "Pulled" });
        var id = JsonNode.Parse(await job.Content.ReadAsStringAsync())!["id"]!.GetValue<string>();
        var (entries, readings) = (0, 0);
        var saying = Task.Run(async () =>
        {
            try
            {
                for (var i = 0; ; i++)
                {
                    using var said = await client.PostAsJsonAsync(
                        $"/api/jobs/{id}/pulling/entries",
                        new
                        {
                            key = $"entry-{i:D6}",
                            kind = "seen",
                            step = "brief",
                            by = "Runa",
                            seen = new { bedded = true },
                        }
                    );
                    said.EnsureSuccessStatusCode();
                    Interlocked.Increment(ref entries);
                    using var read = await client.PostAsJsonAsync(
                        $"/api/jobs/{id}/pulling/readings",
                        new
                        {
                            cell = "cell 1",
                            session = "a",
                            lineId = "main",
                            unit = "N",
                            readings = new[] { new { sequence = i, value = 500.5 + (i % 9) } },
                        }
                    );
                    read.EnsureSuccessStatusCode();
                    Interlocked.Increment(ref readings);
                }
            }
            catch (HttpRequestException)
            {
                // The process is gone.
            }
        });
        while (Volatile.Read(ref readings) < 20 && !saying.IsCompleted)
        {
            await Task.Yield();
        }

        first.Kill();
        await saying;
        await first.WaitForExitAsync();
        client.Dispose();
        var (second, again) = await StartAsync();
        var day = JsonNode.Parse(await again.GetStringAsync($"/api/jobs/{id}/pulling"))!;
        Assert.InRange(day["day"]!["entries"]!.AsArray().Count, entries, entries + 1);
        var count = day["traces"]![0]!["count"]!.GetValue<int>();
        Assert.InRange(count, readings, readings + 1);

        // A parcel that comes again, as after a lost answer, is kept once, also by a server that was started since.
        var parcel = new
        {
            cell = "cell 1",
            session = "a",
            lineId = "main",
            unit = "N",
            readings = Enumerable.Range(0, readings).Select(i => new { sequence = i, value = 500.5 + (i % 9) }),
        };
        using var repeated = await again.PostAsJsonAsync($"/api/jobs/{id}/pulling/readings", parcel);
        var kept = JsonNode.Parse(await repeated.Content.ReadAsStringAsync())!;
        Assert.Equal((0, readings), (kept["taken"]!.GetValue<int>(), kept["repeated"]!.GetValue<int>()));
        day = JsonNode.Parse(await again.GetStringAsync($"/api/jobs/{id}/pulling"))!;
        Assert.Equal(count, day["traces"]![0]!["count"]!.GetValue<int>());
        second.Kill();
        await second.WaitForExitAsync();
        again.Dispose();
    }

    [Fact]
    public async Task An_empty_start_has_no_jobs_and_a_second_start_adds_none()
    {
        foreach (var args in new[] { "--empty", "" })
        {
            var (process, client) = await StartAsync(args);
            Assert.Equal("[]", await client.GetStringAsync("/api/jobs"));
            using var stop = Process.Start("kill", $"-INT {process.Id}");
            await process.WaitForExitAsync();
            Assert.Equal(0, process.ExitCode);
            client.Dispose();
        }
    }

    [Theory]
    [InlineData("--demo", "", "--demo")]
    [InlineData("serve --port 99999", "", "must be a number from 0 to 65535")]
    [InlineData("", "port", "must be a number from 0 to 65535")]
    [InlineData("restore", "", "'backup' missing")]
    public async Task Wrong_settings_are_said_plainly(string args, string port, string says)
    {
        using var process = Launch(args, port.Length == 0 ? "0" : port);
        await process.WaitForExitAsync();
        Assert.Equal(2, process.ExitCode);
        Assert.Contains(says, await process.StandardError.ReadToEndAsync(), StringComparison.Ordinal);
    }

    private async Task<(Process Process, HttpClient Client)> StartAsync(string args = "--empty")
    {
        var process = Launch(args, "0");
        while (await process.StandardOutput.ReadLineAsync() is { } line)
        {
            if (line.StartsWith("Draklo is at ", StringComparison.Ordinal))
            {
                return (process, new HttpClient { BaseAddress = new(line.Split(' ')[3]) });
            }
        }

        throw new InvalidOperationException(await process.StandardError.ReadToEndAsync());
    }

    // A run in the background may have told its children to ignore Ctrl+C; a terminal never does.
    private Process Launch(string args, string port) =>
        Process.Start(
            new ProcessStartInfo(
                "env",
                $"--default-signal=INT dotnet {Path.Combine(AppContext.BaseDirectory, "Draklo.Web.dll")} {args}"
            )
            {
                UseShellExecute = false,
                RedirectStandardOutput = true,
                RedirectStandardError = true,
                Environment = { ["DRAKLO_PORT"] = port, ["DRAKLO_DATA"] = folder },
            }
        )!;
}
