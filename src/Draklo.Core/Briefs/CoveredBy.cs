using Draklo.Core.Analyses;
using Draklo.Core.Gear;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Core.Briefs;

/// <summary>
/// All that a signature on a brief stands under: whatever the verdict can turn on, and what the page says of places, signs
/// and gear.
/// </summary>
internal static class CoveredBy
{
    /// <summary>Pages of before had less under them; what they had is compared, and this says the rest.</summary>
    public const string Scope = "scope";

    /// <param name="locker">Pieces of the locker by id.</param>
    public static List<Covered> Of(
        Plan plan,
        IReadOnlyList<BriefSignal> signals,
        IReadOnlyList<PackedPiece> gear,
        IReadOnlyDictionary<string, GearItem> locker,
        IEnumerable<Reason> reasons
    ) =>
        [
            Covered.Said(Scope, "What a page covers", "all that its verdict can turn on"),
            .. CoveredMembers.Of(plan),
            .. CrewOf(plan),
            .. WalkUpOf(plan),
            .. GuessesOf(plan),
            .. AcceptedOf(plan),
            .. SignsOf(signals),
            .. GearOf(plan, gear, locker),
            .. ReasonsOf(reasons),
        ];

    /// <summary>The figures and places of a pull that the page shows and the plan does not hold.</summary>
    public static IEnumerable<Covered> OfPull(Plan plan, Analysis analysis)
    {
        var plate = analysis.Plate;
        yield return Covered.Figure("aim", "Aim off the lay", analysis.Aim.OffsetDeg, "deg");
        yield return Covered.Figure("floor", "Pre-tension, at least", plate.FloorN, "N+");
        yield return Covered.Figure("ceiling", "Pre-tension, at most", plate.CeilingN, "N-");
        yield return Covered.Figure("planned", "Pull planned", plate.PlannedN, "N");
        yield return Covered.Figure("commit", "Lean at which it goes by itself", plate.GoesByItselfDeg, "deg");
        yield return Covered.Figure("mass", "Mass of the tree", analysis.Tree.MassKg, "kg");
        yield return Covered.Figure("hinge-length", "Hinge, long", analysis.Hinge.LengthM, "cm");
        if (plate.GustMps is { } gust)
        {
            yield return Covered.Figure("gust", "Gust that stops work", gust, "m/s");
        }

        for (var i = 0; i < analysis.Pull.Lines.Count; i++)
        {
            foreach (var one in LineOf(plan.Lines[i], analysis, i))
            {
                yield return one;
            }
        }

        foreach (var person in analysis.Site.People)
        {
            yield return Covered.At(
                $"place.{KeyOf(plan.Crew[person.Index])}",
                $"Where {person.Name} stands",
                person.Place
            );
        }

        for (var i = 0; i < analysis.Site.Retreats.Count; i++)
        {
            var way = analysis.Site.Retreats[i];
            yield return way.GivenUpBy is null
                ? Covered.Figure($"way.{i}", $"Escape route {i + 1}", way.BearingDeg, "deg")
                : Covered.Said($"way.{i}", $"Escape route {i + 1}", $"given up by {way.GivenUpBy}");
        }
    }

    private static IEnumerable<Covered> LineOf(LineMembers line, Analysis analysis, int at)
    {
        var (result, site) = (analysis.Pull.Lines[at], analysis.Site.Lines[at]);
        var of = analysis.Pull.Lines.Count > 1 ? $", {line.Id} line" : "";
        yield return Covered.Figure($"tension.{line.Id}", $"Tension planned{of}", result.TensionN, "N");
        yield return Covered.Figure($"hands.{line.Id}", $"Force at the hands{of}", result.Tackle.HandForceN, "N");
        yield return Covered.Figure($"haul.{line.Id}", $"Rope to haul{of}", result.Tackle.HaulLengthM, "m");
        yield return Covered.At($"anchor.{line.Id}", $"Anchor{of}", site.Anchor);
        for (var r = 1; r < site.Legs.Count - 1; r++)
        {
            yield return Covered.At($"redirect.{line.Id}.{r}", $"Redirect {r}{of}", site.Legs[r]);
        }

        yield return Covered.At($"haulers.{line.Id}", $"Where the haulers stand{of}", site.Crew);
        yield return Covered.Said($"tackle.{line.Id}", $"Tackle{of}", Tackle.TackleSystems.Of(line.Tackle).Name);
    }

    /// <summary>Who somebody is: as the crew's book knows them, so that a name set right is no other person.</summary>
    private static string KeyOf(CrewMembers person) => person.PersonId ?? person.Name.Trim();

    private static IEnumerable<Covered> CrewOf(Plan plan)
    {
        foreach (var person in plan.Crew)
        {
            var (key, name) = (KeyOf(person), person.Name.Trim());
            yield return Covered.Said($"role.{key}", $"What {name} does", Does(person));
            if (!string.IsNullOrWhiteSpace(person.Shelter))
            {
                yield return Covered.Said($"shelter.{key}", $"What {name} stands behind", person.Shelter.Trim());
            }
        }
    }

