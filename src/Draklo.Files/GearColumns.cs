using System.Globalization;
using Draklo.Core.Gear;

namespace Draklo.Files;

/// <param name="Get">The cell of an item; null for an empty one.</param>
/// <param name="Set">The item with a cell put in; null when it cannot be read.</param>
/// <param name="Expects">What would be read.</param>
internal sealed record Column(
    string Name,
    Func<GearItem, string?> Get,
    Func<GearItem, string, GearItem?> Set,
    Func<string> Expects
);

/// <summary>The columns of the locker as a CSV file.</summary>
internal static class GearColumns
{
    public static readonly Column[] All =
    [
        Text("id", i => i.Id, (i, v) => i with { Id = v }),
        new(
            "kind",
            i => JsonName(i.Kind),
            (i, v) => TryName<GearKind>(v, out var kind) ? i with { Kind = kind } : null,
            () => $"the kind is one of {Names<GearKind>()}"
        ),
        Text("name", i => i.Name, (i, v) => i with { Name = v }),
        Text("marks", i => i.Marks, (i, v) => i with { Marks = v }),
        new(
            "count",
            i => i.Count.ToString(CultureInfo.InvariantCulture),
            (i, v) =>
                v.Length == 0 ? i with { Count = 1 }
                : int.TryParse(v, NumberStyles.None, CultureInfo.InvariantCulture, out var n) ? i with { Count = n }
                : null,
            () => "the count is a whole number"
        ),
        Number("length_m", 1, i => i.LengthM, (i, v) => i with { LengthM = v }),
        Number("diameter_mm", 1e-3, i => i.DiameterM, (i, v) => i with { DiameterM = v }),
        Number("breaking_strength_kn", 1e3, i => i.BreakingStrengthN, (i, v) => i with { BreakingStrengthN = v }),
        Number("working_load_kn", 1e3, i => i.WorkingLoadN, (i, v) => i with { WorkingLoadN = v }),
        Number("working_load_factor", 1, i => i.WorkingLoadFactor, (i, v) => i with { WorkingLoadFactor = v }),
        Text("construction", i => i.ConstructionId, (i, v) => i with { ConstructionId = v }),
        Number("stretch_percent", 1e-2, i => i.StretchAtTenPercent, (i, v) => i with { StretchAtTenPercent = v }),
        Text("turns", i => i.ContactId, (i, v) => i with { ContactId = v }),
        Text("system", i => i.SystemId, (i, v) => i with { SystemId = v }),
        Text("grip", i => i.GripId, (i, v) => i with { GripId = v }),
        Text("made_on", i => i.MadeOn, (i, v) => i with { MadeOn = v }),
        Text("in_service_on", i => i.InServiceOn, (i, v) => i with { InServiceOn = v }),
        Number("worn_to_percent", 1e-2, i => i.Keeps, (i, v) => i with { Keeps = v }),
        new(
            "flaws",
            i => i.Flaws.Count == 0 ? null : GearFlawText.Write(i.Flaws),
            (i, v) => GearFlawText.Read(v) is { } flaws ? i with { Flaws = flaws } : null,
            () => "flaws are metres from end a and what is wrong there, as in 12.5: glazed / 20: cut"
        ),
        new(
            "state",
            i => JsonName(i.State),
            (i, v) => TryName<GearState>(v, out var state) ? i with { State = state } : null,
            () => $"the state is one of {Names<GearState>()}"
        ),
        Text("reason", i => i.Reason, (i, v) => i with { Reason = v }),
        Text("note", i => i.Note, (i, v) => i with { Note = v }),
    ];

    private static Column Text(string name, Func<GearItem, string?> get, Func<GearItem, string, GearItem> set) =>
        new(
            name,
            get,
            (i, v) =>
                name is "id" or "name" ? set(i, v)
                : v.Length == 0 ? set(i, null!)
                : set(i, v),
            () => ""
        );

    private static Column Number(
        string name,
        double unit,
        Func<GearItem, double?> get,
        Func<GearItem, double?, GearItem> set
    ) =>
        new(
            name,
            i =>
                get(i) is { } value
                    ? Math.Round(value / unit, 6).ToString("0.######", CultureInfo.InvariantCulture)
                    : null,
            (i, v) =>
                v.Length == 0 ? set(i, null)
                : double.TryParse(
                    v,
                    NumberStyles.AllowLeadingSign | NumberStyles.AllowDecimalPoint,
                    CultureInfo.InvariantCulture,
                    out var number
                ) && double.IsFinite(number)
                    ? set(i, Math.Round(number * unit, 9))
                : null,
            () => "a number with a point is wanted, as in 12.5"
        );

    public static string JsonName<T>(T value)
        where T : struct, Enum => System.Text.Json.JsonNamingPolicy.CamelCase.ConvertName(value.ToString());

    private static string Names<T>()
        where T : struct, Enum => string.Join(", ", Enum.GetValues<T>().Select(JsonName));

    private static bool TryName<T>(string text, out T value)
        where T : struct, Enum
    {
        foreach (var known in Enum.GetValues<T>())
        {
            if (JsonName(known) == text || (text.Length == 0 && known is GearState.InService))
            {
                value = known;
                return true;
            }
        }

        value = default;
        return false;
    }
}
