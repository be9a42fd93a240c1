using System.Globalization;
using Draklo.Browser.Tests.Support;
using OpenQA.Selenium;

namespace Draklo.Browser.Tests;

/// <summary>The day by the tree: read, seen, answered, pulled; and what goes wrong on the way.</summary>
public sealed class DayPageTests(Stage stage) : IClassFixture<Stage>
{
    private readonly Screen screen = stage.Begin();

    [Fact]
    public void A_crew_goes_from_the_brief_to_the_ground_with_the_load_cell()
    {
        OpenDay();
        GoOn("slack out");
        Says("wait");
        Answer("Legs not crossed, stopper tied", yes: true);
        GoOn("bed test");
        AllIsWell();
        screen.Press("Read the load cell");
        KeepReading();
        GoOn("floor");
        AllIsWell();
        KeepReading();
        GoOn("hold");
        AllIsWell();
        Assert.Contains("of 2:00 held", screen.Text("[role=timer]"), StringComparison.Ordinal);
        screen.Press("Keep this reading");
        Says("wait");
        // Nobody waits two minutes here: going on before is asked why.
        screen.Press("Go on: planned");
        screen.Type("Because", "a test has no two minutes");
        screen.Press("Go on");
        screen.Until(() => screen.Text("[aria-current=step]") == "planned", "the step planned");
        AllIsWell();
        KeepReading();
        Assert.Contains("how far the seat came", screen.Text("[data-answer]"), StringComparison.Ordinal);
        GoOn("notch");
        AllIsWell();
        Assert.Contains("Open notch", screen.Text("[data-cuts]"), StringComparison.Ordinal);
        GoOn("back cut");
        AllIsWell();
        Assert.Contains("Back cut", screen.Text("[data-cuts]"), StringComparison.Ordinal);
        Says("wait");
        Answer("The faller is out", yes: true);
        GoOn("pull");
        screen.Until(() => screen.Count("[data-live-point]") == 1, "the pull on its curve");
        screen.Until(() => Big() is > 0 and < 0.35, "less to pull as it comes over");
        // The gauge sees it go; nobody has to call it.
        Says("goOn", "the tree to go by itself");
        GoOn("down");
        screen.Until(() => screen.Text("main").Contains("readings kept", StringComparison.Ordinal), "the trace");
        // The cell of the demo only stands in for one, and says so.
        Assert.Contains("of them simulated", screen.Text("main"), StringComparison.Ordinal);
        screen.Reload("[data-answer]");
        Assert.StartsWith("It is down", screen.Text("main h2"), StringComparison.Ordinal);
        Assert.Empty(screen.Complaints());
        Assert.Empty(screen.OutsideRequests());
    }

    [Fact]
    public void Under_the_floor_it_is_not_gone_on_without_a_because()
    {
        AtFloor();
        Enter("200 N");
        Says("lookAgain");
        Assert.Contains("under the floor", screen.Text("[data-answer]"), StringComparison.Ordinal);
        screen.Press("Go on: hold");
        screen.Press("Go on");
        Assert.Contains("Say why", screen.Text("[role=dialog]"), StringComparison.Ordinal);
        screen.Press("Leave it");
        screen.Press("Look again");
        Says("wait");
        Assert.Contains("at an earlier step", screen.Text("main"), StringComparison.Ordinal);
        Enter("340 N");
        AllIsWell();
        Says("goOn");
    }

    [Fact]
    public void Stop_all_holds_everything_until_somebody_says_why_it_goes_on()
    {
        AtFloor();
        screen.Press("Stop all");
        Says("stop");
        screen.Press("On again, and why");
        screen.Type("Because", "A walker, gone by");
        screen.Press("On again");
        Says("wait");
        screen.Run("document.querySelector('main details').open = true");
        Assert.Contains("A walker, gone by", screen.Text("[data-kept]"), StringComparison.Ordinal);
        screen.Click("[data-kept] li:first-child button");
        Says("stop", "the going on to be taken back");
    }

    [Fact]
    public void A_pluck_is_tapped_and_a_sideways_pull_entered()
    {
        AtFloor();
        screen.Press("pluck and count");
        for (var i = 0; i < 5; i++)
        {
            screen.Click("[data-taps]");
            Thread.Sleep(250);
        }

        screen.Until(() => screen.Attribute("[data-taps]", "data-taps") == "4", "four returns");
        Assert.Equal("4", screen.ValueOf("Returns"));
        Assert.InRange(double.Parse(screen.ValueOf("Seconds for all of them"), CultureInfo.InvariantCulture), 0.9, 6);
        screen.Press("Leave it");
        screen.Press("pull it sideways");
        screen.Type("Force sideways", "58 N");
        screen.Press("Keep this reading");
        Assert.Contains("how far it gives", screen.Text("[role=dialog]"), StringComparison.Ordinal);
        screen.Type("It gives", "30 cm");
        screen.Press("Keep this reading");
        screen.Until(() => Big() > 0.3, "the tension");
    }

    [Fact]
    public void What_cannot_be_is_said_at_its_field_and_what_was_typed_stays()
    {
        AtFloor();
        screen.Press("pull it sideways");
        screen.Type("Force sideways", "58 N");
        screen.Type("It gives", "900 m");
        screen.Press("Keep this reading");
        screen.Until(
            () =>
                screen
                    .Text("[role=dialog] [role=alert]")
                    .Contains("“It gives” must lie between", StringComparison.Ordinal),
            "the refusal at its field"
        );
        Assert.Equal("0.058", screen.ValueOf("Force sideways"));
        screen.Type("It gives", "30 cm");
        screen.Press("Keep this reading");
        screen.Until(() => screen.Count("[role=dialog]") == 0 && Big() > 0.3, "the tension");
        screen.Type("The seat came, since slack", "900 m");
        screen.Until(
            () =>
                screen.Text("main [role=alert]").Contains("“The seat came” must lie between", StringComparison.Ordinal),
            "the refusal at its field"
        );
    }

