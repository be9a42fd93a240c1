using Draklo.Core.Analyses;
using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Briefs;

/// <summary>All that a signature on a plan's brief stands under: its figures, its places, its signs and its gear.</summary>
internal static class CoveredBy
{
    public static List<Covered> Of(
        Plan plan,
        Analysis analysis,
        IReadOnlyList<BriefSignal> signals,
        IReadOnlyList<PackedPiece> gear
    )
    {
        var plate = analysis.Plate;
        var covered = new List<Covered>
        {
            Covered.Figure("lay", "Lay", plan.Lay.BearingDeg, "deg"),
            Covered.Figure("aim", "Aim off the lay", analysis.Aim.OffsetDeg, "deg"),
            Covered.Figure("floor", "Pre-tension, at least", plate.FloorN, "N"),
            Covered.Figure("ceiling", "Pre-tension, at most", plate.CeilingN, "N"),
            Covered.Figure("planned", "Pull planned", plate.PlannedN, "N"),
            Covered.Figure("commit", "Lean at which it goes by itself", plate.GoesByItselfDeg, "deg"),
            Covered.Figure("mass", "Mass of the tree", analysis.Tree.MassKg, "kg"),
            Covered.Figure("hinge", "Hinge, thick", plan.Cut.HingeThicknessM, "cm"),
            Covered.Figure("hinge-length", "Hinge, long", analysis.Hinge.LengthM, "cm"),
            Covered.Figure("notch-depth", "Notch, deep", plan.Cut.Notch.DepthM, "cm"),
            Covered.Figure("notch-opening", "Notch, open", plan.Cut.Notch.OpeningDeg, "deg"),
        };
        if (plate.GustMps is { } gust)
        {
            covered.Add(Covered.Figure("gust", "Gust that stops work", gust, "m/s"));
        }

        for (var i = 0; i < analysis.Pull.Lines.Count; i++)
        {
            AddLine(covered, plan.Lines[i], analysis, i);
        }

        foreach (var person in analysis.Site.People)
        {
            covered.Add(Covered.Said($"role.{person.Name}", $"What {person.Name} does", Word(person.Role)));
            covered.Add(Covered.At($"place.{person.Name}", $"Where {person.Name} stands", person.Place));
        }

        for (var i = 0; i < analysis.Site.Retreats.Count; i++)
        {
            var way = analysis.Site.Retreats[i];
            covered.Add(
                way.GivenUpBy is null
                    ? Covered.Figure($"way.{i}", $"Escape route {i + 1}", way.BearingDeg, "deg")
                    : Covered.Said($"way.{i}", $"Escape route {i + 1}", $"given up by {way.GivenUpBy}")
            );
        }

        if (plan.Site.Mark is { } mark)
        {
            covered.Add(Covered.At("mark", "Lay mark", new Place(mark.EastM, mark.NorthM)));
        }

        AddWords(covered, plan, signals, gear);
        return covered;
    }

    private static void AddLine(List<Covered> covered, LineMembers line, Analysis analysis, int at)
    {
        var (result, site) = (analysis.Pull.Lines[at], analysis.Site.Lines[at]);
        var of = analysis.Pull.Lines.Count > 1 ? $", {line.Id} line" : "";
        covered.Add(Covered.Figure($"seat.{line.Id}", $"Seat height{of}", line.Seat.HeightM, "m"));
        covered.Add(Covered.Figure($"tension.{line.Id}", $"Tension planned{of}", result.TensionN, "N"));
        covered.Add(Covered.Figure($"hands.{line.Id}", $"Force at the hands{of}", result.Tackle.HandForceN, "N"));
        covered.Add(Covered.Figure($"haul.{line.Id}", $"Rope to haul{of}", result.Tackle.HaulLengthM, "m"));
        covered.Add(Covered.At($"anchor.{line.Id}", $"Anchor{of}", site.Anchor));
        for (var r = 1; r < site.Legs.Count - 1; r++)
        {
            covered.Add(Covered.At($"redirect.{line.Id}.{r}", $"Redirect {r}{of}", site.Legs[r]));
        }

        covered.Add(Covered.At($"haulers.{line.Id}", $"Where the haulers stand{of}", site.Crew));
        covered.Add(Covered.Said($"tackle.{line.Id}", $"Tackle{of}", Tackle.TackleSystems.Of(line.Tackle).Name));
        covered.Add(
            Covered.Said(
                $"puller.{line.Id}",
                $"Who pulls{of}",
                line.Puller.Kind == PullerKind.People
                        ? $"{Sentences.Count(line.Puller.Count)} {(line.Puller.Count == 1 ? "person" : "people")}"
                    : line.Puller.Kind == PullerKind.HandWinch ? "a hand winch"
                    : line.Puller.Kind == PullerKind.Vehicle ? "a vehicle"
                    : "a machine"
            )
        );
    }

    private static void AddWords(
        List<Covered> covered,
        Plan plan,
        IReadOnlyList<BriefSignal> signals,
        IReadOnlyList<PackedPiece> gear
    )
    {
        for (var i = 0; i < signals.Count; i++)
        {
            var by = signals[i].By.Length == 0 ? "anybody" : signals[i].By;
            covered.Add(
                Covered.Said($"sign.{signals[i].Sign}", $"The sign “{signals[i].Sign}”", $"{signals[i].Means}, by {by}")
            );
        }

        foreach (var piece in gear.Where(p => p.Tag.Length > 0))
        {
            covered.Add(Covered.Said($"gear.{piece.Key}", "Gear", $"{piece.Name}, {piece.Tag}"));
        }

        foreach (
            var (id, name, value) in new[]
            {
                ("meet", "Meeting point", plan.Help.MeetAt),
                ("caller", "Who calls for help", plan.Help.Caller),
            }
        )
        {
            if (!string.IsNullOrWhiteSpace(value))
            {
                covered.Add(Covered.Said($"help.{id}", name, value.Trim()));
            }
        }
    }

    public static string Word(JobRole role) =>
        role switch
        {
            JobRole.Lead => "lead",
            JobRole.Faller => "faller",
            JobRole.Hauler => "hauler",
            JobRole.Machine => "machine",
            JobRole.Watcher => "watcher",
            JobRole.Climber => "climber",
            JobRole.Road => "road",
            _ => "learner",
        };
}
