using Draklo.Core.Catalogue;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using Draklo.Core.Units;

namespace Draklo.Core.Strength;

/// <summary>A change of one member of the plan.</summary>
/// <param name="Path">The member, as in "lines[0].knotId".</param>
/// <param name="Value">Its new value: a number or a text.</param>
public sealed record Change(string Path, object Value);

/// <summary>The least change of one kind that makes a link hold.</summary>
/// <param name="Text">What to do, in the reader's units.</param>
/// <param name="Changes">The same as changes of the plan.</param>
/// <param name="Use">Of the link once it is done.</param>
/// <param name="StillFails">How many links fail then; none is made to fail that did not.</param>
public sealed record Remedy(string Text, IReadOnlyList<Change> Changes, double Use, int StillFails);

/// <summary>What would make a link hold.</summary>
/// <remarks>
/// Method M9. Each kind of change is tried from the smallest upward, every trial by the full analysis; the first that
/// leaves the link holding, and makes no other link fail, is the remedy of that kind.
/// </remarks>
public static class Remedies
{
    /// <summary>The remedies for a link, those that mend it with most to spare first.</summary>
    /// <returns>None when the link holds already, or when no single change mends it.</returns>
    public static (IReadOnlyList<Remedy>? Remedies, List<Problem> Problems) For(Plan plan, string linkId, UnitSystem units)
    {
        var outcome = PlanAnalysis.Of(plan, units, withWorkings: false);
        if (outcome.Analysis is not { } analysis)
        {
            return (null, [.. outcome.Problems]);
        }

        if (Find(analysis, linkId) is not { } link)
        {
            return (null, [new("link", $"This plan has no link called “{linkId}”.")]);
        }

        if (link.State == LinkState.Holds)
        {
            return ([], []);
        }

        var failing = analysis.Links.Where(l => l.State == LinkState.Fails).Select(l => l.Id).ToHashSet(StringComparer.Ordinal);
        var found = new List<Remedy>();
        foreach (var kind in KindsFor(plan, link, units))
        {
            foreach (var (text, changed, changes) in kind)
            {
                if (PlanAnalysis.Of(changed, units, withWorkings: false).Analysis is { } after
                    && Find(after, linkId) is { State: LinkState.Holds } mended
                    && after.Links.All(l => l.State != LinkState.Fails || failing.Contains(l.Id)))
                {
                    found.Add(new(text, changes, mended.Use, after.Links.Count(l => l.State == LinkState.Fails)));
                    break;
                }
            }
        }

        return ([.. found.OrderBy(r => r.StillFails).ThenBy(r => r.Use)], []);
    }

    private static Link? Find(Plans.Analysis analysis, string id) => analysis.Links.FirstOrDefault(l => l.Id == id);

