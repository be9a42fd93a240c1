using Draklo.Core.Analyses;
using Draklo.Core.Gear;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using Draklo.Core.Units;

namespace Draklo.Core.Studies;

/// <summary>From what is on the truck and stands on this site: the best way to pull this tree.</summary>
/// <remarks>
/// Method M21. Every combination of anchor, redirect, seat height, rope or two joined, seat knot, tackle in the line or
/// of its own, blocks, people or machine and turns on a drum that fits by length and count is worked out as the analysis
/// does, and ranked by whether all links hold, what is not known, the largest least margin, the fewest pieces and the
/// fewest resets. The ten best are then analysed whole. The order of the combinations decides between equals, so the
/// same question has the same answer.
/// </remarks>
public sealed class RigFinder
{
    /// <summary>More do not haul on one line.</summary>
    public const int MostPeople = 20;

    public const int MostCombinations = 50_000;
    private const int Shown = 10;
    private const int ShownFailing = 3;

    /// <summary>Analysed analyses spent at most on finding the ten; each way is tried once.</summary>
    private const int MostWhole = 120;

    /// <summary>Where every link carries half of what it may, fewer pieces are worth more than more margin.</summary>
    private const double Ample = 2;

    private const double Most = 1e6;

    private readonly Plan plan;
    private readonly UnitSystem units;
    private readonly RigCombinations fitting;

    private readonly Dictionary<string, string> names;

    private RigFinder(Plan plan, RigCombinations fitting, UnitSystem units, IReadOnlyList<GearItem> locker)
    {
        names = locker
            .DistinctBy(i => i.Id, StringComparer.Ordinal)
            .ToDictionary(i => i.Id, i => i.Name, StringComparer.Ordinal);
        this.plan = plan;
        this.units = units;
        this.fitting = fitting;
    }

    /// <summary>Combinations that fit.</summary>
    public int Total => fitting.All.Count;

    /// <summary>A search, or why there is nothing to search in.</summary>
    public static (RigFinder? Finder, List<Problem> Problems) For(
        Plan plan,
        IReadOnlyList<GearItem> locker,
        DateOnly today,
        UnitSystem units,
        RigAsk? ask = null
    )
    {
        var problems = PlanAnalysis.Of(plan, units, withWorkings: false).Problems.ToList();
        if (problems.Count > 0)
        {
            return (null, problems);
        }

        var parts = new RigParts(plan, locker, today, ask ?? RigAsk.Plain);
        var found = new RigCombinations(plan, parts, units);
        return parts.Ropes.Count == 0
                ? (
                    null,
                    [
                        new(
                            "locker",
                            "No rope in the locker is in service with its length, diameter and strength known: put one in, or bring one back."
                        ),
                    ]
                )
            : parts.Haulers.Count == 0
                ? (null, [new("people", "Nobody is there to haul: say how many people, or give the plan a machine.")])
            : found.Ways.Count == 0
                ? (
                    null,
                    [
                        new(
                            "lines[0].seat.heightM",
                            "From no seat between the cut and the top does a line to any anchor tip this tree: look at the anchors, the lay and the tree's height."
                        ),
                    ]
                )
            : (new(plan, found, units, locker), []);
    }

