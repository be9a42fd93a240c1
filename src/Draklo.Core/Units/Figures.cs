namespace Draklo.Core.Units;

/// <summary>Writes a quantity with a sensible number of figures, in either unit system.</summary>
public static class Figures
{
    private static readonly string[] Decimals = ["N0", "N1", "N2", "N3", "N4", "N5", "N6"];

    /// <summary>A number rounded to so many figures: 1486.4 → "1,490", 0.0471 → "0.0471" with three.</summary>
    public static string Plain(double value, int figures)
    {
        if (!double.IsFinite(value))
        {
            return "–";
        }

        if (Math.Abs(value) < 5e-7)
        {
            return "0";
        }

        var magnitude = (int)Math.Floor(Math.Log10(Math.Abs(value)));
        var places = figures - 1 - magnitude;
        if (places >= 0)
        {
            return value.ToString(Decimals[Math.Min(places, 6)]).Replace('-', '−');
        }

        var step = Math.Pow(10, -places);
        return (Math.Round(value / step) * step).ToString("N0").Replace('-', '−');
    }

    /// <summary>A quantity in SI with its unit, in the reader's units.</summary>
    /// <param name="unit">m, cm (a thickness or girth, given in metres), mm (a rope, given in metres), N, Nm, MPa, GPa
    /// (given in Pa), kg, kg/m3, J, deg, m/s, % or x (a plain ratio).</param>
    /// <exception cref="ArgumentException">The unit is none of those.</exception>
    public static string With(double value, string unit, UnitSystem units, int figures = 3)
    {
        var us = units == UnitSystem.Us;
        return unit switch
        {
            "m" => us ? Plain(value / 0.3048, figures) + " ft" : Plain(value, figures) + " m",
            "cm" => us ? Plain(value / 0.0254, figures) + " in" : Plain(value * 100, figures) + " cm",
            "mm" => us ? Plain(value / 0.0254, figures) + " in" : Plain(value * 1000, figures) + " mm",
            "N" => us ? Plain(value / 4.4482216, figures) + " lbf" : Plain(value / 1000, figures) + " kN",
            "Nm" => us ? Plain(value / 1.3558179, figures) + " ft·lbf" : Plain(value / 1000, figures) + " kN·m",
            "MPa" => us ? Plain(value / 6894.757, figures) + " psi" : Plain(value / 1e6, figures) + " MPa",
            "GPa" => us ? Plain(value / 6.894757e9, figures) + " Mpsi" : Plain(value / 1e9, figures) + " GPa",
            "kg" => us ? Plain(value / 0.45359237, figures) + " lb" : Plain(value, figures) + " kg",
            "kg/m3" => us ? Plain(value / 16.018463, figures) + " lb/ft³" : Plain(value, figures) + " kg/m³",
            "m2" => us ? Plain(value / 0.09290304, figures) + " ft²" : Plain(value, figures) + " m²",
            "m3" => us ? Plain(value / 0.028316847, figures) + " ft³" : Plain(value, figures) + " m³",
            "J" => us ? Plain(value / 1.3558179, figures) + " ft·lbf" : Plain(value, figures) + " J",
            "m/s" => us ? Plain(value / 0.44704, figures) + " mph" : Plain(value, figures) + " m/s",
            "deg" => value.ToString(Decimals[figures - 2]).Replace('-', '−') + "°",
            "%" => Plain(value * 100, figures) + " %",
            "x" => Plain(value, figures),
            _ => throw new ArgumentException($"'{unit}' is not a unit that can be written.", nameof(unit)),
        };
    }
}
