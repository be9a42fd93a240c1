using Draklo.Core.Catalogue;
using Draklo.Core.Logs;
using Draklo.Core.Plans;
using Draklo.Core.Trees;
using Draklo.Core.Units;
using MathNet.Numerics.Distributions;

namespace Draklo.Core.Learning;

/// <summary>What the crew's jobs and trials say where a table's figure stands.</summary>
/// <remarks>
/// Method M23. A ratio is the mean of logarithms, shrunk by n / (n + 3). A figure that makes a plan ask for more, or
/// allow less, may stand from two on; one that asks for less only from five; the angle of a hinge from three trials.
/// Where the method says no more: an aiming error holds nine landings in ten (the quantile of Student's t for their
/// number times the root of the mean square, about the lay itself, so that a constant miss counts); a share or a friction
/// spreads as the next single one would, nine in ten; what a person keeps up, a grip holds or a throw reaches is the mean
/// less what one in twenty falls short by.
/// </remarks>
public static class Learned
{
    private const double NineInTen = 0.95;
    private const double PulledToOne = 3;
    private const double LeastFactor = 0.7;
    private const double MostFactor = 1.4;
    private static readonly Spread UsualAim = new(5, 5, 5);
    private static readonly Spread UsualDrum = new(0.12, 0.20, 0.25);
    private static readonly Spread UsualHaul = new(250, 250, 250);

    /// <param name="used">Ids of the figures that the crew wants in new plans.</param>
    public static IReadOnlyList<LearnedFigure> Of(
        IReadOnlyList<LoggedJob> jobs,
        IReadOnlyList<(Trial Trial, double Value)> trials,
        IReadOnlySet<string> used,
        UnitSystem units
    )
    {
        var figures = new List<LearnedFigure>();
        var counting = jobs.Where(j => j.Stage != JobStage.CalledOff).ToList();
        figures.AddRange(Pulls(counting, used));
        figures.AddRange(Aims(counting, used));
        figures.AddRange(Holds(trials, used));
        figures.AddRange(Turns(trials, used));
        figures.AddRange(Drums(trials, used));
        figures.AddRange(Grips(trials, used, units));
        figures.AddRange(Hauls(counting, trials, used));
        figures.AddRange(Throws(trials, used));
        return figures;
    }

    private static IEnumerable<LearnedFigure> Pulls(List<LoggedJob> jobs, IReadOnlySet<string> used)
    {
        var read = jobs.SelectMany(j =>
                j.Lines.Where(l => l is { NeededN: > 0, WentN: > 0 })
                    .Take(1)
                    .Select(l => (Job: j, Ratio: l.WentN!.Value / l.NeededN!.Value))
            )
            .ToList();
        foreach (var species in read.GroupBy(r => r.Job.SpeciesId, StringComparer.Ordinal))
        {
            yield return Pull(species.Key, "", [.. species], used);
            if (species.Select(r => r.Job.Crew).Distinct(StringComparer.Ordinal).Count() < 2)
            {
                continue;
            }

            foreach (var crew in species.GroupBy(r => r.Job.Crew, StringComparer.Ordinal).Where(c => c.Key.Length > 0))
            {
                yield return Pull(species.Key, crew.Key, [.. crew], used);
            }
        }
    }

    private static LearnedFigure Pull(
        string species,
        string crew,
        List<(LoggedJob Job, double Ratio)> read,
        IReadOnlySet<string> used
    )
    {
        var n = read.Count;
        var logs = read.Select(r => Math.Log(r.Ratio)).ToList();
        var mean = logs.Average();
        var value = Math.Exp(mean * n / (n + PulledToOne));
        var off = Deviation(logs);
        var name = NameOf(species);
        var far = Math.Exp(mean) is < LeastFactor or > MostFactor;
        var enough = value >= 1 ? n >= OwnFigure.JobsToAskMore : n >= OwnFigure.JobsToAskLess;
        var why =
            far ? "What was read lies too far from what was predicted: measure better before it is used."
            : value >= 1
                ? enough ? "It raises what is planned."
                    : $"It would raise what is planned, from {OwnFigure.JobsToAskMore} pulls on."
            : enough ? "It lowers what is planned."
            : $"It would lower what is planned, and may do so from {OwnFigure.JobsToAskLess} pulls on.";
        return new(
            Id("pull", species, crew),
            LearnedKind.Pull,
            $"Read over predicted: {name}{Whose(crew)}",
            species,
            crew,
            "ratio",
            n,
            "pulls",
            Math.Exp(mean),
            off is { } d ? Math.Exp(mean) * d : null,
            new(Math.Exp(mean - (off ?? 0)), Math.Round(value, 3), Math.Exp(mean + (off ?? 0))),
            new(1, 1, 1),
            enough && !far,
            why,
            FromJobs(read),
            used.Contains(Id("pull", species, crew))
        );
    }

