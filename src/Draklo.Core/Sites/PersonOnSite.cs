using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using NetTopologySuite.Algorithm;
using Coordinate = NetTopologySuite.Geometries.Coordinate;

namespace Draklo.Core.Sites;

/// <summary>Where a person must not stand.</summary>
public enum PersonDanger
{
    None,

    /// <summary>Within twice the height of the stump during cutting: only who is needed there.</summary>
    Reach,

    /// <summary>Nearer than one height, than one and a half within 45° of the lay, or than 1.2 from 45° to 90° of it.</summary>
    Near,

    /// <summary>Inside a turn of a loaded line.</summary>
    Turn,

    /// <summary>Where a parted line flies.</summary>
    Band,

    /// <summary>Nearer to the stump than half a height.</summary>
    AtStump,

    /// <summary>Where the tree may fall.</summary>
    Footprint,
}

/// <summary>One of the crew on the plan.</summary>
/// <remarks>Method M17.</remarks>
/// <param name="Given">Whether somebody said where they stand; otherwise the place is worked out.</param>
/// <param name="In">The worst of what reaches them there; of haulers, the rule for haulers stands beside it.</param>
/// <param name="DistanceM">From the stump's middle, metres.</param>
/// <param name="Letter">On the drawings: F, H, L, W and so on; a second of the same role has a 2.</param>
public sealed record PersonOnSite(
    int Index,
    string Name,
    JobRole Role,
    Place Place,
    bool Given,
    PersonDanger In,
    double DistanceM,
    string Letter
)
{
    private const double AtStumpHeights = 0.5;
    private const double Abreast = 3;
    private static readonly double[] Distances = [1.3, 1.6, 2.05, 2.6];

    /// <summary>Everybody with a place: the one given, or the first of the usual ones for the role where nothing reaches.</summary>
    internal static PersonOnSite[] All(Plan plan, Zones site, TargetShape[] shapes)
    {
        var found = new PersonOnSite[plan.Crew.Count];
        for (var i = 0; i < found.Length; i++)
        {
            var person = plan.Crew[i];
            var place = person.Place is { } given
                ? new Place(given.EastM, given.NorthM)
                : Usual(plan, site, shapes, i, found.AsSpan(0, i));
            found[i] = new(
                i,
                person.Name,
                person.Role,
                place,
                person.Place is not null,
                person.Role == JobRole.Faller ? FallerAt(place, site, person) : DangerAt(place, plan, site, person),
                place.Distance,
                LetterOf(plan.Crew, i)
            );
        }

        return found;
    }

    /// <summary>The faller works at the stump: of them only what strikes at the end of their way out is told.</summary>
    private static PersonDanger FallerAt(Place place, Zones site, CrewMembers person)
    {
        var struck = StruckAt(place, site, person);
        return struck == PersonDanger.None && place.Distance <= site.ReachM ? PersonDanger.Reach : struck;
    }

    /// <summary>How far from the stump somebody stands at least on that bearing, metres.</summary>
    internal static double LeastM(Place place, Plan plan)
    {
        var off = Math.Abs(Angle.Between(plan.Lay.BearingDeg, place.BearingDeg));
        return plan.Tree.HeightM
            * (
                off <= 45 ? 1.5
                : off <= 90 ? 1.2
                : 1
            );
    }

    /// <summary>The one helper who stands at the stump with the faller; null while nobody does.</summary>
    internal static CrewMembers? HelperOf(Plan plan) => plan.Crew.FirstOrDefault(c => c.HelpsAtStump);

    private static string LetterOf(IReadOnlyList<CrewMembers> crew, int index)
    {
        var letter = crew[index].Role switch
        {
            JobRole.Lead => 'L',
            JobRole.Faller => 'F',
            JobRole.Hauler => 'H',
            JobRole.Machine => 'M',
            JobRole.Watcher => 'W',
            JobRole.Climber => 'C',
            JobRole.Road => 'R',
            JobRole.Learner => 'B',
        };
        var before = crew.Take(index).Count(c => c.Role == crew[index].Role);
        return before > 0 ? $"{letter}{before + 1}" : $"{letter}";
    }

    /// <summary>What reaches somebody at a place while the tree is cut and pulled.</summary>
    /// <remarks>Method M17: everybody goes by it but the faller and one helper at the stump.</remarks>
    internal static PersonDanger DangerAt(Place place, Plan plan, Zones site, CrewMembers person)
    {
        var struck = StruckAt(place, site, person);
        return struck == PersonDanger.Footprint ? struck
            : place.Distance < plan.Tree.HeightM * AtStumpHeights ? PersonDanger.AtStump
            : struck != PersonDanger.None ? struck
            : place.Distance < LeastM(place, plan) ? PersonDanger.Near
            : place.Distance <= site.ReachM ? PersonDanger.Reach
            : PersonDanger.None;
    }

    /// <summary>What the tree or a parted line does there, however near the stump it is.</summary>
    private static PersonDanger StruckAt(Place place, Zones site, CrewMembers person)
    {
        var at = new Coordinate(place.EastM, place.NorthM);
        if (IsIn(site.PeopleFootprint))
        {
            return PersonDanger.Footprint;
        }

        foreach (var line in site.Lines)
        {
            var theirs = Hauls(person.Role) && LineOf(site, person).Id == line.Id;
            // Round a redirect the winch's last leg ends in its own hand.
            var bands = line.Bands.Count - (theirs && line.AtWinch && line.Bands.Count > 1 ? 1 : 0);
            if (line.Bands.Take(bands).Any(IsIn))
            {
                return PersonDanger.Band;
            }

            // The turn at the anchor of their own tackle ends at their own hands.
            var turns = line.InsideTurns.Count - (theirs && line.HauledBack ? 1 : 0);
            if (line.InsideTurns.Take(turns).Any(IsIn))
            {
                return PersonDanger.Turn;
            }
        }

        return PersonDanger.None;

        bool IsIn(IReadOnlyList<Place> area) => PointLocation.IsInRing(at, TargetShape.Ring(area));
    }

    /// <summary>The first person named on a line; null while nobody is.</summary>
    internal static CrewMembers? FirstHauler(Plan plan, LineMembers line) =>
        plan.Crew.FirstOrDefault(c => Hauls(c.Role) && (c.LineId ?? plan.Lines[0].Id) == line.Id);

    internal static bool Hauls(JobRole role) => role is JobRole.Hauler or JobRole.Machine;

    internal static LineOnSite LineOf(Zones site, CrewMembers person) =>
        site.Lines.FirstOrDefault(l => l.Id == person.LineId) ?? site.Lines[0];

    private static Place Usual(
        Plan plan,
        Zones site,
        TargetShape[] shapes,
        int index,
        ReadOnlySpan<PersonOnSite> placed
    )
    {
        var person = plan.Crew[index];
        if (Hauls(person.Role))
        {
            var line = LineOf(site, person);
            var before = 0;
            for (var i = 0; i < index; i++)
            {
                before += Hauls(plan.Crew[i].Role) && LineOf(site, plan.Crew[i]) == line ? 1 : 0;
            }

            // One behind the other on the rope, away from the tackle.
            var away = Place.At(Abreast * before, line.Crew.BearingFrom(line.Anchor));
            return new(line.Crew.EastM + away.EastM, line.Crew.NorthM + away.NorthM);
        }

        if (person.Role == JobRole.Faller)
        {
            return OnWayOut(plan, site, person);
        }

        return Free(plan, site, shapes, person, placed);
    }

    /// <summary>Out along the first clear way, as far as it takes to leave every band: a parted line flies back past the tree.</summary>
    private static Place OnWayOut(Plan plan, Zones site, CrewMembers person)
    {
        var way = site.Retreats.FirstOrDefault(r => r is { Clear: true, GivenUpBy: null }) ?? site.Retreats[0];
        for (var metres = Zones.RetreatLength; metres <= site.ReachM; metres++)
        {
            var place = Place.At(metres, way.BearingDeg);
            if (StruckAt(place, site, person) == PersonDanger.None)
            {
                return place;
            }
        }

        return Place.At(Zones.RetreatLength, way.BearingDeg);
    }

    /// <summary>The nearest of the usual places for a role where nothing reaches, off buildings, water and other people.</summary>
    private static Place Free(
        Plan plan,
        Zones site,
        TargetShape[] shapes,
        CrewMembers person,
        ReadOnlySpan<PersonOnSite> placed
    )
    {
        double[] bearings = person.Role switch
        {
            JobRole.Watcher => [95, -95, 110, -110, 80, -80],
            JobRole.Lead => [120, -120, 140, -140, 105, -105],
            JobRole.Faller or JobRole.Hauler or JobRole.Machine or JobRole.Climber or JobRole.Road or JobRole.Learner =>
                [150, -150, 165, -165, 135, -135, 180],
        };
        // Who is not needed near the tree stands outside its reach from the start.
        var nearest = person.Role is JobRole.Watcher or JobRole.Lead ? 0 : 2;
        var last = Place.At(Distances[^1] * plan.Tree.HeightM, plan.Lay.BearingDeg + 180);
        foreach (var distance in Distances.Skip(nearest))
        {
            foreach (var off in bearings)
            {
                var place = Place.At(distance * plan.Tree.HeightM, plan.Lay.BearingDeg + off);
                if (
                    DangerAt(place, plan, site, person) <= PersonDanger.Reach
                    && !IsTaken(place, placed)
                    && !StandsIn(place, shapes)
                )
                {
                    return place;
                }
            }
        }

        return last;
    }

    private static bool IsTaken(Place place, ReadOnlySpan<PersonOnSite> placed)
    {
        foreach (var other in placed)
        {
            if (other.Place.DistanceTo(place) < Abreast)
            {
                return true;
            }
        }

        return false;
    }

    private static bool StandsIn(Place place, TargetShape[] shapes)
    {
        Coordinate[] spot =
        [
            new(place.EastM - 1, place.NorthM - 1),
            new(place.EastM + 1, place.NorthM - 1),
            new(place.EastM + 1, place.NorthM + 1),
            new(place.EastM - 1, place.NorthM + 1),
            new(place.EastM - 1, place.NorthM - 1),
        ];
        foreach (var shape in shapes)
        {
            if (shape.BlocksRetreat && shape.DistanceTo(spot) <= 0)
            {
                return true;
            }
        }

        return false;
    }
}
