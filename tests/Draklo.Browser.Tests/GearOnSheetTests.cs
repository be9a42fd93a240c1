using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Draklo.Browser.Tests.Support;
using OpenQA.Selenium;

namespace Draklo.Browser.Tests;

/// <summary>Gear, redirects, ties, drum and load cell on the sheet.</summary>
public sealed class GearOnSheetTests(Stage stage) : IClassFixture<Stage>
{
    private readonly Screen screen = stage.Begin();

    [Fact]
    public async Task A_rope_of_the_locker_is_hung_with_its_figures_and_a_retired_one_stops_the_plan()
    {
        screen.OpenJob("Lime");
        Choose("From the locker", "Hill line");
        screen.Until(
            () => screen.ValueOf("Rope length") == "80" && screen.ValueOf("Breaking strength") == "40",
            "the rope's figures"
        );
        Assert.Equal("95", screen.ValueOf("Worn to"));
        screen.UntilSaved();
        screen.Chord(Keys.Control, "z");
        screen.Until(() => screen.ValueOf("Rope length") == "60", "undo to hang the first one again");
        Choose("From the locker", "Springy line");
        screen.Until(
            () => screen.Attribute("[aria-label='Breaking strength: guess']", "data-guess") == "true",
            "the estimate to stay marked as a guess"
        );

        var client = stage.Client;
        await client.PostAsJsonAsync(
            "/api/locker/items/nylon-45/inspections",
            JsonNode.Parse("{\"on\":\"2026-11-01\",\"by\":\"Mette\",\"findings\":[\"cut\"],\"outcome\":\"retire\"}")
        );
        screen.Focus("[data-handle='seat-main']");
        screen.Send(Keys.ArrowUp);
        screen.Until(() => screen.Attribute("[data-verdict]", "data-verdict") == "stop", "the plan to stop");
        Assert.Contains("Springy line is retired (cut", screen.Text("[data-summary]"), StringComparison.Ordinal);

        // The core in the browser was told how the locker's pieces stand, and goes on saying it without the server.
        screen.UntilSaved();
        screen.TakeAlong();
        screen.OpenJob("Lime");
        screen.Until(() => screen.Attribute("[data-verdict]", "data-verdict") == "stop", "the plan to stop again");
        var before = screen.Text("[data-figure='needed-tension']");
        stage.App.Kill();
        try
        {
            screen.Focus("[data-handle='seat-main']");
            screen.Send(Keys.ArrowUp);
            screen.Until(() => screen.Text("[data-figure='needed-tension']") != before, "figures without the server");
            Assert.Contains("Springy line is retired (cut", screen.Text("[data-summary]"), StringComparison.Ordinal);
        }
        finally
        {
            stage.App.Start();
        }
    }

    [Fact]
    public void A_redirect_is_added_dragged_and_taken_away()
    {
        screen.OpenJob("Lime");
        screen.Send("5");
        screen.Until(() => screen.Count("[data-figure='main.hand-force']") == 1, "the station");
        var straight = Number("[data-figure='main.hand-force']");
        screen.Press("Add a redirect");
        screen.Until(
            () => screen.Count("[data-handle='redirect-main-0']") == 1 && screen.Count("[data-redirect-force]") == 1,
            "the redirect on the plan"
        );
        screen.Until(() => Number("[data-figure='main.hand-force']") > straight * 1.05, "the friction to be paid for");
        Assert.Equal(1, screen.Count("[data-link='main.redirect-1-anchor']"));
        var force = Number("[data-figure='main.redirect-1']");
        screen.Drag("[data-handle='site-anchor-main']", 120, 160);
        screen.Until(
            () => Math.Abs(Number("[data-figure='main.redirect-1']") - force) > 0.05,
            "the force to follow the anchor"
        );
        screen.Focus("[data-handle='redirect-main-0']");
        var before = screen.ValueOf("Level distance");
        screen.Send(Keys.ArrowRight);
        screen.Until(
            () =>
                screen.ValueOf("Level distance") != before
                || screen.Attribute("[data-handle='redirect-main-0']", "aria-valuenow") != "30",
            "the redirect to follow the key"
        );
        screen.Press("Take it away");
        screen.Until(() => screen.Count("[data-handle='redirect-main-0']") == 0, "the redirect to go");
        Assert.Empty(screen.Complaints());
    }

