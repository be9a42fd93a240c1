using Draklo.Browser.Tests.Support;

namespace Draklo.Browser.Tests;

/// <summary>The locker and the knots as a lead uses them.</summary>
public sealed class LockerTests(Stage stage) : IClassFixture<Stage>
{
    private readonly Screen screen = stage.Begin();

    [Fact]
    public void A_piece_is_found_inspected_and_set_aside()
    {
        screen.Open();
        screen.Press("Locker");
        screen.Until(() => screen.Count("[data-gear]") > 10, "the list");
        screen.Type("Search", "hill rope", "");
        screen.Until(() => screen.Count("[data-gear]") == 2, "what was searched for");
        screen.Click("[data-gear='hill-tackle'] button");
        screen.Until(() => screen.Count("[data-piece='hill-tackle'] [data-inspection]") == 1, "the piece");

        screen.Press("Inspect");
        screen.Until(() => screen.Count("[role=dialog]") == 1, "the form");
        screen.Press("Save");
        screen.Until(
            () => screen.Text("[role=dialog] [role=alert]").Contains("Say who looked", StringComparison.Ordinal),
            "what is missing"
        );
        screen.Type("Looked at by", "Jory", "");
        screen.Click("[role=dialog] fieldset label:nth-of-type(2)");
        screen.Until(
            () => screen.Text("[role=dialog]").Contains("retire", StringComparison.Ordinal),
            "what usually follows a cut"
        );
        screen.Type("Where on it", "at the splice", "");
        screen.Press("Save");
        screen.Until(() => screen.Count("[data-piece] [data-inspection]") == 2, "the inspection");
        Assert.Contains("retired", screen.Text("[data-piece]"), StringComparison.Ordinal);
        Assert.Contains("cut, at the splice; Jory", screen.Text("[data-piece]"), StringComparison.Ordinal);
        screen.Until(
            () => screen.Text("[data-gear='hill-tackle']").Contains("retired", StringComparison.Ordinal),
            "the list to say it too"
        );
        Assert.Empty(screen.Complaints());
    }

    [Fact]
    public void A_new_piece_is_refused_at_its_field_then_kept_and_its_use_logged()
    {
        screen.Open("/locker");
        screen.Press("Add a piece");
        screen.Type("Breaking strength", "30 kN", "");
        screen.Type("Or working load", "60 kN", "");
        screen.Press("Put it in the locker");
        screen.Until(
            () =>
                screen.Text("[role=dialog]").Contains("Give the piece a name", StringComparison.Ordinal)
                && screen.Text("[role=dialog]").Contains("one of the two is misread", StringComparison.Ordinal),
            "what is wrong"
        );
        screen.Type("Name", "Quarry line", "");
        screen.Type("Or working load", "6 kN", "");
        screen.Type("Length", "150 ft", "");
        screen.Press("Put it in the locker");
        screen.Until(() => screen.Count("[data-piece='quarry-line']") == 1, "the piece");
        Assert.Contains("45.7 m", screen.Text("[data-piece]"), StringComparison.Ordinal);

        screen.Press("Log a use");
        screen.Type("Job", "Poplar at the mill race", "");
        screen.Type("Peak load", "20 kN", "");
        screen.Type("Jams", "1", "");
        screen.Press("Save");
        screen.Until(() => screen.Count("[data-use]") == 1, "the use");
        screen.Until(() => screen.Count("[data-flag='overload']") == 1, "the overload to flag it");
        screen.Press("Delete");
        screen.Until(
            () => screen.Text("[aria-label='Piece']").Contains("off the list", StringComparison.Ordinal),
            "the piece to go"
        );
        screen.Press("Undo");
        screen.Until(() => screen.Count("[data-use]") == 1, "the piece to come back");
    }

