using Draklo.Core.Clearing;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Core.Tests;

/// <summary>Clearings that several tests begin from.</summary>
internal static class Banks
{
    public static readonly RopeMembers Strong = new()
    {
        BreakingStrengthN = 46_000,
        LengthM = 120,
        DiameterM = 0.014,
        StretchAtTenPercent = 0.01,
    };

    public static readonly RopeMembers Hand = new()
    {
        BreakingStrengthN = 30_000,
        LengthM = 60,
        DiameterM = 0.012,
        StretchAtTenPercent = 0.03,
    };

    public static readonly SlingMembers Sling = new() { BreakingStrengthN = 60_000 };

    /// <summary>A bank of 26° with logs of 181 kg below a landing, a larch on top, a stump below.</summary>
    public static ClearingMembers Bank() =>
        new()
        {
            Alone = true,
            Pieces = [Log("log", 181, 26, 48)],
            Ground = new()
            {
                Spots =
                [
                    Spot(0, 23),
                    Spot(8, 23),
                    Spot(8.1, 23),
                    Spot(52, 23 - (43.9 * Tan26)),
                    Spot(60, 23 - (43.9 * Tan26)),
                ],
                LandingAtM = 9,
                Obstacles = [],
            },
            High = Larch(),
            Low = new()
            {
                AtM = 55,
                HeightM = 0.4,
                CapacityN = 80_000,
                Sling = Sling,
            },
            Line = Strong,
            Haul = Hand,
            LoadSling = Sling,
            Carriage = new() { StrengthN = 40_000 },
            Hauler = new() { Kind = PullerKind.Machine, MachineN = 6000 },
            HaulAnchor = Fast(0),
            HaulerAtM = 0,
            People =
            [
                new()
                {
                    Name = "Ines",
                    AtM = 4,
                    OffM = 9,
                },
            ],
            Fly = new() { SagShare = 0.1, HangM = 0.6 },
            Way = ClearingWay.Fly,
        };

    public const double Tan26 = 0.4877325885658614;

    public static GroundSpotMembers Spot(double at, double up) => new() { AtM = at, UpM = up };

    public static SectionPointMembers Fast(double at, double height = 0.5) =>
        new()
        {
            AtM = at,
            HeightM = height,
            CapacityN = 80_000,
            Sling = Sling,
        };

    public static PieceMembers Log(string id, double mass, int count, double at) =>
        new()
        {
            Id = id,
            Count = count,
            LengthM = 3,
            ButtM = 0.32,
            TopM = 0.28,
            MassKg = mass,
            AtM = at,
        };

    public static HighPointMembers Larch() =>
        new()
        {
            Name = "Larch",
            AtM = 7,
            BlockHeightM = 12,
            Stem = new()
            {
                SpeciesId = "larch-european",
                DbhM = 0.5,
                HeightM = 24,
            },
            Block = new()
            {
                ContactId = "ball-bearing-block",
                StrengthN = 100_000,
                Sling = new() { BreakingStrengthN = 150_000 },
            },
            Guy = new() { Anchor = Fast(0), Rope = Strong },
        };

    /// <summary>A stem over a greenhouse, taken down in pieces.</summary>
    public static ClearingMembers OverGlass() =>
        new()
        {
            Way = ClearingWay.Catch,
            Pieces = [Log("piece", 150, 6, 10)],
            Ground = new()
            {
                Spots = [Spot(0, 0), Spot(40, 0)],
                LandingAtM = 10,
                Obstacles =
                [
                    new()
                    {
                        Name = "Greenhouse",
                        Kind = ObstacleKind.Fragile,
                        FromM = 14,
                        ToM = 20,
                        HeightM = 2.5,
                    },
                ],
            },
            High = Larch() with { AtM = 10, BlockHeightM = 14, Topped = true, Guy = null },
            Line = Hand with { BreakingStrengthN = 60_000 },
            LoadSling = Sling,
            Drum = new()
            {
                Turns = new() { Turns = 2 },
                StrengthN = 100_000,
                Anchor = Fast(10.3, 1),
            },
            People =
            [
                new()
                {
                    Name = "Ines",
                    AtM = 3,
                    OffM = 6,
                },
            ],
            Climber = TieIn.Own,
            Catch = new() { DropM = 0.9 },
        };

    public static StandMembers Oskar(double at, double off) =>
        new()
        {
            Name = "Oskar",
            AtM = at,
            OffM = off,
        };

    public static Plan PlanOf(ClearingMembers clearing) => Cases.Sound() with { Clearing = clearing };

    public static ClearingAnalysis Worked(ClearingMembers clearing)
    {
        var (analysis, problems) = ClearingAnalysis.Of(PlanOf(clearing), UnitSystem.Metric);
        Assert.Empty(problems);
        return analysis!;
    }

    public static WayResult Chosen(ClearingMembers clearing) =>
        Worked(clearing).Ways.Single(w => w.Way == clearing.Way);

    public static List<Problem> Refused(ClearingMembers clearing) =>
        ClearingAnalysis.Of(PlanOf(clearing), UnitSystem.Metric).Problems;

    public static double Figure(this WayResult way, string id) => way.Figures.Single(f => f.Id == id).Value;

    public static RigLink Link(this WayResult way, string id) => way.Links.Single(l => l.Id == id);
}
