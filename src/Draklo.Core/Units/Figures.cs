using System.Globalization;

namespace Draklo.Core.Units;

/// <summary>Writes a quantity with a sensible number of figures, in either unit system.</summary>
public static class Figures
{
    private const int MostPlaces = 6;
    private const int Longest = 64;

    /// <summary>Numbers from here on are nonsense that somebody typed, and are written short.</summary>
    private const double Countable = 1e15;

    private static readonly string[] Fixed = ["N0", "N1", "N2", "N3", "N4", "N5", "N6"];

    /// <summary>Something just over a step is not sent to the next by what a sum leaves behind its comma.</summary>
    private const double OnTheStep = 1e-9;

    /// <summary>A number rounded to so many figures: 1486.4 → "1,490", 0.0471 → "0.0471", 13 → "13" with three.</summary>
    public static string Plain(double value, int figures)
    {
        Span<char> text = stackalloc char[Longest];
        return new(text[..Write(text, value, figures, Toward.Nearest)]);
    }

    /// <summary>A quantity in SI with its unit, in the reader's units.</summary>
    /// <param name="unit"> m, cm (a thickness or girth, given in metres), mm (a rope, given in metres), N, Nm, MPa, GPa
    /// (given in Pa), kg, kg/m3, m2, m3, J, deg, m/s, % or x (a plain ratio). With a + behind it a floor, which is rounded up,
    /// with a - a ceiling, which is rounded down. </param>
    /// <exception cref="ArgumentException">The unit is not one of those.</exception>
    public static string With(double value, string unit, UnitSystem units, int figures = 3)
    {
        Span<char> text = stackalloc char[Longest];
        return new(text[..Write(text, value, unit, units, figures)]);
    }

    /// <summary>About how many kilograms would hang so hard, as a feller feels a force: " (about 81 kg)".</summary>
    /// <returns>Nothing for US units, whose pounds-force say it already.</returns>
    public static string AboutKilograms(double newtons, UnitSystem units) =>
        units == UnitSystem.Us || newtons >= 1000 ? "" : $" (about {Plain(newtons / Standard.Gravity, 2)} kg)";

    /// <summary>The same as <see cref="With"/> into a buffer of 64; returns how much of it was used.</summary>
    internal static int Write(Span<char> text, double value, string unit, UnitSystem units, int figures)
    {
        var toward =
            unit[^1] == '+' ? Toward.Up
            : unit[^1] == '-' ? Toward.Down
            : Toward.Nearest;
        if (!UnitPair.ByCode.TryGetValue(toward == Toward.Nearest ? unit : unit[..^1], out var pair))
        {
            throw new ArgumentException($"'{unit}' is not a unit that can be written.", nameof(unit));
        }

        var written = pair.For(value, units);
        var inUnit = value / written.Si;
        var length = pair.Places is { } places
            ? WriteFixed(
                text,
                Rounded(inUnit, Math.Max(0, places + figures - 3), toward),
                Math.Max(0, places + figures - 3)
            )
            : Write(text, inUnit, figures, toward);
        if (written.Name.Length > 0 && written.Name != "°")
        {
            text[length++] = ' ';
        }

        written.Name.CopyTo(text[length..]);
        return length + written.Name.Length;
    }

    private enum Toward
    {
        Nearest,
        Up,
        Down,
    }

    /// <summary>A floor up and a ceiling down, to so many places; what is to be rounded to the nearest stays.</summary>
    private static double Rounded(double value, int places, Toward toward)
    {
        if (toward == Toward.Nearest || Math.Abs(value) >= Countable)
        {
            return value;
        }

        var steps = value * Math.Pow(10, places);
        return (toward == Toward.Up ? Math.Ceiling(steps - OnTheStep) : Math.Floor(steps + OnTheStep))
            / Math.Pow(10, places);
    }

    private static int Write(Span<char> text, double value, int figures, Toward toward)
    {
        if (!double.IsFinite(value) || Math.Abs(value) < 5e-7)
        {
            text[0] = double.IsFinite(value) ? '0' : '–';
            return 1;
        }

        if (Math.Abs(value) >= Countable)
        {
            value.TryFormat(text, out var length, "0.##E+0", CultureInfo.InvariantCulture);
            return length;
        }

        var places = figures - 1 - (int)Math.Floor(Math.Log10(Math.Abs(value)));
        value = Rounded(value, Math.Min(places, MostPlaces), toward);
        if (places >= 0)
        {
            return WriteFixed(text, value, Math.Min(places, MostPlaces));
        }

        var step = Math.Pow(10, -places);
        return WriteFixed(text, Math.Round(value / step) * step, 0);
    }

    /// <summary>Without trailing zeros, for they claim what nobody measured.</summary>
    private static int WriteFixed(Span<char> text, double value, int places)
    {
        if (Math.Abs(value) >= Countable)
        {
            return Write(text, value, 3, Toward.Nearest);
        }

        value.TryFormat(text, out var length, Fixed[places], CultureInfo.InvariantCulture);
        if (places > 0)
        {
            while (text[length - 1] == '0')
            {
                length--;
            }

            length -= text[length - 1] == '.' ? 1 : 0;
        }

        if (text[0] == '-')
        {
            // What rounds to nothing has no sign.
            if (length == 2 && text[1] == '0')
            {
                text[0] = '0';
                return 1;
            }

            text[0] = '−';
        }

        return length;
    }
}
