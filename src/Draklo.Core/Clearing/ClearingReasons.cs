using Draklo.Core.Gear;
using Draklo.Core.Geometry;
using Draklo.Core.Links;
using Draklo.Core.Plans;
using Draklo.Core.Units;
using Draklo.Core.Verdicts;

namespace Draklo.Core.Clearing;

/// <summary>What is said of a way beside its own sums: links, people, power lines, roads, the climber.</summary>
internal static class ClearingReasons
{
    /// <summary>Nearer than this to the stem that carries the rigging nobody stands, metres.</summary>
    private const double AtFoot = 3;

    /// <summary>And nearer than this to what hangs in the tree, seen from above, metres.</summary>
    private const double UnderPoint = 1.5;

    private const double PowerLineNear = 20;
    private const double InsideReach = 15;
    private const double AsideReach = 3;

    public static void Add(RigWalk walk, Way way)
    {
        AddLinks(walk);
        AddPeople(walk);
        AddAside(walk, way);
        AddObstacles(walk);
        AddClimber(walk, way);
        AddGear(walk, way);
        PolicyReasons.AddForClearing(walk.Scene.Plan.Policy, walk.Scene.Yard, walk.Reasons);
    }

    /// <summary>Pieces of the locker that are out of service; an old rope may still be slid on.</summary>
    private static void AddGear(RigWalk walk, Way way)
    {
        if (walk.Scene.Yard?.Gear is not { } locker)
        {
            return;
        }

        foreach (var (id, path, _) in GearOnPlan.OfClearing(walk.Clearing))
        {
            if (!(way.Traits.RunsOnLine && path == GearOnPlan.Line && walk.Clearing.Slide is { OldRope: true }))
            {
                GearReasons.Standing(locker, id, path, walk.Reasons);
            }
        }
    }

    /// <summary>Links that are tight or fail, the worst first.</summary>
    private static void AddLinks(RigWalk walk)
    {
        var units = walk.Scene.Units;
        foreach (var link in walk.Links.Where(l => l.State != LinkState.Holds).OrderByDescending(l => l.Use))
        {
            var carries = link.Effort
                ? units.Say($"{link.Name} must give {link.Load} of the {link.Strength} that can be kept up")
                : units.Say($"{link.Name} carries {link.Load} of the {link.Allowed} it may");
            var (state, code, text) = link switch
            {
                { State: LinkState.Tight } => (VerdictState.Check, "rig-link-tight", $"{carries}: tight."),
                { Use: > 1, Effort: true } => (
                    VerdictState.Stop,
                    "rig-hauler-too-weak",
                    units.Say($"{link.Name} cannot do it: it takes {link.Load} and {link.Strength} can be kept up.")
                ),
                { Use: > 1 } => (VerdictState.Stop, "rig-link-fails", $"{carries}: it fails."),
                _ => (
                    VerdictState.Stop,
                    "rig-link-breaks-at-worst",
                    units.Say($"{link.Name} could fail: worst case {link.WorstLoad}, holds {link.Strength}.")
                ),
            };
            walk.Reasons.Add(
                state,
                code,
                text,
                null,
                link.Id,
                ("load", link.LoadValue),
                ("worstLoad", link.WorstLoadValue),
                ("allowed", link.AllowedValue),
                ("use", link.Use)
            );
        }
    }

    /// <summary>People under a load, in line with a rope, inside a turn.</summary>
    private static void AddPeople(RigWalk walk)
    {
        var people = walk.Clearing.People;
        if (people.Count == 0)
        {
            walk.Reasons.Check(
                "rig-people-not-placed",
                "Nobody has said where everybody stands while loads move: give each a place, then it is checked.",
                "clearing.people"
            );
        }

        for (var i = 0; i < people.Count; i++)
        {
            var (person, path) = (people[i], $"clearing.people[{i}]");
            var under = false;
            foreach (var zone in walk.Zones.OrderBy(z => z.Kind is not (ZoneKind.UnderLoad or ZoneKind.ComesDown)))
            {
                if (zone.Kind != ZoneKind.Band && In(zone, person))
                {
                    under = zone.Kind is ZoneKind.UnderLoad or ZoneKind.ComesDown;
                    if (under)
                    {
                        walk.Reasons.Stop(
                            "rig-person-under-load",
                            $"{person.Name} stands {zone.Name}: nobody does while loads move.",
                            $"{path}.atM"
                        );
                    }
                    else
                    {
                        walk.Reasons.Check(
                            "rig-person-in-way",
                            $"{person.Name} stands {zone.Name}: step aside before a load moves.",
                            $"{path}.atM"
                        );
                    }

                    break;
                }
            }

            InLine(walk, person, path);
            InsideTurn(walk, person, path);
            if (!under)
            {
                AtSpar(walk, person, path);
            }
        }
    }

