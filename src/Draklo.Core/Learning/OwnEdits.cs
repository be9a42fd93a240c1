using Draklo.Core.Analyses;
using Draklo.Core.Clearing;
using Draklo.Core.Days;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Learning;

/// <summary>A figure of the crew's own that fits a plan, beside what stands there.</summary>
public sealed record OwnChoice
{
    public required string FigureId { get; init; }

    public required string Name { get; init; }

    /// <summary>The member that holds it.</summary>
    public required string Path { get; init; }

    /// <summary>What stands there now, in words.</summary>
    public required string Now { get; init; }

    /// <summary>What would stand there, in words, with how many it rests on.</summary>
    public required string Ours { get; init; }

    /// <summary>What stands where a crew has none, in words.</summary>
    public required string Table { get; init; }

    /// <summary>How often somebody set it so, 1 or more.</summary>
    public required int Count { get; init; }

    /// <summary>Whether the crew's own figure stands there.</summary>
    public required bool InUse { get; init; }

    public required bool MayUse { get; init; }

    public required string Why { get; init; }
}

/// <summary>Puts a crew's own figures in a plan, and takes them out.</summary>
public static class OwnEdits
{
    /// <summary>What a task of a plan takes at most.</summary>
    private const double MostMinutes = 1440;

    /// <summary>Figures that have a place in a plan, in its order.</summary>
    public static IReadOnlyList<OwnChoice> Of(Plan plan, IReadOnlyList<LearnedFigure> figures, UnitSystem units) =>
        [.. Fitting(plan, figures).SelectMany(f => Places(plan, f).Select(p => p.Choice(plan, f, units)))];

    /// <summary>A plan with a figure at all its places; the plan itself where it may not stand there.</summary>
    public static Plan With(Plan plan, LearnedFigure figure) =>
        figure.MayUse ? Places(plan, figure).Aggregate(plan, (p, place) => place.Take(p, figure)) : plan;

    /// <summary>A plan with the table's figure in its place again.</summary>
    public static Plan Without(Plan plan, LearnedFigure figure) =>
        Places(plan, figure).Aggregate(plan, (p, place) => place.Drop(p));

    /// <summary>A new plan with every figure that the crew wants in new plans.</summary>
    public static Plan WithUsed(Plan plan, IReadOnlyList<LearnedFigure> figures) =>
        Fitting(plan, [.. figures.Where(f => f is { Used: true, MayUse: true })]).Aggregate(plan, With);

    /// <summary>Those of the plan's species, gear and ways; of the crew that leads it before those of everybody.</summary>
    private static IEnumerable<LearnedFigure> Fitting(Plan plan, IReadOnlyList<LearnedFigure> figures)
    {
        var lead = plan.Crew.FirstOrDefault(c => c.Role == JobRole.Lead)?.Name.Trim() ?? "";
        return figures
            .Where(f => f.Crew.Length == 0 || f.Crew == lead)
            .GroupBy(f => (f.Kind, f.Subject))
            .Select(g => g.OrderByDescending(f => f.MayUse).ThenByDescending(f => f.Crew.Length > 0).First());
    }

    private static IEnumerable<Place> Places(Plan plan, LearnedFigure figure)
    {
        switch (figure.Kind)
        {
            case LearnedKind.Pull when plan.Tree.SpeciesId == figure.Subject:
                yield return new(
                    "tree.pullFactor",
                    p => p.Tree.PullFactor,
                    (p, v) => p with { Tree = p.Tree with { PullFactor = v?.Nominal } }
                );
                break;
            case LearnedKind.Aim:
                yield return new(
                    "site.aimErrorDeg",
                    p => p.Site.AimErrorDeg,
                    (p, v) =>
                        p with
                        {
                            Site = p.Site with { AimErrorDeg = v?.Nominal ?? new SiteMembers().AimErrorDeg },
                        }
                );
                break;
            case LearnedKind.Hold when plan.Tree.SpeciesId == figure.Subject:
                yield return new(
                    "cut.holds.nominalDeg",
                    p => p.Cut.Holds?.NominalDeg,
                    (p, v) => p with { Cut = p.Cut with { Holds = HoldsOf(v) } }
                );
                break;
            case LearnedKind.Cycle
                when plan.Clearing is { } clearing
                    && Enum.TryParse<ClearingWay>(figure.Subject, ignoreCase: true, out var way)
                    && clearing.Way == way
                    && WayTable.EachMin(plan, way) is { } table:
                yield return TimesOf(clearing, way, table);
                break;
            case LearnedKind.Task
                when PlanAnalysis.Of(plan, UnitSystem.Metric, withWorkings: false).Analysis is { } analysis:
                var added = plan.Work.Tasks.Count;
                foreach (
                    var task in DrawnTasks.Timed(plan, analysis).Where(t => DrawnTasks.KindOf(t.Id) == figure.Subject)
                )
                {
                    var at = plan.Work.Tasks.ToList().FindIndex(t => t.Id == task.Id);
                    yield return MinutesOf(task, at < 0 ? added++ : at);
                }

                break;
            default:
                for (var i = 0; i < plan.Lines.Count; i++)
                {
                    foreach (var place in OnLine(plan.Lines[i], i, figure))
                    {
                        yield return place;
                    }
                }

                break;
        }
    }

