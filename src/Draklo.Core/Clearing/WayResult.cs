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

/// <summary>Ground where nobody stands while loads move.</summary>
/// <param name="HalfWidthM">To either side of the section's line.</param>
public sealed record RigZone(string Id, string Name, double FromM, double ToM, double HalfWidthM);

/// <summary>The load at one place of its way.</summary>
/// <param name="At">Where the line or the sling holds it.</param>
/// <param name="TensionN">In the line that carries it.</param>
/// <param name="HaulN">In the line that moves it; negative where it must be held back.</param>
/// <param name="ClearM">Under the load, over ground and obstacles; null where it lies on the ground.</param>
public sealed record TravelPlace(SectionPoint At, double TensionN, double HaulN, double? ClearM);

/// <summary>What a point in the tree carries.</summary>
/// <param name="Name">What the crew calls it.</param>
/// <param name="ForceN">On the point.</param>
/// <param name="X">The force to the right.</param>
/// <param name="Y">The force upward.</param>
/// <param name="AlongN">Along its limb, toward the union: compression.</param>
/// <param name="AcrossN">Across its limb: bending.</param>
/// <param name="BendingPa">At the union, with the limb's own weight; null where the limb is not given.</param>
/// <param name="IfNextFailsN">The most that it carries when one of the others gives way.</param>
public sealed record PointForce(
    string Name,
    SectionPoint At,
    double ForceN,
    double X,
    double Y,
    double AlongN,
    double AcrossN,
    double? BendingPa,
    double IfNextFailsN
);

/// <summary>One way of clearing, worked out and checked.</summary>
/// <param name="Trade">What is traded for what, in one sentence.</param>
/// <param name="Group">ground for ways over the ground, stem for ways down from a stem.</param>
/// <param name="SetUp">Whether the plan has what the way needs; the rest is empty where not.</param>
/// <param name="Lacks">What it needs first; empty where it is set up.</param>
/// <param name="MostForceN">The largest force that any link carries; null where there is none.</param>
/// <param name="LeastMargin">One over the worst use; null without links.</param>
/// <param name="People">At least.</param>
/// <param name="Loads">How often it goes there and back.</param>
/// <param name="EachMin">Minutes for one load.</param>
/// <param name="Minutes">For all of it.</param>
/// <param name="Wears">What it wears, in a few words.</param>
/// <param name="Spoils">What it does to the ground, in a few words.</param>
/// <param name="SpoiledM2">Ground torn up; 0 for none.</param>
public sealed record WayResult(
    ClearingWay Way,
    string Name,
    string Trade,
    string Group,
    bool SetUp,
    string Lacks,
    VerdictState State,
    string Headline,
    double? MostForceN,
    string MostForceOn,
    double? LeastMargin,
    string? WeakestLinkId,
    int People,
    int Loads,
    Spread RigMin,
    Spread EachMin,
    Spread Minutes,
    string Wears,
    string Spoils,
    double SpoiledM2,
    IReadOnlyList<RigLink> Links,
    IReadOnlyList<Reason> Reasons,
    IReadOnlyList<AcceptedReason> Accepted,
    IReadOnlyList<RigFigure> Figures,
    IReadOnlyList<RigLine> Lines,
    IReadOnlyList<RigZone> Zones,
    IReadOnlyList<TravelPlace> Travel,
    IReadOnlyList<PointForce> Points
);
