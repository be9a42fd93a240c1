using System.Text.Json.Serialization;
using Draklo.Core.Geometry;
using Draklo.Core.Lines;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using Draklo.Core.Trees;
using NetTopologySuite.Algorithm;
using Coordinate = NetTopologySuite.Geometries.Coordinate;

namespace Draklo.Core.Sites;

/// <summary>
/// Who may stand where and what the tree may hit, in site terms: metres east and north of the stump's middle.
/// </summary>
/// <remarks>Method M17.</remarks>
public sealed record Zones
{
    /// <summary>Nobody but the faller within this during cutting: twice the height.</summary>
    public required double ReachM { get; init; }

    /// <summary>Radius of the drop sector, 45° either side of the lay: 1.2 times the height.</summary>
    public required double SectorM { get; init; }

    /// <summary>Beyond this the hauling crew stands clear of the lay: 1.5 times the height.</summary>
    public required double CrewM { get; init; }

    /// <summary>The ground that the falling tree covers.</summary>
    public required IReadOnlyList<Place> Footprint { get; init; }

    /// <summary>The ground where nobody stands meanwhile: missed by more, and a fifth farther.</summary>
    public required IReadOnlyList<Place> PeopleFootprint { get; init; }

    /// <summary>The crown's outline from above as the tree stands.</summary>
    public required IReadOnlyList<Place> Crown { get; init; }

    /// <summary>Under the centre of mass.</summary>
    public required Place Centre { get; init; }

    /// <summary>Under the top of the tree.</summary>
    public required Place Top { get; init; }

    public required IReadOnlyList<Retreat> Retreats { get; init; }

    public required IReadOnlyList<LineOnSite> Lines { get; init; }

    public required IReadOnlyList<TargetClearance> Targets { get; init; }

    public required GroundSlope? Slope { get; init; }

    /// <summary>Where the tree goes if the hinge tears, the worse of the two; null where the hinge has next to no work sideways.</summary>
    public TornFall? Torn => TornWays.Count > 0 ? TornWays[0] : null;

    /// <summary>Where it goes if the hinge tears under the pull, and where if it tears with slack lines; the worse first.</summary>
    public required IReadOnlyList<TornFall> TornWays { get; init; }

    /// <summary>How far the faller's ways out are drawn and checked, metres.</summary>
    public const double RetreatLength = 8;

    private const double RetreatHalfWidth = 0.75;
    private const double BandPastEnds = 0.5;
    private const double CrewPastAnchor = 3;
    private const double CrewAside = 2;
    private static readonly double BandSlope = Math.Tan(Angle.Radians(10));
    private const int CrownPoints = 24;

    internal static Zones From(
        PlanContext context,
        PullLine[] lines,
        LineRun[] runs,
        TargetShape[] shapes,
        GroundSlope? slope,
        CheckedPull pull
    )
    {
        var plan = context.Plan;
        var lay = plan.Lay.BearingDeg;
        var height = plan.Tree.HeightM;
        var reach = 2 * height;
        var footprint = Sites.Footprint.Of(context, lay);

        var onSite = new LineOnSite[lines.Length];
        for (var i = 0; i < lines.Length; i++)
        {
            onSite[i] = OnSite(context, lines[i], runs[i], plan.Lines[i]);
        }

        var retreats = RetreatsOf(plan, shapes, onSite);
        var targets = shapes.Length == 0 ? [] : ClearancesOf(context, shapes, footprint, onSite, reach);
        var top = context.Tree.Line.At(context.Tree.Stem.LengthAboveCut);
        var zones = new Zones
        {
            ReachM = reach,
            SectorM = 1.2 * height,
            CrewM = 1.5 * height,
            Footprint = footprint,
            PeopleFootprint = Sites.Footprint.ForPeople(context, lay),
            Crown = CrownOutline(context),
            Centre = OnGround(context, context.Tree.Centre),
            Top = OnGround(context, top),
            Retreats = retreats,
            Lines = onSite,
            Targets = targets,
            Slope = slope,
            TornWays = TornFall.All(pull, shapes),
        };
        zones = zones with
        {
            Lines =
            [
                .. onSite.Select(
                    (line, i) =>
                        line with
                        {
                            CrewIn = PersonOnSite.DangerAt(line.Crew, plan, zones, CrewOf(plan, i)),
                            CrewShelter = PersonOnSite.FirstHauler(plan, plan.Lines[i])?.Shelter ?? "",
                        }
                ),
            ],
        };
        return plan.Crew.Count == 0 ? zones : zones with { People = PersonOnSite.All(plan, zones, shapes) };
    }

