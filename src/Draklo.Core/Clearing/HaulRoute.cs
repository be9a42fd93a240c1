using Draklo.Core.Geometry;
using Draklo.Core.Plans;

namespace Draklo.Core.Clearing;

/// <summary>The way of a hauling line from the load to the hauler: over a brow, the high point's block, the lead.</summary>
/// <param name="Points">From the load to the hauler.</param>
/// <param name="Turns">Where it turns between them, in the same order.</param>
internal sealed record HaulRoute(IReadOnlyList<SectionPoint> Points, IReadOnlyList<HaulTurn> Turns)
{
    /// <summary>Rope that runs over the ground is taken as one over bark; an estimate of ours.</summary>
    private static readonly RigBlockMembers Ground = new() { ContactId = "bark-union" };

    /// <summary>Where the line lies on the ground; null where it hangs free.</summary>
    public SectionPoint? Brow => Turns.Count > 0 && Turns[0].Mark == RigMark.Haul ? Points[1] : null;

    /// <summary>Along the ground over every turn, m, 0 or more.</summary>
    public double LengthM => RigWalk.Along([.. Points]);

    /// <param name="overBlock">Whether it runs over the high point's block.</param>
    public static HaulRoute Of(RigWalk walk, SectionPoint load, bool overBlock)
    {
        var (scene, clearing) = (walk.Scene, walk.Clearing);
        var points = new List<SectionPoint>(5) { load };
        var end = EndOf(scene, overBlock);
        var brow = Toward(walk, load, end);
        if (brow != end)
        {
            points.Add(brow);
        }

        points.Add(end);
        if (overBlock && scene.Lead is { } lead)
        {
            points.Add(lead);
        }

        if (points[^1] != scene.Hauler)
        {
            points.Add(scene.Hauler);
        }

        var turns = new List<HaulTurn>(3);
        for (var i = 1; i + 1 < points.Count; i++)
        {
            var at = points[i];
            var (a, b) = (at.AngleTo(points[i - 1]), at.AngleTo(points[i + 1]));
            turns.Add(
                at == brow && brow != end
                    ? new(
                        RigMark.Haul,
                        "brow",
                        "Line over the brow",
                        Ground,
                        "clearing.ground",
                        a,
                        b,
                        RigWalk.Turned(a, b)
                    )
                : overBlock && at == end
                    ? new(
                        RigMark.Block,
                        "block",
                        "Block up high",
                        clearing.High!.Block,
                        "clearing.high.block",
                        a,
                        b,
                        RigWalk.Turned(a, b)
                    )
                : new(
                    RigMark.Lead,
                    "lead",
                    "Lead block",
                    clearing.Lead!.Block,
                    "clearing.lead.block",
                    a,
                    b,
                    TurnedAside(a, b, clearing.Lead.TurnDeg)
                )
            );
        }

        return new(points, turns);
    }

    /// <summary>The first fixed point that the line runs to from the load.</summary>
    public static SectionPoint EndOf(ClearingScene scene, bool overBlock) =>
        overBlock ? scene.Block!.Value : scene.Lead ?? scene.Hauler;

    /// <summary>Where a line from a log bends over the ground, as at a brow; the end itself where nothing is between.</summary>
    public static SectionPoint Toward(RigWalk walk, SectionPoint log, SectionPoint end)
    {
        var next = end;
        var toRight = Math.Sign(end.X - log.X);
        foreach (var spot in walk.Clearing.Ground.Spots)
        {
            var across = (spot.AtM - log.X) * toRight;
            if (across > 0.5 && across < Math.Abs(end.X - log.X) - 0.1)
            {
                var steeper = (spot.UpM - log.Y) / across;
                if (steeper > ((next.Y - log.Y) / Math.Abs(next.X - log.X)) + 1e-6)
                {
                    next = new(spot.AtM, spot.UpM);
                }
            }
        }

        return next;
    }

    /// <summary>How far a line turns where it also leaves the section to the side, radians.</summary>
    /// <param name="toLoad">Direction of the leg to the load in the section.</param>
    /// <param name="toHauler">Of the other leg, as steep as it would be in the section.</param>
    /// <param name="asideDeg">From straight on, as seen from above; 0 stays in the section.</param>
    private static double TurnedAside(double toLoad, double toHauler, double asideDeg)
    {
        if (asideDeg == 0)
        {
            return RigWalk.Turned(toLoad, toHauler);
        }

        // Seen from above the legs lie (180° − aside) apart; their rise brings them nearer or farther.
        var level = Math.Abs(Math.Cos(toLoad)) * Math.Abs(Math.Cos(toHauler));
        var cosine = (-level * Math.Cos(Angle.Radians(asideDeg))) + (Math.Sin(toLoad) * Math.Sin(toHauler));
        return Math.PI - Math.Acos(Math.Clamp(cosine, -1, 1));
    }
}
