using Draklo.Core.Analyses;
using Draklo.Core.Clearing;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Days;

/// <summary>The tasks that a plan calls for, with the crew's own minutes where it gives any.</summary>
/// <remarks>
/// Method M22. Throw line, climbing, tackle by hand and with a machine, and dragging follow its figures; the other minutes
/// are estimates.
/// </remarks>
public static class DrawnTasks
{
    public const string Brief = "brief";
    public const string Notch = "notch";
    public const string Cuts = "cuts";
    public const string Pull = "pull";
    public const string Drag = "drag";
    public const string Rig = "rig";
    public const string MoveLoads = "move-loads";
    public const string PackUp = "pack-up";
    public const string SetLine = "set-line";
    public const string Tackle = "tackle";
    public const string Redirect = "redirect";
    public const string PreTension = "pre-tension";
    public const string CloseRoad = "close-road";

    /// <summary>Tasks whose minutes a crew learns, as they are called on any job. Those of a clearing go by its way.</summary>
    private static readonly Dictionary<string, string> Names = new(StringComparer.Ordinal)
    {
        [Brief] = "walk up, brief and sign",
        [Notch] = "notch",
        [SetLine] = "set a line",
        [Tackle] = "rig the tackle or the machine",
        [Redirect] = "set the redirects",
        [PreTension] = "bed test and pre-tension",
        [CloseRoad] = "close the road",
        [Cuts] = "cuts",
        [Pull] = "the pull",
        [Drag] = "limb, cut up and drag",
        [PackUp] = "pack up",
    };

    internal static readonly (double, double, double) Throw = (8, 15, 35);
    internal static readonly (double, double, double) Climb = (40, 60, 90);
    internal static readonly (double, double, double) TackleByHand = (20, 30, 45);
    internal static readonly (double, double, double) TackleWithMachine = (15, 20, 30);

    /// <summary>Minutes for each of 26 logs dragged: 95, 130 and 190 for all of them.</summary>
    private static readonly (double Low, double Likely, double High) DragALog = (95.0 / 26, 130.0 / 26, 190.0 / 26);

    /// <summary>What one log weighs that people and a winch move, kg.</summary>
    private const double LogKg = 180;

    /// <summary>How fast haulers take rope in, metres a second, resets left out.</summary>
    private const double HaulMps = 0.2;

    private const double ResetMin = 2;

    /// <summary>How many loads the felled tree makes.</summary>
    public static int Loads(Plan plan, Analysis analysis) =>
        plan.Work.Loads ?? (int)Math.Clamp(Math.Ceiling(analysis.Tree.MassKg / LogKg), 1, 500);

    /// <summary>What is done, whatever line it is done for: "set-line" of "set-line-steer"; the id itself of any other.</summary>
    public static string KindOf(string id) =>
        Names.Keys.FirstOrDefault(k => id.StartsWith(k + '-', StringComparison.Ordinal)) ?? id;

    public static string NameOf(string kind) => Names.GetValueOrDefault(kind, kind);

    /// <summary>What is drawn up for a plan and can be timed, whatever the crew has put in.</summary>
    public static IReadOnlyList<DayTask> Timed(Plan plan, Analysis analysis) =>
        [.. Drawn(plan, analysis).Where(t => Names.ContainsKey(KindOf(t.Id)))];

    /// <summary>As drawn up, with the crew's changes and additions; what it leaves out is gone.</summary>
    public static List<DayTask> Of(Plan plan, Analysis analysis)
    {
        var tasks = Drawn(plan, analysis);
        foreach (var own in plan.Work.Tasks)
        {
            var at = tasks.FindIndex(t => t.Id == own.Id);
            if (at >= 0)
            {
                tasks[at] = Changed(tasks[at], own);
            }
            else
            {
                tasks.Add(
                    Changed(new(own.Id, own.Name ?? own.Id, new(5, 10, 20), 1, [Brief], DrawnUp: false, Own: true), own)
                );
            }
        }

        var leftOut = plan.Work.Tasks.Where(t => t.LeftOut).Select(t => t.Id).ToHashSet(StringComparer.Ordinal);
        return Without(tasks, leftOut);
    }

