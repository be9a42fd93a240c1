using Draklo.Browser.Tests.Support;
using OpenQA.Selenium;

namespace Draklo.Browser.Tests;

/// <summary>Clearing by mouse, keys and finger: the section is the input, the ways side by side, the page for the crew.</summary>
public sealed class ClearingPageTests(Stage stage) : IClassFixture<Stage>
{
    private readonly Screen screen = stage.Begin();

    [Fact]
    public void The_block_is_dragged_and_everything_follows_and_comes_back()
    {
        screen.OpenJob("Ash logs");
        var before = screen.Text("[data-figure='line-most']");
        screen.Drag("[data-handle='high']", 0, -30);
        screen.Until(() => screen.Text("[data-figure='line-most']") != before, "another tension");
        screen.UntilSaved();
        screen.Press("Undo");
        screen.Until(() => screen.Text("[data-figure='line-most']") == before, "the tension it had");
        screen.Focus("[data-handle='sag']");
        screen.Chord(Keys.Shift, Keys.ArrowDown);
        screen.Until(() => screen.ValueOf("Sag of the loaded line") == "12.5", "a percent more sag");
        screen.Until(() => screen.Text("[data-figure='line-most']") != before, "less tension");
        Assert.Empty(screen.Complaints());
        Assert.Empty(screen.OutsideRequests());
    }

    [Fact]
    public void The_load_is_led_along_its_line()
    {
        screen.OpenJob("Ash logs");
        var at = screen.Attribute("[data-handle='travel']", "aria-valuetext");
        screen.Focus("[data-handle='travel']");
        screen.Chord(Keys.Shift, Keys.ArrowLeft);
        screen.Until(() => screen.Attribute("[data-handle='travel']", "aria-valuetext") != at, "another place");
        // Where the load is on its way is nothing of the plan.
        Assert.Equal("saved", screen.Attribute("[data-save]", "data-save"));
    }

    [Fact]
    public void What_would_make_it_hold_is_put_in_by_a_click()
    {
        screen.OpenJob("Ash logs");
        screen.Type("Sag of the loaded line", "3 %");
        screen.Until(() => screen.Attribute("[data-verdict]", "data-verdict") == "stop", "a stop");
        screen.Until(() => screen.Count("[data-remedies] li") > 0, "what would mend it");
        screen.Find(By.XPath("//*[@data-remedies]//button[starts-with(., 'Let the line sag')]")).Click();
        screen.Until(() => screen.Count("[data-state='fails']") == 0, "every link to hold");
        Assert.NotEqual("3", screen.ValueOf("Sag of the loaded line"));
    }

    [Fact]
    public void A_way_is_begun_by_its_name_and_opens_its_sums()
    {
        screen.OpenJob("Ash logs");
        screen.Click("[data-way='catch']");
        screen.Until(() => screen.Count("[data-figure='peak']") == 1, "the catch");
        screen.Click("[data-link='block']");
        screen.Until(
            () => screen.Text("[data-link-detail='block']").Contains("it may carry", StringComparison.Ordinal),
            "its sum"
        );
        screen.UntilSaved();
        screen.Reload("[data-figure='peak']");
        Assert.Equal("true", screen.Attribute("[data-way='catch']", "aria-pressed"));
    }

    [Fact]
    public void Held_or_let_run_is_one_tap()
    {
        screen.OpenJob("Poplar stem");
        Assert.Contains("after the rope", screen.Text("[data-figure='run']"), StringComparison.Ordinal);
        var run = screen.Text("[data-figure='stem']");
        screen.Find(By.XPath("//label[.='Held']")).Click();
        screen.Until(
            () => screen.Text("[data-figure='run']").Contains("it does not run", StringComparison.Ordinal),
            "it to be held"
        );
        Assert.NotEqual(run, screen.Text("[data-figure='stem']"));
    }

    [Fact]
    public void Ground_and_people_are_moved_and_a_person_under_the_load_is_a_stop()
    {
        screen.OpenJob("Ash logs");
        screen.Press("Ground");
        screen.Focus("[data-handle='spot-2']");
        screen.Chord(Keys.Shift, Keys.ArrowUp);
        screen.Until(() => screen.ValueOf("Height of the ground, spot 1") != "", "the heights");
        screen.Press("People");
        screen.Press("From above");
        screen.Until(() => screen.Count("[data-handle='person-2']") == 1, "the people");
        screen.Find(By.XPath("(//label[starts-with(., 'To the side')]/following::input)[3]"));
        screen.Focus("[data-handle='person-2']");
        for (var i = 0; i < 2; i++)
        {
            screen.Chord(Keys.Shift, Keys.ArrowUp);
        }

        screen.Until(() => screen.Attribute("[data-verdict]", "data-verdict") == "stop", "a stop");
        screen.Click("[data-verdict] button");
        screen.Until(() => screen.Count("[data-code='rig-person-under-load']") == 1, "the reason");
    }

    [Fact]
    public void What_cannot_be_is_said_at_its_field_and_nothing_is_lost()
    {
        screen.OpenJob("Ash logs");
        screen.Type("Sag of the loaded line", "90 %");
        screen.Until(() => screen.Attribute("[data-verdict]", "data-verdict") == "mend", "the refusal");
        Assert.Contains("must lie between", screen.Text("aside[aria-label='Loaded line']"), StringComparison.Ordinal);
        Assert.Equal("90", screen.ValueOf("Sag of the loaded line"));
        screen.Type("Sag of the loaded line", "11.5 %");
        screen.Until(() => screen.Attribute("[data-verdict]", "data-verdict") == "check", "it to be well again");
    }

