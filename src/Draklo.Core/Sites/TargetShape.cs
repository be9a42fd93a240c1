using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using NetTopologySuite.Algorithm;
using NetTopologySuite.Geometries;

namespace Draklo.Core.Sites;

/// <summary>A target as a shape: a place, a line or an area, with what is added round it.</summary>
/// <remarks>
/// Distances are taken segment by segment with NetTopologySuite's robust algorithms on bare coordinates: a site is
/// measured again many times a second while something on it is dragged, and its general distance operation builds lists
/// each time.
/// </remarks>
public sealed class TargetShape
{
    private static readonly Coordinate Stump = new(0, 0);

    private static readonly Dictionary<TargetKind, string> Words = new()
    {
        [TargetKind.Building] = "building",
        [TargetKind.Wall] = "wall",
        [TargetKind.Fence] = "fence",
        [TargetKind.Hedge] = "hedge",
        [TargetKind.Tree] = "tree to spare",
        [TargetKind.Road] = "road",
        [TargetKind.Path] = "path",
        [TargetKind.Water] = "water",
        [TargetKind.PowerLine] = "power line",
        [TargetKind.PhoneLine] = "phone line",
        [TargetKind.Pipe] = "pipe",
        [TargetKind.People] = "people's place",
        [TargetKind.Other] = "target",
    };

    public TargetShape(TargetMembers target)
    {
        Target = target;
        var points = target.Points;
        Points = new Coordinate[points.Count + (target.Closed ? 1 : 0)];
        for (var i = 0; i < Points.Length; i++)
        {
            Points[i] = new(points[i % points.Count].EastM, points[i % points.Count].NorthM);
        }

        var inside = target.Closed && PointLocation.IsInRing(Stump, Points);
        FromStump = Math.Max(0, (inside ? 0 : ToLine(Stump, Points)) - Radius);
    }

    /// <summary>Every target of a site.</summary>
    public static TargetShape[] All(SiteMembers site)
    {
        if (site.Targets.Count == 0)
        {
            return [];
        }

        var shapes = new TargetShape[site.Targets.Count];
        for (var i = 0; i < shapes.Length; i++)
        {
            shapes[i] = new(site.Targets[i]);
        }

        return shapes;
    }

    public TargetMembers Target { get; }

    /// <summary>
    /// In metres east and north of the stump's middle; an area's first point stands again at the end.
    /// </summary>
    public Coordinate[] Points { get; }

    /// <summary>Of a place, or half the width of a line, metres.</summary>
    public double Radius => Target.RadiusM;

    public string Name => string.IsNullOrWhiteSpace(Target.Name) ? Words[Target.Kind] : Target.Name;

    /// <summary>Whether it bars the way of a person walking out.</summary>
    public bool BlocksRetreat =>
        Target.Kind
            is TargetKind.Building
                or TargetKind.Wall
                or TargetKind.Fence
                or TargetKind.Hedge
                or TargetKind.Tree
                or TargetKind.Water
                or TargetKind.Other;

    /// <summary>From the stump's middle, metres; 0 on it.</summary>
    public double FromStump { get; }

    /// <summary>An area's corners as a ring.</summary>
    public static Coordinate[] Ring(IReadOnlyList<Place> places)
    {
        var ring = new Coordinate[places.Count + 1];
        for (var i = 0; i < ring.Length; i++)
        {
            ring[i] = new(places[i % places.Count].EastM, places[i % places.Count].NorthM);
        }

        return ring;
    }

    /// <summary>Between this and an area, metres; 0 when they touch or overlap.</summary>
    public double DistanceTo(Coordinate[] ring)
    {
        if (PointLocation.IsInRing(Points[0], ring) || (Target.Closed && PointLocation.IsInRing(ring[0], Points)))
        {
            return 0;
        }

        var least = double.PositiveInfinity;
        if (Points.Length == 1)
        {
            least = ToLine(Points[0], ring);
        }

        for (var i = 1; i < Points.Length; i++)
        {
            for (var k = 1; k < ring.Length; k++)
            {
                least = Math.Min(
                    least,
                    DistanceComputer.SegmentToSegment(Points[i - 1], Points[i], ring[k - 1], ring[k])
                );
            }
        }

        return Math.Max(0, least - Radius);
    }

    /// <summary>Whether a loaded line or the people on it come over it.</summary>
    public bool IsCrossedBy(LineOnSite line)
    {
        for (var i = 1; i < line.Legs.Count; i++)
        {
            if (DistanceToLeg(line.Legs[i - 1], line.Legs[i]) <= 0)
            {
                return true;
            }
        }

        return DistanceToLeg(line.Anchor, line.Crew) <= 0;
    }

    private double DistanceToLeg(Place from, Place to)
    {
        Coordinate[] leg = [new(from.EastM, from.NorthM), new(to.EastM, to.NorthM)];
        var least = double.PositiveInfinity;
        if (Points.Length == 1)
        {
            least = ToLine(Points[0], leg);
        }
        else if (Target.Closed && PointLocation.IsInRing(leg[0], Points))
        {
            least = 0;
        }

        for (var i = 1; i < Points.Length; i++)
        {
            least = Math.Min(least, DistanceComputer.SegmentToSegment(Points[i - 1], Points[i], leg[0], leg[1]));
        }

        return Math.Max(0, least - Radius);
    }

    /// <summary>What keeps the points from being a shape, as a sentence; null when they are one.</summary>
    public string? ProblemOfPoints()
    {
        if (Target.Closed && Target.Points.Count < 3)
        {
            return "An area has three corners or more: add corners, or make it a line or a place.";
        }

        if (Target.Closed && Crosses())
        {
            return "The sides of this area cross one another or fold onto themselves: move its corners so that they go round it in order.";
        }

        if (!Target.Closed && Target.Points.Count > 1 && Length() < 0.01)
        {
            return "The points of this line lie in one place: draw it again.";
        }

        return FromStump <= 0 ? "This target stands on the stump itself: move it off the tree." : null;
    }

    private static double ToLine(Coordinate point, Coordinate[] line)
    {
        var least = point.Distance(line[0]);
        for (var i = 1; i < line.Length; i++)
        {
            least = Math.Min(least, DistanceComputer.PointToSegment(point, line[i - 1], line[i]));
        }

        return least;
    }

    private double Length()
    {
        double length = 0;
        for (var i = 1; i < Points.Length; i++)
        {
            length += Points[i].Distance(Points[i - 1]);
        }

        return length;
    }

    /// <summary>Whether sides of the ring touch that are not neighbours, or neighbours lie on one another.</summary>
    private bool Crosses()
    {
        const double Touch = 1e-6;
        var sides = Points.Length - 1;
        for (var a = 0; a < sides; a++)
        {
            var end = Points[a + 1];
            var after = Points[a + 2 <= sides ? a + 2 : 1];
            if (
                Points[a].Distance(end) < Touch
                || DistanceComputer.PointToSegment(after, Points[a], end) < Touch
                || DistanceComputer.PointToSegment(Points[a], end, after) < Touch
            )
            {
                return true;
            }

            for (var b = a + 2; b < sides; b++)
            {
                var neighbours = a == 0 && b == sides - 1;
                if (!neighbours && DistanceComputer.SegmentToSegment(Points[a], end, Points[b], Points[b + 1]) < Touch)
                {
                    return true;
                }
            }
        }

        return false;
    }
}
