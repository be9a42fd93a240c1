using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Sites;
using Draklo.Core.Units;

namespace Draklo.Core.Clearing;

/// <summary>The section of the ground between two points of the plan: its spots, its slope, what stands on it.</summary>
/// <remarks>
/// Spots that were levelled within eight metres of the line count where they lie along it; between and past them the
/// ground is the plane through all of them (method M17). What the line crosses is an obstacle where it crosses it.
/// </remarks>
public static class SectionOfPlan
{
    private const double Near = 8;
    private const double Step = 0.25;
    private const double LeastLength = 3;

    /// <summary>The plan's own section with spots and obstacles taken from the site; everything else stays.</summary>
    public static (GroundSectionMembers? Section, List<Problem> Problems) Of(Plan plan, UnitSystem units)
    {
        var problems = new List<Problem>();
        if (plan.Clearing is not { Ground: { } ground })
        {
            problems.Add(new("clearing", "This plan says nothing of clearing: begin it first."));
            return (null, problems);
        }

        if (ground is not { From: { } from, To: { } to })
        {
            problems.Add(
                new(
                    ground.From is null ? "clearing.ground.from" : "clearing.ground.to",
                    "Put both ends of the section on the plan first."
                )
            );
            return (null, problems);
        }

        if (SectionLine.Of(ground) is not { Length: >= LeastLength } line)
        {
            var apart = Math.Sqrt(Math.Pow(to.EastM - from.EastM, 2) + Math.Pow(to.NorthM - from.NorthM, 2));
            problems.Add(
                new(
                    "clearing.ground.to",
                    units.Say($"The ends of the section are {apart:m} apart: move them farther from each other.")
                )
            );
            return (null, problems);
        }

        return (
            ground with
            {
                Spots = SpotsOf(plan, line),
                Obstacles = [.. plan.Site.Targets.Select(t => ObstacleOf(t, line)).OfType<ObstacleMembers>()],
                LandingAtM = Math.Clamp(ground.LandingAtM, 0, Round(line.Length)),
            },
            problems
        );
    }

    private static List<GroundSpotMembers> SpotsOf(Plan plan, SectionLine line)
    {
        var ignored = new List<Problem>();
        var slope = GroundSlope.From(plan, ignored, null);
        var found = plan
            .Site.Spots.Select(s => (At: line.Of(s.EastM, s.NorthM), s.RiseM))
            .Append((At: line.Of(0, 0), RiseM: 0))
            .Where(s => Math.Abs(s.At.Off) <= Near && s.At.Along > 0.5 && s.At.Along < line.Length - 0.5)
            .OrderBy(s => s.At.Along)
            .Select(s => new GroundSpotMembers { AtM = Round(s.At.Along), UpM = Round(s.RiseM) });
        var spots = new List<GroundSpotMembers>
        {
            new() { AtM = 0, UpM = Round(RiseAt(0)) },
        };
        foreach (var spot in found)
        {
            if (spot.AtM - spots[^1].AtM >= 0.5)
            {
                spots.Add(spot);
            }
        }

        spots.Add(new() { AtM = Round(line.Length), UpM = Round(RiseAt(line.Length)) });
        return spots;

        double RiseAt(double along)
        {
            if (slope is null)
            {
                return 0;
            }

            var (east, north) = line.At(along);
            var falls = Angle.Radians(slope.FallsTowardDeg);
            return -Math.Tan(Angle.Radians(slope.SteepestDeg)) * ((east * Math.Sin(falls)) + (north * Math.Cos(falls)));
        }
    }

    /// <summary>Null where the line does not cross it.</summary>
    private static ObstacleMembers? ObstacleOf(TargetMembers target, SectionLine line)
    {
        var (first, last) = ((double?)null, 0.0);
        for (var along = 0.0; along <= line.Length; along += Step)
        {
            var (east, north) = line.At(along);
            if (Covers(target, east, north))
            {
                first ??= along;
                last = along;
            }
        }

        if (first is not { } from)
        {
            return null;
        }

        var word = target.Kind switch
        {
            TargetKind.PowerLine => target.UtilityWord?.By,
            TargetKind.Road or TargetKind.Path => target.Closing?.By,
            TargetKind.Building => null,
            TargetKind.Wall
            or TargetKind.Fence
            or TargetKind.Hedge
            or TargetKind.Tree
            or TargetKind.Water
            or TargetKind.PhoneLine
            or TargetKind.Pipe
            or TargetKind.People
            or TargetKind.Other => null,
        };
        return new()
        {
            Name = string.IsNullOrWhiteSpace(target.Name) ? new TargetShape(target).Name : target.Name,
            Kind = target.Kind switch
            {
                TargetKind.PowerLine => ObstacleKind.PowerLine,
                TargetKind.Road or TargetKind.Path => ObstacleKind.Way,
                TargetKind.Building => ObstacleKind.Fragile,
                TargetKind.Wall
                or TargetKind.Fence
                or TargetKind.Hedge
                or TargetKind.Tree
                or TargetKind.Water
                or TargetKind.PhoneLine
                or TargetKind.Pipe
                or TargetKind.People
                or TargetKind.Other => ObstacleKind.Thing,
            },
            FromM = Round(from),
            ToM = Round(Math.Max(last, from + Step)),
            HeightM = Math.Min(60, target.HeightM ?? 0),
            ArrangedBy = word,
        };
    }

    private static bool Covers(TargetMembers target, double east, double north)
    {
        var points = target.Points;
        var reach = Math.Max(target.RadiusM, Step / 2);
        var inside = false;
        for (var i = 0; i < points.Count; i++)
        {
            var next = points[(i + 1) % points.Count];
            if (
                (i + 1 < points.Count || target.Closed || points.Count == 1)
                && Distance(points[i], next, east, north) <= reach
            )
            {
                return true;
            }

            if (
                target.Closed
                && (points[i].NorthM > north) != (next.NorthM > north)
                && east
                    < points[i].EastM
                        + (
                            (next.EastM - points[i].EastM)
                            * (north - points[i].NorthM)
                            / (next.NorthM - points[i].NorthM)
                        )
            )
            {
                inside = !inside;
            }
        }

        return inside;
    }

    /// <summary>From a place to the straight piece between two points.</summary>
    private static double Distance(PlaceMembers a, PlaceMembers b, double east, double north)
    {
        var (x, y) = (b.EastM - a.EastM, b.NorthM - a.NorthM);
        var square = (x * x) + (y * y);
        var share = square == 0 ? 0 : Math.Clamp((((east - a.EastM) * x) + ((north - a.NorthM) * y)) / square, 0, 1);
        var (dx, dy) = (east - a.EastM - (share * x), north - a.NorthM - (share * y));
        return Math.Sqrt((dx * dx) + (dy * dy));
    }

    private static double Round(double metres) => Math.Round(metres, 2);
}
