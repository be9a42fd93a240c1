using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Draklo.Web.Hosting;
using Microsoft.AspNetCore.Builder;

namespace Draklo.Web.Tests;

/// <summary>Whoever comes by a name given with --host is not at this machine: they pair a device and sign in.</summary>
public sealed class BehindProxyTests : IAsyncLifetime
{
    private const string Name = "trees.example";
    private readonly string folder = Path.Combine(Path.GetTempPath(), "draklo-proxy-" + Guid.NewGuid().ToString("N"));
    private WebApplication app = null!;
    private HttpClient client = new();

    public async ValueTask InitializeAsync()
    {
        DemoFolder.CopyTo(folder);
        app = DrakloHost.Build(new(0, folder, WithDemo: true) { Hosts = [Name, "127.0.0.1"] });
        await app.StartAsync();
        client = new(new HttpClientHandler { UseCookies = false }) { BaseAddress = new(app.Urls.First()) };
    }

    public async ValueTask DisposeAsync()
    {
        client.Dispose();
        await app.DisposeAsync();
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public async Task At_the_machine_itself_nobody_signs_in()
    {
        Assert.Equal(HttpStatusCode.OK, (await AskAsync("GET", "/api/jobs")).Status);
        Assert.True((bool)(await AskAsync("GET", "/api/session")).Body["here"]!);
    }

    [Theory]
    [InlineData("Host", Name)]
    [InlineData("Host", "TREES.example")]
    [InlineData("X-Forwarded-For", "203.0.113.9")]
    [InlineData("Forwarded", "for=203.0.113.9")]
    [InlineData("Via", "1.1 proxy")]
    public async Task Through_a_proxy_nobody_is_the_lead_without_signing_in(string header, string value)
    {
        foreach (var path in new[] { "/api/jobs", "/api/backups", "/api/sharing", "/openapi/v1.json" })
        {
            Assert.Equal(HttpStatusCode.Unauthorized, (await AskAsync("GET", path, null, (header, value))).Status);
        }

        var delete = await AskAsync("DELETE", "/api/crew/ives", null, (header, value));
        Assert.Equal(HttpStatusCode.Unauthorized, delete.Status);
        Assert.False((bool)(await AskAsync("GET", "/api/session", null, (header, value))).Body["here"]!);
    }

    [Fact]
    public async Task A_code_from_the_machine_lets_a_device_in_and_wrong_ones_shut_out_who_gave_them_alone()
    {
        var code = (await AskAsync("POST", "/api/sharing/codes", new JsonObject())).Body;
        Assert.StartsWith($"https://{Name}/pair#", (string)code["address"]!, StringComparison.Ordinal);
        for (var i = 0; i < 11; i++)
        {
            await AskAsync(
                "POST",
                "/api/pair",
                Pairing($"WRONG{i}"),
                ("Host", Name),
                ("X-Forwarded-For", "1.1.1.1, 203.0.113.66")
            );
        }

        var own = await AskAsync(
            "POST",
            "/api/pair",
            Pairing((string)code["code"]!),
            ("Host", Name),
            ("X-Forwarded-For", "203.0.113.9")
        );
        Assert.Equal(HttpStatusCode.OK, own.Status);
        var tried = (await AskAsync("GET", "/api/sharing")).Body["tried"]!.AsArray();
        Assert.Equal(10, tried.Count(t => (string)t!["address"]! == "203.0.113.66"));
    }

    private static JsonObject Pairing(string code) => new() { ["code"] = code, ["device"] = "a phone" };

    private async Task<(HttpStatusCode Status, JsonObject Body)> AskAsync(
        string method,
        string path,
        JsonObject? body = null,
        params (string Name, string Value)[] headers
    )
    {
        using var request = new HttpRequestMessage(new(method), path);
        foreach (var (name, value) in headers)
        {
            request.Headers.TryAddWithoutValidation(name, value);
        }

        request.Content = body is null ? null : JsonContent.Create(body);
        using var response = await client.SendAsync(request);
        var text = await response.Content.ReadAsStringAsync();
        return (response.StatusCode, text.StartsWith('{') ? JsonNode.Parse(text)!.AsObject() : []);
    }
}
