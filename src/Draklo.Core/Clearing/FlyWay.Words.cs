using Draklo.Core.Plans;
using Draklo.Core.Rigging;
using Draklo.Core.Units;

namespace Draklo.Core.Clearing;

/// <summary>What is said, tried and drawn of a loaded line.</summary>
internal sealed partial class FlyWay
{
    private static readonly double[] Sags =
    [
        .. Enumerable.Range(8, 17).Select(s => s / 200.0),
        .. Enumerable.Range(13, 18).Select(s => s / 100.0),
    ];

    /// <inheritdoc/>
    public override IEnumerable<IEnumerable<WayTrial>> OwnTrials(ClearingScene scene) =>
        [OtherSag(scene, more: true), OtherSag(scene, more: false), HungShorter(scene)];

    private static IEnumerable<WayTrial> OtherSag(ClearingScene scene, bool more)
    {
        if (scene.Clearing is not { Fly: { } fly })
        {
            yield break;
        }

        foreach (var sag in more ? Sags.Where(s => s > fly.SagShare) : Sags.Where(s => s < fly.SagShare).Reverse())
        {
            yield return new(
                scene.Units.Say($"Let the line sag {sag:%}"),
                scene.Clearing with
                {
                    Fly = fly with { SagShare = sag },
                },
                [new("clearing.fly.sagShare", sag)]
            );
        }
    }

    private static IEnumerable<WayTrial> HungShorter(ClearingScene scene)
    {
        if (scene.Clearing is not { Fly: { } fly })
        {
            yield break;
        }

        for (var hang = Math.Round(fly.HangM - 0.25, 2); hang >= 0.25; hang = Math.Round(hang - 0.25, 2))
        {
            yield return new(
                scene.Units.Say($"Hang the load {hang:m} under the carriage"),
                scene.Clearing with
                {
                    Fly = fly with { HangM = hang },
                },
                [new("clearing.fly.hangM", hang)]
            );
        }
    }

    private static void Say(RigWalk walk, Strung strung, Most most, FlyMembers fly)
    {
        if (walk.OnlyUses)
        {
            return;
        }

        var clearing = walk.Clearing;
        var span = strung.Line.SpanM;
        walk.Figure("line-most", "Loaded line at most", most.Hung.TensionN, "force");
        var across = most.At.X - strung.Left.X;
        walk.How(
            "H = W · x · (ℓ − x) / (ℓ · s), and on the flatter side H · √(1 + (fall / across)²)",
            walk.Scene.Units.Say(
                $"W {strung.Weight:N}, x {across:m}, ℓ {span:m}, s {most.Hung.SagM:m}: H {most.Hung.LevelN:N}"
            )
        );
        walk.Figure("load", "Load with carriage", strung.Weight, "force");
        walk.Figure("span", "Span", span, "length");
        walk.Figure("sag", "Sag at mid-span", fly.SagShare * span, "length");
        walk.Figure("haul", "Hauling line", Math.Max(most.HaulN, 0), "force");
        walk.How(
            "What the steeper side carries more, and a twentieth of the load for the wheels",
            walk.Scene.Units.Say($"{most.HaulN - (Rolls * strung.Weight):N} + {Rolls * strung.Weight:N}")
        );
        if (most.RunsUpN > 0)
        {
            walk.Figure("runs-up", "Low down it runs up by itself", most.RunsUpN, "force", "to where it rests");
            walk.Reasons.Remark(
                "rig-carriage-settles",
                $"Let go low down, the carriage runs toward the high point by itself with up to {most.RunsUpN:N}, to where it rests: hold it until the load is on.",
                "clearing.fly",
                ("runsN", most.RunsUpN)
            );
        }

        if (most.RunsBackN > 0)
        {
            walk.Figure("runs-back", "Carriage runs from the high point", most.RunsBackN, "force");
        }

        if (double.IsFinite(most.LeastClear))
        {
            walk.Figure(
                "clear",
                "Least clearance",
                most.LeastClear,
                "length",
                walk.Scene.Units.Say($"at {most.ClearAt:m}")
            );
        }

        if (LeastSag(walk, strung) is { } sag)
        {
            walk.Figure("least-sag", "Sag at least", sag, "percent", "for what the line may take");
            walk.How(
                "The sag at mid-span at which the line carries all it may",
                walk.Scene.Units.Say($"{sag * span:m} of {span:m}")
            );
        }

        walk.Figure(
            "loads-a-lane",
            "Loads a lane",
            Math.Ceiling((double)walk.Scene.Pieces.Sum(p => p.Count) / fly.Lanes),
            "count"
        );
        var (high, low) = strung.HighIsLeft ? (strung.Left, strung.Right) : (strung.Right, strung.Left);
        walk.Draw("line", RigMark.Line, most.Hung.TensionN, loaded: true, high, most.At, low);
        var foot = clearing.Drum is null ? high : walk.Scene.DrumAt(high.X);
        walk.NeedsRope(clearing.Line, "clearing.line", "loaded line", RigWalk.Along(foot, high, most.At, low));
        var (from, _) = WayOf(walk, strung, fly);
        walk.NeedsRope(
            clearing.Haul,
            "clearing.haul",
            "hauling line",
            RigWalk.Along(walk.Scene.Hauler, high, strung.At(from, strung.Under(from)))
        );
        walk.Zone(ZoneKind.UnderLoad, "under", "under the load and the line", strung.Left.X, strung.Right.X, 3);
        RigBands.Add(walk, "line", high, low);
        Clearance(walk, most, fly);
        if (fly.Crosses)
        {
            walk.Reasons.Stop(
                "rig-lines-cross",
                "Two loaded ropes cross: one saws through the other. Move one of them, or take it down first.",
                "clearing.fly.crosses"
            );
        }

        if (clearing.Carriage?.Metal == Metal.Alloy)
        {
            walk.Reasons.Check(
                "rig-alloy-hammered",
                "The carriage is of alloy: it is hammered at its stops and cracks without a sign. Take steel.",
                "clearing.carriage.metal"
            );
        }
    }

    private static void Clearance(RigWalk walk, Most most, FlyMembers fly)
    {
        if (most.LeastClear < 0)
        {
            walk.Reasons.Stop(
                "rig-load-touches",
                $"At {most.ClearAt:m} along the load hangs {-most.LeastClear:m} lower than ground or obstacle: raise the block, hang it shorter than {fly.HangM:m}, or let the line sag less.",
                "clearing.fly.hangM",
                null,
                ("atM", most.ClearAt),
                ("lacksM", -most.LeastClear)
            );
        }
        else if (most.LeastClear < Tight)
        {
            walk.Reasons.Check(
                "rig-load-near",
                $"At {most.ClearAt:m} along only {most.LeastClear:m} stay under the load: it swings and will touch.",
                "clearing.fly.hangM",
                null,
                ("atM", most.ClearAt),
                ("clearM", most.LeastClear)
            );
        }
    }

    /// <summary>The least sag, as a share of the span, at which the line carries no more than it may.</summary>
    private static double? LeastSag(RigWalk walk, Strung strung)
    {
        if (walk.Links.FirstOrDefault(l => l.Id == "line") is not { } line)
        {
            return null;
        }

        var span = strung.Line.SpanM;
        var (low, high) = (0.002, 0.5);
        for (var i = 0; i < 40; i++)
        {
            var middle = (low + high) / 2;
            var tension = HungLine.TensionAtMid(span, strung.Line.DropM, middle * span, strung.Weight);
            (low, high) = tension > line.AllowedValue ? (middle, high) : (low, middle);
        }

        return high < 0.499 ? high : null;
    }
}
