using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

/// <summary>Clearing: the pieces, the ground between where they lie and where they go, and the ways to get them there.</summary>
/// <remarks>
/// Places are metres along a section of the ground: 0 at its left end, heights above its lowest zero as drawn. What is
/// left out is not known, and the analysis says so.
/// </remarks>
public sealed record ClearingMembers : IDocumentPart
{
    [Display(Name = "A job of its own", Description = "True where nothing is pulled: the job is the clearing alone.")]
    public bool Alone { get; init; }

    [Display(
        Name = "Way",
        Description = "The one that is planned: carry, drag, buttUp, lift, fly, catch, points, slide, astern or top."
    )]
    public ClearingWay Way { get; init; } = ClearingWay.Drag;

    [Display(
        Name = "Cut mark, from the felling cut",
        Description = "Where the tree's own stem is cut up, metres along it from the felling cut."
    )]
    [MaxLength(60)]
    [Measure("length")]
    public IReadOnlyList<double> StemCutsM { get; init; } = [];

    [Display(Name = "Stem lies at", Description = "Metres along the section, of the own stem's pieces.")]
    [Range(0, 500)]
    [Measure("length", Step = 0.5)]
    public double? StemAtM { get; init; }

    [Display(
        Name = "Pieces",
        Description = "Others than the own stem's: logs that lie there, or parts of a standing one."
    )]
    [MaxLength(60)]
    public IReadOnlyList<PieceMembers> Pieces { get; init; } = [];

    [Display(Name = "Brush", Description = "Left out: no brush to move.")]
    public BrushMembers? Brush { get; init; }

    [Display(Name = "Truck or chipper", Description = "What takes the pieces away.")]
    public TruckMembers Truck { get; init; } = new();

    public GroundSectionMembers Ground { get; init; } = new();

    [Display(Name = "High point", Description = "A standing stem that carries a block. Left out: no high point.")]
    public HighPointMembers? High { get; init; }

    [Display(Name = "Low anchor", Description = "Where a loaded line or a tight line ends below.")]
    public SectionPointMembers? Low { get; init; }

    [Display(Name = "Loaded line", Description = "The rope that carries the load: stretched, caught on, or let down.")]
    public RopeMembers? Line { get; init; }

    [Display(Name = "Knot in the loaded line", Description = "An id of the knot table, where it is made fast.")]
    public string LineKnotId { get; init; } = "bowline";

    [Display(Name = "Hauling line", Description = "The rope that moves the load.")]
    public RopeMembers? Haul { get; init; }

    [Display(Name = "Tag line", Description = "The rope that steers the load by hand.")]
    public RopeMembers? Tag { get; init; }

    [Display(Name = "Sling on the load", Description = "A choker or sling round the log.")]
    public SlingMembers? LoadSling { get; init; }

    [Display(Name = "Carriage", Description = "What runs on a loaded line.")]
    public CarriageMembers? Carriage { get; init; }

    [Display(Name = "Drum", Description = "What holds or lets out the loaded line.")]
    public DrumMembers? Drum { get; init; }

    [Display(Name = "Lead block", Description = "Where the hauling line turns to the hauler, low down.")]
    public LeadMembers? Lead { get; init; }

    public PullerMembers Hauler { get; init; } = new() { Count = 2 };

    [Display(Name = "Hauler stands at", Description = "Metres along the section; left out, at its left end.")]
    [Range(0, 600)]
    [Measure("length", Step = 0.5, Empty = "the left end")]
    public double? HaulerAtM { get; init; }

    [Display(
        Name = "Hauler fast to",
        Description = "What holds the tackle, winch or machine. Left out, the plan says it is not known."
    )]
    public SectionPointMembers? HaulAnchor { get; init; }

    [Display(Name = "Tackle", Description = "Between hauler and hauling line. Left out, they haul it directly.")]
    public TackleMembers? Tackle { get; init; }

    [Display(Name = "People", Description = "Who stands where while loads move.")]
    [MaxLength(20)]
    public IReadOnlyList<StandMembers> People { get; init; } = [];

    [Display(Name = "Climber hangs on", Description = "own, rigging or none: what the climber is tied in to.")]
    public TieIn Climber { get; init; } = TieIn.None;

    public CarryMembers Carry { get; init; } = new();

    public DragMembers Drag { get; init; } = new();

    [Display(Name = "Lift and tag line", Description = "Left out, not set up.")]
    public LiftMembers? Lift { get; init; }

    [Display(Name = "Flying", Description = "Over a loaded line. Left out, not set up.")]
    public FlyMembers? Fly { get; init; }

    [Display(Name = "Catching", Description = "Left out, not set up.")]
    public CatchMembers? Catch { get; init; }

    [Display(Name = "Several points", Description = "Left out, not set up.")]
    public PointsMembers? Points { get; init; }

    [Display(Name = "Down a tight line", Description = "Left out, not set up.")]
    public SlideMembers? Slide { get; init; }

    [Display(Name = "Cut tree let down", Description = "On a line behind it. Left out, not set up.")]
    public AsternMembers? Astern { get; init; }

    [Display(Name = "Top with a pull line", Description = "Left out, not set up.")]
    public TopMembers? Top { get; init; }

    [Display(Name = "Times", Description = "The crew's own minutes for a way; left out, the table's.")]
    [MaxLength(10)]
    public IReadOnlyList<WayTimeMembers> Times { get; init; } = [];
}

public enum ClearingWay
{
    /// <summary>By hand, or rolled.</summary>
    Carry,

    /// <summary>Over the ground on a line.</summary>
    Drag,

    /// <summary>Dragged with its butt lifted by a high lead.</summary>
    ButtUp,

    /// <summary>Hung from a high point and steered by a tag line.</summary>
    Lift,

