using System.Diagnostics;
using System.Net.Http.Json;
using System.Text.Json;
using System.Text.Json.Nodes;
using Draklo.Browser.Tests.Support;

namespace Draklo.Bench;

/// <summary>Looking back: list, search, year and learning over 5,000 jobs with logs, and a picture of 12 megapixels.</summary>
internal static class BackBench
{
    private const int Jobs = 5000;
    private const int Times = 40;

    public static async Task RunAsync()
    {
        using var app = new AppProcess();
        using var client = new HttpClient { BaseAddress = new(app.Address) };
        await FillAsync(client);
        await MeasureAsync(client, "The list, any page", i => $"/api/jobs?limit=60&offset={i * 117}&sort=latest");
        await MeasureAsync(client, "Open jobs", _ => "/api/jobs?limit=60&stage=open");
        await MeasureAsync(client, "A search", i => $"/api/jobs?limit=60&text=number {i * 13}");
        await MeasureAsync(
            client,
            "Species, place and crew",
            _ => "/api/jobs?limit=60&species=lime&crew=Mette&sort=name"
        );
        await MeasureAsync(client, "The learning page", _ => "/api/learning");
        await MeasureAsync(client, "The year", _ => $"/api/years/{DateTime.Now.Year}");
        await PicturesAsync(client, app.Address);
    }

    /// <summary>Jobs as the demo's finished ones, each with its log.</summary>
    private static async Task FillAsync(HttpClient client)
    {
        var clock = Stopwatch.StartNew();
        var models = new List<(JsonNode Job, JsonNode Log)>();
        foreach (var job in (await client.GetFromJsonAsync<JsonArray>("/api/jobs?stage=done&limit=100"))!)
        {
            var id = (string)job!["id"]!;
            var log = (await client.GetFromJsonAsync<JsonNode>($"/api/jobs/{id}/log"))!["log"]!;
            log.AsObject().Remove("pictures");
            models.Add(((await client.GetFromJsonAsync<JsonNode>($"/api/jobs/{id}"))!, log));
        }

        for (var i = 0; i < Jobs; i++)
        {
            var (model, log) = models[i % models.Count];
            var made = await client.PostAsJsonAsync(
                "/api/jobs",
                new JsonObject
                {
                    ["name"] = $"Job number {i}",
                    ["place"] = $"Place {i % 80}",
                    ["plannedOn"] = (string?)model["plannedOn"],
                    ["plan"] = model["plan"]!.DeepClone(),
                }
            );
            made.EnsureSuccessStatusCode();
            var id = (string)(await made.Content.ReadFromJsonAsync<JsonNode>())!["id"]!;
            using var request = new HttpRequestMessage(HttpMethod.Put, $"/api/jobs/{id}/log")
            {
                Content = JsonContent.Create(log),
            };
            request.Headers.TryAddWithoutValidation("If-Match", "\"0\"");
            (await client.SendAsync(request)).EnsureSuccessStatusCode();
        }

        Console.WriteLine($"{Jobs} jobs with logs kept in {clock.Elapsed.TotalSeconds:0} s");
    }

    private static async Task MeasureAsync(HttpClient client, string what, Func<int, string> path)
    {
        var times = new List<double>();
        long bytes = 0;
        for (var i = 0; i < Times; i++)
        {
            var clock = Stopwatch.StartNew();
            bytes = (await client.GetByteArrayAsync(path(i))).Length;
            times.Add(clock.Elapsed.TotalMilliseconds);
        }

        LiveBench.Report($"{what} ({bytes / 1024} kB)", times);
    }

    /// <summary>From the file's being chosen to the picture's being kept and drawn, shrinking included.</summary>
    private static async Task PicturesAsync(HttpClient client, string address)
    {
        var jobs = await client.GetFromJsonAsync<JsonElement>("/api/jobs");
        var id = jobs[0].GetProperty("id").GetString();
        using var screen = new Screen(address);
        screen.Open($"/jobs/{id}/log");
        screen.Until(() => screen.Count("[data-landing-pad]") == 1, "the log");
        var times = new List<double>();
        for (var i = 0; i < 6; i++)
        {
            var took = screen.RunAsync(
                """
                const [n, done] = arguments;
                (async () => {
                  const canvas = new OffscreenCanvas(4000, 3000);
                  const c = canvas.getContext('2d');
                  for (let x = 0; x < 4000; x += 20) for (let y = 0; y < 3000; y += 20) {
                    c.fillStyle = `hsl(${(x * 7 + y * 13 + n * 31) % 360} 60% ${30 + (x * y + n) % 50}%)`;
                    c.fillRect(x, y, 20, 20);
                  }
                  const file = new File([await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.95 })], `p${n}.jpg`, { type: 'image/jpeg' });
                  const field = document.querySelector("[aria-label='Picture of the job']");
                  const data = new DataTransfer();
                  data.items.add(file);
                  const count = () => document.querySelectorAll('[data-picture]').length;
                  const before = count();
                  const from = performance.now();
                  field.files = data.files;
                  field.dispatchEvent(new Event('change', { bubbles: true }));
                  const look = () => count() > before ? done(performance.now() - from) : setTimeout(look, 5);
                  look();
                })();
                """,
                i
            );
            times.Add(Convert.ToDouble(took));
        }

        LiveBench.Report("A picture of 12 megapixels, chosen to kept", times);
    }
}
