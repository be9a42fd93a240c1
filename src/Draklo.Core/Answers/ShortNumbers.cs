using System.Buffers.Text;
using System.Globalization;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace Draklo.Core.Answers;

/// <summary>
/// Writes numbers to eight decimals, a hundredth of a micrometre: shortest exact digits take most of the time that an
/// answer takes, and nobody reads them.
/// </summary>
/// <remarks>
/// Small numbers, where eight decimals would say too little, are written to nine figures; very large ones exactly. So the
/// last bits, in which one machine's sines differ from another's, are in no answer.
/// </remarks>
public sealed class ShortNumbers : JsonConverter<double>
{
    /// <summary>Rounding of the sums, in any unit.</summary>
    private const double Nothing = 1e-9;
    private const double Least = 1e-3;
    private const double Most = 1e9;
    private const long PerOne = 100_000_000;
    private const int Decimals = 8;

    /// <inheritdoc/>
    public override double Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
        reader.GetDouble();

    /// <inheritdoc/>
    public override void Write(Utf8JsonWriter writer, double value, JsonSerializerOptions options) =>
        Write(writer, value);

    /// <summary>Writes one number.</summary>
    public static void Write(Utf8JsonWriter writer, double value)
    {
        var size = Math.Abs(value);
        if (size < Nothing)
        {
            writer.WriteNumberValue(0);
        }
        else if (size is >= Least and < Most)
        {
            Span<byte> text = stackalloc byte[32];
            writer.WriteRawValue(text[..Format(value, size, text)], skipInputValidation: true);
        }
        else if (size < Least)
        {
            Span<byte> text = stackalloc byte[32];
            value.TryFormat(text, out var length, "E8", CultureInfo.InvariantCulture);
            writer.WriteRawValue(text[..length], skipInputValidation: true);
        }
        else
        {
            writer.WriteNumberValue(value);
        }
    }

    private static int Format(double value, double size, Span<byte> text)
    {
        var scaled = (long)((size * PerOne) + 0.5);
        var (whole, part) = Math.DivRem(scaled, PerOne);
        var length = 0;
        if (value < 0)
        {
            text[length++] = (byte)'-';
        }

        Utf8Formatter.TryFormat(whole, text[length..], out var written);
        length += written;
        if (part == 0)
        {
            return length;
        }

        text[length++] = (byte)'.';
        for (var place = Decimals - 1; place >= 0; place--)
        {
            (part, var digit) = Math.DivRem(part, 10);
            text[length + place] = (byte)('0' + digit);
        }

        length += Decimals;
        while (text[length - 1] == '0')
        {
            length--;
        }

        return length;
    }
}
