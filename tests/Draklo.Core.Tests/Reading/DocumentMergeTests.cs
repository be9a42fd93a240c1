using System.Text.Json;
using System.Text.Json.Nodes;
using CsCheck;
using Draklo.Core.Logs;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>Two copies of a plan, changed apart, come together with nothing lost.</summary>
public sealed class DocumentMergeTests
{
    private const string Seat = "lines[0].seat.heightM";
    private const string SeatClash = "lines[id=main].seat.heightM";

    [Fact]
    public void What_one_side_changed_is_taken_from_each()
    {
        var merged = Merge(
            Sound(),
            Edited(Sound(), (Seat, 9.5)),
            Edited(Sound(), ("lay.bearingDeg", 97), ("wind.gustMps", 5))
        );
        Assert.Empty(merged.Clashes);
        Assert.Equal(9.5, merged.Document!.Lines[0].Seat.HeightM);
        Assert.Equal(97, merged.Document.Lay.BearingDeg);
        Assert.Equal(5, merged.Document.Wind.GustMps);
        Assert.Equal((1, 2), (merged.FromMine, merged.FromTheirs));
    }

    [Fact]
    public void The_same_change_on_both_sides_is_no_clash() =>
        Assert.Equal(
            9.5,
            Merge(Sound(), Edited(Sound(), (Seat, 9.5)), Edited(Sound(), (Seat, 9.5))).Document!.Lines[0].Seat.HeightM
        );

    [Fact]
    public void What_both_changed_otherwise_is_said_with_all_three_and_settled_by_its_path()
    {
        var (was, mine, theirs) = (
            Edited(Sound(), (Seat, 9)),
            Edited(Sound(), (Seat, 9.5)),
            Edited(Sound(), (Seat, 8), ("lay.bearingDeg", 97))
        );
        var open = Merge(was, mine, theirs);
        Assert.Null(open.Document);
        Assert.Equal(new(SeatClash, "Seat above ground, main", "9 m", "9.5 m", "8 m"), Assert.Single(open.Clashes));
        foreach (var (side, height) in new[] { (Side.Mine, 9.5), (Side.Theirs, 8.0) })
        {
            var settled = Merge(was, mine, theirs, (SeatClash, side));
            Assert.Equal(height, settled.Document!.Lines[0].Seat.HeightM);
            Assert.Equal(97, settled.Document.Lay.BearingDeg);
        }
    }

    [Fact]
    public void A_measured_figure_never_lends_its_word_to_the_other_sides_figure()
    {
        // The one measured nine metres and found them right; the other hung the line at eight.
        var was = Edited(Sound(), (Seat, 9), ("provenance", new JsonObject { [Seat] = "guess" }));
        var measured = Edited(was, ("provenance", new JsonObject { [Seat] = "measured" }));
        var moved = Edited(was, (Seat, 8));
        var clash = Assert.Single(Merge(was, measured, moved).Clashes);
        Assert.Equal(("9 m, guess", "9 m, measured", "8 m, guess"), (clash.Was, clash.Mine, clash.Theirs));
        var settled = Merge(was, measured, moved, (SeatClash, Side.Theirs)).Document!;
        Assert.Equal((8, Provenance.Guess), (settled.Lines[0].Seat.HeightM, settled.Provenance[Seat]));
    }

    [Fact]
    public void Words_on_figures_follow_them_where_a_list_grew()
    {
        var was = Edited(SideLeaner(), ("provenance", new JsonObject { ["lines[1].seat.heightM"] = "measured" }));
        var gone = was with
        {
            Lines = [was.Lines[1]],
            Provenance = new Dictionary<string, Provenance> { [Seat] = Provenance.Measured },
        };
        var merged = Merge(was, gone, Edited(was, ("lay.bearingDeg", 97))).Document!;
        Assert.Equal("second", merged.Lines.Single().Id);
        Assert.Equal([new(Seat, Provenance.Measured)], merged.Provenance);
    }

    [Fact]
    public void People_put_on_by_both_all_come()
    {
        var was = Edited(Sound(), ("crew", Crew(("Ada", "lead"))));
        var merged = Merge(
            was,
            Edited(was, ("crew", Crew(("Ada", "lead"), ("Bo", "faller")))),
            Edited(was, ("crew", Crew(("Cy", "hauler"), ("Ada", "lead"))))
        );
        Assert.Equal(["Cy", "Ada", "Bo"], merged.Document!.Crew.Select(c => c.Name));
    }

