using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Clearing;

/// <summary>The cut tree let down forward on a line behind it, over a drum.</summary>
/// <remarks>
/// Methods M5, M14, M15 and M19. Every link carries in proportion to the line, so the line's own allowance follows from
/// the link that uses most of its strength; the lean at which it is reached is where the crew stops.
/// </remarks>
internal sealed class AsternWay()
    : Way(
        ClearingWay.Astern,
        "Let down astern",
        FromStem,
        "The tree comes down as slowly as the drum lets it; past a lean the line cannot hold it, and it must be let go or cut."
    )
{
    private const double Probe = 1000;
    private const double HalfWay = 45;
    private const double CarefulWeight = 1.25;

    /// <inheritdoc/>
    public override WayTraits Traits { get; } =
        new()
        {
            Uses = [WayPart.High, WayPart.Block, WayPart.Drum, WayPart.Line],
            Ends =
            [
                new(
                    "At the tree",
                    [
                        "The line behind is tight before the back cut begins.",
                        "Step away by the escape route before the drum pays out.",
                    ]
                ),
                new(
                    "At the drum",
                    [
                        "Pay out slowly, hands off the drum; never let it jerk.",
                        "Stop at the lean that is written here, and look.",
                    ]
                ),
            ],
            LineName = "Line behind",
            ArmUp = "Take up",
            Shows = LoadOnLine.None,
            GoesAloft = false,
            PullsIn = false,
            Shocks = false,
            RunsOnLine = false,
        };

    /// <inheritdoc/>
    public override IReadOnlyList<Change> Begins(ClearingScene scene) =>
        Missing((scene.Clearing.Astern, "astern", Behind(scene.Plan)));

    /// <summary>The line behind stands straight behind the lay.</summary>
    private static AsternMembers Behind(Plan plan) =>
        Starts.Astern with
        {
            Anchor = Starts.Astern.Anchor with { BearingDeg = (plan.Lay.BearingDeg + 180) % 360 },
        };

    protected override WayMinutes Table => new(new(60, 90, 150), new(20, 40, 60));

    public override string Lacks(ClearingScene scene) =>
        scene.Clearing.Astern is null ? "Say where the line behind sits and what it runs to." : "";

    public override int People(ClearingMembers clearing) => 4;

    public override int Loads(ClearingScene scene) => 1;

    protected override double? Distance(ClearingScene scene) => null;

    public override string Wears(ClearingScene scene) =>
        scene.Lowered.Tree is { } tree
            ? scene.Units.Say($"rope and drum: {tree.Heat():J} of heat")
            : "rope and drum, by heat";

    public override void Walk(RigWalk walk)
    {
        var (clearing, ask) = (walk.Clearing, walk.Clearing.Astern!);
        if (walk.Scene.Lowered is not { Tree: { } tree })
        {
            foreach (
                var problem in walk.Scene.Lowered.Problems.Where(p =>
                    p.Path.StartsWith("lower.", StringComparison.Ordinal)
                )
            )
            {
                walk.Reasons.Add(
                    VerdictState.Stop,
                    "rig-astern-not-set",
                    problem.Message,
                    $"clearing.astern.{problem.Path["lower.".Length..]}"
                );
            }

            if (walk.Reasons.List.Count == 0)
            {
                walk.Reasons.Stop(
                    "rig-astern-no-tree",
                    "The plan of the tree itself cannot be worked out: mend that first.",
                    "tree"
                );
            }

            return;
        }

        // At the lean that is planned, or half way down: the line's direction hardly changes what is weakest.
        var lean = ask.StopDeg ?? HalfWay;
        var tried = new RigWalk(walk.Scene, walk.Moved, onlyUses: true);
        AddLinks(tried, tree, Probe, lean);
        var hardest = tried.Links.Where(l => !l.Effort).MaxBy(l => l.Use);
        var heavier = 1 + (walk.Moved.Mass * (CarefulWeight - 1));
        var allowed = hardest is { Use: > 0 } ? Probe / hardest.Use : double.PositiveInfinity;
        tree = tree.PulledAsideAt(ask.StopDeg ?? tree.StopAt(allowed / heavier) ?? LoweredLast);
        var stop = tree.StopAt(allowed / heavier);
        var planned = ask.StopDeg ?? stop ?? LoweredLast;
        AddLinks(walk, tree, tree.TensionAt(planned) * heavier, lean);
        Say(walk, tree, new(planned, stop, allowed, hardest), ask);
    }

    private const double LoweredLast = Rigging.LoweredTree.LastDeg;

    private static void AddLinks(RigWalk walk, Rigging.LoweredTree tree, double tension, double leanDeg)
    {
        var (clearing, ask) = (walk.Clearing, walk.Clearing.Astern!);
        walk.AddRope(
            RigMark.Line,
            "line",
            "Line behind",
            clearing.Line,
            "clearing.line",
            tension,
            tension,
            clearing.LineKnotId
        );
        if (ask.OverSpar && clearing.High is { } high && walk.Scene.Block is { } block)
        {
            var foot = walk.Scene.DrumAt(block.X);
            // Where the seat is at that lean; in the section the tree stands to one side of the spar.
            var seat = tree.Line.Seat.TurnedForward(Angle.Radians(leanDeg));
            var (forward, right) = (seat.Forward - tree.Line.Anchor.Forward, seat.Right - tree.Line.Anchor.Right);
            var away = Math.Sqrt((forward * forward) + (right * right));
            var toTree = Math.Atan2(seat.Up - tree.Line.Anchor.Up, clearing.StemAtM < high.AtM ? -away : away);
            var down = block.AngleTo(foot);
            var on = tension * walk.Passes(high.Block, RigWalk.Turned(toTree, down));
            var (x, y) = RigWalk.Sum(tension, toTree, on, down);
            var force = RigWalk.SizeOf((x, y));
            walk.AddBlock(RigMark.Block, "block", "Block on the spar", high.Block, "clearing.high.block", force, force);
            SparStand.Add(walk, x, y, 1);
        }

        RigDrum.Add(walk, tension, tension, letsRun: true);
    }

    private readonly record struct Planned(double Deg, double? StopDeg, double Allowed, RigLink? Hardest);

    private static void Say(RigWalk walk, Rigging.LoweredTree tree, Planned planned, AsternMembers ask)
    {
        if (walk.OnlyUses)
        {
            return;
        }

        var tension = tree.TensionAt(planned.Deg);
        walk.Figure(
            "stop",
            "Stop at a lean of",
            planned.StopDeg ?? LoweredLast,
            "angle",
            planned.Hardest is { } h ? $"then the {h.Name.Uncapitalised()} has all it may" : ""
        );
        walk.Figure("tension", "Line at the planned lean", tension, "force");
        walk.How(
            "(W · how far the centre leans out + wind − hinge) / arm of the line",
            walk.Scene.Units.Say($"at {planned.Deg:deg} from where it stood; W {tree.Context.Tree.Weight:N}")
        );
        walk.Figure("hinge-goes", "Hinge lets go at", tree.HingeGoesDeg, "angle");
        walk.Figure("heat", "Heat in the drum to 75°", tree.Heat(), "energy");
        walk.Figure("side", "Sideways on the hinge", tree.SideAt(planned.Deg), "moment");
        foreach (var deg in new[] { 10, 20, 30, 45, 60, 75 })
        {
            var at = tree.TensionAt(deg);
            walk.Figure(
                $"at-{deg}",
                $"At {deg}°",
                at,
                "force",
                walk.Clearing.Drum is { } drum ? TurnsFor(drum.Turns, at) : ""
            );
        }

        if (ask.StopDeg is null)
        {
            walk.Reasons.Check(
                "rig-stop-lean-open",
                planned.StopDeg is { } s
                    ? walk.Scene.Units.Say(
                        $"Say at which lean you stop and look: at {s:deg} at the latest, the line carries {planned.Allowed:N} then."
                    )
                    : "Say at which lean you stop and look again.",
                "clearing.astern.stopDeg"
            );
        }
        else if (planned.StopDeg is { } latest && ask.StopDeg > latest)
        {
            walk.Reasons.Stop(
                "rig-stop-too-late",
                $"Stop at {latest:deg}: past that the {planned.Hardest!.Name.Uncapitalised()} carries more than it may.",
                "clearing.astern.stopDeg",
                planned.Hardest.Id,
                ("latestDeg", latest)
            );
        }

        AddBrake(walk, tension);
        if (tree.HingeGoesDeg < planned.Deg)
        {
            walk.Reasons.Check(
                "rig-hinge-goes-first",
                $"The hinge lets go at {tree.HingeGoesDeg:deg}, before you stop: from there the line alone holds the tree and nothing guides its foot.",
                "clearing.astern.stopDeg",
                null,
                ("holdDeg", tree.HingeGoesDeg)
            );
        }

        if (tree.SideAt(planned.Deg) is var side && side > tree.Context.Hinge.SideCapacity)
        {
            walk.Reasons.Stop(
                "rig-astern-pulls-aside",
                $"The line behind pulls the tree aside with {new Quantity(side, Dimension.Moment)}; the hinge holds {new Quantity(tree.Context.Hinge.SideCapacity, Dimension.Moment)}: set it straight behind.",
                "clearing.astern.anchor.bearingDeg",
                null,
                ("sideNm", side)
            );
        }

        if (ask.OverSpar && walk.Clearing.High is { Guy: null, Topped: false })
        {
            walk.Reasons.Check(
                "rig-spar-without-guy",
                "The spar stands without a guy: the tree pulls it over as it comes down. Hang one straight behind.",
                "clearing.high.guy"
            );
        }

        walk.Reasons.Remark(
            "rig-drum-hand-aside",
            "Whoever holds the drum's tail stands beside it, never in line with the rope, and feeds it with both hands off the drum.",
            "clearing.drum"
        );
        Draw(walk, tension);
    }

    /// <summary>A brake that a light hold on a smooth drum does not make hold what it must.</summary>
    private static void AddBrake(RigWalk walk, double tension)
    {
        if (walk.Clearing.Drum is not { } drum)
        {
            return;
        }

        var slips = Limiter.SlipsAt(drum.Turns.HoldLowN, drum.Turns.FrictionLow, drum.Turns.Turns);
        if (slips < tension)
        {
            walk.Reasons.Add(
                Limiter.IsTried(walk.Scene.Plan, "clearing.drum.turns") ? VerdictState.Stop : VerdictState.Check,
                "rig-brake-too-weak",
                walk.Scene.Units.Say(
                    $"{Sentences.Count(drum.Turns.Turns).Capitalised()} {(drum.Turns.Turns == 1 ? "turn" : "turns")} with a light hold may slip at {slips:N-}, and the tree pulls {tension:N+} where you stop: take more turns, stop sooner, or try the drum first."
                ),
                "clearing.drum.turns.turns",
                null,
                ("slipsAt", slips),
                ("tension", tension)
            );
        }
    }

    /// <summary>The least turns that are sure to hold so much.</summary>
    private static string TurnsFor(LimiterMembers drum, double tension)
    {
        for (var n = 1; n <= Limiter.MostTurns; n++)
        {
            if (Limiter.SlipsAt(drum.HoldLowN, drum.FrictionLow, n) >= tension)
            {
                return $"{Sentences.Count(n)} {(n == 1 ? "turn holds" : "turns hold")}";
            }
        }

        return $"more than {Limiter.MostTurns} turns";
    }

    private static void Draw(RigWalk walk, double tension)
    {
        var clearing = walk.Clearing;
        // Down the tree at the last, over what holds it, and a tail past the drum.
        walk.NeedsRope(
            clearing.Line,
            "clearing.line",
            "line behind",
            clearing.Astern!.SeatHeightM + clearing.Astern.Anchor.DistanceM + (clearing.High?.BlockHeightM ?? 0)
        );
        if (clearing.StemAtM is not { } stump)
        {
            return;
        }

        var seat = walk.Ground.At(stump, clearing.Astern!.SeatHeightM);
        // It comes down away from what holds it.
        var behind =
            clearing.Astern.OverSpar && clearing.High is { } spar ? spar.AtM : clearing.Drum?.Anchor?.AtM ?? stump + 1;
        var height = walk.Scene.Plan.Tree.HeightM;
        walk.Zone(
            ZoneKind.ComesDown,
            "drop",
            "where the tree comes down",
            stump,
            stump + (behind > stump ? -height : height),
            Math.Max(3, height / 4)
        );
        if (walk.Scene.Block is { } block && clearing.Astern.OverSpar)
        {
            var foot = walk.Scene.DrumAt(block.X);
            walk.Draw("line", RigMark.Line, tension, loaded: true, seat, block, foot);
            RigBands.Add(walk, "line", seat, block);
        }
        else if (clearing.Drum?.Anchor is { } anchor)
        {
            walk.Draw("line", RigMark.Line, tension, loaded: true, seat, walk.Scene.PointOf(anchor));
            RigBands.Add(walk, "line", seat, walk.Scene.PointOf(anchor));
        }
    }
}
