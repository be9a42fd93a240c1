using Draklo.Core.Analyses;
using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Trees;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>The worked cases of docs/methods.md, to half a per cent.</summary>
public sealed class WorkedCases
{
    private static readonly Plan[] Plans = [Lime(), SideLeaner(), Spruce()];

    [Theory]
    [InlineData(0, 1652.70, -0.6581, 0, 7.5563)]
    [InlineData(1, 2731.13, -0.4159, 0.8090, 8.5347)]
    [InlineData(2, 1528.79, -0.4769, 0.1546, 8.8599)]
    public void Mass_and_centre(int tree, double mass, double forward, double right, double up)
    {
        var result = Plans[tree].Analysed().Tree;
        Near(mass, result.MassKg);
        Near(forward, result.Centre.ForwardM);
        Near(right, result.Centre.RightM);
        Near(up, result.Centre.UpM);
    }

    [Theory]
    [InlineData(0, 0.4490, 0.1250, 6360.8)]
    [InlineData(1, 0.5292, 0.1500, 13969.6)]
    [InlineData(2, 0.3847, 0.1125, 4674.2)]
    public void Hinge_length_offset_and_bending(int tree, double length, double offset, double bending)
    {
        var hinge = Plans[tree].Analysed().Hinge;
        Near(length, hinge.LengthM);
        Near(offset, hinge.OffsetM);
        Near(bending, hinge.BendingNm);
    }

    [Theory]
    [InlineData(0, -10666.6, 0)]
    [InlineData(1, -11140.0, 21667.9)]
    [InlineData(2, -7150.0, 2318.6)]
    public void Gravity_moments(int tree, double forward, double right)
    {
        var moment = Plans[tree].Analysed().Tree.Moment;
        Near(forward, moment.ForwardNm);
        Near(right, moment.RightNm);
    }

    [Theory]
    [InlineData(0, 0, 11.4621, 1.630)]
    [InlineData(1, 0, 11.6273, 1.303)]
    [InlineData(1, 1, 10.4602, 1.171)]
    [InlineData(2, 0, 14.7419, 1.329)]
    public void Arms_and_take_up_without_stretch(int tree, int line, double arm, double takeUp)
    {
        var result = Plans[tree].Analysed().Pull.Lines[line];
        Near(arm, result.ForwardArmM);
        Near(takeUp, result.TakeUpM - result.StretchM);
    }

    [Theory]
    [InlineData(0, 1485.5, 7.944)]
    [InlineData(1, 1402.5, 6.290)]
    [InlineData(2, 802.1, 5.095)]
    public void Needed_tension_and_commit(int tree, double tension, double commit)
    {
        var pull = Plans[tree].Analysed().Pull;
        Near(tension, pull.NeededTensionN);
        Near(0, pull.NeededAtDeg);
        Near(commit, pull.CommitDeg);
        Near(tension * 1.3, pull.PlannedTensionN);
    }

    [Theory]
    [InlineData(0, 0)]
    [InlineData(1, 0.254)]
    [InlineData(2, 0.116)]
    public void Side_use(int tree, double use) => Assert.Equal(use, Plans[tree].Analysed().Hinge.SideUse, 0.001);

    [Theory]
    [InlineData(0, 1116.7, 2179.2)]
    [InlineData(1, 746.7, 2377.8)]
    [InlineData(2, 582.0, 1198.4)]
    public void Pretension_window(int tree, double floor, double earlyGo)
    {
        var window = Plans[tree].Analysed().Pretension;
        Near(floor, window.FloorN);
        Near(earlyGo, window.EarlyGoN);
        Assert.Equal("early-go", window.LimitedBy);
    }

    [Theory]
    [InlineData(0, 1.577, 5.5, 0.096)]
    [InlineData(1, 1.082, 6.5, 0.057)]
    [InlineData(2, 1.680, 7.2, 0.135)]
    public void Stem_under_the_main_line_alone(int tree, double stress, double height, double movement)
    {
        var (standing, lines) = Resolve(Plans[tree]);
        var bending = StemBending.Under(standing, 1, lines[..1], Plans[tree].Analysed().Pull.NeededTensionN);
        Near(stress, bending.WorstStress / 1e6);
        Assert.Equal(height, bending.AtHeight, 0.15);
        Assert.Equal(movement, bending.SeatMovement, 0.0006);
    }

    [Fact]
    public void Two_lines_bend_the_stem_together_and_more_than_either()
    {
        var plan = SideLeaner();
        var (standing, lines) = Resolve(plan);
        var tension = plan.Analysed().Pull.NeededTensionN;
        var first = StemBending.Under(standing, 1, lines[..1], tension);
        var both = plan.Analysed().Stem;
        Near(1.472, both.WorstStressMPa);
        Assert.Equal(0.0755, both.SeatMovementM, 0.0004);
        Assert.True(both.WorstStressMPa > first.WorstStress / 1e6);
    }

    private static (StandingTree Tree, PullLine[] Lines) Resolve(Plan plan)
    {
        var lay = new LayFrame(plan.Lay.BearingDeg);
        var hinge = Hinge.From(plan.Cut, plan.Tree, goesRight: null, null);
        var tree = StandingTree.From(plan.Tree, hinge.Offset, lay, plan.Cut.StumpHeightM, null);
        return (tree, [.. plan.Lines.Select(l => PullLine.From(l, tree, lay))]);
    }
}
