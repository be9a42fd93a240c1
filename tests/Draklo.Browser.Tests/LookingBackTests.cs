using System.Text.Json.Nodes;
using Draklo.Browser.Tests.Support;

namespace Draklo.Browser.Tests;

/// <summary>The log with a finger, the year, what was learned, trials and the practice bench.</summary>
public sealed class LookingBackTests(Stage stage) : IClassFixture<Stage>
{
    private readonly Screen screen = stage.Begin();

    [Fact]
    public async Task A_log_is_tapped_saved_and_there_again()
    {
        OpenLog("Lime");
        screen.Click("[data-tap='done']");
        screen.ClickAt("[data-landing-pad]", 230, 90);
        screen.Until(() => screen.Text("[data-off]").Contains("Off the lay by", StringComparison.Ordinal), "the miss");
        screen.Type("Peak", "1.7 kN");
        screen.Click("[data-tap='letGo']");
        screen.Click("[aria-label^='Running bowline'] [data-tap='byHand']");
        screen.Click("[data-gear='sling-white']");
        screen.Press("The others as planned");
        screen.Upload(
            "[aria-label='Picture of the job']",
            Path.Combine(Repository(), "docs", "screenshots", "elevation.png")
        );
        screen.Until(() => screen.Count("[data-picture] img") == 1, "the picture");
        screen.Press("Save the log");
        screen.Until(() => screen.Attribute("[data-log]", "data-log") == "kept", "it to be kept");
        screen.Reload("[data-log]");
        Assert.Equal("true", screen.Attribute("[data-tap='done']", "aria-pressed"));
        Assert.Equal("1.7", screen.ValueOf("Peak"));
        screen.Until(
            () => screen.Run("return document.querySelector('[data-picture] img').naturalWidth") is long and > 100,
            "the picture to be drawn"
        );
        var hash = screen.Attribute("[data-picture]", "data-picture");
        using var kept = await stage.Client.GetAsync(new Uri($"/api/pictures/{hash}", UriKind.Relative));
        Assert.Equal("image/jpeg", kept.Content.Headers.ContentType!.MediaType);
        Assert.Empty(screen.Complaints());
        Assert.Empty(screen.OutsideRequests());
    }

    [Fact]
    public void A_tension_far_from_what_was_worked_out_is_asked_again()
    {
        OpenLog("Lime");
        var label = (string)
            screen.Run(
                "return [...document.querySelectorAll('label')].find(l => l.textContent.startsWith('When it went')).textContent"
            )!;
        screen.Type("Peak", "1.7 kN");
        screen.Type(label, "1.2 kN");
        Assert.Equal(0, screen.Count("[data-odd]"));
        screen.Type(label, "120 N");
        screen.Until(() => screen.Count("[data-odd]") == 1, "it to be asked again");
        screen.Click("[data-odd] input");
        screen.Press("Save the log");
        screen.Until(() => screen.Attribute("[data-log]", "data-log") == "kept", "it to be kept");
        screen.Reload("[data-odd]");
        Assert.Equal(true, screen.Run("return document.querySelector('[data-odd] input').checked"));
    }

    [Fact]
    public void The_landing_moves_by_keys_and_a_far_one_is_refused_and_lost_nowhere()
    {
        OpenLog("Lime");
        screen.Type("Out along the lay", "18 m");
        screen.Until(() => screen.Count("[data-handle='landing']") == 1, "the handle");
        screen.Focus("[data-handle='landing']");
        screen.Chord(OpenQA.Selenium.Keys.Shift, OpenQA.Selenium.Keys.ArrowRight);
        screen.Until(() => screen.ValueOf("Right of it (left −)") == "1", "one metre right");
        screen.Type("Out along the lay", "90 m");
        screen.Press("Save the log");
        screen.Until(() => screen.Text("main").Contains("cannot come down", StringComparison.Ordinal), "the refusal");
        screen.Reload("[data-log]");
        Assert.Equal("90", screen.ValueOf("Out along the lay"));
        Assert.Contains("not saved yet", screen.Text("main"), StringComparison.Ordinal);
        screen.Type("Out along the lay", "19 m");
        screen.Press("Save the log");
        screen.Until(() => screen.Attribute("[data-log]", "data-log") == "kept", "it to be kept");
    }

