using Draklo.Core.Analyses;
using Draklo.Core.Catalogue;
using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Briefs;

/// <summary>The page's sentences and big figures, in the reader's units.</summary>
/// <remarks>Figures for people have two places: nobody pulls to the newton.</remarks>
internal sealed class BriefWords(Plan plan, Analysis analysis, UnitSystem units)
{
    private const int ForPeople = 2;

    /// <summary>Seen at the floor over what is expected: twice as much means that something gives.</summary>
    private const double TwiceExpected = 2;

    private readonly Plate plate = analysis.Plate;

    public string Short(double value, string unit) => Units.Figures.With(value, unit, units, ForPeople);

    public string Tree()
    {
        var species =
            plan.Tree.SpeciesId is { } id && Reference.Species.TryGetValue(id, out var known) ? known.Name : "Tree";
        var lean = plan.Tree.Lean;
        var off = Math.Abs(Angle.Between(plan.Lay.BearingDeg, lean.BearingDeg));
        var way =
            off > 120 ? "back"
            : off < 60 ? "forward"
            : "aside";
        return units.Say(
            $"{species} {plan.Tree.HeightM:m}, {plan.Tree.DbhM:cm}, {Short(analysis.Tree.MassKg, "kg")}, leans {lean.AngleDeg:deg} {way}, toward {lean.BearingDeg:deg}"
        );
    }

    public string Lay() =>
        units.Say(
            $"lay {plan.Lay.BearingDeg:deg}{(string.IsNullOrWhiteSpace(plan.Site.MarkName) ? "" : $", mark: {plan.Site.MarkName.Trim()}")}"
        );

    public string Floor => Short(plate.FloorN, "N+");

    public string Commit => units.Say($"{plate.GoesByItselfDeg:deg}");

    public string Gust => plate.GustMps is { } gust ? Short(gust, "m/s-") : "";

    /// <summary>The longest haul of all lines.</summary>
    public string Haul => Short(analysis.Pull.Lines.Max(l => l.Tackle.HaulLengthM), "m+");

    /// <summary>What whatever pulls the main line puts on its rope.</summary>
    public string Pull => Short(plate.Each.ForceN, "N");

    public string Each => Short(plate.Each.ForceN, "N") + KilogramsOf(plate.Each.ForceN);

    public IReadOnlyList<BriefFigure> Figures()
    {
        var pulls = plate.Each.Kind switch
        {
            PullerKind.People => "each hauler",
            PullerKind.HandWinch => "the hand winch",
            PullerKind.Vehicle => "the vehicle",
            PullerKind.Machine => "the machine",
        };
        var figures = new List<BriefFigure>
        {
            new("pretension", "pre-tension", FromTo(Floor, Short(plate.CeilingN, "N-"))),
            new("planned", "pull planned", Short(plate.PlannedN, "N")),
            new("each", pulls, Each),
            new("haul", "rope to haul", Haul),
            new("commit", "goes by itself at", Commit),
        };
        figures.Add(new("gust", "stop work at gusts of", plate.GustMps is null ? "not limited by the sums" : Gust));
        return figures;
    }

    /// <summary>The side of the first escape route that is kept and clear, seen along the lay.</summary>
    public string WayOut()
    {
        var kept = analysis.Site.Retreats.Where(r => r.GivenUpBy is null).ToList();
        var way = kept.Find(r => r.Clear) ?? (kept.Count > 0 ? kept[0] : null);
        return way is null
            ? "way that is kept"
            : units.Say(
                $"{(Angle.Between(plan.Lay.BearingDeg, way.BearingDeg) > 0 ? "right" : "left")} way, {way.BearingDeg:deg}"
            );
    }

    /// <summary>When whoever sees it stops the work.</summary>
    public IReadOnlyList<string> Stops()
    {
        var stops = new List<string>();
        if (SeatAtFloor is { } seat)
        {
            stops.Add($"The seat comes more than {Short(seat * TwiceExpected, "cm")} at the floor.");
        }

        stops.Add("It moves aside, or the hinge cracks early.");
        var anchors = plan
            .Lines.Select(l => string.IsNullOrWhiteSpace(l.Anchor.Name) ? "anchor" : l.Anchor.Name.Trim())
            .Distinct(StringComparer.Ordinal)
            .ToList();
        stops.Add(
            $"The {string.Join(" or the ", anchors)} stirs, a sling {(plan.HasGrip() ? "or a grip creeps" : "creeps")}, a line rubs."
        );
        stops.Add($"{Haul} hauled and it has not gone.");
        if (plate.GustMps is not null)
        {
            stops.Add($"Wind: gusts over {Gust}.");
        }

        stops.Add("Anybody inside the dashed lines, or off their place.");
        return stops;
    }

    /// <summary>How far the first line's seat should come at the floor, metres; null where it is nothing to see.</summary>
    public double? SeatAtFloor
    {
        get
        {
            var moved =
                analysis.Pull.NeededTensionN > 0
                    ? analysis.Stem.SeatMovementM * plate.FloorN / analysis.Pull.NeededTensionN
                    : 0;
            return moved > 0.01 ? moved : null;
        }
    }

    public string SeatAtFloorInWords => SeatAtFloor is { } seat ? Short(seat, "cm") : "next to nothing";

    /// <summary>Two figures with one unit where they share it: "1.1 – 2.3 kN".</summary>
    private static string FromTo(string low, string high)
    {
        var unit = high[(high.LastIndexOf(' ') + 1)..];
        return low.EndsWith($" {unit}", StringComparison.Ordinal)
            ? $"{low[..^(unit.Length + 1)]} – {high}"
            : $"{low} – {high}";
    }

    private string KilogramsOf(double newtons) =>
        units == UnitSystem.Us || newtons >= 1000
            ? ""
            : $" · {Units.Figures.Plain(newtons / Standard.Gravity, ForPeople)} kg";
}
