using Draklo.Browser.Tests.Support;
using OpenQA.Selenium;

namespace Draklo.Browser.Tests;

/// <summary>The fall on the sheet: stages by hand and by key, landing with its spread, what it comes down on.</summary>
public sealed class FallTests(Stage stage) : IClassFixture<Stage>
{
    private readonly Screen screen = stage.Begin();

    [Fact]
    public void Stages_are_stepped_and_the_landing_stands_beside_with_its_spread()
    {
        screen.OpenJob("Side-leaner");
        screen.Send("0");
        screen.Find(By.CssSelector("[data-fall-figures]"));
        screen.Find(By.CssSelector("[data-fall] [data-spread]"));
        Assert.Contains("Hinge lets go at", screen.Text("aside"), StringComparison.Ordinal);
        Assert.Contains("Hinge torn", screen.Text("aside"), StringComparison.Ordinal);
        screen.Focus("[data-handle='fall']");
        screen.Send(Keys.ArrowRight);
        screen.Until(() => screen.Attribute("[data-handle='fall']", "aria-valuenow") == "2", "the second stage");
        screen.Drag("[data-handle='fall']", 160, 200);
        screen.Until(
            () => int.Parse(screen.Attribute("[data-handle='fall']", "aria-valuenow")!) > 4,
            "a later stage under the hand"
        );
        var slow = screen.Text("[data-fall-figures]");
        screen.Type("Hands take in rope at", "1");
        screen.Until(() => screen.Text("[data-fall-figures]") != slow, "a quicker fall");
        screen.Type("Hands take in rope at", "9");
        screen.Until(
            () => screen.Text("aside").Contains("0.01 to 3 m/s", StringComparison.Ordinal),
            "the refusal at its field"
        );
    }
}
