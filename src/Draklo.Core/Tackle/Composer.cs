using System.Runtime.CompilerServices;
using Draklo.Core.Catalogue;
using Draklo.Core.Plans;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Core.Tackle;

/// <summary>A kind of stage that a tackle can be put together from.</summary>
/// <param name="Turns">How many turns it has, each with a contact kind of its own.</param>
public sealed record StageChoice(StageKind Kind, string Name, string Note, int Turns);

/// <summary>A composed tackle, resolved.</summary>
/// <param name="RopeByRope">The same by points and ropes, to be changed freely.</param>
/// <param name="Solution">With the usual efficiencies, for a hand force of 1.</param>
/// <param name="Turns">Where its ropes turn.</param>
public sealed record ComposedTackle(
    string Name,
    string? PeopleSay,
    ComposedMembers RopeByRope,
    TackleSolution Solution,
    IReadOnlyList<TackleTurn> Turns
)
{
    /// <param name="contact">At turns that have no kind of their own.</param>
    public static (ComposedTackle? Tackle, List<Problem> Problems) Of(ComposedMembers own, ContactKind contact)
    {
        var problems = new List<Problem>();
        MemberRanges.Check(own, UnitSystem.Metric, problems);
        problems = problems.Count > 0 ? problems : Composer.Check(own);
        return problems.Count > 0
            ? (null, problems)
            : (
                new(
                    Composer.NameOf(own),
                    Composer.SystemOf(own).PeopleSay,
                    Composer.RopeByRope(own),
                    Composer.SystemOf(own).Solve(Tackle.Turns.Usual(contact)),
                    TackleTurn.Of(Composer.SystemOf(own).Shape)
                ),
                problems
            );
    }
}

/// <summary>Tackles of the crew's own: from stages that haul one another, or from points and ropes.</summary>
/// <remarks>
/// Method M7. A stage hauls the head of the next one's rope toward the anchor; that head is a traveller, a moving
/// point. A
/// redirect first is one more turn on the hauled rope; a redirect last turns the line at the anchor and hauls it back
/// from
/// a second one. Between two grips the line turns at the anchor, and the stage before draws its two legs together.
/// </remarks>
public static class Composer
{
    public const string SystemId = "composed";
    private const string Anchor = "anchor";
    private const string Load = "load";
    private const string Hand = "hand";
    private const string Grip = "grip";
    private const string SecondAnchor = "second-anchor";
    private const string LoopContact = "rope-on-rope";

    private static readonly ConditionalWeakTable<ComposedMembers, TackleSystem> Made = [];

    public static IReadOnlyList<StageChoice> Choices { get; } =
    [
        new(
            StageKind.Redirect,
            "Redirect",
            "One turn at the anchor; first at the hands, or last on the line itself. It gains nothing.",
            1
        ),
        new(StageKind.Two, "Two", "A moving block.", 1),
        new(StageKind.Three, "Three", "A moving block and one at the anchor.", 2),
        new(StageKind.Four, "Four", "Two turns on the moving block, one at the anchor.", 3),
        new(StageKind.Five, "Five", "Twin blocks.", 4),
        new(StageKind.RopeLoop, "Three through a rope loop", "Nothing to carry; rope on rope costs most of it.", 2),
        new(
            StageKind.BetweenGrips,
            "Between two grips",
            "Last: the line turns at the anchor, and the stage before draws its two legs together.",
            1
        ),
        new(StageKind.Direct, "Direct", "Hands on the line itself.", 0),
    ];

