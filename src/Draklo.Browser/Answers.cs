using System.Buffers;
using System.Text;
using System.Text.Encodings.Web;
using System.Text.Json;
using Draklo.Core.Answers;
using Draklo.Core.Reading;
using Draklo.Core.Units;

namespace Draklo.Browser;

/// <summary>Answers as the page takes them: three digits of a status as HTTP has it, then the answer's JSON.</summary>
internal static class Answers
{
    private static readonly Converters Converters = new();

    private static readonly JsonWriterOptions Plain = new()
    {
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
        SkipValidation = true,
    };

    public static string Written<T>(T? made, List<Problem> problems)
        where T : class
    {
        if (made is not null)
        {
            return $"200{Json(made)}";
        }

        var refused = Refused.Of(problems);
        return $"{refused.Status}{Json(refused)}";
    }

    /// <summary>Without the JSON package's set-up, which takes longer than the first answer's sums.</summary>
    private static string Json<T>(T answer)
        where T : class
    {
        if (Converters.For<T>() is not { } converter)
        {
            return JsonSerializer.Serialize(answer, AnswerJson.Options);
        }

        var utf8 = new ArrayBufferWriter<byte>();
        using (var writer = new Utf8JsonWriter(utf8, Plain))
        {
            converter.Write(writer, answer, isShort: true);
        }

        return Encoding.UTF8.GetString(utf8.WrittenSpan);
    }
}