    private static IEnumerable<LearnedFigure> Aims(List<LoggedJob> jobs, IReadOnlySet<string> used)
    {
        var read = jobs.Where(j => j.AimErrorDeg is not null).Select(j => (Job: j, Deg: j.AimErrorDeg!.Value)).ToList();
        var crews = read.Select(r => r.Job.Crew).Distinct(StringComparer.Ordinal).ToList();
        if (read.Count > 0)
        {
            yield return Aim("", read, used);
        }

        foreach (
            var crew in read.GroupBy(r => r.Job.Crew, StringComparer.Ordinal)
                .Where(c => crews.Count > 1 && c.Key.Length > 0)
        )
        {
            yield return Aim(crew.Key, [.. crew], used);
        }
    }

    private static LearnedFigure Aim(string crew, List<(LoggedJob Job, double Deg)> read, IReadOnlySet<string> used)
    {
        var n = read.Count;
        var square = Math.Sqrt(read.Average(r => r.Deg * r.Deg));
        var holds = Math.Min(20, StudentT.InvCDF(0, 1, n, NineInTen) * square);
        var table = UsualAim.Nominal;
        var more = holds >= table;
        var enough = n >= (more ? OwnFigure.JobsToAskMore : OwnFigure.JobsToAskLess);
        return new(
            Id("aim", "", crew),
            LearnedKind.Aim,
            $"Aiming error{Whose(crew)}",
            "",
            crew,
            "deg",
            n,
            "landings",
            read.Average(r => r.Deg),
            Deviation([.. read.Select(r => r.Deg)]),
            new(holds, Math.Round(holds, 2), holds),
            UsualAim,
            enough,
            Enough(
                enough,
                more,
                "It widens the strip that a tree may land on.",
                "It narrows the strip that a tree may land on.",
                "landings"
            ),
            FromJobs(read),
            used.Contains(Id("aim", "", crew))
        );
    }

    private static IEnumerable<LearnedFigure> Holds(
        IReadOnlyList<(Trial Trial, double Value)> trials,
        IReadOnlySet<string> used
    )
    {
        foreach (var wood in Of(trials, TrialKind.Hinge).GroupBy(t => t.Trial.SpeciesId!, StringComparer.Ordinal))
        {
            var found = wood.ToList();
            var species = Reference.Species[wood.Key];
            var table = Hinge.WoodDeg(species.HingeClass);
            var values = found.Select(t => t.Value).ToList();
            var mean = values.Average();
            var next = NextOff(values);
            var enough = found.Count >= OwnFigure.HingeTrials;
            yield return new(
                Id("hold", wood.Key, ""),
                LearnedKind.Hold,
                $"Hinge lets go: {species.Name}",
                wood.Key,
                "",
                "deg",
                found.Count,
                "trials",
                mean,
                Deviation(values),
                new(Math.Max(1, mean - next), mean, Math.Min(120, mean + next)),
                table,
                enough,
                enough
                    ? "It stands in place of the wood's angle for its class."
                    : $"It may stand in a plan from {OwnFigure.HingeTrials} trials on.",
                FromTrials(found),
                used.Contains(Id("hold", wood.Key, ""))
            );
        }
    }

    private static IEnumerable<LearnedFigure> Turns(
        IReadOnlyList<(Trial Trial, double Value)> trials,
        IReadOnlySet<string> used
    )
    {
        foreach (
            var turn in Of(trials, TrialKind.Friction)
                .Where(t => t.Trial.DrumTurns is null)
                .GroupBy(t => t.Trial.ContactId!, StringComparer.Ordinal)
        )
        {
            var kind = Reference.Contacts[turn.Key];
            yield return Friction(
                Id("turn", turn.Key, ""),
                LearnedKind.Turn,
                $"A half turn passes on: {kind.Name.Uncapitalised()}",
                turn.Key,
                "share",
                [.. turn],
                new(kind.Low, kind.Nominal, kind.High),
                0.05,
                0.99,
                moreIsCareful: false,
                ("It asks more of the hands.", "It asks less of the hands."),
                used
            );
        }
    }

