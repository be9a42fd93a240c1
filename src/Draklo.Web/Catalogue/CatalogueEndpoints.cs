using Draklo.Core.Catalogue;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;

namespace Draklo.Web.Catalogue;

/// <summary>What a plan can choose from.</summary>
public sealed record CatalogueAnswer(
    IReadOnlyList<Species> Species, IReadOnlyList<Knot> Knots, IReadOnlyList<ContactKind> Contacts, IReadOnlyList<TackleChoice> Systems);

/// <param name="InLine">Always rove in the pull line's own tail.</param>
/// <param name="UsesAnchor">Whether it hangs on the anchor.</param>
public sealed record TackleChoice(string Id, string Name, string Note, bool InLine, bool UsesAnchor, double IdealAdvantage);

internal static class CatalogueEndpoints
{
    private static readonly CatalogueAnswer Answer = new(
        [.. Reference.Species.Values.OrderBy(s => s.Name, StringComparer.Ordinal)],
        [.. Reference.Knots.Values.OrderBy(k => k.Name, StringComparer.Ordinal)],
        [.. Reference.Contacts.Values.OrderByDescending(c => c.Nominal)],
        [.. TackleSystems.All.Select(s => new TackleChoice(s.Id, s.Name, s.Note, s.InLine, s.UsesAnchor, s.Solve(new(1, 1)).IdealAdvantage))]);

    public static void MapCatalogue(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/catalogue", () => Answer)
            .WithName("catalogue").WithTags("catalogue").WithSummary("Species, knots, turns and tackle systems.");
        app.MapGet("/api/schema/plan.json", () => Results.Text(PlanSchema.Text, "application/schema+json"))
            .WithName("planSchema").WithTags("catalogue").WithSummary("The JSON Schema of the plan document.");
    }
}
