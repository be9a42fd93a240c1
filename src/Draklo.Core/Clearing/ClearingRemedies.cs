using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Clearing;

/// <summary>One change that would make a way hold.</summary>
/// <param name="Text">What to do, in the reader's units.</param>
/// <param name="Changes">The same as changes of the plan.</param>
/// <param name="Use">The highest use of any link then, of what can break or give way.</param>
/// <param name="Holds">Whether every link holds then.</param>
public sealed record ClearingRemedy(string Text, IReadOnlyList<Change> Changes, double Use, bool Holds);

/// <summary>What would make the chosen way hold: the least change of each kind, each tried on the whole way.</summary>
public static class ClearingRemedies
{
    private static readonly double[] Strengths = [20e3, 30e3, 40e3, 50e3, 60e3, 80e3, 100e3, 150e3];

    /// <summary>Those that make all links hold first, then by what they leave to spare.</summary>
    public static (IReadOnlyList<ClearingRemedy>? Remedies, List<Problem> Problems) For(
        Plan plan,
        UnitSystem units,
        CancellationToken cancellation = default
    )
    {
        var (scene, problems) = ClearingAnalysis.SceneOf(plan, units, locker: null);
        if (scene is null)
        {
            return (null, problems);
        }

        var way = Way.Of(scene.Clearing.Way);
        if (way.Lacks(scene).Length > 0 || UseOf(way, scene) is not { } now || now.Holds)
        {
            return ([], problems);
        }

        var found = new List<ClearingRemedy>();
        foreach (var kind in Kinds(scene).Concat(way.OwnTrials(scene)))
        {
            ClearingRemedy? best = null;
            foreach (var trial in kind)
            {
                cancellation.ThrowIfCancellationRequested();
                var tried = scene with { Clearing = trial.Clearing };
                if (UseOf(way, new(tried.Plan, tried.Clearing, units)) is { } then && then.Use < now.Use - 0.01)
                {
                    best = new(trial.Text, trial.Changes, then.Use, then.Holds);
                    if (then.Holds)
                    {
                        break;
                    }
                }
            }

            if (best is not null)
            {
                found.Add(best);
            }
        }

        return ([.. found.OrderByDescending(r => r.Holds).ThenBy(r => r.Use)], problems);
    }

    /// <summary>The highest use, and whether all links hold; null where the way cannot be walked.</summary>
    internal static (double Use, bool Holds)? UseOf(Way way, ClearingScene scene)
    {
        var walk = new RigWalk(scene, default);
        way.Walk(walk);
        if (walk.Links.Count == 0)
        {
            return null;
        }

        return (walk.Links.Max(l => l.Use), walk.Links.All(l => l.State != LinkState.Fails));
    }

    private static IEnumerable<IEnumerable<WayTrial>> Kinds(ClearingScene scene)
    {
        yield return Guy(scene);
        yield return Halved(scene);
        yield return Stronger(
            scene.Clearing.Line,
            "clearing.line",
            "loaded line",
            r => scene.Clearing with { Line = r },
            scene.Units
        );
        yield return Stronger(
            scene.Clearing.Haul,
            "clearing.haul",
            "hauling line",
            r => scene.Clearing with { Haul = r },
            scene.Units
        );
        yield return MorePeople(scene);
        yield return LowerBlock(scene);
    }

    /// <summary>A guy straight behind, at a slope of 40°, on rope as strong as the loaded line.</summary>
    private static IEnumerable<WayTrial> Guy(ClearingScene scene)
    {
        var clearing = scene.Clearing;
        if (clearing is not { High: { Guy: null } high } || (clearing.Line ?? clearing.Haul) is not { } rope)
        {
            yield break;
        }

        var away = Math.Round(high.BlockHeightM * 1.2, 1);
        var at = high.AtM + (PulledTo(scene) > 0 ? -away : away);
        if (at < 0)
        {
            yield break;
        }

        var guy = new GuyMembers
        {
            Anchor = new() { AtM = at, HeightM = 0.3 },
            Rope = rope with { ItemId = null },
        };
        yield return new(
            scene.Units.Say($"Hang a guy straight behind, to an anchor {away:m} from its foot"),
            clearing with
            {
                High = high with { Guy = guy },
            },
            [new("clearing.high.guy", guy)]
        );
    }

    /// <summary>To which side the way pulls the high point: 1 to the right.</summary>
    private static int PulledTo(ClearingScene scene)
    {
        var high = scene.Clearing.High!.AtM;
        var load = scene.Clearing.Low?.AtM ?? scene.Pieces.Select(p => p.AtM).DefaultIfEmpty(high + 1).Average();
        return load >= high ? 1 : -1;
    }

    /// <summary>The heaviest pieces cut in two; those of the own stem by a mark more.</summary>
    private static IEnumerable<WayTrial> Halved(ClearingScene scene)
    {
        var (clearing, heaviest) = (scene.Clearing, scene.Heaviest);
        if (heaviest is null)
        {
            yield break;
        }

        if (heaviest.FromM is { } from)
        {
            double[] marks = [.. clearing.StemCutsM.Append(from + (heaviest.LengthM / 2)).Order()];
            yield return new(
                $"Cut {heaviest.Name.Uncapitalised()} in two",
                clearing with
                {
                    StemCutsM = marks,
                },
                [new("clearing.stemCutsM", marks)]
            );
            yield break;
        }

        PieceMembers[] pieces = [.. clearing.Pieces.Select(p => p.Id == heaviest.Id ? Half(p) : p)];
        yield return new(
            $"Cut each {heaviest.Name.Uncapitalised()} in two",
            clearing with
            {
                Pieces = pieces,
            },
            [new("clearing.pieces", pieces)]
        );
    }

    private static PieceMembers Half(PieceMembers piece) =>
        piece with
        {
            Count = Math.Min(500, piece.Count * 2),
            LengthM = piece.LengthM / 2,
            MassKg = piece.MassKg / 2,
        };

    private static IEnumerable<WayTrial> Stronger(
        RopeMembers? rope,
        string path,
        string name,
        Func<RopeMembers, ClearingMembers> put,
        UnitSystem units
    ) =>
        rope is null
            ? []
            : Strengths
                .Where(s => s > rope.BreakingStrengthN)
                .Select(s => new WayTrial(
                    units.Say($"Take a {name} that breaks at {s:N}"),
                    put(rope with { BreakingStrengthN = s, ItemId = null }),
                    [new($"{path}.breakingStrengthN", s), new($"{path}.itemId", null)]
                ));

    private static IEnumerable<WayTrial> MorePeople(ClearingScene scene)
    {
        var (clearing, hauler) = (scene.Clearing, scene.Clearing.Hauler);
        for (var n = hauler.Count + 1; hauler.Kind == PullerKind.People && n <= Math.Min(20, hauler.Count + 4); n++)
        {
            yield return new(
                $"Put {Sentences.Count(n)} people on the hauling line",
                clearing with
                {
                    Hauler = hauler with { Count = n },
                },
                [new("clearing.hauler.count", n)]
            );
        }
    }

    private static IEnumerable<WayTrial> LowerBlock(ClearingScene scene)
    {
        if (scene.Clearing is not { High: { } high })
        {
            yield break;
        }

        for (var h = Math.Floor(high.BlockHeightM - 0.5); h >= 3; h--)
        {
            yield return new(
                scene.Units.Say($"Hang the block lower, at {h:m}"),
                scene.Clearing with
                {
                    High = high with { BlockHeightM = h },
                },
                [new("clearing.high.blockHeightM", h)]
            );
        }
    }
}
