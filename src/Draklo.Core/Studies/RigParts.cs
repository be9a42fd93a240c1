using Draklo.Core.Catalogue;
using Draklo.Core.Gear;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using Draklo.Core.Units;

namespace Draklo.Core.Studies;

/// <summary>
/// Blocks of the locker: one item, or as many of a kind as a tackle takes, with the strength and the sheave of the
/// least of them.
/// </summary>
internal sealed record BlockPart(string Id, string ContactId, double StrengthN, double? SheaveM, int Count);

/// <summary>All blocks that pass as much, the strongest first.</summary>
internal sealed record BlockKind(IReadOnlyList<BlockPart> Items)
{
    /// <summary>So many of them, the strongest; null when there are not as many.</summary>
    public BlockPart? Take(int count)
    {
        BlockPart? taken = null;
        foreach (var item in Items)
        {
            taken = taken is null
                ? item
                : taken with
                {
                    Count = taken.Count + item.Count,
                    StrengthN = item.StrengthN,
                    SheaveM = item.SheaveM < (taken.SheaveM ?? double.PositiveInfinity) ? item.SheaveM : taken.SheaveM,
                };
            if (taken.Count >= count)
            {
                return taken;
            }
        }

        return null;
    }

    /// <summary>The strongest that is left when so many are taken.</summary>
    public BlockPart? Left(int taken)
    {
        foreach (var item in Items)
        {
            if (item.Count > taken)
            {
                return item;
            }

            taken -= item.Count;
        }

        return null;
    }
}

/// <summary>A tackle and what it hangs on a line.</summary>
internal sealed record SystemPart(TackleSystem System, ComposedMembers? Own)
{
    /// <summary>Blocks that it takes: one at each point where rope turns at hardware.</summary>
    public int Blocks => System.HardwarePoints.Count;
}

/// <summary>What a tackle is rove in.</summary>
internal enum Roving
{
    /// <summary>The pull line's own tail.</summary>
    Line,

    /// <summary>A rope kept for tackles.</summary>
    TackleRope,

    /// <summary>The strongest rope of all, where that is another.</summary>
    AnyRope,
}

/// <summary>Who or what hauls.</summary>
/// <param name="Turns">Turns on a drum before the rope; 0 for none.</param>
internal sealed record HaulerPart(PullerMembers Puller, int Turns);

/// <summary>What is on the truck and can be used: in service, and known well enough to be used.</summary>
internal sealed class RigParts
{
    /// <summary>Thinner rope is for the tackle, as long as there is any thicker.</summary>
    private const double LeastLine = 0.012;

    private const int MostTurns = 5;

    public RigParts(Plan plan, IReadOnlyList<GearItem> locker, DateOnly today, RigAsk ask)
    {
        // What hangs on the other lines already is not there twice.
        var taken = GearOnPlan
            .Of(plan with { Lines = [.. plan.Lines.Skip(1)] })
            .Select(p => p.ItemId)
            .ToHashSet(StringComparer.Ordinal);
        var usable = locker
            .Where(i => i.State == GearState.InService && !taken.Contains(i.Id))
            .OrderBy(i => i.Id, StringComparer.Ordinal)
            .ToList();
        var owned = usable
            .Where(i => i is { Kind: GearKind.Rope, LengthM: not null, DiameterM: not null } && Strength(i) is not null)
            .ToList();
        Ropes =
        [
            .. owned
                .Where(i => i.DiameterM >= LeastLine || owned.All(o => o.DiameterM < LeastLine))
                .Select(i => RopeOf(i, today))
                .DistinctBy(r => r with { ItemId = null }),
        ];
        var strongest = owned.OrderByDescending(Strength).Select(i => TackleRopeOf(i, today)).ToList();
        TackleRopes = [.. strongest.Where(t => Ropes.All(r => r.ItemId != t.ItemId))];
        AnyRopes = strongest;
        Blocks =
        [
            .. usable
                .Where(i => i is { Kind: GearKind.Block, ContactId: not null } && Strength(i) is not null)
                .Select(i => new BlockPart(i.Id, i.ContactId!, Strength(i)!.Value, i.DiameterM, i.Count))
                .GroupBy(b => b.ContactId)
                .Select(g => new BlockKind([
                    .. g.OrderByDescending(b => b.StrengthN).ThenBy(b => b.Id, StringComparer.Ordinal),
                ]))
                .OrderBy(k => k.Items[0].ContactId, StringComparer.Ordinal),
        ];
        Systems =
        [
            .. TackleSystems.All.Select(s => new SystemPart(s, null)),
            .. ask
                .Tackles.Where(t => ComposerRules.Check(t).Count == 0)
                .Select(t => new SystemPart(Composer.SystemOf(t), t)),
        ];
        Haulers = HaulersOf(
            plan.Lines[0],
            ask,
            usable.Any(i => i.Kind == GearKind.Drum) || plan.Lines[0].Limiter is not null
        );
        var now = plan.Lines[0].KnotId;
        Knots =
        [
            now,
            .. Reference
                .Knots.Values.Where(k => k.Id != now && k.Use is "noose" or "end-loop" && k.After != "none")
                .OrderBy(k => k.KeepsLow)
                .ThenBy(k => k.Id, StringComparer.Ordinal)
                .Where(k => k.KeepsLow > Reference.Knots[now].KeepsLow)
                .DistinctBy(k => k.KeepsLow)
                .Select(k => k.Id),
        ];
    }

    /// <summary>For the line itself; those of the same figures stand once.</summary>
    public IReadOnlyList<RopeMembers> Ropes { get; private set; }

    /// <summary>For a tackle alone, being too thin for the line; the strongest first.</summary>
    private IReadOnlyList<TackleRopeMembers> TackleRopes { get; }

