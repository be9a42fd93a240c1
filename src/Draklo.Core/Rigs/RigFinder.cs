using Draklo.Core.Catalogue;
using Draklo.Core.Gear;
using Draklo.Core.Geometry;
using Draklo.Core.Hinges;
using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Strength;
using Draklo.Core.Tackle;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Rigs;

/// <summary>From what is on the truck and stands on this site: the best way to pull this tree.</summary>
/// <remarks>
/// Method M21. Every combination of anchor, redirect, seat height, rope or two joined, seat knot, tackle in the line or of
/// its own, blocks, people or machine and turns on a drum that fits by length and count is reckoned as the analysis
/// reckons it, and ranked by whether all links hold, what is not known, the largest least margin, the fewest pieces and
/// the fewest resets. The ten best are then analysed whole. The order of the combinations decides between equals, so the
/// same question has the same answer.
/// </remarks>
public sealed class RigFinder
{
    public const int MostCombinations = 50_000;
    private const int Shown = 10;
    private const int ShownFailing = 3;

    /// <summary>Whole analyses spent at most on finding the ten; each way is tried once.</summary>
    private const int MostWhole = 120;
    private const int SeatSteps = 8;
    private const double WidestOff = 60;
    private const double Most = 1e6;

    private readonly Plan plan;
    private readonly UnitSystem units;
    private readonly PlanContext standing;
    private readonly RigParts parts;
    private readonly AnchorMembers[] anchors;
    private readonly List<Way> ways = [];
    private readonly List<Combination> combinations = [];
    private readonly List<string> leftOut = [];
    private double shortest = double.PositiveInfinity;

    private RigFinder(Plan plan, IReadOnlyList<GearItem> locker, DateOnly today, UnitSystem units, RigAsk ask)
    {
        this.plan = plan;
        this.units = units;
        var bare = plan with { Site = new(), WalkUp = [], Readings = new(), Guesses = [] };
        var lay = new LayFrame(plan.Lay.BearingDeg);
        var hinge = Hinge.From(plan.Cut, plan.Tree, null);
        var tree = StandingTree.From(plan.Tree, hinge, lay, plan.Cut.StumpHeightM, null);
        standing = new(bare, units, null, lay, hinge, tree, WindLoad.On(tree, plan.Tree.Crown, plan.Wind, lay, null));
        parts = new(plan, locker, today, ask);
        anchors = [.. plan.Lines.SelectMany(l => l.Redirects.Select(r => r.At).Prepend(l.Anchor)).DistinctBy(a => (a.DistanceM, a.BearingDeg))];
        Enumerate();
    }

    /// <summary>Combinations that fit.</summary>
    public int Total => combinations.Count;

    /// <summary>A search, or why there is nothing to search in.</summary>
    public static (RigFinder? Finder, List<Problem> Problems) For(Plan plan, IReadOnlyList<GearItem> locker, DateOnly today, UnitSystem units, RigAsk? ask = null)
    {
        var problems = PlanAnalysis.Of(plan, units, withWorkings: false).Problems.ToList();
        if (ask?.People is < 0 or > 20)
        {
            problems.Add(new("people", $"Say how many people haul, 0 to 20, not {ask.People}."));
        }

        if (problems.Count > 0)
        {
            return (null, problems);
        }

        var finder = new RigFinder(plan, locker, today, units, ask ?? RigAsk.Plain);
        return finder.parts.Ropes.Count == 0 ? (null, [new("locker", "No rope in the locker is in service with its length, diameter and strength known: put one in, or bring one back.")])
            : finder.parts.Haulers.Count == 0 ? (null, [new("people", "Nobody is there to haul: say how many people, or give the plan a machine.")])
            : finder.ways.Count == 0 ? (null, [new("lines[0].seat.heightM", "From no seat between the cut and the top does a line to any anchor tip this tree: look at the anchors, the lay and the tree's height.")])
            : (finder, []);
    }

