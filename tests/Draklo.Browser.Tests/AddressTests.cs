using Draklo.Browser.Tests.Support;
using OpenQA.Selenium;

namespace Draklo.Browser.Tests;

/// <summary>What is open is in the address: back, reload and a link that is passed on lead to it.</summary>
public sealed class AddressTests(Stage stage) : IClassFixture<Stage>
{
    private readonly Screen screen = stage.Begin();

    [Fact]
    public void Back_reload_and_a_link_passed_on_open_what_was_open()
    {
        screen.OpenJob("Side-leaner");
        screen.Send("6");
        Shows("Cuts", "Stump");
        screen.Send("t");
        Shows("Cuts", "Tackle");
        var link = Address();
        Assert.Contains("station=cuts", link, StringComparison.Ordinal);
        Assert.Contains("drawing=tackle", link, StringComparison.Ordinal);

        screen.Run("history.back()");
        Shows("Cuts", "Stump");
        screen.Reload();
        Shows("Cuts", "Stump");
        screen.Run("history.forward()");
        Shows("Cuts", "Tackle");

        screen.Open();
        screen.Open(new Uri(link).PathAndQuery);
        Shows("Cuts", "Tackle");
        Assert.Empty(screen.Complaints());
    }

    [Fact]
    public void The_line_and_a_working_are_in_it_too()
    {
        screen.OpenJob("Side-leaner");
        screen.Press("steer");
        screen.Until(() => Address().Contains("line=2", StringComparison.Ordinal), "the second line");
        screen.Click("[data-link='steer.rope']");
        screen.Until(() => screen.Count("[data-open-working]") == 1, "its working");
        screen.Reload();
        screen.Until(
            () => screen.Count("[data-open-working]") == 1 && screen.Count("[data-link='steer.rope']") == 1,
            "the same line and working"
        );
    }

    [Fact]
    public void A_word_on_the_sheet_opens_its_entry_and_back_closes_it()
    {
        screen.OpenJob("Lime");
        screen.Press("take-up");
        screen.Until(() => screen.Text("[role=dialog]").Contains("Take-up", StringComparison.Ordinal), "the glossary");
        Assert.Contains("glossary", Uri.UnescapeDataString(Address()), StringComparison.Ordinal);
        screen.Run("history.back()");
        screen.Until(() => screen.Count("[role=dialog]") == 0, "the glossary to close");
    }

    [Fact]
    public void An_address_of_nonsense_opens_the_sheet_as_it_opens()
    {
        screen.OpenJob("Lime");
        screen.Open(new Uri(Address()).AbsolutePath + "?station=none&drawing=3d&line=99&dialog=%3Cb%3E");
        Shows("Line", "Elevation");
        Assert.Empty(screen.Complaints());
    }

    /// <summary>A list that was open, and one that still is, do not take the next page with them.</summary>
    [Fact]
    public void After_a_list_was_opened_the_next_page_comes_and_the_one_after()
    {
        screen.OpenJob("Lime");
        screen.Click("[data-verdict] button");
        screen.Until(() => screen.Count("[data-code]") > 0, "the reasons");
        screen.Send(Keys.Escape);
        screen.Click("aside [aria-haspopup='listbox']");
        screen.Until(() => screen.Count("[role=option]") > 0, "the list");
        screen.Send(Keys.Escape);
        screen.Until(() => screen.Count("[role=option]") == 0, "the list to close");
        screen.Click("header a[href$='/brief']");
        screen.Find(By.CssSelector("[data-brief]"));
        screen.Press("Plan");
        screen.Find(By.CssSelector("[data-verdict]"));
        screen.Resize(390, 844);
        screen.Press("All steps");
        screen.Find(By.XPath("//*[@role='menuitem'][normalize-space(.)='Brief']")).Click();
        screen.Find(By.CssSelector("[data-brief]"));
        Assert.Equal(0, screen.Count("[data-failed]"));
    }

    [Fact]
    public void Tabs_and_choices_follow_the_arrow_keys()
    {
        screen.OpenJob("Lime");
        screen.Focus("[role=tab][aria-selected='true']");
        screen.Send(Keys.ArrowRight);
        Shows("Line", "Plan");
        screen.Send(Keys.ArrowLeft);
        screen.Send(Keys.ArrowLeft);
        Shows("Line", "Fall");
        screen.Focus("input[type=radio]:checked");
        screen.Send(Keys.ArrowRight);
        screen.Until(
            () => screen.Text("[data-figure='needed-tension']").Contains("lbf", StringComparison.Ordinal),
            "the other units"
        );
    }

    private string Address() => (string)screen.Run("return location.href")!;

    private void Shows(string station, string drawing) =>
        screen.Until(
            () =>
                screen.Attribute("nav [aria-current='step']", "data-station") == station
                && screen.Text("[role=tab][aria-selected='true']") == drawing,
            $"{station} with {drawing}"
        );
}
