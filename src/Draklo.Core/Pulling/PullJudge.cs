using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Pulling;

/// <summary>Judges a step from what was read and seen.</summary>
/// <remarks>
/// Methods M5, M11, M12 and M24. Limits that the methods do not name are ours: half as much again as expected is looked at
/// again, and so is under half; the anchor's mark may settle by a centimetre; a pull may read a quarter over its curve.
/// </remarks>
internal sealed class PullJudge(PullBasis basis, UnitSystem units)
{
    private const double Twice = 2;
    private const double HalfAgain = 1.5;
    private const double UnderHalf = 0.5;
    private const double LeastToSeeM = 0.01;
    private const double LostShare = 0.1;
    private const double NearTarget = 0.95;
    private const double OverTarget = 1.4;
    private const double OverCurve = 1.25;
    private const double HauledOver = 1.25;
    private const double HauledSlackM = 0.5;
    private const double SatBackM = -0.01;

    private readonly FindingList findings = new();

    public PullAnswer Of(
        PullStep now,
        IReadOnlyList<PullLineView> lines,
        PullSeen seen,
        IReadOnlyList<DayEntry> counting,
        string briefWords,
        bool stopped
    )
    {
        var watched = new SeenJudge(findings, units);
        var changes = new ChangeJudge(basis, findings, units, counting);
        var order = PullSteps.Of(basis.Plan);
        var at = order.IndexOf(now);
        PullStep? next = at + 1 < order.Length ? order[at + 1] : null;
        if (stopped)
        {
            findings.Stop("stopped", "A stop is on. Whoever called it says when to continue.");
        }

        if (briefWords.Length > 0 && now != PullStep.Down)
        {
            findings.Add("brief-void", now == PullStep.Brief ? PullVerdict.LookAgain : PullVerdict.Stop, briefWords);
        }

        var isSlack = PullSteps.IsSlack(basis.Plan, now);
        if (PullSteps.IsTight(basis.Plan, now))
        {
            AddTensions(now, lines, isCut: at > order.IndexOf(PullStep.BackCut));
            changes.AddJumps(lines);
        }

        if (now is >= PullStep.BedTest and < PullStep.Down)
        {
            AddMovement(now, lines);
            changes.AddComesBack(order, at, seen);
            watched.Add(now, seen);
            watched.AddOpen(now, isSlack, seen.Here);
        }

        if (now is not (PullStep.Brief or PullStep.Down or PullStep.Clear) && at >= order.IndexOf(PullStep.BackCut))
        {
            watched.AddFaller(now, seen.Latest);
        }

        if (now == PullStep.SlackOut)
        {
            watched.AddRigged(seen.Latest);
        }

        if (now == PullStep.Hold)
        {
            AddHold(lines, counting);
        }

        if (now == PullStep.Pull)
        {
            AddPull(lines, seen, counting);
        }

        if (now == PullStep.Clear)
        {
            LoadJudge.Add(basis, units, lines, findings);
            watched.AddAnchor(seen);
            watched.AddRubs(seen.Latest);
        }

        var found = findings.Sorted();
        var state = found.Count > 0 ? found[0].State : PullVerdict.GoOn;
        return new(state, Title(state, now, next, found, (counting, lines)), next, found);
    }

    private string Title(
        PullVerdict state,
        PullStep now,
        PullStep? next,
        List<PullFinding> found,
        (IReadOnlyList<DayEntry> Counting, IReadOnlyList<PullLineView> Lines) of
    ) =>
        state switch
        {
            PullVerdict.Stop => "Stop.",
            PullVerdict.LookAgain => "Look again.",
            PullVerdict.Wait => found[0].Text,
            _ when now == PullStep.Brief && next is { } first =>
                $"Signed by all. {PullSteps.NameOf(first).Capitalised()} next.",
            _ when now == PullStep.Clear => LoadJudge.Title(basis, of.Counting),
            _ when now == PullStep.Down && next == PullStep.Clear => "Down. Clear next.",
            _ when now == PullStep.Down => "Down. The day is kept, ready for the log.",
            _ when next is { } step
                    && now is >= PullStep.BedTest and <= PullStep.Planned
                    && of.Lines.Any(l => l.CameM is null) =>
                $"As expected, as far as looked at: nobody has said how far the seat came. {PullSteps.NameOf(step).Capitalised()} next.",
            _ when next is { } step => $"As expected. {PullSteps.NameOf(step).Capitalised()} next.",
            _ => "As expected.",
        };

