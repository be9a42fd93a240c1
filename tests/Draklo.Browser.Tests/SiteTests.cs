using Draklo.Browser.Tests.Support;
using OpenQA.Selenium;

namespace Draklo.Browser.Tests;

/// <summary>Walk-up, size-up and lay as a faller uses them.</summary>
public sealed class SiteTests(Stage stage) : IClassFixture<Stage>
{
    private readonly Screen screen = stage.Begin();

    [Fact]
    public void An_unticked_must_have_holds_the_plan_and_a_tick_bears_a_name()
    {
        screen.OpenJob("Spruce");
        screen.Send("1");
        screen.Until(() => Verdict() == "ready", "the plan to be ready");
        screen.Click("[data-walk='utilities'] input");
        screen.Until(
            () =>
                Verdict() == "check"
                && screen.Text("[data-summary]").Contains("walk-up list", StringComparison.OrdinalIgnoreCase),
            "the plan to be held"
        );
        screen.Type("Ticked by", "Solveig");
        screen.Click("[data-walk='utilities'] input");
        screen.Until(
            () =>
                Verdict() == "ready"
                && screen.Text("[data-walk='utilities']").Contains("Solveig", StringComparison.Ordinal),
            "the tick to bear a name"
        );
    }

    [Fact]
    public void Angles_make_a_height_that_the_plan_takes_and_nonsense_is_said_at_its_field()
    {
        screen.OpenJob("Lime");
        screen.Send("2");
        screen.Type("Angle to the top", "41");
        screen.Until(
            () => screen.Text("[data-measured='tree.heightM']").Contains("23.3 m", StringComparison.Ordinal),
            "the height to follow the angle"
        );
        screen.Until(() => screen.ValueOf("Height") == "23.3", "the plan to take it");
        screen.Type("Angle to the top", "-10");
        screen.Until(
            () =>
                screen.Count("[data-old]") == 1
                && screen
                    .Text("aside [role=alert]")
                    .Contains("not above the angle to the foot", StringComparison.Ordinal),
            "the angles to be refused"
        );
        screen.Chord(Keys.Control, "z");
        screen.Until(() => screen.Count("[data-old]") == 0, "undo to mend it");
        screen.Click("[aria-label='read the angle gauge: top']");
        screen.Until(
            () => screen.Text("aside").Contains("Simulated angle gauge", StringComparison.Ordinal),
            "the gauge to be read"
        );
        Assert.InRange(double.Parse(screen.ValueOf("Angle to the top")), 36, 46);
    }

    [Fact]
    public void Two_views_make_a_lean_and_one_alone_stays_a_guess()
    {
        screen.OpenJob("Lime");
        screen.Send("2");
        screen.Type("Leans right by, left is −, view 1", "-4");
        screen.Type("Leans right by, left is −, view 2", "2");
        screen.Until(
            () => screen.Text("aside").Contains("By both: 4.5° toward 243.5°", StringComparison.Ordinal),
            "the lean of both views"
        );
        screen.Press("Forget view 2");
        screen.Until(
            () => screen.Text("aside").Contains("One view alone", StringComparison.Ordinal),
            "one view to be told apart"
        );
        screen.Until(
            () => screen.Attribute("[aria-label='Lean off plumb: follows']", "data-guess") == "true",
            "the lean to be a guess"
        );
        Assert.Equal("4", screen.ValueOf("Lean off plumb"));
    }

    [Fact]
    public void Sections_are_dragged_on_the_stem_and_the_mass_follows()
    {
        screen.OpenJob("Lime");
        screen.Send("2");
        var before = screen.Text("[data-figure='mass']");
        screen.Press("Sections");
        screen.Until(() => screen.Count("[data-handle='section-1']") == 1, "the sections to be drawn");
        screen.Drag("[data-handle='section-1']", 40, 0);
        screen.Until(() => Number(screen.Text("[data-figure='mass']")) > Number(before) + 50, "the mass to grow");
    }

    [Fact]
    public void The_lay_swings_by_its_handle_and_a_target_moved_under_the_fall_stops_the_plan()
    {
        screen.OpenJob("Spruce");
        screen.Send("3");
        screen.Until(() => screen.Count("[data-handle='lay']") == 1, "the plan to be drawn");
        screen.Focus("[data-handle='lay']");
        screen.Send(Keys.ArrowRight);
        screen.Until(() => screen.ValueOf("Lay toward") == "321", "the lay to turn a degree");
        screen.Drag("[data-handle='lay']", 30, 10);
        screen.Until(() => double.Parse(screen.ValueOf("Lay toward")) > 324, "the lay to follow the hand");
        screen.Chord(Keys.Control, "z");
        screen.Chord(Keys.Control, "z");
        screen.Until(() => screen.ValueOf("Lay toward") == "320", "undo to turn it back");

        screen.Click("[data-target-row='fence']");
        screen.Type("East of the stump, corner 1", "-16 m");
        screen.Type("North of the stump, corner 1", "65.6 ft");
        screen.Until(
            () =>
                Verdict() == "stop"
                && screen.Text("[data-target-row='fence']").EndsWith("HIT", StringComparison.Ordinal),
            "the overlap to stop the plan"
        );
        Assert.Equal("hit", screen.Attribute("[data-target='fence']", "data-state"));
        screen.Chord(Keys.Control, "z");
        screen.Until(() => Verdict() != "stop", "undo to move it back");
    }

