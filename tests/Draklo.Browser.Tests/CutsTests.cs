using System.Globalization;
using Draklo.Browser.Tests.Support;
using OpenQA.Selenium;

namespace Draklo.Browser.Tests;

/// <summary>The cuts on the stump by finger, by keys and by figures, and what comes of them.</summary>
public sealed class CutsTests(Stage stage) : IClassFixture<Stage>
{
    private const string Drawing = "svg[aria-label^='The cut from above']";
    private readonly Screen screen = stage.Begin();

    [Fact]
    public void Rot_is_put_down_where_the_stump_is_touched_dragged_and_told_in_figures()
    {
        OpenCuts();
        Put("Rot", 170, 180);
        screen.Until(() => screen.Count("[data-handle='rot-0']") == 1, "the rot");
        var across = screen.ValueOf("Rot across");
        screen.Drag("[data-handle='rot-size-0']", -30, 0);
        screen.Until(() => screen.ValueOf("Rot across") != across, "it to grow");
        screen.Drag("[data-handle='rot-0']", 80, -20);
        screen.Until(
            () => screen.Text("aside").Contains("Hinge wood left", StringComparison.Ordinal),
            "what is left of the hinge"
        );
        screen.Chord(Keys.Control, "z");
        screen.Chord(Keys.Control, "z");
        screen.Chord(Keys.Control, "z");
        screen.Until(() => screen.Count("[data-handle='rot-0']") == 0, "undo to take it out");
        Assert.Empty(screen.Complaints());
    }

    [Fact]
    public void By_the_keys_rot_moves_a_centimetre_and_ten_with_shift()
    {
        OpenCuts();
        Put("Rot", 170, 180);
        screen.Until(() => screen.Count("[data-handle='rot-0']") == 1, "the rot");
        var before = Forward();
        screen.Focus("[data-handle='rot-0']");
        screen.Send(Keys.ArrowRight);
        screen.Until(() => Math.Abs(Forward() - before - 0.01) < 1e-6, "one centimetre");
        screen.Chord(Keys.Shift, Keys.ArrowLeft);
        screen.Until(() => Forward() < before - 0.05, "ten back");

        double Forward() =>
            double.Parse(screen.Attribute("[data-handle='rot-0']", "aria-valuenow")!, CultureInfo.InvariantCulture);
    }

    [Fact]
    public void A_bite_and_a_flare_come_and_go()
    {
        OpenCuts();
        Put("Bite", 380, 240);
        Put("Root flare", 190, 390);
        screen.Until(() => screen.Count("[data-handle='bite-0'], [data-handle='flare-0']") == 2, "both");
        screen.Type("Bar length", "20 cm");
        screen.Until(() => screen.Text("aside").Contains("leaves a core of", StringComparison.Ordinal), "the bar");
        var takeOut = "//aside//button[.='Take out']";
        screen.Find(By.XPath(takeOut)).Click();
        screen.Find(By.XPath(takeOut)).Click();
        screen.Until(() => screen.Count("[data-handle='bite-0'], [data-handle='flare-0']") == 0, "neither");
    }

    [Fact]
    public void A_bored_cut_asks_for_a_strap_that_bears_the_pull()
    {
        OpenCuts();
        screen.Press("Bored, with a strap");
        screen.Until(() => screen.Count("[data-handle='strap']") == 1, "the strap");
        screen.Until(() => screen.Count("[data-figure='strap-use']") == 1, "what it carries");
        Assert.Contains("Strap needed", screen.Text("aside"), StringComparison.Ordinal);
        screen.Type("Strap thickness", "12 cm");
        screen.Until(() => Percent() < 100, "it to bear the pull");
        screen.Type("Strap thickness", "40 cm");
        screen.Until(
            () => screen.Text("aside").Contains("more than half the stump", StringComparison.Ordinal),
            "the refusal"
        );

        double Percent() =>
            double.Parse(screen.Text("[data-figure='strap-use']").Split(' ', '%')[0], CultureInfo.InvariantCulture);
    }

    [Fact]
    public void Wedges_lashings_and_the_school_reach_the_fallers_page()
    {
        OpenCuts();
        screen.Find(By.XPath("//label[contains(., 'Wedges are put in')]//input")).Click();
        screen.Until(() => screen.Count("[data-figure='wedge-lift']") == 1, "what wedges alone would need");
        screen.Press("Lash the stem");
        screen.Press("At the end");
        screen.UntilSaved();
        screen.ToBrief();
        screen.Press("Papers");
        screen.Until(() => screen.Count("[data-cut-sheet] li") >= 6, "the numbered page");
        var page = screen.Text("[data-cut-sheet]");
        Assert.Contains("Lash the stem 0.6 m above the cut", page, StringComparison.Ordinal);
        Assert.Contains("A wedge of 2.5 cm", page, StringComparison.Ordinal);
        Assert.Contains("Then all pull together", page, StringComparison.Ordinal);
        Assert.Equal(screen.Count("[data-cut-sheet] li"), screen.Count("[data-cut-sheet] li svg"));
    }

    [Fact]
    public void A_crack_lashed_and_judged_by_name_is_no_stop_any_more()
    {
        screen.OpenJob("Lime");
        screen.Send("2");
        screen.Find(By.XPath("//label[contains(., 'Cracked stem or fork')]//input")).Click();
        screen.Until(() => screen.Attribute("[data-verdict]", "data-verdict") == "stop", "the stop");
        screen.Type("Lashed, and judged by", "Runa");
        screen.Click("nav [data-station='Cuts']");
        screen.Press("Lash the stem");
        screen.Press("Lash the stem");
        screen.Until(() => screen.Attribute("[data-verdict]", "data-verdict") == "check", "a check by name");
    }

    private void OpenCuts()
    {
        screen.OpenJob("Lime");
        screen.Send("6");
        screen.Until(() => screen.Count(Drawing) == 1, "the stump");
    }

    /// <summary>Presses a mark's button and touches the drawing.</summary>
    private void Put(string mark, int across, int down)
    {
        screen.Press(mark);
        screen.ClickAt(Drawing, across, down);
    }
}
