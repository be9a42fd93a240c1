using System.Text.Json;
using Draklo.Core.Answers;
using Draklo.Core.Units;

namespace Draklo.Browser;

/// <summary>Answers as the page takes them: three digits of a status as HTTP has it, then the answer's JSON.</summary>
internal static class Answers
{
    public static string Written<T>(T? made, List<Problem> problems)
        where T : class
    {
        if (made is not null)
        {
            return $"200{JsonSerializer.Serialize(made, AnswerJson.Options)}";
        }

        var refused = Refused.Of(problems);
        return $"{refused.Status}{JsonSerializer.Serialize(refused, AnswerJson.Options)}";
    }
}
