using Draklo.Core.Falls;
using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>The fall: worked cases, conservation, and what no plan falls like.</summary>
public sealed class FallTests
{
    private static readonly FallAsk NoDrag = new(0.4, Drag: false);

    [Fact]
    public void A_rod_falls_as_the_books_say()
    {
        var rod = new FallingBody(
            Weight: 1000 * 9.80665,
            Inertia: 1000 * 400.0 / 3,
            HingeBending: 0,
            WindForward: 0,
            Drag: 0,
            Centre: new(0, 0, 10),
            Top: new(0, 0, 20),
            GroundUp: 0
        );
        var tilt = Angle.Radians(5);
        var leaning = rod with
        {
            Centre = new(10 * Math.Sin(tilt), 0, 10 * Math.Cos(tilt)),
            Top = new(20 * Math.Sin(tilt), 0, 20 * Math.Cos(tilt)),
        };
        var fall = FallMotion.Of(leaning, 0, 0, 0)!;
        Near(4.2417, fall.Seconds, 1e-4);
        Near(24.21, fall.TipSpeed, 5e-4);
        Assert.InRange(Math.Abs(fall.EnergyDrift), 0, 1e-4);
    }

    [Theory]
    [InlineData(0.4, false, 6.361, 27.61)]
    [InlineData(0.4, true, 6.590, 22.45)]
    [InlineData(0.04, false, 8.76, 27.61)]
    public void The_lime_by_the_case(double haul, bool drag, double seconds, double tipSpeed)
    {
        var fall = Of(Lime(), new(haul, drag));
        Near(7.944, fall.CommitDeg);
        Near(35, fall.HingeLetsGoDeg);
        Near(seconds, fall.SecondsFromCommit);
        Near(tipSpeed, fall.TipSpeedMps);
        Assert.InRange(Math.Abs(fall.EnergyDrift), 0, 1e-4);
    }

    [Fact]
    public void The_side_leaner_drifts_once_its_hinge_is_gone()
    {
        var first = Of(SideLeaner(), NoDrag);
        var fall = Of(SideLeaner(), NoDrag with { HaulSpeedMps = 0.4 * 0.01 / first.StartRadPerS });
        Near(0.01, fall.StartRadPerS);
        Near(22.69, fall.HingeLetsGoDeg);
        Near(23.69, fall.Tip.ForwardM);
        Near(2.88, fall.Tip.RightM);

        // The hinge lets go 4.41 s after the start.
        var before = fall.Stages.Last(s => s.Held);
        var after = fall.Stages.First(s => !s.Held);
        Assert.InRange(4.41, before.S, after.S);

        // Torn at commit it lands farther off the lay; guided to the ground, nearer.
        Assert.True(fall.Torn!.RightM > fall.Tip.RightM);
        var guided = Of(Edited(SideLeaner(), ("tree.wood.hingeClass", "strong")), NoDrag);
        Assert.True(guided.HingeLetsGoDeg > 35);
        Assert.InRange(guided.Tip.RightM, 1.4, fall.Tip.RightM);
    }

    /// <summary>The aim turns the hinge away from the lean, so the tip comes down nearer the lay.</summary>
    [Fact]
    public void The_aim_brings_the_side_leaner_nearer_the_lay()
    {
        var plan = SideLeaner();
        var square = Fall.Of(plan, new(), UnitSystem.Metric).Fall!;
        var aimed = Fall.Of(plan, new(Aim: true), UnitSystem.Metric).Fall!;
        Assert.True(square.Tip.RightM > 1);
        Assert.InRange(aimed.Tip.RightM, 0, 0.8 * square.Tip.RightM);
        Assert.Equal(square.Tip.ForwardM, aimed.Tip.ForwardM, 0.3);
        // No aim, no difference.
        var straight = Edited(plan, ("cut.aimCorrection", 0.0));
        Assert.Equal(
            Fall.Of(straight, new(), UnitSystem.Metric).Fall!.Tip,
            Fall.Of(straight, new(Aim: true), UnitSystem.Metric).Fall!.Tip
        );
    }

