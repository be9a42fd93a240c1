namespace Draklo.Core.Pulling;

/// <summary>Which whole numbers were seen, as stretches without a gap.</summary>
/// <param name="Stretches">In order, with at least one number missing between two of them.</param>
public sealed record NumberSpans(IReadOnlyList<(long First, long Last)> Stretches)
{
    /// <summary>No number.</summary>
    public static NumberSpans Empty { get; } = new([]);

    /// <summary>Whether a number was seen.</summary>
    public bool Has(long number) => Stretches.Any(s => number >= s.First && number <= s.Last);

    /// <summary>Numbers that were never seen between the lowest and the highest that were.</summary>
    public long Missing =>
        Stretches.Count == 0
            ? 0
            : Stretches[^1].Last - Stretches[0].First + 1 - Stretches.Sum(s => s.Last - s.First + 1);

    /// <summary>These numbers and some more.</summary>
    public NumberSpans With(IEnumerable<long> numbers)
    {
        var all = Stretches.Concat(numbers.Select(n => (First: n, Last: n))).OrderBy(s => s.First);
        var joined = new List<(long First, long Last)>();
        foreach (var (first, last) in all)
        {
            if (joined.Count > 0 && first <= joined[^1].Last + 1)
            {
                joined[^1] = (joined[^1].First, Math.Max(joined[^1].Last, last));
            }
            else
            {
                joined.Add((first, last));
            }
        }

        return new(joined);
    }
}
