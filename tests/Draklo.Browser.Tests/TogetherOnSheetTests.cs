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
        using var other = BesideRuna();
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

    [Fact]
    public void What_both_changed_apart_both_see_and_either_settles()
    {
        using var other = BesideRuna();
        Apart("11", "14");
        Assert.Equal("11 m at Runa’s, 14 m as saved", screen.Text("[data-settling] li").Split(": ")[1]);

        // This one gives way: there is nothing left to choose, and the other's question goes by itself.
        screen.Type("Seat above ground", "11");
        other.Until(() => other.Count("[data-clashes]") == 0, "the question to go");
        other.UntilSaved();
        screen.Until(() => screen.Count("[data-settling]") == 0, "the word of it to go");
        Assert.Equal("11", screen.ValueOf("Seat above ground"));

        // And the other way round: the other chooses its own, and it appears here.
        Apart("12", "15");
        other.Click("[data-clash] button");
        other.Press("Settle and save");
        other.UntilSaved();
        screen.Until(() => screen.ValueOf("Seat above ground") == "12", "what was chosen to appear");
        screen.Until(() => screen.Count("[data-settling]") == 0, "the word of it to go");

        void Apart(string theirs, string here)
        {
            other.InReach(false);
            other.Type("Seat above ground", theirs);
            other.Until(() => other.Count("[data-save='offline']") == 1, "the other to be offline");
            screen.Type("Seat above ground", here);
            screen.UntilSaved();
            other.InReach(true);
            other.Until(() => other.Count("[data-clashes]") == 1, "what both changed, at the other");
            screen.Until(() => screen.Count("[data-settling='Runa']") == 1, "what both changed, here");
        }
    }

    /// <summary>Both windows on the lime, Runa at the other one.</summary>
    private Screen BesideRuna()
    {
        var other = new Screen(stage.App.Address);
        other.TakeAlong();
        other.Run("localStorage.setItem('draklo.who', 'Runa')");
        screen.OpenJob("Lime");
        other.OpenJob("Lime");
        screen.Until(() => screen.Text("[data-others]") == "with Runa", "word of the other");
        return other;
    }
}
