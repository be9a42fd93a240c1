using System.Globalization;
using System.IO.Compression;
using System.Text.Json.Nodes;
using Dapper;
using Draklo.Store;
using Microsoft.Data.Sqlite;

namespace Draklo.Web.Tests;

/// <summary>The drill: fill, back up under load, wreck, restore, compare everything.</summary>
public sealed class BackupTests : IAsyncLifetime
{
    /// <summary>Under the hash of its content, as pictures are kept.</summary>
    private const string Picture = "92b2fa58028958317e408bd84ecfa70f5ee35b121991dbc232c49d166353708b.jpg";

    private readonly RunningServer server = new();

    public ValueTask InitializeAsync() => server.InitializeAsync();

    public ValueTask DisposeAsync() => server.DisposeAsync();

    [Fact]
    public async Task A_backup_made_under_load_brings_back_all_that_was_acknowledged_before_it()
    {
        Directory.CreateDirectory(Path.Combine(server.Folder, Backups.Pictures));
        await File.WriteAllTextAsync(Path.Combine(server.Folder, Backups.Pictures, Picture), "a picture");
        var names = new List<string>();
        using var stop = new CancellationTokenSource();
        var writing = Task.Run(async () =>
        {
            for (var i = 0; !stop.IsCancellationRequested; i++)
            {
                var name = $"Job {i}";
                var made = await server.SendAsync(HttpMethod.Post, "/api/jobs", new JsonObject { ["name"] = name });
                Assert.Equal(201, made.Status);
                lock (names)
                {
                    names.Add(name);
                }
            }
        });
        while (Count(names) < 20)
        {
            await Task.Delay(5);
        }

        var acknowledged = Snapshot(names);
        var backup = (await server.SendAsync(HttpMethod.Post, "/api/backups")).Body!;
        await stop.CancelAsync();
        await writing;
        var name = backup["name"]!.GetValue<string>();
        var kept = Rows(Path.Combine(server.Folder, "backups", name, "draklo.sqlite"));
        Assert.Superset(acknowledged.ToHashSet(), NamesIn(kept));
        // The demo's two and the one of this test.
        Assert.Equal(3, backup["pictures"]!.GetValue<int>());

        Wreck();
        File.Delete(Path.Combine(server.Folder, Backups.Pictures, Picture));
        Assert.Empty((await server.SendAsync(HttpMethod.Get, "/api/jobs")).Body!.AsArray());
        var restored = await server.SendAsync(HttpMethod.Post, $"/api/backups/{name}/restore");
        Assert.True(restored.Status == 200, restored.Text);
        Assert.Equal(kept, Rows(Path.Combine(server.Folder, "draklo.sqlite")));
        Assert.True(File.Exists(Path.Combine(server.Folder, Backups.Pictures, Picture)));
        Assert.Equal(200, (await server.SendAsync(HttpMethod.Get, "/api/locker")).Status);
        // The wrecked state is kept aside, and the server goes on from the restored one.
        var aside = restored.Body!["aside"]!["name"]!.GetValue<string>();
        Assert.Contains(
            (await server.SendAsync(HttpMethod.Get, "/api/backups")).Body!.AsArray(),
            b => b!["name"]!.GetValue<string>() == aside
        );
        Assert.Equal(201, (await server.SendAsync(HttpMethod.Post, "/api/jobs", new JsonObject())).Status);
    }

    [Fact]
    public async Task A_backup_goes_out_as_a_file_and_comes_in_on_another_machine()
    {
        var job = await server.NewJobAsync();
        var name = (await server.SendAsync(HttpMethod.Post, "/api/backups")).Body!["name"]!.GetValue<string>();
        var zip = await server.Client.GetByteArrayAsync($"/api/backups/{name}.zip");
        await using var other = new RunningServer();
        await other.InitializeAsync();
        var taken = await PostZipAsync(other, zip);
        Assert.True(taken.Status == 201, taken.Text);
        var restored = await other.SendAsync(HttpMethod.Post, $"/api/backups/{taken.Body!["name"]}/restore");
        Assert.Equal(200, restored.Status);
        Assert.Equal(200, (await other.SendAsync(HttpMethod.Get, $"/api/jobs/{job["id"]}")).Status);

        zip[zip.Length / 3] ^= 0x40;
        Assert.Equal(422, (await PostZipAsync(other, zip)).Status);
        Assert.Equal(422, (await PostZipAsync(other, "no zip"u8.ToArray())).Status);
    }

