using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using System.Text.Json.Nodes;
using Draklo.Web.Sharing;
using Microsoft.AspNetCore.Routing;
using Microsoft.AspNetCore.SignalR.Client;
using Microsoft.Extensions.DependencyInjection;

namespace Draklo.Web.Tests;

/// <summary>Who comes in from the crew's network, and what each may do there.</summary>
public sealed class SharingTests(SharedYard yard) : IClassFixture<SharedYard>
{
    /// <summary>A person of the demo crew for each role.</summary>
    private static readonly Dictionary<Role, string> People = new()
    {
        [Role.Lead] = "mette",
        [Role.Faller] = "jory",
        [Role.Hauler] = "runa",
    };

    private static IEnumerable<(string Method, string Path, string Name)> Endpoints(SharedYard yard) =>
        yard
            .App.Services.GetRequiredService<EndpointDataSource>()
            .Endpoints.OfType<RouteEndpoint>()
            .Select(e =>
                (
                    Method: e.Metadata.GetMetadata<HttpMethodMetadata>()?.HttpMethods[0] ?? "POST",
                    Path: "/" + e.RoutePattern.RawText!.TrimStart('/'),
                    Name: Door.NameOf(e, "/" + e.RoutePattern.RawText!.TrimStart('/'))
                )
            )
            .Where(e =>
                (
                    e.Path.StartsWith("/api/", StringComparison.Ordinal)
                    || e.Path.StartsWith("/hubs/", StringComparison.Ordinal)
                ) && !e.Path.Contains("{**", StringComparison.Ordinal)
            );

    [Fact]
    public void Every_endpoint_stands_in_the_table_of_rights_and_the_table_names_no_other()
    {
        var names = Endpoints(yard).Select(e => e.Name).ToHashSet(StringComparer.Ordinal);
        Assert.True(names.Count > 100);
        Assert.DoesNotContain(names, n => Rights.Of(n) is null);
        Assert.Empty(Rights.Names.Except(names, StringComparer.Ordinal));
    }

    /// <summary>Each endpoint is asked, not only looked up: who may not gets 401 or 403 and nothing else.</summary>
    [Fact]
    public async Task Every_endpoint_refuses_whom_the_table_refuses_and_nobody_else()
    {
        var stranger = yard.Device();
        var paired = await yard.PairedAsync();
        var people = new Dictionary<Role, HttpClient>();
        foreach (var (role, person) in People)
        {
            people[role] = await yard.SignedInAsync(person);
        }

        people[Role.Learner] = await LearnerAsync();
        var job = await JobIdAsync("Ash logs");
        people[Role.Guest] = await GuestAsync(job);
        foreach (var (method, path, name) in Endpoints(yard))
        {
            var right = Rights.Of(name)!.Value;
            // Signing out here would end the session that the rest is asked with.
            if (name is "signOut" or "restoreBackup")
            {
                continue;
            }

            var asked = path.Replace("{kind}", "job", StringComparison.Ordinal)
                .Replace("{topic}", "none", StringComparison.Ordinal)
                .Replace("{year}", "2020", StringComparison.Ordinal);
            var nowhere = Filled(asked, "none");
            Assert.True((right is Right.Anybody) == await LetsInAsync(stranger, method, nowhere), $"stranger: {name}");
            Assert.True(
                (right is Right.Anybody or Right.Device) == await LetsInAsync(paired, method, nowhere),
                $"paired: {name}"
            );
            foreach (var (role, client) in people)
            {
                // A guest is asked about the one job that they may read the brief of.
                var at = role == Role.Guest ? Filled(asked, job) : nowhere;
                var letsIn = await LetsInAsync(client, method, at);
                Assert.True(Rights.May(role, right) == letsIn, $"{role}: {method} {at} ({name}, {right})");
            }
        }
    }

    private static string Filled(string path, string id) =>
        string.Concat(
            path.Replace("{id}", id, StringComparison.Ordinal)
                .Split('{')
                .Select((part, i) => i == 0 ? part : "1" + part[(part.IndexOf('}', StringComparison.Ordinal) + 1)..])
        );

    /// <summary>Somebody of the crew who only learns, signed in by the PIN that the laptop gave them.</summary>
    private async Task<HttpClient> LearnerAsync()
    {
        var person = new JsonObject
        {
            ["id"] = "pell",
            ["name"] = "Pell",
            ["roles"] = new JsonArray("learner"),
        };
        var pin = new JsonObject { ["pin"] = SharedYard.Pin };
        Assert.Equal(200, (await SharedYard.AskAsync(yard.Laptop, HttpMethod.Put, "/api/crew/pell", person)).Status);
        Assert.Equal(204, (await SharedYard.AskAsync(yard.Laptop, HttpMethod.Put, "/api/crew/pell/pin", pin)).Status);
        return await yard.SignedInAsync("pell");
    }

