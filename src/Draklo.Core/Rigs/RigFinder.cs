using Draklo.Core.Catalogue;
using Draklo.Core.Gear;
using Draklo.Core.Plans;
using Draklo.Core.Strength;
using Draklo.Core.Tackle;
using Draklo.Core.Units;

namespace Draklo.Core.Rigs;

/// <summary>A rig that was tried, with what became of it.</summary>
/// <param name="Margin">The least over all links of what may be carried over what is: over 1 holds, and under 0.8 of its inverse is more than tight.</param>
/// <param name="Pieces">Ropes, blocks, grips and slings in it.</param>
/// <param name="Why">What limits it, or what fails first.</param>
/// <param name="Line">The main line as it would stand in the plan.</param>
public sealed record FoundRig(
    bool Holds, double Margin, double HandForceN, double TensionN, int Pieces, int Sets, double RopeUsedM, string Words, string Why, LineMembers Line);

/// <summary>What a search found.</summary>
/// <param name="Tried">Combinations reckoned.</param>
/// <param name="Holding">How many of them hold.</param>
/// <param name="Best">The ten best that hold, the best first.</param>
/// <param name="Next">The best of those that fail, with what fails.</param>
/// <param name="Advice">Where nothing holds: the single thing that would let something, or that none does.</param>
public sealed record FoundRigs(int Tried, int Holding, IReadOnlyList<FoundRig> Best, IReadOnlyList<FoundRig> Next, string? Advice);

/// <summary>From what is on the truck and stands on this site: the best way to pull this tree.</summary>
/// <remarks>
/// Method M21. Every combination of rope, seat knot, seat height, anchor, tackle, blocks and number of people is reckoned
/// by the full analysis without the site, ranked by whether all links hold, then the largest least margin, the fewest
/// pieces and the fewest resets. The order of the combinations decides between equals, so the same question has the same
/// answer.
/// </remarks>
public sealed class RigFinder
{
    public const int MostCombinations = 50_000;
    private const int Shown = 10;
    private const int SeatSteps = 8;

    private readonly Plan plan;
    private readonly List<Combination> combinations = [];
    private readonly List<AnchorMembers> anchors;
    private readonly List<GearItem> blocks;
    private readonly List<RopeMembers> ropes;
    private readonly TackleRopeMembers? tackleRope;

    private RigFinder(Plan plan, IReadOnlyList<GearItem> locker, DateOnly today)
    {
        this.plan = plan with { Site = new(), WalkUp = [], Readings = new(), Guesses = [] };
        anchors = AnchorsOf(plan);
        var usable = locker.Where(i => i.State == GearState.InService).OrderBy(i => i.Id, StringComparer.Ordinal).ToList();
        blocks = [.. usable.Where(i => i is { Kind: GearKind.Block, ContactId: not null } && Strength(i) is not null)];
        var owned = usable.Where(i => i is { Kind: GearKind.Rope, LengthM: not null, DiameterM: not null } && Strength(i) is not null).ToList();
        ropes = [.. owned.Where(i => i.DiameterM >= 0.012 || owned.All(o => o.DiameterM < 0.012)).Select(i => RopeOf(i, today))];
        tackleRope = owned.Where(i => ropes.Count == 0 || ropes.All(r => r.ItemId != i.Id)).OrderByDescending(i => Strength(i)).Select(i => TackleRopeOf(i, today)).FirstOrDefault();
        Enumerate();
    }

    public int Total => combinations.Count;

    /// <summary>A search, or why there is nothing to search in.</summary>
    public static (RigFinder? Finder, List<Problem> Problems) For(Plan plan, IReadOnlyList<GearItem> locker, DateOnly today, UnitSystem units)
    {
        var problems = PlanRules.Check(plan, units);
        if (problems.Count > 0)
        {
            return (null, problems);
        }

        var finder = new RigFinder(plan, locker, today);
        return finder.ropes.Count == 0 ? (null, [new("locker", "No rope in the locker is in service with its length, diameter and strength known: put one in, or bring one back.")])
            : finder.combinations.Count == 0 ? (null, [new("lines[0].seat.heightM", "No seat between the cut and the top is left to try: look at the tree's height and the stump's.")])
            : (finder, []);
    }

