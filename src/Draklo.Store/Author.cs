namespace Draklo.Store;

/// <summary>Who makes a change, as far as they have said so: their name on the device they work at.</summary>
public static class Author
{
    private static readonly AsyncLocal<string?> Named = new();
    private static readonly AsyncLocal<string?> Of = new();
    private static readonly AsyncLocal<string?> At = new();

    /// <summary>The page that the change comes from; empty where none does.</summary>
    public static string Page
    {
        get => Of.Value ?? "";
        set => Of.Value = value;
    }

    /// <summary>The paired device that asks; empty at this machine itself.</summary>
    public static string Device
    {
        get => At.Value ?? "";
        set => At.Value = value;
    }

    /// <summary>Empty while nobody has said.</summary>
    public static string Name
    {
        get => Named.Value ?? "";
        set => Named.Value = value;
    }
}
