using System.Buffers;
using System.Text;
using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;

namespace Draklo.Core.Reading;

/// <summary>Converters that were written when a home was built.</summary>
public interface IBuiltConverters : IJsonTypeInfoResolver
{
    /// <returns>Null where none was written for this type.</returns>
    BuiltConverter<T>? For<T>()
        where T : class;
}

/// <summary>A converter as the JSON package takes it, whatever it is for.</summary>
public interface IBuiltConverter
{
    JsonTypeInfo Info(JsonSerializerOptions options);
}

/// <summary>A converter that needs none of the JSON package's own set-up, and works within it too.</summary>
public abstract class BuiltConverter<T> : JsonConverter<T>, IBuiltConverter
    where T : class
{
    /// <param name="reader">At the value's first token; it is left at its last.</param>
    /// <param name="isStrict">Whether a member that is not known is a fault.</param>
    /// <exception cref="JsonException">Something does not fit.</exception>
    public abstract T Read(ref Utf8JsonReader reader, bool isStrict);

    /// <param name="isShort">Whether numbers are written as answers have them.</param>
    public abstract void Write(Utf8JsonWriter writer, T value, bool isShort);

    /// <inheritdoc/>
    public sealed override T Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
        Read(ref reader, options.UnmappedMemberHandling == JsonUnmappedMemberHandling.Disallow);

    /// <inheritdoc/>
    public sealed override void Write(Utf8JsonWriter writer, T value, JsonSerializerOptions options) =>
        Write(writer, value, isShort: false);

    /// <inheritdoc/>
    public JsonTypeInfo Info(JsonSerializerOptions options) => JsonMetadataServices.CreateValueInfo<T>(options, this);

    /// <summary>Reads a whole document.</summary>
    /// <exception cref="JsonException">Something does not fit, or something stands behind it.</exception>
    /// <exception cref="InvalidOperationException">A text is not one.</exception>
    public T Read(ReadOnlySpan<byte> utf8, bool isStrict)
    {
        var reader = new Utf8JsonReader(utf8, new JsonReaderOptions { MaxDepth = DocumentReader.Deepest });
        reader.Read();
        var document = Read(ref reader, isStrict);
        return reader.Read() ? throw new JsonException("Something stands behind the document.") : document;
    }

    /// <summary>Writes a whole document.</summary>
    public string Written(T value, bool isShort)
    {
        var utf8 = new ArrayBufferWriter<byte>();
        using (
            var writer = new Utf8JsonWriter(
                utf8,
                new() { Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping, SkipValidation = true }
            )
        )
        {
            Write(writer, value, isShort);
        }

        return Encoding.UTF8.GetString(utf8.WrittenSpan);
    }
}
