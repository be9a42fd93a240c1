using Draklo.Core.Plans;
using Draklo.Core.Units;

namespace Draklo.Core.Lines;

/// <summary>One number of turns on the drum and where it slips.</summary>
/// <param name="SlipLowN">With the low friction and a light hold.</param>
/// <param name="SlipN">With the middle figures.</param>
/// <param name="SlipHighN">With the high friction, a firm hold and half a turn more than was counted.</param>
/// <param name="Fits">Slips above the need at worst, and below what the weakest link may carry at best.</param>
public sealed record DrumTurns(int Turns, double SlipLowN, double SlipN, double SlipHighN, bool Fits);

/// <summary>Turns on a drum between puller and rope, held by hand, so that it slips before something breaks.</summary>
/// <remarks>Method M14: T_slip = hold · e^(2π·μ·turns), at the hauling end.</remarks>
/// <param name="NeededN">Hand force at the planned tension: a drum that slips below it does not pull the tree.</param>
/// <param name="AllowedN">Hand force at which the weakest link of the line has used up its factor.</param>
/// <param name="Choices">From one turn to eight.</param>
/// <param name="Fitting">The least number of turns that is right; null when none is.</param>
public sealed record Limiter(
    double NeededN,
    double AllowedN,
    IReadOnlyList<DrumTurns> Choices,
    int? Fitting,
    string Text
)
{
    public const int MostTurns = 8;

    /// <summary>The high case counts half a turn more than was counted.</summary>
    private const double MiscountedTurns = 0.5;

    /// <summary>The tension at which it slips, N.</summary>
    /// <param name="hold">On the tail, N.</param>
    /// <param name="friction">Of rope on drum, over 0.</param>
    /// <param name="turns">Round the drum.</param>
    public static double SlipsAt(double hold, double friction, double turns) =>
        hold * Math.Exp(2 * Math.PI * friction * turns);

    /// <summary>The tension at which the drum's brake lets go at the latest, N, over 0 (M14).</summary>
    public static double SlipsAtMost(LimiterMembers drum) =>
        SlipsAt(drum.HoldHighN, drum.FrictionHigh, drum.Turns + MiscountedTurns);

    /// <summary>Whether somebody tried the drum: its friction's low and high are measured, or the crew's own.</summary>
    /// <param name="path">Of the drum's members, as in lines[0].limiter.</param>
    public static bool IsTried(Plan plan, string path)
    {
        return plan.Ours.Any(o => o.Path.StartsWith($"{path}.friction", StringComparison.Ordinal))
            || (IsMeasured("frictionLow") && IsMeasured("frictionHigh"));

        bool IsMeasured(string member) =>
            plan.Provenance.TryGetValue($"{path}.{member}", out var from) && from == Provenance.Measured;
    }

    /// <summary>The most that a drum is taken to hold, N: as tried, or in its middle while nobody has tried it.</summary>
    public static double LimitsTo(LimiterMembers drum, bool tried) =>
        tried ? SlipsAtMost(drum) : SlipsAt(drum.HoldN, drum.Friction, drum.Turns);

    /// <summary>Every number of turns judged.</summary>
    /// <param name="drum">The drum as planned; its own turns do not matter here.</param>
    /// <param name="needed">Hand force at the planned tension, N.</param>
    /// <param name="allowed">Hand force that the weakest link allows, N.</param>
    /// <param name="most">What the puller can give at most, N: no drum holds more.</param>
    public static Limiter Of(LimiterMembers drum, double needed, double allowed, double most, UnitSystem units)
    {
        var choices = new DrumTurns[MostTurns];
        int? fitting = null;
        for (var n = 1; n <= MostTurns; n++)
        {
            var low = SlipsAt(drum.HoldLowN, drum.FrictionLow, n);
            var high = Math.Min(most, SlipsAt(drum.HoldHighN, drum.FrictionHigh, n + MiscountedTurns));
            var fits = low > needed && high < allowed;
            fitting ??= fits ? n : null;
            choices[n - 1] = new(n, low, SlipsAt(drum.HoldN, drum.Friction, n), high, fits);
        }

        var enough = choices.FirstOrDefault(c => c.SlipLowN > needed);
        var text =
            fitting is { } turns
                ? units.Say(
                    $"{Sentences.Count(turns).Capitalised()} {(turns == 1 ? "turn slips" : "turns slip")} between {choices[turns - 1].SlipLowN:N} and {choices[turns - 1].SlipHighN:N}: over the {needed:N} that the plan needs, under the {allowed:N} that the weakest link allows."
                )
            : enough is null
                ? units.Say(
                    $"No number of turns up to {Sentences.Count(MostTurns)} holds the {needed:N} that the plan needs for certain."
                )
            : units.Say(
                $"Try your drum first: the table's friction is too uncertain to choose turns by. {Sentences.Count(enough.Turns).Capitalised()} {(enough.Turns == 1 ? "turn holds" : "turns hold")} the {needed:N} needed but may hold up to {enough.SlipHighN:N}; the weakest link allows {allowed:N}. Read it with a load cell and enter what it does."
            );
        return new(needed, allowed, choices, fitting, text);
    }
}