    /// <summary>On a carriage over a loaded line.</summary>
    Fly,

    /// <summary>Dropped into a rope over a block on its own stem.</summary>
    Catch,

    /// <summary>Lowered or raised over several points.</summary>
    Points,

    /// <summary>Slid down a tight line along the stem.</summary>
    Slide,

    /// <summary>A cut tree let down on a line behind it.</summary>
    Astern,

    /// <summary>A top pulled over with a line.</summary>
    Top,
}

/// <summary>What the climber's own rope hangs on.</summary>
public enum TieIn
{
    /// <summary>Nobody climbs.</summary>
    None,

    /// <summary>A point of its own that carries no rigging.</summary>
    Own,

    /// <summary>A point, block or line of the rigging.</summary>
    Rigging,
}

/// <summary>A piece, or several alike.</summary>
public sealed record PieceMembers : IDocumentPart
{
    [Display(Name = "Piece", Description = "Short name, different for each.")]
    [RegularExpression(Ids.Pattern)]
    public required string Id { get; init; }

    [Display(Name = "Name of the piece", Description = "What the crew calls it.")]
    [MaxLength(60)]
    public string Name { get; init; } = "";

    [Display(Name = "How many")]
    [Range(1, 500)]
    [Measure("count")]
    public int Count { get; init; } = 1;

    [Display(Name = "Length of the piece", Description = "Metres.")]
    [Range(0.1, 40)]
    [Measure("length", CanBeMeasured = true)]
    public required double LengthM { get; init; }

    [Display(Name = "Butt diameter", Description = "At its thick end, metres.")]
    [Range(0.02, 3)]
    [Measure("thickness", CanBeMeasured = true)]
    public required double ButtM { get; init; }

    [Display(Name = "Thin end", Description = "At its thin end, metres; left out, as thick as the butt.")]
    [Range(0.01, 3)]
    [Measure("thickness", CanBeMeasured = true, Empty = "as the butt")]
    public double? TopM { get; init; }

    [Display(Name = "Mass of the piece", Description = "Kilograms, weighed; left out, from its size and the wood.")]
    [Range(0.5, 20_000)]
    [Measure("mass", Step = 5, CanBeMeasured = true, Empty = "from its size")]
    public double? MassKg { get; init; }

    [Display(Name = "Lies at", Description = "Metres along the section.")]
    [Range(0, 500)]
    [Measure("length", Step = 0.5)]
    public double AtM { get; init; }

    [Display(Name = "Place on the plan", Description = "From the stump; left out, on the line of the section.")]
    public PlaceMembers? Place { get; init; }
}

public sealed record BrushMembers : IDocumentPart
{
    [Display(Name = "Volume of the brush", Description = "As it lies, cubic metres.")]
    [Range(0.1, 2000)]
    [Measure("volume", CanBeMeasured = true)]
    public required double VolumeM3 { get; init; }

    [Display(
        Name = "A cubic metre of brush weighs",
        Description = "Kilograms a cubic metre as it lies; an estimate of ours."
    )]
    [Range(5, 400)]
    [Measure("density", Step = 5, CanBeMeasured = true)]
    public double MassKgM3 { get; init; } = 60;

    [Display(Name = "Brush lies at", Description = "Metres along the section.")]
    [Range(0, 500)]
    [Measure("length", Step = 0.5)]
    public double AtM { get; init; }

    [Display(Name = "Moved at once", Description = "What is moved at once, kilograms.")]
    [Range(5, 1000)]
    [Measure("mass", Step = 5)]
    public double BundleKg { get; init; } = 40;
}

/// <summary>What takes the pieces away.</summary>
public sealed record TruckMembers : IDocumentPart
{
    [Display(Name = "Truck takes", Description = "Kilograms a load.")]
    [Range(100, 60_000)]
    [Measure("mass", Step = 50)]
    public double CarriesKg { get; init; } = 1500;

    [Display(
        Name = "Room on the truck",
        Description = "Cubic metres a load, of brush as it lies or chipped to a quarter of that."
    )]
    [Range(0.5, 120)]
    [Measure("volume")]
    public double RoomM3 { get; init; } = 6;

    [Display(Name = "Brush is chipped first", Description = "Brush goes through a chipper first.")]
    public bool Chipped { get; init; }
}

/// <summary>Somebody at work while loads move.</summary>
public sealed record StandMembers : IDocumentPart
{
    [Display(Name = "Who", Description = "First name.")]
    [MaxLength(40)]
    public required string Name { get; init; }

    [Display(Name = "Does", Description = "As in hooks on, drum, tag line, lookout.")]
    [MaxLength(60)]
    public string Task { get; init; } = "";

    [Display(Name = "Stands at", Description = "Metres along the section.")]
    [Range(0, 500)]
    [Measure("length", Step = 0.5)]
    public required double AtM { get; init; }

    [Display(
        Name = "To the side, right is +",
        Description = "Metres off the line of the section; positive to its right."
    )]
    [Range(-100, 100)]
    [Measure("length", Step = 0.5)]
    public double OffM { get; init; }
}

/// <summary>The crew's own minutes for a way.</summary>
public sealed record WayTimeMembers : IDocumentPart
{
    [Display(Name = "Way of the times")]
    public required ClearingWay Way { get; init; }

    [Display(Name = "Our minutes to rig", Description = "Minutes until the first load moves; left out, the table's.")]
    [Range(0, 1440)]
    [Measure("count", Empty = "the table's")]
    public double? RigMin { get; init; }

    [Display(Name = "Our minutes a load", Description = "Minutes, there and back; left out, the table's.")]
    [Range(0.1, 240)]
    [Measure("ratio", Step = 0.5, Empty = "the table's")]
    public double? EachMin { get; init; }
}