    [Fact]
    public void A_base_tie_shows_what_the_union_bears_and_a_limb_is_checked()
    {
        screen.OpenJob("Lime");
        screen.Press("Base tie");
        screen.Until(() => screen.Count("[data-figure='main.seat-force']") == 1, "the force on the union");
        Assert.True(Number("[data-figure='main.seat-force']") > 1.5 * Number("[data-figure='planned-tension']"));
        screen.Press("Limb");
        screen.Until(() => screen.Count("[data-link='main.limb']") == 1, "the limb to be checked");
        screen.Type("Limb at its union", "6 cm");
        screen.Until(() => screen.Attribute("[data-link='main.limb']", "data-state") == "fails", "a thin limb to fail");
        screen.Click("[data-link='main.limb']");
        screen.Until(
            () => screen.Text("[data-remedies]").Contains("on the stem itself", StringComparison.Ordinal),
            "what would make it hold"
        );
        screen.Press("Undo");
        screen.Until(() => screen.Attribute("[data-link='main.limb']", "data-state") == "holds", "undo");
    }

    [Fact]
    public void A_machine_without_a_drum_is_warned_of_and_a_remedy_puts_one_on()
    {
        screen.OpenJob("Lime");
        screen.Send("5");
        screen.Find(By.XPath("//aside//button[starts-with(normalize-space(.), 'People')]")).Click();
        screen.Find(By.XPath("//*[@role='option'][starts-with(., 'Machine')]")).Click();
        screen.Until(
            () => screen.Attribute("[data-verdict]", "data-verdict") == "stop",
            "a machine that can break the rope"
        );
        screen.Type("Machine or winch keeps up", "7 kN");
        screen.Click("[data-link='main.knot']");
        screen.Until(() => screen.Count("[data-remedies] li") > 0, "the remedies");
        var drum = screen.Find(By.XPath("//*[@data-remedies]//button[contains(., 'friction turn')]"));
        drum.Click();
        screen.Until(
            () =>
                screen.Attribute("[data-link='main.knot']", "data-state") == "holds"
                && screen.Count("[data-link='main.limiter']") == 1,
            "the drum"
        );
        screen.Press("Close");
        screen.Until(() => screen.Count("[data-turns] tbody tr") >= 5, "every number of turns");
        screen.Chord(Keys.Control, "z");
        screen.Until(() => screen.Count("[data-link='main.limiter']") == 0, "undo to take it off");
    }

    [Fact]
    public void A_policy_is_taken_changed_and_kept_under_a_name()
    {
        screen.OpenJob("Lime");
        screen.Send("7");
        screen.Until(
            () => screen.Text("aside").Contains("House factors", StringComparison.Ordinal),
            "the plan's policy"
        );
        var use = screen.Text("[data-link='main.rope']");
        screen.Find(By.XPath("//aside//button[contains(., 'House factors')]")).Click();
        screen.Find(By.XPath("//*[@role='option'][contains(., 'Near people or water')]")).Click();
        screen.Until(() => screen.ValueOf("Factor for ropes") == "7", "the stricter one");
        screen.Until(() => screen.Text("[data-link='main.rope']") != use, "the links to follow");
        screen.Type("Factor for ropes", "8");
        screen.Until(
            () => screen.Text("aside").Contains("changed here", StringComparison.Ordinal),
            "the change to be told"
        );
        screen.Press("Keep it as a policy");
        screen.Type("Name", "Chapel lane", "");
        screen.Press("Keep them");
        screen.Until(
            () => screen.Text("[role=dialog]").Contains("Say who sets", StringComparison.Ordinal),
            "who sets it"
        );
        screen.Type("Set by", "Jory", "");
        screen.Press("Keep them");
        screen.Until(
            () =>
                screen.Count("[role=dialog]") == 0
                && screen.Text("aside").Contains("Set by Jory", StringComparison.Ordinal),
            "the policy"
        );
    }

