using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Security.Cryptography.X509Certificates;
using System.Text.Json.Nodes;
using Draklo.Store;
using Draklo.Web.Hosting;
using Draklo.Web.Sharing;
using Microsoft.AspNetCore.Builder;
using Microsoft.Extensions.DependencyInjection;

namespace Draklo.Web.Tests;

/// <summary>The real application, open to a crew's network that is made of loopback addresses of its own.</summary>
public sealed class SharedYard : IAsyncLifetime
{
    private static readonly IPAddress Outside = IPAddress.Parse("127.0.0.2");
    private readonly List<HttpClient> clients = [];

    /// <summary>Of everybody in the crew's book.</summary>
    public const string Pin = "1357";

    public WebApplication App { get; private set; } = null!;

    public string Folder { get; } = Path.Combine(Path.GetTempPath(), "draklo-yard-" + Guid.NewGuid().ToString("N"));

    /// <summary>What the application keeps.</summary>
    public Database Data => App.Services.GetRequiredService<Database>();

    /// <summary>At the machine itself.</summary>
    public HttpClient Laptop { get; private set; } = new();

    public string Address { get; private set; } = "";

    public string TrustAddress { get; private set; } = "";

    public async ValueTask InitializeAsync()
    {
        DemoFolder.CopyTo(Folder);
        App = DrakloHost.Build(new(0, Folder, WithDemo: true) { Share = new ShareSettings(0, 0, [Outside]) });
        await App.StartAsync();
        Laptop = new() { BaseAddress = new(App.Urls.First(u => u.Contains("127.0.0.1"))) };
        var sharing = (await Laptop.GetFromJsonAsync<JsonObject>("/api/sharing"))!;
        // The demo's own lets nobody in from outside.
        foreach (var id in (await Laptop.GetFromJsonAsync<string[]>("/api/crew-pins"))!)
        {
            using var set = await Laptop.PutAsJsonAsync($"/api/crew/{id}/pin", new { pin = Pin, old = "2468" });
            set.EnsureSuccessStatusCode();
        }

        (Address, TrustAddress) = ((string)sharing["address"]!, (string)sharing["trustAddress"]!);
    }

    public async ValueTask DisposeAsync()
    {
        clients.ForEach(c => c.Dispose());
        Laptop.Dispose();
        await App.DisposeAsync();
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(Folder, recursive: true);
    }

    /// <summary>A device that trusts the yard's authority and nobody else.</summary>
    public HttpClient Device(CookieContainer? cookies = null, bool trusts = true)
    {
        var client = new HttpClient(Handler(cookies, trusts)) { BaseAddress = new(Address) };
        clients.Add(client);
        return client;
    }

    public SocketsHttpHandler Handler(CookieContainer? cookies = null, bool trusts = true)
    {
        var authority = X509CertificateLoader.LoadCertificate(
            Laptop.GetByteArrayAsync($"{TrustAddress}/draklo-yard.crt").Result
        );
        var handler = new SocketsHttpHandler { CookieContainer = cookies ?? new CookieContainer() };
        if (trusts)
        {
            handler.SslOptions.CertificateChainPolicy = new X509ChainPolicy
            {
                TrustMode = X509ChainTrustMode.CustomRootTrust,
                RevocationMode = X509RevocationMode.NoCheck,
                CustomTrustStore = { authority },
            };
        }

        return handler;
    }

    /// <summary>A code that the laptop shows.</summary>
    public async Task<string> CodeAsync(string? guestOf = null)
    {
        using var answer = await Laptop.PostAsJsonAsync("/api/sharing/codes", new { guestOf });
        return (string)(await answer.EnsureSuccessStatusCode().Content.ReadFromJsonAsync<JsonObject>())!["code"]!;
    }

    public async Task<HttpClient> PairedAsync(CookieContainer? cookies = null)
    {
        var device = Device(cookies);
        using var paired = await device.PostAsJsonAsync(
            "/api/pair",
            new { code = await CodeAsync(), device = "a phone" }
        );
        paired.EnsureSuccessStatusCode();
        return device;
    }

    public async Task<HttpClient> SignedInAsync(string personId, CookieContainer? cookies = null)
    {
        var device = await PairedAsync(cookies);
        using var signed = await device.PostAsJsonAsync("/api/session", new { personId, pin = Pin });
        signed.EnsureSuccessStatusCode();
        return device;
    }

    public static async Task<(int Status, string Text)> AskAsync(
        HttpClient client,
        HttpMethod method,
        string path,
        JsonNode? body = null,
        int? ifMatch = null
    )
    {
        using var request = new HttpRequestMessage(method, path);
        if (body is not null)
        {
            request.Content = JsonContent.Create(body);
        }

        if (ifMatch is { } revision)
        {
            request.Headers.IfMatch.Add(new EntityTagHeaderValue($"\"{revision}\""));
        }

        using var response = await client.SendAsync(request);
        return ((int)response.StatusCode, await response.Content.ReadAsStringAsync());
    }
}
