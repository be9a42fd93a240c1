using System.Text;
using CsCheck;
using Draklo.Core.Gear;
using Draklo.Core.Links;
using Draklo.Core.Units;
using Draklo.Files;

namespace Draklo.Core.Tests;

/// <summary>The locker's rules: strengths, flags, what is refused, and the list as a file.</summary>
public sealed class GearTests
{
    private static readonly DateOnly Today = new(2026, 11, 25);

    private static readonly GearItem Line = new()
    {
        Id = "red-60",
        Kind = GearKind.Rope,
        Name = "Red line",
        LengthM = 60,
        DiameterM = 0.0127,
        BreakingStrengthN = 46000,
        ConstructionId = "double-braid",
        StretchAtTenPercent = 0.022,
        MadeOn = "2024-03-01",
        InServiceOn = "2024-05-01",
    };

    [Fact]
    public void A_missing_label_gives_a_low_estimate_that_says_so()
    {
        Assert.Equal((46000, StrengthSource.Label), (Strength(Line).Newtons, Strength(Line).Source));
        var bare = Strength(Line with { BreakingStrengthN = null });
        Assert.Equal(StrengthSource.Estimate, bare.Source);
        Cases.Near(0.75 * 290 * 12.7 * 12.7, bare.Newtons!.Value, 1e-9);
        Assert.Contains("low estimate", bare.How, StringComparison.Ordinal);
        Cases.Near(
            5 * 9000,
            Strength(Line with { BreakingStrengthN = null, WorkingLoadN = 9000, WorkingLoadFactor = 5 }).Newtons!.Value,
            1e-9
        );
        Assert.Equal(
            StrengthSource.Unknown,
            Strength(Line with { BreakingStrengthN = null, ConstructionId = null }).Source
        );
        Assert.Equal(
            StrengthSource.Unknown,
            Strength(Line with { Kind = GearKind.Block, BreakingStrengthN = null }).Source
        );
    }

    [Fact]
    public void Pieces_flag_themselves_by_overload_age_and_inspections()
    {
        Assert.Empty(Flags(Line, new(null, null, "2026-06-01", null)));
        Assert.Empty(Flags(Line, new(0.4 * 46000, "2026-07-01", "2026-06-01", null)));
        Assert.Equal([FlagKind.Overload], Flags(Line, new((0.4 * 46000) + 1, "2026-07-01", "2026-06-01", null)));
        Assert.Equal([FlagKind.InspectionDue], Flags(Line, GearPast.None));
        Assert.Equal([FlagKind.InspectionOpen], Flags(Line, new(null, null, "2026-06-01", "2026-06-01")));
        Assert.Equal([FlagKind.Age], Flags(Line with { MadeOn = "2016-11-20" }, new(null, null, "2026-06-01", null)));
        Assert.Empty(
            Flags(Line with { MadeOn = "2016-11-20", Kind = GearKind.Block }, new(null, null, "2026-06-01", null))
        );
        Assert.Equal(
            [FlagKind.StrengthUnknown],
            Flags(Line with { BreakingStrengthN = null, ConstructionId = null }, new(null, null, "2026-06-01", null))
        );

        // What is retired needs no looking at any more, and its reason goes on the plan.
        var retired = Line with
        {
            State = GearState.Retired,
            Reason = "melted at the block",
        };
        Assert.Empty(Flags(retired, GearPast.None));
        Assert.Equal("melted at the block", GearFlags.Standing(retired, []).Why);
    }

    [Theory]
    [InlineData(InspectionOutcome.Pass)]
    [InlineData(InspectionOutcome.Watch, Finding.Stiff)]
    [InlineData(InspectionOutcome.Quarantine, Finding.Stiff, Finding.Glazed)]
    [InlineData(InspectionOutcome.Retire, Finding.Flat, Finding.Chemical, Finding.LabelGone)]
    public void The_gravest_finding_says_what_usually_follows(InspectionOutcome expected, params Finding[] seen) =>
        Assert.Equal(expected, GearFlags.Usual(seen));

