using Draklo.Core.Plans;
using Draklo.Core.Pulling;
using static Draklo.Core.Tests.Banks;

namespace Draklo.Core.Tests;

/// <summary>The day of a clearing: loads counted and timed, its line held against what it may read.</summary>
public sealed class LoadDayTests
{
    private readonly Diary diary = new(PlanOf(Bank() with { Way = ClearingWay.Drag }));

    private LoadsView Loads => diary.Day.Loads!;

    private double Most => diary.Basis.Loads!.MostN!.Value;

    private double Planned => diary.Basis.Loads!.Line!.LoadValue;

    [Fact]
    public void A_clearing_alone_is_brief_and_loads_and_after_a_pull_it_comes_last()
    {
        Assert.Equal([PullStep.Brief, PullStep.Clear], diary.Day.Steps.Select(s => s.Step));
        Assert.Equal("Signed by all. Clear next.", diary.Answer.Title);
        var both = new Diary(PlanOf(Bank() with { Alone = false }));
        Assert.Equal(PullStep.Clear, both.Day.Steps[^1].Step);
        Assert.NotEqual(LoadBasis.LineId, both.Day.Lines[0].Id);
        both.At(PullStep.Pull).Sees(new() { LeanDeg = 80, FallerOut = true });
        Assert.Equal("Down. Clear next.", both.To(PullStep.Down).Answer.Title);
        Assert.Equal(LoadBasis.LineId, Assert.Single(both.To(PullStep.Clear).Day.Lines).Id);
    }

    [Fact]
    public void Loads_are_counted_and_timed_and_what_is_left_is_worked_out_from_the_middle_one()
    {
        diary.To(PullStep.Clear);
        Assert.Equal(0, Loads.Moved);
        Assert.Equal(Loads.Planned * Loads.EachMin.Nominal, Loads.ToGoMin!.Value, 1e-9);
        // The diary puts 20 s between two entries.
        diary.Waits(100).Load().Waits(220).Load().Waits(40).Load();
        Assert.Equal([2, 4, 1], Loads.LapsMin);
        Assert.Equal(2, Loads.MiddleMin);
        Assert.Equal((Loads.Planned - 3) * 2, Loads.ToGoMin!.Value, 1e-9);
        Assert.Equal($"As expected. Load 4 of {Loads.Planned}.", diary.Answer.Title);
    }

    [Fact]
    public void A_stop_is_not_in_a_load_s_time()
    {
        diary.To(PullStep.Clear).Waits(40);
        Assert.Empty(diary.Say(diary.Entry(EntryKind.Stop) with { Because = "somebody under it" }));
        Assert.Null(Loads.Since);
        Assert.Equal(60, Loads.BeforeS);
        Assert.Equal("kind", Assert.Single(diary.Say(diary.Entry(EntryKind.Load))).Path);
        diary.Waits(600);
        Assert.Empty(diary.Say(diary.Entry(EntryKind.Resume) with { Because = "clear" }));
        Assert.Equal([1 + (20 / 60.0)], diary.Load().Day.Loads!.LapsMin.Select(m => Math.Round(m, 2)), Near);
    }

    [Fact]
    public void A_load_taken_back_no_longer_counts_and_one_left_over_lunch_is_counted_and_not_timed()
    {
        diary.To(PullStep.Clear).Load().Waits(5 * 3600).Load();
        Assert.Equal(2, Loads.Moved);
        Assert.Single(Loads.LapsMin);
        Assert.Empty(diary.Say(diary.Entry(EntryKind.Undo) with { Undoes = diary.Entries[^1].Number }));
        Assert.Equal(1, Loads.Moved);
    }

    [Fact]
    public void The_last_load_says_so()
    {
        diary.To(PullStep.Clear);
        for (var i = 0; i < diary.Basis.Loads!.Way.Loads; i++)
        {
            diary.Load();
        }

        Assert.Contains("there. The day is kept", diary.Answer.Title, StringComparison.Ordinal);
        Assert.Null(Loads.ToGoMin);
    }

