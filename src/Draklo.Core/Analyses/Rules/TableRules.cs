using Draklo.Core.Catalogue;
using Draklo.Core.Units;

namespace Draklo.Core.Analyses;

/// <summary>Whether the ids that a plan names stand in the tables.</summary>
internal static class TableRules
{
    public static void CheckKnot(string? id, Spot spot, string member, List<Problem> problems)
    {
        if (id is not null && !Reference.Knots.ContainsKey(id))
        {
            problems.Add(new(spot.Of(member), $"The knot “{id}” is not in the table: choose one that is."));
        }
    }

    public static void CheckContact(string id, Spot spot, List<Problem> problems)
    {
        if (!Reference.Contacts.ContainsKey(id))
        {
            problems.Add(new(spot.Of("contactId"), $"“{id}” is not in the table of turns: choose one that is."));
        }
    }

    public static void CheckConstruction(string? id, Spot spot, List<Problem> problems)
    {
        if (id is not null && !Reference.Constructions.ContainsKey(id))
        {
            problems.Add(
                new(
                    spot.Of("constructionId"),
                    $"The construction “{id}” is not in the rope table: choose one of {Listed(Reference.Constructions.Keys)}."
                )
            );
        }
    }

    /// <param name="kind">Of the anchor table: roots, soil, pickets or grip.</param>
    public static void CheckAnchorFigure(string? id, string kind, Spot spot, string member, List<Problem> problems)
    {
        if (id is not null && !(Reference.Anchors.TryGetValue(id, out var figure) && figure.Kind == kind))
        {
            var known = Reference.Anchors.Values.Where(a => a.Kind == kind).Select(a => a.Id);
            problems.Add(new(spot.Of(member), $"“{id}” is not in the table: choose one of {Listed(known)}."));
        }
    }

    public static string Listed(IEnumerable<string> ids) => string.Join(", ", ids.Order(StringComparer.Ordinal));
}
