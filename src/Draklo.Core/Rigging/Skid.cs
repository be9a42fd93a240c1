using System.ComponentModel.DataAnnotations;
using Draklo.Core.Geometry;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Core.Rigging;

/// <summary>A log that is dragged.</summary>
public sealed record SkidAsk : IDocumentPart
{
    [Display(Name = "Weight of the log", Description = "What rests on the ground, newtons.")]
    [Range(10, 500_000)]
    public required double WeightN { get; init; }

    [Display(Name = "Slope", Description = "Upward along the drag, degrees; less than 0, downhill.")]
    [Range(-60, 60)]
    public required double SlopeDeg { get; init; }

    [Display(Name = "Line above the slope", Description = "Degrees.")]
    [Range(-10, 80)]
    public double LineDeg { get; init; }

    [Display(Name = "Friction", Description = "Of the log on this ground, 0.02 to 1.")]
    [Range(0.02, 1)]
    public required double Friction { get; init; }
}

/// <summary>What a drag takes.</summary>
/// <remarks>Method M19: <c>F = W·(μ·cos α + sin α) / (cos δ + μ·sin δ)</c>, 1.4 times that to break it out.</remarks>
/// <param name="PullN">To keep it moving; negative where it runs away and is held back by so much.</param>
/// <param name="BreakoutN">To start it; where it runs away, the same as the pull.</param>
/// <param name="RunsAway">Whether it must be held from above.</param>
public sealed record Skid(double PullN, double BreakoutN, bool RunsAway)
{
    private const double BreakingOut = 1.4;

    public static (Skid? Skid, List<Problem> Problems) Of(SkidAsk ask, UnitSystem units)
    {
        var problems = new List<Problem>();
        MemberRanges.Check(ask, units, problems);
        if (problems.Count > 0)
        {
            return (null, problems);
        }

        var (slope, line) = (Angle.Radians(ask.SlopeDeg), Angle.Radians(ask.LineDeg));
        var pull =
            ask.WeightN
            * ((ask.Friction * Math.Cos(slope)) + Math.Sin(slope))
            / (Math.Cos(line) + (ask.Friction * Math.Sin(line)));
        return (new(pull, pull < 0 ? pull : BreakingOut * pull, pull < 0), problems);
    }
}
