using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Studies;

/// <summary>A way from a seat to an anchor, with what follows from that alone.</summary>
/// <param name="Over">The anchor that it is redirected at; −1 for none.</param>
internal sealed record RigWay(
    LineMembers Line,
    PullLine[] Lines,
    Pull Pull,
    StemBending Bending,
    double RunM,
    int Anchor,
    int Over
);

/// <summary>One rig, by the numbers of its parts; −1 for a part that it does without.</summary>
internal readonly record struct RigCombination(
    int Way,
    int Rope,
    int Joined,
    int System,
    Roving Roving,
    int Block,
    int Hauler,
    int Knot
);

/// <summary>
/// Every combination of what is on the truck and stands on the plan that fits by its length and by how much there is of
/// it.
/// </summary>
/// <remarks>Method M21. Their order follows from the parts' alone.</remarks>
internal sealed class RigCombinations
{
    private const int SeatSteps = 8;
    private const double LargestRedirectAngle = 60;

    private readonly Plan plan;
    private readonly UnitSystem units;
    private readonly RigParts parts;
    private readonly PlanContext standing;
    private readonly AnchorMembers[] anchors;

    /// <summary>What the longest opened tackle spans of the run, metres.</summary>
    private readonly double mostSpace;
    private readonly List<RigWay> ways = [];
    private readonly List<RigCombination> all = [];
    private readonly List<string> leftOut = [];

    public RigCombinations(Plan plan, RigParts parts, UnitSystem units)
    {
        this.plan = plan;
        this.parts = parts;
        this.units = units;
        standing = PlanContext.Of(plan.WithoutSite(), units);
        anchors =
        [
            .. plan
                .Lines.SelectMany(l => l.Redirects.Select(r => r.At).Prepend(l.Anchor))
                .DistinctBy(a => (a.DistanceM, a.BearingDeg)),
        ];
        var tackle = plan.Lines[0].Tackle;
        mostSpace = parts
            .Systems.Select(s => s.System.Opened(tackle.OpenedM, tackle.ClosedM).SpaceM)
            .DefaultIfEmpty()
            .Max();
        Enumerate();
    }

    public IReadOnlyList<RigCombination> All => all;

    public IReadOnlyList<RigWay> Ways => ways;

    /// <summary>What was not tried so that there are not too many, in sentences.</summary>
    public IReadOnlyList<string> LeftOut => leftOut;

    /// <summary>The shortest rope that reaches from the ground over some seat to some anchor, metres.</summary>
    public double ShortestM { get; private set; } = double.PositiveInfinity;

    /// <summary>The plan without its site, with another main line, and the tree, hinge and wind resolved.</summary>
    public PlanContext With(LineMembers line) => standing with { Plan = standing.Plan.WithMainLine(line) };

