using System.Net;
using System.Text;

namespace Draklo.Web.Tests;

/// <summary>What a page from elsewhere, or a name that merely leads here, can do: nothing.</summary>
public sealed class GateTests(RunningServer server) : IClassFixture<RunningServer>
{
    private static readonly string[] Reads =
    [
        "/",
        "/api/jobs",
        "/api/locker",
        "/api/catalogue",
        "/api/history",
        "/api/backups",
        "/openapi/v1.json",
        "/health/ready",
    ];

    [Fact]
    public async Task A_name_that_merely_leads_to_this_machine_reads_and_writes_nothing()
    {
        foreach (var path in Reads)
        {
            Assert.Equal(421, await StatusAsync(HttpMethod.Get, path, ("Host", "evil.example")));
        }

        Assert.Equal(421, await StatusAsync(HttpMethod.Post, "/api/backups", ("Host", "localhost.evil.example")));
    }

    [Theory]
    [InlineData("Origin", "http://evil.example", 403)]
    [InlineData("Origin", "null", 403)]
    [InlineData("Origin", "http://localhost:1", 403)]
    [InlineData("Origin", "file://", 403)]
    [InlineData("Sec-Fetch-Site", "cross-site", 403)]
    [InlineData("Sec-Fetch-Site", "same-site", 403)]
    [InlineData("Sec-Fetch-Site", "same-origin", 200)]
    public async Task A_page_from_elsewhere_gets_nothing_and_changes_nothing(string header, string value, int expected)
    {
        Assert.Equal(expected, await StatusAsync(HttpMethod.Get, "/api/jobs", (header, value)));
        if (expected == 403)
        {
            var before = (await server.SendAsync(HttpMethod.Get, "/api/backups")).Text;
            // Without a body, as a form or an image of another page would send it.
            Assert.Equal(403, await StatusAsync(HttpMethod.Post, "/api/backups", (header, value)));
            Assert.Equal(before, (await server.SendAsync(HttpMethod.Get, "/api/backups")).Text);
            foreach (var hub in new[] { "/hubs/finder/negotiate", "/hubs/pulling/negotiate" })
            {
                Assert.Equal(403, await StatusAsync(HttpMethod.Post, hub, (header, value)));
            }
        }
    }

    [Fact]
    public async Task Its_own_page_is_let_in_by_each_of_its_names_and_a_link_from_elsewhere_may_open_one()
    {
        var port = server.Client.BaseAddress!.Port;
        foreach (var name in new[] { "localhost", "127.0.0.1", "[::1]" })
        {
            Assert.Equal(
                200,
                await StatusAsync(
                    HttpMethod.Get,
                    "/api/jobs",
                    ("Host", $"{name}:{port}"),
                    ("Origin", $"http://{name}:{port}")
                )
            );
        }

        Assert.NotEqual(
            403,
            await StatusAsync(HttpMethod.Get, "/", ("Sec-Fetch-Site", "cross-site"), ("Sec-Fetch-Mode", "navigate"))
        );
    }

    [Theory]
    [InlineData("text/plain")]
    [InlineData("application/x-www-form-urlencoded")]
    [InlineData("multipart/form-data")]
    [InlineData("text/json")]
    public async Task What_a_form_could_send_is_another_kind_of_content(string type)
    {
        using var content = new StringContent("{}", Encoding.UTF8);
        content.Headers.ContentType = new(type);
        using var response = await server.Client.PostAsync("/api/jobs", content);
        Assert.Equal(HttpStatusCode.UnsupportedMediaType, response.StatusCode);
        Assert.Contains("application/json", await response.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Every_answer_says_what_a_browser_may_do_with_it()
    {
        foreach (var path in Reads)
        {
            using var response = await server.Client.GetAsync(path);
            var headers = response.Headers.ToDictionary(
                h => h.Key,
                h => string.Join(',', h.Value),
                StringComparer.OrdinalIgnoreCase
            );
            Assert.Contains("frame-ancestors 'none'", headers["Content-Security-Policy"], StringComparison.Ordinal);
            // WebAssembly may be compiled, text may not.
            Assert.Contains(
                "script-src 'self' 'wasm-unsafe-eval';",
                headers["Content-Security-Policy"],
                StringComparison.Ordinal
            );
            Assert.DoesNotContain("'unsafe-eval'", headers["Content-Security-Policy"], StringComparison.Ordinal);
            Assert.Equal("nosniff", headers["X-Content-Type-Options"]);
            Assert.Equal("DENY", headers["X-Frame-Options"]);
            Assert.Equal("no-referrer", headers["Referrer-Policy"]);
            if (path.StartsWith("/api", StringComparison.Ordinal))
            {
                Assert.Equal("no-store", headers["Cache-Control"]);
            }
        }
    }

    [Fact]
    public void Nobody_else_on_the_machine_can_enter_the_data_folder()
    {
        const UnixFileMode others =
            UnixFileMode.GroupRead
            | UnixFileMode.GroupWrite
            | UnixFileMode.GroupExecute
            | UnixFileMode.OtherRead
            | UnixFileMode.OtherWrite
            | UnixFileMode.OtherExecute;
        var open = Directory
            .EnumerateFileSystemEntries(server.Folder, "*", SearchOption.AllDirectories)
            .Append(server.Folder)
            .Where(path => OperatingSystem.IsLinux() && (File.GetUnixFileMode(path) & others) != UnixFileMode.None);
        Assert.Empty(open);
    }

    private async Task<int> StatusAsync(HttpMethod method, string path, params (string Name, string Value)[] headers)
    {
        using var request = new HttpRequestMessage(method, path);
        foreach (var (name, value) in headers)
        {
            request.Headers.TryAddWithoutValidation(name, value);
        }

        using var response = await server.Client.SendAsync(request);
        return (int)response.StatusCode;
    }
}
