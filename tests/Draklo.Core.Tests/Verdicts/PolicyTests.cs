using Draklo.Core.Analyses;
using Draklo.Core.Clearing;
using Draklo.Core.Gear;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;
using static Draklo.Core.Tests.Cases;

namespace Draklo.Core.Tests;

/// <summary>Plans are held against the policy that the crew keeps.</summary>
public sealed class PolicyTests
{
    private const string Code = "factors-under-policy";

    private static readonly Policy House = Kept("house", new() { Name = "House", LoadReserve = 1.3 });

    private static readonly Policy Water = Kept(
        "water",
        new()
        {
            Name = "Near water",
            LoadReserve = 1.4,
            DesignFactor = new() { Rope = 7, Grip = 1.5 },
        }
    );

    [Fact]
    public void A_plan_at_its_policy_or_over_it_is_not_spoken_of()
    {
        Assert.Null(Said(Sound(), House, Water));
        Assert.Null(Said(With(Sound(), ("policy.loadReserve", "1.5"), ("policy.designFactor.rope", "9")), House));
        Assert.Null(Said(With(Sound(), ("policy.loadReserve", "1.21"))));
    }

    [Fact]
    public void The_first_is_meant_where_the_plan_names_none_that_is_kept()
    {
        var plan = With(Sound(), ("policy.loadReserve", "1.25"), ("policy.name", "\"of another yard\""));
        Assert.Contains("“House”: the reserve 1.25 for 1.3.", Said(plan, House, Water)!, StringComparison.Ordinal);
        Assert.Contains("“Near water”", Said(plan, Water, House)!, StringComparison.Ordinal);
    }

    /// <summary>Whoever set the plan's own: a name under a lower figure is no leave.</summary>
    [Fact]
    public void The_one_that_the_plan_names_goes_before_the_first()
    {
        var plan = With(
            Sound(),
            ("policy.name", "\"Near water\""),
            ("policy.setBy", "\"Mette\""),
            ("policy.loadReserve", "1.4")
        );
        Assert.Contains(
            "“Near water”: ropes 5 for 7, friction hitches 1.25 for 1.5.",
            Said(plan, House, Water)!,
            StringComparison.Ordinal
        );
        Assert.Equal(VerdictState.Check, Of(plan, House, Water).State);
    }

    /// <summary>Worked with what is kept: another policy, and what was accepted no longer stands.</summary>
    [Fact]
    public void What_somebody_takes_on_lapses_when_the_figure_changes()
    {
        var lowered = With(Sound(), ("policy.loadReserve", "1.25"));
        var reason = Of(lowered, House).Reasons.First(r => r.Code == Code);
        var taken = lowered with
        {
            Accepted =
            [
                new()
                {
                    Code = Code,
                    Path = reason.Path,
                    By = "Mette",
                    At = "2026-11-20T08:00:00+01:00",
                    Because = "a light tree over grass",
                    Values = reason.Values.ToDictionary(StringComparer.Ordinal),
                },
            ],
        };
        Assert.Null(Said(taken, House));
        Assert.NotNull(Said(With(taken, ("policy.loadReserve", "1.22")), House));
    }

    /// <summary>A clearing has no reserve, but the same factors; they are judged though nothing is pulled.</summary>
    [Theory]
    [InlineData("policy.designFactor.sling", "4", Code)]
    [InlineData("policy.designFactor.rope", "2.5", "factor-low")]
    [InlineData("policy.designFactor.rope", "1.2", "factor-too-low")]
    [InlineData("policy.loadReserve", "1.25", null)]
    public void A_clearing_is_held_against_the_factors(string path, string value, string? code)
    {
        var plan = With(Banks.PlanOf(Banks.Bank()), (path, value));
        var reasons = ClearingAnalysis
            .Of(plan, UnitSystem.Metric, new(new Dictionary<string, GearStanding>(), [House]))
            .Analysis!.Ways[0]
            .Reasons.Select(r => r.Code)
            .Where(c => c.StartsWith("factor", StringComparison.Ordinal));
        string[] expected = code is null ? [] : [Code, "factors-lowered", code];
        Assert.Equal(expected.Distinct().Order(StringComparer.Ordinal), reasons.Order(StringComparer.Ordinal));
    }

    private static Policy Kept(string id, PolicyMembers members) => new() { Id = id, Members = members };

    private static Verdict Of(Plan plan, params Policy[] kept) =>
        PlanAnalysis
            .Of(plan, UnitSystem.Metric, withWorkings: false, new(new Dictionary<string, GearStanding>(), kept))
            .Analysis!.Verdict;

    private static string? Said(Plan plan, params Policy[] kept) =>
        Of(plan, kept).Reasons.FirstOrDefault(r => r.Code == Code)?.Text;
}
