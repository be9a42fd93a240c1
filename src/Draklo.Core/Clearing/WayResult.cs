using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;

namespace Draklo.Core.Clearing;

/// <summary>A figure of a way.</summary>
/// <param name="Quantity">What it is measured in, as the screens write it: force, length, angle, energy and so on.</param>
/// <param name="Note">More in a few words; often empty.</param>
public sealed record RigFigure(string Id, string Name, double Value, string Quantity, string Note)
{
    /// <summary>The formula with its numbers put in, in the reader's units; empty for what is given or read off the drawing.</summary>
    public string How { get; init; } = "";
}

/// <summary>A line as it is drawn in the section.</summary>
/// <param name="Loaded">Whether it carries what the plan is about; drawn in the loaded line's colour.</param>
public sealed record RigLine(string Id, RigMark Mark, bool Loaded, double TensionN, IReadOnlyList<SectionPoint> Points);

/// <summary>Why nobody stands there.</summary>
public enum ZoneKind
{
    /// <summary>Loads or lines pass there.</summary>
    InWay,

    /// <summary>A load hangs or comes down over it.</summary>
    UnderLoad,

    /// <summary>A tree, a top or a piece comes down on it.</summary>
    ComesDown,

    /// <summary>A loaded line would strike there when something parts.</summary>
    Band,
}

/// <summary>Ground where nobody stands while loads move.</summary>
/// <param name="Name">Where somebody stands who stands there, as in "under the load".</param>
/// <param name="FromM">Along the section, metres; less than <paramref name="ToM"/>.</param>
/// <param name="ToM">Along the section, metres.</param>
/// <param name="HalfWidthM">To either side of the section's line, metres.</param>
public sealed record RigZone(string Id, ZoneKind Kind, string Name, double FromM, double ToM, double HalfWidthM);

/// <summary>The load at one place of its way.</summary>
/// <param name="At">Where the line or the sling holds it.</param>
/// <param name="TensionN">In the line that carries it.</param>
/// <param name="HaulN">In the line that moves it; negative where it must be held back.</param>
/// <param name="ClearM">Under the load, over ground and obstacles; null where it lies on the ground.</param>
public sealed record TravelPlace(SectionPoint At, double TensionN, double HaulN, double? ClearM);

/// <summary>What a point in the tree carries.</summary>
public sealed record PointForce
{
    /// <summary>What the crew calls it.</summary>
    public required string Name { get; init; }

    public required SectionPoint At { get; init; }

    /// <summary>On the point.</summary>
    public required double ForceN { get; init; }

    /// <summary>The force to the right.</summary>
    public required double X { get; init; }

    /// <summary>The force upward.</summary>
    public required double Y { get; init; }

    /// <summary>Along its limb, toward the union: compression.</summary>
    public required double AlongN { get; init; }

    /// <summary>Across its limb: bending.</summary>
    public required double AcrossN { get; init; }

    /// <summary>At the union, with the limb's own weight; null where the limb is not given.</summary>
    public required double? BendingPa { get; init; }

    /// <summary>The most that it carries when one of the others gives way.</summary>
    public required double IfNextFailsN { get; init; }

    /// <summary>While the load is let down, N, 0 or more.</summary>
    public required double LetDownN { get; init; }

    /// <summary>While it is taken in, N, 0 or more.</summary>
    public required double TakenInN { get; init; }

    /// <summary>While it is held and nobody knows which way the friction works: the most that may be, N.</summary>
    public required double HeldN { get; init; }
}

/// <summary>One way of clearing, worked out and checked. Where it is not set up, what was worked out is empty.</summary>
public sealed record WayResult
{
    public required ClearingWay Way { get; init; }

    public required string Name { get; init; }

    /// <summary>What is traded for what, in one sentence.</summary>
    public required string Trade { get; init; }

    /// <summary>ground for ways over the ground, stem for ways down from a stem.</summary>
    public required string Group { get; init; }

    /// <summary>Whether the plan has what the way needs.</summary>
    public required bool SetUp { get; init; }

    /// <summary>What it needs first; empty where it is set up.</summary>
    public required string Lacks { get; init; }

    public required VerdictState State { get; init; }

    public required string Headline { get; init; }

    /// <summary>The largest force that any link carries, N; null without one.</summary>
    public double? MostForceN { get; init; }

    public string MostForceOn { get; init; } = "";

    /// <summary>One over the worst use; null without links.</summary>
    public double? LeastMargin { get; init; }

    public string? WeakestLinkId { get; init; }

    /// <summary>How many it takes at least.</summary>
    public int People { get; init; }

    /// <summary>How often it goes there and back.</summary>
    public int Loads { get; init; }

    /// <summary>Minutes until the first load moves.</summary>
    public Spread RigMin { get; init; }

    /// <summary>Minutes for one load, there and back.</summary>
    public Spread EachMin { get; init; }

    /// <summary>Minutes for all of it.</summary>
    public Spread Minutes { get; init; }

    /// <summary>What it wears, in a few words.</summary>
    public string Wears { get; init; } = "";

    /// <summary>What it does to the ground, in a few words.</summary>
    public string Spoils { get; init; } = "";

    /// <summary>Ground torn up, m²; 0 for none.</summary>
    public double SpoiledM2 { get; init; }

    public IReadOnlyList<RigLink> Links { get; init; } = [];

    public IReadOnlyList<Reason> Reasons { get; init; } = [];

    public IReadOnlyList<AcceptedReason> Accepted { get; init; } = [];

    public IReadOnlyList<RigFigure> Figures { get; init; } = [];

    public IReadOnlyList<RigLine> Lines { get; init; } = [];

    public IReadOnlyList<RigZone> Zones { get; init; } = [];

    public IReadOnlyList<TravelPlace> Travel { get; init; } = [];

    public IReadOnlyList<PointForce> Points { get; init; } = [];

    /// <summary>Parts that are drawn, taken hold of and asked for, set up or not.</summary>
    public required IReadOnlyList<WayPart> Uses { get; init; }

    /// <summary>What choosing it puts into the plan: members that it cannot do without and that nobody has given.</summary>
    public required IReadOnlyList<Change> Begins { get; init; }

    /// <summary>What the line that carries is called in this way.</summary>
    public required string LineName { get; init; }

    /// <summary>How the drawing shows a load on its way.</summary>
    public required LoadOnLine Shows { get; init; }

    /// <summary>The link of the line that carries, or hauls where none carries; null without either.</summary>
    public string? MainLinkId { get; init; }

    /// <summary>The way's main link; null where it has none.</summary>
    internal RigLink? MainLink => Links.FirstOrDefault(l => l.Id == MainLinkId);
}