    [Fact]
    public void What_one_took_out_and_the_other_changed_is_settled_by_somebody()
    {
        var was = Edited(Sound(), ("crew", Crew(("Ada", "lead"), ("Bo", "hauler"))));
        var without = Edited(was, ("crew", Crew(("Ada", "lead"))));
        var promoted = Edited(was, ("crew", Crew(("Ada", "lead"), ("Bo", "faller"))));
        var clash = Assert.Single(Merge(was, without, promoted).Clashes);
        Assert.Equal((null, "Bo, with role changed"), (clash.Mine, clash.Theirs));
        Assert.Single(Merge(was, without, promoted, (clash.Path, Side.Mine)).Document!.Crew);
        Assert.Equal(2, Merge(was, without, promoted, (clash.Path, Side.Theirs)).Document!.Crew.Count);
    }

    [Fact]
    public void An_order_that_one_changed_stays_and_two_orders_are_a_clash()
    {
        var was = Edited(Sound(), ("crew", Crew(("A", "lead"), ("B", "hauler"), ("C", "hauler"))));
        var turned = Edited(was, ("crew", Crew(("C", "hauler"), ("A", "lead"), ("B", "hauler"))));
        var other = Edited(was, ("crew", Crew(("B", "hauler"), ("A", "lead"), ("C", "hauler"))));
        Assert.Equal(["C", "A", "B"], Merge(was, turned, Edited(was, (Seat, 8))).Document!.Crew.Select(c => c.Name));
        Assert.Equal("crew", Assert.Single(Merge(was, turned, other).Clashes).Path);
    }

    [Fact]
    public void Logs_come_together_like_plans()
    {
        var was = Logged();
        var mine = was with { Broke = "a sling", Stage = JobStage.Cleared };
        var theirs = was with
        {
            Because = "wind",
            Landing = new() { OutM = 20, RightM = 3 },
        };
        var merged = Merge(was, mine, theirs);
        Assert.Empty(merged.Clashes);
        Assert.Equal(
            ("a sling", JobStage.Cleared, "wind", 3.0),
            (merged.Document!.Broke, merged.Document.Stage, merged.Document.Because, merged.Document.Landing!.RightM)
        );

        var clashed = Merge(was, mine, theirs with { Broke = "nothing" });
        Assert.Null(clashed.Document);
        Assert.Equal(
            ("What broke", "a sling", "nothing"),
            (clashed.Clashes[0].Name, clashed.Clashes[0].Mine, clashed.Clashes[0].Theirs)
        );
    }

    [Fact]
    public void Pictures_and_lines_of_two_logs_are_told_apart_by_what_they_are()
    {
        var was = Logged() with { Lines = [new() { LineId = "main" }, new() { LineId = "second" }] };
        var (mine, theirs) = (
            was with
            {
                Pictures = [new() { Hash = new string('a', 64) }],
                Lines = [new() { LineId = "main", PeakN = 1700 }, new() { LineId = "second" }],
            },
            was with
            {
                Pictures = [new() { Hash = new string('b', 64) }],
                // The other one's lines stand the other way round.
                Lines = [new() { LineId = "second", PeakN = 900 }, new() { LineId = "main", PeakN = 1800 }],
            }
        );
        var open = Merge(was, mine, theirs);
        var clash = Assert.Single(open.Clashes);
        Assert.Equal(("Peak tension, main", "1.7 kN", "1.8 kN"), (clash.Name, clash.Mine, clash.Theirs));
        var settled = Merge(was, mine, theirs, (clash.Path, Side.Mine));
        Assert.Equal(["a", "b"], settled.Document!.Pictures.Select(p => p.Hash[..1]).Order());
        Assert.Equal(
            [("main", 1700.0), ("second", 900.0)],
            settled.Document.Lines.Select(l => (l.LineId, l.PeakN!.Value)).Order()
        );
    }