    [Fact]
    public void Nonsense_is_refused_at_its_field()
    {
        Refused(Line with { BreakingStrengthN = -5 }, "breakingStrengthN", "between");
        Refused(Line with { WorkingLoadN = 60000 }, "workingLoadN", "one of the two is misread");
        Refused(Line with { BreakingStrengthN = null, WorkingLoadN = 9000 }, "workingLoadFactor", "give the factor");
        Refused(Line with { Name = "  " }, "name", "Give the piece a name");
        Refused(Line with { Name = "=1+1" }, "name", "run as a formula");
        Refused(Line with { Note = "@home" }, "note", "run as a formula");
        Refused(Line with { MadeOn = "last spring" }, "madeOn", "year-month-day");
        Refused(Line with { MadeOn = "2027-01-01" }, "madeOn", "in the future");
        Refused(Line with { State = GearState.Retired }, "reason", "Say why");
        Refused(Line with { ConstructionId = "knitted" }, "constructionId", "not in the rope table");
        Refused(Line with { Id = "Red 60" }, "id", "small letters");
        Assert.Empty(GearRules.Check(Line with { Note = "- hangs by the door" }, Today, UnitSystem.Metric));
        Assert.Equal(
            "by",
            Assert
                .Single(GearRules.Check(new Inspection { On = "2026-01-01", By = "" }, Line, Today, UnitSystem.Metric))
                .Path
        );
        Assert.Equal(
            "on",
            Assert
                .Single(
                    GearRules.Check(new Inspection { On = "2026-13-01", By = "Mette" }, Line, Today, UnitSystem.Metric)
                )
                .Path
        );
        Assert.Equal(
            "knots[0]",
            Assert
                .Single(
                    GearRules.Check(
                        new GearUse
                        {
                            On = "2026-01-01",
                            Job = "Lime",
                            Knots = ["granny"],
                        },
                        Today,
                        UnitSystem.Metric
                    )
                )
                .Path
        );
    }

    [Fact]
    public void The_file_comes_back_as_it_went()
    {
        GearItem[] items =
        [
            Line with
            {
                Note = "cut, in half; \"seen\"",
                Marks = "R-7, ø",
            },
            new()
            {
                Id = "wedges",
                Kind = GearKind.Wedge,
                Name = "Wedges",
                Count = 12,
            },
            new()
            {
                Id = "old",
                Kind = GearKind.Sling,
                Name = "Old sling",
                BreakingStrengthN = 40000,
                State = GearState.Retired,
                Reason = "cut",
            },
            new()
            {
                Id = "set",
                Kind = GearKind.TackleSet,
                Name = "Five",
                SystemId = "five-to-one",
                ContactId = "bushed-block",
                WorkingLoadN = 10000,
                WorkingLoadFactor = 5,
                Keeps = 0.85,
            },
        ];
        var file = GearCsv.Write(items);
        var again = Read(file, items);
        Assert.Equal((0, 0, 4, 0), (again.Adds, again.Changes, again.Same, again.Refused));
        var fresh = Read(file, []);
        Assert.Equal(4, fresh.Adds);
        Assert.Equal(items, fresh.Items);

        // Semicolons and UTF-16, as some spreadsheets write them.
        var text = Encoding.UTF8.GetString(file)[1..];
        Assert.Equal(4, Read([.. Encoding.Unicode.GetPreamble(), .. Encoding.Unicode.GetBytes(text)], items).Same);
        Assert.Equal(1, Read("kind;name\nwedge;Big wedge\n"u8.ToArray(), []).Adds);
    }

    [Fact]
    public void Any_items_survive_the_file() =>
        Gen.Select(
                Gen.Enum<GearKind>(),
                Gen.Double[0.1, 400],
                Gen.Double[500, 900_000],
                Gen.Int[1, 400],
                Gen.String[Gen.Char["abcXYZ ,;\"'\n"], 1, 20]
            )
            .Sample(
                (kind, length, strength, count, name) =>
                {
                    var item = new GearItem
                    {
                        Id = "x",
                        Kind = kind,
                        Name = "n" + name.Replace("\n", " ", StringComparison.Ordinal).TrimEnd(),
                        LengthM = Math.Round(length, 3),
                        BreakingStrengthN = Math.Round(strength),
                        Count = count,
                    };
                    Assert.Equal(item, Assert.Single(Read(GearCsv.Write([item]), []).Items));
                },
                iter: Tries.Of(300)
            );

