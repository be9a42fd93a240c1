using System.Collections.Frozen;
using System.Globalization;

namespace Draklo.Core.Plans;

/// <summary>
/// Paths that name a part by its id, as in "lines[main].seat.heightM" or "lines[id=main].seat.heightM": they stay right
/// when somebody else's program puts the parts in another order. A plan that was read has them by place.
/// </summary>
public static class PlanPaths
{
    private const string ById = "id=";

    /// <summary>The ids of each list whose parts have one, by the list's path.</summary>
    private static readonly FrozenDictionary<string, Func<Plan, IEnumerable<string>>> Lists = new Dictionary<
        string,
        Func<Plan, IEnumerable<string>>
    >(StringComparer.Ordinal)
    {
        ["lines"] = p => p.Lines.Select(l => l.Id),
        ["site.targets"] = p => p.Site.Targets.Select(t => t.Id),
        ["walkUp"] = p => p.WalkUp.Select(w => w.Id),
        ["work.tasks"] = p => p.Work.Tasks.Select(t => t.Id),
        ["clearing.pieces"] = p => p.Clearing?.Pieces.Select(c => c.Id) ?? [],
    }.ToFrozenDictionary(StringComparer.Ordinal);

    /// <summary>The plan with every path of its guesses, provenance and accepted checks by place.</summary>
    public static Plan ByPlace(Plan plan) =>
        plan.Guesses.Any(IsById)
        || plan.Follows.Any(IsById)
        || plan.Provenance.Keys.Any(IsById)
        || plan.Accepted.Any(a => IsById(a.Path))
            ? plan with
            {
                Guesses = [.. plan.Guesses.Select(g => ByPlace(plan, g))],
                Follows = [.. plan.Follows.Select(f => ByPlace(plan, f))],
                Provenance = plan
                    .Provenance.GroupBy(p => ByPlace(plan, p.Key), StringComparer.Ordinal)
                    // Told twice, by id and by place: nobody has confirmed it while one of them says so.
                    .ToDictionary(
                        g => g.Key,
                        g => g.Select(p => p.Value).OrderByDescending(Plan.IsUnconfirmed).First(),
                        StringComparer.Ordinal
                    ),
                Accepted =
                [
                    .. plan.Accepted.Select(a => a with { Path = a.Path is null ? null : ByPlace(plan, a.Path) }),
                ],
            }
            : plan;

    /// <summary>A path by place; one that names no part of the plan stays as it is.</summary>
    public static string ByPlace(Plan plan, string path)
    {
        var open = path.IndexOf('[', StringComparison.Ordinal);
        var close = path.IndexOf(']', StringComparison.Ordinal);
        if (open < 0 || close < open || !Lists.TryGetValue(path[..open], out var idsOf))
        {
            return path;
        }

        var id = path[(open + 1)..close];
        id = id.StartsWith(ById, StringComparison.Ordinal) ? id[ById.Length..] : id;
        var at = idsOf(plan).ToList().IndexOf(id);
        return at < 0
            ? path
            : string.Create(CultureInfo.InvariantCulture, $"{path[..open]}[{at}]{path[(close + 1)..]}");
    }

    private static bool IsById(string? path)
    {
        var open = path?.IndexOf('[', StringComparison.Ordinal) ?? -1;
        return open >= 0 && open + 1 < path!.Length && !char.IsAsciiDigit(path[open + 1]);
    }
}
