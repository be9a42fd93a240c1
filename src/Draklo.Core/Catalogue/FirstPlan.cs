using Draklo.Core.Plans;

namespace Draklo.Core.Catalogue;

/// <summary>
/// The plan that a new job starts from: an ordinary tree on level ground, every measured figure marked as a guess.
/// </summary>
public static class FirstPlan
{
    public static Plan Make() =>
        new()
        {
            Format = Plan.FormatName,
            Version = Plan.CurrentVersion,
            Lay = new() { BearingDeg = 0 },
            Tree = new()
            {
                SpeciesId = "lime",
                HeightM = 18,
                DbhM = 0.40,
                Lean = new() { AngleDeg = 2, BearingDeg = 180 },
                Crown = new()
                {
                    BaseHeightM = 5,
                    MassRatio = 0.30,
                    ReachM = new()
                    {
                        North = 3.5,
                        East = 3.5,
                        South = 3.5,
                        West = 3.5,
                    },
                },
            },
            Cut = new()
            {
                StumpHeightM = 0.30,
                StumpDiameterM = 0.46,
                Notch = new() { DepthM = 0.11, OpeningDeg = 70 },
                HingeThicknessM = 0.05,
            },
            WalkUp = FirstWalkUp.Make(),
            Wind = new() { InLeaf = true },
            Lines =
            [
                new()
                {
                    Id = "main",
                    Seat = new() { HeightM = 11 },
                    Anchor = new()
                    {
                        DistanceM = 28,
                        BearingDeg = 0,
                        HeightM = 0.5,
                    },
                    Rope = new()
                    {
                        BreakingStrengthN = 40000,
                        LengthM = 60,
                        DiameterM = 0.0127,
                        StretchAtTenPercent = Starts.Usual.StretchAtTenPercent,
                    },
                    KnotId = "running-bowline",
                    Tackle = new() { SystemId = "three-to-one", ContactId = "bushed-block" },
                    Puller = new() { Count = 2, EffortEachN = Starts.Usual.EffortEachN },
                },
            ],
            // What nobody measures but somebody has to say: until then it is the product's own word.
            Provenance = new Dictionary<string, Provenance>(StringComparer.Ordinal)
            {
                ["lines[0].seat.heightM"] = Provenance.Default,
                ["lines[0].rope.lengthM"] = Provenance.Default,
                ["lines[0].puller.effortEachN"] = Provenance.Default,
            },
            Follows = Following.Usual,
            Guesses = [.. LikePlan.OfTheTree, "lines[0].anchor.distanceM", "lines[0].rope.breakingStrengthN"],
        };
}