    [Fact]
    public void The_preview_says_row_by_row_what_will_happen()
    {
        var preview = Read(
            "id,kind,name,breaking_strength_kn\nred-60,rope,Red line,40\n,block,Small block,36\nred-60,rope,Red line,41\n,rope,Thin,heavy\n,rope,=cmd(),30\n,rope,Weak,-3\n"u8.ToArray(),
            [Line]
        );
        Assert.Equal(
            [
                RowAction.Change,
                RowAction.Add,
                RowAction.Refused,
                RowAction.Refused,
                RowAction.Refused,
                RowAction.Refused,
            ],
            preview.Rows.Select(r => r.Action)
        );
        Assert.Contains("breaking_strength_kn “46” → “40”", preview.Rows[0].Text, StringComparison.OrdinalIgnoreCase);
        Assert.Equal("small-block", preview.Rows[1].Id);
        Assert.Contains("stands in line 2 already", preview.Rows[2].Text, StringComparison.Ordinal);
        Assert.Contains("a number with a point", preview.Rows[3].Text, StringComparison.Ordinal);
        Assert.Contains("formula", preview.Rows[4].Text, StringComparison.Ordinal);
        Assert.Equal(6, preview.Rows[4].Line);
        Assert.Contains("−3 kN", preview.Rows[5].Text, StringComparison.Ordinal);

        // Whole or not at all, and columns left out stay as they are.
        Assert.Empty(preview.Items);
        var alone = Read("id,kind,name,breaking_strength_kn\nred-60,rope,Red line,40\n"u8.ToArray(), [Line]);
        Assert.Equal(Line with { BreakingStrengthN = 40000 }, Assert.Single(alone.Items));
    }

    [Fact]
    public void A_file_that_is_none_is_refused_with_what_to_do()
    {
        Fault("name,colour\nx,y\n"u8.ToArray(), "“colour” is not known");
        Fault("name,marks\nx,y\n"u8.ToArray(), "column kind is missing");
        Fault("kind,name,name\nrope,x,y\n"u8.ToArray(), "twice");
        Fault([], "empty");
        Fault(
            [.. "kind,name\nrope,Gr"u8.ToArray(), 0xFC, .. "n\n"u8.ToArray()],
            "Line 2 holds bytes that are not UTF-8"
        );
        Fault([0x50, 0x4B, 3, 4, 20, 0], "CSV UTF-8");
        Fault(Encoding.UTF8.GetBytes("kind,name\n" + string.Concat(Enumerable.Repeat("rope,x\n", 200_000))), "200,00");
        Assert.Contains(
            "look for a comma",
            Assert.Single(Read("kind,name\nrope,Line, red\n"u8.ToArray(), []).Rows).Text,
            StringComparison.OrdinalIgnoreCase
        );
    }

    private static GearStrength Strength(GearItem item) => GearStrength.Of(item, UnitSystem.Metric);

    private static IEnumerable<FlagKind> Flags(GearItem item, GearPast past) =>
        GearFlags.Of(item, past, new(), Today, UnitSystem.Metric).Select(f => f.Kind);

    private static CsvPreview Read(byte[] file, IReadOnlyCollection<GearItem> kept)
    {
        var (preview, problems) = GearCsv.Preview(file, kept, new HashSet<string>(), Today, UnitSystem.Metric);
        Assert.Empty(problems);
        return preview!;
    }

    private static void Fault(byte[] file, string says)
    {
        var (preview, problems) = GearCsv.Preview(file, [], new HashSet<string>(), Today, UnitSystem.Metric);
        Assert.Null(preview);
        var problem = Assert.Single(problems);
        Assert.Equal("file", problem.Path);
        Assert.Contains(says, problem.Message, StringComparison.Ordinal);
    }

    private static void Refused(GearItem item, string path, string says)
    {
        var problem = Assert.Single(GearRules.Check(item, Today, UnitSystem.Metric));
        Assert.Equal(path, problem.Path);
        Assert.Contains(says, problem.Message, StringComparison.Ordinal);
    }
}
