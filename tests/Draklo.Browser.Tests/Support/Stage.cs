using System.Collections.Concurrent;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Draklo.Browser.Tests.Support;

/// <summary>One server and one Chromium window for the tests of a class; each begins on the demo jobs as shipped.</summary>
/// <remarks>Both are taken from a few that go from class to class: starting them takes longer than many a test.</remarks>
public sealed class Stage : IDisposable
{
    private readonly Scene scene = Scenes.Take();

    public AppProcess App => scene.App;

    public HttpClient Client => scene.Client;

    public Screen Screen => scene.Screen;

    /// <inheritdoc cref="Scene.Begin"/>
    public Screen Begin() => scene.Begin();

    /// <inheritdoc cref="Scene.Issued"/>
    public string Issued(string name) => scene.Issued(name);

    /// <inheritdoc cref="Scene.Crowded"/>
    public string Crowded() => scene.Crowded();

    public void Dispose() => Scenes.GiveBack(scene);
}

/// <summary>The servers and windows that classes take in turn. They end with the last test, while there still is a driver
/// to end a window.</summary>
public sealed class Scenes : IDisposable
{
    private static readonly ConcurrentBag<Scene> Free = [];

    /// <summary>One that nobody uses, as it was when it was new.</summary>
    internal static Scene Take()
    {
        if (!Free.TryTake(out var scene))
        {
            return new();
        }

        try
        {
            scene.Restore();
            return scene;
        }
        catch
        {
            scene.Dispose();
            throw;
        }
    }

    internal static void GiveBack(Scene scene) => Free.Add(scene);

    public void Dispose()
    {
        while (Free.TryTake(out var scene))
        {
            scene.Dispose();
        }
    }
}

/// <summary>A server with the demo jobs and a window on it.</summary>
internal sealed class Scene : IDisposable
{
    /// <summary>Eight seconds after it opened, a page downloads everything: tests of that have windows of their own.</summary>
    private const int DownloadsAfterMs = 8000;

    private readonly IReadOnlyList<JsonObject> demo;
    private readonly string asShipped;

    /// <summary>The demo jobs by their id: what tells whether anything of one changed, and what it is made of.</summary>
    private Dictionary<string, (string Mark, JsonObject Demo)> jobs;

    /// <summary>Jobs of the year behind, with their logs; no test changes them.</summary>
    private readonly HashSet<string> behind;

    public Scene()
    {
        App = new();
        Client = new() { BaseAddress = new(App.Address) };
        behind = Ids("stage=pulled,cleared,done,calledOff").ToHashSet(StringComparer.Ordinal);
        demo = [.. Ids("stage=planned,briefed").Select(id => Content(Get($"/api/jobs/{id}").AsObject()))];
        jobs = Unmade();
        asShipped = (string)Answer(Client.PostAsync(new Uri("/api/backups", UriKind.Relative), null))["name"]!;
        Screen = new(App.Address) { PathOf = PathOf };
        Screen.LeavesOut(afterMs: DownloadsAfterMs);
    }

    public AppProcess App { get; }

    public HttpClient Client { get; }

    public Screen Screen { get; }

    /// <summary>Puts everything that the server keeps back to how it was shipped.</summary>
    public void Restore()
    {
        jobs = Unmade();
        Answer(Client.PostAsync(new Uri($"/api/backups/{asShipped}/restore", UriKind.Relative), null));
        foreach (var backup in Get("/api/backups").AsArray().Select(b => (string)b!["name"]!))
        {
            if (backup != asShipped)
            {
                Client.DeleteAsync(new Uri($"/api/backups/{backup}", UriKind.Relative)).Result.Dispose();
            }
        }
    }

    /// <summary>The window at its first size with nothing remembered, and the demo jobs alone on the list.</summary>
    public Screen Begin()
    {
        Screen.Forget();
        var marks = Marks();
        var fresh = jobs.Where(j => marks.GetValueOrDefault(j.Key) == j.Value.Mark)
            .Select(j => j.Key)
            .ToHashSet(StringComparer.Ordinal);
        foreach (var id in Ids("").Where(id => !behind.Contains(id) && !fresh.Contains(id)))
        {
            Client.DeleteAsync(new Uri($"/api/jobs/{id}", UriKind.Relative)).Result.EnsureSuccessStatusCode();
        }

        // What no test touched since stays; the rest begins again.
        var gone = jobs.Where(j => !fresh.Contains(j.Key)).Select(j => j.Value.Demo).ToList();
        var made = gone.Select(job => (Demo: job, Id: (string)Answer(Client.PostAsJsonAsync("/api/jobs", job))["id"]!))
            .ToList();
        marks = made.Count > 0 ? Marks() : marks;
        jobs = jobs.Where(j => fresh.Contains(j.Key))
            .Concat(made.Select(m => KeyValuePair.Create(m.Id, (marks[m.Id], m.Demo))))
            .ToDictionary(StringComparer.Ordinal);
        return Screen;
    }