    /// <summary>Whoever made the file can write its note too: what is in it is looked at, not only its sum.</summary>
    [Theory]
    [InlineData("create trigger t after insert on job begin delete from job; end", "trigger")]
    [InlineData("create view v as select * from job", "view")]
    [InlineData("create table notes (text text)", "notes")]
    [InlineData("drop table job_revision", "job_revision")]
    public async Task What_no_Draklo_makes_is_not_taken_in(string sql, string said)
    {
        var answer = await PostZipAsync(
            server,
            Changed(
                await ZipAsync(),
                zip =>
                {
                    var file = Path.GetTempFileName();
                    try
                    {
                        zip.GetEntry("draklo.sqlite")!.ExtractToFile(file, overwrite: true);
                        using (var connection = new SqliteConnection($"Data Source={file};Pooling=False"))
                        {
                            connection.Open();
                            connection.Execute($"pragma foreign_keys = off; {sql}");
                        }

                        Replace(zip, "draklo.sqlite", File.ReadAllBytes(file));
                        using var read = new StreamReader(zip.GetEntry("backup.json")!.Open());
                        var note = JsonNode.Parse(read.ReadToEnd())!;
                        read.Dispose();
                        note["sha256"] = Convert.ToHexStringLower(
                            System.Security.Cryptography.SHA256.HashData(File.ReadAllBytes(file))
                        );
                        Replace(zip, "backup.json", System.Text.Encoding.UTF8.GetBytes(note.ToJsonString()));
                    }
                    finally
                    {
                        File.Delete(file);
                    }
                }
            )
        );
        Assert.Equal(422, answer.Status);
        Assert.Contains(said, answer.Text, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(1_000, "not the one that was taken")]
    [InlineData(200_000_000, "unpacks to")]
    public async Task A_picture_of_another_content_and_a_file_that_swells_are_not_taken_in(int bytes, string said)
    {
        var name = $"pictures/{new string('0', 64)}.png";
        var zip = Changed(await ZipAsync(), z => Replace(z, name, new byte[bytes]));
        var answer = await PostZipAsync(server, zip);
        Assert.Equal(422, answer.Status);
        Assert.Contains(said, answer.Text, StringComparison.Ordinal);
    }

    private async Task<byte[]> ZipAsync()
    {
        var name = (await server.SendAsync(HttpMethod.Post, "/api/backups")).Body!["name"]!.GetValue<string>();
        return await server.Client.GetByteArrayAsync($"/api/backups/{name}.zip");
    }

    private static byte[] Changed(byte[] zip, Action<ZipArchive> change)
    {
        using var memory = new MemoryStream();
        memory.Write(zip);
        using (var archive = new ZipArchive(memory, ZipArchiveMode.Update, leaveOpen: true))
        {
            change(archive);
        }

        return memory.ToArray();
    }

    private static void Replace(ZipArchive zip, string name, byte[] content)
    {
        zip.GetEntry(name)?.Delete();
        using var entry = zip.CreateEntry(name).Open();
        entry.Write(content);
    }

    [Fact]
    public async Task A_backup_that_was_changed_is_not_restored()
    {
        var name = (await server.SendAsync(HttpMethod.Post, "/api/backups")).Body!["name"]!.GetValue<string>();
        var file = Path.Combine(server.Folder, "backups", name, "draklo.sqlite");
        var bytes = await File.ReadAllBytesAsync(file);
        bytes[^100] ^= 1;
        await File.WriteAllBytesAsync(file, bytes);
        var before = Rows(Path.Combine(server.Folder, "draklo.sqlite"));
        var refused = await server.SendAsync(HttpMethod.Post, $"/api/backups/{name}/restore");
        Assert.Equal(507, refused.Status);
        Assert.Contains("changed or is damaged", refused.Text, StringComparison.Ordinal);
        Assert.Equal(before, Rows(Path.Combine(server.Folder, "draklo.sqlite")));
        Assert.Equal(404, (await server.SendAsync(HttpMethod.Post, "/api/backups/..%2F..%2Fetc/restore")).Status);
        Assert.Equal(404, (await server.SendAsync(HttpMethod.Delete, "/api/backups/nothing")).Status);
    }

    [Fact]
    public void Of_the_daily_ones_seven_days_four_weeks_and_twelve_months_stay()
    {
        var newest = new DateTimeOffset(2027, 3, 31, 20, 0, 0, TimeSpan.Zero);
        var made = Enumerable
            .Range(0, 500)
            .SelectMany(d => new[] { newest.AddDays(-d), newest.AddDays(-d).AddHours(-9) });
        var stay = Retention.Stay(made).Select(t => t.ToString("MM-dd HH", CultureInfo.InvariantCulture)).ToHashSet();
        Assert.Superset(Enumerable.Range(25, 7).Select(d => $"03-{d} 20").ToHashSet(), stay);
        // Sundays end weeks; the first of them lies within the week that is not over.
        Assert.Superset(new HashSet<string> { "03-28 20", "03-21 20", "03-14 20" }, stay);
        Assert.Superset(new HashSet<string> { "02-28 20", "12-31 20", "05-31 20", "04-30 20" }, stay);
        Assert.DoesNotContain(stay, t => t.EndsWith("11", StringComparison.Ordinal));
        Assert.InRange(stay.Count, 18, 21);
    }

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(4)]
    [InlineData(5)]
    public void A_folder_of_each_earlier_version_is_backed_up_and_upgraded(int version)
    {
        var folder = Path.Combine(Path.GetTempPath(), "draklo-old-" + Guid.NewGuid().ToString("N"));
        try
        {
            Directory.CreateDirectory(folder);
            var file = Path.Combine(folder, "draklo.sqlite");
            Earlier(file, version);
            BackupReason? made = null;
            var database = Database.Open(
                folder,
                beforeUpgrade: d => made = new Backups(d, folder, TimeProvider.System).Make(BackupReason.Upgrade).Reason
            );
            Assert.Equal(BackupReason.Upgrade, made);
            var job = Assert.Single(new JobStore(database, TimeProvider.System).List());
            Assert.Equal("An old job", job.Content.Name);
            Assert.Equal("2025-05-06", job.Content.PlannedOn);
            Assert.Single(new JobIndex(database).Listed("metric", "x", new(), 0, 10));
            Assert.Empty(database.Integrity());
            Assert.Empty(new Damage(database, TimeProvider.System).Find());
            database.Close();
        }
        finally
        {
            SqliteConnection.ClearAllPools();
            Directory.Delete(folder, recursive: true);
        }
    }

