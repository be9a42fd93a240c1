using System.Collections.Concurrent;
using Draklo.Core.Catalogue;
using Draklo.Core.Plans;

namespace Draklo.Core.Tackle;

/// <summary>A named way of reeving a tackle.</summary>
/// <param name="Id">Stable name, as the plan document uses it.</param>
/// <param name="Note">What people should know before they choose it.</param>
/// <param name="InLine">Whether it is always rove in the pull line's own tail.</param>
/// <param name="UsesAnchor">Whether it hangs on the anchor; a line hauled directly does not.</param>
/// <param name="PeopleSay">What it is often taken for, where the count is another.</param>
/// <param name="Rove">The arrangement, given what passes at its turns.</param>
public sealed record TackleSystem(
    string Id,
    string Name,
    string Note,
    bool InLine,
    bool UsesAnchor,
    Func<Turns, Arrangement> Rove,
    string? PeopleSay = null
)
{
    /// <summary>An efficiency that no contact has, to find the turns it comes to.</summary>
    private const double LoopMark = 0.123456789;

    private readonly ConcurrentDictionary<Turns, TackleSolution> solved = new();
    private Opening? lastOpening;

    /// <summary>How its points move; the same for all turns.</summary>
    public TackleMotion Motion { get; } = TackleMotion.Of(Rove(new(1, 1)))!;

    /// <summary>Its points and ropes; what passes at its turns does not matter.</summary>
    public Arrangement Shape { get; } = Rove(new(1, 1));

    /// <summary>Whether it is hauled back from the anchor, so that the loaded line turns there.</summary>
    public bool HauledBack { get; } = IsHauledBack(Rove(new(1, 1)).Points);

    /// <summary>Whether the rope runs through a loop in itself.</summary>
    public bool HasRopeLoop { get; } =
        Rove(new(1, LoopMark)).Ropes.Any(r => r.Contacts.Any(c => c.Efficiency == LoopMark));

    /// <summary>Turns with a kind of their own beside the line's choice, by rope and contact.</summary>
    public IReadOnlyDictionary<(int Rope, int Contact), ContactKind> OwnKinds { get; init; } =
        LoopsOf(Rove(new(1, LoopMark)));

    /// <summary>The points where a rope turns at a block or connector; a rope's own loop is no hardware.</summary>
    public IReadOnlyList<string> HardwarePoints { get; init; } =
    [
        .. Rove(new(1, 0.5))
            .Ropes.SelectMany(r => r.Contacts)
            .Where(c => c.Efficiency == 1)
            .Select(c => c.Point)
            .Distinct(StringComparer.Ordinal),
    ];

    private static Dictionary<(int Rope, int Contact), ContactKind> LoopsOf(Arrangement marked) =>
        marked
            .Ropes.SelectMany((rope, r) => rope.Contacts.Select((contact, c) => (r, c, contact.Efficiency)))
            .Where(x => x.Efficiency == LoopMark)
            .ToDictionary(x => (x.r, x.c), _ => Turns.Loop);

    private static bool IsHauledBack(IReadOnlyList<TacklePoint> points) =>
        points.Count(p => p.Kind == PointKind.Fixed) > 1
        || points.Single(p => p.Kind == PointKind.Hand).Position
            > points.Single(p => p.Kind == PointKind.Load).Position;

    /// <summary>
    /// Its lengths when it starts so far open; the last ones asked for are remembered, for a plan asks again at every
    /// step of a drag.
    /// </summary>
    public Opening Opened(double opened, double closed)
    {
        var last = lastOpening;
        if (last is null || last.OpenedM != opened || last.ClosedM != closed)
        {
            lastOpening = last = Opening.Of(this, opened, closed);
        }

        return last;
    }

    /// <summary>The system with turns of these efficiencies.</summary>
    /// <exception cref="ArgumentException">An efficiency is outside its range.</exception>
    public TackleSolution Solve(Turns turns)
    {
        if (!solved.TryGetValue(turns, out var solution))
        {
            var (found, problems) = TackleSolver.Solve(Rove(turns));
            solution = found ?? throw new ArgumentException(problems[0].Message, nameof(turns));
            solved.TryAdd(turns, solution);
        }

        return solution;
    }
}

/// <summary>The share of tension that passes at the turns of a system, over 0 to 1.</summary>
/// <param name="Contact">At a block, ring or carabiner.</param>
/// <param name="RopeLoop">Where rope runs through a loop of rope.</param>
/// <param name="Along">Where in their spread turns of another kind lie: −1 low, 0 usual, 1 high.</param>
public readonly record struct Turns(double Contact, double RopeLoop, double Along = 0)
{
    internal static readonly ContactKind Loop = Reference.Contacts["rope-on-rope"];

    public static Turns Usual(ContactKind contact) => Of(contact, 0);

    public static Turns Best(ContactKind contact) => Of(contact, 1);

    /// <summary>All turns at one place of their spread.</summary>
    /// <param name="along">−1 low, 0 usual, 1 high.</param>
    public static Turns Of(ContactKind contact, double along) => new(At(contact, along), At(Loop, along), along);

    /// <summary>What passes at a turn of a kind of its own.</summary>
    public double At(ContactKind kind) => At(kind, Along);

    private static double At(ContactKind kind, double along) =>
        kind.Nominal + (along * (along >= 0 ? kind.High - kind.Nominal : kind.Nominal - kind.Low));
}

