using System.Collections.Frozen;
using System.Text.RegularExpressions;
using Draklo.Core.Analyses;
using Draklo.Core.Clearing;
using Draklo.Core.Gear;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Logs;

/// <summary>What a log writes into the book of one piece.</summary>
/// <param name="Look">What was found on it; null where nothing was.</param>
public sealed record GearBooked(string ItemId, GearUse Use, Inspection? Look);

/// <summary>The day's work of every piece on a plan, from the log of the job.</summary>
public static partial class GearBooking
{
    /// <param name="analysis">Of the plan; null where it cannot be computed, and nobody knows what a piece carried.</param>
    public static IReadOnlyList<GearBooked> Of(JobLog log, string jobId, string job, Plan plan, Analysis? analysis)
    {
        if (log.Stage is JobStage.CalledOff)
        {
            return [];
        }

        var booked = new Dictionary<string, GearBooked>(StringComparer.Ordinal);
        var pulled = plan.Clearing is { Alone: true } ? [] : GearOnPlan.Of(plan);
        foreach (var (itemId, path, _) in pulled)
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

        BookClearing(log, jobId, job, plan, booked);
        return [.. booked.Values];
    }

    /// <summary>What the clearing used, where the log says that it was done; its peak shared out as its load path does.</summary>
    private static void BookClearing(
        JobLog log,
        string jobId,
        string job,
        Plan plan,
        Dictionary<string, GearBooked> booked
    )
    {
        if (log.Clearing is not { } said || plan.Clearing is not { } clearing)
        {
            return;
        }

        var way = ClearingAnalysis
            .Of(plan with { Clearing = clearing with { Way = said.Way } }, UnitSystem.Metric)
            .Analysis?.Ways.First(w => w.Way == said.Way);
        var (main, traits) = (way?.MainLink, Way.Of(said.Way).Traits);
        foreach (var (itemId, path, linkId) in GearOnPlan.OfClearing(clearing))
        {
            var link = way?.Links.FirstOrDefault(l => l.Id == linkId);
            if (way is { SetUp: true } && link is null)
            {
                // A piece that this way does not use stays where it was.
                continue;
            }

            var before = booked.GetValueOrDefault(itemId);
            var of = log.Gear.FirstOrDefault(g => g.ItemId == itemId);
            var peak =
                said.PeakN is { } read && link is not null && main is { LoadValue: > 0 }
                    ? read * link.LoadValue / main.LoadValue
                    : (double?)null;
            var slid = traits.RunsOnLine && path == GearOnPlan.Line;
            booked[itemId] = new(
                itemId,
                new()
                {
                    On = log.On,
                    Job = job,
                    JobId = jobId,
                    PeakN = Most(peak, before?.Use.PeakN),
                    Knots = before?.Use.Knots ?? [],
                    Jams = before?.Use.Jams ?? 0,
                    Shock = traits.Shocks || before?.Use.Shock == true || of?.Shock == true,
                    Note = slid ? "Slid on: it holds no load and nobody again." : of?.Note,
                },
                before?.Look ?? LookOf(of, log, jobId)
            );
        }
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

    /// <summary>The links that a piece of the pull is, by where it hangs on its line.</summary>
    private static readonly FrozenDictionary<string, LinkKind[]> KindsAt = new Dictionary<string, LinkKind[]>(
        StringComparer.Ordinal
    )
    {
        [".rope"] = [LinkKind.PullLine, LinkKind.SeatKnot],
        [".joined.rope"] = [LinkKind.SecondRope],
        [".tackle.rope"] = [LinkKind.TackleLegs],
        [".tackle.grip"] = [LinkKind.Grip],
        [".tackle.hold.grip"] = [LinkKind.HoldingGrip],
        [".tackle.hold.turns"] = [LinkKind.HoldingTurns],
        [".tackle.connector"] = [LinkKind.Connector],
        [".tackle"] = [LinkKind.Blocks],
        [".anchor.sling"] = [LinkKind.AnchorSling],
        [".limiter"] = [LinkKind.Drum],
        [".redirects"] = [LinkKind.RedirectBlock],
        [".redirects.at.sling"] = [LinkKind.RedirectSling],
    }.ToFrozenDictionary(StringComparer.Ordinal);

    [GeneratedRegex(@"^lines\[\d+\]|\[\d+\]", RegexOptions.None, matchTimeoutMilliseconds: 1000)]
    private static partial Regex Places();

    /// <exception cref="KeyNotFoundException">Nobody said which link a piece there is.</exception>
    internal static IReadOnlyList<LinkKind> KindsOf(string path) => KindsAt[Places().Replace(path, "")];

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