    [Fact]
    public void The_tackle_is_drawn_and_hauled_to_commit_by_space_and_by_hand()
    {
        screen.OpenJob("Lime");
        screen.Send("5");
        screen.Send("t");
        screen.Until(
            () => screen.Count("[data-tackle] [data-leg]") == 5 && screen.Count("[data-friction] rect") == 5,
            "five legs and four turns"
        );
        Assert.Contains("set 1 of 1 · hauled 0 m", screen.Text("[data-haul]"), StringComparison.Ordinal);
        screen.Type("Blocks start apart", "1.4 m");
        screen.Until(
            () => screen.Text("[data-haul]").Contains("of 5", StringComparison.Ordinal),
            "five sets of a tackle that starts nearly closed"
        );
        screen.Focus("[data-handle='haul']");
        screen.Chord(Keys.Shift, Keys.ArrowRight);
        screen.Until(() => screen.Count("[data-reset]") == 1, "the blocks to meet");
        Assert.Contains("put a grip or turns on the line first", screen.Text("[data-reset]"), StringComparison.Ordinal);
        screen.Press("Next step");
        Assert.Contains("Hands clear", screen.Text("[data-reset]"), StringComparison.Ordinal);
        screen.Press("Haul");
        screen.Until(
            () => screen.Text("[data-haul]").Contains("set 2 of", StringComparison.Ordinal),
            "the reset to be played and the second set to begin"
        );
        screen.Press("Stop");
        screen.Press("Open it");
        screen.Until(
            () => screen.Text("[data-haul]").Contains("hauled 0 m", StringComparison.Ordinal),
            "the tackle to be opened"
        );
        Assert.Empty(screen.Complaints());
    }

    [Fact]
    public void The_rig_finder_shows_the_ten_best_and_one_is_taken_and_undone()
    {
        screen.OpenJob("Lime");
        screen.Send("5");
        screen.Type("People there", "3");
        screen.Press("Find the best rig");
        screen.Until(() => screen.Count("[data-rigs] [data-rig]") > 2, "what was found");
        Assert.Contains("Estimates, not promises", screen.Text("[role=dialog]"), StringComparison.Ordinal);
        Assert.Contains("three people", screen.Text("[data-rigs]"), StringComparison.Ordinal);
        Assert.DoesNotContain("null", screen.Text("[role=dialog]"), StringComparison.Ordinal);
        var hands = screen.Text("[data-figure='main.hand-force']");
        screen.Click("[aria-label='Take rig 1']");
        screen.Until(
            () => screen.Count("[role=dialog]") == 0 && screen.Text("[data-figure='main.hand-force']") != hands,
            "the plan to take it"
        );
        Assert.NotEqual("stop", screen.Attribute("[data-verdict]", "data-verdict"));
        screen.Chord(Keys.Control, "z");
        screen.Until(() => screen.Text("[data-figure='main.hand-force']") == hands, "undo");
        Assert.Empty(screen.Complaints());
    }

    [Fact]
    public void What_to_measure_better_stands_by_the_load_path_and_in_the_reasons()
    {
        screen.OpenJob("Lime");
        screen.Until(() => screen.Count("[data-measure-better]") == 1, "what to measure better");
        // Fonts that come move the row.
        screen.Settle();
        screen.Click("[data-verdict] button");
        screen.Until(() => screen.Count("[data-chances] tbody tr") == 5, "the five that matter most");
        Assert.Contains("Nine times in ten", screen.Text("[data-chances]"), StringComparison.Ordinal);
    }

    private double Number(string css) => double.Parse(screen.Text(css).Split(' ')[0]);

    private void Choose(string label, string piece)
    {
        screen.Type(label, piece, "");
        screen.Find(By.XPath($"//*[@role='option'][contains(., '{piece}')]")).Click();
    }
}
