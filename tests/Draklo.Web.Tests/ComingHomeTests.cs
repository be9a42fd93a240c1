using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Units;
using Draklo.Store;

namespace Draklo.Web.Tests;

/// <summary>What was done offline comes home: with its own times, under its own PIN, and beside what others did.</summary>
public sealed class ComingHomeTests(RunningServer server) : IClassFixture<RunningServer>
{
    private const string Pin = "2468";

    /// <summary>A hundred times, in a long check a thousand, two people change one job apart, over a real data file.</summary>
    [Fact]
    public void Many_changes_from_two_sides_are_put_together_or_settled_with_nothing_lost()
    {
        var folder = Directory.CreateTempSubdirectory("draklo-merge-").FullName;
        try
        {
            var jobs = new JobStore(Database.Open(folder), TimeProvider.System);
            var chance = new Random(16);
            var job = jobs.Create(new("Merged", "", null, Plan()));
            var settledAtAll = 0;
            var rounds = Environment.GetEnvironmentVariable("DRAKLO_LONG") == "1" ? 1000 : 100;
            for (var round = 0; round < rounds; round++)
            {
                var was = job.Content.Plan;
                var (mine, theirs) = (Changed(was, chance), Changed(was, chance));
                Assert.Equal(
                    SaveResult.Saved,
                    jobs.Save(job.Id, job.Revision, job.Content with { Plan = theirs }).Result
                );
                // The other one comes later, and overwrites nothing.
                var (result, current) = jobs.Save(job.Id, job.Revision, job.Content with { Plan = mine });
                Assert.Equal(SaveResult.Stale, result);
                var open = DocumentMerge.Of(
                    was,
                    mine,
                    current!.Content.Plan,
                    new Dictionary<string, Side>(),
                    UnitSystem.Metric
                );
                var settled = open.Clashes.ToDictionary(c => c.Path, _ => (Side)chance.Next(2), StringComparer.Ordinal);
                settledAtAll += settled.Count;
                var merged = DocumentMerge.Of(was, mine, current.Content.Plan, settled, UnitSystem.Metric).Document!;
                var saved = jobs.Save(job.Id, current.Revision, job.Content with { Plan = merged });
                Assert.Equal(SaveResult.Saved, saved.Result);
                job = jobs.Find(job.Id)!;
                Check(Leaves(was), Leaves(mine), Leaves(theirs), Leaves(job.Content.Plan), settled, open.Clashes.Count);
            }

            Assert.Equal((2 * rounds) + 1, job.Revision);
            Assert.InRange(settledAtAll, rounds / 20, rounds * 5);
        }
        finally
        {
            Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
            Directory.Delete(folder, recursive: true);
        }
    }

    private static void Check(
        Dictionary<string, string> was,
        Dictionary<string, string> mine,
        Dictionary<string, string> theirs,
        Dictionary<string, string> kept,
        Dictionary<string, Side> settled,
        int clashes
    )
    {
        var both = 0;
        foreach (var (path, before) in was)
        {
            var (a, b) = (mine[path], theirs[path]);
            if (a != before && b != before && a != b)
            {
                both++;
                Assert.Contains(kept[path], new[] { a, b });
            }
            else
            {
                Assert.Equal(a != before ? a : b, kept[path]);
            }
        }

        Assert.Equal(both, clashes);
        Assert.Equal(both, settled.Count);
    }

    [Fact]
    public async Task A_pin_that_was_sealed_out_of_reach_signs_once_and_never_before_its_page_was_kept()
    {
        var id = (string)(await server.DemoAsync("Birch"))["id"]!;
        await MoveAsync(id);
        var fingerprint = await FingerprintAsync(id);
        var seal = (string)(await server.SendAsync(HttpMethod.Get, "/api/carried")).Body!["seal"]!;
        var sent = new JsonObject
        {
            ["name"] = "Bo",
            ["sealedPin"] = Sealed(seal, Pin, new(id, "sign", "Bo", "Bo", fingerprint)),
            ["fingerprint"] = fingerprint,
            ["agoS"] = 5400,
        };
        var saved = DateTimeOffset.Parse(
            (string)(await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}")).Body!["savedAt"]!
        );
        for (var twice = 0; twice < 2; twice++)
        {
            var answer = await server.SendAsync(HttpMethod.Post, $"/api/jobs/{id}/signatures", sent);
            Assert.Equal(200, answer.Status);
            var signatures = answer.Body!["page"]!["signatures"]!.AsArray();
            var signed = DateTimeOffset.Parse((string)Assert.Single(signatures)!["at"]!);
            Assert.InRange(signed, saved, DateTimeOffset.UtcNow);
        }
    }

