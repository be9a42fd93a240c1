using Draklo.Core.Analyses;
using Draklo.Core.Clearing;
using Draklo.Core.Learning;
using Draklo.Core.Logs;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Banks;

namespace Draklo.Core.Tests;

/// <summary>What is said of a clearing afterwards: its times, what it books on the gear, what of it stands in the next plan.</summary>
public sealed class ClearingLogTests
{
    [Fact]
    public void The_middle_load_is_taken_and_what_was_said_where_none_was_timed()
    {
        Assert.Equal(4, new ClearingLog { Way = ClearingWay.Fly, LapsMin = [3, 9, 4] }.MiddleMin());
        Assert.Equal(3.5, new ClearingLog { Way = ClearingWay.Fly, LapsMin = [3, 9, 4, 3] }.MiddleMin());
        Assert.Equal(5, new ClearingLog { Way = ClearingWay.Fly, EachMin = 5 }.MiddleMin());
        Assert.Null(new ClearingLog { Way = ClearingWay.Fly }.MiddleMin());
    }

    [Fact]
    public void Two_clearings_give_a_share_of_the_table_that_a_plan_takes_and_gives_back()
    {
        var plan = PlanOf(Bank());
        var table = WayTable.EachMin(plan, ClearingWay.Fly)!.Value;
        Assert.DoesNotContain(Figures(Logged(plan, table * 1.5)), f => f.MayUse);
        var figure = Figures(Logged(plan, table * 1.4), Logged(plan, table * 1.6)).Single();
        Assert.True(figure.MayUse);
        Assert.Equal("cycle.fly", figure.Id);
        Assert.Equal(1.5, figure.Value.Nominal, 1e-9);
        var own = OwnEdits.With(plan, figure);
        Assert.Equal(Math.Round(1.5 * table, 1), own.Clearing!.Times.Single().EachMin);
        Assert.Equal(Provenance.Crew, own.Provenance["clearing.times[0].eachMin"]);
        var slower = ClearingAnalysis.Of(own, UnitSystem.Metric).Analysis!.Ways.Single(w => w.Way == ClearingWay.Fly);
        Assert.Equal(Math.Round(1.5 * table, 1), slower.EachMin.Nominal);
        Assert.Equal(Cases.Json(plan).ToJsonString(), Cases.Json(OwnEdits.Without(own, figure)).ToJsonString());
        // A plan of another way has no place for it.
        Assert.Empty(OwnEdits.Of(PlanOf(Bank() with { Way = ClearingWay.Drag }), [figure], UnitSystem.Metric));
    }

    [Fact]
    public void The_line_s_peak_is_shared_out_over_what_the_way_used()
    {
        var clearing = Bank() with
        {
            Line = Strong with { ItemId = "line-1" },
            Haul = Hand with { ItemId = "haul-1" },
            Carriage = new() { StrengthN = 40_000, ItemId = "car-1" },
            Tag = Hand with { ItemId = "tag-1" },
        };
        var plan = PlanOf(clearing);
        var way = Chosen(clearing);
        var booked = Booked(plan, new() { Way = ClearingWay.Fly, PeakN = 2 * way.Link("line").LoadValue });
        Assert.Equal(2 * way.Link("line").LoadValue, booked["line-1"].Use.PeakN!.Value, 1e-6);
        Assert.Equal(2 * way.Link("carriage").LoadValue, booked["car-1"].Use.PeakN!.Value, 1e-6);
        Assert.DoesNotContain("tag-1", booked.Keys);
        Assert.DoesNotContain(plan.Lines[0].Rope.ItemId ?? "none", booked.Keys);
        Assert.Null(Booked(plan, new() { Way = ClearingWay.Fly })["line-1"].Use.PeakN);
    }

    [Fact]
    public void A_rope_that_was_slid_on_is_marked_so()
    {
        var slide = OverGlass() with
        {
            Alone = true,
            Way = ClearingWay.Slide,
            Low = Fast(30),
            Line = Hand with { ItemId = "old-1" },
            Slide = new()
            {
                TopHeightM = 11,
                OldRope = true,
                Metal = Metal.Steel,
            },
        };
        Assert.Contains("no load", Booked(PlanOf(slide), new() { Way = ClearingWay.Slide })["old-1"].Use.Note);
        var caught = slide with { Way = ClearingWay.Catch };
        Assert.True(Booked(PlanOf(caught), new() { Way = ClearingWay.Catch })["old-1"].Use.Shock);
    }

    [Fact]
    public void What_cannot_have_been_is_refused()
    {
        var log = Log(new() { Way = ClearingWay.Fly, LapsMin = [3, 0] });
        Assert.Contains(
            LogRules.Check(log, PlanOf(Bank()), null, new(2026, 11, 27), UnitSystem.Metric),
            p => p.Path == "clearing.lapsMin[1]"
        );
        var none = Log(new() { Way = ClearingWay.Fly, Loads = 4 });
        Assert.Contains(
            LogRules.Check(none, Cases.Sound(), null, new(2026, 11, 27), UnitSystem.Metric),
            p => p.Path == "clearing.way"
        );
    }

    private static JobLog Log(ClearingLog clearing) =>
        new()
        {
            Stage = JobStage.Cleared,
            On = "2026-11-20",
            By = "Runa",
            Clearing = clearing,
        };

    private static LoggedJob Logged(Plan plan, double each) =>
        LoggedJob.Of(
            Log(
                new()
                {
                    Way = ClearingWay.Fly,
                    EachMin = each,
                    Loads = 20,
                }
            ),
            "j",
            "Bank",
            plan,
            null
        );

    private static IReadOnlyList<LearnedFigure> Figures(params LoggedJob[] jobs) =>
        Learned.Of(jobs, [], new HashSet<string>());

    private static Dictionary<string, GearBooked> Booked(Plan plan, ClearingLog clearing) =>
        GearBooking
            .Of(
                Log(clearing),
                "j",
                "Bank",
                plan,
                PlanAnalysis.Of(plan, UnitSystem.Metric, withWorkings: false).Analysis
            )
            .ToDictionary(b => b.ItemId, StringComparer.Ordinal);
}
