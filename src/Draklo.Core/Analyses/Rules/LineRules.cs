using Draklo.Core.Catalogue;
using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Analyses;

/// <summary>How the members of the lines must agree with one another and with the tables.</summary>
internal static class LineRules
{
    /// <summary>Nearer than this two turns of a line are one, metres.</summary>
    private const double LeastLeg = 0.5;

    public static void Check(Plan plan, List<Problem> problems, UnitSystem units)
    {
        for (var i = 0; i < plan.Lines.Count; i++)
        {
            var line = plan.Lines[i];
            var spot = new Spot(i);
            if (plan.Lines.IsBefore(i, line.Id, static l => l.Id))
            {
                problems.Add(new(spot.Of("id"), $"Two lines are called “{line.Id}”: give each its own name."));
            }

            CheckSeat(plan, line, spot, problems, units);
            CheckFirstPoint(plan, line, i, problems);
            TableRules.CheckKnot(line.KnotId, spot, "knotId", problems);
            TackleRules.Check(line.Tackle, i, problems);
            AnchorRules.Check(line.Anchor, new(i, "anchor"), problems, units);
            CheckRedirects(line, i, problems, units);
            CheckJoined(line, i, problems);
            TableRules.CheckConstruction(line.Rope.ConstructionId, new(i, "rope"), problems);
            CheckPuller(line, spot, problems, units);
        }
    }

    private static void CheckSeat(Plan plan, LineMembers line, Spot spot, List<Problem> problems, UnitSystem units)
    {
        if (line.Seat.HeightM >= plan.Tree.HeightM)
        {
            problems.Add(
                new(
                    spot.Of("seat.heightM"),
                    units.Say(
                        $"The seat is at {line.Seat.HeightM:m}, above the top of the tree at {plan.Tree.HeightM:m}: lower the seat."
                    )
                )
            );
        }
        else if (line.Seat.HeightM <= plan.Cut.StumpHeightM)
        {
            problems.Add(
                new(
                    spot.Of("seat.heightM"),
                    units.Say(
                        $"The seat is at {line.Seat.HeightM:m}, not above the cut at {plan.Cut.StumpHeightM:m}: raise the seat."
                    )
                )
            );
        }
    }

    /// <summary>What a line first runs to stands ahead of the tree.</summary>
    private static void CheckFirstPoint(Plan plan, LineMembers line, int index, List<Problem> problems)
    {
        var redirected = line.Redirects.Count > 0;
        var off = Math.Abs(
            Angle.Between(plan.Lay.BearingDeg, (redirected ? line.Redirects[0].At : line.Anchor).BearingDeg)
        );
        if (off >= 90)
        {
            problems.Add(
                new(
                    (redirected ? new Spot(index, "at", 0) : new Spot(index, "anchor")).Of("bearingDeg"),
                    $"{(redirected ? "This redirect" : "This anchor")} stands behind the tree, {Figures.Plain(off, 3)}° off the lay, and would pull it back: choose one ahead of the tree or turn the lay."
                )
            );
        }
    }

    private static void CheckRedirects(LineMembers line, int index, List<Problem> problems, UnitSystem units)
    {
        for (var i = 0; i < line.Redirects.Count; i++)
        {
            var redirect = line.Redirects[i];
            TableRules.CheckContact(redirect.ContactId, new(index, null, i), problems);
            AnchorRules.Check(redirect.At, new(index, "at", i), problems, units);
            var next = i + 1 < line.Redirects.Count ? line.Redirects[i + 1].At : line.Anchor;
            if (
                Place
                    .At(redirect.At.DistanceM, redirect.At.BearingDeg)
                    .DistanceTo(Place.At(next.DistanceM, next.BearingDeg)) < LeastLeg
            )
            {
                problems.Add(
                    new(
                        new Spot(index, "at", i).Of("distanceM"),
                        units.Say(
                            $"This redirect stands where the line goes next, less than {LeastLeg:m} from it: move one of them, or take the redirect away."
                        )
                    )
                );
            }
        }
    }

    private static void CheckJoined(LineMembers line, int index, List<Problem> problems)
    {
        if (line.Joined is not { } joined)
        {
            return;
        }

        if (!(Reference.Knots.TryGetValue(joined.KnotId, out var knot) && knot.Use is "joins-ends" or "joins-ropes"))
        {
            var known = Reference.Knots.Values.Where(k => k.Use is "joins-ends" or "joins-ropes").Select(k => k.Id);
            problems.Add(
                new(
                    new Spot(index, "joined").Of("knotId"),
                    $"“{joined.KnotId}” does not join two ends: choose one of {TableRules.Listed(known)}."
                )
            );
        }

        TableRules.CheckConstruction(joined.Rope.ConstructionId, new(index, "joined.rope"), problems);
    }

    private static void CheckPuller(LineMembers line, Spot spot, List<Problem> problems, UnitSystem units)
    {
        if (line.Puller is { Kind: PullerKind.Machine or PullerKind.HandWinch, MachineN: null })
        {
            problems.Add(
                new(
                    spot.Of("puller.machineN"),
                    $"Say what the {(line.Puller.Kind == PullerKind.Machine ? "machine" : "winch")} pulls: the force it keeps up on the rope."
                )
            );
        }
        else if (line.Puller is { Kind: PullerKind.Vehicle, Vehicle: null })
        {
            problems.Add(new(spot.Of("puller.vehicle"), "Say what the vehicle weighs and what it stands on."));
        }

        if (line.Puller is { ArrivesMps: > 0, Vehicle: null })
        {
            problems.Add(
                new(spot.Of("puller.vehicle"), "Something that arrives moving has a mass: say what it weighs.")
            );
        }

        if (line.Puller.Anchor is { } own)
        {
            AnchorRules.Check(own, spot with { Group = "puller.anchor" }, problems, units);
        }

        TableRules.CheckAnchorFigure(line.Puller.Vehicle?.GroundId, "grip", spot, "puller.vehicle.groundId", problems);
        if (line.Limiter is not { } drum)
        {
            return;
        }

        if (!(drum.FrictionLow <= drum.Friction && drum.Friction <= drum.FrictionHigh))
        {
            problems.Add(
                new(
                    spot.Of("limiter.friction"),
                    "The drum's friction lies between its low and its high figure: put them in order."
                )
            );
        }

        if (!(drum.HoldLowN <= drum.HoldN && drum.HoldN <= drum.HoldHighN))
        {
            problems.Add(
                new(spot.Of("limiter.holdN"), "The hold lies between the light and the firm one: put them in order.")
            );
        }
    }
}
