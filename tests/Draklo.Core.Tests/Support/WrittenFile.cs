namespace Draklo.Core.Tests;

/// <summary>A file of the front end that is written from the core's own entries.</summary>
internal static class WrittenFile
{
    /// <summary>Fails while the file is old; with DRAKLO_WRITE=1 it is written first.</summary>
    /// <param name="path">From the project's folder.</param>
    public static void Holds(string[] path, string written)
    {
        var file = Path.Combine([Root(AppContext.BaseDirectory), .. path]);
        if (Environment.GetEnvironmentVariable("DRAKLO_WRITE") == "1")
        {
            File.WriteAllText(file, written);
        }

        Assert.Equal(written, File.ReadAllText(file));
    }

    private static string Root(string from) =>
        File.Exists(Path.Combine(from, "Draklo.slnx")) ? from : Root(Path.GetDirectoryName(from)!);
}
