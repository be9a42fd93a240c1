using Draklo.Browser.Tests.Support;
using OpenQA.Selenium;

namespace Draklo.Browser.Tests;

/// <summary>Tackles put together on the sheet, kept, drawn and hauled.</summary>
public sealed class TackleOnSheetTests : IClassFixture<Stage>
{
    private readonly Screen screen;

    public TackleOnSheetTests(Stage stage)
    {
        screen = stage.Begin();
        screen.OpenJob("Lime");
        screen.Click("nav [data-station='Anchor and tackle']");
        screen.Send("t");
        screen.Until(() => screen.Count("[data-tackle] [data-leg]") == 5, "the five of the demo");
    }

    [Fact]
    public void A_tackle_is_built_of_stages_refused_where_it_cannot_haul_and_kept_for_other_plans()
    {
        Pick("Tackle system", "composed");
        screen.Until(
            () =>
                screen
                    .Text("[data-composed]")
                    .StartsWith("Three hauling a two: 6 before friction, 5.15", StringComparison.Ordinal),
            "a three hauling a two"
        );
        screen.Until(
            () =>
                screen.Count("[data-tackle='Three hauling a two'] [data-leg]") == 5
                && screen.Count("[data-tackle] [data-becket]") == 3,
            "its legs and where they are made fast"
        );

        Pick("Add a stage", "redirect");
        Pick("Add a stage", "two");
        screen.Until(
            () => screen.Text("[data-composer]").Contains("nothing holds it in balance", StringComparison.Ordinal),
            "the redirect between two stages to be refused"
        );
        screen.Click("[title='Take stage 3 out']");
        Pick("Turn 1 at", "one-carabiner");
        screen.Until(
            () =>
                screen.Text("[data-composed]").Contains("12 before friction", StringComparison.Ordinal)
                && screen.Count("[data-turn='carabiner']") == 1,
            "a carabiner at the first turn"
        );

        screen.Press("Keep it for the crew");
        screen.Type("Name", "Long haul", "");
        screen.Press("Keep it");
        screen.Until(
            () =>
                screen.Count("[role=dialog]") == 0
                && screen.Text("[data-composer]").Contains("keeps a tackle of this name", StringComparison.Ordinal),
            "the tackle to be kept"
        );
        screen.UntilSaved();

        screen.OpenJob("Spruce");
        screen.Click("nav [data-station='Anchor and tackle']");
        Pick("Tackle system", "own:long-haul");
        screen.Until(
            () => screen.Text("[data-composed]").StartsWith("Long haul: 12", StringComparison.Ordinal),
            "the other plan to take it"
        );
        screen.Chord(Keys.Control, "z");
        screen.Until(() => screen.Count("[data-composer]") == 0, "undo");
        Assert.Empty(screen.Complaints());
    }

    [Fact]
    public void Rope_by_rope_a_loop_is_refused_at_its_end_and_mended()
    {
        Pick("Tackle system", "composed");
        screen.Press("Go on rope by rope");
        screen.Until(
            () => screen.Count("[data-rope-row]") == 2 && screen.Count("[data-point-row]") == 4,
            "its points and ropes"
        );
        Pick("made fast at", "traveller-1", 2);
        screen.Until(
            () => screen.Text("[data-composer]").Contains("a loop hauls nothing", StringComparison.Ordinal),
            "the loop to be refused"
        );
        Pick("made fast at", "anchor", 2);
        screen.Until(
            () => screen.Count("[data-composed]") == 1 && screen.Count("[data-composer] [role=alert]") == 0,
            "it to haul again"
        );
        screen.Press("Add a moving point with its rope");
        screen.Until(() => screen.Count("[data-rope-row]") == 3, "another rope");
        screen.Click("[title='Take traveller-2 out']");
        screen.Until(() => screen.Count("[data-rope-row]") == 2, "both taken out again");
        Assert.Empty(screen.Complaints());
    }

    [Fact]
    public void A_cam_is_set_and_what_hangs_on_it_is_checked_and_the_hold_too()
    {
        Pick("Tackle system", "three-to-one");
        screen.Click("[aria-label='Cam holds between heaves']");
        screen.Until(
            () => screen.Count("[data-capture='cam']") == 1 && screen.Count("[data-link='main.held-legs']") == 1,
            "the cam, and the leg that hangs on it"
        );
        Assert.Contains("lets go of the line", screen.Text("[data-hold]"), StringComparison.Ordinal);
        screen.Type("Cam or grip holds", "1 kN");
        screen.Until(() => screen.Count("[data-link='main.capture']") == 1, "what it holds to be checked");
        screen.Click("[aria-label='Second hitch holds the line meanwhile']");
        screen.Until(
            () => screen.Count("[data-holdpiece='grip']") == 1 && screen.Count("[data-link='main.hold-grip']") == 1,
            "the second grip, drawn and checked"
        );
        screen.Click("[data-link='main.capture']");
        screen.Until(() => screen.Count("[data-remedies] li") > 0, "what would make the cam hold");
        Assert.Empty(screen.Complaints());
    }

    [Fact]
    public void Play_keeps_up_with_the_screen()
    {
        screen.Send(" ");
        var frames =
            screen.RunAsync(
                """
                const done = arguments[arguments.length - 1]; let n = 0; const first = performance.now(); let moved = 0; let last = '';
                (function tick() { const now = document.querySelector('[data-haul]').textContent; if (now !== last) { moved++; last = now; } n++; performance.now() - first < 1500 ? requestAnimationFrame(tick) : done([n, moved]); })();
                """
            ) as IReadOnlyList<object>;
        Assert.NotNull(frames);

        // How many frames a second depends on the machine; that the haul moves in most of them does not.
        Assert.True(Convert.ToDouble(frames[1]) > 10, $"{frames[1]} steps in {frames[0]} frames");
    }

    /// <summary>
    /// Takes an option of the choice with this label; <paramref name="number"/> of them from the top.
    /// </summary>
    private void Pick(string label, string option, int number = 1)
    {
        screen.Find(By.XPath($"(//label[normalize-space(.)=\"{label}\"]/following-sibling::button)[{number}]")).Click();
        screen.Click($"[role=option][data-option='{option}']");
    }
}
