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
            Covered.Figure("floor", "Pre-tension, at least", plate.FloorN, "N+"),
            Covered.Figure("ceiling", "Pre-tension, at most", plate.CeilingN, "N-"),
            Covered.Figure("planned", "Pull planned", plate.PlannedN, "N"),
            Covered.Figure("commit", "Lean at which it goes by itself", plate.GoesByItselfDeg, "deg"),
            Covered.Figure("mass", "Mass of the tree", analysis.Tree.MassKg, "kg"),
            Covered.Figure("hinge", "Hinge, thick", plan.Cut.HingeThicknessM, "cm"),
            Covered.Figure("hinge-length", "Hinge, long", analysis.Hinge.LengthM, "cm"),
            Covered.Figure("notch-depth", "Notch, deep", plan.Cut.Notch.DepthM, "cm"),
            Covered.Figure("notch-opening", "Notch, open", plan.Cut.Notch.OpeningDeg, "deg"),
        };
        AddCut(covered, plan.Cut);
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
            covered.Add(
                Covered.Said($"role.{person.Name}", $"What {person.Name} does", $"{person.Role}".ToLowerInvariant())
            );
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

    /// <summary>What is not the usual cut: an even hinge, a plain back cut, nothing lashed.</summary>
    private static void AddCut(List<Covered> covered, CutMembers cut)
    {
        if (cut.Order != PullOrder.TightFirst)
        {
            covered.Add(
                Covered.Said(
                    "order",
                    "When the line is tightened",
                    cut.Order == PullOrder.FollowThePull
                        ? "a little first, more as the cut goes"
                        : "with the hinge preset and everybody out"
                )
            );
        }

        Add("taper", "Hinge, taper", cut.HingeTaperM);
        Add("step", "Step of the back cut", cut.StepM ?? 0);
        if (cut is { Back: BackCutStyle.Bore, Strap: { } strap })
        {
            Add("strap", "Release strap, thick", strap.ThicknessM);
            covered.Add(Covered.Figure("strap-at", "Release strap, toward", strap.TowardDeg, "deg"));
        }

        if (cut.Wedges is { } wedges)
        {
            covered.Add(Covered.Said("wedges", "Wedges", $"{wedges.Count} side by side, {wedges.Stacked} high"));
        }

        for (var i = 0; i < cut.Lashings.Count; i++)
        {
            var lashing = cut.Lashings[i];
            Add($"lashing.{i}", $"Lashing {i + 1}, height", lashing.HeightM, "m");
            Add($"lashing-strength.{i}", $"Lashing {i + 1}, strength", lashing.BreakingStrengthN, "N");
        }

        for (var i = 0; i < cut.Bites.Count; i++)
        {
            Add($"bite.{i}", $"Bite {i + 1}, wide", cut.Bites[i].WidthM);
        }

        void Add(string key, string name, double value, string unit = "cm")
        {
            if (value != 0)
            {
                covered.Add(Covered.Figure(key, name, value, unit));
            }
        }
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
}
