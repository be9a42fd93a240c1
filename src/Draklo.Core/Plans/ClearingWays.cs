using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

public sealed record CarryMembers : IDocumentPart
{
    [Display(Name = "People who carry")]
    [Range(1, 20)]
    [Measure("count")]
    public int People { get; init; } = 2;

    [Display(Name = "Each carries at most", Description = "At most, kilograms; a rule of the crew's own.")]
    [Range(5, 60)]
    [Measure("mass")]
    public double EachKg { get; init; } = 25;
}

public sealed record DragMembers : IDocumentPart
{
    [Display(Name = "Knot on the log", Description = "An id of the knot table; used where no sling is given.")]
    public string KnotId { get; init; } = "running-bowline";

    [Display(Name = "Logs at once", Description = "How many are dragged together.")]
    [Range(1, 20)]
    [Measure("count")]
    public int AtOnce { get; init; } = 1;
}

public sealed record LiftMembers : IDocumentPart
{
    [Display(Name = "Clear of the ground", Description = "Under the load while it hangs, metres.")]
    [Range(0.1, 20)]
    [Measure("length")]
    public double ClearM { get; init; } = 0.5;

    [Display(Name = "Tag line held at", Description = "Metres along the section.")]
    [Range(0, 500)]
    [Measure("length", Step = 0.5)]
    public required double TagAtM { get; init; }

    [Display(Name = "Tag line's height", Description = "In the hands or on its drum, metres above the ground.")]
    [Range(0, 20)]
    [Measure("length")]
    public double TagHeightM { get; init; } = 1;

    [Display(Name = "People on the tag line")]
    [Range(1, 10)]
    [Measure("count")]
    public int TagPeople { get; init; } = 1;

    [Display(Name = "Tag line round a drum", Description = "Turns and hold; left out, it is held by hand alone.")]
    public LimiterMembers? TagDrum { get; init; }

    [Display(Name = "Hangs from", Description = "Where the load leaves the ground, metres along the section.")]
    [Range(0, 500)]
    [Measure("length", Step = 0.5, Empty = "where it lies")]
    public double? FromM { get; init; }
}

public sealed record FlyMembers : IDocumentPart
{
    [Display(
        Name = "Sag of the loaded line",
        Description = "Of the load at mid-span under the straight line, as a share of the span."
    )]
    [Range(0.005, 0.5)]
    [Measure("percent", Step = 0.5, CanBeMeasured = true)]
    public double SagShare { get; init; } = 0.08;

    [Display(Name = "Load hangs under it", Description = "Under the line to its lowest point, metres.")]
    [Range(0.1, 20)]
    [Measure("length", CanBeMeasured = true)]
    public double HangM { get; init; } = 1.2;

    [Display(
        Name = "Load hooked on at",
        Description = "Where loads are taken up, metres along the section; left out, where they lie."
    )]
    [Range(0, 500)]
    [Measure("length", Step = 0.5, Empty = "where it lies")]
    public double? HookAtM { get; init; }

    [Display(Name = "Lanes", Description = "How many places the lower end is moved to.")]
    [Range(1, 20)]
    [Measure("count")]
    public int Lanes { get; init; } = 1;

    [Display(
        Name = "Lanes apart, first to last",
        Description = "From the first lane to the last, as seen from the high point, degrees."
    )]
    [Range(0, 120)]
    [Measure("angle")]
    public double FanDeg { get; init; }

    [Display(Name = "Another loaded rope crosses it", Description = "Another rope under load crosses this one.")]
    public bool Crosses { get; init; }
}

public sealed record CatchMembers : IDocumentPart
{
    [Display(Name = "Piece caught", Description = "Id of the piece; left out, the heaviest.")]
    [MaxLength(40)]
    public string? PieceId { get; init; }

    [Display(Name = "Drop", Description = "How far it falls before the rope holds it, metres.")]
    [Range(0, 30)]
    [Measure("length", CanBeMeasured = true)]
    public double DropM { get; init; } = 0.9;

