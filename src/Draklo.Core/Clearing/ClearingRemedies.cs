using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Clearing;

/// <summary>One change that would make a way hold.</summary>
/// <param name="Text">What to do, in the reader's units.</param>
/// <param name="Changes">The same as changes of the plan.</param>
/// <param name="Use">The highest use of any link then, of what can break or give way.</param>
/// <param name="Holds">Whether nothing stops the way then.</param>
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
        var (scene, problems) = ClearingAnalysis.SceneOf(plan, units, yard: null);
        if (scene is null)
        {
            return (null, problems);
        }

        var way = Way.Of(scene.Clearing.Way);
        if (way.Lacks(scene).Length > 0)
        {
            return ([], problems);
        }

        var now = ClearingAnalysis.Result(way, scene);
        if (now.State != VerdictState.Stop)
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
                var then = ClearingAnalysis.Result(way, new(scene.Plan, trial.Clearing, units));
                if (Betters(then, now))
                {
                    best = new(trial.Text, trial.Changes, MostUse(then), then.State != VerdictState.Stop);
                    if (best.Holds)
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

    private static double MostUse(WayResult way) => way.Links.Select(l => l.Use).DefaultIfEmpty(0).Max();

    /// <summary>Fewer stops, or links with more to spare; no stop that was not there and none that became worse.</summary>
    private static bool Betters(WayResult then, WayResult now)
    {
        var (stops, before) = (StopsOf(then), StopsOf(now));
        if (stops.Any(s => !before.TryGetValue(s.Key, out var was) || s.Value > was + Near))
        {
            return false;
        }

        var fails = now.Links.Any(l => l.State == LinkState.Fails);
        return stops.Count < before.Count || (fails && MostUse(then) < MostUse(now) - 0.01);
    }

    private const double Near = 1e-3;

    /// <summary>What stops a way, each with how much it lacks, where it says so: a load's way over the ground, metres.</summary>
    private static Dictionary<string, double> StopsOf(WayResult way) =>
        way
            .Reasons.Where(r => r.State == VerdictState.Stop)
            .GroupBy(r => $"{r.Code} {r.Path} {r.LinkId}", StringComparer.Ordinal)
            .ToDictionary(g => g.Key, g => g.Max(r => r.Values.GetValueOrDefault("lacksM")), StringComparer.Ordinal);

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
        yield return MovedBlock(scene, -1, 3);
        yield return MovedBlock(scene, 1, 30);
        yield return MoreTurns(scene);
    }

    private static IEnumerable<WayTrial> MoreTurns(ClearingScene scene)
    {
        var drum = scene.Clearing.Drum;
        for (var n = (drum?.Turns.Turns ?? 0) + 1; drum is not null && n <= Limiter.MostTurns; n++)
        {
            yield return new(
                $"Put {Sentences.Count(n)} turns on the drum",
                scene.Clearing with
                {
                    Drum = drum with { Turns = drum.Turns with { Turns = n } },
                },
                [new("clearing.drum.turns.turns", n)]
            );
        }
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

    /// <param name="step">Metres, downward or upward.</param>
    /// <param name="last">Metres over the ground.</param>
    private static IEnumerable<WayTrial> MovedBlock(ClearingScene scene, double step, double last)
    {
        if (scene.Clearing is not { High: { } high })
        {
            yield break;
        }

        var first = step < 0 ? Math.Floor(high.BlockHeightM - 0.5) : Math.Ceiling(high.BlockHeightM + 0.5);
        for (var h = first; step < 0 ? h >= last : h <= Math.Min(last, high.Stem.HeightM); h += step)
        {
            yield return new(
                scene.Units.Say($"Hang the block {(step < 0 ? "lower" : "higher")}, at {h:m}"),
                scene.Clearing with
                {
                    High = high with { BlockHeightM = h },
                },
                [new("clearing.high.blockHeightM", h)]
            );
        }
    }
}
