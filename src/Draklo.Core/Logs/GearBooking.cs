using Draklo.Core.Analyses;
using Draklo.Core.Gear;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Logs;

/// <summary>What a log writes into the book of one piece.</summary>
/// <param name="Look">What was found on it; null where nothing was.</param>
public sealed record GearBooked(string ItemId, GearUse Use, Inspection? Look);

/// <summary>The day's work of every piece on a plan, from the log of the job.</summary>
public static class GearBooking
{
    /// <param name="analysis">Of the plan; null where it cannot be computed, and nobody knows what a piece carried.</param>
    public static IReadOnlyList<GearBooked> Of(JobLog log, string jobId, string job, Plan plan, Analysis? analysis)
    {
        if (log.Stage is JobStage.CalledOff)
        {
            return [];
        }

        var booked = new Dictionary<string, GearBooked>(StringComparer.Ordinal);
        foreach (var (itemId, path) in GearOnPlan.Of(plan))
        {
            var line = LineOf(path);
            var said = log.Lines.FirstOrDefault(l => l.LineId == plan.Lines[line].Id);
            var of = log.Gear.FirstOrDefault(g => g.ItemId == itemId);
            var peak = PeakOn(path, line, plan, analysis, said);
            var before = booked.GetValueOrDefault(itemId)?.Use.PeakN;
            booked[itemId] = new(
                itemId,
                new()
                {
                    On = log.On,
                    Job = job,
                    JobId = jobId,
                    PeakN = Most(peak, before),
                    Knots = [.. log.Knots.Where(k => k.ItemId == itemId).Select(k => k.KnotId).Take(8)],
                    Jams = log.Knots.Count(k => k.ItemId == itemId && k.Undone != Undone.ByHand),
                    Shock = said?.Shock == true || of?.Shock == true,
                    Note = of?.Note,
                },
                LookOf(of, log, jobId)
            );
        }

        return [.. booked.Values];
    }

    private static Inspection? LookOf(GearLog? of, JobLog log, string jobId) =>
        of is { Findings.Count: > 0 }
            ? new()
            {
                On = log.On,
                By = log.By,
                JobId = jobId,
                Findings = of.Findings,
                AtM = of.AtM,
                Note = of.Note,

                // What was seen by the tree is looked at again in the yard; whoever looks there decides.
                Outcome = InspectionOutcome.Watch,
            }
            : null;

    /// <summary>The peak on a piece: the peak of its line, as the load path shares it out.</summary>
    private static double? PeakOn(string path, int line, Plan plan, Analysis? analysis, LineLog? said)
    {
        if (said?.PeakN is not { } peak || analysis is null)
        {
            return null;
        }

        var planned = analysis.Pull.Lines[line].TensionN;
        if (planned <= 0)
        {
            return null;
        }

        double most = 0;
        foreach (var link in analysis.Links)
        {
            if (
                link.LineId == plan.Lines[line].Id
                && link.Dimension == Dimension.Force
                && KindsOf(path).Contains(link.Kind)
                && (link.Place is null || path.Contains($"redirects[{link.Place - 1}]", StringComparison.Ordinal))
            )
            {
                most = Math.Max(most, link.LoadValue);
            }
        }

        return (most > 0 ? most : planned) / planned * peak;
    }

    private static LinkKind[] KindsOf(string path) =>
        path[(path.IndexOf(']', StringComparison.Ordinal) + 1)..] switch
        {
            ".rope" => [LinkKind.PullLine, LinkKind.SeatKnot],
            ".joined.rope" => [LinkKind.SecondRope],
            ".tackle.rope" => [LinkKind.TackleLegs],
            ".tackle.grip" => [LinkKind.Grip],
            ".tackle.hold.grip" => [LinkKind.HoldingGrip],
            ".tackle.hold.turns" => [LinkKind.HoldingTurns],
            ".tackle.connector" => [LinkKind.Connector],
            ".tackle" => [LinkKind.Blocks],
            ".anchor.sling" => [LinkKind.AnchorSling],
            ".limiter" => [LinkKind.Drum],
            var other when other.EndsWith(".sling", StringComparison.Ordinal) => [LinkKind.RedirectSling],
            _ => [LinkKind.RedirectBlock],
        };

    private static double? Most(double? a, double? b) =>
        a is null ? b
        : b is null ? a
        : Math.Max(a.Value, b.Value);

    private static int LineOf(string path) =>
        int.Parse(
            path.AsSpan(6, path.IndexOf(']', StringComparison.Ordinal) - 6),
            System.Globalization.CultureInfo.InvariantCulture
        );
}