    [Display(Name = "Parts of the rope", Description = "1, or 2 where the rope runs round a block on the piece.")]
    [Range(1, 2)]
    [Measure("count")]
    public int Parts { get; init; } = 1;

    [Display(Name = "Let run", Description = "The drum lets rope out until the piece stands; else it is held.")]
    public bool LetRun { get; init; }

    [Display(Name = "Rope from piece to block", Description = "When it comes tight, metres.")]
    [Range(0.1, 60)]
    [Measure("length", CanBeMeasured = true)]
    public double PieceToBlockM { get; init; } = 2;

    [Display(Name = "Knot on the piece", Description = "An id of the knot table.")]
    public string KnotId { get; init; } = "running-bowline";

    [Display(
        Name = "Block on the piece",
        Description = "Of two parts: the rope runs round it and back up to the stem. Left out, the plan says it is not known."
    )]
    public RigBlockMembers? Block { get; init; }

    [Display(
        Name = "Sling of the rope's end",
        Description = "Of two parts: what holds the rope's end on the stem. Left out, the plan says it is not known."
    )]
    public SlingMembers? EndSling { get; init; }

    [Display(Name = "Block off the stem's middle", Description = "Lever of the block's pull, metres.")]
    [Range(0, 3)]
    [Measure("length")]
    public double OffStemM { get; init; } = 0.3;
}

public sealed record PointsMembers : IDocumentPart
{
    [Display(Name = "Piece on the points", Description = "Id of the piece; left out, the heaviest.")]
    [MaxLength(40)]
    public string? PieceId { get; init; }

    [Display(Name = "Raised", Description = "The load goes up; else it is let down.")]
    public bool Raised { get; init; }

    [Display(Name = "Load hangs at", Description = "Metres along the section.")]
    [Range(0, 500)]
    [Measure("length", Step = 0.5)]
    public required double LoadAtM { get; init; }

    [Display(Name = "Load's height", Description = "Where the rope takes it, metres above the ground there.")]
    [Range(0, 60)]
    [Measure("length", Step = 0.5)]
    public required double LoadHeightM { get; init; }

    [Display(Name = "Points", Description = "From the load to the drum.")]
    [MinLength(1)]
    [MaxLength(8)]
    public required IReadOnlyList<RigPointMembers> Points { get; init; }
}

/// <summary>A point in the tree where the rope turns.</summary>
public sealed record RigPointMembers : IDocumentPart
{
    [Display(Name = "Point", Description = "What the crew calls it.")]
    [MaxLength(40)]
    public required string Name { get; init; }

    [Display(Name = "Point, along the section", Description = "Metres along the section.")]
    [Range(0, 500)]
    [Measure("length", Step = 0.5)]
    public required double AtM { get; init; }

    [Display(Name = "Point's height", Description = "Above the ground at the high point's foot, metres.")]
    [Range(0.5, 60)]
    [Measure("length", Step = 0.5)]
    public required double HeightM { get; init; }

    [Display(
        Name = "Limb at its union",
        Description = "At its union, metres. Left out, the point is on no limb that is known."
    )]
    [Range(0.02, 2)]
    [Measure("thickness", CanBeMeasured = true, Empty = "on no limb")]
    public double? LimbDiameterM { get; init; }

    [Display(Name = "Lever from the union", Description = "From the union to the point along the limb, metres.")]
    [Range(0, 20)]
    [Measure("length")]
    public double LimbLeverM { get; init; } = 0.5;

    [Display(Name = "Limb rises", Description = "Above level, from its union outward, degrees; 90 is a stem.")]
    [Range(-60, 90)]
    [Measure("angle")]
    public double LimbRiseDeg { get; init; } = 45;

    [Display(Name = "Limb points right", Description = "Outward to the right of the section; else to the left.")]
    public bool LimbToRight { get; init; }

