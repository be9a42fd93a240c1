using Draklo.Core.Analyses;
using Draklo.Core.Catalogue;
using Draklo.Core.Clearing;
using Draklo.Core.Days;
using Draklo.Core.Falls;
using Draklo.Core.Gear;
using Draklo.Core.Geometry;
using Draklo.Core.Logs;
using Draklo.Core.Plans;
using Draklo.Core.Pulling;
using Draklo.Core.Units;
using Draklo.Store;

namespace Draklo.Web.Logs;

/// <summary>Keeps what a crew says of a job afterwards, and works out what follows from it.</summary>
internal sealed class LogDesk(
    JobStore jobs,
    LockerStore locker,
    LogStore logs,
    PullStore pulling,
    BriefStore briefs,
    TimeProvider clock
)
{
    private const int Spans = 10;

    /// <summary>A log with what its questions start from; null when there is no such job.</summary>
    public LogAnswer? Of(string id)
    {
        if (jobs.Find(id) is not { } job)
        {
            return null;
        }

        var kept = logs.Find(id);
        var stage = kept?.Log.Stage ?? (briefs.Issued(id).Count > 0 ? JobStage.Briefed : JobStage.Planned);
        return new(
            id,
            job.Content.Name,
            job.Content.Place,
            stage,
            kept?.Revision ?? 0,
            kept?.SavedAt,
            kept?.Log,
            StartOf(job)
        );
    }

    /// <summary>Keeps a log.</summary>
    /// <param name="revision">Of the log that this one began from; 0 for the first.</param>
    public (SaveResult Result, LogAnswer? Answer, IReadOnlyList<Problem> Problems) Keep(
        string id,
        int revision,
        JobLog log,
        UnitSystem units
    )
    {
        if (jobs.Find(id) is not { } job)
        {
            return (SaveResult.Missing, null, []);
        }

        var plan = job.Content.Plan;
        var analysis = AnalysisOf(plan);
        var problems = LogRules.Check(log, plan, analysis, locker.Today, units);
        if (problems.Count > 0)
        {
            return (SaveResult.Saved, null, problems);
        }

        var (result, _) = logs.Keep(
            id,
            revision,
            log,
            LoggedJob.Of(log, id, job.Content.Name, plan, analysis),
            GearBooking.Of(log, id, job.Content.Name, plan, analysis)
        );
        return (result, result == SaveResult.Missing ? null : Of(id), []);
    }

    /// <summary>What is wrong with a log that comes in from outside.</summary>
    public IReadOnlyList<Problem> ProblemsOf(JobLog log, Plan plan) =>
        LogRules.Check(log, plan, AnalysisOf(plan), locker.Today, UnitSystem.Metric);

    /// <summary>Keeps a log that came in with its job. Its gear was booked where it came from.</summary>
    public void Fill(Job job, JobLog log) =>
        logs.Fill([
            (
                job.Id,
                log,
                LoggedJob.Of(log, job.Id, job.Content.Name, job.Content.Plan, AnalysisOf(job.Content.Plan)),
                []
            ),
        ]);

    /// <summary>Says that the tree is down, as soon as the day has come there; a log that is there stays as it is.</summary>
    public void TreeIsDown(string id, string by)
    {
        if (logs.Find(id) is null)
        {
            Keep(
                id,
                0,
                new()
                {
                    Stage = JobStage.Pulled,
                    On = locker.Today.ToString("yyyy-MM-dd"),
                    By = by,
                },
                UnitSystem.Metric
            );
        }
    }

    /// <summary>What is learned from every job, worked out again where that is wanted.</summary>
    public IReadOnlyList<LoggedJob> Learned()
    {
        var (learned, remake) = logs.Learned();
        if (remake.Count == 0)
        {
            return learned;
        }

        foreach (var id in remake)
        {
            Remake(id);
        }

        return logs.Learned().Learned;
    }

    /// <summary>Works out again what follows from a log, as after an undo; without a log nothing stays booked.</summary>
    public void Remake(string id)
    {
        if (jobs.Find(id) is not { } job)
        {
            return;
        }

        if (logs.Find(id)?.Log is not { } log)
        {
            logs.Unbook(id);
            return;
        }

        var analysis = AnalysisOf(job.Content.Plan);
        logs.Remake(
            id,
            LoggedJob.Of(log, id, job.Content.Name, job.Content.Plan, analysis),
            GearBooking.Of(log, id, job.Content.Name, job.Content.Plan, analysis)
        );
    }

    private static Core.Analyses.Analysis? AnalysisOf(Plan plan) =>
        PlanAnalysis.Of(plan, UnitSystem.Metric, withWorkings: false).Analysis;

    private LogStart StartOf(Job job)
    {
        var plan = job.Content.Plan;
        var analysis = AnalysisOf(plan);
        var fall = analysis is null ? null : Fall.Of(plan, new(Aim: true), UnitSystem.Metric).Fall;
        var (on, read) = ReadOnTheDay(job.Id, plan, analysis);
        var clearing = ClearingOf(job.Id, plan, read.GetValueOrDefault(LoadBasis.LineId).Peak);
        if (clearing is { Alone: true })
        {
            // Nothing is pulled: no lines, no cuts, no knots of a pull.
            return new()
            {
                On = on ?? Earlier(job.Content.PlannedOn) ?? locker.Today.ToString("yyyy-MM-dd"),
                HeightM = plan.Tree.HeightM,
                LayDeg = plan.Lay.BearingDeg,
                AimErrorDeg = plan.Site.AimErrorDeg,
                Tip = null,
                Mark = null,
                HoldDeg = null,
                Lines = [],
                Tasks = [],
                Knots = [],
                Gear = PiecesOf(plan),
                Clearing = clearing,
            };
        }

        return new()
        {
            On = on ?? Earlier(job.Content.PlannedOn) ?? locker.Today.ToString("yyyy-MM-dd"),
            HeightM = plan.Tree.HeightM,
            LayDeg = plan.Lay.BearingDeg,
            AimErrorDeg = plan.Site.AimErrorDeg,
            Tip = fall?.Tip,
            Mark = MarkOf(plan),
            HoldDeg = analysis?.Hinge.HoldSpreadDeg,
            Lines = [.. plan.Lines.Select((l, i) => LineOf(l, i, analysis, read.GetValueOrDefault(l.Id)))],
            Tasks = analysis is null
                ? []
                :
                [
                    .. DrawnTasks
                        .Of(plan, analysis)
                        .Select(t => new LogTask(t.Id, t.Name, t.Minutes.Nominal, t.People)),
                ],
            Knots = KnotsOf(plan),
            Gear = PiecesOf(plan),
            Clearing = clearing,
        };
    }

    private LogClearing? ClearingOf(string id, Plan plan, double? tracedN)
    {
        if (LoadBasis.Of(plan) is not { Way: var way, Line: var line } basis)
        {
            return null;
        }

        var day = LoadsView.Of(basis, PullDay.Counting(pulling.Entries(id)));
        return new()
        {
            Way = way.Way,
            Name = way.Name,
            Alone = basis.Members.Alone,
            Loads = way.Loads,
            RigMin = way.RigMin.Nominal,
            EachMin = way.EachMin.Nominal,
            LineN = line?.LoadValue,
            MayN = line?.AllowedValue,
            Moved = day.Moved,
            LapsMin = day.LapsMin,
            ReadPeakN = tracedN ?? day.PeakN,
        };
    }

    private string? Earlier(string? day) => GearRules.Day(day) is { } planned && planned <= locker.Today ? day : null;

    private static Landing? MarkOf(Plan plan)
    {
        if (plan.Site.Mark is not { } mark)
        {
            return null;
        }

        var (sin, cos) = Math.SinCos(Angle.Radians(plan.Lay.BearingDeg));
        return new(
            Math.Round((mark.EastM * sin) + (mark.NorthM * cos), 2),
            Math.Round((mark.EastM * cos) - (mark.NorthM * sin), 2)
        );
    }

    private static LogLineStart LineOf(
        LineMembers line,
        int at,
        Core.Analyses.Analysis? analysis,
        (double? Peak, double? Went, bool Traced) read
    ) =>
        new(
            line.Id,
            analysis is null ? null : line.Share * analysis.Pull.NeededTensionN,
            analysis?.Pull.Lines[at].TensionN,
            read.Peak,
            read.Went,
            read.Traced,
            line.Seat.HeightM,
            line.Puller.Kind == PullerKind.People ? line.Puller.Count : null
        );

    /// <summary>Peak and start of each line: of the load cell's trace where there is one, else of the readings entered.</summary>
    private (string? On, Dictionary<string, (double? Peak, double? Went, bool Traced)> By) ReadOnTheDay(
        string id,
        Plan plan,
        Core.Analyses.Analysis? analysis
    )
    {
        var by = new Dictionary<string, (double?, double?, bool)>(StringComparer.Ordinal);
        var entries = PullDay.Counting(pulling.Entries(id));
        foreach (var line in plan.Lines)
        {
            var read = entries
                .Where(e => e is { TensionN: not null, Entry.Tension.Simulated: false })
                .Where(e => (e.Entry.LineId ?? plan.Lines[0].Id) == line.Id)
                .Select(e => e.TensionN!.Value.Nominal)
                .ToList();
            if (read.Count > 0)
            {
                by[line.Id] = (Rounded(read.Max()), null, false);
            }
        }

        var commit = analysis?.Pull.CommitDeg ?? double.PositiveInfinity;
        foreach (var extent in pulling.Extents(id))
        {
            var trace = TraceView.Of(
                extent.LineId,
                pulling.Trace(id, extent.LineId),
                extent.FromMs,
                extent.ToMs,
                Spans,
                commit,
                PullDay.CutMs(entries)
            );
            if (trace.PeakN > 0)
            {
                by[extent.LineId] = (Rounded(trace.PeakN), trace.WentN is { } went ? Rounded(went) : null, true);
            }
        }

        var on =
            entries.Count > 0 && DateTimeOffset.TryParse(entries[^1].At, out var at)
                ? TimeZoneInfo.ConvertTime(at, clock.LocalTimeZone).ToString("yyyy-MM-dd")
                : null;
        return (on, by);

        static double Rounded(double newtons) => Math.Round(newtons, 1);
    }

    private static List<LogKnot> KnotsOf(Plan plan)
    {
        var knots = new List<LogKnot>();
        foreach (var line in plan.Lines)
        {
            var of = plan.Lines.Count > 1 ? $" of {line.Id}" : "";
            Add(line.KnotId, line.Rope.ItemId, $"at the seat{of}");
            Add(line.Joined?.KnotId, line.Rope.ItemId, $"between the ropes{of}");
            Add(line.Tackle.JoinKnotId, line.Rope.ItemId, $"at the tackle{of}");
            Add(line.Tackle.Rope?.EndKnotId, line.Tackle.Rope?.ItemId, $"in the tackle{of}");
        }

        return knots;

        void Add(string? id, string? item, string where)
        {
            if (id is not null && Reference.Knots.TryGetValue(id, out var knot))
            {
                knots.Add(new(id, knot.Name, item, where));
            }
        }
    }

    private List<LogPiece> PiecesOf(Plan plan)
    {
        var pieces = locker.List().ToDictionary(k => k.Item.Id, k => k.Item, StringComparer.Ordinal);
        return
        [
            .. GearOnPlan
                .All(plan)
                .Select(h => h.ItemId)
                .Distinct(StringComparer.Ordinal)
                .Where(pieces.ContainsKey)
                .Select(i => pieces[i])
                .Select(i => new LogPiece(i.Id, i.Name, i.Kind, i.LengthM, i.State == GearState.Retired)),
        ];
    }
}
