using Draklo.Core.Plans;

namespace Draklo.Core.Tackle;

/// <summary>Stages that haul one another, as points and ropes.</summary>
/// <remarks>
/// Method M7. A stage hauls the head of the next one's rope toward the anchor; that head is a traveller, a moving point.
/// A redirect first is one more turn on the hauled rope; a redirect last turns the line at the anchor and hauls it back
/// from a second one. Between two grips the line turns at the anchor, and the stage before draws its two legs together.
/// </remarks>
internal static class StagedTackle
{
    private const string Anchor = "anchor";
    private const string Load = "load";
    private const string Hand = "hand";
    private const string Grip = "grip";
    private const string SecondAnchor = "second-anchor";

    public static ComposedMembers RopeByRope(IReadOnlyList<StageMembers> stages)
    {
        var last = stages[^1];
        var turnsLine = stages.Count > 1 && last.Kind == StageKind.Redirect;
        var between = last.Kind == StageKind.BetweenGrips;
        var redirectFirst = stages.Count > 1 && stages[0].Kind == StageKind.Redirect;
        var hauling = stages.Skip(redirectFirst ? 1 : 0).SkipLast(turnsLine || between ? 1 : 0).ToList();

        // A line turned at the anchor is hauled back: everything before it hangs on a second anchor beyond the load.
        var ground = turnsLine ? SecondAnchor : Anchor;
        var away = turnsLine ? 1 : -1;
        var points = new List<ComposedPointMembers>
        {
            new()
            {
                Id = Anchor,
                Position = 0,
                Kind = PointKind.Fixed,
            },
            new()
            {
                Id = Load,
                Position = 10,
                Kind = PointKind.Load,
            },
        };
        if (turnsLine)
        {
            points.Add(
                new()
                {
                    Id = SecondAnchor,
                    Position = 20,
                    Kind = PointKind.Fixed,
                }
            );
        }

        var alone = hauling.Count == 0 || (stages.Count == 1 && last.Kind == StageKind.Redirect);
        var fromAnchor = turnsLine ? 20 : 0;
        points.Add(
            new()
            {
                Id = Hand,
                Position =
                    redirectFirst || (alone && last.Kind == StageKind.Redirect)
                        ? fromAnchor - (away * 30)
                        : fromAnchor + (away * 10),
                Kind = PointKind.Hand,
            }
        );
        var ropes = new List<ComposedRopeMembers>();
        var from = Hand;
        for (var i = 0; i < hauling.Count; i++)
        {
            var stage = hauling[i];
            var closes = i == hauling.Count - 1;
            var target =
                !closes ? $"traveller-{i + 1}"
                : turnsLine ? "traveller-line"
                : Load;
            var baseOf = closes && between ? Grip : ground;
            if (target != Load)
            {
                points.Add(
                    new()
                    {
                        Id = target,
                        Position = turnsLine ? 15 - (0.5 * i) : 5 + (0.5 * i),
                        Kind = PointKind.Moving,
                    }
                );
            }

            if (baseOf == Grip)
            {
                points.Add(
                    new()
                    {
                        Id = Grip,
                        Position = 5,
                        Kind = PointKind.Moving,
                    }
                );
            }

            var contacts = Legs(stage, target, baseOf, stages.Count == 1);
            if (i == 0 && redirectFirst)
            {
                contacts.Insert(
                    0,
                    new()
                    {
                        Point = ground,
                        ContactId = stages[0].ContactIds.Count > 0 ? stages[0].ContactIds[0] : null,
                        OffAxisDeg = stages[0].LegsApartDeg / 2,
                    }
                );
            }

            ropes.Add(new() { From = from, Contacts = contacts });
            from = target;
        }

        if (turnsLine || between)
        {
            ropes.Add(
                new()
                {
                    From =
                        between ? Grip
                        : hauling.Count == 0 ? Hand
                        : from,
                    Contacts =
                    [
                        new()
                        {
                            Point = Anchor,
                            ContactId = last.ContactIds.Count > 0 ? last.ContactIds[0] : null,
                            OffAxisDeg = last.LegsApartDeg / 2,
                        },
                        new() { Point = Load, OffAxisDeg = last.LegsApartDeg / 2 },
                    ],
                }
            );
        }

        return new() { Points = Used(points, ropes), Ropes = ropes };
    }

    private static List<ComposedPointMembers> Used(
        List<ComposedPointMembers> points,
        List<ComposedRopeMembers> ropes
    ) =>
        [
            .. points.Where(p =>
                p.Kind is PointKind.Load or PointKind.Hand
                || ropes.Any(r => r.From == p.Id || r.Contacts.Any(c => c.Point == p.Id))
            ),
        ];

    /// <summary>The legs of one stage, from its hauling end to where it is made fast.</summary>
    private static List<ComposedContactMembers> Legs(StageMembers stage, string target, string ground, bool alone)
    {
        string[] to = stage.Kind switch
        {
            StageKind.Two => [target, ground],
            StageKind.Three or StageKind.RopeLoop => [target, ground, target],
            StageKind.Four => [target, ground, target, ground],
            StageKind.Five => [target, ground, target, ground, target],
            StageKind.Redirect when alone => [ground, target],
            _ => [target],
        };
        return
        [
            .. to.Select(
                (point, i) =>
                    new ComposedContactMembers
                    {
                        Point = point,
                        ContactId =
                            i == to.Length - 1 ? null
                            : i < stage.ContactIds.Count ? stage.ContactIds[i]
                            : stage.Kind == StageKind.RopeLoop && i == 0 ? Composer.LoopContact
                            : null,
                        OffAxisDeg = stage.LegsApartDeg / 2,
                    }
            ),
        ];
    }
}
