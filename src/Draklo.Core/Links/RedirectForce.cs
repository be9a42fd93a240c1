using Draklo.Core.Geometry;

namespace Draklo.Core.Links;

/// <summary>What a line puts on one of its redirects.</summary>
/// <remarks>Method M15.</remarks>
public sealed record RedirectForce
{
    /// <summary>The angle between its two legs: 0 doubled back, 180 straight on.</summary>
    public required double BetweenDeg { get; init; }

    /// <summary>In the leg toward the tree, planned.</summary>
    public required double TreeSideN { get; init; }

    /// <summary>In the leg toward the anchor; more, for the turn takes its part.</summary>
    public required double HaulSideN { get; init; }

    /// <summary>On its sling and anchor.</summary>
    public required double ForceN { get; init; }

    /// <summary>On the redirect at the hardest heave, newtons.</summary>
    public required double WorstForceN { get; init; }

    /// <summary>Where the force pulls, degrees clockwise from north.</summary>
    public required double TowardDeg { get; init; }

    /// <summary>And how far above level; negative pulls down.</summary>
    public required double RisesDeg { get; init; }

    /// <summary>Where it hangs.</summary>
    public required LayPoint At { get; init; }

    /// <summary>The ground under it.</summary>
    public required double GroundUpM { get; init; }

    /// <summary>What its anchor holds; null when that is not known.</summary>
    public required AnchorStrength? Strength { get; init; }
}
