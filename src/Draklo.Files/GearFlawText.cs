using System.Globalization;
using Draklo.Core.Gear;

namespace Draklo.Files;

/// <summary>Flawed spots in one cell: "12.5: glazed / 20: cut".</summary>
internal static class GearFlawText
{
    private const string Between = " / ";

    public static string Write(IReadOnlyList<GearFlaw> flaws) =>
        string.Join(
            Between,
            flaws.Select(f => $"{f.AtM.ToString("0.##", CultureInfo.InvariantCulture)}: {f.What.Replace('/', ',')}")
        );

    /// <returns>Null where it cannot be read.</returns>
    public static IReadOnlyList<GearFlaw>? Read(string text)
    {
        var flaws = new List<GearFlaw>();
        foreach (
            var part in text.Split(
                Between.Trim(),
                StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries
            )
        )
        {
            var colon = part.IndexOf(':', StringComparison.Ordinal);
            if (
                colon < 1
                || !double.TryParse(part[..colon], NumberStyles.Float, CultureInfo.InvariantCulture, out var at)
                || !double.IsFinite(at)
            )
            {
                return null;
            }

            flaws.Add(new() { AtM = at, What = part[(colon + 1)..].Trim() });
        }

        if (flaws.Count == 0)
        {
            // The same nothing as a piece begins with.
            return [];
        }

        return flaws;
    }
}
