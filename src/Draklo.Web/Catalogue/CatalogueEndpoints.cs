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
public sealed record CatalogueAnswer
{
    /// <summary>The catalogue's and the crew's own.</summary>
    public required IReadOnlyList<SpeciesEntry> Species { get; init; }

    public required IReadOnlyList<Knot> Knots { get; init; }

    public required IReadOnlyList<ContactKind> Contacts { get; init; }

    public required IReadOnlyList<TackleChoice> Systems { get; init; }

    /// <summary>What a tackle of the crew's own is put together from.</summary>
    public required IReadOnlyList<StageChoice> Stages { get; init; }

    /// <summary>Crown ratios to choose by what the crown looks like.</summary>
    public required IReadOnlyList<CrownLook> Crowns { get; init; }

    /// <summary>The walk-up list that a new job starts with.</summary>
    public required IReadOnlyList<WalkUpMembers> WalkUp { get; init; }

    public required IReadOnlyList<AnchorFigure> Anchors { get; init; }

    public required IReadOnlyList<Grip> Grips { get; init; }

    public required IReadOnlyList<RopeConstruction> Constructions { get; init; }

    public required IReadOnlyList<GlossaryEntry> Glossary { get; init; }

    /// <summary>What a part of the plan starts from when it is added.</summary>
    public required Starts Starts { get; init; }
}

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
        return new()
        {
            Species =
            [
                .. Reference
                    .Species.Values.Where(s => !own.ContainsKey(s.Id))
                    .Select(s => new SpeciesEntry(s, false, false))
                    .Concat(own.Values.Select(Entry))
                    .OrderBy(s => s.Species.Name, StringComparer.Ordinal),
            ],
            Knots = [.. Reference.Knots.Values.OrderBy(k => k.Name, StringComparer.Ordinal)],
            Contacts = [.. Reference.Contacts.Values.OrderByDescending(c => c.Nominal)],
            Systems = Systems,
            Stages = StageChoices.All,
            Crowns = CrownChoices.All,
            WalkUp = FirstWalkUp.Make(),
            Anchors = [.. Reference.Anchors.Values.OrderBy(a => a.Kind, StringComparer.Ordinal).ThenBy(a => a.Nominal)],
            Grips = [.. Reference.Grips.Values.OrderBy(g => g.SlipLowN)],
            Constructions = [.. Reference.Constructions.Values.OrderBy(c => c.StrengthPerMm2)],
            Glossary = Reference.Glossary,
            Starts = Starts.Usual,
        };
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
