using System.Text.Json;
using Draklo.BuiltJson;
using Draklo.Core.Answers;
using Draklo.Core.Questions;
using Draklo.Core.Units;

namespace Draklo.Browser;

/// <summary>Answers as the page takes them: three digits of a status as HTTP has it, then the answer's JSON.</summary>
internal sealed class Answers : IAnswered<string>
{
    private static readonly Converters Converters = new();

    /// <inheritdoc/>
    public string Take<T>(T? answer, IReadOnlyList<Problem> problems)
        where T : class
    {
        if (answer is not null)
        {
            return $"200{Json(answer)}";
        }

        var refused = Refused.Of(problems);
        return $"{refused.Status}{Json(refused)}";
    }

    /// <summary>Why there is no answer.</summary>
    public string Refusal(IReadOnlyList<Problem> problems) => Take<Refused>(null, problems);

    /// <summary>Without the JSON package's set-up, which takes longer than the first answer's sums.</summary>
    private static string Json<T>(T answer)
        where T : class =>
        Converters.For<T>()?.Written(answer, isShort: true) ?? JsonSerializer.Serialize(answer, AnswerJson.Options);
}
