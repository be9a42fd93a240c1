using System.Runtime.CompilerServices;
using Draklo.Core.Catalogue;
using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Links;

/// <summary>The force at which an anchor gives way, with how far that may be off.</summary>
/// <remarks>
/// Method M10. Every one is an estimate: the design factor for anchors is taken off the nominal figure, and the anchor
/// is watched while the line is loaded.
/// </remarks>
/// <param name="Force">N, low, nominal and high, at the height of the strap.</param>
/// <param name="Limit">What gives first, in words.</param>
/// <param name="Watch">What to watch while it is loaded.</param>
public sealed record AnchorStrength(Spread Force, string Limit, string Watch)
{
    private const double StemTaper = 0.7;
    private const double StumpHeight = 0.1;
    private const double LeastForce = 1;

    /// <summary>Of a cubic metre of ground, N/m³.</summary>
    private const double SoilWeight = 18_000;

    /// <summary>
    /// Least height at which a strap's pull turns the roots, metres: lower straps slide the tree rather than tip it.
    /// </summary>
    private const double LeastStrapHeight = 0.3;

    /// <summary>Anchors worked out before: the finder asks for the same one by the ten thousand.</summary>
    private static readonly ConditionalWeakTable<FixedPointMembers, AnchorStrength> Known = [];

    /// <summary>The strength of an anchor, null when its kind's figures are not given.</summary>
    /// <param name="id">Prefix for the workings.</param>
    /// <param name="rise">How far the line rises from it, radians: it lifts a weight, which then grips less.</param>
    public static AnchorStrength? Of(FixedPointMembers anchor, string id, double rise, Workings? workings)
    {
        if (anchor is { Kind: AnchorKind.Weight or AnchorKind.Vehicle, Weight: { } weight })
        {
            return OfWeight(weight, anchor.Kind == AnchorKind.Vehicle, Math.Max(0, rise), id, workings);
        }

        if (workings is null && Known.TryGetValue(anchor, out var known))
        {
            return known;
        }

        var found = OfKind(anchor, id, workings);
        if (found is not null && workings is null)
        {
            Known.AddOrUpdate(anchor, found);
        }

        return found;
    }

    private static AnchorStrength? OfKind(FixedPointMembers anchor, string id, Workings? workings) =>
        anchor.Kind switch
        {
            AnchorKind.Tree when anchor.Tree is { } tree => OfTree(tree, anchor.HeightM, id, workings),
            AnchorKind.Post when anchor.Post is { } post => OfPost(post, anchor.HeightM, id, workings),
            AnchorKind.Pickets when anchor.Pickets is { } pickets => OfPickets(pickets, id, workings),
            AnchorKind.Rated when anchor.CapacityN is { } capacity => new(
                new(capacity, capacity, capacity),
                "as rated",
                "Watch it for any movement."
            ),
            _ => null,
        };

    /// <summary>How far under the ground a root plate turns, metres: an estimate.</summary>
    private const double PlateDepthLow = 0.15;
    private const double PlateDepth = 0.3;
    private const double PlateDepthHigh = 0.6;

    private static AnchorStrength OfTree(AnchorTreeMembers tree, double strap, string id, Workings? workings)
    {
        var wood = StandingWood.Of(tree.SpeciesId);
        var strength = wood.Strength * tree.Soundness;
        var stem = new Stem(tree.HeightM, tree.DbhM, StemTaper, StumpHeight);
        var mass = wood.Density * stem.Volume;
        var hold = Reference.Anchors[tree.GroundId];
        var arm = Math.Max(strap, LeastStrapHeight);
        var section = Math.PI * Math.Pow(tree.DbhM, 3) / 32;
        var stemForce = strength * section / arm;
        // The plate turns about a point below the ground; rot in the stem is rot in the roots.
        var plate = mass * tree.Soundness;
        var roots = new Spread(
            hold.Low * plate / (strap + PlateDepthHigh),
            hold.Nominal * plate / (strap + PlateDepth),
            hold.High * plate / (strap + PlateDepthLow)
        );
        var byStem = stemForce < roots.Nominal;
        workings?.Add(
            $"{id}.anchor-roots",
            "Anchor tree: roots give at",
            "F_roots",
            roots.Nominal,
            "N",
            "F = C · stem mass · soundness / (strap height + 0.3 m)",
            $"{Figures.Plain(hold.Nominal, 3)} N·m/kg · {mass:kg} · {tree.Soundness:x} / {strap + PlateDepth:m}",
            "M10",
            estimate: true
        );
        workings?.Add(
            $"{id}.anchor-stem",
            "Anchor tree: stem gives at",
            "F_stem",
            stemForce,
            "N",
            "F = MOR · soundness · π · d³ / 32 / strap height",
            $"{strength:MPa} · π · ({tree.DbhM:cm})³ / 32 / {arm:m}",
            "M10",
            estimate: true
        );
        return new(
            new(
                Math.Min(roots.Low, 0.8 * stemForce),
                Math.Min(roots.Nominal, stemForce),
                Math.Min(roots.High, 1.2 * stemForce)
            ),
            byStem ? "its stem bends at the foot" : "its root plate turns",
            "Watch its foot on the side away from the pull: ground that lifts or cracks means stop."
        );
    }

