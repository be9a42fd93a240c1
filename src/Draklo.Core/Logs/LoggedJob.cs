using Draklo.Core.Analyses;
using Draklo.Core.Catalogue;
using Draklo.Core.Clearing;
using Draklo.Core.Days;
using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Logs;

/// <summary>What is learned from one job: what was predicted beside what came. Worked out when the log is kept.</summary>
public sealed record LoggedJob
{
    public required string JobId { get; init; }

    public required string Name { get; init; }

    public required string On { get; init; }

    public required string SpeciesId { get; init; }

    /// <summary>Whoever led it; empty where the plan names nobody.</summary>
    public required string Crew { get; init; }

    /// <summary>Brittle, fair or strong, as the plan had it.</summary>
    public required HingeClass Wood { get; init; }

    public required JobStage Stage { get; init; }

    public required LandingLog? Landing { get; init; }

    /// <summary>Degrees that the tree fell off its lay, right of it positive, −180 to 180; null where nobody noted it.</summary>
    public required double? AimErrorDeg { get; init; }

    public required HingeEnd? HingeEnded { get; init; }

    /// <summary>Lean at which the hinge let go; null where it held, tore or nobody looked.</summary>
    public required double? HeldDeg { get; init; }

    /// <summary>How far the notch opened.</summary>
    public required double NotchDeg { get; init; }

    /// <summary>What was expected of the hinge.</summary>
    public required Spread? HoldDeg { get; init; }

    public required IReadOnlyList<LoggedLine> Lines { get; init; }

    /// <summary>From its beginning to its end, 0 or more.</summary>
    public required double Minutes { get; init; }

    /// <summary>Minutes times the people at it, 0 or more.</summary>
    public required double PersonMinutes { get; init; }

    /// <summary>How the pieces were moved; null where nobody has said.</summary>
    public LoggedClearing? Clearing { get; init; }

    /// <summary>Tasks that the plan called for and somebody timed.</summary>
    public IReadOnlyList<LoggedTask> Tasks { get; init; } = [];

    /// <param name="analysis">Of the plan; null where it cannot be computed.</param>
    public static LoggedJob Of(JobLog log, string jobId, string name, Plan plan, Analysis? analysis)
    {
        var lead = plan.Crew.FirstOrDefault(c => c.Role == JobRole.Lead);
        return new()
        {
            JobId = jobId,
            Name = name,
            On = log.On,
            SpeciesId = plan.Tree.SpeciesId ?? "",
            Crew = lead?.Name.Trim() ?? "",
            Wood = WoodOf(plan),
            Stage = log.Stage,
            Landing = log.Landing,
            AimErrorDeg = log.Landing is { } landing ? Angle.Degrees(Math.Atan2(landing.RightM, landing.OutM)) : null,
            HingeEnded = log.Hinge?.End,
            HeldDeg = log.Hinge is { End: HingeEnd.LetGo } hinge ? hinge.AtDeg : null,
            NotchDeg = plan.Cut.Notch.OpeningDeg,
            HoldDeg = analysis?.Hinge.HoldSpreadDeg,
            Lines = [.. log.Lines.Select(l => LineOf(l, plan, analysis)).OfType<LoggedLine>()],
            Minutes = log.Minutes.Sum(m => m.Minutes),
            PersonMinutes = log.Minutes.Sum(m => m.Minutes * m.People),
            Clearing = ClearingOf(log, plan),
            Tasks = analysis is null ? [] : [.. TasksOf(log, plan, analysis)],
        };
    }

    /// <summary>Beside what is drawn up for this plan, whatever the crew had put in.</summary>
    private static IEnumerable<LoggedTask> TasksOf(JobLog log, Plan plan, Analysis analysis)
    {
        var drawn = DrawnTasks.Timed(plan, analysis);
        return from said in log.Minutes
            where said.Minutes > 0
            from task in drawn
            where task.Id == said.TaskId
            select new LoggedTask(DrawnTasks.KindOf(said.TaskId), said.Minutes, task.Minutes);
    }

    /// <summary>Beside what the table says of the same way over the same distance.</summary>
    private static LoggedClearing? ClearingOf(JobLog log, Plan plan)
    {
        if (log.Clearing is not { } said || WayTable.EachMin(plan, said.Way) is not { } table)
        {
            return null;
        }

        return new(said.Way, said.Loads ?? said.LapsMin.Count, said.MiddleMin(), table, said.RigMin, said.PeakN);
    }

    private static HingeClass WoodOf(Plan plan) =>
        plan.Tree.Condition.Dead ? HingeClass.Brittle
        : plan.Tree.Wood is not null || Reference.Species.ContainsKey(plan.Tree.SpeciesId ?? "")
            ? Trees.Wood.Of(plan.Tree).HingeClass
        : HingeClass.Fair;

    private static LoggedLine? LineOf(LineLog said, Plan plan, Analysis? analysis)
    {
        var at = 0;
        while (at < plan.Lines.Count && plan.Lines[at].Id != said.LineId)
        {
            at++;
        }

        if (at == plan.Lines.Count)
        {
            return null;
        }

        var line = plan.Lines[at];
        return new(
            said.LineId,
            analysis is null ? null : line.Share * analysis.Pull.NeededTensionN,
            analysis?.Pull.Lines[at].TensionN,
            said.WentN,
            said.PeakN,
            said.FromTrace,
            line.Puller.Kind == PullerKind.People ? said.People : null,
            analysis?.Pull.Lines[at] is { Tackle.HandForceN: > 0 } result
                ? result.TensionN / result.Tackle.HandForceN
                : null
        )
        {
            Confirmed = said.Confirmed,
        };
    }
}

/// <summary>A line of a logged job. Tensions at the tree, N; null where nobody knows.</summary>
/// <param name="NeededN">As predicted without reserve.</param>
/// <param name="Advantage">Tension at the tree over the pull of the hands.</param>
/// <param name="People">On the rope at the peak; null for a machine.</param>
public sealed record LoggedLine(
    string LineId,
    double? NeededN,
    double? PlannedN,
    double? WentN,
    double? PeakN,
    bool FromTrace,
    int? People,
    double? Advantage
)
{
    /// <summary>Whether somebody stands to a tension that is far from what was predicted.</summary>
    public bool Confirmed { get; init; }

    /// <summary>The tension when it went over what was predicted; null where either is unknown, or where it is so far off
    /// that it may be a slip of the pen, until somebody confirms it (M23).</summary>
    public double? ReadOverPredicted =>
        NeededN is > 0 && WentN is > 0 && (Confirmed || OddReading.IsUsual(WentN.Value, NeededN.Value))
            ? WentN / NeededN
            : null;
}

/// <summary>A task as it went.</summary>
/// <param name="Task">What is done, whatever line it is done for: "set-line", "drag".</param>
/// <param name="Minutes">Over 0.</param>
/// <param name="Drawn">What the plan draws up for it, minutes.</param>
public sealed record LoggedTask(string Task, double Minutes, Spread Drawn);

/// <summary>A clearing as it went.</summary>
/// <param name="EachMin">A load in the middle; null where nobody timed one.</param>
/// <param name="TableMin">What the table says of it, over this distance.</param>
/// <param name="PeakN">The most that the line read; null where nobody read it.</param>
public sealed record LoggedClearing(
    ClearingWay Way,
    int Loads,
    double? EachMin,
    double TableMin,
    double? RigMin,
    double? PeakN
);