    /// <summary>Takes tasks out; what came after one of them comes after what it came after itself.</summary>
    private static List<DayTask> Without(List<DayTask> tasks, HashSet<string> gone)
    {
        var before = tasks.ToDictionary(t => t.Id, t => t.After, StringComparer.Ordinal);
        return
        [
            .. tasks
                .Where(t => !gone.Contains(t.Id))
                .Select(t =>
                    t with
                    {
                        After = [.. t.After.SelectMany(a => Kept(a, 0)).Distinct(StringComparer.Ordinal)],
                    }
                ),
        ];

        IEnumerable<string> Kept(string id, int depth) =>
            !gone.Contains(id) ? [id]
            : depth > tasks.Count || !before.TryGetValue(id, out var after) ? []
            : after.SelectMany(a => Kept(a, depth + 1));
    }

    private static DayTask Changed(DayTask task, TaskMembers own)
    {
        var likely = own.LikelyMin ?? task.Minutes.Nominal;
        // One figure alone moves the others with it, in proportion.
        var scale = task.Minutes.Nominal > 0 ? likely / task.Minutes.Nominal : 1;
        var (low, high) = (own.LowMin ?? (task.Minutes.Low * scale), own.HighMin ?? (task.Minutes.High * scale));
        var inOrder = low <= likely && likely <= high;
        return task with
        {
            Name = string.IsNullOrWhiteSpace(own.Name) ? task.Name : own.Name,
            Minutes = inOrder ? new(low, likely, high) : task.Minutes,
            InOrder = inOrder,
            People = own.People ?? task.People,
            After = own.After ?? task.After,
            Own = task.Own || own.LowMin is not null || own.LikelyMin is not null || own.HighMin is not null,
        };
    }

    /// <summary>The day of a clearing alone: no line is thrown and nothing is pulled over.</summary>
    private static List<DayTask> OfClearing(Plan plan, WayResult way) =>
        [
            DayTask.Drawn(Brief, "Walk up, look again, brief and sign", (10, 15, 30), EverybodyOn(plan)),
            new(Rig, $"Set up: {way.Name.Uncapitalised()}", way.RigMin, 2, [Brief], DrawnUp: true, Own: false),
            new(
                MoveLoads,
                way.Loads == 1 ? "Move one load" : $"Move {way.Loads} loads",
                new(
                    way.Minutes.Low - way.RigMin.Low,
                    way.Minutes.Nominal - way.RigMin.Nominal,
                    way.Minutes.High - way.RigMin.High
                ),
                Math.Max(1, Math.Min(way.People, EverybodyOn(plan))),
                [Rig],
                DrawnUp: true,
                Own: false
            ),
            DayTask.Drawn(PackUp, "Pack up, tick the gear back in", (15, 20, 30), EverybodyOn(plan), MoveLoads),
        ];