    /// <summary>Tries every combination.</summary>
    /// <param name="progress">Told how many are done, often; from any thread.</param>
    /// <exception cref="OperationCanceledException">It was stopped.</exception>
    public FoundRigs Run(Action<int>? progress, CancellationToken cancellation)
    {
        var tried = new Tried[fitting.All.Count];
        var done = 0;
        Cores.Share(
            tried.Length,
            64,
            (from, to) =>
            {
                for (var i = from; i < to; i++)
                {
                    tried[i] = Try(fitting.All[i]);
                }

                progress?.Invoke(Interlocked.Add(ref done, to - from));
            },
            cancellation
        );
        var ranked = Enumerable
            .Range(0, tried.Length)
            .OrderByDescending(i => tried[i].Holds)
            .ThenBy(i => tried[i].Unknown)
            .ThenByDescending(i => Math.Round(Math.Min(tried[i].Margin, Ample), 3))
            .ThenBy(i => tried[i].Pieces)
            .ThenBy(i => tried[i].Sets)
            .ThenBy(i => i)
            .ToArray();
        var best = new List<FoundRig>();
        var next = new List<FoundRig>();
        var seen = new HashSet<(int, int, int, bool, int)>();
        var reasons = new HashSet<string>(StringComparer.Ordinal);
        var whole = 0;
        foreach (var i in ranked)
        {
            var c = fitting.All[i];
            var wanted = tried[i].Holds
                ? best.Count < Shown
                : next.Count < ShownFailing && tried[i].Margin > 0 && !reasons.Contains(tried[i].Fails ?? "");
            if (
                !wanted
                || whole >= MostWhole
                || (
                    tried[i].Holds
                    && !seen.Add(
                        (
                            fitting.Ways[c.Way].Anchor,
                            fitting.Ways[c.Way].Over,
                            c.System,
                            c.Roving == Roving.Line,
                            c.Hauler
                        )
                    )
                )
            )
            {
                continue;
            }

            whole++;
            var rig = Analysed(c, tried[i]);
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
        return new(
            tried.Length,
            holding,
            best,
            next,
            fitting.LeftOut.Count > 0 ? string.Join(" ", fitting.LeftOut) : null,
            best.Count > 0 ? null : AdviceOf(tried, ranked)
        );
    }

    private Tried Try(in RigCombination c)
    {
        var way = fitting.Ways[c.Way];
        var line = fitting.LineOf(c);
        var context = fitting.With(line);
        var found = CheckedPull.Of(context, way.Lines, way.Pull, way.Bending);
        var worst = WorstOf(found.Path.Links);
        var use = Math.Max(worst.WorstUse, found.WorstSideUse);
        var joint = RopeJoint.Obstacle(line, found.Results[0]) is not null;
        var fails =
            joint ? "joint"
            : found.Pretension.Empty ? "pretension"
            : FailsOf(found.Path.Links) ?? (found.WorstSideUse > 1 ? "hinge" : null);
        return new(
            fails is null,
            Math.Min(1 / Math.Max(use, 1 / Most), Most),
            PiecesOf(line),
            found.Results[0].Tackle.Sets.Sets,
            found.Path.Unknowns.List.Count,
            fails
        );
    }

    private static Link WorstOf(IReadOnlyList<Link> links)
    {
        var worst = links[0];
        for (var i = 1; i < links.Count; i++)
        {
            worst = links[i].WorstUse > worst.WorstUse ? links[i] : worst;
        }

        return worst;
    }

    private static string? FailsOf(IReadOnlyList<Link> links)
    {
        Link? worst = null;
        for (var i = 0; i < links.Count; i++)
        {
            worst =
                links[i].State == LinkState.Fails && (worst is null || links[i].WorstUse > worst.WorstUse)
                    ? links[i]
                    : worst;
        }

        return worst?.Id;
    }

    private static int PiecesOf(LineMembers line)
    {
        var system = TackleSystems.Of(line.Tackle);
        var own = system.InLine ? 0 : (line.Tackle.Rope is null ? 1 : 2) + (line.Tackle.Connector?.Count ?? 0);
        var slings =
            (system.UsesAnchor && line.Anchor.Sling is not null ? 1 : 0)
            + line.Redirects.Count(r => r.At.Sling is not null);
        return 1
            + (line.Joined is null ? 0 : 1)
            + own
            + system.HardwarePoints.Count
            + line.Redirects.Count
            + slings
            + (line.Limiter is null ? 0 : 1);
    }

    /// <summary>A combination analysed whole, with what the verdict says of its line.</summary>
    private FoundRig Analysed(in RigCombination c, in Tried tried)
    {
        var line = fitting.LineOf(c);
        var outcome = PlanAnalysis.Of(plan.WithMainLine(line), units, withWorkings: false);
        if (outcome.Analysis is not { } analysis)
        {
            return new()
            {
                Holds = false,
                Margin = tried.Margin,
                HandForceN = 0,
                TensionN = 0,
                Pieces = tried.Pieces,
                Sets = tried.Sets,
                RopeUsedM = 0,
                Unknown = tried.Unknown,
                Words = WordsOf(line),
                Gear = GearOf(line),
                Why = outcome.Problems[0].Message,
                Line = line,
            };
        }

        var result = analysis.Pull.Lines[0];
        var stop = analysis.Verdict.Reasons.FirstOrDefault(r =>
            r.State == VerdictState.Stop
            && r.LinkId is null
            && r.Path?.StartsWith("lines[0].", StringComparison.Ordinal) == true
        );
        var failing = analysis.Links.Where(l => l.State == LinkState.Fails).MaxBy(l => l.WorstUse);
        var why =
            tried.Fails == "joint" || (failing is null && stop is not null)
                ? stop?.Text ?? "fails at: the joint, which would have to pass a block"
            : analysis.Pretension.Empty ? "fails: no pre-tension fits between sitting back and splitting"
            : failing is not null
                ? units.Say($"fails at: {failing.Name.Uncapitalised()}, {failing.WorstUse:%} of what may be carried")
            : analysis.Hinge.WorstSideUse > 1
                ? units.Say($"fails at: the hinge sideways, {analysis.Hinge.WorstSideUse:%} of what it carries")
            : $"least margin at: {WorstOf(analysis.Links).Name.Uncapitalised()}";
        return new()
        {
            Holds = tried.Holds && stop is null && failing is null,
            Margin = tried.Margin,
            HandForceN = result.Tackle.HandForceN,
            TensionN = result.TensionN,
            Pieces = tried.Pieces,
            Sets = tried.Sets,
            RopeUsedM = result.RopeNeededM + (TackleSystems.Of(line.Tackle).IsRoveIn(line) ? 0 : result.Tackle.RopeM),
            Unknown = tried.Unknown,
            Words = WordsOf(line),
            Gear = GearOf(line),
            Why = why,
            Line = line,
        };
    }

    /// <summary>Its pieces of the locker, by what the crew calls them.</summary>
    private List<string> GearOf(LineMembers line) =>
        [
            .. GearOnPlan
                .Of(plan.WithMainLine(line))
                .Where(p => p.Path.StartsWith("lines[0].", StringComparison.Ordinal))
                .Select(p => names.GetValueOrDefault(p.ItemId, p.ItemId))
                .Distinct(StringComparer.Ordinal),
        ];

    private string WordsOf(LineMembers line)
    {
        var system = TackleSystems.Of(line.Tackle);
        var inLine = !system.InLine && line.Tackle.Rope is null ? " in the line" : "";
        var joined = line.Joined is null ? "" : ", two ropes joined";
        var over =
            line.Redirects.Count == 0
                ? ""
                : units.Say($" over {Named(line.Redirects[0].At, "a redirect")} at {line.Redirects[0].At.DistanceM:m}");
        return units.Say(
            $"{system.Name.Uncapitalised()}{inLine}{joined}, seat {line.Seat.HeightM:m},{over} to {Named(line.Anchor, "an anchor")} at {line.Anchor.DistanceM:m}, {HaulerWords(line)}"
        );
    }

    private static string HaulerWords(LineMembers line)
    {
        var turns = line.Limiter is { } drum
            ? $" with {Sentences.Count(drum.Turns)} {(drum.Turns == 1 ? "turn" : "turns")} on a drum"
            : "";
        return line.Puller.Kind switch
        {
            PullerKind.People => line.Puller.Count == 1 ? "one person" : $"{Sentences.Count(line.Puller.Count)} people",
            PullerKind.HandWinch => "hand winch",
            PullerKind.Vehicle => $"vehicle{turns}",
            _ => $"machine{turns}",
        };
    }

    private static string Named(AnchorMembers anchor, string unnamed) =>
        string.IsNullOrWhiteSpace(anchor.Name) ? unnamed : anchor.Name;

    private string AdviceOf(Tried[] tried, int[] ranked)
    {
        if (tried.Length == 0)
        {
            return units.Say(
                $"No rope here reaches from the ground over a seat to an anchor, nor two joined. One thing would let it: a rope of {Math.Ceiling(fitting.ShortestM):m}. Or find an anchor nearer."
            );
        }

        // The nearest failing of each reason: what the least change is that mends one of them.
        var reasons = new HashSet<string>(StringComparer.Ordinal);
        string? nearest = null;
        foreach (
            var i in ranked
                .Where(i => !tried[i].Holds && reasons.Add($"{tried[i].Fails}/{fitting.All[i].System}"))
                .Take(Shown)
        )
        {
            var line = fitting.LineOf(fitting.All[i]);
            var wanted = plan.WithMainLine(line);
            nearest ??= $"{WordsOf(line)}; {Analysed(fitting.All[i], tried[i]).Why}";
            if (
                tried[i].Fails is not ("joint" or "pretension" or null)
                && Remedies.For(wanted, tried[i].Fails!, units).Remedies is { } remedies
                && remedies.FirstOrDefault(r => r.StillFails == 0) is { } one
            )
            {
                return $"Nothing here holds. One thing would let it: {one.Text.Uncapitalised()}, with {WordsOf(line)}.";
            }
        }

        return $"Nothing here holds, and no single change would let it. Nearest: {nearest}.";
    }

    /// <param name="Fails">The link that fails first, "joint", "pretension" or "hinge"; null when it holds.</param>
    private readonly record struct Tried(bool Holds, double Margin, int Pieces, int Sets, int Unknown, string? Fails);
}