    private async Task<HttpClient> GuestAsync(string job)
    {
        var guest = yard.Device();
        Assert.Equal(200, (await PairAsync(guest, await yard.CodeAsync(job))).Status);
        return guest;
    }

    private static async Task<bool> LetsInAsync(HttpClient client, string method, string path)
    {
        using var request = new HttpRequestMessage(new HttpMethod(method), path);
        if (method is "POST" or "PUT")
        {
            request.Content = new StringContent("{}");
            request.Content.Headers.ContentType = new(
                path.StartsWith("/api/locker/csv", StringComparison.Ordinal) ? "text/csv"
                : path == "/api/pictures" ? "image/png"
                : path is "/api/backups/file" or "/api/jobs/archives" ? "application/zip"
                : "application/json"
            );
        }

        using var response = await client.SendAsync(request);
        Assert.NotEqual(HttpStatusCode.UnsupportedMediaType, response.StatusCode);
        return response.StatusCode is not (HttpStatusCode.Unauthorized or HttpStatusCode.Forbidden);
    }

    [Fact]
    public async Task A_device_that_does_not_trust_the_yard_is_shown_nothing()
    {
        var doubting = yard.Device(trusts: false);
        await Assert.ThrowsAsync<HttpRequestException>(() => doubting.GetAsync("/api/session"));
        // And one that trusts is told whom it trusts in the words of the laptop.
        using var plain = new HttpClient();
        var page = await plain.GetStringAsync(yard.TrustAddress);
        var sharing = (await yard.Laptop.GetFromJsonAsync<JsonObject>("/api/sharing"))!;
        Assert.Contains((string)sharing["fingerprint"]!, page, StringComparison.Ordinal);
        // Nothing but that page comes without encryption.
        var bare = new Uri(yard.TrustAddress).GetLeftPart(UriPartial.Authority);
        Assert.EndsWith("/trust", (await plain.GetAsync($"{bare}/api/jobs")).RequestMessage!.RequestUri!.AbsolutePath);
    }

