using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Draklo.Browser.Tests.Support;

namespace Draklo.Browser.Tests;

/// <summary>axe-core finds nothing to complain of on the planning pages, in every state.</summary>
public sealed class SheetAccessibilityTests(Stage stage) : IClassFixture<Stage>
{
    private readonly Screen screen = stage.Begin();

    [Fact]
    public void Every_station_of_the_sheet_in_both_themes()
    {
        screen.OpenJob("Side-leaner");
        for (var theme = 0; theme < 2; theme++)
        {
            foreach (var station in new[] { "1", "2", "3", "4", "5", "6", "7", "8", "9" })
            {
                screen.Send(station);
                screen.Until(
                    () => screen.Attribute($"nav button:nth-of-type({station})", "aria-current") == "step",
                    "the station"
                );
                screen.Until(
                    () => !screen.Text("aside").Contains("Opening", StringComparison.Ordinal),
                    "the station to open"
                );
                screen.NoViolations();
            }

            screen.Click("button[title='Name, place and day']");
            screen.Press(theme == 0 ? "Theme for bright sun" : "Leave the sun theme");
            screen.Press("Done");
            screen.Until(() => screen.Count("[role=dialog]") == 0, "the dialog to close");
        }
    }

    [Fact]
    public void The_plan_with_its_rose_a_target_in_hand_and_the_dialogs_of_the_size_up()
    {
        screen.OpenJob("Lime");
        screen.Send("3");
        screen.Click("[data-target-row='boathouse']");
        screen.Until(() => screen.Count("[data-handle='target']") == 1, "the target in hand");
        screen.Send("r");
        screen.Until(() => screen.Count("[data-open-lay]") > 0, "the rose");
        screen.NoViolations();
        screen.Send("2");
        screen.Press("Correct it for this crew");
        screen.Until(() => screen.Count("[role=dialog]") == 1, "the species");
        screen.NoViolations();
        screen.Press("Leave it");
        screen.Press("The day's forecast");
        screen.Until(() => screen.Count("aside table") == 1, "the forecast");
        screen.Press("Sections");
        screen.Until(() => screen.Count("[data-handle='section-0']") == 1, "the sections");
        screen.NoViolations();
    }

    [Fact]
    public void Workings_reasons_keys_and_refusals()
    {
        screen.OpenJob("Lime");
        screen.Click("[data-working='needed-tension']");
        screen.Until(() => screen.Count("[data-open-working]") == 1, "the workings");
        screen.NoViolations();
        screen.Click("[data-link='main.hands']");
        screen.Until(() => screen.Count("[data-remedies] li") > 0, "the remedies");
        screen.NoViolations();
        screen.Press("Close");
        screen.Send("b");
        screen.Until(
            () => screen.Count("svg[aria-label^='Bending']") == 1 && screen.Count("[data-handle='seat-chart']") == 1,
            "the stem"
        );
        screen.NoViolations();
        screen.Type("Seat above ground", "25");
        screen.Until(() => screen.Count("[data-old]") == 1, "the refusal");
        screen.NoViolations();
        screen.Press("Undo");
        screen.Until(() => screen.Count("[data-old]") == 0, "the undo");
        screen.Click("[data-verdict] [aria-expanded]");
        screen.Until(
            () => screen.Text("body").Contains("Estimates, not promises", StringComparison.Ordinal),
            "the cautions"
        );
        screen.NoViolations();
        screen.Send(OpenQA.Selenium.Keys.Escape);
        screen.Click("aside [aria-haspopup='listbox']");
        screen.Until(() => screen.Count("[role=option]") > 3, "the list of knots");
        screen.NoViolations();
        screen.Send(OpenQA.Selenium.Keys.Escape);
        screen.Focus("nav button");
        screen.Send("?");
        screen.Until(() => screen.Count("[role=dialog]") == 1, "the keys");
        Assert.Contains("Redo", screen.Text("[role=dialog]"), StringComparison.Ordinal);
        screen.NoViolations();
    }

    [Fact]
    public void The_tackle_drawing_the_redirects_and_the_rigs_that_were_found()
    {
        screen.OpenJob("Side-leaner");
        screen.Send("5");
        screen.Send("t");
        screen.Until(
            () => screen.Count("[data-tackle] [data-leg]") > 3 && screen.Count("[data-redirect='0']") == 1,
            "the tackle"
        );
        screen.NoViolations();
        screen.Press("Find the best rig");
        screen.Until(() => screen.Count("[role=dialog]") == 1, "what was found");
        screen.NoViolations();
    }

    [Fact]
    public void The_composer_by_stages_and_rope_by_rope_and_what_holds()
    {
        screen.OpenJob("Lime");
        screen.Send("5");
        screen.Send("t");
        screen.Find(OpenQA.Selenium.By.XPath("//label[.='Tackle system']/following-sibling::button")).Click();
        screen.Click("[role=option][data-option='own:three-on-two']");
        screen.Click("[aria-label='Cam holds between heaves']");
        screen.Click("[aria-label='Turns on a drum hold the line meanwhile']");
        screen.Until(
            () =>
                screen.Count("[data-stage]") == 2
                && screen.Count("[data-capture]") == 1
                && screen.Count("[data-holdpiece='turns']") == 1,
            "stages, cam and turns"
        );
        screen.NoViolations();
        screen.Press("Go on rope by rope");
        screen.Until(() => screen.Count("[data-rope-row]") == 2, "its ropes");
        screen.NoViolations();
        screen.Press("Keep it for the crew");
        screen.Until(() => screen.Count("[role=dialog]") == 1, "the form to keep it");
        screen.NoViolations();
    }

    /// <summary>On a phone, every step with its drawing.</summary>
    [Fact]
    public void Every_station_in_the_hand()
    {
        screen.Resize(390, 844);
        screen.OpenJob("Lime");
        foreach (var station in new[] { "1", "2", "3", "4", "5", "6", "7", "8", "9" })
        {
            screen.Send(station);
            screen.Until(
                () => !screen.Text("aside").Contains("Opening", StringComparison.Ordinal),
                "the station to open"
            );
            screen.NoViolations();
        }
    }

    [Theory]
    [InlineData(1280, 800)]
    [InlineData(390, 844)]
    public void Clearing_with_its_panels_and_its_page(int width, int height)
    {
        screen.Resize(width, height);
        foreach (var (job, link) in new[] { ("Ash logs", "line"), ("Poplar stem", "block"), ("Alder let", "guy") })
        {
            screen.OpenJob(job);
            screen.Click($"[data-link='{link}']");
            screen.Until(() => screen.Count("[data-link-detail]") == 1, "the link");
            screen.NoViolations();
        }

        foreach (var panel in new[] { "Pieces", "Ground", "Gear", "People" })
        {
            screen.Press(panel);
            screen.NoViolations();
        }

        screen.Press("From above");
        screen.NoViolations();
        screen.Click("header a[href$='/brief']");
        screen.Until(() => screen.Count("[data-brief-clearing] svg") >= 2, "the page");
        screen.NoViolations();
    }
}
