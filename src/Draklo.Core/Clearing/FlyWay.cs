using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Rigging;
using Draklo.Core.Units;

namespace Draklo.Core.Clearing;

/// <summary>On a carriage over a loaded line between the high point and a low anchor.</summary>
/// <remarks>
/// Method M19. The line's length follows from its sag under the load at mid-span; the tension is solved for every place
/// of the load. The hauling line holds back or pulls what the two sides leave over.
/// </remarks>
internal sealed partial class FlyWay()
    : Way(
        ClearingWay.Fly,
        "Loaded line",
        OverGround,
        "Spares ground and rope for many loads; long to rig. A little more sag is a lot less pull: never tighten it to lift, let it down to load."
    )
{
    public const int Places = 100;
    private const int CheckedPlaces = 10;

    /// <summary>What a carriage's wheels take of the load, as a share: what two ball-bearing sheaves do.</summary>
    private const double Rolls = 0.05;

    /// <summary>A rope that nobody has said the stretch of is taken as one that gives next to nothing, N.</summary>
    private const double Unyielding = 5e7;

    private const double Tight = 0.3;
    private const double AtItsEnds = 1.5;

    private static readonly Spread LaneMin = new(8, 12, 20);

    /// <inheritdoc/>
    public override WayTraits Traits { get; } =
        new()
        {
            Uses =
            [
                WayPart.Pieces,
                WayPart.High,
                WayPart.Block,
                WayPart.Low,
                WayPart.Drum,
                WayPart.Hauler,
                WayPart.Line,
                WayPart.Haul,
                WayPart.Sling,
                WayPart.Carriage,
            ],
            Ends =
            [
                new(
                    "Below, where the pieces lie",
                    [
                        "Slack the line to hook on; never tighten it to lift.",
                        "Step to your place, then give the sign.",
                        "Hold the empty carriage until the load is on.",
                    ]
                ),
                new(
                    "Above, at the landing",
                    [
                        "Haul on the sign from below; stop the load short and let it settle.",
                        "Hook off only when the line is slack and the carriage is held.",
                        "Watch the guy, its anchor and the block at every load.",
                    ]
                ),
            ],
            ArmUp = "Haul",
            Shows = LoadOnLine.Bends,
            GoesAloft = false,
            PullsIn = true,
            Shocks = false,
            RunsOnLine = false,
        };

    /// <inheritdoc/>
    public override double FanDeg(ClearingMembers clearing) => clearing.Fly is { Lanes: > 1 } fly ? fly.FanDeg : 0;

    /// <inheritdoc/>
    public override IReadOnlyList<Change> Begins(ClearingScene scene) =>
        Missing(
            (scene.Clearing.High, "high", Starts.High),
            (scene.Clearing.Low, "low", Starts.Low),
            (scene.Clearing.Fly, "fly", Starts.Fly)
        );

    protected override WayMinutes Table => new(new(45, 60, 90), new(70.0 / 26, 90.0 / 26, 125.0 / 26));

    public override string Lacks(ClearingScene scene)
    {
        var clearing = scene.Clearing;
        return scene.Pieces.Count == 0 ? WayWords.NoPieces
            : scene.Block is null ? WayWords.NoHigh
            : clearing.Low is null ? "Say where the loaded line ends below."
            : clearing.Fly is null ? "Say how far the line sags."
            : "";
    }

    public override int People(ClearingMembers clearing) => 2 + Math.Max(2, Haulers(clearing.Hauler));

    public override string Wears(ClearingScene scene) => "the loaded line at its ends";

    public override WayMinutes Minutes(ClearingScene scene)
    {
        var found = base.Minutes(scene);
        var moves = (scene.Clearing.Fly?.Lanes ?? 1) - 1;
        return found with
        {
            Rig = new(
                found.Rig.Low + (moves * LaneMin.Low),
                found.Rig.Nominal + (moves * LaneMin.Nominal),
                found.Rig.High + (moves * LaneMin.High)
            ),
        };
    }

    /// <summary>The line in the frame of its left end.</summary>
    private readonly record struct Strung(
        HungLine Line,
        SectionPoint Left,
        SectionPoint Right,
        double Weight,
        bool HighIsLeft
    )
    {
        public SectionPoint At(double x, HungLoad hung) => new(x, Left.Y - hung.LeftFallM);

        public HungLoad Under(double x) => Line.Under(Weight, x - Left.X);
    }

    public override void Walk(RigWalk walk)
    {
        var (clearing, fly) = (walk.Clearing, walk.Clearing.Fly!);
        var (block, low) = (walk.Scene.Block!.Value, walk.Scene.PointOf(walk.Clearing.Low!));
        if (Math.Abs(block.X - low.X) < 2)
        {
            walk.Reasons.Stop(
                "rig-no-span",
                "The ends of the loaded line stand over each other: set the low anchor out, where the loads lie.",
                "clearing.low.atM"
            );
            return;
        }

        var piece = walk.Scene.Heaviest!;
        var weight = walk.WeightOf(piece) + RigWalk.Weight(clearing.Carriage?.MassKg ?? 0);
        var strung = StrungOf(walk, fly, block, low, weight);
        var most = Worst(walk, strung, fly);
        AddLinks(walk, strung, most);
        Haul(walk, most.HaulN, most.RunsBackN, strung);
        Say(walk, strung, most, fly);
    }

    private static Strung StrungOf(RigWalk walk, FlyMembers fly, SectionPoint block, SectionPoint low, double weight)
    {
        var highIsLeft = block.X < low.X;
        var (left, right) = highIsLeft ? (block, low) : (low, block);
        var span = right.X - left.X;
        var rope = walk.Clearing.Line;
        var stiffness = rope is { StretchAtTenPercent: > 0 } r
            ? 0.1 * r.BreakingStrengthN / r.StretchAtTenPercent
            : Unyielding;
        var sag = walk.Shaped(fly.SagShare * span);
        return new(HungLine.Sagging(span, left.Y - right.Y, sag, weight, stiffness), left, right, weight, highIsLeft);
    }

    private readonly record struct Most
    {
        /// <summary>Where the line itself carries most.</summary>
        public required HungLoad Hung { get; init; }

        public required SectionPoint At { get; init; }

        /// <summary>The most that the high side carries, with the hauling line, and where the load is then.</summary>
        public required (double SideN, double HaulN, SectionPoint At) High { get; init; }

        /// <summary>The most that the low side carries.</summary>
        public required double LowN { get; init; }

        /// <summary>How hard the carriage runs to the high point by itself, low down.</summary>
        public required double RunsUpN { get; init; }

        /// <summary>Greatest force on the haul line, N, 0 or more.</summary>
        public required double HaulN { get; init; }

        /// <summary>Force with which the load runs back by itself, N; 0 where it does not.</summary>
        public required double RunsBackN { get; init; }

        /// <summary>Least room between load and ground on the way, m; negative where it drags.</summary>
        public required double LeastClear { get; init; }

        /// <summary>Where that is, m along the line from its left end.</summary>
        public required double ClearAt { get; init; }
    }

    /// <summary>The hardest place of the load's way, and the least clearance on it.</summary>
    private static Most Worst(RigWalk walk, Strung strung, FlyMembers fly)
    {
        var (from, to) = WayOf(walk, strung, fly);
        var most = new Most
        {
            Hung = default,
            At = default,
            High = default,
            LowN = 0,
            RunsUpN = 0,
            HaulN = 0,
            RunsBackN = 0,
            LeastClear = double.PositiveInfinity,
            ClearAt = from,
        };
        // Every place is drawn for the way that is planned; the others are only compared.
        var drawn = !walk.OnlyUses && walk.Clearing.Way == ClearingWay.Fly;
        var count = drawn ? Places : CheckedPlaces;
        for (var i = 0; i <= count; i++)
        {
            var x = from + ((to - from) * i / count);
            var hung = strung.Under(x);
            var place = strung.At(x, hung);
            // The hauling line runs to the high point: it holds what the high side carries more, and wheels cost a little.
            var held = strung.HighIsLeft ? hung.HeldN : -hung.HeldN;
            var along = held + (Rolls * strung.Weight);
            var back = held - (Rolls * strung.Weight);
            if (hung.TensionN > most.Hung.TensionN)
            {
                most = most with { Hung = hung, At = place };
            }

            var (highSide, lowSide) = strung.HighIsLeft ? (hung.LeftN, hung.RightN) : (hung.RightN, hung.LeftN);
            if (highSide > most.High.SideN)
            {
                most = most with { High = (highSide, Math.Max(0, held), place) };
            }

            most = most with
            {
                HaulN = Math.Max(most.HaulN, along),
                RunsBackN = Math.Max(most.RunsBackN, back),
                RunsUpN = Math.Max(most.RunsUpN, -held - (Rolls * strung.Weight)),
                LowN = Math.Max(most.LowN, lowSide),
            };
            var clear = place.Y - fly.HangM - Highest(walk, x);
            if (Math.Abs(x - from) > AtItsEnds && Math.Abs(x - to) > AtItsEnds && clear < most.LeastClear)
            {
                most = most with { LeastClear = clear, ClearAt = x };
            }

            if (drawn)
            {
                walk.Travel.Add(new(place, hung.TensionN, along, clear));
            }
        }

        return most;
    }

    /// <summary>Where loads are hooked on and off, kept within the span.</summary>
    private static (double From, double To) WayOf(RigWalk walk, Strung strung, FlyMembers fly)
    {
        var from =
            fly.HookAtM
            ?? walk.Scene.Pieces.OrderByDescending(p => Math.Abs(p.AtM - walk.Clearing.Ground.LandingAtM)).First().AtM;
        const double least = 0.5;
        return (
            Math.Clamp(from, strung.Left.X + least, strung.Right.X - least),
            Math.Clamp(walk.Clearing.Ground.LandingAtM, strung.Left.X + least, strung.Right.X - least)
        );
    }

    private static double Highest(RigWalk walk, double x)
    {
        var ground = walk.Ground.UpAt(x);
        var top = ground;
        foreach (var obstacle in walk.Clearing.Ground.Obstacles)
        {
            if (x >= obstacle.FromM - 0.5 && x <= obstacle.ToM + 0.5)
            {
                top = Math.Max(top, ground + obstacle.HeightM);
            }
        }

        return top;
    }

    private static void AddLinks(RigWalk walk, Strung strung, Most most)
    {
        var clearing = walk.Clearing;
        var line = most.Hung.TensionN;
        var worst = RigWalk.Jerk * line;
        var load = strung.Weight;
        walk.AddRope(
            RigMark.Line,
            "line",
            "Loaded line",
            clearing.Line,
            "clearing.line",
            line,
            worst,
            clearing.LineKnotId
        );
        if (clearing.Carriage is { StrengthN: { } holds })
        {
            walk.Add(
                RigMark.Carriage,
                "carriage",
                "Carriage",
                load,
                RigWalk.Jerk * load,
                new(holds, walk.Factor.Hardware, [])
            );
        }
        else
        {
            walk.Reasons.Check(
                "rig-carriage-unknown",
                $"What the carriage breaks at is not given: it carries {load:N}.",
                clearing.Carriage is null ? "clearing.carriage" : "clearing.carriage.strengthN",
                null,
                ("loadN", load)
            );
        }

        walk.AddSling(
            RigMark.Load,
            "load-sling",
            "Sling on the load",
            clearing.LoadSling,
            "clearing.loadSling",
            load,
            RigWalk.Jerk * load
        );
        var block = strung.HighIsLeft ? strung.Left : strung.Right;
        var low = strung.HighIsLeft ? strung.Right : strung.Left;
        var (x, y, worstOnHigh) = BackLegs(walk, block, most);
        var force = RigWalk.SizeOf((x, y));
        walk.AddBlock(
            RigMark.Block,
            "block",
            "Block up high",
            clearing.High!.Block,
            "clearing.high.block",
            force,
            worstOnHigh * force
        );
        SparStand.Add(walk, x, y, worstOnHigh, clearing.Fly!.Lanes > 1 ? clearing.Fly.FanDeg : 0);
        walk.AddAnchor(
            RigMark.Low,
            "low",
            "Low anchor",
            clearing.Low,
            "clearing.low",
            most.LowN,
            RigWalk.Jerk * most.LowN,
            Math.Max(0, Math.Atan2(most.At.Y - low.Y, Math.Abs(most.At.X - low.X)))
        );
    }

    /// <summary>
    /// The force on the high point: both ropes toward the load, the line down to its drum where there is one, the hauling
    /// line down to the hauler. The worst of it is a load that bounces, or all that the hauler can give on a carriage that
    /// catches.
    /// </summary>
    private static (double X, double Y, double Worst) BackLegs(RigWalk walk, SectionPoint block, Most most)
    {
        var (line, drum) = (most.Hung.TensionN, walk.Clearing.Drum is not null);
        var (toLoad, toHauler) = (block.AngleTo(most.High.At), block.AngleTo(walk.Scene.Hauler));
        var foot = walk.Scene.DrumAt(block.X);
        if (drum)
        {
            RigDrum.Add(walk, line, RigWalk.Jerk * line);
            walk.Draw("drum-leg", RigMark.Line, line, loaded: true, block, foot);
        }

        var (x, y) = With(most.High.HaulN);
        var caught = RigWalk.SizeOf(With(Math.Max(most.High.HaulN, Effort.WorstCredible(walk.Clearing.Hauler))));
        return (x, y, Math.Max(RigWalk.Jerk, caught / RigWalk.SizeOf((x, y))));

        (double X, double Y) With(double haul)
        {
            var ropes = RigWalk.Sum(most.High.SideN + haul - most.High.HaulN, toLoad, haul, toHauler);
            var down = drum ? RigWalk.Sum(line, block.AngleTo(foot), 0, 0) : (0, 0);
            return (ropes.X + down.X, ropes.Y + down.Y);
        }
    }

    private static void Haul(RigWalk walk, double haul, double back, Strung strung)
    {
        var clearing = walk.Clearing;
        var upward = strung.HighIsLeft == (clearing.Ground.LandingAtM < (strung.Left.X + strung.Right.X) / 2);
        if (clearing.Haul is null)
        {
            walk.Reasons.Stop(
                "rig-carriage-free",
                $"Nothing holds the carriage: it would run along the line with up to {Math.Max(haul, back):N}. Put a hauling line on it.",
                "clearing.haul",
                null,
                ("runsN", Math.Max(haul, back))
            );
            return;
        }

        if (!upward && back > 0)
        {
            walk.Reasons.Check(
                "rig-carriage-runs",
                $"Loaded, the carriage runs downhill by itself with up to {back:N}: brake it on the hauling line, round a drum and never by hand.",
                "clearing.haul",
                null,
                ("runsN", back)
            );
        }

        var load = upward ? haul : Math.Max(0, back);
        var worstHand = Effort.WorstCredible(clearing.Hauler);
        var steady = RigWalk.Steady(clearing.Hauler);
        walk.Add(
            RigMark.Hauler,
            "hands",
            upward ? "Hauler" : "Hauler, holding back",
            load,
            load,
            new(steady.Nominal, 1, [], Estimate: true, steady.MayFall),
            new(Effort: true)
        );
        walk.AddRope(
            RigMark.Haul,
            "haul",
            "Hauling line",
            clearing.Haul,
            "clearing.haul",
            load,
            Math.Max(load, worstHand),
            "bowline"
        );
        if (clearing.Hauler.Kind is PullerKind.Machine or PullerKind.HandWinch)
        {
            walk.AddAnchor(
                RigMark.Hauler,
                "haul-anchor",
                "Hauler's anchor",
                clearing.HaulAnchor,
                "clearing.haulAnchor",
                load,
                worstHand,
                rise: 0
            );
        }
    }
}
