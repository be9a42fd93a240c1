using System.Diagnostics;
using System.Net.Http.Json;
using System.Text.Json;
using Draklo.Browser.Tests.Support;
using Draklo.Core.Analyses;
using Draklo.Core.Logs;
using Draklo.Store;

namespace Draklo.Bench;

/// <summary>Looking back: list, search, year and learning over 5,000 jobs with logs, and a picture of 12 megapixels.</summary>
internal static class BackBench
{
    private const int Jobs = 5000;
    private const int Times = 40;

    public static async Task RunAsync()
    {
        var folder = Directory.CreateTempSubdirectory("draklo-bench-").FullName;
        using var app = new AppProcess(folder);
        app.Kill();
        Fill(folder);
        app.Start();
        using var client = new HttpClient { BaseAddress = new(app.Address) };
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

    /// <summary>Jobs as the demo's finished ones, each with its log and the use of its gear.</summary>
    private static void Fill(string folder)
    {
        var clock = Stopwatch.StartNew();
        var database = Database.Existing(folder);
        var jobs = new JobStore(database, TimeProvider.System);
        var logs = new LogStore(database, new(database, TimeProvider.System), TimeProvider.System);
        var models = jobs.List()
            .Select(j => (Job: j, logs.Find(j.Id)?.Log))
            .Where(m => m.Log is { Stage: JobStage.Done })
            .Select(m => (m.Job, Log: m.Log!, Analysis: PlanAnalysis.Of(m.Job.Content.Plan).Analysis))
            .ToList();
        var made = new List<(string, JobLog, LoggedJob, IReadOnlyList<GearBooked>)>();
        for (var i = 0; i < Jobs; i++)
        {
            var (model, log, analysis) = models[i % models.Count];
            var content = model.Content with { Name = $"Job number {i}", Place = $"Place {i % 80}" };
            var job = jobs.Create(content);
            made.Add(
                (
                    job.Id,
                    log,
                    LoggedJob.Of(log, job.Id, content.Name, content.Plan, analysis),
                    // Nobody books one piece five thousand times.
                    i % 50
                    == 0
                        ? GearBooking.Of(log, job.Id, content.Name, content.Plan, analysis)
                        : []
                )
            );
        }

        logs.Fill(made);
        database.Checkpoint();
        database.Close();
        Console.WriteLine($"{Jobs} jobs with logs written in {clock.Elapsed.TotalSeconds:0} s");
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