    private static IEnumerable<IEnumerable<Trial>> KindsFor(Plan plan, Link link, UnitSystem units)
    {
        if (link.LineId is null)
        {
            if (link.Id == "hinge")
            {
                yield return Upward(plan.Cut.HingeThicknessM, 0.0025, 24).Select(t => new Trial(
                    units.Say($"Leave a hinge of {t:cm}: it bears more sideways, and asks for more pull"),
                    plan with { Cut = plan.Cut with { HingeThicknessM = t } },
                    [new("cut.hingeThicknessM", t)]));
            }

            for (var i = 0; i < plan.Lines.Count; i++)
            {
                yield return SeatTrials(plan, i, -0.25, units);
                yield return SeatTrials(plan, i, 0.25, units);
                yield return DistanceTrials(plan, i, units);
            }

            yield break;
        }

        var at = IndexOf(plan, link.LineId);
        var line = plan.Lines[at];
        var path = $"lines[{at}]";
        var what = link.Id[(link.LineId.Length + 1)..];
        if (what == "hands")
        {
            yield return Enumerable.Range(line.Puller.Count + 1, Math.Max(0, Math.Min(4, 20 - line.Puller.Count))).Select(n => new Trial(
                $"Put {Sentences.Count(n)} people on it",
                plan.WithLine(at, l => l with { Puller = l.Puller with { Count = n } }),
                [new($"{path}.puller.count", n)]));
            yield return StrongerSystems(plan, at);
        }
        else if (link.Use <= 1 && link.WorstLoadN > link.StrengthN)
        {
            yield return Enumerable.Range(1, line.Puller.Count - 1).Reverse().Select(n => new Trial(
                $"Put only {Sentences.Count(n)} on the rope: fewer cannot overload it",
                plan.WithLine(at, l => l with { Puller = l.Puller with { Count = n } }),
                [new($"{path}.puller.count", n)]));
        }

        if (what is "knot" or "rope" or "join")
        {
            yield return Upward(Math.Ceiling(line.Rope.BreakingStrengthN / 1000) * 1000, 2000, 60).Select(n => new Trial(
                units.Say($"Take a pull line that breaks at {n:N}"),
                plan.WithLine(at, l => l with { Rope = l.Rope with { BreakingStrengthN = n } }),
                [new($"{path}.rope.breakingStrengthN", n)]));
        }

        if (what == "knot")
        {
            yield return BetterKnots(line.KnotId, k => k.Use is "end-loop" or "noose").Select(k => new Trial(
                $"Tie it with {Named(k)}, which keeps {Figures.Plain(k.KeepsLow * 100, 2)} %",
                plan.WithLine(at, l => l with { KnotId = k.Id }),
                [new($"{path}.knotId", k.Id)]));
        }

        if (what == "join" && line.Tackle.JoinKnotId is { } join)
        {
            yield return BetterKnots(join, k => k.Midline && k.Use == "midline-loop").Select(k => new Trial(
                $"Join the tackle with {Named(k)}, which keeps {Figures.Plain(k.KeepsLow * 100, 2)} %",
                plan.WithLine(at, l => l with { Tackle = l.Tackle with { JoinKnotId = k.Id } }),
                [new($"{path}.tackle.joinKnotId", k.Id)]));
        }

        if (what == "legs" && line.Tackle.Rope is { } own)
        {
            yield return Upward(Math.Ceiling(own.BreakingStrengthN / 1000) * 1000, 2000, 40).Select(n => new Trial(
                units.Say($"Take a tackle rope that breaks at {n:N}"),
                plan.WithLine(at, l => l with { Tackle = l.Tackle with { Rope = own with { BreakingStrengthN = n } } }),
                [new($"{path}.tackle.rope.breakingStrengthN", n)]));
        }

        if (what == "blocks")
        {
            yield return Upward(Math.Ceiling(line.Tackle.HardwareStrengthN!.Value / 1000) * 1000, 2000, 40).Select(n => new Trial(
                units.Say($"Take blocks and connectors that break at {n:N}"),
                plan.WithLine(at, l => l with { Tackle = l.Tackle with { HardwareStrengthN = n } }),
                [new($"{path}.tackle.hardwareStrengthN", n)]));
        }

        if (what == "sling" && line.Anchor.Sling is { } sling)
        {
            yield return Upward(Math.Ceiling(sling.BreakingStrengthN / 1000) * 1000, 2000, 40).Select(n => new Trial(
                units.Say($"Take a sling that breaks at {n:N}"),
                plan.WithLine(at, l => l with { Anchor = l.Anchor with { Sling = sling with { BreakingStrengthN = n } } }),
                [new($"{path}.anchor.sling.breakingStrengthN", n)]));
            if (sling.Hitch != SlingHitch.Basket)
            {
                yield return [new(
                    "Lay the sling as a basket, its legs close together",
                    plan.WithLine(at, l => l with { Anchor = l.Anchor with { Sling = sling with { Hitch = SlingHitch.Basket, HalfAngleDeg = 15 } } }),
                    [new($"{path}.anchor.sling.hitch", "basket"), new($"{path}.anchor.sling.halfAngleDeg", 15.0)])];
            }
        }

        if (what == "anchor")
        {
            foreach (var kind in AnchorTrials(plan, at, units))
            {
                yield return kind;
            }
        }

        yield return SeatTrials(plan, at, 0.25, units);
        yield return DistanceTrials(plan, at, units);
    }