    /// <summary>Reckons every combination.</summary>
    /// <param name="progress">Told how many are done, often; from any thread.</param>
    /// <exception cref="OperationCanceledException">It was stopped.</exception>
    public FoundRigs Run(Action<int>? progress, CancellationToken cancellation)
    {
        var tried = new Tried[combinations.Count];
        var done = 0;
        Cores.Share(
            tried.Length,
            64,
            (from, to) =>
            {
                for (var i = from; i < to; i++)
                {
                    tried[i] = Try(combinations[i]);
                }

                progress?.Invoke(Interlocked.Add(ref done, to - from));
            },
            cancellation);
        var ranked = Enumerable.Range(0, tried.Length).OrderByDescending(i => tried[i].Holds).ThenBy(i => tried[i].Unknown).ThenByDescending(i => Math.Round(tried[i].Margin, 3)).ThenBy(i => tried[i].Pieces).ThenBy(i => tried[i].Sets).ThenBy(i => i).ToArray();
        var best = new List<FoundRig>();
        var next = new List<FoundRig>();
        var seen = new HashSet<(int, int, int, bool, int)>();
        var reasons = new HashSet<string>(StringComparer.Ordinal);
        var whole = 0;
        foreach (var i in ranked)
        {
            var c = combinations[i];
            var wanted = tried[i].Holds ? best.Count < Shown : next.Count < ShownFailing && tried[i].Margin > 0 && !reasons.Contains(tried[i].Fails ?? "");
            if (!wanted || whole >= MostWhole || (tried[i].Holds && !seen.Add((ways[c.Way].Anchor, ways[c.Way].Over, c.System, c.Roving == Roving.Line, c.Hauler))))
            {
                continue;
            }

            whole++;
            var rig = Whole(c, tried[i]);
            if (rig.Holds)
            {
                best.Add(rig);
            }
            else if (next.Count < ShownFailing && reasons.Add(tried[i].Fails ?? rig.Why))
            {
                next.Add(rig);
            }
        }

        var holding = tried.Count(t => t.Holds);
        return new(tried.Length, holding, best, next, leftOut.Count > 0 ? string.Join(" ", leftOut) : null, best.Count > 0 ? null : AdviceOf(tried, ranked));
    }

    /// <summary>The combinations that fit, thinned step by step until they are not too many; what was left out is said.</summary>
    private void Enumerate()
    {
        (int Seats, Action? Thin, string? Says)[] steps =
        [
            (SeatSteps, null, null),
            (5, null, "So much fits that seats were tried at five heights beside the plan's own."),
            (5, parts.KeepBestRopes, "Ropes that two others here beat in strength and in length were left out."),
            (3, null, "So much fits that seats were tried at three heights beside the plan's own."),
            (3, parts.KeepWholeCrew, "The whole crew hauls in all of them."),
        ];
        foreach (var (seats, thin, says) in steps)
        {
            thin?.Invoke();
            leftOut.RemoveAll(said => says is not null && said.Contains("seats were tried", StringComparison.Ordinal) && says.Contains("seats were tried", StringComparison.Ordinal));
            leftOut.AddRange(says is null ? [] : [says]);
            ways.Clear();
            combinations.Clear();
            AddWays(seats);
            if (AddCombinations())
            {
                return;
            }
        }

        leftOut.Add($"Still more than {MostCombinations:N0} fit; the first {MostCombinations:N0} were tried.");
    }

    /// <summary>Where lines could run: from each seat to each anchor, straight or over another.</summary>
    private void AddWays(int steps)
    {
        var lowest = plan.Cut.StumpHeightM + (0.3 * plan.Tree.HeightM);
        var highest = 0.85 * plan.Tree.HeightM;
        var now = plan.Lines[0];
        var seats = Enumerable.Range(0, steps).Select(s => Math.Round(lowest + ((highest - lowest) * s / (steps - 1)), 1)).Where(s => Math.Abs(s - now.Seat.HeightM) > 0.2).Select(s => new SeatMembers { HeightM = s }).Prepend(now.Seat);
        foreach (var seat in seats)
        {
            for (var anchor = 0; anchor < anchors.Length; anchor++)
            {
                for (var over = -1; over < anchors.Length; over++)
                {
                    var first = over < 0 ? anchors[anchor] : anchors[over];
                    if (over != anchor && Math.Abs(Angle.Between(plan.Lay.BearingDeg, first.BearingDeg)) < WidestOff)
                    {
                        AddWay(seat, anchor, over);
                    }
                }
            }
        }
    }

    private void AddWay(SeatMembers seat, int anchor, int over)
    {
        var line = plan.Lines[0] with
        {
            Seat = seat,
            Tie = seat == plan.Lines[0].Seat ? plan.Lines[0].Tie : TieKind.Tip,
            Anchor = anchors[anchor],
            Redirects = over < 0 ? [] : [new() { At = anchors[over] }],
            Joined = null,
            Limiter = null,
        };
        var context = standing with { Plan = standing.Plan with { Lines = [line, .. plan.Lines.Skip(1)] } };
        var lines = Reckoning.LinesOf(context);
        if (Pull.Solve(standing.Tree, standing.Hinge, standing.Wind, lines, units, [], null) is { } pull)
        {
            var run = LineRun.From(line, lines[0], standing.Tree, standing.Lay).Length;
            ways.Add(new(line, lines, pull, StemBending.Under(standing.Tree, standing.Tree.Soundness.Value, lines, pull.Needed), run, anchor, over));
        }
    }