    /// <summary>Reckons every combination.</summary>
    /// <param name="progress">Told how many are done, often; from any thread.</param>
    /// <exception cref="OperationCanceledException">It was stopped.</exception>
    public FoundRigs Run(UnitSystem units, Action<int>? progress, CancellationToken cancellation)
    {
        var found = new FoundRig?[combinations.Count];
        var done = 0;
        Parallel.For(0, combinations.Count, new ParallelOptions { CancellationToken = cancellation }, i =>
        {
            found[i] = Try(combinations[i], units);
            var now = Interlocked.Increment(ref done);
            if (now % 64 == 0)
            {
                progress?.Invoke(now);
            }
        });
        progress?.Invoke(combinations.Count);

        var ranked = found.OfType<FoundRig>().Select((r, i) => (r, i)).OrderByDescending(x => x.r.Holds).ThenByDescending(x => Math.Round(x.r.Margin, 3)).ThenBy(x => x.r.Pieces).ThenBy(x => x.r.Sets).ThenBy(x => x.i).Select(x => x.r).ToList();
        var holding = ranked.Count(r => r.Holds);
        var best = Distinct(ranked.Where(r => r.Holds)).Take(Shown).ToList();
        var next = Distinct(ranked.Where(r => !r.Holds)).Take(3).ToList();
        return new(found.Length, holding, best, next, holding > 0 ? null : AdviceOf(next, units));
    }

    /// <summary>Ways of one tackle on one anchor with as many people are one way: the best rope, knot, blocks and seat stand for all, so that the ten differ.</summary>
    private static IEnumerable<FoundRig> Distinct(IEnumerable<FoundRig> rigs) =>
        rigs.DistinctBy(r => (r.Line.Anchor.BearingDeg, r.Line.Anchor.DistanceM, r.Line.Tackle.SystemId, r.Line.Puller.Count));

    private void Enumerate()
    {
        var lowest = plan.Cut.StumpHeightM + (0.3 * plan.Tree.HeightM);
        var highest = 0.85 * plan.Tree.HeightM;
        var knots = new[] { "running-bowline", "figure-eight-loop", "eye-splice" };
        var systems = TackleSystems.All.Where(s => s.InLine || tackleRope is not null).ToList();
        var people = plan.Lines[0].Puller.Kind == PullerKind.People ? plan.Lines[0].Puller.Count : 1;
        for (var rope = 0; rope < ropes.Count; rope++)
        {
            for (var anchor = 0; anchor < anchors.Count; anchor++)
            {
                foreach (var system in systems)
                {
                    var with = blocks.Count == 0 || system.Id == "direct" ? 1 : blocks.Count;
                    for (var block = 0; block < with; block++)
                    {
                        for (var crew = 1; crew <= people; crew++)
                        {
                            foreach (var knot in knots)
                            {
                                for (var s = 0; s < SeatSteps && combinations.Count < MostCombinations; s++)
                                {
                                    combinations.Add(new(rope, anchor, system.Id, block, crew, knot, Math.Round(lowest + ((highest - lowest) * s / (SeatSteps - 1)), 1)));
                                }
                            }
                        }
                    }
                }
            }
        }
    }

    private FoundRig? Try(Combination c, UnitSystem units)
    {
        var now = plan.Lines[0];
        var system = TackleSystems.Find(c.SystemId)!;
        var block = blocks.Count > 0 ? blocks[c.Block] : null;
        var line = now with
        {
            Redirects = [],
            Joined = null,
            Seat = new() { HeightM = c.Seat },
            Tie = TieKind.Tip,
            Anchor = anchors[c.Anchor],
            Rope = ropes[c.Rope],
            KnotId = c.KnotId,
            Tackle = now.Tackle with
            {
                SystemId = c.SystemId,
                ContactId = block?.ContactId ?? now.Tackle.ContactId,
                HardwareStrengthN = block is null ? now.Tackle.HardwareStrengthN : Strength(block),
                HardwareItemId = system.Id == "direct" ? null : block?.Id,
                SheaveDiameterM = block?.DiameterM,
                Rope = system.InLine ? null : tackleRope,
            },
            Puller = now.Puller.Kind == PullerKind.People ? now.Puller with { Count = c.Crew, Place = null } : now.Puller,
        };
        var outcome = PlanAnalysis.Of(plan with { Lines = [line, .. plan.Lines.Skip(1)] }, units, withWorkings: false);
        if (outcome.Analysis is not { } analysis || Lines.RopeNeeded.Owned(line) < analysis.Pull.Lines[0].RopeNeededM)
        {
            return null;
        }

        var worst = analysis.Links.MaxBy(Use)!;
        var holds = analysis.Links.All(l => l.State != LinkState.Fails) && !analysis.Pretension.Empty && analysis.Hinge.WorstSideUse <= 1;
        var result = analysis.Pull.Lines[0];
        var own = system.InLine ? 0 : 1;
        return new(
            holds,
            1 / Math.Max(Use(worst), 1e-6),
            result.Tackle.HandForceN,
            result.TensionN,
            1 + own + (system.Id == "direct" ? 0 : system.HardwarePoints.Count) + (line.Anchor.Sling is null ? 0 : 1),
            result.Tackle.Sets.Sets,
            result.RopeNeededM,
            units.Say($"{Lower(system.Name)}, seat {c.Seat:m}, {(string.IsNullOrWhiteSpace(line.Anchor.Name) ? "anchor" : line.Anchor.Name)} at {line.Anchor.DistanceM:m}"),
            holds ? $"least margin at: {Lower(worst.Name)}" : analysis.Pretension.Empty ? "no pre-tension fits between sitting back and splitting" : $"{Lower(worst.Name)} fails",
            line);

        // A worst load over the strength fails whatever the plan asks; its use is then that.
        static double Use(Link link) => link.Slips ? link.Use : Math.Max(link.Use, link.WorstLoadN / link.StrengthN);
    }

