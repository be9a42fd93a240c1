using Draklo.Browser.Tests.Support;

namespace Draklo.Browser.Tests;

/// <summary>The sheet by the tree: on a phone, a tablet held upright, and at double size.</summary>
public sealed class NarrowSheetTests(Stage stage) : IClassFixture<Stage>
{
    private readonly Screen screen = stage.Begin();

    [Theory]
    [InlineData(360, 740)]
    [InlineData(390, 844)]
    [InlineData(430, 932)]
    [InlineData(820, 1180)]
    [InlineData(640, 400)]
    public void Drawing_figures_fields_and_steps_are_within_reach(int width, int height)
    {
        screen.Resize(width, height);
        screen.OpenJob("Side-leaner");
        screen.Find(OpenQA.Selenium.By.CssSelector("[data-plate]"));
        Assert.Equal(true, screen.Run("return document.documentElement.scrollWidth <= innerWidth"));
        Assert.InRange(Number("document.querySelector('header').offsetHeight"), 40, 130);
        Assert.True(Number("document.querySelector('[data-drawing-pane]').offsetHeight * 3 + 110") >= height);
        Assert.Equal(6, screen.Count("[data-plate] dt"));
        Assert.Equal(
            true,
            screen.Run(
                "return [...document.querySelectorAll('[data-plate] button')].every(b => b.scrollWidth <= b.clientWidth && b.getBoundingClientRect().right <= innerWidth)"
            )
        );
        screen.Press("5 Anchor and tackle ›");
        screen.Until(() => screen.Text("aside h2") == "Anchor and tackle", "the next step");
        screen.Press("All steps");
        screen.Click("[data-station='Cuts']");
        screen.Until(() => screen.Text("aside h2") == "Cuts", "the step chosen");
    }

    [Fact]
    public void A_finger_drags_a_handle_all_the_way_and_two_magnify_the_drawing_alone()
    {
        screen.Resize(390, 844);
        screen.OpenJob("Lime");
        var before = Seat();
        screen.DragByTouch("[data-handle='seat-main']", 0, 60);
        // The last move may still be on its way to the screen.
        screen.Until(() => Seat() - before is > 50 and < 70, "the seat to follow the finger down");
        screen.Pinch("[data-handle='seat-main']", 56, 116);
        screen.Until(
            () => screen.Text("[data-drawing-pane]").Contains("Whole drawing", StringComparison.Ordinal),
            "the drawing to be magnified"
        );
        Assert.Equal(1.0, Number("visualViewport.scale"));
        // Magnified, a handle still follows the finger.
        before = Seat();
        screen.DragByTouch("[data-handle='seat-main']", 0, -40);
        screen.Until(() => Seat() - before is > -50 and < -30, "the seat to follow the finger up");
        screen.Press("Whole drawing");
        screen.Until(
            () => !screen.Text("[data-drawing-pane]").Contains("Whole drawing", StringComparison.Ordinal),
            "the whole drawing"
        );
    }

    [Fact]
    public void The_sun_theme_is_one_tap_away_and_numbers_open_a_number_keyboard()
    {
        screen.Resize(390, 844);
        screen.OpenJob("Lime");
        screen.Click("header [aria-label='Theme for bright sun']");
        screen.Until(
            () => "sun".Equals(screen.Run("return document.documentElement.dataset.theme")),
            "the theme for bright sun"
        );
        Assert.Equal("decimal", screen.Attribute("aside input", "inputmode"));
        screen.Type("Seat above ground", "42 ft");
        screen.Until(() => screen.ValueOf("Seat above ground") == "12.8", "feet to be read");
    }

    private double Seat() => Number("document.querySelector('[data-handle=seat-main]').getBoundingClientRect().y");

    private double Number(string script) => Convert.ToDouble(screen.Run($"return {script}"));
}
