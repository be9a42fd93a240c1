using System.Text.RegularExpressions;
using Draklo.Core.Catalogue;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Tackle;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Hosting;

namespace Draklo.Web.Catalogue;

/// <summary>What a plan can choose from.</summary>
/// <param name="Species">The catalogue's and the crew's own.</param>
/// <param name="Stages">What a tackle of the crew's own is put together from.</param>
/// <param name="Crowns">Crown ratios to choose by what the crown looks like.</param>
/// <param name="WalkUp">The walk-up list that a new job starts with.</param>
/// <param name="Starts">What a part of the plan starts from when it is added.</param>
public sealed record CatalogueAnswer(
    IReadOnlyList<SpeciesEntry> Species,
    IReadOnlyList<Knot> Knots,
    IReadOnlyList<ContactKind> Contacts,
    IReadOnlyList<TackleChoice> Systems,
    IReadOnlyList<StageChoice> Stages,
    IReadOnlyList<CrownLook> Crowns,
    IReadOnlyList<WalkUpMembers> WalkUp,
    IReadOnlyList<AnchorFigure> Anchors,
    IReadOnlyList<Grip> Grips,
    IReadOnlyList<RopeConstruction> Constructions,
    IReadOnlyList<GlossaryEntry> Glossary,
    Starts Starts
);

/// <param name="Own">True for what the crew added or corrected; a plan then carries its wood.</param>
/// <param name="Corrects">True when the catalogue has figures of its own under this id, which come back when the
/// correction is dropped.</param>
public sealed record SpeciesEntry(Species Species, bool Own, bool Corrects);

/// <param name="Turns">Where its ropes turn: what a cam or grip can sit at.</param>
/// <param name="InLine">Always rove in the pull line's own tail.</param>
/// <param name="UsesAnchor">Whether it hangs on the anchor.</param>
public sealed record TackleChoice(
    string Id,
    string Name,
    string Note,
    bool InLine,
    bool UsesAnchor,
    double IdealAdvantage,
    IReadOnlyList<TackleTurn> Turns
);

internal static partial class CatalogueEndpoints
{
    private static readonly IReadOnlyList<TackleChoice> Systems =
    [
        .. TackleSystems.All.Select(s => new TackleChoice(
            s.Id,
            s.Name,
            s.Note,
            s.InLine,
            s.UsesAnchor,
            s.Solve(new(1, 1)).IdealAdvantage,
            TackleTurn.Of(s.Shape)
        )),
    ];

    public static void MapCatalogue(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/catalogue", (SpeciesStore store) => Answer(store))
            .WithName("catalogue")
            .WithTags("catalogue")
            .WithSummary("Species, knots, turns, tackle systems, crowns and the walk-up list.");
        app.MapGet("/api/schema/plan.json", () => Results.Text(PlanSchema.Text, "application/schema+json"))
            .WithName("planSchema")
            .WithTags("catalogue")
            .WithSummary("The JSON Schema of the plan document.");
        app.MapPut("/api/species/{id}", KeepAsync)
            .WithName("keepSpecies")
            .WithTags("catalogue")
            .WithSummary("Keeps a species of the crew's own, or its correction of the catalogue's.")
            .Accepts<Species>("application/json")
            .Produces<SpeciesEntry>()
            .ProducesValidationProblem(422);
        app.MapDelete("/api/species/{id}", Drop)
            .WithName("dropSpecies")
            .WithTags("catalogue")
            .WithSummary("Drops a species of the crew's own; a corrected one goes back to the catalogue's figures.")
            .Produces(204)
            .ProducesProblem(404);
    }

    private static CatalogueAnswer Answer(SpeciesStore store)
    {
        var own = store.List().ToDictionary(s => s.Id, StringComparer.Ordinal);
        return new(
            [
                .. Reference
                    .Species.Values.Where(s => !own.ContainsKey(s.Id))
                    .Select(s => new SpeciesEntry(s, false, false))
                    .Concat(own.Values.Select(Entry))
                    .OrderBy(s => s.Species.Name, StringComparer.Ordinal),
            ],
            [.. Reference.Knots.Values.OrderBy(k => k.Name, StringComparer.Ordinal)],
            [.. Reference.Contacts.Values.OrderByDescending(c => c.Nominal)],
            Systems,
            StageChoices.All,
            CrownChoices.All,
            FirstWalkUp.Make(),
            [.. Reference.Anchors.Values.OrderBy(a => a.Kind, StringComparer.Ordinal).ThenBy(a => a.Nominal)],
            [.. Reference.Grips.Values.OrderBy(g => g.SlipLowN)],
            [.. Reference.Constructions.Values.OrderBy(c => c.StrengthPerMm2)],
            Reference.Glossary,
            Starts.Usual
        );
    }

    private static async Task<IResult> KeepAsync(SpeciesStore store, HttpRequest request, string id)
    {
        var (species, refusal) = await request.ReadAsync<Species>();
        if (species is null)
        {
            return refusal!;
        }

        var problems = new List<Problem>();
        MemberRanges.Check(species, UnitSystem.Metric, problems);
        if (!IdShape().IsMatch(id) || species.Id != id)
        {
            problems.Add(
                new(
                    "id",
                    "The id takes small letters, digits and hyphens, 40 at most, and is the same as in the address."
                )
            );
        }

        if (string.IsNullOrWhiteSpace(species.Name) || species.Name.Length > 60 || species.Latin.Length > 60)
        {
            problems.Add(new("name", "Give the species a name, and keep name and Latin name to 60 letters each."));
        }

        if (problems.Count > 0)
        {
            return PlainProblems.Refused(problems);
        }

        store.Keep(species);
        return Results.Ok(Entry(species));
    }

    private static IResult Drop(SpeciesStore store, string id) =>
        store.Drop(id)
            ? Results.NoContent()
            : PlainProblems.NotFound("The crew keeps no species of this name; the catalogue's own stay.");

    private static SpeciesEntry Entry(Species species) => new(species, true, Reference.Species.ContainsKey(species.Id));

    [GeneratedRegex("^[a-z0-9][a-z0-9-]{0,39}$", RegexOptions.ExplicitCapture, matchTimeoutMilliseconds: 200)]
    private static partial Regex IdShape();
}