    private static string Does(CrewMembers person) =>
        string.Join(
            ", ",
            new[]
            {
                $"{person.Role}".ToLowerInvariant(),
                person.LineId is { } line ? $"{line} line" : null,
                person.HelpsAtStump ? "helps at the stump" : null,
                person.CanClimb ? "can climb" : null,
                person.FirstAid ? "first aid" : null,
            }.OfType<string>()
        );

    private static IEnumerable<Covered> WalkUpOf(Plan plan) =>
        plan.WalkUp.Select(p =>
            Covered.Said(
                $"walk.{p.Id}",
                $"Walk-up: {p.Text.Uncapitalised().TrimEnd('.')}",
                (string.IsNullOrWhiteSpace(p.TickedBy) ? "open" : $"ticked by {p.TickedBy.Trim()}")
                    + (p.Must ? "" : ", no must")
            )
        );

    private static IEnumerable<Covered> GuessesOf(Plan plan) =>
        plan.AllGuesses()
            .Distinct(StringComparer.Ordinal)
            .Where(path => !path.StartsWith("work.", StringComparison.Ordinal))
            .Select(path =>
                Covered.Said($"guess.{path}", MemberNames.Of<Plan>(path).Capitalised(), "a guess") with
                {
                    Clearing = IsOfClearing(path),
                }
            );

    private static bool IsOfClearing(string path) => path.Split('.')[0] == "clearing";

    private static IEnumerable<Covered> AcceptedOf(Plan plan) =>
        plan.Accepted.Select(a =>
            Covered.Said(
                $"accepted.{a.Code}.{a.Path}",
                $"The accepted check “{a.Code.Replace('-', ' ')}”",
                $"{a.By.Trim()}: {a.Because.Trim()}"
            ) with
            {
                Clearing = a.Path is { } path && IsOfClearing(path),
            }
        );

    private static IEnumerable<Covered> SignsOf(IReadOnlyList<BriefSignal> signals) =>
        signals.Select(s =>
            Covered.Said(
                $"sign.{s.Sign}",
                $"The sign “{s.Sign}”",
                $"{s.Means}, by {(s.By.Length == 0 ? "anybody" : s.By)}"
            )
        );

    private static IEnumerable<Covered> GearOf(
        Plan plan,
        IReadOnlyList<PackedPiece> gear,
        IReadOnlyDictionary<string, GearItem> locker
    )
    {
        var pulls = GearOnPlan.Of(plan).Select(h => h.ItemId).ToHashSet(StringComparer.Ordinal);
        foreach (var piece in gear.Where(p => p.Tag.Length > 0 || locker.ContainsKey(p.Key)))
        {
            var clearing = !pulls.Contains(piece.Key);
            yield return Covered.Said($"gear.{piece.Key}", "Gear", $"{piece.Name}, {piece.Tag}".TrimEnd(',', ' ')) with
            {
                Clearing = clearing,
            };
            if (locker.TryGetValue(piece.Key, out var item))
            {
                foreach (var one in StateOf(item))
                {
                    yield return one with
                    {
                        Clearing = clearing,
                    };
                }
            }
        }
    }

    /// <summary>A piece as the locker has it: what the sums take from the plan is not always what the piece is.</summary>
    private static IEnumerable<Covered> StateOf(GearItem item)
    {
        var id = $"piece.{item.Id}";
        if (item.State != GearState.InService)
        {
            yield return Covered.Said(
                $"{id}.state",
                $"{item.Name}, state",
                item.State == GearState.Retired ? "retired" : "set aside"
            );
        }

        if (item.BreakingStrengthN is { } strength)
        {
            yield return Covered.Figure($"{id}.strength", $"{item.Name}, breaking strength", strength, "N");
        }

        if (item.LengthM is { } length)
        {
            yield return Covered.Figure($"{id}.length", $"{item.Name}, length", length, "m");
        }

        if (item.Keeps is { } keeps)
        {
            yield return Covered.Figure($"{id}.keeps", $"{item.Name}, keeps", keeps, "%");
        }

        for (var i = 0; i < item.Flaws.Count; i++)
        {
            var flaw = item.Flaws[i];
            yield return Covered.Figure(
                $"{id}.flaw.{i}",
                $"{item.Name}, {flaw.What.Uncapitalised()}, at",
                flaw.AtM,
                "m"
            );
        }
    }

    /// <summary>What the verdict says, whatever it comes from: a piece past its day, a locker that says otherwise.</summary>
    internal static IEnumerable<Covered> ReasonsOf(IEnumerable<Reason> reasons) =>
        reasons
            .Where(r => r.State != VerdictState.Ready)
            .DistinctBy(r => (r.Code, r.Path, r.LinkId))
            .Select(r =>
                Covered.Said(
                    $"reason.{r.Code}.{r.Path}.{r.LinkId}",
                    r.Text.TrimEnd('.'),
                    r.State == VerdictState.Stop ? "a stop" : "a check"
                )
            );
}