    private static IEnumerable<LearnedFigure> Drums(
        IReadOnlyList<(Trial Trial, double Value)> trials,
        IReadOnlySet<string> used
    )
    {
        var found = Of(trials, TrialKind.Friction).Where(t => t.Trial.DrumTurns is not null).ToList();
        if (found.Count > 0)
        {
            yield return Friction(
                Id("drum", "", ""),
                LearnedKind.Drum,
                "Friction of rope on the drum",
                "",
                "friction",
                found,
                UsualDrum,
                0.05,
                0.6,
                moreIsCareful: true,
                ("It slips later than the table says.", "It slips earlier than the table says."),
                used
            );
        }
    }

    private static LearnedFigure Friction(
        string id,
        LearnedKind kind,
        string name,
        string subject,
        string unit,
        List<(Trial Trial, double Value)> found,
        Spread table,
        double least,
        double most,
        bool moreIsCareful,
        (string Careful, string Bold) does,
        IReadOnlySet<string> used
    )
    {
        var values = found.Select(t => t.Value).ToList();
        var mean = values.Average();
        var off = NextOff(values);
        var careful = moreIsCareful ? mean >= table.Nominal : mean <= table.Nominal;
        var enough = found.Count >= (careful ? OwnFigure.JobsToAskMore : OwnFigure.JobsToAskLess);
        return new(
            id,
            kind,
            name,
            subject,
            "",
            unit,
            found.Count,
            "trials",
            mean,
            Deviation(values),
            new(
                Math.Clamp(mean - off, least, most),
                Math.Clamp(Math.Round(mean, 3), least, most),
                Math.Clamp(mean + off, least, most)
            ),
            table,
            enough,
            Enough(enough, careful, does.Careful, does.Bold, "trials"),
            FromTrials(found),
            used.Contains(id)
        );
    }

    private static IEnumerable<LearnedFigure> Grips(
        IReadOnlyList<(Trial Trial, double Value)> trials,
        IReadOnlySet<string> used,
        UnitSystem units
    )
    {
        foreach (var grip in Of(trials, TrialKind.Grip).GroupBy(t => t.Trial.GripId!, StringComparer.Ordinal))
        {
            var kind = Reference.Grips[grip.Key];
            yield return AtLeast(
                Id("grip", grip.Key, ""),
                LearnedKind.Grip,
                $"Begins to creep: {kind.ShortName}",
                grip.Key,
                "N",
                [.. grip.Select(t => (Found(t), t.Value))],
                kind.SlipLowN,
                "trials",
                used
            );
        }
    }

    /// <remarks>
    /// What a job asked of its people is not what they can keep up: it stands beside the trials, and never in a plan.
    /// </remarks>
    private static IEnumerable<LearnedFigure> Hauls(
        List<LoggedJob> jobs,
        IReadOnlyList<(Trial Trial, double Value)> trials,
        IReadOnlySet<string> used
    )
    {
        var tried = Of(trials, TrialKind.Pull).Select(t => (Found(t), t.Value)).ToList();
        if (tried.Count > 0)
        {
            yield return AtLeast(
                Id("haul", "", ""),
                LearnedKind.Haul,
                "What each keeps up on the rope",
                "",
                "N",
                tried,
                UsualHaul.Nominal,
                "trials",
                used
            );
        }

        var asked = jobs.SelectMany(j =>
                j.Lines.Where(l => l is { PeakN: > 0, People: > 0, Advantage: > 0 })
                    .Select(l =>
                    {
                        var each = l.PeakN!.Value / (l.Advantage!.Value * l.People!.Value);
                        return (new LearnedFrom(j.JobId, j.Name, j.On, each), each);
                    })
            )
            .ToList();
        if (asked.Count > 0)
        {
            yield return AtLeast(
                Id("haul", "given", ""),
                LearnedKind.Haul,
                "What each gave at the peak of a pull",
                "given",
                "N",
                asked,
                UsualHaul.Nominal,
                "pulls",
                used
            ) with
            {
                MayUse = false,
                Used = false,
                Why = "What the jobs asked for, not what people can keep up: a pull trial tells that.",
            };
        }
    }

    private static IEnumerable<LearnedFigure> Throws(
        IReadOnlyList<(Trial Trial, double Value)> trials,
        IReadOnlySet<string> used
    )
    {
        foreach (var way in Of(trials, TrialKind.Throw).GroupBy(t => t.Trial.Way!.Value))
        {
            var id = $"{way.Key}";
            id = char.ToLowerInvariant(id[0]) + id[1..];
            var values = way.Select(t => t.Value).ToList();
            var best = values.Max();
            var table = Lines.LineSetting.Usual(way.Key);
            var careful = best <= table.High;
            var enough = values.Count >= (careful ? OwnFigure.JobsToAskMore : OwnFigure.JobsToAskLess);
            yield return new(
                Id("throw", id, ""),
                LearnedKind.Throw,
                $"Highest seat reached: {WayName(way.Key)}",
                id,
                "",
                "m",
                values.Count,
                "throws",
                values.Average(),
                Deviation(values),
                new(values.Min(), Math.Round(best, 1), best),
                table,
                enough,
                Enough(
                    enough,
                    careful,
                    "It reaches no higher than the table.",
                    "It reaches higher than the table.",
                    "throws"
                ),
                FromTrials(way),
                used.Contains(Id("throw", id, ""))
            );
        }
    }

