using System.Text.Json;
using Draklo.Core.Answers;
using Draklo.Core.Units;

namespace Draklo.Browser;

/// <summary>Answers as the page takes them: three digits of a status as HTTP has it, then the answer's JSON.</summary>
internal static class Answers
{
    private static readonly Converters Converters = new();

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
        where T : class =>
        Converters.For<T>()?.Written(answer, isShort: true) ?? JsonSerializer.Serialize(answer, AnswerJson.Options);
}