    [Fact]
    public void Targets_are_drawn_by_clicks_put_in_by_a_button_and_refused_when_they_cross()
    {
        screen.OpenJob("Spruce");
        screen.Send("3");
        screen.Until(() => screen.Count("[data-handle='lay']") == 1, "the plan to be drawn");
        screen.Press("Draw it");
        foreach (var (across, down) in new[] { (250, 60), (330, 60), (330, 130) })
        {
            screen.ClickAt("main svg[aria-label^='Plan']", across, down);
        }

        screen.Until(() => screen.Text("aside").Contains("3 so far", StringComparison.Ordinal), "three points");
        screen.Send(Keys.Enter);
        screen.Until(
            () => screen.Count("[data-target='building']") == 1 && screen.Count("[data-handle='corner-2']") == 1,
            "the building to stand there"
        );
        screen.UntilSaved();

        screen.Press("Done");
        screen.Press("Put one in");
        screen.Until(() => screen.Count("[data-target='building-2']") == 1, "the usual one");
        var verdict = screen.Text("[data-verdict]");
        screen.Type(
            "East of the stump, corner 1",
            (double.Parse(screen.ValueOf("East of the stump, corner 3").Replace('−', '-')) + 4).ToString("0.#")
        );
        screen.Type(
            "North of the stump, corner 1",
            (double.Parse(screen.ValueOf("North of the stump, corner 3").Replace('−', '-')) - 2).ToString("0.#")
        );
        screen.Until(
            () =>
                screen.Count("[data-old]") == 1
                && screen.Text("aside [role=alert]").Contains("cross one another", StringComparison.Ordinal),
            "the crossing to be refused at its place"
        );
        screen.Press("Take it away");
        screen.Until(
            () => screen.Count("[data-old]") == 0 && screen.Count("[data-target='building-2']") == 0,
            "the plan to be as before"
        );
        Assert.DoesNotContain("To mend", screen.Text("[data-verdict]"), StringComparison.Ordinal);
        Assert.NotEmpty(verdict);
    }

    [Fact]
    public void The_rose_shows_open_lays_and_one_is_picked()
    {
        screen.OpenJob("Lime");
        screen.Send("3");
        screen.Until(() => screen.Count("[data-handle='lay']") == 1, "the plan to be drawn");
        screen.Send("r");
        screen.Until(() => screen.Count("[data-rose] [data-state='open']") > 0, "open lays");
        Assert.Equal(72, screen.Count("[data-rose] path"));
        Assert.True(screen.Count("[data-rose] [data-state='closed']") > 10);
        screen.Click("[data-open-lay='open']");
        screen.Until(() => screen.ValueOf("Lay toward") != "90", "the plan to turn");
        screen.Chord(Keys.Control, "z");
        screen.Until(() => screen.ValueOf("Lay toward") == "90", "undo to turn it back");
        screen.Click("[data-rose] [data-bearing='85']");
        screen.Until(() => screen.ValueOf("Lay toward") == "85", "the petal to be picked");
    }

    [Fact]
    public void A_crews_own_species_is_kept_corrected_and_given_back()
    {
        screen.OpenJob("Lime");
        screen.Send("2");
        var before = screen.Text("[data-figure='mass']");
        screen.Press("Correct it for this crew");
        screen.Type("Green density", "900");
        screen.Press("Keep as ours");
        screen.Until(
            () => screen.Count("[role=dialog]") == 0 && Number(screen.Text("[data-figure='mass']")) > Number(before),
            "our figures to count"
        );
        Assert.Contains("The crew's own figures", screen.Text("aside"), StringComparison.Ordinal);
        screen.Press("Change ours");
        screen.Press("Back to the catalogue's figures");
        screen.Until(() => screen.Text("[data-figure='mass']") == before, "the catalogue's figures to come back");
    }

    [Fact]
    public void GeoJSON_is_read_into_the_site_and_a_broken_file_changes_nothing()
    {
        screen.OpenJob("Spruce");
        screen.Send("3");
        screen.Until(() => screen.Count("[data-target-row]") == 3, "the targets");
        screen.Press("Write the site");
        screen.Until(
            () => screen.Text("aside").Contains("no origin yet", StringComparison.Ordinal),
            "the missing origin to be said"
        );
        screen.Press("Give the stump's place on the map");
        var folder = Directory.CreateTempSubdirectory("draklo-geojson");
        try
        {
            var broken = Path.Combine(folder.FullName, "broken.geojson");
            File.WriteAllText(
                broken,
                """{"type":"FeatureCollection","features":[{"type":"Feature","geometry":{"type":"Polygon","coordinates":[[[0]]]}}]}"""
            );
            screen.Upload("input[aria-label='GeoJSON file']", broken);
            screen.Until(
                () => screen.Text("aside").Contains("broken", StringComparison.Ordinal),
                "the broken file to be refused"
            );
            var good = Path.Combine(folder.FullName, "good.geojson");
            File.WriteAllText(
                good,
                """{"type":"FeatureCollection","features":[{"type":"Feature","properties":{"kind":"wall","name":"Sheepfold"},"geometry":{"type":"LineString","coordinates":[[-3.0004,53.9998],[-3.0002,53.9997]]}}]}"""
            );
            screen.Upload("input[aria-label='GeoJSON file']", good);
            screen.Until(() => screen.Count("[data-target-row='wall']") == 1, "the wall to be read");
            Assert.Equal(4, screen.Count("[data-target-row]"));
        }
        finally
        {
            folder.Delete(recursive: true);
        }
    }

    [Fact]
    public void An_hour_of_the_forecast_goes_into_the_plan()
    {
        screen.OpenJob("Spruce");
        screen.Send("2");
        screen.Press("The day's forecast");
        screen.Click("[aria-label='14:00, take its wind']");
        screen.Until(() => screen.ValueOf("Wind speed") != "2", "the wind to be taken");
        Assert.Contains("Simulated forecast", screen.Text("aside"), StringComparison.Ordinal);
    }

    private string? Verdict() => screen.Attribute("[data-verdict]", "data-verdict");

    private static double Number(string figure) => double.Parse(figure.Split(' ')[0]);
}
