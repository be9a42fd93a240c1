using Draklo.Core.Logs;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using MathNet.Numerics.Distributions;

namespace Draklo.Core.Learning;

/// <summary>What a learned figure rests on, and what follows from how much and how far apart it is.</summary>
/// <param name="Of">What they are: pulls, landings, trials, throws.</param>
/// <param name="From">One at least, the latest first.</param>
internal sealed record Evidence(string Of, IReadOnlyList<LearnedFrom> From)
{
    /// <summary>One side of nine in ten.</summary>
    private const double NineInTen = 0.95;

    /// <summary>Single readings are no better than this share of what they read, however well they agree.</summary>
    private const double ReadWithin = 0.05;

    /// <summary>What was found each time, in the figure's own unit.</summary>
    public IReadOnlyList<double> Values { get; } = [.. From.Select(f => f.Value)];

    /// <summary>How often it was found, 1 or more.</summary>
    public int Count => From.Count;

    /// <summary>In the figure's own unit.</summary>
    public double Mean => Values.Average();

    /// <summary>How far single ones scatter; null for one alone.</summary>
    public double? Deviation => DeviationOf(Values);

    public static Evidence OfJobs(string of, IEnumerable<(LoggedJob Job, double Value)> read) =>
        new(of, [.. Latest(read.Select(r => new LearnedFrom(r.Job.JobId, r.Job.Name, r.Job.On, r.Value)))]);

    public static Evidence OfTrials(string of, IEnumerable<FinishedTrial> found) =>
        new(
            of,
            [
                .. Latest(
                    found.Select(t => new LearnedFrom(
                        null,
                        t.Trial.Person ?? $"trial of {t.Trial.By}",
                        t.Trial.On,
                        t.Value
                    ))
                ),
            ]
        );

    /// <summary>What holds nine in ten about nothing: a constant miss counts as much as a scattered one.</summary>
    /// <remarks>Student's t for their number times the root of the mean square.</remarks>
    public double NineInTenAboutZero() =>
        StudentT.InvCDF(0, 1, Count, NineInTen) * Math.Sqrt(Values.Average(v => v * v));

    /// <summary>How far the next single one may lie off the mean, nine in ten; twice the reading's own error for one alone.</summary>
    public double NextOff() => NextOff(Values, ReadWithin * Math.Abs(Mean));

    /// <summary>The same of logarithms.</summary>
    public static double NextOff(IReadOnlyList<double> logs) => NextOff(logs, ReadWithin);

    /// <param name="own">A single reading's own error.</param>
    private static double NextOff(IReadOnlyList<double> values, double own) =>
        DeviationOf(values) is { } deviation
            ? Math.Max(
                own,
                StudentT.InvCDF(0, 1, values.Count - 1, NineInTen) * deviation * Math.Sqrt(1 + (1.0 / values.Count))
            )
            : 2 * own;

    /// <summary>Whether there is enough for a plan, and a sentence about it.</summary>
    /// <remarks>Method M23.</remarks>
    /// <param name="careful">Whether the figure makes a plan ask for more, or allow less.</param>
    /// <param name="does">What it does, as a sentence.</param>
    public (bool MayUse, string Why) Judged(bool careful, string does)
    {
        var wanted = careful ? OwnFigure.JobsToAskMore : OwnFigure.JobsToAskLess;
        return Count >= wanted
            ? (true, does)
            : (false, $"{does.TrimEnd('.')}; it may stand in a plan {(careful ? "" : "only ")}from {wanted} {Of} on.");
    }

    /// <summary>Whether it may stand alone: before, what the table says stays within its spread.</summary>
    public Spread Beside(Spread own, Spread table) =>
        Count >= OwnFigure.JobsToAskLess
            ? own
            : new(Math.Min(own.Low, table.Low), own.Nominal, Math.Max(own.High, table.High));

    /// <summary>Standard deviation about the mean, in the values' own unit, 0 or more (M23).</summary>
    /// <returns>Null for fewer than two values.</returns>
    public static double? DeviationOf(IReadOnlyList<double> values)
    {
        if (values.Count < 2)
        {
            return null;
        }

        var mean = values.Average();
        return Math.Sqrt(values.Sum(v => (v - mean) * (v - mean)) / (values.Count - 1));
    }

    private const double HuberCut = 1.5;
    private const double MadToDeviation = 1.4826;
    private const double LeastScale = 0.02;
    private const double MostScale = 0.10;
    private const int Rounds = 50;

    /// <summary>The mean that one odd value hardly moves, and how far single ones scatter about it.</summary>
    /// <remarks>Method M23: Huber's, cut at 1.5 times the median's deviation, that held between 0.02 and 0.10.</remarks>
    /// <returns>In the values' own unit; the deviation null for fewer than two.</returns>
    public static (double Mean, double? Deviation) Robust(IReadOnlyList<double> values)
    {
        var middle = Median(values);
        var scale = Math.Clamp(
            MadToDeviation * Median([.. values.Select(v => Math.Abs(v - middle))]),
            LeastScale,
            MostScale
        );
        var (mean, cut) = (middle, HuberCut * scale);
        for (var i = 0; i < Rounds; i++)
        {
            mean = values.Average(v => Held(v, mean));
        }

        return (mean, DeviationOf([.. values.Select(v => Held(v, mean))]));

        double Held(double value, double about) => about + Math.Clamp(value - about, -cut, cut);
    }

    /// <summary>The upper end of eight in ten of what a mean may be; the mean itself where nothing scatters.</summary>
    public static double MeanAtMost(double mean, double? deviation, int count) =>
        count < 2 || deviation is not { } off
            ? mean
            : mean + (StudentT.InvCDF(0, 1, count - 1, UpperOfEight) * off / Math.Sqrt(count));

    /// <summary>Eight in ten leave one in ten above.</summary>
    private const double UpperOfEight = 0.9;

    private static double Median(IReadOnlyList<double> values)
    {
        double[] sorted = [.. values.Order()];
        var half = sorted.Length / 2;
        return sorted.Length % 2 == 1 ? sorted[half] : (sorted[half - 1] + sorted[half]) / 2;
    }

    private static IEnumerable<LearnedFrom> Latest(IEnumerable<LearnedFrom> from) =>
        from.OrderByDescending(f => f.On, StringComparer.Ordinal);
}

/// <summary>A trial that counts, with what it found.</summary>
public sealed record FinishedTrial(Trial Trial, double Value);