    private static IEnumerable<IEnumerable<Trial>> AnchorTrials(Plan plan, int at, UnitSystem units)
    {
        var anchor = plan.Lines[at].Anchor;
        var path = $"lines[{at}].anchor";
        if (anchor is { Kind: AnchorKind.Pickets, Pickets: { } pickets })
        {
            yield return Reference.Anchors.Values.Where(a => a.Kind == "pickets" && a.Nominal > Reference.Anchors[pickets.ArrangementId].Nominal).OrderBy(a => a.Nominal).Select(a => new Trial(
                $"Set more pickets: {char.ToLowerInvariant(a.Name[0])}{a.Name[1..]}",
                plan.WithLine(at, l => l with { Anchor = anchor with { Pickets = pickets with { ArrangementId = a.Id } } }),
                [new($"{path}.pickets.arrangementId", a.Id)]));
        }

        if (anchor.Kind is AnchorKind.Post or AnchorKind.Tree)
        {
            yield return Enumerable.Range(1, 20).Select(i => Math.Round(anchor.HeightM - (0.1 * i), 2)).TakeWhile(h => h >= 0).Select(h => new Trial(
                units.Say($"Set the strap lower, at {h:m}"),
                plan.WithLine(at, l => l with { Anchor = anchor with { HeightM = h } }),
                [new($"{path}.heightM", h)]));
        }

        if (anchor is { Kind: AnchorKind.Vehicle or AnchorKind.Weight, Weight: { } weight })
        {
            yield return Upward(Math.Ceiling(weight.MassKg / 100) * 100, 100, 60).Select(m => new Trial(
                units.Say($"Take one that weighs {m:kg}"),
                plan.WithLine(at, l => l with { Anchor = anchor with { Weight = weight with { MassKg = m } } }),
                [new($"{path}.weight.massKg", m)]));
        }
    }

    private static IEnumerable<Trial> StrongerSystems(Plan plan, int at)
    {
        var now = TackleSystems.Find(plan.Lines[at].Tackle.SystemId)!;
        return TackleSystems.All.Where(s => !s.InLine && s.Solve(new(0.9, 0.35)).ActualAdvantage > now.Solve(new(0.9, 0.35)).ActualAdvantage)
            .OrderBy(s => s.Solve(new(0.9, 0.35)).ActualAdvantage)
            .Select(s => new Trial(
                $"Haul it with {char.ToLowerInvariant(s.Name[0])}{s.Name[1..]}",
                plan.WithLine(at, l => l with { Tackle = l.Tackle with { SystemId = s.Id } }),
                [new($"lines[{at}].tackle.systemId", s.Id)]));
    }

    private static IEnumerable<Trial> SeatTrials(Plan plan, int at, double step, UnitSystem units) =>
        Upward(plan.Lines[at].Seat.HeightM, step, 32).TakeWhile(h => h > plan.Cut.StumpHeightM + 1 && h < plan.Tree.HeightM - 1).Select(h => new Trial(
            units.Say($"Seat the {plan.Lines[at].Id} line {(step > 0 ? "higher" : "lower")}, at {h:m}"),
            plan.WithLine(at, l => l with { Seat = l.Seat with { HeightM = h } }),
            [new($"lines[{at}].seat.heightM", h)]));

    private static IEnumerable<Trial> DistanceTrials(Plan plan, int at, UnitSystem units) =>
        Upward(plan.Lines[at].Anchor.DistanceM, 1, 30).Select(d => new Trial(
            units.Say($"Choose an anchor farther out for the {plan.Lines[at].Id} line, at {d:m}"),
            plan.WithLine(at, l => l with { Anchor = l.Anchor with { DistanceM = d } }),
            [new($"lines[{at}].anchor.distanceM", d)]));

    private static IEnumerable<double> Upward(double from, double step, int count) => Enumerable.Range(1, count).Select(i => Math.Round(from + (step * i), 4));

    private static IEnumerable<Knot> BetterKnots(string now, Func<Knot, bool> fits) =>
        Reference.Knots.Values.Where(k => fits(k) && k.KeepsLow > Reference.Knots[now].KeepsLow).OrderBy(k => k.KeepsLow);

    private static string Named(Knot knot) => $"{("aeiou".Contains(char.ToLowerInvariant(knot.Name[0])) ? "an" : "a")} {char.ToLowerInvariant(knot.Name[0])}{knot.Name[1..]}";

    private static int IndexOf(Plan plan, string lineId)
    {
        for (var i = 0; i < plan.Lines.Count; i++)
        {
            if (plan.Lines[i].Id == lineId)
            {
                return i;
            }
        }

        throw new ArgumentException($"No line is called '{lineId}'.", nameof(lineId));
    }

    private static Plan WithLine(this Plan plan, int at, Func<LineMembers, LineMembers> change) =>
        plan with { Lines = [.. plan.Lines.Select((l, i) => i == at ? change(l) : l)] };

    private sealed record Trial(string Text, Plan Plan, IReadOnlyList<Change> Changes);
}
