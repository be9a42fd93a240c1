using Draklo.Core.Plans;
using Draklo.Core.Pulling;

namespace Draklo.Core.Tests;

/// <summary>Steps in their order, one mover at a time, everything undoable and kept.</summary>
public sealed class EntryRulesTests
{
    private readonly Diary diary = Diary.OfTheLime();

    [Fact]
    public void A_step_is_not_jumped_over()
    {
        var problem = Assert.Single(diary.Say(diary.Entry(EntryKind.Move) with { To = PullStep.Floor }));
        Assert.Equal("to", problem.Path);
        Assert.Equal("Slack out comes before floor.", problem.Message);
        Assert.Equal(PullStep.Brief, diary.Day.Now);
    }

    [Fact]
    public void Of_two_people_on_the_same_step_the_second_hears_who_went_on()
    {
        var second = diary.Entry(EntryKind.Move, "Ole") with { To = PullStep.SlackOut };
        diary.To(PullStep.SlackOut);
        var problem = Assert.Single(diary.Say(second));
        Assert.Equal("step", problem.Path);
        Assert.Equal("Runa went to slack out at 08:00: look at the step again before you go on.", problem.Message);
    }

    [Fact]
    public void Against_the_answer_only_with_a_because()
    {
        diary.To(PullStep.SlackOut);
        var on = diary.Entry(EntryKind.Move) with { To = PullStep.BedTest };
        Assert.Equal("because", Assert.Single(diary.Say(on)).Path);
        Assert.Empty(diary.Say(on with { Because = "Looked at it myself" }));
        Assert.Equal("Looked at it myself", diary.Entries[^1].Entry.Because);
    }

    [Fact]
    public void Back_is_free_from_anywhere()
    {
        diary.At(PullStep.Planned);
        Assert.Empty(diary.Say(diary.Entry(EntryKind.Move) with { To = PullStep.SlackOut }));
        Assert.Equal(PullStep.SlackOut, diary.Day.Now);
    }

    [Fact]
    public void After_a_stop_nobody_goes_on_until_somebody_says_why()
    {
        diary.To(PullStep.SlackOut).Sees(new() { Rigged = true });
        Assert.Empty(diary.Say(diary.Entry(EntryKind.Stop, "Tove") with { Because = "a walker" }));
        Assert.Equal("Tove: a walker", diary.Day.StopWords);
        var on = diary.Entry(EntryKind.Move) with { To = PullStep.BedTest, Because = "all the same" };
        Assert.Equal("kind", Assert.Single(diary.Say(on)).Path);
        Assert.Equal("because", Assert.Single(diary.Say(diary.Entry(EntryKind.Resume))).Path);
        Assert.Empty(diary.Say(diary.Entry(EntryKind.Resume) with { Because = "gone by" }));
        Assert.Empty(diary.Say(on));
        Assert.Equal("kind", Assert.Single(diary.Say(diary.Entry(EntryKind.Resume) with { Because = "twice" })).Path);
    }

    [Fact]
    public void What_is_taken_back_no_longer_counts_and_stays_to_be_read()
    {
        diary.At(PullStep.BedTest).Reads(900);
        var reading = diary.Entries[^1].Number;
        Assert.NotNull(diary.Day.Lines[0].ReadN);
        Assert.Empty(diary.Say(diary.Entry(EntryKind.Undo) with { Undoes = reading }));
        Assert.Null(diary.Day.Lines[0].ReadN);
        Assert.Contains(diary.Entries, e => e.Number == reading);
        Assert.Equal("undoes", Assert.Single(diary.Say(diary.Entry(EntryKind.Undo) with { Undoes = reading })).Path);
        Assert.Equal("undoes", Assert.Single(diary.Say(diary.Entry(EntryKind.Undo) with { Undoes = 999 })).Path);
    }

    [Fact]
    public void Taking_a_move_back_leads_back_to_the_step_before()
    {
        diary.To(PullStep.SlackOut).To(PullStep.BedTest);
        Assert.Empty(diary.Say(diary.Entry(EntryKind.Undo) with { Undoes = diary.Entries[^1].Number }));
        Assert.Equal(PullStep.SlackOut, diary.Day.Now);
    }

    [Fact]
    public void A_day_begun_again_begins_at_the_brief_and_keeps_what_was()
    {
        diary.At(PullStep.Floor).Reads(1500);
        var kept = diary.Entries.Count;
        Assert.Equal("because", Assert.Single(diary.Say(diary.Entry(EntryKind.Again))).Path);
        Assert.Empty(diary.Say(diary.Entry(EntryKind.Again) with { Because = "rain came" }));
        Assert.Equal(PullStep.Brief, diary.Day.Now);
        Assert.Null(diary.Day.Lines[0].ReadN);
        Assert.Equal(kept + 1, diary.Entries.Count);
    }
}
