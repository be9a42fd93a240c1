using System.Globalization;
using Draklo.Core.Catalogue;
using Draklo.Core.Reading;
using Draklo.Core.Tackle;
using Draklo.Core.Units;

namespace Draklo.Core.Gear;

/// <summary>What gear, inspections and uses must satisfy before they are kept.</summary>
public static class GearRules
{
    private const string DayFormat = "yyyy-MM-dd";

    public static List<Problem> Check(GearItem item, DateOnly today, UnitSystem units)
    {
        var problems = new List<Problem>();
        MemberRanges.Check(item, units, problems);
        if (string.IsNullOrWhiteSpace(item.Name))
        {
            problems.Add(new("name", "Give the piece a name that the crew knows it by."));
        }

        CheckText(item.Name, "name", problems);
        CheckText(item.Marks, "marks", problems);
        CheckText(item.Reason, "reason", problems);
        CheckText(item.Note, "note", problems);
        CheckStrength(item, problems, units);
        CheckFlaws(item, problems, units);
        CheckDay(item.MadeOn, "madeOn", "The day it was made", today, problems);
        CheckDay(item.InServiceOn, "inServiceOn", "The day it came into service", today, problems);
        Choose(item.ConstructionId, Reference.Constructions.Keys, "constructionId", "rope table", problems);
        Choose(item.ContactId, Reference.Contacts.Keys, "contactId", "table of turns", problems);
        Choose(item.GripId, Reference.Grips.Keys, "gripId", "grip table", problems);
        Choose(item.SystemId, TackleSystems.All.Select(s => s.Id), "systemId", "list of tackles", problems);
        if (item.State != GearState.InService && string.IsNullOrWhiteSpace(item.Reason))
        {
            problems.Add(new("reason", "Say why it is out of service: whoever finds it next must know."));
        }

        return problems;
    }

    /// <param name="item">The piece that was looked at.</param>
    public static List<Problem> Check(Inspection inspection, GearItem item, DateOnly today, UnitSystem units)
    {
        var problems = new List<Problem>();
        MemberRanges.Check(inspection, units, problems);
        CheckDay(inspection.On, "on", "The day of the inspection", today, problems);
        if (string.IsNullOrWhiteSpace(inspection.By))
        {
            problems.Add(new("by", "Say who looked at it."));
        }

        CheckCuts(inspection, item, problems, units);
        CheckText(inspection.By, "by", problems);
        CheckText(inspection.Where, "where", problems);
        CheckText(inspection.Note, "note", problems);
        return problems;
    }

    public static List<Problem> Check(GearUse use, DateOnly today, UnitSystem units)
    {
        var problems = new List<Problem>();
        MemberRanges.Check(use, units, problems);
        CheckDay(use.On, "on", "The day of the work", today, problems);
        if (string.IsNullOrWhiteSpace(use.Job))
        {
            problems.Add(new("job", "Say what work it was."));
        }

        CheckText(use.Job, "job", problems);
        CheckText(use.Note, "note", problems);
        for (var i = 0; i < use.Knots.Count; i++)
        {
            Choose(use.Knots[i], Reference.Knots.Keys, $"knots[{i}]", "knot table", problems);
        }

        return problems;
    }

    /// <summary>A day written yyyy-MM-dd; null when it is not one.</summary>
    public static DateOnly? Day(string? text) =>
        DateOnly.TryParseExact(text, DayFormat, CultureInfo.InvariantCulture, DateTimeStyles.None, out var day)
            ? day
            : null;

    private static void CheckFlaws(GearItem item, List<Problem> problems, UnitSystem units)
    {
        for (var i = 0; i < item.Flaws.Count; i++)
        {
            var flaw = item.Flaws[i];
            CheckText(flaw.What, $"flaws[{i}].what", problems);
            if (string.IsNullOrWhiteSpace(flaw.What))
            {
                problems.Add(new($"flaws[{i}].what", "Say what is wrong there."));
            }

            if (flaw.AtM > (item.LengthM ?? double.PositiveInfinity))
            {
                problems.Add(
                    new(
                        $"flaws[{i}].atM",
                        units.Say($"It is {item.LengthM ?? 0:m} long: {flaw.AtM:m} lies past its end.")
                    )
                );
            }
        }
    }

    private static void CheckCuts(Inspection inspection, GearItem item, List<Problem> problems, UnitSystem units)
    {
        var off = (inspection.CutFromAM ?? 0) + (inspection.CutFromBM ?? 0);
        var along = inspection.AtM ?? 0;
        if (off == 0 && along == 0)
        {
            return;
        }

        if (item is not { Kind: GearKind.Rope or GearKind.Cord, LengthM: { } length })
        {
            problems.Add(
                new(off > 0 ? "cutFromAM" : "atM", "Give the length of the rope first, then the metres along it.")
            );
        }
        else if (off > length - 1)
        {
            problems.Add(
                new(
                    inspection.CutFromAM is null ? "cutFromBM" : "cutFromAM",
                    units.Say($"Cutting off {off:m} leaves less than a metre of {length:m}: retire it instead.")
                )
            );
        }
        else if (along > length)
        {
            problems.Add(new("atM", units.Say($"It is {length:m} long: {along:m} lies past its end.")));
        }
    }