    /// <param name="isCut">The back cut is finished: the tree hangs on hinge and line, and nobody lets off.</param>
    private void AddTensions(PullStep now, IReadOnlyList<PullLineView> lines, bool isCut)
    {
        foreach (var line in lines)
        {
            var of = lines.Count > 1 ? $" of the {line.Id} line" : "";
            if (line.ReadN is not { } read || (!line.ReadHere && now is <= PullStep.Planned))
            {
                if (now == PullStep.Pull)
                {
                    // Nobody plucks a line that is hauled: without a cell the lean and the rope tell.
                    continue;
                }

                findings.Wait(
                    $"no-reading{Suffix(line, lines)}",
                    $"Read the tension{of}, or count, pluck or pull it sideways."
                );
                continue;
            }

            if (read.Nominal > line.CeilingN)
            {
                findings.Stop(
                    "over-ceiling",
                    units.Say(
                        $"{read.Nominal:N} is over the {line.CeilingN:N-} it may have{of}: {(isCut ? "haul no further, hold it, and look what holds it back" : "let off")}. {PullWords.WhyCeiling(basis)}"
                    )
                );
            }
            else if (read.High > line.CeilingN)
            {
                findings.Look(
                    "may-be-over",
                    units.Say(
                        $"It may be {read.High:N}, over the {line.CeilingN:N-} it may have{of}: {(isCut ? "haul no further" : "let off a little")}, or read it in a better way."
                    )
                );
            }

            if (now is >= PullStep.Floor and < PullStep.Pull)
            {
                AddFloor(now, line, read, of);
            }

            if (now is PullStep.BedTest or PullStep.Planned && line.TargetN is { } target)
            {
                if (read.Nominal < NearTarget * target)
                {
                    findings.Look("under-target", units.Say($"{read.Nominal:N} of {target:N}{of}: tighten."));
                }
                else if (now == PullStep.BedTest && read.Nominal > OverTarget * target)
                {
                    findings.Look(
                        "over-bed-test",
                        units.Say(
                            $"{read.Nominal:N}{of} is more than a bed test: {target:N} is enough to see how it lies."
                        )
                    );
                }
            }
        }
    }

    private static string Suffix(PullLineView line, IReadOnlyList<PullLineView> lines) =>
        lines.Count > 1 ? $"-{line.Turn}" : "";

    private void AddFloor(PullStep now, PullLineView line, Spread read, string of)
    {
        if (read.Nominal < line.FloorN && now == PullStep.BackCut)
        {
            findings.Stop(
                "under-floor",
                units.Say(
                    $"Stop the saw: {read.Nominal:N} is under the floor of {line.FloorN:N+}{of}, and the tree may sit back. Tighten first."
                )
            );
        }
        else if (read.Nominal < line.FloorN)
        {
            findings.Look(
                "under-floor",
                units.Say(
                    $"{read.Nominal:N} is under the floor of {line.FloorN:N+}{of}: the tree may sit back on the saw. Tighten."
                )
            );
        }
        else if (read.Low < line.FloorN)
        {
            findings.Look(
                "may-be-under",
                units.Say(
                    $"It may be only {read.Low:N}, under the floor of {line.FloorN:N+}{of}: tighten a little, or read it in a better way."
                )
            );
        }
    }