    [Fact]
    public void A_load_before_its_step_is_refused()
    {
        Assert.Equal("step", Assert.Single(diary.Say(diary.Entry(EntryKind.Load))).Path);
        Assert.Equal(0, Loads.Moved);
    }

    [Theory]
    [InlineData(1.0, "", PullVerdict.GoOn)]
    [InlineData(1.3, "load-over-plan", PullVerdict.LookAgain)]
    public void The_line_is_held_against_the_plan(double ofPlan, string codes, PullVerdict state)
    {
        diary.To(PullStep.Clear).Reads(ofPlan * Planned, LoadBasis.LineId);
        Assert.Equal(codes, diary.Codes);
        Assert.Equal(state, diary.Answer.State);
        Assert.Equal(ofPlan * Planned, Loads.PeakN!.Value, 1e-6);
    }

    [Fact]
    public void Over_the_most_it_stops_and_just_under_it_may_be_over()
    {
        Assert.True(Most > 1.3 * Planned, "the bank's plan has room above what it plans");
        diary.To(PullStep.Clear).Reads(1.01 * Most, LoadBasis.LineId);
        Assert.Equal("load-over-most", diary.Codes);
        Assert.Equal(PullVerdict.Stop, diary.Answer.State);
        diary.Reads(0.99 * Most, LoadBasis.LineId);
        Assert.Equal("load-may-be-over", diary.Codes);
        // What was read stays the peak, whatever is read later.
        Assert.Equal(1.01 * Most, diary.Reads(Planned, LoadBasis.LineId).Day.Loads!.PeakN!.Value, 1e-6);
    }

    /// <summary>With the line at its most, no link is past what it may carry; a little over, the first is.</summary>
    [Theory]
    [InlineData(ClearingWay.Drag)]
    [InlineData(ClearingWay.Fly)]
    [InlineData(ClearingWay.ButtUp)]
    public void The_most_leaves_every_link_within_its_factor(ClearingWay way)
    {
        var loads = new Diary(PlanOf(Bank() with { Way = way })).Basis.Loads!;
        var grows = loads.MostN!.Value / loads.Line!.LoadValue;
        Assert.All(loads.Way.Links.Where(l => !l.Effort), l => Assert.True(l.Use * grows <= 1 + 1e-9, l.Name));
        Assert.Contains(loads.Way.Links, l => l.Use * grows > 1 - 1e-9 || l == loads.Line);
    }

    [Fact]
    public void What_rubs_and_an_anchor_that_stirs_stop_the_loads_and_the_pull_s_own_words_do_not()
    {
        diary.To(PullStep.Clear).Sees(new() { FootLifted = true });
        Assert.Equal("", diary.Codes);
        diary.Sees(new() { Rubs = true, AnchorMovedM = 0.02 });
        Assert.Equal("anchor-stirs line-rubs", string.Join(' ', diary.Codes.Split(' ').Order()));
    }

    [Fact]
    public void A_brief_that_is_void_stops_the_loads()
    {
        diary.To(PullStep.Clear);
        diary.BriefWords = "The plan has moved.";
        Assert.Equal(PullVerdict.Stop, diary.Answer.State);
    }

    [Fact]
    public void A_way_without_a_line_has_none_to_read()
    {
        var carry = new Diary(PlanOf(Bank() with { Way = ClearingWay.Carry })).To(PullStep.Clear).Load();
        Assert.Empty(carry.Day.Lines);
        Assert.Equal(1, carry.Day.Loads!.Moved);
        var read = ReadTension.OfLoads(carry.Basis, new() { Way = TensionWay.Cell, ReadN = 100 });
        Assert.Equal("lineId", read.Problem!.Path);
    }

    [Fact]
    public void A_loaded_line_is_not_plucked()
    {
        var read = ReadTension.OfLoads(
            diary.Basis,
            new()
            {
                Way = TensionWay.Pluck,
                Returns = 10,
                Seconds = 4,
            }
        );
        Assert.Equal("tension.way", read.Problem!.Path);
    }

    private static bool Near(double a, double b) => Math.Abs(a - b) < 0.011;
}