    /// <summary>Has everybody sign a demo job's brief and the lead issue it, as they would on the page.</summary>
    /// <returns>The job's id.</returns>
    public string Issued(string name)
    {
        const string Pin = "2468";
        var jobs = Client.GetFromJsonAsync<JsonArray>("/api/jobs").Result!;
        var id = (string)jobs.First(j => ((string)j!["name"]!).StartsWith(name, StringComparison.Ordinal))!["id"]!;
        var brief = Client.GetFromJsonAsync<JsonObject>($"/api/jobs/{id}/brief").Result!;
        var fingerprint = (string)brief["page"]!["brief"]!["fingerprint"]!;
        var people = brief["page"]!["brief"]!["people"]!.AsArray();
        foreach (var person in people)
        {
            Post("signatures", (string)person!["name"]!);
        }

        Post("briefs", (string)people.First(p => (string)p!["role"]! == "lead")!["name"]!);
        return id;

        void Post(string to, string by) =>
            Client
                .PostAsJsonAsync(
                    $"/api/jobs/{id}/{to}",
                    new
                    {
                        name = by,
                        pin = Pin,
                        fingerprint,
                    }
                )
                .Result.EnsureSuccessStatusCode();
    }

    /// <summary>A job with as much on its brief as anybody puts there.</summary>
    /// <returns>Its id.</returns>
    public string Crowded()
    {
        var job = demo.First(j => ((string)j["name"]!).StartsWith("Side-leaner", StringComparison.Ordinal)).DeepClone();
        var plan = job["plan"]!;
        var lines = plan["lines"]!.AsArray();
        foreach (var (id, bearing) in new[] { ("third", 60), ("fourth", 20) })
        {
            var line = lines[1]!.DeepClone();
            line["id"] = id;
            line["share"] = 0.3;
            line["anchor"]!["bearingDeg"] = bearing;
            line["anchor"]!["name"] = $"the old oak by the long garden wall, {id}";
            lines.Add(line);
        }

        string[] roles = ["lead", "faller", "watcher", "climber", "road", "learner"];
        plan["crew"] = new JsonArray([
            .. Enumerable
                .Range(0, 20)
                .Select(i => new JsonObject
                {
                    ["name"] = $"Bartholomew-Maximilian the {i}",
                    ["role"] = i < roles.Length ? roles[i] : "hauler",
                    ["lineId"] = (string)lines[i % 4]!["id"]!,
                    ["firstAid"] = i % 2 == 0,
                    ["canClimb"] = i % 3 == 0,
                }),
        ]);
        plan["signals"] = new JsonArray([
            .. Enumerable
                .Range(0, 8)
                .Select(i => new JsonObject
                {
                    ["sign"] = $"sign number {i} given with both arms",
                    ["means"] = $"what it means is told at length here, so that it wraps on the page {i}",
                }),
        ]);
        plan["help"] = new JsonObject
        {
            ["meetAt"] = new string('x', 118),
            ["kitAt"] = "in the cab of the second truck",
        };
        job["name"] = "Four lines and twenty people on the longest name that anybody gives to a job";
        var made = Client.PostAsJsonAsync("/api/jobs", job).Result;
        return (string)JsonNode.Parse(made.EnsureSuccessStatusCode().Content.ReadAsStringAsync().Result)!["id"]!;
    }

    public void Dispose()
    {
        Screen.Dispose();
        Client.Dispose();
        App.Dispose();
    }

    private static JsonObject Content(JsonObject job)
    {
        foreach (var member in job.Select(m => m.Key).Except(["name", "place", "plannedOn", "plan"]).ToList())
        {
            job.Remove(member);
        }

        return job;
    }

    /// <summary>Where the list's link to a job leads.</summary>
    private string? PathOf(string name)
    {
        var (id, (_, job)) = jobs.FirstOrDefault(j =>
            ((string)j.Value.Demo["name"]!).StartsWith(name, StringComparison.Ordinal)
        );
        return id is null ? null
            : job["plan"]!["clearing"]?["alone"]?.GetValue<bool>() == true ? $"/jobs/{id}/clear"
            : $"/jobs/{id}";
    }

    /// <summary>None is made yet.</summary>
    private Dictionary<string, (string Mark, JsonObject Demo)> Unmade() =>
        demo.Select((job, n) => KeyValuePair.Create($"unmade {n}", ("none", job))).ToDictionary(StringComparer.Ordinal);

    /// <summary>What tells whether anything of an open job changed, by its id.</summary>
    private Dictionary<string, string> Marks() =>
        Get("/api/carried")["jobs"]!
            .AsArray()
            .ToDictionary(j => (string)j!["id"]!, j => (string)j!["mark"]!, StringComparer.Ordinal);

    private static JsonNode Answer(Task<HttpResponseMessage> asked) =>
        JsonNode.Parse(asked.Result.EnsureSuccessStatusCode().Content.ReadAsStringAsync().Result)!;

    private IReadOnlyList<string> Ids(string asked) =>
        [.. Get($"/api/jobs?limit=500&{asked}").AsArray().Select(j => (string)j!["id"]!)];

    private JsonNode Get(string path) => JsonNode.Parse(Client.GetStringAsync(new Uri(path, UriKind.Relative)).Result)!;
}