    /// <summary>
    /// What is wrong with a composed tackle, by the path of its members; nothing when it can be hauled.
    /// </summary>
    public static List<Problem> Check(ComposedMembers own)
    {
        var problems = new List<Problem>();
        if (Made.TryGetValue(own, out _))
        {
            return problems;
        }

        if (own.Stages.Count > 0 == (own.Points.Count > 0 || own.Ropes.Count > 0))
        {
            problems.Add(
                new(
                    "stages",
                    own.Stages.Count > 0
                        ? "This tackle is put together by stages and rope by rope at once: keep one of the two."
                        : "This tackle has no stage yet: add one, such as a three."
                )
            );
            return problems;
        }

        CheckStages(own.Stages, problems);
        if (own.Stages.Count > 1 && own.Stages.All(s => s.Kind == StageKind.Redirect))
        {
            problems.Add(
                new(
                    "stages",
                    "Nothing hauls here but redirects, and they gain nothing: keep one, or add a two, three, four or five."
                )
            );
        }

        CheckContacts(own.Ropes, problems);
        if (problems.Count > 0)
        {
            return problems;
        }

        var shape = Rove(own, new(1, 1));
        var (solved, faults) = TackleSolver.Solve(shape);
        if (own.Stages.Count > 0)
        {
            // The points and ropes are not the crew's; the fault is with the stages.
            problems.AddRange(faults.Take(1).Select(f => new Problem("stages", f.Message)));
            return problems;
        }

        problems.AddRange(
            faults.Select(f => f with { Path = f.Path.Replace(".efficiency", ".contactId", StringComparison.Ordinal) })
        );
        if (
            solved is not null
            && !shape.Points.Any(p => p is { Kind: PointKind.Fixed, Id: Anchor })
            && shape.Points.Any(p => p.Kind == PointKind.Fixed)
        )
        {
            problems.Add(
                new(
                    "points",
                    $"No fixed point is called “{Anchor}”: give that name to the one that hangs on the plan's anchor."
                )
            );
        }

        if (solved is not null && TackleMotion.Of(shape) is null)
        {
            problems.Add(
                new(
                    "ropes",
                    "Hauling leaves a point free to run by itself: give each moving point one rope that starts there."
                )
            );
        }

        return problems;
    }

    /// <summary>The system of a composed tackle that has no problem.</summary>
    public static TackleSystem SystemOf(ComposedMembers own) => Made.GetValue(own, static o => Make(o));

    /// <summary>The same tackle rope by rope, for whoever wants to change it freely.</summary>
    public static ComposedMembers RopeByRope(ComposedMembers own) =>
        own.Stages.Count == 0 ? own : Staged(own.Stages) with { Name = NameOf(own) };

    public static string NameOf(ComposedMembers own)
    {
        if (!string.IsNullOrWhiteSpace(own.Name))
        {
            return own.Name;
        }

        if (own.Stages.Count == 0)
        {
            return "Tackle of your own";
        }

        var words = own
            .Stages.Select(s =>
                s.Kind switch
                {
                    StageKind.RopeLoop => "rope-loop three",
                    StageKind.BetweenGrips => "between two grips",
                    StageKind.Direct => "direct",
                    _ => s.Kind.ToString().ToLowerInvariant(),
                }
            )
            .ToList();
        var name = string.Join(" hauling a ", words)
            .Replace(" hauling a between", " between", StringComparison.Ordinal)
            .Replace("redirect hauling a", "redirected", StringComparison.Ordinal)
            .Replace(" hauling a redirect", ", redirected at the line", StringComparison.Ordinal);
        return char.ToUpperInvariant(name[0]) + name[1..];
    }

    private static TackleSystem Make(ComposedMembers own)
    {
        var shape = Rove(own, new(1, 1));
        var ideal = TackleSolver.Solve(shape).Solution!.IdealAdvantage;
        var reeved = RopeByRope(own);
        var turns = reeved
            .Ropes.SelectMany(r => r.Contacts.SkipLast(1))
            .Where(c => c.ContactId is null || Reference.Contacts[c.ContactId].IsHardware)
            .Select(c => c.Point)
            .Distinct(StringComparer.Ordinal);
        var between = own.Stages.Count > 1 && own.Stages[^1].Kind == StageKind.BetweenGrips;
        var said = between ? 2 * own.Stages.SkipLast(1).Aggregate(1, (n, s) => n * Nominal(s.Kind)) : 0;
        return new(
            SystemId,
            NameOf(own),
            "Put together by this crew.",
            InLine: shape.Ropes.Count == 1
                && shape.Ropes[0].Contacts.Count < 3
                && shape.Ropes[0].Contacts[^1].Point == Load
                && shape.Ropes[0].Contacts.All(c => c.Point != Load || c.Efficiency is null),
            UsesAnchor: shape.Points.Any(p => p.Id == Anchor),
            t => Rove(own, t),
            between && Math.Abs(said - ideal) > 1e-9
                ? $"People say {said}, for both legs come in; it is {Math.Round(ideal, 2)}, for the hauler stands on the ground."
                : null
        )
        {
            HardwarePoints = [.. turns],
            OwnKinds = reeved
                .Ropes.SelectMany((rope, r) => rope.Contacts.Select((contact, c) => (r, c, contact.ContactId)))
                .Where(x => x.ContactId is not null)
                .ToDictionary(x => (x.r, x.c), x => Reference.Contacts[x.ContactId!]),
        };
    }

    private static int Nominal(StageKind kind) =>
        kind switch
        {
            StageKind.Two => 2,
            StageKind.Three or StageKind.RopeLoop => 3,
            StageKind.Four => 4,
            StageKind.Five => 5,
            _ => 1,
        };

