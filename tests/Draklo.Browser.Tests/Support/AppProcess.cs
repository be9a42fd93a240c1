using System.Diagnostics;

namespace Draklo.Browser.Tests.Support;

/// <summary>The built application as a process of its own, over a data folder of its own.</summary>
public sealed class AppProcess : IDisposable
{
    private readonly string folder;
    private readonly bool isOwn;
    private readonly string? shareAt;
    private Process? process;
    private string port = "0";

    /// <summary>Over a copy of the demo data.</summary>
    public AppProcess()
        : this(DemoFolder.Copy(), null, isOwn: true) { }

    /// <param name="folder">A data folder that stays when the process is gone.</param>
    /// <param name="shareAt">An address at which the crew's devices are let in; nowhere without.</param>
    public AppProcess(string folder, string? shareAt = null)
    {
        this.folder = folder;
        this.shareAt = shareAt;
        Start();
    }

    /// <summary>Shared with the crew at an address of this machine's own.</summary>
    public static AppProcess SharedAt(string address) => new(DemoFolder.Copy(), address, isOwn: true);

    private AppProcess(string folder, string? shareAt, bool isOwn)
        : this(folder, shareAt) => this.isOwn = isOwn;

    public string Address { get; private set; } = "";

    /// <summary>What the process holds of the machine's memory, MB.</summary>
    public double MemoryMb
    {
        get
        {
            process!.Refresh();
            return process.WorkingSet64 / 1e6;
        }
    }

    /// <summary>From the start of the process until it said that it listens.</summary>
    public TimeSpan StartedIn { get; private set; }

    /// <summary>Starts it, on the same port and data as before if it ran already.</summary>
    public void Start()
    {
        var watch = Stopwatch.StartNew();
        process = Launch(folder, port, shareAt);
        while (process.StandardOutput.ReadLine() is { } line)
        {
            if (line.StartsWith("Draklo is at ", StringComparison.Ordinal))
            {
                StartedIn = watch.Elapsed;
                Address = line.Split(' ')[3];
                port = new Uri(Address).Port.ToString();
                return;
            }
        }

        throw new InvalidOperationException("The application ended before it listened.");
    }

    /// <summary>Starts the built application without waiting until it listens.</summary>
    public static Process Launch(string folder, string port = "0", string? shareAt = null)
    {
        var app = Path.Combine(Root(AppContext.BaseDirectory), "artifacts", "app", "Draklo.Web.dll");
        if (!File.Exists(app))
        {
            throw new InvalidOperationException($"The application is not built at {app}: run tools/build.");
        }

        var start = new ProcessStartInfo("dotnet", app)
        {
            UseShellExecute = false,
            RedirectStandardOutput = true,
            Environment = { ["DRAKLO_PORT"] = port, ["DRAKLO_DATA"] = folder },
        };
        if (shareAt is not null)
        {
            start.Environment["DRAKLO_SHARE"] = "1";
            start.Environment["DRAKLO_SHARE_ADDRESSES"] = shareAt;
            start.Environment["DRAKLO_SHARE_PORT"] = "0";
            start.Environment["DRAKLO_TRUST_PORT"] = "0";
        }

        return Process.Start(start)!;
    }

    /// <summary>Ends it without warning, as kill -9 does.</summary>
    public void Kill()
    {
        if (process is null)
        {
            return;
        }

        process.Kill();
        process.WaitForExit();
        process.Dispose();
        process = null;
    }

    public void Dispose()
    {
        if (process is not null)
        {
            Kill();
        }

        if (isOwn && Directory.Exists(folder))
        {
            Directory.Delete(folder, recursive: true);
        }
    }

    public static string Root(string from) =>
        File.Exists(Path.Combine(from, "Draklo.slnx"))
            ? from
            : Root(
                Path.GetDirectoryName(from)
                    ?? throw new InvalidOperationException("This does not run inside the repository.")
            );
}
