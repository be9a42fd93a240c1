using Draklo.Browser.Tests.Support;
using OpenQA.Selenium;

namespace Draklo.Browser.Tests;

/// <summary>The evening before: a new job, today's kit, five measures, what is missing, people and time.</summary>
public sealed class EveningTests(Stage stage) : IClassFixture<Stage>
{
    private readonly Screen screen = stage.Begin();
    private int touches;

    /// <summary>Every click and every key counts.</summary>
    [Fact]
    public void From_a_new_job_to_a_first_verdict_takes_at_most_forty_clicks_and_keys()
    {
        screen.Open();
        Click("header button:last-of-type");
        screen.Find(By.CssSelector("[role=dialog]"));
        Press("From nothing");
        screen.Find(By.CssSelector("[data-guide]"));
        Press("Skip");
        Keys("2");
        Fill("Height", "19");
        Fill("Breast diameter", "44");
        Fill("Lean off plumb", "4");
        Fill("Lean toward", "255");
        Click("[data-station='Anchor and tackle']");
        Fill("Level distance", "32");
        screen.Until(
            () => !screen.Text("[data-summary]").Contains("Nothing is measured", StringComparison.Ordinal),
            "a verdict on measured figures"
        );
        Assert.InRange(touches, 20, 40);
    }

    [Fact]
    public void The_cards_of_a_first_job_lead_through_the_stations_and_come_once()
    {
        screen.Open();
        screen.Press("New job");
        screen.Press("From nothing");
        for (var card = 1; card <= 6; card++)
        {
            screen.Until(() => screen.Attribute("[data-guide]", "data-guide") == $"{card}", $"card {card}");
            screen.Press(card < 6 ? "Next" : "Begin");
        }

        screen.Until(() => screen.Count("[data-guide]") == 0, "the cards to be gone");
        Assert.Equal("People", screen.Text("aside h2"));
        screen.Open();
        screen.Press("New job");
        screen.Press("From nothing");
        screen.Find(By.CssSelector("[data-verdict]"));
        Assert.Equal(0, screen.Count("[data-guide]"));
    }

    [Fact]
    public void What_is_missing_leads_from_one_open_point_to_the_next()
    {
        screen.Open();
        screen.Press("New job");
        screen.Press("From nothing");
        screen.Press("Skip");
        Assert.True(Open() > 10);
        screen.Click("nav [data-missing]");
        screen.Until(
            () => screen.Text("[data-missing-bar]").Contains($"1 of {Open()}.", StringComparison.Ordinal),
            "the first"
        );
        Assert.Equal("Walk up", screen.Text("aside h2"));
        screen.Press("Next");
        screen.Until(
            () => screen.Text("[data-missing-bar]").Contains($"2 of {Open()}.", StringComparison.Ordinal),
            "the next"
        );
        screen.Press("Close");
        Assert.Equal(0, screen.Count("[data-missing-bar]"));

        // A demo job is nearly whole: what is settled leaves the list.
        screen.OpenJob("Side-leaner");
        var before = int.Parse(screen.Attribute("nav [data-missing]", "data-missing")!);
        screen.Send("8");
        screen.Type("Meet at", "the lychgate");
        screen.Until(() => screen.Attribute("nav [data-missing]", "data-missing") == $"{before - 1}", "one point less");
    }

    private int Open() => int.Parse(screen.Attribute("nav [data-missing]", "data-missing")!);

    [Fact]
    public void Badges_say_what_is_open_at_a_station()
    {
        screen.OpenJob("Lime");
        screen.Send("1");
        screen.Find(By.CssSelector("[data-walk] input")).Click();
        screen.Until(
            () => screen.Attribute("[data-station='Walk up'] [data-open]", "data-open") == "1 to tick",
            "the open tick"
        );
        screen.Click("[data-station='Cuts']");
        screen.Type("Hinge thickness", "90 cm");
        screen.Until(
            () =>
                screen
                    .Attribute("[data-station='Cuts'] [data-open]", "data-open")!
                    .Contains("1 to mend", StringComparison.Ordinal),
            "the problem"
        );
    }

    [Fact]
    public void Todays_kit_is_chosen_once_and_offered_first()
    {
        screen.Open("/locker");
        screen.Press("Today's kit");
        screen.Click("[data-gear='hill-80'] button");
        screen.Click("[data-gear='bearing-blocks'] button");
        screen.Until(
            () => screen.Text("header").Contains("Today's kit · 2", StringComparison.Ordinal),
            "two pieces on the truck"
        );
        screen.Press("Done");
        Assert.Contains("on the truck", screen.Text("[data-gear='hill-80']"), StringComparison.Ordinal);
        screen.OpenJob("Lime");
        screen.Find(By.XPath("//aside//label[.='From the locker']/following-sibling::input")).Click();
        screen.Until(() => screen.Count("[role=option]") > 2, "the pieces");
        Assert.Contains("Hill line", screen.Text("[role=option]:nth-of-type(2)"), StringComparison.Ordinal);
        Assert.Contains("on the truck today", screen.Text("[role=option]:nth-of-type(2)"), StringComparison.Ordinal);
        screen.Send(OpenQA.Selenium.Keys.Escape);
        screen.Click("[data-station='Anchor and tackle']");
        screen.Find(By.XPath("//label[contains(., 'Only what is on the truck today')]//input"));
        screen.Press("Find the best rig");
        screen.Until(() => screen.Count("[data-rigs] [data-rig]") > 0, "rigs from the truck alone");
        Assert.DoesNotContain("Long line", screen.Text("[data-rigs]"), StringComparison.Ordinal);
    }

