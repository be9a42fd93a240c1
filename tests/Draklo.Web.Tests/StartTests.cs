using System.Diagnostics;
using System.Net;
using System.Net.Sockets;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Draklo.Web.Tests;

/// <summary>Starting where something is in the way: one sentence and an exit code. And the commands beside serving.</summary>
public sealed class StartTests : IDisposable
{
    private readonly string folder = Path.Combine(Path.GetTempPath(), "draklo-start-" + Guid.NewGuid().ToString("N"));

    public void Dispose()
    {
        if (Directory.Exists(folder))
        {
            Directory.Delete(folder, recursive: true);
        }

        File.Delete(folder);
    }

    [Fact]
    public async Task A_port_in_use_is_said()
    {
        using var taken = new TcpListener(IPAddress.Loopback, 0);
        taken.Start();
        var port = ((IPEndPoint)taken.LocalEndpoint).Port;
        Says(await RunAsync($"--empty --port {port}"), 3, $"cannot listen on port {port}");
    }

    [Theory]
    [InlineData("--share --share-address 192.0.2.77", 3, "cannot listen at 192.0.2.77")]
    [InlineData("--share --share-address yard", 2, "“yard” is not an address")]
    [InlineData("--share --share-port many", 2, "The port is “many”")]
    [InlineData("--share --trust-port 70000", 2, "The port is “70000”")]
    public async Task A_way_in_for_the_crew_that_cannot_be_is_said(string options, int code, string words) =>
        Says(await RunAsync($"--empty --port 0 {options}"), code, words);

    [Fact]
    public async Task A_file_in_the_folders_place_is_said()
    {
        await File.WriteAllTextAsync(folder, "");
        Says(await RunAsync("--port 0"), 4, "is a file");
    }

    [Fact]
    public async Task A_folder_that_cannot_be_made_is_said() =>
        Says(await RunAsync("--port 0 --data /proc/nothing/here"), 4, "/proc/nothing/here");

    [Fact]
    public async Task A_file_that_is_no_database_is_said_and_left_alone()
    {
        Directory.CreateDirectory(folder);
        var file = Path.Combine(folder, "draklo.sqlite");
        var text = string.Concat(Enumerable.Repeat("not a database ", 1000));
        await File.WriteAllTextAsync(file, text);
        Says(await RunAsync("--port 0"), 5, "is not a Draklo data file");
        Assert.Equal(text, await File.ReadAllTextAsync(file));
    }

    [Fact]
    public async Task A_newer_versions_file_is_refused_and_left_alone()
    {
        using (Draklo.Store.DataFolder.Claim(folder))
        {
            Draklo.Store.Database.Open(folder).Close();
        }

        using (
            var connection = new SqliteConnection($"Data Source={Path.Combine(folder, "draklo.sqlite")};Pooling=False")
        )
        {
            connection.Open();
            connection.Execute(
                "insert into SchemaVersions (ScriptName, Applied) values ('9999-later.sql', '2030-01-01')"
            );
        }

        Says(await RunAsync("--port 0"), 5, "written by a newer Draklo");
    }

    [Fact]
    public async Task A_second_server_on_one_folder_is_refused()
    {
        using (Draklo.Store.DataFolder.Claim(folder))
        {
            Says(await RunAsync("--port 0"), 4, "Another Draklo already works on");
            Says(await RunAsync($"restore {folder}"), 4, "Another Draklo already works on");
        }
    }

    [Fact]
    public async Task A_file_that_another_program_holds_is_said()
    {
        Draklo.Store.Database.Open(folder).Close();
        using var connection = new SqliteConnection(
            $"Data Source={Path.Combine(folder, "draklo.sqlite")};Pooling=False"
        );
        connection.Open();
        connection.Execute("pragma locking_mode = exclusive; begin exclusive; create table held (x)");
        Says(await RunAsync("--port 0"), 5, "Another program may hold it");
    }

    [Fact]
    public async Task A_first_start_that_is_killed_begins_afresh()
    {
        for (var i = 0; i < 6; i++)
        {
            using var process = Launch("--port 0");
            await Task.Delay(120 + (90 * i));
            process.Kill();
            await process.WaitForExitAsync();
        }

        using var last = Launch("--port 0");
        string? line;
        while ((line = await last.StandardOutput.ReadLineAsync()) is not null)
        {
            if (line.StartsWith("Draklo is at ", StringComparison.Ordinal))
            {
                break;
            }
        }

        using var client = new HttpClient { BaseAddress = new(line!.Split(' ')[3]) };
        var jobs = System.Text.Json.Nodes.JsonNode.Parse(await client.GetStringAsync("/api/jobs"))!.AsArray();
        Assert.Equal(25, jobs.Count);
        last.Kill();
        await last.WaitForExitAsync();
    }

    [Fact]
    public async Task Backs_up_restores_and_checks_from_the_command_line()
    {
        Says(await RunAsync("backup"), 4, "is no data folder of Draklo");
        var database = Draklo.Store.Database.Open(folder);
        new Draklo.Store.JobStore(database, TimeProvider.System).Create(
            new("Kept", "", null, Draklo.Core.Catalogue.FirstPlan.Make())
        );
        // Connections stay open, as while a server runs.
        var target = Path.Combine(folder, "elsewhere");
        Says(await RunAsync($"backup --to {target}"), 0, "Backed up 1 jobs");
        database.Close();
        var backup = Assert.Single(Directory.GetDirectories(target));
        Says(await RunAsync("check"), 0, "everything in");

        using (var connection = new SqliteConnection($"Data Source={database.Path};Pooling=False"))
        {
            connection.Open();
            connection.Execute("update job_revision set plan = '{'");
        }

        Says(await RunAsync("check"), 1, "Damaged: job");
        Says(await RunAsync($"restore {backup}"), 0, "What was there before lies in");
        Says(await RunAsync("check"), 0, "everything in");
        var empty = Path.Combine(folder, "empty");
        Says(await RunAsync($"restore {backup} --data {empty}"), 0, "Restored into");
        Says(await RunAsync($"check --data {empty}"), 0, "everything in");
        Says(await RunAsync("restore nothing"), 1, "holds no backup");
    }