    /// <summary>The crew, each with a place; none while nobody is named.</summary>
    public IReadOnlyList<PersonOnSite> People { get; init; } = [];

    /// <summary>Who hauls on a line as the rules for places know them: the first named, or somebody of the line's own.</summary>
    private static CrewMembers CrewOf(Plan plan, int line) =>
        PersonOnSite.FirstHauler(plan, plan.Lines[line])
        ?? new()
        {
            Name = "",
            Role = JobRole.Hauler,
            LineId = plan.Lines[line].Id,
        };

    private static Place OnGround(PlanContext context, Point point)
    {
        var (east, north) = context.Lay.ToSite(point.Forward + context.Hinge.Offset, point.Right);
        return new(east, north);
    }

    private static Place[] CrownOutline(PlanContext context)
    {
        var crown = context.Plan.Tree.Crown;
        var middle = OnGround(
            context,
            context.Tree.Line.At(((crown.BaseHeightM + context.Plan.Tree.HeightM) / 2) - context.Plan.Cut.StumpHeightM)
        );
        var outline = new Place[CrownPoints];
        for (var i = 0; i < CrownPoints; i++)
        {
            var bearing = 360.0 * i / CrownPoints;
            var reach = Place.At(CrownReach.Toward(crown.ReachM, bearing), bearing);
            outline[i] = new(middle.EastM + reach.EastM, middle.NorthM + reach.NorthM);
        }

        return outline;
    }

    private static LineOnSite OnSite(PlanContext context, PullLine line, LineRun run, LineMembers members)
    {
        var legs = new Place[run.Points.Length];
        for (var i = 0; i < legs.Length; i++)
        {
            legs[i] = OnGround(context, run.Points[i]);
        }

        var anchor = legs[^1];
        var crew =
            (members.Puller.Place ?? PersonOnSite.FirstHauler(context.Plan, members)?.Place) is { } place
                ? new Place(place.EastM, place.NorthM)
            : members.Puller.Kind == PullerKind.Vehicle ? Past(legs[^2], anchor, CrewPastAnchor)
            : members.Puller.Kind == PullerKind.HandWinch ? WinchOf(context, members, anchor)
            : BesideLine(legs[^2], anchor, context.Plan.Lay.BearingDeg);
        var turnsAtAnchor = TackleSystems.Of(members.Tackle).HauledBack;
        var bands = new Place[legs.Length - 1][];
        for (var i = 0; i < bands.Length; i++)
        {
            bands[i] = Band(legs[i], legs[i + 1]);
        }

        var turns = new Place[legs.Length - 2 + (turnsAtAnchor ? 1 : 0)][];
        for (var i = 0; i < turns.Length; i++)
        {
            turns[i] = [legs[i], legs[i + 1], i + 2 < legs.Length ? legs[i + 2] : crew];
        }

        return new()
        {
            Id = line.Id,
            Seat = legs[0],
            Anchor = anchor,
            Crew = crew,
            Legs = legs,
            Bands = bands,
            InsideTurns = turns,
            CrewIn = PersonDanger.None,
            CrewShelter = "",
            AtWinch = members.Puller.Kind == PullerKind.HandWinch,
            HauledBack = turnsAtAnchor,
        };
    }

    /// <summary>
    /// Where haulers stand until somebody says: a little past the anchor and aside of the line's axis, out of the band
    /// that a parted line sweeps, on the side away from the lay.
    /// </summary>
    private static Place BesideLine(Place from, Place anchor, double lay)
    {
        var past = Past(from, anchor, CrewPastAnchor);
        var length = from.DistanceTo(anchor);
        var aside = ((length + CrewPastAnchor) * BandSlope) + CrewAside;
        var bearing = anchor.BearingFrom(from);
        var away = Angle.Between(lay, anchor.BearingDeg) >= 0 ? 90 : -90;
        var step = Place.At(aside, bearing + away);
        return new(past.EastM + step.EastM, past.NorthM + step.NorthM);
    }

