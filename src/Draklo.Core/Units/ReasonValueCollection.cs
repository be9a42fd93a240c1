using System.Collections;
using System.Diagnostics.CodeAnalysis;

namespace Draklo.Core.Units;

/// <summary>A few figures by name, in the order in which they were given.</summary>
public sealed class ReasonValueCollection : IReadOnlyDictionary<string, double>
{
    public static readonly ReasonValueCollection None = new([]);

    private readonly (string Name, double Value)[] values;

    private ReasonValueCollection((string Name, double Value)[] values) => this.values = values;

    public static ReasonValueCollection Of(ReadOnlySpan<(string Name, double Value)> values) =>
        values.Length == 0 ? None : new(values.ToArray());

    /// <summary>How many figures a reason names, 0 or more.</summary>
    public int Count => values.Length;

    public IEnumerable<string> Keys => values.Select(v => v.Name);

    public IEnumerable<double> Values => values.Select(v => v.Value);

    /// <exception cref="KeyNotFoundException">No figure of this name was given.</exception>
    public double this[string key] => TryGetValue(key, out var value) ? value : throw new KeyNotFoundException(key);

    public bool ContainsKey(string key) => TryGetValue(key, out _);

    public bool TryGetValue(string key, [MaybeNullWhen(false)] out double value)
    {
        foreach (var (name, figure) in values)
        {
            if (name == key)
            {
                value = figure;
                return true;
            }
        }

        value = 0;
        return false;
    }

    public IEnumerator<KeyValuePair<string, double>> GetEnumerator() =>
        values.Select(v => KeyValuePair.Create(v.Name, v.Value)).GetEnumerator();

    IEnumerator IEnumerable.GetEnumerator() => GetEnumerator();
}