    [Fact]
    public async Task A_log_that_another_saved_meanwhile_is_put_together_member_by_member()
    {
        OpenLog("Lime");
        var path = new Uri(
            $"/api/jobs/{((string)screen.Run("return location.pathname")!).Split('/')[2]}/log",
            UriKind.Relative
        );
        screen.Type("Peak", "1.7 kN");
        screen.Press("Save the log");
        screen.Until(() => screen.Attribute("[data-log]", "data-log") == "kept", "it to be kept");
        screen.Type("Peak", "1.9 kN");
        screen.Click("[data-tap='done']");

        var answer = JsonNode.Parse(await stage.Client.GetStringAsync(path))!;
        var other = answer["log"]!;
        other["by"] = "Runa";
        other["broke"] = "a sling";
        other["lines"]![0]!["peakN"] = 2100;
        using var put = new HttpRequestMessage(HttpMethod.Put, path)
        {
            Content = new StringContent(other.ToJsonString(), System.Text.Encoding.UTF8, "application/json"),
            Headers = { IfMatch = { new($"\"{answer["revision"]}\"") } },
        };
        (await stage.Client.SendAsync(put)).EnsureSuccessStatusCode();

        screen.Press("Save the log");
        screen.Until(() => screen.Count("[data-two-logs] [data-clash]") == 1, "what both wrote");
        Assert.Contains("Runa saved a log", screen.Text("[data-two-logs]"), StringComparison.Ordinal);
        Assert.Contains("2.1 kN", screen.Text("[data-clash]"), StringComparison.Ordinal);
        Assert.False(
            (bool)
                screen.Run(
                    "return [...document.querySelectorAll('button')].some(b => b.textContent === 'Save the log' && !b.disabled)"
                )!
        );
        screen.Click("[data-clash] button");
        screen.Press("Put both together");
        screen.Until(() => screen.Count("[data-two-logs]") == 0, "the two to be one");
        Assert.Equal("1.9", screen.ValueOf("Peak"));
        screen.Press("Save the log");
        screen.Until(() => screen.Attribute("[data-log]", "data-log") == "kept", "it to be kept");
        var kept = JsonNode.Parse(await stage.Client.GetStringAsync(path))!["log"]!;
        Assert.Equal(
            ("Runa", "a sling", 1900, "done"),
            ((string)kept["by"]!, (string)kept["broke"]!, (int)kept["lines"]![0]!["peakN"]!, (string)kept["stage"]!)
        );
    }

    [Fact]
    public void What_is_no_picture_is_said_so()
    {
        OpenLog("Lime");
        var file = Path.Combine(Path.GetTempPath(), $"draklo-{Guid.NewGuid():N}.jpg");
        File.WriteAllText(file, "no picture at all");
        screen.Upload("[aria-label='Picture of the job']", file);
        screen.Until(
            () => screen.Text("main").Contains("cannot be read as a picture", StringComparison.Ordinal),
            "the sentence"
        );
        File.Delete(file);
        Assert.Equal(0, screen.Count("[data-picture]"));
    }

    [Fact]
    public void The_list_is_narrowed_and_says_when_nothing_is_like_that()
    {
        screen.Open();
        screen.Until(() => screen.Count("[data-job]") == 9, "the open jobs");
        Choose("Stage", "called off");
        screen.Until(() => screen.Count("[data-job]") == 1, "the one called off");
        Choose("Stage", "all jobs");
        screen.Until(() => screen.Text("[data-total]") == "25 jobs", "all of them");
        screen.Run("document.querySelector('[aria-label=\"Search jobs\"]').focus()");
        screen.Send("alder");
        screen.Until(() => screen.Count("[data-job]") == 3, "the alders");
        screen.Send(" of nowhere");
        screen.Until(() => screen.Text("main").Contains("No job is like that", StringComparison.Ordinal), "nothing");
        Assert.Empty(screen.Complaints());
    }

    [Fact]
    public void The_year_shows_months_places_and_near_misses()
    {
        screen.Open("/year");
        screen.Until(() => screen.Count("[data-month]") == 12, "the months");
        Assert.True(screen.Count("[data-place]") > 8);
        screen.Until(() => screen.Count("[data-miss]") >= 3, "the near misses");
        Assert.Empty(screen.Complaints());
    }

    [Fact]
    public void Ours_or_the_tables_is_one_button_and_the_sheet_takes_it_up()
    {
        screen.Open("/learning");
        screen.Until(() => screen.Count("[data-pull]") > 10 && screen.Count("[data-landing]") > 10, "the charts");
        screen.Click("[data-figure='aim'] label:first-of-type input");
        screen.Until(
            () => screen.Count("[data-figure='aim'] label:first-of-type input:checked") == 1,
            "ours to be used"
        );
        screen.Click("[data-figure='aim'] label:last-of-type input");
        screen.Until(
            () => screen.Count("[data-figure='aim'] label:last-of-type input:checked") == 1,
            "the table again"
        );
        screen.OpenJob("Lime");
        screen.Send("2");
        var planned = screen.Text("[data-plate]");
        screen.Until(() => screen.Count("[data-own='tree.pullFactor']") == 1, "our own figure");
        screen.Click("[data-own='tree.pullFactor'] label:first-of-type input");
        screen.Until(() => screen.Text("[data-plate]") != planned, "the pull to follow");
        screen.UntilSaved();
        screen.Chord(OpenQA.Selenium.Keys.Control, "z");
        screen.Until(() => screen.Text("[data-plate]") == planned, "undo");
        screen.Chord(OpenQA.Selenium.Keys.Control, "y");
        screen.Until(() => screen.Text("[data-plate]") != planned, "ours again");
        screen.UntilSaved();
        screen.ToBrief();
        screen.Until(
            () => screen.Text("[data-ours]").Contains("ours, from 5 pulls", StringComparison.Ordinal),
            "the brief to say so"
        );
        Assert.Empty(screen.Complaints());
    }