    /// <summary>All of them, the strongest first.</summary>
    private IReadOnlyList<TackleRopeMembers> AnyRopes { get; }

    /// <summary>By what passes at them; kinds are not mixed in one tackle.</summary>
    public IReadOnlyList<BlockKind> Blocks { get; }

    public IReadOnlyList<SystemPart> Systems { get; }

    public IReadOnlyList<HaulerPart> Haulers { get; private set; }

    /// <summary>
    /// Knots for the seat: the plan's own and each stronger one that can be tied on site; splices are made at home.
    /// </summary>
    public IReadOnlyList<string> Knots { get; }

    /// <summary>
    /// The rope that a tackle is rove in: the strongest of its kind that is long enough and does not hang in the line.
    /// Null for a tackle in the line itself, or without one.
    /// </summary>
    public TackleRopeMembers? TackleRope(Roving roving, double needed, RopeMembers line, RopeMembers? joined) =>
        roving switch
        {
            Roving.TackleRope => First(TackleRopes, needed, line, joined),
            Roving.AnyRope => First(AnyRopes, needed, line, joined) is { } any
            && any.ItemId != First(TackleRopes, needed, line, joined)?.ItemId
                ? any
                : null,
            _ => null,
        };

    private static TackleRopeMembers? First(
        IReadOnlyList<TackleRopeMembers> ropes,
        double needed,
        RopeMembers line,
        RopeMembers? joined
    )
    {
        foreach (var rope in ropes)
        {
            if (rope.LengthM >= needed && rope.ItemId != line.ItemId && rope.ItemId != joined?.ItemId)
            {
                return rope;
            }
        }

        return null;
    }

    /// <summary>A block for a redirect beside those of the tackle: the strongest that is left.</summary>
    /// <param name="kind">The tackle's blocks; null when it takes none.</param>
    public BlockPart? RedirectBlock(BlockKind? kind, int used)
    {
        BlockPart? best = null;
        foreach (var blocks in Blocks)
        {
            var left = blocks.Left(blocks == kind ? used : 0);
            best = left is not null && (best is null || left.StrengthN > best.StrengthN) ? left : best;
        }

        return best;
    }

    /// <summary>
    /// Leaves out ropes that two others beat or equal in strength and in length; two, for one may hang in the tackle or
    /// be joined.
    /// </summary>
    public void KeepBestRopes() =>
        Ropes = [
            .. Ropes.Where(rope =>
                Ropes.Count(other =>
                    other != rope
                    && Left(other) >= Left(rope)
                    && other.LengthM >= rope.LengthM
                    && (Left(other) > Left(rope) || other.LengthM > rope.LengthM)
                ) < 2
            ),
        ];

    /// <summary>Leaves out parts of the crew.</summary>
    public void KeepWholeCrew()
    {
        var most = Haulers
            .Where(h => h.Puller.Kind == PullerKind.People)
            .Select(h => h.Puller.Count)
            .DefaultIfEmpty()
            .Max();
        Haulers = [.. Haulers.Where(h => h.Puller.Kind != PullerKind.People || h.Puller.Count == most)];
    }

    /// <summary>Strength that wear and age leave, N.</summary>
    private static double Left(RopeMembers rope)
    {
        var reductions = new List<Reduction>();
        Wear.Add(rope.Wear, rope.ConstructionId, reductions);
        return reductions.Aggregate(rope.BreakingStrengthN, (strength, r) => strength * r.Keeps);
    }

    private static List<HaulerPart> HaulersOf(LineMembers line, RigAsk ask, bool drum)
    {
        var now = line.Puller;
        var found = new List<HaulerPart>();
        var people = ask.People ?? (now.Kind == PullerKind.People ? now.Count : 0);
        for (var n = 1; n <= people; n++)
        {
            found.Add(
                new(
                    now with
                    {
                        Kind = PullerKind.People,
                        Count = n,
                        Place = now.Kind == PullerKind.People ? now.Place : null,
                    },
                    0
                )
            );
        }

        if (now.Kind != PullerKind.People)
        {
            found.Add(new(now, 0));
            for (var turns = 1; drum && turns <= MostTurns && now.Kind != PullerKind.HandWinch; turns++)
            {
                found.Add(new(now, turns));
            }
        }

        return found;
    }

    private static double? Strength(GearItem item) => GearStrength.Of(item, UnitSystem.Metric).Newtons;

    internal static RopeMembers RopeOf(GearItem item, DateOnly today) =>
        new()
        {
            BreakingStrengthN = Strength(item)!.Value,
            LengthM = item.LengthM!.Value,
            DiameterM = item.DiameterM!.Value,
            StretchAtTenPercent =
                item.StretchAtTenPercent
                ?? (
                    item.ConstructionId is { } made && Reference.Constructions.TryGetValue(made, out var table)
                        ? table.StretchAtTenPercent
                        : 0.03
                ),
            ConstructionId = item.ConstructionId,
            Wear = WearOf(item, today),
            ItemId = item.Id,
        };

    private static TackleRopeMembers TackleRopeOf(GearItem item, DateOnly today) =>
        new()
        {
            BreakingStrengthN = Strength(item)!.Value,
            DiameterM = item.DiameterM!.Value,
            LengthM = item.LengthM,
            ConstructionId = item.ConstructionId,
            EndKnotId = "bowline",
            Wear = WearOf(item, today),
            ItemId = item.Id,
        };

    private static WearMembers? WearOf(GearItem item, DateOnly today) =>
        GearFlags.AgeYears(item, today) is { } years || item.Keeps is not null
            ? new()
            {
                AgeYears = GearFlags.AgeYears(item, today) is { } age ? Math.Clamp(Math.Round(age, 1), 0, 40) : null,
                Keeps = item.Keeps,
            }
            : null;
}