    /// <summary>
    /// The short rigid pile, free at its head and pulled at the strap. Clay of undrained strength c: with
    /// f = P/(9·c·b) and g = h − 1.5·b − f, P·(e + 1.5·b + f/2) = 2.25·c·b·g². Sand or gravel:
    /// P = γ·b·h³·K_p/(2·(e + h)).
    /// </summary>
    private static AnchorStrength OfPost(AnchorPostMembers post, double strap, string id, Workings? workings)
    {
        var soil = Reference.Anchors[post.GroundId];
        var clay = soil.Unit == "Pa";
        var force = new Spread(ForceAt(soil.Low), ForceAt(soil.Nominal), ForceAt(soil.High));
        workings?.Add(
            $"{id}.anchor-post",
            "Post gives at",
            "P",
            force.Nominal,
            "N",
            clay
                ? "P · (e + 1.5 b + f/2) = 2.25 · c · b · g², f = P / (9 · c · b), g = h − 1.5 b − f"
                : "P = γ · b · h³ · K_p / (2 · (e + h)), γ 18 kN/m³",
            $"b = {post.DiameterM:cm}, h = {post.DepthM:m}, e = {strap:m}, {(clay ? "c" : "K_p")} = {Figures.Plain(soil.Nominal, 4)}",
            "M10",
            estimate: true
        );
        return new(
            force,
            "the ground before it yields",
            "Watch the ground in front of it: a post that leans is already giving. For light pulls only, at its foot."
        );

        double ForceAt(double figure)
        {
            var (b, h) = (post.DiameterM, post.DepthM);
            if (!clay)
            {
                return SoilWeight * b * h * h * h * figure / (2 * (strap + h));
            }

            // With P = 9·c·b·f the balance is a square in f.
            var (deep, arm) = (Math.Max(0, h - (1.5 * b)), strap + (1.5 * b));
            var half = (2 * arm) + deep;
            return Math.Max(LeastForce, 9 * figure * b * (Math.Sqrt((half * half) + (deep * deep)) - half));
        }
    }

    private static AnchorStrength OfPickets(AnchorPicketMembers pickets, string id, Workings? workings)
    {
        var table = Reference.Anchors[pickets.ArrangementId];
        var ground = pickets.Ground switch
        {
            PicketGround.FirmLoam => 1.0,
            PicketGround.ClayOrGravel => 0.9,
            PicketGround.Wet => 0.5,
        };
        var force = new Spread(table.Low * ground, table.Nominal * ground, table.High * ground);
        workings?.Add(
            $"{id}.anchor-pickets",
            "Pickets give at",
            "F",
            force.Nominal,
            "N",
            "table by number and lashing · ground",
            $"{table.Nominal:N} · {ground:x}",
            "M10",
            estimate: true
        );
        return new(force, "the pickets draw", "Watch the first picket: it may lean a little, it may not draw.");
    }

    private static AnchorStrength OfWeight(
        AnchorWeightMembers weight,
        bool vehicle,
        double rise,
        string id,
        Workings? workings
    )
    {
        var grip = Reference.Anchors[weight.GroundId];
        var pressing = weight.MassKg * StandingTree.Gravity;
        var slope = Angle.Radians(weight.SlopeDeg);
        var share = weight.GrippingShare(vehicle);
        var force = new Spread(ForceAt(grip.Low), ForceAt(grip.Nominal), ForceAt(grip.High));
        workings?.Add(
            $"{id}.anchor-weight",
            vehicle ? "Vehicle slides at" : "Weight slides at",
            "F",
            force.Nominal,
            "N",
            $"F = (μ · {(vehicle ? "share on its wheels · " : "")}W · cos α + W · sin α) / (cos φ + μ · sin φ), φ how far the line rises",
            $"({grip.Nominal:x} · {share:x} · {pressing:N} · cos {weight.SlopeDeg:deg} + {pressing:N} · sin {weight.SlopeDeg:deg}) / (cos φ + {grip.Nominal:x} · sin φ), φ = {Angle.Degrees(rise):deg}",
            "M10",
            estimate: true
        );
        return new(
            force,
            "it slides",
            vehicle
                ? "Brakes on, chocked, nobody inside or in line. Watch its wheels against a mark on the ground."
                : "Watch it against a mark on the ground: once it slides it holds less."
        );

        double ForceAt(double mu) =>
            Math.Max(LeastForce, (mu * pressing * share * Math.Cos(slope)) + (pressing * Math.Sin(slope)))
            / (Math.Cos(rise) + (mu * Math.Sin(rise)));
    }
}