    [Fact]
    public void Mirrored_a_tree_lands_on_the_other_side_and_turning_all_of_it_changes_nothing()
    {
        var right = Of(SideLeaner(), NoDrag);
        var mirrored = Edited(
            SideLeaner(),
            (
                "tree.lean.bearingDeg",
                (720 - SideLeaner().Tree.Lean.BearingDeg + (2 * SideLeaner().Lay.BearingDeg)) % 360
            )
        );
        mirrored = Swapped(mirrored);
        var left = Of(mirrored, NoDrag);
        Near(right.Tip.ForwardM, left.Tip.ForwardM, 0.01);
        Assert.Equal(-Math.Sign(right.Tip.RightM), Math.Sign(left.Tip.RightM));
        var turned = Of(SideLeaner(180), NoDrag);
        Near(right.Tip.RightM, turned.Tip.RightM, 1e-6);
        Near(right.SecondsFromCommit, turned.SecondsFromCommit, 1e-6);
    }

    [Fact]
    public void Stages_come_down_from_commit_to_the_ground_and_the_curve_from_rest()
    {
        var fall = Of(Lime(), NoDrag);
        Assert.InRange(fall.Stages.Count, 11, 16);
        Assert.Equal(fall.Stages.Select(s => s.Deg).Order(), fall.Stages.Select(s => s.Deg));
        Assert.Equal(-0.3, fall.Stages[^1].Top.UpM, 2);
        Assert.Equal(0, fall.Curve[0].Deg);
        Assert.True(fall.Curve[0].S < 0);
        Near(1485.5, fall.Curve[0].TensionN);
        Assert.Equal(fall.Curve.Select(p => p.S).Order(), fall.Curve.Select(p => p.S));
        Near(fall.CommitDeg, fall.LineSlackDeg, 0.05);
        // Before it is level the butt pushes back, as a rod's does until 48.19°.
        Assert.True(fall.Butt is null or { Backward: true });
    }

    [Fact]
    public void The_spread_is_wider_than_the_aim_and_the_same_each_time()
    {
        var plan = WithTargets(
            Lime(),
            new TargetMembers
            {
                Id = "hedge",
                Kind = TargetKind.Hedge,
                Points = [Place(15, -20), Place(15, 20)],
                RadiusM = 0.5,
            },
            new TargetMembers
            {
                Id = "shed",
                Kind = TargetKind.Building,
                Points = [Place(-20, 0)],
                RadiusM = 2,
            }
        );
        var one = Of(plan, NoDrag with { Samples = 400 });
        var two = Of(plan, NoDrag with { Samples = 400 });
        Assert.Equal(one.Spread, two.Spread);
        var spread = one.Spread!;
        Assert.InRange(one.Tip.ForwardM, spread.ForwardM.Low, spread.ForwardM.High);
        // Five degrees either way over 20.7 m, triangular: nine of ten within 1.24 m of the middle.
        Assert.InRange(spread.RightM.High, 1.1, 1.6);
        Assert.InRange(spread.RightM.Low, -1.6, -1.1);
        Assert.True(spread.SecondsFromCommit.High - spread.SecondsFromCommit.Low > 0.5);
        var touch = Assert.Single(one.Touches);
        Assert.Equal(("hedge", 1.0), (touch.TargetId, touch.Chance));
    }

    [Fact]
    public void A_hinge_that_lets_go_before_commit_tells_no_landing()
    {
        var plan = Edited(Lime(), ("cut.notch.openingDeg", 10), ("tree.lean.angleDeg", 8));
        var (fall, problems) = Fall.Of(plan, NoDrag, UnitSystem.Metric);
        Assert.Null(fall);
        Assert.Equal("cut.notch.openingDeg", Assert.Single(problems).Path);
    }

    private static Fall Of(Plan plan, FallAsk ask)
    {
        var (fall, problems) = Fall.Of(plan, ask, UnitSystem.Metric);
        Assert.Empty(problems);
        return fall!;
    }

    /// <summary>The crown's sides and the anchors mirrored about the lay of 90°.</summary>
    private static Plan Swapped(Plan plan) =>
        plan with
        {
            Tree = plan.Tree with
            {
                Crown = plan.Tree.Crown with
                {
                    ReachM = plan.Tree.Crown.ReachM with
                    {
                        North = plan.Tree.Crown.ReachM.South,
                        South = plan.Tree.Crown.ReachM.North,
                    },
                },
            },
        };
}