    /// <summary>
    /// The all that fit, thinned step by step until they are not too many; what was left out is said.
    /// </summary>
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
            leftOut.RemoveAll(said =>
                says is not null
                && said.Contains("seats were tried", StringComparison.Ordinal)
                && says.Contains("seats were tried", StringComparison.Ordinal)
            );
            leftOut.AddRange(says is null ? [] : [says]);
            ways.Clear();
            all.Clear();
            AddWays(seats);
            if (AddCombinations())
            {
                return;
            }
        }

        leftOut.Add(
            $"Still more than {RigFinder.MostCombinations:N0} fit; the first {RigFinder.MostCombinations:N0} were tried."
        );
    }

    /// <summary>Where lines could run: from each seat to each anchor, straight or over another.</summary>
    private void AddWays(int steps)
    {
        var lowest = plan.Cut.StumpHeightM + (0.3 * plan.Tree.HeightM);
        var highest = 0.85 * plan.Tree.HeightM;
        var now = plan.Lines[0];
        var seats = Enumerable
            .Range(0, steps)
            .Select(s => Math.Round(lowest + ((highest - lowest) * s / (steps - 1)), 1))
            .Where(s => Math.Abs(s - now.Seat.HeightM) > 0.2 && StoutStem.At(plan, standing.Tree, s))
            .Select(s => new SeatMembers { HeightM = s })
            .Prepend(now.Seat);
        foreach (var seat in seats)
        {
            for (var anchor = 0; anchor < anchors.Length; anchor++)
            {
                for (var over = -1; over < anchors.Length; over++)
                {
                    var first = over < 0 ? anchors[anchor] : anchors[over];
                    if (
                        over != anchor
                        && Math.Abs(Angle.Between(plan.Lay.BearingDeg, first.BearingDeg)) < LargestRedirectAngle
                    )
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
        var context = With(line);
        var lines = CheckedPull.LinesOf(context);
        if (Pull.Solve(context, lines, []) is { } pull)
        {
            var run = LineRun.From(line, lines[0], standing.Tree, standing.Lay).Length;
            ways.Add(
                new(
                    line,
                    lines,
                    pull,
                    StemBending.Under(standing.Tree, standing.Tree.Soundness.Value, lines, pull.Needed),
                    run,
                    anchor,
                    over
                )
            );
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
    private IEnumerable<(int Rope, int Joined)> RopesFor(RigWay way)
    {
        for (var rope = 0; rope < parts.Ropes.Count; rope++)
        {
            if (Fits(way, parts.Ropes[rope].LengthM, -mostSpace, false))
            {
                yield return (rope, -1);
                continue;
            }

            for (var second = 0; second < parts.Ropes.Count; second++)
            {
                if (
                    second != rope
                    && !Fits(way, parts.Ropes[second].LengthM, -mostSpace, false)
                    && Fits(way, parts.Ropes[rope].LengthM + parts.Ropes[second].LengthM, -mostSpace, true)
                )
                {
                    yield return (rope, second);
                }
            }
        }
    }

    private bool Fits(RigWay way, double owned, double tackle, bool joined)
    {
        var needed = RopeNeeded.Of(way.Line.Tie, way.Line.Seat.HeightM, way.RunM, tackle, joined);
        ShortestM = Math.Min(ShortestM, needed);
        return needed <= owned;
    }

    private bool AddWithTackle(int way, int rope, int joined, int at)
    {
        var part = parts.Systems[at];
        var owned = parts.Ropes[rope].LengthM + (joined < 0 ? 0 : parts.Ropes[joined].LengthM);
        var opened = part.System.Opened(plan.Lines[0].Tackle.OpenedM, plan.Lines[0].Tackle.ClosedM);
        for (var roving = Roving.Line; roving <= Roving.AnyRope; roving++)
        {
            var fits =
                roving == Roving.Line
                    ? Fits(ways[way], owned, part.System.LegsInLine * plan.Lines[0].Tackle.OpenedM, joined >= 0)
                    : !part.System.InLine
                        && Fits(ways[way], owned, -opened.SpaceM, joined >= 0)
                        && parts.TackleRope(
                            roving,
                            opened.RopeM,
                            parts.Ropes[rope],
                            joined < 0 ? null : parts.Ropes[joined]
                        )
                            is not null;
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
            if (
                (taken is not null && taken.Take(needs) is null)
                || (ways[way].Over >= 0 && parts.RedirectBlock(taken, needs) is null)
            )
            {
                continue;
            }

            for (var hauler = 0; hauler < parts.Haulers.Count; hauler++)
            {
                for (var knot = 0; knot < parts.Knots.Count; knot++)
                {
                    if (all.Count == RigFinder.MostCombinations)
                    {
                        return false;
                    }

                    all.Add(new(way, rope, joined, at, roving, block, hauler, knot));
                }
            }
        }

        return true;
    }

    /// <summary>The main line of a combination.</summary>
    public LineMembers LineOf(in RigCombination c)
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
            Redirects =
                way.Over < 0 ? [] : [Redirected(way.Line.Redirects[0], parts.RedirectBlock(kind, part.Blocks)!)],
            Tackle = now.Tackle with
            {
                SystemId = part.System.Id,
                Composed = part.Own,
                Capture = null,
                ContactId = block?.ContactId ?? now.Tackle.ContactId,
                HardwareStrengthN = block?.StrengthN ?? now.Tackle.HardwareStrengthN,
                HardwareItemId = block?.Id,
                SheaveDiameterM = block?.SheaveM,
                Rope = parts.TackleRope(
                    c.Roving,
                    part.System.Opened(now.Tackle.OpenedM, now.Tackle.ClosedM).RopeM,
                    rope,
                    second
                ),
            },
            Puller = hauler.Puller,
            Limiter = hauler.Turns == 0 ? null : (now.Limiter ?? new()) with { Turns = hauler.Turns },
        };
    }

    private static RedirectMembers Redirected(RedirectMembers redirect, BlockPart block) =>
        redirect with
        {
            ContactId = block.ContactId,
            HardwareStrengthN = block.StrengthN,
            HardwareItemId = block.Id,
            SheaveDiameterM = block.SheaveM,
        };
}
