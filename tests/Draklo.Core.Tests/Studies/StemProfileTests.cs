using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Studies;
using Draklo.Core.Trees;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>Bending along the stem, and what other seats would do.</summary>
public sealed class StemProfileTests
{
    [Fact]
    public void The_lines_bend_it_as_the_analysis_says_at_the_planned_tension()
    {
        foreach (var plan in new[] { Lime(), SideLeaner(), Spruce() })
        {
            Near(
                plan.Analysed().Stem.WorstStressMPa * plan.Policy.LoadReserve,
                Of(plan).Slices.Max(s => s.LineMPa),
                0.01
            );
        }
    }

    [Fact]
    public void At_the_cut_the_weight_bends_with_its_own_arm_and_presses_with_all_of_itself()
    {
        var tree = Lime().Analysed().Tree;
        var hinge = Lime().Analysed().Hinge;
        var cut = Of(Lime()).Slices[0];
        var moment = tree.WeightN * Math.Abs(tree.Centre.ForwardM + hinge.OffsetM);
        var d = cut.DiameterM;
        Near(
            ((moment / (Math.PI * d * d * d / 32)) + (tree.WeightN / (Math.PI * d * d / 4))) / 1e6,
            cut.WeightMPa,
            0.03
        );
        Assert.True(cut.TogetherMPa < cut.LineMPa + cut.WeightMPa);
    }

    [Fact]
    public void A_forward_line_takes_bending_off_a_tree_that_leans_back() =>
        Assert.Contains(Of(Lime()).Slices, s => s.TogetherMPa < s.LineMPa);

    [Fact]
    public void Every_seat_says_what_the_analysis_would_say_of_it()
    {
        var profile = Of(Lime());
        foreach (var seat in profile.Seats.Where((_, i) => i % 10 == 5))
        {
            var moved = Lime().WithMain(l => l with { Seat = new() { HeightM = seat.HeightM } }).Analysed();
            Near(moved.Pull.NeededTensionN, seat.NeededTensionN, 1e-6);
            Near(moved.Links.Single(l => l.Id == "stem").Use, seat.StemUse, 1e-6);
        }

        var stem = new Draklo.Core.Trees.Stem(21, 0.48, 0.7, 0.30);
        var stout = profile.Seats.Where(s => s.StemUse <= 0.5 && stem.DiameterAt(s.HeightM - 0.30) >= 0.16).ToList();
        Assert.Equal(stout.MinBy(s => s.WorstUse)!.HeightM, profile.BestHeightM);
        Assert.True(stem.DiameterAt(profile.BestHeightM - 0.30) >= 0.16);
        Assert.True(profile.Seats[^1].StemUse > profile.Seats[SeatAt(profile, 13)].StemUse);

        static int SeatAt(StemProfile profile, double height) =>
            profile.Seats.ToList().FindIndex(s => s.HeightM >= height);
    }

    [Theory]
    [InlineData(11)]
    [InlineData(12.34)]
    [InlineData(20.5)]
    public void The_planned_seat_is_among_them_with_its_own_figures(double height)
    {
        var plan = Lime().WithMain(l => l with { Seat = new() { HeightM = height } });
        var seats = Of(plan).Seats;
        var nearest = seats.MinBy(s => Math.Abs(s.HeightM - height))!;
        // Above the highest seat that the chart has, a metre below the top, there is none of its own.
        Assert.Equal(Math.Min(height, plan.Tree.HeightM - 1), nearest.HeightM, 9);
        Assert.Equal(seats.OrderBy(s => s.HeightM), seats);
        if (height < plan.Tree.HeightM - 1)
        {
            Near(plan.Analysed().Pull.NeededTensionN, nearest.NeededTensionN, 1e-9);
        }
    }

    [Fact]
    public void The_seat_moves_in_proportion_to_the_tension()
    {
        var analysis = Lime().Analysed();
        var profile = Of(Lime());
        Near(
            analysis.Stem.SeatMovementM * analysis.Pretension.FloorN / analysis.Pull.NeededTensionN,
            profile.MovesAtFloorM,
            1e-9
        );
        Near(analysis.Stem.SeatMovementM * 1.3, profile.MovesAtPlannedM, 1e-9);
    }

    [Fact]
    public void A_line_that_is_not_there_and_a_plan_that_cannot_be_computed_are_refused()
    {
        Assert.Equal("line", Assert.Single(StemProfile.Of(Lime(), 3, UnitSystem.Metric).Problems).Path);
        Assert.Equal(
            "lines[0].seat.heightM",
            Assert
                .Single(
                    StemProfile
                        .Of(Lime().WithMain(l => l with { Seat = new() { HeightM = 30 } }), 0, UnitSystem.Metric)
                        .Problems
                )
                .Path
        );
    }

    private static StemProfile Of(Plan plan)
    {
        var (profile, problems) = StemProfile.Of(plan, 0, UnitSystem.Metric);
        Assert.Empty(problems);
        return profile!;
    }

    [Fact]
    public void The_worst_is_what_the_link_is_checked_for_and_lies_where_the_sum_on_paper_puts_it()
    {
        var plan = Lime();
        var (profile, _) = StemProfile.Of(plan, 0, UnitSystem.Metric);
        var stem = plan.Analysed().Links.Single(l => l.Id == "stem");
        Near(stem.LoadValue / 1e6, profile!.Worst.LineMPa, 1e-9);
        Assert.All(profile.Slices, s => Assert.True(s.LineMPa <= profile.Worst.LineMPa * 1.001, $"at {s.HeightM} m"));

        // M11 by hand at every millimetre: seat 12.7 m above the cut, d = d0·(1 − z/H)^0.7.
        var pull = plan.Analysed().Pull;
        var below = Core.Geometry.Angle.Radians(pull.Lines[0].AngleBelowHorizontalDeg);
        var (level, down) = (pull.PlannedTensionN * Math.Cos(below), pull.PlannedTensionN * Math.Sin(below));
        double Diameter(double z) => 0.48 * Math.Pow((21 - 0.3 - z) / (21 - 1.3), 0.7);
        double Stress(double z) =>
            (level * (12.7 - z) / (Math.PI * Math.Pow(Diameter(z), 3) / 32))
            + (down / (Math.PI * Math.Pow(Diameter(z), 2) / 4));
        var worst = Enumerable.Range(0, 12_700).Select(i => i / 1000.0).MaxBy(Stress);
        Assert.Equal(worst + 0.3, profile.Worst.HeightM, 0.15);
        Near(Stress(worst) / 1e6, profile.Worst.LineMPa, 1e-3);
        Near(Diameter(worst), profile.Worst.DiameterM, 0.01);
    }
}