/// <summary>The systems that crews know by name.</summary>
/// <remarks>
/// Along the axis the anchor stands at 0, the load at 10, and whoever hauls at −10 or, hauling back toward the tree, at
/// 20.
/// </remarks>
public static class TackleSystems
{
    public static IReadOnlyList<TackleSystem> All { get; } =
    [
        new(
            "direct",
            "Direct",
            "Hands on the line itself; no anchor, no friction.",
            InLine: true,
            UsesAnchor: false,
            _ => Make(-10, [], Hauled("load"))
        ),
        new(
            "redirected",
            "Redirected",
            "One turn at the anchor, so the crew can haul out of the lay; it gains nothing and the anchor takes nearly twice the line.",
            InLine: true,
            UsesAnchor: true,
            t => Make(20, [], Hauled(t.Contact, "anchor", "load")),
            "A turn at the anchor gains nothing, though it feels like more."
        ),
        new(
            "two-to-one",
            "Two to one",
            "A moving block on the line.",
            InLine: false,
            UsesAnchor: true,
            t => Make(-10, [], Hauled(t.Contact, "load", "anchor"))
        ),
        new(
            "two-to-one-redirected",
            "Two to one, redirected",
            "A moving block on the line, hauled back through a block at the anchor.",
            InLine: false,
            UsesAnchor: true,
            t => Make(20, [], Hauled(t.Contact, "anchor", "load", "anchor"))
        ),
        new(
            "three-to-one",
            "Three to one, blocks",
            "One block on the line, one at the anchor.",
            InLine: false,
            UsesAnchor: true,
            t => Make(-10, [], Hauled(t.Contact, "load", "anchor", "load"))
        ),
        new(
            "three-to-one-rope-loop",
            "Three to one, rope loop",
            "The line tied in itself: nothing to carry, and it gives about one and a half. Its friction holds what it has won. It wears the rope.",
            InLine: true,
            UsesAnchor: true,
            t =>
                Make(
                    -10,
                    [],
                    new TackleRope
                    {
                        From = "hand",
                        Contacts = [Turn("load", t.RopeLoop), Turn("anchor", t.Contact), End("load")],
                    }
                ),
            "People say three; rope on rope leaves about one and a half."
        ),
        new(
            "four-to-one",
            "Four to one",
            "Two turns on the line, one at the anchor. Often called five, counting the hauled leg twice.",
            InLine: false,
            UsesAnchor: true,
            t => Make(-10, [], Hauled(t.Contact, "load", "anchor", "load", "anchor")),
            "People say five, counting the hauled leg twice; it is four."
        ),
        new(
            "five-to-one",
            "Five to one",
            "Twin blocks on the line and at the anchor.",
            InLine: false,
            UsesAnchor: true,
            t => Make(-10, [], Hauled(t.Contact, "load", "anchor", "load", "anchor", "load"))
        ),
        new(
            "nine-to-one",
            "Nine to one, three on three",
            "A three hauling a three: much advantage from four blocks, and many resets.",
            InLine: false,
            UsesAnchor: true,
            t =>
                Make(
                    -10,
                    ["traveller"],
                    Hauled(t.Contact, "traveller", "anchor", "traveller"),
                    From("traveller", t.Contact, "load", "anchor", "load")
                )
        ),
        new(
            "ten-to-one",
            "Ten to one, five on two",
            "A five hauling a moving block.",
            InLine: false,
            UsesAnchor: true,
            t =>
                Make(
                    -10,
                    ["traveller"],
                    Hauled(t.Contact, "traveller", "anchor", "traveller", "anchor", "traveller"),
                    From("traveller", t.Contact, "load", "anchor")
                )
        ),
        new(
            "five-between-grips",
            "Five between two grips",
            "A five draws two grips together on the line's own two legs. People say ten; it is nine before friction.",
            InLine: false,
            UsesAnchor: true,
            t =>
                Make(
                    -10,
                    ["grip"],
                    Hauled(t.Contact, "load", "grip", "load", "grip", "load"),
                    From("grip", t.Contact, "anchor", "load")
                ),
            "People say ten; it is nine, for the hauler stands on the ground."
        ),
    ];

    /// <summary>The tackle of a line: a named system, or the one that was composed.</summary>
    public static TackleSystem Of(TackleMembers tackle) =>
        tackle.Composed is { } own ? Composer.SystemOf(own) : Find(tackle.SystemId)!;

    public static TackleSystem? Find(string id)
    {
        foreach (var system in All)
        {
            if (system.Id == id)
            {
                return system;
            }
        }

        return null;
    }

    private static Arrangement Make(double hand, string[] moving, params TackleRope[] ropes)
    {
        var points = new List<TacklePoint>
        {
            new()
            {
                Id = "anchor",
                Position = 0,
                Kind = PointKind.Fixed,
            },
            new()
            {
                Id = "load",
                Position = 10,
                Kind = PointKind.Load,
            },
            new()
            {
                Id = "hand",
                Position = hand,
                Kind = PointKind.Hand,
            },
        };
        points.AddRange(
            moving.Select(m => new TacklePoint
            {
                Id = m,
                Position = 5,
                Kind = PointKind.Moving,
            })
        );
        return new() { Points = points, Ropes = ropes };
    }

    private static TackleRope Hauled(string end) => new() { From = "hand", Contacts = [End(end)] };

    private static TackleRope Hauled(double efficiency, params string[] points) => From("hand", efficiency, points);

    private static TackleRope From(string from, double efficiency, params string[] points) =>
        new()
        {
            From = from,
            Contacts = [.. points.Select((p, i) => i == points.Length - 1 ? End(p) : Turn(p, efficiency))],
        };

    private static TackleContact Turn(string point, double efficiency) =>
        new() { Point = point, Efficiency = efficiency };

    private static TackleContact End(string point) => new() { Point = point };
}