    [Fact]
    public void Without_the_beginning_all_that_differs_is_asked()
    {
        var clash = Assert.Single(
            DocumentMerge
                .Of(null, Edited(Sound(), (Seat, 9)), Edited(Sound(), (Seat, 8)), Nothing, UnitSystem.Metric)
                .Clashes
        );
        Assert.Equal((null, "9 m", "8 m"), (clash.Was, clash.Mine, clash.Theirs));
    }

    /// <summary>Every figure that anybody changed is in the merged plan or in a clash, whatever both did.</summary>
    [Fact]
    public void Nothing_is_lost_and_the_order_of_the_two_does_not_matter()
    {
        var was = Edited(SideLeaner(), ("crew", Crew(("Ada", "lead"), ("Bo", "hauler"))));
        var figures = Leaves(Json(was))
            .Where(l => l.Value.GetValueKind() == JsonValueKind.Number && char.IsUpper(l.Path[^1]))
            .Select(l => l.Path)
            .ToArray();
        Assert.True(figures.Length > 10);
        var edits = Gen.Select(Gen.Int[0, figures.Length - 1].Select(i => figures[i]), Gen.Int[1, 3]).Array[0, 6];
        Gen.Select(edits, edits)
            .Sample(
                (first, second) =>
                {
                    var (mine, theirs) = (Changed(was, first), Changed(was, second));
                    var merged = Merge(was, mine, theirs);
                    Assert.Equal(
                        merged.Clashes.Select(c => c.Path),
                        Merge(was, theirs, mine).Clashes.Select(c => c.Path)
                    );
                    var settled = Merge(
                        was,
                        mine,
                        theirs,
                        [.. merged.Clashes.Select((c, i) => (c.Path, i % 2 == 0 ? Side.Mine : Side.Theirs))]
                    ).Document!;
                    var (a, b, o, all) = (ByPath(mine), ByPath(theirs), ByPath(was), ByPath(settled));
                    var clashes = merged
                        .Clashes.Select(c =>
                            c.Path.Replace("[id=main]", "[0]", StringComparison.Ordinal)
                                .Replace("[id=second]", "[1]", StringComparison.Ordinal)
                        )
                        .ToList();
                    foreach (var path in figures)
                    {
                        var clash = clashes.IndexOf(path);
                        var expected =
                            clash >= 0 ? (clash % 2 == 0 ? a[path] : b[path])
                            : a[path] != o[path] ? a[path]
                            : b[path];
                        Assert.Equal(expected, all[path]);
                        Assert.Equal(clash >= 0, a[path] != o[path] && b[path] != o[path] && a[path] != b[path]);
                    }
                },
                iter: Tries.Of(1000)
            );
    }

    private static readonly Dictionary<string, Side> Nothing = [];

    private static Plan Changed(Plan plan, (string Path, int By)[] edits)
    {
        var json = Json(plan);
        foreach (var (path, by) in edits)
        {
            // A millionth, so that everything stays within what a plan may hold.
            var node = NodeAt(json, path)!;
            node.ReplaceWith(node.GetValue<double>() * (1 - (by * 1e-6)));
        }

        return JsonSerializer.Deserialize<Plan>(json, DocumentReader.Options)!;
    }

    private static Dictionary<string, string> ByPath(Plan plan) =>
        Leaves(Json(plan)).ToDictionary(l => l.Path, l => l.Value.ToJsonString(), StringComparer.Ordinal);

    private static IEnumerable<(string Path, JsonValue Value)> Leaves(JsonNode? node, string path = "") =>
        node switch
        {
            JsonObject group => group.SelectMany(p => Leaves(p.Value, path.Length == 0 ? p.Key : $"{path}.{p.Key}")),
            JsonArray list => list.SelectMany((item, i) => Leaves(item, $"{path}[{i}]")),
            JsonValue value => [(path, value)],
            _ => [],
        };

    private static JobLog Logged() =>
        new()
        {
            Stage = JobStage.Pulled,
            On = "2026-11-20",
            By = "Mette",
        };

    private static MergedDocument<T> Merge<T>(T was, T mine, T theirs, params (string Path, Side Side)[] settled)
        where T : class, IDocumentPart =>
        DocumentMerge.Of(
            was,
            mine,
            theirs,
            settled.ToDictionary(s => s.Path, s => s.Side, StringComparer.Ordinal),
            UnitSystem.Metric
        );
}
