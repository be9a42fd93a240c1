using Draklo.Web.Hosting;

namespace Draklo.Web.Tests;

/// <summary>A data folder with the demo jobs, made once for all tests: each server begins with a copy of its own.</summary>
internal static class DemoFolder
{
    private static readonly Lazy<string> Made = new(Make);

    /// <summary>Puts a copy of it in a new folder.</summary>
    public static void CopyTo(string folder)
    {
        foreach (
            var made in Directory.EnumerateDirectories(Made.Value, "*", SearchOption.AllDirectories).Prepend(Made.Value)
        )
        {
            // Whoever may enter the one may enter the other.
            var copy = Path.Combine(folder, Path.GetRelativePath(Made.Value, made));
            Directory.CreateDirectory(copy, File.GetUnixFileMode(made));
        }

        foreach (var file in Directory.EnumerateFiles(Made.Value, "*", SearchOption.AllDirectories))
        {
            File.Copy(file, Path.Combine(folder, Path.GetRelativePath(Made.Value, file)));
        }
    }

    private static string Make()
    {
        var folder = Path.Combine(Path.GetTempPath(), "draklo-demo-" + Guid.NewGuid().ToString("N"));
        DrakloHost.Build(new(0, folder, WithDemo: true)).DisposeAsync().AsTask().GetAwaiter().GetResult();
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        AppDomain.CurrentDomain.ProcessExit += (_, _) => Directory.Delete(folder, recursive: true);
        return folder;
    }
}
