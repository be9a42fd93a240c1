namespace Draklo.Web.Tests;

internal static class Repository
{
    /// <summary>The folder that holds the solution.</summary>
    public static string Root { get; } = Find(AppContext.BaseDirectory);

    private static string Find(string folder) =>
        File.Exists(Path.Combine(folder, "Draklo.slnx"))
            ? folder
            : Find(
                Path.GetDirectoryName(folder)
                    ?? throw new InvalidOperationException("The tests do not run inside the repository.")
            );
}