    private static void CheckStrength(GearItem item, List<Problem> problems, UnitSystem units)
    {
        if (item is { WorkingLoadN: { } working, BreakingStrengthN: { } breaking } && working > breaking)
        {
            problems.Add(
                new(
                    "workingLoadN",
                    units.Say(
                        $"A working load of {working:N} is above the breaking strength of {breaking:N}: one of the two is misread."
                    )
                )
            );
        }

        if (item is { WorkingLoadN: not null, BreakingStrengthN: null, WorkingLoadFactor: null })
        {
            problems.Add(
                new(
                    "workingLoadFactor",
                    "A working load alone does not tell the strength: give the factor that the maker uses, or the breaking strength."
                )
            );
        }
    }

    private static void CheckDay(string? text, string path, string what, DateOnly today, List<Problem> problems)
    {
        if (text is null)
        {
            return;
        }

        if (Day(text) is not { } day)
        {
            problems.Add(new(path, $"{what} is written year-month-day, as in 2026-03-14."));
        }
        else if (day > today)
        {
            problems.Add(new(path, $"{what} lies in the future: correct it."));
        }
        else if (day.Year < 1970)
        {
            problems.Add(new(path, $"{what} lies before 1970: correct it."));
        }
    }

    /// <summary>Text that a spreadsheet would run when the list is opened there is not kept.</summary>
    private static void CheckText(string? text, string path, List<Problem> problems)
    {
        if (text is not null && FormulaSign(text) is { } sign)
        {
            problems.Add(
                new(
                    path,
                    $"“{(text.Length > 24 ? text[..24] + "…" : text)}” has “{sign}” where a spreadsheet may begin a cell, and might be run as a formula: take that sign away."
                )
            );
        }
        else if (text is not null && text.Any(char.IsControl))
        {
            problems.Add(new(path, "This text holds characters that cannot be shown: type it again."));
        }
    }

    /// <summary>
    /// The sign that a spreadsheet would take for a formula's, at the beginning of the text or after anything that some
    /// setting takes for the end of a cell; wide forms of the signs and spaces of any width before them count too. A hyphen
    /// before plain words and numbers is a dash.
    /// </summary>
    private static char? FormulaSign(string text)
    {
        var begins = true;
        for (var i = 0; i < text.Length; i++)
        {
            var plain = Plain(text[i]);
            if (begins && (plain is '=' or '+' or '@' || (plain == '-' && !IsDash(text[i], text.AsSpan(i + 1)))))
            {
                return text[i];
            }

            begins = plain is ';' or ',' or '|' or '"' or '\'' || char.IsControl(plain) || (begins && IsNothing(plain));
        }

        return null;
    }

    /// <summary>Whether a hyphen is one: before a space or a digit, with nothing but words and numbers to the end of the cell.</summary>
    private static bool IsDash(char sign, ReadOnlySpan<char> rest)
    {
        if (sign != '-' || rest is not [' ' or >= '0' and <= '9', ..])
        {
            return false;
        }

        foreach (var c in rest)
        {
            if (c is ';' or ',')
            {
                return true;
            }

            if (!char.IsLetterOrDigit(c) && c is not (' ' or '.' or '%' or '°' or '-' or ':'))
            {
                return false;
            }
        }

        return true;
    }

    /// <summary>The ordinary form of a sign that is also written wide, small or as a minus.</summary>
    private static char Plain(char c) =>
        c switch
        {
            >= '\uFF01' and <= '\uFF5E' => (char)(c - 0xFEE0),
            '\uFE62' => '+',
            '\uFE63' or '\u2212' => '-',
            '\uFE66' => '=',
            '\uFE6B' => '@',
            _ => c,
        };

    private static bool IsNothing(char c) =>
        char.IsWhiteSpace(c) || char.GetUnicodeCategory(c) == System.Globalization.UnicodeCategory.Format;

    private static void Choose(string? id, IEnumerable<string> known, string path, string table, List<Problem> problems)
    {
        if (id is not null && !known.Contains(id, StringComparer.Ordinal))
        {
            problems.Add(
                new(
                    path,
                    $"“{(id.Length > 40 ? id[..40] + "…" : id)}” is not in the {table}: choose one of {string.Join(", ", known.Order(StringComparer.Ordinal))}."
                )
            );
        }
    }
}