    [Theory]
    [InlineData("restored")]
    [InlineData("moved")]
    [InlineData("renamed")]
    [InlineData("backup")]
    [InlineData("log")]
    [InlineData("emptied")]
    public async Task A_folder_whose_data_file_is_gone_or_empty_is_no_new_yard(string how)
    {
        var database = Draklo.Store.Database.Open(folder);
        new Draklo.Store.JobStore(database, TimeProvider.System).Create(
            new("Kept", "", null, Draklo.Core.Catalogue.FirstPlan.Make())
        );
        if (how == "backup")
        {
            new Draklo.Store.Backups(database, folder, TimeProvider.System).Make(Draklo.Store.BackupReason.Asked);
        }

        database.Checkpoint();
        database.Close();
        var file = database.Path;
        switch (how)
        {
            case "restored":
                // As a restore leaves it that was killed between its two moves.
                File.Copy(file, file + ".restored");
                Move(Path.Combine(folder, "before-restore-20261201T080000Z", "draklo.sqlite"));
                break;
            case "moved":
                Move(Path.Combine(folder, "before-restore-20261201T080000Z", "draklo.sqlite"));
                await File.WriteAllBytesAsync(file, []);
                break;
            case "renamed":
                Move(file + ".old");
                break;
            case "log":
                File.Delete(file);
                await File.WriteAllTextAsync(file + "-wal", "what was not moved into the file yet");
                break;
            case "emptied":
                await File.WriteAllBytesAsync(file, []);
                break;
            default:
                File.Delete(file);
                break;
        }

        foreach (var command in new[] { "--port 0", "--empty --port 0", "check", "backup" })
        {
            Says(await RunAsync(command), 5, how is "moved" or "emptied" ? "is empty" : "There is no data file in");
        }

        Assert.True(!File.Exists(file) || new FileInfo(file).Length == 0);
        if (how == "backup")
        {
            var made = Assert.Single(Directory.GetDirectories(Path.Combine(folder, "backups")));
            Says(await RunAsync($"restore {Path.GetFileName(made)}"), 0, "Restored into");
            Says(await RunAsync("check"), 0, "everything in");
        }

        void Move(string to)
        {
            Directory.CreateDirectory(Path.GetDirectoryName(to)!);
            File.Move(file, to);
        }
    }

    [Fact]
    public void What_a_killed_run_left_half_done_is_cleared_and_in_no_backup()
    {
        var database = Draklo.Store.Database.Open(folder);
        var backups = new Draklo.Store.Backups(database, folder, TimeProvider.System);
        var pictures = new Draklo.Store.PictureFiles(folder);
        var hash = pictures.Keep([1, 2, 3], "png");
        var half = Path.Combine(folder, "pictures", $"{hash}.png.0815.new");
        File.WriteAllBytes(half, [1, 2]);
        var begun = Directory.CreateDirectory(Path.Combine(folder, "backups", ".20261201T080000Z-daily")).FullName;
        File.WriteAllBytes(Path.Combine(begun, "draklo.sqlite"), [1]);
        var running = Directory.CreateDirectory(Path.Combine(folder, "backups", ".20261201T090000Z-asked")).FullName;
        using (new FileStream(Path.Combine(running, ".held"), FileMode.Create, FileAccess.Write, FileShare.None))
        {
            var made = backups.Make(Draklo.Store.BackupReason.Asked);
            Assert.Equal(1, made.Pictures);
            backups.Restore(made.Name);
            backups.ClearHalf();
            Assert.False(File.Exists(half));
            Assert.False(Directory.Exists(begun));
            // Another one may be at work, as from the command line.
            Assert.True(Directory.Exists(running));
        }

        backups.ClearHalf();
        Assert.False(Directory.Exists(running));
        Assert.NotNull(pictures.Find(hash));
        database.Close();
    }

    [Fact]
    public async Task Help_and_version_are_where_one_looks_for_them()
    {
        Says(await RunAsync("--help"), 0, "backup");
        Says(await RunAsync("serve --help"), 0, "--port");
        var (code, text) = await RunAsync("--version");
        Assert.Equal(0, code);
        Assert.Matches("^[0-9]+[.][0-9]+[.][0-9]+\\s*$", text);
    }

    private static void Says((int Code, string Text) run, int code, string words)
    {
        Assert.Contains(words, run.Text, StringComparison.Ordinal);
        Assert.Equal(code, run.Code);
        Assert.DoesNotContain("   at ", run.Text, StringComparison.Ordinal);
    }

    private async Task<(int Code, string Text)> RunAsync(string args)
    {
        using var process = Launch(args);
        var error = process.StandardError.ReadToEndAsync();
        var output = await process.StandardOutput.ReadToEndAsync();
        await process.WaitForExitAsync();
        return (process.ExitCode, output + await error);
    }

    private Process Launch(string args) =>
        Process.Start(
            new ProcessStartInfo("dotnet", $"{Path.Combine(AppContext.BaseDirectory, "Draklo.Web.dll")} {args}")
            {
                UseShellExecute = false,
                RedirectStandardOutput = true,
                RedirectStandardError = true,
                Environment = { ["DRAKLO_DATA"] = folder },
            }
        )!;
}
