using Draklo.Core.Plans;

namespace Draklo.Core.Pulling;

/// <summary>What was watched so far.</summary>
/// <param name="Latest">What was last said of each thing.</param>
/// <param name="Here">What was said of each thing at the step that the crew is at.</param>
/// <param name="AnchorBeforeM">How far the anchor's mark had moved at the entry before the last that spoke of it.</param>
/// <param name="Leans">Leans in the order in which they were told, with the entry they came with.</param>
public sealed record PullSeen(
    WatchedDocument Latest,
    WatchedDocument Here,
    double? AnchorBeforeM,
    IReadOnlyList<DayEntry> Leans
)
{
    public static PullSeen Of(IReadOnlyList<DayEntry> counting, PullStep now)
    {
        var (latest, here) = (new WatchedDocument(), new WatchedDocument());
        double? before = null;
        foreach (var entry in counting)
        {
            if (entry.Entry.Seen is not { } seen)
            {
                continue;
            }

            if (seen.AnchorMovedM is not null && latest.AnchorMovedM is not null)
            {
                before = latest.AnchorMovedM;
            }

            latest = Over(latest, seen);
            here = entry.Entry.Step == now ? Over(here, seen) : here;
        }

        return new(latest, here, before, [.. counting.Where(e => e.Entry.Seen?.LeanDeg is not null)]);
    }

    /// <summary>What was said before, with what is said now in its place.</summary>
    private static WatchedDocument Over(WatchedDocument before, WatchedDocument seen) =>
        new()
        {
            Rigged = seen.Rigged ?? before.Rigged,
            Bedded = seen.Bedded ?? before.Bedded,
            WoodBroke = seen.WoodBroke ?? before.WoodBroke,
            FootLifted = seen.FootLifted ?? before.FootLifted,
            MovedAside = seen.MovedAside ?? before.MovedAside,
            HingeCracked = seen.HingeCracked ?? before.HingeCracked,
            Rubs = seen.Rubs ?? before.Rubs,
            FallerOut = seen.FallerOut ?? before.FallerOut,
            CameM = seen.CameM ?? before.CameM,
            AnchorMovedM = seen.AnchorMovedM ?? before.AnchorMovedM,
            GripCreptM = seen.GripCreptM ?? before.GripCreptM,
            LeanDeg = seen.LeanDeg ?? before.LeanDeg,
            HauledM = seen.HauledM ?? before.HauledM,
        };
}
