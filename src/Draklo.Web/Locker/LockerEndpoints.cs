using Draklo.Core.Gear;
using Draklo.Core.Reading;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;
using Draklo.Files;
using Draklo.Store;
using Draklo.Web.Hosting;
using Draklo.Web.Sharing;
using Microsoft.AspNetCore.Mvc;

namespace Draklo.Web.Locker;

/// <summary>The crew's gear: what there is, how it stands, what was done with it.</summary>
internal static class LockerEndpoints
{
    public static void MapLocker(this IEndpointRouteBuilder app)
    {
        var locker = app.MapGroup("/api/locker").WithTags("locker");
        locker
            .MapGet("/", List)
            .WithName("locker")
            .WithSummary("Every piece of gear with its strength and its flags.")
            .Produces<LockerAnswer>();
        locker
            .MapGet(
                "/standings",
                (LockerStore store, string? units = null) =>
                    Bodies.TryUnits(units, out var system)
                        ? Results.Ok(store.Standings(system))
                        : Bodies.UnknownUnits(units)
            )
            .WithName("lockerStandings")
            .WithSummary(
                "How every piece stands, by its id: what a plan must know of the locker, in the reader's units."
            )
            .Produces<IReadOnlyDictionary<string, GearStanding>>()
            .ProducesValidationProblem(422);
        locker
            .MapPut("/rules", KeepRulesAsync)
            .WithName("keepLockerRules")
            .WithSummary("When pieces flag themselves.")
            .Accepts<LockerRules>("application/json")
            .Produces<LockerRules>()
            .ProducesValidationProblem(422);
        locker
            .MapPost("/items", CreateAsync)
            .WithName("createGear")
            .WithSummary("Keeps a new piece; an empty id is made of its name.")
            .Accepts<NewGear>("application/json")
            .Produces<GearEntry>(201)
            .ProducesValidationProblem(422);
        locker
            .MapGet("/items/{id}", Read)
            .WithName("readGear")
            .WithSummary("One piece with its inspections and uses; its ETag is its revision.")
            .Produces<GearDetail>()
            .ProducesProblem(404);
        locker
            .MapPut("/items/{id}", SaveAsync)
            .WithName("saveGear")
            .WithSummary("Saves over the revision named in If-Match; a stale one answers 412.")
            .Accepts<GearItem>("application/json")
            .Produces<GearEntry>()
            .ProducesProblem(404)
            .ProducesProblem(412)
            .ProducesValidationProblem(422)
            .ProducesProblem(428);
        locker
            .MapDelete("/items/{id}", Delete)
            .WithName("deleteGear")
            .WithSummary("Takes a piece off the list; restore brings it back. What wore out is better retired.")
            .Produces(204)
            .ProducesProblem(404);
        locker
            .MapPost("/items/{id}/restore", Restore)
            .WithName("restoreGear")
            .WithSummary("Brings a deleted piece back.")
            .Produces<GearDetail>()
            .ProducesProblem(404);
        locker
            .MapPost("/items/{id}/inspections", InspectAsync)
            .WithName("inspectGear")
            .WithSummary("Records an inspection and updates the piece's state.")
            .Accepts<Inspection>("application/json")
            .Produces<GearDetail>()
            .ProducesProblem(404)
            .ProducesValidationProblem(422);
        locker
            .MapPost("/items/{id}/uses", UseAsync)
            .WithName("logGear")
            .WithSummary("Records a day's work.")
            .Accepts<GearUse>("application/json")
            .Produces<GearDetail>()
            .ProducesProblem(404)
            .ProducesValidationProblem(422);
        locker
            .MapPost("/usual", UsualAsync)
            .WithName("usualOutcome")
            .WithSummary("What usually follows from what was seen.")
            .Accepts<SeenDocument>("application/json")
            .Produces<UsualAnswer>()
            .ProducesValidationProblem(422);
        locker
            .MapGet(
                "/register",
                (LockerStore store, string? units = null) => Results.Ok(RegisterOf(store, UnitsOf(units)))
            )
            .WithName("gearRegister")
            .WithSummary(
                "The register for an inspector: every piece with its last look, its next one, its uses and its peak."
            )
            .Produces<IReadOnlyList<RegisterEntry>>();
        locker
            .MapGet("/register.csv", RegisterCsv)
            .WithName("gearRegisterCsv")
            .WithSummary("The register as CSV, UTF-8.")
            .Produces<string>(200, "text/csv");
        locker
            .MapGet("/items/{id}/label.svg", Label)
            .WithName("gearLabel")
            .WithSummary("A square code that opens a piece's page, for its label.")
            .Produces<string>(200, "image/svg+xml")
            .ProducesProblem(404);
        LockerLists.Map(locker);
    }

