using Draklo.Core.Plans;
using Draklo.Core.Pulling;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>Each way of telling a tension: method M24 through the plan's own lines.</summary>
public sealed class ReadTensionTests
{
    private readonly PullBasis basis = Diary.OfTheLime().Basis;

    [Fact]
    public void A_sideways_pull_and_a_pluck_give_the_cases_of_the_method()
    {
        var sideways = Of(
            new()
            {
                Way = TensionWay.Sideways,
                ForceN = 58,
                GivesM = 0.3,
                LengthM = 32.9,
            }
        );
        Assert.Equal(1590, sideways, 1.0);
        var pluck = Of(
            new()
            {
                Way = TensionWay.Pluck,
                Returns = 10,
                Seconds = 5.5,
                LengthM = 32.9,
                KgPerM = 0.11,
            }
        );
        Assert.Equal(1574, pluck, 1.0);
    }

    [Fact]
    public void Without_a_length_it_is_the_lines_own()
    {
        var length = basis.Analysis.Pull.Lines[0].LengthM;
        Assert.Equal(
            58 * length / 1.2,
            Of(
                new()
                {
                    Way = TensionWay.Sideways,
                    ForceN = 58,
                    GivesM = 0.3,
                }
            ),
            1e-6
        );
    }

    [Fact]
    public void People_are_counted_through_the_friction_of_the_tackle()
    {
        var (tension, _) = ReadTension.Of(
            basis,
            0,
            new() { Way = TensionWay.People, People = basis.Plan.Lines[0].Puller.Count }
        );
        var result = basis.Analysis.Pull.Lines[0];
        Assert.Equal(result.Hauler.SteadyN.Nominal * result.Tackle.ActualAdvantage, tension!.Value.Nominal, 0.1);
        Assert.True(tension.Value.Low < 0.8 * tension.Value.Nominal);
        var (one, _) = ReadTension.Of(basis, 0, new() { Way = TensionWay.People, People = 1 });
        Assert.True(one!.Value.Nominal < tension.Value.Nominal);
    }

    [Fact]
    public void A_load_cell_is_good_to_two_per_cent()
    {
        var (tension, _) = ReadTension.Of(basis, 0, new() { Way = TensionWay.Cell, ReadN = 1000 });
        Assert.Equal((980, 1020), (tension!.Value.Low, tension.Value.High));
    }

    [Theory]
    [InlineData(TensionWay.Cell, "tension.readN")]
    [InlineData(TensionWay.Sideways, "tension.forceN")]
    [InlineData(TensionWay.Pluck, "tension.returns")]
    [InlineData(TensionWay.People, "tension.people")]
    public void What_is_missing_is_named(TensionWay way, string path)
    {
        var (tension, problem) = ReadTension.Of(basis, 0, new() { Way = way });
        Assert.Null(tension);
        Assert.Equal(path, problem!.Path);
    }

    [Fact]
    public void A_slack_line_has_no_tension_and_a_machine_no_haulers()
    {
        var (_, slack) = ReadTension.Of(
            basis,
            0,
            new()
            {
                Way = TensionWay.Sideways,
                ForceN = 5,
                GivesM = 10,
                LengthM = 30,
            }
        );
        Assert.Contains("slack", slack!.Message, StringComparison.Ordinal);
        var winch = new Diary(
            Edited(Lime(), ("lines[0].puller", Json("""{ "kind": "handWinch", "machineN": 3000 }""")))
        ).Basis;
        Assert.NotEqual(PullerKind.People, winch.Plan.Lines[0].Puller.Kind);
        var (_, machine) = ReadTension.Of(winch, 0, new() { Way = TensionWay.People, People = 2 });
        Assert.Contains("Nobody hauls", machine!.Message, StringComparison.Ordinal);
    }

    private double Of(TensionDocument read)
    {
        var (tension, problem) = ReadTension.Of(basis, 0, read);
        Assert.Null(problem);
        Assert.True(tension!.Value.Low < tension.Value.Nominal && tension.Value.Nominal < tension.Value.High);
        return tension.Value.Nominal;
    }
}
