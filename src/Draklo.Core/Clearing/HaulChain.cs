using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;

namespace Draklo.Core.Clearing;

/// <summary>One turn of a hauling line, from the load to the hauler.</summary>
/// <param name="ToLoad">Direction of the leg to the load, radians above level to the right.</param>
/// <param name="ToHauler">Of the leg to the hauler; the same plane unless the line is turned aside.</param>
/// <param name="Turned">How far the line turns, radians.</param>
internal readonly record struct HaulTurn(
    RigMark Mark,
    string Id,
    string Name,
    RigBlockMembers? Block,
    string Path,
    double ToLoad,
    double ToHauler,
    double Turned
);

/// <summary>The hauling line from the load over its turns to whoever hauls.</summary>
/// <remarks>Methods M9 and M15: each turn passes on its share; a load that catches feels all that the hauler can give.</remarks>
internal static class HaulChain
{
    /// <summary>What the hauling line puts on the high point's block.</summary>
    /// <param name="X">To the right, N.</param>
    /// <param name="Y">Upward.</param>
    /// <param name="Worst">The worst credible force over the planned one.</param>
    public readonly record struct OnBlock(double X, double Y, double Worst);

    /// <summary>Adds hauler, tackle, rope and turns.</summary>
    /// <param name="atLoad">The most that the load asks of the line, N.</param>
    /// <returns>The force on the high point's block; null where the line does not run over it.</returns>
    public static OnBlock? Add(RigWalk walk, double atLoad, IReadOnlyList<HaulTurn> turns, string? knotId)
    {
        var clearing = walk.Clearing;
        var tackle = clearing.Tackle is { } roved ? SolvedTackle.From(roved) : null;
        var puller = clearing.Hauler;
        var tensions = new double[turns.Count + 1];
        tensions[0] = atLoad;
        for (var i = 0; i < turns.Count; i++)
        {
            tensions[i + 1] = tensions[i] / walk.Passes(turns[i].Block, turns[i].Turned);
        }

        var advantage = tackle is null
            ? 1
            : Doubts.Between(
                tackle.AtLeast.ActualAdvantage,
                tackle.Hauling.ActualAdvantage,
                tackle.AtBest.ActualAdvantage,
                walk.Moved.Passes
            );
        var hand = tensions[^1] / advantage;
        var worstHand = Effort.WorstCredible(puller);
        // What the hauler could put on, walked back to the load through the best turns.
        var worst = new double[turns.Count + 1];
        worst[^1] = Math.Max(tensions[^1], worstHand * (tackle?.AtBest.ActualAdvantage ?? 1));
        for (var i = turns.Count - 1; i >= 0; i--)
        {
            worst[i] = Math.Max(tensions[i], worst[i + 1] * walk.Passes(turns[i].Block, turns[i].Turned, best: true));
        }

        AddHauler(walk, puller, hand);
        AddFast(walk, tackle, new(hand, worstHand, tensions[^1], worst[^1]));
        walk.AddRope(RigMark.Haul, "haul", "Hauling line", clearing.Haul, "clearing.haul", tensions[^1], worst[^1]);
        if (clearing.LoadSling is { } sling)
        {
            walk.AddSling(
                RigMark.Load,
                "load-sling",
                "Sling on the load",
                sling,
                "clearing.loadSling",
                atLoad,
                worst[0]
            );
        }
        else
        {
            walk.AddRope(
                RigMark.Load,
                "load-knot",
                "Knot on the load",
                clearing.Haul,
                "clearing.haul",
                atLoad,
                worst[0],
                knotId
            );
        }

        OnBlock? onBlock = null;
        for (var i = 0; i < turns.Count; i++)
        {
            var force = AddTurn(walk, turns[i], tensions[i], tensions[i + 1], worst[i + 1]);
            onBlock = turns[i].Mark == RigMark.Block ? force : onBlock;
        }

        return onBlock;
    }

