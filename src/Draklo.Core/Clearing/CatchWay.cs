using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Rigging;
using Draklo.Core.Units;

namespace Draklo.Core.Clearing;

/// <summary>Dropped into a rope over a block on its own stem; held, or let run over the drum.</summary>
/// <remarks>Methods M14 and M19.</remarks>
internal sealed class CatchWay()
    : Way(
        ClearingWay.Catch,
        "Catch on the stem",
        FromStem,
        "Nothing but a block and a drum; the stem feels twice the rope and more. Let run, it feels a fraction, and needs the height. A block spares the rope; a ring brakes with it and wears it."
    )
{
    /// <summary>How far about the block anything may come down, however short the piece, metres.</summary>
    private const double UnderBlock = 1.5;

    private const double LeastRope = 0.1;

    /// <inheritdoc/>
    public override WayTraits Traits { get; } =
        new()
        {
            Uses = [WayPart.High, WayPart.Block, WayPart.Drum, WayPart.Line],
            Ends =
            [
                new(
                    "Aloft",
                    [
                        "Your own rope is on a point that carries nothing else.",
                        "Cut only on the word from below; hand off the rope before it falls.",
                    ]
                ),
                new(
                    "At the drum",
                    [
                        "Beside the rope, never in line; tail free behind you.",
                        "Let it run as planned: hold early and the stem feels it.",
                        "Turns are counted aloud before every piece.",
                    ]
                ),
            ],
            LineName = "Rope that catches",
            ArmUp = "Take up",
            Shows = LoadOnLine.None,
            GoesAloft = true,
            PullsIn = false,
            Shocks = true,
            RunsOnLine = false,
        };

    /// <inheritdoc/>
    public override IEnumerable<IEnumerable<WayTrial>> OwnTrials(ClearingScene scene) => [LetRun(scene), Turns(scene)];

    private static IEnumerable<WayTrial> LetRun(ClearingScene scene)
    {
        if (scene.Clearing is { Catch: { LetRun: false } ask, Drum: not null })
        {
            yield return new(
                "Let it run over the drum",
                scene.Clearing with
                {
                    Catch = ask with { LetRun = true },
                },
                [new("clearing.catch.letRun", true)]
            );
        }
    }

    private static IEnumerable<WayTrial> Turns(ClearingScene scene)
    {
        if (scene.Clearing is not { Catch.LetRun: true, Drum: { } drum })
        {
            yield break;
        }

        for (var n = drum.Turns.Turns - 1; n >= 1; n--)
        {
            yield return new(
                $"Take {Sentences.Count(n)} {(n == 1 ? "turn" : "turns")} on the drum",
                scene.Clearing with
                {
                    Drum = drum with { Turns = drum.Turns with { Turns = n } },
                },
                [new("clearing.drum.turns.turns", n)]
            );
        }
    }

    /// <inheritdoc/>
    public override IReadOnlyList<Change> Begins(ClearingScene scene) =>
        Missing((scene.Clearing.High, "high", Starts.High), (scene.Clearing.Catch, "catch", Starts.Catch));

    protected override WayMinutes Table => new(new(15, 25, 40), new(6, 9, 15));

    public override string Lacks(ClearingScene scene) =>
        scene.Pieces.Count == 0 ? WayWords.NoPieces
        : scene.Block is null ? WayWords.NoHigh
        : scene.Clearing.Catch is null ? "Say how far the piece drops."
        : "";

    public override int People(ClearingMembers clearing) => 3;

    public override int Loads(ClearingScene scene) => scene.Pieces.Sum(p => p.Count);

    protected override double? Distance(ClearingScene scene) => null;

    public override string Wears(ClearingScene scene) =>
        scene.Clearing.Catch is { LetRun: false }
            ? "rope, block and stem: every piece is a jerk"
            : "rope on the drum, by heat";

    public override void Walk(RigWalk walk)
    {
        var (clearing, ask, high) = (walk.Clearing, walk.Clearing.Catch!, walk.Clearing.High!);
        var piece = walk.Scene.PieceOf(ask.PieceId)!;
        var weight = walk.HeaviestWeight();
        var block = walk.Scene.Block!.Value;
        var foot = walk.Scene.DrumAt(high.AtM);
        var down = Math.Max(LeastRope, block.DistanceTo(foot));
        if (clearing.Line is not { StretchAtTenPercent: > 0 } rope)
        {
            walk.Reasons.Stop(
                "rig-catch-rope",
                "How hard it is caught follows from the rope's stretch: say which rope catches it.",
                "clearing.line"
            );
            return;
        }

        // The piece's rope hangs down from the block and runs down to the drum: it turns right round.
        var turned = RigWalk.Turned(-Math.PI / 2, block.AngleTo(foot));
        var passes = walk.Passes(high.Block, turned);
        var slip = SlipOf(clearing.Drum, ask, passes);
        var caught = Caught(walk, ask, rope, new(weight, down, passes, ask.LetRun ? slip?.Nominal : null));
        var dead = Caught(walk, ask, rope, new(weight, down, passes, null));
        if (caught is null || dead is null)
        {
            NeverStops(walk, weight, slip);
            return;
        }

        var worst = WorstOf(ask, dead, slip);
        AddLinks(walk, ask, caught, worst);
        Say(walk, new(piece, weight, caught, dead, slip), block, foot);
    }

    private readonly record struct Falling(double Weight, double Down, double Passes, double? Slip);

    private static Catch? Caught(RigWalk walk, CatchMembers ask, RopeMembers rope, Falling falling) =>
        Catch
            .Of(
                new()
                {
                    WeightN = falling.Weight,
                    DropM = walk.Shaped(ask.DropM),
                    Parts = ask.Parts,
                    Rope = new()
                    {
                        BreakingStrengthN = rope.BreakingStrengthN,
                        StretchAtTenPercent = Math.Max(0.001, rope.StretchAtTenPercent),
                    },
                    PieceToBlockM = ask.PieceToBlockM,
                    BlockToDrumM = falling.Down,
                    Efficiency = falling.Passes,
                    SlipN = falling.Slip,
                },
                walk.Scene.Units
            )
            .Catch;

    /// <summary>At which force on the piece the drum lets rope run; null without a drum.</summary>
    private static Spread? SlipOf(DrumMembers? drum, CatchMembers ask, double passes)
    {
        if (drum is null)
        {
            return null;
        }

        var turns = drum.Turns;
        return new(
            OnPiece(Limiter.SlipsAt(turns.HoldLowN, turns.FrictionLow, turns.Turns)),
            OnPiece(Limiter.SlipsAt(turns.HoldN, turns.Friction, turns.Turns)),
            OnPiece(Limiter.SlipsAtMost(turns))
        );

        double OnPiece(double atDrum) => ask.Parts * atDrum / passes;
    }

    /// <summary>Held dead where nobody lets it run; let run, as hard as drum and hand can hold.</summary>
    private static double WorstOf(CatchMembers ask, Catch dead, Spread? slip) =>
        ask.LetRun && slip is { } s ? Math.Min(dead.PieceN, s.High) : dead.PieceN;

    private static void NeverStops(RigWalk walk, double weight, Spread? slip) =>
        walk.Reasons.Stop(
            "rig-never-stops",
            $"The drum slips at {slip?.Nominal ?? 0:N} and the piece weighs {weight:N}: it never stops. Take another turn, or a smaller piece.",
            "clearing.drum.turns.turns",
            null,
            ("slipsAt", slip?.Nominal ?? 0),
            ("weight", weight)
        );

    private static void AddLinks(RigWalk walk, CatchMembers ask, Catch caught, double worstPiece)
    {
        var (clearing, high) = (walk.Clearing, walk.Clearing.High!);
        var ratio = Math.Max(1, worstPiece / caught.PieceN);
        walk.AddRope(
            RigMark.Line,
            "line",
            "Rope that catches",
            clearing.Line,
            "clearing.line",
            caught.LineN,
            ratio * caught.LineN
        );
        if (ask.Parts == 2)
        {
            AddSecondPart(walk, ask, caught, ratio);
        }
        else
        {
            walk.AddRope(
                RigMark.Load,
                "knot",
                "Knot on the piece",
                clearing.Line,
                "clearing.line",
                caught.LineN,
                ratio * caught.LineN,
                ask.KnotId
            );
        }

        walk.AddBlock(
            RigMark.Block,
            "block",
            "Block on the stem",
            high.Block,
            "clearing.high.block",
            caught.BlockN,
            ratio * caught.BlockN
        );
        var held = caught.LineN * Passed(walk, high);
        RigDrum.Add(walk, held, ratio * held, letsRun: ask.LetRun);
        Stem(walk, high, caught.StemN, ratio, ask.OffStemM);
    }

    /// <summary>A block on the piece with its sling, and the rope's end on the spar: nothing of it carries less than the rope.</summary>
    private static void AddSecondPart(RigWalk walk, CatchMembers ask, Catch caught, double ratio)
    {
        walk.AddBlock(
            RigMark.Load,
            "piece-block",
            "Block on the piece",
            ask.Block,
            "clearing.catch.block",
            2 * caught.LineN,
            ratio * 2 * caught.LineN
        );
        walk.AddRope(
            RigMark.Block,
            "end-knot",
            "Rope's end on the stem",
            walk.Clearing.Line,
            "clearing.line",
            caught.LineN,
            ratio * caught.LineN,
            ask.KnotId
        );
        walk.AddSling(
            RigMark.Block,
            "end-sling",
            "Sling of the rope's end",
            ask.EndSling,
            "clearing.catch.endSling",
            caught.LineN,
            ratio * caught.LineN
        );
    }

    private static double Passed(RigWalk walk, HighPointMembers high) => walk.Passes(high.Block, Math.PI);

    /// <summary>The block hangs beside the stem: its pull presses the stem down and bends it by its lever.</summary>
    private static void Stem(RigWalk walk, HighPointMembers high, double force, double ratio, double lever)
    {
        var stem = SparStand.StemOf(high);
        var d = Math.Max(0.01, stem.DiameterAt(high.BlockHeightM - stem.StumpHeight));
        var stress = (force * lever / (Math.PI * d * d * d / 32)) + (force / (Math.PI * d * d / 4));
        walk.Add(
            RigMark.Spar,
            "stem",
            "Stem at the block",
            stress,
            ratio * stress,
            SparStand.WoodOf(walk, high),
            new(Dimension: Dimension.Stress)
        );
        // A piece that swings against the stem pushes it back as hard as the rope pulls it over: along the worst way.
        SparStand.Add(walk, force * lever / high.BlockHeightM, -force, ratio);
    }

    private readonly record struct Said(ClearPiece Piece, double Weight, Catch Caught, Catch Dead, Spread? Slip);

    private static void Say(RigWalk walk, Said said, SectionPoint block, SectionPoint foot)
    {
        if (walk.OnlyUses)
        {
            return;
        }

        var (ask, caught) = (walk.Clearing.Catch!, said.Caught);
        walk.Figure("weight", "The piece weighs", said.Weight, "force", walk.HeaviestNote());
        walk.Figure("peak", "The piece feels", caught.PieceN, "force");
        walk.How(
            caught.RunM is null ? "W · (1 + √(1 + 2 · k · drop / W))" : "What the drum slips at, on the piece",
            caught.RunM is null
                ? walk.Scene.Units.Say($"W {said.Weight:N}, k {caught.StiffnessNPerM:N} a metre, drop {ask.DropM:m}")
                : walk.Scene.Units.Say($"{caught.PieceN:N}; caught dead {said.Dead.PieceN:N}")
        );
        walk.Figure("line", "The rope feels", caught.LineN, "force");
        walk.Figure("stem", "The stem feels", caught.StemN, "force");
        walk.How(
            ask.Parts == 2 ? "The block, and the rope's end" : "The line on both sides of the block",
            walk.Scene.Units.Say($"{caught.BlockN:N} on the block")
        );
        if (ask.LetRun)
        {
            walk.Figure("held", "Caught dead it would be", said.Dead.PieceN, "force");
        }

        var run = caught.RunM ?? 0;
        if (said.Slip is { } slip)
        {
            walk.Figure("slips", "Drum slips at", slip.Nominal, "force", "on the piece");
        }

        walk.Figure(
            "run",
            "It runs",
            run,
            "length",
            caught.RunM is null ? "held: it does not run" : "after the rope comes tight"
        );
        // The longest of the list has the least room.
        Height(walk, said with { Piece = walk.Scene.Pieces.MaxBy(p => p.LengthM)! }, run, block);
        var hangs = block with { Y = block.Y - ask.PieceToBlockM };
        walk.NeedsRope(
            walk.Clearing.Line,
            "clearing.line",
            "rope",
            (RigWalk.Along(hangs, block, foot) + run) * (ask.Parts == 2 ? 2 : 1)
        );
        walk.Draw("line", RigMark.Line, caught.LineN, loaded: true, hangs, block, foot);
        var reach = Math.Max(UnderBlock, walk.Scene.Pieces.Max(p => p.LengthM));
        walk.Zone(ZoneKind.UnderLoad, "under", "where the pieces come down", block.X - reach, block.X + reach, reach);
        if (ask.Parts == 2 && !ask.LetRun)
        {
            walk.Reasons.Remark(
                "rig-two-parts-stiffer",
                $"Two parts do not halve a dead catch: they are four times as stiff. Rope {caught.LineN:N}, stem {caught.StemN:N}.",
                "clearing.catch.parts",
                ("lineN", caught.LineN),
                ("stemN", caught.StemN)
            );
        }

        if (walk.Clearing.High!.Block is { Metal: Metal.Alloy } && !ask.LetRun)
        {
            walk.Reasons.Check(
                "rig-alloy-hammered",
                "The block is of alloy and takes a blow with every piece: it cracks without a sign. Take steel.",
                "clearing.high.block.metal"
            );
        }
    }

    /// <summary>Whether the piece stands before it reaches what is below, with a drum that slips early.</summary>
    private static void Height(RigWalk walk, Said said, double run, SectionPoint block)
    {
        var ask = walk.Clearing.Catch!;
        var below = walk.Ground.UpAt(block.X);
        var name = "the ground";
        foreach (var obstacle in walk.Clearing.Ground.Obstacles)
        {
            if (
                block.X + said.Piece.LengthM > obstacle.FromM
                && block.X - said.Piece.LengthM < obstacle.ToM
                && walk.Ground.UpAt(Math.Clamp(block.X, obstacle.FromM, obstacle.ToM)) + obstacle.HeightM is var top
                && top > below
            )
            {
                (below, name) = (top, $"the {obstacle.Name.Uncapitalised()}");
            }
        }

        var room = block.Y - ask.PieceToBlockM - said.Piece.LengthM - below;
        walk.Figure("room", "Room to run", Math.Max(0, room), "length", $"down to {name}");
        var worst =
            ask.LetRun && said.Slip is { } slip && slip.Low > said.Weight
                ? said.Weight * ask.DropM / (slip.Low - said.Weight)
                : run;
        if (run > room)
        {
            walk.Reasons.Stop(
                "rig-runs-too-far",
                $"The piece needs {run:m} to stop and {Math.Max(0, room):m} are there above {name}: another turn, a smaller piece, or a higher block.",
                "clearing.drum.turns.turns",
                null,
                ("runM", run),
                ("roomM", Math.Max(0, room))
            );
        }
        else if (ask.LetRun && said.Slip is { } s && (s.Low <= said.Weight || worst > room))
        {
            walk.Reasons.Check(
                "rig-may-run-too-far",
                s.Low <= said.Weight
                    ? "With a light hold on a smooth drum the piece would not stop at all: try the drum with a light log first."
                    : walk.Scene.Units.Say(
                        $"With a light hold on a smooth drum the piece needs {worst:m}, and {room:m} are there: try the drum with a light log first."
                    ),
                "clearing.drum.turns"
            );
        }
    }
}
