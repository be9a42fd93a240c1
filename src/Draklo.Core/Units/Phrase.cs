using System.Runtime.CompilerServices;

namespace Draklo.Core.Units;

/// <summary>
/// Builds a sentence whose quantities are written in the reader's units: <c>$"it carries {load:N}"</c>.
/// </summary>
[InterpolatedStringHandler]
public ref struct Phrase
{
    private DefaultInterpolatedStringHandler text;
    private readonly UnitSystem units;
    private readonly int figures;

    public Phrase(int literalLength, int formattedCount, UnitSystem units)
    {
        text = new(literalLength, formattedCount);
        this.units = units;
        figures = 3;
    }

    /// <summary>Workings show one figure more than sentences, so that the sum can be redone on paper.</summary>
    public Phrase(int literalLength, int formattedCount, Workings workings)
    {
        text = new(literalLength, formattedCount);
        units = workings.Units;
        figures = 4;
    }

    public Phrase(int literalLength, int formattedCount, ReasonList reasons)
        : this(literalLength, formattedCount, reasons.Units) { }

    public void AppendLiteral(string value) => text.AppendLiteral(value);

    public void AppendFormatted(string? value) => text.AppendLiteral(value ?? "");

    public void AppendFormatted(char value) => text.AppendFormatted(value);

    public void AppendFormatted(int value) => text.AppendFormatted(value);

    /// <param name="format">A unit that <see cref="Figures.With"/> knows.</param>
    public void AppendFormatted(double value, string format)
    {
        Span<char> written = stackalloc char[64];
        text.AppendFormatted((ReadOnlySpan<char>)written[..Figures.Write(written, value, format, units, figures)]);
    }

    public void AppendFormatted(Quantity value) => AppendFormatted(value.Value, value.Unit);

    public string ToText() => text.ToStringAndClear();
}

/// <summary>Sentences in a unit system.</summary>
public static class Sentences
{
    public static string Say(
        this UnitSystem units,
        [InterpolatedStringHandlerArgument(nameof(units))] ref Phrase phrase
    )
    {
        _ = units;
        return phrase.ToText();
    }

    /// <summary>Small counts as words: 2 → "two".</summary>
    public static string Count(int number) =>
        number switch
        {
            1 => "one",
            2 => "two",
            3 => "three",
            4 => "four",
            5 => "five",
            6 => "six",
            7 => "seven",
            8 => "eight",
            9 => "nine",
            _ => number.ToString(),
        };

    /// <summary>A name as it stands within a sentence: "Running bowline" → "running bowline".</summary>
    public static string Uncapitalised(this string text) =>
        text.Length == 0 || !char.IsUpper(text[0]) ? text : char.ToLowerInvariant(text[0]) + text[1..];

    public static string Capitalised(this string text) =>
        text.Length == 0 || !char.IsLower(text[0]) ? text : char.ToUpperInvariant(text[0]) + text[1..];
}