    [Fact]
    public async Task A_seal_for_another_page_or_name_or_a_wrong_pin_signs_nothing()
    {
        var id = (string)(await server.DemoAsync("Side-leaner"))["id"]!;
        var fingerprint = await FingerprintAsync(id);
        var seal = (string)(await server.SendAsync(HttpMethod.Get, "/api/carried")).Body!["seal"]!;
        var seals = new[]
        {
            ("Bo", Sealed(seal, Pin, new(id, "sign", "Bo", "Bo", "00000000"))),
            ("Bo", Sealed(seal, Pin, new(id, "sign", "Runa", "Bo", fingerprint))),
            ("Bo", Sealed(seal, Pin, new(id, "sign", "Bo", "Runa", fingerprint))),
            ("Runa", Sealed(seal, Pin, new(id, "issue", "Runa", "Runa", fingerprint))),
            ("Runa", Sealed(seal, Pin, new("another", "sign", "Runa", "Runa", fingerprint))),
            ("Runa", "AAAA"),
        };
        foreach (var (name, text) in seals)
        {
            var answer = await server.SendAsync(
                HttpMethod.Post,
                $"/api/jobs/{id}/signatures",
                new JsonObject
                {
                    ["name"] = name,
                    ["sealedPin"] = text,
                    ["fingerprint"] = fingerprint,
                }
            );
            Assert.Equal(422, answer.Status);
            Assert.Contains($"not {name}'s PIN", answer.Text, StringComparison.Ordinal);
        }
    }

    [Fact]
    public async Task What_was_said_out_of_reach_has_its_own_time_and_never_before_what_was_said_first()
    {
        var id = (string)(await server.DemoAsync("Spruce"))["id"]!;
        await SayAsync("said-at-once-1", null, 200);
        await SayAsync("said-long-ago-1", 7200, 200);
        await SayAsync("said-just-before", -1, 422);
        await SayAsync("said-last-year-1", 400 * 86_400.0, 422);
        var entries = (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}/pulling")).Body!["day"]![
            "entries"
        ]!.AsArray();
        Assert.Equal(2, entries.Count);
        // The first was there already when the second came: the day's order is the order in which things came.
        Assert.Equal((string)entries[0]!["at"]!, (string)entries[1]!["at"]!);