    private static IEnumerable<Place> OnLine(LineMembers line, int i, LearnedFigure figure)
    {
        switch (figure.Kind)
        {
            case LearnedKind.Turn:
                if (line.Tackle.ContactId == figure.Subject)
                {
                    yield return new(
                        $"lines[{i}].tackle.passes.nominal",
                        p => p.Lines[i].Tackle.Passes?.Nominal,
                        (p, v) => p.WithTackle(i, t => t with { Passes = PassesOf(v) })
                    );
                }

                for (var r = 0; r < line.Redirects.Count; r++)
                {
                    var at = r;
                    if (line.Redirects[r].ContactId == figure.Subject)
                    {
                        yield return new(
                            $"lines[{i}].redirects[{r}].passes.nominal",
                            p => p.Lines[i].Redirects[at].Passes?.Nominal,
                            (p, v) => p.WithRedirect(i, at, turn => turn with { Passes = PassesOf(v) })
                        );
                    }
                }

                break;
            case LearnedKind.Drum when line.Limiter is not null:
                yield return new(
                    $"lines[{i}].limiter.friction",
                    p => p.Lines[i].Limiter?.Friction,
                    (p, v) => p.WithLine(i, l => l with { Limiter = DrumOf(l.Limiter!, v) })
                );
                break;
            case LearnedKind.Grip when line.Tackle.Grip?.GripId == figure.Subject:
                yield return new(
                    $"lines[{i}].tackle.grip.slipN",
                    p => p.Lines[i].Tackle.Grip?.SlipN,
                    (p, v) => p.WithTackle(i, t => t with { Grip = t.Grip! with { SlipN = v?.Nominal } })
                );
                break;
            case LearnedKind.Haul when figure.Subject.Length == 0 && line.Puller.Kind == PullerKind.People:
                yield return new(
                    $"lines[{i}].puller.effortEachN",
                    p => p.Lines[i].Puller.EffortEachN,
                    (p, v) =>
                        p.WithPuller(
                            i,
                            puller => puller with { EffortEachN = v?.Nominal ?? new PullerMembers().EffortEachN }
                        )
                );
                break;
            case LearnedKind.Throw
                when line.Setting is { } setting && LearnedFromTrials.NameOf(setting.Way) == figure.Subject:
                yield return new(
                    $"lines[{i}].setting.bestM",
                    p => p.Lines[i].Setting?.BestM,
                    (p, v) => p.WithLine(i, l => l with { Setting = l.Setting! with { BestM = v?.Nominal } })
                );
                break;
        }
    }

    /// <summary>The crew's own minutes for a way; as a share of the table's over this plan's distance.</summary>
    private static Place TimesOf(ClearingMembers clearing, ClearingWay way, double table)
    {
        var at = 0;
        while (at < clearing.Times.Count && clearing.Times[at].Way != way)
        {
            at++;
        }

        return new(
            $"clearing.times[{at}].eachMin",
            p => p.Clearing?.Times.FirstOrDefault(t => t.Way == way)?.EachMin / table,
            (p, v) =>
            {
                var others = p.Clearing!.Times.Where(t => t.Way != way);
                var own = p.Clearing.Times.FirstOrDefault(t => t.Way == way) ?? new() { Way = way };
                own = own with
                {
                    EachMin = v is { } share ? Math.Round(Math.Clamp(share.Nominal * table, 0.1, 240), 1) : null,
                };
                IEnumerable<WayTimeMembers> kept = own is { EachMin: null, RigMin: null } ? [] : [own];
                return p with { Clearing = p.Clearing with { Times = [.. others, .. kept] } };
            }
        );
    }