    /// <returns>False once there are too many.</returns>
    private bool AddCombinations()
    {
        for (var way = 0; way < ways.Count; way++)
        {
            foreach (var (rope, joined) in RopesFor(ways[way]))
            {
                for (var system = 0; system < parts.Systems.Count; system++)
                {
                    if (!AddWithTackle(way, rope, joined, system))
                    {
                        return false;
                    }
                }
            }
        }

        return true;
    }

    /// <summary>Single ropes, and two joined where neither would reach alone.</summary>
    private IEnumerable<(int Rope, int Joined)> RopesFor(Way way)
    {
        for (var rope = 0; rope < parts.Ropes.Count; rope++)
        {
            if (Fits(way, parts.Ropes[rope].LengthM, 0, false))
            {
                yield return (rope, -1);
                continue;
            }

            for (var second = 0; second < parts.Ropes.Count; second++)
            {
                if (second != rope && !Fits(way, parts.Ropes[second].LengthM, 0, false) && Fits(way, parts.Ropes[rope].LengthM + parts.Ropes[second].LengthM, 0, true))
                {
                    yield return (rope, second);
                }
            }
        }
    }

    private bool Fits(Way way, double owned, double tackle, bool joined)
    {
        var needed = RopeNeeded.Of(way.Line.Tie, way.Line.Seat.HeightM, way.RunM, tackle, joined);
        shortest = Math.Min(shortest, needed);
        return needed <= owned;
    }

    private bool AddWithTackle(int way, int rope, int joined, int at)
    {
        var part = parts.Systems[at];
        var owned = parts.Ropes[rope].LengthM + (joined < 0 ? 0 : parts.Ropes[joined].LengthM);
        var opened = part.System.Opened(plan.Lines[0].Tackle.OpenedM, plan.Lines[0].Tackle.ClosedM);
        for (var roving = Roving.Line; roving <= Roving.AnyRope; roving++)
        {
            var fits = roving == Roving.Line ? Fits(ways[way], owned, RopeNeeded.LegsInLine(part.System) * plan.Lines[0].Tackle.OpenedM, joined >= 0)
                : !part.System.InLine && parts.TackleRope(roving, opened.RopeM, parts.Ropes[rope], joined < 0 ? null : parts.Ropes[joined]) is not null;
            if (fits && !AddWithBlocks(way, rope, joined, at, roving))
            {
                return false;
            }
        }

        return true;
    }

    private bool AddWithBlocks(int way, int rope, int joined, int at, Roving roving)
    {
        var needs = parts.Systems[at].Blocks;
        for (var block = needs == 0 ? -1 : 0; block < (needs == 0 ? 0 : parts.Blocks.Count); block++)
        {
            var taken = block < 0 ? null : parts.Blocks[block];
            if ((taken is not null && taken.Take(needs) is null) || (ways[way].Over >= 0 && parts.RedirectBlock(taken, needs) is null))
            {
                continue;
            }

            for (var hauler = 0; hauler < parts.Haulers.Count; hauler++)
            {
                for (var knot = 0; knot < parts.Knots.Count; knot++)
                {
                    if (combinations.Count == MostCombinations)
                    {
                        return false;
                    }

                    combinations.Add(new(way, rope, joined, at, roving, block, hauler, knot));
                }
            }
        }

        return true;
    }

    /// <summary>The main line of a combination.</summary>
    private LineMembers LineOf(in Combination c)
    {
        var way = ways[c.Way];
        var part = parts.Systems[c.System];
        var kind = c.Block < 0 ? null : parts.Blocks[c.Block];
        var block = kind?.Take(part.Blocks);
        var hauler = parts.Haulers[c.Hauler];
        var rope = parts.Ropes[c.Rope];
        var second = c.Joined < 0 ? null : parts.Ropes[c.Joined];
        var now = plan.Lines[0];
        return way.Line with
        {
            Rope = rope,
            Joined = second is null ? null : new() { Rope = second },
            KnotId = parts.Knots[c.Knot],
            Redirects = c.OverOf(ways) < 0 ? [] : [Redirected(way.Line.Redirects[0], parts.RedirectBlock(kind, part.Blocks)!)],
            Tackle = now.Tackle with
            {
                SystemId = part.System.Id,
                Composed = part.Own,
                Capture = null,
                ContactId = block?.ContactId ?? now.Tackle.ContactId,
                HardwareStrengthN = block?.StrengthN ?? now.Tackle.HardwareStrengthN,
                HardwareItemId = block?.Id,
                SheaveDiameterM = block?.SheaveM,
                Rope = parts.TackleRope(c.Roving, part.System.Opened(now.Tackle.OpenedM, now.Tackle.ClosedM).RopeM, rope, second),
            },
            Puller = hauler.Puller,
            Limiter = hauler.Turns == 0 ? null : (now.Limiter ?? new()) with { Turns = hauler.Turns },
        };
    }

