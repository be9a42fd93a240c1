using System.IO.Compression;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;

namespace Draklo.Web.Tests;

/// <summary>A whole job as one file, out and in, and files that are none.</summary>
public sealed class ArchiveTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Fact]
    public async Task A_whole_job_comes_back_with_place_and_day_and_its_signatures_as_records()
    {
        var birch = await server.DemoAsync("Birch");
        var id = birch["id"]!.GetValue<string>();
        var tick = new JsonObject { ["piece"] = "saw", ["out"] = true };
        await server.SendAsync(HttpMethod.Post, $"/api/jobs/{id}/packing", tick);
        var file = await server.Client.GetByteArrayAsync($"/api/jobs/{id}/job.zip");
        var (status, kept) = await KeepAsync(file);
        Assert.Equal(201, status);
        Assert.NotEqual(id, kept["id"]!.GetValue<string>());
        foreach (var member in new[] { "name", "place", "plannedOn", "plan" })
        {
            Assert.Equal(birch[member]!.ToJsonString(), kept[member]!.ToJsonString());
        }

        var brief = await BriefAsync(kept["id"]!.GetValue<string>());
        // What was signed and issued elsewhere is to be read here, and valid nowhere.
        Assert.Equal("notIssued", brief["state"]!.GetValue<string>());
        Assert.True(Assert.Single(brief["issued"]!.AsArray())!["fromArchive"]!.GetValue<bool>());
        Assert.All(
            brief["signOff"]!["people"]!.AsArray(),
            p =>
            {
                Assert.False(p!["hasSigned"]!.GetValue<bool>());
                Assert.True(p["last"]!["fromArchive"]!.GetValue<bool>());
            }
        );
        Assert.Equal("saw", Assert.Single(brief["ticks"]!.AsArray())!["piece"]!.GetValue<string>());
        await server.SendAsync(HttpMethod.Delete, $"/api/jobs/{kept["id"]!.GetValue<string>()}");
    }

    [Fact]
    public async Task Several_jobs_go_into_one_file_each_as_an_archive_that_opens_again()
    {
        var ids = new List<string>();
        foreach (var name in new[] { "Birch", "Lime" })
        {
            ids.Add((await server.DemoAsync(name))["id"]!.GetValue<string>());
        }

        var file = await server.Client.GetByteArrayAsync($"/api/jobs/jobs.zip?id={ids[0]}&id={ids[1]}&id={ids[0]}");
        using var zip = new ZipArchive(new MemoryStream(file));
        Assert.Equal(2, zip.Entries.Count);
        foreach (var entry in zip.Entries)
        {
            using var bytes = new MemoryStream();
            await using (var packed = await entry.OpenAsync(TestContext.Current.CancellationToken))
            {
                await packed.CopyToAsync(bytes, TestContext.Current.CancellationToken);
            }

            var (status, kept) = await KeepAsync(bytes.ToArray());
            Assert.Equal(201, status);
            await server.SendAsync(HttpMethod.Delete, $"/api/jobs/{kept["id"]!.GetValue<string>()}");
        }

        Assert.Equal(422, (await server.SendAsync(HttpMethod.Get, "/api/jobs/jobs.zip")).Status);
        Assert.Equal(404, (await server.SendAsync(HttpMethod.Get, $"/api/jobs/jobs.zip?id={ids[0]}&id=none")).Status);
    }

    [Fact]
    public async Task One_archive_by_eight_at_once_is_taken_in_once()
    {
        var lime = (await server.DemoAsync("Lime by"))["id"]!.GetValue<string>();
        var file = await server.Client.GetByteArrayAsync($"/api/jobs/{lime}/job.zip");
        var answers = await Task.WhenAll(Enumerable.Range(0, 8).Select(_ => KeepAsync(file)));
        var kept = Assert.Single(answers, a => a.Status == 201);
        Assert.Equal(7, answers.Count(a => a.Status == 422));
        await server.SendAsync(HttpMethod.Delete, $"/api/jobs/{kept.Body["id"]!.GetValue<string>()}");
    }

    private async Task<int> ListedAsync() =>
        (await server.SendAsync(HttpMethod.Get, "/api/jobs?limit=500")).Body!.AsArray().Count;

    [Theory]
    [InlineData("../outside.txt", "outside its folder")]
    [InlineData("/etc/passwd", "outside its folder")]
    [InlineData("c:\\windows\\x", "outside its folder")]
    public async Task Paths_that_climb_out_are_refused(string name, string said) =>
        Assert.Contains(said, await RefusedAsync(With((name, "x"))), StringComparison.Ordinal);

    [Fact]
    public async Task Broken_strange_newer_and_swollen_archives_are_refused_in_words()
    {
        Assert.Contains("broken", await RefusedAsync([1, 2, 3]), StringComparison.Ordinal);
        Assert.Contains("not the archive", await RefusedAsync(With(("readme.txt", "hello"))), StringComparison.Ordinal);
        Assert.Contains(
            "newer Draklo",
            await RefusedAsync(With(("draklo.json", """{ "format": "draklo.job", "version": 9 }"""))),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "holds no plan",
            await RefusedAsync(With(("draklo.json", """{ "format": "draklo.job", "version": 1 }"""))),
            StringComparison.Ordinal
        );
        var bomb = With(
            ("draklo.json", """{ "format": "draklo.job", "version": 1 }"""),
            ("big", new string('0', 9_000_000))
        );
        Assert.Contains("unpacks to more", await RefusedAsync(bomb), StringComparison.Ordinal);
        Assert.InRange(bomb.Length, 0, 100_000);
        var birch = (await server.DemoAsync("Birch"))["id"]!.GetValue<string>();
        var whole = await server.Client.GetByteArrayAsync($"/api/jobs/{birch}/job.zip");
        Assert.Contains("broken", await RefusedAsync(whole[..(whole.Length / 2)]), StringComparison.Ordinal);
        Assert.Contains(
            "signatures, briefs",
            await RefusedAsync(Changed(whole, "signatures.json", "[{\"name\":3}]")),
            StringComparison.Ordinal
        );
        var jobs = await ListedAsync();
        foreach (var signatures in new[] { "[{}]", "[null]", "{}", "[{\"name\":null}]", "[[null]]" })
        {
            Assert.Contains(
                "signatures, briefs",
                await RefusedAsync(Changed(whole, "signatures.json", signatures)),
                StringComparison.Ordinal
            );
        }

        Assert.Equal(jobs, await ListedAsync());
        Assert.Equal(413, (await KeepAsync(new byte[97 * 1024 * 1024])).Status);
    }

    /// <summary>A plan file keeps where and when, too.</summary>
    [Fact]
    public async Task A_plan_file_brings_place_and_day_back()
    {
        var birch = await server.DemoAsync("Birch");
        var file = await server.SendAsync(HttpMethod.Get, $"/api/jobs/{birch["id"]!.GetValue<string>()}/plan.json");
        var kept = (await server.SendAsync(HttpMethod.Post, "/api/jobs/import", file.Body)).Body!;
        Assert.Equal(birch["place"]!.GetValue<string>(), kept["place"]!.GetValue<string>());
        Assert.Equal(birch["plannedOn"]!.GetValue<string>(), kept["plannedOn"]!.GetValue<string>());
        Assert.Null(kept["plan"]!["place"]);
        await server.SendAsync(HttpMethod.Delete, $"/api/jobs/{kept["id"]!.GetValue<string>()}");
    }

    private async Task<JsonNode> BriefAsync(string id) =>
        (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}/brief")).Body!;

    private async Task<string> RefusedAsync(byte[] file)
    {
        var before = (await server.SendAsync(HttpMethod.Get, "/api/jobs")).Body!.AsArray().Count;
        var (status, body) = await KeepAsync(file);
        Assert.Equal(422, status);
        Assert.Equal(before, (await server.SendAsync(HttpMethod.Get, "/api/jobs")).Body!.AsArray().Count);
        return body["errors"]!["file"]![0]!.GetValue<string>();
    }

    private async Task<(int Status, JsonNode Body)> KeepAsync(byte[] file)
    {
        using var content = new ByteArrayContent(file);
        content.Headers.ContentType = new MediaTypeHeaderValue("application/zip");
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/jobs/archives") { Content = content };
        // The server may say no before the body is sent.
        request.Headers.ExpectContinue = true;
        using var response = await server.Client.SendAsync(request);
        return ((int)response.StatusCode, JsonNode.Parse(await response.Content.ReadAsStringAsync())!);
    }

    private static byte[] With(params (string Name, string Text)[] files)
    {
        using var file = new MemoryStream();
        using (var zip = new ZipArchive(file, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (name, text) in files)
            {
                using var stream = zip.CreateEntry(name).Open();
                stream.Write(Encoding.UTF8.GetBytes(text));
            }
        }

        return file.ToArray();
    }

    private static byte[] Changed(byte[] archive, string name, string text)
    {
        using var file = new MemoryStream();
        file.Write(archive);
        using (var zip = new ZipArchive(file, ZipArchiveMode.Update, leaveOpen: true))
        {
            zip.GetEntry(name)!.Delete();
            using var stream = zip.CreateEntry(name).Open();
            stream.Write(Encoding.UTF8.GetBytes(text));
        }

        return file.ToArray();
    }
}
