using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>Turns on a drum between a machine and the rope.</summary>
public sealed class LimiterTests
{
    private static readonly LimiterMembers Tried = new()
    {
        FrictionLow = 0.18,
        Friction = 0.20,
        FrictionHigh = 0.21,
        HoldLowN = 130,
        HoldN = 150,
        HoldHighN = 170,
    };

    [Theory]
    [InlineData(1, 527)]
    [InlineData(2, 1852)]
    [InlineData(3, 6506)]
    [InlineData(4, 22861)]
    public void Slips_where_the_method_says(int turns, double tension)
    {
        Assert.Equal(tension, Limiter.SlipsAt(150, 0.20, turns), 0.5);
        Assert.Equal(tension, Limiter.Of(new(), 1, 1e9, 1e9, UnitSystem.Metric).Choices[turns - 1].SlipN, 0.5);
    }

    [Fact]
    public void The_turns_that_fit_slip_over_the_need_and_under_the_weakest_link()
    {
        var limiter = Limiter.Of(Tried, 1000, 5000, 1e9, UnitSystem.Metric);
        Assert.Equal(2, limiter.Fitting);
        Assert.All(limiter.Choices, c => Assert.Equal(c.SlipLowN > 1000 && c.SlipHighN < 5000, c.Fits));
        Assert.Contains("Two turns slip", limiter.Text, StringComparison.Ordinal);
    }

    [Fact]
    public void Where_none_fits_it_says_so_and_what_to_do()
    {
        var limiter = Limiter.Of(new(), 1000, 3000, 1e9, UnitSystem.Metric);
        Assert.Null(limiter.Fitting);
        Assert.Contains("Try your drum first", limiter.Text, StringComparison.Ordinal);
        Assert.Contains("load cell", limiter.Text, StringComparison.Ordinal);
        Assert.Contains(
            "for certain",
            Limiter.Of(Tried with { FrictionLow = 0.05 }, 9000, 1e9, 1e9, UnitSystem.Metric).Text,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_drum_keeps_a_machine_from_breaking_the_rope()
    {
        var bare = Machine(null).Analysed();
        Assert.Equal(LinkState.Fails, bare.Links.Single(l => l.Id == "main.knot").State);
        Assert.Contains(
            bare.Verdict.Reasons,
            r => r.Path == "lines[0].limiter" && r.Text.Contains("Nothing limits", StringComparison.Ordinal)
        );
        Assert.NotNull(bare.Pull.Lines[0].Limiter);

        var right = new LimiterMembers
        {
            Turns = 1,
            FrictionLow = 0.185,
            Friction = 0.19,
            FrictionHigh = 0.195,
            HoldLowN = 152,
            HoldN = 153,
            HoldHighN = 155,
        };
        var held = Machine(right).Analysed();
        Assert.Equal(1, held.Pull.Lines[0].Limiter!.Fitting);
        Assert.Equal(LinkState.Holds, held.Links.Single(l => l.Id == "main.knot").State);
        Assert.True(held.Links.Single(l => l.Id == "main.knot").WorstLoad.Value <= Limiter.SlipsAtMost(right) * 5);
        Assert.DoesNotContain(
            held.Verdict.Reasons,
            r => r.Path?.StartsWith("lines[0].limiter", StringComparison.Ordinal) == true
        );

        // Too few turns slip before the tree comes.
        var slipping = Machine(Tried with { Turns = 1, HoldLowN = 20, HoldN = 20 }).Analysed();
        var drum = slipping.Links.Single(l => l.Id == "main.limiter");
        Assert.Equal(LinkState.Fails, drum.State);
        Assert.Contains(
            slipping.Verdict.Reasons,
            r => r.LinkId == "main.limiter" && r.Text.Contains("slips", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void A_lime_without_machine_or_drum_says_nothing_of_drums() =>
        Assert.Null(Lime().Analysed().Pull.Lines[0].Limiter);

    private static Plan Machine(LimiterMembers? drum) =>
        Lime()
            .WithMain(l =>
                l with
                {
                    Puller = new() { Kind = PullerKind.Machine, MachineN = 20000 },
                    Limiter = drum,
                }
            );
}