    /// <summary>Pieces that lie off the line on which they are moved: pulled in from the side, a line turns where nothing holds it.</summary>
    private static void AddAside(RigWalk walk, Way way)
    {
        if (!way.Traits.PullsIn)
        {
            return;
        }

        var lanes = way.FanDeg(walk.Clearing);
        var from = walk.Clearing.High?.AtM ?? walk.Clearing.Ground.LandingAtM;
        foreach (var piece in walk.Scene.Pieces)
        {
            var reach = AsideReach + (Math.Abs(piece.AtM - from) * Math.Tan(Angle.Radians(lanes / 2)));
            if (Math.Abs(piece.AsideM) <= reach)
            {
                continue;
            }

            var index = walk.Clearing.Pieces.ToList().FindIndex(p => p.Id == piece.Id);
            walk.Reasons.Check(
                "rig-piece-aside",
                walk.Scene.Units.Say(
                    $"{piece.Name.Capitalised()} lies {Math.Abs(piece.AsideM):m} to the {(piece.AsideM > 0 ? "right" : "left")} of the section: pulled in from there it swings, and the line goes sideways over what it runs on. Bring it under the line first, or lay the section there."
                ),
                $"clearing.pieces[{index}].place"
            );
        }
    }

    /// <summary>Under a point of the rigging, or at the foot of the stem that carries it (M18).</summary>
    private static void AtSpar(RigWalk walk, StandMembers person, string path)
    {
        if (walk.Points.FirstOrDefault(p => Away(person, p.At.X) < UnderPoint) is { } point)
        {
            walk.Reasons.Stop(
                "rig-person-under-point",
                $"{person.Name} stands under {point.Name}: whatever parts up there comes down on it.",
                $"{path}.atM"
            );
        }
        else if (
            walk.Clearing.High is { } high
            && walk.Links.Any(l => l.Mark == RigMark.Spar)
            && Away(person, high.AtM) < AtFoot
        )
        {
            walk.Reasons.Check(
                "rig-person-at-spar",
                walk.Scene.Units.Say(
                    $"{person.Name} stands {Away(person, high.AtM):m} from the foot of the stem that carries the rigging: stand {AtFoot:m} off or more."
                ),
                $"{path}.atM"
            );
        }
    }

    private static double Away(StandMembers person, double atM) =>
        Math.Sqrt(((person.AtM - atM) * (person.AtM - atM)) + (person.OffM * person.OffM));

    private static bool In(RigZone zone, StandMembers person) =>
        person.AtM > zone.FromM && person.AtM < zone.ToM && Math.Abs(person.OffM) < zone.HalfWidthM;

    private static void InLine(RigWalk walk, StandMembers person, string path)
    {
        foreach (var line in walk.Lines.Where(l => l.Loaded))
        {
            for (var i = 1; i < line.Points.Count; i++)
            {
                var (a, b) = (line.Points[i - 1], line.Points[i]);
                if (Math.Abs(a.X - b.X) > 1 && RigBands.Holds(a, b, person.AtM, person.OffM))
                {
                    walk.Reasons.Check(
                        "rig-person-in-line",
                        $"{person.Name} stands in line with a loaded rope: aside, or behind something solid.",
                        $"{path}.offM"
                    );
                    return;
                }
            }
        }
    }

