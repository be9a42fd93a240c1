using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Draklo.Browser.Tests.Support;
using OpenQA.Selenium;

namespace Draklo.Browser.Tests;

/// <summary>The sheet as a person uses it, in the real browser on the real server.</summary>
public sealed class SheetTests(Stage stage) : IClassFixture<Stage>
{
    private const string Needed = "[data-figure='needed-tension']";
    private const string Seat = "[data-handle='seat-main']";

    private readonly Screen screen = stage.Begin();

    [Fact]
    public void Dragging_the_seat_up_lowers_the_tension_and_everything_follows()
    {
        screen.OpenJob("Lime");
        var before = Read();
        screen.Drag(Seat, 0, -80);
        screen.Until(() => Read().Needed != before.Needed, "the tension to follow the drag");
        var after = Read();
        Assert.True(double.Parse(screen.ValueOf("Seat above ground")) > 13.5);
        Assert.True(Number(after.Needed) < Number(before.Needed));
        Assert.NotEqual(before.TakeUp, after.TakeUp);
        Assert.NotEqual(before.Knot, after.Knot);
        Assert.NotEqual(before.Hands, after.Hands);
        screen.UntilSaved();
        Assert.Empty(screen.Complaints());
        Assert.Empty(screen.OutsideRequests());

        (string Needed, string TakeUp, string Knot, string Hands) Read() =>
            (
                screen.Text(Needed),
                screen.Text("[data-figure='main.take-up']"),
                screen.Text("[data-link='main.knot']"),
                screen.Text("[data-link='main.hands']")
            );
    }

    [Fact]
    public void Dragging_the_anchor_out_is_one_step_to_undo()
    {
        screen.OpenJob("Lime");
        screen.Drag("[data-handle='anchor-main']", -120, 0);
        screen.Until(() => Distance() < 29, "the anchor to follow the drag");
        screen.Chord(Keys.Control, "z");
        screen.Until(() => Distance() == 30, "undo to put the anchor back");
        screen.Chord(Keys.Control, "z", Keys.Shift);
        screen.Until(() => Distance() < 29, "redo to move it again");

        double Distance() => double.Parse(screen.Attribute("[data-handle='anchor-main']", "aria-valuenow")!);
    }

    [Fact]
    public void Handles_move_by_key_and_by_finger()
    {
        screen.OpenJob("Lime");
        screen.Focus(Seat);
        screen.Send(Keys.ArrowUp);
        screen.Until(() => screen.ValueOf("Seat above ground") == "13.1", "the seat to rise a tenth");
        screen.Chord(Keys.Shift, Keys.ArrowDown);
        screen.Until(() => screen.ValueOf("Seat above ground") == "12.1", "the seat to sink a metre");
        screen.DragByTouch(Seat, 0, -60);
        screen.Until(() => double.Parse(screen.ValueOf("Seat above ground")) > 13, "the seat to follow the finger");
        Assert.Contains("above the ground", screen.Attribute(Seat, "aria-valuetext"), StringComparison.Ordinal);
    }

    [Fact]
    public void Forty_two_feet_are_taken_and_us_units_go_everywhere()
    {
        screen.OpenJob("Lime");
        screen.Type("Seat above ground", "42 ft");
        screen.Until(
            () =>
                screen.Text("main").Contains("seat 12.8 m", StringComparison.Ordinal)
                || screen.Attribute(Seat, "aria-valuetext")!.StartsWith("12.8 m", StringComparison.Ordinal),
            "42 ft to be taken"
        );
        screen.Click("[aria-label='lbf · ft, US customary']");
        screen.Until(() => screen.Text(Needed).EndsWith("lbf", StringComparison.Ordinal), "the units to turn");
        screen.Until(
            () => screen.Text("[data-summary]").Contains("lbf", StringComparison.Ordinal),
            "the verdict to turn"
        );
        screen.Send(Keys.Tab);
        Assert.Equal("42", screen.ValueOf("Seat above ground"));
        foreach (var part in new[] { "[aria-label='Load path']", "aside", "[role=status]" })
        {
            Assert.DoesNotMatch(@"\d (kN|m|cm|mm|kg|MPa)\b", screen.Text(part));
        }
    }

