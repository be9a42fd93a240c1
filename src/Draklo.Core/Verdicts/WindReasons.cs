using Draklo.Core.Trees;
using Draklo.Core.Units;

namespace Draklo.Core.Verdicts;

/// <summary>Whether the plan stands the gusts that may come.</summary>
/// <remarks>Method M3.</remarks>
internal static class WindReasons
{
    private const double StrongMps = 8;
    private const double NotableGustMps = 10;
    private const double LeastGustMps = 5;

    /// <summary>A gust is usually so much over the wind.</summary>
    private const double GustOverWind = 1.4;

    public static void Add(Findings findings, ReasonList reasons)
    {
        var wind = findings.Plan.Wind;
        if (wind.SpeedMps is null && wind.GustMps is null)
        {
            reasons.Check(
                "wind-not-given",
                "Nobody has said what the wind does: enter the wind by the tree, 0 for a calm, and the gusts forecast for the job's hours.",
                "wind.speedMps"
            );
        }

        if (wind.SpeedMps > StrongMps)
        {
            reasons.Check(
                "wind-strong",
                $"Wind of {wind.SpeedMps.Value:m/s} works on the crown, and gusts go higher: wait for less if you can.",
                "wind.speedMps",
                null,
                ("speedMps", wind.SpeedMps.Value)
            );
        }

        if (findings.Gust is { } gust)
        {
            AddGust(findings, gust, reasons);
        }
    }

    private static void AddGust(Findings findings, GustReserve gust, ReasonList reasons)
    {
        var wind = findings.Plan.Wind;
        var (steady, expected) = (wind.SpeedMps ?? 0, wind.GustMps ?? 0);
        var from = gust.FromAhead ? "ahead" : "the side";
        if (gust.SpeedMps < steady)
        {
            reasons.Stop(
                "gust-under-wind",
                $"A gust of {gust.SpeedMps:m/s-} from {from} uses up the reserve, less than the wind that blows already, {steady:m/s}: wait for a calmer hour.",
                "wind.speedMps",
                null,
                ("gustMps", gust.SpeedMps),
                ("speedMps", steady)
            );
        }
        else if (gust.SpeedMps < Math.Max(LeastGustMps, Math.Max(GustOverWind * steady, expected)))
        {
            var why =
                gust.SpeedMps < expected ? reasons.Units.Say($"gusts of {expected:m/s} are expected")
                : gust.SpeedMps < GustOverWind * steady
                    ? reasons.Units.Say($"the wind’s own gusts reach {GustOverWind * steady:m/s}")
                : "that is hardly a breeze";
            var helps = gust.FromAhead
                ? "A larger reserve, another hauler or another hour helps"
                : "A line to the other side, a thicker hinge or another hour helps";
            reasons.Check(
                "gust-low",
                $"A gust of {gust.SpeedMps:m/s-} from {from} uses up the reserve, and {why}. {helps}; as a plan for a calm only, that gust stops work.",
                "wind.gustMps",
                null,
                ("gustMps", gust.SpeedMps),
                ("expectedMps", expected)
            );
        }
        else if (gust.SpeedMps < NotableGustMps && steady <= StrongMps)
        {
            reasons.Remark(
                "gust-uses-reserve",
                $"A gust of {gust.SpeedMps:m/s-} from {from} would use up the reserve.",
                "wind.speedMps",
                ("gustMps", gust.SpeedMps)
            );
        }
    }
}