    [Display(Name = "Limb weighs", Description = "Kilograms beyond the union.")]
    [Range(0, 5000)]
    [Measure("mass", Step = 5)]
    public double LimbMassKg { get; init; }

    public RigBlockMembers Block { get; init; } = new() { ContactId = "friction-ring" };
}

public sealed record SlideMembers : IDocumentPart
{
    [Display(Name = "Piece that slides", Description = "Id of the piece; left out, the heaviest.")]
    [MaxLength(40)]
    public string? PieceId { get; init; }

    [Display(Name = "Line sits at", Description = "On the stem, metres above its foot.")]
    [Range(0.5, 60)]
    [Measure("length", Step = 0.5)]
    public required double TopHeightM { get; init; }

    [Display(Name = "Tension before the load", Description = "Newtons.")]
    [Range(50, 50_000)]
    [Measure("force", CanBeMeasured = true)]
    public double PretensionN { get; init; } = 1000;

    [Display(
        Name = "An old rope, for sliding only",
        Description = "A rope kept for sliding, that holds nothing else afterwards."
    )]
    public bool OldRope { get; init; }

    [Display(
        Name = "Connector's metal",
        Description = "Of what runs on the line: steel or alloy; left out, nobody has looked."
    )]
    public Metal? Metal { get; init; }

    [Display(Name = "A second rope brakes it", Description = "A second rope holds it back.")]
    public bool Braked { get; init; }
}

public sealed record AsternMembers : IDocumentPart
{
    [Display(Name = "Line sits in the tree at", Description = "Above the ground at the stump, metres.")]
    [Range(0.5, 120)]
    [Measure("length", Step = 0.5, CanBeMeasured = true)]
    public required double SeatHeightM { get; init; }

    [Display(
        Name = "What it runs over behind",
        Description = "By its place from the stump: the block on the spar, or the drum's own anchor."
    )]
    public required AnchorMembers Anchor { get; init; }

    [Display(
        Name = "Over the high point's block",
        Description = "It turns over the high point's block there, and down to the drum; else the drum stands there."
    )]
    public bool OverSpar { get; init; }

    [Display(
        Name = "Stop and look at",
        Description = "The lean at which the crew stops and looks again, degrees; left out, worked out."
    )]
    [Range(1, 89)]
    [Measure("angle", Empty = "say when")]
    public double? StopDeg { get; init; }
}

public sealed record TopMembers : IDocumentPart
{
    [Display(Name = "Cut at a height of", Description = "Of the top's cut above the foot, metres.")]
    [Range(1, 60)]
    [Measure("length", Step = 0.5)]
    public required double CutHeightM { get; init; }

    [Display(Name = "Line on the top at", Description = "Its height above the foot, metres.")]
    [Range(1, 70)]
    [Measure("length", Step = 0.5)]
    public required double LineHeightM { get; init; }

    [Display(
        Name = "Top weighs",
        Description = "Kilograms; left out, from the high point's stem above the cut, which has no crown."
    )]
    [Range(1, 5000)]
    [Measure("mass", Step = 10, CanBeMeasured = true, Empty = "bare stem")]
    public double? MassKg { get; init; }

    [Display(
        Name = "Top leans back",
        Description = "Of its centre behind the cut, degrees; less than 0, it leans forward."
    )]
    [Range(-45, 45)]
    [Measure("angle", CanBeMeasured = true)]
    public double BackLeanDeg { get; init; }

    [Display(Name = "Pull on the top", Description = "Newtons. Left out, as much as it needs with the reserve.")]
    [Range(10, 50_000)]
    [Measure("force", Empty = "what it needs")]
    public double? PullN { get; init; }

    [Display(Name = "Hinge of the top", Description = "Metres.")]
    [Range(0.005, 0.3)]
    [Measure("thickness")]
    public double HingeM { get; init; } = 0.03;
}
