using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Draklo.Browser.Tests.Support;

/// <summary>One server and one Chromium window for the tests of a class; each begins on the demo jobs as shipped.</summary>
public sealed class Stage : IDisposable
{
    private readonly IReadOnlyList<JsonObject> demo;

    public Stage()
    {
        App = new();
        Client = new() { BaseAddress = new(App.Address) };
        demo = [.. Ids().Select(id => Content(Get($"/api/jobs/{id}").AsObject()))];
        Screen = new(App.Address);
    }

    public AppProcess App { get; }

    public HttpClient Client { get; }

    public Screen Screen { get; }

    /// <summary>The window at its first size with nothing remembered, and the demo jobs alone on the list.</summary>
    public Screen Begin()
    {
        Screen.Forget();
        foreach (var id in Ids())
        {
            Client.DeleteAsync(new Uri($"/api/jobs/{id}", UriKind.Relative)).Result.EnsureSuccessStatusCode();
        }

        foreach (var job in demo)
        {
            Client.PostAsJsonAsync("/api/jobs", job).Result.EnsureSuccessStatusCode();
        }

        return Screen;
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

    private IReadOnlyList<string> Ids() => [.. Get("/api/jobs").AsArray().Select(j => (string)j!["id"]!)];

    private JsonNode Get(string path) => JsonNode.Parse(Client.GetStringAsync(new Uri(path, UriKind.Relative)).Result)!;
}
