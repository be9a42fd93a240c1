using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using Draklo.Core.Units;
using Draklo.Store;
using Draklo.Web.Hosting;

namespace Draklo.Web.Locker;

/// <summary>What the crew keeps for its plans beside the gear: policies, and tackles of its own.</summary>
internal static class KeptEndpoints
{
    public static void MapKept(this IEndpointRouteBuilder app)
    {
        app.MapNamed<PolicyStore, Policy>("/api/policies", "policy", "policies", p => p.Id, CheckPolicy);
        app.MapNamed<TackleStore, OwnTackle>("/api/tackles", "tackle", "tackles", t => t.Id, CheckTackle);
    }

    private static void CheckPolicy(Policy policy, List<Problem> problems)
    {
        if (string.IsNullOrWhiteSpace(policy.Members.Name))
        {
            problems.Add(new("members.name", "Give the policy a name."));
        }

        if (string.IsNullOrWhiteSpace(policy.Members.SetBy))
        {
            problems.Add(new("members.setBy", "Say who sets these factors: somebody answers for them."));
        }
    }

    private static void CheckTackle(OwnTackle own, List<Problem> problems)
    {
        if (string.IsNullOrWhiteSpace(own.Tackle.Name))
        {
            problems.Add(new("tackle.name", "Give the tackle a name that the crew will know it by."));
        }

        if (problems.Count == 0)
        {
            problems.AddRange(ComposerRules.Check(own.Tackle).Select(p => p with { Path = $"tackle.{p.Path}" }));
        }
    }
}
