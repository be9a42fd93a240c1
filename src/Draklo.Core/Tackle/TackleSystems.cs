using System.Collections.Concurrent;
using Draklo.Core.Catalogue;

namespace Draklo.Core.Tackle;

/// <summary>A named way of reeving a tackle.</summary>
/// <param name="Id">Stable name, as the plan document uses it.</param>
/// <param name="Note">What people should know before they choose it.</param>
/// <param name="InLine">Whether it is always rove in the pull line's own tail.</param>
/// <param name="UsesAnchor">Whether it hangs on the anchor; a line hauled directly does not.</param>
/// <param name="Rove">The arrangement, given what passes at its turns.</param>
public sealed record TackleSystem(string Id, string Name, string Note, bool InLine, bool UsesAnchor, Func<Turns, Arrangement> Rove)
{
    private readonly ConcurrentDictionary<Turns, TackleSolution> solved = new();

    /// <summary>How its points move; the same for all turns.</summary>
    public TackleMotion Motion { get; } = TackleMotion.Of(Rove(new(1, 1)))!;

    /// <summary>Its points and ropes, with smooth turns.</summary>
    public Arrangement Shape { get; } = Rove(new(1, 1));

    /// <summary>Whether it is hauled back from the anchor, so that the loaded line turns there.</summary>
    public bool HauledBack { get; } = Rove(new(1, 1)).Points.Single(p => p.Kind == PointKind.Hand).Position > 10;

    /// <summary>The points where a rope turns at a block or connector; a rope's own loop is no hardware.</summary>
    public IReadOnlyList<string> HardwarePoints { get; } =
        [.. Rove(new(1, 0.5)).Ropes.SelectMany(r => r.Contacts).Where(c => c.Efficiency == 1).Select(c => c.Point).Distinct(StringComparer.Ordinal)];

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
public readonly record struct Turns(double Contact, double RopeLoop)
{
    private static readonly ContactKind Loop = Reference.Contacts["rope-on-rope"];

    public static Turns Usual(ContactKind contact) => new(contact.Nominal, Loop.Nominal);

    public static Turns Best(ContactKind contact) => new(contact.High, Loop.High);
}

/// <summary>The systems that crews know by name.</summary>
/// <remarks>Along the axis the anchor stands at 0, the load at 10, and whoever hauls at −10 or, hauling back toward the tree, at 20.</remarks>
public static class TackleSystems
{
    public static IReadOnlyList<TackleSystem> All { get; } =
    [
        new("direct", "Direct", "Hands on the line itself; no anchor, no friction.", InLine: true, UsesAnchor: false,
            _ => Make(-10, [], Hauled("load"))),
        new("redirected", "Redirected", "One turn at the anchor, so the crew can haul out of the lay; it gains nothing and the anchor takes nearly twice the line.", InLine: true, UsesAnchor: true,
            t => Make(20, [], Hauled(t.Contact, "anchor", "load"))),
        new("two-to-one", "Two to one", "A moving block on the line.", InLine: false, UsesAnchor: true,
            t => Make(-10, [], Hauled(t.Contact, "load", "anchor"))),
        new("two-to-one-redirected", "Two to one, redirected", "A moving block on the line, hauled back through a block at the anchor.", InLine: false, UsesAnchor: true,
            t => Make(20, [], Hauled(t.Contact, "anchor", "load", "anchor"))),
        new("three-to-one", "Three to one, blocks", "One block on the line, one at the anchor.", InLine: false, UsesAnchor: true,
            t => Make(-10, [], Hauled(t.Contact, "load", "anchor", "load"))),
        new("three-to-one-rope-loop", "Three to one, rope loop", "The line tied in itself: nothing to carry, and it gives about one and a half. Its friction holds what it has won. It wears the rope.", InLine: true, UsesAnchor: true,
            t => Make(-10, [], new TackleRope { From = "hand", Contacts = [Turn("load", t.RopeLoop), Turn("anchor", t.Contact), End("load")] })),
        new("four-to-one", "Four to one", "Two turns on the line, one at the anchor. Often called five, counting the hauled leg twice.", InLine: false, UsesAnchor: true,
            t => Make(-10, [], Hauled(t.Contact, "load", "anchor", "load", "anchor"))),
        new("five-to-one", "Five to one", "Twin blocks on the line and at the anchor.", InLine: false, UsesAnchor: true,
            t => Make(-10, [], Hauled(t.Contact, "load", "anchor", "load", "anchor", "load"))),
        new("nine-to-one", "Nine to one, three on three", "A three hauling a three: much advantage from four blocks, and many resets.", InLine: false, UsesAnchor: true,
            t => Make(-10, ["traveller"], Hauled(t.Contact, "traveller", "anchor", "traveller"), From("traveller", t.Contact, "load", "anchor", "load"))),
        new("ten-to-one", "Ten to one, five on two", "A five hauling a moving block.", InLine: false, UsesAnchor: true,
            t => Make(-10, ["traveller"], Hauled(t.Contact, "traveller", "anchor", "traveller", "anchor", "traveller"), From("traveller", t.Contact, "load", "anchor"))),
        new("five-between-grips", "Five between two grips", "A five draws two grips together on the line's own two legs. People say ten; it is nine before friction.", InLine: false, UsesAnchor: true,
            t => Make(-10, ["grip"], Hauled(t.Contact, "load", "grip", "load", "grip", "load"), From("grip", t.Contact, "anchor", "load"))),
    ];

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
            new() { Id = "anchor", Position = 0, Kind = PointKind.Fixed },
            new() { Id = "load", Position = 10, Kind = PointKind.Load },
            new() { Id = "hand", Position = hand, Kind = PointKind.Hand },
        };
        points.AddRange(moving.Select(m => new TacklePoint { Id = m, Position = 5, Kind = PointKind.Moving }));
        return new() { Points = points, Ropes = ropes };
    }

    private static TackleRope Hauled(string end) => new() { From = "hand", Contacts = [End(end)] };

    private static TackleRope Hauled(double efficiency, params string[] points) => From("hand", efficiency, points);

    private static TackleRope From(string from, double efficiency, params string[] points) => new()
    {
        From = from,
        Contacts = [.. points.Select((p, i) => i == points.Length - 1 ? End(p) : Turn(p, efficiency))],
    };

    private static TackleContact Turn(string point, double efficiency) => new() { Point = point, Efficiency = efficiency };

    private static TackleContact End(string point) => new() { Point = point };
}
