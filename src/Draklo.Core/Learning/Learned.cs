using Draklo.Core.Logs;
using Draklo.Core.Units;

namespace Draklo.Core.Learning;

/// <summary>What the crew's jobs and trials say where a table's figure stands.</summary>
/// <remarks>
/// Method M23. A ratio is the mean of logarithms, shrunk by n / (n + 3). A figure that makes a plan ask for more, or
/// allow less, may stand from two on; one that asks for less only from five; the angle of a hinge from three trials.
/// Where the method says no more, the rules are this product's own; docs/methods.md has them.
/// </remarks>
public static class Learned
{
    /// <param name="trials">Those that are finished and count.</param>
    /// <param name="used">Ids of the figures that the crew wants in new plans.</param>
    public static IReadOnlyList<LearnedFigure> Of(
        IReadOnlyList<LoggedJob> jobs,
        IReadOnlyList<FinishedTrial> trials,
        IReadOnlySet<string> used
    )
    {
        var counting = jobs.Where(j => j.Stage != JobStage.CalledOff).ToList();
        return
        [
            .. LearnedFromJobs
                .Pulls(counting)
                .Concat(LearnedFromJobs.Aims(counting))
                .Concat(LearnedFromTrials.All(trials))
                .Concat(LearnedFromJobs.Given(counting))
                .Concat(LearnedFromJobs.Cycles(counting))
                .Concat(LearnedFromJobs.Tasks(counting))
                .Select(f => f with { Used = f.MayUse && used.Contains(f.Id) }),
        ];
    }

    /// <param name="value">What would stand in a plan.</param>
    /// <param name="takes">What its member takes.</param>
    internal static LearnedFigure Figure(
        LearnedKind kind,
        string subject,
        string crew,
        string name,
        string unit,
        Evidence on,
        Spread value,
        Spread table,
        (bool MayUse, string Why) judged,
        (double Least, double Most)? takes = null
    )
    {
        var fits = takes is not { } range || (value.Nominal >= range.Least && value.Nominal <= range.Most);
        return new()
        {
            Id = string.Join('.', new[] { $"{kind}", subject, crew }.Where(p => p.Length > 0)).ToLowerInvariant(),
            Kind = kind,
            Name = crew.Length > 0 ? $"{name}, led by {crew}" : name,
            Subject = subject,
            Crew = crew,
            Unit = unit,
            Count = on.Count,
            Of = on.Of,
            Mean = on.Mean,
            Deviation = on.Deviation,
            Value = value,
            Table = table,
            MayUse = judged.MayUse && fits,
            Why = fits ? judged.Why : "It lies outside what a plan takes: measure it again.",
            From = on.From,
            Used = false,
        };
    }
}