    [Fact]
    public void Every_result_opens_its_workings()
    {
        screen.OpenJob("Lime");
        screen.Click("[data-working='needed-tension']");
        screen.Until(
            () => screen.Text("[data-open-working='needed-tension']").Contains("Method M5", StringComparison.Ordinal),
            "the sum to open"
        );
        Assert.Contains("kN·m", screen.Text("[data-open-working]"), StringComparison.Ordinal);
        screen.Click("[data-link='main.knot']");
        screen.Until(
            () =>
                screen
                    .Text("[data-open-working='link.main.knot']")
                    .Contains("running bowline", StringComparison.Ordinal),
            "the link's sum to open"
        );
        Assert.Equal("true", screen.Attribute("[data-link='main.knot']", "aria-pressed"));
        screen.Press("Close");
        screen.Until(() => screen.Count("[data-open-working]") == 0, "the workings to close");
    }

    [Fact]
    public void Nonsense_is_said_at_its_field_and_the_last_good_figures_stay()
    {
        screen.OpenJob("Lime");
        var good = screen.Text(Needed);
        screen.Type("Seat above ground", "25");
        screen.Until(() => screen.Count("[data-old]") == 1, "the figures to be marked as old");
        Assert.Contains("lower the seat", screen.Text("aside [role=alert]"), StringComparison.Ordinal);
        Assert.Equal(good, screen.Text(Needed));
        screen.UntilSaved();
        screen.Type("Seat above ground", "tall");
        Assert.Contains("is not a length", screen.Text("aside [role=alert]"), StringComparison.Ordinal);
        screen.Send(Keys.Escape);
        screen.Chord(Keys.Control, "z");
        screen.Until(() => screen.Count("[data-old]") == 0, "undo to mend it");
        Assert.Equal(good, screen.Text(Needed));
        Assert.Equal("13", screen.ValueOf("Seat above ground"));
    }

    [Fact]
    public void What_was_changed_is_there_after_a_reload_and_after_the_server_was_killed()
    {
        screen.OpenJob("Spruce");
        screen.Type("Seat above ground", "14.5");
        screen.Until(
            () =>
                screen.Count("[data-save='saved']") == 1
                && screen.Text("[data-save]").Contains("revision 2", StringComparison.Ordinal),
            "the save"
        );
        screen.Reload();
        screen.Until(() => screen.ValueOf("Seat above ground") == "14.5", "the change to be there after a reload");
        stage.App.Kill();

        // Changed while the server is gone: kept by the browser, and saved once the server is back.
        screen.Type("Seat above ground", "14.7");
        screen.Until(
            () => screen.Attribute("[data-save]", "data-save") == "offline",
            "the sheet to say that it is not saved"
        );
        stage.App.Start();
        screen.Until(
            () => screen.Text("[data-save]").Contains("revision 3", StringComparison.Ordinal),
            "the save after the server came back"
        );
        screen.Reload();
        Assert.Equal("14.7", screen.ValueOf("Seat above ground"));
    }

    [Fact]
    public void Figures_go_on_without_the_server_once_the_core_is_in_the_browser()
    {
        screen.TakeAlong();
        screen.OpenJob("Lime");
        var before = screen.Text(Needed);
        string here;
        stage.App.Kill();
        try
        {
            screen.Drag(Seat, 0, 60);
            screen.Until(() => screen.Text(Needed) != before, "figures without the server");
            Assert.NotEqual("mend", screen.Attribute("[data-verdict]", "data-verdict"));
            here = screen.AtRest(Needed);
        }
        finally
        {
            stage.App.Start();
        }

        screen.UntilSaved();
        // Open again, the server has worked it out, and it says the same.
        screen.Reload();
        screen.Until(() => screen.Text(Needed) == here, "the same figure from the server");
    }

