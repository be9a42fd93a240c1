using Draklo.Core.Plans;

namespace Draklo.Core.Catalogue;

/// <summary>What a clearing and each of its parts start from: ordinary figures, for the crew to correct.</summary>
/// <remarks>What gear breaks at is left out: nobody knows it before somebody has looked.</remarks>
public sealed record ClearingStarts
{
    private const double Left = 0;
    private const double Right = 50;

    /// <summary>A job's own tree, cut to logs, on level ground.</summary>
    public ClearingMembers Whole { get; init; } =
        new()
        {
            StemCutsM = [2.5, 5, 7.5, 10],
            StemAtM = 40,
            Ground = new() { Spots = [new() { AtM = Left }, new() { AtM = Right }], LandingAtM = 8 },
        };

    public PieceMembers Piece { get; init; } =
        new()
        {
            Id = "log",
            Name = "Log",
            LengthM = 2.5,
            ButtM = 0.3,
            TopM = 0.27,
            AtM = 40,
        };

    public BrushMembers Brush { get; init; } = new() { VolumeM3 = 6, AtM = 40 };

    public ObstacleMembers Obstacle { get; init; } =
        new()
        {
            Name = "wall",
            FromM = 20,
            ToM = 21,
            HeightM = 1,
        };

    public StandMembers Person { get; init; } =
        new()
        {
            Name = "Somebody",
            AtM = 2,
            OffM = 8,
        };

    public HighPointMembers High { get; init; } =
        new()
        {
            AtM = 8,
            BlockHeightM = 9,
            Stem = new() { DbhM = 0.4, HeightM = 18 },
            Block = new(),
        };

    public GuyMembers Guy { get; init; } =
        new()
        {
            Anchor = new() { AtM = 0, HeightM = 0.4 },
        };

    public SectionPointMembers Low { get; init; } = new() { AtM = 46, HeightM = 0.5 };

    public SectionPointMembers HaulAnchor { get; init; } = new() { AtM = 2, HeightM = 0.5 };

    public LeadMembers Lead { get; init; } =
        new()
        {
            Anchor = new() { AtM = 5, HeightM = 0.5 },
        };

    public DrumMembers Drum { get; init; } =
        new()
        {
            Turns = new() { Turns = 3 },
            Anchor = new() { AtM = 8.5, HeightM = 1 },
        };

    public CarriageMembers Carriage { get; init; } = new();

    public LiftMembers Lift { get; init; } = new() { TagAtM = 44 };

    public FlyMembers Fly { get; init; } = new();

    public CatchMembers Catch { get; init; } = new();

    public RigPointMembers Point { get; init; } =
        new()
        {
            Name = "Point",
            AtM = 10,
            HeightM = 9,
        };

    public PointsMembers Points { get; init; } =
        new()
        {
            LoadAtM = 12,
            LoadHeightM = 6,
            Points =
            [
                new()
                {
                    Name = "First point",
                    AtM = 12,
                    HeightM = 10,
                    LimbToRight = true,
                },
            ],
        };

    public SlideMembers Slide { get; init; } = new() { TopHeightM = 9 };

    public AsternMembers Astern { get; init; } =
        new()
        {
            SeatHeightM = 10,
            Anchor = new()
            {
                DistanceM = 20,
                BearingDeg = 0,
                HeightM = 0.5,
            },
        };

    public TopMembers Top { get; init; } = new() { CutHeightM = 12, LineHeightM = 15 };
}
