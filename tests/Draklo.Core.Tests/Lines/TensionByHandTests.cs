using Draklo.Core.Lines;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>Tension without a load cell: worked cases, and what makes a reading worth less.</summary>
public sealed class TensionByHandTests
{
    [Fact]
    public void By_the_cases()
    {
        Near(1590, TensionByHand.Sideways(58, 0.30, 32.9).Nominal);
        Near(1574, TensionByHand.Pluck(10, 5.5, 32.9, 0.11).Nominal);
        Near(0.11, TensionByHand.KgPerM(0.0127));
    }

    [Fact]
    public void A_small_deflection_and_a_short_count_say_less()
    {
        Assert.True(
            TensionByHand.Sideways(58, 0.30, 32.9).MayFall < TensionByHand.Sideways(58 / 6.0, 0.05, 32.9).MayFall
        );
        Assert.True(TensionByHand.Pluck(10, 5.5, 32.9, 0.11).MayFall < TensionByHand.Pluck(2, 1.1, 32.9, 0.11).MayFall);
    }

    /// <summary>Both ways of reading one line agree within their spreads.</summary>
    [Theory]
    [InlineData(800)]
    [InlineData(1600)]
    [InlineData(4000)]
    public void Both_ways_agree_on_one_line(double tension)
    {
        var side = TensionByHand.Sideways(tension * 4 * 0.25 / 30, 0.25, 30);
        var seconds = 10 * 2 * 30 / Math.Sqrt(tension / 0.11);
        var pluck = TensionByHand.Pluck(10, seconds, 30, 0.11);
        Assert.InRange(tension, side.Low, side.High);
        Assert.InRange(tension, pluck.Low, pluck.High);
        Near(side.Nominal, pluck.Nominal, 1e-9);
    }

    [Fact]
    public void People_are_counted_through_the_friction()
    {
        var three = TensionByHand.People(new(600, 750, 900), new Spread(3.5, 4.1, 4.5));
        Near(3 * 250 * 4.1, three.Nominal);
        Assert.True(three.MayFall > 0.2);
    }
}
