using System.Collections.Concurrent;
using Draklo.Core.Units;

namespace Draklo.Core.Reading;

/// <summary>Whether the members of a document lie within what their attributes allow.</summary>
/// <remarks>The same attributes make the JSON Schema and the API description.</remarks>
public static class MemberRanges
{
    private static readonly ConcurrentDictionary<Type, RangedMember[]> Members = new();

    /// <summary>Adds a problem for every member out of its range.</summary>
    /// <param name="document">Its groups and lists are checked too.</param>
    public static void Check(IDocumentPart document, UnitSystem units, List<Problem> problems)
    {
        if (!Members.TryGetValue(document.GetType(), out var members))
        {
            members = Members.GetOrAdd(document.GetType(), RangedMember.Of);
        }

        foreach (var member in members)
        {
            member.Check(document, units, problems);
        }
    }

    /// <summary>
    /// Checks a group. Where it stands is written before the paths of its problems only when there are any: most groups
    /// are right, and they are checked at every drag.
    /// </summary>
    /// <param name="index">Its number in a list; null for a single group.</param>
    internal static void CheckWithin(
        IDocumentPart group,
        string name,
        int? index,
        UnitSystem units,
        List<Problem> problems
    )
    {
        var before = problems.Count;
        Check(group, units, problems);
        for (var i = before; i < problems.Count; i++)
        {
            problems[i] = problems[i] with
            {
                Path = index is { } number ? $"{name}[{number}].{problems[i].Path}" : $"{name}.{problems[i].Path}",
            };
        }
    }
}
