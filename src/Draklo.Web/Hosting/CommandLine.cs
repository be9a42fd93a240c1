using System.CommandLine;
using System.Globalization;
using System.Net;
using Draklo.Store;
using Draklo.Web.Care;
using Draklo.Web.Sharing;

namespace Draklo.Web.Hosting;

/// <summary>What can be asked for on the command line; every option can be given as an environment variable too.</summary>
public static class CommandLine
{
    public const int Wrong = 2;
    private const int Failed = 1;
    private const int UsualPort = 5080;

    /// <returns>0 when all went well, 1 when the work failed, 2 for a wrong command line, 3 for a port in use, 4 and 5
    /// for a data folder or file that cannot be used.</returns>
    public static async Task<int> RunAsync(
        string[] args,
        Func<string, string?> environment,
        Func<HostSettings, Task<int>> serve,
        TextWriter output,
        TextWriter error
    )
    {
        var port = new Option<string?>("--port", "-p")
        {
            Description = $"The port on 127.0.0.1; 0 takes any that is free. DRAKLO_PORT; {UsualPort} without.",
            HelpName = "number",
        };
        var data = new Option<string?>("--data", "-d")
        {
            Description = "The data folder. DRAKLO_DATA; ./data without.",
            HelpName = "folder",
        };
        var host = new Option<string[]>("--host")
        {
            Description =
                "A further name that this server answers to, as behind a proxy; may be given more than once. DRAKLO_HOSTS, with commas.",
            HelpName = "name",
        };
        var empty = new Option<bool>("--empty") { Description = "Begin without the demo jobs. DRAKLO_EMPTY=1." };
        var share = new Option<bool>("--share")
        {
            Description = "Lets the crew's devices in over this network, with encryption and by codes. DRAKLO_SHARE=1.",
        };
        var sharePort = new Option<string?>("--share-port")
        {
            Description =
                $"The port for the crew; the page about trust is on the one that --trust-port names. DRAKLO_SHARE_PORT; {ShareSettings.UsualPort} without.",
            HelpName = "number",
        };
        var trustPort = new Option<string?>("--trust-port")
        {
            Description =
                $"The port of the page about trust. DRAKLO_TRUST_PORT; {ShareSettings.UsualTrustPort} without.",
            HelpName = "number",
        };
        var shareAddress = new Option<string[]>("--share-address")
        {
            Description =
                "An address of this machine to let the crew in at; may be given more than once. DRAKLO_SHARE_ADDRESSES, with commas; all that it has without.",
            HelpName = "address",
        };
        var to = new Option<string?>("--to")
        {
            Description = "Where to put it; the folder backups in the data folder without.",
            HelpName = "folder",
        };
        var from = new Argument<string>("backup")
        {
            Description = "A backup's folder, or its name in the data folder's backups.",
        };

        var serving = new Command("serve", "Serves Draklo; what happens when no command is given.")
        {
            port,
            host,
            empty,
            share,
            sharePort,
            trustPort,
            shareAddress,
        };
        var backup = new Command("backup", "Makes a backup, also while Draklo runs, and reads it back.") { to };
        var restore = new Command("restore", "Puts a backup into a data folder; an old data file is kept aside.")
        {
            from,
        };
        var check = new Command("check", "Reads a data folder from end to end and names what is damaged.");
        var root = new RootCommand("Draklo plans the pulling of leaning trees.")
        {
            port,
            host,
            empty,
            share,
            sharePort,
            trustPort,
            shareAddress,
            data,
        };
        data.Recursive = true;
        foreach (var command in new[] { serving, backup, restore, check })
        {
            root.Add(command);
        }

        string FolderOf(ParseResult parsed) => Given(parsed.GetValue(data), "DRAKLO_DATA") ?? "data";
        async Task<int> ServeAsync(ParseResult parsed)
        {
            var ports = new[]
            {
                PortOf(Given(parsed.GetValue(port), "DRAKLO_PORT"), UsualPort),
                PortOf(Given(parsed.GetValue(sharePort), "DRAKLO_SHARE_PORT"), ShareSettings.UsualPort),
                PortOf(Given(parsed.GetValue(trustPort), "DRAKLO_TRUST_PORT"), ShareSettings.UsualTrustPort),
            };
            if (ports.FirstOrDefault(p => p.Wrong is not null).Wrong is { } wrongPort)
            {
                await error.WriteLineAsync($"The port is “{wrongPort}”; it must be a number from 0 to 65535.");
                return Wrong;
            }

            ShareSettings? shared = null;
            if (parsed.GetValue(share) || environment("DRAKLO_SHARE") is { Length: > 0 } and not "0")
            {
                var (addresses, notOne) = AddressesOf(parsed.GetValue(shareAddress), environment);
                if (notOne is not null)
                {
                    await error.WriteLineAsync(
                        $"“{notOne}” is not an address such as 192.168.1.20: give one of this machine's own."
                    );
                    return Wrong;
                }

                if (addresses.Count == 0)
                {
                    await error.WriteLineAsync(
                        "This machine is in no network that the crew could come in by: connect it, or name an address with --share-address."
                    );
                    return Failed;
                }

                shared = new(ports[1].Port, ports[2].Port, addresses);
            }

            var hosts = parsed.GetValue(host) is { Length: > 0 } named
                ? named
                : (environment("DRAKLO_HOSTS") ?? "").Split(
                    ',',
                    StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries
                );
            return await serve(
                new(
                    ports[0].Port,
                    FolderOf(parsed),
                    !(parsed.GetValue(empty) || environment("DRAKLO_EMPTY") is { Length: > 0 } and not "0")
                )
                {
                    Hosts = hosts,
                    Share = shared,
                }
            );
        }

        root.SetAction((parsed, _) => ServeAsync(parsed));
        serving.SetAction((parsed, _) => ServeAsync(parsed));
        backup.SetAction(parsed => Backup(FolderOf(parsed), parsed.GetValue(to), output));
        restore.SetAction(parsed => Restore(FolderOf(parsed), parsed.GetValue(from)!, output));
        check.SetAction(parsed => Check(FolderOf(parsed), output));

        var result = root.Parse(args);
        if (result.Errors is [var first, ..])
        {
            await error.WriteLineAsync($"{first.Message} Try --help.");
            return Wrong;
        }

        try
        {
            return await result.InvokeAsync(
                new()
                {
                    Output = output,
                    Error = error,
                    EnableDefaultExceptionHandler = false,
                    // The server stops by itself when it is told to, however long its last answer takes.
                    ProcessTerminationTimeout = null,
                }
            );
        }
        catch (StartException e)
        {
            await error.WriteLineAsync(e.Message);
            return e.Code;
        }
        catch (BackupException e)
        {
            await error.WriteLineAsync(e.Message);
            return Failed;
        }

        string? Given(string? onLine, string variable) =>
            !string.IsNullOrEmpty(onLine) ? onLine
            : environment(variable) is { Length: > 0 } set ? set
            : null;
    }

