using Draklo.Core.Catalogue;
using Draklo.Core.Plans;
using Draklo.Core.Tackle;
using Draklo.Core.Units;

namespace Draklo.Core.Analyses;

/// <summary>How the members of a tackle must agree with one another and with the tables.</summary>
internal static class TackleRules
{
    public static void Check(TackleMembers tackle, int line, List<Problem> problems)
    {
        var spot = new Spot(line, "tackle");
        var before = problems.Count;
        CheckSystem(tackle, spot, problems);
        TableRules.CheckContact(tackle.ContactId, spot, problems);
        if (tackle.JoinKnotId is { } join && !(Reference.Knots.TryGetValue(join, out var knot) && knot.Midline))
        {
            problems.Add(
                new(
                    spot.Of("joinKnotId"),
                    $"“{join}” cannot take a tackle in the middle of a line: choose a midline loop such as a butterfly."
                )
            );
        }

        if (tackle.ClosedM >= tackle.OpenedM)
        {
            problems.Add(
                new(
                    spot.Of("closedM"),
                    "The closed length is not under the opened one, so nothing could be hauled: open the tackle farther."
                )
            );
        }

        if (tackle.Hold is { } hold && hold.Grip is null == hold.Turns is null)
        {
            problems.Add(
                new(
                    new Spot(line).Of("tackle.hold"),
                    "While you reset the tackle, a second friction hitch or turns on a drum hold the line: give one of the two."
                )
            );
        }

        CheckGrip(tackle.Grip, new(line, "tackle.grip"), problems);
        CheckGrip(tackle.Hold?.Grip, new(line, "tackle.hold.grip"), problems);
        if (
            problems.Count == before
            && tackle.Capture is { } capture
            && Captured.Of(TackleSystems.Of(tackle).Shape, capture).Problem is { } fault
        )
        {
            problems.Add(fault with { Path = spot.Of($"capture.{fault.Path}") });
        }

        TableRules.CheckConstruction(tackle.Rope?.ConstructionId, new(line, "tackle.rope"), problems);
        TableRules.CheckKnot(tackle.Rope?.EndKnotId, spot, "rope.endKnotId", problems);
    }

    private static void CheckSystem(TackleMembers tackle, Spot spot, List<Problem> problems)
    {
        if (tackle.Composed is { } own)
        {
            if (tackle.SystemId != Composer.SystemId)
            {
                problems.Add(
                    new(
                        spot.Of("systemId"),
                        $"A composed tackle is given, so the system is “{Composer.SystemId}”, not “{tackle.SystemId}”: change it, or take the composed tackle out."
                    )
                );
            }

            problems.AddRange(ComposerRules.Check(own).Select(p => p with { Path = spot.Of($"composed.{p.Path}") }));
        }
        else if (tackle.SystemId == Composer.SystemId)
        {
            problems.Add(
                new(
                    spot.Of("composed"),
                    "The tackle is to be composed and nothing is: give its stages, or choose a named system."
                )
            );
        }
        else if (TackleSystems.Find(tackle.SystemId) is null)
        {
            problems.Add(
                new(
                    spot.Of("systemId"),
                    $"The tackle “{tackle.SystemId}” is not known: choose one of {string.Join(", ", TackleSystems.All.Select(s => s.Id))}, or {Composer.SystemId}."
                )
            );
        }
    }

    private static void CheckGrip(GripMembers? grip, Spot spot, List<Problem> problems)
    {
        if (grip is null)
        {
            return;
        }

        if (!Reference.Grips.ContainsKey(grip.GripId))
        {
            problems.Add(
                new(
                    spot.Of("gripId"),
                    $"The grip “{grip.GripId}” is not in the table: choose one of {TableRules.Listed(Reference.Grips.Keys)}."
                )
            );
        }

        TableRules.CheckKnot(grip.EndKnotId, spot, "endKnotId", problems);
    }
}
