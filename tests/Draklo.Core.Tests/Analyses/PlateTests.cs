using Draklo.Core.Plans;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>The six figures that stand on the drawing.</summary>
public sealed class PlateTests
{
    [Fact]
    public void They_are_those_of_the_analysis()
    {
        var analysis = Lime().Analysed();
        var plate = analysis.Plate;
        Assert.Equal(analysis.Pull.PlannedTensionN, plate.PlannedN);
        Assert.Equal(analysis.Pull.NeededTensionN, plate.NeededN.Nominal);
        Assert.True(plate.NeededN.Low < plate.NeededN.Nominal && plate.NeededN.Nominal < plate.NeededN.High);
        Assert.Equal((analysis.Pretension.FloorN, analysis.Pretension.CeilingN), (plate.FloorN, plate.CeilingN));
        Assert.Equal(analysis.Pull.CommitDeg, plate.GoesByItselfDeg);
        Assert.Equal(analysis.Gust?.SpeedMps, plate.GustMps);
        Assert.InRange(plate.HoldsInHundred, 0, 100 - analysis.Pull.NotEnoughInHundred);
    }

    [Fact]
    public void Each_hauler_gives_a_share_of_what_the_hands_must()
    {
        var three = Edited(Lime(), ("lines[0].puller.count", 3)).Analysed();
        var hand = three.Pull.Lines[0].Tackle.HandForceN;
        Assert.Equal((PullerKind.People, 3), (three.Plate.Each.Kind, three.Plate.Each.Count));
        Near(hand / 3, three.Plate.Each.ForceN, 1e-12);
    }

    [Fact]
    public void Of_two_lines_it_names_the_one_whose_haulers_have_least_to_spare()
    {
        var analysis = SideLeaner().Analysed();
        var used = analysis.Pull.Lines.ToDictionary(
            l => l.Id,
            l => l.Tackle.HandForceN / l.Hauler.SteadyN.Nominal,
            StringComparer.Ordinal
        );
        Assert.Equal(used.MaxBy(u => u.Value).Key, analysis.Plate.Each.LineId);
    }

    [Fact]
    public void What_is_no_person_gives_the_whole_of_it()
    {
        var plate = Edited(Lime(), ("lines[0].puller.kind", "machine"), ("lines[0].puller.machineN", 3000.0))
            .Analysed()
            .Plate;
        Assert.Equal(PullerKind.Machine, plate.Each.Kind);
        Assert.Equal(1, plate.Each.Count);
    }
}
