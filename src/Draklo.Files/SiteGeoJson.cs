using System.Text.Json;
using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Sites;
using Draklo.Core.Units;
using NetTopologySuite.Features;
using NetTopologySuite.Geometries;
using NetTopologySuite.IO.Converters;
using GeoPoint = NetTopologySuite.Geometries.Point;
using Outline = NetTopologySuite.Geometries.Geometry;

namespace Draklo.Files;

/// <summary>A site as GeoJSON, in degrees of WGS 84 about its origin, and back.</summary>
/// <remarks>
/// Places within a kilometre are laid flat: a metre north is the same part of a degree everywhere, a metre east shrinks
/// with the cosine of the latitude. Over that distance it errs by less than a hand.
/// </remarks>
public static class SiteGeoJson
{
    private const double EarthRadius = 6_371_008.8;
    private const double Farthest = 500;
    private const int MostTargets = 200;
    private const int MostPoints = 200;
    private const int MostFeatures = 1000;

    private static readonly JsonSerializerOptions Options = MakeOptions();
    private static readonly GeometryFactory Factory = new(new PrecisionModel(), 4326);

    /// <summary>Points of the map, each with what is said of it, as a feature collection.</summary>
    public static byte[] WritePoints(
        IEnumerable<(double LatitudeDeg, double LongitudeDeg, (string Name, object? Value)[] Says)> points
    )
    {
        var features = new FeatureCollection();
        foreach (var (latitude, longitude, says) in points)
        {
            features.Add(FeatureOf(Factory.CreatePoint(new Coordinate(longitude, latitude)), says));
        }

        return JsonSerializer.SerializeToUtf8Bytes(features, Options);
    }

    /// <summary>
    /// Stump, mark, anchors and targets as a feature collection; null with a problem when the site has no origin.
    /// </summary>
    public static (byte[]? Json, List<Problem> Problems) Write(Plan plan)
    {
        if (plan.Site.Origin is not { } origin)
        {
            return (null, [NoOrigin]);
        }

        var features = new FeatureCollection
        {
            FeatureOf(
                Factory.CreatePoint(At(0, 0)),
                ("kind", "stump"),
                ("name", plan.Name),
                ("layDeg", plan.Lay.BearingDeg)
            ),
        };
        if (plan.Site.Mark is { } mark)
        {
            features.Add(FeatureOf(Factory.CreatePoint(At(mark.EastM, mark.NorthM)), ("kind", "layMark")));
        }

        foreach (var line in plan.Lines)
        {
            var anchor = Place.At(line.Anchor.DistanceM, line.Anchor.BearingDeg);
            features.Add(
                FeatureOf(
                    Factory.CreatePoint(At(anchor.EastM, anchor.NorthM)),
                    ("kind", "anchor"),
                    ("id", line.Id),
                    ("name", line.Anchor.Name)
                )
            );
            foreach (var redirect in line.Redirects)
            {
                var turn = Place.At(redirect.At.DistanceM, redirect.At.BearingDeg);
                features.Add(
                    FeatureOf(
                        Factory.CreatePoint(At(turn.EastM, turn.NorthM)),
                        ("kind", "redirect"),
                        ("id", line.Id),
                        ("name", redirect.At.Name)
                    )
                );
            }
        }

        foreach (var target in plan.Site.Targets)
        {
            var points = target.Points.Select(p => At(p.EastM, p.NorthM)).ToArray();
            Outline shape =
                points.Length == 1 ? Factory.CreatePoint(points[0])
                : target.Closed ? Factory.CreatePolygon([.. points, points[0].Copy()])
                : Factory.CreateLineString(points);
            features.Add(
                FeatureOf(
                    shape,
                    ("kind", JsonNamingPolicy.CamelCase.ConvertName(target.Kind.ToString())),
                    ("id", target.Id),
                    ("name", target.Name),
                    ("radiusM", target.RadiusM),
                    ("heightM", target.HeightM),
                    ("mayBeHit", target.MayBeHit)
                )
            );
        }

        return (JsonSerializer.SerializeToUtf8Bytes(features, Options), []);

        Coordinate At(double east, double north) =>
            new(
                Math.Round(
                    origin.LongitudeDeg
                        + Angle.Degrees(east / (EarthRadius * Math.Cos(Angle.Radians(origin.LatitudeDeg)))),
                    8
                ),
                Math.Round(origin.LatitudeDeg + Angle.Degrees(north / EarthRadius), 8)
            );
    }

