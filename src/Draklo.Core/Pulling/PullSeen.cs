namespace Draklo.Core.Pulling;

/// <summary>What was watched so far.</summary>
/// <param name="Latest">What was last said of each thing.</param>
/// <param name="AnchorBeforeM">How far the anchor's mark had moved at the entry before the last that spoke of it.</param>
/// <param name="Leans">Leans in the order in which they were told, with the entry they came with.</param>
public sealed record PullSeen(WatchedDocument Latest, double? AnchorBeforeM, IReadOnlyList<DayEntry> Leans)
{
    public static PullSeen Of(IReadOnlyList<DayEntry> counting)
    {
        var latest = new WatchedDocument();
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

            latest = new()
            {
                Rigged = seen.Rigged ?? latest.Rigged,
                Bedded = seen.Bedded ?? latest.Bedded,
                WoodBroke = seen.WoodBroke ?? latest.WoodBroke,
                FootLifted = seen.FootLifted ?? latest.FootLifted,
                MovedAside = seen.MovedAside ?? latest.MovedAside,
                HingeCracked = seen.HingeCracked ?? latest.HingeCracked,
                Rubs = seen.Rubs ?? latest.Rubs,
                CameM = seen.CameM ?? latest.CameM,
                AnchorMovedM = seen.AnchorMovedM ?? latest.AnchorMovedM,
                GripCreptM = seen.GripCreptM ?? latest.GripCreptM,
                LeanDeg = seen.LeanDeg ?? latest.LeanDeg,
                HauledM = seen.HauledM ?? latest.HauledM,
            };
        }

        return new(latest, before, [.. counting.Where(e => e.Entry.Seen?.LeanDeg is not null)]);
    }
}
