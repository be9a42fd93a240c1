using Draklo.Browser.Tests.Support;

namespace Draklo.Browser.Tests;

/// <summary>Two windows on one job: each sees the other, and what the other does.</summary>
public sealed class TogetherOnSheetTests(Stage stage) : IClassFixture<Stage>
{
    private const string Seat = "[data-handle='seat-main']";
    private readonly Screen screen = stage.Begin();

    [Fact]
    public void What_one_changes_the_other_sees_and_two_hands_do_not_fight_over_a_handle()
    {
        using var other = new Screen(stage.App.Address);
        other.Open();
        other.Run("localStorage.setItem('draklo.who', 'Runa')");
        screen.OpenJob("Lime");
        other.OpenJob("Lime");
        screen.Until(() => screen.Text("[data-others]") == "with Runa", "word of the other");
        other.Until(() => other.Text("[data-others]") == "with somebody", "word of this one");

        screen.Type("Seat above ground", "11");
        other.Until(() => other.ValueOf("Seat above ground") == "11", "the change to appear");
        Assert.Equal(0, other.Count("[data-came]"));
        other.Type("Seat above ground", "12");
        screen.Until(() => screen.ValueOf("Seat above ground") == "12", "the change to appear here");

        // While one holds the seat, the other's hand does nothing and is told why.
        other.Hold(Seat);
        screen.Until(() => screen.Text("[data-held-by]") == "Runa moves it", "word of the hand");
        var before = screen.ValueOf("Seat above ground");
        screen.Drag(Seat, 0, 60);
        Assert.Equal(before, screen.ValueOf("Seat above ground"));
        other.LetGo();
        screen.Until(() => screen.Count("[data-held-by]") == 0, "the hand to let go");
        screen.Drag(Seat, 0, 40);
        screen.Until(() => screen.ValueOf("Seat above ground") != before, "the seat to be free again");
    }
}