    [Fact]
    public async Task A_second_window_never_overwrites_silently()
    {
        screen.OpenJob("Lime");
        var client = stage.Client;
        var list = (await client.GetFromJsonAsync<JsonArray>("/api/jobs"))!;
        var id = list.First(j => j!["name"]!.GetValue<string>().StartsWith("Lime", StringComparison.Ordinal))![
            "id"
        ]!.GetValue<string>();
        await ApartAsync("12", () => SaveElsewhereAsync(client, id, revision: 1, height: 19));
        screen.UntilSaved();
        screen.Until(() => screen.Count("[data-came]") == 1, "word of what came in");
        var joined = (await client.GetFromJsonAsync<JsonObject>($"/api/jobs/{id}"))!;
        Assert.Equal(3, (int)joined["revision"]!);
        Assert.Equal(19, (double)joined["plan"]!["tree"]!["heightM"]!);
        Assert.Equal(12, (double)joined["plan"]!["lines"]![0]!["seat"]!["heightM"]!);

        // The same member on both sides is nobody's to overwrite.
        await ApartAsync("11", () => SaveElsewhereAsync(client, id, revision: 3, height: 20, seat: 14));
        screen.Until(() => screen.Count("[data-clash]") == 1, "the clash to be shown");
        Assert.Contains("Seat above ground", screen.Text("[data-clash]"), StringComparison.Ordinal);
        Assert.Contains("was 12 m", screen.Text("[data-clash]"), StringComparison.Ordinal);
        screen.Press("Drop my changes");
        screen.Until(
            () => screen.Count("[role=dialog]") == 0 && screen.ValueOf("Seat above ground") == "14",
            "the other version to be shown"
        );
        Assert.Equal(4, await RevisionAsync(client, id));

        await ApartAsync("11", () => SaveElsewhereAsync(client, id, revision: 4, height: 20.5, seat: 15));
        screen.Until(() => screen.Count("[data-clash]") == 1, "the clash to be shown again");
        screen.Click("[data-clash] button:first-of-type");
        screen.Press("Settle and save");
        screen.Until(
            () =>
                screen.Count("[role=dialog]") == 0
                && screen.Text("[data-save]").Contains("revision 6", StringComparison.Ordinal),
            "what was settled to be kept"
        );
        var kept = (await client.GetFromJsonAsync<JsonObject>($"/api/jobs/{id}"))!;
        Assert.Equal(11, kept["plan"]!["lines"]![0]!["seat"]!["heightM"]!.GetValue<double>());
        Assert.Equal(20.5, kept["plan"]!["tree"]!["heightM"]!.GetValue<double>());
    }

    [Fact]
    public void The_tree_tips_by_its_handle_without_changing_the_plan()
    {
        screen.OpenJob("Lime");
        var needed = screen.Text(Needed);
        screen.Focus("[data-handle='tilt']");
        for (var i = 0; i < 6; i++)
        {
            screen.Send(Keys.ArrowRight);
        }

        screen.Until(
            () => screen.Attribute("[data-handle='tilt']", "aria-valuetext") == "tipped 3°",
            "the tree to tip"
        );
        Assert.Equal(needed, screen.Text(Needed));
        Assert.NotNull(screen.Attribute("header button[disabled]", "title"));
    }

    [Fact]
    public void The_hinge_is_widened_on_the_stump()
    {
        screen.OpenJob("Lime");
        screen.Send("6");
        screen.Until(() => screen.Count("[data-handle='hinge']") == 1, "the stump to be drawn");
        screen.Drag("[data-handle='hinge']", -24, 0);
        screen.Until(() => double.Parse(screen.ValueOf("Hinge thickness")) > 5, "the hinge to widen");
        screen.Until(() => screen.Text("[data-figure='hinge-bending']") != "6.82 kN·m", "its bending to follow");
    }

    [Fact]
    public void The_seat_is_moved_on_its_chart_and_put_at_the_best_height()
    {
        screen.OpenJob("Lime");
        screen.Until(() => screen.Count("[data-handle='seat-chart']") == 1, "the chart");
        screen.Drag("[data-handle='seat-chart']", -60, 0);
        screen.Until(() => double.Parse(screen.ValueOf("Seat above ground")) < 11, "the seat to follow on the chart");
        screen.Press($"Seat it at {double.Parse(screen.Attribute("[data-best-seat]", "data-best-seat")!):0.0} m");
        screen.Until(
            () =>
                screen.ValueOf("Seat above ground")
                == screen.Attribute("[data-best-seat]", "data-best-seat")!.TrimEnd('0').TrimEnd('.'),
            "the seat to stand at its best"
        );
        screen.Send("b");
        screen.Until(() => screen.Count("svg[aria-label^='Bending along the stem']") == 1, "the stem to be drawn");
    }

