using Draklo.Core.Catalogue;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Practice;

/// <summary>Plans that cards are made of: ordinary trees with fresh figures, everything measured.</summary>
internal static class PracticePlans
{
    private static readonly string[] Species = ["lime", "ash-european", "birch-silver", "spruce-norway", "oak-english"];

    public static Plan Some(Chance chance)
    {
        var first = FirstPlan.Make();
        var height = chance.Between(15, 26, 1);
        var dbh = Math.Round(height * chance.Between(0.021, 0.027, 0.001), 2);
        var known = Species.Where(Reference.Species.ContainsKey).ToArray();
        var line = first.Lines[0];
        return first with
        {
            Guesses = [],
            Provenance = new Dictionary<string, Provenance>(StringComparer.Ordinal),
            Tree = first.Tree with
            {
                SpeciesId = known.Length > 0 ? chance.Random.One(known) : first.Tree.SpeciesId,
                HeightM = height,
                DbhM = dbh,
                Lean = new() { AngleDeg = chance.Between(1, 4, 0.5), BearingDeg = 180 },
                Crown = first.Tree.Crown with { BaseHeightM = Math.Round(height * 0.3, 1) },
            },
            Cut = first.Cut with
            {
                StumpDiameterM = Math.Round(dbh * 1.15, 2),
                Notch = first.Cut.Notch with { DepthM = Math.Round(dbh * 0.26, 2) },
                HingeThicknessM = Math.Round(dbh * 0.1, 3),
            },
            Wind = new()
            {
                SpeedMps = 2,
                GustMps = 4,
                FromDeg = 180,
            },
            Lines =
            [
                line with
                {
                    Seat = new() { HeightM = Math.Round(height * 0.62, 1) },
                    Anchor = line.Anchor with
                    {
                        DistanceM = Math.Round(height * 1.6, 0),
                        Name = "oak",
                        Kind = AnchorKind.Rated,
                        CapacityN = 20000,
                        HeightM = 0.5,
                    },
                    Rope = line.Rope with { LengthM = 100 },
                    Tackle = line.Tackle with { SystemId = "four-to-one", HardwareStrengthN = 40000 },
                    Puller = line.Puller with { Count = 3 },
                },
            ],
        };
    }
}
