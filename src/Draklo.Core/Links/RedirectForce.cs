using Draklo.Core.Geometry;

namespace Draklo.Core.Links;

/// <summary>What a line puts on one of its redirects.</summary>
/// <remarks>Method M15.</remarks>
/// <param name="BetweenDeg">The angle between its two legs: 0 doubled back, 180 straight on.</param>
/// <param name="TreeSideN">In the leg toward the tree, planned.</param>
/// <param name="HaulSideN">In the leg toward the anchor; more, for the turn takes its part.</param>
/// <param name="ForceN">On its sling and anchor.</param>
/// <param name="TowardDeg">Where the force pulls, degrees clockwise from north.</param>
/// <param name="RisesDeg">And how far above level; negative pulls down.</param>
/// <param name="At">Where it hangs.</param>
/// <param name="GroundUpM">The ground under it.</param>
/// <param name="Strength">What its anchor holds; null when that is not known.</param>
public sealed record RedirectForce(
    double BetweenDeg,
    double TreeSideN,
    double HaulSideN,
    double ForceN,
    double WorstForceN,
    double TowardDeg,
    double RisesDeg,
    LayPoint At,
    double GroundUpM,
    AnchorStrength? Strength
);