    private static void AddHauler(RigWalk walk, PullerMembers puller, double hand)
    {
        var steady = RigWalk.Steady(puller);
        walk.Add(
            RigMark.Hauler,
            "hands",
            Effort.NameOf(puller),
            hand,
            hand,
            new(steady.Nominal, 1, [], Estimate: true, steady.MayFall),
            new(Effort: true)
        );
    }

    private readonly record struct Hauled(double Hand, double WorstHand, double Line, double WorstLine);

    /// <summary>Blocks of the tackle, and what holds it: whatever does not move is anchored.</summary>
    private static void AddFast(RigWalk walk, SolvedTackle? tackle, Hauled on)
    {
        var stands = walk.Clearing.Hauler.Kind is PullerKind.Machine or PullerKind.HandWinch;
        if (tackle is { System.HardwarePoints.Count: > 0 } && walk.Clearing.Tackle is { } members)
        {
            var load = SolvedTackle.HeaviestTurn(tackle.Hauling, tackle.Hardware) * on.Hand;
            var worst = SolvedTackle.HeaviestTurn(tackle.AtBest, tackle.Hardware) * on.WorstHand;
            if (members.HardwareStrengthN is { } strength)
            {
                walk.Add(
                    RigMark.Hauler,
                    "tackle-blocks",
                    "Tackle's blocks",
                    load,
                    worst,
                    new(strength, walk.Factor.Hardware, [])
                );
            }
            else
            {
                walk.Reasons.Check(
                    "rig-tackle-unknown",
                    $"What the blocks of the hauling tackle break at is not given: the heaviest carries {load:N}.",
                    "clearing.tackle.hardwareStrengthN",
                    null,
                    ("loadN", load)
                );
            }
        }

        if (tackle is { System.UsesAnchor: true })
        {
            var (load, worst) = (
                SolvedTackle.ForceOn(tackle.Hauling, "anchor") * on.Hand,
                SolvedTackle.ForceOn(tackle.AtBest, "anchor") * on.WorstHand
            );
            AddHolds(walk, load, worst);
        }
        else if (stands)
        {
            AddHolds(walk, on.Line, on.WorstLine);
        }
    }

    private static void AddHolds(RigWalk walk, double load, double worst) =>
        walk.AddAnchor(
            RigMark.Hauler,
            "haul-anchor",
            "Hauler's anchor",
            walk.Clearing.HaulAnchor,
            "clearing.haulAnchor",
            load,
            worst,
            rise: 0
        );

    private static OnBlock AddTurn(RigWalk walk, HaulTurn turn, double before, double after, double worstAfter)
    {
        var force = Math.Sqrt(
            Math.Max(0, (before * before) + (after * after) - (2 * before * after * Math.Cos(turn.Turned)))
        );
        // The worst of it in proportion: the same shape of line, pulled harder.
        var ratio = after > 0 ? Math.Max(1, worstAfter / after) : 1;
        if (turn.Mark == RigMark.Haul)
        {
            // Over the ground there is nothing that breaks.
            return new(0, 0, 1);
        }

        walk.AddBlock(turn.Mark, turn.Id, turn.Name, turn.Block, turn.Path, force, force * ratio);
        if (turn.Mark == RigMark.Lead && walk.Clearing.Lead is { } lead)
        {
            var up = Math.Asin(
                Math.Clamp(
                    ((before * Math.Sin(turn.ToLoad)) + (after * Math.Sin(turn.ToHauler))) / Math.Max(1, force),
                    -1,
                    1
                )
            );
            walk.AddAnchor(
                RigMark.Lead,
                "lead-anchor",
                "Lead block's anchor",
                lead.Anchor,
                "clearing.lead.anchor",
                force,
                force * ratio,
                Math.Max(0, up)
            );
        }

        var (x, y) = RigWalk.Sum(before, turn.ToLoad, after, turn.ToHauler);
        return new(x, y, ratio);
    }
}
