using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Sites;

/// <summary>
/// The ground about the stump as a plane through the stump's own ground and the spots that were levelled.
/// </summary>
/// <param name="SteepestDeg">Off level.</param>
/// <param name="FallsTowardDeg">The bearing it falls toward.</param>
/// <param name="MisfitM">The largest distance of a spot from the plane, metres; 0 for two spots.</param>
/// <param name="AnchorRisesM">What the plane makes of the ground at each line's anchor, metres above the
/// stump's.</param>
public sealed record GroundSlope(
    double SteepestDeg,
    double FallsTowardDeg,
    double MisfitM,
    IReadOnlyList<double> AnchorRisesM
)
{
    /// <summary>The plane, null when no spots are given; spots that make none are refused at their place.</summary>
    public static GroundSlope? From(Plan plan, List<Problem> problems, Workings? workings)
    {
        var spots = plan.Site.Spots;
        if (spots.Count == 0)
        {
            return null;
        }

        if (spots.Count == 1)
        {
            problems.Add(
                new(
                    "site.spots",
                    "One spot height does not tell which way the ground falls: add a second, well to the side of the first."
                )
            );
            return null;
        }

        double ee = 0;
        double en = 0;
        double nn = 0;
        double er = 0;
        double nr = 0;
        foreach (var spot in spots)
        {
            ee += spot.EastM * spot.EastM;
            en += spot.EastM * spot.NorthM;
            nn += spot.NorthM * spot.NorthM;
            er += spot.EastM * spot.RiseM;
            nr += spot.NorthM * spot.RiseM;
        }

        var determinant = (ee * nn) - (en * en);
        if (determinant < 0.03 * ee * nn || determinant < 1e-6)
        {
            problems.Add(
                new(
                    "site.spots[1].eastM",
                    "The spots lie nearly in one line with the stump, so they do not tell how the ground falls to the side: move one of them round the tree."
                )
            );
            return null;
        }

        var east = ((er * nn) - (nr * en)) / determinant;
        var north = ((nr * ee) - (er * en)) / determinant;
        var grade = Math.Sqrt((east * east) + (north * north));
        var falls = (Angle.Degrees(Math.Atan2(-east, -north)) + 360) % 360;
        var misfit = spots.Max(s => Math.Abs((east * s.EastM) + (north * s.NorthM) - s.RiseM));
        var steepest = Angle.Degrees(Math.Atan(grade));
        workings?.Add(
            "slope",
            "Slope of the ground",
            "α",
            steepest,
            "deg",
            "the plane through the stump's ground that fits the spots best",
            $"{Figures.Plain(east, 3)} a metre east, {Figures.Plain(north, 3)} a metre north: falls toward {falls:deg}",
            "M17"
        );
        return new(
            steepest,
            falls,
            misfit,
            [
                .. plan.Lines.Select(l =>
                {
                    var at = Place.At(l.Anchor.DistanceM, l.Anchor.BearingDeg);
                    return (east * at.EastM) + (north * at.NorthM);
                }),
            ]
        );
    }
}
