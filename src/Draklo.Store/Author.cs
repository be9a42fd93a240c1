namespace Draklo.Store;

/// <summary>Who makes a change, as far as they have said so: their name on the device they work at.</summary>
public static class Author
{
    private static readonly AsyncLocal<string?> Named = new();

    /// <summary>Empty while nobody has said.</summary>
    public static string Name
    {
        get => Named.Value ?? "";
        set => Named.Value = value;
    }
}