    private void AddMovement(PullStep now, IReadOnlyList<PullLineView> lines)
    {
        foreach (var line in lines)
        {
            if (line is not { CameM: { } came, ExpectedM: { } expected } || now >= PullStep.BackCut)
            {
                continue;
            }

            var of = lines.Count > 1 ? $" of the {line.Id} line" : "";
            if (came < SatBackM)
            {
                findings.Stop(
                    "sat-back",
                    units.Say($"The seat{of} went back {-came:cm}: hold, tighten, and nobody cuts.")
                );
            }
            else if (came > Twice * Math.Max(expected, LeastToSeeM / Twice))
            {
                findings.Stop(
                    "moves-twice",
                    units.Say(
                        $"The seat{of} came {came:cm}, twice the {expected:cm} expected or more: the tree is not what the plan says. Roots, rot, a crack? Let off and look."
                    )
                );
            }
            else if (came > HalfAgain * expected && came - expected > LeastToSeeM)
            {
                findings.Look(
                    "moves-more",
                    units.Say(
                        $"The seat{of} came {came:cm} for {expected:cm} expected: look at the foot and the top, and measure again."
                    )
                );
            }
            else if (came < UnderHalf * expected && expected - came > LeastToSeeM)
            {
                findings.Look(
                    "moves-less",
                    units.Say(
                        $"The seat{of} came only {came:cm} for {expected:cm} expected: does the line hang on a branch, or does the reading mislead?"
                    )
                );
            }
        }
    }

    private void AddHold(IReadOnlyList<PullLineView> lines, IReadOnlyList<DayEntry> counting)
    {
        if (!PullHold.IsOver(counting))
        {
            findings.Wait("hold-short", "Two minutes, then read it again.");
        }

        foreach (var line in lines)
        {
            if (line.LostShare is { } lost && lost > LostShare)
            {
                findings.Stop(
                    $"lost-tenth{Suffix(line, lines)}",
                    units.Say(
                        $"It lost {lost:%} while it was held: something gives. Find what before you tighten: {(basis.Plan.HasGrip() ? "grip, knot" : "knot, brake")}, anchor, or a branch under the line."
                    )
                );
            }
        }
    }

    private void AddPull(IReadOnlyList<PullLineView> lines, PullSeen seen, IReadOnlyList<DayEntry> counting)
    {
        if (seen.Latest.LeanDeg is not { } lean)
        {
            findings.Wait("no-lean", "Call the lean: by the angle gauge, or by how far the seat has come.");
            return;
        }

        if (lean >= basis.CommitDeg)
        {
            return;
        }

        foreach (var line in lines)
        {
            var of = lines.Count > 1 ? $" on the {line.Id} line" : "";
            var hauled = seen.Latest.HauledM;
            if (hauled is { } all && line.Turn == 1 && all >= line.HaulM)
            {
                findings.Stop(
                    "haul-in-not-past",
                    units.Say(
                        $"{all:m} of rope is in{of}, all it should take, and the tree leans {lean:deg} of {basis.CommitDeg:deg}: hold it, nobody to the stump."
                    )
                );
            }
            else if (
                hauled is { } some
                && line is { Turn: 1, ExpectedHauledM: { } expected }
                && some > (HauledOver * expected) + HauledSlackM
            )
            {
                findings.Look(
                    "hauled-more",
                    units.Say(
                        $"{some:m} of rope came in{of} and {expected:m} should have for this lean: does {(basis.Plan.HasGrip() ? "the grip slip" : "a knot slip")}, the rope stretch, the anchor come?"
                    )
                );
            }

            if (
                line is { ReadN: { } read, ExpectedN: { } asks, ReadHere: true }
                && read.Nominal > OverCurve * asks
                && Rises(counting, line.Id, read.Nominal)
            )
            {
                findings.Stop(
                    "tension-rises",
                    units.Say(
                        $"{read.Nominal:N}{of} at {lean:deg}, and {asks:N} is what it should take there: it rises where it should fall. Hold and look what holds it back."
                    )
                );
            }
        }

        findings.Wait(
            "not-past",
            units.Say($"{lean:deg} of {basis.CommitDeg:deg}: steadily on, until it goes by itself.")
        );
    }

    /// <summary>Whether the reading before the last, at a smaller lean, was lower.</summary>
    private bool Rises(IReadOnlyList<DayEntry> counting, string lineId, double now)
    {
        var main = basis.Plan.Lines[0].Id;
        var read = counting
            .Where(e => e.TensionN is not null && e.Entry.Step == PullStep.Pull && (e.Entry.LineId ?? main) == lineId)
            .ToList();
        return read.Count > 1 && now > read[^2].TensionN!.Value.Nominal;
    }
}
