using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Draklo.Browser.Tests.Support;

namespace Draklo.Browser.Tests;

/// <summary>axe-core finds nothing to complain of, in every state of the screens.</summary>
public sealed class AccessibilityTests(Stage stage) : IClassFixture<Stage>
{
    private static readonly string Axe = ReadAxe();
    private readonly Screen screen = stage.Begin();

    [Fact]
    public void The_list_and_its_menu()
    {
        screen.Open();
        screen.Until(() => screen.Count("[data-job]") == 9, "the list");
        NoViolations();
        screen.Click("[data-job^='Lime'] button");
        screen.Until(() => screen.Count("[role=menuitem]") == 5, "the menu");
        NoViolations();
    }

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
                NoViolations();
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
        NoViolations();
        screen.Send("2");
        screen.Press("Correct it for this crew");
        screen.Until(() => screen.Count("[role=dialog]") == 1, "the species");
        NoViolations();
        screen.Press("Leave it");
        screen.Press("The day's forecast");
        screen.Until(() => screen.Count("aside table") == 1, "the forecast");
        screen.Press("Sections");
        screen.Until(() => screen.Count("[data-handle='section-0']") == 1, "the sections");
        NoViolations();
    }

    [Fact]
    public void Workings_reasons_keys_and_refusals()
    {
        screen.OpenJob("Lime");
        screen.Click("[data-working='needed-tension']");
        screen.Until(() => screen.Count("[data-open-working]") == 1, "the workings");
        NoViolations();
        screen.Click("[data-link='main.hands']");
        screen.Until(() => screen.Count("[data-remedies] li") > 0, "the remedies");
        NoViolations();
        screen.Press("Close");
        screen.Send("b");
        screen.Until(
            () => screen.Count("svg[aria-label^='Bending']") == 1 && screen.Count("[data-handle='seat-chart']") == 1,
            "the stem"
        );
        NoViolations();
        screen.Type("Seat above ground", "25");
        screen.Until(() => screen.Count("[data-old]") == 1, "the refusal");
        NoViolations();
        screen.Press("Undo");
        screen.Until(() => screen.Count("[data-old]") == 0, "the undo");
        screen.Click("[data-verdict] button");
        screen.Until(
            () => screen.Text("body").Contains("Estimates, not promises", StringComparison.Ordinal),
            "the cautions"
        );
        NoViolations();
        screen.Send(OpenQA.Selenium.Keys.Escape);
        screen.Click("aside [aria-haspopup='listbox']");
        screen.Until(() => screen.Count("[role=option]") > 3, "the list of knots");
        NoViolations();
        screen.Send(OpenQA.Selenium.Keys.Escape);
        screen.Focus("nav button");
        screen.Send("?");
        screen.Until(() => screen.Count("[role=dialog]") == 1, "the keys");
        Assert.Contains("Redo", screen.Text("[role=dialog]"), StringComparison.Ordinal);
        NoViolations();
    }

    [Fact]
    public void The_locker_its_forms_and_the_knots()
    {
        screen.Open("/locker/loop-prusik");
        screen.Until(() => screen.Count("[data-gear]") > 10 && screen.Count("[data-piece]") == 1, "the locker");
        NoViolations();
        foreach (var form in new[] { "Inspect", "Log a use", "Change", "Rules", "Add a piece" })
        {
            screen.Press(form);
            screen.Until(() => screen.Count("[role=dialog]") == 1, form);
            NoViolations();
            screen.Press("Not now");
            screen.Until(() => screen.Count("[role=dialog]") == 0, "the form to close");
        }

        screen.Open("/knots");
        screen.Until(() => screen.Count("main svg[data-knot]") == 14, "the knots");
        NoViolations();
        screen.Open("/knots/prusik");
        screen.Until(() => screen.Count("[data-entry]") == 1, "the prusik");
        NoViolations();
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
        NoViolations();
        screen.Press("Find the best rig");
        screen.Until(() => screen.Count("[role=dialog]") == 1, "what was found");
        NoViolations();
    }

    [Fact]
    public void The_composer_by_stages_and_rope_by_rope_and_what_holds()
    {
        screen.OpenJob("Lime");
        screen.Send("5");
        screen.Send("t");
        screen.Find(OpenQA.Selenium.By.XPath("//label[.='System']/following-sibling::button")).Click();
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
        NoViolations();
        screen.Press("Go on rope by rope");
        screen.Until(() => screen.Count("[data-rope-row]") == 2, "its ropes");
        NoViolations();
        screen.Press("Keep it for the crew");
        screen.Until(() => screen.Count("[role=dialog]") == 1, "the form to keep it");
        NoViolations();
    }

    [Theory]
    [InlineData(1280, 800)]
    [InlineData(390, 844)]
    public void The_brief_its_dialogs_the_papers_the_crew_and_a_new_job(int width, int height)
    {
        screen.Resize(width, height);
        screen.OpenJob("Birch");
        screen.ToBrief();
        screen.Until(() => screen.Count("[data-brief] [data-brief-plan]") == 1, "the brief");
        NoViolations();
        screen.Click("[aria-label='Sign: Bo']");
        screen.Until(() => screen.Count("[role=dialog]") == 1, "the signature");
        NoViolations();
        screen.Press("Not yet");
        screen.Press("Papers");
        screen.Until(() => screen.Count("[data-paper] svg") == 4, "the papers");
        NoViolations();
        screen.Open("/crew");
        screen.Until(() => screen.Count("[data-person]") > 4, "the crew");
        NoViolations();
        screen.Press("New person");
        screen.Until(() => screen.Count("[role=dialog]") == 1, "the form");
        NoViolations();
        screen.Press("Leave it");
        screen.Click("[aria-label='Change PIN of Bo']");
        screen.Until(() => screen.Count("[role=dialog]") == 1, "the PIN");
        NoViolations();
        screen.Open();
        screen.Press("New job");
        screen.Until(() => screen.Count("[role=dialog] li") > 3, "where from");
        NoViolations();
        screen.Press("From nothing");
        screen.Until(() => screen.Count("[data-guide]") == 1, "the cards");
        NoViolations();
        screen.Press("Skip");
        if (width < 1000)
        {
            screen.Press("All steps");
        }

        screen.Click("[data-missing]");
        screen.Until(() => screen.Count("[data-missing-bar]") == 1, "what is missing");
        NoViolations();
        screen.Click("header button[title='Name, place and day']");
        screen.Until(() => screen.Count("[role=dialog]") == 1, "this job");
        NoViolations();
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
            NoViolations();
        }

        foreach (var panel in new[] { "Pieces", "Ground", "Gear", "People" })
        {
            screen.Press(panel);
            NoViolations();
        }

        screen.Press("From above");
        NoViolations();
        screen.Click("header a[href$='/brief']");
        screen.Until(() => screen.Count("[data-brief-clearing] svg") >= 2, "the page");
        NoViolations();
    }

    [Theory]
    [InlineData(1280, 800)]
    [InlineData(390, 844)]
    public async Task This_device_sharing_out_of_reach_and_two_versions_to_settle(int width, int height)
    {
        screen.Resize(width, height);
        screen.Open("/sharing");
        NoViolations();
        screen.Open("/tablet");
        screen.Until(() => screen.Count("[data-along]") == 1, "what is on this device");
        NoViolations();
        screen.OpenJob("Lime");
        screen.InReach(false);
        screen.Type("Seat above ground", "12");
        screen.Until(() => screen.Count("[data-reach='away']") == 1, "word that Draklo is out of reach");
        NoViolations();
        var jobs = (await stage.Client.GetFromJsonAsync<JsonArray>("/api/jobs"))!;
        var id = (string)jobs.First(j => ((string)j!["name"]!).StartsWith("Lime", StringComparison.Ordinal))!["id"]!;
        var job = (await stage.Client.GetFromJsonAsync<JsonObject>($"/api/jobs/{id}"))!;
        job["plan"]!["lines"]![0]!["seat"]!["heightM"] = 14;
        using var request = new HttpRequestMessage(HttpMethod.Put, $"/api/jobs/{id}")
        {
            Content = JsonContent.Create(
                new JsonObject { ["name"] = job["name"]!.DeepClone(), ["plan"] = job["plan"]!.DeepClone() }
            ),
        };
        request.Headers.TryAddWithoutValidation("If-Match", $"\"{job["revision"]}\"");
        (await stage.Client.SendAsync(request)).EnsureSuccessStatusCode();
        screen.InReach(true);
        screen.Until(() => screen.Count("[data-clash]") == 1, "the clash to be shown");
        NoViolations();
    }

    [Theory]
    [InlineData(1280, 800)]
    [InlineData(390, 844)]
    public void Looking_back_the_year_learning_practice_register_and_labels(int width, int height)
    {
        screen.Resize(width, height);
        screen.Open($"/jobs/{stage.Issued("Birch")}/log");
        screen.Until(() => screen.Count("[data-landing-pad]") == 1, "the log");
        screen.Press("Add a near miss");
        NoViolations();
        screen.Open("/year");
        screen.Until(() => screen.Count("[data-month]") == 12, "the year");
        NoViolations();
        screen.Open("/learning");
        screen.Until(() => screen.Count("[data-figure]") > 5, "the figures");
        screen.Press("what it rests on");
        NoViolations();
        screen.Click("[data-begin='friction']");
        screen.Until(() => screen.Count("[role=dialog]") == 1, "the trial");
        NoViolations();
        screen.Open("/practice");
        screen.Type("Who practises?", "Tove");
        foreach (var topic in new[] { "countingLegs", "whichAnchor", "knotInOrder", "whereTheTipLands" })
        {
            screen.Click($"[data-topic='{topic}']");
            screen.Until(() => screen.Count($"[data-card='{topic}']") == 1, "the card");
            NoViolations();
        }

        screen.Open("/register");
        screen.Until(() => screen.Count("[data-register]") > 20, "the register");
        NoViolations();
        screen.Open("/labels");
        screen.Until(() => screen.Count("[data-label] img") > 20, "the labels");
        NoViolations();
    }

    [Theory]
    [InlineData(1280, 800)]
    [InlineData(390, 844)]
    public void The_day_by_the_tree(int width, int height)
    {
        screen.Resize(width, height);
        screen.Open($"/jobs/{stage.Issued("Birch")}/day");
        screen.Until(() => screen.Count("[data-answer]") == 1, "the day");
        NoViolations();
        screen.Press("Runa");
        foreach (var step in new[] { "slack out", "bed test", "floor" })
        {
            screen.Press($"Go on: {step}");
            if (screen.Count("[role=dialog]") == 1)
            {
                NoViolations();
                screen.Type("Because", "for the test");
                screen.Press("Go on");
            }

            screen.Until(() => screen.Text("[aria-current=step]") == step, "the step");
            NoViolations();
        }

        foreach (var way in new[] { "pluck and count", "the seat dropped" })
        {
            screen.Run(
                "[...document.querySelectorAll('.day-page button')].find(b => b.textContent.includes(arguments[0])).click()",
                way
            );
            screen.Until(() => screen.Count("[role=dialog]") == 1, "the dialog");
            NoViolations();
            screen.Press("Leave it");
            screen.Until(() => screen.Count("[role=dialog]") == 0, "it to close");
        }
    }

    [Theory]
    [InlineData(1280, 800)]
    [InlineData(390, 844)]
    public void The_day_of_loads(int width, int height)
    {
        screen.Resize(width, height);
        screen.Open($"/jobs/{stage.Issued("Poplar stem")}/day");
        screen.Until(() => screen.Count("[data-answer]") == 1, "the day");
        NoViolations();
        screen.Click("[aria-label='Who are you?'] button");
        screen.Press("Go on: clear");
        screen.Until(() => screen.Count("[data-moved]") == 1, "the loads");
        screen.Press("Load 1 is there");
        screen.Until(() => screen.Count("[data-moved='1']") == 1, "the first");
        NoViolations();
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
            NoViolations();
        }
    }

    private void NoViolations()
    {
        screen.Run(Axe);
        var found = (string)
            screen.RunAsync(
                """
                const done = arguments[arguments.length - 1];
                axe.run(document, { resultTypes: ['violations'] }).then(
                  r => done(r.violations.map(v => v.id + ': ' + v.help + ' — ' + v.nodes.slice(0, 3).map(n => n.html + ' ' + n.failureSummary).join(' | ')).join('\n')),
                  e => done('axe failed: ' + e));
                """
            )!;
        Assert.True(found.Length == 0, found);
    }

    private static string ReadAxe()
    {
        using var stream = typeof(AccessibilityTests).Assembly.GetManifestResourceStream("axe.min.js")!;
        return new StreamReader(stream).ReadToEnd();
    }
}
