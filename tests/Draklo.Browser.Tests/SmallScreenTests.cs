using Draklo.Browser.Tests.Support;

namespace Draklo.Browser.Tests;

/// <summary>On a tablet and on a phone everything that matters can be read, and nothing runs off the side.</summary>
public sealed class SmallScreenTests(Stage stage) : IClassFixture<Stage>
{
    private readonly Screen screen = stage.Begin();

    [Theory]
    [InlineData(1024, 768)]
    [InlineData(820, 1180)]
    [InlineData(390, 844)]
    public void The_verdict_can_be_read_whole_and_nothing_lies_over_it(int width, int height)
    {
        screen.Resize(width, height);
        screen.OpenJob("Lime");
        var at = screen.Run(
            """
            const said = document.querySelector('[data-summary]');
            const r = said.getBoundingClientRect();
            return r.width > 200 && said.scrollHeight <= said.clientHeight + 1
              && document.elementFromPoint(r.x + r.width / 2, r.y + r.height / 2).closest('[data-summary]') === said;
            """
        );
        Assert.Equal(true, at);
        FitsAcross();
    }

    [Theory]
    [InlineData(820, 1180)]
    [InlineData(390, 844)]
    public void Lists_and_knots_fit_across(int width, int height)
    {
        screen.Resize(width, height);
        screen.Open();
        screen.Until(() => screen.Count("[data-job]") == 9, "the jobs");
        FitsAcross();
        Assert.True(Width("[data-job^='Lime'] h2") >= 140);

        screen.Open("/locker");
        screen.Until(() => screen.Count("[data-gear]") > 10, "the locker");
        FitsAcross();
        Assert.Contains("46", screen.Text("[data-gear='long-60']"), StringComparison.Ordinal);
        Assert.Contains("in service", screen.Text("[data-gear='long-60']"), StringComparison.Ordinal);

        screen.Open("/knots");
        screen.Until(() => screen.Count("main svg[data-knot]") == 14, "the knots");
        FitsAcross();
    }

    [Fact]
    public void A_drag_does_not_move_the_drawing_however_long_the_sentence_above_it_grows()
    {
        screen.Resize(820, 1180);
        screen.OpenJob("Lime");
        var before = Top();
        screen.Drag("[data-handle='seat-main']", 0, 120);
        screen.Until(() => screen.Attribute("[data-verdict]", "data-verdict") == "stop", "a low seat to stop the plan");
        Assert.Equal(before, Top());
    }

    private void FitsAcross() =>
        Assert.Equal(true, screen.Run("return document.documentElement.scrollWidth <= innerWidth"));

    private double Top() =>
        Convert.ToDouble(screen.Run("return document.querySelector('main').getBoundingClientRect().top"));

    private double Width(string css) =>
        Convert.ToDouble(screen.Run("return document.querySelector(arguments[0]).getBoundingClientRect().width", css));
}
