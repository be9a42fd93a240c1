using Draklo.Core.Plans;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Hosting;

namespace Draklo.Web.Locker;

/// <summary>Policies that the crew keeps: how much stronger than its load each class of link shall be, and who said so.</summary>
internal static class PolicyEndpoints
{
    public static void MapPolicies(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/policies", (PolicyStore store) => store.List()).WithName("policies").WithTags("policies").WithSummary("The crew's policies.");
        app.MapPut("/api/policies/{id}", KeepAsync).WithName("keepPolicy").WithTags("policies").WithSummary("Keeps a policy under its id; plans carry their own copy and do not change.")
            .Accepts<Policy>("application/json").Produces<Policy>().ProducesValidationProblem(422);
        app.MapDelete("/api/policies/{id}", (PolicyStore store, string id) => store.Drop(id) ? Results.NoContent() : PlainProblems.NotFound("The crew keeps no policy of this name."))
            .WithName("dropPolicy").WithTags("policies").WithSummary("Drops a policy; plans that carry it stay as they are.").Produces(204).ProducesProblem(404);
    }

    private static async Task<IResult> KeepAsync(PolicyStore store, HttpRequest request, string id)
    {
        var (policy, refusal) = await request.ReadAsync<Policy>();
        if (policy is null)
        {
            return refusal!;
        }

        var problems = new List<Problem>();
        MemberRanges.Check(policy, UnitSystem.Metric, problems);
        if (policy.Id != id)
        {
            problems.Add(new("id", "The id is the same as in the address."));
        }

        if (string.IsNullOrWhiteSpace(policy.Members.Name))
        {
            problems.Add(new("members.name", "Give the policy a name."));
        }

        if (string.IsNullOrWhiteSpace(policy.Members.SetBy))
        {
            problems.Add(new("members.setBy", "Say who sets these factors: somebody answers for them."));
        }

        if (problems.Count > 0)
        {
            return PlainProblems.Refused(problems);
        }

        store.Keep(policy);
        return Results.Ok(policy);
    }
}
