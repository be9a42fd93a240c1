using Draklo.Core.Geometry;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Clearing;

/// <summary>Over the ground on a line, led low or over the high point's block so that the butt is lifted.</summary>
/// <remarks>
/// Method M19: F = W·(μ·cos α + sin α)/(cos δ + μ·sin δ) at every place between the log and its goal, 1.4 times that to
/// break it out where it lies.
/// </remarks>
internal sealed class DragWay(ClearingWay kind, string name)
    : Way(
        kind,
        name,
        OverGround,
        kind == ClearingWay.Drag
            ? "Little to rig and often the fastest; it tears the ground and snags."
            : "The log rides over roots and stones instead of digging in; a high point and a block to rig."
    )
{
    private const double BreakingOut = 1.4;

    /// <summary>A line hardly ever pulls the log into the ground: it would lie on it first, radians.</summary>
    private const double Lowest = -0.02;

    private const double Steepest = 80 * Math.PI / 180;
    private const double TornWidth = 0.6;

    private bool High => Kind == ClearingWay.ButtUp;

    /// <inheritdoc/>
    public override WayTraits Traits { get; } =
        new()
        {
            Uses =
                kind == ClearingWay.ButtUp
                    ?
                    [
                        WayPart.Pieces,
                        WayPart.High,
                        WayPart.Block,
                        WayPart.Lead,
                        WayPart.Hauler,
                        WayPart.Haul,
                        WayPart.Sling,
                    ]
                    : [WayPart.Pieces, WayPart.Lead, WayPart.Hauler, WayPart.Haul, WayPart.Sling],
            Ends =
            [
                new(
                    "At the log",
                    [
                        "Hook on, step uphill and aside, then give the sign.",
                        "Never walk beside a log that moves; never below one.",
                    ]
                ),
                new(
                    "At the hauler",
                    [
                        "Pull only on the sign from below, slowly until the log moves.",
                        "Hold at once when it catches: go and look, never pull harder.",
                    ]
                ),
            ],
            ArmUp = "Haul",
            Shows = LoadOnLine.None,
            GoesAloft = false,
            PullsIn = true,
            Shocks = false,
            RunsOnLine = false,
        };

    /// <inheritdoc/>
    public override IReadOnlyList<Change> Begins(ClearingScene scene) =>
        Kind == ClearingWay.ButtUp ? Missing((scene.Clearing.High, "high", Starts.High)) : [];

    protected override WayMinutes Table =>
        High ? new(new(20, 30, 45), new(3.1, 4.2, 6.2)) : new(new(0, 0, 0), new(95.0 / 26, 130.0 / 26, 190.0 / 26));

    public override string Lacks(ClearingScene scene) =>
        scene.Pieces.Count == 0 ? WayWords.NoPieces
        : High && scene.Block is null ? WayWords.NoHigh
        : "";

    public override int People(ClearingMembers clearing) => Haulers(clearing.Hauler) + 1;

    public override int Loads(ClearingScene scene) =>
        (int)Math.Ceiling((double)scene.Pieces.Sum(p => p.Count) / scene.Clearing.Drag.AtOnce)
        + Bundles(scene.Clearing.Brush);

    public override string Wears(ClearingScene scene) => High ? "rope on the block" : "rope and sling on the ground";

    public override (string Words, double M2) Spoils(ClearingScene scene)
    {
        var length = Distance(scene) ?? 0;
        var torn = length * TornWidth * (High ? 0.5 : 1);
        return scene.Clearing.Ground.Soft ? ("tears a track", torn)
            : High ? ("scrapes a track", 0)
            : ("marks a track", 0);
    }

    public override void Walk(RigWalk walk)
    {
        var clearing = walk.Clearing;
        var end = HaulRoute.EndOf(walk.Scene, High);
        var worst = Worst(walk, end);
        var (most, at, breaking, runsAway) = worst;
        if (runsAway < 0)
        {
            walk.Reasons.Stop(
                "rig-load-runs-away",
                $"On this slope the log runs away by itself with {-runsAway:N}: hold it from above on a line, or take it another way.",
                "clearing.ground",
                null,
                ("holdN", -runsAway)
            );
        }

        var load = Math.Max(most, Math.Max(breaking, -runsAway));
        var route = HaulRoute.Of(walk, at, High);
        var onBlock = HaulChain.Add(walk, load, route.Turns, clearing.Drag.KnotId);
        if (onBlock is { } force)
        {
            SparStand.Add(walk, force.X, force.Y, force.Worst);
        }

        Say(walk, worst, load, route);
    }

    private readonly record struct Dragged(double Most, SectionPoint At, double BreakingOut, double RunsAway)
    {
        /// <summary>Weight, slope and line over the slope at the hardest place.</summary>
        public (double Weight, double Slope, double Line) By { get; init; }
    }

    /// <summary>The hardest place of all pieces' ways; of those that lie in one place the heaviest counts.</summary>
    private static Dragged Worst(RigWalk walk, SectionPoint end)
    {
        var worst = new Dragged(0, walk.Ground.At(walk.Clearing.Ground.LandingAtM), 0, 0);
        var friction = walk.LogFriction;
        foreach (var group in walk.Scene.Pieces.GroupBy(p => p.AtM))
        {
            var weight = group.Max(walk.WeightOf) * Math.Min(walk.Clearing.Drag.AtOnce, group.Sum(p => p.Count));
            var first = true;
            foreach (var (from, to) in walk.Ground.Parts(group.Key, walk.Clearing.Ground.LandingAtM))
            {
                var slope = SectionGround.SlopeOf(from, to);
                foreach (var place in new[] { from, new((from.X + to.X) / 2, (from.Y + to.Y) / 2), to })
                {
                    var line = LineOver(place, HaulRoute.Toward(walk, place, end), slope);
                    var pull = weight * Skidding(friction, slope, line);
                    if (pull < worst.RunsAway)
                    {
                        worst = worst with { RunsAway = pull };
                    }

                    if (first)
                    {
                        worst =
                            BreakingOut * pull > worst.BreakingOut
                                ? worst with
                                {
                                    BreakingOut = BreakingOut * pull,
                                    At = place,
                                }
                                : worst;
                        first = false;
                    }

                    if (pull > worst.Most)
                    {
                        worst = worst with
                        {
                            Most = pull,
                            At = pull > worst.BreakingOut ? place : worst.At,
                            By = (weight, slope, line),
                        };
                    }
                }
            }
        }

        return worst;
    }

    /// <summary>What a newton of log takes to drag.</summary>
    private static double Skidding(double friction, double slope, double line) =>
        ((friction * Math.Cos(slope)) + Math.Sin(slope)) / (Math.Cos(line) + (friction * Math.Sin(line)));

    /// <summary>How far the line rises over the slope, radians.</summary>
    private static double LineOver(SectionPoint log, SectionPoint end, double slope)
    {
        var across = Math.Max(0.5, Math.Abs(end.X - log.X));
        return Math.Clamp(Math.Atan2(end.Y - log.Y, across) - slope, Lowest, Steepest);
    }

    private static void Say(RigWalk walk, Dragged worst, double load, HaulRoute route)
    {
        var (most, breaking, by) = (worst.Most, worst.BreakingOut, worst.By);
        if (walk.OnlyUses)
        {
            return;
        }

        var clearing = walk.Clearing;
        walk.Figure("keep-moving", "To keep it moving", most, "force");
        var (weight, slope, over) = by;
        walk.How(
            "W · (μ · cos α + sin α) / (cos δ + μ · sin δ)",
            walk.Scene.Units.Say(
                $"W {weight:N}, μ {walk.LogFriction:x}, α {Angle.Degrees(slope):deg}, δ {Angle.Degrees(over):deg}"
            )
        );
        walk.Figure("break-out", "To break it out", breaking, "force", "where it lies");
        walk.How("1.4 times the pull where it lies", walk.Scene.Units.Say($"1.4 · {breaking / BreakingOut:N}"));
        walk.Figure(
            "steepest",
            "Steepest up",
            Angle.Degrees(walk.Scene.Pieces.Max(p => walk.Ground.SteepestUp(p.AtM, clearing.Ground.LandingAtM))),
            "angle"
        );
        if (route.Brow is { } brow)
        {
            walk.Reasons.Check(
                "rig-line-rubs",
                $"The line runs over the ground at {brow.X:m} along: it rubs there and costs pull. Lay a log or a roller under it, or lead it higher.",
                "clearing.ground.spots",
                null,
                ("atM", brow.X)
            );
        }

        walk.NeedsRope(clearing.Haul, "clearing.haul", "hauling line", route.LengthM);
        walk.Draw("haul", RigMark.Haul, load, loaded: true, [.. route.Points]);
        foreach (var piece in walk.Scene.Pieces.DistinctBy(p => p.AtM))
        {
            foreach (var (from, _) in walk.Ground.Parts(piece.AtM, clearing.Ground.LandingAtM))
            {
                walk.Travel.Add(new(from, load, load, null));
            }
        }

        var (left, right) = (walk.Scene.Pieces.Min(p => p.AtM), walk.Scene.Pieces.Max(p => p.AtM));
        var (a, b) = (Math.Min(left, clearing.Ground.LandingAtM), Math.Max(right, clearing.Ground.LandingAtM));
        walk.Zone(ZoneKind.InWay, "track", "on the way of the logs", a, b, 3);
        Below(walk);
        RigBands.Add(walk, "haul", route.Points[0], route.Points[1]);
        Between(walk, a, b);
    }

    /// <summary>A log that comes loose runs back down: nobody stands below.</summary>
    private static void Below(RigWalk walk)
    {
        const double runsFromDeg = 15;
        var landing = walk.Clearing.Ground.LandingAtM;
        foreach (var piece in walk.Scene.Pieces.DistinctBy(p => p.AtM))
        {
            if (Angle.Degrees(walk.Ground.SteepestUp(piece.AtM, landing)) > runsFromDeg)
            {
                var down = piece.AtM + (20 * Math.Sign(piece.AtM - landing));
                walk.Zone(ZoneKind.InWay, "below", "below the log", piece.AtM, Math.Max(0, down), 6);
                return;
            }
        }
    }

    private static void Between(RigWalk walk, double from, double to)
    {
        foreach (var (obstacle, i) in walk.Clearing.Ground.Obstacles.Select((o, i) => (o, i)))
        {
            if (
                obstacle.Kind is ObstacleKind.Thing or ObstacleKind.Fragile
                && obstacle.FromM < to
                && obstacle.ToM > from
            )
            {
                var path = $"clearing.ground.obstacles[{i}]";
                var name = obstacle.Name.Uncapitalised();
                if (obstacle.Kind == ObstacleKind.Fragile)
                {
                    walk.Reasons.Stop(
                        "rig-drags-through",
                        $"The logs would be dragged through the {name}: go round it, or lift them over.",
                        path
                    );
                }
                else
                {
                    walk.Reasons.Check(
                        "rig-drags-over",
                        $"The logs are dragged over the {name}: clear it, or lead them round.",
                        path
                    );
                }
            }
        }
    }
}
