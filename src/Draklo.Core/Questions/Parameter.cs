using System.Globalization;
using Draklo.Core.Units;

namespace Draklo.Core.Questions;

/// <summary>A value that stands beside the document in a question's address.</summary>
public abstract class Parameter(string name, string says)
{
    /// <summary>As it stands in the address.</summary>
    public string Name { get; } = name;

    /// <summary>What it is, for the API's description.</summary>
    public string Says { get; } = says;

    /// <summary>As OpenAPI names the kind of value: integer, number, boolean or string.</summary>
    public abstract string Kind { get; }

    /// <summary>What it is where the address leaves it out; null where it then stays open.</summary>
    public abstract object? UsualValue { get; }

    /// <summary>The lowest and the highest that it may be; null for text.</summary>
    public virtual (double Low, double High)? Range => null;

    /// <summary>Reads what the address holds.</summary>
    /// <param name="text">Null where the address leaves it out.</param>
    /// <returns>The value, or why the text is not valid.</returns>
    internal abstract (object? Value, Problem? Problem) Read(string? text);
}

/// <summary>A parameter whose values are of one type.</summary>
public abstract class Parameter<T>(string name, T usual, string says) : Parameter(name, says)
{
    /// <summary>What it is where the address leaves it out.</summary>
    public T Usual { get; } = usual;

    /// <inheritdoc/>
    public override object? UsualValue => Usual;

    /// <inheritdoc/>
    internal override (object? Value, Problem? Problem) Read(string? text)
    {
        if (text is null)
        {
            return (Usual, null);
        }

        return TryRead(text, out var value) ? (value, null) : (null, new(Name, Refusal(text)));
    }

    /// <summary>Reads a text; false if it is not one of the values.</summary>
    protected abstract bool TryRead(string text, out T value);

    /// <summary>What is wrong with a text that cannot be read.</summary>
    protected abstract string Refusal(string text);

    /// <summary>The text as a refusal repeats it.</summary>
    protected static string Shortened(string text) => text.Length > 30 ? text[..30] + "…" : text;
}

/// <summary>A whole number from low to high.</summary>
public sealed class WholeNumber(string name, int usual, int low, int high, string says)
    : Parameter<int>(name, usual, says)
{
    /// <summary>What else it must be; everything within the range is, without.</summary>
    public Func<int, bool> Fits { get; init; } = static _ => true;

    /// <summary>How a refusal names what else it must be, as in " that divides 360".</summary>
    public string Also { get; init; } = "";

    /// <inheritdoc/>
    public override string Kind => "integer";

    /// <inheritdoc/>
    public override (double Low, double High)? Range => (low, high);

    /// <inheritdoc/>
    protected override bool TryRead(string text, out int value) =>
        int.TryParse(text, NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out value)
        && value >= low
        && value <= high
        && Fits(value);

    /// <inheritdoc/>
    protected override string Refusal(string text) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"“{Shortened(text)}” doesn't fit: give a whole number{Also} from {low} to {high:N0}."
        );
}

/// <summary>A number from low to high.</summary>
/// <param name="unit">As a refusal writes it, as in "m/s".</param>
public sealed class Number(string name, double usual, double low, double high, string unit, string says)
    : Parameter<double>(name, usual, says)
{
    /// <inheritdoc/>
    public override string Kind => "number";

    /// <inheritdoc/>
    public override (double Low, double High)? Range => (low, high);

    /// <inheritdoc/>
    protected override bool TryRead(string text, out double value) =>
        double.TryParse(text, NumberStyles.Float, CultureInfo.InvariantCulture, out value)
        && value >= low
        && value <= high;

    /// <inheritdoc/>
    protected override string Refusal(string text) =>
        string.Create(CultureInfo.InvariantCulture, $"“{Shortened(text)}” doesn't fit: give {low} to {high} {unit}.");
}

/// <summary>A number of people that may be left open.</summary>
public sealed class Headcount(string name, int high, string says) : Parameter<int?>(name, null, says)
{
    /// <inheritdoc/>
    public override string Kind => "integer";

    /// <inheritdoc/>
    public override (double Low, double High)? Range => (0, high);

    /// <inheritdoc/>
    protected override bool TryRead(string text, out int? value)
    {
        var isNumber = int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var read);
        value = read;
        return isNumber && read <= high;
    }

    /// <inheritdoc/>
    protected override string Refusal(string text) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"“{Shortened(text)}” doesn't fit: give 0 to {high} people, or leave it out."
        );
}

/// <summary>Yes or no.</summary>
public sealed class YesOrNo(string name, bool usual, string says) : Parameter<bool>(name, usual, says)
{
    /// <inheritdoc/>
    public override string Kind => "boolean";

    /// <inheritdoc/>
    protected override bool TryRead(string text, out bool value) => bool.TryParse(text, out value);

    /// <inheritdoc/>
    protected override string Refusal(string text) => $"“{Shortened(text)}” doesn't fit: give true or false.";
}

/// <summary>Words, as an id is.</summary>
public sealed class Words(string name, string usual, string says) : Parameter<string>(name, usual, says)
{
    private const int Longest = 120;

    /// <inheritdoc/>
    public override string Kind => "string";

    /// <inheritdoc/>
    protected override bool TryRead(string text, out string value)
    {
        value = text;
        return text.Length <= Longest;
    }

    /// <inheritdoc/>
    protected override string Refusal(string text) => $"Give at most {Longest} letters.";
}

/// <summary>A day of the calendar that may be left open.</summary>
public sealed class CalendarDay(string name, string says) : Parameter<DateOnly?>(name, null, says)
{
    /// <summary>How a day is written.</summary>
    public const string Format = "yyyy-MM-dd";

    /// <inheritdoc/>
    public override string Kind => "string";

    /// <inheritdoc/>
    protected override bool TryRead(string text, out DateOnly? value)
    {
        value = null;
        if (text.Length == 0)
        {
            return true;
        }

        var isDay = DateOnly.TryParseExact(
            text,
            Format,
            CultureInfo.InvariantCulture,
            DateTimeStyles.None,
            out var day
        );
        value = day;
        return isDay;
    }

    /// <inheritdoc/>
    protected override string Refusal(string text) =>
        $"“{Shortened(text)}” isn't a day: write it as year-month-day, as in 2026-03-14.";
}

/// <summary>The units that sentences and workings are written in; figures are SI in any case.</summary>
public sealed class UnitChoice() : Parameter<UnitSystem>("units", UnitSystem.Metric, "metric or us.")
{
    /// <inheritdoc/>
    public override string Kind => "string";

    /// <inheritdoc/>
    public override object UsualValue => "metric";

    /// <inheritdoc/>
    protected override bool TryRead(string text, out UnitSystem value)
    {
        value = text == "us" ? UnitSystem.Us : UnitSystem.Metric;
        return text is "" or "us" or "metric";
    }

    /// <inheritdoc/>
    protected override string Refusal(string text) =>
        $"“{Shortened(text)}” is not a unit system: ask for metric or us.";
}