    private static List<DayTask> Drawn(Plan plan, Analysis analysis)
    {
        if (
            plan.Clearing is { Alone: true } clearing
            && ClearingAnalysis.Of(plan, UnitSystem.Metric).Analysis?.Ways.First(w => w.Way == clearing.Way) is { } way
        )
        {
            return OfClearing(plan, way);
        }

        var tasks = new List<DayTask>
        {
            DayTask.Drawn(Brief, "Walk up, look again, brief and sign", (10, 15, 30), EverybodyOn(plan)),
        };
        var many = plan.Lines.Count > 1;
        var beforeCuts = new List<string>();
        var thick = Math.Max(0.6, plan.Cut.StumpDiameterM / 0.5);
        var notchFirst = PullSteps.NotchIsCutSlack(plan.Cut.Order);
        string[] beforeTight = notchFirst ? [Notch] : [];
        if (notchFirst)
        {
            tasks.Add(DayTask.Drawn(Notch, "Notch", (4 * thick, 7 * thick, 14 * thick), 1, Brief));
        }

        for (var i = 0; i < plan.Lines.Count; i++)
        {
            beforeCuts.Add(AddLine(tasks, plan.Lines[i], many ? $"-{plan.Lines[i].Id}" : "", beforeTight));
        }

        if (plan.Site.Targets.Any(t => t.Kind is TargetKind.Road or TargetKind.Path && t.Closing is not null))
        {
            tasks.Add(DayTask.Drawn(CloseRoad, "Close the road or path", (5, 10, 20), 1, Brief));
            beforeCuts.Add(CloseRoad);
        }

        tasks.Add(
            notchFirst
                ? DayTask.Drawn(Cuts, "Back cut", (6 * thick, 11 * thick, 21 * thick), 2, [.. beforeCuts])
                : DayTask.Drawn(Cuts, "Notch and back cut", (10 * thick, 18 * thick, 35 * thick), 2, [.. beforeCuts])
        );
        tasks.Add(DayTask.Drawn(Pull, "The pull", PullMinutes(analysis), EverybodyOn(plan), Cuts));
        var loads = Loads(plan, analysis);
        tasks.Add(
            DayTask.Drawn(
                Drag,
                loads == 1 ? "Limb, cut up and move one log" : $"Limb, cut up and drag {loads} logs",
                (DragALog.Low * loads, DragALog.Likely * loads, DragALog.High * loads),
                Math.Min(3, EverybodyOn(plan)),
                Pull
            )
        );
        tasks.Add(DayTask.Drawn(PackUp, "Pack up, tick the gear back in", (15, 20, 30), EverybodyOn(plan), Drag));
        return tasks;
    }

    /// <param name="beforeTight">What is done before the line is tightened, beside setting and rigging it.</param>
    /// <returns>The last task of the line.</returns>
    private static string AddLine(List<DayTask> tasks, LineMembers line, string suffix, string[] beforeTight)
    {
        var of = suffix.Length == 0 ? "the line" : $"the {line.Id} line";
        var climbs = line.Setting?.Way == SettingWay.Climber;
        var (set, tackle, tight) = (SetLine + suffix, Tackle + suffix, PreTension + suffix);
        tasks.Add(
            DayTask.Drawn(set, climbs ? $"Climb and set {of}" : $"Throw and set {of}", climbs ? Climb : Throw, 2, Brief)
        );
        var machine = line.Puller.Kind is PullerKind.Machine or PullerKind.Vehicle;
        tasks.Add(
            DayTask.Drawn(
                tackle,
                machine ? $"Rig the machine to {of}" : $"Rig the tackle on {of}",
                machine ? TackleWithMachine : TackleByHand,
                machine ? 1 : 2,
                Brief
            )
        );
        if (line.Redirects.Count > 0)
        {
            tasks.Add(
                DayTask.Drawn(
                    Redirect + suffix,
                    $"Set the redirects of {of}",
                    (5.0 * line.Redirects.Count, 10.0 * line.Redirects.Count, 20.0 * line.Redirects.Count),
                    1,
                    Brief
                )
            );
        }

        tasks.Add(
            DayTask.Drawn(
                tight,
                $"Bed test and pre-tension {of}",
                (8, 12, 25),
                3,
                line.Redirects.Count > 0
                    ? [set, tackle, Redirect + suffix, .. beforeTight]
                    : [set, tackle, .. beforeTight]
            )
        );
        return tight;
    }

    private static (double, double, double) PullMinutes(Analysis analysis)
    {
        double most = 0;
        foreach (var line in analysis.Pull.Lines)
        {
            most = Math.Max(
                most,
                (line.Tackle.HaulLengthM / HaulMps / 60) + (ResetMin * Math.Max(0, line.Tackle.Sets.Sets - 1))
            );
        }

        return (2 + most, 4 + (1.5 * most), 10 + (3 * most));
    }

    /// <summary>Everybody named, or a faller, a watcher and the haulers that the lines take.</summary>
    public static int EverybodyOn(Plan plan) =>
        plan.Crew.Count > 0 ? plan.Crew.Count
        : plan.Clearing is { Alone: true } clearing ? Math.Max(2, clearing.People.Count)
        : 2 + plan.Lines.Sum(l => l.Puller.Kind == PullerKind.People ? l.Puller.Count : 1);
}
