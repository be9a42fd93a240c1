using Draklo.Core.Plans;

namespace Draklo.Core.Catalogue;

/// <summary>
/// What a part of the plan starts from when it is added: ordinary figures, for the crew to correct. A part whose
/// members all have usual values starts from those.
/// </summary>
public sealed record Starts
{
    public static Starts Usual { get; } = new();

    public ClearingStarts Clearing { get; init; } = new();

    public AnchorTreeMembers AnchorTree { get; init; } =
        new()
        {
            DbhM = 0.4,
            HeightM = 15,
            GroundId = "roots-ordinary",
        };

    public AnchorPostMembers AnchorPost { get; init; } =
        new()
        {
            DiameterM = 0.15,
            DepthM = 0.8,
            GroundId = "soil-sandy",
        };

    public AnchorPicketMembers AnchorPickets { get; init; } = new() { ArrangementId = "picket-1-1" };

    public AnchorWeightMembers AnchorWeight { get; init; } = new() { MassKg = 2000, GroundId = "firm-earth" };

    public SlingMembers Sling { get; init; } = new() { Hitch = SlingHitch.Choked };

    public GripMembers Grip { get; init; } = new() { GripId = "machard" };

    public ConnectorMembers Connector { get; init; } = new();

    public TackleRopeMembers TackleRope { get; init; } = new() { DiameterM = 0.011, EndKnotId = "bowline" };

    public ComposedMembers Composed { get; init; } =
        new() { Stages = [new() { Kind = StageKind.Three }, new() { Kind = StageKind.Two }] };

    /// <summary>Turns on a drum before the puller.</summary>
    public LimiterMembers Limiter { get; init; } = new();

    /// <summary>Turns that hold the line while the tackle is opened.</summary>
    public LimiterMembers HoldingTurns { get; init; } = new() { Turns = 3 };

    public AnchorWeightMembers Vehicle { get; init; } = new() { MassKg = 2200, GroundId = "firm-earth" };

    /// <summary>What a machine pulls, N.</summary>
    public double MachineN { get; init; } = 10_000;

    /// <summary>What a hand winch pulls, N.</summary>
    public double HandWinchN { get; init; } = 8_000;

    /// <summary>What one person keeps up on good footing.</summary>
    public double EffortEachN { get; init; } = 250;

    /// <summary>What one person keeps up with the body leaned into it.</summary>
    public double LeaningEffortN { get; init; } = 550;

    public LimbMembers Union { get; init; } = new() { DiameterM = 0.2 };

    public LimbMembers Limb { get; init; } = new() { DiameterM = 0.2, LeverM = 0.6 };

    public SettingMembers Setting { get; init; } = new();

    public string RedirectContactId { get; init; } = "bushed-block";

    /// <summary>The knot that joins a second rope.</summary>
    public string JoinKnotId { get; init; } = "figure-eight-bend";

    /// <summary>Of a second rope, m.</summary>
    public double JoinedLengthM { get; init; } = 30;

    /// <summary>Stretch at a tenth of its strength, of a rope whose maker's figure is not known.</summary>
    public double StretchAtTenPercent { get; init; } = 0.03;

    public HeightReadingMembers HeightReading { get; init; } =
        new()
        {
            DistanceM = 25,
            UpDeg = 40,
            DownDeg = -4,
        };

    /// <summary>How far a known mass may be off.</summary>
    public double KnownMassSpread { get; init; } = 0.15;

    public DecayMembers Decay { get; init; } = new() { ShellM = 0.15, DiameterM = 0.5 };

    /// <summary>A place on the map, before the crew gives theirs.</summary>
    public OriginMembers Origin { get; init; } = new() { LatitudeDeg = 54, LongitudeDeg = -3 };

    /// <summary>The signs of a crew that agrees on no others.</summary>
    public IReadOnlyList<SignalMembers> Signals { get; init; } =
    [
        new()
        {
            Sign = "arm up",
            Means = "pull, slowly",
            By = "lead",
        },
        new()
        {
            Sign = "arm level",
            Means = "hold, nobody moves",
            By = "lead",
        },
        new() { Sign = "both arms crossed", Means = "stop" },
        new()
        {
            Sign = "whistle, long",
            Means = "out, the tree is going",
            By = "faller",
        },
    ];
}