    [Fact]
    public void Old_revisions_are_thinned_to_days_and_then_to_months_and_the_current_one_stays()
    {
        var now = DateTimeOffset.UtcNow;
        var database = Database.Open(server.Folder);
        var store = new JobStore(database, TimeProvider.System);
        var job = store.Create(store.List()[0].Content);
        var saved = 1;
        for (var i = 0; i < 8; i++)
        {
            saved = store.Save(job.Id, saved, job.Content).Job!.Revision;
        }

        // Two of one day and two of one month before the last year, two of a day within it, the rest of this week.
        string[] times =
        [
            "2020-01-02T08:00:00.0000000+00:00",
            "2020-01-25T09:00:00.0000000+00:00",
            "2020-02-02T08:00:00.0000000+00:00",
            Stamp(now.AddDays(-30).Date.AddHours(8)),
            Stamp(now.AddDays(-30).Date.AddHours(9)),
            Stamp(now.AddDays(-29).Date.AddHours(8)),
            Stamp(now.UtcDateTime.AddDays(-1)),
            Stamp(now.UtcDateTime.AddDays(-1)),
            Stamp(now.UtcDateTime),
        ];
        using (var connection = new SqliteConnection($"Data Source={database.Path};Pooling=False"))
        {
            connection.Open();
            for (var i = 0; i < times.Length; i++)
            {
                connection.Execute(
                    "update job_revision set saved_at = @at where job_id = @Id and number = @n",
                    new
                    {
                        at = times[i],
                        job.Id,
                        n = i + 1,
                    }
                );
            }
        }

        Assert.Equal(2, store.Thin());
        Assert.Equal([9, 8, 7, 6, 5, 3, 2], store.Revisions(job.Id).Select(r => r.Number));
        Assert.Equal(0, store.Thin());

        static string Stamp(DateTime at) => $"{at:yyyy-MM-dd'T'HH:mm:ss.fffffff}+00:00";
    }

