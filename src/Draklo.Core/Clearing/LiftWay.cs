using Draklo.Core.Geometry;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Clearing;

/// <summary>Hung from the high point's block, and kept off with a tag line.</summary>
/// <remarks>
/// Method M19: three forces balance at the load at every place of its way; hoist and tag follow from their directions.
/// </remarks>
internal sealed class LiftWay()
    : Way(
        ClearingWay.Lift,
        "Lift and tag line",
        OverGround,
        "The load swings clear of everything near the high point; the tag hand holds much where it hangs far out."
    )
{
    private const int Places = 12;
    private const double LeastDeterminant = 0.02;

    /// <inheritdoc/>
    public override WayTraits Traits { get; } =
        new()
        {
            Uses =
            [
                WayPart.Pieces,
                WayPart.High,
                WayPart.Block,
                WayPart.Lead,
                WayPart.Hauler,
                WayPart.Haul,
                WayPart.Sling,
                WayPart.Tag,
            ],
            Ends =
            [
                new(
                    "At the log",
                    [
                        "Hook on, step clear, then give the sign.",
                        "The tag line is held in both hands, never wound round one.",
                    ]
                ),
                new(
                    "At the hauler",
                    ["Lift until it hangs, stop, look, then go on.", "Lower only when the ground under it is empty."]
                ),
            ],
            ArmUp = "Haul",
            Shows = LoadOnLine.AtEnd,
            GoesAloft = false,
            PullsIn = true,
            Shocks = false,
            RunsOnLine = false,
        };

    /// <inheritdoc/>
    public override IReadOnlyList<Change> Begins(ClearingScene scene) =>
        Missing((scene.Clearing.High, "high", Starts.High), (scene.Clearing.Lift, "lift", Starts.Lift));

    protected override WayMinutes Table => new(new(25, 40, 60), new(4, 5.5, 8));

    public override string Lacks(ClearingScene scene) =>
        scene.Pieces.Count == 0 ? WayWords.NoPieces
        : scene.Block is null ? WayWords.NoHigh
        : scene.Clearing.Lift is null ? "Say where the tag line is held."
        : "";

    public override int People(ClearingMembers clearing) =>
        Haulers(clearing.Hauler) + (clearing.Lift?.TagPeople ?? 1) + 1;

    public override string Wears(ClearingScene scene) => "rope on the block; hands on the tag line";

    /// <summary>Tensions of hoist and tag line with the load at a place; null where no tag line can hold it there.</summary>
    private static (double Hoist, double Tag)? At(
        SectionPoint load,
        SectionPoint block,
        SectionPoint tag,
        double weight
    )
    {
        var (a, b) = (load.AngleTo(block), load.AngleTo(tag));
        if (Math.Abs(block.X - load.X) < 0.05)
        {
            return (weight, 0);
        }

        // hoist·cos a + tag·cos b = 0 and hoist·sin a + tag·sin b = weight.
        var determinant = Math.Sin(b - a);
        if (Math.Abs(determinant) < LeastDeterminant)
        {
            return null;
        }

        var (hoist, held) = (-weight * Math.Cos(b) / determinant, weight * Math.Cos(a) / determinant);
        return hoist > 0 && held >= -1e-9 ? (hoist, Math.Max(0, held)) : null;
    }

    public override void Walk(RigWalk walk)
    {
        var (clearing, lift) = (walk.Clearing, walk.Clearing.Lift!);
        var (block, piece) = (walk.Scene.Block!.Value, walk.Scene.Heaviest!);
        var weight = walk.WeightOf(piece);
        var tag = walk.Ground.At(lift.TagAtM, lift.TagHeightM);
        var from = lift.FromM ?? piece.AtM;
        var to = clearing.Ground.LandingAtM;
        var (hoist, held, at, wrong) = (0.0, 0.0, walk.Ground.At(from, lift.ClearM), (double?)null);
        for (var i = 0; i <= Places; i++)
        {
            var x = from + ((to - from) * i / Places);
            var place = walk.Ground.At(x, lift.ClearM);
            if (place.Y >= block.Y - 0.3)
            {
                walk.Reasons.Stop(
                    "rig-block-too-low",
                    "The load would have to hang higher than the block: raise the block, or put the high point elsewhere.",
                    "clearing.high.blockHeightM"
                );
                break;
            }

            if (At(place, block, tag, weight) is not var (h, t))
            {
                wrong ??= x;
                continue;
            }

            if (h > hoist)
            {
                (hoist, at) = (h, place);
            }

            held = Math.Max(held, t);
            if (!walk.OnlyUses)
            {
                walk.Travel.Add(new(place, h, t, lift.ClearM));
            }
        }

        if (wrong is { } beyond)
        {
            walk.Reasons.Stop(
                "rig-tag-wrong-side",
                $"At {beyond:m} along the tag line cannot hold the load: it must pull away from the high point. Hold it from the other side, or drag the load nearer first.",
                "clearing.lift.tagAtM",
                null,
                ("atM", beyond)
            );
        }

        if (hoist == 0)
        {
            (hoist, at) = (weight, walk.Ground.At(to, lift.ClearM));
        }

        var route = HaulRoute.Of(walk, at, overBlock: true);
        if (HaulChain.Add(walk, hoist, route.Turns, clearing.Drag.KnotId) is { } force)
        {
            SparStand.Add(walk, force.X, force.Y, force.Worst);
        }

        Tag(walk, lift, held);
        Say(walk, new(hoist, held, weight, at, block, tag), route, from, to);
    }

    /// <summary>The tag line and whoever holds it, by hand or with turns on a drum.</summary>
    private static void Tag(RigWalk walk, LiftMembers lift, double held)
    {
        var people = RigWalk.Steady(new() { Count = lift.TagPeople, EffortEachN = walk.Clearing.Hauler.EffortEachN });
        var hands = lift.TagDrum is { } drum ? held / Math.Exp(2 * Math.PI * drum.FrictionLow * drum.Turns) : held;
        walk.Add(
            RigMark.Tag,
            "tag-hands",
            lift.TagDrum is null ? "Tag line's hands" : "Hands at the tag drum",
            hands,
            hands,
            new(people.Nominal, 1, [], Estimate: true, people.MayFall),
            new(Effort: true)
        );
        walk.AddRope(
            RigMark.Tag,
            "tag",
            "Tag line",
            walk.Clearing.Tag ?? walk.Clearing.Haul,
            "clearing.tag",
            held,
            held,
            "bowline"
        );
        walk.Reasons.Remark(
            "rig-tag-never-round-hand",
            "The tag line is never wound round a hand or a body; it runs free when it is let go.",
            "clearing.lift"
        );
    }

    private readonly record struct Hung(
        double Hoist,
        double Held,
        double Weight,
        SectionPoint At,
        SectionPoint Block,
        SectionPoint Tag
    );

    private static void Say(RigWalk walk, Hung hung, HaulRoute route, double from, double to)
    {
        if (walk.OnlyUses)
        {
            return;
        }

        walk.Figure("weight", "The load weighs", hung.Weight, "force");
        walk.Figure("hoist", "Hoisting line at most", hung.Hoist, "force");
        walk.How(
            "Hoist, tag line and weight balance at the load",
            walk.Scene.Units.Say(
                $"W {hung.Weight:N}, hoist rises {Angle.Degrees(hung.At.AngleTo(hung.Block)):deg}, tag line {Angle.Degrees(hung.At.AngleTo(hung.Tag)):deg}"
            )
        );
        walk.Figure("tag", "Tag line at most", hung.Held, "force");
        walk.NeedsRope(walk.Clearing.Haul, "clearing.haul", "hauling line", route.LengthM);
        walk.NeedsRope(walk.Clearing.Tag, "clearing.tag", "tag line", RigWalk.Along(walk.Ground.At(from, 0), hung.Tag));
        walk.Draw("haul", RigMark.Haul, hung.Hoist, loaded: true, [.. route.Points]);
        walk.Draw("tag", RigMark.Tag, hung.Held, loaded: false, hung.At, hung.Tag);
        walk.Zone(ZoneKind.UnderLoad, "under", "under the load", from, to, 3);
        RigBands.Add(walk, "haul", hung.At, hung.Block);
        if (Math.Abs(hung.Tag.X - hung.Block.X) < 2)
        {
            walk.Reasons.Check(
                "rig-tag-under-block",
                "The tag line is held under the high point: stand clear of the spar and of the load.",
                "clearing.lift.tagAtM"
            );
        }
    }
}
