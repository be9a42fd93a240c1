using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Draklo.Browser.Tests.Support;

namespace Draklo.Browser.Tests;

/// <summary>axe-core finds nothing to complain of on the pages beside planning, in every state.</summary>
public sealed class AccessibilityTests(Stage stage) : IClassFixture<Stage>
{
    private readonly Screen screen = stage.Begin();

    [Fact]
    public void The_list_and_its_menu()
    {
        screen.Open();
        screen.Until(() => screen.Count("[data-job]") == 9, "the list");
        screen.NoViolations();
        screen.Click("[data-job^='Lime'] button");
        screen.Until(() => screen.Count("[role=menuitem]") == 5, "the menu");
        screen.NoViolations();
    }

    [Fact]
    public void The_locker_its_forms_and_the_knots()
    {
        screen.Open("/locker/loop-prusik");
        screen.Until(() => screen.Count("[data-gear]") > 10 && screen.Count("[data-piece]") == 1, "the locker");
        screen.NoViolations();
        foreach (var form in new[] { "Inspect", "Log a use", "Change", "Rules", "Add a piece" })
        {
            screen.Press(form);
            screen.Until(() => screen.Count("[role=dialog]") == 1, form);
            screen.NoViolations();
            screen.Press("Not now");
            screen.Until(() => screen.Count("[role=dialog]") == 0, "the form to close");
        }

        screen.Open("/knots");
        screen.Until(() => screen.Count("main svg[data-knot]") == 14, "the knots");
        screen.NoViolations();
        screen.Open("/knots/prusik");
        screen.Until(() => screen.Count("[data-entry]") == 1, "the prusik");
        screen.NoViolations();
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
        screen.NoViolations();
        screen.Click("[aria-label='Sign: Bo']");
        screen.Until(() => screen.Count("[role=dialog]") == 1, "the signature");
        screen.NoViolations();
        screen.Press("Not yet");
        screen.Press("Papers");
        screen.Until(() => screen.Count("[data-paper] svg") == 4, "the papers");
        screen.NoViolations();
        screen.Open("/crew");
        screen.Until(() => screen.Count("[data-person]") > 4, "the crew");
        screen.NoViolations();
        screen.Press("New person");
        screen.Until(() => screen.Count("[role=dialog]") == 1, "the form");
        screen.NoViolations();
        screen.Press("Leave it");
        screen.Click("[aria-label='Change PIN of Bo']");
        screen.Until(() => screen.Count("[role=dialog]") == 1, "the PIN");
        screen.NoViolations();
        screen.Open();
        screen.Press("New job");
        screen.Until(() => screen.Count("[role=dialog] li") > 3, "where from");
        screen.NoViolations();
        screen.Press("From nothing");
        screen.Until(() => screen.Count("[data-guide]") == 1, "the cards");
        screen.NoViolations();
        screen.Press("Skip");
        if (width < 1000)
        {
            screen.Press("All steps");
        }

        screen.Click("[data-missing]");
        screen.Until(() => screen.Count("[data-missing-bar]") == 1, "what is missing");
        screen.NoViolations();
        screen.Click("header button[title='Name, place and day']");
        screen.Until(() => screen.Count("[role=dialog]") == 1, "this job");
        screen.NoViolations();
    }

    [Theory]
    [InlineData(1280, 800)]
    [InlineData(390, 844)]
    public async Task This_device_sharing_out_of_reach_and_two_versions_to_settle(int width, int height)
    {
        screen.Resize(width, height);
        screen.Open("/sharing");
        screen.NoViolations();
        screen.Open("/tablet");
        screen.Until(() => screen.Count("[data-along]") == 1, "what is on this device");
        screen.NoViolations();
        screen.OpenJob("Lime");
        screen.InReach(false);
        screen.Type("Seat above ground", "12");
        screen.Until(() => screen.Count("[data-reach='away']") == 1, "word that Draklo is offline");
        screen.NoViolations();
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
        screen.NoViolations();
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
        screen.NoViolations();
        screen.Open("/year");
        screen.Until(() => screen.Count("[data-month]") == 12, "the year");
        screen.NoViolations();
        screen.Open("/learning");
        screen.Until(() => screen.Count("[data-figure]") > 5, "the figures");
        screen.Press("what it rests on");
        screen.NoViolations();
        screen.Click("[data-begin='friction']");
        screen.Until(() => screen.Count("[role=dialog]") == 1, "the trial");
        screen.NoViolations();
        screen.Open("/practice");
        screen.Type("Who practises?", "Tove");
        foreach (var topic in new[] { "countingLegs", "whichAnchor", "knotInOrder", "whereTheTipLands" })
        {
            screen.Click($"[data-topic='{topic}']");
            screen.Until(() => screen.Count($"[data-card='{topic}']") == 1, "the card");
            screen.NoViolations();
        }

        screen.Open("/register");
        screen.Until(() => screen.Count("[data-register]") > 20, "the register");
        screen.NoViolations();
        screen.Open("/labels");
        screen.Until(() => screen.Count("[data-label] img") > 20, "the labels");
        screen.NoViolations();
    }

    [Theory]
    [InlineData(1280, 800)]
    [InlineData(390, 844)]
    public void The_day_by_the_tree(int width, int height)
    {
        screen.Resize(width, height);
        screen.Open($"/jobs/{stage.Issued("Birch")}/day");
        screen.Until(() => screen.Count("[data-answer]") == 1, "the day");
        screen.NoViolations();
        screen.Press("Runa");
        foreach (var step in new[] { "slack out", "bed test", "floor" })
        {
            screen.Press($"Go on: {step}");
            screen.Until(
                () => screen.Count("[role=dialog]") == 1 || screen.Text("[aria-current=step]") == step,
                "the step, or the question why"
            );
            if (screen.Count("[role=dialog]") == 1)
            {
                screen.NoViolations();
                screen.Type("Because", "for the test");
                screen.Press("Go on");
            }

            screen.Until(() => screen.Text("[aria-current=step]") == step, "the step");
            screen.NoViolations();
        }

        foreach (var way in new[] { "pluck and count", "the seat dropped" })
        {
            screen.Run(
                "[...document.querySelectorAll('.day-page button')].find(b => b.textContent.includes(arguments[0])).click()",
                way
            );
            screen.Until(() => screen.Count("[role=dialog]") == 1, "the dialog");
            screen.NoViolations();
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
        screen.NoViolations();
        screen.Click("[aria-label='Who are you?'] button");
        screen.Press("Go on: clear");
        screen.Until(() => screen.Count("[data-moved]") == 1, "the loads");
        screen.Press("Load 1 is there");
        screen.Until(() => screen.Count("[data-moved='1']") == 1, "the first");
        screen.NoViolations();
    }
}