    private static void Earlier(string file, int version)
    {
        using var connection = new SqliteConnection($"Data Source={file};Pooling=False");
        connection.Open();
        connection.Execute(
            "create table SchemaVersions (SchemaVersionID integer not null constraint PK_SchemaVersions_SchemaVersionID primary key autoincrement, ScriptName text not null, Applied datetime not null)"
        );
        foreach (var script in Scripts().Take(version))
        {
            using var stream = typeof(Database).Assembly.GetManifestResourceStream(script)!;
            using var reader = new StreamReader(stream);
            connection.Execute(reader.ReadToEnd());
            connection.Execute(
                "insert into SchemaVersions (ScriptName, Applied) values (@script, '2025-01-01')",
                new { script }
            );
        }

        var plan = System.Text.Json.JsonSerializer.Serialize(
            Draklo.Core.Catalogue.FirstPlan.Make(),
            Draklo.Core.Reading.DocumentReader.Options
        );
        connection.Execute(
            """
            insert into job (id, revision, created_at) values ('old', 1, '2025-01-01T00:00:00.0000000+00:00');
            insert into job_revision (job_id, number, saved_at, name, place, planned_on, plan)
            values ('old', 1, '2025-01-01T00:00:00.0000000+00:00', 'An old job', '', '2025-05-06', @plan);
            """,
            new { plan }
        );
    }

    private static IEnumerable<string> Scripts() =>
        typeof(Database)
            .Assembly.GetManifestResourceNames()
            .Where(n => n.EndsWith(".sql", StringComparison.Ordinal))
            .Order(StringComparer.Ordinal);

    private static async Task<Answer> PostZipAsync(RunningServer to, byte[] zip)
    {
        using var content = new ByteArrayContent(zip);
        content.Headers.ContentType = new("application/zip");
        using var response = await to.Client.PostAsync("/api/backups/file", content);
        var text = await response.Content.ReadAsStringAsync();
        return new((int)response.StatusCode, JsonNode.Parse(text), null, text);
    }

    private void Wreck()
    {
        using var connection = new SqliteConnection(
            $"Data Source={Path.Combine(server.Folder, "draklo.sqlite")};Pooling=False"
        );
        connection.Open();
        connection.Execute(
            "delete from job_entry; delete from brief; delete from signature; delete from packing_tick; delete from pull_trace; delete from pull_entry; delete from job_log; delete from job_revision; delete from job; delete from gear_use; delete from gear_inspection; delete from gear_item; update policy set policy = 'x'"
        );
    }

    /// <summary>Every row of every table but what the list remembers, as text.</summary>
    private static List<string> Rows(string file)
    {
        using var connection = new SqliteConnection($"Data Source={file};Pooling=False");
        connection.Open();
        var tables = connection
            .Query<string>(
                "select name from sqlite_master where type = 'table' and name not like 'sqlite_%' and name <> 'job_entry' order by name"
            )
            .ToList();
        return
        [
            .. tables.SelectMany(t =>
                connection
                    .Query($"select * from {t}")
                    .Select(row => $"{t}: {string.Join('|', ((IDictionary<string, object>)row).Values)}")
                    .Order(StringComparer.Ordinal)
            ),
        ];
    }

    private static HashSet<string> NamesIn(List<string> rows) =>
        [.. rows.Where(r => r.StartsWith("job: ", StringComparison.Ordinal)).Select(r => r.Split('|')[NameColumn])];

    /// <summary>Of a job's row, as its migrations made it.</summary>
    private const int NameColumn = 5;

    private static int Count(List<string> names)
    {
        lock (names)
        {
            return names.Count;
        }
    }

    private static List<string> Snapshot(List<string> names)
    {
        lock (names)
        {
            return [.. names];
        }
    }
}
