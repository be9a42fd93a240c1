using System.Text.Json;

namespace Draklo.Core.Units;

/// <summary>A unit as it is written.</summary>
/// <param name="Si">The SI value of one.</param>
internal sealed record Unit(string Name, double Si);

/// <summary>How a kind of figure is written in either system.</summary>
/// <param name="Small">The metric unit for less than one of the usual ones; null without one.</param>
/// <param name="Places">Fixed decimals in place of a number of figures.</param>
internal sealed record UnitPair(string Code, Unit Metric, Unit Us, Unit? Small, int? Places)
{
    /// <summary>By the code that sentences and workings use, as in "kg/m3".</summary>
    public static IReadOnlyDictionary<string, UnitPair> ByCode { get; } =
        Read().ToDictionary(q => q.Pair.Code, q => q.Pair, StringComparer.Ordinal);

    /// <summary>The code of a quantity that has one.</summary>
    /// <exception cref="ArgumentException">No quantity with a code has this name.</exception>
    public static string CodeOf(string quantity) =>
        Codes.TryGetValue(quantity, out var code)
            ? code
            : throw new ArgumentException($"'{quantity}' is not a quantity with a code.", nameof(quantity));

    private static Dictionary<string, string> Codes { get; } =
        Read().ToDictionary(q => q.Quantity, q => q.Pair.Code, StringComparer.Ordinal);

    /// <summary>The unit for a value of this size.</summary>
    public Unit For(double value, UnitSystem units) =>
        units == UnitSystem.Us ? Us
        : Small is not null && Math.Abs(value) < Metric.Si ? Small
        : Metric;

    /// <summary>The table that the front end reads too, so that both write and read a figure alike.</summary>
    private static List<(string Quantity, UnitPair Pair)> Read()
    {
        using var stream =
            typeof(UnitPair).Assembly.GetManifestResourceStream("units.json")
            ?? throw new InvalidOperationException("The table of units is missing from the build.");
        using var table = JsonDocument.Parse(stream);
        return table
            .RootElement.GetProperty("quantities")
            .EnumerateObject()
            .Where(q => q.Value.TryGetProperty("code", out _))
            .Select(q => (q.Name, PairOf(q.Value)))
            .ToList();
    }

    private static UnitPair PairOf(JsonElement pair) =>
        new(
            pair.GetProperty("code").GetString()!,
            UnitOf(pair.GetProperty("metric")),
            UnitOf(pair.GetProperty("us")),
            pair.TryGetProperty("small", out var small) ? UnitOf(small) : null,
            pair.TryGetProperty("places", out var places) ? places.GetInt32() : null
        );

    private static Unit UnitOf(JsonElement unit) =>
        new(unit.GetProperty("name").GetString()!, unit.GetProperty("si").GetDouble());
}
