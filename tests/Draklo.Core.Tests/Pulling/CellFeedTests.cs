using Draklo.Core.Pulling;

namespace Draklo.Core.Tests;

/// <summary>A load cell that misbehaves, one way at a time.</summary>
public sealed class CellFeedTests
{
    private readonly CellFeed feed = new(2000);
    private long sequence;
    private double clock;

    [Theory]
    [InlineData(1500, "N")]
    [InlineData(150, "daN")]
    [InlineData(1.5, "kN")]
    [InlineData(152.957, "kgf")]
    [InlineData(337.213, "lbf")]
    public void Units_that_are_known_are_turned_to_newtons(double value, string unit) =>
        Assert.Equal(1500, feed.Take(new("a", 0, value, unit), 0).TensionN!.Value, 0.01);

    [Theory]
    [InlineData(1500, "tons")]
    [InlineData(1500, "n")]
    [InlineData(double.NaN, "N")]
    [InlineData(double.PositiveInfinity, "N")]
    [InlineData(1e9, "kN")]
    public void What_cannot_be_read_is_refused_in_words(double value, string unit)
    {
        var fed = feed.Take(new("a", 0, value, unit), 0);
        Assert.Equal(FeedState.Refused, fed.State);
        Assert.Null(fed.TensionN);
        Assert.NotEmpty(fed.Trouble);
    }

    [Fact]
    public void A_reading_that_came_over_two_tablets_counts_once()
    {
        Assert.Equal(FeedState.Taken, feed.Take(new("a", 7, 500, "N"), 0).State);
        Assert.Equal(FeedState.Repeated, feed.Take(new("a", 7, 500, "N"), 0.01).State);
        Assert.Equal(FeedState.Repeated, feed.Take(new("a", 6, 490, "N"), 0.02).State);
        Assert.Equal(FeedState.Taken, feed.Take(new("a", 8, 510, "N"), 0.05).State);
    }

    [Fact]
    public void Gaps_are_counted()
    {
        Send(500);
        sequence += 4;
        Assert.Equal(4, Send(505).Missed);
    }

    [Fact]
    public void A_little_under_zero_is_nothing_and_far_under_is_doubtful()
    {
        Assert.Equal(0, Send(-20).TensionN);
        var far = Send(-400);
        Assert.Equal(FeedState.Doubtful, far.State);
        Assert.Contains("below zero", far.Trouble, StringComparison.Ordinal);
    }

    [Fact]
    public void A_jump_counts_only_when_the_next_reading_agrees()
    {
        Send(500);
        Assert.Equal(FeedState.Doubtful, Send(5000).State);
        Assert.Equal(FeedState.Taken, Send(505).State);
        Assert.Equal(FeedState.Doubtful, Send(3000).State);
        Assert.Equal(FeedState.Taken, Send(3050).State);
        Assert.Equal(FeedState.Taken, Send(3060).State);
    }

    [Fact]
    public void A_line_that_parts_is_believed_within_two_readings()
    {
        Send(2500);
        Send(0);
        Assert.Equal(FeedState.Taken, Send(0).State);
    }

    [Fact]
    public void The_same_number_for_seconds_is_a_stuck_cell()
    {
        for (var i = 0; i < 59; i++)
        {
            Assert.Equal(FeedState.Taken, Send(1200).State);
        }

        FedReading last = default;
        for (var i = 0; i < 5; i++)
        {
            last = Send(1200);
        }

        Assert.Equal(FeedState.Doubtful, last.State);
        Assert.Contains("stuck", last.Trouble, StringComparison.Ordinal);
        Assert.Equal(FeedState.Taken, Send(1203).State);
    }

    [Fact]
    public void A_slack_line_may_read_nothing_for_as_long_as_it_likes()
    {
        for (var i = 0; i < 400; i++)
        {
            Assert.Equal(FeedState.Taken, Send(0).State);
        }
    }

    [Fact]
    public void A_zero_that_drifted_is_told_while_the_line_is_slack()
    {
        Assert.Equal("", feed.Take(new("a", 0, 20, "N"), 0, slack: true).Trouble);
        var drifted = feed.Take(new("a", 1, 140, "N"), 0.05, slack: true);
        Assert.Equal(FeedState.Taken, drifted.State);
        Assert.Contains("isn't at zero", drifted.Trouble, StringComparison.Ordinal);
        Assert.Equal("", feed.Take(new("a", 2, 145, "N"), 0.1).Trouble);
    }

    private FedReading Send(double newtons)
    {
        clock += 0.05;
        return feed.Take(new("a", sequence++, newtons, "N"), clock);
    }
}