    [Fact]
    public void A_clearing_alone_begins_from_the_list()
    {
        screen.Open();
        screen.Press("New job");
        screen.Press("Clearing alone: nothing is pulled");
        screen.Until(() => screen.Count("[data-mark]") == 4, "the marks on the stem");
        screen.Focus("[data-mark='0']");
        screen.Chord(Keys.Shift, Keys.ArrowRight);
        screen.Until(() => screen.ValueOf("Cut mark, from the felling cut, mark 1") == "3.5", "the mark to move");
        screen.UntilSaved();
    }

    [Fact]
    public void The_page_for_the_crew_has_both_ends_signs_and_stops()
    {
        screen.OpenJob("Ash logs");
        screen.Click("header a[href$='/brief']");
        screen.Until(() => screen.Count("[data-brief-clearing] svg") >= 2, "the page");
        var text = screen.Text("[data-brief-clearing]");
        Assert.Contains("never tighten it to lift", text, StringComparison.Ordinal);
        Assert.Contains("Both arms crossed", text, StringComparison.Ordinal);
        Assert.Contains("Bo, hooks on", text, StringComparison.Ordinal);
        Assert.DoesNotContain("Cuts, faller", screen.Text("article"), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(390, 844)]
    [InlineData(820, 1180)]
    public void It_fits_a_small_screen_and_drags_under_a_finger(int width, int height)
    {
        screen.Resize(width, height);
        screen.OpenJob("Poplar stem");
        Assert.True((bool)screen.Run("return document.documentElement.scrollWidth <= innerWidth")!);
        var before = screen.Text("[data-figure='room']");
        screen.DragByTouch("[data-handle='high']", 0, 24);
        screen.Until(() => screen.Text("[data-figure='room']") != before, "less room to run");
    }

    [Fact]
    public void A_piece_is_moved_where_it_lies_and_one_far_aside_is_said()
    {
        screen.OpenJob("Ash logs");
        screen.Click("[role='tab'][aria-selected='false']");
        screen.Press("Pieces");
        var before = screen.ValueOf("Lies at");
        screen.Drag("[data-handle='piece-0']", -60, 0);
        screen.Until(() => screen.ValueOf("Lies at") != before, "the piece to lie elsewhere");
        screen.Press("Ground");
        screen.Press("Put its ends on the plan");
        screen.Press("Pieces");
        screen.Drag("[data-handle='piece-0']", 0, 120);
        screen.Until(
            () => screen.Text("[aria-label='Pieces']").Contains("to the right", StringComparison.Ordinal),
            "its place"
        );
        screen.Click("[data-verdict] button[aria-expanded]");
        screen.Until(() => screen.Count("[data-code='rig-piece-aside']") == 1, "what is said of it");
        Assert.Empty(screen.Complaints());
    }

    [Fact]
    public void Loads_are_timed_and_kept_with_what_the_line_read()
    {
        screen.OpenJob("Ash logs");
        screen.Click("header a[href$='/day']");
        screen.Press("Runa");
        screen.Press("Go on: clear");
        screen.Type("Because", "Tried without a brief", "");
        screen.Click("[role='dialog'] button");
        screen.Until(() => screen.Count("[data-moved='0']") == 1, "the loads");
        screen.Press("Load 1 is there");
        screen.Until(() => screen.Count("[data-moved='1']") == 1, "the first load");
        Thread.Sleep(1000);
        screen.Press("Load 2 is there");
        screen.Until(() => screen.Count("[data-moved='2']") == 1, "the second load");
        screen.Press("Not load 2");
        screen.Until(() => screen.Count("[data-moved='1']") == 1, "the second load to be taken back");
        Thread.Sleep(1000);
        screen.Press("Load 2 is there");
        screen.Until(() => screen.Count("[data-moved='2']") == 1, "the second load again");
        // The loads outlive the page.
        screen.Reload("[data-moved='2']");
        Assert.Contains(
            "most",
            screen.Attribute("svg[aria-label^='The window']", "aria-label"),
            StringComparison.Ordinal
        );
        screen.Press("Read the load cell");
        screen.Until(() => screen.Count("[data-big-reading][data-at]") == 1, "a reading");
        screen.Press("Keep this reading");
        screen.Until(() => screen.Text("summary").Contains("6 entries", StringComparison.Ordinal), "it to be kept");
        Assert.Empty(screen.Complaints());
        screen.Open(
            ((string)screen.Run("return location.pathname")!).Replace("/day", "/log", StringComparison.Ordinal)
        );
        screen.Until(() => screen.Count("[data-laps]") == 1, "the loads of the day");
        Assert.Equal(0, screen.Count("[data-landing-pad]"));
        screen.Type("Written by", "Runa");
        Assert.Contains("timed: 0.", screen.Text("[data-laps]"), StringComparison.Ordinal);
        screen
            .Find(By.XPath("//label[starts-with(., \"Line's peak\")]/following::input[1]"))
            .SendKeys(Keys.Control + "a" + Keys.Null + "5.2 kN" + Keys.Tab);
        screen.Until(
            () => screen.Text("main").Contains("More than the line may carry", StringComparison.Ordinal),
            "the warning"
        );
        screen.Click("[data-tap='cleared']");
        screen.Press("Save the log");
        screen.Until(() => screen.Attribute("[data-log]", "data-log") == "kept", "it to be kept");
        screen.Reload("[data-laps]");
        Assert.Contains("timed: 0.", screen.Text("[data-laps]"), StringComparison.Ordinal);
        Assert.Empty(screen.Complaints());
    }
}
