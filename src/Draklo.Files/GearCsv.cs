using System.Globalization;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;
using Draklo.Core.Gear;
using Draklo.Core.Units;

namespace Draklo.Files;

/// <summary>The locker as a CSV file, out and in.</summary>
public static class GearCsv
{
    public const int MostRows = 20_000;
    private const int LongestCell = 2_000;
    private const int LongestLine = 60_000;
    private const int MostCells = 300;

    private static readonly string[] Needed = ["kind", "name"];
    private static readonly string[] Delimiters = [",", ";", "\t"];

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
            foreach (var column in GearColumns.All)
            {
                csv.WriteField(column.Name);
            }

            csv.NextRecord();
            foreach (var item in items)
            {
                foreach (var column in GearColumns.All)
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
    /// <param name="deleted">Ids of pieces that were taken off the list; their past is not a new piece's.</param>
    public static (CsvPreview? Preview, List<Problem> Problems) Preview(
        byte[] file,
        IReadOnlyCollection<GearItem> kept,
        IReadOnlySet<string> deleted,
        DateOnly today,
        UnitSystem units,
        CancellationToken cancellation = default
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

        var delimiter = DelimiterOf(text);
        if (OverlongLine(text, delimiter[0]) is { } line)
        {
            return (
                null,
                [
                    new(
                        "file",
                        $"Line {line} is longer than any list of gear: this is another kind of file, or its line ends are missing."
                    ),
                ]
            );
        }

        using var csv = new CsvReader(
            new StringReader(text),
            new CsvConfiguration(CultureInfo.InvariantCulture)
            {
                Delimiter = delimiter,
                BadDataFound = null,
                MissingFieldFound = null,
                IgnoreBlankLines = true,
                TrimOptions = TrimOptions.Trim,
                Mode = CsvMode.RFC4180,
                MaxFieldSize = LongestCell,
            }
        );
        try
        {
            if (!csv.Read() || !csv.ReadHeader() || csv.HeaderRecord is not { } header)
            {
                return (
                    null,
                    [new("file", "This file is empty: export the locker once to see what a file looks like.")]
                );
            }

            var problems = CheckHeader(header);
            return problems.Count > 0
                ? (null, problems)
                : (ReadRows(csv, header, kept, deleted, today, units, cancellation), []);
        }
        catch (MaxFieldSizeException)
        {
            return (
                null,
                [
                    new(
                        "file",
                        $"A cell near line {csv.Parser.RawRow} holds more than {LongestCell:N0} letters: a quotation mark may be missing before it."
                    ),
                ]
            );
        }
    }

    private static CsvPreview ReadRows(
        CsvReader csv,
        string[] header,
        IReadOnlyCollection<GearItem> kept,
        IReadOnlySet<string> deleted,
        DateOnly today,
        UnitSystem units,
        CancellationToken cancellation
    )
    {
        var columns = header.Select(h => GearColumns.All.First(c => c.Name == Named(h))).ToArray();
        var byId = kept.ToDictionary(i => i.Id, StringComparer.Ordinal);
        var byLook = kept.GroupBy(Look).ToDictionary(g => g.Key, g => g.First(), StringComparer.Ordinal);
        var taken = new HashSet<string>(byId.Keys.Concat(deleted), StringComparer.Ordinal);
        var ids = new GearIds(taken);
        var seen = new Dictionary<string, int>(StringComparer.Ordinal);
        var rows = new List<RowPreview>();
        var items = new List<GearItem>();
        while (csv.Read())
        {
            cancellation.ThrowIfCancellationRequested();
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
                item = item with { Id = isNew ? ids.Free(item) : byLook[Look(item)].Id };
            }

            var before = byId.GetValueOrDefault(item.Id);
            fault =
                csv.Parser.Count > header.Length
                    ? $"this row has {csv.Parser.Count} cells, the header {header.Length}: look for a comma inside a name that wants quotation marks"
                : seen.TryGetValue(item.Id, out var first) ? $"the piece “{item.Id}” stands in line {first} already"
                : deleted.Contains(item.Id)
                    ? $"“{item.Id}” belongs to a piece that was deleted: restore that one, or leave the id out for a new piece"
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
                    $"“{(cell.Length > 30 ? cell[..30] + "…" : cell)}” in the column {columns[i].Name}: {columns[i].Expects()}."
                );
            }

            item = changed;
        }

        return (item, null);
    }

    private static List<string> Differences(GearItem before, GearItem after) =>
        [
            .. GearColumns
                .All.Where(c => (c.Get(before) ?? "") != (c.Get(after) ?? ""))
                .Select(c => $"{c.Name} {Or(c.Get(before))} → {Or(c.Get(after))}"),
        ];

    private static string Or(string? value) => string.IsNullOrEmpty(value) ? "nothing" : $"“{value}”";

    private static List<Problem> CheckHeader(string[] header)
    {
        var named = header.Select(Named).ToArray();
        var unknown = named.Where(h => GearColumns.All.All(c => c.Name != h)).ToList();
        if (unknown.Count > 0)
        {
            return
            [
                new(
                    "file",
                    $"The column “{(unknown[0].Length > 40 ? unknown[0][..40] + "…" : unknown[0])}” is not known{(unknown.Count > 1 ? $", nor {(unknown.Count == 2 ? "is one other" : $"are {unknown.Count - 1} others")}" : "")}: the columns are {string.Join(", ", GearColumns.All.Select(c => c.Name))}."
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

    /// <summary>
    /// The first line that no list has; a reader's time for one grows with the square of its cells. Null without one.
    /// </summary>
    private static int? OverlongLine(string text, char delimiter)
    {
        var number = 1;
        foreach (var line in text.AsSpan().EnumerateLines())
        {
            if (line.Length > LongestLine || line.Count(delimiter) > MostCells)
            {
                return number;
            }

            number++;
        }

        return null;
    }

    private static string DelimiterOf(string text)
    {
        var end = text.IndexOf('\n', StringComparison.Ordinal);
        var first = end < 0 ? text : text[..end];
        return Delimiters.MaxBy(d => first.Split(d).Length)!;
    }
}
