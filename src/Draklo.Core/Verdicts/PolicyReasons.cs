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

        var factors = policy.DesignFactor;
        AddLeast(factors, reasons);
        if (string.IsNullOrWhiteSpace(policy.SetBy) && IsLowered(factors))
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
        foreach (var (name, path, value, least) in Least(factors))
        {
            if (value < AnyLeast)
            {
                reasons.Stop(
                    "factor-too-low",
                    $"A factor of {value:x} for {name} leaves nothing for what nobody can measure: {least:x} is the least that is usual.",
                    $"policy.designFactor.{path}",
                    null,
                    ("factor", value),
                    ("least", least)
                );
            }
            else if (value < least)
            {
                reasons.Check(
                    "factor-low",
                    $"The factor of {value:x} for {name} is under the least that is usual, {least:x}: raise it, or take it on by name.",
                    $"policy.designFactor.{path}",
                    null,
                    ("factor", value),
                    ("least", least)
                );
            }
        }
    }

    private const double AnyLeast = 1.5;

    private static IEnumerable<(string Name, string Path, double Value, double Least)> Least(
        DesignFactorMembers factors
    ) =>
        [
            ("ropes", "rope", factors.Rope, 3),
            ("slings", "sling", factors.Sling, 3),
            ("hardware", "hardware", factors.Hardware, 2),
            ("anchors", "anchor", factors.Anchor, 1.5),
            ("the stem", "stem", factors.Stem, 2),
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

        static string Plain(double value) => Figures.Plain(value, 3);
    }

    private static bool IsLowered(DesignFactorMembers factors) =>
        factors.Rope < Usual.Rope
        || factors.Sling < Usual.Sling
        || factors.Hardware < Usual.Hardware
        || factors.Anchor < Usual.Anchor
        || factors.Stem < Usual.Stem
        || factors.Grip < Usual.Grip;
}
