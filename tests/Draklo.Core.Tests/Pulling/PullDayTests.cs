using Draklo.Core.Plans;
using Draklo.Core.Pulling;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>The steps of the day and the answer at each.</summary>
public sealed class PullDayTests
{
    private readonly Diary diary = Diary.OfTheLime();

    private double Floor => diary.Basis.FloorN;

    private double Ceiling => diary.Basis.CeilingN;

    [Theory]
    [InlineData(PullOrder.TightFirst, "Brief SlackOut BedTest Floor Hold Planned Notch BackCut Pull Down")]
    [InlineData(PullOrder.FollowThePull, "Brief SlackOut BedTest Floor Hold Notch BackCut Pull Down")]
    [InlineData(PullOrder.PresetHinge, "Brief SlackOut BedTest Floor Hold Notch BackCut Planned Pull Down")]
    public void Steps_follow_the_school(PullOrder order, string steps) =>
        Assert.Equal(steps, string.Join(' ', PullSteps.Of(Sound() with { Cut = Sound().Cut with { Order = order } })));

    [Fact]
    public void A_day_that_goes_as_planned_is_a_go_at_every_step()
    {
        Assert.Equal(PullVerdict.GoOn, diary.Answer.State);
        diary.To(PullStep.SlackOut).Sees(new() { Rigged = true });
        Assert.Equal("As expected. Bed test next.", diary.Answer.Title);
        diary
            .To(PullStep.BedTest)
            .Reads(diary.Basis.PlannedN / 4)
            .AllIsWell()
            .Sees(new() { CameM = Comes(diary.Basis.PlannedN / 4) });
        Assert.Equal("", diary.Codes);
        diary.To(PullStep.Floor).Reads(Floor * 1.05).AllIsWell().Sees(new() { CameM = Comes(Floor * 1.05) });
        Assert.Equal("As expected. Hold next.", diary.Answer.Title);
        diary.To(PullStep.Hold).Reads(Floor * 1.04).AllIsWell();
        Assert.Equal("hold-short", diary.Codes);
        diary.Waits(120).Reads(Floor * 1.03);
        Assert.Equal(PullVerdict.GoOn, diary.Answer.State);
        diary.To(PullStep.Planned).Reads(Math.Min(Ceiling, diary.Basis.PlannedN) * 0.97).AllIsWell();
        Assert.Equal("", diary.Codes);
        Assert.Contains("nobody has said how far the seat came", diary.Answer.Title, StringComparison.Ordinal);
        diary.To(PullStep.Notch).AllIsWell().To(PullStep.BackCut).AllIsWell();
        Assert.Equal("The faller says when they are out.", diary.Answer.Title);
        diary.Sees(new() { FallerOut = true });
        Assert.Equal(PullVerdict.GoOn, diary.Answer.State);
        diary.To(PullStep.Pull).Sees(new() { LeanDeg = diary.Basis.CommitDeg + 1 });
        Assert.Equal("As expected. Down next.", diary.Answer.Title);
        Assert.StartsWith("Down.", diary.To(PullStep.Down).Answer.Title, StringComparison.Ordinal);
        Assert.Null(diary.Answer.Next);
    }

    [Fact]
    public void Targets_are_a_quarter_the_floor_and_never_over_the_most()
    {
        var basis = diary.Basis;
        Assert.Equal(basis.PlannedN / 4, basis.TargetN(PullStep.BedTest));
        Assert.Equal(basis.FloorN, basis.TargetN(PullStep.Floor));
        Assert.True(basis.TargetN(PullStep.Planned) <= basis.CeilingN);
        Assert.Null(basis.TargetN(PullStep.SlackOut));
    }

    [Fact]
    public void The_seat_comes_in_proportion_to_the_tension()
    {
        Assert.Equal(2 * Comes(1000), Comes(2000), 1e-9);
        // The analysis tells the same of the needed tension.
        var analysis = diary.Basis.Analysis;
        Assert.Equal(analysis.Stem.SeatMovementM, Comes(analysis.Pull.NeededTensionN), 1e-6);
    }

    /// <param name="share">Of the floor at the floor, of the most at the plan.</param>
    [Theory]
    [InlineData(PullStep.Floor, 0.8, "under-floor", PullVerdict.LookAgain)]
    [InlineData(PullStep.Floor, 1.01, "may-be-under", PullVerdict.LookAgain)]
    [InlineData(PullStep.Floor, 1.1, "", PullVerdict.GoOn)]
    [InlineData(PullStep.Planned, 1.05, "over-ceiling", PullVerdict.Stop)]
    [InlineData(PullStep.Planned, 0.99, "may-be-over", PullVerdict.LookAgain)]
    public void A_reading_is_held_against_the_window(PullStep step, double share, string code, PullVerdict state)
    {
        diary.At(step).AllIsWell().Reads(share * (step == PullStep.Floor ? Floor : Ceiling));
        Assert.Equal(code, diary.Codes);
        Assert.Equal(state, diary.Answer.State);
    }

