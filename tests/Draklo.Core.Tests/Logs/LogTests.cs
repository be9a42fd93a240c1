using Draklo.Core.Gear;
using Draklo.Core.Logs;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Tests;

/// <summary>What a crew says afterwards: what cannot be is told at its member, and every piece is booked.</summary>
public sealed class LogTests
{
    private static readonly DateOnly Today = new(2026, 6, 1);
    private static readonly Plan Lime = Cases
        .Sound()
        .WithMain(l =>
            l with
            {
                Rope = l.Rope with { ItemId = "red" },
                Tackle = l.Tackle with { HardwareItemId = "blocks" },
                Anchor = l.Anchor with
                {
                    Sling = new() { BreakingStrengthN = 60000, ItemId = "sling" },
                },
            }
        );

    private static readonly JobLog Log = new()
    {
        Stage = JobStage.Done,
        On = "2026-05-20",
        By = "Mette",
        Landing = new() { OutM = 17, RightM = 1.3 },
        Lines =
        [
            new()
            {
                LineId = "main",
                PeakN = 1700,
                WentN = 1380,
            },
        ],
    };

    [Fact]
    public void A_plain_log_is_taken_and_learned_from()
    {
        Assert.Empty(Check(Log));
        var learned = LoggedJob.Of(Log, "id", "Lime", Lime, Lime.Analysed());
        Cases.Near(4.37, learned.AimErrorDeg!.Value, 0.01);
        Cases.Near(Lime.Analysed().Pull.NeededTensionN, Assert.Single(learned.Lines).NeededN!.Value, 1e-9);
    }

    [Fact]
    public void A_landing_in_the_next_county_is_refused() =>
        At(
            Log with
            {
                Landing = new() { OutM = 30, RightM = 40 },
            },
            "landing.outM",
            "cannot come down"
        );

    [Fact]
    public void Readings_of_another_job_are_refused()
    {
        At(Line(new() { LineId = "second" }), "lines[0].lineId", "another job");
        At(Line(new() { LineId = "main", PeakN = 90_000 }), "lines[0].peakN", "another job");
        At(
            Line(
                new()
                {
                    LineId = "main",
                    PeakN = 1000,
                    WentN = 1500,
                }
            ),
            "lines[0].wentN",
            "misread"
        );
        At(Line(new() { LineId = "main", SeatM = 30 }), "lines[0].seatM", "cannot sit above");
    }

    [Fact]
    public void Days_stages_names_and_rows_are_looked_at()
    {
        At(Log with { On = "2026-06-02" }, "on", "future");
        At(Log with { On = "last week" }, "on", "year-month-day");
        At(Log with { By = "" }, "by", "Say who");
        At(Log with { Stage = JobStage.Planned }, "stage", "follow from the plan");
        At(Log with { Stage = JobStage.CalledOff }, "because", "Say why");
        At(Log with { NearMisses = [new() { What = " " }] }, "nearMisses[0].what", "Say what happened");
        At(Log with { Gear = [new() { ItemId = "other" }] }, "gear[0].itemId", "does not hang");
        At(Log with { Knots = [new() { KnotId = "granny", Undone = Undone.ByHand }] }, "knots[0].knotId", "table");
        var picture = new PictureLog { Hash = new('a', 64) };
        At(Log with { Pictures = [picture, picture] }, "pictures", "twice");
        At(
            Log with
            {
                Minutes = [new() { TaskId = "cuts", Minutes = 4 }, new() { TaskId = "cuts", Minutes = 5 }],
            },
            "minutes",
            "twice"
        );
    }

    [Fact]
    public void Every_piece_is_booked_with_its_part_of_the_peak()
    {
        var analysis = Lime.Analysed();
        var booked = GearBooking
            .Of(Log, "id", "Lime", Lime, analysis)
            .ToDictionary(b => b.ItemId, StringComparer.Ordinal);
        Assert.Equal(["blocks", "red", "sling"], booked.Keys.Order(StringComparer.Ordinal));
        Cases.Near(1700, booked["red"].Use.PeakN!.Value, 0.001);
        // The blocks carry more than the line, as the load path shares it out.
        var blocks = analysis.Links.Single(l => l.Kind == Draklo.Core.Links.LinkKind.Blocks).LoadValue;
        Cases.Near(blocks / analysis.Pull.PlannedTensionN * 1700, booked["blocks"].Use.PeakN!.Value, 0.001);
        Assert.All(booked.Values, b => Assert.Null(b.Look));
    }

    [Fact]
    public void What_was_seen_is_looked_at_again_and_a_jerk_is_written_down()
    {
        var log = Line(
            new()
            {
                LineId = "main",
                PeakN = 1700,
                Shock = true,
            }
        ) with
        {
            Gear =
            [
                new()
                {
                    ItemId = "red",
                    Findings = [Finding.Glazed],
                    AtM = 12,
                },
            ],
            Knots =
            [
                new()
                {
                    KnotId = "running-bowline",
                    ItemId = "red",
                    Undone = Undone.WithTools,
                },
            ],
        };
        var red = GearBooking.Of(log, "id", "Lime", Lime, Lime.Analysed()).Single(b => b.ItemId == "red");
        Assert.True(red.Use.Shock);
        Assert.Equal(1, red.Use.Jams);
        Assert.Equal(InspectionOutcome.Watch, red.Look!.Outcome);
        Assert.Equal(12, red.Look.AtM);
    }

    [Fact]
    public void A_job_called_off_books_nothing() =>
        Assert.Empty(
            GearBooking.Of(
                Log with
                {
                    Stage = JobStage.CalledOff,
                    Because = "wind",
                },
                "id",
                "Lime",
                Lime,
                Lime.Analysed()
            )
        );

    private static JobLog Line(LineLog line) => Log with { Lines = [line] };

    private static List<Problem> Check(JobLog log) =>
        LogRules.Check(log, Lime, Lime.Analysed(), Today, UnitSystem.Metric);

    private static void At(JobLog log, string path, string says) =>
        Assert.Contains(says, Assert.Single(Check(log), p => p.Path == path).Message, StringComparison.Ordinal);
}
