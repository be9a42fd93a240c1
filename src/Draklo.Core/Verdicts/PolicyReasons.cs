using Draklo.Core.Gear;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>Reserve and design factors that are lower than usual.</summary>
internal static class PolicyReasons
{
    private const double LeastReserve = 1.2;

    private static readonly DesignFactorMembers Usual = new();

    public static void Add(Findings findings, ReasonList reasons)
    {
        var policy = findings.Plan.Policy;
        if (policy.LoadReserve < LeastReserve)
        {
            reasons.Check(
                "reserve-low",
                $"The load reserve is {policy.LoadReserve:x}, under {LeastReserve:x}: little is left for what nobody can measure.",
                "policy.loadReserve",
                null,
                ("reserve", policy.LoadReserve)
            );
        }

        var kept = findings.Yard?.PolicyFor(policy);
        AddUnder(
            kept,
            [("reserve", "the reserve", policy.LoadReserve, kept?.LoadReserve ?? 0), .. Under(policy, kept)],
            reasons
        );
        AddFactors(policy, reasons);
    }

    /// <summary>What is said of the factors alone, where nothing is pulled with a reserve.</summary>
    public static void AddForClearing(PolicyMembers policy, Yard? yard, ReasonList reasons)
    {
        var kept = yard?.PolicyFor(policy);
        AddUnder(kept, Under(policy, kept), reasons);
        AddFactors(policy, reasons);
    }

    /// <summary>A plan under the policy that the crew keeps, whoever set the plan's own.</summary>
    private static void AddUnder(
        PolicyMembers? kept,
        IEnumerable<(string Key, string Name, double Value, double Kept)> members,
        ReasonList reasons
    )
    {
        var under = members.Where(m => m.Value < m.Kept).ToList();
        if (kept is null || under.Count == 0)
        {
            return;
        }

        var which = string.Join(", ", under.Select(m => $"{m.Name} {Plain(m.Value)} for {Plain(m.Kept)}"));
        var name = kept.Name is { Length: > 0 } known ? $"“{known}”" : "that it keeps";
        reasons.Check(
            "factors-under-policy",
            $"Under the crew's own policy {name}: {which}. Put its figures back, or take this on by name.",
            "policy",
            null,
            [.. under.Select(m => (m.Key, m.Value))]
        );
    }

    private static IEnumerable<(string Key, string Name, double Value, double Kept)> Under(
        PolicyMembers policy,
        PolicyMembers? kept
    ) => Classes.Select(c => (c.Path, c.Name, c.Of(policy.DesignFactor), kept is null ? 0 : c.Of(kept.DesignFactor)));

    private static void AddFactors(PolicyMembers policy, ReasonList reasons)
    {
        var factors = policy.DesignFactor;
        AddLeast(factors, reasons);
        if (string.IsNullOrWhiteSpace(policy.SetBy) && Classes.Any(c => c.Of(factors) < c.Of(Usual)))
        {
            reasons.Check(
                "factors-lowered",
                "Design factors are under the usual ones and nobody's name stands to them: say who set them, or put the usual ones back.",
                "policy.designFactor"
            );
        }
    }

    /// <summary>Factors under the usual least of their class, whoever set them; under one and a half nothing is left.</summary>
    private static void AddLeast(DesignFactorMembers factors, ReasonList reasons)
    {
        foreach (var (name, path, of, least) in Classes)
        {
            var value = of(factors);
            if (least is not { } usual || value >= usual)
            {
                continue;
            }

            if (value < AnyLeast)
            {
                reasons.Stop(
                    "factor-too-low",
                    $"A factor of {value:x} for {name} leaves nothing for what nobody can measure: {usual:x} is the least that is usual.",
                    $"policy.designFactor.{path}",
                    null,
                    ("factor", value),
                    ("least", usual)
                );
            }
            else
            {
                reasons.Check(
                    "factor-low",
                    $"The factor of {value:x} for {name} is under the least that is usual, {usual:x}: raise it, or take it on by name.",
                    $"policy.designFactor.{path}",
                    null,
                    ("factor", value),
                    ("least", usual)
                );
            }
        }
    }

    private const double AnyLeast = 1.5;

    /// <summary>The classes of links. A hitch slips rather than breaks: no least is usual for it.</summary>
    private static readonly (string Name, string Path, Func<DesignFactorMembers, double> Of, double? Least)[] Classes =
    [
        ("ropes", "rope", f => f.Rope, 3),
        ("slings", "sling", f => f.Sling, 3),
        ("hardware", "hardware", f => f.Hardware, 2),
        ("anchors", "anchor", f => f.Anchor, 1.5),
        ("the stem", "stem", f => f.Stem, 2),
        ("friction hitches", "grip", f => f.Grip, null),
    ];

    /// <summary>"Judged with a load reserve of 1.3 and design factors of 5 for ropes, …".</summary>
    public static string InWords(PolicyMembers policy)
    {
        var factors = policy.DesignFactor;
        var whose = (policy.Name, policy.SetBy) switch
        {
            ({ Length: > 0 } name, { Length: > 0 } by) => $" (“{name}”, set by {by})",
            ({ Length: > 0 } name, _) => $" (“{name}”)",
            (_, { Length: > 0 } by) => $" (set by {by})",
            _ => "",
        };
        return $"Judged with a load reserve of {Plain(policy.LoadReserve)} and design factors of {Plain(factors.Rope)} for ropes, {Plain(factors.Sling)} for slings, {Plain(factors.Hardware)} for hardware, {Plain(factors.Anchor)} for anchors, {Plain(factors.Stem)} for the stem and {Plain(factors.Grip)} for friction hitches{whose}.";
    }

    private static string Plain(double value) => Figures.Plain(value, 3);
}