    /// <summary>Who works a hand winch stands at it: at its own anchor, or at the line's.</summary>
    private static Place WinchOf(PlanContext context, LineMembers members, Place anchor) =>
        TackleSystems.Of(members.Tackle).UsesAnchor && members.Puller.Anchor is { } own
            ? Place.At(own.DistanceM, own.BearingDeg)
            : anchor;

    private static Place Past(Place from, Place to, double metres)
    {
        var east = to.EastM - from.EastM;
        var north = to.NorthM - from.NorthM;
        var share = metres / Math.Max(0.01, Math.Sqrt((east * east) + (north * north)));
        return new(to.EastM + (east * share), to.NorthM + (north * share));
    }

    /// <summary>
    /// Where a parted line flies: a cone of ten degrees either side from each end, half the line's length past the other.
    /// The two together are narrowest in the middle.
    /// </summary>
    private static Place[] Band(Place from, Place to)
    {
        var east = to.EastM - from.EastM;
        var north = to.NorthM - from.NorthM;
        var length = Math.Max(0.01, Math.Sqrt((east * east) + (north * north)));
        (east, north) = (east / length, north / length);
        var wide = (1 + BandPastEnds) * length * BandSlope;
        var narrow = length / 2 * BandSlope;
        var past = BandPastEnds * length;
        return
        [
            At(-past, -wide),
            At(length / 2, -narrow),
            At(length + past, -wide),
            At(length + past, wide),
            At(length / 2, narrow),
            At(-past, wide),
        ];

        Place At(double along, double aside) =>
            new(from.EastM + (east * along) + (north * aside), from.NorthM + (north * along) - (east * aside));
    }

    /// <summary>The faller's ways out: as the plan says, or 135° either side of the lay.</summary>
    private static Retreat[] RetreatsOf(Plan plan, TargetShape[] shapes, LineOnSite[] lines)
    {
        var lay = plan.Lay.BearingDeg;
        var own = plan.Site.EscapeRoutes;
        if (own.Count == 0)
        {
            return [RetreatAt(lay + 135, shapes, lines), RetreatAt(lay - 135, shapes, lines)];
        }

        var found = new Retreat[own.Count];
        for (var i = 0; i < found.Length; i++)
        {
            found[i] = RetreatAt(own[i].BearingDeg, shapes, lines) with
            {
                GivenUpBy = string.IsNullOrWhiteSpace(own[i].GivenUpBy) ? null : own[i].GivenUpBy,
                OffLayDeg = Math.Abs(Angle.Between(lay, own[i].BearingDeg)),
            };
        }

        return found;
    }

    private static Retreat RetreatAt(double bearing, TargetShape[] shapes, LineOnSite[] lines)
    {
        var turned = (bearing + 360) % 360;
        var along = Place.At(1, turned);
        var strip = Strip(new(0, 0), Place.At(RetreatLength, turned), RetreatHalfWidth, along.EastM, along.NorthM);
        string? blocked = null;
        Coordinate[]? area = null;
        foreach (var shape in shapes)
        {
            if (shape.BlocksRetreat && shape.FromStump < RetreatLength + RetreatHalfWidth)
            {
                area ??= TargetShape.Ring(strip);
                if (shape.DistanceTo(area) <= 0)
                {
                    blocked = shape.Name;
                    break;
                }
            }
        }

        blocked ??= RopeOver(strip, lines) ? "a rope on the ground" : null;
        return new(turned, strip, blocked is null, blocked, null, 135);
    }

    /// <summary>Whether a leg that runs low crosses a way: from the first turn outward, and out to the hands.</summary>
    private static bool RopeOver(Place[] strip, LineOnSite[] lines)
    {
        foreach (var line in lines)
        {
            for (var i = 1; i < line.Legs.Count; i++)
            {
                // The first leg comes down from the tree over everybody's head.
                if (Crosses(line.Legs[i], i + 1 < line.Legs.Count ? line.Legs[i + 1] : line.Crew))
                {
                    return true;
                }
            }
        }

        return false;

        bool Crosses(Place from, Place to)
        {
            var (a, b) = (new Coordinate(from.EastM, from.NorthM), new Coordinate(to.EastM, to.NorthM));
            var ring = TargetShape.Ring(strip);
            for (var k = 1; k < ring.Length; k++)
            {
                if (DistanceComputer.SegmentToSegment(a, b, ring[k - 1], ring[k]) <= 0)
                {
                    return true;
                }
            }

            return PointLocation.IsInRing(a, ring);
        }
    }