    [Fact]
    public void An_anchor_is_chosen_by_kind_and_says_what_it_holds()
    {
        screen.OpenJob("Spruce");
        screen.Send("5");
        screen.Until(() => screen.Count("[data-anchor-holds]") == 1, "what the anchor holds");
        screen.Click("aside [aria-haspopup='listbox']");
        screen.Click("[data-option='pickets']");
        screen.Until(
            () => screen.Text("[data-anchor-holds]").Contains("6.2 kN", StringComparison.Ordinal),
            "what the pickets hold"
        );
        screen.Press("Wet");
        screen.Until(
            () => screen.Text("[data-anchor-holds]").Contains("3.1 kN", StringComparison.Ordinal),
            "wet ground to halve it"
        );
    }

    [Fact]
    public void A_tight_link_offers_what_would_make_it_hold_and_one_click_does_it()
    {
        screen.OpenJob("Lime");
        screen.Click("[data-link='main.hands']");
        screen.Until(() => screen.Count("[data-remedies] li") >= 2, "the remedies");
        screen.Click("[data-remedies] li button");
        screen.Until(() => screen.Attribute("[data-link='main.hands']", "data-state") == "holds", "the link to hold");
        screen.Until(() => screen.Count("[data-remedies]") == 0, "nothing to be left to mend");
        screen.Chord(Keys.Control, "z");
        screen.Until(
            () => screen.Attribute("[data-link='main.hands']", "data-state") == "tight",
            "undo to take it back"
        );
    }

    [Fact]
    public void A_second_line_is_added_checked_and_taken_away_again()
    {
        screen.OpenJob("Lime");
        screen.Press("Add line");
        screen.Until(() => screen.Count("[data-handle='seat-steer']") == 1, "the second line to be drawn");
        screen.Until(
            () => screen.Text("[data-summary]").StartsWith("Check", StringComparison.Ordinal),
            "its anchor to be asked for"
        );
        Assert.Equal(1, screen.Count("[data-link='steer.hands']"));
        screen.Press("Remove");
        screen.Until(() => screen.Count("[data-handle='seat-steer']") == 0, "it to be gone");
        screen.Press("Undo");
        screen.Until(() => screen.Count("[data-handle='seat-steer']") == 1, "undo to bring it back");
    }

    /// <summary>Changes the seat here while this window is offline, and something elsewhere meanwhile.</summary>
    private async Task ApartAsync(string seat, Func<Task> elsewhere)
    {
        screen.InReach(false);
        screen.Type("Seat above ground", seat);
        screen.Until(() => screen.Attribute("[data-save]", "data-save") == "offline", "the save to wait");
        await elsewhere();
        screen.InReach(true);
    }

    private static async Task SaveElsewhereAsync(
        HttpClient client,
        string id,
        int revision,
        double height,
        double? seat = null
    )
    {
        var job = (await client.GetFromJsonAsync<JsonObject>($"/api/jobs/{id}"))!;
        job["plan"]!["tree"]!["heightM"] = height;
        if (seat is not null)
        {
            job["plan"]!["lines"]![0]!["seat"]!["heightM"] = seat;
        }

        using var request = new HttpRequestMessage(HttpMethod.Put, $"/api/jobs/{id}")
        {
            Content = JsonContent.Create(
                new JsonObject { ["name"] = job["name"]!.DeepClone(), ["plan"] = job["plan"]!.DeepClone() }
            ),
        };
        request.Headers.TryAddWithoutValidation("If-Match", $"\"{revision}\"");
        (await client.SendAsync(request)).EnsureSuccessStatusCode();
    }

    private static async Task<int> RevisionAsync(HttpClient client, string id) =>
        (await client.GetFromJsonAsync<JsonObject>($"/api/jobs/{id}"))!["revision"]!.GetValue<int>();

    private static double Number(string figure) => double.Parse(figure.Split(' ')[0]);
}
