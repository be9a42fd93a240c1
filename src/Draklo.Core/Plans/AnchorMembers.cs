using System.ComponentModel.DataAnnotations;
using Draklo.Core.Reading;

namespace Draklo.Core.Plans;

/// <summary>An anchor, or what a redirect hangs on, by its place from the stump.</summary>
public sealed record AnchorMembers : FixedPointMembers
{
    [Display(Name = "Level distance", Description = "Level, from the middle of the stump, metres.")]
    [Range(1, 300)]
    [Measure("length", Step = 0.5, CanBeMeasured = true)]
    public required double DistanceM { get; init; }

    [Display(Name = "Bearing from the stump", Description = "From the stump, degrees clockwise from north.")]
    [Range(0, 360)]
    [Measure("angle", CanBeMeasured = true)]
    public required double BearingDeg { get; init; }

    [Display(
        Name = "Ground rise to it",
        Description = "Ground at the anchor above ground at the stump, metres; negative when lower."
    )]
    [Range(-100, 100)]
    [Measure("length", CanBeMeasured = true)]
    public double GroundRiseM { get; init; }
}
