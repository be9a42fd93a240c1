using Draklo.Browser.Tests.Support;

namespace Draklo.Browser.Tests;

/// <summary>
/// A whole plan from nothing: a larch of 24 m and 52 cm, leaning back and left, a shed and a road, an oak, a hand winch, two
/// people. What counts is every click, tap and key that is no letter or digit of a value.
/// </summary>
public sealed class LarchTests(Stage stage) : IClassFixture<Stage>
{
    private const string Enter = "\uE007";

    private readonly Screen screen = stage.Begin();
    private readonly List<string> actions = [];

    [Fact]
    public void With_todays_kit_and_the_usual_people_it_is_ready_in_forty_actions()
    {
        Begin();
        Measures();
        Press("Hand winch, straight on the line");
        SayTargets();
        Lead();
        AssertReady(40);
    }

    [Fact]
    public void From_nothing_it_is_ready_in_sixty_actions()
    {
        Begin();
        Measures();
        Press("a hand winch");
        Click("[data-station='Line']");
        Fill("lines[0].rope.breakingStrengthN", "70");
        Say("80");
        SayTargets();
        Lead(usual: false);
        AssertReady(60);
    }

    private void Begin()
    {
        screen.Open();
        screen.Run("localStorage.setItem('draklo.guide', 'seen'); localStorage.setItem('draklo.who', 'Wenna')");
        screen.Open();
        Press("New job");
        Press("From nothing");
        Hand("tree.speciesId");
        screen.Until(
            () => screen.Run("return document.activeElement.readOnly === false") is true,
            "the species to be searched"
        );
    }

    private void Measures()
    {
        Say("larch");
        Hand("tree.heightM");
        Say("24");
        Hand("tree.dbhM");
        Say("52");
        Hand("lean from the side");
        Say("2.7");
        Hand("lean from behind");
        Say("1.3");
        Hand("lines[0].anchor.kind");
        Say("oak");
        Hand("lines[0].anchor.distanceM");
        Say("40");
        Hand("lines[0].anchor.tree.dbhM");
        Say("52");
        screen.Until(
            () => screen.Text("[data-follows]").Contains("at the cut 60 cm", StringComparison.Ordinal),
            "the stump to follow"
        );
        screen.Until(
            () => !screen.Text("[data-summary]").Contains("Nothing is measured", StringComparison.Ordinal),
            "a first answer"
        );
    }

    private void SayTargets()
    {
        Click("[data-station='Lay']");
        Click("input[data-member='site.targets']");
        Say("shed, 6 m left, 12 m behind, 4 x 3");
        Say("road 32 left");
        screen.Until(() => screen.Count("[data-target-row]") == 2, "both targets");
    }

    /// <summary>Goes through what is still missing, one point after another, until nothing is.</summary>
    private void Lead(bool usual = true)
    {
        Click("nav [data-missing]");
        for (var point = 0; point < 40; point++)
        {
            var key = Settled();
            if (key == "")
            {
                return;
            }

            Answer(key, usual);
            screen.Until(() => Settled() != key, $"the point after {key}");
        }
    }

    /// <summary>Where the point that leads is settled, once its field is in hand; empty when nothing is missing.</summary>
    private string Settled()
    {
        var key = "";
        screen.Until(
            () =>
            {
                var text = screen.Text("[data-missing-bar] p");
                if (text.StartsWith("Nothing is missing", StringComparison.Ordinal))
                {
                    key = "";
                    return true;
                }

                if (text.Contains("No day is set", StringComparison.Ordinal))
                {
                    key = "day";
                    return screen.Count("[role=dialog] input[type=date]") == 1;
                }

                key =
                    screen.Run("return document.activeElement.closest('[data-member]')?.dataset.member ?? ''") as string
                    ?? "";
                return key != "";
            },
            "a point in hand"
        );
        return key;
    }

    private void Answer(string key, bool usual)
    {
        if (key == "day")
        {
            screen.Run(
                "const d = document.querySelector('[role=dialog] input[type=date]');"
                    + "Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(d, '2027-03-13');"
                    + "d.dispatchEvent(new Event('input', { bubbles: true }));"
            );
            // Into the field, its digits; then the button.
            actions.Add("day");
            Press("Done");
        }
        else if (key.StartsWith("walkUp", StringComparison.Ordinal))
        {
            Say("");
        }
        else if (key.StartsWith("tree.crown", StringComparison.Ordinal))
        {
            Click("[data-missing-bar] button[data-as-drawn]");
        }
        else if (key == "lines[0].anchor.sling")
        {
            Choose("choked");
        }
        else if (key == "crew" && usual)
        {
            Press("Two and the winch");
        }
        else if (key == "crew")
        {
            Press("Jory");
            Press("Wenna");
            Click("button[data-member='crew[1].role']");
            Choose("machine", open: false);
            screen.Until(() => Settled() is not ("crew" or "crew[1].role"), "to be led on from who works the winch");
        }
        else
        {
            Say(
                key switch
                {
                    "wind.speedMps" => "1",
                    "lines[0].puller.machineN" => "10",
                    "lines[0].rope.lengthM" => "80",
                    "lines[0].seat.heightM" => "14",
                    "cut.stumpDiameterM" => "60",
                    "lines[0].anchor.sling.breakingStrengthN" => "60",
                    "help.meetAt" => "smokehouse door",
                    "help.nearestRoad" => "Smokehouse Lane",
                    "help.caller" => "Wenna",
                    "help.kitAt" => "in the cab",
                    _ when key.EndsWith(".shelter", StringComparison.Ordinal) => "behind the oak",
                    _ => throw new InvalidOperationException($"Nobody thought of {key}."),
                }
            );
        }
    }

    /// <summary>One of a list, found by typing it.</summary>
    private void Choose(string name, bool open = true)
    {
        if (open)
        {
            screen.Send(" ");
            actions.Add("␣");
        }

        screen.Until(
            () => screen.Run("return document.activeElement.getAttribute('role')") is "listbox",
            "the list to open"
        );
        Say(name);
    }

    private void AssertReady(int most)
    {
        screen.Until(() => screen.Attribute("[data-verdict]", "data-verdict") == "ready", "the plan to be ready");
        Assert.True(actions.Count <= most, $"{actions.Count} actions: {string.Join(", ", actions)}");
        Assert.Empty(screen.Complaints());
    }

    /// <summary>The letters and digits of a value, which count nothing, and Enter.</summary>
    private void Say(string value)
    {
        screen.Send(value + Enter);
        actions.Add($"{value}⏎");
    }

    private void Fill(string member, string value)
    {
        Click($"input[data-member='{member}']");
        Say(value);
    }

    private void Click(string css)
    {
        screen.Click(css);
        actions.Add(css);
    }

    private void Press(string text)
    {
        screen.Press(text);
        actions.Add(text);
    }

    private void Hand(string member) =>
        screen.Until(
            () => screen.Run("return document.activeElement?.dataset.member ?? ''") as string == member,
            $"{member} in hand"
        );
}
