using System.Collections.Immutable;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Pulling;

/// <summary>Judges what changes from one entry to the next: a tension that jumps, a tree that comes back.</summary>
internal sealed class ChangeJudge(
    PullBasis basis,
    FindingList findings,
    UnitSystem units,
    IReadOnlyList<DayEntry> counting
)
{
    /// <summary>A reading that is so many times the one before is read again.</summary>
    private const double Jump = 3;

    /// <summary>Under so much of the planned tension it says nothing.</summary>
    private const double JumpFrom = 0.1;

    /// <summary>So far over what a step brings a line to it is no tightening.</summary>
    private const double AboveTarget = 1.4;
    private const double SatBackDeg = -0.3;

    /// <summary>What a thing that comes back at all is told apart from one that stands, in its own unit.</summary>
    private const double Still = 1e-6;

    /// <summary>Three times the reading before is read again, and a stop when it reads so twice.</summary>
    /// <remarks>Tightening is no jump: a step that brings a line up is measured by what it brings it to.</remarks>
    public void AddJumps(IReadOnlyList<PullLineView> lines)
    {
        var main = basis.Plan.Lines[0].Id;
        foreach (var line in lines)
        {
            double? last = null;
            var (jumps, read) = (0, 0.0);
            foreach (var entry in counting)
            {
                if (entry.TensionN is not { } tension || (entry.Entry.LineId ?? main) != line.Id)
                {
                    continue;
                }

                read = tension.Nominal;
                var up =
                    basis.TargetN(entry.Entry.Step) is { } target && entry.Entry.Step <= PullStep.Planned
                        ? AboveTarget * target * basis.ShareOf(IndexOf(line.Id))
                        : 0;
                var jumped =
                    last is { } before && read >= Jump * before && read > Math.Max(up, JumpFrom * line.PlannedN);
                (jumps, last) = jumped ? (jumps + 1, last) : (0, read);
            }

            var of = lines.Count > 1 ? $" of the {line.Id} line" : "";
            if (jumps > 1)
            {
                findings.Stop(
                    "jumped-twice",
                    units.Say(
                        $"{read:N}{of}, three times the reading before, and read so twice: hold, and look what pulls."
                    )
                );
            }
            else if (jumps == 1)
            {
                findings.Look(
                    "jumped",
                    units.Say($"{read:N}{of} is three times the reading before: read it again before anything else.")
                );
            }
        }
    }

    private int IndexOf(string lineId)
    {
        for (var i = 0; i < basis.Plan.Lines.Count; i++)
        {
            if (basis.Plan.Lines[i].Id == lineId)
            {
                return i;
            }
        }

        return 0;
    }

    /// <summary>A seat or a lean that comes back: at all from the back cut on, and past where it stood before that.</summary>
    public void AddComesBack(ImmutableArray<PullStep> order, int at, PullSeen seen)
    {
        var backCut = order.IndexOf(PullStep.BackCut);
        if (at < backCut)
        {
            if (seen.Latest.LeanDeg < SatBackDeg)
            {
                findings.Stop("sat-back", "The tree leans back from where it stood: hold, tighten, and nobody cuts.");
            }

            return;
        }

        var cut = counting.Where(e => order.IndexOf(e.Entry.Step) >= backCut).ToList();
        var leans = cut.Select(e => e.Entry.Seen?.LeanDeg).OfType<double>().ToList();
        var back =
            ComesBack(leans)
            || cut.Where(e => e.Entry.Seen?.CameM is not null)
                .GroupBy(e => e.Entry.LineId ?? basis.Plan.Lines[0].Id, e => e.Entry.Seen!.CameM!.Value)
                .Any(g => ComesBack([.. g]));
        if (back)
        {
            findings.Stop(
                "comes-back",
                at > backCut
                    ? "It comes back: haul no further, hold the line, nobody to the stump."
                    : "It comes back: stop the saw, hold the line, everybody out."
            );
        }

        static bool ComesBack(List<double> told) =>
            told.Count > 0 && (told[^1] < -Still || told[^1] < told.Max() - Still);
    }
}
