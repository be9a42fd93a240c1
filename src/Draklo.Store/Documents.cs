using System.Text.Json;
using Draklo.Core.Reading;

namespace Draklo.Store;

/// <summary>Documents as they are kept: JSON text.</summary>
internal static class Documents
{
    public static string Text<T>(T value) => JsonSerializer.Serialize(value, DocumentReader.Options);

    /// <exception cref="DamagedException">The text is not such a document.</exception>
    public static T Read<T>(string? text, string kind, string id)
    {
        try
        {
            return JsonSerializer.Deserialize<T>(text ?? "", DocumentReader.Options)
                ?? throw new JsonException("The text is empty.");
        }
        catch (Exception e)
            when (e is JsonException or NotSupportedException or InvalidOperationException or ArgumentException)
        {
            throw new DamagedException(kind, id, e);
        }
    }

    /// <summary>What can be read; a damaged row is passed over, and <see cref="Damage"/> names it.</summary>
    public static IEnumerable<T> Whole<TRow, T>(this IEnumerable<TRow> rows, Func<TRow, T> read)
    {
        foreach (var row in rows)
        {
            T made;
            try
            {
                made = read(row);
            }
            catch (DamagedException)
            {
                continue;
            }

            yield return made;
        }
    }
}

/// <summary>A row that is there and cannot be read.</summary>
/// <param name="kind">As in "job" or "gear".</param>
public sealed class DamagedException(string kind, string id, Exception? inner)
    : Exception($"The {kind} {id} cannot be read.", inner)
{
    public string Kind => kind;

    public string Id => id;
}
