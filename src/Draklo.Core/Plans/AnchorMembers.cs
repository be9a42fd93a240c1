using System.ComponentModel.DataAnnotations;

namespace Draklo.Core.Plans;

/// <summary>An anchor, or what a redirect hangs on, by its place from the stump.</summary>
public sealed record AnchorMembers : FixedPointMembers
{
    [Display(Name = "Anchor distance", Description = "Level, from the middle of the stump, metres.")]
    [Range(1, 300)]
    public required double DistanceM { get; init; }

    [Display(Name = "Anchor bearing", Description = "From the stump, degrees clockwise from north.")]
    [Range(0, 360)]
    public required double BearingDeg { get; init; }

    [Display(
        Name = "Ground rise",
        Description = "Ground at the anchor above ground at the stump, metres; negative when lower."
    )]
    [Range(-100, 100)]
    public double GroundRiseM { get; init; }
}
