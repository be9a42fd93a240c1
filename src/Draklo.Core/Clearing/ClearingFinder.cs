using Draklo.Core.Gear;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Studies;
using Draklo.Core.Units;

namespace Draklo.Core.Clearing;

/// <summary>A set of pieces of the locker for the chosen way.</summary>
/// <param name="Names">What is taken, in words.</param>
/// <param name="Changes">The same as changes of the plan.</param>
/// <param name="Use">The highest use of any link then.</param>
/// <param name="WeakestName">The link that it belongs to.</param>
/// <param name="Holds">Whether every link holds.</param>
public sealed record FoundGear(
    IReadOnlyList<string> Names,
    IReadOnlyList<Change> Changes,
    double Use,
    string WeakestName,
    bool Holds
);

/// <summary>Which ropes, blocks and slings of the locker the chosen way holds with.</summary>
/// <remarks>
/// Method M21, for a way of clearing: every combination of the ropes and blocks that are in service, checked whole; ranked
/// by whether all links hold, the least use, and the lighter rope.
/// </remarks>
public static class ClearingFinder
{
    private const int Shown = 10;
    private const int MostOfAKind = 12;
    private const double LeastRope = 0.008;

    public static (IReadOnlyList<FoundGear>? Found, List<Problem> Problems) For(
        Plan plan,
        IReadOnlyList<GearItem> locker,
        DateOnly today,
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
        if (way.Lacks(scene) is { Length: > 0 } lacks)
        {
            problems.Add(new("clearing.way", lacks));
            return (null, problems);
        }

        var clearing = scene.Clearing;
        var ropes = Ropes(locker, today, units);
        var blocks = Blocks(locker, units);
        var (carries, hauls) = (way.Uses(WayPart.Line), way.Uses(WayPart.Haul));
        var block = clearing.High is not null && way.Uses(WayPart.Block);
        var found = new List<FoundGear>();
        foreach (var line in carries ? ropes : [null])
        {
            foreach (var haul in hauls ? ropes : [null])
            {
                if (line is not null && haul is not null && line.Item.Id == haul.Item.Id && line.Item.Count < 2)
                {
                    continue;
                }

                foreach (var up in block ? blocks : [null])
                {
                    cancellation.ThrowIfCancellationRequested();
                    if (Tried(way, scene, line, haul, up) is { } set)
                    {
                        found.Add(set);
                    }
                }
            }
        }

        return ([.. found.OrderByDescending(f => f.Holds).ThenBy(f => f.Use).Take(Shown)], problems);
    }

    private sealed record RopeOf(GearItem Item, RopeMembers Rope);

    private sealed record BlockOf(GearItem Item, double StrengthN);

    private static List<RopeOf?> Ropes(IReadOnlyList<GearItem> locker, DateOnly today, UnitSystem units) =>
        [
            .. locker
                .Where(i => i is { Kind: GearKind.Rope, LengthM: not null, DiameterM: >= LeastRope } && InService(i))
                .Where(i => GearStrength.Of(i, units).Newtons is >= 500)
                .OrderByDescending(i => GearStrength.Of(i, units).Newtons)
                .Take(MostOfAKind)
                .Select(i => new RopeOf(i, RigParts.RopeOf(i, today))),
        ];

    private static List<BlockOf?> Blocks(IReadOnlyList<GearItem> locker, UnitSystem units)
    {
        List<BlockOf?> blocks =
        [
            .. locker
                .Where(i => i.Kind == GearKind.Block && InService(i))
                .Select(i => (Item: i, Strength: GearStrength.Of(i, units).Newtons))
                .Where(i => i.Strength is >= 500)
                .OrderByDescending(i => i.Strength)
                .Take(MostOfAKind)
                .Select(i => new BlockOf(i.Item, i.Strength!.Value)),
        ];
        return blocks.Count > 0 ? blocks : [null];
    }

    private static bool InService(GearItem item) => item.State == GearState.InService;

    private static FoundGear? Tried(Way way, ClearingScene scene, RopeOf? line, RopeOf? haul, BlockOf? up)
    {
        var clearing = scene.Clearing;
        var names = new List<string>(3);
        var changes = new List<Change>(4);
        if (line is not null)
        {
            clearing = clearing with { Line = line.Rope };
            names.Add($"{line.Item.Name} carries");
            changes.Add(new("clearing.line", line.Rope));
        }

        if (haul is not null)
        {
            clearing = clearing with { Haul = haul.Rope };
            names.Add($"{haul.Item.Name} hauls");
            changes.Add(new("clearing.haul", haul.Rope));
        }

        if (up is not null && clearing.High is { } high)
        {
            var block = (high.Block ?? new()) with
            {
                StrengthN = up.StrengthN,
                ContactId = up.Item.ContactId ?? high.Block?.ContactId ?? "bushed-block",
                ItemId = up.Item.Id,
            };
            clearing = clearing with { High = high with { Block = block } };
            names.Add($"{up.Item.Name} up high");
            changes.Add(new("clearing.high.block", block));
        }

        var walk = new RigWalk(new(scene.Plan, clearing, scene.Units), default);
        way.Walk(walk);
        return walk.Links.MaxBy(l => l.Use) is { } weakest
            ? new(names, changes, weakest.Use, weakest.Name, walk.Links.All(l => l.State != LinkState.Fails))
            : null;
    }
}
