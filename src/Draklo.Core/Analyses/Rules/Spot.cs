namespace Draklo.Core.Analyses;

/// <summary>A group of a line's members. Its path is only written out once something is wrong there.</summary>
/// <param name="Line">Index of the line.</param>
/// <param name="Group">As in "tackle.grip"; null for the line or redirect itself.</param>
/// <param name="Redirect">Index of the redirect it belongs to; −1 for none.</param>
/// <param name="Root">Where the group stands when it belongs to no line.</param>
internal readonly record struct Spot(int Line, string? Group = null, int Redirect = -1, string? Root = null)
{
    /// <summary>A group that belongs to no line, by its whole path.</summary>
    public static Spot At(string root) => new(-1, Root: root);

    /// <summary>The path of one of its members.</summary>
    public string Of(string member)
    {
        var at = Root ?? (Redirect < 0 ? $"lines[{Line}]" : $"lines[{Line}].redirects[{Redirect}]");
        return Group is null ? $"{at}.{member}" : $"{at}.{Group}.{member}";
    }
}
