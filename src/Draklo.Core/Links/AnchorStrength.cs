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

    /// <summary>
    /// Least height at which a strap's pull turns the roots, metres: lower straps slide the tree rather than tip it.
    /// </summary>
    private const double LeastStrapHeight = 0.3;

    /// <summary>Anchors worked out before: the finder asks for the same one by the ten thousand.</summary>
    private static readonly ConditionalWeakTable<AnchorMembers, AnchorStrength> Known = [];

    /// <summary>The strength of an anchor, null when its kind's figures are not given.</summary>
    /// <param name="id">Prefix for the workings.</param>
    public static AnchorStrength? Of(AnchorMembers anchor, string id, Workings? workings)
    {
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

    private static AnchorStrength? OfKind(AnchorMembers anchor, string id, Workings? workings) =>
        anchor.Kind switch
        {
            AnchorKind.Tree when anchor.Tree is { } tree => OfTree(tree, anchor.HeightM, id, workings),
            AnchorKind.Post when anchor.Post is { } post => OfPost(post, anchor.HeightM, id, workings),
            AnchorKind.Pickets when anchor.Pickets is { } pickets => OfPickets(pickets, id, workings),
            AnchorKind.Weight or AnchorKind.Vehicle when anchor.Weight is { } weight => OfWeight(
                weight,
                anchor.Kind == AnchorKind.Vehicle,
                id,
                workings
            ),
            AnchorKind.Rated when anchor.CapacityN is { } capacity => new(
                new(capacity, capacity, capacity),
                "as rated",
                "Watch it for any movement."
            ),
            _ => null,
        };

    private static AnchorStrength OfTree(AnchorTreeMembers tree, double strap, string id, Workings? workings)
    {
        var species = Reference.Species.GetValueOrDefault(tree.SpeciesId ?? "");
        var density = species?.GreenDensityKgM3 ?? 800;
        var strength = (species?.BendingStrengthMPa ?? 40) * 1e6 * tree.Soundness;
        var stem = new Stem(tree.HeightM, tree.DbhM, StemTaper, StumpHeight);
        var mass = density * stem.Volume;
        var hold = Reference.Anchors[tree.GroundId];
        var arm = Math.Max(strap, LeastStrapHeight);
        var section = Math.PI * Math.Pow(tree.DbhM, 3) / 32;
        var stemForce = strength * section / arm;
        var roots = new Spread(hold.Low * mass / arm, hold.Nominal * mass / arm, hold.High * mass / arm);
        var byStem = stemForce < roots.Nominal;
        workings?.Add(
            $"{id}.anchor-roots",
            "Anchor tree: roots give at",
            "F_roots",
            roots.Nominal,
            "N",
            "F = C · stem mass / strap height",
            $"{Figures.Plain(hold.Nominal, 3)} N·m/kg · {mass:kg} / {arm:m}",
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
    /// The embedded-pole formula of the building codes, solved for the force: with A = d²/(d + 1.09·h), P = A·S·b/2.34,
    /// S at a third of the depth.
    /// </summary>
    private static AnchorStrength OfPost(AnchorPostMembers post, double strap, string id, Workings? workings)
    {
        var soil = Reference.Anchors[post.GroundId];
        var depth = post.DepthM;
        var a = depth * depth / (depth + (1.09 * strap));
        double ForceAt(double perDepth) => a * (perDepth * depth / 3) * post.DiameterM / 2.34;
        var force = new Spread(ForceAt(soil.Low), ForceAt(soil.Nominal), ForceAt(soil.High));
        workings?.Add(
            $"{id}.anchor-post",
            "Post gives at",
            "P",
            force.Nominal,
            "N",
            "P = A · S · b / 2.34, A = d² / (d + 1.09 · h), S = soil · d/3",
            $"{a:m} · {Figures.Plain(soil.Nominal * depth / 3 / 1000, 4)} kPa · {post.DiameterM:cm} / 2.34",
            "M10",
            estimate: true
        );
        return new(
            force,
            "the ground before it yields",
            "Watch the ground in front of it: a post that leans is already giving. For light pulls only, at its foot."
        );
    }

    private static AnchorStrength OfPickets(AnchorPicketMembers pickets, string id, Workings? workings)
    {
        var table = Reference.Anchors[pickets.ArrangementId];
        var ground = pickets.Ground switch
        {
            PicketGround.FirmLoam => 1.0,
            PicketGround.ClayOrGravel => 0.9,
            _ => 0.5,
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

    private static AnchorStrength OfWeight(AnchorWeightMembers weight, bool vehicle, string id, Workings? workings)
    {
        var grip = Reference.Anchors[weight.GroundId];
        var pressing = weight.MassKg * StandingTree.Gravity;
        var slope = Angle.Radians(weight.SlopeDeg);
        var share = vehicle ? weight.BrakedShare : 1;
        double ForceAt(double mu) =>
            Math.Max(1, (mu * pressing * share * Math.Cos(slope)) + (pressing * Math.Sin(slope)));
        var force = new Spread(ForceAt(grip.Low), ForceAt(grip.Nominal), ForceAt(grip.High));
        workings?.Add(
            $"{id}.anchor-weight",
            vehicle ? "Vehicle slides at" : "Weight slides at",
            "F",
            force.Nominal,
            "N",
            vehicle ? "F = μ · braked share · W · cos α + W · sin α" : "F = μ · W · cos α + W · sin α",
            $"{grip.Nominal:x} · {share:x} · {pressing:N} · cos {weight.SlopeDeg:deg} + {pressing:N} · sin {weight.SlopeDeg:deg}",
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
    }
}
