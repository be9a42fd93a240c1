using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Rigging;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Clearing;

/// <summary>Down a tight line from the stem to an anchor below.</summary>
/// <remarks>Method M19: speed at most √(2·g·h), energy W·h; the line's tension by its sag under the piece.</remarks>
internal sealed class SlideWay()
    : Way(
        ClearingWay.Slide,
        "Down a tight line",
        FromStem,
        "The stem feels next to nothing; the piece arrives fast, spoils the line, and nobody may be near its foot."
    )
{
    private const int Places = 60;
    private const int CheckedPlaces = 10;
    private const double Unyielding = 5e7;
    private const double LeastAway = 0.05;

    /// <inheritdoc/>
    public override WayTraits Traits { get; } =
        new()
        {
            Uses = [WayPart.High, WayPart.Low, WayPart.Line, WayPart.Sling],
            Ends = WayWords.StemEnds,
            LineName = "Tight line",
            ArmUp = "Haul",
            Shows = LoadOnLine.Bends,
            GoesAloft = true,
            PullsIn = false,
            Shocks = false,
            RunsOnLine = true,
        };

    /// <inheritdoc/>
    public override IReadOnlyList<Change> Begins(ClearingScene scene) =>
        Missing(
            (scene.Clearing.High, "high", Starts.High),
            (scene.Clearing.Low, "low", Starts.Low),
            (scene.Clearing.Slide, "slide", Starts.Slide)
        );

    protected override WayMinutes Table => new(new(15, 25, 40), new(3, 4, 7));

    public override string Lacks(ClearingScene scene) =>
        scene.Pieces.Count == 0 ? WayWords.NoPieces
        : scene.Clearing.High is null ? WayWords.NoHigh
        : scene.Clearing.Low is null ? "Say where the tight line ends below."
        : scene.Clearing.Slide is null ? "Say how high the tight line sits."
        : "";

    public override int People(ClearingMembers clearing) => clearing.Slide is { Braked: true } ? 4 : 3;

    protected override double? Distance(ClearingScene scene) => null;

    public override string Wears(ClearingScene scene) => "the line itself: it holds nothing else afterwards";

    public override (string Words, double M2) Spoils(ClearingScene scene) =>
        ("pits where pieces land", scene.Pieces.Sum(p => p.Count) * 0.5);

    public override void Walk(RigWalk walk)
    {
        var (clearing, ask, high) = (walk.Clearing, walk.Clearing.Slide!, walk.Clearing.High!);
        var (top, low) = (walk.Ground.At(high.AtM, ask.TopHeightM), walk.Scene.PointOf(clearing.Low!));
        if (top.Y <= low.Y || Math.Abs(top.X - low.X) < 2)
        {
            walk.Reasons.Stop(
                "rig-line-without-fall",
                "The tight line has no fall to slide down, or its ends stand over each other: raise its top or set its foot out.",
                "clearing.slide.topHeightM"
            );
            return;
        }

        var piece = walk.Scene.PieceOf(ask.PieceId)!;
        var weight = walk.HeaviestWeight();
        var rope = clearing.Line;
        var stiffness = rope is { StretchAtTenPercent: > 0 } r
            ? 0.1 * r.BreakingStrengthN / r.StretchAtTenPercent
            : Unyielding;
        var span = Math.Abs(low.X - top.X);
        var line = HungLine.Tight(
            span,
            top.Y - low.Y,
            ask.PretensionN * (1 + (walk.Moved.Shape * Doubts.ShapeOff)),
            stiffness
        );
        var slid = Slid(walk, line, weight, top, Math.Sign(low.X - top.X));
        var tension = slid.Most;
        walk.AddRope(
            RigMark.Line,
            "line",
            "Tight line",
            rope,
            "clearing.line",
            tension,
            RigWalk.Jerk * tension,
            clearing.LineKnotId
        );
        walk.AddSling(
            RigMark.Load,
            "load-sling",
            "Sling on the piece",
            clearing.LoadSling,
            "clearing.loadSling",
            weight,
            RigWalk.Jerk * weight
        );
        walk.AddAnchor(
            RigMark.Low,
            "low",
            "Lower anchor",
            clearing.Low,
            "clearing.low",
            tension,
            RigWalk.Jerk * tension,
            Math.Atan2(top.Y - low.Y, span)
        );
        // The stem's head feels the line's level part, nothing of the drop.
        var away = Math.Atan2(low.Y - top.Y, low.X - top.X);
        SparStand.Add(walk, tension * Math.Cos(away), tension * Math.Sin(away), RigWalk.Jerk);
        Say(walk, ask, new(top, low, weight, tension, slid.Lands), piece);
    }

    private readonly record struct Run(double Most, SectionPoint Lands);

    /// <summary>The most tension on the way, and where the sagging line sets the piece down.</summary>
    private static Run Slid(RigWalk walk, HungLine line, double weight, SectionPoint top, int toRight)
    {
        var most = 0.0;
        var lands = default(SectionPoint?);
        var count = walk.OnlyUses ? CheckedPlaces : Places;
        var last = top;
        for (var i = 1; i < count; i++)
        {
            var away = Math.Max(LeastAway, line.SpanM * i / count);
            var hung = line.Under(weight, away);
            var place = new SectionPoint(top.X + (toRight * away), top.Y - hung.LeftFallM);
            most = Math.Max(most, hung.TensionN);
            var clear = place.Y - walk.Ground.UpAt(place.X);
            if (!walk.OnlyUses)
            {
                walk.Travel.Add(new(place, hung.TensionN, 0, clear));
            }

            last = place;
            if (clear <= 0)
            {
                lands = place;
                break;
            }
        }

        return new(most, lands ?? last);
    }

    private readonly record struct Slope(
        SectionPoint Top,
        SectionPoint Low,
        double Weight,
        double Tension,
        SectionPoint Lands
    );

    private static void Say(RigWalk walk, SlideMembers ask, Slope slope, ClearPiece piece)
    {
        if (walk.OnlyUses)
        {
            return;
        }

        var fall = slope.Top.Y - Math.Min(slope.Lands.Y, slope.Top.Y);
        walk.Figure("weight", "The piece weighs", slope.Weight, "force", walk.HeaviestNote());
        walk.Figure(
            "speed",
            "It arrives at most with",
            Math.Sqrt(2 * StandingTree.Gravity * fall),
            "speed",
            ask.Braked ? "if the brake lets go" : "nothing brakes it"
        );
        walk.How("√(2 · g · h)", walk.Scene.Units.Say($"h {fall:m}"));
        walk.Figure("energy", "Its energy then", slope.Weight * fall, "energy");
        walk.How("W · h", walk.Scene.Units.Say($"{slope.Weight:N} · {fall:m}"));
        walk.Figure("line", "Tight line at most", slope.Tension, "force");
        walk.Figure("lands", "It comes down at", slope.Lands.X, "length", "along the section");
        walk.NeedsRope(walk.Clearing.Line, "clearing.line", "tight line", RigWalk.Along(slope.Top, slope.Low));
        walk.Draw("line", RigMark.Line, slope.Tension, loaded: true, slope.Top, slope.Lands, slope.Low);
        var past = Math.Abs(slope.Low.X - slope.Top.X) / 2;
        var toRight = Math.Sign(slope.Low.X - slope.Top.X);
        walk.Zone(
            ZoneKind.UnderLoad,
            "foot",
            "the foot of the tight line",
            slope.Lands.X - (toRight * 2),
            slope.Low.X + (toRight * past),
            Math.Max(4, piece.LengthM)
        );
        RigBands.Add(walk, "line", slope.Top, slope.Low);
        if (!ask.OldRope)
        {
            walk.Reasons.Check(
                "rig-rope-spoiled",
                "Sliding burns and glazes the line: take an old rope, and mark it so that nothing hangs on it again.",
                "clearing.slide.oldRope"
            );
        }
        else
        {
            walk.Reasons.Remark(
                "rig-old-rope-apart",
                "The old line stays apart: afterwards it holds no load and nobody again.",
                "clearing.slide.oldRope"
            );
        }

        if (ask.Metal == Metal.Alloy)
        {
            walk.Reasons.Check(
                "rig-alloy-hammered",
                "What runs on the line is of alloy and strikes at the bottom: take steel.",
                "clearing.slide.metal"
            );
        }
        else if (ask.Metal is null)
        {
            walk.Reasons.Check(
                "rig-metal-unknown",
                "Nobody has said what runs on the line: it strikes at the bottom and must be of steel.",
                "clearing.slide.metal"
            );
        }

        Over(walk, slope);
    }

    /// <summary>What stands under the line and higher than the load hangs.</summary>
    private static void Over(RigWalk walk, Slope slope)
    {
        var (left, right) = (Math.Min(slope.Top.X, slope.Lands.X), Math.Max(slope.Top.X, slope.Lands.X));
        foreach (var (obstacle, i) in walk.Clearing.Ground.Obstacles.Select((o, i) => (o, i)))
        {
            foreach (var place in walk.Travel)
            {
                if (
                    place.At.X >= obstacle.FromM
                    && place.At.X <= obstacle.ToM
                    && place.ClearM - obstacle.HeightM < 1
                    && obstacle.FromM < right
                    && obstacle.ToM > left
                )
                {
                    walk.Reasons.Stop(
                        "rig-slides-into",
                        $"The piece slides within a metre of the {obstacle.Name.Uncapitalised()}: raise the line's foot, tighten it, or set it aside.",
                        $"clearing.ground.obstacles[{i}]"
                    );
                    break;
                }
            }
        }
    }
}
