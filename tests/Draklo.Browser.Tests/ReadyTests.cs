using Draklo.Browser.Tests.Support;

namespace Draklo.Browser.Tests;

/// <summary>When the sheet says ready, and what leads there.</summary>
public sealed class ReadyTests(Stage stage) : IClassFixture<Stage>
{
    private readonly Screen screen = stage.Begin();

    [Fact]
    public void A_check_is_accepted_by_name_with_a_because_and_taken_back()
    {
        screen.OpenJob("Birch");
        Assert.Equal("ready", screen.Attribute("[data-verdict]", "data-verdict"));
        OpenReasons();
        screen.Until(() => screen.Count("[aria-label='Accepted checks'] li") == 1, "the accepted check");
        screen.Press("Take it back");
        screen.Until(() => screen.Attribute("[data-verdict]", "data-verdict") == "check", "the check to stand again");
        screen.Press("Accept it by name");
        screen.Press("Accept");
        screen.Until(() => screen.Text("[data-accept]").Contains("Say who", StringComparison.Ordinal), "a name asked");
        screen.Type("Your name", "Mara", "");
        screen.Press("Accept");
        screen.Until(
            () => screen.Text("[data-accept]").Contains("Say why", StringComparison.Ordinal),
            "a reason asked"
        );
        screen.Type("Because", "calm until noon", "");
        screen.Press("Accept");
        screen.Until(() => screen.Attribute("[data-verdict]", "data-verdict") == "ready", "the check to be accepted");
        screen.UntilSaved();
        screen.Reload();
        OpenReasons();
        screen.Until(
            () => screen.Text("[aria-label='Accepted checks']").Contains("Mara", StringComparison.Ordinal),
            "the acceptance to be kept"
        );
        Assert.Empty(screen.Complaints());
    }

    [Fact]
    public void A_reason_leads_to_its_field_and_the_same_number_typed_again_confirms_it()
    {
        screen.OpenJob("Lime");
        OpenReasons();
        screen.Click("[data-code='guess-matters'] button");
        screen.Until(
            () => screen.Run("return document.activeElement?.dataset.member") as string == "tree.crown.massRatio",
            "the field to take the keys"
        );
        Assert.Equal("guess", screen.Attribute("[data-member='tree.crown.massRatio']", "data-guess") ?? "guess");
        var now = (string)screen.Run("return document.activeElement.value")!;
        screen.Send(now + "\uE007");
        screen.Until(
            () =>
                !screen.Text("[data-verdict]").Contains("crown", StringComparison.Ordinal)
                && screen.Count("[data-code='guess-matters']") == 0,
            "the guess to be confirmed"
        );
        OpenReasons();
        screen.Until(() => screen.Count("[data-code]") > 0, "the reasons");
        Assert.Equal(0, screen.Count("[data-code='guess-matters']"));
    }

    [Fact]
    public void A_power_line_stops_the_plan_until_the_utility_has_spoken()
    {
        screen.OpenJob("Spruce");
        Assert.Equal("ready", screen.Attribute("[data-verdict]", "data-verdict"));
        screen.Send("3");
        screen.Click("[data-target-row='wire']");
        screen.Press("No longer valid");
        screen.Until(() => screen.Attribute("[data-verdict]", "data-verdict") == "stop", "the stop");
        OpenReasons();
        screen.Until(() => screen.Count("[data-code='power-line-near']") == 1, "its reason");
        Assert.Equal(
            0,
            screen.Count(
                "[data-code='power-line-near'] [data-accept], [data-code='power-line-near'] [aria-label^='Accept']"
            )
        );
        screen.Send("\uE00C");
        screen.Press("The utility has spoken");
        screen.Until(() => screen.Text("[data-word]").Contains("Say who", StringComparison.Ordinal), "a name asked");
        screen.Type("Who at the utility", "Control room", "");
        screen.Press("The utility has spoken");
        screen.Until(() => screen.Attribute("[data-verdict]", "data-verdict") == "ready", "the plan to be ready");
    }

    [Fact]
    public void A_target_is_placed_by_distance_and_bearing_and_by_the_lay()
    {
        screen.OpenJob("Birch");
        screen.Send("3");
        screen.Press("Put one in");
        screen.Until(() => screen.Count("input[type=radio]") > 0, "its fields");
        screen.Press("Distance, bearing");
        screen.Type("Distance, corner 1", "30");
        screen.Press("East, north");
        var (east, north) = (Read("East of the stump, corner 1"), Read("North of the stump, corner 1"));
        Assert.Equal(30, Math.Sqrt((east * east) + (north * north)), 0.2);
        screen.Press("By the lay");
        screen.Type("Out along the lay, corner 1", "10");
        screen.Type("Right of the lay, left is −, corner 1", "5");
        screen.Press("East, north");

        // The lay runs toward 200°: ten out and five right of it.
        var lay = 200 * Math.PI / 180;
        Assert.Equal((10 * Math.Sin(lay)) + (5 * Math.Cos(lay)), Read("East of the stump, corner 1"), 0.2);

        double Read(string label) => double.Parse(screen.ValueOf(label).Replace('−', '-'));
    }

    [Fact]
    public void A_new_job_says_that_nothing_is_measured_and_a_route_is_given_up_by_name()
    {
        screen.Open();
        screen.Press("New job");
        screen.Press("From nothing");
        screen.Until(() => screen.Count("[data-verdict]") > 0, "the sheet");
        screen.Until(
            () => screen.Text("[data-summary]").Contains("Nothing is measured yet", StringComparison.Ordinal),
            "no verdict on invented figures"
        );
        screen.Send("3");
        screen.Press("Move them");
        screen.Press("Give route 1 up");
        screen.Type("Your name", "Mara", "");
        screen.Type("Because", "the pond", "");
        screen.Press("Give it up");
        screen.Until(
            () =>
                screen.Count("aside") > 0
                && screen.Text("aside").Contains("Given up by Mara", StringComparison.Ordinal),
            "the route given up"
        );
    }

    private void OpenReasons()
    {
        screen.Click("[data-verdict] button[aria-expanded]");
        screen.Until(() => screen.Count("[data-code]") > 0, "the reasons");
    }
}
