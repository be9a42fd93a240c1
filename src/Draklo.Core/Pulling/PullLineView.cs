using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Pulling;

/// <summary>One line of the plan on the day.</summary>
public sealed record PullLineView
{
    public required string Id { get; init; }

    /// <summary>Which is tightened first: 1 and up.</summary>
    public required int Turn { get; init; }

    /// <summary>Its share of the window.</summary>
    public required double FloorN { get; init; }

    /// <summary>Its share of the window.</summary>
    public required double CeilingN { get; init; }

    /// <summary>What the plan pulls in this line, newtons.</summary>
    public required double PlannedN { get; init; }

    /// <summary>What this step brings it to; null where none is asked.</summary>
    public required double? TargetN { get; init; }

    /// <summary>Its last tension; null before any.</summary>
    public required Spread? ReadN { get; init; }

    /// <summary>When.</summary>
    public required string? ReadAt { get; init; }

    /// <summary>How.</summary>
    public required TensionWay? ReadWay { get; init; }

    /// <summary>Whether it was read at this step.</summary>
    public required bool ReadHere { get; init; }

    /// <summary>The last reading is of a simulated instrument.</summary>
    public bool ReadSimulated { get; init; }

    /// <summary>Of the tension that the hold began with; null before there are two readings in it.</summary>
    public required double? LostShare { get; init; }

    /// <summary>How far its seat should have come at what it carries, or at the target before it is read; null without either.</summary>
    public required double? ExpectedM { get; init; }

    /// <summary>How far somebody saw it come.</summary>
    public required double? CameM { get; init; }

    /// <summary>Uncut wood at which the tree stirs at this tension; null before any.</summary>
    public required double? StirsAtM { get; init; }

    public required PullerKind Puller { get; init; }

    /// <summary>Whether a hitch or a cam of it holds on a rope, and may creep.</summary>
    public bool HasGrip { get; init; }

    /// <summary>How many haul by hand; 0 for a machine.</summary>
    public required int PullerCount { get; init; }

    /// <summary>Rope to take in from a tight line to commit.</summary>
    public required double HaulM { get; init; }

    /// <summary>What should be in at the lean told; null without one.</summary>
    public required double? ExpectedHauledM { get; init; }

    /// <summary>What it should carry at the lean told; null without one.</summary>
    public required double? ExpectedN { get; init; }

    public required IReadOnlyList<PullPoint> Curve { get; init; }

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
                    return new PullLineView
                    {
                        Id = line.Id,
                        Turn = turn + 1,
                        FloorN = share * basis.FloorN,
                        CeilingN = share * basis.CeilingN,
                        PlannedN = basis.Analysis.Pull.Lines[i].TensionN,
                        TargetN = share * target,
                        ReadN = read?.TensionN,
                        ReadAt = read?.At,
                        ReadWay = read?.Entry.Tension?.Way,
                        ReadHere = read?.Entry.Step == now,
                        ReadSimulated = read?.Entry.Tension?.Simulated == true,
                        LostShare = Lost(counting, line, i),
                        ExpectedM = at[i] > 0 ? basis.ComesM(i, at) : null,
                        CameM = CameOf(counting, now, line, i),
                        StirsAtM =
                            read?.TensionN is { } spread && share > 0 ? basis.StirsAtM(spread.Nominal / share) : null,
                        Puller = line.Puller.Kind,
                        HasGrip = line.HasGrip(),
                        PullerCount = line.Puller.Count,
                        HaulM = basis.Analysis.Pull.Lines[i].Tackle.HaulLengthM,
                        ExpectedHauledM = lean is { } told ? basis.HauledAt(i, told) : null,
                        ExpectedN = lean is { } leans ? basis.TensionAt(i, leans) : null,
                        Curve = basis.Curve(i),
                    };
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
            new()
            {
                Id = LoadBasis.LineId,
                Turn = 1,
                FloorN = 0,
                CeilingN = most,
                PlannedN = line.LoadValue,
                TargetN = basis.TargetN(now),
                ReadN = read?.TensionN,
                ReadAt = read?.At,
                ReadWay = read?.Entry.Tension?.Way,
                ReadHere = read?.Entry.Step == now,
                ReadSimulated = read?.Entry.Tension?.Simulated == true,
                LostShare = null,
                ExpectedM = null,
                CameM = null,
                StirsAtM = null,
                Puller = loads.Members.Hauler.Kind,
                PullerCount = loads.Members.Hauler.Count,
                HaulM = 0,
                ExpectedHauledM = null,
                ExpectedN = null,
                Curve = [],
            },
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
