using Draklo.Core.Catalogue;
using Draklo.Core.Geometry;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;
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
            var path = $"lines[{i}]";
            if (NamedBefore(plan.Lines, i))
            {
                problems.Add(new($"{path}.id", $"Two lines are called “{line.Id}”: give each its own name."));
            }

            if (line.Seat.HeightM >= plan.Tree.HeightM)
            {
                problems.Add(
                    new(
                        $"{path}.seat.heightM",
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
                        $"{path}.seat.heightM",
                        units.Say(
                            $"The seat is at {line.Seat.HeightM:m}, not above the cut at {plan.Cut.StumpHeightM:m}: raise the seat."
                        )
                    )
                );
            }

            var (first, firstPath) =
                line.Redirects.Count > 0
                    ? (line.Redirects[0].At, $"{path}.redirects[0].at")
                    : (line.Anchor, $"{path}.anchor");
            if (Math.Abs(Angle.Between(plan.Lay.BearingDeg, first.BearingDeg)) >= 90)
            {
                problems.Add(
                    new(
                        $"{firstPath}.bearingDeg",
                        $"{(line.Redirects.Count > 0 ? "This redirect" : "This anchor")} stands behind the tree, {Figures.Plain(Math.Abs(Angle.Between(plan.Lay.BearingDeg, first.BearingDeg)), 3)}° off the lay, and would pull it back: choose one ahead of the tree or turn the lay."
                    )
                );
            }

            if (!Reference.Knots.ContainsKey(line.KnotId))
            {
                problems.Add(
                    new($"{path}.knotId", $"The knot “{line.KnotId}” is not in the table: choose one that is.")
                );
            }

            CheckTackle(line.Tackle, $"{path}.tackle", problems);
            CheckAnchor(line.Anchor, $"{path}.anchor", problems, units);
            CheckRedirects(line, path, problems, units);
            CheckJoined(line, path, problems);
            CheckConstruction(line.Rope.ConstructionId, $"{path}.rope", problems);
            CheckPuller(line, path, problems);
        }
    }

    private static void CheckRedirects(LineMembers line, string path, List<Problem> problems, UnitSystem units)
    {
        for (var i = 0; i < line.Redirects.Count; i++)
        {
            var redirect = line.Redirects[i];
            var place = $"{path}.redirects[{i}]";
            if (!Reference.Contacts.ContainsKey(redirect.ContactId))
            {
                problems.Add(
                    new(
                        $"{place}.contactId",
                        $"“{redirect.ContactId}” is not in the table of turns: choose one that is."
                    )
                );
            }

            CheckAnchor(redirect.At, $"{place}.at", problems, units);
            var next = i + 1 < line.Redirects.Count ? line.Redirects[i + 1].At : line.Anchor;
            if (
                Place
                    .At(redirect.At.DistanceM, redirect.At.BearingDeg)
                    .DistanceTo(Place.At(next.DistanceM, next.BearingDeg)) < LeastLeg
            )
            {
                problems.Add(
                    new(
                        $"{place}.at.distanceM",
                        units.Say(
                            $"This redirect stands where the line goes next, less than {LeastLeg:m} from it: move one of them, or take the redirect away."
                        )
                    )
                );
            }
        }
    }

    private static void CheckJoined(LineMembers line, string path, List<Problem> problems)
    {
        if (line.Joined is not { } joined)
        {
            return;
        }

        if (!(Reference.Knots.TryGetValue(joined.KnotId, out var knot) && knot.Use == "joins-ends"))
        {
            problems.Add(
                new(
                    $"{path}.joined.knotId",
                    $"“{joined.KnotId}” does not join two ends: choose one of {string.Join(", ", Reference.Knots.Values.Where(k => k.Use == "joins-ends").Select(k => k.Id).Order(StringComparer.Ordinal))}."
                )
            );
        }

        CheckConstruction(joined.Rope.ConstructionId, $"{path}.joined.rope", problems);
    }

    private static void CheckConstruction(string? id, string path, List<Problem> problems)
    {
        if (id is not null && !Reference.Constructions.ContainsKey(id))
        {
            problems.Add(
                new(
                    $"{path}.constructionId",
                    $"The construction “{id}” is not in the rope table: choose one of {string.Join(", ", Reference.Constructions.Keys.Order(StringComparer.Ordinal))}."
                )
            );
        }
    }

    private static void CheckPuller(LineMembers line, string path, List<Problem> problems)
    {
        if (line.Puller is { Kind: PullerKind.Machine or PullerKind.HandWinch, MachineN: null })
        {
            problems.Add(
                new(
                    $"{path}.puller.machineN",
                    $"Say what the {(line.Puller.Kind == PullerKind.Machine ? "machine" : "winch")} pulls: the force it keeps up on the rope."
                )
            );
        }
        else if (line.Puller is { Kind: PullerKind.Vehicle, Vehicle: null })
        {
            problems.Add(new($"{path}.puller.vehicle", "Say what the vehicle weighs and what it stands on."));
        }

        if (
            line.Puller.Vehicle is { } vehicle
            && !(Reference.Anchors.TryGetValue(vehicle.GroundId, out var grip) && grip.Kind == "grip")
        )
        {
            problems.Add(
                new(
                    $"{path}.puller.vehicle.groundId",
                    $"“{vehicle.GroundId}” is not in the table: choose one of {string.Join(", ", Reference.Anchors.Values.Where(a => a.Kind == "grip").Select(a => a.Id).Order(StringComparer.Ordinal))}."
                )
            );
        }

        if (line.Limiter is { } drum)
        {
            if (!(drum.FrictionLow <= drum.Friction && drum.Friction <= drum.FrictionHigh))
            {
                problems.Add(
                    new(
                        $"{path}.limiter.friction",
                        "The drum's friction lies between its low and its high figure: put them in order."
                    )
                );
            }

            if (!(drum.HoldLowN <= drum.HoldN && drum.HoldN <= drum.HoldHighN))
            {
                problems.Add(
                    new($"{path}.limiter.holdN", "The hold lies between the light and the firm one: put them in order.")
                );
            }
        }
    }

    private static void CheckAnchor(AnchorMembers anchor, string path, List<Problem> problems, UnitSystem units)
    {
        Choose(anchor.Tree?.GroundId, "roots", "tree.groundId");
        Choose(anchor.Post?.GroundId, "soil", "post.groundId");
        Choose(anchor.Pickets?.ArrangementId, "pickets", "pickets.arrangementId");
        Choose(anchor.Weight?.GroundId, "grip", "weight.groundId");
        if (anchor.Sling?.KnotId is { } knot && !Reference.Knots.ContainsKey(knot))
        {
            problems.Add(new($"{path}.sling.knotId", $"The knot “{knot}” is not in the table: choose one that is."));
        }

        if (anchor.Tree?.SpeciesId is { } species && !Reference.Species.ContainsKey(species))
        {
            problems.Add(
                new(
                    $"{path}.tree.speciesId",
                    $"The species “{species}” is not in the catalogue: choose one that is, or leave it out."
                )
            );
        }

        if (anchor is { Kind: AnchorKind.Tree, Tree: { } tree } && anchor.HeightM >= tree.HeightM / 2)
        {
            problems.Add(
                new(
                    $"{path}.heightM",
                    units.Say(
                        $"A strap at {anchor.HeightM:m} is too high on an anchor tree of {tree.HeightM:m}: put it low, near the foot."
                    )
                )
            );
        }

        void Choose(string? id, string kind, string member)
        {
            if (id is not null && !(Reference.Anchors.TryGetValue(id, out var figure) && figure.Kind == kind))
            {
                problems.Add(
                    new(
                        $"{path}.{member}",
                        $"“{id}” is not in the table: choose one of {string.Join(", ", Reference.Anchors.Values.Where(a => a.Kind == kind).Select(a => a.Id).Order(StringComparer.Ordinal))}."
                    )
                );
            }
        }
    }

    private static bool NamedBefore(IReadOnlyList<LineMembers> lines, int index)
    {
        for (var i = 0; i < index; i++)
        {
            if (lines[i].Id == lines[index].Id)
            {
                return true;
            }
        }

        return false;
    }

    private static void CheckTackle(TackleMembers tackle, string path, List<Problem> problems)
    {
        var before = problems.Count;
        CheckSystem(tackle, path, problems);
        if (!Reference.Contacts.ContainsKey(tackle.ContactId))
        {
            problems.Add(
                new($"{path}.contactId", $"“{tackle.ContactId}” is not in the table of turns: choose one that is.")
            );
        }

        if (tackle.JoinKnotId is { } join && !(Reference.Knots.TryGetValue(join, out var knot) && knot.Midline))
        {
            problems.Add(
                new(
                    $"{path}.joinKnotId",
                    $"“{join}” cannot take a tackle in the middle of a line: choose a midline loop such as a butterfly."
                )
            );
        }

        if (tackle.ClosedM >= tackle.OpenedM)
        {
            problems.Add(
                new(
                    $"{path}.closedM",
                    "The closed length is not under the opened one, so nothing could be hauled: open the tackle farther."
                )
            );
        }

        if (tackle.Hold is { } hold && hold.Grip is null == hold.Turns is null)
        {
            problems.Add(
                new(
                    $"{path}.hold",
                    "The line is held while the tackle is opened by a second grip or by turns on a drum: give one of the two."
                )
            );
        }

        CheckGrip(tackle.Grip, $"{path}.grip", problems);
        CheckGrip(tackle.Hold?.Grip, $"{path}.hold.grip", problems);
        if (
            problems.Count == before
            && tackle.Capture is { } capture
            && Captured.Of(TackleSystems.Of(tackle).Shape, capture).Problem is { } fault
        )
        {
            problems.Add(fault with { Path = $"{path}.capture.{fault.Path}" });
        }

        CheckConstruction(tackle.Rope?.ConstructionId, $"{path}.rope", problems);
        if (tackle.Rope is { } rope && !Reference.Knots.ContainsKey(rope.EndKnotId))
        {
            problems.Add(
                new($"{path}.rope.endKnotId", $"The knot “{rope.EndKnotId}” is not in the table: choose one that is.")
            );
        }
    }

    private static void CheckSystem(TackleMembers tackle, string path, List<Problem> problems)
    {
        if (tackle.Composed is { } own)
        {
            if (tackle.SystemId != Composer.SystemId)
            {
                problems.Add(
                    new(
                        $"{path}.systemId",
                        $"A composed tackle is given, so the system is “{Composer.SystemId}”, not “{tackle.SystemId}”: change it, or take the composed tackle out."
                    )
                );
            }

            problems.AddRange(Composer.Check(own).Select(p => p with { Path = $"{path}.composed.{p.Path}" }));
        }
        else if (tackle.SystemId == Composer.SystemId)
        {
            problems.Add(
                new(
                    $"{path}.composed",
                    "The tackle is to be composed and nothing is: give its stages, or choose a named system."
                )
            );
        }
        else if (TackleSystems.Find(tackle.SystemId) is null)
        {
            problems.Add(
                new(
                    $"{path}.systemId",
                    $"The tackle “{tackle.SystemId}” is not known: choose one of {string.Join(", ", TackleSystems.All.Select(s => s.Id))}, or {Composer.SystemId}."
                )
            );
        }
    }

    private static void CheckGrip(GripMembers? grip, string path, List<Problem> problems)
    {
        if (grip is null)
        {
            return;
        }

        if (!Reference.Grips.ContainsKey(grip.GripId))
        {
            problems.Add(
                new(
                    $"{path}.gripId",
                    $"The grip “{grip.GripId}” is not in the table: choose one of {string.Join(", ", Reference.Grips.Keys.Order(StringComparer.Ordinal))}."
                )
            );
        }

        if (!Reference.Knots.ContainsKey(grip.EndKnotId))
        {
            problems.Add(
                new($"{path}.endKnotId", $"The knot “{grip.EndKnotId}” is not in the table: choose one that is.")
            );
        }
    }
}
