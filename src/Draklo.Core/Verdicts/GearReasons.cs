using Draklo.Core.Gear;
using Draklo.Core.Lines;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>How the pieces of the locker stand that this plan uses.</summary>
internal static class GearReasons
{
    public static void Add(Findings findings, ReasonList reasons)
    {
        if (findings.Yard?.Gear is not { } locker)
        {
            return;
        }

        var seen = new HashSet<string>(StringComparer.Ordinal);
        foreach (var piece in GearOnPlan.Of(findings.Plan))
        {
            var (id, path) = (piece.ItemId, piece.Path);
            if (Standing(locker, id, path, reasons) is not { } standing)
            {
                continue;
            }

            var name = standing.Name.Capitalised();
            Flawed(findings, standing, name, path, reasons);
            Claimed(piece, standing, name, reasons);
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

    /// <summary>Says what stands against a piece; null where this locker has none of that id.</summary>
    public static GearStanding? Standing(
        IReadOnlyDictionary<string, GearStanding> locker,
        string id,
        string path,
        ReasonList reasons
    )
    {
        if (!locker.TryGetValue(id, out var standing))
        {
            reasons.Check(
                "gear-not-in-locker",
                "A piece on this plan is not in this locker: make sure it is the piece that was meant, or choose another.",
                path
            );
            return null;
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
                reasons.Check("gear-flagged", $"{name}: {standing.Why}. Look at it before it goes on the tree.", path);
                break;
        }

        return standing;
    }

    /// <summary>What is only rounded is no contradiction.</summary>
    private const double Rounding = 1.01;

    /// <summary>A piece that the plan takes for stronger or longer than the locker knows it.</summary>
    private static void Claimed(HungPiece claim, GearStanding standing, string name, ReasonList reasons)
    {
        var path = claim.Path;
        if (claim.StrengthN is { } strength && standing.StrengthN is { } breaks && strength > breaks * Rounding)
        {
            reasons.Check(
                "gear-weaker",
                $"{name} breaks at {breaks:N} in the locker and at {strength:N} on this plan: one of the two is wrong. Read the piece.",
                $"{path}.breakingStrengthN",
                null,
                ("lockerN", breaks),
                ("planN", strength)
            );
        }

        if (claim.LengthM is { } length && standing.LengthM is { } is_ && length > is_ * Rounding)
        {
            reasons.Check(
                "gear-shorter",
                $"{name} is {is_:m} long in the locker and {length:m} on this plan: one of the two is wrong. Measure it.",
                $"{path}.lengthM",
                null,
                ("lockerM", is_),
                ("planM", length)
            );
        }

        // Of the pull line it is known which metres are loaded; of any other rope all of them may be.
        if (IsOtherRope(path) && standing.Flaws.Count > 0)
        {
            var flaw = standing.Flaws[0];
            reasons.Check(
                "flaw-on-rope",
                $"{name} is flawed {flaw.AtM:m} from its end a ({flaw.What}): take another rope, or cut it there.",
                path,
                null,
                ("atM", flaw.AtM)
            );
        }
    }

    private static bool IsOtherRope(string path) =>
        path.EndsWith("].joined.rope", StringComparison.Ordinal)
        || path.EndsWith("].tackle.rope", StringComparison.Ordinal);

    /// <summary>A pull line whose load runs over a flawed spot, from whichever end goes into the tree.</summary>
    private static void Flawed(Findings findings, GearStanding standing, string name, string path, ReasonList reasons)
    {
        var at = 0;
        while (at < findings.Plan.Lines.Count && path != $"lines[{at}].rope")
        {
            at++;
        }

        if (at == findings.Plan.Lines.Count || standing.Flaws.Count == 0)
        {
            return;
        }

        var line = findings.Plan.Lines[at];
        var loaded = RopeNeeded.Loaded(line, findings.Lines[at].RopeNeededM);
        var length = line.Rope.LengthM;
        var fromA = standing.Flaws.Where(f => f.AtM <= loaded).ToList();
        var fromB = standing.Flaws.Where(f => length - f.AtM <= loaded).ToList();
        var (under, clear) = line.Rope.EndInTree switch
        {
            RopeEnd.A => (fromA, fromB.Count == 0 ? "b" : null),
            RopeEnd.B => (fromB, fromA.Count == 0 ? "a" : null),
            _ => (
                fromA.Count > fromB.Count ? fromA : fromB,
                fromA.Count == 0 ? "a"
                : fromB.Count == 0 ? "b"
                : null
            ),
        };
        if (under.Count == 0)
        {
            return;
        }

        var flaw = under[0];
        (string, double) where = ("atM", flaw.AtM);
        if (clear is null)
        {
            reasons.Check(
                "flaw-loaded",
                $"{name} is flawed {flaw.AtM:m} from its end a ({flaw.What}), within the {loaded:m} that this plan loads from either end: take another rope.",
                $"{path}.endInTree",
                null,
                where,
                ("loadedM", loaded)
            );
        }
        else
        {
            reasons.Check(
                "flaw-loaded",
                $"{name} is flawed {flaw.AtM:m} from its end a ({flaw.What}), and {loaded:m} of it are loaded: put end {clear} in the tree, and say so.",
                $"{path}.endInTree",
                null,
                where,
                ("loadedM", loaded)
            );
        }
    }
}
