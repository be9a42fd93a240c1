using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>Whether each line gets over its seat and beds there.</summary>
internal static class SettingReasons
{
    /// <summary>A seat lower over the cut than this share of the tree's height has hardly a lever; it is more often a slip of
    /// the pen.</summary>
    private const double LowSeat = 0.1;

    public static void Add(Findings findings, ReasonList reasons)
    {
        for (var n = 0; n < findings.Lines.Count; n++)
        {
            var line = findings.Plan.Lines[n];
            if (line.Seat.HeightM - findings.Plan.Cut.StumpHeightM < LowSeat * findings.Plan.Tree.HeightM)
            {
                reasons.Check(
                    "seat-low",
                    $"The {line.Id} line sits at {line.Seat.HeightM:m} on a tree of {findings.Plan.Tree.HeightM:m}: it pulls with hardly a lever. Set it higher, or check the figure.",
                    $"lines[{n}].seat.heightM",
                    null,
                    ("seatM", line.Seat.HeightM)
                );
            }

            if (line.Setting is not { } setting || findings.Lines[n].Setting is not { } thrown)
            {
                continue;
            }

            var path = $"lines[{n}].setting";
            if (!thrown.Reached && thrown.ReachM is { } reach)
            {
                reasons.Check(
                    "throw-falls-short",
                    $"{Way(setting.Way)} reaches about {reach.Nominal:m} ({reach.Low:m} to {reach.High:m}) from there and the seat is at {line.Seat.HeightM:m}: throw another way, or seat the line lower.",
                    $"{path}.way",
                    null,
                    ("reachM", reach.Nominal),
                    ("seatM", line.Seat.HeightM)
                );
            }

            if (setting.TwigsLeft > 0)
            {
                var twigs =
                    setting.TwigsLeft == 1
                        ? "A twig lies"
                        : $"{Sentences.Count(setting.TwigsLeft).Capitalised()} twigs lie";
                reasons.Check(
                    "twigs-under-line",
                    $"{twigs} under the {line.Id} line: tug them off, or it hangs on what will snap.",
                    $"{path}.twigsLeft",
                    null,
                    ("twigs", setting.TwigsLeft)
                );
            }

            if (setting.Bedded == false)
            {
                reasons.Check(
                    "not-bed-tested",
                    $"The {line.Id} line was tried and does not lie on the stem: shake it in or seat it again, and pull {thrown.BedTestN:N} on it.",
                    $"{path}.bedded",
                    null,
                    ("bedTestN", thrown.BedTestN)
                );
            }
        }
    }

    private static string Way(SettingWay way) =>
        way switch
        {
            SettingWay.Hand => "A one-handed throw",
            SettingWay.TwoHands => "A two-handed throw",
            SettingWay.Catapult => "A catapult",
            SettingWay.Pole => "A pole",
            SettingWay.Climber => "A climber",
        };
}
