using Draklo.Core.Reading;
using Draklo.Core.Units;
using Draklo.Store;

namespace Draklo.Web.Hosting;

/// <summary>Documents that the crew keeps under names: list, keep, drop.</summary>
internal static class NamedEndpoints
{
    /// <param name="path">As in /api/policies.</param>
    /// <param name="one">What one of them is called, as in "policy"; also ends the operations' names.</param>
    /// <param name="many">What several are called.</param>
    /// <param name="idOf">Its id, the same as in the address.</param>
    /// <param name="check">What its ranges do not say.</param>
    public static void MapNamed<TStore, T>(
        this IEndpointRouteBuilder app,
        string path,
        string one,
        string many,
        Func<T, string> idOf,
        Action<T, List<Problem>> check
    )
        where TStore : NamedStore<T>
        where T : class, IDocumentPart
    {
        var name = char.ToUpperInvariant(one[0]) + one[1..];
        app.MapGet(path, (TStore store) => store.List())
            .WithName(many)
            .WithTags(many)
            .WithSummary($"The crew's {many}.");
        app.MapPut(
                $"{path}/{{id}}",
                (TStore store, HttpRequest request, string id) => KeepAsync(store, request, id, idOf, check)
            )
            .WithName($"keep{name}")
            .WithTags(many)
            .WithSummary($"Keeps a {one} under its id; plans carry their own copy and do not change.")
            .Accepts<T>("application/json")
            .Produces<T>()
            .ProducesValidationProblem(422);
        app.MapDelete(
                $"{path}/{{id}}",
                (TStore store, string id) =>
                    store.Drop(id)
                        ? Results.NoContent()
                        : PlainProblems.NotFound($"The crew keeps no {one} of this name.")
            )
            .WithName($"drop{name}")
            .WithTags(many)
            .WithSummary($"Drops a {one}; plans that carry it stay as they are.")
            .Produces(204)
            .ProducesProblem(404);
    }

    private static async Task<IResult> KeepAsync<T>(
        NamedStore<T> store,
        HttpRequest request,
        string id,
        Func<T, string> idOf,
        Action<T, List<Problem>> check
    )
        where T : class, IDocumentPart
    {
        var (document, refusal) = await request.ReadAsync<T>();
        if (document is null)
        {
            return refusal!;
        }

        var problems = new List<Problem>();
        MemberRanges.Check(document, UnitSystem.Metric, problems);
        if (idOf(document) != id)
        {
            problems.Add(new("id", "The id is the same as in the address."));
        }

        check(document, problems);
        if (problems.Count > 0)
        {
            return PlainProblems.Refused(problems);
        }

        store.Keep(document);
        return Results.Ok(document);
    }
}
