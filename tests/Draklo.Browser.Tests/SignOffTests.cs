using Draklo.Browser.Tests.Support;
using OpenQA.Selenium;

namespace Draklo.Browser.Tests;

/// <summary>The morning: everybody signs, the lead turns the lay, who signed signs again; gear out and back.</summary>
public sealed class SignOffTests(Stage stage) : IClassFixture<Stage>
{
    private const string Pin = "2468";
    private readonly Screen screen = stage.Begin();

    [Fact]
    public void Each_signs_and_a_lay_turned_six_degrees_has_two_sign_again_told_why()
    {
        OpenBrief("Birch");
        Sign("Ives");
        Sign("Bo");
        Assert.Contains("signed", screen.Text("[data-signs='Bo']"), StringComparison.Ordinal);
        Assert.Contains("Wenna, Runa have not signed", screen.Text("[data-holds]"), StringComparison.Ordinal);

        screen.Press("Plan");
        screen.Find(By.CssSelector("[data-verdict]"));
        screen.Send("3");
        screen.Type("Lay toward", "206");
        screen.UntilSaved();
        screen.ToBrief();
        foreach (var name in new[] { "Ives", "Bo" })
        {
            screen.Until(
                () => screen.Text($"[data-signs='{name}']").Contains("void: signs again", StringComparison.Ordinal),
                "the signature to be void"
            );
            Assert.Contains(
                "Lay toward: 200° → 206°",
                screen.Text($"[data-signs='{name}'] [data-changes]"),
                StringComparison.Ordinal
            );
        }

        Assert.DoesNotContain("void", screen.Text("[data-signs='Wenna']"), StringComparison.Ordinal);
    }

    [Fact]
    public void A_wrong_pin_signs_nothing_and_an_unread_page_is_not_signed()
    {
        OpenBrief("Birch");
        screen.Click("[aria-label='Sign: Bo']");
        Press("Sign");
        Assert.Contains("Read it first", screen.Text("[role=dialog]"), StringComparison.Ordinal);
        Tick("Read: the page");
        screen.Type("PIN of Bo", "1111");
        Press("Sign");
        screen.Until(
            () => screen.Text("[role=dialog]").Contains("That is not Bo's PIN.", StringComparison.Ordinal),
            "the refusal at its field"
        );
        screen.Press("Not yet");
        Assert.Contains("has not signed", screen.Text("[data-signs='Bo']"), StringComparison.Ordinal);
    }

    [Fact]
    public void The_lead_signs_for_somebody_without_a_pin_and_issues_the_brief()
    {
        screen.OpenJob("Birch");
        screen.Send("8");
        screen.Press("Somebody else");
        screen.UntilSaved();
        screen.ToBrief();
        screen.Find(By.CssSelector("[data-signs='Helper 1']"));
        foreach (var name in new[] { "Wenna", "Ives", "Bo", "Runa" })
        {
            Sign(name);
        }

        screen.Click("[aria-label='Sign: Helper 1']");
        Tick("Read: the page");
        screen.Type("PIN of Wenna", Pin);
        Press("Sign");
        screen.Until(
            () => screen.Text("[data-signs='Helper 1']").Contains("by Wenna for them", StringComparison.Ordinal),
            "the lead's signature"
        );
        screen.Press("Issue the brief");
        screen.Type("PIN of Wenna", Pin);
        Press("Issue");
        screen.Until(() => screen.Attribute("[data-brief-state]", "data-brief-state") == "issued", "the issue");
        screen.Click("a[href$='/brief/1']");
        screen.Until(
            () => screen.Text("article header").Contains("Brief 1, issued by Wenna", StringComparison.Ordinal),
            "the brief as issued"
        );
    }

    [Fact]
    public void What_holds_the_brief_leads_to_its_field()
    {
        OpenBrief("Lime");
        screen.Find(By.CssSelector("[data-holds]"));
        screen.Find(By.XPath("//*[@data-holds]//a[normalize-space(.)='Go there']")).Click();
        screen.Find(By.CssSelector("[data-verdict]"));
        screen.Until(() => screen.Count("aside h2") == 1, "the station");
    }

    [Fact]
    public void Gear_is_ticked_out_of_the_yard_and_back_on_a_phone()
    {
        screen.Resize(390, 844);
        OpenBrief("Lime");
        Assert.Equal(true, screen.Run("return document.documentElement.scrollWidth <= innerWidth"));
        screen.Click("[data-packed='long-60'] [aria-label$=' out']");
        screen.Until(
            () => screen.Attribute("[data-packed='long-60'] [aria-label$=' out']", "aria-pressed") == "true",
            "the tick"
        );
        Assert.Contains("tag 1", screen.Text("[data-packed='long-60']"), StringComparison.Ordinal);
        screen.Reload("[data-packed='long-60']");
        Assert.Equal("true", screen.Attribute("[data-packed='long-60'] [aria-label$=' out']", "aria-pressed"));
        screen.Press("Jory");
        screen.Until(() => screen.Count("[data-card]") == 1, "one's own card");
        Assert.Equal("faller", screen.Attribute("[data-card]", "data-card"));
    }

    [Fact]
    public void The_crews_book_takes_somebody_in_and_their_pin()
    {
        screen.Open("/crew");
        screen.Press("New person");
        screen.Type("First name", "Nils");
        screen.Press("Keep");
        screen.Until(() => screen.Count("[data-person='nils']") == 1, "the new person");
        screen.Click("[aria-label='Set PIN of Nils']");
        screen.Type("New PIN", "4711");
        screen.Type("The same again", "4712");
        screen.Press("Keep");
        Assert.Contains("not the same", screen.Text("[role=dialog]"), StringComparison.Ordinal);
        screen.Type("The same again", "4711");
        screen.Press("Keep");
        screen.Find(By.CssSelector("[aria-label='Change PIN of Nils']"));
        screen.Click("[aria-label='Change Nils']");
        screen.Press("Take off the list");
        screen.Until(() => screen.Count("[data-person='nils']") == 0, "Nils to be gone");
        screen.Press("Bring back");
        screen.Until(() => screen.Count("[data-person='nils']") == 1, "Nils to be back");
    }

    private void OpenBrief(string job)
    {
        screen.OpenJob(job);
        screen.ToBrief();
        screen.Find(By.CssSelector("[data-brief]"));
    }

    private void Sign(string name)
    {
        screen.Click($"[aria-label='Sign: {name}']");
        Tick("Read: the page");
        screen.Type($"PIN of {name}", Pin);
        Press("Sign");
        screen.Until(() => screen.Count("[role=dialog]") == 0, $"{name} to have signed");
    }

    private void Tick(string label) =>
        screen.Find(By.XPath($"//*[@role='dialog']//label[contains(., '{label}')]//input")).Click();

    private void Press(string text) =>
        screen.Find(By.XPath($"//*[@role='dialog']//button[normalize-space(.)='{text}']")).Click();
}