    private static void CheckStages(IReadOnlyList<StageMembers> stages, List<Problem> problems)
    {
        for (var i = 0; i < stages.Count; i++)
        {
            var stage = stages[i];
            var path = $"stages[{i}]";
            var turns = TurnsOf(stage.Kind);
            if (stage.ContactIds.Count > turns)
            {
                problems.Add(
                    new(
                        $"{path}.contactIds",
                        $"This stage has {(turns == 0 ? "no turn" : turns == 1 ? "one turn" : $"{turns} turns")}, and {stage.ContactIds.Count} are given: leave the rest out."
                    )
                );
            }

            for (var c = 0; c < stage.ContactIds.Count; c++)
            {
                CheckContact(stage.ContactIds[c], $"{path}.contactIds[{c}]", problems);
            }

            if (
                stage.Kind == StageKind.BetweenGrips
                && (
                    i < stages.Count - 1
                    || i == 0
                    || stages.Take(i).All(s => TurnsOf(s.Kind) == 0 || s.Kind == StageKind.Redirect)
                )
            )
            {
                problems.Add(
                    new(
                        $"{path}.kind",
                        i < stages.Count - 1
                            ? "Between two grips comes last, for it is the line itself that turns at the anchor: move it to the end."
                            : "Nothing draws the two grips together: put a two, three, four or five before it."
                    )
                );
            }
            else if (stage.Kind == StageKind.Redirect && i > 0 && i < stages.Count - 1)
            {
                problems.Add(
                    new(
                        $"{path}.kind",
                        "A redirect between two stages pulls its traveller toward the anchor as the stage before does, so nothing holds it in balance: put it first, at the hands, or last, on the line."
                    )
                );
            }
            else if (stage.Kind == StageKind.Direct && stages.Count > 1)
            {
                problems.Add(
                    new($"{path}.kind", "A direct pull is no stage: it adds a rope and gains nothing. Leave it out.")
                );
            }
        }
    }

    private static int TurnsOf(StageKind kind)
    {
        foreach (var choice in Choices)
        {
            if (choice.Kind == kind)
            {
                return choice.Turns;
            }
        }

        return 0;
    }

    private static void CheckContacts(IReadOnlyList<ComposedRopeMembers> ropes, List<Problem> problems)
    {
        for (var r = 0; r < ropes.Count; r++)
        {
            for (var c = 0; c < ropes[r].Contacts.Count; c++)
            {
                CheckContact(ropes[r].Contacts[c].ContactId, $"ropes[{r}].contacts[{c}].contactId", problems);
            }
        }
    }

    private static void CheckContact(string? id, string path, List<Problem> problems)
    {
        if (id is not null && !Reference.Contacts.ContainsKey(id))
        {
            problems.Add(new(path, $"“{id}” is not in the table of turns: choose one that is."));
        }
    }

    private static Arrangement Rove(ComposedMembers own, Turns turns)
    {
        var reeved = RopeByRope(own);
        var anchor = reeved.Points.FirstOrDefault(p => p.Kind == PointKind.Fixed)?.Position ?? double.NegativeInfinity;

        // Anchor below, load above, whichever way round the crew wrote them.
        var turned = reeved.Points.FirstOrDefault(p => p.Kind == PointKind.Load)?.Position < anchor ? -1 : 1;
        return new()
        {
            Points =
            [
                .. reeved.Points.Select(p => new TacklePoint
                {
                    Id = p.Id,
                    Position = turned * p.Position,
                    Kind = p.Kind,
                }),
            ],
            Ropes =
            [
                .. reeved.Ropes.Select(r => new TackleRope
                {
                    From = r.From,
                    Contacts =
                    [
                        .. r.Contacts.Select(
                            (c, i) =>
                                new TackleContact
                                {
                                    Point = c.Point,
                                    Efficiency =
                                        i < r.Contacts.Count - 1 || c.ContactId is not null
                                            ? Share(c.ContactId, turns)
                                            : null,
                                    OffAxisDeg = c.OffAxisDeg,
                                }
                        ),
                    ],
                }),
            ],
        };
    }

    private static double Share(string? contactId, Turns turns) =>
        contactId switch
        {
            null => turns.Contact,
            LoopContact => turns.RopeLoop,
            _ => turns.At(Reference.Contacts[contactId]),
        };

    private static ComposedMembers Staged(IReadOnlyList<StageMembers> stages)
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
                            : stage.Kind == StageKind.RopeLoop && i == 0 ? LoopContact
                            : null,
                        OffAxisDeg = stage.LegsApartDeg / 2,
                    }
            ),
        ];
    }
}
