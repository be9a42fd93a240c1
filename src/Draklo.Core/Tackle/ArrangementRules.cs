using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Tackle;

/// <summary>What an arrangement must satisfy before it is solved.</summary>
public static class ArrangementRules
{
    public const int MostPoints = ComposedMembers.MostPoints;
    public const int MostRopes = ComposedMembers.MostRopes;
    public const int MostContacts = ComposedMembers.MostContacts;
    private const double MostOffAxis = 80;

    public static List<Problem> Check(Arrangement arrangement)
    {
        var problems = new List<Problem>();
        if (arrangement.Points.Count > MostPoints)
        {
            problems.Add(
                new(
                    "points",
                    $"A tackle of {arrangement.Points.Count} points is more than {MostPoints}: nobody could reeve it; leave some out."
                )
            );
        }

        if (arrangement.Ropes.Count > MostRopes)
        {
            problems.Add(
                new(
                    "ropes",
                    $"A tackle of {arrangement.Ropes.Count} ropes is more than {MostRopes}: nobody could haul it; leave some out."
                )
            );
        }

        if (problems.Count > 0)
        {
            return problems;
        }

        var points = new Dictionary<string, TacklePoint>(StringComparer.Ordinal);
        for (var p = 0; p < arrangement.Points.Count; p++)
        {
            if (!points.TryAdd(arrangement.Points[p].Id, arrangement.Points[p]))
            {
                problems.Add(
                    new(
                        $"points[{p}].id",
                        $"Two points are called “{arrangement.Points[p].Id}”: give each its own name."
                    )
                );
            }
        }

        CountKind(PointKind.Load, "load", "where the tackle takes the line");
        CountKind(PointKind.Hand, "hand", "where it is hauled");
        for (var r = 0; r < arrangement.Ropes.Count; r++)
        {
            CheckRope(arrangement.Ropes[r], $"ropes[{r}]", points, problems);
        }

        var hauled = arrangement.Ropes.Count(r => points.TryGetValue(r.From, out var p) && p.Kind == PointKind.Hand);
        if (problems.Count == 0 && hauled != 1)
        {
            problems.Add(
                new(
                    "ropes",
                    hauled == 0
                        ? "No rope starts at the hand: say which one is hauled."
                        : "More than one rope starts at the hand: haul one only."
                )
            );
        }

        return problems;

        void CountKind(PointKind kind, string name, string what)
        {
            var count = arrangement.Points.Count(p => p.Kind == kind);
            if (count != 1)
            {
                problems.Add(
                    new(
                        "points",
                        count == 0
                            ? $"There is no {name} point: add one {what}."
                            : $"There are {count} {name} points: keep one."
                    )
                );
            }
        }
    }

    private static void CheckRope(
        TackleRope rope,
        string path,
        Dictionary<string, TacklePoint> points,
        List<Problem> problems
    )
    {
        if (!points.TryGetValue(rope.From, out var here))
        {
            problems.Add(
                new(
                    $"{path}.from",
                    $"The rope starts at “{rope.From}”, which is not a point: add it or correct its name."
                )
            );
        }

        if (rope.Contacts.Count is 0 or > MostContacts)
        {
            problems.Add(
                new(
                    $"{path}.contacts",
                    rope.Contacts.Count == 0
                        ? "This rope runs to nothing: add the point where it is made fast."
                        : $"This rope turns more than {MostContacts} times: leave some out."
                )
            );
        }

        for (var c = 0; c < rope.Contacts.Count; c++)
        {
            var contact = rope.Contacts[c];
            var contactPath = $"{path}.contacts[{c}]";
            var last = c == rope.Contacts.Count - 1;
            if (!points.TryGetValue(contact.Point, out var next))
            {
                problems.Add(
                    new(
                        $"{contactPath}.point",
                        $"The rope runs to “{contact.Point}”, which is not a point: add it or correct its name."
                    )
                );
            }
            else if (here is not null && here.Position == next.Position)
            {
                problems.Add(
                    new(
                        $"{contactPath}.point",
                        $"“{here.Id}” and “{next.Id}” stand at the same place, so the leg between them pulls neither way: move one along the axis."
                    )
                );
            }

            if (next is { Kind: PointKind.Hand })
            {
                problems.Add(new($"{contactPath}.point", "A rope cannot run back to the hand: end it on a point."));
            }

            if (last && contact.Efficiency is not null)
            {
                problems.Add(
                    new(
                        $"{contactPath}.efficiency",
                        "This rope has no end: leave the efficiency out at the point where it is made fast."
                    )
                );
            }
            else if (!last && contact.Efficiency is null)
            {
                problems.Add(
                    new(
                        $"{contactPath}.efficiency",
                        "The rope turns here and goes on: give the share of tension that passes, such as 0.9."
                    )
                );
            }
            else if (contact.Efficiency is { } share && !(share > 0 && share <= 1))
            {
                problems.Add(
                    new(
                        $"{contactPath}.efficiency",
                        $"The share of tension that passes a turn is over 0 and at most 1, not {share}: no turn gives tension away for nothing and none takes all of it."
                    )
                );
            }

            if (!(contact.OffAxisDeg >= 0 && contact.OffAxisDeg <= MostOffAxis))
            {
                problems.Add(
                    new(
                        $"{contactPath}.offAxisDeg",
                        $"A leg lies 0 to {MostOffAxis} degrees off the haul axis, not {contact.OffAxisDeg}: farther off it hauls next to nothing."
                    )
                );
            }

            here = next;
        }

        if (rope.Contacts.Count > 0 && rope.Contacts[^1].Point == rope.From)
        {
            problems.Add(
                new(
                    $"{path}.contacts[{rope.Contacts.Count - 1}].point",
                    $"This rope starts at “{rope.From}” and is made fast there again: a loop hauls nothing. Make its end fast on another point."
                )
            );
        }
    }
}