        async Task SayAsync(string key, double? ago, int status)
        {
            var entry = new JsonObject
            {
                ["key"] = key,
                ["kind"] = "stop",
                ["step"] = "brief",
                ["by"] = "Runa",
            };
            if (ago is not null)
            {
                entry["agoS"] = ago;
            }

            Assert.Equal(
                status,
                (await server.SendAsync(HttpMethod.Post, $"/api/jobs/{id}/pulling/entries", entry)).Status
            );
        }
    }

    [Fact]
    public async Task What_is_taken_along_says_when_anything_of_a_job_changed()
    {
        var id = (string)(await server.DemoAsync("Lime"))["id"]!;
        var before = await MarkAsync(id);
        Assert.Equal(before, await MarkAsync(id));
        await server.SendAsync(
            HttpMethod.Post,
            $"/api/jobs/{id}/packing",
            new JsonObject { ["piece"] = "a", ["out"] = true }
        );
        var ticked = await MarkAsync(id);
        Assert.NotEqual(before, ticked);
        await MoveAsync(id);
        Assert.NotEqual(ticked, await MarkAsync(id));
    }

    [Fact]
    public async Task A_page_of_last_season_is_told_so_and_loses_nothing()
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/jobs");
        request.Headers.Add("X-Draklo-Speaks", "0");
        using var answer = await server.Client.SendAsync(request);
        Assert.Equal(426, (int)answer.StatusCode);
        Assert.Contains("older Draklo", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_same_archive_twice_is_one_job()
    {
        var id = (string)(await server.DemoAsync("Ash on"))["id"]!;
        var file = await server.Client.GetByteArrayAsync($"/api/jobs/{id}/job.zip");
        Assert.Equal(201, (await TakeAsync(file)).Status);
        var count = (await server.SendAsync(HttpMethod.Get, "/api/jobs?limit=500")).Body!.AsArray().Count;
        var (status, text) = await TakeAsync(file);
        Assert.Equal(422, status);
        Assert.Contains("is here as “Ash on the churchyard bank”", text, StringComparison.Ordinal);
        Assert.Equal(count, (await server.SendAsync(HttpMethod.Get, "/api/jobs?limit=500")).Body!.AsArray().Count);

        Assert.Equal(201, (await TakeAsync(file, "?again=true")).Status);

        async Task<(int Status, string Text)> TakeAsync(byte[] archive, string how = "")
        {
            using var content = new ByteArrayContent(archive);
            content.Headers.ContentType = new("application/zip");
            using var answer = await server.Client.PostAsync($"/api/jobs/archives{how}", content);
            return ((int)answer.StatusCode, await answer.Content.ReadAsStringAsync());
        }
    }

    private static Plan Plan() =>
        Draklo.Core.Catalogue.FirstPlan.Make() with
        {
            Crew = [new() { Name = "Ada", Role = JobRole.Lead }, new() { Name = "Bo", Role = JobRole.Hauler }],
        };

    /// <summary>Some figures changed by a millionth or two, as nothing that two people do looks alike by chance.</summary>
    private static Plan Changed(Plan plan, Random chance)
    {
        var json = JsonSerializer.SerializeToNode(plan, DocumentReader.Options)!.AsObject();
        var figures = Figures(json, "").ToList();
        for (var edits = chance.Next(1, 6); edits > 0; edits--)
        {
            var value = figures[chance.Next(figures.Count)].Value;
            var changed = JsonValue.Create(value.GetValue<double>() * (1 - (chance.Next(1, 4) * 1e-6)));
            value.ReplaceWith(changed);
            figures = [.. Figures(json, "")];
        }

        return json.Deserialize<Plan>(DocumentReader.Options)!;
    }

    private static Dictionary<string, string> Leaves(Plan plan) =>
        Figures(JsonSerializer.SerializeToNode(plan, DocumentReader.Options)!, "")
            .ToDictionary(f => f.Path, f => f.Value.ToJsonString(), StringComparer.Ordinal);

    private static IEnumerable<(string Path, JsonValue Value)> Figures(JsonNode? node, string path) =>
        node switch
        {
            JsonObject group => group.SelectMany(p => Figures(p.Value, $"{path}.{p.Key}")),
            JsonArray list => list.SelectMany((item, i) => Figures(item, $"{path}[{i}]")),
            // Members that end in a unit are measured; counts are whole.
            JsonValue value when value.GetValueKind() == JsonValueKind.Number && char.IsUpper(path[^1]) =>
            [
                (path, value),
            ],
            _ => [],
        };

    /// <summary>What a sealed PIN is bound to, in the order in which a device writes it.</summary>
    private sealed record Bound(string JobId, string Act, string Signer, string For, string Fingerprint);

    private static string Sealed(string key, string pin, Bound to)
    {
        using var rsa = RSA.Create();
        rsa.ImportSubjectPublicKeyInfo(Convert.FromBase64String(key), out _);
        var bound = Convert.ToHexStringLower(
            SHA256.HashData(Encoding.UTF8.GetBytes($"{to.JobId}\n{to.Act}\n{to.Signer}\n{to.For}\n{to.Fingerprint}"))
        );
        return Convert.ToBase64String(
            rsa.Encrypt(Encoding.UTF8.GetBytes($"{pin}\n{bound}"), RSAEncryptionPadding.OaepSHA256)
        );
    }

    private async Task<string> MarkAsync(string id) =>
        (string)
            (await server.SendAsync(HttpMethod.Get, "/api/carried")).Body!["jobs"]!
                .AsArray()
                .Single(j => (string)j!["id"]! == id)!["mark"]!;

    private async Task<string> FingerprintAsync(string id) =>
        (string)
            (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}/brief")).Body!["page"]!["brief"]!["fingerprint"]!;

    private async Task MoveAsync(string id)
    {
        var job = (await server.SendAsync(HttpMethod.Get, $"/api/jobs/{id}")).Body!;
        job["plan"]!["lines"]![0]!["seat"]!["heightM"] = 9.75;
        var content = new JsonObject
        {
            ["name"] = job["name"]!.DeepClone(),
            ["place"] = job["place"]!.DeepClone(),
            ["plannedOn"] = job["plannedOn"]!.DeepClone(),
            ["plan"] = job["plan"]!.DeepClone(),
        };
        Assert.Equal(
            200,
            (await server.SendAsync(HttpMethod.Put, $"/api/jobs/{id}", content, (int)job["revision"]!)).Status
        );
    }
}