    [Fact]
    public void A_trial_goes_step_by_step_is_left_and_taken_up_again()
    {
        screen.Open("/learning");
        screen.Click("[data-begin='friction']");
        Choose("Turns round", "Small rescue-size pulley");
        screen.Type("Led by", "Ives");
        screen.Type("Name", "Bo");
        screen.Press("Add this guess");
        screen.Until(
            () => screen.Text("[role=dialog]").Contains("Give the guess", StringComparison.Ordinal),
            "what is missing"
        );
        screen.Type("Guess", "80 %");
        screen.Press("Add this guess");
        screen.Type("Scale, pulling up", "120 N");
        screen.Type("Scale, letting down", "130 N");
        screen.Press("Keep this step");
        screen.Until(
            () => screen.Text("[role=dialog]").Contains("changed over", StringComparison.Ordinal),
            "the refusal"
        );
        screen.Type("Scale, letting down", "90 N");
        screen.Press("Keep this step");
        screen.Until(() => screen.Count("[data-step]") == 1, "the step");
        screen.Press("Close");
        screen.Until(() => screen.Count("[role=dialog]") == 0, "it to close");
        var row = "[data-trial^='friction-']";
        Assert.Contains("passes on", screen.Text(row), StringComparison.Ordinal);
        screen.Run(
            "[...document.querySelectorAll(arguments[0] + ' button')].find(b => b.textContent === 'Go on').click()",
            row
        );
        screen.Press("Finish it");
        screen.Until(() => screen.Text("[data-found]").Contains("Bo", StringComparison.Ordinal), "the nearest guess");
        screen.Press("Close");
        screen.Until(() => screen.Count("[data-figure='turn.small-pulley']") == 1, "the figure");
        Assert.Empty(screen.Complaints());
    }

    [Fact]
    public void A_card_is_guessed_and_explained_and_a_knot_put_in_order_by_keys()
    {
        screen.Open("/practice");
        screen.Type("Who practises?", "Tove");
        screen.Until(() => screen.Count("[data-record]") == 14, "the record");
        screen.Press("Deal a card");
        screen.Until(() => screen.Count("[data-card='leanFromTwoViews']") == 1, "the first card");
        // Enter takes the figure and asks.
        screen.Type("Your guess", "40");
        screen.Until(() => screen.Count("[data-mark='wrong']") == 1, "the mark");
        Assert.Contains("tan", screen.Text("[data-mark]"), StringComparison.Ordinal);
        screen.Click("[data-topic='knotInOrder']");
        screen.Until(() => screen.Count("[data-order]") >= 3, "the steps");
        var first = screen.Attribute("[data-order]", "data-order");
        screen.Focus("[aria-label='Step 1 down']");
        screen.Send(OpenQA.Selenium.Keys.Enter);
        screen.Until(() => screen.Attribute("[data-order]", "data-order") != first, "the step to move");
        screen.Press("See");
        screen.Until(() => screen.Count("[data-mark]") == 1, "the mark");
        screen.Until(() => screen.Count("[data-person='Tove']") == 1, "the crew's list");
        Assert.Empty(screen.Complaints());
    }

    [Fact]
    public void A_piece_shows_its_life_and_its_label()
    {
        screen.Open("/locker/long-60");
        screen.Until(() => screen.Count("[data-life-use]") > 10, "its uses");
        Assert.True(screen.Count("[data-life-look]") >= 1);
        screen.Open("/register");
        screen.Until(() => screen.Count("[data-register]") > 20, "the register");
        screen.Open("/labels");
        screen.Until(() => screen.Count("[data-label] img") > 20, "the labels");
        screen.Click("[data-label='long-60']");
        Assert.Equal("false", screen.Attribute("[data-label='long-60']", "aria-pressed"));
        Assert.Empty(screen.Complaints());
    }

    private void OpenLog(string name)
    {
        var jobs = JsonNode
            .Parse(stage.Client.GetStringAsync(new Uri("/api/jobs", UriKind.Relative)).Result)!
            .AsArray();
        var id = (string)jobs.First(j => ((string)j!["name"]!).StartsWith(name, StringComparison.Ordinal))!["id"]!;
        screen.Open($"/jobs/{id}/log");
        screen.Until(() => screen.Count("[data-landing-pad]") == 1, "the log");
        screen.Type("Written by", "Runa");
    }

    private void Choose(string label, string option)
    {
        screen
            .Find(
                OpenQA.Selenium.By.XPath(
                    $"//label[.='{label}']/following-sibling::button | //label[.='{label}']/following-sibling::*//button"
                )
            )
            .Click();
        screen.Find(OpenQA.Selenium.By.XPath($"//*[@role='option'][contains(., '{option}')]")).Click();
    }

    private static string Repository()
    {
        var at = AppContext.BaseDirectory;
        while (!File.Exists(Path.Combine(at, "Draklo.slnx")))
        {
            at = Path.GetDirectoryName(at)!;
        }

        return at;
    }
}
