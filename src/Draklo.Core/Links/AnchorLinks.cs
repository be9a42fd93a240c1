using Draklo.Core.Catalogue;
using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using Draklo.Core.Units;

namespace Draklo.Core.Links;

/// <summary>The sling round the anchor.</summary>
internal sealed class AnchorSlingLink() : LineRule(LinkKind.AnchorSling, "sling", LinkMark.Sling)
{
    public override IReadOnlyList<string> Members => ["anchor.sling"];

    internal override void AddTo(LineWalk walk)
    {
        if (!walk.AnchorIsLoaded || StandsByItself(walk))
        {
            return;
        }

        if (walk.Line.Anchor.Sling is { BreakingStrengthN: not null } sling)
        {
            walk.Add(this, "Anchor sling", walk.OnAnchor, RatingOf(sling, walk.Factor.Sling));
        }
        else
        {
            Missing(
                walk.Unknowns,
                $"the anchor of the {walk.NameOfLine}",
                $"{walk.Member}.anchor",
                walk.Line.Anchor.Sling
            );
        }
    }

    /// <summary>A machine that hauls directly and holds itself by its weight or as rated needs no sling.</summary>
    private static bool StandsByItself(LineWalk walk) =>
        !walk.Tackle.System.UsesAnchor
        && walk.Line.Anchor is { Sling: null, Kind: AnchorKind.Vehicle or AnchorKind.Weight or AnchorKind.Rated };

    public static LinkRating RatingOf(SlingMembers sling, double factor)
    {
        var legs = 2 * Math.Cos(Angle.Radians(sling.HalfAngleDeg));
        var reductions = new List<Reduction>(4)
        {
            sling.Hitch switch
            {
                SlingHitch.Choked => new("choked", 0.8),
                SlingHitch.Basket => new("basket", legs),
                SlingHitch.TwoSlings => new("two slings", legs),
                SlingHitch.Straight => new("straight", 1),
            },
        };
        if (sling.KnotId is { } knot)
        {
            reductions.Add(LineWalk.Kept(knot));
        }

        if (sling.DiameterM is { } diameter)
        {
            LineWalk.AddBend(sling.PinDiameterM ?? LineWalk.ConnectorPin, diameter, reductions);
        }

        Wear.Add(sling.Wear, null, reductions);
        return new(sling.BreakingStrengthN!.Value, factor, reductions);
    }

    public static void Missing(ReasonList unknowns, string where, string member, SlingMembers? sling) =>
        unknowns.Check(
            "sling-unknown",
            sling is null
                ? $"The sling at {where} is not given."
                : $"What the sling at {where} breaks at is not given.",
            sling is null ? $"{member}.sling" : $"{member}.sling.breakingStrengthN"
        );

    internal override IEnumerable<Ladder> Remedies(LadderMaker make) =>
        BetterSlings(make, make.Line.Anchor, make.Member("anchor"), make.WithAnchor);

    public static IEnumerable<Ladder> BetterSlings(
        LadderMaker make,
        AnchorMembers anchor,
        string member,
        Func<AnchorMembers, Plan> put
    )
    {
        if (anchor.Sling is not { BreakingStrengthN: not null } sling)
        {
            yield break;
        }

        yield return make.Stronger(
            sling.BreakingStrengthN!.Value,
            "a sling that breaks",
            $"{member}.sling.breakingStrengthN",
            n => put(anchor with { Sling = sling with { BreakingStrengthN = n } })
        );
        if (sling.Hitch is SlingHitch.Choked or SlingHitch.Straight)
        {
            yield return new(
                1,
                _ =>
                    new(
                        "Lay the sling as a basket, its legs close together",
                        put(anchor with { Sling = sling with { Hitch = SlingHitch.Basket, HalfAngleDeg = 15 } }),
                        [new($"{member}.sling.hitch", "basket"), new($"{member}.sling.halfAngleDeg", 15.0)]
                    )
            );
        }
    }
}

/// <summary>An anchor as sentences speak of it.</summary>
/// <param name="Member">Its members in the plan.</param>
/// <param name="Name">What the crew calls it.</param>
/// <param name="Where">As in "the anchor of the steer line".</param>
internal readonly record struct NamedAnchor(FixedPointMembers Anchor, string Member, string Name, string Where);

/// <summary>The anchor that the tackle hangs on.</summary>
internal sealed class AnchorLink() : LineRule(LinkKind.Anchor, "anchor", LinkMark.Anchor)
{
    public override IReadOnlyList<string> Members =>
        [
            "anchor.kind",
            "anchor.capacityN",
            "anchor.tree",
            "anchor.post",
            "anchor.pickets",
            "anchor.weight",
            "anchor.heightM",
        ];

    public override bool IsAnchor => true;

    /// <summary>A pull that rises more than this from a post or picket draws it, degrees.</summary>
    private const double LiftsDeg = 15;

    /// <summary>Under this a tree that holds something is a question though the sums hold.</summary>
    private const double LeastSoundness = 0.7;

    internal override void AddTo(LineWalk walk)
    {
        if (!walk.AnchorIsLoaded)
        {
            return;
        }

        OtherFixedPoints(walk);
        var anchor = walk.Line.Anchor;
        var load = walk.OnAnchor;
        var strength = AnchorStrength.Of(anchor, walk.Line.Id, walk.RiseAtAnchor, walk.Context.Workings);
        walk.AnchorHolds = strength;
        var name = NameOf(anchor, "Anchor");
        if (strength is not null)
        {
            walk.Add(this, name, load, RatingOf(strength, walk.Factor.Anchor));
        }

        Doubts(
            walk.Unknowns,
            new(anchor, $"{walk.Member}.anchor", name, $"the anchor of the {walk.NameOfLine}"),
            strength,
            load.Planned,
            walk.RiseAtAnchor
        );
    }

