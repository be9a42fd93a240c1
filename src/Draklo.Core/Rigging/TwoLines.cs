using System.ComponentModel.DataAnnotations;
using Draklo.Core.Geometry;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Core.Rigging;

/// <summary>A load that hangs between two lines.</summary>
public sealed record TwoLinesAsk : IDocumentPart
{
    [Display(Name = "Load", Description = "Newtons.")]
    [Range(1, 500_000)]
    public required double WeightN { get; init; }

    [Display(Name = "Left line rises", Description = "Above level, degrees.")]
    [Range(-80, 90)]
    public required double LeftDeg { get; init; }

    [Display(Name = "Right line rises", Description = "Above level, degrees.")]
    [Range(-80, 90)]
    public required double RightDeg { get; init; }
}

/// <summary>What each of two lines carries.</summary>
/// <remarks>Method M19: <c>T1 = W·cos β2 / sin(β1 + β2)</c>.</remarks>
public sealed record TwoLines(double LeftN, double RightN)
{
    /// <summary>Two lines flatter together than this carry hundreds of times the load.</summary>
    private const double LeastDeg = 0.5;

    public static (TwoLines? Lines, List<Problem> Problems) Of(TwoLinesAsk ask, UnitSystem units)
    {
        var problems = new List<Problem>();
        MemberRanges.Check(ask, units, problems);
        if (problems.Count == 0 && ask.LeftDeg + ask.RightDeg < LeastDeg)
        {
            problems.Add(
                new(
                    "leftDeg",
                    "Two lines that do not rise together carry no load between them: raise one end, or let them sag."
                )
            );
        }

        if (problems.Count == 0 && ask.LeftDeg + ask.RightDeg > 180 - LeastDeg)
        {
            problems.Add(new("leftDeg", "Both lines hang straight down beside each other: that is one line."));
        }

        if (problems.Count > 0)
        {
            return (null, problems);
        }

        var (left, right) = (Angle.Radians(ask.LeftDeg), Angle.Radians(ask.RightDeg));
        var sine = Math.Sin(left + right);
        return (new(ask.WeightN * Math.Cos(right) / sine, ask.WeightN * Math.Cos(left) / sine), problems);
    }
}
