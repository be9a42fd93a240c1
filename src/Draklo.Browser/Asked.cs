using System.Globalization;
using Draklo.Core.Carrying;
using Draklo.Core.Gear;
using Draklo.Core.Units;

namespace Draklo.Browser;

/// <summary>How something is asked: its query, read as the server reads it.</summary>
internal sealed class Asked(string query, Known known)
{
    private readonly Dictionary<string, string> values = query
        .Split('&', StringSplitOptions.RemoveEmptyEntries)
        .Select(pair => pair.Split('=', 2))
        .ToDictionary(
            pair => Uri.UnescapeDataString(pair[0]),
            pair => pair.Length > 1 ? Uri.UnescapeDataString(pair[1]) : "",
            StringComparer.Ordinal
        );

    public UnitSystem Units => Text("units", "") == "us" ? UnitSystem.Us : UnitSystem.Metric;

    public CarriedLocker Locker => known.Locker;

    public IReadOnlyDictionary<string, GearStanding> Standings => Locker.Standings.In(Units);

    /// <summary>Of the tablet's clock from UTC.</summary>
    public TimeSpan Offset => TimeSpan.FromMinutes(Whole("offsetMin", 0));

    public string Text(string name, string otherwise) => values.GetValueOrDefault(name, otherwise);

    public int Whole(string name, int otherwise) =>
        values.TryGetValue(name, out var text)
        && int.TryParse(text, NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var value)
            ? value
            : otherwise;

    public double Number(string name, double otherwise) =>
        values.TryGetValue(name, out var text)
        && double.TryParse(text, NumberStyles.Float, CultureInfo.InvariantCulture, out var value)
            ? value
            : otherwise;

    public bool Flag(string name, bool otherwise) =>
        values.TryGetValue(name, out var text) && bool.TryParse(text, out var value) ? value : otherwise;
}
