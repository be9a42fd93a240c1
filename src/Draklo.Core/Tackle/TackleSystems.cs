using Draklo.Core.Plans;

namespace Draklo.Core.Tackle;

/// <summary>The systems that crews know by name.</summary>
/// <remarks>
/// Along the axis the anchor stands at 0, the load at 10, and whoever hauls at −10 or, hauling back toward the tree, at
/// 20.
/// </remarks>
public static class TackleSystems
{
    public const string DirectId = "direct";
    public const string RedirectedId = "redirected";

    public static IReadOnlyList<TackleSystem> All { get; } =
    [
        new(
            DirectId,
            "Direct",
            "Hands on the line itself; no anchor, no friction.",
            inLine: true,
            _ => Make(-10, [], Hauled("load"))
        ),
        new(
            RedirectedId,
            "Redirected",
            "One turn at the anchor, so the crew can haul out of the lay; it gains nothing and the anchor takes nearly twice the line.",
            inLine: true,
            t => Make(20, [], Hauled(t.Contact, "anchor", "load"))
        )
        {
            PeopleSay = "A turn at the anchor gains nothing, though it feels like more.",
        },
        new(
            "two-to-one",
            "Two to one",
            "A moving block on the line.",
            inLine: false,
            t => Make(-10, [], Hauled(t.Contact, "load", "anchor"))
        ),
        new(
            "two-to-one-redirected",
            "Two to one, redirected",
            "A moving block on the line, hauled back through a block at the anchor.",
            inLine: false,
            t => Make(20, [], Hauled(t.Contact, "anchor", "load", "anchor"))
        ),
        new(
            "three-to-one",
            "Three to one, blocks",
            "One block on the line, one at the anchor.",
            inLine: false,
            t => Make(-10, [], Hauled(t.Contact, "load", "anchor", "load"))
        ),
        new(
            "three-to-one-rope-loop",
            "Three to one, rope loop",
            "The line tied in itself: nothing to carry, and it gives about one and a half. Its friction holds what it has won. It wears the rope.",
            inLine: true,
            t =>
                Make(
                    -10,
                    [],
                    new TackleRope
                    {
                        From = "hand",
                        Contacts = [Turn("load", t.RopeLoop), Turn("anchor", t.Contact), End("load")],
                    }
                )
        )
        {
            PeopleSay = "People say three; rope on rope leaves about one and a half.",
        },
        new(
            "four-to-one",
            "Four to one",
            "Two turns on the line, one at the anchor. Often called five, counting the hauled leg twice.",
            inLine: false,
            t => Make(-10, [], Hauled(t.Contact, "load", "anchor", "load", "anchor"))
        )
        {
            PeopleSay = "People say five, counting the hauled leg twice; it is four.",
        },
        new(
            "five-to-one",
            "Five to one",
            "Twin blocks on the line and at the anchor.",
            inLine: false,
            t => Make(-10, [], Hauled(t.Contact, "load", "anchor", "load", "anchor", "load"))
        ),
        new(
            "nine-to-one",
            "Nine to one, three on three",
            "A three hauling a three: much advantage from four blocks, and many resets.",
            inLine: false,
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
            inLine: false,
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
            inLine: false,
            t =>
                Make(
                    -10,
                    ["grip"],
                    Hauled(t.Contact, "load", "grip", "load", "grip", "load"),
                    From("grip", t.Contact, "anchor", "load")
                )
        )
        {
            PeopleSay = "People say ten; it is nine, for the hauler stands on the ground.",
        },
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
