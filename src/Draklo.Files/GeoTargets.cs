using System.Text.Json;
using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Sites;
using NetTopologySuite.Features;
using NetTopologySuite.Geometries;
using Outline = NetTopologySuite.Geometries.Geometry;

namespace Draklo.Files;

/// <summary>Targets out of the features of a GeoJSON file.</summary>
internal static class GeoTargets
{
    /// <summary>Corners nearer than this are the same, metres: a file in degrees rounds less.</summary>
    private const double Same = 0.05;

    private static readonly string[] KindNames = Enum.GetNames<TargetKind>();

    /// <summary>Adds a target, or renews the one that it is.</summary>
    /// <param name="taken">Ids in use.</param>
    /// <param name="left">Targets of the plan that no shape of the file has been found to be yet, by index.</param>
    /// <param name="named">Whether the file itself gives the id.</param>
    /// <returns>Whether it was there already.</returns>
    public static bool Take(
        List<TargetMembers> targets,
        HashSet<string> taken,
        HashSet<int> left,
        TargetMembers read,
        bool named
    )
    {
        var at = Find(t => IsSamePlace(t, read));
        if (at < 0 && named)
        {
            at = Find(t => t.Id == read.Id);
        }

        left.Remove(at);
        if (at >= 0)
        {
            // Nobody's word and no closing stands in such a file.
            targets[at] = read with
            {
                Id = targets[at].Id,
                Name = read.Name ?? targets[at].Name,
                HeightM = read.HeightM ?? targets[at].HeightM,
                UtilityWord = targets[at].UtilityWord,
                Closing = targets[at].Closing,
            };
            return true;
        }

        var free = read.Id;
        for (var n = 2; !taken.Add(free); n++)
        {
            free = $"{read.Id[..Math.Min(read.Id.Length, 26)]}-{n}";
        }

        targets.Add(read with { Id = free });
        return false;

        int Find(Func<TargetMembers, bool> same) =>
            left.Where(i => targets[i].Kind == read.Kind && same(targets[i])).DefaultIfEmpty(-1).Min();
    }

    /// <summary>Whether a feature gives an id that a target can have.</summary>
    public static bool IsNamed(IFeature feature) => Text(feature, "id") is { } own && PlainId(own).Length > 0;

    private static bool IsSamePlace(TargetMembers one, TargetMembers other) =>
        one.Closed == other.Closed
        && one.Points.Count == other.Points.Count
        && one.Points.Zip(other.Points)
            .All(p =>
                Math.Abs(p.First.EastM - p.Second.EastM) < Same && Math.Abs(p.First.NorthM - p.Second.NorthM) < Same
            );

    /// <summary>A target as a feature describes it, under the id that it wants.</summary>
    public static TargetMembers Of(IFeature feature, string? kind, Outline shape, Place[] places)
    {
        var known = Array.FindIndex(KindNames, n => n.Equals(kind, StringComparison.OrdinalIgnoreCase))
            is >= 0
                and var at
            ? Enum.GetValues<TargetKind>()[at]
            : KindByTags(feature);
        var name = Text(feature, "name");
        var id =
            Text(feature, "id") is { } own && PlainId(own) is { Length: > 0 } plain
                ? plain
                : JsonNamingPolicy.KebabCaseLower.ConvertName(known.ToString());
        return new()
        {
            Id = id,
            Kind = known,
            Name = name is { Length: > 60 } ? name[..60] : name,
            Points =
            [
                .. places.Select(at => new PlaceMembers
                {
                    EastM = Math.Round(at.EastM, 2),
                    NorthM = Math.Round(at.NorthM, 2),
                }),
            ],
            Closed = shape is Polygon,
            RadiusM = Math.Clamp(Number(feature, "radiusM") ?? 0, 0, 50),
            HeightM = Number(feature, "heightM") is >= 0 and <= 150 and var height ? height : null,
            MayBeHit = Value(feature, "mayBeHit") is true,
        };
    }

    /// <summary>What widely used map tags call these things.</summary>
    private static TargetKind KindByTags(IFeature feature) =>
        Text(feature, "building") is not null ? TargetKind.Building
        : Text(feature, "power") is not null ? TargetKind.PowerLine
        : Text(feature, "barrier") switch
        {
            "wall" => TargetKind.Wall,
            "fence" => TargetKind.Fence,
            "hedge" => TargetKind.Hedge,
            _ => Text(feature, "highway") switch
            {
                null => Text(feature, "natural") switch
                {
                    "tree" => TargetKind.Tree,
                    "water" => TargetKind.Water,
                    _ => TargetKind.Other,
                },
                "path" or "footway" or "track" => TargetKind.Path,
                _ => TargetKind.Road,
            },
        };

    private static string PlainId(string text)
    {
        var plain = new string([.. text.ToLowerInvariant().Select(c => char.IsAsciiLetterOrDigit(c) ? c : '-')]).Trim(
            '-'
        );
        return plain[..Math.Min(plain.Length, 32)].Trim('-');
    }

    /// <summary>An attribute; null when it is missing, too large a number, or no text.</summary>
    private static object? Value(IFeature feature, string name)
    {
        try
        {
            return feature.Attributes?.GetOptionalValue(name);
        }
        catch (Exception e)
            when (e is NotSupportedException or InvalidOperationException or FormatException or OverflowException)
        {
            return null;
        }
    }

    public static string? Text(IFeature feature, string name) =>
        Value(feature, name) as string is { Length: > 0 } text ? text : null;

    private static double? Number(IFeature feature, string name) =>
        Value(feature, name) switch
        {
            double d => d,
            decimal m => (double)m,
            int n => n,
            long l => l,
            _ => null,
        };
}
