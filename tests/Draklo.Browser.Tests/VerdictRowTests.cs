using Draklo.Browser.Tests.Support;

namespace Draklo.Browser.Tests;

/// <summary>The verdict's own row: in full, with the change that mends it and the next open point; and the way from field to field.</summary>
public sealed class VerdictRowTests(Stage stage) : IClassFixture<Stage>
{
    private const string InHand = "return document.activeElement.closest('[data-member]')?.dataset.member ?? ''";
    private readonly Screen screen = stage.Begin();

    [Fact]
    public void The_change_that_mends_the_verdict_is_a_press_and_an_undo_away()
    {
        screen.OpenJob("Lime");
        var before = screen.Text("[data-summary]");
        Assert.StartsWith("Check.", before, StringComparison.Ordinal);
        screen.Until(() => screen.Count("[data-mend]") == 1, "what mends it");
        screen.Click("[data-mend]");
        screen.Until(
            () => !screen.Text("[data-summary]").StartsWith(before[..20], StringComparison.Ordinal),
            "another verdict"
        );
        screen.Press("Undo");
        screen.Until(() => screen.Text("[data-summary]") == before, "the verdict from before");
    }

    [Fact]
    public void The_next_open_point_is_called_what_its_field_is_and_takes_it_in_hand()
    {
        screen.OpenJob("Lime");
        screen.Until(() => screen.Count("[data-next-open]") == 1, "the next open point");
        Assert.Equal("Next: crown over stem", screen.Text("[data-next-open]"));
        screen.Send("n");
        screen.Until(() => "tree.crown.massRatio".Equals(screen.Run(InHand)), "its field in hand");
    }

    [Fact]
    public void Enter_goes_on_to_the_next_figure_and_stays_at_one_that_cannot_be_read()
    {
        screen.OpenJob("Lime");
        screen.Send("2");
        screen.Until(() => screen.Count("[data-member='tree.heightM']") == 1, "the station");
        screen.Type("Height", "22");
        screen.Until(() => "tree.dbhM".Equals(screen.Run(InHand)), "the next figure in hand");
        screen.Type("Height", "much");
        screen.Until(() => "tree.heightM".Equals(screen.Run(InHand)), "the field to be kept in hand");
        Assert.Contains("is not a length", screen.Text("aside"), StringComparison.Ordinal);
    }

    [Fact]
    public void Every_place_of_a_job_has_the_same_bar_of_five()
    {
        screen.OpenJob("Lime");
        foreach (var place in new[] { "Brief", "Day", "Clear", "Log", "Plan" })
        {
            screen.Click(
                $"[data-places] a:nth-child({Array.IndexOf(["Plan", "Brief", "Day", "Clear", "Log"], place) + 1})"
            );
            screen.Until(
                () =>
                    screen.Count("[data-places] [aria-current=page]") == 1
                    && screen.Text("[data-places] [aria-current=page]") == place,
                place
            );
        }
    }
}
