using CsCheck;
using Draklo.Core.Clearing;
using Draklo.Core.Plans;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>Pieces cut from the plan's own stem, and those that lie there.</summary>
public sealed class PieceTests
{
    private const double LimeDensity = 760;

    [Fact]
    public void However_the_stem_is_cut_it_weighs_the_same_and_balances_where_it_did() =>
        Gen.Double[0.1, 20.5]
            .List[0, 9]
            .Sample(
                marks =>
                {
                    var stem = ClearPiece.StemOf(Sound());
                    var pieces = Of(new() { StemCutsM = marks, StemAtM = 10 });
                    Near(stem.Volume * LimeDensity, pieces.Sum(p => p.MassKg));
                    Near(
                        stem.CentreAboveCut,
                        pieces.Sum(p => p.MassKg * (p.FromM!.Value + p.CentreM)) / pieces.Sum(p => p.MassKg)
                    );
                    Assert.All(pieces, p => Assert.InRange(p.CentreM, 0, p.LengthM));
                },
                iter: Tries.Of(200)
            );

    [Fact]
    public void A_frustum_by_hand()
    {
        // 3 m, 32 to 28 cm: V = π·3/3·(0.16² + 0.16·0.14 + 0.14²) = 0.21237 m³.
        var log = Of(new() { Pieces = [Banks.Log("a", 181, 1, 5) with { MassKg = null }] }).Single();
        Near(0.21237 * LimeDensity, log.MassKg);
        Assert.True(log.CentreM < 1.5);
        Assert.False(log.Weighed);
    }

    [Fact]
    public void Without_a_place_of_the_stem_none_of_its_pieces_are_to_be_moved()
    {
        Assert.Empty(Of(new() { StemCutsM = [3, 6] }));
        Assert.Equal(3, Of(new() { StemCutsM = [3, 6], StemAtM = 0 }).Count);
    }

    [Fact]
    public void A_truck_goes_as_often_as_weight_or_room_wants()
    {
        var heavy = Banks
            .Worked(
                Banks.Bank() with
                {
                    Truck = new() { CarriesKg = 1000, RoomM3 = 100 },
                }
            )
            .Truck;
        Assert.Equal(5, heavy.Trips);
        Assert.True(heavy.ByMass);
        var light = Banks.Bank() with
        {
            Truck = new() { CarriesKg = 60_000, RoomM3 = 6 },
            Brush = new() { VolumeM3 = 30, AtM = 20 },
        };
        var roomy = Banks.Worked(light).Truck;
        Assert.False(roomy.ByMass);
        var chipped = Banks.Worked(light with { Truck = light.Truck with { Chipped = true } }).Truck;
        Assert.True(chipped.Trips < roomy.Trips);
    }

    private static IReadOnlyList<ClearPiece> Of(ClearingMembers clearing) => ClearPiece.All(Sound(), clearing);
}
