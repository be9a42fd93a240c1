using Draklo.Core.Catalogue;
using Draklo.Core.Geometry;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Clearing;

/// <summary>Let down or raised over several points in the tree.</summary>
/// <remarks>
/// Methods M15 and M19: each point's force, split along and across its limb, in the worst of three states: let down, taken
/// in, and held, where nobody knows which way the friction of each point works; what each feels when one of the others
/// gives way. The arrows add up to more than one point's would; the tree's own net load does not.
/// </remarks>
internal sealed class PointsWay()
    : Way(
        ClearingWay.Points,
        "Over several points",
        FromStem,
        "Each limb carries less, and more along itself, where wood is strong; one point needs fewer parts and less rope."
    )
{
    private const double LeastTension = 0.02;

    /// <inheritdoc/>
    public override WayTraits Traits { get; } =
        new()
        {
            Uses = [WayPart.High, WayPart.Block, WayPart.Drum, WayPart.Line, WayPart.Sling],
            Ends = WayWords.StemEnds,
            LineName = "Rope over the points",
            ArmUp = "Take up",
            Shows = LoadOnLine.None,
            GoesAloft = true,
            PullsIn = false,
            Shocks = false,
            RunsOnLine = false,
        };

    /// <inheritdoc/>
    public override IReadOnlyList<Change> Begins(ClearingScene scene) =>
        Missing((scene.Clearing.High, "high", Starts.High), (scene.Clearing.Points, "points", Starts.Points));

    protected override WayMinutes Table => new(new(20, 35, 60), new(7, 10, 18));

    public override string Lacks(ClearingScene scene) =>
        scene.Pieces.Count == 0 ? WayWords.NoPieces
        : scene.Clearing.High is null ? WayWords.NoHigh
        : scene.Clearing.Points is null ? "Say over which points the rope runs."
        : "";

    public override int People(ClearingMembers clearing) => 3;

    protected override double? Distance(ClearingScene scene) => null;

    public override string Wears(ClearingScene scene) =>
        scene.Clearing.Points?.Points.Any(p =>
            !(Reference.Contacts.GetValueOrDefault(p.Block.ContactId)?.IsHardware ?? true)
        ) == true
            ? "rope on bark, by heat"
            : "rope on the rings";

    public override void Walk(RigWalk walk)
    {
        var (clearing, ask) = (walk.Clearing, walk.Clearing.Points!);
        var piece = walk.Scene.PieceOf(ask.PieceId)!;
        var weight = walk.HeaviestWeight();
        var load = walk.Ground.At(ask.LoadAtM, ask.LoadHeightM);
        var base0 = walk.Ground.UpAt(clearing.High!.AtM);
        SectionPoint[] points = [.. ask.Points.Select(p => new SectionPoint(p.AtM, base0 + p.HeightM))];
        var foot = walk.Scene.DrumAt(clearing.High.AtM);
        var whole = Rope.Over(walk, ask, load, points, foot, weight, without: -1);
        var ifNext = IfOneFails(walk, ask, new(load, points, foot, weight), whole);
        AddLinks(walk, ask, weight, whole, ifNext);
        var hand = whole.AtDrum;
        if (clearing.Drum is not null)
        {
            RigDrum.Add(walk, hand, RigWalk.Jerk * hand);
        }
        else
        {
            var steady = RigWalk.Steady(clearing.Hauler);
            walk.Add(
                RigMark.Hauler,
                "hands",
                "Hands on the rope",
                hand,
                hand,
                new(steady.Nominal, 1, [], Estimate: true, steady.MayFall),
                new(Effort: true)
            );
        }

        Say(walk, ask, new(load, points, foot, weight), whole, ifNext, piece);
    }

    private readonly record struct Hung(SectionPoint Load, SectionPoint[] Points, SectionPoint Foot, double Weight);

    /// <summary>The rope from the load over its points to the drum.</summary>
    /// <param name="Forces">On each point, in the state that is asked for.</param>
    /// <param name="Tensions">Before each point, in that state.</param>
    /// <param name="AtDrum">In that state.</param>
    /// <param name="States">On each point: let down, taken in, held with friction against the load and with it.</param>
    private sealed record Rope(
        (double X, double Y)[] Forces,
        double[] Tensions,
        double AtDrum,
        (double X, double Y)[][] States
    )
    {
        /// <summary>The most that a point carries in any state.</summary>
        public double Most(int point) => States[point].Max(RigWalk.SizeOf);

        /// <param name="without">The point that gave way; −1 for none.</param>
        public static Rope Over(
            RigWalk walk,
            PointsMembers ask,
            SectionPoint load,
            SectionPoint[] points,
            SectionPoint foot,
            double weight,
            int without
        )
        {
            var forces = new (double X, double Y)[points.Length];
            var tensions = new double[points.Length];
            var states = new (double X, double Y)[points.Length][];
            var (tension, least, most) = (weight, weight, weight);
            var before = load;
            for (var i = 0; i < states.Length; i++)
            {
                states[i] = [(0, 0)];
            }

            for (var i = 0; i < points.Length; i++)
            {
                if (i == without)
                {
                    continue;
                }

                var next = i + 1;
                next += next == without ? 1 : 0;
                var after = next < points.Length ? points[next] : foot;
                var at = points[i];
                // The load hangs straight down from the first point that holds it.
                var one = before == load ? -Math.PI / 2 : at.AngleTo(before);
                var other = at.AngleTo(after);
                var passes = walk.Passes(ask.Points[i].Block, RigWalk.Turned(one, other));
                // Friction helps whoever lets down and costs whoever raises.
                var on = ask.Raised ? tension / passes : tension * passes;
                forces[i] = RigWalk.Sum(tension, one, on, other);
                tensions[i] = tension;
                states[i] =
                [
                    RigWalk.Sum(least, one, least * passes, other),
                    RigWalk.Sum(most, one, most / passes, other),
                    RigWalk.Sum(most, one, most * passes, other),
                ];
                (tension, least, most) = (on, least * passes, most / passes);
                before = at;
            }

            return new(forces, tensions, tension, states);
        }
    }

    /// <summary>The most that each carries when one of the others gives way.</summary>
    private static double[] IfOneFails(RigWalk walk, PointsMembers ask, Hung hung, Rope whole)
    {
        var most = new double[hung.Points.Length];
        for (var i = 0; i < most.Length; i++)
        {
            most[i] = whole.Most(i);
        }

        for (var gone = 0; gone < hung.Points.Length && hung.Points.Length > 1; gone++)
        {
            var rest = Rope.Over(walk, ask, hung.Load, hung.Points, hung.Foot, hung.Weight, gone);
            for (var i = 0; i < most.Length; i++)
            {
                most[i] = Math.Max(most[i], i == gone ? 0 : rest.Most(i));
            }
        }

        return most;
    }

    private static void AddLinks(RigWalk walk, PointsMembers ask, double weight, Rope whole, double[] ifNext)
    {
        var clearing = walk.Clearing;
        var most = Math.Max(weight, whole.AtDrum);
        walk.AddRope(RigMark.Line, "line", "Rope", clearing.Line, "clearing.line", most, RigWalk.Jerk * most);
        walk.AddSling(
            RigMark.Load,
            "load-sling",
            "Sling on the load",
            clearing.LoadSling,
            "clearing.loadSling",
            weight,
            RigWalk.Jerk * weight
        );
        for (var i = 0; i < ask.Points.Count; i++)
        {
            var (point, path) = (ask.Points[i], $"clearing.points.points[{i}]");
            var force = whole.Most(i);
            var worst = Math.Max(RigWalk.Jerk * force, ifNext[i]);
            var name = point.Name.Capitalised();
            walk.AddBlock(RigMark.Point, $"point-{i + 1}", name, point.Block, $"{path}.block", force, worst, i + 1);
            if (whole.States[i].Max(f => BendingOf(point, f)) is { } stress)
            {
                walk.Add(
                    RigMark.Point,
                    $"limb-{i + 1}",
                    $"{name}, limb",
                    stress,
                    stress * worst / Math.Max(1, force),
                    SparStand.WoodOf(walk, clearing.High!),
                    new(Dimension: Dimension.Stress, Place: i + 1)
                );
            }
            else
            {
                walk.Reasons.Check(
                    "rig-point-on-no-limb",
                    $"On which limb {name.Uncapitalised()} hangs is not given: it carries {force:N}. Give the limb's diameter at its union.",
                    $"{path}.limbDiameterM",
                    null,
                    ("loadN", force)
                );
            }

            if (Reference.Contacts.GetValueOrDefault(point.Block.ContactId) is { BuiltOf: "bark" or "rope" } kind)
            {
                walk.Reasons.Check(
                    "rig-rope-wears",
                    $"At {name.Uncapitalised()} the rope runs {kind.Name.Uncapitalised()} under load: it glazes and saws. Hang a ring or a block there.",
                    $"{path}.block.contactId"
                );
            }
        }
    }

    /// <summary>The force on a point along its limb, toward the union, and across it; its sign is that of weight for downward.</summary>
    private static (double Along, double Across) SplitOn(RigPointMembers point, (double X, double Y) force)
    {
        var rise = Angle.Radians(point.LimbRiseDeg);
        var out_ = (X: (point.LimbToRight ? 1 : -1) * Math.Cos(rise), Y: Math.Sin(rise));
        // Across the limb on the side of the ground.
        var across = (X: (point.LimbToRight ? 1 : -1) * Math.Sin(rise), Y: -Math.Cos(rise));
        return (-((force.X * out_.X) + (force.Y * out_.Y)), (force.X * across.X) + (force.Y * across.Y));
    }

    /// <summary>At the union, with the limb's own weight at the lever; null where the limb is not given.</summary>
    private static double? BendingOf(RigPointMembers point, (double X, double Y) force)
    {
        if (point.LimbDiameterM is not { } d)
        {
            return null;
        }

        var (along, across) = SplitOn(point, force);
        var own = SplitOn(point, (0, -RigWalk.Weight(point.LimbMassKg)));
        var moment = Math.Abs(across + own.Across) * point.LimbLeverM;
        return (moment / (Math.PI * d * d * d / 32)) + (Math.Max(0, along + own.Along) / (Math.PI * d * d / 4));
    }

    private static void Say(RigWalk walk, PointsMembers ask, Hung hung, Rope whole, double[] ifNext, ClearPiece piece)
    {
        if (walk.OnlyUses)
        {
            return;
        }

        var net = RigWalk.Sum(hung.Weight, -Math.PI / 2, whole.AtDrum, hung.Points[^1].AngleTo(hung.Foot));
        walk.Figure("weight", "The load weighs", hung.Weight, "force", walk.HeaviestNote());
        walk.Figure("drum", ask.Raised ? "To raise it" : "To hold it back", whole.AtDrum, "force");
        walk.How(
            ask.Raised ? "W over what each turn passes on" : "W times what each turn passes on",
            walk.Scene.Units.Say(
                $"{hung.Weight:N}, over {ask.Points.Count} {(ask.Points.Count == 1 ? "point" : "points")}"
            )
        );
        walk.Figure("arrows", "Forces of the points together", whole.Forces.Sum(RigWalk.SizeOf), "force");
        walk.Figure(
            "net",
            "The tree itself carries",
            RigWalk.SizeOf(net),
            "force",
            "load and tail, whatever the points"
        );
        for (var i = 0; i < hung.Points.Length; i++)
        {
            var (point, force) = (ask.Points[i], whole.Forces[i]);
            var (along, across) = SplitOn(point, force);
            walk.Points.Add(
                new()
                {
                    Name = point.Name,
                    At = hung.Points[i],
                    ForceN = RigWalk.SizeOf(force),
                    X = force.X,
                    Y = force.Y,
                    AlongN = along,
                    AcrossN = Math.Abs(across),
                    BendingPa = BendingOf(point, force),
                    IfNextFailsN = ifNext[i],
                    LetDownN = RigWalk.SizeOf(whole.States[i][0]),
                    TakenInN = RigWalk.SizeOf(whole.States[i][1]),
                    HeldN = Math.Max(RigWalk.SizeOf(whole.States[i][1]), RigWalk.SizeOf(whole.States[i][2])),
                }
            );
            if (along < 0 && point.LimbDiameterM is not null && -along > LeastTension * hung.Weight)
            {
                walk.Reasons.Check(
                    "rig-limb-pulled",
                    $"{point.Name.Capitalised()} is pulled outward along its limb with {-along:N}: unions are weak that way. Choose a limb that the force presses.",
                    $"clearing.points.points[{i}].limbRiseDeg",
                    null,
                    ("alongN", along)
                );
            }
        }

        walk.NeedsRope(
            walk.Clearing.Line,
            "clearing.line",
            "rope",
            RigWalk.Along([hung.Load, .. hung.Points, hung.Foot]) + (hung.Load.Y - walk.Ground.UpAt(hung.Load.X))
        );
        walk.Draw(
            "line",
            RigMark.Line,
            Math.Max(hung.Weight, whole.AtDrum),
            loaded: true,
            [hung.Load, .. hung.Points, hung.Foot]
        );
        walk.Zone(
            ZoneKind.ComesDown,
            "drop",
            "where the load comes down",
            hung.Load.X - piece.LengthM,
            hung.Load.X + piece.LengthM,
            piece.LengthM
        );
        walk.Zone(
            ZoneKind.InWay,
            "rope-ends",
            "where both ends of the rope come down",
            hung.Points.Min(p => p.X) - 2,
            hung.Points.Max(p => p.X) + 2,
            2
        );
        walk.Zone(ZoneKind.InWay, "drum", "in line with the drum", hung.Foot.X - 2, hung.Foot.X + 2, 2);
    }
}