    [Theory]
    [InlineData(2.2, "moves-twice", PullVerdict.Stop)]
    [InlineData(1.7, "moves-more", PullVerdict.LookAgain)]
    [InlineData(1.1, "", PullVerdict.GoOn)]
    [InlineData(0.3, "moves-less", PullVerdict.LookAgain)]
    [InlineData(-0.5, "sat-back", PullVerdict.Stop)]
    public void Movement_seen_is_held_against_movement_expected(double share, string code, PullVerdict state)
    {
        diary.At(PullStep.Floor).Reads(Floor * 1.1).AllIsWell().Sees(new() { CameM = share * Comes(Floor * 1.1) });
        Assert.Equal(code, diary.Codes);
        Assert.Equal(state, diary.Answer.State);
    }

    [Fact]
    public void What_was_seen_at_a_lower_tension_says_nothing_at_a_higher_one()
    {
        diary.At(PullStep.BedTest).Reads(500).Sees(new() { Bedded = true, CameM = Comes(500) });
        diary.To(PullStep.Floor).Reads(Floor * 1.1);
        Assert.Equal("not-looked-at", diary.Codes);
        Assert.Equal(
            "Look at how the line lies on the stem, small wood, the foot and the anchor’s mark, and say so.",
            diary.Answer.Title
        );
        diary.AllIsWell();
        Assert.Equal("", diary.Codes);
    }

    [Fact]
    public void The_anchor_may_settle_once_and_not_go_on_moving()
    {
        diary
            .At(PullStep.Floor)
            .Reads(Floor * 1.1)
            .Sees(
                new()
                {
                    Bedded = true,
                    WoodBroke = false,
                    FootLifted = false,
                    AnchorMovedM = 0.004,
                }
            );
        Assert.Equal("anchor-settled", diary.Codes);
        diary.Sees(new() { AnchorMovedM = 0.006 });
        Assert.Equal("anchor-stirs", diary.Codes);
        Assert.Equal(PullVerdict.Stop, diary.Answer.State);
    }

    [Theory]
    [InlineData(0.95, "")]
    [InlineData(0.85, "lost-tenth")]
    public void A_tenth_lost_in_the_hold_is_a_stop(double share, string code)
    {
        diary
            .At(PullStep.Floor)
            .Sees(new() { Bedded = true })
            .Reads(Floor * 1.25)
            .To(PullStep.Hold)
            .AllIsWell()
            .Waits(120)
            .Reads(Floor * 1.25 * share);
        Assert.Equal(code, diary.Codes);
        Assert.Equal(1 - share, diary.Day.Lines[0].LostShare!.Value, 1e-6);
    }

    [Fact]
    public void Every_switch_that_says_something_is_wrong_says_so()
    {
        diary.At(PullStep.BackCut).Reads(Floor * 1.1);
        foreach (
            var (seen, code) in new[]
            {
                (new WatchedDocument { FootLifted = true }, "foot-lifted"),
                (new() { MovedAside = true }, "moves-aside"),
                (new() { HingeCracked = true }, "hinge-cracks"),
                (new() { Rubs = true }, "line-rubs"),
                (new() { GripCreptM = 0.02 }, "grip-crept"),
            }
        )
        {
            diary.Sees(seen);
            Assert.Contains(code, diary.Codes, StringComparison.Ordinal);
        }
    }

    [Fact]
    public void A_void_brief_stops_the_day()
    {
        diary.At(PullStep.Floor).AllIsWell().Reads(Floor * 1.1);
        diary.BriefWords = "The plan has moved since brief 1 was issued.";
        Assert.Equal("brief-void", diary.Codes);
        Assert.Equal(PullVerdict.Stop, diary.Answer.State);
    }

    [Fact]
    public void A_pull_is_followed_by_lean_rope_and_tension()
    {
        var basis = diary.Basis;
        diary.At(PullStep.Pull);
        Assert.Equal("faller-out-unknown no-lean", diary.Codes);
        diary.Sees(new() { FallerOut = false });
        Assert.Equal("faller-in", diary.Codes.Split(' ')[0]);
        diary.Sees(new() { FallerOut = true });
        Assert.Equal("no-lean", diary.Codes);
        diary.Sees(new() { LeanDeg = 2 }).Reads(basis.TensionAt(0, 2));
        Assert.Equal("not-past", diary.Codes);
        diary.Sees(new() { LeanDeg = 2.2 }).Reads(basis.TensionAt(0, 2.2) * 1.6);
        Assert.Contains("tension-rises", diary.Codes, StringComparison.Ordinal);
        diary.Sees(new() { HauledM = basis.HauledAt(0, 2.2) + 2 });
        Assert.Contains("hauled-more", diary.Codes, StringComparison.Ordinal);
        diary.Sees(new() { HauledM = diary.Day.Lines[0].HaulM });
        Assert.Contains("haul-in-not-past", diary.Codes, StringComparison.Ordinal);
        diary.Sees(new() { LeanDeg = basis.CommitDeg });
        Assert.Equal(PullVerdict.GoOn, diary.Answer.State);
    }

