using System.Diagnostics;

namespace Draklo.Browser.Tests.Support;

/// <summary>The built application as a process of its own, over a data folder of its own.</summary>
public sealed class AppProcess : IDisposable
{
    private readonly string folder = Path.Combine(Path.GetTempPath(), "draklo-browser-" + Guid.NewGuid().ToString("N"));
    private Process? process;
    private string port = "0";

    public AppProcess() => Start();

    public string Address { get; private set; } = "";

    /// <summary>From the start of the process until it said that it listens.</summary>
    public TimeSpan StartedIn { get; private set; }

    /// <summary>Starts it, on the same port and data as before if it ran already.</summary>
    public void Start()
    {
        var app = Path.Combine(Root(AppContext.BaseDirectory), "artifacts", "app", "Draklo.Web.dll");
        if (!File.Exists(app))
        {
            throw new InvalidOperationException($"The application is not built at {app}: run tools/build.");
        }

        var watch = Stopwatch.StartNew();
        process = Process.Start(
            new ProcessStartInfo("dotnet", app)
            {
                UseShellExecute = false,
                RedirectStandardOutput = true,
                Environment = { ["DRAKLO_PORT"] = port, ["DRAKLO_DATA"] = folder },
            }
        )!;
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

    /// <summary>Ends it without warning, as kill -9 does.</summary>
    public void Kill()
    {
        process!.Kill();
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

        if (Directory.Exists(folder))
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