    [Fact]
    public void People_are_put_on_the_job_and_dragged_to_their_places()
    {
        screen.OpenJob("Spruce");
        screen.Send("8");
        screen.Click("[data-add='wenna']");
        screen.Until(() => screen.Count("[data-handle='person-0']") == 1, "Wenna on the plan");
        Assert.Contains("a place worked out", screen.Text("[data-crew='Wenna']"), StringComparison.Ordinal);
        screen.Drag("[data-handle='person-0']", 24, 8);
        screen.Until(
            () => screen.Text("[data-crew='Wenna']").Contains("as given", StringComparison.Ordinal),
            "the new place"
        );

        // Set under the fall by the keys, it is a stop.
        screen.Run("document.querySelector('[data-handle=lay]').scrollIntoView()");
        screen.Until(() => screen.Count("[data-stands]") == 1, "where she stands");
        screen.Press("Work it out again");
        screen.Until(
            () => screen.Text("[data-crew='Wenna']").Contains("a place worked out", StringComparison.Ordinal),
            "the place worked out"
        );
    }

    [Fact]
    public void The_day_is_drawn_against_the_clock_and_follows_the_crews_own_minutes()
    {
        screen.OpenJob("Birch");
        screen.Send("9");
        screen.Find(By.CssSelector("[data-finish]"));
        screen.Find(By.CssSelector("[data-day-chart]"));
        var before = screen.Text("[data-finish]");
        screen.Click("[data-task='tackle'] button");
        screen.Type("Likely", "90");
        screen.Until(() => screen.Text("[data-finish]") != before, "another finish");
        Assert.Contains("–90–", screen.Text("[data-task='tackle']"), StringComparison.Ordinal);
        screen.Find(By.XPath("//aside//summary[normalize-space(.)='Comes after']")).Click();
        screen.Find(By.XPath("//aside//details//label[contains(., 'Throw and set')]//input")).Click();
        screen.Until(
            () => screen.Text("[data-task='tackle']").Contains("09:00", StringComparison.Ordinal),
            "the tackle to wait for the throw"
        );
        screen.Type("Wage, a person an hour", "1000000000");
        screen.Until(
            () => screen.Text("aside").Contains("“Wage, a person an hour” must lie between", StringComparison.Ordinal),
            "a wage that nobody pays to be refused"
        );
        screen.Type("Wage, a person an hour", "28");
        screen.Type("Begins at", "8");
        screen.Until(
            () => screen.Text("aside").Contains("hours and minutes, as in 08:00", StringComparison.Ordinal),
            "the refusal at its field"
        );
        Assert.Equal(1, screen.Count("[data-finish]"));
    }

    [Fact]
    public void Two_versions_are_compared_in_words()
    {
        screen.OpenJob("Lime");
        screen.Send("6");
        screen.Type("Hinge thickness", "5 cm");
        screen.UntilSaved();
        screen.Until(
            () => screen.Text("header").Contains("revision 2", StringComparison.Ordinal),
            "the second revision"
        );
        screen.Click("header button[title='Name, place and day']");
        screen.Click("[data-revisions] summary");
        screen.Click("[aria-label='What changed in version 1']");
        screen.Until(
            () => screen.Text("[data-comparison]").Contains("Hinge thickness: 4.5 cm → 5 cm", StringComparison.Ordinal),
            "what changed"
        );
        screen.Click("[aria-label='Look at version 1']");
        screen.Until(
            () => screen.Text("[data-since]").Contains("Hinge thickness: 4.5 cm → 5 cm", StringComparison.Ordinal),
            "the old version and what changed since"
        );
        Assert.Equal(0, screen.Count("[role=slider]"));
        screen.Press("Bring it back");
        screen.Until(
            () => screen.Text("header").Contains("revision 3", StringComparison.Ordinal),
            "the old one as the newest"
        );
    }

    private void Click(string css)
    {
        screen.Click(css);
        touches++;
    }

    private void Press(string text)
    {
        screen.Press(text);
        touches++;
    }

    private void Keys(string keys)
    {
        screen.Send(keys);
        touches += keys.Length;
    }

    /// <summary>A click into the field, its digits, and Enter.</summary>
    private void Fill(string label, string text)
    {
        screen.Type(label, text);
        touches += 2 + text.Length;
    }
}
