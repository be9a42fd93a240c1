using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Pulling;

/// <summary>One line of the plan on the day.</summary>
/// <param name="Turn">Which is tightened first: 1 and up.</param>
/// <param name="FloorN">Its share of the window.</param>
/// <param name="CeilingN">Its share of the window.</param>
/// <param name="TargetN">What this step brings it to; null where none is asked.</param>
/// <param name="ReadN">Its last tension; null before any.</param>
/// <param name="ReadAt">When.</param>
/// <param name="ReadWay">How.</param>
/// <param name="ReadHere">Whether it was read at this step.</param>
/// <param name="LostShare">Of the tension that the hold began with; null before there are two readings in it.</param>
/// <param name="ExpectedM">How far its seat should have come at what it carries, or at the target before it is read;
/// null without either.</param>
/// <param name="CameM">How far somebody saw it come.</param>
/// <param name="StirsAtM">Uncut wood at which the tree stirs at this tension; null before any.</param>
/// <param name="HaulM">Rope to take in from a tight line to commit.</param>
/// <param name="ExpectedHauledM">What should be in at the lean told; null without one.</param>
/// <param name="ExpectedN">What it should carry at the lean told; null without one.</param>
public sealed record PullLineView(
    string Id,
    int Turn,
    double FloorN,
    double CeilingN,
    double PlannedN,
    double? TargetN,
    Spread? ReadN,
    string? ReadAt,
    TensionWay? ReadWay,
    bool ReadHere,
    double? LostShare,
    double? ExpectedM,
    double? CameM,
    double? StirsAtM,
    PullerKind Puller,
    int PullerCount,
    double HaulM,
    double? ExpectedHauledM,
    double? ExpectedN,
    IReadOnlyList<PullPoint> Curve
)
{
    public static List<PullLineView> All(PullBasis basis, IReadOnlyList<DayEntry> counting, PullStep now, PullSeen seen)
    {
        var plan = basis.Plan;
        // The main line first, then by share: each is brought up before the next is touched.
        var turns = Enumerable
            .Range(0, plan.Lines.Count)
            .OrderBy(i => i == 0 ? 0 : 1)
            .ThenByDescending(basis.ShareOf)
            .ToList();
        var last = plan
            .Lines.Select((l, i) => counting.LastOrDefault(e => e.TensionN is not null && IsOf(e, l, i)))
            .ToList();
        var tensions = last.Select(e => e?.TensionN?.Nominal ?? 0).ToList();
        var target = basis.TargetN(now);
        return
        [
            .. turns.Select(
                (i, turn) =>
                {
                    var (line, share, read) = (plan.Lines[i], basis.ShareOf(i), last[i]);
                    var lean = seen.Latest.LeanDeg;
                    var at = tensions.ToList();
                    at[i] = read?.TensionN?.Nominal ?? (share * (target ?? 0));
                    return new PullLineView(
                        line.Id,
                        turn + 1,
                        share * basis.FloorN,
                        share * basis.CeilingN,
                        basis.Analysis.Pull.Lines[i].TensionN,
                        share * target,
                        read?.TensionN,
                        read?.At,
                        read?.Entry.Tension?.Way,
                        read?.Entry.Step == now,
                        Lost(counting, line, i),
                        at[i] > 0 ? basis.ComesM(i, at) : null,
                        CameOf(counting, now, line, i),
                        read?.TensionN is { } spread && share > 0 ? basis.StirsAtM(spread.Nominal / share) : null,
                        line.Puller.Kind,
                        line.Puller.Count,
                        basis.Analysis.Pull.Lines[i].Tackle.HaulLengthM,
                        lean is { } told ? basis.HauledAt(i, told) : null,
                        lean is { } leans ? basis.TensionAt(i, leans) : null,
                        basis.Curve(i)
                    );
                }
            ),
        ];
    }

    /// <summary>The line that carries or hauls the loads; none where no line does.</summary>
    public static List<PullLineView> OfLoads(PullBasis basis, IReadOnlyList<DayEntry> counting, PullStep now)
    {
        if (basis.Loads is not { Line: { } line, MostN: { } most } loads)
        {
            return [];
        }

        var read = counting.LastOrDefault(LoadsView.IsReading);
        return
        [
            new(
                LoadBasis.LineId,
                1,
                0,
                most,
                line.LoadValue,
                basis.TargetN(now),
                read?.TensionN,
                read?.At,
                read?.Entry.Tension?.Way,
                read?.Entry.Step == now,
                null,
                null,
                null,
                null,
                loads.Members.Hauler.Kind,
                loads.Members.Hauler.Count,
                0,
                null,
                null,
                []
            ),
        ];
    }

    private static bool IsOf(DayEntry entry, LineMembers line, int index) =>
        entry.Entry.LineId is { } id ? id == line.Id : index == 0;

    /// <summary>At this step: what was seen at a lower tension says nothing of this one.</summary>
    private static double? CameOf(IReadOnlyList<DayEntry> counting, PullStep now, LineMembers line, int index) =>
        counting
            .LastOrDefault(e => e.Entry.Step == now && e.Entry.Seen?.CameM is not null && IsOf(e, line, index))
            ?.Entry.Seen!.CameM;

    /// <summary>What the hold lost: from its first reading, or the last one before it, to its last.</summary>
    private static double? Lost(IReadOnlyList<DayEntry> counting, LineMembers line, int index)
    {
        var began = counting.ToList().FindLastIndex(e => e.Entry is { Kind: EntryKind.Move, To: PullStep.Hold });
        if (began < 0)
        {
            return null;
        }

        var before = counting.Take(began).LastOrDefault(e => e.TensionN is not null && IsOf(e, line, index));
        var held = counting
            .Skip(began)
            .Where(e => e.TensionN is not null && e.Entry.Step == PullStep.Hold && IsOf(e, line, index))
            .ToList();
        var from = before ?? held.FirstOrDefault();
        return from is not null && held.Count > (before is null ? 1 : 0) && from.TensionN!.Value.Nominal > 0
            ? 1 - (held[^1].TensionN!.Value.Nominal / from.TensionN.Value.Nominal)
            : null;
    }
}
