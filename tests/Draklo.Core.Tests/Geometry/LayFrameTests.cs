using CsCheck;
using Draklo.Core.Geometry;

namespace Draklo.Core.Tests;

/// <summary>Bearings, places and the frame along the lay.</summary>
public sealed class LayFrameTests
{
    private static readonly Gen<double> Bearing = Gen.Double[0, 360];
    private static readonly Gen<double> Metres = Gen.Double[-200, 200];

    [Theory]
    [InlineData(350, 10, 20)]
    [InlineData(10, 350, -20)]
    [InlineData(0, 180, 180)]
    [InlineData(180, 0, 180)]
    [InlineData(90, 90, 0)]
    [InlineData(-30, 700, 10)]
    public void The_turn_between_two_bearings_is_the_short_one(double from, double to, double turn) =>
        Assert.Equal(turn, Angle.Between(from, to), 1e-9);

    [Theory]
    [InlineData(0, 0, 10, 10, 0)]
    [InlineData(90, 10, 0, 10, 0)]
    [InlineData(90, 0, 10, 0, -10)]
    [InlineData(45, 10, 10, 14.142136, 0)]
    public void Forward_runs_along_the_lay_and_right_to_its_right(
        double lay,
        double east,
        double north,
        double forward,
        double right
    )
    {
        var resolved = new LayFrame(lay).Resolve(north, east);
        Assert.Equal(forward, resolved.Forward, 1e-6);
        Assert.Equal(right, resolved.Right, 1e-6);
    }

    [Fact]
    public void Into_the_frame_and_out_again_is_the_same_place() =>
        Gen.Select(Bearing, Metres, Metres)
            .Sample(
                (lay, east, north) =>
                {
                    var frame = new LayFrame(lay);
                    var (forward, right) = frame.Resolve(north, east);
                    var back = frame.ToSite(forward, right);
                    Assert.Equal(east, back.East, 1e-9);
                    Assert.Equal(north, back.North, 1e-9);
                    Assert.Equal((east * east) + (north * north), (forward * forward) + (right * right), 1e-6);
                }
            );

    [Fact]
    public void A_place_by_distance_and_bearing_has_that_distance_and_bearing() =>
        Gen.Select(Gen.Double[0.1, 300], Bearing)
            .Sample(
                (distance, bearing) =>
                {
                    var place = Core.Geometry.Place.At(distance, bearing);
                    Assert.Equal(distance, place.Distance, 1e-9);
                    Assert.Equal(0, Angle.Between(bearing, place.BearingDeg), 1e-6);
                    Assert.Equal(distance, place.DistanceTo(new(0, 0)), 1e-9);
                }
            );

    [Fact]
    public void A_point_turned_forward_keeps_its_distance_from_the_hinge() =>
        Gen.Select(Metres, Metres, Metres, Gen.Double[0, Math.PI / 2])
            .Sample(
                (forward, right, up, angle) =>
                {
                    var turned = new Point(forward, right, up).TurnedForward(angle);
                    Assert.Equal(right, turned.Right, 1e-9);
                    Assert.Equal(
                        Math.Sqrt((forward * forward) + (up * up)),
                        Math.Sqrt((turned.Forward * turned.Forward) + (turned.Up * turned.Up)),
                        1e-9
                    );
                }
            );

    [Fact]
    public void What_stands_upright_comes_forward_as_it_tips()
    {
        var turned = new Point(0, 0, 10).TurnedForward(Math.PI / 6);
        Assert.Equal(5, turned.Forward, 1e-9);
        Assert.Equal(8.660254, turned.Up, 1e-6);
    }
}
