using CsCheck;
using Draklo.Core.Analyses;
using Draklo.Core.Catalogue;
using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Trees;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>Turns of the line on its way: their force and their friction.</summary>
public sealed class RedirectTests
{
    [Theory]
    [InlineData(0, 1000, 1000, 2000)]
    [InlineData(90, 1000, 1000, 1414.2)]
    [InlineData(180, 1000, 1000, 0)]
    [InlineData(60, 1000, 800, 1562.0)]
    public void A_turn_bears_the_sum_of_its_legs(double between, double one, double other, double force)
    {
        var angle = Angle.Radians(between);
        var turn = TurnForce.Of(new(1, 0, 0), one, new(Math.Cos(angle), Math.Sin(angle), 0), other);
        Assert.Equal(force, turn.ForceN, 0.05);
        Assert.Equal(between, turn.BetweenDeg, 1e-6);
        Assert.Equal(
            turn.ForceN,
            Math.Sqrt((turn.Forward * turn.Forward) + (turn.Right * turn.Right) + (turn.Up * turn.Up)),
            1e-6
        );
    }

    [Fact]
    public void The_force_at_a_turn_lies_between_the_difference_and_the_sum_of_its_legs() =>
        Gen.Select(Gen.Double[0, Math.PI], Gen.Double[1, 5000], Gen.Double[1, 5000])
            .Sample(
                (angle, one, other) =>
                {
                    var force = TurnForce.Of(new(1, 0, 0), one, new(Math.Cos(angle), 0, Math.Sin(angle)), other).ForceN;
                    Assert.InRange(force, Math.Abs(one - other) - 1e-6, one + other + 1e-6);
                }
            );

    [Fact]
    public void A_redirect_costs_its_friction_and_bears_more_than_the_line()
    {
        var straight = Lime().Analysed();
        var turned = OverARedirect().Analysed();
        var line = turned.Pull.Lines[0];
        var redirect = Assert.Single(line.Redirects);

        // The first fixed point is where it was, so the tree asks for the same.
        Near(straight.Pull.NeededTensionN, turned.Pull.NeededTensionN, 1e-9);
        Near(straight.Pull.Lines[0].TakeUpM - straight.Pull.Lines[0].StretchM, line.TakeUpM - line.StretchM, 1e-9);
        // The legs make 180° less the turn; a sheave passes 1 − 0.1 · sin(turn / 2) of it.
        var passes = 1 - (0.1 * Math.Sin(Angle.Radians(180 - redirect.BetweenDeg) / 2));
        Near(line.TensionN / passes, line.EndTensionN, 1e-9);
        Near(straight.Pull.Lines[0].Tackle.HandForceN / passes, line.Tackle.HandForceN, 1e-9);

        // By hand, in metres from the stump east, north and up: seat (−0.68, 0, 13), redirect (30, 0, 0.5), anchor
        // 45 m out at 40° (28.9, 34.5, 0.5). T1 = 1931 N toward the seat, T2 = T1 over what passes toward the anchor.
        var seat = Unit(-0.68 - 30, 0, 12.5);
        var anchor = Unit((45 * Math.Sin(Angle.Radians(40))) - 30, 45 * Math.Cos(Angle.Radians(40)), 0);
        var sum = seat.Zip(anchor, (a, b) => (1931.2 * a) + (1931.2 / passes * b)).ToList();
        Assert.Equal(Math.Sqrt(sum.Sum(x => x * x)), redirect.ForceN, 4.0);
        Assert.InRange(redirect.ForceN, redirect.HaulSideN, redirect.TreeSideN + redirect.HaulSideN);

        // Back toward the tree (270°) and on toward the anchor: the force points between the two.
        Assert.InRange(redirect.TowardDeg, 271, 359);
        Assert.True(redirect.RisesDeg > 0, "the leg up to the seat lifts its strap");
        foreach (var part in new[] { "block", "sling", "anchor" })
        {
            Near(redirect.ForceN, turned.Links.Single(l => l.Id == $"main.redirect-1-{part}").Load.Value, 1e-9);
        }

        Near(line.EndTensionN, turned.Links.Single(l => l.Id == "main.rope").Load.Value, 1e-9);
        Near(line.TensionN, turned.Links.Single(l => l.Id == "main.knot").Load.Value, 1e-9);
    }

    [Fact]
    public void Turning_site_and_lay_together_changes_no_redirect_and_no_limb()
    {
        var east = At(90);
        foreach (var lay in new[] { 0.0, 180, 270 })
        {
            var turned = At(lay);
            var (a, b) = (east.Pull.Lines[0].Redirects[0], turned.Pull.Lines[0].Redirects[0]);
            Near(a.ForceN, b.ForceN, 1e-9);
            Near(a.RisesDeg, b.RisesDeg, 1e-9);
            Assert.Equal(0, Angle.Between(a.TowardDeg + lay - 90, b.TowardDeg), 1e-6);
            Near(
                east.Links.Single(l => l.Id == "main.limb").Load.Value,
                turned.Links.Single(l => l.Id == "main.limb").Load.Value,
                1e-9
            );
            Near(east.Pull.Sum.LevelN, turned.Pull.Sum.LevelN, 1e-9);
            Assert.Equal(east.Pull.Sum.OffLayDeg, turned.Pull.Sum.OffLayDeg, 1e-6);
        }

        static Analysis At(double lay) =>
            Lime(lay)
                .WithMain(l =>
                    l with
                    {
                        Seat = l.Seat with
                        {
                            On = SeatKind.Limb,
                            Limb = new()
                            {
                                DiameterM = 0.2,
                                LeverM = 0.8,
                                BearingDeg = (lay + 60) % 360,
                            },
                        },
                        Redirects = [new() { At = l.Anchor }],
                        Anchor = l.Anchor with { DistanceM = 40, BearingDeg = (lay + 320) % 360 },
                    }
                )
                .Analysed();
    }

    /// <summary>The lime hauled aside round a redirect.</summary>
    private static double[] Unit(double east, double north, double up)
    {
        var length = Math.Sqrt((east * east) + (north * north) + (up * up));
        return [east / length, north / length, up / length];
    }
}