    [Fact]
    public void The_curve_falls_to_nothing_and_the_rope_comes_in_as_far_as_is_said()
    {
        var curve = diary.Basis.Curve(0);
        var pull = diary.Basis.Analysis.Pull;
        Assert.Equal(pull.TensionAtRestN, curve[0].TensionN, 1e-6);
        Assert.Equal(0, curve[^1].TensionN);
        Assert.Equal(curve.OrderByDescending(p => p.TensionN), curve);
        // Haul without the stretch, which is in the line before the pull begins.
        var line = pull.Lines[0];
        Assert.Equal((line.TakeUpM - line.StretchM) * line.Tackle.IdealAdvantage, curve[^1].HauledM, 1e-6);
    }

    [Fact]
    public void Two_lines_are_read_each_in_its_turn()
    {
        var two = new Diary(SideLeaner());
        two.At(PullStep.BedTest).AllIsWell();
        var lines = two.Day.Lines;
        Assert.Equal([1, 2], lines.Select(l => l.Turn));
        Assert.Equal("no-reading-1 no-reading-2", two.Codes);
        two.Reads(lines[0].TargetN!.Value, lines[0].Id);
        Assert.Equal("no-reading-2", two.Codes);
        two.Reads(lines[1].TargetN!.Value, lines[1].Id);
        Assert.Equal(PullVerdict.GoOn, two.Answer.State);
        // The second line moves the first one's seat too.
        Assert.NotEqual(lines[0].ExpectedM, two.Day.Lines[0].ExpectedM);
    }

    /// <summary>What a step may never say, whatever the step: read again, hold, or stop.</summary>
    [Theory]
    [InlineData(PullStep.BedTest, 1.01)]
    [InlineData(PullStep.BackCut, 1.01)]
    [InlineData(PullStep.Pull, 1.01)]
    [InlineData(PullStep.Pull, 20)]
    public void Over_the_most_is_a_stop_at_the_first_reading(PullStep step, double share)
    {
        diary.At(step).AllIsWell().Reads(share * Ceiling);
        Assert.Equal(PullVerdict.Stop, diary.Answer.State);
        // Once the back cut is done the tree hangs on the line: nobody is told to let off.
        var said = Assert.Single(diary.Answer.Findings, f => f.Code == "over-ceiling").Text;
        Assert.Equal(step != PullStep.Pull, said.Contains("let off", StringComparison.Ordinal));
    }

    [Fact]
    public void Three_times_the_last_is_read_again_and_a_stop_when_it_comes_twice()
    {
        diary.At(PullStep.Pull).Sees(new() { FallerOut = true, LeanDeg = 3 }).Reads(0.25 * Ceiling);
        Assert.Equal("not-past", diary.Codes);
        diary.Reads(0.8 * Ceiling);
        Assert.Contains("jumped", diary.Codes, StringComparison.Ordinal);
        Assert.DoesNotContain("jumped-twice", diary.Codes, StringComparison.Ordinal);
        diary.Reads(0.8 * Ceiling);
        Assert.Contains("jumped-twice", diary.Codes, StringComparison.Ordinal);
        Assert.Equal(PullVerdict.Stop, diary.Answer.State);
        diary.Reads(0.26 * Ceiling);
        Assert.Equal("not-past", diary.Codes);
    }

    /// <summary>Bringing a line up from the bed test to the plan is no jump.</summary>
    [Fact]
    public void Tightening_is_no_jump()
    {
        var planned = Math.Min(Ceiling, diary.Basis.PlannedN);
        diary.At(PullStep.BedTest).Reads(planned / 4).At(PullStep.Planned).Reads(planned * 0.97);
        Assert.DoesNotContain("jumped", diary.Codes, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(0.5)]
    public void At_the_back_cut_a_line_under_its_floor_stops_the_saw(double share)
    {
        diary.At(PullStep.BackCut).AllIsWell().Reads(share * Floor);
        Assert.Equal(PullVerdict.Stop, diary.Answer.State);
        Assert.StartsWith("Stop the saw", diary.Answer.Findings[0].Text, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(PullStep.BackCut)]
    [InlineData(PullStep.Pull)]
    public void What_comes_back_at_all_is_a_stop_from_the_back_cut_on(PullStep step)
    {
        diary
            .At(step)
            .AllIsWell()
            .Reads(1.1 * Floor)
            .Sees(
                new()
                {
                    FallerOut = true,
                    CameM = 0.08,
                    LeanDeg = 2,
                }
            );
        Assert.NotEqual(PullVerdict.Stop, diary.Answer.State);
        foreach (
            var seen in new WatchedDocument[]
            {
                new() { CameM = 0.07 },
                new() { LeanDeg = 1.9 },
            }
        )
        {
            diary.Sees(seen);
            Assert.Equal("comes-back", diary.Answer.Findings[0].Code);
            diary.Sees(new() { CameM = 0.09, LeanDeg = 2.1 });
            Assert.NotEqual(PullVerdict.Stop, diary.Answer.State);
        }

        diary.Sees(new() { CameM = -0.03 });
        Assert.Equal(PullVerdict.Stop, diary.Answer.State);
    }

    private double Comes(double newtons) => diary.Basis.ComesM(0, [newtons]);
}