    [Fact]
    public void A_list_is_shown_row_by_row_before_it_is_taken_in()
    {
        var folder = Directory.CreateTempSubdirectory("draklo-list-").FullName;
        var bad = Path.Combine(folder, "bad.csv");
        var good = Path.Combine(folder, "good.csv");
        File.WriteAllText(
            bad,
            "id,kind,name,breaking_strength_kn\nlong-60,rope,Long line,40\n,block,Quarry block,heavy\n"
        );
        File.WriteAllText(
            good,
            "id,kind,name,breaking_strength_kn\nlong-60,rope,Long line,40\n,block,Quarry block,36\n"
        );
        try
        {
            screen.Open("/locker");
            screen.Until(() => screen.Count("[data-gear]") > 10, "the list");
            screen.Upload("input[type=file]", bad);
            screen.Until(
                () => screen.Count("[data-row='refused']") == 1 && screen.Count("[data-row='change']") == 1,
                "the preview"
            );
            Assert.Contains("a number with a point", screen.Text("[data-row='refused']"), StringComparison.Ordinal);
            Assert.NotNull(screen.Attribute("[role=dialog] button.bg-ink", "disabled"));
            screen.Press("Not now");
            screen.Upload("input[type=file]", good);
            screen.Until(() => screen.Count("[data-row='add']") == 1, "the second preview");
            Assert.Contains("“46” → “40”", screen.Text("[data-row='change']"), StringComparison.Ordinal);
            screen.Press("Take it in");
            screen.Until(
                () => screen.Text("[role=dialog]").Contains("1 new, 1 changed", StringComparison.Ordinal),
                "the list to be taken in"
            );
            screen.Press("Close");
            screen.Type("Search", "Quarry block", "");
            screen.Until(() => screen.Count("[data-gear='quarry-block']") == 1, "the new piece");
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }
    }

    [Fact]
    public void A_long_list_draws_only_what_is_in_sight_and_is_searched_at_once()
    {
        var file = Path.Combine(Directory.CreateTempSubdirectory("draklo-long-").FullName, "long.csv");
        File.WriteAllText(
            file,
            "kind,name,marks,length_m\n"
                + string.Concat(Enumerable.Range(1, 5000).Select(i => $"rope,Line {i},tag {i * 7},{10 + (i % 60)}\n"))
        );
        screen.Open("/locker");
        screen.Until(() => screen.Count("[data-gear]") > 10, "the list");
        var before = Total();
        screen.Upload("input[type=file]", file);
        screen.Until(() => screen.Text("[role=dialog]").Contains("5000 new", StringComparison.Ordinal), "the preview");
        Assert.True(screen.Count("[data-row]") <= 200);
        screen.Press("Take it in");
        screen.Until(
            () => screen.Text("[role=dialog]").Contains("Taken in", StringComparison.Ordinal),
            "the list to be taken in"
        );
        screen.Press("Close");
        screen.Until(() => Total() == before + 5000, "all pieces");
        Assert.InRange(screen.Count("[data-gear]"), 10, 60);
        screen.Type("Search", "4321 tag 30247", "");
        screen.Until(() => screen.Count("[data-gear]") == 1, "the one");
        screen.Type("Search", "Line", "");
        screen.Run("document.querySelector('[data-gear-list]').scrollTop = 100000");
        screen.Until(
            () => screen.Text("[data-gear-list]").Contains("Line 3", StringComparison.Ordinal),
            "the rows farther down"
        );
        Assert.InRange(screen.Count("[data-gear]"), 10, 60);
        Directory.Delete(Path.GetDirectoryName(file)!, recursive: true);
    }

    [Fact]
    public void Every_knot_and_grip_is_described_and_those_that_were_checked_are_drawn()
    {
        screen.Open("/knots");
        screen.Until(() => screen.Count("main svg[data-knot]") == 14, "the drawings");
        screen.Press("Butterfly loop");
        screen.Until(() => screen.Count("[data-entry='butterfly'] svg[data-knot='butterfly']") == 1, "the butterfly");
        var text = screen.Text("[data-entry]");
        Assert.Contains("62 % used in plans", text, StringComparison.Ordinal);
        Assert.Contains("jams, may need tools", text, StringComparison.Ordinal);
        Assert.True(screen.Count("[data-entry] svg path") > 30);
        screen.OpenJob("Lime");
        screen.Click("nav button:nth-of-type(4)");
        screen.Press("How to tie it");
        screen.Until(
            () => screen.Text("[data-on-plan]").Contains("this rope keeps", StringComparison.Ordinal),
            "what the plan asks of its knot"
        );
        screen.Open("/knots/granny");
        screen.Until(
            () => screen.Text("[role=alert]").Contains("no knot or hitch", StringComparison.Ordinal),
            "the refusal"
        );
        Assert.Empty(screen.Complaints());
    }

    /// <summary>How many pieces the locker says it has.</summary>
    private int Total() => int.Parse(screen.Text("main [role=status]").Split(' ', '\n')[2]);
}