    /// <summary>Fixed points of a composed tackle that the plan knows nothing about.</summary>
    private static void OtherFixedPoints(LineWalk walk)
    {
        if (walk.Line.Tackle.Composed is null)
        {
            return;
        }

        foreach (var point in walk.Tackle.System.Shape.Points)
        {
            if (point is { Kind: PointKind.Fixed, Id: not "anchor" })
            {
                var load = SolvedTackle.ForceOn(walk.Tackle.Hauling, point.Id) * walk.Tensions.Hand;
                walk.Unknowns.Check(
                    "fixed-point-unknown",
                    $"“{point.Id}” of the {walk.NameOfLine}'s tackle must hold {load:N}, and the plan does not say what it can hold. Where the line itself turns, put a redirect on the plan instead: there it is checked.",
                    $"{walk.Member}.tackle.composed",
                    null,
                    ("loadN", load)
                );
            }
        }
    }

    public static string NameOf(FixedPointMembers anchor, string unnamed) =>
        (string.IsNullOrWhiteSpace(anchor.Name) ? unnamed : anchor.Name).Capitalised();

    public static LinkRating RatingOf(AnchorStrength strength, double factor) =>
        new(strength.Force.Nominal, factor, [], Estimate: true, strength.Force.MayFall);

    /// <summary>Says that nothing is known of what the anchor holds, or that it may be too little.</summary>
    /// <param name="rise">How far the pull on it rises, radians.</param>
    public static void Doubts(ReasonList unknowns, NamedAnchor at, AnchorStrength? strength, double load, double rise)
    {
        if (at.Anchor.Kind is AnchorKind.Post or AnchorKind.Pickets && Angle.Degrees(rise) > LiftsDeg)
        {
            unknowns.Check(
                "anchor-lifted",
                $"The pull on {at.Name.Uncapitalised()} rises {Angle.Degrees(rise):deg} and lifts it, {load * Math.Sin(rise):N} upward: the figures for posts and pickets are for a level pull. Move it farther out, lead the line low over a redirect, or take another anchor.",
                $"{at.Member}.kind",
                null,
                ("riseDeg", Angle.Degrees(rise)),
                ("upN", load * Math.Sin(rise))
            );
        }

        if (at.Anchor is { Kind: AnchorKind.Tree, Tree.Soundness: < LeastSoundness and var sound })
        {
            unknowns.Check(
                "anchor-tree-decayed",
                $"{at.Name} is a tree of {sound:%} soundness: look for another, though the sums hold.",
                $"{at.Member}.tree.soundness",
                null,
                ("soundness", sound)
            );
        }

        if (strength is null)
        {
            unknowns.Check(
                "anchor-unknown",
                $"What {at.Where} holds is not given; it must hold {load:N}.",
                $"{at.Member}.{MemberOf(at.Anchor.Kind)}",
                null,
                ("loadN", load)
            );
        }
        else if (strength.Force.Low < load)
        {
            unknowns.Check(
                "anchor-may-give",
                $"{at.Name} must hold {load:N} and may give at {strength.Force.Low:N} if the ground is poor: {strength.Limit}.",
                $"{at.Member}.kind",
                null,
                ("loadN", load),
                ("lowN", strength.Force.Low)
            );
        }
    }

    internal override IEnumerable<Ladder> Remedies(LadderMaker make) =>
        BetterAnchors(make, make.Line.Anchor, make.Member("anchor"), make.WithAnchor);

    public static IEnumerable<Ladder> BetterAnchors(
        LadderMaker make,
        AnchorMembers anchor,
        string member,
        Func<AnchorMembers, Plan> put
    )
    {
        if (anchor is { Kind: AnchorKind.Pickets, Pickets: { } pickets })
        {
            var now = Reference.Anchors[pickets.ArrangementId].Nominal;
            var sets = Reference
                .Anchors.Values.Where(a => a.Kind == "pickets" && a.Nominal > now)
                .OrderBy(a => a.Nominal)
                .ToArray();
            yield return new(
                sets.Length,
                i =>
                    new(
                        $"Set more pickets: {sets[i].Name.Uncapitalised()}",
                        put(anchor with { Pickets = pickets with { ArrangementId = sets[i].Id } }),
                        [new($"{member}.pickets.arrangementId", sets[i].Id)]
                    )
            );
        }

        if (anchor.Kind is AnchorKind.Post or AnchorKind.Tree)
        {
            var steps = Math.Min(20, (int)Math.Floor((anchor.HeightM * 10) + 1e-9));
            yield return new(steps, i => Lowered(Math.Round(anchor.HeightM - (0.1 * (i + 1)), 2)));
        }

        if (anchor is { Kind: AnchorKind.Vehicle or AnchorKind.Weight, Weight: { } weight })
        {
            yield return make.Heavier(
                weight.MassKg,
                "one that weighs",
                $"{member}.weight.massKg",
                m => put(anchor with { Weight = weight with { MassKg = m } })
            );
        }

        Trial Lowered(double h) =>
            new(
                make.Units.Say($"Set the strap lower, at {h:m}"),
                put(anchor with { HeightM = h }),
                [new($"{member}.heightM", h)]
            );
    }

    private static string MemberOf(AnchorKind kind) =>
        kind switch
        {
            AnchorKind.Tree => "tree",
            AnchorKind.Post => "post",
            AnchorKind.Pickets => "pickets",
            AnchorKind.Weight or AnchorKind.Vehicle => "weight",
            AnchorKind.Rated => "capacityN",
        };
}