    [Fact]
    public async Task A_code_lets_one_device_in_once()
    {
        var code = await yard.CodeAsync();
        var first = yard.Device();
        var second = yard.Device();
        Assert.Equal(200, (await PairAsync(first, $" {code[..4].ToLowerInvariant()}-{code[4..]} ")).Status);
        var (status, text) = await PairAsync(second, code);
        Assert.Equal(422, status);
        Assert.Contains("not valid, or no longer", text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Somebody_signed_in_speaks_for_themselves_and_under_their_own_name()
    {
        var runa = await yard.SignedInAsync("runa");
        var id = await JobIdAsync("Lime");
        var (status, text) = await SharedYard.AskAsync(
            runa,
            HttpMethod.Post,
            $"/api/jobs/{id}/pulling/entries",
            new JsonObject
            {
                ["key"] = "key-of-somebody",
                ["kind"] = "stop",
                ["step"] = "brief",
                ["by"] = "Mette",
            }
        );
        Assert.Equal(422, status);
        Assert.Contains("signed in as Runa", text, StringComparison.Ordinal);
        Assert.Equal(
            200,
            (
                await SharedYard.AskAsync(
                    runa,
                    HttpMethod.Post,
                    $"/api/jobs/{id}/pulling/entries",
                    new JsonObject
                    {
                        ["key"] = "key-of-runa-1",
                        ["kind"] = "stop",
                        ["step"] = "brief",
                        ["by"] = "Runa",
                    }
                )
            ).Status
        );

        // Whatever name the page sends along, what is kept has the session's.
        var jory = await yard.SignedInAsync("jory");
        jory.DefaultRequestHeaders.Add("X-Draklo-Who", "Mette");
        var job = JsonNode.Parse((await SharedYard.AskAsync(jory, HttpMethod.Get, $"/api/jobs/{id}")).Text)!;
        var content = new JsonObject
        {
            ["name"] = "Lime, renamed",
            ["place"] = job["place"]!.DeepClone(),
            ["plan"] = job["plan"]!.DeepClone(),
        };
        var saved = await SharedYard.AskAsync(jory, HttpMethod.Put, $"/api/jobs/{id}", content, (int)job["revision"]!);
        Assert.Equal(200, saved.Status);
        var revisions = JsonNode.Parse(
            (await SharedYard.AskAsync(jory, HttpMethod.Get, $"/api/jobs/{id}/revisions")).Text
        )!;
        Assert.Equal("Jory", (string)revisions[0]!["savedBy"]!);
    }

    [Fact]
    public async Task A_guest_reads_the_brief_of_one_job_and_nothing_else()
    {
        var (one, other) = (await JobIdAsync("Birch"), await JobIdAsync("Spruce"));
        var guest = yard.Device();
        Assert.Equal(200, (await PairAsync(guest, await yard.CodeAsync(one))).Status);
        Assert.Equal(200, (await SharedYard.AskAsync(guest, HttpMethod.Get, $"/api/jobs/{one}/brief")).Status);
        Assert.Equal(403, (await SharedYard.AskAsync(guest, HttpMethod.Get, $"/api/jobs/{other}/brief")).Status);
        Assert.Equal(403, (await SharedYard.AskAsync(guest, HttpMethod.Get, "/api/jobs")).Status);
        Assert.Equal(
            403,
            (await SharedYard.AskAsync(guest, HttpMethod.Post, $"/api/jobs/{one}/signatures", new JsonObject())).Status
        );
    }

    /// <summary>Whoever is no longer who they were signs in again; a guest's device is never one of the crew's.</summary>
    [Fact]
    public async Task A_session_ends_with_the_role_the_pin_and_the_place_in_the_book_that_it_began_with()
    {
        var person = new JsonObject
        {
            ["id"] = "tarn",
            ["name"] = "Tarn",
            ["roles"] = new JsonArray("lead"),
        };
        async Task BookAsync() =>
            Assert.Equal(
                200,
                (await SharedYard.AskAsync(yard.Laptop, HttpMethod.Put, "/api/crew/tarn", person)).Status
            );
        async Task<int> PinAsync(JsonObject pin) =>
            (await SharedYard.AskAsync(yard.Laptop, HttpMethod.Put, "/api/crew/tarn/pin", pin)).Status;
        async Task<int> ListAsync(HttpClient client) =>
            (await SharedYard.AskAsync(client, HttpMethod.Get, "/api/jobs")).Status;

        await BookAsync();
        Assert.Equal(204, await PinAsync(new() { ["pin"] = SharedYard.Pin }));
        var lead = await yard.SignedInAsync("tarn");
        Assert.Equal(200, await ListAsync(lead));
        person["roles"] = new JsonArray("hauler");
        await BookAsync();
        Assert.Equal(401, await ListAsync(lead));
        var hauler = await yard.SignedInAsync("tarn");
        Assert.Equal(204, await PinAsync(new() { ["pin"] = "2469", ["old"] = SharedYard.Pin }));
        Assert.Equal(401, await ListAsync(hauler));
        Assert.Equal(204, await PinAsync(new() { ["pin"] = SharedYard.Pin, ["old"] = "2469" }));
        var last = await yard.SignedInAsync("tarn");
        Assert.Equal(204, (await SharedYard.AskAsync(yard.Laptop, HttpMethod.Delete, "/api/crew/tarn")).Status);
        Assert.Equal(401, await ListAsync(last));
        var guest = await GuestAsync(await JobIdAsync("Birch"));
        Assert.Equal(403, (await SharedYard.AskAsync(guest, HttpMethod.Get, "/api/session/people")).Status);
    }

    [Fact]
    public async Task A_session_that_another_device_shows_ends_for_both_and_is_on_record()
    {
        var cookies = new CookieContainer();
        var mette = await yard.SignedInAsync("mette", cookies);
        Assert.Equal(200, (await SharedYard.AskAsync(mette, HttpMethod.Get, "/api/jobs")).Status);
        var stolen = cookies.GetCookies(new Uri(yard.Address))[Door.SessionCookie]!;
        var thief = new CookieContainer();
        var other = await yard.PairedAsync(thief);
        thief.Add(new Cookie(stolen.Name, stolen.Value, "/", stolen.Domain) { Secure = true });
        Assert.Equal(401, (await SharedYard.AskAsync(other, HttpMethod.Get, "/api/jobs")).Status);
        Assert.Equal(401, (await SharedYard.AskAsync(mette, HttpMethod.Get, "/api/jobs")).Status);
        var sharing = (await yard.Laptop.GetFromJsonAsync<JsonObject>("/api/sharing"))!;
        Assert.Contains(
            sharing["tried"]!.AsArray(),
            t => (string)t!["what"]! == "session of another device" && (string)t["who"]! == "Mette"
        );
    }

    [Fact]
    public async Task The_lead_ends_a_session_and_forgets_a_device()
    {
        var cookies = new CookieContainer();
        var wenna = await yard.SignedInAsync("wenna", cookies);
        var sharing = (await yard.Laptop.GetFromJsonAsync<JsonObject>("/api/sharing"))!;
        var session = sharing["sessions"]!.AsArray().First(s => (string)s!["name"]! == "Wenna")!;
        Assert.Equal(
            204,
            (await SharedYard.AskAsync(yard.Laptop, HttpMethod.Delete, $"/api/sharing/sessions/{session["id"]}")).Status
        );
        Assert.Equal(401, (await SharedYard.AskAsync(wenna, HttpMethod.Get, "/api/jobs")).Status);
        Assert.Equal(200, (await SharedYard.AskAsync(wenna, HttpMethod.Get, "/api/session/people")).Status);
        Assert.Equal(
            204,
            (
                await SharedYard.AskAsync(yard.Laptop, HttpMethod.Delete, $"/api/sharing/devices/{session["deviceId"]}")
            ).Status
        );
        Assert.Equal(401, (await SharedYard.AskAsync(wenna, HttpMethod.Get, "/api/session/people")).Status);
    }

    [Theory]
    [InlineData("/API/jobs")]
    [InlineData("//api/jobs")]
    [InlineData("/%61pi/jobs")]
    [InlineData("/api//jobs")]
    [InlineData("/api/jobs/")]
    [InlineData("/openapi/v1.json")]
    [InlineData("/OpenApi/v1.json")]
    public async Task However_an_address_is_written_a_stranger_reads_nothing(string path)
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, new Uri(yard.Address + path));
        using var answer = await yard.Device().SendAsync(request);
        Assert.Equal(HttpStatusCode.Unauthorized, answer.StatusCode);
    }

