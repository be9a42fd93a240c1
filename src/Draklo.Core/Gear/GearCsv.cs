using System.Globalization;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;
using Draklo.Core.Units;

namespace Draklo.Core.Gear;

/// <summary>The locker as a CSV file, out and in.</summary>
public static class GearCsv
{
    public const int MostRows = 20_000;

    private static readonly string[] Needed = ["kind", "name"];
    private static readonly string[] Delimiters = [",", ";", "\t"];

    private static readonly Column[] Columns =
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
            "state",
            i => JsonName(i.State),
            (i, v) => TryName<GearState>(v, out var state) ? i with { State = state } : null,
            () => $"the state is one of {Names<GearState>()}"
        ),
        Text("reason", i => i.Reason, (i, v) => i with { Reason = v }),
        Text("note", i => i.Note, (i, v) => i with { Note = v }),
    ];

    /// <summary>The file: UTF-8 with a byte order mark, so that spreadsheets read its letters right.</summary>
    public static byte[] Write(IEnumerable<GearItem> items)
    {
        using var bytes = new MemoryStream();
        using (
            var writer = new StreamWriter(bytes, new UTF8Encoding(encoderShouldEmitUTF8Identifier: true))
            {
                NewLine = "\r\n",
            }
        )
        using (var csv = new CsvWriter(writer, new CsvConfiguration(CultureInfo.InvariantCulture) { NewLine = "\r\n" }))
        {
            foreach (var column in Columns)
            {
                csv.WriteField(column.Name);
            }

            csv.NextRecord();
            foreach (var item in items)
            {
                foreach (var column in Columns)
                {
                    csv.WriteField(column.Get(item) ?? "");
                }

                csv.NextRecord();
            }
        }

        return bytes.ToArray();
    }

    /// <summary>Says row by row what a file would do; changes nothing.</summary>
    /// <param name="kept">The locker as it stands.</param>
    public static (CsvPreview? Preview, List<Problem> Problems) Preview(
        byte[] file,
        IReadOnlyCollection<GearItem> kept,
        DateOnly today,
        UnitSystem units
    )
    {
        if (Decode(file, out var text) is { } unreadable)
        {
            return (null, [new("file", unreadable)]);
        }

        var lines = text.AsSpan().Count('\n');
        if (lines > MostRows + 1)
        {
            return (
                null,
                [new("file", $"This file has about {lines:N0} rows; {MostRows:N0} are the most at once: split it.")]
            );
        }

        using var csv = new CsvReader(
            new StringReader(text),
            new CsvConfiguration(CultureInfo.InvariantCulture)
            {
                Delimiter = DelimiterOf(text),
                BadDataFound = null,
                MissingFieldFound = null,
                IgnoreBlankLines = true,
                TrimOptions = TrimOptions.Trim,
                Mode = CsvMode.RFC4180,
            }
        );
        if (!csv.Read() || !csv.ReadHeader() || csv.HeaderRecord is not { } header)
        {
            return (null, [new("file", "This file is empty: export the locker once to see what a file looks like.")]);
        }

        var problems = CheckHeader(header);
        return problems.Count > 0 ? (null, problems) : (ReadRows(csv, header, kept, today, units), []);
    }

    private static CsvPreview ReadRows(
        CsvReader csv,
        string[] header,
        IReadOnlyCollection<GearItem> kept,
        DateOnly today,
        UnitSystem units
    )
    {
        var columns = header.Select(h => Columns.First(c => c.Name == Named(h))).ToArray();
        var byId = kept.ToDictionary(i => i.Id, StringComparer.Ordinal);
        var byLook = kept.GroupBy(Look).ToDictionary(g => g.Key, g => g.First(), StringComparer.Ordinal);
        var taken = new HashSet<string>(byId.Keys, StringComparer.Ordinal);
        var seen = new Dictionary<string, int>(StringComparer.Ordinal);
        var rows = new List<RowPreview>();
        var items = new List<GearItem>();
        while (csv.Read())
        {
            var line = csv.Parser.RawRow;
            var (item, fault) = ReadRow(csv, columns, byId);
            if (item is null)
            {
                rows.Add(new(line, RowAction.Refused, "", "", fault!));
                continue;
            }

            var isNew = item.Id.Length == 0 && !byLook.ContainsKey(Look(item));
            if (item.Id.Length == 0)
            {
                item = item with { Id = isNew ? FreeId(item, taken) : byLook[Look(item)].Id };
            }

            var before = byId.GetValueOrDefault(item.Id);
            fault =
                csv.Parser.Count > header.Length
                    ? $"this row has {csv.Parser.Count} cells, the header {header.Length}: look for a comma inside a name that wants quotation marks"
                : seen.TryGetValue(item.Id, out var first) ? $"the piece “{item.Id}” stands in line {first} already"
                : GearRules.Check(item, today, units) is [{ } problem, ..] ? problem.Message
                : null;
            if (fault is not null)
            {
                rows.Add(new(line, RowAction.Refused, item.Id, item.Name, fault.Capitalised()));
                continue;
            }

            seen[item.Id] = line;
            taken.Add(item.Id);
            var differences = before is null ? [] : Differences(before, item);
            var action =
                before is null ? RowAction.Add
                : differences.Count > 0 ? RowAction.Change
                : RowAction.Same;
            rows.Add(
                new(
                    line,
                    action,
                    item.Id,
                    item.Name,
                    action switch
                    {
                        RowAction.Add => "New.",
                        RowAction.Same => "As it is.",
                        _ => string.Join("; ", differences).Capitalised() + ".",
                    }
                )
            );
            if (action != RowAction.Same)
            {
                items.Add(item);
            }
        }

        var refused = rows.Count(r => r.Action == RowAction.Refused);
        return new(
            rows,
            refused > 0 ? [] : items,
            rows.Count(r => r.Action == RowAction.Add),
            rows.Count(r => r.Action == RowAction.Change),
            rows.Count(r => r.Action == RowAction.Same),
            refused
        );
    }

    /// <summary>
    /// A row over what the locker knows of the piece: columns that the file leaves out stay as they are.
    /// </summary>
    private static (GearItem? Item, string? Fault) ReadRow(
        CsvReader csv,
        Column[] columns,
        Dictionary<string, GearItem> byId
    )
    {
        var at = Array.FindIndex(columns, c => c.Name == "id");
        var id = at < 0 ? "" : csv.GetField(at) ?? "";
        var item =
            byId.GetValueOrDefault(id)
            ?? new GearItem
            {
                Id = id,
                Kind = GearKind.Rope,
                Name = "",
            };
        for (var i = 0; i < columns.Length; i++)
        {
            var cell = csv.GetField(i) ?? "";
            if (columns[i].Set(item, cell) is not { } changed)
            {
                return (
                    null,
                    $"“{(cell.Length > 30 ? cell[..30] + "…" : cell)}” in the column {columns[i].Name}: {columns[i].Wants()}."
                );
            }

            item = changed;
        }

        return (item, null);
    }

    private static List<string> Differences(GearItem before, GearItem after) =>
        [
            .. Columns
                .Where(c => (c.Get(before) ?? "") != (c.Get(after) ?? ""))
                .Select(c => $"{c.Name} {Or(c.Get(before))} → {Or(c.Get(after))}"),
        ];

    private static string Or(string? value) => string.IsNullOrEmpty(value) ? "nothing" : $"“{value}”";

    private static List<Problem> CheckHeader(string[] header)
    {
        var named = header.Select(Named).ToArray();
        var unknown = named.Where(h => Columns.All(c => c.Name != h)).ToList();
        if (unknown.Count > 0)
        {
            return
            [
                new(
                    "file",
                    $"The column “{(unknown[0].Length > 40 ? unknown[0][..40] + "…" : unknown[0])}” is not known{(unknown.Count > 1 ? $", nor {(unknown.Count == 2 ? "is one other" : $"are {unknown.Count - 1} others")}" : "")}: the columns are {string.Join(", ", Columns.Select(c => c.Name))}."
                ),
            ];
        }

        if (named.Distinct(StringComparer.Ordinal).Count() < named.Length)
        {
            return [new("file", "A column stands twice in the first line: take one away.")];
        }

        var missing = Needed.Except(named, StringComparer.Ordinal).ToList();
        return missing.Count > 0
            ?
            [
                new(
                    "file",
                    $"The column {string.Join(" and the column ", missing)} is missing: the first line names the columns, and these must be among them."
                ),
            ]
            : [];
    }

    private static string Named(string header) => header.Trim().ToLowerInvariant();

    private static string Look(GearItem item) => $"{item.Kind}\n{item.Name}\n{item.Marks}";

    /// <summary>An id made of the name that no other piece has.</summary>
    public static string FreeId(GearItem item, ISet<string> taken)
    {
        var plain = new string([
            .. item.Name.ToLowerInvariant().Select(c => c is >= 'a' and <= 'z' or >= '0' and <= '9' ? c : '-'),
        ]).Trim('-');
        while (plain.Contains("--", StringComparison.Ordinal))
        {
            plain = plain.Replace("--", "-", StringComparison.Ordinal);
        }

        plain =
            plain.Length > 24 ? plain[..24].Trim('-')
            : plain.Length == 0 ? JsonName(item.Kind).ToLowerInvariant()
            : plain;
        var id = plain;
        for (var n = 2; taken.Contains(id); n++)
        {
            id = $"{plain}-{n}";
        }

        return id;
    }

    /// <summary>What is wrong with the bytes as text; null when they were read.</summary>
    private static string? Decode(byte[] file, out string text)
    {
        text = "";
        if (file.AsSpan().StartsWith("PK\u0003\u0004"u8))
        {
            return "This is a spreadsheet's own file, not CSV: save it there as “CSV UTF-8”.";
        }

        Encoding encoding =
            file is [0xFF, 0xFE, ..] ? new UnicodeEncoding(false, true, throwOnInvalidBytes: true)
            : file is [0xFE, 0xFF, ..] ? new UnicodeEncoding(true, true, throwOnInvalidBytes: true)
            : new UTF8Encoding(true, throwOnInvalidBytes: true);
        try
        {
            text = encoding.GetString(
                file.AsSpan(encoding.Preamble.Length is var n && file.AsSpan().StartsWith(encoding.Preamble) ? n : 0)
            );
        }
        catch (DecoderFallbackException e)
        {
            var line = file.AsSpan(0, Math.Clamp(e.Index, 0, file.Length)).Count((byte)'\n') + 1;
            return $"Line {line} holds bytes that are not UTF-8 text: save the file as “CSV UTF-8” and try again.";
        }

        return text.Contains('\0', StringComparison.Ordinal)
            ? "This is no text file: save the list as “CSV UTF-8”."
            : null;
    }

    private static string DelimiterOf(string text)
    {
        var end = text.IndexOf('\n', StringComparison.Ordinal);
        var first = end < 0 ? text : text[..end];
        return Delimiters.MaxBy(d => first.Split(d).Length)!;
    }

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

    private static string JsonName<T>(T value)
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

    /// <param name="Get">The cell of an item; null for an empty one.</param>
    /// <param name="Set">The item with a cell put in; null when it cannot be read.</param>
    /// <param name="Wants">What would be read.</param>
    private sealed record Column(
        string Name,
        Func<GearItem, string?> Get,
        Func<GearItem, string, GearItem?> Set,
        Func<string> Wants
    );
}
