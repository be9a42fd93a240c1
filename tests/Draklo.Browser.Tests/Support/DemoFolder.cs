namespace Draklo.Browser.Tests.Support;

/// <summary>The data folder of a first run, made once by the application: each server begins with a copy of its own.</summary>
internal static class DemoFolder
{
    private static readonly Lazy<string> Made = new(Make);

    /// <summary>A new folder with a copy of it.</summary>
    public static string Copy()
    {
        var copy = NewName();
        foreach (var folder in Directory.EnumerateDirectories(Made.Value, "*", All).Prepend(Made.Value))
        {
            // Whoever may enter the one may enter the other.
            Directory.CreateDirectory(In(copy, folder), File.GetUnixFileMode(folder));
        }

        foreach (var file in Directory.EnumerateFiles(Made.Value, "*", All))
        {
            File.Copy(file, In(copy, file));
        }

        return copy;
    }

    private const SearchOption All = SearchOption.AllDirectories;

    private static string In(string copy, string path) => Path.Combine(copy, Path.GetRelativePath(Made.Value, path));

    private static string NewName() =>
        Path.Combine(Path.GetTempPath(), "draklo-browser-" + Guid.NewGuid().ToString("N"));

    private static string Make()
    {
        var folder = NewName();
        AppDomain.CurrentDomain.ProcessExit += (_, _) => Directory.Delete(folder, recursive: true);
        using var first = new AppProcess(folder);
        return folder;
    }
}