    private static IResult List(LockerStore store, string? units = null)
    {
        if (!Bodies.TryUnits(units, out var system))
        {
            return Bodies.UnknownUnits(units);
        }

        var rules = store.Rules();
        var pieces = store.List();
        return new SizedAnswer<LockerAnswer>(
            new(
                [.. pieces.Select(k => GearEntry.Of(k, rules, store.Today, system))],
                rules,
                [
                    .. pieces
                        .Select(k => GearProposals.Of(k.Item, k.Past, rules, store.Today, system))
                        .OfType<GearProposal>()
                        .OrderByDescending(p => p.Proposed)
                        .ThenBy(p => p.Name, StringComparer.Ordinal),
                ]
            )
        );
    }

    private static async Task<IResult> KeepRulesAsync(LockerStore store, HttpRequest request)
    {
        var (rules, refusal) = await request.ReadAsync<LockerRules>();
        if (rules is null)
        {
            return refusal!;
        }

        var problems = new List<Problem>();
        MemberRanges.Check(rules, UnitSystem.Metric, problems);
        if (string.IsNullOrWhiteSpace(rules.SetBy))
        {
            problems.Add(new("setBy", "Say who sets these."));
        }

        if (problems.Count > 0)
        {
            return PlainProblems.Refused(problems);
        }

        store.Keep(rules);
        return Results.Ok(rules);
    }

    private static async Task<IResult> CreateAsync(LockerStore store, HttpContext http, string? units = null)
    {
        var (asked, refusal) = await http.Request.ReadAsync<NewGear>();
        if (asked is null)
        {
            return refusal!;
        }

        var taken = store.List().Select(k => k.Item.Id).Concat(store.DeletedIds()).ToHashSet(StringComparer.Ordinal);
        var item = asked.Item.Id.Length > 0 ? asked.Item : asked.Item with { Id = new GearIds(taken).Free(asked.Item) };
        var problems = GearRules.Check(item, store.Today, UnitsOf(units));
        if (problems.Count == 0 && !store.Create(item))
        {
            problems.Add(
                new("id", $"The id “{item.Id}” is taken, perhaps by a piece that was deleted: choose another.")
            );
        }

        return problems.Count > 0
            ? PlainProblems.Refused(problems)
            : Results.Created($"/api/locker/items/{item.Id}", Entry(store, store.Find(item.Id)!, units));
    }

    private static IResult Read(LockerStore store, HttpResponse response, string id, string? units = null)
    {
        if (store.Find(id) is not { } kept)
        {
            return Missing();
        }

        response.Headers.ETag = $"\"{kept.Revision}\"";
        return Results.Ok(Detail(store, kept, units));
    }

    private static async Task<IResult> SaveAsync(LockerStore store, HttpContext http, string id, string? units = null)
    {
        if (!http.Request.TryRevision(out var revision, out var unnamed))
        {
            return unnamed!;
        }

        var (item, refusal) = await http.Request.ReadAsync<GearItem>();
        if (item is null)
        {
            return refusal!;
        }

        var problems = GearRules.Check(item, store.Today, UnitsOf(units));
        if (item.Id != id)
        {
            problems.Add(new("id", "The id is the same as in the address: a piece keeps its id."));
        }

        if (problems.Count > 0)
        {
            return PlainProblems.Refused(problems);
        }

        var (result, kept) = store.Save(item, revision);
        return result switch
        {
            SaveResult.Saved => Results.Ok(Entry(store, kept!, units)),
            SaveResult.Stale => Results.Problem(
                $"This piece was saved elsewhere since: it stands at revision {kept!.Revision}, and this change began from {revision}. Nothing was overwritten.",
                title: "Saved elsewhere meanwhile.",
                statusCode: StatusCodes.Status412PreconditionFailed
            ),
            _ => Missing(),
        };
    }

    private static IResult Delete(LockerStore store, string id) => store.Delete(id) ? Results.NoContent() : Missing();

    private static IResult Restore(LockerStore store, string id, string? units = null) =>
        store.Restore(id) ? Results.Ok(Detail(store, store.Find(id)!, units)) : Missing();

