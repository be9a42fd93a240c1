using Draklo.Core.Clearing;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Briefs;

/// <summary>Somebody at work while loads move.</summary>
/// <param name="Stands">Where, in words.</param>
public sealed record ClearingPerson(string Name, string Task, string Stands);

/// <summary>The part of the page that speaks of clearing.</summary>
public sealed record ClearingBrief
{
    /// <summary>What it is called.</summary>
    public required string Way { get; init; }

    /// <summary>What is moved, and where to, in one line.</summary>
    public required string Pieces { get; init; }

    public required VerdictState State { get; init; }

    public required string Headline { get; init; }

    public required IReadOnlyList<BriefFigure> Figures { get; init; }

    public required IReadOnlyList<ClearingPerson> People { get; init; }

    public required IReadOnlyList<ClearingEnd> Ends { get; init; }

    public required IReadOnlyList<BriefSignal> Signals { get; init; }

    /// <summary>Where nobody stands while loads move.</summary>
    public required IReadOnlyList<string> Nobody { get; init; }

    public required IReadOnlyList<string> Stops { get; init; }

    private const int MostFigures = 8;

    /// <param name="analysis">Of the same members, in the same units.</param>
    internal static (ClearingBrief Page, WayResult Way) Of(
        ClearingMembers clearing,
        ClearingAnalysis analysis,
        UnitSystem units
    )
    {
        var way = analysis.Ways.First(w => w.Way == clearing.Way);
        return (
            new()
            {
                Way = way.Name,
                Pieces = PiecesOf(analysis, clearing, units),
                State = way.State,
                Headline = way.Headline,
                Figures =
                [
                    .. way
                        .Figures.Where(f => FormatOf(f.Quantity) is not null)
                        .Take(MostFigures)
                        .Select(f => new BriefFigure(f.Id, f.Name, TextOf(f, units))),
                ],
                People = [.. clearing.People.Select(p => new ClearingPerson(p.Name, p.Task, StandsOf(p, units)))],
                Ends = Clearing.Way.Of(clearing.Way).Traits.Ends,
                Signals = SignalsOf(Clearing.Way.Of(clearing.Way)),
                Nobody = [.. way.Zones.Where(z => z.Kind != ZoneKind.Band).Select(z => Zone(z, units))],
                Stops = StopsOf(way, units),
            },
            way
        );
    }

    /// <summary>What a signature stands under beside the document's own members: what follows for the way, and what is said of it.</summary>
    internal static IEnumerable<Covered> CoveredOf(ClearingMembers clearing, WayResult way)
    {
        List<Covered> covered = [Covered.Said("clearing.name", "Way of clearing", way.Name)];
        foreach (var figure in way.Figures)
        {
            if (FormatOf(figure.Quantity) is { } unit)
            {
                covered.Add(Covered.Figure($"clearing.figure.{figure.Id}", figure.Name, figure.Value, unit));
            }
        }

        foreach (var person in clearing.People)
        {
            covered.Add(
                Covered.Said($"clearing.does.{person.Name}", $"What {person.Name} does at the clearing", person.Task)
            );
        }

        covered.AddRange(CoveredBy.ReasonsOf(way.Reasons));
        return covered.Select(c => c with { Clearing = true });
    }

    private static string PiecesOf(ClearingAnalysis analysis, ClearingMembers clearing, UnitSystem units)
    {
        var count = analysis.Pieces.Sum(p => p.Count);
        var heaviest = analysis.Pieces.Select(p => p.MassKg).DefaultIfEmpty(0).Max();
        return units.Say(
            $"{count} {(count == 1 ? "piece" : "pieces")}, the heaviest {heaviest:kg}, to the {clearing.Ground.LeftName.Uncapitalised()}; {analysis.MassKg:kg} in all, {analysis.Truck.Trips} {(analysis.Truck.Trips == 1 ? "load" : "loads")} of the truck."
        );
    }

    private static string StandsOf(StandMembers person, UnitSystem units) =>
        Math.Abs(person.OffM) < 0.25
            ? units.Say($"{person.AtM:m} along, on the line")
            : units.Say(
                $"{person.AtM:m} along, {Math.Abs(person.OffM):m} to its {(person.OffM > 0 ? "right" : "left")}"
            );

    private static string Zone(RigZone zone, UnitSystem units) =>
        units.Say(
            $"{zone.Name.Capitalised()}: {zone.FromM:m} to {zone.ToM:m} along, {zone.HalfWidthM:m} to either side."
        );

    /// <summary>The unit that sentences write a figure's quantity in; null for one that they do not.</summary>
    private static string? FormatOf(string quantity) =>
        quantity switch
        {
            "force" => "N",
            "length" => "m",
            "angle" => "deg",
            "percent" => "%",
            "energy" => "J",
            "speed" => "m/s",
            "moment" => "Nm",
            _ => null,
        };

    private static string TextOf(RigFigure figure, UnitSystem units) =>
        Units.Figures.With(figure.Value, FormatOf(figure.Quantity)!, units);

    private static List<BriefSignal> SignalsOf(Clearing.Way way) =>
        [
            new("Arm up, circling", way.Traits.ArmUp, "lead, or who hooked on"),
            new("Arm down, circling", "Let down, slack", "lead, or who hooks off"),
            new("Flat hand, level", "Hold where it is", ""),
            new("Both arms crossed overhead", "Stop, everybody", ""),
        ];

    private static List<string> StopsOf(WayResult way, UnitSystem units)
    {
        var stops = new List<string>
        {
            "Somebody steps into the marked ground, or is out of sight of the lead.",
            "An anchor, a stump, the guy or the high point moves.",
            "A rope rubs, smokes, glazes, or crosses another.",
        };
        if (way.MainLink is { } line)
        {
            stops.Add(units.Say($"The {line.Name.Uncapitalised()} reads more than {line.AllowedValue:N}."));
        }

        if (way.Figures.FirstOrDefault(f => f.Id == "spar-moves") is { Value: > 0.005 } moves)
        {
            stops.Add(units.Say($"The top of the stem moves more than {2 * moves.Value:m}: twice what is planned."));
        }

        return stops;
    }
}