    /// <summary>A figure of which more is bolder: what nineteen in twenty come to.</summary>
    private static LearnedFigure AtLeast(
        string id,
        LearnedKind kind,
        string name,
        string subject,
        string unit,
        List<(LearnedFrom From, double Value)> read,
        double table,
        string of,
        IReadOnlySet<string> used
    )
    {
        var values = read.Select(r => r.Value).ToList();
        var mean = values.Average();
        var value = Math.Max(values.Min() / 2, mean - (values.Count > 1 ? NextOff(values) : 0));
        var careful = value <= table;
        var enough = values.Count >= (careful ? OwnFigure.JobsToAskMore : OwnFigure.JobsToAskLess);
        return new(
            id,
            kind,
            name,
            subject,
            "",
            unit,
            values.Count,
            of,
            mean,
            Deviation(values),
            new(value, Math.Round(value, unit == "N" ? 0 : 1), mean),
            new(table, table, table),
            enough,
            Enough(enough, careful, "It allows less than the table.", "It allows more than the table.", of),
            [.. read.Select(r => r.From).OrderByDescending(f => f.On, StringComparer.Ordinal)],
            used.Contains(id)
        );
    }

    private static string Enough(bool enough, bool careful, string carefulDoes, string boldDoes, string of) =>
        enough ? (careful ? carefulDoes : boldDoes)
        : careful ? $"{carefulDoes.TrimEnd('.')}; it may stand in a plan from {OwnFigure.JobsToAskMore} {of} on."
        : $"{boldDoes.TrimEnd('.')}; it may stand in a plan only from {OwnFigure.JobsToAskLess} {of} on.";

    private static double? Deviation(List<double> values)
    {
        if (values.Count < 2)
        {
            return null;
        }

        var mean = values.Average();
        return Math.Sqrt(values.Sum(v => (v - mean) * (v - mean)) / (values.Count - 1));
    }

    /// <summary>How far the next single one may lie off the mean, nine in ten; a tenth of it where there is but one.</summary>
    private static double NextOff(List<double> values)
    {
        var n = values.Count;
        return Deviation(values) is { } deviation
            ? StudentT.InvCDF(0, 1, n - 1, NineInTen) * deviation * Math.Sqrt(1 + (1.0 / n))
            : Math.Abs(values[0]) / 10;
    }

    private static IEnumerable<(Trial Trial, double Value)> Of(
        IReadOnlyList<(Trial Trial, double Value)> trials,
        TrialKind kind
    ) => trials.Where(t => t.Trial.Kind == kind);

    private static LearnedFrom Found((Trial Trial, double Value) t) =>
        new(null, t.Trial.Person ?? $"trial of {t.Trial.By}", t.Trial.On, t.Value);

    private static IReadOnlyList<LearnedFrom> FromTrials(IEnumerable<(Trial Trial, double Value)> found) =>
        [.. found.Select(Found).OrderByDescending(f => f.On, StringComparer.Ordinal)];

    private static IReadOnlyList<LearnedFrom> FromJobs(IEnumerable<(LoggedJob Job, double Value)> read) =>
        [
            .. read.Select(r => new LearnedFrom(r.Job.JobId, r.Job.Name, r.Job.On, r.Value))
                .OrderByDescending(f => f.On, StringComparer.Ordinal),
        ];

    private static string Id(string kind, string subject, string crew) =>
        string.Join('.', new[] { kind, subject, crew }.Where(p => p.Length > 0)).ToLowerInvariant();

    private static string Whose(string crew) => crew.Length > 0 ? $", led by {crew}" : "";

    private static string NameOf(string species) =>
        Reference.Species.TryGetValue(species, out var known) ? known.Name
        : species.Length > 0 ? species
        : "wood of its own figures";

    private static string WayName(SettingWay way) =>
        way switch
        {
            SettingWay.TwoHands => "thrown with both hands",
            SettingWay.Catapult => "catapult",
            SettingWay.Pole => "pole",
            SettingWay.Climber => "climber",
            _ => "thrown with one hand",
        };
}