    private static (int Port, string? Wrong) PortOf(string? text, int usual) =>
        text is null ? (usual, null)
        : ushort.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var port) ? (port, null)
        : (0, text);

    /// <summary>The addresses to let the crew in at, or the first text that is not an address.</summary>
    private static (IReadOnlyList<IPAddress> Addresses, string? Wrong) AddressesOf(
        string[]? named,
        Func<string, string?> environment
    )
    {
        var texts = named is { Length: > 0 }
            ? named
            : (environment("DRAKLO_SHARE_ADDRESSES") ?? "").Split(
                ',',
                StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries
            );
        return texts.Length == 0 ? (ShareSettings.OwnAddresses(), null)
            : texts.FirstOrDefault(t => !IPAddress.TryParse(t, out _)) is { } wrong ? ([], wrong)
            : ([.. texts.Select(IPAddress.Parse)], null);
    }

    private static int Backup(string folder, string? to, TextWriter output)
    {
        var database = Database.Existing(folder);
        var backups = new Backups(database, folder, TimeProvider.System, to);
        var made = backups.Make(BackupReason.Asked);
        output.WriteLine(
            $"Backed up {made.Jobs} jobs, {made.Gear} pieces of gear and {made.Pictures} pictures to {Path.Combine(backups.Folder, made.Name)}, and read it back."
        );
        return 0;
    }

    private static int Restore(string folder, string from, TextWriter output)
    {
        var named = Path.Combine(folder, "backups", from);
        var backup = Directory.Exists(from) || !Directory.Exists(named) ? from : named;
        using var target = DataFolder.Claim(folder);
        var aside = Backups.RestoreInto(backup, target, TimeProvider.System);
        output.WriteLine(
            $"Restored into {target.Path}." + (aside is null ? "" : $" What was there before lies in {aside}.")
        );
        return 0;
    }

    private static int Check(string folder, TextWriter output)
    {
        var database = Database.Existing(folder);
        var faults = database.Integrity();
        if (!database.IsCurrent())
        {
            output.WriteLine(
                "An earlier Draklo wrote this folder; its rows are looked at once this one has upgraded it."
            );
            return faults.Count == 0 ? 0 : Failed;
        }

        var damaged = new Damage(database, TimeProvider.System).Find();
        foreach (var fault in faults)
        {
            output.WriteLine($"Data file: {fault}");
        }

        foreach (var row in damaged)
        {
            output.WriteLine($"Damaged: {row.Kind} {row.Id} ({row.Name}): {row.Why}");
        }

        var whole = faults.Count + damaged.Count == 0;
        output.WriteLine(
            whole
                ? $"Draklo {CareEndpoints.Version}: everything in {Path.GetFullPath(folder)} can be read."
                : "Mend damaged rows on the page Upkeep, or restore a backup."
        );
        return whole ? 0 : Failed;
    }
}