    private static Place[] Strip(Place from, Place to, double half, double east, double north) =>
        [
            new(from.EastM - (north * half), from.NorthM + (east * half)),
            new(to.EastM - (north * half), to.NorthM + (east * half)),
            new(to.EastM + (north * half), to.NorthM - (east * half)),
            new(from.EastM + (north * half), from.NorthM - (east * half)),
        ];

    private static TargetClearance[] ClearancesOf(
        PlanContext context,
        TargetShape[] shapes,
        Place[] footprint,
        LineOnSite[] lines,
        double reach
    )
    {
        var area = TargetShape.Ring(footprint);
        Coordinate[][]? bands = null;
        var judge = new TargetJudge(context.Units, reach);
        var found = new TargetClearance[shapes.Length];
        for (var i = 0; i < found.Length; i++)
        {
            var shape = shapes[i];
            var clearance = shape.DistanceTo(area);
            var away = shape.FromStump;
            var inBand = false;
            if (shape.Target.Kind is TargetKind.People or TargetKind.PowerLine or TargetKind.Road or TargetKind.Path)
            {
                bands ??= [.. lines.SelectMany(l => l.Bands.Concat(l.InsideTurns)).Select(TargetShape.Ring)];
                inBand = bands.Any(b => shape.DistanceTo(b) <= 0) || lines.Any(l => shape.IsCrossedBy(l));
            }

            var reason = judge.Of(shape, clearance, away, inBand, i);
            found[i] = new(shape.Target.Id, shape.Name, clearance, clearance <= 0, away, reason);
        }

        return found;
    }
}

/// <param name="BearingDeg">135° to one side of the lay.</param>
/// <param name="Strip">Its ground.</param>
/// <param name="BlockedBy">What stands in it, when something does.</param>
/// <param name="GivenUpBy">Who gave it up; null for one that is kept.</param>
/// <param name="OffLayDeg">From the lay, degrees without sign.</param>
public sealed record Retreat(
    double BearingDeg,
    IReadOnlyList<Place> Strip,
    bool Clear,
    string? BlockedBy,
    string? GivenUpBy,
    double OffLayDeg
)
{
    /// <summary>Whether somebody can leave by it.</summary>
    [JsonIgnore]
    public bool IsOpen => Clear && GivenUpBy is null;
}

public sealed record LineOnSite
{
    public required string Id { get; init; }

    /// <summary>Under the seat.</summary>
    public required Place Seat { get; init; }

    public required Place Anchor { get; init; }

    /// <summary>Where its haulers stand: as given, or past the anchor and aside of the line.</summary>
    public required Place Crew { get; init; }

    /// <summary>Seat, redirects, anchor.</summary>
    public required IReadOnlyList<Place> Legs { get; init; }

    /// <summary>Where a parted line flies, leg by leg.</summary>
    public required IReadOnlyList<IReadOnlyList<Place>> Bands { get; init; }

    /// <summary>Where it flies when a turn gives: at each redirect, and at the anchor of a tackle that is hauled back.</summary>
    public required IReadOnlyList<IReadOnlyList<Place>> InsideTurns { get; init; }

    /// <summary>What reaches them there.</summary>
    public required PersonDanger CrewIn { get; init; }

    /// <summary>Whether nothing reaches them but the ground within two heights.</summary>
    public bool CrewClear => CrewIn <= PersonDanger.Reach;

    /// <summary>What they stand behind or sit in; empty for nothing.</summary>
    public required string CrewShelter { get; init; }

    /// <summary>Whether they work a hand winch: where the line turns on its way, its last leg ends in their own hand.</summary>
    [JsonIgnore]
    public bool AtWinch { get; init; }

    /// <summary>Whether the last of the turns is the anchor's, where a tackle is hauled back.</summary>
    public required bool HauledBack { get; init; }
}