    /// <summary>The crew's own minutes for a task, as a share of the drawn ones.</summary>
    /// <param name="at">Where its change of the task stands, or would stand.</param>
    private static Place MinutesOf(DayTask task, int at)
    {
        return new(
            $"work.tasks[{at}].likelyMin",
            p => p.Work.Tasks.FirstOrDefault(t => t.Id == task.Id)?.LikelyMin / task.Minutes.Nominal,
            (p, v) =>
            {
                var tasks = p.Work.Tasks.ToList();
                var mine = tasks.FindIndex(t => t.Id == task.Id);
                if (mine < 0)
                {
                    mine = tasks.Count;
                    tasks.Add(new() { Id = task.Id });
                }

                tasks[mine] = tasks[mine] with
                {
                    LowMin = Minutes(v?.Low),
                    LikelyMin = Minutes(v?.Nominal),
                    HighMin = Minutes(v?.High),
                };
                // What stands behind keeps its place: provenance goes by it.
                while (tasks.Count > 0 && tasks[^1] == new TaskMembers { Id = tasks[^1].Id })
                {
                    tasks.RemoveAt(tasks.Count - 1);
                }

                return p with
                {
                    Work = p.Work with { Tasks = tasks },
                };
            }
        );

        double? Minutes(double? share) =>
            share is { } s ? Math.Round(Math.Min(s * task.Minutes.Nominal, MostMinutes), 1) : null;
    }

    private static OwnHoldMembers? HoldsOf(Spread? v) =>
        v is { } s
            ? new()
            {
                LowDeg = s.Low,
                NominalDeg = s.Nominal,
                HighDeg = s.High,
            }
            : null;

    private static OwnPassMembers? PassesOf(Spread? v) =>
        v is { } s
            ? new()
            {
                Low = s.Low,
                Nominal = s.Nominal,
                High = s.High,
            }
            : null;

    private static LimiterMembers DrumOf(LimiterMembers drum, Spread? v)
    {
        var usual = new LimiterMembers();
        return drum with
        {
            FrictionLow = v?.Low ?? usual.FrictionLow,
            Friction = v?.Nominal ?? usual.Friction,
            FrictionHigh = v?.High ?? usual.FrictionHigh,
        };
    }

    /// <summary>A place in a plan where a figure may stand.</summary>
    private sealed record Place(string Path, Func<Plan, double?> Now, Func<Plan, Spread?, Plan> Put)
    {
        public Plan Take(Plan plan, LearnedFigure figure) =>
            Put(Drop(plan), figure.Value) with
            {
                Ours =
                [
                    .. plan.Ours.Where(o => o.Path != Path),
                    new()
                    {
                        Path = Path,
                        Name = figure.Name,
                        Count = figure.Count,
                        Of = figure.Of,
                        Table = figure.Table.Nominal,
                    },
                ],
                Provenance = new Dictionary<string, Provenance>(plan.Provenance, StringComparer.Ordinal)
                {
                    [Path] = Provenance.Crew,
                },
            };

        public Plan Drop(Plan plan)
        {
            var provenance = new Dictionary<string, Provenance>(plan.Provenance, StringComparer.Ordinal);
            provenance.Remove(Path);
            return Put(plan, null) with { Ours = [.. plan.Ours.Where(o => o.Path != Path)], Provenance = provenance };
        }

        public OwnChoice Choice(Plan plan, LearnedFigure figure, UnitSystem units)
        {
            var inUse = plan.Provenance.GetValueOrDefault(Path) == Provenance.Crew;
            var now = Now(plan) ?? figure.Table.Nominal;
            return new()
            {
                FigureId = figure.Id,
                Name = figure.Name,
                Path = Path,
                Now = LearnedWords.Say(now, figure.Unit, units),
                Ours = $"{LearnedWords.Say(figure.Value.Nominal, figure.Unit, units)}, from {figure.Count} {figure.Of}",
                Table = LearnedWords.Say(figure.Table.Nominal, figure.Unit, units),
                Count = figure.Count,
                InUse = inUse,
                MayUse = figure.MayUse,
                Why = figure.Why,
            };
        }
    }
}
