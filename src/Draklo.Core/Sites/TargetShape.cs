using Draklo.Core.Plans;
using NetTopologySuite.Geometries;
using Outline = NetTopologySuite.Geometries.Geometry;

namespace Draklo.Core.Sites;

/// <summary>A target as a shape: a place, a line or an area, with what is added round it.</summary>
/// <param name="Shape">In metres east and north of the stump's middle.</param>
/// <param name="Radius">Of a place, or half the width of a line, metres.</param>
public sealed record TargetShape(TargetMembers Target, Outline Shape, double Radius)
{
    private static readonly GeometryFactory Factory = new();

    /// <summary>Whether it takes part in the way of a person walking out.</summary>
    public bool Bars => Target.Kind is TargetKind.Building or TargetKind.Wall or TargetKind.Fence or TargetKind.Hedge or TargetKind.Tree or TargetKind.Water;

    public string Name => string.IsNullOrWhiteSpace(Target.Name) ? Words[Target.Kind] : Target.Name;

    private static Dictionary<TargetKind, string> Words { get; } = new()
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

    public static TargetShape Of(TargetMembers target) => new(target, ShapeOf(target), target.RadiusM);

    public static Polygon Area(IReadOnlyList<Place> places)
    {
        var ring = new Coordinate[places.Count + 1];
        for (var i = 0; i < places.Count; i++)
        {
            ring[i] = new(places[i].EastM, places[i].NorthM);
        }

        ring[^1] = ring[0].Copy();
        return Factory.CreatePolygon(ring);
    }

    /// <summary>What keeps these points from being a shape, as a sentence; null when they are one.</summary>
    public static string? Fault(TargetMembers target)
    {
        if (target.Closed && target.Points.Count < 3)
        {
            return "An area has three corners or more: add corners, or make it a line or a place.";
        }

        var shape = ShapeOf(target);
        if (target.Closed && !shape.IsValid)
        {
            return "The sides of this area cross one another or fold onto themselves: move its corners so that they go round it in order.";
        }

        if (!target.Closed && target.Points.Count > 1 && shape.Length < 0.01)
        {
            return "The points of this line lie in one place: draw it anew.";
        }

        return shape.Distance(Factory.CreatePoint(new Coordinate(0, 0))) <= target.RadiusM
            ? "This target stands on the stump itself: move it off the tree."
            : null;
    }

    private static Outline ShapeOf(TargetMembers target)
    {
        if (target.Points.Count == 1)
        {
            return Factory.CreatePoint(new Coordinate(target.Points[0].EastM, target.Points[0].NorthM));
        }

        return target.Closed
            ? Area([.. target.Points.Select(p => new Place(p.EastM, p.NorthM))])
            : Factory.CreateLineString([.. target.Points.Select(p => new Coordinate(p.EastM, p.NorthM))]);
    }
}
