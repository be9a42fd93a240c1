using Draklo.Core.Analyses;
using Draklo.Core.Briefs;
using Draklo.Core.Days;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>The faller's page: which cuts, in which order, each with its stop; and what of them a signature covers.</summary>
public sealed class CutOrderTests
{
    private const string Bored = """{ "thicknessM": 0.08, "towardDeg": 180 }""";

    [Fact]
    public void A_plain_cut_is_floor_plan_notch_back_cut_wedge_and_out()
    {
        var cuts = Of(Sound());
        Assert.Equal(
            [CutKind.Tighten, CutKind.Tighten, CutKind.Notch, CutKind.BackCut, CutKind.Wedge, CutKind.Out],
            cuts.Select(c => c.Kind)
        );
        Assert.All(cuts, c => Assert.EndsWith(".", c.Text, StringComparison.Ordinal));
        Assert.StartsWith("Open notch 70°, 12 cm deep", cuts[2].Text, StringComparison.Ordinal);
        Assert.Contains("level with the notch's apex", cuts[3].Text, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("tightFirst", "floor plan notch backCut")]
    [InlineData("notchFirst", "notch floor plan backCut")]
    [InlineData("followThePull", "floor notch backCut")]
    [InlineData("presetHinge", "floor notch backCut")]
    public void Page_day_and_clock_have_one_order(string order, string page)
    {
        var plan = With(Sound(), ("cut.order", $"\"{order}\""));
        var cuts = Of(plan)
            .Where(c => c.Kind is CutKind.Tighten or CutKind.Notch or CutKind.BackCut)
            .Select(c =>
                c.Kind == CutKind.Notch ? "notch"
                : c.Kind == CutKind.BackCut ? "backCut"
                : c.Text.StartsWith("Line up", StringComparison.Ordinal) ? "plan"
                : "floor"
            );
        Assert.Equal(page, string.Join(' ', cuts));

        var day = PullSteps
            .Of(plan)
            .Where(s => s is PullStep.Floor or PullStep.Planned or PullStep.Notch or PullStep.BackCut);
        var said = string.Join(
            ' ',
            day.Where(s => s != PullStep.Planned || page.Contains("plan", StringComparison.Ordinal))
                .Select(s =>
                    s == PullStep.Planned ? "plan"
                    : s == PullStep.BackCut ? "backCut"
                    : $"{s}".ToLowerInvariant()
                )
        );
        Assert.Equal(page, said);

        var analysis = PlanAnalysis.Of(plan, withWorkings: false).Analysis!;
        var tasks = DrawnTasks.Of(plan, analysis);
        Assert.Equal(order == "notchFirst", tasks.Exists(t => t.Id == DrawnTasks.Notch));
        if (order == "notchFirst")
        {
            Assert.Contains(DrawnTasks.Notch, tasks.Find(t => t.Id == "pre-tension")!.After);
        }
    }

    [Fact]
    public void A_bored_cut_leaves_its_strap_to_the_last()
    {
        var cuts = Of(With(Sound(), ("cut.back", "\"bore\""), ("cut.strap", Bored)));
        Assert.Equal(
            [CutKind.Tighten, CutKind.Tighten, CutKind.Notch, CutKind.Bore, CutKind.Wedge, CutKind.Strap, CutKind.Out],
            cuts.Select(c => c.Kind)
        );
        Assert.Equal("Stop at a strap of 8 cm straight behind.", cuts[3].Stop);
    }

    [Theory]
    [InlineData(150, "behind, to the right")]
    [InlineData(210, "behind, to the left")]
    public void A_strap_off_to_the_side_says_which(int toward, string words)
    {
        var cuts = Of(
            With(
                Sound(),
                ("cut.back", "\"bore\""),
                ("cut.strap", $$"""{ "thicknessM": 0.08, "towardDeg": {{toward}} }""")
            )
        );
        Assert.Contains(words, cuts.Single(c => c.Kind == CutKind.Bore).Stop, StringComparison.Ordinal);
    }

    [Fact]
    public void What_comes_before_the_line_and_the_notch_comes_first()
    {
        var cuts = Of(
            With(
                Sound(),
                (
                    "cut.flares",
                    """[{ "towardDeg": 90, "outM": 0.1, "trimmed": true }, { "towardDeg": 0, "outM": 0.1 }]"""
                ),
                (
                    "cut.lashings",
                    """[{ "heightM": 0.6, "breakingStrengthN": 50000 }, { "round": "fork", "heightM": 2, "unionHeightM": 5, "breakingStrengthN": 50000 }]"""
                )
            )
        );
        Assert.Equal("Trim the root flare off.", cuts[0].Text);
        Assert.Equal("Lash the stem 0.6 m above the cut, tight.", cuts[1].Text);
        Assert.Equal("Lash both stems of the fork 2 m above the union, tight.", cuts[2].Text);
        Assert.Equal(CutKind.Tighten, cuts[3].Kind);
    }

    [Fact]
    public void Wood_that_splits_high_asks_for_straps_until_some_are_put_round()
    {
        var leaning = With(Sound(), ("tree.lean", """{ "angleDeg": 30, "bearingDeg": 90 }"""));
        Assert.Contains(Of(leaning), c => c is { Kind: CutKind.Lash, Stop: "No cut without." });
        var lashed = With(leaning, ("cut.lashings", """[{ "heightM": 1, "breakingStrengthN": 50000 }]"""));
        Assert.DoesNotContain(Of(lashed), c => c.Stop == "No cut without.");
    }

    [Fact]
    public void A_bite_a_taper_a_step_and_wedges_are_said_with_their_sizes()
    {
        var cuts = Of(
            With(
                Sound(),
                ("cut.bites", """[{ "rightM": -0.04, "widthM": 0.1 }]"""),
                ("cut.hingeTaperM", "0.02"),
                ("cut.notch", """{ "style": "narrow", "depthM": 0.12, "openingDeg": 45 }"""),
                ("cut.barLengthM", "0.4"),
                ("cut.wedges", """{ "count": 2, "stacked": 2, "liftM": 0.025 }""")
            )
        );
        Assert.Contains(
            "a bite 10 cm wide, 4 cm left of the middle",
            cuts.Single(c => c.Kind == CutKind.Bite).Text,
            StringComparison.Ordinal
        );
        var back = cuts.Single(c => c.Kind == CutKind.BackCut);
        Assert.Contains("3 cm above the notch's apex, from both sides", back.Text, StringComparison.Ordinal);
        Assert.Contains("4 cm at its left end and 6 cm at its right", back.Text, StringComparison.Ordinal);
        Assert.StartsWith(
            "Two wedges of 2.5 cm, two high, straight behind",
            cuts.Single(c => c.Kind == CutKind.Wedge).Text,
            StringComparison.Ordinal
        );
    }

    [Theory]
    [InlineData("tightFirst", "Line up to", "Then the pull.")]
    [InlineData("notchFirst", "Line up to", "Then the pull.")]
    [InlineData("followThePull", "Bed test, then the line to the floor", "Then the pull.")]
    [InlineData("presetHinge", "Bed test, then the line to the floor", "Then all pull together.")]
    public void The_school_says_when_the_line_comes_up(string order, string tighten, string end)
    {
        var cuts = Of(With(Sound(), ("cut.order", $"\"{order}\"")));
        Assert.StartsWith(tighten, cuts.Last(c => c.Kind == CutKind.Tighten).Text, StringComparison.Ordinal);
        Assert.EndsWith(end, cuts[^1].Text, StringComparison.Ordinal);
        Assert.Equal(
            order == "followThePull",
            cuts.Single(c => c.Kind == CutKind.BackCut).Text.EndsWith("stays over the floor.", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void Feet_and_inches_reach_the_page()
    {
        var cuts = Of(Sound(), UnitSystem.Us);
        Assert.Contains("lbf", cuts[1].Text, StringComparison.Ordinal);
        Assert.Contains("4.72 in deep", cuts[2].Text, StringComparison.Ordinal);
    }

    private static IReadOnlyList<CutStep> Of(Plan plan, UnitSystem units = UnitSystem.Metric) =>
        PageOf(plan, units: units).Cuts;
}