    private static async Task<IResult> InspectAsync(
        LockerStore store,
        HttpRequest request,
        string id,
        string? units = null
    )
    {
        var (inspection, refusal) = await request.ReadAsync<Inspection>();
        if (inspection is null)
        {
            return refusal!;
        }

        if (Visitor.Of(request.HttpContext).NotAs("by", inspection.By) is { } other)
        {
            return PlainProblems.Refused([other]);
        }

        if (store.Find(id) is not { } piece)
        {
            return Missing();
        }

        var problems = GearRules.Check(inspection, piece.Item, store.Today, UnitsOf(units));
        return problems.Count > 0 ? PlainProblems.Refused(problems)
            : store.Inspect(id, inspection) is { } kept ? Results.Ok(Detail(store, kept, units))
            : Missing();
    }

    private static async Task<IResult> UseAsync(LockerStore store, HttpRequest request, string id, string? units = null)
    {
        var (use, refusal) = await request.ReadAsync<GearUse>();
        if (use is null)
        {
            return refusal!;
        }

        var problems = GearRules.Check(use, store.Today, UnitsOf(units));
        return problems.Count > 0 ? PlainProblems.Refused(problems)
            : store.Use(id, use) is { } kept ? Results.Ok(Detail(store, kept, units))
            : Missing();
    }

    private static async Task<IResult> UsualAsync(HttpRequest request)
    {
        var (seen, refusal) = await request.ReadAsync<SeenDocument>();
        return seen is null ? refusal! : Results.Ok(new UsualAnswer(GearFlags.Usual(seen.Findings)));
    }

    private static List<RegisterEntry> RegisterOf(LockerStore store, UnitSystem units)
    {
        var rules = store.Rules();
        var looks = store.LastLooks();
        var uses = store.UseCounts();
        return
        [
            .. store
                .List()
                .Select(k =>
                {
                    var look = looks.GetValueOrDefault(k.Item.Id);
                    var since = GearRules.Day(look?.On ?? k.Item.InServiceOn ?? k.Item.MadeOn);
                    return new RegisterEntry(
                        GearEntry.Of(k, rules, store.Today, units),
                        look?.On,
                        look?.By,
                        look?.Outcome,
                        k.Item is { State: GearState.Retired } or { Kind: GearKind.ThrowKit or GearKind.Wedge }
                            ? null
                            : since?.AddMonths((int)rules.InspectionMonths).ToString("yyyy-MM-dd"),
                        uses.GetValueOrDefault(k.Item.Id),
                        k.Past.PeakN
                    );
                }),
        ];
    }

    private static IResult RegisterCsv(LockerStore store) =>
        PlainCsv.File(
            "gear-register.csv",
            [
                "id",
                "kind",
                "name",
                "marks",
                "count",
                "strength_n",
                "made_on",
                "in_service_on",
                "state",
                "inspected_on",
                "inspected_by",
                "outcome",
                "next_by",
                "uses",
                "peak_n",
                "flags",
            ],
            RegisterOf(store, UnitSystem.Metric)
                .Select(r =>
                    new object?[]
                    {
                        r.Gear.Item.Id,
                        r.Gear.Item.Kind,
                        r.Gear.Item.Name,
                        r.Gear.Item.Marks,
                        r.Gear.Item.Count,
                        r.Gear.Strength.Newtons,
                        r.Gear.Item.MadeOn,
                        r.Gear.Item.InServiceOn,
                        r.Gear.Item.State,
                        r.InspectedOn,
                        r.InspectedBy,
                        r.Outcome,
                        r.NextBy,
                        r.Uses,
                        r.PeakN,
                        string.Join("; ", r.Gear.Flags.Select(f => f.Text)),
                    }
                )
        );

    private static IResult Label(LockerStore store, SharedAddresses shared, HttpRequest request, string id) =>
        store.Find(id) is { } kept ? QrCode.Of(request, shared, $"/locker/{kept.Item.Id}") : Missing();

    private static GearEntry Entry(LockerStore store, KeptItem kept, string? units) =>
        GearEntry.Of(kept, store.Rules(), store.Today, UnitsOf(units));

    private static GearDetail Detail(LockerStore store, KeptItem kept, string? units) =>
        new(Entry(store, kept, units), store.InspectionsOf(kept.Item.Id), store.UsesOf(kept.Item.Id));

    internal static UnitSystem UnitsOf(string? units) =>
        Bodies.TryUnits(units, out var system) ? system : UnitSystem.Metric;

    private static IResult Missing() =>
        PlainProblems.NotFound("There is no such piece in the locker, or it was deleted.");
}