    [Fact]
    public void Everybody_can_be_stopped_before_anybody_gave_a_name()
    {
        screen.Open($"/jobs/{stage.Issued("Birch")}/day");
        screen.Press("Stop all");
        Says("stop");
    }

    [Fact]
    public void A_dropped_seat_is_worked_out_and_voids_the_brief()
    {
        AtFloor();
        screen.Click("[data-change='seatDropped']");
        screen.Type("The seat is now at, above ground", "5 m");
        screen.Press("Work it out");
        screen.Until(
            () => screen.Text("[role=dialog]").Contains("Seat above ground", StringComparison.Ordinal),
            "what moves"
        );
        screen.Press("Put it in the plan; the brief is signed again");
        Says("stop");
        Assert.Contains("sign again", screen.Text("[data-answer]"), StringComparison.Ordinal);
        Assert.Contains("void", screen.Text("header"), StringComparison.Ordinal);
    }

    [Fact]
    public void What_is_said_while_draklo_does_not_answer_waits_and_outlives_the_tablets_restart()
    {
        AtFloor();
        screen.Run("window.fetch = () => Promise.reject(new TypeError('gone'))");
        for (var i = 0; i < 5; i++)
        {
            screen.Click("[aria-label='Anchor mark moved, more']");
        }

        Assert.Equal("0 mm", screen.Text("[aria-label='Anchor mark moved'] output"));
        screen.Reload("[data-answer]");
        screen.Until(() => screen.Text("[aria-label='Anchor mark moved'] output") == "2 mm", "what waited to be kept");
        Says("lookAgain");
    }

    [Theory]
    [InlineData(390, 844)]
    [InlineData(820, 1180)]
    [InlineData(1280, 800)]
    public void Nothing_runs_over_the_edge_and_a_glove_hits_every_button(int width, int height)
    {
        screen.Resize(width, height);
        AtFloor();
        Assert.Equal(
            0L,
            screen.Run("return document.documentElement.scrollWidth - document.documentElement.clientWidth")
        );
        var small = screen.Run(
            "return [...document.querySelectorAll('.day-page button')].filter(b => b.offsetParent !== null && b.getBoundingClientRect().height < 44).map(b => b.textContent).join(', ')"
        );
        Assert.Equal("", small);
    }

    private void OpenDay()
    {
        var id = stage.Issued("Birch");
        screen.Open($"/jobs/{id}/day");
        screen.Find(By.CssSelector("[data-answer]"));
        screen.Press("Runa");
    }

    private void AtFloor()
    {
        OpenDay();
        GoOn("slack out");
        Answer("Legs not crossed, stopper tied", yes: true);
        GoOn("bed test");
        AllIsWell();
        Enter("235 N");
        GoOn("floor");
    }

    /// <summary>Everything that the step asks, looked at and in order. A press that the page moved away under is made
    /// again, as a person does who sees that nothing was kept.</summary>
    private void AllIsWell()
    {
        var before = Kept();
        for (var tries = 0; tries < 3 && Kept() == before; tries++)
        {
            screen.Press("Looked at it all: as it should be");
            for (var i = 0; i < 50 && Kept() == before; i++)
            {
                Thread.Sleep(100);
            }
        }

        Assert.NotEqual(before, Kept());
    }

    /// <summary>How many entries the page says were kept.</summary>
    private string Kept() =>
        (string)
            screen.Run(
                "return [...document.querySelectorAll('main summary')].map(s => s.textContent.split(',')[0]).find(s => s.startsWith('What was kept'))"
            )!;

    private void GoOn(string step)
    {
        Says("goOn");
        screen.Press($"Go on: {step}");
        screen.Until(() => screen.Text("[aria-current=step]") == step, $"the step {step}");
    }

    private void Enter(string figure)
    {
        screen.Press("enter a figure");
        screen.Type("It reads", figure);
        screen.Press("Keep this reading");
        screen.Until(
            () => screen.Count("[role=dialog]") == 0 && screen.Text("[data-big-reading]") != "–",
            "the reading"
        );
    }

    /// <summary>The cell comes up as a crew hauls: what is read on the way is kept too, until it is enough.</summary>
    private void KeepReading()
    {
        screen.Until(() => Big() > 0.2, "the line to come up");
        for (var i = 0; i < 20 && screen.Attribute("[data-answer]", "data-answer") != "goOn"; i++)
        {
            screen.Press("Keep this reading");
            Thread.Sleep(700);
        }
    }

    private double Big() =>
        double.TryParse(screen.Text("[data-big-reading]"), CultureInfo.InvariantCulture, out var n) ? n : 0;

    private void Answer(string label, bool yes) =>
        screen.Click($"[role=group][aria-label='{label}'] button:nth-of-type({(yes ? 1 : 2)})");

    private void Says(string state, string? what = null) =>
        screen.Until(
            () => screen.Attribute("[data-answer]", "data-answer") == state,
            what ?? $"the answer {state}, not {screen.Text("[data-answer]")}"
        );
}
