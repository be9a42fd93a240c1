using System.Text.Json;
using Draklo.Core.Reading;

namespace Draklo.Core.Answers;

/// <summary>How answers that are asked for many times a second are written, wherever they are worked out.</summary>
public static class AnswerJson
{
    public static JsonSerializerOptions Options { get; } = Make();

    private static JsonSerializerOptions Make()
    {
        var options = new JsonSerializerOptions(DocumentReader.Options);
        options.Converters.Add(new ShortNumbers());
        options.MakeReadOnly();
        return options;
    }
}