    private static RedirectMembers Redirected(RedirectMembers redirect, BlockPart block) => redirect with { ContactId = block.ContactId, HardwareStrengthN = block.StrengthN, HardwareItemId = block.Id, SheaveDiameterM = block.SheaveM };

    private Tried Try(in Combination c)
    {
        var way = ways[c.Way];
        var line = LineOf(c);
        var context = standing with { Plan = standing.Plan with { Lines = [line, .. plan.Lines.Skip(1)] } };
        var reckoned = Reckoning.Of(context, way.Lines, way.Pull, way.Bending);
        var worst = WorstOf(reckoned.Path.Links);
        var use = Math.Max(Use(worst), reckoned.WorstSideUse);
        var joint = LineReasons.JointMeets(line, reckoned.Results[0]) is not null;
        var fails = joint ? "joint" : reckoned.Pretension.Empty ? "pretension" : FailsOf(reckoned.Path.Links) ?? (reckoned.WorstSideUse > 1 ? "hinge" : null);
        return new(fails is null, Math.Min(1 / Math.Max(use, 1 / Most), Most), PiecesOf(line), reckoned.Results[0].Tackle.Sets.Sets, reckoned.Path.Unknowns.Count, fails);
    }

    private static Link WorstOf(IReadOnlyList<Link> links)
    {
        var worst = links[0];
        for (var i = 1; i < links.Count; i++)
        {
            worst = Use(links[i]) > Use(worst) ? links[i] : worst;
        }

        return worst;
    }

    private static string? FailsOf(IReadOnlyList<Link> links)
    {
        Link? worst = null;
        for (var i = 0; i < links.Count; i++)
        {
            worst = links[i].State == LinkState.Fails && (worst is null || Use(links[i]) > Use(worst)) ? links[i] : worst;
        }

        return worst?.Id;
    }

    /// <summary>A worst load over the strength fails whatever the plan asks; its use is then that.</summary>
    private static double Use(Link link) => link.Slips ? link.Use : Math.Max(link.Use, link.WorstLoadN / link.StrengthN);

    private static int PiecesOf(LineMembers line)
    {
        var system = TackleSystems.Of(line.Tackle);
        var own = system.InLine ? 0 : (line.Tackle.Rope is null ? 1 : 2) + (line.Tackle.Connector?.Count ?? 0);
        var slings = (system.UsesAnchor && line.Anchor.Sling is not null ? 1 : 0) + line.Redirects.Count(r => r.At.Sling is not null);
        return 1 + (line.Joined is null ? 0 : 1) + own + system.HardwarePoints.Count + line.Redirects.Count + slings + (line.Limiter is null ? 0 : 1);
    }

    /// <summary>A combination analysed whole, with what the verdict says of its line.</summary>
    private FoundRig Whole(in Combination c, in Tried tried)
    {
        var line = LineOf(c);
        var outcome = PlanAnalysis.Of(plan with { Lines = [line, .. plan.Lines.Skip(1)] }, units, withWorkings: false);
        if (outcome.Analysis is not { } analysis)
        {
            return new(false, tried.Margin, 0, 0, tried.Pieces, tried.Sets, 0, tried.Unknown, WordsOf(line), outcome.Problems[0].Message, line);
        }

        var result = analysis.Pull.Lines[0];
        var stop = analysis.Verdict.Reasons.FirstOrDefault(r => r.State == VerdictState.Stop && r.LinkId is null && r.Path?.StartsWith("lines[0].", StringComparison.Ordinal) == true);
        var failing = analysis.Links.Where(l => l.State == LinkState.Fails).MaxBy(Use);
        var why = tried.Fails == "joint" || (failing is null && stop is not null) ? stop?.Text ?? "fails at: the joint, which would have to pass a block"
            : analysis.Pretension.Empty ? "fails: no pre-tension fits between sitting back and splitting"
            : failing is not null ? units.Say($"fails at: {Lower(failing.Name)}, {Use(failing):%} of what may be carried")
            : analysis.Hinge.WorstSideUse > 1 ? units.Say($"fails at: the hinge sideways, {analysis.Hinge.WorstSideUse:%} of what it bears")
            : $"least margin at: {Lower(WorstOf(analysis.Links).Name)}";
        return new(tried.Holds && stop is null && failing is null, tried.Margin, result.Tackle.HandForceN, result.TensionN, tried.Pieces, tried.Sets, result.RopeNeededM + (RopeNeeded.InLine(line, TackleSystems.Of(line.Tackle)) ? 0 : result.Tackle.RopeM), tried.Unknown, WordsOf(line), why, line);
    }

