using Draklo.Core.Units;

namespace Draklo.Core.Learning;

/// <summary>Learned figures as they are written.</summary>
public static class LearnedWords
{
    /// <param name="unit">As in <see cref="LearnedFigure.Unit"/>.</param>
    public static string Say(double value, string unit, UnitSystem units) =>
        unit switch
        {
            "deg" => units.Say($"{value:deg}"),
            "share" => units.Say($"{value:%}"),
            "N" => units.Say($"{value:N}"),
            "m" => units.Say($"{value:m}"),
            _ => Figures.Plain(value, 2),
        };
}