    /// <summary>Where a line is turned aside, whatever gives way flies into the inside of the turn.</summary>
    private static void InsideTurn(RigWalk walk, StandMembers person, string path)
    {
        if (
            walk.Clearing.Lead is not { TurnDeg: not 0 } lead
            || walk.Lines.FirstOrDefault(l => l.Mark == RigMark.Haul) is not { Points.Count: > 1 } haul
        )
        {
            return;
        }

        var toLoad = Math.Sign(haul.Points[0].X - lead.Anchor.AtM);
        var (ax, ay) = ((double)(toLoad == 0 ? 1 : toLoad), 0.0);
        // Straight on is away from the load; the turn is to the right of somebody who walks with the rope.
        var turned = Angle.Radians(lead.TurnDeg);
        var (bx, by) = (-ax * Math.Cos(turned), -ax * Math.Sin(turned));
        var (px, py) = (person.AtM - lead.Anchor.AtM, person.OffM);
        var far = Math.Sqrt((px * px) + (py * py));
        if (far is < 0.1 or > InsideReach)
        {
            return;
        }

        var determinant = (ax * by) - (ay * bx);
        var (s, t) = (((px * by) - (py * bx)) / determinant, ((ax * py) - (ay * px)) / determinant);
        if (s > 0 && t > 0)
        {
            walk.Reasons.Stop(
                "rig-person-inside-turn",
                $"{person.Name} stands inside the turn at the lead block: when it gives way, rope and block fly there. Cross to the other side.",
                $"{path}.offM"
            );
        }
    }

    private static void AddObstacles(RigWalk walk)
    {
        for (var i = 0; i < walk.Clearing.Ground.Obstacles.Count; i++)
        {
            var (obstacle, path) = (walk.Clearing.Ground.Obstacles[i], $"clearing.ground.obstacles[{i}]");
            ComesDownOn(walk, obstacle, path);
            if (!string.IsNullOrWhiteSpace(obstacle.ArrangedBy))
            {
                continue;
            }

            if (obstacle.Kind == ObstacleKind.PowerLine && Near(walk, obstacle))
            {
                walk.Reasons.Stop(
                    "power-line-near",
                    $"{obstacle.Name.Capitalised()} stands near the work: nothing is rigged until the utility has given its word, with name and time.",
                    $"{path}.arrangedBy"
                );
            }
            else if (obstacle.Kind == ObstacleKind.Way && Crossed(walk, obstacle))
            {
                walk.Reasons.Check(
                    "rig-way-open",
                    $"{obstacle.Name.Capitalised()} runs under the work: say who closes it.",
                    $"{path}.arrangedBy"
                );
            }
        }
    }

    /// <summary>What stands where a tree, a top or a piece comes down.</summary>
    private static void ComesDownOn(RigWalk walk, ObstacleMembers obstacle, string path)
    {
        var name = obstacle.Name.Uncapitalised();
        if (!walk.Zones.Any(z => z.Kind == ZoneKind.ComesDown && z.FromM < obstacle.ToM && z.ToM > obstacle.FromM))
        {
            return;
        }

        if (obstacle.Kind == ObstacleKind.Fragile)
        {
            walk.Reasons.Stop(
                "rig-comes-down-on",
                $"It comes down on the {name}: let it down another way, or to the other side.",
                path
            );
        }
        else if (obstacle.Kind == ObstacleKind.Thing)
        {
            walk.Reasons.Check("rig-comes-down-on-thing", $"It comes down on the {name}: clear it first.", path);
        }
    }

    private static bool Near(RigWalk walk, ObstacleMembers obstacle) =>
        walk.Lines.SelectMany(l => l.Points)
            .Any(p => p.X > obstacle.FromM - PowerLineNear && p.X < obstacle.ToM + PowerLineNear)
        || walk.Zones.Any(z => z.ToM > obstacle.FromM - PowerLineNear && z.FromM < obstacle.ToM + PowerLineNear);

    private static bool Crossed(RigWalk walk, ObstacleMembers obstacle) =>
        walk.Zones.Any(z => z.FromM < obstacle.ToM && z.ToM > obstacle.FromM);

    private static void AddClimber(RigWalk walk, Way way)
    {
        if (walk.Clearing.Climber == TieIn.Rigging)
        {
            walk.Reasons.Stop(
                "rig-climber-on-rigging",
                "The climber hangs on the rigging: their own rope goes to a point that carries nothing else.",
                "clearing.climber"
            );
        }
        else if (walk.Clearing.Climber == TieIn.None && way.Traits.GoesAloft)
        {
            walk.Reasons.Remark(
                "rig-nobody-aloft",
                "The plan names no climber: the cuts are made from a platform or the ground.",
                "clearing.climber"
            );
        }
    }
}
