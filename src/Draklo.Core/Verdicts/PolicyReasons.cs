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
        if (string.IsNullOrWhiteSpace(policy.SetBy) && IsLowered(factors))
        {
            reasons.Check(
                "factors-lowered",
                "Design factors are under the usual ones and nobody's name stands to them: say who set them, or put the usual ones back.",
                "policy.designFactor"
            );
        }
    }

    private static bool IsLowered(DesignFactorMembers factors) =>
        factors.Rope < Usual.Rope
        || factors.Sling < Usual.Sling
        || factors.Hardware < Usual.Hardware
        || factors.Anchor < Usual.Anchor
        || factors.Stem < Usual.Stem
        || factors.Grip < Usual.Grip;
}
