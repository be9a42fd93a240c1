using Draklo.Core.Units;

namespace Draklo.Core.Gear;

public enum FlagKind
{
    Overload,
    Age,
    InspectionOpen,
    InspectionDue,

    /// <summary>Loaded with a jerk since it was last looked at.</summary>
    Shock,
    StrengthUnknown,
}

/// <summary>Why somebody should look at a piece before it is loaded.</summary>
public sealed record GearFlag(FlagKind Kind, string Text);

/// <summary>Pieces that flag themselves: by overload, by age, by inspections that are open or due.</summary>
public static class GearFlags
{
    public static List<GearFlag> Of(GearItem item, GearPast past, LockerRules rules, DateOnly today, UnitSystem units)
    {
        var flags = new List<GearFlag>();
        if (item.State == GearState.Retired)
        {
            return flags;
        }

        var strength = GearStrength.Of(item, units).Newtons;
        if (past.PeakN is { } peak && strength is { } bears && peak > rules.OverloadShare * bears)
        {
            flags.Add(
                new(
                    FlagKind.Overload,
                    units.Say($"overloaded: {peak:N} on {past.PeakOn}, over {rules.OverloadShare:%} of its {bears:N}")
                )
            );
        }

        if (Ages(item.Kind) && AgeYears(item, today) is { } years && years >= rules.TextileYears)
        {
            flags.Add(
                new(
                    FlagKind.Age,
                    $"{Math.Floor(years):0} years old, where {rules.TextileYears:0.#} are the crew's limit"
                )
            );
        }

        if (past.OpenSince is { } open)
        {
            flags.Add(new(FlagKind.InspectionOpen, $"an inspection of {open} needs another look"));
        }
        else if (item.Kind is not (GearKind.ThrowKit or GearKind.Wedge))
        {
            var since =
                GearRules.Day(past.LastInspectedOn) ?? GearRules.Day(item.InServiceOn) ?? GearRules.Day(item.MadeOn);
            if (since is null)
            {
                flags.Add(new(FlagKind.InspectionDue, "never inspected, and nobody wrote down how old it is"));
            }
            else if ((today.DayNumber - since.Value.DayNumber) / 30.4375 > rules.InspectionMonths)
            {
                flags.Add(
                    new(
                        FlagKind.InspectionDue,
                        $"last inspected or new on {since.Value:yyyy-MM-dd}, more than {rules.InspectionMonths:0.#} months ago"
                    )
                );
            }
        }

        if (past.ShockOn is { } shock)
        {
            flags.Add(new(FlagKind.Shock, $"loaded with a jerk on {shock}, and not looked at since"));
        }

        if (past.UsesSince >= rules.InspectionUses && item.Kind is not GearKind.Wedge)
        {
            flags.Add(
                new(
                    FlagKind.InspectionDue,
                    $"used {past.UsesSince} times since it was looked at, where {rules.InspectionUses} are the crew's limit"
                )
            );
        }

        if (strength is null && item.Kind is not (GearKind.ThrowKit or GearKind.Wedge or GearKind.Drum))
        {
            flags.Add(new(FlagKind.StrengthUnknown, "nobody knows its strength"));
        }

        return flags;
    }

    /// <summary>Whether age takes strength from such a piece.</summary>
    public static bool Ages(GearKind kind) =>
        kind is GearKind.Rope or GearKind.Cord or GearKind.Grip or GearKind.Sling or GearKind.Strap;

    /// <summary>Years since it was made, or came into service where that is all that is known.</summary>
    public static double? AgeYears(GearItem item, DateOnly today) =>
        (GearRules.Day(item.MadeOn) ?? GearRules.Day(item.InServiceOn)) is { } since
            ? (today.DayNumber - since.DayNumber) / 365.25
            : null;

    /// <summary>How the piece stands, for a plan that it hangs on.</summary>
    public static GearStanding Standing(GearItem item, IReadOnlyList<GearFlag> flags) =>
        new(
            item.Name,
            item.State,
            item.State == GearState.InService ? string.Join("; ", flags.Select(f => f.Text)) : item.Reason ?? ""
        )
        {
            Flaws = item.Flaws,
            StrengthN = GearStrength.Of(item, UnitSystem.Metric).Newtons,
            LengthM = item.Kind is GearKind.Rope or GearKind.Cord ? item.LengthM : null,
        };

    /// <summary>The piece as it stands after an inspection.</summary>
    /// <remarks>
    /// Setting aside and retiring take it out of service; a pass or a watch brings one that was set aside back. What is
    /// retired stays retired.
    /// </remarks>
    public static GearItem After(GearItem item, Inspection inspection)
    {
        var state =
            item.State == GearState.Retired
                ? GearState.Retired
                : inspection.Outcome switch
                {
                    InspectionOutcome.Retire => GearState.Retired,
                    InspectionOutcome.Quarantine => GearState.Quarantined,
                    InspectionOutcome.Pass or InspectionOutcome.Watch => GearState.InService,
                };
        var seen = string.Join(", ", inspection.Findings.Select(Word));
        var reason =
            state == GearState.InService ? null
            : item.State == GearState.Retired ? item.Reason
            : $"{(seen.Length > 0 ? seen : "set aside")}{(inspection.Where is { Length: > 0 } where ? $", {where}" : "")}; {inspection.By}, {inspection.On}";
        return item with
        {
            State = state,
            Reason = reason is { Length: > 200 } ? reason[..200] : reason,
            Keeps = inspection.Keeps ?? item.Keeps,
            LengthM = item.LengthM - (inspection.CutFromAM ?? 0) - (inspection.CutFromBM ?? 0),
            Flaws = FlawsAfter(item, inspection, seen),
        };
    }

    /// <summary>A spot that was cut away is gone; the others are counted from the new end.</summary>
    private static IReadOnlyList<GearFlaw> FlawsAfter(GearItem item, Inspection inspection, string seen)
    {
        var off = inspection.CutFromAM ?? 0;
        var end = (item.LengthM ?? double.PositiveInfinity) - (inspection.CutFromBM ?? 0);
        IEnumerable<GearFlaw> flaws = item.Flaws;
        if (inspection.AtM is { } at)
        {
            flaws = flaws.Append(new() { AtM = at, What = seen.Length > 0 ? seen : inspection.Where ?? "flawed" });
        }

        return [.. flaws.Where(f => f.AtM >= off && f.AtM <= end).Select(f => f with { AtM = f.AtM - off })];
    }

    /// <summary>A finding in the crew's words.</summary>
    public static string Word(Finding finding) =>
        finding switch
        {
            Finding.WornGroove => "worn groove",
            Finding.Sticks => "sticks or stays open",
            Finding.LabelGone => "label gone",
            Finding.Chemical => "chemical",
            _ => finding.ToString().ToLowerInvariant(),
        };

    /// <summary>What usually follows from what was seen; whoever looks decides.</summary>
    public static InspectionOutcome Usual(IReadOnlyList<Finding> findings)
    {
        var worst = InspectionOutcome.Pass;
        foreach (var finding in findings)
        {
            var follows = finding switch
            {
                Finding.Cut or Finding.Melted or Finding.Chemical or Finding.Cracked or Finding.Bent =>
                    InspectionOutcome.Retire,
                Finding.Glazed or Finding.Flat or Finding.WornGroove or Finding.Sticks => InspectionOutcome.Quarantine,
                _ => InspectionOutcome.Watch,
            };
            worst = follows > worst ? follows : worst;
        }

        return worst;
    }
}
