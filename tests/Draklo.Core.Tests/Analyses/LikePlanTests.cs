using Draklo.Core.Plans;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>A new job from a like one.</summary>
public sealed class LikePlanTests
{
    [Fact]
    public void What_was_seen_there_is_a_guess_here_and_the_gear_stays()
    {
        var like = Sound() with
        {
            Accepted =
            [
                new()
                {
                    Code = "wind",
                    By = "Runa",
                    At = "2026-01-01T08:00:00Z",
                    Because = "calm",
                },
            ],
        };
        var plan = LikePlan.Of(like);
        foreach (var path in new[] { "tree.heightM", "tree.lean.angleDeg", "lines[0].anchor.distanceM" })
        {
            Assert.True(plan.IsGuess(path), path);
        }

        Assert.Equal(like.Lines[0].Rope, plan.Lines[0].Rope);
        Assert.Equal(like.Lines[0].Tackle, plan.Lines[0].Tackle);
        Assert.Equal(like.Policy, plan.Policy);
        Assert.Empty(plan.Accepted);
        Assert.Empty(plan.Site.Targets);
        Assert.All(plan.WalkUp, w => Assert.Null(w.TickedBy));
        Assert.Equal(new ReadingMembers(), plan.Readings);
        Assert.Null(plan.Wind.GustMps);
    }

    [Fact]
    public void It_never_says_ready_and_says_that_nothing_is_measured()
    {
        Assert.Equal(VerdictState.Ready, Sound().Analysed().Verdict.State);
        var verdict = LikePlan.Of(Sound()).Analysed().Verdict;
        Assert.NotEqual(VerdictState.Ready, verdict.State);
        Assert.Contains(verdict.Reasons, r => r.Code == "nothing-measured");
    }
}