    private string WordsOf(LineMembers line)
    {
        var system = TackleSystems.Of(line.Tackle);
        var inLine = !system.InLine && line.Tackle.Rope is null ? " in the line" : "";
        var joined = line.Joined is null ? "" : ", two ropes joined";
        var over = line.Redirects.Count == 0 ? "" : units.Say($" over {Named(line.Redirects[0].At, "a redirect")} at {line.Redirects[0].At.DistanceM:m}");
        return units.Say($"{Lower(system.Name)}{inLine}{joined}, seat {line.Seat.HeightM:m},{over} to {Named(line.Anchor, "an anchor")} at {line.Anchor.DistanceM:m}, {HaulerWords(line)}");
    }

    private static string HaulerWords(LineMembers line)
    {
        var turns = line.Limiter is { } drum ? $" with {Sentences.Count(drum.Turns)} {(drum.Turns == 1 ? "turn" : "turns")} on a drum" : "";
        return line.Puller.Kind switch
        {
            PullerKind.People => line.Puller.Count == 1 ? "one person" : $"{Sentences.Count(line.Puller.Count)} people",
            PullerKind.HandWinch => "hand winch",
            PullerKind.Vehicle => $"vehicle{turns}",
            _ => $"machine{turns}",
        };
    }

    private static string Named(AnchorMembers anchor, string unnamed) => string.IsNullOrWhiteSpace(anchor.Name) ? unnamed : anchor.Name;

    private string AdviceOf(Tried[] tried, int[] ranked)
    {
        if (tried.Length == 0)
        {
            return units.Say($"No rope here reaches from the ground over a seat to an anchor, nor two joined. One thing would let it: a rope of {Math.Ceiling(shortest):m}. Or find an anchor nearer.");
        }

        // The nearest failing of each reason: what the least change is that mends one of them.
        var reasons = new HashSet<string>(StringComparer.Ordinal);
        string? nearest = null;
        foreach (var i in ranked.Where(i => !tried[i].Holds && reasons.Add($"{tried[i].Fails}/{combinations[i].System}")).Take(Shown))
        {
            var line = LineOf(combinations[i]);
            var wanted = plan with { Lines = [line, .. plan.Lines.Skip(1)] };
            nearest ??= $"{WordsOf(line)}; {Whole(combinations[i], tried[i]).Why}";
            if (tried[i].Fails is not ("joint" or "pretension" or null) && Remedies.For(wanted, tried[i].Fails!, units).Remedies is { } remedies && remedies.FirstOrDefault(r => r.StillFails == 0) is { } one)
            {
                return $"Nothing here holds. One thing would let it: {Lower(one.Text)}, with {WordsOf(line)}.";
            }
        }

        return $"Nothing here holds, and no single change would let it. Nearest: {nearest}.";
    }

    private static string Lower(string name) => name.Length == 0 ? name : char.ToLowerInvariant(name[0]) + name[1..];

    /// <summary>A way from a seat to an anchor, with what follows from that alone.</summary>
    /// <param name="Over">The anchor that it is redirected at; −1 for none.</param>
    private sealed record Way(LineMembers Line, PullLine[] Lines, Pull Pull, StemBending Bending, double RunM, int Anchor, int Over);

    private readonly record struct Combination(int Way, int Rope, int Joined, int System, Roving Roving, int Block, int Hauler, int Knot)
    {
        public int OverOf(List<Way> ways) => ways[Way].Over;
    }

    /// <param name="Fails">The link that fails first, "joint", "pretension" or "hinge"; null when it holds.</param>
    private readonly record struct Tried(bool Holds, double Margin, int Pieces, int Sets, int Unknown, string? Fails);
}
