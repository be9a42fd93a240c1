using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;
using Draklo.Web.Hosting;
using Microsoft.AspNetCore.Builder;

namespace Draklo.Web.Tests;

/// <summary>The real application on a free port, over a SQLite file of its own.</summary>
public sealed class RunningServer : IAsyncLifetime
{
    private WebApplication? app;

    public string Folder { get; } = Path.Combine(Path.GetTempPath(), "draklo-test-" + Guid.NewGuid().ToString("N"));

    public HttpClient Client { get; private set; } = new();

    public async ValueTask InitializeAsync()
    {
        DemoFolder.CopyTo(Folder);
        app = DrakloHost.Build(new(0, Folder, WithDemo: true));
        await app.StartAsync();
        Client = new() { BaseAddress = new(app.Urls.First()) };
    }

    public async ValueTask DisposeAsync()
    {
        Client.Dispose();
        if (app is not null)
        {
            await app.DisposeAsync();
        }

        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(Folder, recursive: true);
    }

    /// <summary>Sends JSON and reads the answer as JSON.</summary>
    public async Task<Answer> SendAsync(HttpMethod method, string path, JsonNode? body = null, int? ifMatch = null) =>
        await SendTextAsync(method, path, body?.ToJsonString(), ifMatch);

    public async Task<Answer> SendTextAsync(HttpMethod method, string path, string? body, int? ifMatch = null)
    {
        using var request = new HttpRequestMessage(method, path);
        if (body is not null)
        {
            request.Content = new StringContent(body, Encoding.UTF8, "application/json");
        }

        if (ifMatch is { } revision)
        {
            request.Headers.IfMatch.Add(new EntityTagHeaderValue($"\"{revision}\""));
        }

        using var response = await Client.SendAsync(request);
        var text = await response.Content.ReadAsStringAsync();
        return new(
            (int)response.StatusCode,
            text.StartsWith('{') || text.StartsWith('[') ? JsonNode.Parse(text) : null,
            response.Headers.ETag?.Tag,
            text
        );
    }

    public async Task<Answer> SendCsvAsync(string path, byte[] file)
    {
        using var content = new ByteArrayContent(file);
        content.Headers.ContentType = new MediaTypeHeaderValue("text/csv");
        using var response = await Client.PostAsync(path, content);
        var text = await response.Content.ReadAsStringAsync();
        return new((int)response.StatusCode, JsonNode.Parse(text), null, text);
    }

    /// <summary>The demo job of a name, whole.</summary>
    public async Task<JsonObject> DemoAsync(string name)
    {
        var list = (await SendAsync(HttpMethod.Get, "/api/jobs")).Body!.AsArray();
        var id = list.First(j => j!["name"]!.GetValue<string>().StartsWith(name, StringComparison.Ordinal))![
            "id"
        ]!.GetValue<string>();
        return (await SendAsync(HttpMethod.Get, $"/api/jobs/{id}")).Body!.AsObject();
    }

    /// <summary>A copy of a whole demo job that a test has to itself, signed and issued anew where it was: what came with it is
    /// a record.</summary>
    public async Task<string> CopyAsync(string name)
    {
        var id = (await SendAsync(HttpMethod.Get, "/api/jobs"))
            .Body!.AsArray()
            .Where(j => j!["name"]!.GetValue<string>().StartsWith(name, StringComparison.Ordinal))
            .Min(j => j!["id"]!.GetValue<string>());
        using var content = new ByteArrayContent(await Client.GetByteArrayAsync($"/api/jobs/{id}/job.zip"));
        content.Headers.ContentType = new MediaTypeHeaderValue("application/zip");
        using var response = await Client.PostAsync("/api/jobs/archives?again=true", content);
        var copy = JsonNode.Parse(await response.Content.ReadAsStringAsync())!["id"]!.GetValue<string>();
        if ((string)(await SendAsync(HttpMethod.Get, $"/api/jobs/{id}/brief")).Body!["state"]! != "issued")
        {
            return copy;
        }

        var brief = (await SendAsync(HttpMethod.Get, $"/api/jobs/{copy}/brief")).Body!;
        var fingerprint = brief["page"]!["brief"]!["fingerprint"]!.GetValue<string>();
        var people = brief["signOff"]!["people"]!.AsArray();
        foreach (var person in people)
        {
            await GiveAsync("signatures", person!["name"]!.GetValue<string>());
        }

        await GiveAsync("briefs", people.First(p => (string)p!["role"]! == "lead")!["name"]!.GetValue<string>());
        return copy;

        async Task GiveAsync(string what, string name)
        {
            var given = new JsonObject
            {
                ["name"] = name,
                ["pin"] = "2468",
                ["fingerprint"] = fingerprint,
            };
            Assert.Equal(200, (await SendAsync(HttpMethod.Post, $"/api/jobs/{copy}/{what}", given)).Status);
        }
    }

    /// <summary>Something said on the day of a job, as it is sent.</summary>
    public static JsonObject Entry(string step, string kind, params (string Name, JsonNode Value)[] more)
    {
        var entry = new JsonObject
        {
            ["key"] = Guid.NewGuid().ToString("N"),
            ["kind"] = kind,
            ["step"] = step,
            ["by"] = "Runa",
        };
        foreach (var (name, value) in more)
        {
            entry[name] = value.DeepClone();
        }

        return entry;
    }

    /// <summary>A job of its own for a test that changes it.</summary>
    public async Task<JsonObject> NewJobAsync() =>
        (await SendAsync(HttpMethod.Post, "/api/jobs", new JsonObject())).Body!.AsObject();
}

/// <param name="Body">The answer, when it is JSON.</param>
public sealed record Answer(int Status, JsonNode? Body, string? Tag, string Text)
{
    public JsonObject Errors => Body!["errors"]!.AsObject();
}
