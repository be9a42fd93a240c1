using Draklo.Core.Gear;
using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>How the pieces of the locker stand that this plan uses.</summary>
internal static class GearReasons
{
    public static void Add(Findings findings, ReasonList reasons)
    {
        if (findings.Locker is not { } locker)
        {
            return;
        }

        var seen = new HashSet<string>(StringComparer.Ordinal);
        foreach (var (id, path) in GearOnPlan.Of(findings.Plan))
        {
            if (!locker.TryGetValue(id, out var standing))
            {
                reasons.Check(
                    "gear-not-in-locker",
                    "A piece on this plan is not in this locker: make sure it is the piece that was meant, or choose another.",
                    path
                );
                continue;
            }

            var name = standing.Name.Capitalised();
            var why = standing.Why.Length > 0 ? $" ({standing.Why})" : "";
            switch (standing.State)
            {
                case GearState.Retired:
                    reasons.Stop("gear-retired", $"{name} is retired{why}: choose another piece.", path);
                    break;
                case GearState.Quarantined:
                    reasons.Stop("gear-quarantined", $"{name} is in quarantine{why}: choose another piece.", path);
                    break;
                case GearState.InService when standing.Why.Length > 0:
                    reasons.Check(
                        "gear-flagged",
                        $"{name}: {standing.Why}. Look at it before it goes on the tree.",
                        path
                    );
                    break;
            }

            if (!seen.Add(id))
            {
                reasons.Check(
                    "gear-used-twice",
                    $"{name} is used in two places of this plan: there is only one.",
                    path
                );
            }
        }
    }
}
