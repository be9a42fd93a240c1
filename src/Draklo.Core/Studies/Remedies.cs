using Draklo.Core.Analyses;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Studies;

/// <summary>The least change of one kind that makes a link hold.</summary>
/// <param name="Text">What to do, in the reader's units.</param>
/// <param name="Changes">The same as changes of the plan.</param>
/// <param name="Use">Of the link once it is done.</param>
/// <param name="StillFails">How many links fail then; none is made to fail that did not.</param>
public sealed record Remedy(string Text, IReadOnlyList<Change> Changes, double Use, int StillFails);

/// <summary>What would make a link hold.</summary>
/// <remarks>
/// Method M9. Each kind of change is a ladder from the smallest change upward, every rung tried by the full analysis:
/// in doubling steps until the link holds, then halving back to the smallest change that does. A change that makes
/// another link fail is rejected.
/// </remarks>
public static class Remedies
{
    /// <summary>The remedies for a link, those that mend it with most to spare first.</summary>
    /// <returns>None when the link holds already, or when no single change mends it.</returns>
    public static (IReadOnlyList<Remedy>? Remedies, List<Problem> Problems) For(
        Plan plan,
        string linkId,
        UnitSystem units,
        CancellationToken cancellation = default
    )
    {
        var outcome = PlanAnalysis.Of(plan, units, withWorkings: false);
        if (outcome.Analysis is not { } analysis)
        {
            return (null, [.. outcome.Problems]);
        }

        if (Find(analysis, linkId) is not { } link)
        {
            return (null, [new("link", $"This plan has no link called “{linkId}”.")]);
        }

        if (link.State == LinkState.Holds)
        {
            return ([], []);
        }

        var failing = analysis
            .Links.Where(l => l.State == LinkState.Fails)
            .Select(l => l.Id)
            .ToHashSet(StringComparer.Ordinal);
        var found = new List<Remedy>();
        foreach (var ladder in link.Rule.AllRemedies(new(plan, link, units)))
        {
            if (Least(ladder, linkId, failing, units, cancellation) is { } remedy)
            {
                found.Add(remedy);
            }
        }

        return ([.. found.OrderBy(r => r.StillFails).ThenBy(r => r.Use)], []);
    }

    private static Link? Find(Analysis analysis, string id) => analysis.Links.FirstOrDefault(l => l.Id == id);

    private static Remedy? Least(
        Ladder ladder,
        string linkId,
        HashSet<string> failing,
        UnitSystem units,
        CancellationToken cancellation
    )
    {
        Remedy? best = null;
        var low = -1;
        var high = 0;
        for (; high < ladder.Count; high = (2 * high) + 1)
        {
            cancellation.ThrowIfCancellationRequested();
            best = Try(ladder.Rung(high), linkId, failing, units);
            if (best is not null)
            {
                break;
            }

            low = high;
        }

        if (best is null)
        {
            high = ladder.Count - 1;
            if (low >= high || (best = Try(ladder.Rung(high), linkId, failing, units)) is null)
            {
                return null;
            }
        }

        while (high - low > 1)
        {
            cancellation.ThrowIfCancellationRequested();
            var middle = (low + high) / 2;
            if (Try(ladder.Rung(middle), linkId, failing, units) is { } nearer)
            {
                (best, high) = (nearer, middle);
            }
            else
            {
                low = middle;
            }
        }

        return best;
    }

    private static Remedy? Try(Trial trial, string linkId, HashSet<string> failing, UnitSystem units)
    {
        // A change may take the link itself away, as a tip tie does with the union that a base tie lay over.
        if (
            PlanAnalysis.Of(trial.Plan, units, withWorkings: false).Analysis is not { } after
            || Find(after, linkId) is { State: not LinkState.Holds }
            || after.Links.Any(l => l.State == LinkState.Fails && !failing.Contains(l.Id))
        )
        {
            return null;
        }

        return new(
            trial.Text,
            trial.Changes,
            Find(after, linkId)?.Use ?? 0,
            after.Links.Count(l => l.State == LinkState.Fails)
        );
    }
}