    [Fact]
    public async Task What_is_open_live_ends_with_its_session()
    {
        var cookies = new CookieContainer();
        await yard.SignedInAsync("bo", cookies);
        var id = await JobIdAsync("Lime");
        var ended = new TaskCompletionSource();
        await using var connection = new HubConnectionBuilder()
            .WithUrl(
                $"{yard.Address}/hubs/job",
                options =>
                {
                    options.Cookies = cookies;
                    options.HttpMessageHandlerFactory = _ => yard.Handler(cookies);
                    options.Transports = Microsoft.AspNetCore.Http.Connections.HttpTransportType.LongPolling;
                }
            )
            .Build();
        connection.Closed += _ =>
        {
            ended.SetResult();
            return Task.CompletedTask;
        };
        await connection.StartAsync();
        var watching = Task.Run(async () =>
        {
            await foreach (var message in connection.StreamAsync<JsonElement>("Watch", id, "page-b", "Somebody else"))
            {
                // Under the name of the session, whatever the page says.
                Assert.NotEqual(JsonValueKind.Undefined, message.ValueKind);
            }
        });
        var sharing = (await yard.Laptop.GetFromJsonAsync<JsonObject>("/api/sharing"))!;
        var session = sharing["sessions"]!.AsArray().First(s => (string)s!["name"]! == "Bo")!;
        await SharedYard.AskAsync(yard.Laptop, HttpMethod.Delete, $"/api/sharing/sessions/{session["id"]}");
        await ended.Task.WaitAsync(TimeSpan.FromSeconds(30));
        await Assert.ThrowsAnyAsync<Exception>(() => watching);
    }

    [Fact]
    public async Task A_page_from_elsewhere_gets_nothing_from_the_crew_s_side_either()
    {
        var mette = await yard.SignedInAsync("mette");
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/jobs");
        request.Headers.Add("Origin", "https://evil.example");
        using var answer = await mette.SendAsync(request);
        Assert.Equal(HttpStatusCode.Forbidden, answer.StatusCode);
    }

    private static Task<(int Status, string Text)> PairAsync(HttpClient device, string code) =>
        SharedYard.AskAsync(
            device,
            HttpMethod.Post,
            "/api/pair",
            new JsonObject { ["code"] = code, ["device"] = "a phone" }
        );

    private async Task<string> JobIdAsync(string name) =>
        (string)
            (await yard.Laptop.GetFromJsonAsync<JsonArray>("/api/jobs"))!.First(j =>
                ((string)j!["name"]!).StartsWith(name, StringComparison.Ordinal)
            )!["id"]!;
}