    private string AdviceOf(List<FoundRig> next, UnitSystem units)
    {
        if (next.Count == 0)
        {
            var longest = ropes.Max(r => r.LengthM);
            return units.Say($"No rope is long enough for any of it: the longest is {longest:m}. Join two, bring a longer one, or find an anchor nearer.");
        }

        var wanted = plan with { Lines = [next[0].Line, .. plan.Lines.Skip(1)] };
        var failing = PlanAnalysis.Of(wanted, units, withWorkings: false).Analysis!.Links.Where(l => l.State == LinkState.Fails).OrderByDescending(l => l.Use).ToList();
        foreach (var link in failing)
        {
            if (Remedies.For(wanted, link.Id, units).Remedies is { Count: > 0 } remedies && remedies[0].StillFails == 0)
            {
                return $"Nothing here holds. One thing would let it: {char.ToLowerInvariant(remedies[0].Text[0])}{remedies[0].Text[1..]}, with {next[0].Words}.";
            }
        }

        return $"Nothing here holds, and no single change would let it. Nearest: {next[0].Words}; {next[0].Why}.";
    }

    /// <summary>Every anchor that the plan knows, with what it holds.</summary>
    private static List<AnchorMembers> AnchorsOf(Plan plan) =>
        [.. plan.Lines.SelectMany(l => l.Redirects.Select(r => r.At).Prepend(l.Anchor))
            .Where(a => Math.Abs(Geometry.Angle.Between(plan.Lay.BearingDeg, a.BearingDeg)) < 60)
            .DistinctBy(a => (a.DistanceM, a.BearingDeg))];

    private static double? Strength(GearItem item) => GearStrength.Of(item, UnitSystem.Metric).Newtons;

    private static RopeMembers RopeOf(GearItem item, DateOnly today) => new()
    {
        BreakingStrengthN = Strength(item)!.Value,
        LengthM = item.LengthM!.Value,
        DiameterM = item.DiameterM!.Value,
        StretchAtTenPercent = item.StretchAtTenPercent ?? (item.ConstructionId is { } made && Reference.Constructions.TryGetValue(made, out var table) ? table.StretchAtTenPercent : 0.03),
        ConstructionId = item.ConstructionId,
        Wear = WearOf(item, today),
        ItemId = item.Id,
    };

    private static TackleRopeMembers TackleRopeOf(GearItem item, DateOnly today) => new()
    {
        BreakingStrengthN = Strength(item)!.Value, DiameterM = item.DiameterM!.Value, LengthM = item.LengthM, ConstructionId = item.ConstructionId, EndKnotId = "bowline", Wear = WearOf(item, today), ItemId = item.Id,
    };

    private static WearMembers? WearOf(GearItem item, DateOnly today) => GearFlags.AgeYears(item, today) is { } years || item.Keeps is not null
        ? new() { AgeYears = GearFlags.AgeYears(item, today) is { } age ? Math.Clamp(Math.Round(age, 1), 0, 40) : null, Keeps = item.Keeps } : null;

    private static string Lower(string name) => name.Length == 0 ? name : char.ToLowerInvariant(name[0]) + name[1..];

    private readonly record struct Combination(int Rope, int Anchor, string SystemId, int Block, int Crew, string KnotId, double Seat);
}