    /// <summary>
    /// The site with the targets of a GeoJSON file added, or what is wrong with the file; then nothing is added.
    /// </summary>
    /// <remarks>
    /// A target that is on the plan already is not added again: the same id and kind, or the same kind in the same place; what the
    /// file says of it takes the place of what stood there, and words and arrangements stay. A feature of kind "stump" gives the origin when the site has none; "anchor" and "redirect" features belong to
    /// lines and are passed over.
    /// </remarks>
    public static (SiteMembers? Site, List<Problem> Problems) Read(ReadOnlyMemory<byte> file, SiteMembers site)
    {
        FeatureCollection features;
        try
        {
            using var json = JsonDocument.Parse(file);
            var type =
                json.RootElement.ValueKind == JsonValueKind.Object
                && json.RootElement.TryGetProperty("type", out var t)
                && t.ValueKind == JsonValueKind.String
                    ? t.GetString()
                    : null;
            if (type != "FeatureCollection")
            {
                return (
                    null,
                    [
                        new(
                            "file",
                            $"This is {(type is null ? "no GeoJSON" : $"GeoJSON of the type “{type}”")}: choose a file that holds a FeatureCollection."
                        ),
                    ]
                );
            }

            if (
                json.RootElement.TryGetProperty("features", out var listed)
                && listed.ValueKind == JsonValueKind.Array
                && listed.GetArrayLength() > MostFeatures
            )
            {
                return (
                    null,
                    [
                        new(
                            "file",
                            $"This file has {listed.GetArrayLength():N0} features, more than {MostFeatures:N0}: leave out what the tree cannot reach."
                        ),
                    ]
                );
            }

            features = json.RootElement.Deserialize<FeatureCollection>(Options)!;
        }
        catch (Exception e)
            when (e
                    is JsonException
                        or ArgumentException
                        or InvalidOperationException
                        or FormatException
                        or NotSupportedException
                        or OverflowException
            )
        {
            return (
                null,
                [
                    new(
                        "file",
                        "This GeoJSON is broken: a shape in it cannot be read. Open it where it was made and save it once more."
                    ),
                ]
            );
        }

        var stump = features.FirstOrDefault(f =>
            GeoTargets.Text(f, "kind") == "stump" && f.Geometry is GeoPoint { IsEmpty: false }
        );
        var origin =
            site.Origin
            ?? (stump?.Geometry is GeoPoint p ? new OriginMembers { LatitudeDeg = p.Y, LongitudeDeg = p.X } : null);
        if (origin is null)
        {
            return (null, [NoOrigin]);
        }

        var problems = new List<Problem>();
        var targets = site.Targets.ToList();
        var ids = targets.Select(t => t.Id).ToHashSet(StringComparer.Ordinal);
        var mark = site.Mark;
        var known = 0;
        var left = Enumerable.Range(0, targets.Count).ToHashSet();
        for (var i = 0; i < features.Count && problems.Count == 0 && targets.Count <= MostTargets; i++)
        {
            var kind = GeoTargets.Text(features[i], "kind");
            if (kind is "stump" or "anchor" or "redirect" || features[i].Geometry is null or { IsEmpty: true })
            {
                continue;
            }

            for (
                var g = 0;
                g < features[i].Geometry.NumGeometries && problems.Count == 0 && targets.Count <= MostTargets;
                g++
            )
            {
                var shape = features[i].Geometry.GetGeometryN(g);
                var corners = shape is Polygon area ? area.ExteriorRing.Coordinates[..^1] : shape.Coordinates;
                if (corners.Length > MostPoints)
                {
                    problems.Add(
                        new(
                            $"file.features[{i}]",
                            $"This shape has {corners.Length} corners, more than {MostPoints}: simplify it first."
                        )
                    );
                    break;
                }

                var places = corners.Select(c => FromDegrees(c, origin)).ToArray();
                if (
                    places.Any(at =>
                        !double.IsFinite(at.EastM)
                        || !double.IsFinite(at.NorthM)
                        || Math.Abs(at.EastM) > Farthest
                        || Math.Abs(at.NorthM) > Farthest
                    )
                )
                {
                    problems.Add(
                        new(
                            $"file.features[{i}]",
                            $"This shape lies more than {Farthest} m from the stump: check the site's origin, and that the file is in degrees of longitude and latitude."
                        )
                    );
                    break;
                }

                if (kind == "layMark")
                {
                    mark = new() { EastM = places[0].EastM, NorthM = places[0].NorthM };
                    continue;
                }

                var target = GeoTargets.Of(features[i], kind, shape, places);
                if (new TargetShape(target).ProblemOfPoints() is { } fault)
                {
                    problems.Add(new($"file.features[{i}]", $"“{target.Name ?? target.Id}”: {fault}"));
                    break;
                }

                known += GeoTargets.Take(targets, ids, left, target, GeoTargets.IsNamed(features[i])) ? 1 : 0;
            }
        }

        if (targets.Count > MostTargets)
        {
            problems.Add(
                new(
                    "file",
                    $"With this file the site would have more than {MostTargets} targets: leave out what the tree cannot reach."
                )
            );
        }
        else if (problems.Count == 0 && known == 0 && targets.Count == site.Targets.Count && mark == site.Mark)
        {
            problems.Add(new("file", "This file holds no place, line or area that could be a target."));
        }

        return problems.Count > 0
            ? (null, problems)
            : (site with { Origin = origin, Targets = targets, Mark = mark }, problems);
    }

    private static Problem NoOrigin { get; } =
        new(
            "site.origin",
            "The site has no origin yet: give the stump's latitude and longitude, to which GeoJSON is laid out."
        );

    private static Place FromDegrees(Coordinate at, OriginMembers origin) =>
        new(
            Angle.Radians(at.X - origin.LongitudeDeg) * EarthRadius * Math.Cos(Angle.Radians(origin.LatitudeDeg)),
            Angle.Radians(at.Y - origin.LatitudeDeg) * EarthRadius
        );

    private static Feature FeatureOf(Outline shape, params (string Name, object? Value)[] attributes)
    {
        var table = new AttributesTable();
        foreach (var (name, value) in attributes.Where(a => a.Value is not null))
        {
            table.Add(name, value);
        }

        return new(shape, table);
    }

    private static JsonSerializerOptions MakeOptions()
    {
        var options = new JsonSerializerOptions
        {
            WriteIndented = true,
            NewLine = "\n",
            Converters = { new GeoJsonConverterFactory() },
        };
        options.MakeReadOnly(populateMissingResolver: true);
        return options;
    }
}
