using System.Text.Json;
using Draklo.Core.Answers;
using Draklo.Core.Reading;

namespace Draklo.BuiltJson;

/// <summary>What the written converters share: plain values, and what to do with what does not fit.</summary>
public sealed partial class Converters
{
    /// <summary>Caught by the document reader, which then says what is wrong and where.</summary>
    private static JsonException Misfit() => new("This document does not fit its type.");

    private static JsonTokenType Next(ref Utf8JsonReader reader) => reader.Read() ? reader.TokenType : throw Misfit();

    /// <summary>Notes that a member was read, and that it was not before.</summary>
    private static void Once(ref ulong seen, int bit)
    {
        if ((seen & (1UL << bit)) != 0)
        {
            throw Misfit();
        }

        seen |= 1UL << bit;
    }

    /// <summary>Passes over a member that is not known here, unless it is a document that somebody else wrote.</summary>
    private static void Unknown(ref Utf8JsonReader reader, bool isStrict)
    {
        if (isStrict)
        {
            throw Misfit();
        }

        reader.Skip();
    }

    private static double ReadNumber(ref Utf8JsonReader reader, bool isStrict) =>
        reader.TokenType == JsonTokenType.Number && reader.GetDouble() is var value && double.IsFinite(value)
            ? value
            : throw Misfit();

    private static int ReadWhole(ref Utf8JsonReader reader, bool isStrict) =>
        reader.TokenType == JsonTokenType.Number && reader.TryGetInt32(out var value) ? value : throw Misfit();

    private static bool ReadFlag(ref Utf8JsonReader reader, bool isStrict) =>
        reader.TokenType switch
        {
            JsonTokenType.True => true,
            JsonTokenType.False => false,
            _ => throw Misfit(),
        };

    private static string ReadText(ref Utf8JsonReader reader, bool isStrict) =>
        reader.TokenType == JsonTokenType.String ? reader.GetString()! : throw Misfit();

    private static T ReadValue<T>(ref Utf8JsonReader reader, bool isStrict) =>
        JsonSerializer.Deserialize<T>(ref reader, DocumentReader.Options) ?? throw Misfit();

    private static void WriteNumber(Utf8JsonWriter writer, double value, bool isShort)
    {
        if (isShort)
        {
            ShortNumbers.Write(writer, value);
        }
        else
        {
            writer.WriteNumberValue(value);
        }
    }

    private static void WriteWhole(Utf8JsonWriter writer, int value, bool isShort) => writer.WriteNumberValue(value);

    private static void WriteFlag(Utf8JsonWriter writer, bool value, bool isShort) => writer.WriteBooleanValue(value);

    private static void WriteText(Utf8JsonWriter writer, string value, bool isShort) => writer.WriteStringValue(value);

    private static void WriteValue<T>(Utf8JsonWriter writer, T value, bool isShort) =>
        JsonSerializer.Serialize(writer, value, DocumentReader.Options);
}
